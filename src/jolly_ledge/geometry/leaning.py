"""How far out from the wall a thing leans: against it, or against what leans there already."""

from collections.abc import Iterable

from jolly_ledge.geometry.arrangement import PlacedItem
from jolly_ledge.model.piece import Ledge


def lean_z(ledge: Ledge, x: float, width: float, depth: float, others: Iterable[PlacedItem]) -> float:
    """Return the middle of the footprint of a leaning thing from the front edge of its ledge, in mm.

    Parameters
    ----------
    ledge : Ledge
    x, width, depth : float
        The middle of the thing from the left end of the ledge, and its seen width and depth (mm).
    others : iterable of PlacedItem
        What stands there besides it.

    Notes
    -----
    Pictures that overlap lean on each other, the later before the earlier, as long as the ledge is deep enough.
    """
    back = ledge.depth
    left, right = ledge.left + x - width / 2, ledge.left + x + width / 2
    behind = [
        other
        for other in others
        if other.ledge.id == ledge.id and other.placement.pose == "leaning" and other.depth_order == 0
        and other.left < right - 1 and other.right > left + 1
    ]  # fmt: skip
    for other in sorted(behind, key=lambda other: -other.back):
        if other.back > back - depth and other.front >= depth:
            back = min(back, other.front)
    return max(back - depth / 2, depth / 2)
