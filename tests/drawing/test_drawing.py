"""Display lists: what is drawn, apart from how."""

import math

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from msgspec.structs import replace

from builders import arranged, case_of, plan_of, put, thing
from jolly_ledge.drawing.case import bounds_of, case_picture, front_shapes
from jolly_ledge.drawing.items import SILHOUETTES, contact_shadow, item_picture, item_shapes
from jolly_ledge.drawing.look import look_picture, painting_order
from jolly_ledge.drawing.numbered_spots import numbered_spots
from jolly_ledge.drawing.paper import A4
from jolly_ledge.drawing.picture import (
    Label,
    Path,
    Primitive,
    Shape,
    ellipse,
    fading,
    leaf,
    moved,
    polygon,
    rounded,
    smooth,
)
from jolly_ledge.drawing.plan_view import footprint_shapes, ledge_from_above, on_ledge
from jolly_ledge.drawing.sheet import sheet_pages
from jolly_ledge.drawing.typesetting import cut_to, text_width, wrapped
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.geometry.silhouette import PROFILES
from jolly_ledge.model.item import FALLBACK_SILHOUETTES
from jolly_ledge.model.piece import Fixture, Ledge
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.words import CATEGORIES, FINISHES
from jolly_ledge.planning.working_order import working_order

SHAPES = sorted({*SILHOUETTES, *PROFILES})


def points(path: Path) -> list[tuple[float, float]]:
    return [(values[i], values[i + 1]) for _, values in path for i in range(0, len(values), 2)]


def extent(shapes: tuple[Primitive, ...]) -> tuple[float, float, float, float]:
    found = [point for shape in shapes if isinstance(shape, Shape) for point in points(shape.path)]
    xs, ys = [x for x, _ in found], [y for _, y in found]
    return min(xs), min(ys), max(xs), max(ys)


@pytest.mark.parametrize("shape", SHAPES)
@pytest.mark.parametrize("finish", ["matt", "woven", "clear", "metal"])
def test_every_silhouette_is_drawn_within_its_size(shape: str, finish: str) -> None:
    item = thing(f"{shape}-{finish}", "object", silhouette=shape, finish=finish, width=180.0, height=300.0)
    left, top, right, bottom = extent(item_shapes(item))
    assert len(item_shapes(item)) >= 1
    assert left >= -180 * 0.66
    assert right <= 180 * 0.66
    assert top >= -300 * 1.08
    assert bottom <= 12
    assert -top >= 300 * 0.5


def test_there_are_at_least_sixteen_families_that_differ() -> None:
    drawn = {item_shapes(thing("x", "object", silhouette=shape)) for shape in SHAPES}
    assert len(SHAPES) >= 16
    assert len(drawn) == len(SHAPES)


@pytest.mark.parametrize("category", CATEGORIES)
def test_every_category_is_drawn(category: str) -> None:
    assert item_shapes(thing("x", category))
    assert category == "object" or category in FALLBACK_SILHOUETTES


@pytest.mark.parametrize("finish", FINISHES)
def test_every_finish_shades_a_vase_in_its_own_way(finish: str) -> None:
    others = {item_shapes(thing("x", finish=other)) for other in FINISHES if other != finish}
    assert item_shapes(thing("x", finish=finish)) not in others


def test_clear_glass_lets_the_back_through() -> None:
    body = item_shapes(thing("x", finish="clear"))[0]
    assert isinstance(body, Shape)
    assert body.opacity < 0.5


def test_a_book_shows_spine_pages_cover_or_edge_by_its_pose() -> None:
    book = thing("atlas", "book")
    drawings = {item_shapes(book, pose) for pose in ("upright", "spine-in", "flat")}
    assert len(drawings) == 3
    assert extent(item_shapes(book, "flat"))[2] == pytest.approx(120)


def test_a_thing_looks_the_same_every_time() -> None:
    plant = thing("fern", "plant")
    first = item_shapes(plant)
    item_shapes.cache_clear()
    assert item_shapes(plant) == first


