"""Figures for a tape: from an edge that the tape can be held to when the thing is set down."""

import math
from collections.abc import Sequence

from msgspec import Struct

from jolly_ledge.geometry.arrangement import PlacedItem

AT_THE_WALL_MM = 1.0
"""What is nearer to the back than this stands against it."""

STRIP_MM = 15.0
"""The tape lies before a thing; what reaches into a strip so deep is in its way."""

CENTRED_MM = 2.0
"""What stands so near to the middle of its carrier is centred on it."""

LEFT, RIGHT, FRONT, WALL = "left end", "right end", "front edge", "wall"


class TapeFigure(Struct, frozen=True):
    """A length in mm, to the whole mm, and the edge it begins at."""

    length: float
    start: str


def along(placed: PlacedItem, before: Sequence[PlacedItem], host: PlacedItem | None) -> TapeFigure | None:
    """Return how far along its ledge a thing begins.

    From the left end to the left edge; from the right end to the right edge where something that already stands is in
    the way of the tape; from a neighbour where both ways are blocked; from the left edge of what carries it.

    Parameters
    ----------
    placed : PlacedItem
    before : sequence of PlacedItem
        What stands when it is set down.
    host : PlacedItem, optional
        What carries it.
    """
    if host is not None:
        return _along_host(placed, host)
    left, right = _ends(placed)
    rim = placed.ledge.shape == "ellipse"
    from_left = TapeFigure(_whole(placed.left - left), "rim on the left" if rim else LEFT)
    from_right = TapeFigure(_whole(right - placed.right), "rim on the right" if rim else RIGHT)
    others = [other for other in before if _is_in_the_way(placed, other)]
    on_the_left = [other for other in others if other.x < placed.x]
    on_the_right = [other for other in others if other.x >= placed.x]
    if not on_the_left:
        return from_left
    if not on_the_right:
        return from_right
    nearest = max(on_the_left, key=lambda other: other.right)
    return TapeFigure(_whole(placed.left - nearest.right), f"right edge of the {nearest.item.label}")


def _along_host(placed: PlacedItem, host: PlacedItem) -> TapeFigure:
    name, aside = host.item.label, placed.x - host.x
    if abs(aside) < CENTRED_MM:
        return TapeFigure(0.0, f"middle of the {name}")
    if placed.left >= host.left:
        return TapeFigure(_whole(placed.left - host.left), f"left edge of the {name}")
    if placed.right <= host.right:
        return TapeFigure(_whole(host.right - placed.right), f"right edge of the {name}")
    return TapeFigure(_whole(abs(aside)), f"middle of the {name}, to the {'right' if aside > 0 else 'left'}")


def across(placed: PlacedItem, host: PlacedItem | None) -> TapeFigure | None:
    """Return how far a thing stands behind the front edge, or that it stands against the wall (nought from it)."""
    if host is not None:
        behind = placed.front - host.front
        return TapeFigure(_whole(behind), f"front of the {host.item.label}") if behind >= 0 else None
    if placed.placement.pose == "hung":
        return None
    if placed.ledge.depth - placed.back < AT_THE_WALL_MM:
        return TapeFigure(0.0, WALL)
    start = "rim in front" if placed.ledge.shape == "ellipse" else FRONT
    return TapeFigure(_whole(placed.front - _front_at(placed)), start)


def upward(placed: PlacedItem) -> TapeFigure | None:
    """Return how high the lower edge of a hung thing is over its ledge."""
    if placed.placement.pose != "hung":
        return None
    return TapeFigure(_whole(placed.bottom - placed.ledge.floor), "ledge below")


def _whole(length: float) -> float:
    return float(round(length))


def _is_in_the_way(placed: PlacedItem, other: PlacedItem) -> bool:
    """Tell whether a thing that stands on the same ledge lies across the tape before another."""
    if other.ledge.id != placed.ledge.id or other.placement.host is not None:
        return False
    if placed.placement.pose == "hung" or other.placement.pose == "hung":
        return False
    return other.front < placed.front + 1 and other.back > placed.front - STRIP_MM


def _ends(placed: PlacedItem) -> tuple[float, float]:
    """Return the ends of the ledge where the thing's middle stands: an ellipse is shorter toward front and back."""
    ledge = placed.ledge
    if ledge.shape != "ellipse":
        return ledge.left, ledge.right
    half = ledge.width / 2 * _chord(placed.z - ledge.depth / 2, ledge.depth / 2)
    middle = ledge.left + ledge.width / 2
    return middle - half, middle + half


def _front_at(placed: PlacedItem) -> float:
    """Return where the front edge lies before the thing's middle, from the foremost point."""
    ledge = placed.ledge
    if ledge.shape != "ellipse":
        return 0.0
    return ledge.depth / 2 * (1 - _chord(placed.x - ledge.left - ledge.width / 2, ledge.width / 2))


def _chord(away: float, half: float) -> float:
    """Return how long a chord of an ellipse is against the whole.

    >>> round(_chord(30.0, 50.0), 3)
    0.8
    """
    return math.sqrt(max(1 - (away / half) ** 2, 0.0))
