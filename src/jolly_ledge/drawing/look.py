"""A look as one picture: the piece with its things, back before front."""

from jolly_ledge.drawing.case import case_picture, front_shapes
from jolly_ledge.drawing.items import contact_shadow, standing_shapes
from jolly_ledge.drawing.picture import Label, Picture, Primitive, Shape, moved, polyline
from jolly_ledge.drawing.theme import SOFT_INK
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem

ROOM_MM = 24.0
"""So much stays free round what stands beyond the piece."""


def painting_order(placed_items: tuple[PlacedItem, ...]) -> list[PlacedItem]:
    """Return the visible things as they are painted: far from the eye before near, low before high.

    What hangs is at the wall, whatever the depth of its ledge; what stands on one thing is ordered among itself; what
    is inside something is painted before it, for its rim hides the foot.
    """
    carried: dict[str | None, list[PlacedItem]] = {}
    shown = {placed.id for placed in placed_items if not placed.hidden}
    for placed in placed_items:
        if not placed.hidden:
            host = placed.placement.host
            carried.setdefault(host if host in shown else None, []).append(placed)
    for group in carried.values():
        group.sort(key=_from_the_wall)
    order: list[PlacedItem] = []

    def paint(placed: PlacedItem) -> None:
        guests = carried.get(placed.id, ())
        for guest in guests:
            if guest.placement.inside:
                paint(guest)
        order.append(placed)
        for guest in guests:
            if not guest.placement.inside:
                paint(guest)

    for placed in carried.get(None, ()):
        paint(placed)
    return order


def _from_the_wall(placed: PlacedItem) -> tuple[bool, float, float, str]:
    """Return what things are ordered by: what hangs is at the wall, however thick it is."""
    hangs = placed.placement.pose == "hung"
    return not hangs, round(placed.from_wall, 1), placed.left, placed.id


def frame_of(arrangement: Arrangement) -> tuple[float, float, float, float]:
    """Return left, top, right and bottom of the drawing of a look: of the piece, and of what reaches beyond it."""
    case = case_picture(arrangement.piece)
    seen = arrangement.visible
    return (
        min([case.left, *(placed.left - ROOM_MM for placed in seen)]),
        min([case.top, *(-placed.top - ROOM_MM for placed in seen)]),
        max([case.right, *(placed.right + ROOM_MM for placed in seen)]),
        case.bottom,
    )


def look_picture(arrangement: Arrangement, *, scale_bar: bool = True) -> Picture:
    """Return the elevation of a look at true scale: mm, y down, the floor at 0."""
    case = case_picture(arrangement.piece)
    shapes: list[Primitive] = list(case.primitives)
    for placed in painting_order(arrangement.placed_items):
        if placed.placement.pose != "hung" and placed.depth_order == 0:
            shapes += moved(contact_shadow(round(placed.width, 1)), placed.x, -placed.bottom)
        shapes += moved(standing_shapes(placed), placed.x, -placed.bottom)
    shapes += front_shapes(arrangement.piece)
    left, top, right, bottom = frame_of(arrangement)
    if scale_bar:
        shapes += scale_bar_shapes(case.left + 30, case.bottom + 26)
        bottom += 60
    return Picture(tuple(shapes), left, top, right, bottom)


def scale_bar_shapes(x: float, y: float) -> list[Primitive]:
    """Return a bar of 50 cm with its figure."""
    ticks = [(x, y - 8), (x, y), (x + 500, y), (x + 500, y - 8)]
    return [
        Shape(polyline(ticks), None, 1.0, SOFT_INK, 2.5),
        Label(x + 512, y, "50 cm", 30, SOFT_INK),
    ]
