"""Pieces with a top: consoles, sideboards, tables, nightstands, counters, mantels; and a hanging rail."""

from jolly_ledge.drawing.furniture.wood import PAINTED, WOOD, doors, floor_shadow, leg, panel
from jolly_ledge.drawing.picture import Gradient, Shape, ellipse, marks_along, polyline, rectangle, rounded
from jolly_ledge.model.colour import darker, lighter
from jolly_ledge.model.piece import Ledge, Piece

STONE = "#d9d2c4"
IRON = "#3a3733"
BOARD_MM = 22.0
CABINET_MM = 260.0
"""How much of the cabinet over a counter is drawn."""


def top_of(piece: Piece) -> Ledge | None:
    """Return the highest ledge that things stand on."""
    placed = [ledge for ledge in piece.ledges if not ledge.is_wall]
    return max(placed, key=lambda ledge: ledge.floor, default=None)


def console_shapes(piece: Piece) -> list[Shape]:
    """Return a console: slim legs, an apron, a low board if something stands below; or a sideboard's closed body."""
    top = top_of(piece)
    high = top.floor if top else piece.height
    shapes = [floor_shadow(0, piece.width)]
    if piece.build == "sideboard":
        foot = min(160.0, high * 0.2)
        body = high - foot - BOARD_MM
        for x in (piece.width * 0.04, piece.width * 0.96 - 44):
            shapes.append(leg(x, -foot, 44, foot, WOOD, 8))
        shapes += panel(0, -foot - body, piece.width, body, WOOD)
        return [*shapes, *doors(10, -foot - body + 8, piece.width - 20, body - 16, _count(piece.width, 420), WOOD)]
    thick = max(min(piece.width * 0.03, 46.0), 26.0)
    apron = min(high * 0.11, 90.0)
    for x in (thick * 0.5, piece.width - thick * 1.5):
        shapes.append(leg(x, -high, thick, high, WOOD, thick * 0.16))
    shapes += panel(thick * 0.5, -high + BOARD_MM * 0.5, piece.width - thick, apron, darker(WOOD, 0.08))
    return [*shapes, *doors(piece.width * 0.3, -high + BOARD_MM, piece.width * 0.4, apron - 14, 1, darker(WOOD, 0.04))]


def table_shapes(piece: Piece) -> list[Shape]:
    """Return a table's legs and apron; a round or oval top stands on a foot in the middle."""
    top = top_of(piece)
    high = top.floor if top else piece.height
    wood = darker((top.colour if top is not None else None) or WOOD, 0.1)
    shapes = [floor_shadow(0, piece.width)]
    if top is not None and top.shape == "ellipse" and piece.width <= 1300:
        middle, wide = piece.width / 2, piece.width * 0.16
        shade = Gradient(
            (middle - wide / 2, 0),
            (middle + wide / 2, 0),
            ((0.0, darker(wood, 0.1)), (0.3, lighter(wood, 0.3)), (1.0, darker(wood, 0.4))),
        )
        return [
            *shapes,
            Shape(rounded(middle - wide / 2, -high, wide, high, 8), shade, 1.0, darker(wood, 0.5), 1.0),
            Shape(ellipse(middle, -10, piece.width * 0.3, 13), shade, 1.0, darker(wood, 0.5), 1.0),
            Shape(rounded(piece.width * 0.2, -high + 12, piece.width * 0.6, 26, 8), darker(wood, 0.25)),
        ]
    inset = piece.width * (0.07 if top is not None and top.shape == "rounded-rectangle" else 0.03)
    thick = max(min(piece.width * 0.045, 80.0), 34.0)
    for x in (inset + thick * 2.2, piece.width - inset - thick * 3.0):
        shapes.append(leg(x, -high, thick * 0.8, high - 18, darker(wood, 0.4), thick * 0.12))
    for x in (inset, piece.width - inset - thick):
        shapes.append(leg(x, -high, thick, high, wood, thick * 0.2))
    apron = min(high * 0.16, 90.0)
    shade = Gradient(
        (0, -high), (0, -high + apron), ((0.0, darker(wood, 0.35)), (0.4, darker(wood, 0.12)), (1.0, wood))
    )
    apron_shape = rectangle(inset, -high + BOARD_MM * 0.5, piece.width - 2 * inset, apron)
    return [*shapes, Shape(apron_shape, shade, 1.0, darker(wood, 0.4), 1.0)]


def nightstand_shapes(piece: Piece) -> list[Shape]:
    """Return a nightstand: legs, sides, a drawer under the top, the bottom open."""
    top = top_of(piece)
    high = top.floor if top else piece.height
    openings = [ledge for ledge in piece.ledges if ledge is not top and not ledge.is_wall]
    low = min((ledge.floor for ledge in openings), default=high * 0.24)
    roof = max((ledge.floor + (ledge.clearance or 0) for ledge in openings), default=low)
    shapes = [floor_shadow(0, piece.width)]
    for x in (8.0, piece.width - 44):
        shapes.append(leg(x, -low, 36, low, WOOD, 7))
    shapes += panel(0, -high, piece.width, high - low + 24, WOOD)
    drawer = high - roof - BOARD_MM
    if drawer > 40:
        shapes += doors(16, -high + BOARD_MM, piece.width - 32, drawer - 12, 1, lighter(WOOD, 0.08))
    return shapes


