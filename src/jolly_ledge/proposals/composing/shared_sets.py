"""A set shared by the two bodies of a flanking pair: one and one, or one and two, at like places, as their tie."""

from random import Random

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.composing.composition import Composition
from jolly_ledge.proposals.composing.regrouping import exchangeable, widest_free
from jolly_ledge.proposals.composing.replaced import with_groups
from jolly_ledge.proposals.composing.spread import CLEAR_MM
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.groups.whole_sets import FORM, set_out

MOST_SHARED = 3
"""A pair or a trio is shared; what is more belongs together."""

LEVEL_MM = 60.0
"""What is shared stands at the same height over the floor."""


def set_shared(composition: Composition, rng: Random) -> Composition | None:
    """Set a part of a whole set at the like place of the other body; None where there is no set or no such place."""
    shared = [
        (number, opposite) for number, (ledge, group) in enumerate(composition.groups)
        if group.form == FORM and 1 < len(group.members) <= MOST_SHARED
        for opposite in _opposite(composition.stock, ledge)
        if all(composition.stock.fits(member.thing, opposite) for member in group)
    ]  # fmt: skip
    if not shared:
        return None
    number, opposite = rng.choice(shared)
    ledge, group = composition.groups[number]
    things = sorted((member.thing for member in group), key=lambda thing: (-thing.height, thing.id))
    leaving = things[:1] if rng.random() < 0.5 else things[1:]
    stays = set_out([thing for thing in things if thing not in leaving], ledge, 1)
    goes = set_out(leaving, opposite, 1)
    middle = (group.left + group.right) / 2
    stays.shift(middle - (stays.left + stays.right) / 2)
    mirrored = composition.stock.piece.width - (ledge.left + middle) - opposite.left
    for gone in (number, *_may_give_way(composition, number, opposite, mirrored)):
        others = tuple(one for index, one in enumerate(composition.groups) if index not in (number, gone))
        where = _room(composition.stock, others, opposite, goes, mirrored)
        if where is not None:
            goes.shift(where - (goes.left + goes.right) / 2)
            return with_groups(composition, (*others, (ledge, stays), (opposite, goes)))
    return None


def _may_give_way(composition: Composition, number: int, opposite: Ledge, wish: float) -> list[int]:
    """Return which groups of the other ledge may go for it, the nearest to the wish first."""
    there = [
        one for one in exchangeable(composition) if one != number and composition.groups[one][0].id == opposite.id
    ]  # fmt: skip
    middles = {one: (composition.groups[one][1].left + composition.groups[one][1].right) / 2 for one in there}
    return sorted(there, key=lambda one: abs(middles[one] - wish))[:1]


def _opposite(stock: Stock, ledge: Ledge) -> list[Ledge]:
    """Return the ledges of another body at the same height."""
    return [
        one for one in stock.ledges if one.body != ledge.body and abs(one.floor - ledge.floor) < LEVEL_MM
    ]  # fmt: skip


def _room(
    stock: Stock, groups: tuple[tuple[Ledge, Group], ...], ledge: Ledge, group: Group, wish: float
) -> float | None:  # fmt: skip
    """Return where the middle of a group has room on a ledge, as near to a wish as the widest free stretch lets."""
    left, right = widest_free(stock, groups, ledge)
    room = group.width / 2 + CLEAR_MM
    return min(max(wish, left + room), right - room) if right - left >= 2 * room else None
