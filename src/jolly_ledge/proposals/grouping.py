"""A search among looks that are composed of groups: no step leaves the grammar."""

import random
from collections.abc import Collection, Sequence

from msgspec.structs import replace

from jolly_ledge.proposals.compose import compose
from jolly_ledge.proposals.composing.composition import Composition, composed, recomposed
from jolly_ledge.proposals.composing.fullness import suiting, things_wanted
from jolly_ledge.proposals.composing.liking import liking_by_ledge, liking_of
from jolly_ledge.proposals.composing.pool import GroupPool
from jolly_ledge.proposals.composing.refining import refined
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.objective import MOST_WELCOME, Objective, State, overlap, pairs_of
from jolly_ledge.proposals.problem import Pairs, Problem
from jolly_ledge.proposals.story import leads_of

FIRST_THROWS = 6
"""So often the dice are thrown for a first composition before single things are set down instead."""

WHOLE_AT_FIRST, WHOLE_OFTEN = 10, 0.01
"""So many whole compositions come first; later it is mostly single ledges that are composed anew."""

SHARED_FREE, SHARED_COST, SAME_LEAD = 0.3, 14.0, 6.0
"""So much looks may share; what is over costs, and the same lead does."""

HALF, OVER_HALF_COST, SCARCE = 0.5, 240.0, 0.5
"""From half on sharing costs so much that only a stash without others to take leaves any; where things are scarce for
all looks of a run, half of what lacks is added to the half.
"""

SAME_PLACES, PLACES_FREE = 4.0, 0.4
"""What it costs that things stand on the same ledges as before: it counts where there are no others to take."""

SEASON_LIKED = 3.0
EYE = 8.0
"""So much the whole of how a look reads counts beside what is liked in its groups."""

READS_BETTER_BY = 0.05
"""A step hardly ever reads better than the best by more: what is liked too little for that is not read at all."""

REFINES_FROM, REFINED_OFTEN = 0.2, 0.7
WARM, COLD_FROM, STUCK = 0.4, 0.7, 16
"""When so many steps bettered nothing, one may be worse than the last, at first by so much on average, less and less
until it is cold (Kirkpatrick, Gelatt and Vecchi, 1983): from there on the best that was found is bettered.
"""

LIKED_MORE = 10.0
"""Any composition is worth more than single things."""


