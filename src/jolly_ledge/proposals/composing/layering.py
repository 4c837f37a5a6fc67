"""Layers: where groups stand, a picture behind what is low, a small thing before what is tall, a crown on a stack."""

from collections.abc import Callable, Collection, Iterator, Sequence
from functools import partial
from random import Random

from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import Fullness
from jolly_ledge.proposals.composing.clear_places import is_inside
from jolly_ledge.proposals.composing.fullness import things_in
from jolly_ledge.proposals.composing.spread import (
    CLEAR_MM,
    MARGIN_MM,
    OPEN_MARGIN_MM,
    keeps_to_a_span,
    spans_of,
    stands_before_a_picture,
)
from jolly_ledge.proposals.composing.tables import FROM_ALL_SIDES
from jolly_ledge.proposals.groups.books import crown
from jolly_ledge.proposals.groups.group import Depth, Group, Member
from jolly_ledge.proposals.groups.low import is_empty_glass
from jolly_ledge.proposals.groups.stock import Stock, most_alike, safe_together, step_of_tone
from jolly_ledge.proposals.groups.vessels import fill_vessel
from jolly_ledge.proposals.thing import Thing

BACKDROPS = frozenset({"frame", "art", "mirror"})
BACKDROPS_WHERE_ONE_EATS = frozenset({"board", "tray", "frame"})
BEFORE = frozenset({"bowl", "object", "box", "candle", "sculpture", "plant", "vessel"})
BEFORE_IN_A_KITCHEN = frozenset({"bowl", "tableware", "vessel", "plant", "box"})
BESIDE = frozenset({"vessel", "sculpture", "object", "plant", "candle", "frame", "bowl", "box"})
HIDDEN_AT_MOST, HIDDEN_AT_LEAST, SMALL_HIDDEN_AT_MOST = 0.4, 0.04, 0.12
"""What of a thing may be covered by what stands before it; a backdrop is touched by it at least a little."""

STEP = (0.15, 0.62)
"""What stands before a thing has between these shares of its height."""

RISE = (1.2, 2.6)
"""What leans behind rises over the group by these factors."""

UNDER_A_LAMP = 0.85
"""What leans by a lamp rises to no more of it: the light leads."""

CLOSED = frozenset({"tray", "machines", "pair", "candles", "whole-set"})
LARGEST: dict[Fullness, int] = {"airy": 4, "layered": 5, "abundant": 6}
"""To groups of these forms nothing is added, nor to one that is so large."""

SIDE_BY_SIDE: dict[Fullness, int] = {"airy": 2, "layered": 2, "abundant": 4}
"""A companion joins no more things than so many that stand."""

ONE_PLACE_MM, PLACES_BETWEEN, THINGS_TRIED = 20.0, 3, 6
"""So many things are tried, in a free stretch at so many places."""


def layered(
    stock: Stock, ledge: Ledge, groups: Sequence[Group], used: Collection[str], wanted: float, larger: int = 0
) -> list[Group]:
    """Return groups with layers added, until a ledge holds about as many things as are wanted.

    The groups are changed; what is added belongs to one of them and leaves the rest between them. Groups may be so
    much ``larger`` than is usual.

    Parameters
    ----------
    stock : Stock
        What is at hand.
    ledge : Ledge
        Where it goes.
    groups : sequence of Group
        What stands on the ledge, in mm from its left end.
    used : collection of str
        Things that stand somewhere already.
    wanted : float
        How many things the ledge is to hold.
    larger : int
        By how many members groups may be larger than is usual.
    """
    if not groups:
        return []
    found = list(groups)
    taken = {*used, *(one for group in groups for one in group.ids)}
    rng = stock.rng
    fullness = stock.fullness(ledge)
    moves: list[Callable[[Stock, Ledge, Sequence[Group], Group, Collection[str]], bool]]
    moves = [_crowned, _before, _behind, partial(_beside, SIDE_BY_SIDE[fullness] + larger)]
    most = LARGEST[fullness] + larger
    done: set[int] = set()
    while things_in(found) < wanted - 0.4:
        open_ones = [
            group for group in found
            if group.form not in CLOSED and len(group.members) < most and id(group) not in done
        ]  # fmt: skip
        if not open_ones:
            break
        # The thinnest groups first: a single thing wants company before a group of three does.
        group = min(open_ones, key=lambda one: len(one.members) + 2.5 * rng.random())
        if any(move(stock, ledge, found, group, taken) for move in rng.sample(moves, len(moves))):
            taken |= group.ids
        else:
            done.add(id(group))
    return found


def _crowned(stock: Stock, ledge: Ledge, groups: Sequence[Group], group: Group, used: Collection[str]) -> bool:
    hosts = [member for member in group if _wants_a_crown(member, group)]
    if not hosts:
        return False
    near = [member.thing for member in group]
    return crown(stock, group, ledge, used, stock.rng.choice(hosts), near, 0.3) is not None


