"""A table from above: its top, the seats round it, a place setting before each seat."""

import math

from jolly_ledge.drawing.picture import (
    Gradient,
    Path,
    Picture,
    Primitive,
    Shape,
    ellipse,
    polygon,
    polyline,
    rectangle,
    rounded,
)
from jolly_ledge.model.colour import darker, lighter
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.piece import Ledge, Piece, Seat
from jolly_ledge.model.starts.tops import faces_of, setting_of
from jolly_ledge.model.words import LedgeShape

SEAT_MM = 420.0
CHAIR = "#b5a083"
WOOD = "#a5835c"
ROUNDING = 0.14
AROUND_MM = 120.0


def main_top(piece: Piece) -> Ledge | None:
    """Return the highest ledge that things stand on: what is seen from above."""
    placed = [ledge for ledge in piece.ledges if not ledge.is_wall]
    return max(placed, key=lambda ledge: ledge.floor, default=None)


def outline_from_above(ledge: Ledge) -> Path:
    """Return the outline of a ledge from above: x from its left end, y down from its back edge."""
    if ledge.shape == "ellipse":
        return ellipse(ledge.width / 2, ledge.depth / 2, ledge.width / 2, ledge.depth / 2)
    if ledge.shape == "rounded-rectangle":
        return rounded(0, 0, ledge.width, ledge.depth, min(ledge.width, ledge.depth) * ROUNDING)
    return rectangle(0, 0, ledge.width, ledge.depth)


def table_from_above(piece: Piece) -> Picture:
    """Return a piece from above (mm, x from its left end, y down from its back edge, the front below)."""
    top = main_top(piece)
    depth = top.depth if top is not None else piece.depth
    shape = top.shape if top is not None else "rectangle"
    shapes: list[Primitive] = []
    for seat in piece.seats:
        shapes += seat_shapes(seat, piece.width, depth, shape)
    if top is not None:
        wood = top.colour or WOOD
        shade = Gradient(
            (0, 0), (top.width, depth), ((0.0, lighter(wood, 0.3)), (0.5, wood), (1.0, darker(wood, 0.12)))
        )
        shapes.append(Shape(outline_from_above(top), shade, 1.0, darker(wood, 0.4), 3.0))
        if top.shape == "rectangle":
            for share in (0.25, 0.5, 0.75):
                line = [(4, depth * share), (top.width - 4, depth * share)]
                shapes.append(Shape(polyline(line), None, 1.0, darker(wood, 0.25), 1.5, 0.5))
        if kind_of(piece).is_eaten_at:
            for seat in piece.seats:
                shapes += setting_shapes(seat, top.width, depth, shape)
    xs = [0.0, piece.width, *(seat.x for seat in piece.seats)]
    ys = [0.0, depth, *(depth - seat.z for seat in piece.seats)]
    room = SEAT_MM / 2 + 40 if piece.seats else AROUND_MM
    return Picture(tuple(shapes), min(xs) - room, min(ys) - room, max(xs) + room, max(ys) + room)


def seat_shapes(seat: Seat, width: float, depth: float, shape: LedgeShape) -> list[Shape]:
    """Return a chair that faces the table."""
    facing = math.radians(faces_of(seat, width, depth, shape))
    # Down is the front here, up the wall: the depth axis is turned over.
    along, across = (math.cos(facing), -math.sin(facing)), (math.sin(facing), math.cos(facing))
    x, y, half = seat.x, depth - seat.z, SEAT_MM / 2

    def at(forward: float, aside: float) -> tuple[float, float]:
        return (
            x + along[0] * forward * half + across[0] * aside * half,
            y + along[1] * forward * half + across[1] * aside * half,
        )

    pad = polygon((at(-0.8, -0.85), at(-0.8, 0.85), at(0.95, 1.0), at(0.95, -1.0)))
    back = polygon((at(-1.0, -1.0), at(-1.0, 1.0), at(-0.78, 1.0), at(-0.78, -1.0)))
    return [
        Shape(pad, lighter(CHAIR, 0.35), 1.0, darker(CHAIR, 0.35), 2.5),
        Shape(back, CHAIR, 1.0, darker(CHAIR, 0.4), 2.5),
    ]


def setting_shapes(seat: Seat, width: float, depth: float, shape: LedgeShape) -> list[Shape]:
    """Return a plate, its glass and the cutlery before a seat."""
    x, z = setting_of(seat, width, depth)
    y = depth - z
    facing = math.radians(faces_of(seat, width, depth, shape))
    sideways = (math.sin(facing), math.cos(facing))
    shapes = [
        Shape(ellipse(x + 4, y + 5, 132, 132), "#1f1a14", 0.14),
        Shape(ellipse(x, y, 130, 130), "#f4f1ea", 1.0, "#cfc6b4", 2.0),
        Shape(ellipse(x, y, 86, 86), "#fbfaf6", 1.0, "#ded7c8", 2.0),
    ]
    for side in (-1.0, 1.0):
        middle = (x + sideways[0] * 165 * side, y + sideways[1] * 165 * side)
        ahead = (math.cos(facing) * 90, -math.sin(facing) * 90)
        line = [(middle[0] - ahead[0], middle[1] - ahead[1]), (middle[0] + ahead[0], middle[1] + ahead[1])]
        shapes.append(Shape(polyline(line), None, 1.0, "#b8bcbc", 13.0))
    return shapes
