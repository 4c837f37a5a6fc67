"""Moves that change which groups there are: one carried elsewhere, two merged, one split, one exchanged for another."""

from collections.abc import Callable
from random import Random

from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import Fullness
from jolly_ledge.proposals.composing.composition import Composition, PlacedItem
from jolly_ledge.proposals.composing.layering import CLOSED, LARGEST
from jolly_ledge.proposals.composing.replaced import kept_clear, with_groups
from jolly_ledge.proposals.composing.spread import CLEAR_MM, spans_of
from jolly_ledge.proposals.groups.group import Group, Member
from jolly_ledge.proposals.groups.stock import Stock

OVERLAPS = (0.35, 0.2, 0.0)
"""Groups that are merged overlap by these parts of the narrower one, the most first."""

OF_THE_BEST = 12
"""A group that comes is one of about so many best."""

ALONE_FROM = 0.07
"""What leaves a group for a place of its own carries something, or shows so much of the square of the frame."""

Stretch = tuple[float, float]


def carried(composition: Composition, rng: Random) -> Composition | None:
    """Carry one whole group into the widest free stretch of another ledge."""
    number = rng.randrange(len(composition.groups))
    ledge, group = composition.groups[number]
    others = [one for one in composition.stock.ledges if one.id != ledge.id]
    if not others or group.wants_end or _is_last_on(composition, number):
        return None
    target = rng.choice(others)
    if not all(composition.stock.fits(member.thing, target) for member in group) or target.depth < group.depth:
        return None
    left, right = widest_free(composition.stock, composition.groups, target)
    if right - left < group.width + 2 * CLEAR_MM:
        return None
    moved = group.copy()
    moved.depth = target.depth
    moved.shift((left + right) / 2 - (group.left + group.right) / 2, _into_depth(group, ledge, target))
    moved.front_at = 0.0
    return with_groups(composition, _replaced(composition, {number: [(target, moved)]}))


def merged(composition: Composition, rng: Random) -> Composition | None:
    """Move two groups of a ledge together into one: the lesser one comes before the side of the other."""
    pairs = [
        (one, other)
        for one, (ledge, first) in enumerate(composition.groups)
        for other, (same, second) in enumerate(composition.groups)
        if one != other and ledge is same and _may_join(composition.stock.fullness(ledge), first, second)
    ]
    if not pairs:
        return None
    first_number, second_number = rng.choice(pairs)
    ledge, first = composition.groups[first_number]
    second = composition.groups[second_number][1]
    side = 1 if second.left >= first.left else -1
    for overlap in OVERLAPS:
        whole, joining = first.copy(), second.copy()
        shared = overlap * min(first.width, second.width)
        edge = whole.right - shared - joining.left if side > 0 else whole.left + shared - joining.right
        joining.shift(edge)
        if all(whole.is_clear(member) for member in joining):
            whole.members += joining.members
            kept_clear(ledge, whole)
            return with_groups(composition, _replaced(composition, {first_number: [(ledge, whole)], second_number: []}))
    return None


def split(composition: Composition, rng: Random) -> Composition | None:
    """Take what stands at the side of a group out of it, with what it carries, to a free stretch of its ledge."""
    numbers = [
        number for number, (_, group) in enumerate(composition.groups)
        if len(group.members) >= 3 and group.form not in CLOSED and not group.wants_end
    ]  # fmt: skip
    if not numbers:
        return None
    number = rng.choice(numbers)
    ledge, group = composition.groups[number]
    frame = composition.stock.frame(ledge)
    sides = [
        member for member in group
        if member.stands and member is not group.anchor and member is not group.members[0]
        and (_on(group, member) or member.thing.area >= ALONE_FROM * frame * frame)
    ]  # fmt: skip
    if not sides:
        return None
    leaving = rng.choice(sides)
    rest, own = group.copy(), group.copy()
    index = group.members.index(leaving)
    parting = {index, *(group.members.index(member) for member in _on(group, leaving))}
    own.members = [member for place, member in enumerate(own.members) if place in parting]
    rest.members = [member for place, member in enumerate(rest.members) if place not in parting]
    left, right = widest_free(composition.stock, _replaced(composition, {number: [(ledge, rest)]}), ledge)
    if not rest.members or right - left < own.width + 2 * CLEAR_MM:
        return None
    own.form = "worthy" if len(own.members) == 1 else "low"
    own.shift((left + right) / 2 - (own.left + own.right) / 2)
    return with_groups(composition, _replaced(composition, {number: [(ledge, rest), (ledge, own)]}))