def _wants_a_crown(member: Member, group: Group) -> bool:
    thing = member.thing
    lies = thing.category == "book-stack" or (thing.category == "book" and member.pose == "flat")
    shut = thing.category == "box" and "lidded" in thing.item.traits
    return (lies or shut) and member.inside is None and not any(other.on is member for other in group)


def _before(stock: Stock, ledge: Ledge, groups: Sequence[Group], group: Group, used: Collection[str]) -> bool:
    """Set a small thing before a tall one, within the group."""
    behind = group.anchor
    if not behind.stands or behind.height < 120:
        return False
    kinds = BEFORE_IN_A_KITCHEN if stock.room in ("kitchen", "dining") else BEFORE
    small = [
        thing for thing in stock.free(ledge, {*used, *group.ids}, kinds, low=STEP[0] * behind.height,
                                      high=STEP[1] * behind.height)
        if not stock.is_hard(thing) and thing.width < 1.15 * behind.width
        and thing.area < 0.45 * behind.width * behind.height
    ]  # fmt: skip
    near = [member.thing for member in group]
    return _take(stock, ledge, groups, group, small, ("front", "middle"), near)


def _behind(stock: Stock, ledge: Ledge, groups: Sequence[Group], group: Group, used: Collection[str]) -> bool:
    """Lean a picture behind what is low, by a lamp a lower one; in a kitchen a board or a tray."""
    low = [member for member in _solid(group) if member.thing.category != "lamp"]
    if any(member.pose == "leaning" for member in group) or group.form == "row" or not low:
        return False
    body, lamps = max(member.top for member in low), [m.top for m in group if m.thing.category == "lamp"]
    highest = min(0.93 * stock.frame(ledge), *(UNDER_A_LAMP * lamp for lamp in lamps), RISE[1] * body)
    kinds = BACKDROPS_WHERE_ONE_EATS if stock.room == "kitchen" else BACKDROPS
    suiting = [
        thing for thing in stock.free(ledge, {*used, *group.ids}, kinds)
        if thing.pose == "leaning" and not stock.is_hard(thing) and thing.width < 1.6 * group.width + 60
        and RISE[0] * body < thing.height < highest
    ]  # fmt: skip
    return _take(stock, ledge, groups, group, suiting, ("back",), [member.thing for member in group])


def _beside(
    most: int, stock: Stock, ledge: Ledge, groups: Sequence[Group], group: Group, used: Collection[str]
) -> bool:  # fmt: skip
    """Set a companion beside a single thing, of about two thirds of its height or half as high again."""
    kinds = BESIDE | {"tableware"} if kind_of(stock.piece).is_eaten_at else BESIDE
    if sum(member.stands for member in group) > most:
        return False
    high, frame = group.anchor.height, stock.frame(ledge)
    suiting = [
        thing
        for thing in stock.free(
            ledge, {*used, *group.ids}, kinds, low=0.3 * high, high=min(1.6 * high, 0.9 * frame)
        )
        if not stock.is_hard(thing) and abs(thing.height / high - 1) > 0.15 and thing.width < 260
    ]  # fmt: skip
    return _take(stock, ledge, groups, group, suiting, ("middle", "back", "front"), [m.thing for m in group])


def _take(
    stock: Stock, ledge: Ledge, groups: Sequence[Group], group: Group, things: list[Thing], depths: Sequence[Depth],
    near: list[Thing],
) -> bool:  # fmt: skip
    """Set down the best of some things where it covers little; tell whether one was."""
    room = _room_of(stock, ledge, groups, group)
    things = [thing for thing in things if thing.width <= room[1] - room[0] and safe_together(thing, near)]
    for found in stock.ranked(
        things, lambda thing: thing.worth + step_of_tone(thing, near[0]) - most_alike(thing, near)
    )[:THINGS_TRIED]:
        for depth in depths:
            member = _where_clear(stock, ledge, groups, group, found, depth, room)
            if member is not None:
                group.members.append(member)
                if found.category == "vessel" and found.pose != "leaning":
                    odds = 1.0 if found.item.finish == "clear" else 0.5
                    filled = fill_vessel(
                        stock, group, ledge, {one.thing.id for other in groups for one in other}, member, odds
                    )
                    if filled and not keeps_to_a_span(stock, ledge, group):
                        group.take_out(group.members[-1])
                if not is_empty_glass(group, member):
                    return True
                group.members.remove(member)
                break
    return False


