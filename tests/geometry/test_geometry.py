"""Poses, silhouettes and how things stand on each other."""

from gc import collect
from weakref import ref

import pytest
from hypothesis import given
from hypothesis import strategies as st

from builders import arranged, case_of, put, thing
from jolly_ledge.geometry.arrangement import Arrangement, stand
from jolly_ledge.geometry.bays import bays_of
from jolly_ledge.geometry.kept import kept
from jolly_ledge.geometry.leaning import lean_z
from jolly_ledge.geometry.pose import extent, seen_colours, seen_shape
from jolly_ledge.geometry.room import room_along
from jolly_ledge.geometry.silhouette import PROFILES, outline, outline_area
from jolly_ledge.model.item import PAGE_COLOUR, Item
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import Pose

BOOK = thing("book", "book")


@pytest.mark.parametrize(
    ("pose", "turn", "size"),
    [
        ("upright", 0, (30, 240, 170)),
        ("upright", 90, (170, 240, 30)),
        ("flat", 0, (240, 30, 170)),
        ("flat", 90, (170, 30, 240)),
        ("spine-in", 0, (30, 240, 170)),
        ("leaning", 180, (30, 240, 170)),
    ],
)
def test_a_book_takes_the_room_of_its_pose(pose: Pose, turn: float, size: tuple[float, float, float]) -> None:
    assert extent(BOOK, pose, turn) == size


def test_a_frame_lies_on_its_back() -> None:
    assert extent(thing("frame", "frame"), "flat") == (200, 25, 280)


def test_a_round_thing_is_the_same_from_every_side() -> None:
    assert extent(thing("vase"), "upright", 37) == (120, 240, 120)


@given(st.floats(-360, 360))
def test_a_turned_thing_never_takes_less_than_its_smaller_side(turn: float) -> None:
    size = extent(thing("box", "box"), "upright", turn)
    assert 220 - 1e-6 <= size.width <= (300**2 + 220**2) ** 0.5 + 1e-6
    assert size.height == 160


def test_a_book_with_its_spine_in_shows_pages() -> None:
    assert seen_colours(BOOK, "spine-in") == ((PAGE_COLOUR, 1.0),)
    assert seen_colours(BOOK, "upright") == BOOK.colours


def test_a_vase_laid_flat_shows_a_slab() -> None:
    assert seen_shape(thing("vase"), "flat") == "slab"
    assert seen_shape(BOOK, "flat") == "book"


@pytest.mark.parametrize("shape", sorted(PROFILES))
def test_outlines_keep_within_their_size(shape: str) -> None:
    points = outline(shape, 100.0, 200.0)
    assert max(abs(x) for x, _ in points) <= 50 + 1e-6
    assert min(y for _, y in points) >= -1e-6
    assert max(y for _, y in points) == pytest.approx(200)
    assert 0 < outline_area(shape, 100.0, 200.0) < 20_000


def test_a_disc_has_the_area_of_a_circle() -> None:
    assert outline_area("disc", 200.0, 200.0) == pytest.approx(3.14159 * 100**2, rel=0.01)


def stacked() -> Arrangement:
    items = (thing("low", "book-stack"), BOOK, thing("vase"), thing("stems", "stems"))
    placements = (
        put("stems", inside="vase", x=None, z=None),
        put("vase", on="book"),
        put("book", on="low", pose="flat"),
        put("low"),
    )
    return arranged(items, placements)


def test_heights_add_up_whatever_the_order_of_the_file() -> None:
    placed = stacked().by_id
    assert placed["low"].bottom == 100
    assert placed["book"].bottom == 190
    assert placed["vase"].bottom == 220
    assert placed["stems"].bottom == 460
    assert placed["stems"].top == 680
    assert {s.root for s in placed.values()} == {"low"}


def test_books_in_a_stack_are_one_unit_and_the_vase_with_its_stems_another() -> None:
    (stack,) = stacked().stacks["a1"]
    assert [unit.ids for unit in stack.units] == [("low", "book"), ("vase", "stems")]
    assert [unit.label for unit in stack.units] == ["the stack of 2 books", "the vase"]


def test_things_in_a_box_are_hidden_and_on_a_tray_one_unit() -> None:
    items = (
        thing("box", "box"),
        thing("router", "device"),
        thing("tray", "tray"),
        thing("cup", "tableware", height=80.0),
    )
    placements = (put("box", x=200), put("router", inside="box"), put("tray", x=600), put("cup", inside="tray", x=600))
    arrangement = arranged(items, placements)
    assert arrangement.by_id["router"].hidden
    assert arrangement.by_id["router"].area == 0
    assert not arrangement.by_id["cup"].hidden
    assert arrangement.by_id["cup"].bottom == 110
    assert [unit.ids for unit in arrangement.units] == [("box",), ("tray", "cup")]


