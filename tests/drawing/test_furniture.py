"""Furniture and fixtures as display lists: each kind as itself, within its bounds; tables from above; rooms."""

import itertools
import math

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from jolly_ledge.drawing.case import bounds_of, case_picture, front_shapes
from jolly_ledge.drawing.furniture.fixtures import COLOURS, fixture_shapes
from jolly_ledge.drawing.items import item_picture, item_shapes
from jolly_ledge.drawing.picture import Gradient, Path, Primitive, Shape
from jolly_ledge.drawing.room import ROOM_MM, SHEET_MM, room_picture
from jolly_ledge.drawing.table_top import outline_from_above, seat_shapes, setting_shapes, table_from_above
from jolly_ledge.geometry.silhouette import loops_of, polygon_area
from jolly_ledge.model.colour import lightness_chroma_hue
from jolly_ledge.model.piece import Fixture, Ledge, Piece, Seat
from jolly_ledge.model.starts.gallery import STARTS, Start
from jolly_ledge.model.words import FIXTURE_KINDS, Doors, FixtureKind

DOORS: tuple[Doors, ...] = ("none", "glazed", "solid")
LEG_ROOM = 60.0
"""Cornices, open doors and the shadow on the floor reach so far beyond a piece."""


def points(path: Path) -> list[tuple[float, float]]:
    return [(values[i], values[i + 1]) for _, values in path for i in range(0, len(values), 2)]


def extent(shapes: tuple[Primitive, ...] | list[Shape]) -> tuple[float, float, float, float]:
    found = [point for shape in shapes if isinstance(shape, Shape) for point in points(shape.path)]
    xs, ys = [x for x, _ in found], [y for _, y in found]
    return min(xs), min(ys), max(xs), max(ys)


def made(name: str) -> Piece:
    return next(start for start in STARTS if start.id == name).make()


@pytest.mark.parametrize("start", STARTS, ids=lambda start: start.id)
def test_every_start_is_drawn_within_its_picture(start: Start) -> None:
    piece = start.make()
    picture = case_picture(piece)
    left, top, right, bottom = extent((*picture.primitives, *front_shapes(piece)))
    assert left >= picture.left - LEG_ROOM
    assert right <= picture.right + LEG_ROOM
    assert top >= picture.top - LEG_ROOM
    assert bottom <= picture.bottom + LEG_ROOM
    reach = bounds_of(piece)
    assert reach[0] <= 0 <= piece.width <= reach[2]


def test_no_two_starts_look_alike() -> None:
    drawn = {start.id: case_picture(start.make()).primitives for start in STARTS if "coffee" not in start.id}
    assert len(set(drawn.values())) == len(drawn)
    assert len(drawn["hutch"]) != len(drawn["cabinet"])


@pytest.mark.parametrize("kind", FIXTURE_KINDS)
def test_every_fixture_is_drawn_where_it_is_and_in_its_colour(kind: FixtureKind) -> None:
    fixture = Fixture(kind=kind, left=200.0, floor=500.0, width=300.0, height=240.0)
    shapes = fixture_shapes(fixture)
    left, top, right, bottom = extent(shapes)
    cord = 2500.0 if kind == "light" else 30.0
    assert 200 - 40 <= left <= 260
    assert 440 <= right <= 500 + 40
    assert -740 - cord <= top <= -500 + 5
    glow = 40.0 if kind == "light" else 30.0
    assert -505 <= bottom <= -500 + glow
    told = fixture_shapes(replace(fixture, colour="#ff0000"))
    assert COLOURS[kind] != "#ff0000"
    assert told != shapes


def test_a_round_mirror_is_round() -> None:
    fixture = Fixture(kind="mirror", left=0.0, floor=0.0, width=400.0, height=400.0)
    square, circle = fixture_shapes(fixture), fixture_shapes(replace(fixture, shape="ellipse"))
    assert any(word == "C" for word, _ in circle[0].path)
    assert square[0].path != circle[0].path


def test_glazed_and_solid_doors_differ_from_none() -> None:
    cabinet = made("cabinet")
    drawings = {doors: case_picture(replace(cabinet, doors=doors)).primitives for doors in DOORS}
    assert len(set(drawings.values())) == 3


def test_a_flanking_pair_leaves_the_middle_free() -> None:
    piece = made("flanking-pair")
    bodies = sorted((ledge.left, ledge.right) for ledge in piece.ledges if not ledge.is_wall)
    gap = max(after[0] - before[1] for before, after in itertools.pairwise(bodies))
    assert gap > 500
    assert {fixture.kind for fixture in piece.fixtures} & {"tv", "firebox"}


