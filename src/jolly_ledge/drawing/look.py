"""A look as one picture: the piece with its things, back before front."""

from jolly_ledge.drawing.case import case_picture, front_shapes
from jolly_ledge.drawing.items import contact_shadow, standing_shapes
from jolly_ledge.drawing.picture import Label, Picture, Primitive, Shape, moved, polyline
from jolly_ledge.drawing.theme import SOFT_INK
from jolly_ledge.geometry.arrangement import Arrangement, Standing

ROOM_MM = 24.0
"""So much stays free round what stands beyond the piece."""


def painting_order(standings: tuple[Standing, ...]) -> list[Standing]:
    """Return the visible things as they are painted: far from the eye before near, low before high.

    What hangs is at the wall, whatever the depth of its ledge; what stands on one thing is ordered among itself; what
    is inside something is painted before it, for its rim hides the foot.
    """
    carried: dict[str | None, list[Standing]] = {}
    shown = {standing.id for standing in standings if not standing.hidden}
    for standing in standings:
        if not standing.hidden:
            host = standing.placement.host
            carried.setdefault(host if host in shown else None, []).append(standing)
    for group in carried.values():
        group.sort(key=_from_the_wall)
    order: list[Standing] = []

    def paint(standing: Standing) -> None:
        guests = carried.get(standing.id, ())
        for guest in guests:
            if guest.placement.inside:
                paint(guest)
        order.append(standing)
        for guest in guests:
            if not guest.placement.inside:
                paint(guest)

    for standing in carried.get(None, ()):
        paint(standing)
    return order


def _from_the_wall(standing: Standing) -> tuple[bool, float, float, str]:
    """Return what things are ordered by: what hangs is at the wall, however thick it is."""
    hangs = standing.placement.pose == "hung"
    return not hangs, round(standing.from_wall, 1), standing.left, standing.id


def frame_of(arrangement: Arrangement) -> tuple[float, float, float, float]:
    """Return left, top, right and bottom of the drawing of a look: of the piece, and of what reaches beyond it."""
    case = case_picture(arrangement.piece)
    seen = arrangement.visible
    return (
        min([case.left, *(standing.left - ROOM_MM for standing in seen)]),
        min([case.top, *(-standing.top - ROOM_MM for standing in seen)]),
        max([case.right, *(standing.right + ROOM_MM for standing in seen)]),
        case.bottom,
    )


def look_picture(arrangement: Arrangement, *, scale_bar: bool = True) -> Picture:
    """Return the elevation of a look at true scale: mm, y down, the floor at 0."""
    case = case_picture(arrangement.piece)
    shapes: list[Primitive] = list(case.primitives)
    for standing in painting_order(arrangement.standings):
        if standing.placement.pose != "hung" and standing.depth_order == 0:
            shapes += moved(contact_shadow(round(standing.width, 1)), standing.x, -standing.bottom)
        shapes += moved(standing_shapes(standing), standing.x, -standing.bottom)
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
