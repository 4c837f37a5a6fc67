"""The way of a task through its things: how far each is from the one before it, and whether the hand turns back."""

import math
from itertools import pairwise

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.distance import apart, distance_to, nearest_of
from jolly_ledge.model.task import Task

LITTLE_MM = 40.0
"""A step back by less is none."""


class Leg(Struct, frozen=True):
    """One step of a task: the thing that is reached, and how far (mm) from what was in hand before.

    ``far`` is None for the first thing where no point is told or the point is not at the piece.
    """

    placed: PlacedItem
    far: float | None


class Way(Struct, frozen=True):
    """A task as it runs in a look: its legs in order, and the ids of its things that stand nowhere in it.

    ``start`` is where its point is (piece mm: along, and height over the floor), None where there is none.
    """

    task: Task
    legs: tuple[Leg, ...]
    gone: tuple[str, ...]
    start: tuple[float, float] | None

    @property
    def too_far(self) -> tuple[Leg, ...]:
        """What is out of reach from what comes before it."""
        return tuple(leg for leg in self.legs if leg.far is not None and leg.far > self.task.within)

    @property
    def length(self) -> float:
        """How far the hand goes in all, in mm."""
        return sum(leg.far for leg in self.legs if leg.far is not None)

    @property
    def turns(self) -> int:
        """How often the hand turns back along the piece."""
        places = [leg.placed.x for leg in self.legs]
        if self.start is not None:
            places.insert(0, self.start[0])
        steps = [after - before for before, after in pairwise(places)]
        ways = [step > 0 for step in steps if abs(step) > LITTLE_MM]
        return sum(one is not other for one, other in pairwise(ways))


def way_of(arrangement: Arrangement, task: Task) -> Way:
    """Return how a task runs through a look.

    Parameters
    ----------
    arrangement : Arrangement
        The look; what is hidden in a cupboard or a box is reached as well.
    task : Task
        What is done.
    """
    by_item = {placed.item.id: placed for placed in arrangement.placed_items}
    things = [by_item[item] for item in task.items if item in by_item]
    legs: list[Leg] = []
    for placed in things:
        before = legs[-1].placed if legs else None
        far = _between(before, placed) if before else distance_to(arrangement, placed, task.near) if task.near else None
        legs.append(Leg(placed, far))
    start = nearest_of(arrangement, things[0], task.near) if things and task.near else None
    return Way(task, tuple(legs), tuple(item for item in task.items if item not in by_item), start)


def ways_of(arrangement: Arrangement) -> tuple[Way, ...]:
    """Return how every task of the piece runs through a look."""
    return tuple(way_of(arrangement, task) for task in arrangement.piece.tasks)


def _between(one: PlacedItem, other: PlacedItem) -> float:
    """Return the free distance between two things, along, up and in depth together (mm)."""
    sides = (
        (one.left, one.right, other.left, other.right),
        (one.bottom, one.top, other.bottom, other.top),
        (one.front, one.back, other.front, other.back),
    )
    return math.hypot(*(apart(*side) for side in sides))
