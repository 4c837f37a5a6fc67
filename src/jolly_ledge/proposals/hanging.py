"""A search among rows on a rail: what is long and broad carries them, and falls from an end."""

import random

from msgspec.structs import replace

from jolly_ledge.proposals.compose import compose
from jolly_ledge.proposals.objective import Objective, Placements, State
from jolly_ledge.proposals.problem import Pairs, Problem

SHOWN, ENOUGH_SHOWN = 0.35, 0.6
"""By hand six to seven tenths of what is below a rail are covered: by a coat and a bag, not by a row of towels."""

FALLS = 0.05
"""The longest hangs at an end."""


class Hanging:
    """Hangs a row anew at every step, and keeps what reads best and shows most."""

    def __init__(self, problem: Problem, seed: int, others: tuple[Pairs, ...] = ()) -> None:
        self._objective, self._seed = Objective(problem, others), seed * 31
        self.best = self._row()

    def _row(self) -> State:
        problem = self._objective.problem
        state = self._objective.begun(compose(problem, random.Random(self._seed)))
        return replace(state, objective=state.objective + liking_of_a_row(problem, state.placements))

    def step(self, progress: float) -> bool:
        """Hang one more row."""
        self._seed += 1
        state = self._row()
        if state.rank > self.best.rank:
            self.best = state
            return True
        return False


def liking_of_a_row(problem: Problem, placements: Placements) -> float:
    """Return how a row is liked for what it shows and how it falls, 0 to 0.4."""
    wall = max(problem.walls, key=lambda one: one.width)
    row = sorted(problem.resolve(placements).by_ledge.get(wall.id, ()), key=lambda placed: placed.x)
    if not row:
        return 0.0
    below = wall.width * (wall.clearance or max(placed.height for placed in row))
    shown = sum(placed.width * placed.height for placed in row) / below
    longest = max(placed.height for placed in row)
    return SHOWN * min(shown / ENOUGH_SHOWN, 1.0) + FALLS * (longest in (row[0].height, row[-1].height))
