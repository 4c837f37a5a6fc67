"""A move away from earlier looks: what none of them has in the place of a thing that one has, or nothing."""

from random import Random

from jolly_ledge.proposals.composing.composition import Composition
from jolly_ledge.proposals.composing.members import DRESSES, spare_members, with_another
from jolly_ledge.proposals.composing.replaced import kept_clear, with_changed
from jolly_ledge.proposals.groups.group import Group, Member
from jolly_ledge.proposals.groups.stock import safe_together
from jolly_ledge.proposals.thing import Thing

WIDER, HIGHEST, TAKEN_OUT = 1.4, 0.94, 0.3
"""What comes is no wider than so much, and reaches no higher in the frame; so often it is rather taken out."""


def less_shared(composition: Composition, rng: Random) -> Composition | None:
    """Return a composition with one thing less that an earlier look has; None where it has none or needs it."""
    before = composition.stock.taken_before
    shared = [
        (number, member)
        for number in range(len(composition.groups))
        for member in spare_members(composition, number)
        if member.thing.id in before
    ]
    if not shared:
        return None
    number, old = rng.choice(shared)
    ledge, group = composition.groups[number]
    used = before | {placement.item for placement in composition.placements}
    others = [thing for thing in composition.stock.free(ledge, used) if _may_stand_for(composition, number, old, thing)]
    new = composition.stock.pick(others, lambda thing: thing.worth)
    if new is not None and rng.random() >= TAKEN_OUT:
        changed = with_another(group, old, new)
        kept_clear(ledge, changed)
        return with_changed(composition, {number: changed})
    return _without(composition, number, old)


def _may_stand_for(composition: Composition, number: int, old: Member, thing: Thing) -> bool:
    ledge, group = composition.groups[number]
    is_of_its_sort = thing.category == old.thing.category or {thing.category, old.thing.category} <= DRESSES
    room = HIGHEST * composition.stock.frame(ledge) - old.base
    return (
        is_of_its_sort
        and thing.pose == old.pose
        and thing.width <= WIDER * old.width
        and thing.height <= room
        and thing.depth <= group.depth
        and safe_together(thing, (member.thing for member in group if member is not old))
    )


def _without(composition: Composition, number: int, old: Member) -> Composition | None:
    """Return a composition without a member that is not the first of its group."""
    _, group = composition.groups[number]
    place = group.members.index(old)
    if place == 0:
        return None
    changed: Group = group.copy()
    changed.take_out(changed.members[place])
    return with_changed(composition, {number: changed})