def counter_shapes(piece: Piece) -> list[Shape]:
    """Return a counter's base with its backsplash and the cabinet over it; an island is closed all round."""
    top = top_of(piece)
    high = top.floor if top else piece.height
    shapes: list[Shape] = []
    if top is not None and top.clearance is not None and piece.build != "island":
        shapes += _backsplash(piece, top)
        shapes += _wall_cabinet(top)
    shapes.append(floor_shadow(0, piece.width))
    shapes.append(Shape(rectangle(30, -90, piece.width - 60, 90), darker(PAINTED, 0.5)))
    body = high - 90 - BOARD_MM
    shapes += panel(6, -high + BOARD_MM, piece.width - 12, body, PAINTED)
    count = _count(piece.width, 500)
    if piece.build == "island":
        return [*shapes, *doors(16, -high + BOARD_MM + 8, piece.width - 32, body - 16, count, PAINTED)]
    drawers = min(body * 0.22, 170.0)
    return [
        *shapes,
        *doors(12, -high + BOARD_MM + 6, piece.width - 24, drawers, count, PAINTED),
        *doors(12, -high + BOARD_MM + 10 + drawers, piece.width - 24, body - drawers - 18, count, PAINTED),
    ]


def _backsplash(piece: Piece, top: Ledge) -> list[Shape]:
    """Return rows of tiles between the counter and the cabinet over it."""
    colour = piece.backdrop_of(top)
    height = top.clearance or 0.0
    shapes = [Shape(rectangle(top.left, -top.floor - height, top.width, height), lighter(colour, 0.1))]
    grout = darker(colour, 0.14)
    row, brick = max(75.0, height / 40), max(150.0, top.width / 60)
    y, number = -top.floor - row, 0
    while y > -top.floor - height:
        shapes.append(Shape(polyline([(top.left, y), (top.right, y)]), None, 1.0, grout, 1.4))
        x = top.left + (brick / 2 if number % 2 else brick)
        while x < top.right:
            shapes.append(Shape(polyline([(x, y), (x, y + row)]), None, 1.0, grout, 1.4))
            x += brick
        y, number = y - row, number + 1
    return shapes


def _wall_cabinet(top: Ledge) -> list[Shape]:
    """Return the underside and doors of the cabinet that ends the clearance."""
    under = -(top.floor + (top.clearance or 0.0))
    shown = CABINET_MM
    return [
        *panel(top.left, under - shown, top.width, shown, PAINTED),
        *doors(top.left + 6, under - shown + 6, top.width - 12, shown - 12, _count(top.width, 500), PAINTED),
    ]


def mantel_shapes(piece: Piece) -> list[Shape]:
    """Return a fire surround: pilasters, frieze, the shelf's moulding, a hearth slab."""
    top = top_of(piece)
    high = top.floor if top else piece.height
    w = piece.width
    fires = [fixture for fixture in piece.fixtures if fixture.kind == "firebox"]
    left = min((f.left for f in fires), default=w * 0.22) - 30
    right = max((f.right for f in fires), default=w * 0.78) + 30
    arch = max((f.floor + f.height for f in fires), default=high * 0.6) + 30
    shapes = [
        floor_shadow(0, w),
        *panel(w * 0.02, -high, w * 0.96, high, STONE),
        Shape(rectangle(left, -arch, right - left, arch), darker(STONE, 0.42), 1.0, darker(STONE, 0.5), 2.0),
        *panel(w * 0.05, -arch - (high - arch) * 0.72, w * 0.9, (high - arch) * 0.5, lighter(STONE, 0.12)),
    ]
    for x in (w * 0.05, w * 0.95 - (left - w * 0.08)):
        wide = left - w * 0.08
        shapes += panel(x, -arch + 10, wide, arch - 60, lighter(STONE, 0.08))
        for flute in (0.3, 0.5, 0.7):
            line = [(x + wide * flute, -arch + 50), (x + wide * flute, -110)]
            shapes.append(Shape(polyline(line), None, 1.0, darker(STONE, 0.2), 4.0))
        shapes += panel(x - 8, -52, wide + 16, 52, STONE)
    shapes.append(Shape(rounded(-6, -high + BOARD_MM, w + 12, 22, 6), darker(STONE, 0.1), 1.0, darker(STONE, 0.3), 1.2))
    hearth = Shape(rounded(-40, -40, w + 80, 40, 4), darker(STONE, 0.3), 1.0, darker(STONE, 0.5), 1.5)
    return [*shapes, hearth]


def rail_shapes(piece: Piece) -> list[Shape]:
    """Return a rail on two brackets at the upper end of each wall ledge, with its hooks."""
    shapes: list[Shape] = []
    for ledge in piece.ledges:
        if not ledge.is_wall:
            continue
        y = -(ledge.floor + (ledge.clearance or 600.0))
        shade = Gradient((0, y - 11), (0, y + 11), ((0.0, lighter(IRON, 0.5)), (0.35, IRON), (1.0, darker(IRON, 0.5))))
        for x in (ledge.left + 40, ledge.right - 40):
            shapes.append(Shape(ellipse(x, y, 22, 22), lighter(IRON, 0.1), 1.0, darker(IRON, 0.5), 1.2))
        shapes.append(Shape(rounded(ledge.left, y - 10, ledge.width, 20, 10), shade, 1.0, darker(IRON, 0.5), 1.0))
        hooks = max(round(ledge.width / 160), 2)
        for index in range(hooks):
            x = ledge.left + ledge.width * (index + 0.5) / hooks
            hook = [(x, y + 8), (x, y + 40), (x + 4, y + 50), (x + 14, y + 52), (x + 22, y + 44), (x + 22, y + 36)]
            shapes.append(Shape(polyline(hook), None, 1.0, IRON, 5.0))
    return shapes


def _count(width: float, each: float) -> int:
    return max(marks_along(width, each, 40), 1)
