"""The piece itself in elevation: backs, boards, sides, tops and what is fixed to it."""

from collections.abc import Callable, Sequence
from functools import lru_cache

from jolly_ledge.drawing.furniture import tops
from jolly_ledge.drawing.furniture.cases import bracket_shapes, case_shapes, niche_shapes
from jolly_ledge.drawing.furniture.fixtures import CORD_MM, IN_FRONT, fixture_shapes
from jolly_ledge.drawing.furniture.tops import CABINET_MM, STONE
from jolly_ledge.drawing.kept_place import kept_place_shapes
from jolly_ledge.drawing.picture import (
    Gradient,
    Picture,
    Primitive,
    Shape,
    fading,
    polyline,
    rectangle,
    rounded,
)
from jolly_ledge.drawing.theme import CASE, SOFT_INK
from jolly_ledge.model.colour import darker, lighter
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.words import Light, PieceKind

BOARD_MM = 22.0
OPEN_ABOVE_MM = 450.0
ROOM_FOR_DOORS_MM = 80.0
FLOOR_MM = 40.0
UNDER_BOARDS_MM, FAR_FLOOR_MM = 200.0, 250.0
"""Under the lowest board of a wall piece so much is shown; a floor that is so far below that is only a broken line."""


SHADES: dict[Light | None, tuple[float, float, float]] = {
    "bright": (0.28, 0.03, 0.12), "medium": (0.4, 0.1, 0.05), "low": (0.52, 0.22, 0.0), None: (0.4, 0.1, 0.05),
}  # fmt: skip
"""How dark the back of an opening is under its board and in its middle, and how light at its foot, by its light."""


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
    tops = [piece.height]
    for fixture in piece.fixtures:
        tops.append(fixture.floor + fixture.height + (CORD_MM if fixture.kind == "light" else 0.0))
    if kind_of(piece).is_a_worktop and piece.build != "island":
        tops += [ledge.floor + ledge.clearance + CABINET_MM for ledge in piece.ledges if ledge.clearance is not None]
    tops += [ledge.floor + (OPEN_ABOVE_MM if ledge.clearance is None else ledge.clearance) for ledge in piece.ledges]
    return left, 0.0, right, max(tops)


@lru_cache(maxsize=32)
def case_picture(piece: Piece) -> Picture:
    """Return the empty piece at true scale: mm, y down, the floor at 0."""
    left, _, right, top = bounds_of(piece)
    shapes: list[Primitive] = []
    shapes += BODIES[piece.kind](piece)
    for ledge in piece.ledges:
        shapes += _back(piece, ledge)
    for fixture in piece.fixtures:
        if fixture.kind not in IN_FRONT:
            shapes += fixture_shapes(fixture)
    for ledge in piece.ledges:
        if not ledge.is_wall:
            shapes += _board(piece, ledge)
        shapes += _kept(ledge)
    bottom = FLOOR_MM + shown_floor(piece)
    if bottom < FLOOR_MM:
        broken = polyline([(left - 20, bottom), (right + 20, bottom)])
        shapes.append(Shape(broken, None, 1.0, SOFT_INK, 2.0, 0.8, (14.0, 10.0)))
        bottom += FLOOR_MM
    beside = ROOM_FOR_DOORS_MM if kind_of(piece).is_case and piece.doors != "none" else 0.0
    return Picture(tuple(shapes), left - 30 - beside, -top - 20, right + 30 + beside, bottom)


def shown_floor(piece: Piece) -> float:
    """Return where the floor is drawn (mm, y down): at 0, or near the piece, as a broken line, where it is far down."""
    if not kind_of(piece).is_off_the_floor:
        return 0.0
    feet = [ledge.floor for ledge in piece.ledges if not ledge.is_wall] + [one.floor for one in piece.fixtures]
    low = min(feet, default=0.0) - UNDER_BOARDS_MM
    return -low if low > FAR_FLOOR_MM else 0.0


def front_shapes(piece: Piece) -> tuple[Primitive, ...]:
    """Return what stands before the things: bars and braces of doors."""
    return tuple(shape for fixture in piece.fixtures if fixture.kind in IN_FRONT for shape in fixture_shapes(fixture))


def _other_shapes(piece: Piece) -> list[Shape]:
    return tops.rail_shapes(piece) if piece.build == "hanging-rail" else tops.table_shapes(piece)


BODIES: dict[PieceKind, Callable[[Piece], Sequence[Primitive]]] = {
    "bookcase": case_shapes,
    "wall-shelves": bracket_shapes,
    "hutch": case_shapes,
    "cabinet": case_shapes,
    "niche": niche_shapes,
    "console": tops.console_shapes,
    "mantel": tops.mantel_shapes,
    "coffee-table": tops.table_shapes,
    "nightstand": tops.nightstand_shapes,
    "counter": tops.counter_shapes,
    "dining-table": tops.table_shapes,
    "other": _other_shapes,
}
"""What draws the body of a piece, by its kind: what carries its ledges."""


def _back(piece: Piece, ledge: Ledge) -> list[Primitive]:
    """Return the back of one opening: darker at the top and near the sides."""
    enclosed = kind_of(piece).is_case or (kind_of(piece).is_by_a_bed and ledge.floor < piece.height - 1)
    if ledge.clearance is None or ledge.is_wall or not enclosed:
        return []
    colour = piece.backdrop_of(ledge)
    top, bottom = -(ledge.floor + ledge.clearance), -ledge.floor
    under, middle, foot = SHADES[ledge.light]
    down = Gradient(
        (0, top),
        (0, bottom),
        ((0.0, darker(colour, under)), (0.22, darker(colour, middle)), (1.0, lighter(colour, foot))),
    )
    deep = min(ledge.width * 0.09, 46.0)
    left, right, height = ledge.left, ledge.right, bottom - top
    return [
        Shape(rectangle(left, top, ledge.width, height), down),
        *fading(left, top, deep, height, "right", 0.42),
        *fading(right - deep * 0.6, top, deep * 0.6, height, "left", 0.24),
    ]


def _kept(ledge: Ledge) -> list[Primitive]:
    """Return the places that are kept free on a ledge."""
    return [shape for place in ledge.kept for shape in kept_place_shapes(place, ledge.left + place.left, -ledge.floor)]


def _board(piece: Piece, ledge: Ledge) -> list[Primitive]:
    """Return the board things stand on, with a lit edge and a shade under it."""
    if ledge.floor <= 0 or (kind_of(piece).is_over_a_fire and ledge.floor < piece.height - 1):
        return []  # the floor itself, or a hearth that is drawn with its surround
    top, thick = -ledge.floor, (ledge.board.thickness if ledge.board is not None else None) or BOARD_MM
    wood = ledge.colour or (CASE if kind_of(piece).is_case else STONE if kind_of(piece).is_over_a_fire else "#a5835c")
    reach = 0.0 if kind_of(piece).is_case else 8.0
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
