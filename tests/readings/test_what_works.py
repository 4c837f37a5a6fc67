"""The later readings on small looks whose answer is known by hand."""

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.measures.counts import counted, recommended
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Fixture, Ledge, Piece, Seat
from jolly_ledge.model.plan import Plan
from jolly_ledge.readings import (
    all_round,
    cohesion,
    even_rest,
    even_vignettes,
    figure,
    how_many,
    kept_clear,
    mix,
    must_haves,
    seen_shut,
    sight_line,
    stack_order,
    working_room,
)
from jolly_ledge.readings.reading import Reading
from jolly_ledge.readings.register import assess
from jolly_ledge.scene.as_seen import as_seen
from jolly_ledge.scene.marks import marks_of


def table(**changes: Any) -> Piece:
    top = Ledge(id="a1", name="top", left=0.0, floor=750.0, width=1600.0, depth=900.0)
    known: dict[str, Any] = {
        "kind": "dining-table", "viewed_from": "around", "width": 1600.0, "height": 750.0, "depth": 900.0,
        "ledges": (top,), **changes,
    }  # fmt: skip
    return case_of(**known)


def must(reading: Reading | None) -> Reading:
    assert reading is not None
    return reading


def of(
    module: Any,
    items: tuple[Item, ...],
    placements: tuple[Placement, ...],
    piece: Piece | None = None,
    **manner: Any,
) -> Reading | None:
    look = as_seen(arranged(items, placements, piece, **manner))
    found: Reading | None = module.read(look, look.manner)
    return found


# Kept clear, seen shut, sight line


@pytest.mark.parametrize("kind", ["mirror", "art", "tv"])
def test_what_stands_before_art_is_told(kind: Any) -> None:
    hung = Fixture(kind=kind, left=300.0, floor=760.0, width=200.0, height=200.0)
    boxes = (thing("box", "box", width=200.0, height=160.0),)
    before = must(of(kept_clear, boxes, (put("box", x=400.0),), table(fixtures=(hung,))))
    beside = must(of(kept_clear, boxes, (put("box", x=900.0),), table(fixtures=(hung,))))
    assert before.value == pytest.approx(0.75)
    assert before.score < 0.3
    assert "box stands before" in before.findings[0].sentence
    assert (beside.value, beside.findings) == (0.0, ())
    assert beside.score > 0.9


def test_twigs_may_cross_a_mirror_and_never_a_screen() -> None:
    twigs = (thing("twigs", "stems", height=300.0),)
    for kind, full in (("mirror", True), ("tv", False)):
        hung = Fixture(kind=kind, left=300.0, floor=800.0, width=300.0, height=300.0)  # type: ignore[arg-type]
        reading = must(of(kept_clear, twigs, (put("twigs", x=450.0),), table(fixtures=(hung,))))
        assert (reading.score > 0.9) is full


def test_a_bar_hides_what_stands_behind_it() -> None:
    bar = Fixture(kind="bar", left=360.0, floor=100.0, width=80.0, height=400.0)
    glazed = case_of(1, doors="glazed", seen_shut=True, fixtures=(bar,))
    urn = (thing("urn", width=100.0),)
    behind, aside = (must(of(seen_shut, urn, (put("urn", x=x),), glazed)) for x in (380.0, 600.0))
    assert behind.value < 0.5 < 0.99 < aside.value
    assert of(seen_shut, urn, (put("urn"),), case_of(1)) is None
    assert of(seen_shut, urn, (put("urn"),), replace(glazed, doors="solid")) is None


@pytest.mark.parametrize(
    ("height", "changes", "good"),
    [
        (250.0, {}, True),
        (600.0, {"width": 260.0}, False),
        (600.0, {"width": 50.0}, True),
        (600.0, {"category": "stems", "silhouette": "branches", "width": 400.0}, True),
    ],
)
def test_people_see_each_other_over_low_slim_and_airy_things(
    height: float, changes: dict[str, Any], good: bool
) -> None:
    category = changes.pop("category", "vessel")
    item = thing("centre", category, height=height, **changes)
    reading = must(of(sight_line, (item,), (put("centre", x=800.0, z=450.0),), table()))
    assert (reading.score > 0.9) is good
    assert bool(reading.findings) is not good


# Working room, must-haves, all round


def test_things_drawn_together_leave_room_to_eat() -> None:
    items = tuple(thing(f"t{n}", "bowl") for n in range(4))
    corners = ((120.0, 120.0), (1480.0, 120.0), (120.0, 780.0), (1480.0, 780.0))
    middle = ((700.0, 450.0), (910.0, 450.0), (1120.0, 450.0), (490.0, 450.0))
    spread, drawn = (
        must(
            of(
                working_room,
                items,
                tuple(put(f"t{n}", x=x, z=z) for n, (x, z) in enumerate(spots)),
                table(use=("eating",)),
            )
        )
        for spots in (corners, middle)
    )
    assert drawn.score > spread.score
    assert drawn.value == pytest.approx(1.0)
    assert of(working_room, items, (put("t0"),), table()) is None