def test_the_case_has_a_back_and_a_board_for_every_ledge() -> None:
    picture = case_picture(case_of(3, 2))
    assert picture.right - picture.left > case_of(3, 2).width
    assert len(picture.primitives) > len(case_picture(case_of(1, 1)).primitives)


@pytest.mark.parametrize(
    "kind", ["bookcase", "wall-shelves", "console", "mantel", "coffee-table", "nightstand", "counter", "other"]
)
def test_every_kind_of_furniture_is_drawn(kind: str) -> None:
    fixtures = tuple(
        Fixture(kind=fixed, left=10, floor=900, width=300, height=200, shape=shape)  # type: ignore[arg-type]
        for fixed, shape in (("mirror", "ellipse"), ("mirror", "rectangle"), ("tv", "rectangle"), ("socket", "rectangle"),
                             ("firebox", "rectangle"), ("bar", "rectangle"), ("window", "rectangle"))
    )  # fmt: skip
    top = Ledge(id="a1", left=-100, floor=780, width=1200, depth=380)
    piece = case_of(kind=kind, ledges=(top,), fixtures=fixtures, width=1000.0)
    picture = case_picture(piece)
    left, _, right, high = bounds_of(piece)
    assert (left, right) == (-100, 1100)
    assert high == 780 + 450
    assert len(picture.primitives) > 6
    assert len(front_shapes(piece)) == 1


def test_far_things_are_painted_before_near_ones_and_carriers_first() -> None:
    items = (
        thing("front", height=90.0),
        thing("art", "frame"),
        thing("stack", "book-stack"),
        thing("cup", height=60.0),
    )
    placements = (
        put("cup", on="stack", x=600, z=200),
        put("front", z=60),
        put("art", z=285),
        put("stack", x=600, z=200),
    )
    order = [placed_item.id for placed_item in painting_order(arranged(items, placements).placed_items)]
    assert order.index("art") < order.index("stack") < order.index("cup") < order.index("front")


def test_stems_are_painted_behind_the_rim_of_their_vase() -> None:
    items = (thing("vase"), thing("stems", "stems"))
    placed_items = arranged(items, (put("vase"), put("stems", inside="vase", x=None, z=None))).placed_items
    assert [placed_item.id for placed_item in painting_order(placed_items)] == ["stems", "vase"]


def test_hidden_things_are_not_drawn() -> None:
    items = (thing("box", "box"), thing("router", "device"))
    with_router = arranged(items, (put("box"), put("router", inside="box")))
    without = arranged(items, (put("box"),))
    assert look_picture(with_router).primitives == look_picture(without).primitives


def test_a_moved_list_keeps_its_kinds_and_scales() -> None:
    label = Label(1, 2, "x", 10)
    shape, text = moved((contact_shadow(100.0)[0], label), 10, 20, 2.0)
    assert isinstance(shape, Shape)
    assert text == Label(12, 24, "x", 20)


@settings(max_examples=60, deadline=None)
@given(st.lists(st.tuples(st.floats(-1e3, 1e3), st.floats(-1e3, 1e3)), min_size=2, max_size=8), st.booleans())
def test_curves_pass_their_points(given_points: list[tuple[float, float]], closed: bool) -> None:
    path = smooth(given_points, closed=closed)
    ends = [path[0][1]] + [values[-2:] for word, values in path if word == "C"]
    for point in given_points:
        assert any(math.dist(point, end) < 1e-6 for end in ends)


def test_paths_are_closed_or_open_as_told() -> None:
    assert polygon([(0, 0), (1, 0), (1, 1)])[-1] == ("Z", ())
    assert ellipse(0, 0, 2, 1)[0] == ("M", (2, 0))
    assert rounded(0, 0, 10, 10, 99)[-1] == ("Z", ())
    assert leaf((0, 0), (0, -10), 4)[0] == ("M", (0, 0))


