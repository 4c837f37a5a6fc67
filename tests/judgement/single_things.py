"""Looks of single things: what a search that knew nothing of groups climbed to, for invented households.

They were made once, before the readings knew of groups, and are not made anew.
"""

import json
from functools import lru_cache
from pathlib import Path
from typing import Any

from msgspec import convert
from msgspec.structs import replace

from households import household
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.model.look import Look, Placement
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import proposals

STEPS = 80


@lru_cache(maxsize=1)
def _data() -> dict[str, Any]:
    data: dict[str, Any] = json.loads((Path(__file__).parent / "single_things.json").read_text(encoding="utf-8"))
    return data


def households_of_single_things() -> list[tuple[str, int]]:
    """Return the start and the seed of every household that has such a look."""
    return [(start, int(seed)) for start, seed in (name.rsplit(":", 1) for name in _data())]


def single_things(start: str, seed: int) -> Arrangement:
    """Return the look of single things of a household."""
    plan, manner = household(start, seed)
    placements = convert(_data()[f"{start}:{seed}"], tuple[Placement, ...])
    look = Look(id="single", name="single things", piece=plan.pieces[0].id, manner=manner, placements=placements)
    return arrange(replace(plan, looks=(look,)), look)


def score_after(start: str, seed: int, strategy: str = "grouping") -> float:
    """Return how the proposal of a strategy for a household reads after a number of steps."""
    plan, manner = household(start, seed)
    problem = problem_of(plan, plan.pieces[0].id, manner)
    return proposals([problem], seed, steps=STEPS, strategy=strategy).found[0].assessment.score
