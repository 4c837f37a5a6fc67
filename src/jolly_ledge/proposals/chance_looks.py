"""Looks by chance, sound but not thought of: to tell what a placing or a choice of things is better than.

Stacks are moved whole: a stack with what stands on it, a row of books. What hangs, what is locked and what is draped
over something stays with it. Every look can be built: nothing is in one place with another, too large or over an edge;
other cautions are not asked.
"""

from collections.abc import Callable, Sequence
from functools import lru_cache
from random import Random

from msgspec.structs import replace

from jolly_ledge.geometry.arrangement import Arrangement, Stack
from jolly_ledge.geometry.pose import extent
from jolly_ledge.measures.counts import recommended
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.places import at, lies_inside
from jolly_ledge.proposals.problem import FILLINGS, NEEDS_A_HOST, Problem, without

Placements = tuple[Placement, ...]
Chance = Callable[[Problem, Arrangement, Random], Placements | None]

PLACES_TRIED, BEGUN_ANEW, PLACES_EACH, PALETTES = 60, 12, 8, 6
EXCHANGES = 6
"""So many exchanges are tried for every stack."""

OTHERS_TRIED = 12
BACK_MM = 3.0


def shuffled(problem: Problem, look: Arrangement, rng: Random) -> Placements | None:
    """Return a look with its own stacks set down anywhere; None where no sound one was found."""
    stacks = _columns(look)
    if not stacks:
        return None
    rest = _without(look, stacks)
    for _ in range(BEGUN_ANEW):
        placements = rest
        for stack in sorted(stacks, key=lambda one: -one.width * (one.back - one.front)):
            tried = _anywhere(problem, look, stack, placements, rng)
            if tried is None:
                break
            placements = tried
        else:
            return placements
    return None


def exchanged(problem: Problem, look: Arrangement, rng: Random) -> Placements | None:
    """Return a look with its stacks in each other's places, each as far back as it was wont to stand."""
    placements = look.look.placements
    names = [stack.ids for stack in _columns(look)]
    if len(names) < 2:
        return None
    for _ in range(EXCHANGES * len(names)):
        first, second = rng.sample(names, 2)
        now = problem.resolve(placements)
        tried = _swapped(now, placements, _bounds(now, first), _bounds(now, second))
        if problem.has_room(problem.resolve(tried)):
            placements = tried
    return placements if placements != look.look.placements else None


def other_choice(problem: Problem, look: Arrangement, rng: Random) -> Placements | None:
    """Return a look with other things of the stash in the places of its own; None where nothing else fits."""
    placements = look.look.placements
    items = {item.id: item for item in problem.plan.stash}
    for old in look.look.placements:
        if old.locked or old.pose in ("hung", "draped") or old.item not in items or old.host is not None:
            continue
        used = {placement.item for placement in placements}
        free = [item for item in (*problem.candidates, *problem.required) if item.id not in used and _stands(item)]
        ledge = problem.piece.ledge(old.ledge)
        for item in rng.sample(free, min(len(free), OTHERS_TRIED)):
            new = _in_place_of(old, item, ledge)
            guests = {placement.id for placement in placements if placement.host == old.id}
            kept = tuple(new if p.id == old.id else p for p in without(placements, guests))
            if problem.has_room(problem.resolve(kept)):
                placements = kept
                break
    return placements if placements != look.look.placements else None


def chance_looks(
    problem: Problem, look: Arrangement, make: Chance, count: int, seed: int, stop: Callable[[], bool] = lambda: False
) -> tuple[Placements, ...]:
    """Return up to so many looks made by chance; the same seed gives the same ones."""
    found: list[Placements] = []
    for number in range(2 * count):
        if len(found) == count or stop():
            break
        made = make(problem, look, Random(f"{seed} {number}"))
        if made is not None:
            found.append(made)
    return tuple(found)


def _stands(item: Item) -> bool:
    return item.category not in NEEDS_A_HOST and item.category not in FILLINGS


def _columns(look: Arrangement) -> list[Stack]:
    """Return what is moved whole and may be moved."""
    return [
        stack
        for stacks in look.stacks.values()
        for stack in stacks
        if not stack.ledge.is_wall and not any(look.by_id[one].placement.locked for one in stack.ids)
    ]


def _whole(look: Arrangement, ids: Sequence[str]) -> set[str]:
    """Return placements with all they carry and hold."""
    found = set(ids)
    while more := {p.id for p in look.look.placements if p.host in found and p.id not in found}:
        found |= more
    return found


def _without(look: Arrangement, stacks: Sequence[Stack]) -> Placements:
    gone = {one for stack in stacks for one in _whole(look, stack.ids)}
    return tuple(placement for placement in look.look.placements if placement.id not in gone)


def _moved(placement: Placement, ledge: Ledge, along: float, into: float) -> Placement:
    x = None if placement.x is None else placement.x + along
    z = None if placement.z is None else placement.z + into
    return replace(placement, ledge=ledge.id, x=x, z=z)


