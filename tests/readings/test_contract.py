"""What holds for every reading and every caution, whatever it measures."""

import math
from collections.abc import Callable
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from jolly_ledge.cautions.register import REGISTER as CAUTIONS
from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner, Placement
from jolly_ledge.model.piece import Fixture, Ledge, Seat
from jolly_ledge.model.plan import Plan
from jolly_ledge.readings.reading import Reading
from jolly_ledge.readings.register import NAMES, QUESTIONS, REGISTER, UNIT, ReadingEntry, assess, loss_of
from jolly_ledge.scene.as_seen import as_seen

EACH = pytest.mark.parametrize("entry", REGISTER, ids=lambda entry: entry.id)
PALETTE = ("#c4663c", "#25405c", "#efe8d8", "#b9934c", "#66874f", "#222222")
CATEGORIES = ("vessel", "book", "bowl", "frame", "plant", "box", "sculpture")


def things(count: int) -> tuple[Item, ...]:
    return tuple(
        thing(
            f"t{i}",
            CATEGORIES[i % len(CATEGORIES)],
            height=80.0 + 37 * (i % 7),
            width=60.0 + 23 * (i % 5),
            colours=((PALETTE[i % len(PALETTE)], 1.0),),
        )
        for i in range(count)
    )


def spread(items: tuple[Item, ...], z: Callable[[int], float] = lambda i: 90.0 + 40 * (i % 4)) -> tuple[Placement, ...]:
    ledges = ("a1", "b1", "a2", "b2")
    return tuple(put(item.id, ledges[i % 4], x=90.0 + 150 * (i // 4), z=z(i)) for i, item in enumerate(items))


ITEMS = things(16)
LOOK = spread(ITEMS)
PIECE = case_of(2, 2)


OF_A_TABLE = frozenset(
    {"all-round", "cohesion", "stack-order", "kept-clear", "seen-shut", "sight-line", "working-room", "must-haves"}
)
"""Readings that a plain bookcase gives nothing to read."""

TABLE_ITEMS = (
    thing("stack", "book-stack"),
    thing("urn", height=420.0, traits=("daily-use",)),
    thing("box", "box", traits=("hide",)),
    thing("bowl", "bowl", finish="gloss"),
    thing("bust", "sculpture", traits=("one-faced",)),
    thing("atlas", "book", width=40.0),
)
TABLE_LOOK = (
    put("stack", x=300.0, z=200.0),
    put("atlas", on="stack", x=300.0, z=200.0, pose="flat"),
    put("urn", x=830.0, z=450.0),
    put("box", x=1200.0, z=700.0),
    put("bowl", x=560.0, z=300.0),
    put("bust", x=1000.0, z=250.0),
)
TABLE = case_of(
    kind="dining-table",
    viewed_from="around",
    use=("eating",),
    doors="glazed",
    seen_shut=True,
    width=1660.0,
    height=750.0,
    depth=900.0,
    ledges=(Ledge(id="a1", name="a1", left=0.0, floor=750.0, width=1660.0, depth=900.0),),
    seats=(Seat(x=400.0, z=-300.0), Seat(x=400.0, z=1200.0), Seat(x=1260.0, z=1200.0)),
    fixtures=(
        Fixture(kind="mirror", left=530.0, floor=900.0, width=600.0, height=600.0),
        Fixture(kind="bar", left=800.0, floor=750.0, width=60.0, height=800.0),
    ),
)


def world(
    entry: ReadingEntry, items: tuple[Item, ...] = (), placements: tuple[Placement, ...] = (), *, mirrored: bool = False
) -> Arrangement:
    """Return a look that a reading applies to, with more in it, or mirrored left to right."""
    if entry.id in OF_A_TABLE:
        look = tuple(replace(p, x=1660 - (p.x or 0.0)) for p in TABLE_LOOK) if mirrored else TABLE_LOOK
        moved = tuple(replace(p, ledge="a1") for p in placements)
        return arranged((*TABLE_ITEMS, *items), (*look, *moved), TABLE)
    swapped = {"a1": "b1", "b1": "a1", "a2": "b2", "b2": "a2"}
    look = tuple(replace(p, ledge=swapped[p.ledge], x=800 - (p.x or 0.0)) for p in LOOK) if mirrored else LOOK
    return whole((*ITEMS, *items), (*look, *placements))


def read(entry: ReadingEntry, arrangement: Arrangement) -> Reading | None:
    return entry.read(as_seen(arrangement), arrangement.manner)


def whole(items: tuple[Item, ...] = ITEMS, placements: tuple[Placement, ...] = LOOK, **manner: Any) -> Arrangement:
    return arranged(items, placements, PIECE, **manner)


@EACH
def test_it_applies_to_a_full_look(entry: ReadingEntry) -> None:
    reading = read(entry, world(entry))
    assert reading is not None
    assert reading.id == entry.id
    assert loss_of(reading) >= 0.0
    assert 0.0 <= reading.score <= 1.0
    assert reading.limits[0] <= reading.band[0] < reading.band[1] <= reading.limits[1]
    assert reading.contributions or reading.score == 1.0


@EACH
def test_it_is_pure(entry: ReadingEntry) -> None:
    assert read(entry, world(entry)) == read(entry, world(entry))


@EACH
def test_the_order_of_the_file_does_not_matter(entry: ReadingEntry) -> None:
    forward = world(entry)
    look = replace(forward.look, placements=tuple(reversed(forward.look.placements)))
    stash = {placed.item.id: placed.item for placed in forward.placed_items}
    one, other = read(entry, forward), read(entry, Arrangement(forward.piece, stash, look))
    assert one is not None
    assert other is not None
    assert one.score == pytest.approx(other.score)
    assert one.value == pytest.approx(other.value)
    assert {finding.sentence for finding in one.findings} == {finding.sentence for finding in other.findings}


@EACH
def test_what_cannot_be_seen_changes_nothing(entry: ReadingEntry) -> None:
    hidden = (thing("chest", "box", traits=("lidded",)), thing("router", "device", colours=(("#ff00ff", 1.0),)))
    chest = put("chest", "b2", x=600, z=150)
    shown = world(entry, hidden, (chest,))
    filled = world(entry, hidden, (chest, put("router", "b2", inside="chest", x=None, z=None)))
    assert read(entry, shown) == read(entry, filled)


@EACH
def test_what_is_only_in_the_stash_changes_nothing(entry: ReadingEntry) -> None:
    assert read(entry, world(entry)) == read(entry, world(entry, tuple(replace(i, id=f"x{i.id}") for i in ITEMS)))


@EACH
def test_a_mirrored_look_reads_the_same(entry: ReadingEntry) -> None:
    one, other = read(entry, world(entry)), read(entry, world(entry, mirrored=True))
    assert one is not None
    assert other is not None
    # The case's own sides differ by 20 mm, so the axis moves a little.
    assert one.score == pytest.approx(other.score, abs=0.06)


@EACH
def test_it_is_named_asked_for_and_weighed(entry: ReadingEntry) -> None:
    assert NAMES[entry.id] == entry.name
    assert entry.question in QUESTIONS
    assert entry.id == entry.name.lower().replace(" ", "-")


@EACH
@pytest.mark.parametrize("figure", ["peaks", "weave", "mirrored"])
@pytest.mark.parametrize("fullness", ["airy", "layered", "abundant"])
def test_it_reads_in_every_manner(entry: ReadingEntry, figure: str, fullness: str) -> None:
    reading = read(entry, whole(figure=figure, fullness=fullness))
    assert reading is None or 0.0 <= reading.score <= 1.0


@EACH
def test_one_thing_alone_can_be_read(entry: ReadingEntry) -> None:
    reading = read(entry, arranged((thing("vase"),), (put("vase"),)))
    assert reading is None or reading.sentence.endswith(".")


@EACH
def test_a_finding_names_what_it_speaks_of(entry: ReadingEntry, demo: Plan) -> None:
    arrangement = (
        world(entry)
        if entry.id in OF_A_TABLE
        else arrange(demo, demo.look("first-try" if entry.id == "books" else "before"))
    )
    reading = read(entry, arrangement)
    assert reading is not None
    for finding in reading.findings:
        assert finding.reading == entry.id
        assert finding.placements
        assert finding.gravity >= 0.0
        labels = [arrangement.by_id[identifier].item.label for identifier in finding.placements]
        ledges = [arrangement.by_id[identifier].ledge.label for identifier in finding.placements]
        sentence = finding.sentence.lower()
        general = "the whole" in sentence or "books" in sentence
        assert general or any(word.lower() in sentence for word in labels + ledges), finding.sentence


def test_the_total_is_what_all_readings_lose_together() -> None:
    arrangement = whole(figure="mirrored", fullness="airy")
    assessment = assess(arrangement)
    manner = arrangement.manner
    read_ones = {reading.id: loss_of(reading) for reading in assessment.readings}
    lost = sum(entry.weight_for(manner) * read_ones.get(entry.id, entry.neutral) for entry in REGISTER)
    assert assessment.loss == pytest.approx(lost)
    assert assessment.score == pytest.approx(math.exp(-lost / UNIT))
    assert sum(assessment.by_question.values()) == pytest.approx(lost)
    assert assessment.reading("palette") is not None
    assert assessment.reading("nothing") is None
    shares, graves = dict(assessment.losses), dict.fromkeys(read_ones, 0.0)
    for finding in assessment.findings:
        graves[finding.reading] += finding.gravity
    gains = [shares[f.reading] * f.gravity / (graves[f.reading] or 1.0) for f in assessment.findings]
    assert gains == pytest.approx(sorted(gains, reverse=True))


def test_no_single_reading_decides_alone() -> None:
    for manner in (Manner(), Manner(figure="mirrored"), Manner(fullness="airy")):
        weights = [entry.weight_for(manner) for entry in REGISTER]
        assert max(weights) < 0.15 * sum(weights)


@pytest.mark.parametrize("name", [name for name, _ in CAUTIONS])
def test_cautions_are_pure_and_do_not_mind_the_order(name: str, demo: Plan) -> None:
    check = dict(CAUTIONS)[name]
    look = demo.look("before")
    backwards = replace(look, placements=tuple(reversed(look.placements)))
    one = {(c.level, frozenset(c.placements)) for c in check(arrange(demo, look))}
    other = {(c.level, frozenset(c.placements)) for c in check(arrange(demo, backwards))}
    assert one == other


@settings(max_examples=60, deadline=None)
@given(st.lists(st.tuples(st.integers(0, 3), st.floats(-300, 1100), st.floats(-200, 500)), max_size=8))
def test_any_look_has_cautions_that_name_what_is_there(spots: list[tuple[int, float, float]]) -> None:
    items = things(len(spots))
    ledges = ("a1", "a2", "b1", "b2")
    placements = tuple(put(f"t{i}", ledges[ledge], x, z) for i, (ledge, x, z) in enumerate(spots))
    arrangement = whole(items, placements)
    for caution in cautions_of(arrangement):
        assert set(caution.placements) <= arrangement.by_id.keys()
        assert caution.sentence.endswith(".")
        assert caution.level in ("stop", "heed", "unknown")


@settings(max_examples=60, deadline=None)
@given(st.floats(0, 740), st.floats(0, 740))
def test_two_things_collide_as_often_as_each_other(first: float, second: float) -> None:
    items = (thing("a", "box"), thing("b", "box"))
    one = cautions_of(arranged(items, (put("a", x=first), put("b", x=second))))
    other = cautions_of(arranged(items, (put("b", x=second), put("a", x=first))))
    assert {c.id for c in one} == {c.id for c in other}
    assert ("collision" in {c.id for c in one}) is (abs(first - second) < 299)
