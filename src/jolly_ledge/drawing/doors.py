"""Doors of a case, shut: what they hide is hidden, what is behind glass is seen through it."""

from functools import lru_cache

from jolly_ledge.drawing.case import front_shapes
from jolly_ledge.drawing.furniture.wood import doors
from jolly_ledge.drawing.picture import Primitive, Shape, ellipse, polygon, polyline, rectangle
from jolly_ledge.drawing.theme import CASE
from jolly_ledge.geometry.bays import bodies_of
from jolly_ledge.model.colour import darker, lighter
from jolly_ledge.model.piece import Piece

FRAME_MM, OVER_MM = 40.0, 26.0
"""Width of a leaf's frame, and how far it lies over the case, so that little of what stands inside is covered."""

GLASS, GLASS_OPACITY = "#dfe8e6", 0.16


@lru_cache(maxsize=32)
def shut_door_shapes(piece: Piece) -> tuple[Primitive, ...]:
    """Return two shut leaves before each body of a case, with its bars; nothing where there are no doors."""
    if piece.doors == "none":
        return ()
    shapes: list[Primitive] = []
    for body in bodies_of(piece):
        inside = [ledge for ledge in piece.ledges if ledge.left >= body.left - 1 and ledge.right <= body.right + 1]
        if not inside:
            continue
        bottom = min(ledge.floor for ledge in inside) - OVER_MM
        top = max(ledge.floor + (ledge.clearance or 0.0) for ledge in inside) + OVER_MM
        left, right = min(ledge.left for ledge in inside) - OVER_MM, max(ledge.right for ledge in inside) + OVER_MM
        if piece.doors == "solid":
            shapes += doors(left, -top, right - left, top - bottom, 2, CASE)
        else:
            half = (right - left) / 2
            for index in range(2):
                shapes += _glazed_leaf(left + index * half, -top, half, top - bottom, knob_right=index == 0)
    return (*shapes, *front_shapes(piece))


def _glazed_leaf(left: float, top: float, width: float, height: float, *, knob_right: bool) -> list[Shape]:
    edge = darker(CASE, 0.4)
    pane_left, pane_top = left + FRAME_MM, top + FRAME_MM
    wide, high = width - 2 * FRAME_MM, height - 2 * FRAME_MM
    knob = left + width - FRAME_MM / 2 if knob_right else left + FRAME_MM / 2
    light = ((0.12, 0.0), (0.34, 0.0), (0.10, 0.42), (0.0, 0.42), (0.0, 0.2))
    gleam = polygon([(pane_left + x * wide, pane_top + y * high) for x, y in light])
    return [
        Shape(rectangle(pane_left, pane_top, wide, high), GLASS, GLASS_OPACITY),
        Shape(gleam, "#ffffff", 0.14),
        Shape(rectangle(left, top, width, FRAME_MM), CASE, 1.0, edge, 1.2),
        Shape(rectangle(left, top + height - FRAME_MM, width, FRAME_MM), darker(CASE, 0.05), 1.0, edge, 1.2),
        Shape(rectangle(left, pane_top, FRAME_MM, high), lighter(CASE, 0.2), 1.0, edge, 1.2),
        Shape(rectangle(left + width - FRAME_MM, pane_top, FRAME_MM, high), darker(CASE, 0.06), 1.0, edge, 1.2),
        Shape(polyline([(left + 2, top + 2), (left + width - 2, top + 2)]), None, 1.0, lighter(CASE, 0.6), 2.0),
        Shape(ellipse(knob, top + height / 2, 11, 11), "#b08d4a", 1.0, darker("#b08d4a", 0.4), 1.0),
    ]
