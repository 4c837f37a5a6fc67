"""Cases: open bookcases, hutches, glazed cabinets, flanking pairs, niches; boards on brackets."""

from jolly_ledge.drawing.furniture.wood import PAINTED, cornice, doors, floor_shadow, leg, open_doors, panel
from jolly_ledge.drawing.picture import Gradient, Primitive, Shape, marks_along, polygon, polyline, rectangle
from jolly_ledge.drawing.theme import CASE, CASE_LIT, CASE_SHADE
from jolly_ledge.geometry.bays import bodies_of
from jolly_ledge.model.colour import darker, lighter
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.piece import Piece

LOW_BASE_MM = 300.0
"""A hutch whose lowest ledge is over this has a closed base under it."""

IRON = "#3a3733"
PLASTER, PLASTER_MM = "#eae4d8", 26.0
"""The edge of the wall round a niche, and how much of it is drawn."""


def case_shapes(piece: Piece) -> list[Primitive]:
    """Return the sides, top and plinth of a case, or of each of its bodies."""
    shapes: list[Primitive] = []
    for body in bodies_of(piece):
        shapes.append(floor_shadow(body.left, body.right))
        if kind_of(piece).on_a_base:
            shapes += _hutch(piece, body.left, body.right)
            continue
        if piece.doors != "none":
            inside = [ledge for ledge in piece.ledges if ledge.left >= body.left and ledge.right <= body.right]
            bottom = min((ledge.floor for ledge in inside), default=60.0) - 20
            shapes += open_doors(
                body.left, body.right, -body.height + 12, body.height - bottom - 12,
                glazed=piece.doors == "glazed", colour=CASE,
            )  # fmt: skip
        shapes += _carcass(body.left, body.right, body.height)
        if kind_of(piece).has_a_cornice:
            shapes += cornice(body.left, body.right, -body.height, CASE)
    return shapes


def _carcass(left: float, right: float, height: float, foot: float = 0.0) -> list[Shape]:
    width = right - left
    shade = Gradient((left, 0), (right, 0), ((0.0, CASE_LIT), (0.04, CASE), (1.0, darker(CASE, 0.06))))
    edge = [(left + 1.5, -foot), (left + 1.5, -height + 1.5), (right - 1.5, -height + 1.5)]
    return [
        Shape(rectangle(left, -height, width, height - foot), shade, 1.0, CASE_SHADE, 2.0),
        Shape(polyline(edge), None, 1.0, "#fbf7ee", 3.0),
    ]


def _hutch(piece: Piece, left: float, right: float) -> list[Shape]:
    """Return a closed base with its doors and a shallower case above it."""
    base = min((ledge.floor for ledge in piece.ledges if not ledge.is_wall), default=0.0)
    if base < LOW_BASE_MM:
        return _carcass(left, right, piece.height)
    shelves = sorted({ledge.floor for ledge in piece.ledges if not ledge.is_wall})
    upper = shelves[1] - 22 if len(shelves) > 1 else base
    count = max(marks_along(right - left, 480), 1)
    glazed = piece.doors == "glazed"
    return [
        *(
            open_doors(left, right, -piece.height + 10, piece.height - upper - 10, glazed=glazed, colour=CASE)
            if piece.doors != "none"
            else ()
        ),
        *_carcass(left, right, piece.height, base),
        *cornice(left, right, -piece.height, CASE),
        *panel(left - 12, -base, right - left + 24, base, PAINTED),
        Shape(rectangle(left + 10, -46, right - left - 20, 46), darker(PAINTED, 0.35)),
        *doors(left + 6, -base + 150, right - left - 12, base - 210, count, PAINTED),
        *doors(left + 6, -base + 34, right - left - 12, 108, count, PAINTED),
        leg(left - 6, -46, 46, 46, PAINTED),
        leg(right - 40, -46, 46, 46, PAINTED),
    ]


def niche_shapes(piece: Piece) -> list[Primitive]:
    """Return the plaster round a niche, from its sill up to its lintel: lit below and at the right, shaded above."""
    sill = min((ledge.floor for ledge in piece.ledges if not ledge.is_wall), default=0.0)
    left, right, top, foot = 0.0, piece.width, -piece.height, -sill
    wide, edge = PLASTER_MM, darker(PLASTER, 0.18)
    jamb = Gradient((left - wide, 0), (right + wide, 0), ((0.0, lighter(PLASTER, 0.3)), (1.0, darker(PLASTER, 0.08))))
    height = foot - top
    return [
        Shape(rectangle(left - wide, top - wide, right - left + 2 * wide, height + 2 * wide), jamb, 1.0, edge, 1.5),
        Shape(rectangle(left, top, right - left, height), darker(piece.backdrop, 0.12)),
        Shape(polyline([(left, foot), (left, top), (right, top)]), None, 1.0, darker(PLASTER, 0.45), 2.5, 0.7),
        Shape(polyline([(right, top), (right, foot)]), None, 1.0, lighter(PLASTER, 0.6), 2.5),
    ]


def bracket_shapes(piece: Piece) -> list[Shape]:
    """Return the brackets that carry boards on a wall: at the told span, else a sixth in from both ends."""
    shapes = []
    for ledge in piece.ledges:
        if ledge.is_wall:
            continue
        span = ledge.board.span if ledge.board is not None and ledge.board.span else ledge.width * 2 / 3
        first = ledge.left + (ledge.width - min(span, ledge.width)) / 2
        ends = {first, first + min(span, ledge.width)}
        thick = (ledge.board.thickness if ledge.board is not None else None) or 22.0
        under = -ledge.floor + thick
        for x in sorted(ends):
            shapes.append(Shape(rectangle(x - 9, under, 18, 150), IRON, 1.0, darker(IRON, 0.5), 1.0))
            brace = polygon(((x + 9, under), (x + 34, under), (x + 9, under + 96)))
            shapes.append(Shape(brace, lighter(IRON, 0.12), 1.0, darker(IRON, 0.5), 1.0))
            shapes.append(Shape(rectangle(x - 6, under + 4, 4, 142), lighter(IRON, 0.35), 0.8))
    return shapes
