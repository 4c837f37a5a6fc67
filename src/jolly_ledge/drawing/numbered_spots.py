"""Where the numbers of a working order stand beside the things they are for."""

from collections.abc import Sequence

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.planning.working_order import PlacingStep


def numbered_spots(
    arrangement: Arrangement, steps: Sequence[PlacingStep], scale: float, badge: float
) -> list[tuple[int, tuple[float, float]]]:
    """Return where the number of every visible step stands (mm, y up), none over another.

    Parameters
    ----------
    scale : float
        Units of the page or the screen for one mm.
    badge : float
        The radius of a number's badge in those units.
    """
    spots: list[tuple[int, tuple[float, float]]] = []
    for step in steps:
        placed = arrangement.by_id[step.placement]
        if not placed.hidden:
            middle = (placed.bottom + placed.top) / 2
            taken = [spot for _, spot in spots]
            spots.append((step.number, free_place(placed.x, middle, taken, 2 * badge / scale)))
    return spots


def free_place(x: float, y: float, taken: Sequence[tuple[float, float]], apart: float) -> tuple[float, float]:
    """Return the nearest free height to a place: above, below, further above."""
    at = y
    beside = [other_y for other_x, other_y in taken if abs(x - other_x) < apart]
    for turn in range(4 * len(beside) + 1):
        at = y + (turn + 1) // 2 * apart / 2 * (1 if turn % 2 else -1)
        if all(abs(at - other) >= apart for other in beside):
            break
    return x, at