def test_upright_books_side_by_side_are_one_row() -> None:
    items = tuple(thing(f"b{i}", "book") for i in range(4))
    placements = tuple(put(f"b{i}", x=x) for i, x in enumerate((100, 131, 165, 500)))
    labels = [unit.label for unit in arranged(items, placements).units]
    assert labels == ["the row of 3 books", "the b3"]


def test_a_hung_thing_hangs_at_its_height_over_the_wall_ledge() -> None:
    wall = case_of().ledges[0]
    piece = case_of(ledges=(wall.__class__(id="w", left=0, floor=900, width=800, depth=30, surface="wall"),))
    placed = arranged((thing("mirror", "mirror"),), (put("mirror", "w", z=None, y=150, pose="hung"),), piece).by_id[
        "mirror"
    ]
    assert (placed.bottom, placed.top) == (1050, 1290)


def test_a_draped_cloth_has_no_footprint_of_its_own() -> None:
    items = (thing("box", "box"), thing("throw", "textile"))
    placed = arranged(items, (put("box"), put("throw", x=None, z=None, on="box", pose="draped"))).by_id["throw"]
    assert placed.top == 260
    assert placed.root == "box"


@pytest.mark.parametrize(("gap", "groups"), [(40, 1), (89, 1), (120, 2)])
def test_vignettes_are_found_by_nearness(gap: float, groups: int) -> None:
    items = (thing("one"), thing("two"))
    placements = (put("one", x=200), put("two", x=320 + gap))
    assert len(arranged(items, placements).vignettes) == groups


def test_a_vignette_that_is_told_holds_what_is_far_apart() -> None:
    items = (thing("one"), thing("two"))
    placements = (put("one", x=100, vignette="pair"), put("two", x=700, vignette="pair"))
    (vignette,) = arranged(items, placements).vignettes
    assert vignette.name == "pair"
    assert vignette.ids == ("one", "two")


def test_what_did_not_move_is_the_same_object() -> None:
    items = (thing("one"), thing("two"))
    before = arranged(items, (put("one", x=200), put("two", x=600)))
    after = arranged(items, (put("one", x=200), put("two", x=610)))
    assert after.by_id["one"] is before.by_id["one"]
    assert after.by_id["two"] is not before.by_id["two"]


def test_every_category_has_a_silhouette_of_its_own_accord() -> None:
    assert Item(id="x", category="object", width=1, height=1, depth=1).shape == "object"
    assert thing("bust", "sculpture").shape == "figure"
    assert thing("rock", "object", silhouette="meteorite").shape == "stone"


def test_what_is_worked_out_is_kept_with_its_look_and_goes_with_it() -> None:
    asked: list[Arrangement] = []

    @kept
    def count(arrangement: Arrangement) -> int:
        asked.append(arrangement)
        return len(arrangement.visible)

    first, second = stacked(), stacked()
    assert count(first) == count(first) == count(second)
    assert len(asked) == 2
    watched = ref(first)
    del first
    asked.clear()
    collect()
    assert watched() is None


def test_a_mapping_that_is_kept_can_only_be_read() -> None:
    numbers = kept(lambda arrangement: {one.id: 1 for one in arrangement.visible})(stacked())
    with pytest.raises(TypeError, match="item assignment"):
        numbers["box"] = 2


@pytest.mark.parametrize(
    ("along", "allowed", "by"),
    [(30.0, 30.0, ""), (90.0, 40.0, "the neighbour"), (-90.0, -90.0, ""), (-400.0, -340.0, "the end of a1")],
)
def test_things_may_be_moved_along_up_to_a_neighbour_or_an_end(along: float, allowed: float, by: str) -> None:
    pots = thing("pot", width=120.0, depth=120.0), thing("neighbour", width=100.0, depth=100.0)
    look = arranged(pots, (put("pot", x=400.0), put("neighbour", x=550.0)), case_of(1))
    room, stopped_by = room_along(look, {"pot"}, along)
    assert room == pytest.approx(allowed)
    assert stopped_by == by


def test_what_stands_before_or_goes_along_stops_nothing() -> None:
    pots = thing("pot", width=120.0, depth=80.0), thing("other", width=100.0, depth=80.0)
    behind = arranged(pots, (put("pot", x=400.0, z=60.0), put("other", x=550.0, z=240.0)), case_of(1))
    assert room_along(behind, {"pot"}, 90.0) == (90.0, "")
    both = arranged(pots, (put("pot", x=400.0), put("other", x=550.0)), case_of(1))
    assert room_along(both, {"pot", "other"}, 90.0) == (90.0, "")


def test_stems_that_lie_are_as_long_as_they_were_high_and_keep_low() -> None:
    stems = Item(id="twigs", category="stems", width=260, height=420, depth=200)
    size = extent(stems, "flat")
    assert (size.width, size.height, size.depth) == (420, 80, 200)
    assert seen_shape(stems, "flat") == "laid-stems"
    assert seen_shape(stems, "upright") == "branches"


LEDGE = Ledge(id="a1", left=100.0, floor=400.0, width=800.0, depth=300.0)


