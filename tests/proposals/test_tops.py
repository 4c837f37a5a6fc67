"""Tops: few, larger groups; a counter keeps one free stretch and something green; nothing stands before a fire."""

from collections.abc import Iterator
from random import Random

import pytest

from households import household
from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.composing.composition import Composition, composed
from jolly_ledge.proposals.composing.liking import liking_of
from jolly_ledge.proposals.composing.refining import refined
from jolly_ledge.proposals.composing.schemes import groups_borne
from jolly_ledge.proposals.problem import problem_of


def compositions(start: str, seed: int, throws: int) -> Iterator[Composition]:
    """Yield what is composed for a household, and what comes of it after a few moves."""
    plan, manner = household(start, seed)
    problem = problem_of(plan, plan.pieces[0].id, manner)
    for number in range(throws):
        found = composed(problem, number)
        rng = Random(number)
        for _ in range(12):
            if found is not None:
                yield found
                found = refined(found, rng) or found


@pytest.mark.parametrize("seed", [31, 32])
def test_nothing_stands_before_a_fire(seed: int) -> None:
    low = 0
    for found in compositions("mantel", seed, 8):
        fire = next(fixture for fixture in found.stock.piece.fixtures if fixture.kind == "firebox")
        for ledge, group in found.groups:
            if ledge.floor < fire.floor + fire.height:
                low += 1
                assert ledge.left + group.right <= fire.left + 10 or ledge.left + group.left >= fire.right - 10
    assert low


def test_a_counter_without_a_cooktop_keeps_one_stretch_free_and_shows_something_green() -> None:
    plan, manner = household("counter", 3)
    (piece,) = plan.pieces
    problem = problem_of(plan, piece.id, manner)
    assert any(item.category == "plant" for item in problem.candidates)
    found = [one for number in range(40) if (one := composed(problem, number)) is not None]
    with_green = [one for one in found if any(member.thing.green for _, group in one.groups for member in group)]
    assert len(with_green) > len(found) / 4
    best = max(found, key=liking_of)
    assert best in with_green


@pytest.mark.parametrize(("width", "fullness", "most"), [(900, "airy", 2), (1200, "layered", 3), (2400, "layered", 4)])
def test_a_wider_top_bears_more_groups(width: float, fullness: str, most: int) -> None:
    ledge = Ledge(id="top", left=0, floor=800, width=width, depth=400)
    assert groups_borne(ledge, fullness) == most  # type: ignore[arg-type]
