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
    return min((far for far, _ in _distances(arrangement, placed, target)), default=None)


def nearest_of(arrangement: Arrangement, placed: PlacedItem, target: str) -> tuple[float, float] | None:
    """Return where the middle of the nearest of what is meant is: along the piece, and over the floor (mm)."""
    found = min(_distances(arrangement, placed, target), default=None)
    return None if found is None else found[1]


def _distances(
    arrangement: Arrangement, placed: PlacedItem, target: str
) -> Iterator[tuple[float, tuple[float, float]]]:
    """Yield how far each of what is meant is, and where its middle is."""
    if target == A_SEAT:
        for seat in arrangement.piece.seats:
            along = apart(placed.left, placed.right, seat.x, seat.x)
            yield math.hypot(along, apart(placed.front, placed.back, seat.z, seat.z)), (seat.x, placed.ledge.floor)
        return
    for fixture in arrangement.piece.fixtures:
        if fixture.kind == target:
            along = apart(placed.left, placed.right, fixture.left, fixture.right)
            up = apart(placed.bottom, placed.top, fixture.floor, fixture.floor + fixture.height)
            middle = ((fixture.left + fixture.right) / 2, fixture.floor + fixture.height / 2)
            yield math.hypot(along, up), middle
    for other in arrangement.placed_items:
        if other.item.id == target and other.id != placed.id:
            along = apart(placed.left, placed.right, other.left, other.right)
            up = apart(placed.bottom, placed.top, other.bottom, other.top)
            yield math.hypot(along, up), (other.x, (other.bottom + other.top) / 2)


def apart(low: float, high: float, other_low: float, other_high: float) -> float:
    """Return the gap between two stretches of one line, nought where they overlap."""
    return max(other_low - high, low - other_high, 0.0)
