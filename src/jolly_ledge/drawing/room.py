"""A room's wall with a piece before it, flat and to scale: what the simulated camera looks at."""

from jolly_ledge.drawing.case import case_picture, front_shapes
from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.picture import Gradient, Picture, Primitive, Shape, rectangle
from jolly_ledge.geometry.arrangement import Arrangement

WALL, SKIRTING, FLOOR = "#d8d0c0", "#efebe1", "#8f7657"
ROOM_MM = 900.0
"""How much wall is shown beside and over the piece."""

SHEET_MM = (210.0, 297.0)
"""A sheet of A4 paper, fixed to the front as something of known size."""


def room_picture(
    arrangement: Arrangement, *, empty: bool = False, sheet_at: tuple[float, float] | None = None
) -> Picture:
    """Return a wall with a piece, empty or as arranged, and a sheet of paper if told where (its lower left, mm)."""
    piece = arrangement.piece
    if empty:
        case = case_picture(piece)
        picture = Picture((*case.primitives, *front_shapes(piece)), case.left, case.top, case.right, case.bottom)
    else:
        picture = look_picture(arrangement, scale_bar=False)
    left, right, top = picture.left - ROOM_MM, picture.right + ROOM_MM, picture.top - ROOM_MM
    low = ROOM_MM * 0.7
    light = Gradient((left, 0), (right, 0), ((0.0, "#e3dccd"), (0.4, WALL), (1.0, "#c3baa8")))
    shapes: list[Primitive] = [
        Shape(rectangle(left, top, right - left, -top), light),
        Shape(rectangle(left, -120, right - left, 120), SKIRTING, 1.0, "#b9b1a2", 3.0),
        Shape(rectangle(left, 0, right - left, low), FLOOR),
        *picture.primitives,
    ]
    if sheet_at is not None:
        x, y = sheet_at
        wide, high = SHEET_MM
        shapes.append(Shape(rectangle(x, -y - high, wide, high), "#fdfdfb"))
    return Picture(tuple(shapes), left, top, right, low)
