"""Seen cover: which part of an opening things hide, with their true outlines."""

from functools import lru_cache
from typing import Any

import numpy as np
import shapely

from jolly_ledge.model.arrangement import Standing
from jolly_ledge.model.silhouette import DENSITIES, outline

Shape = Any
"""A shapely geometry (shapely ships no types)."""


@lru_cache(maxsize=8192)
def _polygon(shape: str, width: float, height: float) -> Shape:
    polygon = shapely.Polygon(outline(shape, width, height))
    return polygon if polygon.is_valid else polygon.buffer(0)


@lru_cache(maxsize=8192)
def silhouette_at(shape: str, width: float, height: float, x: float, bottom: float) -> Shape:
    """Return the outline of a thing where it stands, in piece coordinates."""
    return shapely.transform(_polygon(shape, width, height), lambda points: points + np.array([x, bottom]))


def silhouette(standing: Standing) -> Shape:
    """Return the outline of a standing thing in piece coordinates."""
    return silhouette_at(
        standing.shape, round(standing.width, 1), round(standing.height, 1), standing.x, standing.bottom
    )


def covered_area(standings: tuple[Standing, ...]) -> float:
    """Return the area that things cover together, overlaps once, airy ones by their density (mm²)."""
    return _covered(
        tuple(
            (s.shape, round(s.width, 1), round(s.height, 1), round(s.x, 1), round(s.bottom, 1)) for s in standings if not s.hidden
        )
    )


@lru_cache(maxsize=512)
def _covered(spots: tuple[tuple[str, float, float, float, float], ...]) -> float:
    shapes = [silhouette_at(*spot) for spot in spots]
    solid = [shape for shape, spot in zip(shapes, spots, strict=True) if DENSITIES.get(spot[0], 1.0) == 1.0]
    union = shapely.union_all(solid) if solid else shapely.Polygon()
    area = float(union.area)
    for shape, spot in zip(shapes, spots, strict=True):
        density = DENSITIES.get(spot[0], 1.0)
        if density < 1.0:
            area += density * float(shape.difference(union).area)
    return area


def hidden_share(behind: Standing, in_front: list[Standing]) -> float:
    """Return which part of a thing others in front of it hide, 0 to 1."""
    near = [s for s in in_front if s.left < behind.right and s.right > behind.left and s.bottom < behind.top and s.top > behind.bottom]
    if not near:
        return 0.0
    own = silhouette(behind)
    if own.area <= 0:
        return 0.0
    hidden = 0.0
    solid = [silhouette(s) for s in near if DENSITIES.get(s.shape, 1.0) == 1.0 and s.item.finish != "clear"]
    if solid:
        hidden = float(own.intersection(shapely.union_all(solid)).area)
    for standing in near:
        if DENSITIES.get(standing.shape, 1.0) < 1.0 or standing.item.finish == "clear":
            density = min(DENSITIES.get(standing.shape, 1.0), 0.45 if standing.item.finish == "clear" else 1.0)
            hidden += density * float(own.intersection(silhouette(standing)).area)
    return min(hidden / float(own.area), 1.0)


def in_front_of(standing: Standing, others: tuple[Standing, ...]) -> list[Standing]:
    """Return the things on the same ledge that stand nearer to the viewer."""
    return [
        other
        for other in others
        if other.ledge.id == standing.ledge.id
        and other.root != standing.root
        and other.z < standing.z - 1
        and not other.hidden
    ]