def _where_clear(
    stock: Stock, ledge: Ledge, groups: Sequence[Group], group: Group, thing: Thing, depth: Depth,
    room: tuple[float, float],
) -> Member | None:  # fmt: skip
    """Return a thing at a place along a group where it stands clear and all of them are seen."""
    left, right = room
    if group.form == "lamp":
        left, right = _on_its_lit_side(group, left, right)
    member = group.at_depth(thing, depth)
    reach = 0.8 * member.width
    least, most = max(left, group.left - reach) + member.width / 2, min(right, group.right + reach) - member.width / 2
    if most < least:
        return None
    places = [x for free in _clear_stretches(least, most, group.crowded(member)) for x in _places_in(free, stock.rng)]
    stock.rng.shuffle(places)
    for x in places:
        member.x = x
        if _is_well_seen(member, group) and _is_free(stock, ledge, groups, group, member):
            return member
    return None


def _clear_stretches(left: float, right: float, crowded: Sequence[tuple[float, float]]) -> list[tuple[float, float]]:
    """Return what is left of a stretch without what lies nearer to some points than is told with them."""
    free, start = [], left
    for middle, near in sorted(crowded, key=lambda one: one[0] - one[1]):
        if middle - near >= start:
            free.append((start, min(middle - near, right)))
        start = max(start, middle + near)
    if right >= start:
        free.append((start, right))
    return [(least, most) for least, most in free if least <= most]


def _places_in(free: tuple[float, float], rng: Random) -> list[float]:
    """Return where in a stretch a thing is tried: close to what stands at both of its ends, and between."""
    left, right = free
    if right - left < ONE_PLACE_MM:
        return [(left + right) / 2]
    return [left, right, *(rng.uniform(left, right) for _ in range(PLACES_BETWEEN))]


def _on_its_lit_side(group: Group, left: float, right: float) -> tuple[float, float]:
    """Return the room of a group with a lamp at its end: it stays at the end."""
    lamp = group.members[0]
    others = [member.x for member in group.members[1:] if member.stands]
    if not others:
        return left, right
    return (lamp.left, right) if sum(others) / len(others) >= lamp.x else (left, lamp.right)


def _is_free(stock: Stock, ledge: Ledge, groups: Sequence[Group], group: Group, member: Member) -> bool:
    """Tell whether a thing keeps inside the rim and clear of the other groups, where they stand behind each other."""
    if stock.roles[ledge.id] not in FROM_ALL_SIDES:
        # A picture against a picture: neither is seen.
        return member.pose != "leaning" or not stands_before_a_picture(stock, ledge, member)
    return is_inside(ledge, member) and all(other is group or other.is_clear(member) for other in groups)


def _room_of(stock: Stock, ledge: Ledge, groups: Sequence[Group], group: Group) -> tuple[float, float]:
    """Return from where to where a group may grow: to its neighbours, the ends, and what parts the ledge."""
    margin = MARGIN_MM if ledge.clearance is not None else OPEN_MARGIN_MM
    middle = (group.left + group.right) / 2
    span = next((one for one in spans_of(stock, ledge) if one[0] <= middle <= one[1]), (0.0, ledge.width))
    if stock.roles[ledge.id] in FROM_ALL_SIDES:
        return 0.0, ledge.width
    others = [other for other in groups if other is not group]
    left = max([other.right + CLEAR_MM for other in others if other.right <= group.left + 1], default=0.0)
    right = min([other.left - CLEAR_MM for other in others if other.left >= group.right - 1], default=ledge.width)
    return min(max(left, span[0] + margin), group.left), max(min(right, span[1] - margin), group.right)


def _is_well_seen(new: Member, group: Group) -> bool:
    """Tell whether a new member overlaps something a little, hides none much and is not hidden itself."""
    touched = False
    for one in group:
        if not one.stands:
            if new.front < one.front and _hidden(one, new) > SMALL_HIDDEN_AT_MOST:
                return False
            continue
        front, behind = (new, one) if new.front < one.front else (one, new)
        hidden = _hidden(behind, front)
        if hidden > HIDDEN_AT_MOST:
            return False
        gap = max(one.left - new.right, new.left - one.right)
        touched = touched or hidden > HIDDEN_AT_LEAST or gap < 0.25 * min(one.width, new.width)
    carried = [one for one in group if not one.stands and one.front < new.front]
    covered = sum(_hidden(new, one) for one in (*carried, *(m for m in group if m.stands and m.front < new.front)))
    return touched and covered <= 1.25 * HIDDEN_AT_MOST


def _hidden(behind: Member, front: Member) -> float:
    across = min(behind.right, front.right) - max(behind.left, front.left)
    up = min(behind.top, front.top) - max(behind.base, front.base)
    return max(across, 0.0) * max(up, 0.0) / (behind.width * behind.height)


def _solid(group: Group) -> Iterator[Member]:
    """Yield what makes the body of a group, what rises thinly from vessels apart."""
    return (member for member in group if member.thing.category != "stems")
