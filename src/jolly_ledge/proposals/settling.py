"""Where things that must be there, and things that are wished so and so, can stand: tried in order, to the end.

Every errand is a thing, a pair or a set that must find its place. Things are tried against the ends of their ledge and
against what stands there already, in front and at the back, as boxes are packed into a corner: if there is any
arrangement, there is one in which everything has been pushed together.
"""

import math
import random
from collections.abc import Iterator, Mapping
from typing import Literal

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Ledge, Wish
from jolly_ledge.model.pose import Extent, extent
from jolly_ledge.model.sockets import sockets_of
from jolly_ledge.model.spots import holds
from jolly_ledge.model.words import GATHERING, WALL_CATEGORIES, Pose
from jolly_ledge.proposals.poses import usual_pose, ways_to_stand
from jolly_ledge.proposals.problem import FILLINGS, STEP_MM, Problem, holds_wholly
from jolly_ledge.readings.must_haves import REACH_HIGH_MM, REACH_LOW_MM

TRIED_FOR_ONE, MOST_ANEW = 1000, 1
MOST_TRIED = 4000
"""Places that are tried before the search for a first arrangement gives up."""

DEAD_END = 12
"""Finding that there is no place left for a thing costs as much as so many tries."""

FEW, ROUND_FOOT = 8, 0.25
"""From so many things on their feet are summed up first; round things nestle, and narrow feet under wide rims do."""

PAIR_SHARES = (0.36, 0.28, 0.42, 0.2, 0.12)
"""How far a mirrored pair stands from the middle, in widths of the piece, in the order of trying."""

EDGE_MM = 5.0
ROUND_STEPS = 16
CORNERS = ((-1.0, -1.0), (1.0, -1.0), (1.0, 1.0), (-1.0, 1.0))
ROUND_POINTS = tuple((math.cos(math.tau * n / 16), math.sin(math.tau * n / 16)) for n in range(16))
HEIGHT_OF_EASE_MM = 1050.0
HUNG_MM = (200.0, 300.0, 120.0, 450.0)
"""So high over the top a picture hangs, as is usual over furniture."""


Kind = Literal["stands", "hangs", "centred", "mirrored", "together", "hidden", "filling"]
Placements = tuple[Placement, ...]


class Errand(Struct, frozen=True):
    """What must find its place, and how."""

    kind: Kind
    items: tuple[Item, ...]


def at(
    item: Item,
    ledge: Ledge,
    middle: float,
    depth: float,
    *,
    pose: Pose | None = None,
    turn: float = 0.0,
    step: float = STEP_MM,
) -> Placement:
    """Return a placement of a thing with its middle near a point of a ledge, on the tape and within its edges."""
    pose = pose or usual_pose(item)
    size = extent(item, pose, turn)
    half, deep = size.width / 2, size.depth / 2
    ends = (half + EDGE_MM, ledge.width - half - EDGE_MM)
    x = _tape(middle, *ends, min(max(middle, half), ledge.width - half), step)
    z = ledge.depth - deep if pose == "leaning" else _tape(depth, deep, ledge.depth - deep, deep, step)
    return Placement(id=item.id, item=item.id, ledge=ledge.id, x=x, z=z, pose=pose, turn=turn)


def _tape(length: float, least: float, most: float, only: float, step: float) -> float:
    """Round to the tape within two limits; where they leave nothing, there is only one place."""
    return min(max(round(length / step) * step, least), most) if least <= most else only


