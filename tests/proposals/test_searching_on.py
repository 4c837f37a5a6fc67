"""The search leaves a look that nothing betters, comes back to the best in time, and never loses it."""

import pytest

from households import household
from jolly_ledge.proposals import grouping
from jolly_ledge.proposals.grouping import COLD_FROM, Grouping
from jolly_ledge.proposals.problem import problem_of

STEPS = 160


def ways_off(seed: int) -> int:
    """Search for a while; return how often it went on from something that is worth less than the best."""
    plan, manner = household("console", seed)
    search, off = Grouping(problem_of(plan, plan.pieces[0].id, manner), seed), 0
    best = search.best
    for number in range(STEPS):
        bettered = search.step(number / STEPS)
        assert (search.best.rank > best.rank) if bettered else (search.best is best)
        best = search.best
        if number / STEPS >= COLD_FROM:
            assert search._at is best
        off += search._at is not best
    return off


def test_what_was_found_is_left_for_a_while_and_never_lost() -> None:
    assert sum(ways_off(seed) for seed in (1, 2, 3)) > 0


def test_a_search_that_is_cold_from_the_first_only_climbs(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(grouping, "WARM", 0.0)
    assert ways_off(1) == 0
