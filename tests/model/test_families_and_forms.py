"""Families by hand, groups, set names, shown colours, paint, outer size, ledges marked in a photograph."""

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, plan_of, put, thing
from jolly_ledge.edits.items import ChangeFamilies
from jolly_ledge.edits.marked_ledges import ledge_at
from jolly_ledge.edits.pieces import ClearLedges, SetOuterSize
from jolly_ledge.edits.regroup import joined_with, moved_to_group
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.geometry.paint import paint_ml
from jolly_ledge.model.census import census
from jolly_ledge.model.duplicates import TwinFinder, twins_in
from jolly_ledge.model.families import family_of, members, merged, name_of, split, stash_families, without
from jolly_ledge.model.item import Covers
from jolly_ledge.model.plan import ColourFamily
from jolly_ledge.model.set_names import set_name
from jolly_ledge.model.starts.tops import coffee_table, console
from jolly_ledge.model.stash_order import lines_of
from jolly_ledge.readings.register import assess

TEAL, SEA, RUST = "#1f6f72", "#2a7f7c", "#b2492b"
STASH = (
    thing("a", colours=((TEAL, 1.0),)),
    thing("b", colours=((SEA, 1.0),)),
    thing("c", colours=((RUST, 1.0),)),
)


def test_near_colours_are_one_family_until_they_are_split() -> None:
    (first, _), (second, _) = stash_families(STASH)
    assert RUST in {first, second}
    assert {first, second} & {TEAL, SEA}
    families = split((), [("teal", (TEAL, SEA))], (SEA,), "sea")
    leaders = [colour for colour, _ in stash_families(STASH, families)]
    assert set(leaders) == {TEAL, SEA, RUST}
    assert name_of(TEAL, families) == "teal"
    assert split(families, [("sea", (SEA,))], (SEA,), "bay")[-1] == ColourFamily(name="bay", colours=(SEA,))
    assert name_of(SEA, families) == "sea"


def test_merged_families_answer_as_one_everywhere() -> None:
    families = merged((), (TEAL, SEA), (RUST,), "harbour")
    ((leader, area),) = stash_families(STASH, families)
    assert leader == TEAL
    assert area == pytest.approx(sum(item.width * item.height for item in STASH))
    assert {family_of(item, (leader,), families) for item in STASH} == {TEAL}
    assert set(members(leader, STASH, (leader,), families)) == {TEAL, SEA, RUST}
    (shelf,) = lines_of(STASH, "family", families)
    assert shelf.title == "Harbour"
    assert without(families, (TEAL, SEA)) == (ColourFamily(name="harbour", colours=(RUST,)),)
    assert without(families, (TEAL, SEA, RUST)) == ()


def test_readings_follow_families_made_by_hand() -> None:
    placements = (put("a", x=150), put("b", x=400), put("c", x=640))
    plain = arranged(STASH, placements)
    plan = plan_of(STASH, placements)
    joined = ChangeFamilies(families=merged((), (TEAL, SEA), (RUST,), "harbour"), label="Merge").apply(plan)
    by_hand = arrange(joined, joined.looks[0])
    echo = {
        name: next(reading for reading in assess(a).readings if reading.id == "colour-echo")
        for name, a in (("plain", plain), ("by hand", by_hand))
    }
    assert any("seen once only" in finding.sentence for finding in echo["plain"].findings)
    assert not any("seen once only" in finding.sentence for finding in echo["by hand"].findings)


def test_things_join_the_set_of_what_they_are_dragged_onto() -> None:
    plan = plan_of(STASH, ())
    pair = joined_with(plan, ("a",), "b")
    assert pair.name == "pair of things"
    after = pair.apply(plan)
    third = joined_with(after, ("c",), "a")
    assert third.name == pair.name
    assert {item.set for item in third.apply(after).stash} == {pair.name}


def test_a_group_that_is_measured_or_gone_takes_nothing() -> None:
    plan = plan_of(STASH, ())
    assert moved_to_group(plan, ("a",), "height", "Over 40 cm high") is None
    assert moved_to_group(plan, ("a",), "kind", "No such kind") is None
    assert moved_to_group(plan, ("a",), "family", "No such family") is None
    edit = moved_to_group(plan, ("a",), "room", "No room told")
    assert edit is not None
    assert edit.apply(plan).item("a").room == ""


def test_set_names_are_fresh() -> None:
    urns = (thing("u", name="clay urn 1"), thing("v", name="clay urn 2"))
    assert set_name(urns) == "pair of urns"
    assert set_name(urns, frozenset({"pair of urns", "pair of urns 2"})) == "pair of urns 3"
    assert set_name((thing("x", name="odd bits"), thing("y", name="bell"), thing("z", name="cup"))) == "set of things"


