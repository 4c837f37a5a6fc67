"""Where a thing can stand or hang: against the ends of a ledge and what is there already, or round a rim."""

import math
from collections.abc import Iterator, Mapping, Sequence

import numpy as np
from numpy.typing import NDArray

from jolly_ledge.geometry.pose import Extent, extent
from jolly_ledge.geometry.sockets import sockets_of
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import Pose
from jolly_ledge.proposals.poses import usual_pose, ways_to_stand
from jolly_ledge.proposals.problem import STEP_MM, Problem
from jolly_ledge.proposals.requirements import Placements
from jolly_ledge.readings.must_haves import REACH_HIGH_MM, REACH_LOW_MM

EDGE_MM = 5.0
ROUND_STEPS = 16
CORNERS = ((-1.0, -1.0), (1.0, -1.0), (1.0, 1.0), (-1.0, 1.0))
ROUND_POINTS = tuple((math.cos(math.tau * n / 16), math.sin(math.tau * n / 16)) for n in range(16))
HEIGHT_OF_EASE_MM = 1050.0
HUNG_MM = (200.0, 300.0, 120.0, 450.0)
"""So high over the top a picture hangs, as is usual over furniture."""


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
    """Return a placement of a thing with its middle near a point of a ledge, on the tape and within its edges.

    Parameters
    ----------
    item : Item
        The thing.
    ledge : Ledge
        Where it goes.
    middle : float
        The wished middle along the ledge, in mm.
    depth : float
        The wished middle in depth from the front edge, in mm.
    pose : str, optional
        How it is set down, if not as usual.
    turn : float
        About the vertical, in degrees.
    step : float
        Of the tape, in mm.
    """
    pose = pose or usual_pose(item)
    size = extent(item, pose, turn)
    x, z = _along(size, ledge, middle, step), _into(size, ledge, pose, depth, step)
    return Placement(id=item.id, item=item.id, ledge=ledge.id, x=x, z=z, pose=pose, turn=turn)


def _along(size: Extent, ledge: Ledge, middle: float, step: float) -> float:
    """Return a wished middle along a ledge on the tape and within the ends."""
    half = size.width / 2
    ends = (half + EDGE_MM, ledge.width - half - EDGE_MM)
    return _tape(middle, *ends, min(max(middle, half), ledge.width - half), step)


def _into(size: Extent, ledge: Ledge, pose: Pose, depth: float, step: float) -> float:
    """Return a wished middle in depth on the tape and within the edges; what leans is at the wall."""
    deep = size.depth / 2
    return ledge.depth - deep if pose == "leaning" else _tape(depth, deep, ledge.depth - deep, deep, step)


def _tape(length: float, least: float, most: float, only: float, step: float) -> float:
    """Round to the tape within two limits; where they leave nothing, there is only one place."""
    return min(max(round(length / step) * step, least), most) if least <= most else only


def by_ease(problem: Problem, item: Item) -> list[Ledge]:
    """Return the ledges a thing may stand on: near a socket first where it has a cord, within reach for daily use."""
    ledges = list(problem.homes(item))
    sockets = sockets_of(problem.piece) if item.has_cord else ()
    if sockets:
        ledges.sort(key=lambda ledge: min(abs(ledge.floor - s.floor) + abs(ledge.left - s.left) for s in sockets))
    if {"daily-use", "grab"} & set(item.traits):
        ledges.sort(key=lambda ledge: (not REACH_LOW_MM <= ledge.floor <= REACH_HIGH_MM,
                                       abs(ledge.floor - HEIGHT_OF_EASE_MM)))  # fmt: skip
    return ledges


def stands(problem: Problem, item: Item, placements: Placements) -> Iterator[Placement]:
    """Yield where a thing can stand beside what is there, whatever else speaks against it; the easiest ledge first."""
    items = {one.id: one for one in problem.plan.stash}
    for ledge in by_ease(problem, item):
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
            ends = size.width / 2 - 1, ledge.width - size.width / 2 + 1
            columns = [_along(size, ledge, x, STEP_MM) for x in sorted(x for x in xs if ends[0] <= x <= ends[1])]
            rows = [_into(size, ledge, pose, z, STEP_MM) for z in sorted(zs, reverse=True)]
            taken = None if item.is_round else _taken(columns, rows, size, _blocks_on(ledge, items, placements))
            for column, x in enumerate(columns):
                for row, z in enumerate(rows):
                    if taken is None or not taken[column, row]:
                        yield Placement(id=item.id, item=item.id, ledge=ledge.id, x=x, z=z, pose=pose, turn=turn)


def _blocks_on(ledge: Ledge, items: Mapping[str, Item], placements: Placements) -> list[tuple[Placement, Extent]]:
    """Return what stands square on a ledge, with the room it takes: where one is, no other can be."""
    found = []
    for placement in placements:
        item = items[placement.item]
        if placement.ledge == ledge.id and placement.host is None and placement.z is not None and not item.is_round:
            found.append((placement, extent(item, placement.pose, placement.turn)))
    return found


def _taken(
    columns: Sequence[float], rows: Sequence[float], size: Extent, blocks: Sequence[tuple[Placement, Extent]]
) -> NDArray[np.bool_] | None:
    """Tell where a square thing would be in the place of another, by column along the ledge and row into it.

    It is asked first, for it costs little; None where nothing stands square.
    """
    if not blocks:
        return None
    x, z, width, depth = np.array([(one.x or 0.0, one.z or 0.0, room.width, room.depth) for one, room in blocks]).T
    across = np.abs(np.array(columns)[:, None] - x) < (size.width + width) / 2 - 1
    back = np.abs(np.array(rows)[:, None] - z) < (size.depth + depth) / 2 - 1
    taken: NDArray[np.bool_] = np.matmul(across.astype(np.float32), back.T.astype(np.float32)) > 0
    return taken


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
    """Tell whether a footprint lies inside the rim of a round or oval top.

    Parameters
    ----------
    item : Item
        The thing.
    size : Extent
        The room it takes, in mm.
    ledge : Ledge
        Where it goes.
    x : float
        Its middle along the ledge, in mm.
    z : float
        Its middle in depth, in mm.
    """
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
