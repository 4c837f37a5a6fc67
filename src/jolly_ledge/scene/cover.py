"""Seen cover: which part of an opening things hide, with their true outlines.

Shapely is imported at the first question, so that the first picture of a window does not wait for it.
"""

from functools import lru_cache
from typing import Any

from jolly_ledge.geometry.arrangement import PlacedItem
from jolly_ledge.geometry.silhouette import DENSITIES, Points, outline

CLEAR_HIDES = 0.45

Shape = Any
"""A shapely geometry (shapely ships no types)."""


@lru_cache(maxsize=8192)
def _polygon(shape: str, width: float, height: float, traced: Points) -> Shape:
    import shapely

    polygon = shapely.Polygon(outline(shape, width, height, traced))
    return polygon if polygon.is_valid else polygon.buffer(0)


@lru_cache(maxsize=8192)
def silhouette_at(shape: str, width: float, height: float, x: float, bottom: float, traced: Points = ()) -> Shape:
    """Return the outline of a thing where it stands, in piece coordinates.

    Parameters
    ----------
    shape : str
        A family of silhouettes.
    width : float
        In mm.
    height : float
        In mm.
    x : float
        Its middle, in mm of the piece.
    bottom : float
        Its foot over the floor, in mm.
    traced : sequence of (float, float)
        A traced outline in widths from the middle and heights from the foot; empty for none.
    """
    from shapely.affinity import translate

    return translate(_polygon(shape, width, height, traced), x, bottom)


def silhouette(placed: PlacedItem) -> Shape:
    """Return the outline of a standing thing in piece coordinates."""
    return silhouette_at(
        placed.shape,
        round(placed.width, 1),
        round(placed.height, 1),
        placed.x,
        placed.bottom,
        placed.item.outline,
    )


@lru_cache(maxsize=512)
def covered_area(placed_items: tuple[PlacedItem, ...]) -> float:
    """Return the area that things cover together, overlaps once, airy ones by their density (mm²)."""
    return _covered(
        tuple(
            (s.shape, round(s.width, 1), round(s.height, 1), round(s.x, 1), round(s.bottom, 1), s.item.outline)
            for s in placed_items
            if not s.hidden
        )
    )


@lru_cache(maxsize=512)
def _covered(spots: tuple[tuple[str, float, float, float, float, Points], ...]) -> float:
    import shapely

    shapes = [silhouette_at(*spot) for spot in spots]
    solid = [shape for shape, spot in zip(shapes, spots, strict=True) if DENSITIES.get(spot[0], 1.0) == 1.0]
    union = shapely.union_all(solid) if solid else shapely.Polygon()
    area = float(union.area)
    for shape, spot in zip(shapes, spots, strict=True):
        density = DENSITIES.get(spot[0], 1.0)
        if density < 1.0:
            area += density * float(shape.difference(union).area)
    return area


@lru_cache(maxsize=512)
def hidden_shares(placed_items: tuple[PlacedItem, ...], looked_down: float = 0.0) -> tuple[float, ...]:
    """Return which part of each thing of a ledge those nearer to the viewer hide, 0 to 1.

    Parameters
    ----------
    placed_items : tuple of PlacedItem
        All that stands on the ledge.
    looked_down : float
        How steeply the eye looks down on it: what stands so far behind is seen so many times as much higher.
    """
    return tuple(
        _hidden_share(placed, _in_front_of(placed, placed_items, looked_down), looked_down) for placed in placed_items
    )


def _in_front_of(placed: PlacedItem, others: tuple[PlacedItem, ...], looked_down: float) -> list[PlacedItem]:
    return [
        other
        for other in others
        if other.root != placed.root
        and other.z < placed.z - 1
        and other.left < placed.right
        and other.right > placed.left
        and other.bottom < placed.top + _risen(placed, other, looked_down)
        and other.top > placed.bottom + _risen(placed, other, looked_down)
    ]


def _risen(placed: PlacedItem, before: PlacedItem, looked_down: float) -> float:
    """Return how much higher than in the elevation a thing is seen against one before it (mm)."""
    return looked_down * (placed.z - before.z)


def _hidden_share(behind: PlacedItem, in_front: list[PlacedItem], looked_down: float) -> float:
    if looked_down == 0.0 or not in_front:
        return hidden_by(silhouette(behind), [(other, silhouette(other)) for other in in_front])
    from shapely.affinity import translate

    lowered = [(other, translate(silhouette(other), 0.0, -_risen(behind, other, looked_down))) for other in in_front]
    return hidden_by(silhouette(behind), lowered)


def hidden_by(own: Shape, in_front: list[tuple[PlacedItem, Shape]]) -> float:
    """Return which part of an outline things before it hide, 0 to 1: clear and airy ones less than solid ones."""
    import shapely

    if not in_front or own.area <= 0:
        return 0.0
    hidden = 0.0
    solid = [shape for other, shape in in_front if _solidity(other) == 1.0]
    if solid:
        hidden = float(own.intersection(shapely.union_all(solid)).area)
    for other, shape in in_front:
        if _solidity(other) < 1.0:
            hidden += _solidity(other) * float(own.intersection(shape).area)
    return min(hidden / float(own.area), 1.0)


def _solidity(placed: PlacedItem) -> float:
    """Return how much a thing hides of what is behind it."""
    return min(DENSITIES.get(placed.shape, 1.0), CLEAR_HIDES if placed.item.shown_finish == "clear" else 1.0)