def test_the_ledge_from_above_shows_round_and_square_feet() -> None:
    arrangement = arranged((thing("vase"), thing("box", "box")), (put("vase", x=100), put("box", x=500)))
    vase, box = on_ledge(arrangement, "a1")
    assert len(footprint_shapes(vase)[0].path) > len(footprint_shapes(box)[0].path) - 1
    assert footprint_shapes(vase)[0].path[1][0] == "C"
    assert footprint_shapes(box)[0].path[1][0] == "L"
    table = Ledge(id="t", left=0, floor=400, width=800, depth=800, shape="ellipse")
    assert ledge_from_above(table).width == 820


def test_the_sheet_numbers_every_visible_thing_and_breaks_into_pages(demo: Plan) -> None:
    arrangement = arrange(demo, demo.look("first-try"))
    pages = sheet_pages(demo, demo.look("first-try"))
    texts = [label.text for label in pages[0].primitives if isinstance(label, Label)]
    visible = sum(1 for placed_item in arrangement.placed_items if not placed_item.hidden)
    assert sum(1 for text in texts if text.isdigit()) == visible
    assert len(pages) > 2
    assert all((page.width, page.height) == (A4.width, A4.height) for page in pages)
    table = [label.text for page in pages[1:] for label in page.primitives if isinstance(label, Label)]
    assert "brass orrery" in " ".join(table)
    assert all(label.x >= 0 for page in pages for label in page.primitives if isinstance(label, Label))


def test_an_empty_look_gives_one_page() -> None:
    plan = plan_of()
    assert len(sheet_pages(plan, plan.looks[0])) == 1


def test_long_names_are_broken_and_nothing_is_left_out() -> None:
    lines = wrapped("a very long name of a thing indeed", 60, 9.5)
    assert len(lines) > 1
    assert " ".join(lines) == "a very long name of a thing indeed"
    assert wrapped("", 60, 9.5) == ("",)


@pytest.mark.parametrize(
    "text", ["MMMM WWWW MMMM WWWW MMMM", "illicit little lilies in tilted tins", "M" * 80, "Ærø № 4"]
)
@pytest.mark.parametrize("weight", [400, 600, 700])
def test_no_line_is_wider_than_its_column(text: str, weight: int) -> None:
    lines = wrapped(text, 90.0, 9.5, weight=weight)
    assert "".join(lines).replace(" ", "") == text.replace(" ", "")
    assert all(text_width(line, 9.5, weight=weight) <= 90.0 for line in lines)
    assert text_width(cut_to(text, 60.0, 9.5, weight=weight), 9.5, weight=weight) <= 60.0


def test_a_picture_of_a_thing_has_room_about_it() -> None:
    picture = item_picture(replace(thing("vase"), width=100.0))
    assert picture.left < -50
    assert picture.bottom > 0


def test_numbers_never_lie_over_each_other(demo: Plan) -> None:
    arrangement = arrange(demo, demo.look("first-try"))
    spots = [spot for _, spot in numbered_spots(arrangement, working_order(arrangement), 0.2, 7.0)]
    apart = 2 * 7.0 / 0.2
    assert all(abs(a[0] - b[0]) >= apart or abs(a[1] - b[1]) >= apart for i, a in enumerate(spots) for b in spots[:i])


def test_a_shade_fades_in_one_direction() -> None:
    steps = fading(0, 0, 100, 50, "right", 0.6)
    assert sum(step.opacity for step in steps) == pytest.approx(0.6)
    assert {min(x for x, _ in points(step.path)) for step in steps} == {0}
    assert max(x for x, _ in points(steps[-1].path)) == 100


def test_what_hangs_is_painted_behind_what_stands_before_it() -> None:
    wall = Ledge(id="w", left=0, floor=800, width=1200, depth=40, surface="wall")
    top = Ledge(id="a1", left=0, floor=800, width=1200, depth=400)
    piece = case_of(kind="console", ledges=(top, wall))
    items = (thing("art", "art"), thing("vase"), thing("lean", "frame"))
    look = arranged(
        items,
        (put("vase", z=200), put("art", "w", 400, None, y=20, pose="hung"), put("lean", z=385, pose="leaning")),
        piece,
    )
    assert [placed_item.id for placed_item in painting_order(look.placed_items)] == ["art", "lean", "vase"]


