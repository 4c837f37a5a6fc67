"""What is remembered from the step before gives the same answer as reading everything anew."""

import random
import sys

import pytest
from msgspec.structs import replace

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.look import Look
from jolly_ledge.model.plan import Plan
from jolly_ledge.readings.register import Assessment, assess

STEPS = 12


def forget_everything() -> int:
    """Clear every memory of the model, the readings and the cautions; return how many there are."""
    cleared = 0
    for name, module in list(sys.modules.items()):
        if name.startswith(
            (
                "jolly_ledge.model",
                "jolly_ledge.scene",
                "jolly_ledge.measures",
                "jolly_ledge.readings",
                "jolly_ledge.cautions",
            )
        ):
            for value in list(vars(module).values()):
                clear = getattr(value, "cache_clear", None)
                if clear is not None:
                    clear()
                    cleared += 1
    return cleared


def read(plan: Plan, look: Look) -> tuple[Assessment, tuple[Caution, ...]]:
    arrangement = arrange(plan, look)
    return assess(arrangement), cautions_of(arrangement)


def walk(look: Look, seed: int) -> list[Look]:
    """Return looks of which each differs from the one before by a single thing, as a drag makes them."""
    rng = random.Random(seed)
    steps = [look]
    for _ in range(STEPS):
        placements = list(steps[-1].placements)
        index = rng.choice([n for n, p in enumerate(placements) if p.x is not None and p.z is not None])
        moved = placements[index]
        placements[index] = replace(moved, x=(moved.x or 0.0) + rng.uniform(-60, 60), z=(moved.z or 0.0) + 5.0)
        steps.append(replace(steps[-1], placements=tuple(placements)))
    return steps


@pytest.mark.parametrize("name", ["first-try", "mantel-talk", "low-tea"])
def test_step_by_step_reads_as_all_at_once(demo: Plan, name: str) -> None:
    looks = walk(demo.look(name), seed=len(name))
    stepwise = [read(demo, look) for look in looks]
    assert len({assessment.score for assessment, _ in stepwise}) > STEPS / 2
    for look, before in zip(looks, stepwise, strict=True):
        assert forget_everything() > 20
        assert read(demo, look) == before
