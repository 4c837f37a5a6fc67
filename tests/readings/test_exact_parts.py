"""Parts of readings at given places: what answers across the middle, what holds a book, what stands before what."""

from typing import Any

import pytest

from builders import arranged, case_of, put, thing
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Ledge
from jolly_ledge.readings import books, colour_echo, figure, how_many, scale
from jolly_ledge.readings.alike_apart import ties_of
from jolly_ledge.readings.figure import figure_lines
from jolly_ledge.readings.reading import Reading
from jolly_ledge.readings.register import by_a_hair
from jolly_ledge.scene.as_seen import as_seen


def urn(name: str, **changes: Any) -> Item:
    known: dict[str, Any] = {"width": 100.0, "depth": 100.0, "height": 200.0, **changes}
    return thing(name, **known)


def look(*placed: tuple[Item, Placement], **manner: Any) -> Arrangement:
    return as_seen(
        arranged(tuple(i for i, _ in placed), tuple(p for _, p in placed), case_of(1, width=840.0), **manner)
    )


def must(reading: Reading | None) -> Reading:
    assert reading is not None
    return reading


def mirrored(*placed: tuple[Item, Placement]) -> Reading:
    arrangement = look(*placed, figure="mirrored")
    return must(figure.read(arrangement, arrangement.manner))


def test_only_what_stands_off_the_middle_wants_an_answer_across_it() -> None:
    twins = mirrored((urn("a"), put("a", x=100.0)), (urn("b"), put("b", x=700.0)))
    with_middle = mirrored(
        (urn("a"), put("a", x=100.0)), (urn("b"), put("b", x=700.0)), (urn("c", height=320.0), put("c", x=400.0))
    )
    one_side = mirrored((urn("a"), put("a", x=100.0)), (urn("b"), put("b", x=300.0)))
    assert twins.value == pytest.approx(1.0)
    assert with_middle.value == pytest.approx(1.0)
    assert one_side.value < 0.1


@pytest.mark.parametrize("changes", [{"height": 320.0}, {"width": 190.0}])
def test_an_answer_of_another_size_or_place_is_less_of_an_answer(changes: dict[str, float]) -> None:
    twins = mirrored((urn("a"), put("a", x=100.0)), (urn("b"), put("b", x=700.0)))
    other = mirrored((urn("a"), put("a", x=100.0)), (urn("b", **changes), put("b", x=700.0)))
    off = mirrored((urn("a"), put("a", x=100.0)), (urn("b"), put("b", x=620.0)))
    assert 0.2 < other.value < twins.value
    assert off.value < twins.value


def test_a_pair_is_shown_once_from_middle_to_middle() -> None:
    arrangement = look((urn("a"), put("a", x=100.0)), (urn("b"), put("b", x=700.0)), figure="mirrored")
    (line,) = figure_lines(arrangement)
    assert [(round(x), round(y)) for x, y in line.points] == [(120, 200), (720, 200)]
    assert line.fit == pytest.approx(1.0)
    far = look((urn("a"), put("a", x=100.0)), (urn("b"), put("b", x=300.0)), figure="mirrored")
    assert figure_lines(far) == ()


def upright(name: str, **changes: Any) -> Item:
    known: dict[str, Any] = {"width": 30.0, "height": 240.0, "depth": 160.0, **changes}
    return thing(name, "book", **known)


def cost_of(*placed: tuple[Item, Placement]) -> float:
    """Return how far the book that comes first is not at home, 0 where it is."""
    arrangement = look(*placed)
    reading = must(books.read(arrangement, arrangement.manner))
    return 1 - dict(reading.contributions)[placed[0][0].id]


STANDS = (upright("tome"), put("tome", x=400.0))


@pytest.mark.parametrize(
    ("beside", "holds"),
    [
        ((urn("hold"), put("hold", x=470.0)), True),
        ((urn("hold"), put("hold", x=330.0)), True),
        ((urn("hold"), put("hold", x=560.0)), False),
        ((urn("hold", height=60.0), put("hold", x=470.0)), False),
        ((urn("hold", depth=40.0), put("hold", x=470.0, z=280.0)), False),
    ],
    ids=["right", "left", "far", "low", "behind"],
)
def test_a_book_is_held_by_what_is_near_high_enough_and_in_its_depth(
    beside: tuple[Item, Placement], holds: bool
) -> None:
    assert (cost_of(STANDS, beside) < 0.1) is holds


def test_a_book_is_held_by_the_side_of_its_case() -> None:
    assert cost_of((upright("tome"), put("tome", x=16.0))) < 0.1
    assert cost_of((upright("tome"), put("tome", x=784.0))) < 0.1
    assert cost_of(STANDS) > 0.5


def test_a_row_that_steps_up_and_down_is_more_ragged_than_one_that_only_falls() -> None:
    def loss(*heights: float) -> float:
        row = [(upright(f"b{n}", height=high), put(f"b{n}", x=16.0 + 31.0 * n)) for n, high in enumerate(heights)]
        end = (urn("end"), put("end", x=16.0 + 31.0 * len(heights) + 40.0))
        arrangement = look(*row, end)
        return must(books.read(arrangement, arrangement.manner)).loss or 0.0

    even, falling, ragged = loss(240, 240, 240, 240), loss(250, 230, 210, 190), loss(250, 190, 250, 190)
    assert even == pytest.approx(falling)
    assert ragged > falling + 0.05


