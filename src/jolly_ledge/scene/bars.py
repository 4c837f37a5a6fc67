"""Fixed bars, braces and screens before an opening: how many part a ledge, and what stands behind them."""

from functools import lru_cache

from jolly_ledge.geometry.arrangement import PlacedItem
from jolly_ledge.model.piece import Ledge, Piece

BARS = frozenset({"bar", "brace"})
INSIDE = 0.1
"""A bar at the very edge of a thing does not cut it."""

CUTS = 0.35
"""What a bar through a thing takes of it to the eye, beside the part it hides."""


@lru_cache(maxsize=1024)
def bars_before(piece: Piece, ledge: Ledge) -> int:
    """Return how many upright bars part a ledge into cells."""
    low, high = ledge.floor, ledge.floor + (ledge.clearance or 0.0)
    return sum(
        1
        for bar in piece.fixtures
        if bar.kind in BARS and bar.height > bar.width
        and ledge.left < bar.left + bar.width / 2 < ledge.right
        and min(bar.floor + bar.height, high) - max(bar.floor, low) > 0.5 * (high - low)
    )  # fmt: skip


@lru_cache(maxsize=8192)
def cut_by_bars(placed: PlacedItem, piece: Piece) -> float:
    """Return which share of a thing fixed bars take to the eye, 0 to 1; what hangs at the wall is not asked."""
    taken = 0.0
    for bar in piece.fixtures:
        if bar.kind not in BARS or placed.placement.pose == "hung":
            continue
        along = min(placed.right, bar.left + bar.width) - max(placed.left, bar.left)
        up = min(placed.top, bar.floor + bar.height) - max(placed.bottom, bar.floor)
        if along <= 0 or up <= 0:
            continue
        middle, rise = (bar.left + bar.width / 2 - placed.left) / placed.width, up / placed.height
        across = bar.width > bar.height or INSIDE < middle < 1 - INSIDE
        taken += along * up / (placed.width * placed.height) + CUTS * across * min(rise, 1.0)
    return min(taken, 1.0)
