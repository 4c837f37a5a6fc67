"""A look as somebody sees it who stands, sits or comes in: what is deeper is smaller, and other things overlap.

The picture plane is the front edge of the piece. A point so far behind it as z is drawn at the share
D / (D + z) of its way from the eye's axis, where D is the distance of the eye from the front edge.
"""

import math

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.drawing.case import OPEN_ABOVE_MM, case_picture, front_shapes
from jolly_ledge.drawing.doors import shut_door_shapes
from jolly_ledge.drawing.furniture.fixtures import IN_FRONT, fixture_shapes
from jolly_ledge.drawing.items import contact_shadow, standing_shapes
from jolly_ledge.drawing.look import painting_order
from jolly_ledge.drawing.picture import Gradient, Path, Point, Primitive, Shape, ellipse, moved, polygon, rectangle
from jolly_ledge.drawing.plan_view import footprint_shapes
from jolly_ledge.drawing.table_top import main_top, table_from_above
from jolly_ledge.drawing.theme import CASE
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.eyes import DINING_MM, LOW_SEAT_EYE_MM, SEATED_EYE_MM, Eye, seen_at
from jolly_ledge.geometry.facing import seen_from_side
from jolly_ledge.model.colour import darker, lighter
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.piece import Ledge, Piece

UNDER_TOP_MM = 260.0
"""How much of a table is shown under its top from a seat."""

RIM_MM = 24.0
SITTER = "#c9c1b2"
WOOD, STONE = "#a5835c", "#cfc8ba"


class Layer(Struct, frozen=True):
    """Some shapes, seen only within an opening where one is told (left, top, width, height; y down)."""

    shapes: tuple[Primitive, ...]
    opening: tuple[float, float, float, float] | None = None


class Sight(Struct, frozen=True):
    """What an eye sees: layers from back to front, and the rectangle they fill."""

    layers: tuple[Layer, ...]
    left: float
    top: float
    right: float
    bottom: float


def sight_of(arrangement: Arrangement, eye: Eye, *, shut: bool = False) -> Sight:
    """Return what an eye sees of a look, with its doors shut if wished."""
    seen = seen_from_side(arrangement, eye.side)
    piece = seen.piece
    bare = case_picture(replace(piece, fixtures=(), doors="none"))
    layers = [Layer(_fixtures(piece, eye)), Layer(_sitters(piece, eye)), Layer(_body(piece, bare.primitives, eye))]
    for ledge in sorted((ledge for ledge in piece.ledges if not ledge.is_wall), key=lambda ledge: ledge.floor):
        layers += _ledge_layers(piece, ledge, seen, eye)
    hung = [s for s in painting_order(seen.placed_items) if s.ledge.is_wall]
    layers.insert(2, Layer(tuple(shape for placed in hung for shape in _thing(placed, eye))))
    layers.append(Layer(shut_door_shapes(piece) if shut else front_shapes(piece)))
    tallest = max((placed.top for placed in seen.visible), default=0.0)
    whole = case_picture(piece)
    if not eye.name.startswith("Seat "):
        return Sight(tuple(layers), whole.left, min(whole.top, -tallest - 40), whole.right, whole.bottom)
    across = [seen_at(eye, seat.x, eye.height + 140.0, seat.z).y for seat in piece.seats if seat.z > piece.depth]
    far = [seen_at(eye, s.x, s.top, s.z).y - 30 for s in seen.visible]
    highest = min([-piece.height - 200, *across, *far])
    return Sight(tuple(layers), whole.left, highest, whole.right, -piece.height + UNDER_TOP_MM)


def sight_from_above(arrangement: Arrangement) -> Sight:
    """Return a top with its seats and what stands on it, from straight above."""
    piece = arrangement.piece
    table, top = table_from_above(piece), main_top(piece)
    shapes: list[Primitive] = list(table.primitives)
    if top is not None:
        things = [s for s in arrangement.visible if s.ledge.id == top.id and s.placement.pose not in ("hung", "draped")]
        for placed in sorted(things, key=lambda placed: placed.depth_order):
            shapes += moved(footprint_shapes(placed), placed.x - top.left, top.depth - placed.z)
    return Sight((Layer(tuple(shapes)),), table.left, table.top, table.right, table.bottom)


def _thing(placed: PlacedItem, eye: Eye) -> tuple[Primitive, ...]:
    at = seen_at(eye, placed.x, placed.bottom, placed.z)
    shapes: list[Primitive] = []
    if placed.depth_order == 0 and placed.placement.pose not in ("hung", "draped"):
        shapes += moved(contact_shadow(round(placed.width, 1)), at.x, at.y, at.scale)
    shapes += moved(standing_shapes(placed), at.x, at.y, at.scale)
    return tuple(shapes)


def _ledge_layers(piece: Piece, ledge: Ledge, seen: Arrangement, eye: Eye) -> list[Layer]:
    order = painting_order(seen.placed_items)
    things = tuple(shape for s in order if s.ledge.id == ledge.id for shape in _thing(s, eye))
    enclosed = kind_of(piece).is_case and ledge.clearance is not None
    if not enclosed:
        return [Layer(_surface(piece, ledge, eye)), Layer(things)]
    opening = (ledge.left, -(ledge.floor + (ledge.clearance or OPEN_ABOVE_MM)), ledge.width, ledge.clearance or 0.0)
    return [Layer((*_inside(piece, ledge, eye), *things), opening)]