def errands_of(problem: Problem) -> tuple[Errand, ...]:
    """Return what must find its place, the most particular first."""
    missing = {item.id: item for item in problem.required}
    wished: list[Errand] = []

    def claim(kind: Kind, wish: Wish, size: int) -> None:
        for start in range(0, len(wish.items) - size + 1, size):
            items = [missing.get(item) for item in wish.items[start : start + size]]
            known = tuple(item for item in items if item is not None)
            if len(known) == size:
                wished.append(Errand(kind, known))
                for item in known:
                    del missing[item.id]

    for wish in problem.piece.wishes:
        if wish.kind == "mirrored":
            claim("mirrored", wish, 2)
        elif wish.kind == "together":
            claim("together", wish, max(len(wish.items), 1))
        elif wish.kind == "centred":
            claim("centred", wish, max(len(wish.items), 1))
    hidden = {item.id for item in problem.hidden}
    single = sorted(missing.values(), key=lambda item: (item.category in FILLINGS, -item.width * item.depth, item.id))

    def kind_of(item: Item) -> Kind:
        if item.id in hidden:
            return "hidden"
        if item.category in FILLINGS:
            return "filling"
        hangs = item.category == "hanging" or (item.category in WALL_CATEGORIES and not problem.homes(item))
        return "hangs" if hangs and problem.walls else "stands"

    kinds = {item.id: kind_of(item) for item in single}
    order: tuple[Kind, ...] = ("mirrored", "centred", "together", "hangs", "stands", "hidden", "filling")
    all_of_them = [*wished, *(Errand(kinds[item.id], (item,)) for item in single)]
    return tuple(sorted(all_of_them, key=lambda errand: order.index(errand.kind)))


def places_for(problem: Problem, errand: Errand, placements: Placements) -> Iterator[Placements]:
    """Yield what could be added for an errand, the likeliest first; whether it has room is not asked yet."""
    if errand.kind == "centred":
        yield from _centred(problem, errand)
    elif errand.kind == "hangs":
        for place in hung(problem, errand.items[0]):
            yield (place,)
    elif errand.kind == "mirrored":
        yield from _pairs(problem, errand)
    elif errand.kind == "together":
        yield from _gathered(problem, errand, placements)
    elif errand.kind == "hidden":
        yield from _inside(problem, errand.items[0], placements, hidden=True)
    elif errand.kind == "filling":
        yield from _inside(problem, errand.items[0], placements, hidden=False)
    else:
        for place in _stands(problem, errand.items[0], placements):
            yield (place,)


def _centred(problem: Problem, errand: Errand) -> Iterator[Placements]:
    """Yield things side by side about the middle of a ledge: what is wished together is centred together."""
    wide = [extent(item, usual_pose(item)).width for item in errand.items]
    whole = sum(wide) + STEP_MM * (len(wide) - 1)
    for ledge in _by_ease(problem, errand.items[0]):
        if any(ledge not in problem.homes(item) for item in errand.items):
            continue
        for depth in (0.6, 0.35, 0.85):
            left = (ledge.width - whole) / 2
            found = []
            for item, width in zip(errand.items, wide, strict=True):
                found.append(at(item, ledge, left + width / 2, depth * ledge.depth, step=1.0))
                left += width + STEP_MM
            yield tuple(found)


def _by_ease(problem: Problem, item: Item) -> list[Ledge]:
    """Return the ledges a thing may stand on: near a socket first where it has a cord, within reach for daily use."""
    ledges = list(problem.homes(item))
    sockets = sockets_of(problem.piece) if "corded" in item.traits else ()
    if sockets:
        ledges.sort(key=lambda ledge: min(abs(ledge.floor - s.floor) + abs(ledge.left - s.left) for s in sockets))
    if {"daily-use", "grab"} & set(item.traits):
        ledges.sort(key=lambda ledge: (not REACH_LOW_MM <= ledge.floor <= REACH_HIGH_MM,
                                       abs(ledge.floor - HEIGHT_OF_EASE_MM)))  # fmt: skip
    return ledges


