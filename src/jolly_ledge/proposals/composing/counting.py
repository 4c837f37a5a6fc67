"""A move toward the advised number of things: one more where a ledge lacks some, one less where it has too many."""

from random import Random

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.composing.composition import Composition, placements_of
from jolly_ledge.proposals.composing.fullness import things_in, things_wanted
from jolly_ledge.proposals.composing.regrouping import exchangeable, exchanged_for
from jolly_ledge.proposals.composing.replaced import with_groups
from jolly_ledge.proposals.composing.topping import ENOUGH, topped_up
from jolly_ledge.proposals.groups.group import Group

ON_THE_COUNT = 0.5
"""A whole that is off by less than half a thing is as it should be."""

MORE_AT_ONCE, TURNS = 2, 0.5
"""The ledges take turns: one that lacks much is mostly the one that gets more, but not always."""


def nearer_the_count(composition: Composition, rng: Random) -> Composition | None:
    """Return a composition with a few things more or one less; None where the number is right or it cannot be."""
    off = _off(composition)
    whole = sum(off.values())
    if abs(whole) < ON_THE_COUNT:
        return None
    # A bare ledge is composed, not topped up.
    ledges = {ledge.id: ledge for ledge, _ in composition.groups if ledge.id in off}
    if not ledges:
        return None
    side = 1 if whole > 0 else -1
    chosen = max(ledges, key=lambda one: side * off[one] + rng.uniform(0, TURNS + abs(whole)))
    return (
        _with_one_less(composition, ledges[chosen], rng) if whole > 0 else _with_more(composition, ledges[chosen], rng)
    )


def _off(composition: Composition) -> dict[str, float]:
    """Return by how many things each ledge that wants some is over (positive) or under what it wants."""
    stock = composition.stock
    counted = {ledge.id: things_wanted(stock, ledge) for ledge in stock.ledges}
    return {
        one: things_in(group for ledge, group in composition.groups if ledge.id == one) - wanted
        for one, wanted in counted.items() if wanted
    }  # fmt: skip


def _with_more(composition: Composition, ledge: Ledge, rng: Random) -> Composition | None:
    """Set a group of a thing or two more in the place of one of the ledge, or top the ledge up."""
    numbers = [number for number in exchangeable(composition) if composition.groups[number][0].id == ledge.id]
    if numbers:
        number = rng.choice(numbers)
        known = things_in([composition.groups[number][1]])
        found = exchanged_for(composition, number, rng, lambda group: 0 < things_in([group]) - known <= MORE_AT_ONCE)
        if found is not None:
            return found
    return _topped_up(composition, ledge)


def _topped_up(composition: Composition, ledge: Ledge) -> Composition | None:
    own = {placement.item for placement in placements_of(composition.groups)}
    beside = composition.stock.beside(tuple(one for one in composition.placements if one.item not in own))
    known = [group.copy() for same, group in composition.groups if same.id == ledge.id]
    used = {placement.item for placement in composition.placements}
    # Counted before: the groups themselves may grow. Topping up rests where nearly enough is there, but here one more
    # is wanted in any case.
    count = things_in(known)
    found = topped_up(beside, ledge, known, used, (count + 1) / ENOUGH)
    return _with_ledge(composition, ledge, found) if things_in(found) > count else None


def _with_one_less(composition: Composition, ledge: Ledge, rng: Random) -> Composition | None:
    groups = [group.copy() for same, group in composition.groups if same.id == ledge.id]
    must = composition.stock.must
    spare = [
        (group, member)
        for group in groups
        for member in group.members[1:]
        if member.thing.id not in must and not any(other.on is member or other.inside is member for other in group)
        and member.thing.category not in ("stems", "book-row") and not member.thing.goes_in_a_set
    ]  # fmt: skip
    if not spare:
        return None
    group, member = rng.choice(spare)
    group.take_out(member)
    return _with_ledge(composition, ledge, groups)


def _with_ledge(composition: Composition, ledge: Ledge, groups: list[Group]) -> Composition | None:
    others = tuple((same, group) for same, group in composition.groups if same.id != ledge.id)
    return with_groups(composition, (*others, *((ledge, group) for group in groups)))
