"""What an arrangement is worth in a search: how it reads, less what it shares with others and leaves to be heeded."""

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.look import Placement
from jolly_ledge.proposals.problem import Pairs, Problem
from jolly_ledge.readings.register import assess

OVERLAP_FREE, OVERLAP_COST = 0.45, 0.8
"""So much a proposal may have in common with an earlier one; what is over costs in its worth."""

HEED_COST, BARE_COST = 0.008, 0.02
"""What a caution to heed, and a ledge left bare, cost in the choice; neither enters the score that is shown."""

SEASON_WELCOME, MOST_WELCOME = 0.004, 5
"""What each thing of the season adds in the choice, up to so many, where a season is asked for."""

ASK = float("inf")
MOST_KNOWN = 20_000
"""So many arrangements are remembered: a small problem comes by the same ones again and again."""

Placements = tuple[Placement, ...]


class State(Struct, frozen=True):
    """An arrangement on the way: its placements, how it reads, what it is worth, whether it lacks nothing."""

    placements: Placements
    score: float
    objective: float
    is_complete: bool

    @property
    def rank(self) -> tuple[bool, float]:
        """What is compared: a complete one before any other."""
        return (self.is_complete, self.objective)


def pairs_of(placements: Placements, fixed: Placements = ()) -> Pairs:
    """Return which thing is on which ledge, what stays left out."""
    kept = {placement.item for placement in fixed}
    return frozenset((placement.item, placement.ledge) for placement in placements if placement.item not in kept)


def overlap(one: Pairs, other: Pairs) -> float:
    """Return how much two arrangements have in common: the shared pairs over those of the smaller one.

    >>> overlap(frozenset({("a", "1"), ("b", "1")}), frozenset({("a", "1"), ("c", "2")}))
    0.5
    """
    return len(one & other) / max(min(len(one), len(other)), 1)


class Objective:
    """Tells what arrangements of one problem are worth beside those that were found before."""

    def __init__(self, problem: Problem, others: tuple[Pairs, ...] = ()) -> None:
        self.problem = problem
        self._others = others
        self._ledges = {ledge.id for ledge in problem.open_ledges}
        self._base = pairs_of(problem.base, problem.fixed)
        things = (*problem.candidates, *problem.fillings) if problem.season is not None else ()
        self._seasonal = {item.id for item in things if problem.season in item.season}
        # A figure stands for what was read so far only: the arrangement is worth no more than that.
        self._known: dict[frozenset[Placement], State | float | None] = {}

    def state(self, placements: Placements, least: float = float("-inf")) -> State | None:
        """Return an arrangement with its worth; None where it cannot stand or is worth less than asked for.

        The cheap questions come first: most changes that cannot be are of things in each other's place.

        Parameters
        ----------
        placements : sequence of Placement
            An arrangement.
        least : float
            What it has to be worth.
        """
        key = frozenset(placements)
        known = self._known.get(key, ASK)
        if isinstance(known, State) or known is None:
            return known if known is not None and known.objective >= least else None
        if known < least:
            return None
        arrangement = self.problem.resolve(placements)
        if not self.problem.has_room(arrangement):
            return self._note(key, None)
        score = assess(arrangement).score
        objective = score - self._shortcomings(placements)
        if objective < least:
            self._known[key] = objective
            return None
        objective -= HEED_COST * self.problem.heeds(arrangement)
        if not self.problem.can_stand(arrangement):
            return self._note(key, None)
        state = self._note(key, State(placements, score, objective, not arrangement.awaited))
        return state if objective >= least else None

    def _note(self, key: frozenset[Placement], state: State | None) -> State | None:
        if len(self._known) >= MOST_KNOWN:
            self._known.clear()
        self._known[key] = state
        return state

    def begun(self, placements: Placements) -> State:
        """Return an arrangement to begin with, whatever it is worth."""
        arrangement: Arrangement = self.problem.resolve(placements)
        score = assess(arrangement).score
        objective = score - self._shortcomings(placements) - HEED_COST * self.problem.heeds(arrangement)
        return State(placements, score, objective, self.problem.is_valid(arrangement))

    def _shortcomings(self, placements: Placements) -> float:
        own = pairs_of(placements, self.problem.fixed)
        over = max((overlap(own, other) - OVERLAP_FREE for other in self._others), default=0.0)
        bare = len(self._ledges - {placement.ledge for placement in placements})
        gone = max(self.problem.stay - len(own & self._base) / len(self._base), 0.0) if self._base else 0.0
        welcome = sum(1 for placement in placements if placement.item in self._seasonal)
        lacking = SEASON_WELCOME * max(MOST_WELCOME - welcome, 0) if self._seasonal else 0.0
        return OVERLAP_COST * (max(over, 0.0) + gone) + BARE_COST * bare + lacking