def test_shown_colours_follow_jacket_and_paint() -> None:
    book = thing("book", "book", colours=(("#aa3333", 0.8), ("#ddcc88", 0.2)))
    jacketed = thing("book", "book", colours=book.colours, covers=Covers(jacket="#336699", board="#222222"))
    assert jacketed.shown_colours == (("#336699", 0.8), ("#ddcc88", 0.2))
    bare = thing(
        "book", "book", colours=book.colours, covers=Covers(jacket="#336699", board="#222222", jacket_off=True)
    )
    assert bare.shown_colours == (("#222222", 1.0),)
    assert thing("x", colours=book.colours, repaint="#00aa00").shown_colours == (("#00aa00", 0.8), ("#ddcc88", 0.2))
    assert book.page_colour == "#eadfc8"


def test_paint_grows_with_the_surface() -> None:
    small = thing("s", silhouette="box", category="box", width=100.0, height=100.0, depth=100.0)
    large = thing("l", silhouette="box", category="box", width=200.0, height=200.0, depth=200.0)
    assert paint_ml(large) == pytest.approx(4 * paint_ml(small), rel=0.01)
    # A cube of 20 cm has 0.24 m²; two coats at about 10 m² for a litre take some 48 ml.
    assert 20 < paint_ml(large) < 80


def test_a_finder_finds_what_the_whole_search_finds() -> None:
    items = tuple(
        thing(f"t{index}", height=200.0 + (index % 7) * 3, colours=((TEAL if index % 2 else RUST, 1.0),))
        for index in range(30)
    )
    finder = TwinFinder(items[:-1])
    assert finder.twin_of(items[-1]) is not None
    assert finder.twin_of(thing("other", height=900.0)) is None
    groups = twins_in(items)
    assert sum(len(group) for group in groups) == 30
    assert TwinFinder().twin_of(items[0]) is None


def test_a_top_and_its_seats_follow_the_outer_size() -> None:
    table = coffee_table()
    plan = plan_of(STASH, (), piece=table)
    wider = SetOuterSize(piece=table.id, side="width", length=table.width + 200).apply(plan).pieces[0]
    assert (wider.width, wider.ledges[0].width) == (table.width + 200, table.width + 200)
    for before, after in zip(table.seats, wider.seats, strict=True):
        assert after.x == before.x + (200 if before.x > table.width else 0)
    higher = SetOuterSize(piece=table.id, side="height", length=500.0).apply(plan).pieces[0]
    assert higher.ledges[0].floor == 500


def test_what_is_in_the_middle_stays_there_when_a_piece_is_widened() -> None:
    table = console()
    plan = plan_of(STASH, (), piece=table)
    wider = SetOuterSize(piece=table.id, side="width", length=table.width + 120).apply(plan).pieces[0]
    mirror = next(one for one in wider.fixtures if one.kind == "mirror")
    assert mirror.left + mirror.width / 2 == wider.width / 2
    assert all(one.left == old.left for one, old in zip(wider.ledges, table.ledges, strict=True))
    assert [one.width for one in wider.ledges] == [old.width + 120 for old in table.ledges]


def test_a_ledge_in_the_middle_is_moved_and_bays_side_by_side_stay() -> None:
    short = replace(case_of(1).ledges[0], left=320.0, width=200.0)
    plan = plan_of(STASH, (), piece=replace(case_of(1), ledges=(short,)))
    wider = SetOuterSize(piece=plan.pieces[0].id, side="width", length=1000.0).apply(plan).pieces[0]
    assert (wider.ledges[0].left, wider.ledges[0].width) == (400.0, 200.0)
    three = tuple(replace(short, id=f"bay-{left:.0f}", left=left, width=240.0) for left in (20.0, 300.0, 580.0))
    plan = plan_of(STASH, (), piece=replace(case_of(1), ledges=three))
    wider = SetOuterSize(piece=plan.pieces[0].id, side="width", length=1000.0).apply(plan).pieces[0]
    assert wider.ledges == three


def test_ledges_marked_in_a_photograph_know_what_is_over_them() -> None:
    plan = plan_of(STASH, (), piece=case_of())
    bare = ClearLedges(piece=plan.pieces[0].id).apply(plan).pieces[0]
    assert not bare.ledges
    upper = ledge_at(bare, 780.0, 20.0, 500.4)
    assert (upper.left, upper.width, upper.floor) == (20.0, 760.0, 500.0)
    assert upper.clearance == pytest.approx(940 - 500, abs=40)
    lower = ledge_at(replace(bare, ledges=(upper,)), 20.0, 780.0, 100.0)
    assert lower.clearance == pytest.approx(400, abs=40)
    assert ledge_at(bare, 20.0, 780.0, 935.0).clearance is None


def test_an_open_top_has_no_census() -> None:
    assert census(coffee_table(), STASH) == ()
