"""What should not change the judgement does not: mirroring, doubling, the order of placements, a small shake."""

from collections.abc import Callable
from types import ModuleType
from typing import Any

import pytest

from jolly_ledge.geometry import arrangement, sockets, standing_together
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.measures import among_things, perches
from jolly_ledge.model import roles
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.starts import tops
from jolly_ledge.readings import (
    books,
    height_rhythm,
    how_many,
    must_haves,
    sight_line,
    working_room,
)  # fmt: skip
from jolly_ledge.readings.register import Assessment, assess
from jolly_ledge.scene import background
from judgement import shelf_principles, top_principles
from judgement.cases import Case, agrees, load_cases
from judgement.changes import enlarged, mirrored, shaken, shuffled

PRINCIPLES = (*shelf_principles.PRINCIPLES, *top_principles.PRINCIPLES)
CASES = [*load_cases(), *(principle.as_case() for principle in PRINCIPLES)]
OF_PEOPLE = {"must-haves", "working-room", "sight-line", "how-many", "even-vignettes", "scale", "stack-order", "books",
             "odd-groups"}  # fmt: skip
"""Readings that measure against people, who do not grow: their reach, seat, cords, hands, eye level, nearness
and what they call a small table."""

SEEN_FROM_ABOVE = {"contrast", "side-balance", "focal-point"}
"""What lies below the eye is seen against its surface, which enters the tone of things."""

PEOPLE: tuple[tuple[ModuleType, str], ...] = (
    (arrangement, "CLOSE_MM"), (standing_together, "ROW_GAP_MM"), (sockets, "USUAL_CORD_MM"), (sockets, "APPLIANCE_CORD_MM"),
    (background, "EYE_LEVEL_MM"), (how_many, "EYE_LEVEL_MM"), (how_many, "EYE_FADE_MM"),
    (must_haves, "REACH_LOW_MM"), (must_haves, "REACH_HIGH_MM"), (must_haves, "EASE_MM"),
    (books, "HELD_MM"), (books, "HELD_WIDTH_MM"), (perches, "LARGE_GLASS_MM"), (perches, "WIDE_HOST_MM"),
    (roles, "ON_THE_FLOOR_MM"), (roles, "UNDER_THE_TOP_MM"), (working_room, "A_MACHINE_MM"),
    (sight_line, "HIGH_SEAT_MM"), (sight_line, "LOW_SEAT_MM"), (sight_line, "TABLE_MM"), (sight_line, "OVER_MM"),
    (sight_line, "SLIM_MM"), (sight_line, "WIDE_MM"),
    (working_room, "DEPTH_MM"), (working_room, "SPAN_MM"), (working_room, "SMALL_SPANS_MM"),
    (working_room, "SETTING_MM"), (height_rhythm, "TAPE_STEP_MM"), (tops, "SETTING_INSET_MM"), (among_things, "SMALL_TOP_MM"),
)  # fmt: skip
"""The measures of people, of their hands, cords and tapes, where the readings keep them."""


def times(value: Any, by: float) -> Any:
    if isinstance(value, dict):
        return {key: times(one, by) for key, one in value.items()}
    return tuple(one * by for one in value) if isinstance(value, tuple) else value * by


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
def test_a_doubled_scene_reads_the_same(case: Case) -> None:
    moved = worst_difference(case, lambda plan: enlarged(plan, 2.0), OF_PEOPLE)
    assert all(size < (0.3 if name in SEEN_FROM_ABOVE else 0.1) for name, size in moved.items()), moved
    assert sum(size for name, size in moved.items() if name not in SEEN_FROM_ABOVE) < 0.2, moved


@pytest.mark.parametrize("case", CASES, ids=lambda case: case.id)
def test_a_world_of_giants_reads_the_same_to_giants(case: Case, monkeypatch: pytest.MonkeyPatch) -> None:
    # Another factor than above: what was read of a doubled scene is remembered.
    by = 3.0
    # What belongs where, and what a use asks for, are told in tables for things of our size.
    monkeypatch.setattr(must_haves, "STRANGENESS", dict.fromkeys(must_haves.STRANGENESS, 0.0))
    monkeypatch.setattr(must_haves, "unmet_needs", lambda arrangement: ())
    before = read_all(case.plan)
    for module, name in PEOPLE:
        monkeypatch.setattr(module, name, times(getattr(module, name), by))
    for one, two in zip(before, read_all(enlarged(case.plan, by)), strict=True):
        scores = {reading.id: reading.score for reading in one.readings}
        assert {reading.id: reading.score for reading in two.readings} == pytest.approx(scores, abs=0.01)


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
