"""A move that crowns: something small is laid on a stack of books that carries nothing."""

from random import Random

from jolly_ledge.proposals.composing.composition import Composition
from jolly_ledge.proposals.composing.replaced import with_changed
from jolly_ledge.proposals.groups.books import CROWNS, bare_tops, lay_askew, may_crown
from jolly_ledge.proposals.groups.group import Group, Member
from jolly_ledge.proposals.thing import Thing

FROM_THE_LOOK = 0.6
"""So often a thing of the look is carried over, so that it shows no more things than before; else one comes anew."""


def crowned(composition: Composition, rng: Random) -> Composition | None:
    """Lay something small on a bare stack of books: a lesser member of a group, or a new thing."""
    bare = [(number, host) for number, (_, group) in enumerate(composition.groups) for host in bare_tops(group)]
    if not bare:
        return None
    number, host = rng.choice(bare)
    if rng.random() < FROM_THE_LOOK:
        return _carried_over(composition, number, host, rng)
    stock, (ledge, _) = composition.stock, composition.groups[number]
    used = {placement.item for placement in composition.placements}
    free = [thing for thing in stock.free(ledge, used, CROWNS) if may_crown(stock, ledge, thing, host)]
    found = stock.pick(free, lambda thing: thing.worth - abs(thing.width / host.width - 0.5))
    return None if found is None else with_changed(composition, {number: _laid(composition, number, host, found)})


def _carried_over(composition: Composition, number: int, host: Member, rng: Random) -> Composition | None:
    stock, (ledge, _) = composition.stock, composition.groups[number]
    spare = [
        (other, member)
        for other, (_, group) in enumerate(composition.groups)
        if group.form not in ("pair", "tray") and not group.wants_end and len(group.members) > 1
        for member in group
        if member.stands and member.thing.category in CROWNS and not member.thing.goes_in_a_set
        and not any(guest.on is member or guest.inside is member for guest in group)
        and stock.fits(member.thing, ledge) and may_crown(stock, ledge, member.thing, host)
    ]  # fmt: skip
    if not spare:
        return None
    other, member = rng.choice(spare)
    place = composition.groups[other][1].members.index(member)
    changed = {number: _laid(composition, number, host, member.thing)}
    rest = changed.setdefault(other, composition.groups[other][1].copy())
    rest.members.pop(place)
    return with_changed(composition, changed)


def _laid(composition: Composition, number: int, host: Member, thing: Thing) -> Group:
    """Return a group with a thing on one of its members."""
    group = composition.groups[number][1]
    changed = group.copy()
    lay_askew(composition.stock, changed, thing, changed.members[group.members.index(host)])
    return changed
