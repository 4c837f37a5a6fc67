"""Small changes of an arrangement on the way to a better one."""

import random
from collections.abc import Callable

from msgspec.structs import replace

from jolly_ledge.geometry.arrangement import PlacedItem
from jolly_ledge.geometry.landing import carries, holds
from jolly_ledge.geometry.pose import extent
from jolly_ledge.measures.frame import frame_height
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import Pose
from jolly_ledge.proposals.gaps import gaps_between
from jolly_ledge.proposals.places import at
from jolly_ledge.proposals.poses import usual_pose
from jolly_ledge.proposals.problem import FILLINGS, Problem
from jolly_ledge.proposals.risers import can_raise, carries_base, pose_of

Placements = tuple[Placement, ...]

INTO_A_GAP = 0.75
"""So often a thing is set where there is room, else anywhere."""

SMALL_SHARE = 0.45
"""What is lower than this share of its frame may stand before others."""

TRIES = 6
BESIDE_MM = (10.0, 50.0)


class Changes:
    """Makes single changes; each gives new placements, or None where it cannot be made."""

    def __init__(self, problem: Problem, rng: random.Random) -> None:
        self._problem = problem
        self._rng = rng
        self._items = {item.id: item for item in problem.plan.stash}
        self._ledges = {ledge.id: ledge for ledge in problem.open_ledges}
        self._kept = {placement.id for placement in problem.fixed}
        self._must = {item.id for item in problem.required}
        makers: tuple[tuple[Callable[[Placements], Placements | None], int], ...] = (
            (self._turn_over, 1), (self._shift, 5), (self._deepen, 2), (self._exchange, 6), (self._swap, 3),
            (self._carry, 3), (self._bring, 5), (self._take, 2), (self._raise, 2), (self._underlay, 2),
            (self._lay, 1), (self._fill, 1),
        )  # fmt: skip
        self._kinds = [kind for kind, _ in makers]
        self._often = [often for _, often in makers]

    def any(self, placements: Placements) -> Placements | None:
        """Make one change of any kind; None where none of a few could be made, or where nothing stands but hangs."""
        if not self._ledges:
            return None
        for _ in range(TRIES):
            changed = self._rng.choices(self._kinds, self._often)[0](placements)
            if changed is not None and changed != placements:
                return changed
        return None

    def _one(self, placements: Placements) -> Placement | None:
        """Return a placement that may be changed and carries or holds nothing."""
        hosts = {placement.host for placement in placements}
        free = [
            p
            for p in placements
            if p.id not in self._kept and p.inside is None and p.z is not None and p.id not in hosts
            and p.ledge in self._ledges
        ]  # fmt: skip
        return self._rng.choice(free) if free else None

    def _spot(self, placements: Placements, item: Item, ledge: Ledge, pose: Pose | None = None) -> Placement:
        """Return a place for a thing: in a gap beside others, before them when it is small, or anywhere."""
        rng, pose = self._rng, pose or usual_pose(item)
        size = extent(item, pose)
        small = size.height < SMALL_SHARE * frame_height(ledge)
        depth = rng.uniform(0.15, 0.4) if small else rng.uniform(0.4, 0.8)
        wide = [gap for gap in self._gaps(placements, ledge) if gap[1] - gap[0] >= size.width + BESIDE_MM[0]]
        if wide and rng.random() < INTO_A_GAP:
            start, end = rng.choice(wide)
            beside = rng.uniform(*BESIDE_MM)
            near = start + beside if rng.random() < 0.5 else end - beside - size.width
            middle = min(max(near, start), end - size.width) + size.width / 2
            depth = rng.uniform(0.3, 0.75)
        else:
            middle = rng.uniform(0, ledge.width)
        return self._at(item, ledge, middle, depth * ledge.depth, pose=pose)

    def _at(
        self, item: Item, ledge: Ledge, middle: float, depth: float, pose: Pose | None = None, turn: float = 0.0
    ) -> Placement:
        return at(item, ledge, middle, depth, pose=pose, turn=turn, step=self._problem.step)

    def _gaps(self, placements: Placements, ledge: Ledge) -> list[tuple[float, float]]:
        """Return the free stretches of a ledge, seen from the front."""
        taken = [
            (p.x - half, p.x + half)
            for p in placements
            if p.ledge == ledge.id and p.host is None and p.x is not None
            for half in (extent(self._items[p.item], p.pose).width / 2,)
        ]
        return gaps_between(taken, ledge.width)

    def _free(self, placements: Placements, ledge: Ledge) -> list[Item]:
        placed = {placement.item for placement in placements}
        return [
            item
            for item in self._problem.candidates
            if item.id not in placed and ledge in self._problem.homes(item) and self._problem.welcomes(item, ledge)
        ]

    def _shift(self, placements: Placements) -> Placements | None:
        one = self._one(placements)
        if one is None or one.on is not None:
            return None
        ledge, item = self._ledges[one.ledge], self._items[one.item]
        if self._rng.random() < 0.3:
            others = tuple(placement for placement in placements if placement.id != one.id)
            moved = self._spot(others, item, ledge, one.pose)
        else:
            reach = self._rng.choice((25.0, 80.0))
            middle = (one.x or 0.0) + self._rng.uniform(-reach, reach)
            moved = self._at(item, ledge, middle, one.z or 0.0, pose=one.pose, turn=one.turn)
        return _with(placements, one, replace(one, x=moved.x))

    def _deepen(self, placements: Placements) -> Placements | None:
        one = self._one(placements)
        if one is None or one.on is not None or one.pose == "leaning":
            return None
        ledge = self._ledges[one.ledge]
        depth = self._rng.uniform(0.2, 0.8) * ledge.depth
        moved = self._at(self._items[one.item], ledge, one.x or 0.0, depth, pose=one.pose, turn=one.turn)
        return _with(placements, one, replace(one, z=moved.z))

    def _exchange(self, placements: Placements) -> Placements | None:
        one = self._one(placements)
        if one is None or one.item in self._must or one.on is not None:
            return None
        free = self._free(placements, self._ledges[one.ledge])
        if not free:
            return None
        item = self._rng.choice(free)
        return _with(placements, one, self._at(item, self._ledges[one.ledge], one.x or 0.0, one.z or 0.0))

    def _swap(self, placements: Placements) -> Placements | None:
        one, two = self._one(placements), self._one(placements)
        if one is None or two is None or one.id == two.id or one.on or two.on:
            return None
        first, second = self._items[one.item], self._items[two.item]
        if self._ledges[two.ledge] not in self._problem.homes(first) or (
            self._ledges[one.ledge] not in self._problem.homes(second)
        ):
            return None
        there = self._at(first, self._ledges[two.ledge], two.x or 0.0, two.z or 0.0, pose=one.pose, turn=one.turn)
        here = self._at(second, self._ledges[one.ledge], one.x or 0.0, one.z or 0.0, pose=two.pose, turn=two.turn)
        new = {one.id: there, two.id: here}
        return tuple(new.get(placement.id, placement) for placement in placements)

    def _carry(self, placements: Placements) -> Placements | None:
        one = self._one(placements)
        if one is None:
            return None
        item = self._items[one.item]
        ledges = [ledge for ledge in self._problem.homes(item) if ledge.id != one.ledge]
        if not ledges:
            return None
        return _with(placements, one, self._spot(placements, item, self._rng.choice(ledges), one.pose))

    def _bring(self, placements: Placements) -> Placements | None:
        ledge = self._rng.choice(self._problem.open_ledges)
        missing = self._must - {placement.item for placement in placements}
        free = self._free(placements, ledge) + [
            item
            for item in self._problem.required
            if item.id in missing and item.category not in FILLINGS and ledge in self._problem.homes(item)
        ]
        if not free:
            return None
        return (*placements, self._spot(placements, self._rng.choice(free), ledge))

    def _turn_over(self, placements: Placements) -> Placements | None:
        """Exchange left and right on one ledge."""
        ledge = self._rng.choice(self._problem.open_ledges)
        if any(p.ledge == ledge.id and p.id in self._kept for p in placements):
            return None
        if any(p.ledge == ledge.id and p.on is not None for p in placements):
            return None

        def turned(one: Placement) -> Placement:
            if one.ledge != ledge.id or one.x is None:
                return one
            size = self._items[one.item]
            return replace(one, x=self._at(size, ledge, ledge.width - one.x, one.z or 0.0, one.pose).x)

        return tuple(turned(placement) for placement in placements)

    def _take(self, placements: Placements) -> Placements | None:
        one = self._one(placements)
        if one is None or one.item in self._must:
            return None
        return tuple(placement for placement in placements if placement.id != one.id)

    def _raise(self, placements: Placements) -> Placements | None:
        """Set a thing on a stack of books, a tray or a lidded box of its ledge, or down again."""
        one = self._one(placements)
        if one is None or one.pose == "leaning":
            return None
        if one.on is not None:
            down = self._at(self._items[one.item], self._ledges[one.ledge], (one.x or 0.0) + 120.0, one.z or 0.0)
            return _with(placements, one, down)
        hosts = {placement.host for placement in placements}
        free = [
            s for s in self._standing_on(placements, one.ledge)
            if s.id != one.id and s.id not in hosts and carries(s) and s.placement.host is None
            and s.placement.z is not None
        ]  # fmt: skip
        if not free:
            return None
        host = self._rng.choice(free)
        return _with(placements, one, replace(one, on=host.id, x=host.placement.x, z=host.placement.z))

    def _standing_on(self, placements: Placements, ledge: str) -> tuple[PlacedItem, ...]:
        return self._problem.resolve(placements).by_ledge.get(ledge, ())

    def _underlay(self, placements: Placements) -> Placements | None:
        """Lay a book or a box from the stash under a thing."""
        one = self._one(placements)
        if one is None or one.host is not None or one.pose == "leaning":
            return None
        ledge, base_size = self._ledges[one.ledge], extent(self._items[one.item], one.pose, one.turn)
        free = [i for i in self._free(placements, ledge) if can_raise(i) and carries_base(i, base_size)]
        if not free:
            return None
        riser = self._rng.choice(free)
        base = self._at(riser, ledge, one.x or 0.0, one.z or 0.0, pose=pose_of(riser))
        raised = replace(one, on=base.id, x=base.x, z=base.z)
        return (*_with(placements, one, raised), base)

    def _lay(self, placements: Placements) -> Placements | None:
        one = self._one(placements)
        if one is None or self._items[one.item].category != "book" or one.on is not None:
            return None
        pose: Pose = "upright" if one.pose == "flat" else "flat"
        ledge = self._ledges[one.ledge]
        return _with(placements, one, self._at(self._items[one.item], ledge, one.x or 0.0, one.z or 0.0, pose=pose))

    def _fill(self, placements: Placements) -> Placements | None:
        """Put stems or utensils into an empty vessel, or take them out of one."""
        filled = {placement.inside: placement for placement in placements if placement.inside}
        vessels = [
            p for p in placements
            if p.ledge in self._ledges and self._items[p.item].category in ("vessel", "bowl")
        ]  # fmt: skip
        if not vessels:
            return None
        host = self._rng.choice(vessels)
        there = filled.get(host.id)
        if there is not None:
            if there.id in self._kept or there.item in self._must:
                return None
            return tuple(placement for placement in placements if placement.id != there.id)
        placed = {placement.item for placement in placements}
        free = [i for i in self._problem.fillings if i.id not in placed and holds(self._items[host.item], i)]
        if not free:
            return None
        item = self._rng.choice(free)
        return (*placements, Placement(id=item.id, item=item.id, ledge=host.ledge, inside=host.id))


def _with(placements: Placements, old: Placement, new: Placement) -> Placements:
    return tuple(new if placement.id == old.id else placement for placement in placements)