@pytest.mark.parametrize(("use", "most"), [("cooking", 0.25), ("coffee", 0.4)])
def test_a_worktop_may_be_covered_as_far_as_its_use_lets(use: str, most: float) -> None:
    top = replace(table().ledges[0], width=2000.0, depth=600.0)
    counter = replace(
        table(), kind="counter", viewed_from="front", use=(use,), width=2000.0, depth=600.0, ledges=(top,)
    )

    def read(share: float) -> Reading:
        wide = share * top.width * top.depth / 300.0
        things = tuple(thing(f"block{n}", "box", width=wide / 2, height=200.0, depth=300.0) for n in range(2))
        at = (put("block0", x=wide / 4 + 10, z=440.0), put("block1", x=1990 - wide / 4, z=440.0))
        return must(of(working_room, things, at, counter))

    little, allowed, much = (read(share) for share in (0.5 * most, most, 1.35 * most))
    assert (little.loss or 0) < (allowed.loss or 0) < (much.loss or 0)
    told = [finding.sentence for finding in much.findings if "put away" in finding.sentence]
    assert len(told) == 1
    assert use in told[0]
    assert not any("put away" in finding.sentence for finding in allowed.findings)


def test_what_must_be_hidden_reached_or_plugged_in() -> None:
    items = (
        thing("box", "box", traits=("lidded",)),
        thing("router", "device", width=100.0, height=40.0, depth=100.0, traits=("hide",)),
        thing("jug", traits=("daily-use",)),
        thing("lamp", "lamp", traits=("corded",)),
    )
    seen = must(of(must_haves, items, (put("router"), put("box", x=600.0))))
    hidden = must(of(must_haves, items, (put("box"), put("router", inside="box", x=None, z=None))))
    assert seen.score < 0.5 < 0.95 < hidden.score
    low, right = (must(of(must_haves, items, (put("jug", ledge),))) for ledge in ("a1", "a2"))
    assert low.score < right.score
    far = Fixture(kind="socket", left=4000.0, floor=100.0, width=86.0, height=86.0)
    assert must(of(must_haves, items, (put("lamp"),), case_of(fixtures=(far,)))).score < 1.0
    assert of(must_haves, (thing("a"),), (put("a"),)) is None


def test_a_face_at_the_middle_turns_its_back_to_half_the_table() -> None:
    seats = (Seat(x=800.0, z=-300.0), Seat(x=800.0, z=1200.0))
    bust = (thing("bust", "sculpture", traits=("one-faced",)),)
    middle = must(of(all_round, bust, (put("bust", x=800.0, z=450.0),), table(seats=seats)))
    turned = must(of(all_round, bust, (put("bust", x=800.0, z=450.0, turn=180.0),), table(seats=seats)))
    assert middle.value == turned.value == 0.5
    urn = must(of(all_round, (thing("urn"),), (put("urn", x=800.0, z=450.0),), table(seats=seats)))
    assert urn.score == 1.0
    assert of(all_round, bust, (put("bust"),)) is None


# Stack order, cohesion, vignettes, rest, count, mix


def test_the_larger_book_lies_below() -> None:
    books = (thing("large", "book", height=290.0, depth=230.0), thing("small", "book", height=200.0, depth=140.0))
    flat: dict[str, Any] = {"pose": "flat"}
    right = must(of(stack_order, books, (put("large", **flat), put("small", on="large", **flat))))
    wrong = must(of(stack_order, books, (put("small", **flat), put("large", on="small", **flat))))
    assert right.score > 0.95
    assert wrong.score < 0.65
    assert "larger than" in wrong.findings[0].sentence
    assert of(stack_order, books, (put("large", x=200.0), put("small", x=500.0))) is None


def test_a_layout_on_a_small_top_is_drawn_together() -> None:
    items = tuple(thing(f"t{n}") for n in range(3))
    near, far = (
        must(of(cohesion, items, tuple(put(f"t{n}", x=800.0 + n * gap, z=450.0) for n in range(3)), table()))
        for gap in (180.0, 380.0)
    )
    assert near.score > 0.9
    assert far.score < 0.75
    assert far.findings
    named = tuple(put(f"t{n}", x=100.0 + n * 300.0, vignette="left") for n in range(3))
    assert must(of(cohesion, items, named)).value > 1.0


