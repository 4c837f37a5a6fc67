"""Exchange of a whole group in place: what other groups could be built on its spot, the best of them first."""

from collections.abc import Collection, Iterator
from functools import lru_cache
from random import Random

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.edits.exchange import ExchangeGroup
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Manner
from jolly_ledge.model.phrases import listed
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.composing.composition import placements_of
from jolly_ledge.proposals.composing.pool import GroupPool
from jolly_ledge.proposals.composing.spread import spans_of
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.register import FORMS
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.problem import Problem, problem_of, stops_of
from jolly_ledge.readings.register import assess

PALETTES, MOST_OFFERED, OF_ONE_LEAD = 6, 9, 2
"""So many palettes are tried, so many groups are offered, and no more than so many with one lead."""

MOST_NAMED = 3
STAYS = frozenset({"must-keep", "hide"})


class GroupExchange(Struct, frozen=True):
    """Another group on the spot: its things with the lead first, what form it is, the edit, how the whole changes."""

    names: tuple[str, ...]
    form: str
    edit: ExchangeGroup
    look: Look
    gain: float

    @property
    def sentence(self) -> str:
        """What comes, its lead first."""
        rest = len(self.names) - MOST_NAMED
        return listed([*self.names[:MOST_NAMED], *([f"{rest} more"] if rest > 0 else [])])


def exchanged(arrangement: Arrangement, ids: Collection[str]) -> tuple[str, ...]:
    """Return which placements go: those named, with all on them and in them, but no pile with what must stay there."""
    found = _with_guests(arrangement, ids)
    kept = {arrangement.by_id[one].root for one in found if not STAYS.isdisjoint(arrangement.by_id[one].item.traits)}
    return tuple(one for one in found if arrangement.by_id[one].root not in kept)


def _with_guests(arrangement: Arrangement, ids: Collection[str]) -> tuple[str, ...]:
    found, size = set(ids), -1
    while len(found) != size:
        size = len(found)
        found |= {one.id for one in arrangement.look.placements if one.host in found}
    return tuple(one.id for one in arrangement.look.placements if one.id in found)


def group_exchanges(
    plan: Plan, look: Look, ids: Collection[str], most: int = MOST_OFFERED
) -> tuple[GroupExchange, ...]:  # fmt: skip
    """Return the best other groups for the spot of some placements, the best first; none where nothing goes there.

    All else stays as it is, and so does what must be there or is hidden, with its pile. What is locked, hangs, or
    spreads over several ledges is not exchanged.
    """
    before = arrange(plan, look)
    gone = exchanged(before, ids)
    placed_items = [before.by_id[identifier] for identifier in gone]
    ledges = {placed.ledge.id for placed in placed_items}
    if len(ledges) != 1 or placed_items[0].ledge.is_wall or any(one.placement.locked for one in placed_items):
        return ()
    ledge = placed_items[0].ledge
    rest = tuple(replace(one, locked=True) for one in look.placements if one.id not in gone)
    try:
        problem = problem_of(plan, look.piece, look.manner, replace(look, placements=rest), ledge.id)
    except JollyLedgeError:
        return ()
    left = min(one.left for one in placed_items) - ledge.left
    right = max(one.right for one in placed_items) - ledge.left
    lead = max(placed_items, key=lambda one: one.width * one.height)
    at_first, forbidden = assess(before).score, stops_of(before)
    names = tuple(one.item.label for one in sorted(placed_items, key=lambda one: one is not lead))
    found: list[GroupExchange] = []
    for group in _built(problem, ledge, (left + right) / 2, {lead.item.id}):
        edit = ExchangeGroup(
            look=look.id, gone=gone, come=placements_of([(ledge, group)]),
            name=_with_more(names), new_name=_with_more(_names_of(group)),
        )  # fmt: skip
        try:
            changed = edit.apply(plan)
        except JollyLedgeError:
            continue
        after = arrange(changed, changed.look(look.id))
        if not stops_of(after) - forbidden:
            gain = assess(after).score - at_first
            found.append(GroupExchange(_names_of(group), _form_of(group), edit, changed.look(look.id), gain))
    # One thing alone is no answer to a group while there are groups.
    return _varied([one for one in found if len(one.names) > 1] or found, most)


def _built(problem: Problem, ledge: Ledge, middle: float, used: set[str]) -> Iterator[Group]:
    """Yield groups that fit between what stays about a point of a ledge, each once."""
    stock = Stock(problem, Random(0))
    spans = spans_of(stock, ledge)
    left, right = next((span for span in spans if span[0] <= middle <= span[1]), (0.0, 0.0))
    known: set[frozenset[str]] = set()
    taken = used | {placement.item for placement in problem.fixed}
    pool = _pool_of(problem.plan.stash, problem.piece, problem.manner)
    for seed in range(PALETTES):
        stock = Stock(problem, Random(seed))
        for group in pool.groups_within(stock, ledge, taken, right - left):
            at = min(max(middle, left + group.width / 2), right - group.width / 2)
            group.shift(at - (group.left + group.right) / 2)
            if group.ids not in known:
                known.add(group.ids)
                yield group


@lru_cache(maxsize=4)
def _pool_of(stash: tuple[Item, ...], piece: Piece, manner: Manner) -> GroupPool:
    """Return where the good groups of a stash for a piece are kept: a second spot of a size is answered at once."""
    return GroupPool()


def _form_of(group: Group) -> str:
    return FORMS[group.form].said if group.form in FORMS else ""


def _names_of(group: Group) -> tuple[str, ...]:
    """Return what a group is made of, its lead first."""
    return tuple(
        member.thing.item.label
        for member in sorted(group, key=lambda member: (member.thing.category == "stems", -member.thing.area))
    )  # fmt: skip


def _with_more(names: tuple[str, ...]) -> str:
    return names[0] if len(names) == 1 else f"{names[0]} and {len(names) - 1} more"


def _varied(found: list[GroupExchange], most: int) -> tuple[GroupExchange, ...]:
    """Return the best of what was built, few of them with one lead."""
    leads: dict[str, int] = {}
    chosen: list[GroupExchange] = []
    for one in sorted(found, key=lambda one: (-one.gain, one.names)):
        leads[one.names[0]] = leads.get(one.names[0], 0) + 1
        if leads[one.names[0]] <= OF_ONE_LEAD:
            chosen.append(one)
    return tuple(chosen[:most])
