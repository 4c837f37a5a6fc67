"""Proposals for invented households: nothing a stylist would send back, on any kind of furniture and any stash."""

from statistics import mean

import pytest
from msgspec.structs import replace

from household_faults import faults_of, share_in_groups
from households import ROOMS, household
from jolly_ledge.model.look import Manner
from jolly_ledge.model.words import FULLNESSES
from jolly_ledge.proposals.composing.composition import composed
from jolly_ledge.proposals.composing.fullness import things_in, things_wanted
from jolly_ledge.proposals.composing.liking import liking_of
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import proposals

STEPS = 14
LARGE_STASH = 60


@pytest.mark.parametrize("seed", range(1, 4))
@pytest.mark.parametrize("start", ROOMS)
def test_nothing_is_sent_back(start: str, seed: int) -> None:
    plan, manner = household(start, seed)
    problem = problem_of(plan, plan.pieces[0].id, manner)
    (one,) = proposals([problem], seed, steps=STEPS).found
    arrangement = problem.resolve(one.look.placements)
    assert not list(faults_of(problem, arrangement))
    assert one.is_valid
    assert one.look.placements


def test_a_household_is_the_same_each_time_and_half_of_it_lies_about() -> None:
    one, manner = household("console", 3)
    assert household("console", 3) == (one, manner)
    assert household("console", 4)[0].stash != one.stash
    assert 20 <= len(one.stash) <= 150


def test_layered_ledges_hold_groups() -> None:
    shares = []
    for start in ("bookcase", "wall-shelves", "hutch", "console", "mantel"):
        for seed in range(1, 9):
            plan, manner = household(start, seed)
            if len(plan.stash) >= LARGE_STASH:
                problem = problem_of(plan, plan.pieces[0].id, replace(manner, fullness="layered"))
                found = proposals([problem], seed, steps=STEPS).found[0]
                shares.append(share_in_groups(problem.resolve(found.look.placements)))
    assert len(shares) >= 8
    assert mean(shares) >= 0.7


@pytest.mark.parametrize("start", ["bookcase", "console", "coffee-table", "hutch"])
def test_each_fullness_holds_more_than_the_one_before(start: str) -> None:
    plan = next(plan for seed in range(20) if len((plan := household(start, seed)[0]).stash) > 100)
    counts = []
    for fullness in FULLNESSES:
        problem = problem_of(plan, plan.pieces[0].id, Manner(fullness=fullness))
        found = [one for number in range(40) if (one := composed(problem, number)) is not None]
        wanted = {ledge.id: things_wanted(found[0].stock, ledge) for ledge in found[0].stock.ledges}
        best = sorted(found, key=liking_of)[-8:]
        counts.append(mean(things_in(group for ledge, group in one.groups if wanted[ledge.id]) for one in best))
        assert counts[-1] >= 0.6 * sum(wanted.values())
    assert counts[0] < counts[1] < counts[2]
