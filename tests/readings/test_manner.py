"""What a manner may ask beyond fullness and figure: habits, ground, what counts as one, what counts more."""

from typing import Any

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.measures.habits import habits_of
from jolly_ledge.measures.wishes import hear
from jolly_ledge.model.look import Look, Manner
from jolly_ledge.model.piece import Wish
from jolly_ledge.model.plan import Plan
from jolly_ledge.readings import contrast, mix, must_haves, odd_groups
from jolly_ledge.readings.register import REGISTER, assess

BOOKS = tuple(
    thing(f"b{n}", "book", width=40.0, colours=((colour, 1.0),))
    for n, colour in enumerate(("#c62828", "#1565c0", "#d84315", "#0d47a1"))
)
FERN = thing("fern", "plant")


def kept(placements: Any, **manner: Any) -> list[float]:
    look = arranged((*BOOKS, FERN), placements, **manner)
    return [round(habit.share, 2) for habit in habits_of(look, look.manner)]


def row(order: tuple[int, ...], **changes: Any) -> tuple[Any, ...]:
    return tuple(put(f"b{n}", x=200.0 + 45.0 * index, **changes) for index, n in enumerate(order))


@pytest.mark.parametrize(
    ("placements", "manner", "shares"),
    [
        (row((0, 1)), {}, []),
        (row((0, 1)), {"books": "upright"}, [1.0]),
        (row((0, 1)), {"books": "flat"}, [0.0]),
        (row((0, 1)), {"books": "mixed"}, [0.0]),
        ((*row((0, 1)), put("b2", x=600.0, pose="flat")), {"books": "mixed"}, [1.0]),
        (row((0, 1)), {"faces": "spines"}, [1.0]),
        (row((0, 1)), {"faces": "pages"}, [0.0]),
        (row((0, 1), pose="spine-in"), {"faces": "pages"}, [1.0]),
        (row((0, 2, 1, 3)), {"faces": "by-colour"}, [1.0]),
        ((put("fern"),), {"greenery": 1}, [1.0]),
        ((put("fern"),), {"greenery": 2}, [0.5]),
        ((put("fern"),), {"greenery": 0}, [0.0]),
        ((put("b0"),), {"greenery": 0}, [1.0]),
    ],
)
def test_habits_are_asked_for_one_by_one(placements: Any, manner: dict[str, Any], shares: list[float]) -> None:
    assert kept(placements, **manner) == shares


def test_books_in_any_order_do_not_run_by_colour() -> None:
    (share,) = kept(row((0, 1, 2, 3)), faces="by-colour")
    assert share < 0.7


def test_a_habit_that_is_not_kept_is_found_and_costs() -> None:
    items = (*BOOKS, thing("urn"), thing("bowl", "bowl", finish="rough"))
    placements = (*row((0, 1)), put("urn", x=500.0), put("bowl", x=680.0))
    asked, plain = arranged(items, placements, books="flat"), arranged(items, placements)
    wanted, usual = mix.read(asked, asked.manner), mix.read(plain, plain.manner)
    assert wanted is not None
    assert usual is not None
    assert wanted.score < usual.score - 0.1
    assert "flat books are wished" in wanted.findings[0].sentence


def test_some_want_things_to_blend_and_some_to_stand_out() -> None:
    soft = (thing("soft", colours=(("#4d6470", 1.0),)),)
    scores = {}
    for ground in ("any", "blend", "stand-out"):
        look = arranged(soft, (put("soft"),), ground=ground)
        reading = contrast.read(look, look.manner)
        assert reading is not None
        scores[ground] = reading.score
    assert scores["stand-out"] < scores["any"] < scores["blend"]


def test_nobody_counts_where_odd_is_off() -> None:
    look = arranged((thing("a"), thing("b")), (put("a", x=300.0), put("b", x=440.0)), odd="off")
    assert odd_groups.read(look, look.manner) is None


def units(look: Arrangement) -> int:
    return len(look.units)


def test_what_counts_as_one_is_the_manner_and_the_stylist() -> None:
    items = (thing("tray", "tray"), thing("a", width=80.0), thing("b", width=80.0), thing("stack", "book-stack"))
    spots = (put("tray", x=250.0), put("a", x=200.0, on="tray"), put("b", x=310.0, on="tray"), put("stack", x=600.0))
    perched = (*spots[:2], spots[3], put("b", x=600.0, on="stack"))
    assert units(arranged(items, spots)) == 2
    assert units(arranged(items, spots, gathered="own")) == 4
    assert units(arranged(items, perched)) == 3
    assert units(arranged(items, perched, perched="together")) == 2
    by_hand = (*spots[:2], replace(spots[2], counts_as="own"), spots[3])
    assert units(arranged(items, by_hand)) == 3


