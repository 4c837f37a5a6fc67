"""In the mirrored figure what stands at one side of the middle is answered at the other."""

from random import Random
from statistics import mean

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, thing
from households import household
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.look import Manner
from jolly_ledge.model.words import Figure
from jolly_ledge.proposals.composing.composition import Composition, placements_of
from jolly_ledge.proposals.composing.mirroring import answered, unanswered
from jolly_ledge.proposals.composing.pool import GroupPool
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import proposals

PLACES = 24


def two_on_a_shelf(left: float, right: float, *, high: float = 300.0) -> Composition:
    """Return a shelf with two vases by their middles."""
    vases = (thing("one", height=300.0, width=120.0), thing("other", height=high, width=120.0))
    problem = problem_of(plan_of(vases, (), case_of(1)), "case", Manner(figure="mirrored"))
    stock = Stock(problem, Random(1))
    (ledge,) = stock.ledges
    groups = []
    for item, middle in zip(vases, (left, right), strict=True):
        group = Group("worthy", ledge.depth)
        group.set_down(stock.things[item.id])
        groups.append((ledge, group.shift(middle - group.members[0].x - ledge.left)))
    return Composition(stock, tuple(groups), placements_of(tuple(groups)), GroupPool())


def test_likes_at_like_places_are_answered_and_others_are_not() -> None:
    wide = case_of(1).width
    assert unanswered(two_on_a_shelf(200.0, wide - 200.0)) == pytest.approx(0.0, abs=1e-9)
    aside, lower = two_on_a_shelf(200.0, wide - 350.0), two_on_a_shelf(200.0, wide - 200.0, high=150.0)
    assert 0.0 < unanswered(lower) < unanswered(aside) <= 1.0


def test_a_group_is_set_where_it_answers_another() -> None:
    before = two_on_a_shelf(200.0, case_of(1).width - 300.0)
    found = [after for seed in range(6) if (after := answered(before, Random(seed))) is not None]
    assert found
    assert all(unanswered(after) < 0.05 < unanswered(before) for after in found)


def test_a_group_near_the_middle_is_set_on_the_axis() -> None:
    wide = case_of(1).width
    before = two_on_a_shelf(150.0, wide / 2 + 30.0)
    middles = set()
    for seed in range(8):
        after = answered(before, Random(seed))
        if after is not None:
            ledge, group = after.groups[1]
            middles.add(round(ledge.left + group.members[0].x - wide / 2))
    assert 0 in middles


def asymmetry(look: Arrangement) -> float:
    """Return which share of the skyline of what stands is not answered, all levels together."""
    wide, off, whole = look.piece.width, 0.0, 0.0
    for floor in {ledge.floor for ledge in look.standing_ledges}:
        line = [0.0] * PLACES
        for placed in look.visible:
            if placed.ledge.floor == floor and placed.placement.pose != "hung":
                for place in range(PLACES):
                    if placed.left <= (place + 0.5) / PLACES * wide <= placed.right:
                        line[place] = max(line[place], placed.top - floor)
        off += sum(abs(one - other) for one, other in zip(line, reversed(line), strict=True))
        whole += 2 * sum(line)
    return off / whole if whole else 0.0


def proposed(start: str, figure: Figure, seed: int) -> Arrangement:
    plan, manner = household(start, 2)
    problem = problem_of(plan, plan.pieces[0].id, replace(manner, figure=figure, fullness="layered"))
    (one,) = proposals([problem], seed, steps=120).found
    return problem.resolve(one.look.placements)


def test_proposals_of_the_mirrored_figure_are_more_nearly_so_than_others() -> None:
    starts = ("console", "mantel", "sideboard", "wall-shelves")
    mirrored, peaks = (
        [mean(asymmetry(proposed(start, figure, seed)) for seed in (3, 6)) for start in starts]
        for figure in ("mirrored", "peaks")
    )  # fmt: skip
    assert mean(mirrored) < 0.7 * mean(peaks)
    # One row of things on a top shows the figure plainly; three short shelves may be even by chance.
    assert all(one < 0.75 * other for one, other in zip(mirrored[:2], peaks[:2], strict=True))
