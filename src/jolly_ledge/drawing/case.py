"""The piece itself in elevation: backs, boards, sides, tops and what is fixed to it."""

from functools import lru_cache

from jolly_ledge.drawing.picture import (
    Gradient,
    Label,
    Picture,
    Primitive,
    Shape,
    ellipse,
    fading,
    polyline,
    rectangle,
    rounded,
)
from jolly_ledge.drawing.theme import CASE, CASE_LIT, CASE_SHADE, SOFT_INK
from jolly_ledge.model.colour import darker, lighter
from jolly_ledge.model.piece import Fixture, Ledge, Piece

BOARD_MM = 22.0
OPEN_ABOVE_MM = 450.0
CLOSED_KINDS = frozenset({"bookcase", "hutch", "cabinet"})
LEGGED_KINDS = frozenset({"console", "coffee-table", "nightstand", "dining-table", "counter"})


@lru_cache(maxsize=64)
def bounds_of(piece: Piece) -> tuple[float, float, float, float]:
    """Return left, lowest, right and highest of a piece with what is around it (mm, y up)."""
    left = min([0.0, *(ledge.left for ledge in piece.ledges), *(fixture.left for fixture in piece.fixtures)])
    right = max(
        [
            piece.width,
            *(ledge.right for ledge in piece.ledges),
            *(fixture.right for fixture in piece.fixtures),
        ]
    )
    tops = [piece.height, *(fixture.floor + fixture.height for fixture in piece.fixtures)]
    tops += [ledge.floor + (OPEN_ABOVE_MM if ledge.clearance is None else ledge.clearance) for ledge in piece.ledges]
    return left, 0.0, right, max(tops)


@lru_cache(maxsize=32)
def case_picture(piece: Piece) -> Picture:
    """Return the empty piece at true scale: mm, y down, the floor at 0."""
    left, _, right, top = bounds_of(piece)
    shapes: list[Primitive] = []
    if piece.kind in CLOSED_KINDS:
        shapes += _carcass(piece)
    elif piece.kind in LEGGED_KINDS:
        shapes += _legs(piece)
    elif piece.kind == "mantel":
        shapes += _surround(piece)
    for ledge in piece.ledges:
        shapes += _back(piece, ledge)
    for fixture in piece.fixtures:
        if fixture.kind not in ("bar", "brace"):
            shapes += fixture_shapes(fixture)
    for ledge in piece.ledges:
        if not ledge.is_wall:
            shapes += _board(piece, ledge)
    return Picture(tuple(shapes), left - 30, -top - 20, right + 30, 40)


def front_shapes(piece: Piece) -> tuple[Primitive, ...]:
    """Return what stands before the things: bars and braces of doors."""
    return tuple(
        shape for fixture in piece.fixtures if fixture.kind in ("bar", "brace") for shape in fixture_shapes(fixture)
    )


def _carcass(piece: Piece) -> list[Primitive]:
    shade = Gradient((0, 0), (piece.width, 0), ((0.0, CASE_LIT), (0.04, CASE), (1.0, darker(CASE, 0.06))))
    return [
        Shape(ellipse(piece.width / 2, 2, piece.width * 0.53, 16), "#3a3228", 0.16),
        Shape(rectangle(0, -piece.height, piece.width, piece.height), shade, 1.0, CASE_SHADE, 2.0),
        Shape(
            polyline([(1.5, 0), (1.5, -piece.height + 1.5), (piece.width - 1.5, -piece.height + 1.5)]),
            None,
            1.0,
            "#fbf7ee",
            3.0,
        ),
    ]


def _legs(piece: Piece) -> list[Primitive]:
    top = min((ledge.floor for ledge in piece.ledges if not ledge.is_wall), default=piece.height)
    wood = darker("#a5835c", 0.1)
    thick = max(min(piece.width * 0.035, 60.0), 24.0)
    shapes: list[Primitive] = [Shape(ellipse(piece.width / 2, 2, piece.width * 0.52, 14), "#3a3228", 0.14)]
    for x in (thick * 0.6, piece.width - thick * 1.6):
        shade = Gradient((x, 0), (x + thick, 0), ((0.0, lighter(wood, 0.2)), (1.0, darker(wood, 0.3))))
        shapes.append(Shape(rectangle(x, -max(top, piece.height), thick, max(top, piece.height)), shade))
    shapes.append(Shape(rectangle(thick * 0.6, -top - 4, piece.width - thick * 1.2, 60), darker(wood, 0.18)))
    return shapes