@pytest.mark.parametrize("entry", REGISTER, ids=lambda entry: entry.id)
def test_a_reading_may_count_more_or_not_at_all(entry: Any) -> None:
    usual = entry.weight_for(Manner())
    assert entry.weight_for(Manner(weights=((entry.id, 2.0),))) == pytest.approx(2 * usual)
    assert entry.weight_for(Manner(weights=((entry.id, 0.0),))) == 0.0


def test_what_counts_more_moves_the_whole() -> None:
    items, placements = (thing("a"), thing("b")), (put("a", x=300.0), put("b", x=440.0))
    scores = [
        assess(arranged(items, placements, weights=(("height-rhythm", factor),))).score for factor in (0.0, 1.0, 3.0)
    ]
    assert scores == sorted(scores, reverse=True)
    assert scores[0] > scores[2] + 0.02


# Wishes and what must be kept


@pytest.mark.parametrize(
    ("kind", "ledges", "placements", "met"),
    [
        ("together", (), (put("a", x=200.0), put("b", x=500.0)), [False]),
        ("together", (), (put("tray", x=300.0), put("a", x=250.0, on="tray"), put("b", x=350.0, on="tray")), [True]),
        ("apart", (), (put("a", x=200.0), put("b", x=500.0)), [False]),
        ("apart", (), (put("a", x=200.0), put("c", x=350.0), put("b", x=500.0)), [True]),
        ("apart", (), (put("a", x=200.0), put("b", "a2", x=210.0)), [False]),
        ("apart", (), (put("a", x=200.0), put("b", "a2", x=600.0)), [True]),
        ("only-on", ("a2",), (put("a"),), [False]),
        ("only-on", ("a1",), (put("a"),), [True]),
        ("never-on", ("a1",), (put("a"),), [False]),
        ("mirrored", (), (put("a", x=200.0), put("b", x=600.0)), [True]),
        ("mirrored", (), (put("a", x=200.0), put("b", x=500.0)), [False]),
        ("centred", (), (put("a", x=410.0),), [True]),
        ("centred", (), (put("a", x=480.0),), [False]),
        ("out-of-sight", (), (put("a"),), [False]),
        ("out-of-sight", (), (put("box", x=500.0), put("a", x=None, z=None, inside="box")), [True]),
        ("underlaid", (), (put("a"),), [False]),
        ("underlaid", (), (put("box", x=400.0), put("a", on="box")), [False]),
        ("underlaid", (), (put("tray", x=400.0), put("a", on="tray")), [True]),
    ],
)
def test_wishes_are_heard(kind: Any, ledges: tuple[str, ...], placements: Any, met: list[bool]) -> None:
    piece = case_of(wishes=(Wish(kind=kind, items=("a", "b"), ledges=ledges),))
    items = (thing("a", width=80.0), thing("b", width=80.0), thing("c"), thing("tray", "tray"), thing("box", "box"))
    look = arranged(items, placements, piece)
    heard = list(hear(look))
    assert [wish.met for wish in heard] == met
    reading = must_haves.read(look, look.manner)
    assert reading is not None
    assert [finding.sentence for finding in reading.findings] == [w.sentence for w in heard if not w.met]


def test_what_must_be_kept_here_is_awaited() -> None:
    clock = thing("clock", traits=("must-keep",), room="loft")
    elsewhere = thing("globe", traits=("must-keep",), meant_for=("other",))
    case = case_of()
    look = Look(id="look", piece="case", placements=())
    plan = Plan(pieces=(case,), stash=(clock, elsewhere), looks=(look,))
    arrangement = arrange(plan, look)
    assert [item.id for item in arrangement.awaited] == ["clock"]
    reading = must_haves.read(arrangement, arrangement.manner)
    assert reading is not None
    assert (reading.value, len(reading.findings)) == (0.0, 1)
    assert reading.score < 0.5
    assert "still in the loft" in reading.findings[0].sentence
    placed = arrange(plan, replace(look, placements=(put("clock"),)))
    assert placed.awaited == ()
    two_pieces = replace(plan, pieces=(case, replace(case, id="other")))
    assert arrange(two_pieces, look).awaited == ()
