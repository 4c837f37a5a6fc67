"""Groups stand near each other or clear, not at middling gaps; a shelf is filled to its ends and alternates."""

from collections.abc import Sequence
from itertools import pairwise
from random import Random

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, thing
from households import household
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner
from jolly_ledge.model.words import FULLNESSES, Fullness
from jolly_ledge.proposals.composing.composition import composed, recomposed
from jolly_ledge.proposals.composing.liking import liking_of
from jolly_ledge.proposals.composing.liking_of_spacing import (
    CLEAR,
    WIDE_SHELF_MM,
    empty_ends,
    monotony,
    not_apart,
    palisade,
)
from jolly_ledge.proposals.composing.refining import refined
from jolly_ledge.proposals.composing.spread import FINGER_MM, near_or_clear, spread
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.problem import problem_of

KINDS = ("vessel", "bowl", "sculpture", "object")


def stock_of(*items: Item, fullness: Fullness = "layered") -> Stock:
    manner = Manner(fullness=fullness)
    return Stock(problem_of(plan_of(items, (), case_of(1)), "case", manner), Random(3))


def singles(stock: Stock, lefts: Sequence[float]) -> list[Group]:
    """Return a group of one thing of the stock at each of these left edges (mm); forms and heights differ."""
    groups = []
    for number, left in enumerate(lefts):
        group = Group(f"form-{number}", stock.ledges[0].depth)
        group.set_down(stock.things[f"thing-{number}"], "back")
        groups.append(group.shift(left - group.left))
    return groups


def four_kinds(fullness: Fullness = "layered") -> Stock:
    items = [thing(f"thing-{n}", kind, width=120.0, depth=100.0, height=100.0 + 60 * n) for n, kind in enumerate(KINDS)]
    return stock_of(*items, fullness=fullness)


@pytest.mark.parametrize("seed", range(5))
def test_all_gaps_are_narrow_but_one_which_takes_what_is_left(seed: int) -> None:
    stock = four_kinds()
    stock.rng.seed(seed)
    gaps = near_or_clear(stock, 200.0, 3)
    assert sum(gaps) == pytest.approx(200.0)
    narrow = sorted(gaps)[:2]
    assert all(FINGER_MM[0] <= gap <= FINGER_MM[1] for gap in narrow)
    # Where little is free, all of them are the same.
    assert near_or_clear(stock, 6.0, 3) == [2.0, 2.0, 2.0]


@pytest.mark.parametrize("fullness", FULLNESSES)
@pytest.mark.parametrize("order", [1, -1])
def test_a_shelf_is_filled_to_its_ends_unless_it_is_airy(fullness: Fullness, order: int) -> None:
    stock = four_kinds(fullness)
    ledge = stock.ledges[0]
    groups = spread(stock, ledge, singles(stock, (0.0, 0.0, 0.0, 0.0)), order)
    ends = [groups[0].left, ledge.width - groups[-1].right]
    assert all(end <= 0.05 * ledge.width for end in ends) == (fullness != "airy")
    gaps = [other.left - one.right for one, other in pairwise(groups)]
    assert sum(FINGER_MM[0] - 0.1 <= gap <= FINGER_MM[1] for gap in gaps) == len(gaps) - 1
    assert [group.form for group in groups] == [f"form-{n}" for n in range(4)][::order]


def test_on_a_shelf_every_gap_over_a_few_fingers_costs_and_so_does_touching() -> None:
    stock = four_kinds()
    ledge = stock.ledges[0]

    def cost(gap: float) -> float:
        return not_apart(stock, ledge, singles(stock, [20.0 + n * (120.0 + gap) for n in range(3)]))

    assert cost(15.0) == cost(20.0) == 0.0
    assert cost(0.0) > cost(6.0) > 0.0
    assert cost(100.0) > cost(60.0) > 0.0


def test_what_is_airy_bears_gaps_that_a_layered_shelf_does_not() -> None:
    airy, layered = four_kinds("airy"), four_kinds()
    costs = [not_apart(stock, stock.ledges[0], singles(stock, (20.0, 240.0, 460.0))) for stock in (airy, layered)]
    assert 0 < costs[0] < costs[1] / 2


