"""Where things that must be there, and things that are wished so and so, can stand: tried in order, to the end.

Every requirement is a thing, a pair or a set that must find its place. Things are tried against the ends of their
ledge and against what stands there already, in front and at the back, as boxes are packed into a corner: if there is
any arrangement, there is one in which everything has been pushed together.
"""

import random
from collections.abc import Iterator

from msgspec.structs import replace

from jolly_ledge.geometry.axes import axis_called
from jolly_ledge.geometry.pose import extent
from jolly_ledge.proposals.hosting import gathered, inside, parted, underlaid
from jolly_ledge.proposals.places import at, by_ease, hung, stands
from jolly_ledge.proposals.poses import usual_pose, ways_to_stand
from jolly_ledge.proposals.problem import STEP_MM, Problem
from jolly_ledge.proposals.requirements import Placements, Requirement

TRIED_FOR_ONE, MOST_ANEW = 1000, 1
MOST_TRIED = 4000
"""Places that are tried before the search for a first arrangement gives up."""

DEAD_END = 12
"""Finding that there is no place left for a thing costs as much as so many tries."""

FEW, ROUND_FOOT = 8, 0.25
"""From so many things on their feet are summed up first; round things nestle, and narrow feet under wide rims do."""

PAIR_SHARES = (0.36, 0.28, 0.42, 0.2, 0.12)
"""How far a mirrored pair stands from the middle, in widths of the piece, in the order of trying."""


def places_for(problem: Problem, requirement: Requirement, placements: Placements) -> Iterator[Placements]:
    """Yield what could be added for a requirement, the likeliest first; whether it has room is not asked yet."""
    if requirement.kind == "centred":
        yield from _centred(problem, requirement)
    elif requirement.kind == "hangs":
        for place in hung(problem, requirement.items[0]):
            yield (place,)
    elif requirement.kind == "mirrored":
        yield from _pairs(problem, requirement)
    elif requirement.kind == "together":
        yield from gathered(problem, requirement, placements)
    elif requirement.kind == "underlaid":
        yield from underlaid(problem, requirement.items[0], placements)
    elif requirement.kind == "hidden":
        yield from inside(problem, requirement.items[0], placements, hidden=True)
    elif requirement.kind == "filling":
        yield from inside(problem, requirement.items[0], placements, hidden=False)
    else:
        for place in stands(problem, requirement.items[0], placements):
            yield (place,)
        yield from parted(problem, requirement.items[0], placements)


def _centred(problem: Problem, requirement: Requirement) -> Iterator[Placements]:
    """Yield things side by side about an axis of a ledge: what is wished together is centred together."""
    first = requirement.items[0].id
    wishes = (wish for wish in problem.piece.wishes if wish.kind == "centred" and first in wish.items)
    axis = next((wish.near for wish in wishes), "")
    wide = [extent(item, usual_pose(item)).width for item in requirement.items]
    whole = sum(wide) + STEP_MM * (len(wide) - 1)
    for ledge in by_ease(problem, requirement.items[0]):
        if any(ledge not in problem.homes(item) for item in requirement.items):
            continue
        middle = axis_called(problem.piece, ledge, axis)
        if middle is None:
            continue
        for depth in (0.6, 0.35, 0.85):
            left = middle.x - ledge.left - whole / 2
            found = []
            for item, width in zip(requirement.items, wide, strict=True):
                found.append(at(item, ledge, left + width / 2, depth * ledge.depth, step=1.0))
                left += width + STEP_MM
            yield tuple(found)


def _pairs(problem: Problem, requirement: Requirement) -> Iterator[Placements]:
    first, second = requirement.items
    middle = problem.piece.width / 2
    for left in problem.homes(first):
        for right in problem.homes(second):
            if abs(left.floor - right.floor) < 1:
                for share in PAIR_SHARES:
                    away = share * problem.piece.width
                    places = (middle - away - left.left, middle + away - right.left)
                    if 0 < places[0] < left.width and 0 < places[1] < right.width:
                        yield (at(first, left, places[0], 0.6 * left.depth),
                               at(second, right, places[1], 0.6 * right.depth))  # fmt: skip


def settle(
    problem: Problem, requirements: tuple[Requirement, ...], rng: random.Random | None = None, most: int = MOST_TRIED
) -> tuple[Placements | None, bool]:
    """Find places for all requirements beside what stays; with ``rng`` the places are tried in another order.

    Returns
    -------
    placements : tuple of Placement or None
        What stays and what was found for the requirements; None where nothing was found.
    to_the_end : bool
        Whether the search came to its end, so that None means that there is none.
    """
    tried = 0

    def go_on(number: int, placements: Placements) -> Placements | None:
        nonlocal tried
        if number == len(requirements):
            return placements
        places = places_for(problem, requirements[number], placements)
        for added in places if rng is None else _shuffled(places, rng):
            if tried >= most:
                return None
            tried += 1
            ledges = {placement.ledge for placement in added}
            near = tuple(placement for placement in placements if placement.ledge in ledges)
            # Wishes may look across ledges, so that the whole is asked where there are some.
            asked = (*placements, *added) if problem.piece.wishes else (*near, *added)
            arrangement = problem.resolve(asked)
            # Most places are taken: that is the cheaper question.
            if problem.has_room(arrangement) and problem.can_stand(arrangement):
                found = go_on(number + 1, (*placements, *added))
                if found is not None:
                    return found
        tried += DEAD_END
        return None

    room, need = room_and_need(problem, requirements) if len(requirements) >= FEW else (0.0, 0.0)
    if need > room:
        return None, True
    found = go_on(0, problem.fixed)
    return found, found is not None or (tried < most and _is_exact(problem, requirements))


def room_and_need(problem: Problem, requirements: tuple[Requirement, ...]) -> tuple[float, float]:
    """Return the area of the ledges and the least that what must stand covers, both in mm²."""
    need = 0.0
    for item in (item for requirement in requirements if requirement.kind == "stands" for item in requirement.items):
        feet = [
            size.width * size.depth * (ROUND_FOOT if item.is_round else 1.0)
            for ledge in problem.homes(item)
            for pose, turn in ways_to_stand(item, ledge)
            for size in (extent(item, pose, turn),)
        ]
        need += min(feet, default=0.0)
    return sum(ledge.width * ledge.depth for ledge in problem.open_ledges), need


def settle_most(problem: Problem, requirements: tuple[Requirement, ...]) -> tuple[Placements, tuple[Requirement, ...]]:
    """Find places for as many requirements as can be, in their order; return them, and those that found none.

    Each is set beside what stands already; only where that cannot be, all are settled anew, as long as the tries last.
    """
    placements, left_out = problem.fixed, []
    settled: list[Requirement] = []
    anew = MOST_ANEW
    for requirement in requirements:
        found, _ = settle(replace(problem, fixed=placements), (requirement,), most=TRIED_FOR_ONE)
        if found is None and anew > 0:
            anew -= 1
            found, _ = settle(problem, (*settled, requirement), most=TRIED_FOR_ONE)
        if found is None:
            left_out.append(requirement)
        else:
            placements = found
            settled.append(requirement)
    return placements, tuple(left_out)


def _is_exact(problem: Problem, requirements: tuple[Requirement, ...]) -> bool:
    """Tell whether trying all places proves that there is none: on a round top only for one thing by itself."""
    round_tops = any(ledge.shape == "ellipse" for ledge in problem.open_ledges)
    return not round_tops or (len(requirements) == 1 and not problem.fixed)


def _shuffled(places: Iterator[Placements], rng: random.Random) -> list[Placements]:
    known = list(places)
    rng.shuffle(known)
    return known
