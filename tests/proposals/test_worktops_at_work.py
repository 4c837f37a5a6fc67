"""On a worktop stands what is used there: the machine of every day, and nothing that is only looked at."""

from random import Random

import pytest
from msgspec.structs import replace

from builders import plan_of, thing
from households import household
from jolly_ledge.model.belonging import comes_unasked, verdict_on
from jolly_ledge.model.look import Manner
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import proposals
from jolly_ledge.readings.must_haves import STRANGENESS, STRANGER

FIGURES = (thing("globe", "object", height=160.0), thing("figure", "sculpture", height=200.0))
AT_WORK = (
    thing("machine", "appliance", height=300.0, traits=("daily-use", "corded")),
    *(thing(f"board-{n}", "board", height=300.0 + 30 * n, depth=20.0) for n in range(2)),
    *(thing(f"jar-{n}", height=120.0 + 20 * n, width=90.0, depth=90.0) for n in range(4)),
    *(thing(f"bowl-{n}", "bowl", height=70.0 + 10 * n, width=160.0, depth=160.0) for n in range(3)),
)


@pytest.mark.parametrize("seed", [1, 2])
def test_the_machine_of_every_day_stands_on_a_counter_and_nothing_idle(seed: int) -> None:
    plan, _ = household("counter", seed)
    plan = replace(plan, stash=(*AT_WORK, *FIGURES), looks=())
    piece = plan.pieces[0]
    problem = problem_of(plan, piece.id, Manner())
    (found,) = proposals([problem], seed, steps=60).found
    placed = {placement.item for placement in found.look.placements}
    assert "machine" in placed
    assert placed.isdisjoint({"globe", "figure"})


def test_what_is_idle_at_work_is_only_seldom_out_of_place_by_hand_and_comes_when_it_must() -> None:
    plan, _ = household("counter", 1)
    piece = plan.pieces[0]
    top = next(ledge for ledge in piece.ledges if not ledge.is_wall)
    assert verdict_on(FIGURES[0], piece, top)[0] == "by-hand"
    assert not any(comes_unasked(figure, piece, top) for figure in FIGURES)
    # By hand it is told once that no proposal brings it, and it is hardly strange to the eye.
    assert STRANGENESS["by-hand"] < STRANGER
    must = replace(FIGURES[0], traits=("must-keep",))
    stock = Stock(problem_of(plan_of((*AT_WORK, must, FIGURES[1]), (), piece), piece.id, Manner()), Random(1))
    assert {"globe", "figure"} & stock.things.keys() == {"globe"}