@pytest.mark.parametrize("width", [WIDE_SHELF_MM - 10, WIDE_SHELF_MM + 10])
def test_a_wide_shelf_may_have_one_rest_if_it_is_clear(width: float) -> None:
    stock = four_kinds()
    ledge = replace(stock.ledges[0], width=width)

    def cost(gap: float) -> float:
        return not_apart(stock, ledge, singles(stock, (20.0, 160.0, 280.0 + gap)))

    clear, middling = (CLEAR + 0.01) * width, (CLEAR - 0.02) * width
    assert cost(20.0) == 0.0 < cost(middling)
    assert (cost(clear) == 0.0) == (width > WIDE_SHELF_MM)


def test_three_things_along_a_top_that_all_rise_make_a_palisade() -> None:
    def cost(*heights: float, kind: str = "vessel") -> float:
        items = [thing(f"thing-{n}", kind, width=100.0, height=height) for n, height in enumerate(heights)]
        return palisade(singles(stock_of(*items), [20.0 + 140.0 * n for n in range(len(heights))]))

    assert cost(200.0, 240.0) == cost(200.0, 60.0, 240.0) == cost(200.0, 200.0, 60.0, 240.0, 240.0) == 0.0
    assert cost(200.0, 240.0, 180.0) > 0.0
    assert cost(200.0, 240.0, 180.0, 220.0) == 2 * cost(200.0, 240.0, 180.0)
    # Candlesticks are meant to stand together.
    assert cost(200.0, 240.0, 180.0, kind="candle") == 0.0


def test_an_end_of_a_shelf_that_nothing_comes_near_costs() -> None:
    stock = four_kinds()
    ledge = stock.ledges[0]
    assert empty_ends(stock, ledge, singles(stock, (40.0, 200.0, 360.0, 640.0))) == 0.0
    near, far = (empty_ends(stock, ledge, singles(stock, (40.0, 180.0, last))) for last in (500.0, 400.0))
    assert 0 < near < far


def test_neighbours_of_one_kind_and_nothing_but_what_rises_cost() -> None:
    def cost(*kinds: str, height: float = 240.0) -> float:
        items = [thing(f"thing-{n}", kind, width=120.0, height=height) for n, kind in enumerate(kinds)]
        stock = stock_of(*items)
        return monotony(singles(stock, [20.0 + 140.0 * n for n in range(len(kinds))]))

    assert cost("vessel", "bowl", "vessel", height=90.0) == 0.0
    assert cost("vessel", "vessel", "bowl", height=90.0) == pytest.approx(
        cost("vessel", "vessel", "vessel", height=90.0) / 2
    )
    assert cost("vessel", "sculpture", "plant") > 0.0
    assert cost("vessel", "book-row", "plant") == 0.0
    assert cost("candle", "candle", height=90.0) == 0.0


def test_moves_leave_the_groups_they_begin_with_as_they_are() -> None:
    plan, manner = household("bookcase", 4)
    problem = problem_of(plan, plan.pieces[0].id, manner)
    composition = next(one for number in range(20) if (one := composed(problem, number)) is not None)
    known = {id(group): [(m.thing.id, m.x, m.z, m.base) for m in group] for _, group in composition.groups}
    rng, moved = Random(2), 0
    for _ in range(60):
        changed = refined(composition, rng) if rng.random() < 0.7 else recomposed(composition, rng)
        moved += changed is not None
        assert known == {id(group): [(m.thing.id, m.x, m.z, m.base) for m in group] for _, group in composition.groups}
    assert moved > 20


def test_what_is_remembered_of_ledges_is_what_would_be_worked_out_anew() -> None:
    plan, manner = household("bookcase", 4)
    problem = problem_of(plan, plan.pieces[0].id, manner)
    composition = next(one for number in range(20) if (one := composed(problem, number)) is not None)
    rng = Random(3)
    for _ in range(20):
        composition = refined(composition, rng) or composition
        remembered = liking_of(composition)
        composition.stock.liked.clear()
        assert liking_of(composition) == pytest.approx(remembered)
