"""A place that is kept free, as broken lines with what it is for, and until when."""

from jolly_ledge.drawing.picture import Label, Primitive, Shape, rectangle, rounded
from jolly_ledge.drawing.theme import PAPER, PLUM
from jolly_ledge.model.kept_place import KeptPlace

SMALLEST_MM, LARGEST_MM = 24.0, 34.0
"""The letters of its name."""


def kept_place_shapes(place: KeptPlace, left: float, ground: float) -> list[Primitive]:
    """Return a place as it is seen from the front.

    Parameters
    ----------
    place : KeptPlace
    left : float
        Its left end, in mm of the drawing.
    ground : float
        What it stands on, in mm of the drawing, y down.
    """
    top = ground - place.height
    outline = rounded(left, top, place.width, place.height, 4)
    said = f"{place.name}, {place.date}" if place.date else place.name
    size = min(max(place.width / max(len(said), 4) * 1.6, SMALLEST_MM), LARGEST_MM)
    return [
        Shape(outline, PAPER, 0.16, PAPER, 5.0, 0.9),
        Shape(outline, None, 1.0, PLUM, 2.6, 1.0, (9.0, 7.0)),
        Label(left + place.width / 2, top - 8, said, size, PLUM, weight=600, anchor="middle"),
    ]


def kept_place_from_above(place: KeptPlace, left: float, front: float) -> Shape:
    """Return a place as it is seen from above; its left end and its front edge in mm of the drawing, y down."""
    outline = rectangle(left, front - place.depth, place.width, place.depth)
    return Shape(outline, None, 1.0, PLUM, 3.0, 1.0, (9.0, 7.0))
