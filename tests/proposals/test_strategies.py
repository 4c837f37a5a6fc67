"""A contract for every strategy: what it finds can stand, is repeatable, keeps locks, ends in time and when told."""

import time

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, put, thing
from jolly_ledge.model.look import Manner
from jolly_ledge.proposals.objective import OVERLAP_COST, OVERLAP_FREE, Objective, overlap, pairs_of
from jolly_ledge.proposals.problem import Problem, problem_of
from jolly_ledge.proposals.proposal import Progress, Proposals
from jolly_ledge.proposals.propose import proposals, propose
from jolly_ledge.proposals.strategies import STRATEGIES

STASH = (
    *(thing(f"jar{n}", height=140.0 + 30 * n, width=80.0 + 9 * n) for n in range(6)),
    *(thing(f"bowl{n}", "bowl", width=150.0 + 20 * n, colours=(("#2d6f73", 1.0),)) for n in range(3)),
    *(thing(f"frame{n}", "frame", height=200.0 + 40 * n) for n in range(2)),
    thing("stack", "book-stack"),
    thing("clock", traits=("must-keep",)),
    thing("twigs", "stems"),
)


@pytest.fixture(params=sorted(STRATEGIES))
def strategy(request: pytest.FixtureRequest) -> str:
    return str(request.param)


@pytest.fixture
def problem() -> Problem:
    locked = (put("jar4", x=150.0, locked=True),)
    plan = plan_of(STASH, locked, case_of(2))
    return problem_of(plan, "case", Manner(), plan.looks[0])


def test_what_is_found_can_stand_and_keeps_what_is_locked(strategy: str, problem: Problem) -> None:
    found = proposals([problem] * 2, 5, steps=60, strategy=strategy).found
    for one in found:
        assert one.is_valid
        assert problem.is_valid(problem.resolve(one.look.placements))
        assert set(problem.fixed) <= set(one.look.placements)
        assert "clock" in {placement.item for placement in one.look.placements}


def test_the_same_question_has_the_same_answer(strategy: str, problem: Problem) -> None:
    assert proposals([problem], 4, steps=50, strategy=strategy) == proposals([problem], 4, steps=50, strategy=strategy)


def test_it_only_gets_better(strategy: str, problem: Problem) -> None:
    search = STRATEGIES[strategy](problem, 3, ())
    ranks = [search.best.rank]
    for step in range(80):
        better = search.step(step / 80)
        assert better is (search.best.rank > ranks[-1])
        ranks.append(search.best.rank)
    assert ranks == sorted(ranks)


def test_it_keeps_to_its_time(strategy: str, problem: Problem) -> None:
    begun = time.monotonic()
    last = proposals([problem] * 2, 1, seconds=0.5, strategy=strategy)
    assert last.status == "time limit"
    assert len(last.found) == 2
    # Two first arrangements may take their time, the steps may not.
    assert time.monotonic() - begun < 3.0


def test_a_cancel_ends_it_within_one_step(strategy: str, problem: Problem) -> None:
    told_at, ended_at, asked = 0.0, 0.0, 0

    def is_cancelled() -> bool:
        nonlocal told_at, asked
        asked += 1
        if asked > 8:
            told_at = told_at or time.monotonic()
        return asked > 8

    for event in propose([problem] * 3, 1, steps=10_000, strategy=strategy, is_cancelled=is_cancelled):
        if not isinstance(event, Progress):
            ended_at = time.monotonic()
            assert isinstance(event, Proposals)
            assert event.status == "cancelled"
    assert asked == 9
    assert ended_at - told_at < 0.2


def test_what_has_much_in_common_with_an_earlier_proposal_is_worth_less(problem: Problem) -> None:
    (first,) = proposals([problem], 5, steps=30).found
    placements = first.look.placements
    alone, later = (
        Objective(problem).state(placements),
        Objective(problem, (pairs_of(placements, problem.fixed),)).state(placements),
    )
    assert alone is not None
    assert later is not None
    assert later.score == alone.score
    assert later.objective == pytest.approx(alone.objective - OVERLAP_COST * (1 - OVERLAP_FREE))


def test_later_proposals_know_earlier_ones(problem: Problem) -> None:
    first, second, third = proposals([problem] * 3, 5, steps=150).found
    shared = [overlap(pairs_of(a.look.placements, problem.fixed), pairs_of(b.look.placements, problem.fixed))
              for a, b in ((first, second), (first, third), (second, third))]  # fmt: skip
    assert max(shared) <= 0.6


def test_what_is_to_stay_costs_where_it_goes(problem: Problem) -> None:
    (found,) = proposals([problem], 5, steps=30).found
    base = found.look.placements
    fewer = tuple(p for p in base if p.host is None)[:2] + problem.fixed
    fewer = tuple(dict.fromkeys(fewer))
    free, bound = (Objective(replace(problem, base=base, stay=stay)) for stay in (0.0, 1.0))
    loose, held = free.begun(fewer), bound.begun(fewer)
    own, whole = pairs_of(fewer, problem.fixed), pairs_of(base, problem.fixed)
    assert loose.score == held.score
    assert loose.objective - held.objective == pytest.approx(OVERLAP_COST * (1 - len(own & whole) / len(whole)))
    assert bound.begun(base).objective == pytest.approx(free.begun(base).objective)
