"""Who reads from shelves misses rows of books there, and among many rows a stack that rests the eye."""

from random import Random

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, thing
from jolly_ledge.model.look import Manner
from jolly_ledge.model.piece import Piece
from jolly_ledge.proposals.composing.books_shown import books_missed
from jolly_ledge.proposals.composing.composition import Composition
from jolly_ledge.proposals.composing.pool import GroupPool
from jolly_ledge.proposals.groups.group import Group, Member
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.problem import problem_of

ROWS = tuple(thing(f"row{n}", "book-row", width=200.0, height=240.0, depth=160.0) for n in range(4))
LOOSE = tuple(thing(f"book{n}", "book", width=30.0, height=240.0, depth=180.0) for n in range(4))


def shelves(use: tuple[str, ...] = (), kind: str = "wall-shelves") -> Piece:
    return replace(case_of(4), kind=kind, use=use)


def composition(piece: Piece, rows: int, stacks: int = 1) -> Composition:
    """Return a composition with so many rows and stacks, one to a shelf."""
    problem = problem_of(plan_of((*ROWS, *LOOSE), (), piece), piece.id, Manner())
    stock = Stock(problem, Random(1))
    named = [("row", one.id) for one in ROWS[:rows]] + [("stack", one.id) for one in LOOSE[:stacks]]
    groups = []
    for number, (form, name) in enumerate(named):
        ledge, member = stock.ledges[number % len(stock.ledges)], stock.things[name]
        group = Group(form, ledge.depth)
        group.members.append(Member(member, member.pose, 200.0, 100.0))
        groups.append((ledge, group))
    return Composition(stock, tuple(groups), (), GroupPool())


def test_who_reads_misses_every_row_up_to_half_of_the_shelves() -> None:
    missed = [books_missed(composition(shelves(("reading",)), rows)) for rows in range(4)]
    assert missed[0] > missed[1] > missed[2] == missed[3] == 0.0


def test_shelves_for_other_uses_miss_no_books_and_a_bookcase_misses_them_less_than_a_reader() -> None:
    assert books_missed(composition(shelves(("display",)), 0, 0)) == 0.0
    own = books_missed(composition(shelves(("display",), "bookcase"), 0))
    assert 0.0 < own < books_missed(composition(shelves(("reading",), "bookcase"), 0))


def test_many_rows_want_something_that_lies_among_them() -> None:
    few, more = (books_missed(composition(shelves(("reading",)), 3, stacks)) for stacks in (0, 2))
    assert few > more == 0.0


@pytest.mark.parametrize("kind", ["console", "mantel"])
def test_a_top_without_shelves_misses_no_rows(kind: str) -> None:
    piece = shelves(("reading",), kind)
    top = replace(piece, ledges=(replace(piece.ledges[0], clearance=None),))
    assert books_missed(composition(top, 0, 0)) == 0.0