def test_what_stands_stands_where_it_is_told() -> None:
    vase = thing("vase", width=100.0, height=200.0, depth=80.0)
    told = stand(put("vase", x=250.0, z=120.0), vase, LEDGE)
    assert (told.left, told.right, told.bottom, told.top) == (300.0, 400.0, 400.0, 600.0)
    assert (told.front, told.back, told.depth_order, told.hidden) == (80.0, 160.0, 0, False)


def test_what_hangs_hangs_at_the_wall_at_its_height() -> None:
    mirror = thing("mirror", "mirror", width=400.0, height=500.0, depth=30.0)
    hung = stand(put("mirror", x=400.0, z=100.0, y=650.0, pose="hung"), mirror, LEDGE)
    assert (hung.bottom, hung.top) == (1050.0, 1550.0)
    assert (hung.front, hung.back) == (270.0, 300.0)
    assert stand(put("mirror", x=400.0, y=0.0, pose="hung"), mirror, LEDGE).bottom == 400.0


def test_what_lies_over_or_on_something_goes_with_it() -> None:
    host = stand(put("box", x=300.0, z=150.0), thing("box", "box", width=200.0, height=100.0, depth=150.0), LEDGE)
    beads = thing("beads", "beads", width=300.0, height=150.0, depth=60.0)
    draped = stand(put("beads", x=10.0, z=10.0, on="box", pose="draped"), beads, LEDGE, host)
    assert (draped.x, draped.z) == (host.x, host.z)
    assert draped.width == 120.0
    assert draped.top - draped.bottom == pytest.approx(70.0)
    assert draped.top == host.top
    bowl = thing("bowl", "bowl", width=80.0, height=40.0, depth=80.0)
    aside = stand(put("bowl", x=340.0, z=160.0, on="box"), bowl, LEDGE, host)
    assert (aside.x, aside.z, aside.bottom, aside.depth_order, aside.root) == (440.0, 160.0, host.top, 1, "box")


def test_what_is_in_a_tray_keeps_its_place_and_what_is_in_a_vessel_its_middle() -> None:
    tray = stand(put("tray", x=400.0), thing("tray", "tray", width=400.0, height=40.0, depth=250.0), LEDGE)
    cup = thing("cup", "bowl", width=80.0, height=60.0, depth=80.0)
    on_it = stand(put("cup", x=300.0, z=120.0, inside="tray"), cup, LEDGE, tray)
    assert (on_it.x, on_it.z, on_it.hidden) == (400.0, 120.0, False)
    assert tray.bottom < on_it.bottom < tray.top
    vase = stand(put("vase", x=400.0), thing("vase"), LEDGE)
    stems = stand(put("stems", x=300.0, z=120.0, inside="vase"), thing("stems", "stems"), LEDGE, vase)
    assert (stems.x, stems.z, stems.bottom, stems.hidden) == (vase.x, vase.z, vase.top, False)
    shut = stand(put("jar"), thing("jar", traits=("lidded",)), LEDGE)
    coins = stand(put("coins", inside="jar"), thing("coins", "object"), LEDGE, shut)
    assert (coins.hidden, coins.area, coins.bottom) == (True, 0.0, shut.bottom)
    deeper = stand(put("note", on="coins"), thing("note", "object"), LEDGE, coins)
    assert (deeper.hidden, deeper.depth_order) == (True, 2)


def test_what_leans_stands_at_the_back_or_before_what_leans_there() -> None:
    ledge = case_of(1).ledges[0]
    assert lean_z(ledge, 400.0, 200.0, 60.0, ()) == ledge.depth - 30.0
    assert lean_z(ledge, 400.0, 200.0, 2 * ledge.depth, ()) == ledge.depth
    picture = thing("picture", "frame", width=200.0, height=280.0, depth=25.0)
    look = arranged((picture,), (put("picture", x=400.0, z=287.5, pose="leaning"),), case_of(1))
    (leaning,) = look.placed_items
    assert lean_z(ledge, 450.0, 200.0, 60.0, look.placed_items) == pytest.approx(leaning.front - 30.0)
    # Beside it there is the wall.
    assert lean_z(ledge, 650.0, 200.0, 60.0, look.placed_items) == ledge.depth - 30.0


def test_a_bay_is_of_ledges_that_share_both_their_ends() -> None:
    def ledge(name: str, left: float, width: float, floor: float) -> Ledge:
        return Ledge(id=name, left=left, floor=floor, width=width, depth=300.0, clearance=300.0)

    piece = case_of(ledges=(
        ledge("wide", 0.0, 1000.0, 100.0), ledge("left", 0.0, 490.0, 500.0), ledge("right", 510.0, 490.0, 500.0),
        ledge("over left", 2.0, 487.0, 900.0),
    ))  # fmt: skip
    bays = [tuple(one.id for one in bay.ledges) for bay in bays_of(piece)]
    assert sorted(bays) == [("left", "over left"), ("right",), ("wide",)]
