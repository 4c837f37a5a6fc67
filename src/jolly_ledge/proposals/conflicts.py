"""When things that must be there do not go together: the smallest set of them that is at fault, by name."""

from msgspec.structs import replace

from jolly_ledge.model.errors import EditError
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.phrases import capital, listed
from jolly_ledge.proposals.problem import Problem
from jolly_ledge.proposals.settling import Errand, errands_of, settle

TRIED_FOR_EACH = 600
"""Places that are tried for one set of things; a search that is cut short blames nobody."""

AS_WISHED: dict[str, str] = {
    "centred": "in the middle", "mirrored": "as a pair about the middle", "together": "together", "hidden": "hidden",
    "filling": "in a vessel",
}  # fmt: skip

Part = Errand | Placement


def check_together(problem: Problem) -> None:
    """Raise EditError, naming the smallest set in conflict, where what must be there cannot be there together."""
    errands = errands_of(problem)
    if not errands:
        return
    found, to_the_end = settle(problem, errands)
    if found is not None or not to_the_end:
        return
    conflict = _smallest(problem, errands)
    if conflict:
        raise EditError(_sentence(problem, conflict))


def _smallest(problem: Problem, errands: tuple[Errand, ...]) -> tuple[Part, ...]:
    """Leave out one after another whatever the conflict does not need; what remains needs every one of its parts.

    Errands are left out before locks, so that as few locks as possible are named.
    """
    parts: list[Part] = [*errands, *(placement for placement in problem.fixed if placement.host is None)]
    # Small things are let go first: they are seldom what a conflict is about.
    for part in sorted(parts, key=lambda part: (isinstance(part, Errand), _size(problem, part))):
        without = [other for other in parts if other is not part]
        if _cannot_be(problem, without):
            parts = without
    return tuple(parts)


def _size(problem: Problem, part: Part) -> float:
    if isinstance(part, Errand):
        return sum(item.width * item.depth for item in part.items)
    item = _item(problem, part)
    return item.width * item.depth


def _item(problem: Problem, placement: Placement) -> Item:
    return next(item for item in problem.plan.stash if item.id == placement.item)


def _cannot_be(problem: Problem, parts: list[Part]) -> bool:
    errands = tuple(part for part in parts if isinstance(part, Errand))
    kept = {part.id for part in parts if isinstance(part, Placement)}
    fixed = tuple(placement for placement in problem.fixed if placement.id in kept or placement.host in kept)
    wanted = tuple(item for errand in errands for item in errand.items)
    smaller = replace(problem, fixed=fixed, required=wanted)
    found, to_the_end = settle(smaller, errands, most=TRIED_FOR_EACH)
    return found is None and to_the_end


def _sentence(problem: Problem, conflict: tuple[Part, ...]) -> str:
    errands = [part for part in conflict if isinstance(part, Errand)]
    locks = [part for part in conflict if isinstance(part, Placement)]
    things = [f"the {item.label}" for errand in errands for item in errand.items]
    wishes = list(dict.fromkeys(AS_WISHED[errand.kind] for errand in errands if errand.kind in AS_WISHED))
    said = f"{capital(listed(things, len(things)))} must be on {problem.piece.label}"
    said += f" ({listed(wishes)})" if wishes else ""
    if locks:
        names = listed([f"the {_item(problem, lock).label}" for lock in locks], len(locks))
        one = len(locks) == 1
        kept = f"stay{'s' if one else ''} where {'it is' if one else 'they are'} and leave{'s' if one else ''} no room"
        return f"{said}, and {names} {kept}; unlock or move something, or measure again."
    together = "do not go there together" if len(things) > 1 else "finds no place there"
    return f"{said}, and {together}; let one of them go elsewhere, or ease the wish."