def test_groups_weigh_alike() -> None:
    items = (*(thing(f"t{n}") for n in range(3)), thing("pin", width=30.0, height=40.0, depth=30.0))
    alike = must(of(even_vignettes, items, (put("t0", "a1"), put("t1", "a2"))))
    uneven = must(of(even_vignettes, items, (put("t0", "a1"), put("t1", "a1", x=530.0), put("pin", "a2"))))
    assert alike.score == 1.0
    assert uneven.score < alike.score
    assert of(even_vignettes, items, (put("t0"),)) is None


def test_rest_is_spread_over_the_piece() -> None:
    items = tuple(thing(f"t{n}", "box", height=300.0, width=250.0) for n in range(3))
    piece = case_of(3)
    even = must(of(even_rest, items, tuple(put(f"t{n}", f"a{n + 1}") for n in range(3)), piece))
    hole = must(of(even_rest, items, tuple(put(f"t{n}", "a1", x=140.0 + 260 * n) for n in range(3)), piece))
    assert even.value == pytest.approx(0.0)
    assert even.score > 0.95
    assert hole.score < 0.6
    assert of(even_rest, (), (), case_of(2)) is None


@pytest.mark.parametrize(("fullness", "wanted"), [("airy", 3.0), ("layered", 4.0), ("abundant", 4.7)])
def test_a_ledge_bears_more_the_fuller_it_may_be(fullness: Any, wanted: float) -> None:
    case = case_of()
    assert recommended(case, case.ledges[0], fullness) == pytest.approx(wanted, abs=0.1)
    right, crowd = (
        must(of(how_many, tuple(thing(f"t{n}", width=40.0) for n in range(15)),
                tuple(put(f"t{n}", x=50.0 + 50 * n) for n in range(count)), None, fullness=fullness))
        for count in (round(wanted), 15)
    )  # fmt: skip
    assert right.score > crowd.score
    assert crowd.findings


def test_rough_beside_smooth_is_more_varied_than_rough_alone() -> None:
    rough = tuple(thing(f"t{n}", finish="rough") for n in range(3))
    mixed = (*rough[:2], thing("t2", "bowl", finish="gloss"))
    placed = tuple(put(f"t{n}", x=150.0 + 250 * n) for n in range(3))
    one, other = must(of(mix, rough, placed)), must(of(mix, mixed, placed))
    assert one.score < other.score
    assert "all rough" in one.findings[0].sentence
    assert of(mix, rough, placed[:1]) is None


# Figure


def test_peaks_rise_to_one_and_fall_from_it() -> None:
    heights = {"peak": (120.0, 330.0, 180.0), "valley": (330.0, 120.0, 300.0), "flat": (200.0, 200.0, 200.0)}
    fits = {
        name: must(
            of(figure, tuple(thing(f"t{n}", height=h) for n, h in enumerate(each)),
               tuple(put(f"t{n}", x=200.0 + 150 * n) for n in range(3)), None, figure="peaks")
        ).value
        for name, each in heights.items()
    }  # fmt: skip
    assert fits["peak"] > 0.9
    assert fits["peak"] > fits["valley"]
    assert fits["flat"] < 0.4


def test_a_weave_goes_from_side_to_side() -> None:
    items = tuple(thing(f"t{n}") for n in range(3))
    piece = case_of(3)
    weave, stack = (
        must(of(figure, items, tuple(put(f"t{n}", f"a{n + 1}", x=x) for n, x in enumerate(xs)), piece, figure="weave"))
        for xs in ((150.0, 650.0, 150.0), (400.0, 400.0, 400.0))
    )
    assert weave.score > stack.score


def test_pairs_answer_each_other_across_the_middle() -> None:
    items = tuple(thing(f"t{n}", height=h) for n, h in enumerate((300.0, 150.0, 300.0)))
    pair, off = (
        must(of(figure, items, tuple(put(f"t{n}", x=x) for n, x in enumerate(xs)), None, figure="mirrored"))
        for xs in ((100.0, 400.0, 700.0), (100.0, 700.0, 380.0))
    )
    assert pair.value > 0.95
    assert off.value < pair.value


# What holds for the whole judgement


def shifted(look: Arrangement, by: float) -> Arrangement:
    placements = tuple(replace(p, x=None if p.x is None else p.x + by) for p in look.look.placements)
    stash = {placed_item.item.id: placed_item.item for placed_item in look.placed_items}
    return Arrangement(look.piece, stash, replace(look.look, placements=placements), look.families, look.household)


