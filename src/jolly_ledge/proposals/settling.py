"""Where things that must be there, and things that are wished so and so, can stand: tried in order, to the end.

Every errand is a thing, a pair or a set that must find its place. Things are tried against the ends of their ledge and
against what stands there already, in front and at the back, as boxes are packed into a corner: if there is any
arrangement, there is one in which everything has been pushed together.
"""

import random
from collections.abc import Iterator
from typing import Literal

from msgspec import Struct

from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Ledge, Wish
from jolly_ledge.model.pose import extent
from jolly_ledge.model.sockets import sockets_of
from jolly_ledge.model.spots import holds
from jolly_ledge.model.words import GATHERING, WALL_CATEGORIES, Pose
from jolly_ledge.proposals.poses import usual_pose, ways_to_stand
from jolly_ledge.proposals.problem import FILLINGS, STEP_MM, Problem, holds_wholly
from jolly_ledge.readings.must_haves import REACH_HIGH_MM, REACH_LOW_MM

MOST_TRIED = 4000
"""Places that are tried before the search for a first arrangement gives up."""

PAIR_SHARES = (0.36, 0.28, 0.42, 0.2, 0.12)
"""How far a mirrored pair stands from the middle, in widths of the piece, in the order of trying."""

EDGE_MM = 5.0
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
            claim("centred", wish, 1)
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
        (item,) = errand.items
        for ledge in _by_ease(problem, item):
            for depth in (0.6, 0.35, 0.85):
                yield (at(item, ledge, ledge.width / 2, depth * ledge.depth),)
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
                    beside = extent(items[other.item], other.pose, other.turn)
                    along, across = (beside.width + size.width) / 2, (beside.depth + size.depth) / 2
                    xs |= {other.x - along - STEP_MM, other.x + along + STEP_MM}
                    zs |= {other.z - across - 1, other.z + across + 1}
            for x in sorted(x for x in xs if size.width / 2 - 1 <= x <= ledge.width - size.width / 2 + 1):
                for z in sorted(zs, reverse=True):
                    yield at(item, ledge, x, z, pose=pose, turn=turn)


def hung(problem: Problem, item: Item) -> Iterator[Placement]:
    """Yield places on the walls: in the middle first, a hand over what stands below."""
    for wall in problem.walls:
        if item.width <= wall.width:
            for share in (0.5, 0.33, 0.67):
                x = min(max(share * wall.width, item.width / 2), wall.width - item.width / 2)
                for y in HUNG_MM:
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

    def serves(host: Item) -> bool:
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
            if problem.can_stand(problem.resolve(asked)):
                found = go_on(number + 1, (*placements, *added))
                if found is not None:
                    return found
        return None

    found = go_on(0, problem.fixed)
    return found, found is not None or tried < most


def _shuffled(places: Iterator[Placements], chance: random.Random) -> list[Placements]:
    known = list(places)
    chance.shuffle(known)
    return known
