"""Whether two standing things are in one place, height by height: a turned thing is as wide as its outline there."""

import math
from bisect import bisect_left
from collections.abc import Mapping
from functools import lru_cache

from jolly_ledge.geometry.arrangement import PlacedItem
from jolly_ledge.geometry.silhouette import PROFILES, half_widths

TOLERANCE_MM = 1.0
LEVELS = 16
OUT_OF_ROUND = 0.25
"""What is so much deeper than wide is no circle from above."""


def in_one_place(first: PlacedItem, second: PlacedItem) -> bool:
    """Tell whether two things would share room, by more than a millimetre.

    Boxes are compared first. Turned things (vessels, lamps, plants) are then cut into discs: a dish has room under a
    shade, and a low bowl under the shoulder of an urn.
    """
    width = min(first.right, second.right) - max(first.left, second.left)
    deep = min(first.back, second.back) - max(first.front, second.front)
    low, high = max(first.bottom, second.bottom), min(first.top, second.top)
    if min(width, deep, high - low) <= TOLERANCE_MM:
        return False
    if not (_is_turned(first) or _is_turned(second)):
        return True
    step = (high - low) / LEVELS
    return any(_share_a_level(first, second, low + step * (number + 0.5)) for number in range(LEVELS))


def carries(host: PlacedItem, guest: PlacedItem, hosts: Mapping[str, str | None]) -> bool:
    """Tell whether a thing carries or holds another, at any remove; ``hosts`` tells by id what each stands on or in."""
    step = guest.placement.host
    while step is not None:
        if step == host.id:
            return True
        step = hosts.get(step)
    return False


def _is_turned(placed: PlacedItem) -> bool:
    deep = placed.back - placed.front
    return (
        placed.item.is_round
        and placed.placement.pose == "upright"
        and abs(placed.width - deep) <= OUT_OF_ROUND * max(placed.width, deep)
    )


def _share_a_level(first: PlacedItem, second: PlacedItem, level: float) -> bool:
    one, other = _radius(first, level), _radius(second, level)
    if one is not None and other is not None:
        return math.hypot(first.x - second.x, first.z - second.z) < one + other - TOLERANCE_MM
    turned, block, radius = (first, second, one) if one is not None else (second, first, other)
    away = math.hypot(
        max(block.left - turned.x, turned.x - block.right, 0.0), max(block.front - turned.z, turned.z - block.back, 0.0)
    )
    return away < (radius or 0.0) - TOLERANCE_MM


def _radius(placed: PlacedItem, level: float) -> float | None:
    """Return the radius of a turned thing at a height over the floor, in mm; None for a block."""
    if not _is_turned(placed):
        return None
    widest = placed.width / 2
    if placed.shape not in PROFILES:
        return widest
    return widest * _share_at(placed.shape, round((level - placed.bottom) / (placed.top - placed.bottom), 2))


@lru_cache(maxsize=4096)
def _share_at(shape: str, height: float) -> float:
    """Return the half width at a height, both from 0 to 1."""
    points = half_widths(shape)
    after = min(max(bisect_left(points, (height, 0.0)), 1), len(points) - 1)
    (low, narrow), (high, wide) = points[after - 1], points[after]
    return narrow + (wide - narrow) * (height - low) / (high - low)