def _body(piece: Piece, shapes: tuple[Primitive, ...], eye: Eye) -> tuple[Primitive, ...]:
    """Return the furniture itself: a round table stands as wide as it is in its middle."""
    top = main_top(piece)
    if top is None or top.shape != "ellipse":
        return shapes
    at = seen_at(eye, 0.0, 0.0, piece.depth / 2)
    return moved(shapes, at.x, at.y, at.scale)


def _corners(ledge: Ledge, eye: Eye, y: float) -> list[Point]:
    """Return the corners of a level plane over a ledge: front left, front right, back right, back left."""
    spots = ((ledge.left, 0.0), (ledge.right, 0.0), (ledge.right, ledge.depth), (ledge.left, ledge.depth))
    return [seen_at(eye, x, y, z)[:2] for x, z in spots]


def _inside(piece: Piece, ledge: Ledge, eye: Eye) -> list[Shape]:
    """Return the five planes of an opening as the eye sees them."""
    back = piece.backdrop_of(ledge)
    wood = ledge.colour or CASE
    low, high = ledge.floor, ledge.floor + (ledge.clearance or 0.0)
    floor, ceiling = _corners(ledge, eye, low), _corners(ledge, eye, high)
    rear = [floor[3], floor[2], ceiling[2], ceiling[3]]
    down = Gradient((0, ceiling[3][1]), (0, floor[3][1]), ((0.0, darker(back, 0.35)), (0.3, back), (1.0, back)))
    left = [floor[0], floor[3], ceiling[3], ceiling[0]]
    right = [floor[1], floor[2], ceiling[2], ceiling[1]]
    return [
        Shape(rectangle(ledge.left, -high, ledge.width, high - low), darker(back, 0.3)),
        Shape(polygon(rear), down),
        Shape(polygon(left), darker(back, 0.32)),
        Shape(polygon(right), darker(back, 0.12)),
        Shape(polygon(ceiling), darker(wood, 0.5)),
        Shape(polygon(floor), lighter(wood, 0.15), 1.0, darker(wood, 0.3), 1.0, 0.6),
    ]


def _surface(piece: Piece, ledge: Ledge, eye: Eye) -> tuple[Primitive, ...]:
    """Return a top as it is seen from above its edge; nothing where the eye is below it."""
    if eye.height <= ledge.floor + 1:
        return ()
    wood = ledge.colour or (STONE if kind_of(piece).is_over_a_fire else WOOD)
    if ledge.shape == "ellipse":
        angles = [index * math.tau / 48 for index in range(48)]
        points = [
            seen_at(
                eye,
                ledge.left + ledge.width / 2 * (1 + math.cos(angle)),
                ledge.floor,
                ledge.depth / 2 * (1 + math.sin(angle)),
            )[:2]
            for angle in angles
        ]
    else:
        points = _corners(ledge, eye, ledge.floor)
    far, near = min(y for _, y in points), max(y for _, y in points)
    rim: tuple[Primitive, ...] = ()
    if ledge.shape == "ellipse":
        lower = [(x, y + RIM_MM) for x, y in points]
        rim = (Shape(polygon(lower), darker(wood, 0.3), 1.0, darker(wood, 0.5), 1.5),)
    shade = Gradient((0, far), (0, near), ((0.0, darker(wood, 0.12)), (1.0, lighter(wood, 0.25))))
    return (*rim, Shape(polygon(points), shade, 1.0, darker(wood, 0.35), 1.5))


def _fixtures(piece: Piece, eye: Eye) -> tuple[Primitive, ...]:
    """Return what is fixed to the wall behind the piece."""
    shapes: list[Primitive] = []
    for fixture in piece.fixtures:
        if fixture.kind not in IN_FRONT:
            at = seen_at(eye, 0.0, 0.0, piece.depth)
            shapes += moved(fixture_shapes(fixture), at.x, at.y, at.scale)
    return tuple(shapes)


def _sitters(piece: Piece, eye: Eye) -> tuple[Primitive, ...]:
    """Return who sits across: a head and shoulders at every seat behind the far edge."""
    chin = (SEATED_EYE_MM if piece.height >= DINING_MM else LOW_SEAT_EYE_MM) - 110.0
    shapes: list[Primitive] = []
    for seat in piece.seats:
        if seat.z <= piece.depth:
            continue
        head, low = seen_at(eye, seat.x, chin + 110.0, seat.z), seen_at(eye, seat.x, chin - 720.0, seat.z)
        x, s = head.x, head.scale
        chin_y, arm = head.y + 100 * s, head.y + 330 * s
        body: Path = (
            ("M", (x - 52 * s, chin_y)),
            ("C", (x - 60 * s, chin_y + 70 * s, x - 190 * s, chin_y + 50 * s, x - 215 * s, arm)),
            ("L", (low.x - 200 * s, low.y)),
            ("L", (low.x + 200 * s, low.y)),
            ("L", (x + 215 * s, arm)),
            ("C", (x + 190 * s, chin_y + 50 * s, x + 60 * s, chin_y + 70 * s, x + 52 * s, chin_y)),
            ("Z", ()),
        )
        shapes += [
            Shape(body, SITTER, 1.0, darker(SITTER, 0.2), 1.5),
            Shape(ellipse(head.x, head.y, 84 * s, 112 * s), lighter(SITTER, 0.2), 1.0, darker(SITTER, 0.2), 1.5),
        ]
    return tuple(shapes)
