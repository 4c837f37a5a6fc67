"""How a thing's size changes with its pose and its turn."""

import math
from typing import NamedTuple

from jolly_ledge.model.item import Item
from jolly_ledge.model.words import Pose

TRAY_FLOOR_MM = 10.0
FEWEST_OUTLINE_POINTS = 3
"""Fewer enclose nothing; the thing is then drawn as its family is."""

LAID_STEMS = 0.4
"""How high a bunch lies, in widths of the bunch as it is held: it spreads no more."""


class Extent(NamedTuple):
    """The room a posed thing takes, in mm: seen width, height and depth from front to back."""

    width: float
    height: float
    depth: float


def extent(item: Item, pose: Pose, turn: float = 0.0) -> Extent:
    """Return the room a thing takes in a pose, turned about the vertical.

    Parameters
    ----------
    item : Item
        The thing.
    pose : str
        How it stands.
    turn : float
        About the vertical, in degrees.

    Examples
    --------
    >>> book = Item(id="a", category="book", width=30, height=240, depth=170)
    >>> extent(book, "flat")
    Extent(width=240.0, height=30.0, depth=170.0)
    >>> extent(book, "upright", 90)
    Extent(width=170.0, height=240.0, depth=30.0)
    """
    width, height, depth = float(item.width), float(item.height), float(item.depth)
    if pose == "flat":
        if item.category == "book":
            width, height = height, width
        elif item.category == "stems":
            width, height, depth = height, min(width, depth) * LAID_STEMS, min(width, depth)
        elif item.category not in ("book-row", "book-stack", "tray"):
            height, depth = depth, height
    return _turned(Extent(width, height, depth), turn, item.is_round and pose != "flat")


def _turned(size: Extent, turn: float, is_round: bool) -> Extent:
    if turn % 180 == 0 or (is_round and abs(size.width - size.depth) < 1e-9):
        return size
    if turn % 90 == 0:
        return Extent(size.depth, size.height, size.width)
    cosine, sine = abs(math.cos(math.radians(turn))), abs(math.sin(math.radians(turn)))
    if is_round:
        return Extent(
            math.hypot(size.width * cosine, size.depth * sine),
            size.height,
            math.hypot(size.width * sine, size.depth * cosine),
        )
    return Extent(size.width * cosine + size.depth * sine, size.height, size.width * sine + size.depth * cosine)


def seen_shape(item: Item, pose: Pose) -> str:
    """Return the silhouette a posed thing shows from the front; ``traced`` is its own outline."""
    if len(item.outline) >= FEWEST_OUTLINE_POINTS and pose == "upright":
        return "traced"
    if pose == "flat" and item.category == "stems":
        return "laid-stems"
    if pose == "flat" and item.shape not in ("stone", "tray", "book-stack", "book-row"):
        return "book" if item.category == "book" else "slab"
    return item.shape


def seen_colours(item: Item, pose: Pose) -> tuple[tuple[str, float], ...]:
    """Return the colours a posed thing shows: a book with its spine in shows its pages."""
    if pose == "spine-in" and item.is_book:
        return ((item.page_colour, 1.0),)
    return item.shown_colours
