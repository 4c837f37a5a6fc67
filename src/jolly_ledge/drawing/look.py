"""A look as one picture: the piece with its things, back before front."""

from jolly_ledge.drawing.case import case_picture, front_shapes
from jolly_ledge.drawing.items import contact_shadow, standing_shapes
from jolly_ledge.drawing.picture import Label, Picture, Primitive, Shape, moved, polyline
from jolly_ledge.drawing.theme import SOFT_INK
from jolly_ledge.model.arrangement import Arrangement, Standing


def painting_order(standings: tuple[Standing, ...]) -> list[Standing]:
    """Return the visible things as they are painted: far before near, low before high."""
    roots = {standing.id: standing for standing in standings}
    visible = [standing for standing in standings if not standing.hidden]
    return sorted(
        visible,
        key=lambda s: (
            -round(roots[s.root].z, 1),
            roots[s.root].left,
            s.depth_order - (1.5 if s.placement.inside else 0),
            s.id,
        ),
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
    bottom = case.bottom
    if scale_bar:
        shapes += scale_bar_shapes(case.left + 30, case.bottom + 26)
        bottom += 60
    return Picture(tuple(shapes), case.left, case.top, case.right, bottom)


def scale_bar_shapes(x: float, y: float) -> list[Primitive]:
    """Return a bar of 50 cm with its figure."""
    ticks = [(x, y - 8), (x, y), (x + 500, y), (x + 500, y - 8)]
    return [
        Shape(polyline(ticks), None, 1.0, SOFT_INK, 2.5),
        Label(x + 512, y, "50 cm", 30, SOFT_INK),
    ]
