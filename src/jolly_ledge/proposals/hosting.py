"""What is brought for a wish: a tray that gathers, a box that hides, a vessel for stems, a mat, a thing between two."""

from collections.abc import Iterator

from jolly_ledge.geometry.landing import holds
from jolly_ledge.geometry.pose import extent
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import GATHERING, UNDERLAYS, WALL_CATEGORIES
from jolly_ledge.proposals.places import at, stands
from jolly_ledge.proposals.poses import usual_pose
from jolly_ledge.proposals.problem import STEP_MM, Problem, holds_wholly
from jolly_ledge.proposals.requirements import Placements, Requirement
from jolly_ledge.proposals.thing import LOUD, Thing

PARTINGS_TRIED, PARTING_WIDTH_MM, PARTS_FROM_MM = 5, 140.0, 50.0
"""So many things are tried between two that are wished apart, those of about this width first, none lower than this."""


def gathered(problem: Problem, requirement: Requirement, placements: Placements) -> Iterator[Placements]:
    """Yield things inside one host: one that stands, or one that is brought for it."""
    items = {item.id: item for item in problem.plan.stash}
    gathered = {item.id for item in requirement.items}
    needed = sum(item.width * item.depth for item in requirement.items)
    unseen = [item for item in requirement.items if item in problem.hidden]

    def serves(host: Item) -> bool:
        if not all(holds_wholly(host, item) for item in unseen):
            return False
        roomy = host.width * host.depth >= needed or host.category in ("box", "basket")
        open_top = host.category != "box" or "lidded" not in host.traits
        return host.category in GATHERING and host.id not in gathered and roomy and open_top

    for placement in placements:
        host = items[placement.item]
        if serves(host):
            guests = _guests(requirement.items, placement, host)
            if guests:
                yield guests
    placed = {placement.item for placement in placements}
    order = ("tray", "basket", "box", "bowl")
    hosts = sorted((host for host in problem.candidates if host.id not in placed and serves(host)),
                   key=lambda host: (order.index(host.category), host.width * host.depth))  # fmt: skip
    for host in hosts:
        for place in stands(problem, host, placements):
            guests = _guests(requirement.items, place, host)
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


def inside(problem: Problem, item: Item, placements: Placements, *, hidden: bool) -> Iterator[Placements]:
    """Yield a thing inside another: wholly hidden in it, or rising from it; in one that stands, or one brought."""
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
        for place in sorted(stands(problem, host, placements), key=lambda p: _floor(problem, p)):
            yield (place, Placement(id=item.id, item=item.id, ledge=place.ledge, inside=place.id))


def _floor(problem: Problem, placement: Placement) -> float:
    return problem.piece.ledge(placement.ledge).floor


def underlaid(problem: Problem, item: Item, placements: Placements) -> Iterator[Placements]:
    """Yield a thing on a tray, a board or a mat: on one that lies there, or on one that is brought for it."""
    items = {one.id: one for one in problem.plan.stash}
    foot = extent(item, usual_pose(item))

    def bears(host: Item, place: Placement) -> bool:
        size = extent(host, place.pose, place.turn)
        lies = place.pose == "flat" or (host.category != "board" and place.pose == "upright")
        return host.category in UNDERLAYS and lies and size.width >= foot.width and size.depth >= foot.depth

    def on_it(place: Placement) -> Placement:
        return Placement(
            id=item.id, item=item.id, ledge=place.ledge, on=place.id, x=place.x, z=place.z, pose=usual_pose(item)
        )

    for placement in placements:
        if bears(items[placement.item], placement) and not any(other.host == placement.id for other in placements):
            yield (on_it(placement),)
    placed = {placement.item for placement in placements}
    hosts = [host for host in problem.candidates if host.category in UNDERLAYS and host.id not in placed | {item.id}]
    for host in sorted(hosts, key=lambda host: (Thing(host).loud >= LOUD, host.width * max(host.depth, host.height))):
        for place in stands(problem, host, placements):
            if bears(host, place):
                yield (place, on_it(place))


def parted(problem: Problem, item: Item, placements: Placements) -> Iterator[Placements]:
    """Yield a thing beside one it is wished apart from, with something brought between the two."""
    items = {one.id: one for one in problem.plan.stash}
    others = {other for wish in problem.piece.wishes if wish.kind == "apart" and item.id in wish.items
              for other in wish.items if other != item.id}  # fmt: skip
    placed = {placement.item for placement in placements}
    size = extent(item, usual_pose(item))
    for placement in placements:
        if placement.item not in others or placement.host is not None or placement.x is None or placement.z is None:
            continue
        ledge = problem.piece.ledge(placement.ledge)
        if ledge not in problem.homes(item):
            continue
        room = extent(items[placement.item], placement.pose, placement.turn)
        between = [one for one in problem.candidates if one.id not in placed and _parts(problem, one, ledge)]
        between.sort(key=lambda one: (Thing(one).loud >= LOUD, abs(one.width - PARTING_WIDTH_MM)))
        for one in between[:PARTINGS_TRIED]:
            wide = extent(one, usual_pose(one)).width
            for side in (-1, 1):
                x = placement.x + side * (room.width + wide) / 2 + side * STEP_MM
                far = x + side * (wide + size.width) / 2 + side * STEP_MM
                yield at(one, ledge, x, placement.z), at(item, ledge, far, placement.z)


def _parts(problem: Problem, item: Item, ledge: Ledge) -> bool:
    """Tell whether a thing belongs on a ledge and is large enough to part two others."""
    welcome = problem.welcomes(item, ledge) and ledge in problem.homes(item)
    return welcome and item.category not in WALL_CATEGORIES and extent(item, usual_pose(item)).height >= PARTS_FROM_MM
