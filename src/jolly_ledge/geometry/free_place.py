"""Where on a ledge something could be put down: at the point that is shown, else in the widest gap."""

import math
from collections.abc import Iterable

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.piece import Ledge

FRONT_MM = 20.0
"""What is put down lies this far behind the front edge, where the hand comes to it."""


def put_down_at(
    arrangement: Arrangement, ledge: Ledge, width: float, depth: float, at: float | None = None
) -> tuple[float, float]:
    """Return the left end and the front of a place, from the ledge's left end and its front edge (mm).

    Parameters
    ----------
    arrangement : Arrangement
        What stands already.
    ledge : Ledge
        Where it is to be.
    width, depth : float
        Of the place, in mm.
    at : float, optional
        Its middle, from the ledge's left end in mm; without it the widest gap is taken.
    """
    stands = [(one.left - ledge.left, one.right - ledge.left) for one in arrangement.by_ledge.get(ledge.id, ())]
    stands += [(place.left, place.right) for place in ledge.kept]
    middle = middle_of_the_widest_gap(stands, ledge.width) if at is None else at
    left, front = inside(ledge, middle - width / 2, FRONT_MM, width, depth)
    return round(left), math.ceil(front)


def inside(ledge: Ledge, left: float, front: float, width: float, depth: float) -> tuple[float, float]:
    """Return the nearest place on a ledge that lies wholly on it; on a round one all its corners are within the rim.

    Parameters
    ----------
    ledge : Ledge
        What it is to lie on; a place that is larger lies over both ends alike.
    left, front, width, depth : float
        The place, from the ledge's left end and its front edge (mm).
    """
    half, deep = ledge.width / 2, ledge.depth / 2
    left = min(max(left, 0.0), max(ledge.width - width, 0.0))
    if ledge.shape == "ellipse":
        # So far from the middle a place of this depth still lies within the rim.
        reach = half * math.sqrt(max(1 - (depth / 2 / deep) ** 2, 0.0)) - width / 2
        left = min(max(left, half - max(reach, 0.0) - width / 2), half + max(reach, 0.0) - width / 2)
        aside = max(abs(left - half), abs(left + width - half)) / half
        deep_there = deep * math.sqrt(max(1 - aside**2, 0.0))
    else:
        deep_there = deep
    front = min(max(front, deep - deep_there), max(deep + deep_there - depth, 0.0))
    return left, front


def middle_of_the_widest_gap(stands: Iterable[tuple[float, float]], width: float) -> float:
    """Return the middle of the widest stretch that nothing takes (mm from the left end).

    Parameters
    ----------
    stands : iterable of (float, float)
        From where to where something stands.
    width : float
        How long the whole is.

    >>> middle_of_the_widest_gap([(0.0, 40.0), (60.0, 80.0)], 200.0)
    140.0
    """
    widest, end = (0.0, 0.0), 0.0
    for left, right in [*sorted(stands), (width, width)]:
        if left - end > widest[1] - widest[0]:
            widest = (end, left)
        end = max(end, right)
    return (widest[0] + widest[1]) / 2
