"""From a first arrangement to a better one: many small changes, each read with the true readings."""

import math
import random
from collections.abc import Callable

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.model.arrangement import Arrangement
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.spots import carries
from jolly_ledge.model.stash_order import fits
from jolly_ledge.model.words import Pose
from jolly_ledge.proposals.compose import at
from jolly_ledge.proposals.problem import Problem
from jolly_ledge.readings.register import assess

WARM, COLD = 0.012, 0.0006
"""How much worse a change may be and still be tried, at first and at last (annealing)."""

OVERLAP_FREE, OVERLAP_COST = 0.45, 0.8
"""So much a proposal may have in common with an earlier one; what is over costs in its score."""

HEED_COST, BARE_COST = 0.008, 0.02
"""What a caution to heed, and a ledge left bare, cost in the choice; neither enters the score that is shown."""

Pairs = frozenset[tuple[str, str]]


class State(Struct, frozen=True):
    """An arrangement on the way: its placements, how it reads, and that less what it has in common with others."""

    placements: tuple[Placement, ...]
    score: float
    worth: float


def pairs_of(placements: tuple[Placement, ...], fixed: tuple[Placement, ...] = ()) -> Pairs:
    """Return which thing is on which ledge, what stays left out."""
    kept = {placement.item for placement in fixed}
    return frozenset((placement.item, placement.ledge) for placement in placements if placement.item not in kept)


def overlap(one: Pairs, other: Pairs) -> float:
    """Return how much two arrangements have in common: the shared pairs over those of the smaller one.

    >>> overlap(frozenset({("a", "1"), ("b", "1")}), frozenset({("a", "1"), ("c", "2")}))
    0.5
    """
    return len(one & other) / max(min(len(one), len(other)), 1)