def _stands(problem: Problem, item: Item, placements: Placements) -> Iterator[Placement]:
    items = {one.id: one for one in problem.plan.stash}
    for ledge in _by_ease(problem, item):
        for pose, turn in ways_to_stand(item, ledge):
            size = extent(item, pose, turn)
            xs, zs = {size.width / 2, ledge.width - size.width / 2}, {0.0, ledge.depth}
            for other in placements:
                if other.ledge == ledge.id and other.host is None and other.x is not None and other.z is not None:
                    room = extent(items[other.item], other.pose, other.turn)
                    along, across = (room.width + size.width) / 2, (room.depth + size.depth) / 2
                    xs |= {other.x - along - STEP_MM, other.x + along + STEP_MM}
                    zs |= {other.z - across - 1, other.z + across + 1}
            if ledge.shape == "ellipse":
                yield from _on_a_round_top(item, ledge, pose, turn, xs, zs)
                continue
            beside = _blocks_on(ledge, items, placements)
            for x in sorted(x for x in xs if size.width / 2 - 1 <= x <= ledge.width - size.width / 2 + 1):
                for z in sorted(zs, reverse=True):
                    place = at(item, ledge, x, z, pose=pose, turn=turn)
                    if item.is_round or not _is_taken(place, size, beside):
                        yield place


def _blocks_on(ledge: Ledge, items: Mapping[str, Item], placements: Placements) -> list[tuple[Placement, Extent]]:
    """Return what stands square on a ledge, with the room it takes: where one is, no other can be."""
    found = []
    for placement in placements:
        item = items[placement.item]
        if placement.ledge == ledge.id and placement.host is None and placement.z is not None and not item.is_round:
            found.append((placement, extent(item, placement.pose, placement.turn)))
    return found


def _is_taken(place: Placement, size: Extent, blocks: list[tuple[Placement, Extent]]) -> bool:
    """Tell whether a square thing would be in the place of another; asked first, for it costs little."""
    x, z = place.x or 0.0, place.z or 0.0
    return any(
        abs(x - (other.x or 0.0)) < (size.width + room.width) / 2 - 1
        and abs(z - (other.z or 0.0)) < (size.depth + room.depth) / 2 - 1
        for other, room in blocks
    )


def _on_a_round_top(
    item: Item, ledge: Ledge, pose: Pose, turn: float, xs: set[float], zs: set[float]
) -> Iterator[Placement]:
    """Yield places wholly inside a round or oval rim: about the middle first, then out to the rim all round."""
    size = extent(item, pose, turn)
    middle_x, middle_z = ledge.width / 2, ledge.depth / 2
    spots = [(middle_x, middle_z)]
    for share in (0.3, 0.55, 0.8, 1.0):
        for step in range(ROUND_STEPS):
            angle = math.tau * step / ROUND_STEPS
            reach_x, reach_z = (ledge.width - size.width) / 2, (ledge.depth - size.depth) / 2
            spots.append((middle_x + share * reach_x * math.cos(angle), middle_z + share * reach_z * math.sin(angle)))
    spots += [(x, z) for x in sorted(xs) for z in sorted(zs | {middle_z})]
    for x, z in spots:
        if lies_inside(item, size, ledge, x, z):
            yield Placement(
                id=item.id, item=item.id, ledge=ledge.id, x=round(x, 1), z=round(z, 1), pose=pose, turn=turn
            )


def lies_inside(item: Item, size: Extent, ledge: Ledge, x: float, z: float) -> bool:
    """Tell whether a footprint lies inside the rim of a round or oval top."""
    half_width, half_depth = ledge.width / 2, ledge.depth / 2
    points = ROUND_POINTS if item.is_round else CORNERS
    return all(
        math.hypot((x + across * size.width / 2) / half_width - 1, (z + back * size.depth / 2) / half_depth - 1) <= 1
        for across, back in points
    )


def hung(problem: Problem, item: Item) -> Iterator[Placement]:
    """Yield places on the walls: in the middle first; a hand over what stands below, or from the rail down."""
    for wall in problem.walls:
        if item.width <= wall.width:
            below_a_rail = wall.clearance is not None and not problem.open_ledges
            heights = (max((wall.clearance or 0.0) - item.height, 0.0),) if below_a_rail else HUNG_MM
            for share in (0.5, 0.33, 0.67, 0.2, 0.8, 0.08, 0.92):
                x = min(max(share * wall.width, item.width / 2), wall.width - item.width / 2)
                for y in heights:
                    yield Placement(id=item.id, item=item.id, ledge=wall.id, x=x, y=y, pose="hung")


