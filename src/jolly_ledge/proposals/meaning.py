"""What a score means for a piece, its stash and a manner: how chance reads there, and the best that was found.

The raw score of a look says which of two is better; what is shown is a strictly rising map of it, so that it never
changes which: the worst tenth of chance looks reads 10, their middle 30, their best twentieth 60, the best that a
search finds 95.
"""

from collections.abc import Callable
from functools import lru_cache
from random import Random

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.measures.score import mean
from jolly_ledge.proposals.chance_looks import Chance, anything, chance_looks, exchanged, other_choice, shuffled
from jolly_ledge.proposals.grouping import Grouping
from jolly_ledge.proposals.problem import Problem
from jolly_ledge.readings.register import assess

CHANCE_LOOKS, COMPOSED_STEPS = 100, 40
ANCHORS = ((0.1, 10.0), (0.5, 30.0), (0.95, 60.0))
"""Shares of the chance looks that read worse, and what is shown there."""

BEST, MOST = 95.0, 100.0
LEAST_APART = 0.01
"""Anchors lie at least so far apart in the raw score, so that the map rises everywhere."""

BESIDE = 24
"""So many looks with its own things elsewhere, and with other things in its places, tell how it stands."""


class Meaning(Struct, frozen=True):
    """The map from a raw score to what is shown: anchors of both, rising."""

    anchors: tuple[tuple[float, float], ...]

    def shown(self, score: float) -> float:
        """Return what is shown for a raw score, 0 to 100.

        Parameters
        ----------
        score : float
            A raw score, 0 to 1.

        >>> told = Meaning(((0.0, 0.0), (0.2, 10.0), (0.4, 30.0), (0.5, 60.0), (0.8, 95.0), (1.0, 100.0)))
        >>> round(told.shown(0.3)), round(told.shown(0.8))
        (20, 95)
        """
        score = min(max(score, 0.0), 1.0)
        for (low, least), (high, most) in zip(self.anchors, self.anchors[1:], strict=False):
            if score <= high:
                return least + (most - least) * (score - low) / (high - low)
        return MOST


class Stands(Struct, frozen=True):
    """How a look stands: what is shown, and which share of chance placings and of other choices it is better than.

    The shares are None where there is no other placing, or nothing else to choose.
    """

    shown: float
    placing: float | None
    choice: float | None

    @property
    def sentences(self) -> tuple[str, ...]:
        """What tells whether to move things or to swap them."""
        said = []
        if self.placing is not None:
            said.append(f"Placing: better than {round(self.placing * 10)} of 10 chance placings of these things.")
        if self.choice is not None:
            said.append(f"Choice: better than {round(self.choice * 10)} of 10 other choices from the stash.")
        return tuple(said)


@lru_cache(maxsize=32)
def chance_scores(problem: Problem, count: int = CHANCE_LOOKS, seed: int = 1) -> tuple[float, ...]:
    """Return how chance looks of a problem read, from the worst to the best; the same seed gives the same ones."""
    looks = (problem.resolve(anything(problem, Random(f"{seed} {number}"))) for number in range(count))
    return tuple(sorted(assess(look).score for look in looks))


@lru_cache(maxsize=32)
def best_found(problem: Problem, steps: int = COMPOSED_STEPS, seed: int = 1) -> float:
    """Return how the best of a short search reads."""
    search = Grouping(problem, seed)
    for number in range(steps):
        search.step(number / steps)
    return assess(problem.resolve(search.best.placements)).score


def meaning_of(problem: Problem, count: int = CHANCE_LOOKS, seed: int = 1) -> Meaning:
    """Return what scores mean for a problem (a piece with its stash and manner, and nothing placed)."""
    chance = chance_scores(problem, count, seed)
    wanted = [(chance[min(int(share * len(chance)), len(chance) - 1)], shown) for share, shown in ANCHORS]
    wanted.append((best_found(problem, seed=seed), BEST))
    anchors = [(0.0, 0.0)]
    for score, shown in wanted:
        room = LEAST_APART * (len(wanted) + 1 - len(anchors))
        anchors.append((min(max(score, anchors[-1][0] + LEAST_APART), 1.0 - room), shown))
    return Meaning((*anchors, (1.0, MOST)))


def standing_of(
    problem: Problem, look: Arrangement, meaning: Meaning, seed: int = 1, stop: Callable[[], bool] = lambda: False
) -> Stands:
    """Return how a look stands among chance placings of its own things and other choices from the stash."""
    score = assess(look).score

    def better_than(*made: tuple[Chance, int]) -> float | None:
        scores = [
            assess(problem.resolve(placements)).score
            for make, count in made
            for placements in chance_looks(problem, look, make, count, seed, stop)
        ]
        return mean([float(score > other) for other in scores]) if scores else None

    placing = better_than((shuffled, BESIDE // 2), (exchanged, BESIDE // 2))
    return Stands(meaning.shown(score), placing, better_than((other_choice, BESIDE)))
