"""Propose looks: several complete and different arrangements of one piece, each with its story."""

import time
from collections.abc import Callable, Iterator, Sequence
from typing import Any

from msgspec.structs import replace

from jolly_ledge.model.look import Look
from jolly_ledge.proposals.conflicts import conflicts_in, left_out_of
from jolly_ledge.proposals.moods import mood_said
from jolly_ledge.proposals.objective import State, pairs_of
from jolly_ledge.proposals.problem import Pairs, Problem
from jolly_ledge.proposals.proposal import Progress, Proposal, Proposals, Status
from jolly_ledge.proposals.story import how_many_said, leads_of, story_of
from jolly_ledge.proposals.strategies import STRATEGIES
from jolly_ledge.readings.register import assess

USUAL_STEPS = 600
"""Changes tried for one proposal where no time is told."""

TOLD_EVERY = 20


def propose(
    problems: Sequence[Problem],
    seed: int = 1,
    *,
    steps: int | None = None,
    seconds: float | None = None,
    strategy: str = "grouping",
    is_cancelled: Callable[[], bool] = lambda: False,
) -> Iterator[Progress | Proposals]:
    """Search for one look for every problem; progress comes while it gets better, the whole at last.

    Parameters
    ----------
    problems : sequence of Problem
        What is asked for, one for every look; each is kept different from those before it.
    seed : int
        The same problems, seed and steps give the same looks.
    steps : int, optional
        Changes tried for each look.
    seconds : float, optional
        Time for all of them; whichever of steps and time ends first.
    strategy : str
        One of :data:`~jolly_ledge.proposals.strategies.STRATEGIES`.
    is_cancelled : callable
        Asked before every step.

    Notes
    -----
    What must be there and cannot be is left out and told with every proposal; one such thing drops no other.
    """
    told = _told_of(problems)
    limit = steps if steps is not None else USUAL_STEPS if seconds is None else 1_000_000
    begun = time.monotonic()
    count = len(problems)
    share = None if seconds is None else seconds / count
    found: list[Proposal] = []
    others: list[Pairs] = []
    status: Status = "steps done"
    led: frozenset[str] = frozenset()
    for number, asked in enumerate(problems):
        palettes = [earlier.manner.palette for earlier in problems[:number]]
        problem = replace(asked, led_before=led, palette_again=asked.manner.palette in palettes)
        run = STRATEGIES[strategy](problem, seed * 1009 + number, tuple(others))
        yield Progress(number, number / count, _proposal(problem, run.best, number, told[number]))
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
                yield Progress(
                    number,
                    (number + min(along, 1.0)) / count,
                    _proposal(problem, run.best, number, told[number]),
                )
        found.append(_proposal(problem, run.best, number, told[number]))
        others.append(pairs_of(run.best.placements, problem.fixed))
        led |= leads_of(problem.resolve(run.best.placements))
        if status == "cancelled":
            break
    yield Proposals(tuple(found), status)


def proposals(problems: Sequence[Problem], seed: int = 1, **limits: Any) -> Proposals:
    """Return the proposals without their progress."""
    last: Progress | Proposals | None = None
    for last in propose(problems, seed, **limits):  # noqa: B007
        pass
    assert isinstance(last, Proposals)
    return last


def _told_of(problems: Sequence[Problem]) -> list[tuple[str, ...]]:
    """Return what must be there and cannot, for every problem; those that differ in manner only share the answer."""
    known: dict[tuple[object, ...], tuple[str, ...]] = {}
    told = []
    for problem in problems:
        key = (problem.fixed, problem.required, problem.hidden, problem.impossible, problem.candidates)
        if key not in known:
            known[key] = conflicts_in(problem)
        told.append(known[key])
    return told


def _proposal(problem: Problem, state: State, number: int, told: tuple[str, ...]) -> Proposal:
    arrangement = problem.resolve(state.placements)
    look = Look(
        id=f"proposal-{number + 1}",
        piece=problem.piece.id,
        name=f"Proposal {number + 1}",
        manner=problem.manner,
        placements=state.placements,
        proposal=number + 1,
    )
    story, why_so_many = story_of(problem, arrangement), how_many_said(problem, arrangement)
    if colours := mood_said(problem.plan, problem.piece, problem.manner):
        why_so_many = f"{why_so_many} {colours}"
    left_out = () if state.is_complete else left_out_of(problem, state.placements, told)
    return Proposal(look, assess(arrangement), story, why_so_many, state.is_complete, left_out)
