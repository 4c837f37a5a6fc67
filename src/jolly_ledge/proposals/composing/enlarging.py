"""A move toward what fills a ledge: a larger thing in the place of a member, its neighbours moved out of its way."""

from random import Random

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.composing.composition import Composition
from jolly_ledge.proposals.composing.replaced import kept_clear, with_groups
from jolly_ledge.proposals.groups.group import Group, Member
from jolly_ledge.proposals.groups.stock import Stock, safe_together
from jolly_ledge.proposals.thing import Thing

DRESSES = frozenset({"vessel", "sculpture", "object", "plant", "bowl", "box", "basket", "tableware", "candle"})
"""What dresses a ledge may give way to any other that does; all else only to its like."""

LARGER, HIGHEST, BELOW_THE_LEAD = (1.15, 3.5), 0.94, 0.85
"""So much more a larger thing shows, and so high it reaches: in the frame, or beside what leads its group."""


def enlarged(composition: Composition, rng: Random) -> Composition | None:
    """Set a larger thing of the stash in the place of a member that carries nothing; None where there is none."""
    stock = composition.stock
    number = rng.randrange(len(composition.groups))
    ledge, group = composition.groups[number]
    spare = [
        member for member in group
        if member.stands and member.thing.id not in stock.must and member.thing.category not in ("book-row", "lamp")
        and not any(other.on is member or other.inside is member for other in group)
    ]  # fmt: skip
    if not spare or group.wants_end:
        return None
    old = rng.choice(spare)
    used = {placement.item for placement in composition.placements}
    others = [thing for thing in stock.free(ledge, used) if _outdoes(stock, ledge, group, old, thing)]
    new = stock.pick(others, lambda thing: thing.worth + 0.3 * min(thing.area / old.thing.area, 2.0))
    if new is None:
        return None
    larger = _with(group, old, new)
    kept_clear(ledge, larger)
    return with_groups(
        composition,
        tuple((ledge, larger) if place == number else known for place, known in enumerate(composition.groups)),
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


def _with(group: Group, old: Member, new: Thing) -> Group:
    """Return a group with another thing where a member stood; what stands to its sides makes room for it."""
    changed = group.copy()
    place = group.members.index(old)
    gone = changed.members[place]
    member = Member(new, gone.pose, gone.x, gone.z, gone.turn)
    if member.pose == "leaning":
        member.z = gone.back - member.depth / 2
    else:
        member.z = min(max(gone.z, member.depth / 2), group.front_at + group.depth - member.depth / 2)
    changed.members[place] = member
    more = max(member.width - gone.width, 0.0) / 2
    for other in changed.members:
        if other is not member:
            other.x += more if other.x > gone.x else -more
    return changed
