"""What should not change the judgement does not: mirroring, doubling, the order of placements, a small shake."""

from collections.abc import Callable

import pytest

from jolly_ledge.model.arrangement import arrange
from jolly_ledge.model.plan import Plan
from jolly_ledge.readings.register import Assessment, assess
from judgement import shelf_principles, top_principles
from judgement.cases import Case, agrees, load_cases
from judgement.changes import enlarged, mirrored, shaken, shuffled

PRINCIPLES = (*shelf_principles.PRINCIPLES, *top_principles.PRINCIPLES)
CASES = [*load_cases(), *(principle.as_case() for principle in PRINCIPLES)]
OF_PEOPLE = {
    "must-haves", "working-room", "sight-line", "contrast", "side-balance", "even-vignettes", "weight-low", "how-many",
}  # fmt: skip
"""Readings that measure against people, who do not grow: their reach, seat, cords and eye level.

(What lies below the eye is seen against its surface, which enters visual weight; one thing at eye level is enough.)
"""


def read_all(plan: Plan) -> list[Assessment]:
    return [assess(arrange(plan, look)) for look in plan.looks]


def worst_difference(case: Case, change: Callable[[Plan], Plan], without: set[str]) -> dict[str, float]:
    """Return how far each reading's score moves at most, in the looks of a case."""
    moved: dict[str, float] = {}
    for before, after in zip(read_all(case.plan), read_all(change(case.plan)), strict=True):
        names = {r.id for r in (*before.readings, *after.readings)} - without
        for name in names:
            one, two = before.reading(name), after.reading(name)
            assert one is not None, name
            assert two is not None, name
            moved[name] = max(moved.get(name, 0.0), abs(one.score - two.score))
    return moved


@pytest.mark.parametrize("case", CASES, ids=lambda case: case.id)
def test_a_mirrored_look_reads_the_same(case: Case) -> None:
    assert all(size < 0.01 for size in worst_difference(case, mirrored, set()).values())


@pytest.mark.parametrize("case", CASES, ids=lambda case: case.id)
def test_a_doubled_scene_reads_nearly_the_same(case: Case) -> None:
    moved = worst_difference(case, lambda plan: enlarged(plan, 2.0), OF_PEOPLE)
    assert all(size < 0.2 for size in moved.values()), moved
    assert sum(moved.values()) < 0.3, moved


@pytest.mark.parametrize("case", CASES, ids=lambda case: case.id)
def test_the_order_of_placements_says_nothing(case: Case) -> None:
    moved = worst_difference(case, lambda plan: shuffled(plan, 7), set())
    assert all(size < 1e-9 for size in moved.values())


def test_a_small_shake_seldom_turns_the_judgement() -> None:
    shaken_cases = [
        Case(case.id, case.title, case.kind, case.better, case.expects, shaken(case.plan, seed))
        for case in CASES
        for seed in range(3)
    ]
    holds = sum(agrees(case) for case in shaken_cases)
    assert holds >= 0.95 * len(shaken_cases), f"{holds} of {len(shaken_cases)}"
