"""Propose looks: several complete and different arrangements of one piece, each with its story."""

import random
import time
from collections.abc import Callable, Iterator
from typing import Literal

from msgspec import Struct

from jolly_ledge.model.look import Look
from jolly_ledge.proposals.compose import compose
from jolly_ledge.proposals.problem import Problem
from jolly_ledge.proposals.refine import Pairs, Refinement, pairs_of
from jolly_ledge.proposals.story import StoryStep, how_many_said, story_of
from jolly_ledge.readings.register import Assessment, assess

Status = Literal["steps done", "time limit", "cancelled"]
USUAL_STEPS = 600
"""Changes tried for one proposal where no time is told."""

STARTS = 3
"""First arrangements that are composed for each proposal; the best of them is refined."""

TOLD_EVERY = 20


class Proposal(Struct, frozen=True):
    """One proposed look: how it reads, its story, why so many."""

    look: Look
    assessment: Assessment
    story: tuple[StoryStep, ...]
    count_said: str
    is_valid: bool


class Progress(Struct, frozen=True):
    """How far the search is: which proposal, what share of all is done, the best so far."""

    number: int
    share: float
    best: Proposal


class Proposals(Struct, frozen=True):
    """What was found, best first, and how it ended."""

    found: tuple[Proposal, ...]
    status: Status


def propose(
    problem: Problem,
    count: int = 3,
    seed: int = 1,
    *,
    steps: int | None = None,
    seconds: float | None = None,
    is_cancelled: Callable[[], bool] = lambda: False,
) -> Iterator[Progress | Proposals]:
    """Yield progress, and last the proposals.

    Parameters
    ----------
    problem : Problem
    count : int
        How many different looks.
    seed : int
        The same problem, seed and steps give the same looks.
    steps : int, optional
        Changes tried for each look.
    seconds : float, optional
        Time for all of them; whichever of steps and time ends first.
    is_cancelled : callable
        Asked before every step.
    """
    limit = steps if steps is not None else USUAL_STEPS if seconds is None else 1_000_000
    begun = time.monotonic()
    share = None if seconds is None else seconds / count
    found: list[Proposal] = []
    others: list[Pairs] = []
    status: Status = "steps done"
    for number in range(count):
        run = _started(problem, seed * 1009 + number, tuple(others))
        yield Progress(number, number / count, _proposal(problem, run, number))
        done = 0
        while done < limit:
            if is_cancelled():
                status = "cancelled"
                break
            spent = time.monotonic() - begun
            if share is not None and spent >= share * (number + 1):
                status = "time limit"
                break
            along = done / limit if share is None else max(done / limit, (spent - share * number) / share)
            better = run.step(min(along, 1.0))
            done += 1
            if better and done % TOLD_EVERY == 0:
                yield Progress(number, (number + min(along, 1.0)) / count, _proposal(problem, run, number))
        found.append(_proposal(problem, run, number))
        others.append(pairs_of(run.best.placements, problem.fixed))
        if status == "cancelled":
            break
    found.sort(key=lambda one: (not one.is_valid, -one.assessment.score))
    yield Proposals(tuple(found), status)


def proposals(problem: Problem, count: int = 3, seed: int = 1, **limits: float | None) -> Proposals:
    """Return the proposals without their progress."""
    last: Progress | Proposals | None = None
    for last in propose(problem, count, seed, **limits):  # type: ignore[arg-type]  # noqa: B007
        pass
    assert isinstance(last, Proposals)
    return last


def _started(problem: Problem, seed: int, others: tuple[Pairs, ...]) -> Refinement:
    runs = [
        Refinement(problem, compose(problem, random.Random(seed * 31 + start)), seed, others) for start in range(STARTS)
    ]
    return max(runs, key=lambda run: (run.best_is_valid, run.best.worth))


def _proposal(problem: Problem, run: Refinement, number: int) -> Proposal:
    arrangement = problem.resolve(run.best.placements)
    look = Look(
        id=f"proposal-{number + 1}",
        piece=problem.piece.id,
        name=f"Proposal {number + 1}",
        manner=problem.manner,
        placements=run.best.placements,
    )
    return Proposal(
        look,
        assess(arrangement),
        story_of(problem, arrangement),
        how_many_said(problem, arrangement),
        run.best_is_valid,
    )