class Grouping:
    """Composes whole looks first, then single ledges anew, then refines groups; keeps what is liked best."""

    whole_often = WHOLE_OFTEN

    def __init__(self, problem: Problem, seed: int, others: tuple[Pairs, ...] = ()) -> None:
        self._problem, self._objective = problem, Objective(problem, others)
        self._seed, self._number, self._pool = seed * 100_003, 0, GroupPool()
        self._others = others
        self._earlier = [frozenset(item for item, _ in pairs) for pairs in others]
        self._taken = frozenset().union(*self._earlier)
        self._composition: Composition | None = None
        self._least, self._in_vain = float("-inf"), 0
        self._may_share: tuple[float, float] | None = None
        self._alone: frozenset[str] | None = None
        self._liked_by_ledge: dict[str, float] = {}
        self._rng = random.Random(seed)
        for _ in range(FIRST_THROWS):
            if (found := self._composed()) is not None:
                self._composition, self.best = found
                break
        else:
            self.best = self._objective.begun(compose(problem, random.Random(seed)))
        self._at, self._best_composition, self._is_cold = self.best, self._composition, False

    @property
    def is_composed(self) -> bool:
        """Whether there are groups."""
        return self._composition is not None

    def _composed(self) -> tuple[Composition, State] | None:
        self._number += 1
        problem = self._problem
        if self._number % 2 == 0 and self._is_scarce():
            problem = replace(problem, led_before=frozenset())
        composition = composed(problem, self._seed + self._number, self._taken, self._pool)
        return None if composition is None else self._judged(composition)

    def _judged(self, composition: Composition) -> tuple[Composition, State] | None:
        """Return a composition with what it is worth, None where it cannot be worth so much as it has to be."""
        led_again = self._shows_a_lead_again(composition)
        liked = LIKED_MORE + liking_of(composition) - self._shared(composition) - SAME_LEAD * led_again
        liked += SEASON_LIKED * min(self._seasonal(composition), MOST_WELCOME)
        if self._composition is not None and self._at.is_complete:
            most = EYE * min(self.best.score + READS_BETTER_BY, 1.0)
            if liked + most < self._least:
                return None
        state = self._objective.begun(composition.placements)
        liked -= SAME_LEAD * (not led_again and self._is_led_again(composition))
        return composition, replace(state, objective=liked + EYE * state.objective)

    def _seasonal(self, composition: Composition) -> int:
        """Return how many things of the season that is asked for it has."""
        if self._problem.season is None:
            return 0
        things = composition.stock.things
        ids = (placement.item for placement in composition.placements)
        return sum(self._problem.season in things[one].item.season for one in ids if one in things)

    def _shared(self, composition: Composition) -> float:
        """Return the cost of what earlier looks have, too, beyond what looks may share."""
        own = {placement.item for placement in composition.placements} - self._comes_again(composition)
        shares = [len(own & earlier) / max(min(len(own), len(earlier)), 1) for earlier in self._earlier]
        free, half = self._shareable()
        cost = SHARED_COST * sum(max(share - free, 0.0) for share in shares)
        cost += OVER_HALF_COST * sum(max(share - half, 0.0) for share in shares)
        pairs = pairs_of(composition.placements, self._problem.fixed)
        return cost + SAME_PLACES * sum(max(overlap(pairs, other) - PLACES_FREE, 0.0) for other in self._others)

    def _shareable(self) -> tuple[float, float]:
        if self._may_share is None:
            self._may_share = may_share(self._problem, self._earlier)
        return self._may_share

    def _is_scarce(self) -> bool:
        """Tell whether the stash lacks things for another look: then what led before may come again, at a cost."""
        return bool(self._earlier) and self._shareable()[1] > HALF

    def _comes_again(self, composition: Composition) -> frozenset[str]:
        """Return what stays, what must be there, and what answers a need alone: it is not what makes looks alike."""
        if self._alone is None:
            stock = Stock(self._problem, random.Random(0))
            self._alone = frozenset(one.id for one in stock.things.values() if stock.answers.is_alone(one, self._taken))
        return self._alone | {placement.item for placement in self._problem.fixed} | composition.stock.must

    def _shows_a_lead_again(self, composition: Composition) -> bool:
        """Tell whether what shows most led an earlier look: quickly told, before a look is read."""
        own = {placement.item for placement in composition.placements} - self._comes_again(composition)
        return _lead_of(composition, own) in self._problem.led_before

    def _is_led_again(self, composition: Composition) -> bool:
        """Tell whether what leads to the eye led an earlier look."""
        led = self._problem.led_before - self._comes_again(composition)
        return bool(led) and bool(leads_of(self._problem.resolve(composition.placements)) & led)

    def step(self, progress: float) -> bool:
        """Compose all anew, a ledge or a few, or refine groups: the longer, the finer, and the less may be lost."""
        self._cool(progress)
        if self._composition is None or self._number < WHOLE_AT_FIRST or self._rng.random() < self.whole_often:
            found = self._composed()
        else:
            refines = progress > REFINES_FROM and self._rng.random() < REFINED_OFTEN
            if refines:
                changed = refined(self._composition, self._rng)
            else:
                changed = recomposed(self._composition, self._rng, self._liked_by_ledge)
            found = None if changed is None else self._judged(changed)
        if found is None or found[1].rank <= (self._at.is_complete, self._least):
            return False
        self._go_on_from(*found)
        if found[1].rank > self.best.rank:
            self._best_composition, self.best = found
            self._in_vain = 0
            return True
        return False

    def _cool(self, progress: float) -> None:
        """Tell what the next step has to be worth; once it is cold go back to the best, once."""
        if progress >= COLD_FROM and not self._is_cold:
            self._is_cold = True
            if self._best_composition is not None:
                self._go_on_from(self._best_composition, self.best)
        self._in_vain += 1
        warm = WARM * max(1 - progress / COLD_FROM, 0.0) * (self._in_vain > STUCK)
        self._least = self._at.objective - (self._rng.expovariate(1 / warm) if warm else 0.0)

    def _go_on_from(self, composition: Composition, state: State) -> None:
        self._composition, self._at = composition, state
        self._liked_by_ledge = liking_by_ledge(composition)


def may_share(problem: Problem, earlier: Sequence[frozenset[str]]) -> tuple[float, float]:
    """Return which share of its things a look may have in common with each earlier one: freely, and at a low cost.

    That is more where the stash has no more than it has, and from the third look on where all of them together want
    more things than there are.
    """
    stock = Stock(problem, random.Random(0), frozenset().union(*earlier))
    wanted = sum(things_wanted(stock, ledge) for ledge in stock.ledges)
    suits = suiting(stock)
    if not wanted or not earlier:
        return SHARED_FREE, HALF
    # What all of them took comes again from any of them, what one took from that one alone.
    again = [wanted - sum(thing.id not in one for thing in suits) for one in earlier]
    again.append((wanted - sum(all(thing.id not in one for one in earlier) for thing in suits)) / len(earlier))
    unavoidable = min(max(*again, 0.0) / wanted, 1.0)
    lacks = (len(earlier) + 1) * wanted / max(len(suits), 1) - 1 if len(earlier) > 1 else 0.0
    return max(SHARED_FREE, unavoidable), max(HALF + SCARCE * min(max(lacks, 0.0), 1.0), unavoidable)


def _lead_of(composition: Composition, ids: Collection[str]) -> str:
    """Return which of some things shows most, books apart."""
    things = composition.stock.things
    shown = {one: things[one].area for one in ids if one in things and not things[one].item.is_book}
    return max(shown, key=lambda one: (shown[one], one), default="")
