"""Where a lid, a door, a drawer or hands pass when the chosen thing is used, and how far an arm reaches about it."""

from collections.abc import Iterator

from jolly_ledge.app.views.look.marks import Box, Mark, poly_line
from jolly_ledge.drawing.theme import RUST, TEAL
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.in_use import ARM_MM, Swept, obstacles, reach_of, swept


def use_marks(arrangement: Arrangement, placed: PlacedItem) -> Iterator[Mark]:
    """Yield the rooms a thing wants in use, broken; red where something is in their way."""
    for body, rim in _bodies(arrangement, placed):
        yield Box(
            body.left, -body.top, body.right - body.left, body.top - body.bottom, rim=rim, rim_px=1.6, stroke="dash"
        )
    yield from _reach_marks(arrangement, placed)


def use_marks_from_above(arrangement: Arrangement, placed: PlacedItem) -> Iterator[Mark]:
    """Yield the same rooms over a ledge seen from above, its wall at the top: what is turned takes a circle."""
    ledge = placed.ledge
    for body, rim in _bodies(arrangement, placed):
        wide = body.right - body.left
        yield Box(
            body.left - ledge.left, ledge.depth - body.back, wide, body.back - body.front,
            radius=wide / 2 if body.is_round else 0.0, rim=rim, rim_px=1.6, stroke="dash",
        )  # fmt: skip

    reach = reach_of(arrangement, placed)
    if reach is not None:
        yield Box(
            placed.x - ledge.left - ARM_MM, ledge.depth - placed.z - ARM_MM, 2 * ARM_MM, 2 * ARM_MM,
            radius=ARM_MM, rim=RUST if reach.outside else TEAL, rim_px=1.2, stroke="dot",
        )  # fmt: skip


def _bodies(arrangement: Arrangement, placed: PlacedItem) -> Iterator[tuple[Swept, str]]:
    """Yield what a thing needs in use, each with its colour: red where something is in its way."""
    bodies = swept(placed)
    blocked = {obstacle.part for obstacle in obstacles(arrangement, placed)} if bodies else set()
    for body in bodies:
        yield body, RUST if body.part in blocked else TEAL


def _reach_marks(arrangement: Arrangement, placed: PlacedItem) -> Iterator[Mark]:
    """Yield the circle of an arm about a thing, and a line to all of its use that lies outside."""
    reach = reach_of(arrangement, placed)
    if reach is None:
        return
    rim = RUST if reach.outside else TEAL
    yield Box(
        reach.x - ARM_MM, -reach.height - ARM_MM, 2 * ARM_MM, 2 * ARM_MM,
        radius=ARM_MM, rim=rim, rim_px=1.2, stroke="dot",
    )  # fmt: skip
    for other in reach.outside:
        yield poly_line(((reach.x, reach.height), (other.x, other.bottom)), RUST, "dash")