class Refinement:
    """Betters one arrangement step by step; the same seed makes the same steps."""

    def __init__(
        self, problem: Problem, start: tuple[Placement, ...], seed: int, others: tuple[Pairs, ...] = ()
    ) -> None:
        self._problem = problem
        self._chance = random.Random(seed)
        self._others = others
        self._items = {item.id: item for item in problem.plan.stash}
        self._ledges = {ledge.id: ledge for ledge in problem.open_ledges}
        self._kept = {placement.id for placement in problem.fixed}
        self._must = {item.id for item in problem.required}
        self.now = self._heeded(self._read(start), problem.resolve(start))
        self.best = self.now
        self.best_is_valid = problem.is_valid(problem.resolve(start))

    def _read(self, placements: tuple[Placement, ...]) -> State:
        """Read an arrangement; what is to be heeded in it is not counted yet."""
        score = assess(self._problem.resolve(placements)).score
        own = pairs_of(placements, self._problem.fixed)
        over = max((overlap(own, other) - OVERLAP_FREE for other in self._others), default=0.0)
        bare = len(self._ledges.keys() - {placement.ledge for placement in placements})
        return State(placements, score, score - OVERLAP_COST * max(over, 0.0) - BARE_COST * bare)

    def _heeded(self, state: State, arrangement: Arrangement) -> State:
        return replace(state, worth=state.worth - HEED_COST * self._problem.heeds(arrangement))

    def step(self, progress: float) -> bool:
        """Try one change; ``progress`` (0 to 1) cools the search. Return whether the best got better."""
        changed = self._changed()
        if changed is None:
            return False
        tried = self._read(changed)
        heat = WARM * (COLD / WARM) ** progress
        least = self.now.worth + heat * math.log(max(self._chance.random(), 1e-12))
        # Cautions are asked for only where the readings alone would take the change.
        if tried.worth < least:
            return False
        arrangement = self._problem.resolve(changed)
        tried = self._heeded(tried, arrangement)
        if tried.worth < least or not self._problem.can_stand(arrangement):
            return False
        valid = not arrangement.awaited
        self.now = tried
        if (valid, tried.worth) > (self.best_is_valid, self.best.worth):
            self.best, self.best_is_valid = tried, valid
            return True
        return False

    # Single changes; each returns the new placements, or None where it cannot be made

    def _changed(self) -> tuple[Placement, ...] | None:
        makers: tuple[tuple[Callable[[], tuple[Placement, ...] | None], int], ...] = (
            (self._shift, 6), (self._deepen, 3), (self._exchange, 6), (self._swap, 3), (self._carry, 3),
            (self._bring, 3), (self._take, 1), (self._raise, 2), (self._lay, 1),
        )  # fmt: skip
        make = self._chance.choices([maker for maker, _ in makers], [weight for _, weight in makers])[0]
        return make()

    def _one(self) -> Placement | None:
        """Return a placement that may be changed and carries or holds nothing."""
        hosts = {placement.host for placement in self.now.placements}
        free = [
            p
            for p in self.now.placements
            if p.id not in self._kept and p.inside is None and p.x is not None and p.id not in hosts
            and p.ledge in self._ledges
        ]  # fmt: skip
        return self._chance.choice(free) if free else None

    def _with(self, old: Placement, new: Placement) -> tuple[Placement, ...]:
        return tuple(new if placement.id == old.id else placement for placement in self.now.placements)

    def _shift(self) -> tuple[Placement, ...] | None:
        one = self._one()
        if one is None or one.on is not None:
            return None
        ledge = self._ledges[one.ledge]
        reach = self._chance.choice((30.0, 90.0, ledge.width / 2))
        middle = (one.x or 0.0) + self._chance.uniform(-reach, reach)
        moved = at(self._items[one.item], ledge, middle, one.z or 0.0, pose=one.pose)
        return self._with(one, replace(one, x=moved.x))

    def _deepen(self) -> tuple[Placement, ...] | None:
        one = self._one()
        if one is None or one.on is not None or one.pose == "leaning":
            return None
        ledge = self._ledges[one.ledge]
        depth = self._chance.uniform(0.2, 0.8) * ledge.depth
        return self._with(one, replace(one, z=at(self._items[one.item], ledge, one.x or 0.0, depth, pose=one.pose).z))

    def _free(self, ledge_id: str) -> list[Item]:
        placed = {placement.item for placement in self.now.placements}
        ledge = self._ledges[ledge_id]
        return [item for item in self._problem.candidates if item.id not in placed and fits(item, ledge)]

    def _exchange(self) -> tuple[Placement, ...] | None:
        one = self._one()
        if one is None or one.item in self._must or one.on is not None:
            return None
        free = self._free(one.ledge)
        if not free:
            return None
        item = self._chance.choice(free)
        return self._with(one, at(item, self._ledges[one.ledge], one.x or 0.0, one.z or 0.0))

    def _swap(self) -> tuple[Placement, ...] | None:
        one, two = self._one(), self._one()
        if one is None or two is None or one.id == two.id or one.on or two.on or one.ledge == two.ledge:
            return None
        first, second = self._items[one.item], self._items[two.item]
        if not fits(first, self._ledges[two.ledge]) or not fits(second, self._ledges[one.ledge]):
            return None
        there = at(first, self._ledges[two.ledge], two.x or 0.0, two.z or 0.0, pose=one.pose)
        here = at(second, self._ledges[one.ledge], one.x or 0.0, one.z or 0.0, pose=two.pose)
        new = {one.id: there, two.id: here}
        return tuple(new.get(placement.id, placement) for placement in self.now.placements)

    def _carry(self) -> tuple[Placement, ...] | None:
        one = self._one()
        if one is None:
            return None
        item = self._items[one.item]
        ledges = [ledge for ledge in self._problem.open_ledges if ledge.id != one.ledge and fits(item, ledge)]
        if not ledges:
            return None
        ledge = self._chance.choice(ledges)
        middle, depth = self._chance.uniform(0, ledge.width), self._chance.uniform(0.3, 0.8) * ledge.depth
        return self._with(one, at(item, ledge, middle, depth, pose=one.pose))

    def _bring(self) -> tuple[Placement, ...] | None:
        ledge = self._chance.choice(self._problem.open_ledges)
        missing = {item.id for item in self._problem.required} - {p.item for p in self.now.placements}
        free = self._free(ledge.id) + [self._items[i] for i in missing if fits(self._items[i], ledge)]
        if not free:
            return None
        item = self._chance.choice(free)
        middle, depth = self._chance.uniform(0, ledge.width), self._chance.uniform(0.25, 0.8) * ledge.depth
        return (*self.now.placements, at(item, ledge, middle, depth))

    def _take(self) -> tuple[Placement, ...] | None:
        one = self._one()
        if one is None or one.item in self._must:
            return None
        return tuple(placement for placement in self.now.placements if placement.id != one.id)

    def _raise(self) -> tuple[Placement, ...] | None:
        """Set a thing on a stack of books, a tray or a lidded box of its ledge, or down again."""
        one = self._one()
        if one is None or one.pose == "leaning":
            return None
        if one.on is not None:
            down = at(self._items[one.item], self._ledges[one.ledge], (one.x or 0.0) + 120.0, one.z or 0.0)
            return self._with(one, down)
        hosts = {placement.host for placement in self.now.placements}
        resolved = self._problem.resolve(self.now.placements)
        free = [
            s for s in resolved.by_ledge.get(one.ledge, ())
            if s.id != one.id and s.id not in hosts and carries(s) and s.placement.host is None
        ]  # fmt: skip
        if not free:
            return None
        host = self._chance.choice(free)
        return self._with(one, replace(one, on=host.id, x=host.placement.x, z=host.placement.z))

    def _lay(self) -> tuple[Placement, ...] | None:
        one = self._one()
        if one is None or self._items[one.item].category != "book" or one.on is not None:
            return None
        pose: Pose = "upright" if one.pose == "flat" else "flat"
        ledge = self._ledges[one.ledge]
        return self._with(one, at(self._items[one.item], ledge, one.x or 0.0, one.z or 0.0, pose=pose))
