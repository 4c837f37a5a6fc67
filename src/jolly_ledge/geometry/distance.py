"""How far a thing stands from what it is wished near: a fixture, a seat, another thing."""

import math
from collections.abc import Iterator

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem

A_SEAT = "seat"


def distance_to(arrangement: Arrangement, placed: PlacedItem, target: str) -> float | None:
    """Return the free distance between a thing and the nearest of what is meant, in mm; None where there is none.

    To a fixture and to another thing it is measured in the elevation, to a seat on the top, from above.

    Parameters
    ----------
    arrangement : Arrangement
        The look.
    placed : PlacedItem
        The thing.
    target : str
        A kind of fixture, ``seat``, or the id of another item.
    """
    return min(_distances(arrangement, placed, target), default=None)


def _distances(arrangement: Arrangement, placed: PlacedItem, target: str) -> Iterator[float]:
    if target == A_SEAT:
        for seat in arrangement.piece.seats:
            along = _apart(placed.left, placed.right, seat.x, seat.x)
            yield math.hypot(along, _apart(placed.front, placed.back, seat.z, seat.z))
        return
    for fixture in arrangement.piece.fixtures:
        if fixture.kind == target:
            along = _apart(placed.left, placed.right, fixture.left, fixture.right)
            yield math.hypot(along, _apart(placed.bottom, placed.top, fixture.floor, fixture.floor + fixture.height))
    for other in arrangement.placed_items:
        if other.item.id == target and other.id != placed.id:
            along = _apart(placed.left, placed.right, other.left, other.right)
            yield math.hypot(along, _apart(placed.bottom, placed.top, other.bottom, other.top))


def _apart(low: float, high: float, other_low: float, other_high: float) -> float:
    return max(other_low - high, low - other_high, 0.0)
