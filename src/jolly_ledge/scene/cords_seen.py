"""How much of the cords along the back is seen from where somebody sits, stands or comes in."""

from collections import Counter
from collections.abc import Iterator
from itertools import groupby, pairwise
from typing import NamedTuple

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.eyes import Eye, eyes_of, seen_at
from jolly_ledge.geometry.facing import seen_from_side, spot_from
from jolly_ledge.geometry.kept import kept
from jolly_ledge.geometry.plugs import LOOKED_EVERY_MM, Plug, Point, plugs_of
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.scene.cover import Shape
from jolly_ledge.scene.seats import projected

Spot = tuple[float, float, float]
"""A point as it is from the side of an eye: along the piece, over the floor, behind the front edge (mm)."""

Way = tuple[Point, ...]
EDGE_MM = 1.0


class _Dot(NamedTuple):
    """A point of a cord on the picture plane, the stretch it stands for, and what hides it."""

    spot: Point
    stretch: float
    behind: str = ""
    is_under: bool = False

    @property
    def is_seen(self) -> bool:
        return not self.behind and not self.is_under


class CordFrom(Struct, frozen=True):
    """What one eye sees of one cord.

    ``ways`` are the parts of the cord that run in the open and ``stretches`` what of them is seen, both as points on
    the picture plane of the eye (mm, heights up). ``hidden_by`` are the things that stand before the rest, the one
    before most of it first; ``under_boards`` tells whether boards hide some of it.
    """

    plug: Plug
    eye: Eye
    length: float
    ways: tuple[Way, ...]
    stretches: tuple[Way, ...]
    hidden_by: tuple[PlacedItem, ...]
    under_boards: bool


@kept
def cords_seen(arrangement: Arrangement) -> tuple[CordFrom, ...]:
    """Return what every eye sees of every cord, eye by eye.

    What stands nearer to the eye hides a cord, and so does a board that the line of sight crosses. Behind the back of
    a case a cord is out of sight.
    """
    plugs = plugs_of(arrangement)
    return tuple(one for eye in eyes_of(arrangement.piece) for one in _from(arrangement, plugs, eye)) if plugs else ()


def cords_from(arrangement: Arrangement, eye: Eye) -> tuple[CordFrom, ...]:
    """Return what one eye sees of every cord."""
    return tuple(one for one in cords_seen(arrangement) if one.eye == eye)


def _from(arrangement: Arrangement, plugs: tuple[Plug, ...], eye: Eye) -> Iterator[CordFrom]:
    seen = seen_from_side(arrangement, eye.side)
    before = [(placed, projected(placed, eye)) for placed in seen.visible if placed.placement.pose != "hung"]
    back, in_a_case = arrangement.piece.depth, kind_of(arrangement.piece).is_case
    turned = spot_from(arrangement.piece.width, back, eye.side)

    def from_there(at: Point) -> tuple[float, float, float]:
        along, deep = turned(at[0], back)
        return along, at[1], deep

    for plug in plugs:
        parts = [tuple(from_there(at) for at in part) for part in _in_the_open(plug, in_a_case=in_a_case)]
        looked = [[_looked(seen, before, eye, at, by) for at, by in _points(*part)] for part in parts]
        hiding = Counter(dot.behind for dots in looked for dot in dots if dot.behind)
        yield CordFrom(
            plug=plug,
            eye=eye,
            length=sum(dot.stretch for dots in looked for dot in dots if dot.is_seen),
            ways=tuple(tuple(_on_the_plane(eye, at) for at in part) for part in parts),
            stretches=tuple(stretch for dots in looked for stretch in _runs(dots)),
            hidden_by=tuple(arrangement.by_id[identifier] for identifier, _ in hiding.most_common()),
            under_boards=any(dot.is_under for dots in looked for dot in dots),
        )


def _in_the_open(plug: Plug, *, in_a_case: bool) -> Iterator[tuple[Point, Point]]:
    """Yield the straight parts of a cord that do not run behind the back of a case."""
    for index, (first, last) in enumerate(pairwise(plug.way)):
        if (index == 0 or not in_a_case) and first != last:
            yield first, last


def _points(first: Spot, last: Spot) -> Iterator[tuple[Spot, float]]:
    """Yield points along a straight part of a cord, each with the stretch it stands for (mm)."""
    whole = sum(abs(one - other) for one, other in zip(first, last, strict=True))
    steps = max(int(whole / LOOKED_EVERY_MM), 1)
    for step in range(steps):
        share = (step + 0.5) / steps
        x, height, z = (one + (other - one) * share for one, other in zip(first, last, strict=True))
        yield (x, height, z), whole / steps


def _looked(seen: Arrangement, before: list[tuple[PlacedItem, Shape]], eye: Eye, at: Spot, stretch: float) -> _Dot:
    """Return how one point of a cord is seen."""
    from shapely import Point as Place

    spot, z = _on_the_plane(eye, at), at[2]
    place = Place(*spot)
    over = next((one for one, shape in before if one.z < z - EDGE_MM and shape.contains(place)), None)
    if over is not None:
        return _Dot(spot, stretch, behind=over.id)
    return _Dot(spot, stretch, is_under=_is_under_a_board(seen, eye, *at))


def _runs(dots: list[_Dot]) -> Iterator[Way]:
    """Yield the stretches of neighbouring points that are seen."""
    for is_seen, same in groupby(dots, key=lambda dot: dot.is_seen):
        stretch = tuple(dot.spot for dot in same)
        if is_seen and len(stretch) > 1:
            yield stretch


def _on_the_plane(eye: Eye, at: Spot) -> Point:
    """Return where a point is seen, heights up."""
    seen = seen_at(eye, *at)
    return seen.x, -seen.y


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
