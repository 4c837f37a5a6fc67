"""Moves of one member of a group: another thing of its size in its place, or a larger one; neighbours make room."""

import math
from random import Random

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.composing.composition import Composition
from jolly_ledge.proposals.composing.replaced import kept_clear, with_changed
from jolly_ledge.proposals.groups.group import Group, Member
from jolly_ledge.proposals.groups.stock import Stock, safe_together
from jolly_ledge.proposals.thing import Thing

DRESSES = frozenset({"vessel", "sculpture", "object", "plant", "bowl", "box", "basket", "tableware", "candle"})
"""What dresses a ledge may give way to any other that does; all else only to its like."""

LARGER, HIGHEST, BELOW_THE_LEAD = (1.15, 3.5), 0.94, 0.85
"""So much more a larger thing shows, and so high it reaches: in the frame, or beside what leads its group."""


SIZE_ALIKE = (0.7, 1.3)
"""A member is exchanged for one of about its height and width."""


def member_exchanged(composition: Composition, rng: Random) -> Composition | None:
    """Set another thing of the stash in the place of one member that carries nothing."""
    number, spare = _spare_of_a_group(composition, rng)
    if not spare:
        return None
    ledge, group = composition.groups[number]
    old = rng.choice(spare)
    others = [thing for thing in _free(composition, ledge) if _could_replace(thing, old)]
    new = composition.stock.pick(others, lambda thing: thing.worth)
    return None if new is None else with_changed(composition, {number: with_another(group, old, new)})


def enlarged(composition: Composition, rng: Random) -> Composition | None:
    """Set a larger thing of the stash in the place of a member that carries nothing; None where there is none."""
    number, spare = _spare_of_a_group(composition, rng)
    ledge, group = composition.groups[number]
    spare = [member for member in spare if member.stands and member.thing.category != "lamp"]
    if not spare or group.wants_end:
        return None
    old = rng.choice(spare)
    others = [thing for thing in _free(composition, ledge) if _outdoes(composition.stock, ledge, group, old, thing)]
    new = composition.stock.pick(others, lambda thing: thing.worth + 0.3 * min(thing.area / old.thing.area, 2.0))
    if new is None:
        return None
    larger = with_another(group, old, new)
    kept_clear(ledge, larger)
    return with_changed(composition, {number: larger})


def _spare_of_a_group(composition: Composition, rng: Random) -> tuple[int, list[Member]]:
    """Return a group by chance, by its number, with those of its members that carry nothing and need not be there."""
    number = rng.randrange(len(composition.groups))
    return number, spare_members(composition, number)


def spare_members(composition: Composition, number: int) -> list[Member]:
    """Return which members of a group carry nothing and need not be there."""
    _, group = composition.groups[number]
    return [
        member for member in group
        if member.thing.id not in composition.stock.must and member.thing.category not in ("book-row", "stems")
        and not member.thing.goes_in_a_set
        and not any(other.on is member or other.inside is member for other in group)
    ]  # fmt: skip


def _free(composition: Composition, ledge: Ledge) -> list[Thing]:
    return composition.stock.free(ledge, {placement.item for placement in composition.placements})


def _could_replace(thing: Thing, old: Member) -> bool:
    low, high = SIZE_ALIKE
    return (
        thing.category == old.thing.category
        and low * old.height <= thing.height <= high * old.height
        and low * old.width <= thing.width <= high * old.width
    )


def _outdoes(stock: Stock, ledge: Ledge, group: Group, old: Member, thing: Thing) -> bool:
    """Tell whether a thing may stand in the place of a smaller one, and leaves the lead to what leads."""
    if thing.category != old.thing.category and not {thing.category, old.thing.category} <= DRESSES:
        return False
    least, most = LARGER
    leads = old.height >= group.height
    high = HIGHEST * stock.frame(ledge) if leads else BELOW_THE_LEAD * group.height
    return (
        thing.pose == old.pose
        and least * old.thing.area <= thing.area <= most * old.thing.area
        and thing.height <= high
        and thing.depth <= group.depth
        and safe_together(thing, (member.thing for member in group if member is not old))
    )


def with_another(group: Group, old: Member, new: Thing) -> Group:
    """Return a group with another thing where a member was; what stands to its sides makes room for a wider one."""
    changed = group.copy()
    place = group.members.index(old)
    gone = changed.members[place]
    member = Member(new, gone.pose, gone.x, gone.z, gone.turn)
    member.base, member.on, member.inside = gone.base, gone.on, gone.inside
    if member.pose == "leaning":
        member.z = gone.back - member.depth / 2
    elif member.stands:
        member.z = min(max(gone.z, member.depth / 2), group.front_at + group.depth - member.depth / 2)
    changed.members[place] = member
    more = max(member.width - gone.width, 0.0) / 2 if member.stands else 0.0
    # What is carried goes with what carries it.
    sides = [math.copysign(more, other.foot.x - gone.x) for other in changed]
    for other, aside in zip(changed, sides, strict=True):
        if other is not member:
            other.x += aside
    return changed
