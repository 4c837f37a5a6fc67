"""Which plug goes into which outlet, how its cord runs along the back, and how much of that is seen."""

from collections.abc import Collection
from itertools import pairwise

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.in_use import seen_side
from jolly_ledge.geometry.kept import kept
from jolly_ledge.geometry.sockets import distance_to, sockets_of
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.piece import Fixture

Point = tuple[float, float]
LOOKED_EVERY_MM = 20.0
"""A cord is looked at so often along its way."""


class Plug(Struct, frozen=True):
    """One corded thing plugged in.

    ``outlet`` counts from 1; 0 where its socket has none left. ``away`` is how far its foot is from the socket (mm).
    ``strip`` is the power strip it goes into, where it does not go into the wall; ``socket`` then is that strip as a
    socket. ``way`` runs from where the cord leaves to the socket, x from the piece's left end and heights over the
    floor, and ``run`` is as long as it, with the way to the wall.
    """

    placed: PlacedItem
    socket: Fixture
    outlet: int
    away: float
    way: tuple[Point, Point, Point]
    run: float
    strip: PlacedItem | None = None

    @property
    def spare(self) -> float | None:
        """How much longer the cord is than its way, in mm; None where its length is not told."""
        cord = self.placed.item.cord
        return None if cord is None or cord.length is None else cord.length - self.run

    @property
    def is_at_fault(self) -> bool:
        """Whether its socket has no outlet left for it, or its cord is too short."""
        return self.outlet == 0 or (self.spare is not None and self.spare < 0)


class CordInSight(Struct, frozen=True):
    """How a cord is seen from the front: the stretches that nothing stands before, and what stands before the rest."""

    stretches: tuple[tuple[Point, Point], ...]
    hidden_by: tuple[PlacedItem, ...]

    @property
    def length(self) -> float:
        """How much of it is seen, in mm."""
        return sum(abs(first[0] - last[0]) + abs(first[1] - last[1]) for first, last in self.stretches)


@kept
def plugs_of(arrangement: Arrangement) -> tuple[Plug, ...]:
    """Return where all corded things plug in: the nearest pairs first, each outlet once; none without a socket.

    A power strip is plugged into the wall, never into another strip.
    """
    strips = tuple(placed for placed in arrangement.placed_items if placed.item.is_strip)
    walls = sockets_of(arrangement.piece)
    sockets = (*walls, *(_as_a_socket(strip) for strip in strips))
    corded = [placed for placed in arrangement.placed_items if placed.item.has_cord]
    pairs = sorted(
        (distance_to(placed, socket), number, index)
        for number, placed in enumerate(corded)
        for index, socket in enumerate(walls if placed.item.is_strip else sockets)
    )

    def strip_at(index: int) -> PlacedItem | None:
        return strips[index - len(walls)] if index >= len(walls) else None

    taken: dict[int, int] = {}
    found: dict[int, Plug] = {}
    for away, number, index in pairs:
        most = sockets[index].outlets
        if number not in found and (most is None or taken.get(index, 0) < most):
            taken[index] = taken.get(index, 0) + 1
            found[number] = _plug(corded[number], sockets[index], taken[index], away, strip_at(index))
    for away, number, index in pairs:
        if number not in found:
            found[number] = _plug(corded[number], sockets[index], 0, away, strip_at(index))
    return tuple(found[number] for number in sorted(found))


def drawing_through(plug: Plug, plugs: Collection[Plug]) -> tuple[Plug, ...]:
    """Return what draws through a plug: the thing itself, or what is plugged into it where it is a power strip.

    Parameters
    ----------
    plug : Plug
        One of them.
    plugs : collection of Plug
        All plugs of the look that run together.
    """
    if not plug.placed.item.is_strip:
        return (plug,)
    return tuple(one for one in plugs if one.strip is not None and one.strip.id == plug.placed.id)


def _as_a_socket(strip: PlacedItem) -> Fixture:
    return Fixture(
        kind="socket", left=strip.left, floor=strip.bottom, width=strip.width, height=strip.height,
        name=strip.item.label, watts=strip.item.watts, outlets=strip.item.outlets,
    )  # fmt: skip


def _plug(placed: PlacedItem, socket: Fixture, outlet: int, away: float, strip: PlacedItem | None) -> Plug:
    side = placed.item.cord.side if placed.item.cord is not None else ""
    seen = seen_side(placed, side) if side else ""
    start = placed.left if seen == "left" else placed.right if seen == "right" else placed.x
    x, height = socket.left + socket.width / 2, socket.floor + socket.height / 2
    way = ((start, placed.bottom), (x, placed.bottom), (x, height))
    to_the_wall = max(placed.ledge.depth - placed.back, 0.0)
    run = abs(start - x) + abs(placed.bottom - height) + to_the_wall
    return Plug(placed=placed, socket=socket, outlet=outlet, away=away, way=way, run=run, strip=strip)


def cord_in_sight(arrangement: Arrangement, plug: Plug) -> CordInSight:
    """Return how much of a cord is seen from the front."""
    before: dict[str, PlacedItem] = {}
    seen: list[tuple[Point, Point]] = []
    for index, (first, last) in enumerate(pairwise(plug.way)):
        # From board to board it runs behind the back of a case.
        if index == 1 and kind_of(arrangement.piece).is_case:
            continue
        length = abs(last[0] - first[0]) + abs(last[1] - first[1])
        steps = int(length / LOOKED_EVERY_MM)
        begun: Point | None = None
        for step in range(steps + 1):
            share = step / max(steps, 1)
            at = first[0] + (last[0] - first[0]) * share, first[1] + (last[1] - first[1]) * share
            over = next((one for one in arrangement.visible if _covers(one, at)), None)
            if over is not None:
                before[over.id] = over
            elif begun is None:
                begun = at
            if begun is not None and (over is not None or step == steps):
                seen.append((begun, at))
                begun = None
    return CordInSight(tuple(stretch for stretch in seen if stretch[0] != stretch[1]), tuple(before.values()))


def _covers(placed: PlacedItem, at: Point) -> bool:
    return placed.left <= at[0] <= placed.right and placed.bottom <= at[1] <= placed.top