def group_exchanged(composition: Composition, rng: Random) -> Composition | None:
    """Set a good group of what is not used in the place of one that holds nothing that must be there."""
    numbers = exchangeable(composition)
    return exchanged_for(composition, rng.choice(numbers), rng) if numbers else None


def exchangeable(composition: Composition) -> list[int]:
    """Return which groups may give way to others: those that hold nothing that must be there and keep to no end."""
    return [
        number for number, (_, group) in enumerate(composition.groups)
        if not group.ids & composition.stock.must and not group.wants_end
    ]  # fmt: skip


def exchanged_for(
    composition: Composition, number: int, rng: Random, suits: Callable[[Group], bool] = lambda group: True
) -> Composition | None:
    """Set a good group that suits in the place of another one; None where there is none or it cannot stand."""
    stock = composition.stock
    ledge, group = composition.groups[number]
    left, right = _room_at(composition, number)
    used = {placement.item for placement in composition.placements} - group.ids | {group.anchor.thing.id}
    found = [one for one in composition.pool.groups_within(stock, ledge, used, right - left) if suits(one)]
    if not found:
        return None
    new = found[min(int(rng.expovariate(1 / OF_THE_BEST)), len(found) - 1)]
    middle = min(max((group.left + group.right) / 2, left + new.width / 2), right - new.width / 2)
    new.shift(middle - (new.left + new.right) / 2)
    return with_groups(composition, _replaced(composition, {number: [(ledge, new)]}))


def _replaced(composition: Composition, changed: dict[int, list[tuple[Ledge, Group]]]) -> PlacedItem:
    """Return the groups with some of them replaced by none, one or two."""
    return tuple(
        one for number, known in enumerate(composition.groups) for one in changed.get(number, [known])
    )  # fmt: skip


def _on(group: Group, host: Member) -> list[Member]:
    """Return what a member carries or holds, with all that stands on that."""
    found: list[Member] = []
    for member in group:
        if member.on is host or member.inside is host:
            found += [member, *_on(group, member)]
    return found


def _is_last_on(composition: Composition, number: int) -> bool:
    ledge = composition.groups[number][0]
    return sum(other is ledge for other, _ in composition.groups) == 1


def _may_join(fullness: Fullness, first: Group, second: Group) -> bool:
    """Tell whether the second, lesser group may become a part of the first."""
    most = LARGEST[fullness]
    open_ones = first.form not in CLOSED and second.form not in CLOSED
    small = len(first.members) + len(second.members) <= most and second.width <= first.width
    return open_ones and small and not first.wants_end and not second.wants_end


def _room_at(composition: Composition, number: int) -> Stretch:
    """Return from where to where a group may reach: to its neighbours, the ends and what parts the ledge."""
    ledge, group = composition.groups[number]
    middle = (group.left + group.right) / 2
    spans = spans_of(composition.stock, ledge)
    left, right = next((span for span in spans if span[0] <= middle <= span[1]), (0.0, ledge.width))
    for index, (same, other) in enumerate(composition.groups):
        if index != number and same is ledge:
            if other.left + other.right < group.left + group.right:
                left = max(left, other.right + CLEAR_MM)
            else:
                right = min(right, other.left - CLEAR_MM)
    return left, max(left, right)


def widest_free(stock: Stock, groups: PlacedItem, ledge: Ledge) -> Stretch:
    """Return the widest stretch of a ledge on which no group stands."""
    taken = sorted((group.left, group.right) for same, group in groups if same.id == ledge.id)
    found: list[Stretch] = []
    for left, right in spans_of(stock, ledge):
        start = left
        for one_left, one_right in taken:
            if one_right > start and one_left < right:
                found.append((start, one_left))
                start = max(start, one_right)
        found.append((start, right))
    return max(found, key=lambda free: free[1] - free[0], default=(0.0, 0.0))


def _into_depth(group: Group, ledge: Ledge, target: Ledge) -> float:
    """Return by how much a group is moved back so that what leans keeps to the back of another ledge."""
    return max(target.depth - ledge.depth, 0.0) if any(member.pose == "leaning" for member in group) else 0.0