def _surround(piece: Piece) -> list[Primitive]:
    stone = "#d9d2c4"
    leg = piece.width * 0.16
    return [
        Shape(
            rectangle(piece.width * 0.03, -piece.height, piece.width * 0.94, piece.height),
            stone,
            1.0,
            darker(stone, 0.25),
            2.0,
        ),
        Shape(rectangle(leg, -piece.height * 0.76, piece.width - 2 * leg, piece.height * 0.76), "#3b3632"),
    ]


def _back(piece: Piece, ledge: Ledge) -> list[Primitive]:
    """Return the back of one opening: darker at the top and near the sides."""
    if ledge.clearance is None or ledge.is_wall or piece.kind == "wall-shelves":
        return []
    colour = piece.backdrop_of(ledge)
    top, bottom = -(ledge.floor + ledge.clearance), -ledge.floor
    down = Gradient(
        (0, top),
        (0, bottom),
        (
            (0.0, darker(colour, 0.4)),
            (0.22, darker(colour, 0.1)),
            (1.0, lighter(colour, 0.05)),
        ),
    )
    deep = min(ledge.width * 0.09, 46.0)
    left, right, height = ledge.left, ledge.right, bottom - top
    return [
        Shape(rectangle(left, top, ledge.width, height), down),
        *fading(left, top, deep, height, "right", 0.42),
        *fading(right - deep * 0.6, top, deep * 0.6, height, "left", 0.24),
    ]


def _board(piece: Piece, ledge: Ledge) -> list[Primitive]:
    """Return the board things stand on, with a lit edge and a shade under it."""
    top, thick = -ledge.floor, BOARD_MM
    wood = ledge.colour or (CASE if piece.kind in CLOSED_KINDS else "#a5835c")
    reach = 0.0 if piece.kind in CLOSED_KINDS else 8.0
    left, width = ledge.left - reach, ledge.width + 2 * reach
    shade = Gradient(
        (0, top),
        (0, top + thick),
        ((0.0, lighter(wood, 0.5)), (0.3, wood), (1.0, darker(wood, 0.22))),
    )
    return [
        *(fading(ledge.left, top + thick, ledge.width, 26, "down", 0.34) if ledge.floor > thick + 30 else ()),
        Shape(rounded(left, top, width, thick, 3), shade, 1.0, darker(wood, 0.35), 1.0, 0.5),
        Shape(
            polyline([(left + 2, top + 1.2), (left + width - 2, top + 1.2)]),
            None,
            1.0,
            lighter(wood, 0.75),
            2.0,
            0.9,
        ),
    ]


def fixture_shapes(fixture: Fixture) -> list[Primitive]:
    """Return the drawing of something fixed."""
    x, y, w, h = fixture.left, -(fixture.floor + fixture.height), fixture.width, fixture.height
    colour = fixture.colour or {"tv": "#17191c", "mirror": "#8f7a55", "socket": "#f4f2ec"}.get(fixture.kind, "#b9b1a2")
    if fixture.kind == "socket":
        holes = [
            Shape(ellipse(x + w * at, y + h / 2, min(w, h) * 0.09, min(w, h) * 0.09), "#5b564d") for at in (0.38, 0.62)
        ]
        return [Shape(rounded(x, y, w, h, 6), colour, 1.0, darker(colour, 0.4), 1.5), *holes]
    if fixture.kind == "mirror":
        glass = Gradient(
            (x, y),
            (x + w, y + h),
            ((0.0, "#dfe7e8"), (0.48, "#c3cfd2"), (0.52, "#dbe4e5"), (1.0, "#aebcc0")),
        )
        if fixture.shape == "ellipse":
            return [
                Shape(ellipse(x + w / 2, y + h / 2, w / 2, h / 2), colour, 1.0, darker(colour, 0.4), 2.0),
                Shape(ellipse(x + w / 2, y + h / 2, w / 2 - 16, h / 2 - 16), glass),
            ]
        return [Shape(rectangle(x, y, w, h), colour), Shape(rectangle(x + 16, y + 16, w - 32, h - 32), glass)]
    if fixture.kind in ("bar", "brace"):
        return [Shape(rectangle(x, y, w, h), colour, 0.9, darker(colour, 0.4), 1.5)]
    if fixture.kind == "firebox":
        return [Shape(rectangle(x, y, w, h), "#26221f", 1.0, "#0f0d0c", 2.0)]
    return [
        Shape(rounded(x, y, w, h, 6), colour, 1.0, darker(colour, 0.4), 2.0),
        Label(
            x + w / 2,
            y + h / 2,
            fixture.kind,
            26,
            lighter(colour, 0.6) if fixture.kind == "tv" else SOFT_INK,
            anchor="middle",
        ),
    ]