@pytest.mark.parametrize(
    "name", ["first-try", "before", "hall-welcome", "mantel-talk", "bedside-guest", "tea-for-twenty"]
)
def test_five_millimetres_change_little(demo: Plan, name: str) -> None:
    look = demo.look(name)
    usual = assess(arrange(demo, look)).score
    for placement in look.placements[::3]:
        if placement.x is not None and placement.on is None and placement.inside is None:
            moved = replace(
                look,
                placements=tuple(
                    replace(p, x=p.x + 5) if p.id == placement.id and p.x is not None else p for p in look.placements
                ),
            )
            assert assess(arrange(demo, moved)).score == pytest.approx(usual, abs=0.03)


@settings(max_examples=25, deadline=None)
@given(st.floats(-8, 8))
def test_a_small_shift_of_all_changes_little(by: float) -> None:
    items = tuple(thing(f"t{n}", height=120.0 + 50 * n) for n in range(4))
    look = arranged(items, tuple(put(f"t{n}", "a1" if n < 2 else "a2", x=200.0 + 180 * n) for n in range(4)))
    assert assess(shifted(look, by)).score == pytest.approx(assess(look).score, abs=0.03)


def test_a_place_before_each_seat_is_room_to_eat() -> None:
    seats = (Seat(x=400.0, z=-300.0), Seat(x=1200.0, z=-300.0), Seat(x=1200.0, z=1200.0))
    piece = table(use=("eating",), seats=seats)
    bowl = (thing("bowl", "bowl"),)
    free, taken = (
        must(of(working_room, bowl, (put("bowl", x=x, z=z),), piece)) for x, z in ((800.0, 450.0), (400.0, 200.0))
    )
    assert free.score > 0.95
    assert taken.score < free.score - 0.1


def test_a_dish_is_room_for_keys_and_what_is_heavy_is_hard_to_move() -> None:
    console = table(kind="console", viewed_from="front", use=("keys",), width=400.0, ledges=(
        Ledge(id="a1", name="top", left=0.0, floor=800.0, width=400.0, depth=300.0),
    ))  # fmt: skip
    dish, urn = ((thing("it", category, width=300.0),) for category in ("bowl", "vessel"))
    at = (put("it", x=200.0, z=80.0),)
    assert must(of(working_room, dish, at, console)).value == 1.0
    assert must(of(working_room, urn, at, console)).value == 0.0
    light, heavy = (
        must(of(working_room, tuple(thing(f"t{n}", mass=mass) for n in range(4)),
                tuple(put(f"t{n}", x=600.0 + 130.0 * n, z=450.0) for n in range(4)), table(use=("games",))))
        for mass in (0.5, 6.0)
    )  # fmt: skip
    assert heavy.value == light.value
    assert heavy.score < light.score


def test_what_is_moved_before_use_leaves_room_but_must_be_carried() -> None:
    runner = thing("tray", "tray", width=1200.0, height=40.0, depth=500.0)
    place = (put("tray", x=800.0, z=450.0),)
    stays = must(of(working_room, (runner,), place, table(use=("eating",))))
    aside = must(of(working_room, (replace(runner, traits=("moved-before-use",)),), place, table(use=("eating",))))
    assert stays.value < aside.value == pytest.approx(1.0)
    assert (aside.loss or 0.0) < (stays.loss or 0.0)
    six = tuple(thing(f"dish{n}", "bowl", traits=("moved-before-use",)) for n in range(6))
    carried = must(
        of(working_room, six, tuple(put(f"dish{n}", x=150.0 + 240 * n) for n in range(6)), table(use=("eating",)))
    )
    assert carried.value == pytest.approx(1.0)
    assert (carried.loss or 0.0) > (aside.loss or 0.0)


@pytest.mark.parametrize(("kind", "higher"), [("coffee-table", True), ("console", False)])
def test_on_a_low_table_what_stands_behind_is_seen_over_what_is_low_before_it(kind: str, higher: bool) -> None:
    top = Ledge(id="a1", left=0.0, floor=420.0, width=1200.0, depth=700.0)
    piece = Piece(id="case", kind=kind, width=1200.0, height=420.0, depth=700.0, ledges=(top,))  # type: ignore[arg-type]
    items = (thing("dish", "bowl", width=300.0, height=70.0, depth=200.0), thing("vase", width=120.0, height=150.0))
    look = arranged(items, (put("dish", x=600.0, z=120.0), put("vase", x=600.0, z=560.0)), piece)
    hidden = next(mark for mark in marks_of(look) if mark.id == "vase").hidden
    assert (hidden < 0.05) is higher


def test_a_row_of_books_counts_as_one_thing_and_a_long_one_as_several() -> None:
    def row(width: float) -> Item:
        return thing("row", "book-row", width=width, height=200.0)

    assert [counted([row(width)]) for width in (60.0, 200.0, 290.0, 310.0, 620.0)] == [1, 1, 1, 2, 3]
    assert counted([row(200.0), thing("urn"), thing("box", "box")]) == 3
