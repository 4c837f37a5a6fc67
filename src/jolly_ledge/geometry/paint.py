"""How much paint a thing takes: its surface by its shape, and what a litre covers."""

import itertools
import math

from jolly_ledge.geometry.silhouette import PROFILES, half_widths
from jolly_ledge.model.item import Item

COVERS_M2_PER_LITRE = 10.0
"""Furniture and chalk paints are sold as covering 8 to 12 m² a litre and coat; the tin decides."""

COATS = 2
WASTE = 1.1
"""What stays in the brush and the pot."""


def surface_mm2(item: Item) -> float:
    """Return the outer surface of a thing in mm², its underside left out.

    Notes
    -----
    A turned shape is summed ring by ring (Pappus: the length of a slope times the way of its middle).
    An oval footprint is taken as a circle of the mean radius. Anything else is a box.
    """
    if item.shape in PROFILES and item.is_round:
        radius = (item.width + item.depth) / 4
        rings = half_widths(item.shape)
        sides = sum(
            math.pi * (low + high) * radius * math.hypot((high - low) * radius, (top - bottom) * item.height)
            for (bottom, low), (top, high) in itertools.pairwise(rings)
        )
        return sides + math.pi * (rings[-1][1] * radius) ** 2
    return 2 * item.height * (item.width + item.depth) + item.width * item.depth


def paint_ml(item: Item, coats: int = COATS) -> float:
    """Return how much paint a thing takes, in ml, with a tenth for the brush.

    >>> from jolly_ledge.model.item import Item
    >>> round(paint_ml(Item(id="b", category="box", width=300.0, height=200.0, depth=200.0)), 1)
    57.2
    """
    return surface_mm2(item) * item.count / 1e6 / COVERS_M2_PER_LITRE * 1000 * coats * WASTE
