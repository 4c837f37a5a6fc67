"""Where a lid, a door, a drawer or hands pass when the chosen thing is used, laid over the drawing."""

from collections.abc import Iterator

from jolly_ledge.app.views.look.marks import Box, Mark
from jolly_ledge.drawing.theme import RUST, TEAL
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.in_use import obstacles, swept


def use_marks(arrangement: Arrangement, placed: PlacedItem) -> Iterator[Mark]:
    """Yield the rooms a thing wants in use, broken; red where something is in their way."""
    bodies = swept(placed)
    blocked = {obstacle.part for obstacle in obstacles(arrangement, placed)} if bodies else set()
    for body in bodies:
        rim = RUST if body.part in blocked else TEAL
        yield Box(
            body.left, -body.top, body.right - body.left, body.top - body.bottom, rim=rim, rim_px=1.6, stroke="dash"
        )