def _anywhere(
    problem: Problem, look: Arrangement, stack: Stack, placements: Placements, rng: Random
) -> Placements | None:
    """Return placements with a stack more, somewhere where it has room."""
    parts = _whole(look, stack.ids)
    own = tuple(placement for placement in look.look.placements if placement.id in parts)
    leans = any(placement.pose == "leaning" for placement in own)
    width, depth = stack.width, stack.back - stack.front
    for _ in range(PLACES_TRIED):
        ledge = rng.choice(problem.open_ledges)
        if width > ledge.width or depth > ledge.depth:
            continue
        left = rng.uniform(0.0, ledge.width - width)
        front = ledge.depth - depth if leans else rng.uniform(0.0, ledge.depth - depth)
        along, into = left - (stack.left - stack.ledge.left), front - stack.front
        tried = (*placements, *(_moved(placement, ledge, along, into) for placement in own))
        beside = tuple(placement for placement in tried if placement.ledge == ledge.id)
        if problem.has_room(problem.resolve(beside)):
            return tried
    return None


class _Bounds:
    """The room that a stack takes now: its ledge, its edges there (mm), its parts."""

    def __init__(self, look: Arrangement, parts: set[str], feet: Sequence[str]) -> None:
        placed = [look.by_id[one] for one in feet]
        self.parts, self.ledge = parts, placed[0].ledge
        self.middle = (min(one.left for one in placed) + max(one.right for one in placed)) / 2 - self.ledge.left
        self.front, self.back = min(one.front for one in placed), max(one.back for one in placed)
        self.at_back = self.ledge.depth - self.back < self.front
        self.leans = any(one.placement.pose == "leaning" for one in placed)

    def depth_on(self, ledge: Ledge) -> float:
        """Return how far it moves back or forward so as to stand on a ledge as it stood on its own."""
        if self.leans:
            return ledge.depth - BACK_MM - self.back
        if self.at_back:
            return max(ledge.depth - (self.ledge.depth - self.back) - self.back, -self.front)
        return min(0.0, ledge.depth - self.back)


def _bounds(look: Arrangement, ids: Sequence[str]) -> _Bounds:
    feet = [one for one in ids if look.by_id[one].depth_order == 0]
    return _Bounds(look, _whole(look, ids), feet or ids)


def _swapped(look: Arrangement, placements: Placements, one: _Bounds, other: _Bounds) -> Placements:
    def move(placement: Placement) -> Placement:
        if placement.id in one.parts:
            return _moved(placement, other.ledge, other.middle - one.middle, one.depth_on(other.ledge))
        if placement.id in other.parts:
            return _moved(placement, one.ledge, one.middle - other.middle, other.depth_on(one.ledge))
        return placement

    return tuple(move(placement) for placement in placements)


def _in_place_of(old: Placement, item: Item, ledge: Ledge) -> Placement:
    new = at(item, ledge, old.x or 0.0, old.z or 0.0)
    return replace(new, id=old.id)


def anything(problem: Problem, rng: Random) -> Placements:
    """Return things by chance of those that belong, about as many as the ledges bear, anywhere where they have room."""
    placements = problem.fixed
    used = {placement.item for placement in placements}
    # What would be taken at all: what belongs and goes with the rest; a whole rubbish heap is no measure.
    suiting = _suiting(problem, rng.randrange(PALETTES))
    free = [item for item in suiting if item.id not in used]
    rng.shuffle(free)
    wanted = sum(recommended(problem.piece, ledge, problem.manner.fullness) for ledge in problem.open_ledges)
    taken: dict[str, list[_Foot]] = {ledge.id: [] for ledge in problem.open_ledges}
    for one in problem.resolve(placements).visible:
        if one.ledge.id in taken:
            taken[one.ledge.id].append((one.left - one.ledge.left, one.right - one.ledge.left, one.front, one.back))
    for item in free:
        if len(placements) >= wanted:
            break
        homes = [ledge for ledge in problem.homes(item) if problem.welcomes(item, ledge)]
        for _ in range(PLACES_EACH if homes else 0):
            ledge = rng.choice(homes)
            place = at(item, ledge, rng.uniform(0.0, ledge.width), rng.uniform(0.0, ledge.depth))
            size = extent(item, place.pose, place.turn)
            x, z = place.x or 0.0, place.z or 0.0
            foot = (x - size.width / 2, x + size.width / 2, z - size.depth / 2, z + size.depth / 2)
            outside = ledge.shape == "ellipse" and not lies_inside(item, size, ledge, x, z)
            if not outside and not any(_overlap(foot, other) for other in taken[ledge.id]):
                taken[ledge.id].append(foot)
                placements = (*placements, place)
                break
    return placements


@lru_cache(maxsize=64)
def _suiting(problem: Problem, palette: int) -> tuple[Item, ...]:
    """Return what belongs and goes together in one of a few palettes."""
    return tuple(thing.item for thing in Stock(problem, Random(palette)).pool if _stands(thing.item))


_Foot = tuple[float, float, float, float]


def _overlap(one: _Foot, other: _Foot) -> bool:
    return one[0] < other[1] and other[0] < one[1] and one[2] < other[3] and other[2] < one[3]