def test_a_stack_laid_askew_is_more_restless_than_one_laid_true() -> None:
    def loss(aside: float, wide: float = 180.0) -> float:
        lower = (upright("lower", depth=180.0), put("lower", x=400.0, pose="flat"))
        upper = upright("upper", height=wide)
        arrangement = look(lower, (upper, put("upper", x=400.0 + aside, pose="flat", on="lower")))
        return must(books.read(arrangement, arrangement.manner)).loss or 0.0

    assert loss(40.0) > loss(20.0) > loss(0.0)
    assert loss(-40.0) == pytest.approx(loss(40.0))
    # What is as large as what it lies on makes a block of it.
    assert loss(0.0, 240.0) > loss(0.0, 200.0)


def test_an_accent_that_returns_far_away_on_another_level_echoes_more() -> None:
    red = (("#b3202a", 1.0),)
    plain = (("#e9e4da", 1.0),)

    def read(*placed: tuple[Item, Placement]) -> Reading:
        rest = (urn("plain", colours=plain, width=200.0), put("plain", "a1", x=650.0))
        things = (*placed, rest)
        arrangement = as_seen(arranged(tuple(i for i, _ in things), tuple(p for _, p in things), case_of(2)))
        return must(colour_echo.read(arrangement, arrangement.manner))

    first = (urn("a", colours=red), put("a", "a1", x=100.0))
    once = read(first)
    beside = read(first, (urn("b", colours=red), put("b", "a1", x=210.0)))
    across = read(first, (urn("b", colours=red), put("b", "a2", x=700.0)))
    assert once.score < beside.score < across.score
    assert (once.value, across.value) == (0.0, 1.0)
    assert len(once.findings) == 1
    assert across.findings == ()
    assert (once.shown, across.shown) == ("0 of 1", "1 of 1")


def test_a_board_that_hangs_from_a_rail_is_not_measured_as_a_picture_over_it() -> None:
    rail = Ledge(id="rail", left=0.0, floor=1400.0, width=1000.0, depth=60.0, clearance=600.0, surface="wall")
    piece = case_of(ledges=(rail,), kind="other", width=1000.0, height=2000.0, depth=60.0)
    for category, is_measured in (("board", False), ("art", True)):
        item = thing("it", category, width=200.0, height=300.0, depth=20.0)
        arrangement = as_seen(arranged((item,), (put("it", "rail", x=300.0, z=30.0, y=200.0, pose="hung"),), piece))
        assert (scale.read(arrangement, arrangement.manner) is not None) is is_measured


@pytest.mark.parametrize(("held", "is_told"), [(5, False), (6, True)])
@pytest.mark.parametrize("host", ["tray", "box"])
def test_a_tray_that_holds_more_than_a_handful_is_crowded_inside(host: str, held: int, is_told: bool) -> None:
    tray = thing("host", host, width=600.0, height=30.0, depth=280.0)
    cups = [(urn(f"c{n}", width=70.0, depth=70.0, height=90.0), 150.0 + 90.0 * n) for n in range(held)]
    placed = [(cup, put(cup.id, x=x, on="host")) for cup, x in cups]
    arrangement = look((tray, put("host", x=400.0)), *placed)
    reading = must(how_many.read(arrangement, arrangement.manner))
    told = [finding for finding in reading.findings if "seen each for itself" in finding.sentence]
    assert bool(told) is (is_told and host == "tray")
    if told:
        assert told[0].placements == ("host", *(cup.id for cup, _ in cups))


def test_likes_compete_where_they_are_near_and_tie_where_they_are_far() -> None:
    twins = (urn("a"), put("a", "a1", x=100.0)), (urn("b"), put("b", "a1", x=230.0))
    apart = (urn("a"), put("a", "a1", x=60.0)), (urn("b"), put("b", "d1", x=740.0))
    for placed, competes in ((twins, True), (apart, False)):
        arrangement = as_seen(arranged(tuple(i for i, _ in placed), tuple(p for _, p in placed), case_of(1, 4)))
        (tie,) = ties_of(arrangement)
        assert tie.competes is competes
        assert {tie.first.lead.id, tie.second.lead.id} == {"a", "b"}


@pytest.mark.parametrize("side", [-1, 1])
def test_what_touches_a_book_holds_it_as_what_stands_a_hair_away_does(side: int) -> None:
    book = thing("book", "book", width=30.0, height=240.0, depth=170.0)

    def score(gap: float) -> float:
        x = 400.0 + side * (15.0 + gap + 60.0)
        chest = thing("chest", "box", width=120.0, height=200.0, depth=170.0)
        read = look((book, put("book", x=400.0)), (chest, put("chest", x=x)))
        return must(books.read(read, read.manner)).score

    assert score(0.0) == pytest.approx(score(2.0), abs=0.02)
    assert score(0.0) > score(200.0)


def test_what_differs_by_a_hair_does_so_whichever_is_the_better() -> None:
    for near in (0.5, 0.505, 0.495):
        assert by_a_hair(0.5, near)
        assert by_a_hair(near, 0.5)
    for far in (0.52, 0.48, 0.9):
        assert not by_a_hair(0.5, far)
        assert not by_a_hair(far, 0.5)
