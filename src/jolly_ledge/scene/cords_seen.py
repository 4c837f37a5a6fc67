"""How much of the cords along the back is seen from where somebody sits, stands or comes in."""

from collections.abc import Iterator
from itertools import pairwise

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.eyes import Eye, eyes_of, seen_at
from jolly_ledge.geometry.facing import seen_from_side, spot_from
from jolly_ledge.geometry.kept import kept
from jolly_ledge.geometry.plugs import LOOKED_EVERY_MM, Plug, plugs_of
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.scene.cover import Shape
from jolly_ledge.scene.seats import projected

EDGE_MM = 1.0


class CordFrom(Struct, frozen=True):
    """What one eye sees of one cord: so many mm of it."""

    placement: str
    eye: Eye
    length: float


@kept
def cords_seen(arrangement: Arrangement) -> tuple[CordFrom, ...]:
    """Return what every eye sees of every cord, eye by eye.

    What stands nearer to the eye hides a cord, and so does a board that the line of sight crosses. Behind the back of
    a case a cord is out of sight.
    """
    plugs = plugs_of(arrangement)
    return tuple(one for eye in eyes_of(arrangement.piece) for one in _from(arrangement, plugs, eye)) if plugs else ()


def _from(arrangement: Arrangement, plugs: tuple[Plug, ...], eye: Eye) -> Iterator[CordFrom]:
    seen = seen_from_side(arrangement, eye.side)
    before = [(placed.z, projected(placed, eye)) for placed in seen.visible if placed.placement.pose != "hung"]
    piece = arrangement.piece
    turned = spot_from(piece.width, piece.depth, eye.side)
    for plug in plugs:
        length = 0.0
        for x, height, stretch in _looked_at(plug, in_a_case=kind_of(piece).is_case):
            along, deep = turned(x, piece.depth)
            if not _is_behind(before, eye, along, height, deep) and not _is_under_a_board(
                seen, eye, along, height, deep
            ):
                length += stretch
        yield CordFrom(plug.placed.id, eye, length)


def _looked_at(plug: Plug, *, in_a_case: bool) -> Iterator[tuple[float, float, float]]:
    """Yield points along a cord, along the piece and over the floor, each with the stretch it stands for (mm)."""
    for index, (first, last) in enumerate(pairwise(plug.way)):
        if index == 1 and in_a_case:
            continue
        whole = abs(last[0] - first[0]) + abs(last[1] - first[1])
        steps = max(int(whole / LOOKED_EVERY_MM), 1)
        for step in range(steps):
            share = (step + 0.5) / steps
            yield first[0] + (last[0] - first[0]) * share, first[1] + (last[1] - first[1]) * share, whole / steps


def _is_behind(before: list[tuple[float, Shape]], eye: Eye, x: float, height: float, z: float) -> bool:
    """Tell whether something nearer stands before a point."""
    from shapely import Point

    at = seen_at(eye, x, height, z)
    point = Point(at.x, -at.y)
    return any(depth < z - EDGE_MM and shape.contains(point) for depth, shape in before)


def _is_under_a_board(seen: Arrangement, eye: Eye, x: float, height: float, z: float) -> bool:
    """Tell whether the line of sight to a point crosses a board."""
    for ledge in seen.standing_ledges:
        over, under = eye.height - ledge.floor, ledge.floor - height
        if over * under <= 0:
            continue
        # The line is at the height of the board so far along its way from the eye.
        share = over / (over + under)
        crosses = -eye.away + (z + eye.away) * share
        along = eye.x + (x - eye.x) * share
        if 0 < crosses < ledge.depth and ledge.left < along < ledge.right and abs(crosses - z) > EDGE_MM:
            return True
    return False