@pytest.mark.parametrize(
    ("shape", "area"),
    [("rectangle", 1.0), ("rounded-rectangle", 0.98), ("ellipse", math.pi / 4)],
)
def test_a_top_is_seen_from_above_in_its_shape(shape: str, area: float) -> None:
    ledge = Ledge(id="top", left=0.0, floor=400.0, width=1000.0, depth=600.0, shape=shape)  # type: ignore[arg-type]
    path = outline_from_above(ledge)
    left, top, right, bottom = extent([Shape(path, "#000000")])
    assert (left, top, right, bottom) == pytest.approx((0, 0, 1000, 600))
    corners = [(values[-2], values[-1]) for _, values in path if values]
    covered = polygon_area(tuple(corners)) / 600_000
    # An ellipse of four curves is told by its four ends here: half of the rectangle.
    assert covered == pytest.approx(0.5 if shape == "ellipse" else area, abs=0.04)


def test_every_seat_has_a_chair_outside_and_a_plate_on_the_dining_table() -> None:
    table = made("dining-table")
    depth = table.ledges[0].depth
    picture = table_from_above(table)
    for seat in table.seats:
        chair = extent(seat_shapes(seat, table.width, depth, "rectangle"))
        middle = ((chair[0] + chair[2]) / 2, depth - (chair[1] + chair[3]) / 2)
        assert middle == pytest.approx((seat.x, seat.z), abs=60)
        plate = extent(setting_shapes(seat, table.width, depth, "rectangle"))
        assert plate[0] >= -10
        assert plate[2] <= table.width + 10
        assert plate[1] >= -10
        assert plate[3] <= depth + 10
    assert extent(picture.primitives)[0] >= picture.left
    fewer = table_from_above(replace(table, seats=table.seats[:2]))
    assert len(fewer.primitives) < len(picture.primitives)


def test_a_chair_faces_the_middle_of_a_round_table() -> None:
    pad, back = seat_shapes(Seat(x=500.0, z=-300.0), 1000.0, 1000.0, "ellipse")
    _, pad_top, _, pad_bottom = extent([pad])
    _, back_top, _, back_bottom = extent([back])
    # The seat is in front, which is drawn below; its back is the farthest from the table.
    assert (back_top + back_bottom) / 2 > (pad_top + pad_bottom) / 2


def test_a_room_shows_wall_floor_piece_and_a_sheet_of_known_size() -> None:
    look = arranged((thing("vase"),), (put("vase"),), case_of())
    bare = room_picture(look, empty=True)
    full = room_picture(look)
    sheet = room_picture(look, empty=True, sheet_at=(100.0, 300.0))
    assert len(full.primitives) > len(bare.primitives)
    assert len(sheet.primitives) == len(bare.primitives) + 1
    left, top, right, bottom = extent(sheet.primitives[-1:])
    assert (right - left, bottom - top) == pytest.approx(SHEET_MM)
    assert bare.right - bare.left > case_of().width + 2 * ROOM_MM


def test_a_traced_thing_is_drawn_by_its_own_outline() -> None:
    outline = ((-0.5, 0.0), (0.5, 0.0), (0.2, 1.0), (-0.2, 1.0))
    traced = thing("cone", silhouette="vase", width=200.0, height=400.0, outline=outline)
    left, top, right, bottom = extent(item_shapes(traced)[:1])
    assert (right - left, -top) == pytest.approx((200, 400), rel=0.01)
    assert bottom == pytest.approx(0, abs=1)
    assert item_shapes(traced) != item_shapes(replace(traced, outline=()))
    assert item_picture(traced).width > 0
    rough, gloss = (item_shapes(replace(traced, finish=finish)) for finish in ("rough", "gloss"))
    assert rough != gloss


def test_holes_of_an_outline_are_told_from_its_edge() -> None:
    edge = ((0.0, 0.0), (4.0, 0.0), (4.0, 4.0), (0.0, 4.0))
    assert loops_of(edge) == (edge,)
    assert loops_of(()) == ((),)
    hole = ((1.0, 1.0), (2.0, 1.0), (2.0, 2.0))
    cut = (*edge[:1], *hole, hole[0], *edge)
    assert loops_of(cut) == (edge, hole)


def test_the_light_on_a_ledge_is_drawn() -> None:
    piece = made("bookcase")

    def middle(light: str | None) -> str:
        ledges = tuple(replace(ledge, light=light) for ledge in piece.ledges)
        shapes = case_picture(replace(piece, ledges=ledges)).primitives
        backs = [one.fill for one in shapes if isinstance(one, Shape) and isinstance(one.fill, Gradient)]
        return next(fill.stops[1][1] for fill in backs if len(fill.stops) == 3 and fill.stops[1][0] == 0.22)

    shown = [lightness_chroma_hue(middle(light)).lightness for light in ("bright", "medium", "low")]
    assert shown == sorted(shown, reverse=True)
    assert shown[0] - shown[2] > 0.05
    assert middle(None) == middle("medium")
