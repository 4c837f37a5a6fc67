"""A first arrangement in working order: what must be there, then anchors, seconds and small things, ledge by ledge."""

import random

from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.pose import extent
from jolly_ledge.model.stash_order import fits
from jolly_ledge.model.words import TABLE_KINDS, WALL_CATEGORIES, Pose
from jolly_ledge.proposals.problem import Problem, holds_wholly
from jolly_ledge.readings.alike_apart import likeness
from jolly_ledge.readings.frame import frame_height
from jolly_ledge.readings.how_many import recommended

GROUP_SHARES: dict[int, tuple[float, ...]] = {1: (0.68,), 2: (0.66, 0.42), 3: (0.74, 0.46, 0.24)}
"""Heights of a group in parts of the frame: the anchor, its second, a small one."""

GAPS_MM = (15.0, 45.0)
STEP_MM = 5.0
EDGE_MM = 40.0
TRIES, CHOICES = 14, 7
WHIM, SAME_KIND, ALIKE, COLOUR = 0.18, 0.25, 0.5, 0.35
"""What chance, a kind that stands there already, a look-alike and a stranger to the palette cost in the choice."""


def usual_pose(item: Item) -> Pose:
    """Return how a thing is usually set down: frames and boards lean, a single book lies, the rest stands."""
    if item.category == "book":
        return "flat"
    return "leaning" if item.category in WALL_CATEGORIES else "upright"


def compose(problem: Problem, chance: random.Random) -> tuple[Placement, ...]:
    """Return an arrangement that can stand; it may still lack what found no place."""
    placements = list(problem.fixed)
    for item in problem.required:
        if item not in problem.hidden:
            _settle(problem, placements, item, chance)
    _hide(problem, placements, chance)
    ledges = list(problem.open_ledges)
    chance.shuffle(ledges)
    for number, ledge in enumerate(ledges):
        _fill(problem, placements, ledge, chance, left=number % 2 == 0)
    return tuple(placements)


def place(problem: Problem, placements: list[Placement], new: Placement, *, needed: bool = True) -> bool:
    """Add a placement if what stands on its ledge can stand so; tell whether it was added.

    What is not needed is left out, too, where it would have to be heeded.
    """
    ledge = [placement for placement in placements if placement.ledge == new.ledge]
    resolved = problem.resolve([*ledge, new])
    if not problem.can_stand(resolved) or (not needed and problem.heeds(resolved, new.id)):
        return False
    placements.append(new)
    return True


def at(item: Item, ledge: Ledge, middle: float, depth: float, *, pose: Pose | None = None) -> Placement:
    """Return a placement of a thing with its middle near a point of a ledge, within its edges."""
    pose = pose or usual_pose(item)
    size = extent(item, pose)
    half, deep = size.width / 2, size.depth / 2
    x = min(max(middle, half + 5), max(ledge.width - half - 5, half))
    z = ledge.depth - deep if pose == "leaning" else min(max(depth, deep), max(ledge.depth - deep, deep))
    return Placement(id=item.id, item=item.id, ledge=ledge.id, x=_tape(x), z=_tape(z), pose=pose)


def _tape(length: float) -> float:
    return round(length / STEP_MM) * STEP_MM


def _settle(problem: Problem, placements: list[Placement], item: Item, chance: random.Random) -> None:
    """Find a place for what must be there: daily things within reach, the rest where it fits."""
    ledges = [ledge for ledge in problem.open_ledges if fits(item, ledge)]
    if {"daily-use", "grab"} & set(item.traits):
        ledges.sort(key=lambda ledge: abs(ledge.floor - 1050.0))
    else:
        chance.shuffle(ledges)
    for ledge in ledges:
        for _ in range(TRIES):
            middle, depth = chance.uniform(0, ledge.width), chance.uniform(0.3, 0.9) * ledge.depth
            if place(problem, placements, at(item, ledge, middle, depth)):
                return


def _hide(problem: Problem, placements: list[Placement], chance: random.Random) -> None:
    """Put what must be hidden into the smallest thing that holds it, which is placed low if it is not there yet."""
    by_id = {item.id: item for item in problem.plan.stash}
    for item in problem.hidden:
        there = [placement for placement in placements if holds_wholly(by_id[placement.item], item)]
        if not there:
            hosts = sorted((h for h in problem.candidates if holds_wholly(h, item)), key=lambda h: h.width * h.height)
            for host in hosts:
                for ledge in sorted(problem.open_ledges, key=lambda ledge: ledge.floor):
                    if fits(host, ledge) and place(problem, placements, at(host, ledge, chance.uniform(0, ledge.width),
                                                                           ledge.depth / 2)):  # fmt: skip
                        there = placements[-1:]
                        break
                if there:
                    break
        if there:
            inside = Placement(id=item.id, item=item.id, ledge=there[0].ledge, inside=there[0].id)
            if problem.can_stand(problem.resolve([*placements, inside])):
                placements.append(inside)


def _fill(problem: Problem, placements: list[Placement], ledge: Ledge, chance: random.Random, *, left: bool) -> None:
    """Fill a ledge with groups: the anchor at one side and back, its second beside, small things in front."""
    table = problem.piece.kind in TABLE_KINDS
    wanted = recommended(ledge, problem.manner.fullness, table=table)
    count = max(1, round(wanted * chance.uniform(0.8, 1.15)))
    count -= sum(1 for placement in placements if placement.ledge == ledge.id)
    groups = _groups(count, chance)
    room = ledge.width / max(len(groups), 1)
    order = range(len(groups)) if left else range(len(groups) - 1, -1, -1)
    for size, slot in zip(groups, order, strict=True):
        start = slot * room + chance.uniform(0.06, 0.22) * room
        shares = list(GROUP_SHARES[size])
        if chance.random() < 0.4:
            shares[:2] = reversed(shares[:2])
        for share in shares:
            start = _add(problem, placements, ledge, share, start, chance)


def _groups(count: int, chance: random.Random) -> list[int]:
    """Return odd groups and worthy singles that make a count."""
    groups = []
    while count > 0:
        size = 3 if count >= 3 and chance.random() < 0.8 else 1
        groups.append(size)
        count -= size
    chance.shuffle(groups)
    return groups


def _add(
    problem: Problem, placements: list[Placement], ledge: Ledge, share: float, start: float, chance: random.Random
) -> float:
    """Add the thing that suits a height best; return where the next may begin."""
    taken = {placement.item for placement in placements}
    by_id = {item.id: item for item in problem.plan.stash}
    beside = [by_id[placement.item] for placement in placements if placement.ledge == ledge.id]
    height = share * frame_height(ledge)

    def cost(item: Item) -> float:
        tall = extent(item, usual_pose(item)).height
        kind = SAME_KIND * any(item.category == other.category for other in beside)
        alike = ALIKE * max((likeness(item, other) for other in beside), default=0.0) ** 2
        return abs(tall - height) / frame_height(ledge) + kind + alike + WHIM * chance.random()

    free = [item for item in problem.candidates if item.id not in taken and fits(item, ledge)]
    for item in sorted(free, key=cost)[:CHOICES]:
        size = extent(item, usual_pose(item))
        depth = ledge.depth * (0.68 if share > 0.6 else 0.5 if share > 0.35 else 0.3)
        middle = start + size.width / 2
        if middle + size.width / 2 > ledge.width - EDGE_MM / 2:
            continue
        if place(problem, placements, at(item, ledge, middle, depth), needed=False):
            return start + size.width + chance.uniform(*GAPS_MM)
    return start + EDGE_MM