def test_things_on_a_tray_are_painted_by_depth_and_what_is_inside_before_its_rim() -> None:
    items = (thing("tray", "tray"), thing("a-near"), thing("b-far"), thing("c-vase"), thing("d-stems", "stems"))
    placed = (put("tray"), put("a-near", x=330, z=80, on="tray"), put("b-far", x=420, z=230, on="tray"),
              put("c-vase", x=500, z=150, on="tray"), put("d-stems", x=None, z=None, inside="c-vase"))  # fmt: skip
    order = [placed_item.id for placed_item in painting_order(arranged(items, placed).placed_items)]
    assert order == ["tray", "b-far", "d-stems", "c-vase", "a-near"]


@pytest.mark.parametrize("category", ["book-row", "book-stack"])
def test_a_block_of_very_many_books_is_drawn_as_one(category: str) -> None:
    block = thing("block", category, width=900.0, height=250.0, count=10_000)
    assert len(item_shapes(block)) < 1_500
    few = thing("block", category, width=900.0, height=250.0, count=12)
    assert len(item_shapes(few)) < len(item_shapes(block))


@pytest.mark.parametrize("finish", ["rough", "woven"])
@pytest.mark.parametrize("category", sorted(FALLBACK_SILHOUETTES))
def test_what_is_larger_than_life_is_drawn_with_no_more_marks(category: str, finish: str) -> None:
    for width, height in ((50_000.0, 200.0), (200.0, 50_000.0), (50_000.0, 50_000.0)):
        giant = thing("giant", category, width=width, height=height, finish=finish, count=10_000)
        shapes = item_shapes(giant, "spine-in" if category == "book-row" else "upright")
        assert sum(len(shape.path) for shape in shapes) < 60_000


@pytest.mark.parametrize(
    ("name", "category", "shape"),
    [("a model boat", "sculpture", "boat"), ("Coral", "sculpture", "coral"), ("sea shell", "object", "shell"),
     ("Roman bust", "sculpture", "figure"), ("boathouse print", "art", "frame"),
     ("rain coat", "hanging", "coat"), ("Coat of wool", "hanging", "coat"), ("coat brush", "hanging", "hanging"),
     ("straw hat", "hanging", "hat"), ("leather bag", "hanging", "bag"), ("long umbrella", "hanging", "umbrella"),
     ("copper pan", "hanging", "pan"), ("tea towel", "hanging", "hanging")],
)  # fmt: skip
def test_a_thing_looks_like_what_it_is_called(name: str, category: str, shape: str) -> None:
    item = thing("it", category, name=name)
    assert item.shape == shape
    assert item_shapes(item)


def test_a_globe_stands_on_its_foot_however_tall_it_is() -> None:
    for height in (180.0, 300.0, 420.0, 900.0):
        shapes = item_shapes(thing("globe", "object", silhouette="globe", width=200.0, height=height))
        ys = [value for shape in shapes for _, values in shape.path for value in values[1::2]]
        assert max(ys) >= -1.0
        assert min(ys) >= -height * 1.05


@pytest.mark.parametrize(("width", "height"), [(200.0, 40.0), (250.0, 18.0), (60.0, 60.0)])
def test_beads_touch_one_another(width: float, height: float) -> None:
    drawn = item_shapes(thing("beads", "beads", width=width, height=height))
    places = [extent((shape,)) for shape in drawn]
    middles = [((left + right) / 2, (low + high) / 2) for left, low, right, high in places]
    size = max(right - left for left, _, right, _ in places)
    for number, one in enumerate(middles):
        assert min(math.dist(one, other) for place, other in enumerate(middles) if place != number) < 1.15 * size
