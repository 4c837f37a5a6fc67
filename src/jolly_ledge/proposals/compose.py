"""A first arrangement in working order: what must be there, then anchors, seconds and small things, ledge by ledge."""

import random
from functools import lru_cache

from msgspec.structs import replace

from jolly_ledge.geometry.pose import extent
from jolly_ledge.measures.counts import recommended
from jolly_ledge.measures.frame import frame_height
from jolly_ledge.measures.likeness import likeness
from jolly_ledge.measures.wishes import hear
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import LOOKED_AT, WALL_CATEGORIES
from jolly_ledge.proposals.placement_search import settle, settle_most
from jolly_ledge.proposals.places import HUNG_MM, at, hung
from jolly_ledge.proposals.poses import usual_pose
from jolly_ledge.proposals.problem import Problem, stops_of, without
from jolly_ledge.proposals.requirements import Requirement, requirements_of
from jolly_ledge.proposals.thing import LOUD, Thing, choose_palette

GROUP_SHARES: dict[int, tuple[float, ...]] = {1: (0.68,), 2: (0.66, 0.42), 3: (0.74, 0.46, 0.24)}
"""Heights of a group in parts of the frame: the anchor, its second, a small one."""

GAPS_MM = (15.0, 45.0)
EDGE_MM = 40.0
TRIES, CHOICES = 14, 7
FEW_ERRANDS = 30
TWO_THIRDS, LEAST_HUNG = 0.66, 0.35
"""What hangs over a top is two thirds of its width, and no less than a third."""

FILLED_SHARE = 0.35
"""So many vessels are given stems to begin with."""

HUNG_SHARES = {"airy": 0.85, "layered": 0.95, "abundant": 1.0}
"""So much of a rail is taken up by what hangs from it."""

SUITS_A_RAIL, FALLS_OFTEN = 0.5, 0.5

WHIM, SAME_KIND, ALIKE = 0.18, 0.25, 0.5
"""What chance, a kind that stands there already, a look-alike and a stranger to the palette cost in the choice."""


def compose(problem: Problem, rng: random.Random) -> tuple[Placement, ...]:
    """Return an arrangement that can stand; it may still lack what found no place."""
    placements = list(what_must_be(problem, rng))
    if not problem.open_ledges:
        _hang_a_row(problem, placements, rng)
        return tuple(placements)
    _hang_something(problem, placements)
    ledges = list(problem.open_ledges)
    rng.shuffle(ledges)
    for number, ledge in enumerate(ledges):
        _fill(problem, placements, ledge, rng, left=number % 2 == 0)
    _fill_vessels(problem, placements, rng)
    return tuple(placements)


def what_must_be(problem: Problem, rng: random.Random) -> tuple[Placement, ...]:
    """Return what stays, and what must be there where it was found a place."""
    requirements = requirements_of(problem)
    # A few throws of the dice make looks differ; where they fail, all places are tried in order.
    found, _ = settle(problem, requirements, rng, most=TRIES * (len(requirements) + 1))
    return _tried_in_order(problem, requirements) if found is None else found


@lru_cache(maxsize=4)
def _tried_in_order(problem: Problem, requirements: tuple[Requirement, ...]) -> tuple[Placement, ...]:
    """Return places for all that must be there, or for as much as can be: what finds none drops no other."""
    found, _ = settle(problem, requirements) if len(requirements) <= FEW_ERRANDS else (None, False)
    return settle_most(problem, requirements)[0] if found is None else found


def near_the_base(problem: Problem) -> tuple[Placement, ...] | None:
    """Return the arrangement to stay near without what cannot stand so, and with what must be there; None where not."""
    kept = {placement.id for placement in problem.fixed}
    left = problem.base
    while not problem.can_stand(resolved := problem.resolve(left)):
        named = [stop for stop in stops_of(resolved) if stop not in problem.tolerated]
        at_fault = [identifiers for _, identifiers in named]
        at_fault += [frozenset(heard.placements) for heard in hear(resolved) if not heard.met]
        gone = {sorted(some - kept)[-1] for some in at_fault if some - kept}
        if not gone:
            return None
        left = without(left, gone)
    grounded = replace(problem, fixed=left)
    found, _ = settle(grounded, requirements_of(replace(grounded, required=resolved.awaited)))
    return found


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


def _hang_something(problem: Problem, placements: list[Placement]) -> None:
    """Hang a picture or a mirror of about two thirds of the width over a top that has a wall and nothing on it."""
    walls = {wall.id for wall in problem.walls}
    over = any(fixture.kind in LOOKED_AT for fixture in problem.piece.fixtures)
    if not walls or over or any(placement.ledge in walls for placement in placements):
        return
    placed = {placement.item for placement in placements}
    free = [i for i in problem.candidates if i.id not in placed and i.category in WALL_CATEGORIES - {"board"}]
    wish = TWO_THIRDS * problem.piece.width
    for item in sorted(free, key=lambda item: (abs(item.width - wish), item.id))[:CHOICES]:
        if item.width >= LEAST_HUNG * problem.piece.width:
            for one in hung(problem, item):
                if place(problem, placements, one, needed=False):
                    return


