"""Many books that must be there stand in rows: none is lost, series are unbroken, the ledger tells what has no room."""

from collections import Counter
from itertools import pairwise
from random import Random

import pytest
from msgspec.structs import replace

from builders import thing
from jolly_ledge.cautions.stuff import likely_mass
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.starts.gallery import STARTS
from jolly_ledge.model.words import BookFaces
from jolly_ledge.proposals.composing.library import ledger_of, rows_of_many
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import proposals
from jolly_ledge.proposals.thing import Thing

COLOURS = ("#5f7486", "#eee9df", "#a9583a", "#6f7d56")


def books(count: int, seed: int = 4, **more: object) -> tuple[Item, ...]:
    rng = Random(seed)
    return tuple(
        thing(
            f"book{number}", "book", width=float(rng.randint(18, 40)), height=float(rng.randint(190, 270)),
            depth=float(rng.randint(130, 190)), colours=((rng.choice(COLOURS), 1.0),), traits=("must-keep",),
            **more,
        )
        for number in range(count)
    )  # fmt: skip


def piece_of(start: str) -> Piece:
    return next(one for one in STARTS if one.id == start).make()


def stock_for(start: str, stash: tuple[Item, ...], faces: BookFaces = "any") -> Stock:
    piece = piece_of(start)
    problem = problem_of(Plan(name="books", pieces=(piece,), stash=stash), piece.id, Manner(faces=faces))
    return Stock(problem, Random(1))


@pytest.mark.parametrize("start", ["wall-shelves", "bookcase"])
def test_sixty_books_on_a_few_boards_stand_in_rows(start: str) -> None:
    piece = piece_of(start)
    plan = Plan(name="books", pieces=(piece,), stash=books(60))
    (one,) = proposals([problem_of(plan, piece.id, Manner())], 1, steps=4).found
    assert one.is_valid
    assert not one.left_out
    assert len(one.look.placements) == 60
    upright = [placement for placement in one.look.placements if placement.pose == "upright"]
    assert len(upright) >= 48
    assert len({placement.ledge for placement in upright}) == len([one for one in piece.ledges if not one.is_wall])


def test_rows_hold_every_book_once_and_are_tight() -> None:
    stock = stock_for("bookcase", books(50))
    rows = rows_of_many(stock)
    ids = [member.thing.id for _, group in rows for member in group]
    assert sorted(ids) == sorted(stock.must)
    for ledge, group in rows:
        placed = sorted((member for member in group if member.stands), key=lambda member: member.left)
        for one, other in pairwise(placed):
            assert other.left == pytest.approx(one.right, abs=0.5)
        assert group.left >= -0.01
        assert group.right <= ledge.width + 0.01


def test_few_books_come_as_other_things_do() -> None:
    assert rows_of_many(stock_for("bookcase", books(5))) == []


def test_a_series_is_unbroken() -> None:
    series = tuple(
        thing(f"part{number}", "book", width=30.0, height=200.0 + 9 * number, depth=150.0, set="travels",
              traits=("must-keep",))
        for number in range(6)
    )  # fmt: skip
    stock = stock_for("bookcase", (*books(30), *series))
    where = [
        (ledge.id, number)
        for ledge, group in rows_of_many(stock)
        for number, member in enumerate(sorted(group, key=lambda member: member.left))
        if member.thing.item.set == "travels"
    ]
    assert len(where) == 6
    assert len({ledge for ledge, _ in where}) == 1
    places = sorted(number for _, number in where)
    assert places == list(range(places[0], places[0] + 6))


def test_by_hue_books_of_one_hue_stand_together() -> None:
    stock = stock_for("bookcase", books(40), "by-colour")
    runs = 0
    for _, group in rows_of_many(stock):
        families = [member.thing.family for member in sorted(group, key=lambda member: member.left)]
        runs += 1 + sum(one != other for one, other in pairwise(families))
    assert runs <= 4 + 4


def test_the_ledger_tells_what_is_left_over_and_who_is_too_tall() -> None:
    giant = thing("giant", "book", width=40.0, height=600.0, depth=200.0, traits=("must-keep",))
    stock = stock_for("bookcase", (*books(200), giant))
    ledger = ledger_of(stock, [Thing(item) for item in (*books(200), giant)])
    assert [book.id for book in ledger.homeless] == ["giant"]
    assert ledger.length == pytest.approx(sum(book.width for book in books(200)))
    assert ledger.left_over > 1000.0
    assert ledger_of(stock, [Thing(item) for item in books(10)]).left_over == 0.0


def test_books_that_find_no_room_are_told_with_their_length() -> None:
    piece = piece_of("wall-shelves")
    plan = Plan(name="books", pieces=(piece,), stash=books(150))
    (one,) = proposals([problem_of(plan, piece.id, Manner())], 1, steps=1).found
    assert not one.is_valid
    metres = sum(book.width for book in books(150)) / 1000
    assert f"the books are {metres:.1f} m long" in one.left_out[0]
    assert "the shelves take" in one.left_out[0]


def test_rows_keep_to_what_their_boards_are_rated_for() -> None:
    piece = piece_of("bookcase")
    rated = tuple(replace(ledge, load_limit=4.0) for ledge in piece.ledges)
    plan = Plan(name="books", pieces=(replace(piece, ledges=rated),), stash=books(40, mass=0.6))
    problem = problem_of(plan, piece.id, Manner())
    stock = Stock(problem, Random(1))
    rows = rows_of_many(stock)
    assert len(rows) == len(rated)
    assert all(sum(member.thing.item.mass or 0.0 for member in group) <= 4.0 for _, group in rows)
    # What is left weighs too much for what the boards may still carry, and that is told.
    (one,) = proposals([problem], 1, steps=2).found
    carried = Counter(placement.ledge for placement in one.look.placements)
    assert max(carried.values()) * 0.6 <= 4.0
    assert not one.is_valid
    assert f"the books weigh about 24 kg and the shelves are rated for {4 * len(rated)} kg more" in one.left_out[0]


def test_a_book_nobody_weighed_counts_what_its_kind_weighs() -> None:
    stock = stock_for("bookcase", books(40))
    ledger = ledger_of(stock, [thing for thing in stock.things.values() if thing.category == "book"])
    assert ledger.mass == pytest.approx(sum(likely_mass(thing.item) for thing in ledger.books))
    assert not ledger.is_too_heavy