def _pairs(problem: Problem, errand: Errand) -> Iterator[Placements]:
    first, second = errand.items
    middle = problem.piece.width / 2
    for left in problem.homes(first):
        for right in problem.homes(second):
            if abs(left.floor - right.floor) < 1:
                for share in PAIR_SHARES:
                    away = share * problem.piece.width
                    places = (middle - away - left.left, middle + away - right.left)
                    if 0 < places[0] < left.width and 0 < places[1] < right.width:
                        yield (at(first, left, places[0], 0.6 * left.depth),
                               at(second, right, places[1], 0.6 * right.depth))  # fmt: skip


def _gathered(problem: Problem, errand: Errand, placements: Placements) -> Iterator[Placements]:
    """Yield things inside one host: one that stands, or one that is brought for it."""
    items = {item.id: item for item in problem.plan.stash}
    gathered = {item.id for item in errand.items}
    needed = sum(item.width * item.depth for item in errand.items)
    unseen = [item for item in errand.items if item in problem.hidden]

    def serves(host: Item) -> bool:
        if not all(holds_wholly(host, item) for item in unseen):
            return False
        roomy = host.width * host.depth >= needed or host.category in ("box", "basket")
        open_top = host.category != "box" or "lidded" not in host.traits
        return host.category in GATHERING and host.id not in gathered and roomy and open_top

    for placement in placements:
        host = items[placement.item]
        if serves(host):
            guests = _guests(errand.items, placement, host)
            if guests:
                yield guests
    placed = {placement.item for placement in placements}
    order = ("tray", "basket", "box", "bowl")
    hosts = sorted((host for host in problem.candidates if host.id not in placed and serves(host)),
                   key=lambda host: (order.index(host.category), host.width * host.depth))  # fmt: skip
    for host in hosts:
        for place in _stands(problem, host, placements):
            guests = _guests(errand.items, place, host)
            if guests:
                yield (place, *guests)


def _guests(guests: tuple[Item, ...], place: Placement, host: Item) -> Placements:
    """Return things in a host, on a tray side by side in rows; nothing where they have no room."""
    if host.category != "tray":
        return tuple(Placement(id=item.id, item=item.id, ledge=place.ledge, inside=place.id) for item in guests)
    size = extent(host, place.pose, place.turn)
    left, front = (place.x or 0.0) - size.width / 2, (place.z or 0.0) - size.depth / 2
    along = reached = row = 0.0
    found: list[Placement] = []
    for item in sorted(guests, key=lambda item: -item.depth):
        if along + item.width > size.width:
            along, row = 0.0, reached
        if along + item.width > size.width or row + item.depth > size.depth:
            return ()
        x, z = left + along + item.width / 2, front + size.depth - row - item.depth / 2
        found.append(Placement(id=item.id, item=item.id, ledge=place.ledge, x=x, z=z, on=place.id))
        along, reached = along + item.width + 1, max(reached, row + item.depth + 1)
    return tuple(found)


def _inside(problem: Problem, item: Item, placements: Placements, *, hidden: bool) -> Iterator[Placements]:
    items = {one.id: one for one in problem.plan.stash}

    def serves(host: Item) -> bool:
        return holds_wholly(host, item) if hidden else host.category == "vessel" and holds(host, item)

    full = {placement.inside for placement in placements if not hidden}
    for placement in placements:
        if serves(items[placement.item]) and placement.id not in full:
            yield (Placement(id=item.id, item=item.id, ledge=placement.ledge, inside=placement.id),)
    placed = {placement.item for placement in placements}
    hosts = sorted((h for h in problem.candidates if h.id not in placed and serves(h)), key=lambda h: h.width * h.depth)
    for host in hosts:
        for place in sorted(_stands(problem, host, placements), key=lambda p: _floor(problem, p)):
            yield (place, Placement(id=item.id, item=item.id, ledge=place.ledge, inside=place.id))