def _hang_a_row(problem: Problem, placements: list[Placement], rng: random.Random) -> None:
    """Hang things side by side from a rail or on a wall, as many as the manner bears, the longest at the ends."""
    for wall in problem.walls:
        placed = {placement.item for placement in placements}
        fitting = [i for i in problem.candidates if i.id not in placed and i.width <= wall.width]
        # What led an earlier look of the run leaves the lead to others, where there are any.
        fitting = [i for i in fitting if i.id not in problem.led_before] or fitting
        free = _in_few_hues(problem, fitting, rng)
        taken = sum(extent(_known(problem, p), p.pose).width for p in placements if p.ledge == wall.id)
        room = HUNG_SHARES[problem.manner.fullness] * wall.width - taken
        row: list[Item] = []
        for item in free:
            if item.width <= room:
                row.append(item)
                room -= item.width
        row.sort(key=lambda item: -item.height)
        # From one end down, or from both.
        row = row[:: rng.choice((-1, 1))] if rng.random() < FALLS_OFTEN else [*row[::2], *reversed(row[1::2])]
        gap = (wall.width - sum(item.width for item in row)) / (len(row) + 1) if row else 0.0
        x = gap
        for item in row:
            y = max((wall.clearance or 0.0) - item.height, 0.0) if wall.clearance is not None else HUNG_MM[0]
            new = Placement(id=item.id, item=item.id, ledge=wall.id, x=x + item.width / 2, y=y, pose="hung")
            place(problem, placements, new, needed=False)
            x += item.width + gap


def _in_few_hues(problem: Problem, items: list[Item], rng: random.Random) -> list[Item]:
    """Return what hangs well together, by chance in order: nothing loud, and the few hues that most of it carries."""
    things = [Thing(item) for item in items]
    quiet = [thing for thing in things if thing.loud < LOUD or problem.manner.palette]
    for thing in quiet:
        thing.welcome = dict.fromkeys((wall.id for wall in problem.walls), 1.0)
    palette = choose_palette(quiet, problem.manner, rng)
    suiting = [thing.item for thing in quiet if palette.fit(thing) >= SUITS_A_RAIL] or [thing.item for thing in quiet]
    # By chance, the larger the sooner (exponential race).
    return sorted(suiting, key=lambda item: rng.expovariate(1.0) / (item.width * item.height))


def _known(problem: Problem, placement: Placement) -> Item:
    return next(item for item in problem.plan.stash if item.id == placement.item)


def _fill_vessels(problem: Problem, placements: list[Placement], rng: random.Random) -> None:
    """Put stems or utensils into some of the vessels: greenery comes last."""
    items = {item.id: item for item in problem.plan.stash}
    free = list(problem.fillings)
    rng.shuffle(free)
    hosts = [p for p in placements if items[p.item].category == "vessel" and p.id not in {o.inside for o in placements}]
    for host in hosts:
        if free and rng.random() < FILLED_SHARE:
            item = free.pop()
            inside = Placement(id=item.id, item=item.id, ledge=host.ledge, inside=host.id)
            place(problem, placements, inside, needed=False)


def _fill(problem: Problem, placements: list[Placement], ledge: Ledge, rng: random.Random, *, left: bool) -> None:
    """Fill a ledge with groups: the anchor at one side and back, its second beside, small things in front."""
    wanted = recommended(problem.piece, ledge, problem.manner.fullness)
    count = max(1, round(wanted * rng.uniform(0.8, 1.15)))
    count -= sum(1 for placement in placements if placement.ledge == ledge.id)
    groups = _groups(count, rng)
    room = ledge.width / max(len(groups), 1)
    order = range(len(groups)) if left else range(len(groups) - 1, -1, -1)
    for size, slot in zip(groups, order, strict=True):
        start = slot * room + rng.uniform(0.06, 0.22) * room
        shares = list(GROUP_SHARES[size])
        if rng.random() < 0.4:
            shares[:2] = reversed(shares[:2])
        for share in shares:
            start = _add(problem, placements, ledge, share, start, rng)


def _groups(count: int, rng: random.Random) -> list[int]:
    """Return odd groups and worthy singles that make a count."""
    groups = []
    while count > 0:
        size = 3 if count >= 3 and rng.random() < 0.8 else 1
        groups.append(size)
        count -= size
    rng.shuffle(groups)
    return groups


def _add(
    problem: Problem, placements: list[Placement], ledge: Ledge, share: float, start: float, rng: random.Random
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
        return abs(tall - height) / frame_height(ledge) + kind + alike + WHIM * rng.random()

    free = [
        item for item in problem.candidates
        if item.id not in taken and ledge in problem.homes(item) and problem.welcomes(item, ledge)
    ]  # fmt: skip
    for item in sorted(free, key=cost)[:CHOICES]:
        size = extent(item, usual_pose(item))
        depth = ledge.depth * (0.68 if share > 0.6 else 0.5 if share > 0.35 else 0.3)
        middle = start + size.width / 2
        if middle + size.width / 2 > ledge.width - EDGE_MM / 2:
            continue
        if place(problem, placements, at(item, ledge, middle, depth, step=problem.step), needed=False):
            return start + size.width + rng.uniform(*GAPS_MM)
    return start + EDGE_MM
