"""Scale among the things of a group and of a small top."""

from itertools import pairwise

import pytest

from builders import arranged, case_of, put, thing
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.measures.among_things import anchors_against_next, small_tops
from jolly_ledge.model.item import Item
from jolly_ledge.model.piece import Ledge, Piece


def two_boxes(width: float, height: float, figure: str = "peaks") -> Arrangement:
    things = (thing("large", "box", width=200.0, height=300.0), thing("next", "box", width=width, height=height))
    return arranged(things, (put("large", x=200.0), put("next", x=310.0 + width / 2)), case_of(1), figure=figure)


@pytest.mark.parametrize(
    ("width", "height", "is_found"),
    [(200.0, 300.0, True), (130.0, 200.0, False), (196.0, 296.0, True), (380.0, 158.0, False), (30.0, 40.0, True)],
    ids=["twins", "two thirds", "nearly twins", "tall and broad", "crumb"],
)
def test_the_next_is_about_two_thirds_of_the_anchor(width: float, height: float, is_found: bool) -> None:
    found = anchors_against_next(two_boxes(width, height))
    assert [bool(one.problem) for one in found] == [is_found]


def test_pairs_about_a_middle_are_meant_to_match() -> None:
    assert not anchors_against_next(two_boxes(200.0, 300.0, figure="mirrored"))


def test_a_small_change_of_size_makes_no_jump() -> None:
    scores = [anchors_against_next(two_boxes(width, 300.0))[0].score for width in range(20, 201, 2)]
    assert max(abs(after - before) for before, after in pairwise(scores)) < 0.12


def table(side: float) -> Piece:
    ledge = Ledge(id="a1", left=0.0, floor=450.0, width=side, depth=side)
    return Piece(id="case", kind="coffee-table", width=side, height=450.0, depth=side, ledges=(ledge,))


def on_table(side: float, *things: Item) -> Arrangement:
    placed = tuple(put(one.id, x=side * (n + 1) / (len(things) + 1), z=side / 2) for n, one in enumerate(things))
    return arranged(things, placed, table(side))


TINY = tuple(thing(f"tiny{n}", width=60.0, height=80.0, depth=60.0) for n in range(2))
LARGE = tuple(thing(f"large{n}", width=240.0, height=420.0, depth=200.0) for n in range(2))


def test_a_small_table_wants_some_small_versions_and_not_all() -> None:
    all_small, all_large = small_tops(on_table(600.0, *TINY)), small_tops(on_table(600.0, *LARGE))
    mixed = small_tops(on_table(600.0, TINY[0], LARGE[0]))
    assert "is small" in all_small[0].problem
    assert "is large" in all_large[0].problem
    assert not mixed[0].problem
    assert mixed[0].score > max(all_small[0].score, all_large[0].score)


def test_a_large_table_is_not_asked() -> None:
    assert small_tops(on_table(600.0, TINY[0])) == []
    assert small_tops(on_table(1200.0, *TINY)) == []
