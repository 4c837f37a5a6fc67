"""Ways of searching for an arrangement: all step by step, all repeatable, all kept to what can stand."""

import math
import random
from collections.abc import Callable
from typing import Protocol

from jolly_ledge.proposals.changes import Changes
from jolly_ledge.proposals.compose import compose, near_the_base
from jolly_ledge.proposals.grouping import Grouping
from jolly_ledge.proposals.hanging import Hanging
from jolly_ledge.proposals.objective import Objective, Placements, State
from jolly_ledge.proposals.problem import Pairs, Problem

WARM, COLD = 0.001, 0.00005
"""How much worse a change may be and still be tried, at first and at last (annealing)."""

ANEW = 0.01
"""A search that begins anew is warmer, for it has all the rest to itself; it cools within its patience."""

FROM_AFAR, SHAKES = 0.3, (2, 7)
"""So often it begins with a new arrangement, else with the best after so many changes."""

STARTS = 3
"""First arrangements that are composed; the best of them is bettered."""

STUCK_FOR_EACH = 15
"""A search that found nothing better in so many steps for every thing at hand is stuck."""

PATIENCE = 400
"""A climb that found nothing better in so many steps begins anew."""


class Strategy(Protocol):
    """A search: ``best`` is what it found so far."""

    best: State

    def step(self, progress: float) -> bool:
        """Go one step, ``progress`` (0 to 1) along the way; return whether the best got better.

        Parameters
        ----------
        progress : float
            How far along the search is, 0 to 1.
        """
        ...


def first_arrangement(problem: Problem, seed: int) -> Placements:
    """Return an arrangement to begin with: the one that is to stay for the most part, else a composed one."""
    near = near_the_base(problem) if problem.stay > 0 else None
    return near if near is not None else compose(problem, random.Random(seed))


class Annealing:
    """Takes what is better, and at first now and then what is a little worse; begins anew when it is stuck."""

    def __init__(self, problem: Problem, seed: int, others: tuple[Pairs, ...] = ()) -> None:
        self._objective = Objective(problem, others)
        self._rng = random.Random(seed)
        self._changes = Changes(problem, self._rng)
        self._seed, self._idle, self._since, self._warm = seed * 31, 0, 0, WARM
        self._patience = STUCK_FOR_EACH * (len(problem.candidates) + len(problem.required) + 1)
        starts = [self._start() for _ in range(STARTS)]
        self.now = self.best = self._round_best = max(starts, key=lambda state: state.rank)

    def _start(self) -> State:
        self._seed += 1
        return self._objective.begun(first_arrangement(self._objective.problem, self._seed))

    def _start_anew(self) -> State:
        """Begin with what was best, shaken by a few changes of any worth; now and then with something else."""
        if self._rng.random() < FROM_AFAR:
            return self._start()
        state = self.best
        for _ in range(self._rng.randint(*SHAKES)):
            changed = self._changes.any(state.placements)
            state = (changed is not None and self._objective.state(changed)) or state
        return state

    def step(self, progress: float) -> bool:
        """Try one change; progress cools the search."""
        self._idle += 1
        self._since += 1
        if self._idle > self._patience:
            self.now = self._round_best = self._start_anew()
            self._idle, self._since, self._warm = 0, 0, ANEW
            return self._keep()
        changed = self._changes.any(self.now.placements)
        if changed is None:
            return False
        along = progress if self._warm == WARM else min(self._since / self._patience, 1.0)
        heat = self._warm * (COLD / self._warm) ** along
        tried = self._objective.state(changed, self.now.objective + heat * math.log(max(self._rng.random(), 1e-12)))
        if tried is None or (self.now.is_complete and not tried.is_complete):
            return False
        if tried.rank > self._round_best.rank:
            self._round_best, self._idle = tried, 0
        self.now = tried
        return self._keep()

    def _keep(self) -> bool:
        if self.now.rank > self.best.rank:
            self.best = self.now
            return True
        return False


class Climbing:
    """Takes only what is better, and begins anew when nothing is."""

    def __init__(self, problem: Problem, seed: int, others: tuple[Pairs, ...] = ()) -> None:
        self._objective = Objective(problem, others)
        self._rng = random.Random(seed)
        self._changes = Changes(problem, self._rng)
        self._seed, self._idle = seed * 31, 0
        self.now = self.best = self._objective.begun(first_arrangement(problem, self._seed))

    def step(self, progress: float) -> bool:
        """Try one change."""
        self._idle += 1
        if self._idle > PATIENCE:
            self._seed, self._idle = self._seed + 1, 0
            self.now = self._objective.begun(first_arrangement(self._objective.problem, self._seed))
        else:
            changed = self._changes.any(self.now.placements)
            tried = self._objective.state(changed, self.now.objective + 1e-9) if changed is not None else None
            if tried is None or (self.now.is_complete and not tried.is_complete):
                return False
            self.now, self._idle = tried, 0
        if self.now.rank > self.best.rank:
            self.best = self.now
            return True
        return False


class Composing:
    """Composes anew at every step and betters nothing."""

    def __init__(self, problem: Problem, seed: int, others: tuple[Pairs, ...] = ()) -> None:
        self._objective = Objective(problem, others)
        self._seed = seed * 31
        self.best = self._objective.begun(first_arrangement(problem, self._seed))

    def step(self, progress: float) -> bool:
        """Compose one more."""
        self._seed += 1
        state = self._objective.begun(first_arrangement(self._objective.problem, self._seed))
        if state.rank > self.best.rank:
            self.best = state
            return True
        return False


def grouping(problem: Problem, seed: int, others: tuple[Pairs, ...] = ()) -> Strategy:
    """Return a search by groups.

    Single things are annealed where a look is to stay near another one or is only finished, and where nothing makes a
    group; where there is only a rail or a wall whole rows are hung.
    """
    is_to_be_finished = bool(problem.base) and len(problem.fixed) == len(problem.base)
    if problem.stay == 0 and not is_to_be_finished:
        if not problem.open_ledges and problem.walls:
            return Hanging(problem, seed, others)
        search = Grouping(problem, seed, others)
        if search.is_composed:
            return search
    return Annealing(problem, seed, others)


STRATEGIES: dict[str, Callable[[Problem, int, tuple[Pairs, ...]], Strategy]] = {
    "annealing": Annealing, "climbing": Climbing, "composing": Composing, "grouping": grouping,
}  # fmt: skip