def _floor(problem: Problem, placement: Placement) -> float:
    return problem.piece.ledge(placement.ledge).floor


def settle(
    problem: Problem, errands: tuple[Errand, ...], chance: random.Random | None = None, most: int = MOST_TRIED
) -> tuple[Placements | None, bool]:
    """Find places for all errands beside what stays; with ``chance`` the places are tried in another order.

    Returns
    -------
    placements : tuple of Placement or None
        What stays and what was found for the errands; None where nothing was found.
    to_the_end : bool
        Whether the search came to its end, so that None means that there is none.
    """
    tried = 0

    def go_on(number: int, placements: Placements) -> Placements | None:
        nonlocal tried
        if number == len(errands):
            return placements
        places = places_for(problem, errands[number], placements)
        for added in places if chance is None else _shuffled(places, chance):
            if tried >= most:
                return None
            tried += 1
            ledges = {placement.ledge for placement in added}
            near = tuple(placement for placement in placements if placement.ledge in ledges)
            # Wishes may look across ledges, so that the whole is asked where there are some.
            asked = (*placements, *added) if problem.piece.wishes else (*near, *added)
            arrangement = problem.resolve(asked)
            # Most places are taken: that is the cheaper question.
            if problem.has_room(arrangement) and problem.can_stand(arrangement):
                found = go_on(number + 1, (*placements, *added))
                if found is not None:
                    return found
        tried += DEAD_END
        return None

    room, need = room_and_need(problem, errands) if len(errands) >= FEW else (0.0, 0.0)
    if need > room:
        return None, True
    found = go_on(0, problem.fixed)
    return found, found is not None or (tried < most and _is_exact(problem, errands))


def room_and_need(problem: Problem, errands: tuple[Errand, ...]) -> tuple[float, float]:
    """Return the area of the ledges and the least that what must stand covers, both in mm²."""
    need = 0.0
    for item in (item for errand in errands if errand.kind == "stands" for item in errand.items):
        feet = [
            size.width * size.depth * (ROUND_FOOT if item.is_round else 1.0)
            for ledge in problem.homes(item)
            for pose, turn in ways_to_stand(item, ledge)
            for size in (extent(item, pose, turn),)
        ]
        need += min(feet, default=0.0)
    return sum(ledge.width * ledge.depth for ledge in problem.open_ledges), need


def settle_most(problem: Problem, errands: tuple[Errand, ...]) -> tuple[Placements, tuple[Errand, ...]]:
    """Find places for as many errands as can be, in their order; return them, and the errands that found none.

    Each is set beside what stands already; only where that cannot be, all are settled anew, as long as the tries last.
    """
    placements, left_out = problem.fixed, []
    settled: list[Errand] = []
    anew = MOST_ANEW
    for errand in errands:
        found, _ = settle(replace(problem, fixed=placements), (errand,), most=TRIED_FOR_ONE)
        if found is None and anew > 0:
            anew -= 1
            found, _ = settle(problem, (*settled, errand), most=TRIED_FOR_ONE)
        if found is None:
            left_out.append(errand)
        else:
            placements = found
            settled.append(errand)
    return placements, tuple(left_out)


def _is_exact(problem: Problem, errands: tuple[Errand, ...]) -> bool:
    """Tell whether trying all places proves that there is none: on a round top only for one thing by itself."""
    round_tops = any(ledge.shape == "ellipse" for ledge in problem.open_ledges)
    return not round_tops or (len(errands) == 1 and not problem.fixed)


def _shuffled(places: Iterator[Placements], chance: random.Random) -> list[Placements]:
    known = list(places)
    chance.shuffle(known)
    return known
