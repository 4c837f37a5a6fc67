"""What changed from one version of a plan to another, in sentences."""

from collections.abc import Sequence

from msgspec.structs import asdict

from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look
from jolly_ledge.model.money import money
from jolly_ledge.model.phrases import capital, counted, listed
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.planning.differences import differences

MOST_NAMED = 6


def plan_differences(old: Plan, new: Plan) -> tuple[str, ...]:
    """Return what a later version does otherwise: pieces, then things, then looks, then the rest; empty when alike."""
    said: list[str] = []
    said += _records("piece", old.pieces, new.pieces)
    said += _records("thing", old.stash, new.stash)
    said += _records("look", old.looks, new.looks)
    before = {look.id: look for look in old.looks}
    for look in new.looks:
        earlier = before.get(look.id)
        if earlier is not None and earlier != look:
            said += _look(old, new, earlier, look)
    if old.budget != new.budget:
        said.append(f"The budget is {_amount(new)} (before: {_amount(old)}).")
    if old.household != new.household:
        said.append("The household is told otherwise.")
    if old.name != new.name:
        said.append(f"It is called “{new.name}” (before: “{old.name}”).")
    return tuple(said)


def _amount(plan: Plan) -> str:
    return money(plan.budget, plan.currency) or "not told"


Records = Sequence[Piece] | Sequence[Item] | Sequence[Look]


def _records(word: str, old: Records, new: Records) -> list[str]:
    before, after = {one.id: one for one in old}, {one.id: one for one in new}
    added = [after[key].label for key in after if key not in before]
    gone = [before[key].label for key in before if key not in after]
    said = []
    for names, verb in ((added, "new"), (gone, "gone")):
        if names:
            is_are = "is" if len(names) == 1 else "are"
            said.append(f"{capital(counted(len(names), word))} {is_are} {verb}: {listed(names, MOST_NAMED)}.")
    if word == "look":
        return said
    for key, one in after.items():
        if key in before and before[key] != one:
            fields = _changed_fields(before[key], one)
            said.append(f"The {one.label}: {listed(fields, MOST_NAMED)} {'is' if len(fields) == 1 else 'are'} changed.")
    return said


def _changed_fields(old: Piece | Item | Look, new: Piece | Item | Look) -> list[str]:
    before, after = asdict(old), asdict(new)
    return [name.replace("_", " ") for name, value in after.items() if before[name] != value]


def _look(old: Plan, new: Plan, earlier: Look, later: Look) -> list[str]:
    fields = [name for name in _changed_fields(earlier, later) if name != "placements"]
    said = [f"{later.label}: {listed(fields, MOST_NAMED)} changed."] if fields else []
    if earlier.placements != later.placements:
        moves = differences(arrange(old, earlier), arrange(new, later))
        said += [f"{later.label}: {move}" for move in moves[:MOST_NAMED]]
        if not moves:
            said.append(f"{later.label}: small moves only.")
        elif len(moves) > MOST_NAMED:
            said.append(f"{later.label}: {len(moves) - MOST_NAMED} more changes.")
    return said
