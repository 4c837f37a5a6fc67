"""A composition on its way: groups on their ledges, composed ledge by ledge in a stylist's order, then set right."""

import math
from collections.abc import Collection, Mapping, Sequence
from random import Random

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.measures.tasks import insisted
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import LOOKED_AT, WALL_CATEGORIES
from jolly_ledge.proposals.composing.fullness import FULL_ENOUGH, suiting, things_in, things_wanted
from jolly_ledge.proposals.composing.layering import layered
from jolly_ledge.proposals.composing.library import rows_of_many
from jolly_ledge.proposals.composing.pool import GroupPool
from jolly_ledge.proposals.composing.schemes import groups_for
from jolly_ledge.proposals.composing.spread import spans_of, stands_before_a_picture
from jolly_ledge.proposals.composing.topping import topped_up
from jolly_ledge.proposals.groups.group import Group, Member
from jolly_ledge.proposals.groups.low import without_empty_glass
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.groups.vessels import stems_suit
from jolly_ledge.proposals.placement_search import settle
from jolly_ledge.proposals.places import hung
from jolly_ledge.proposals.problem import Problem, stops_of
from jolly_ledge.proposals.requirements import Requirement, requirements_of
from jolly_ledge.proposals.thing import Thing

PARTICULAR = frozenset({"mirrored", "centred", "together", "underlaid", "hangs", "hidden"})
"""Wishes that are met before anything else is composed; the rest are met by members of groups."""

MENDED_AT_MOST, GIVEN_UP_AT_MOST, TRIED_FOR_THE_REST = 14, 6, 800
HANG_ODDS, HUNG_SHARE, HUNG_LEAST, HUNG_MOST = 0.55, 0.6, 0.33, 0.75
BEHIND_A_PICTURE, MANY = 0.04, 10
ENOUGH_FOR_TWO, MAY_COME_AGAIN = 1.35, (0.3, 0.42)
"""A stash with so many times what is wanted bears two looks; of the first so much may come again in the second."""

THROWS, FEW, NEAR_ENOUGH = 3, 4.0, 0.6
"""A ledge that wants more than a few things is composed up to so many times, until their number is near enough."""

LEAST_LIKED = 2.0
"""How much more often a ledge is composed anew that is liked less: e to so many times the difference."""

TALL_FIRST_OFTEN, LOWER, FEW_TALL, COMPANION = 0.6, 0.85, 2, 0.4
"""A high opening mostly takes first what is too tall for the lower ones, with companions of less than so much of it."""

TINY = 1e-300
LEDGES_ANEW = (0.6, 0.3, 0.1)
"""How often one ledge, two or three are composed anew together."""

Placements = tuple[Placement, ...]
PlacedItem = tuple[tuple[Ledge, Group], ...]


class Composition(Struct, frozen=True):
    """What was composed: whole groups on their ledges, what hangs, all of it as placements, the pool it may draw on."""

    stock: Stock
    groups: PlacedItem
    placements: Placements
    pool: GroupPool


def composed(
    problem: Problem,
    seed: int,
    taken_before: Collection[str] = (),
    pool: GroupPool | None = None,
) -> Composition | None:
    """Return a composition that can stand, with all that must be there.

    None where nothing at hand makes a group, or this throw of the dice leaves something no place.

    Parameters
    ----------
    problem : Problem
    seed : int
        The same problem and seed give the same composition.
    taken_before : set of str
        Things that earlier looks have.
    pool : GroupPool, optional
        Where good groups are kept from composition to composition.
    """
    rng = Random(seed)
    first = _particular(problem, rng)
    if first is None:
        return None
    grounded = replace(problem, fixed=first, required=_awaited(problem, first), hidden=_unseen(problem, first))
    stock = Stock(grounded, rng, taken_before)
    if rows := rows_of_many(stock):
        first = (*first, *placements_of(rows))
        grounded = replace(problem, fixed=first, required=_awaited(problem, first), hidden=_unseen(problem, first))
        stock = Stock(grounded, rng, taken_before)
    _keep_vessels_for_the_season(stock)
    walls = _hang_something(stock)
    stock.pool = [thing for thing in stock.pool if thing.id not in {placement.item for placement in walls}]
    _leave_half_of_what_was_taken(stock, taken_before)
    groups: list[tuple[Ledge, Group]] = []
    side = rng.choice((-1, 1))
    used = {placement.item for placement in (*first, *walls)}
    floors = sorted({ledge.floor for ledge in stock.ledges})
    columns = sorted({ledge.left for ledge in stock.ledges})
    order = _in_order(stock)
    for number, ledge in enumerate(order):
        even = (floors.index(ledge.floor) + columns.index(ledge.left)) % 2 == 0
        before = [group for _, group in groups]
        share = _fair_share(stock, order[number:], used)
        found = _composed_on(stock, ledge, used, side if even else -side, before, share)
        used |= {one for group in found for one in group.ids}
        groups += [(ledge, group) for group in found]
    _fill_with_the_season(stock, groups, used)
    if walls and not hangs_clear(grounded, groups, walls):
        walls = ()
    if not groups and not rows:
        return None
    return _with_the_rest(stock, groups, walls, pool or GroupPool())


def _leave_half_of_what_was_taken(stock: Stock, taken_before: Collection[str]) -> None:
    """Let half of what earlier looks have stay in the stash, by chance, as far as enough else is at hand."""
    taken = [thing for thing in stock.pool if thing.id in taken_before and thing.id not in stock.must]
    wanted = sum(things_wanted(stock, ledge) for ledge in stock.ledges)
    at_hand = len(suiting(stock))
    if not taken or at_hand < ENOUGH_FOR_TWO * wanted:
        return
    to_spare = max(math.floor(at_hand - wanted), 0)
    again = math.floor(len(taken) * stock.rng.choice(MAY_COME_AGAIN))
    left = {thing.id for thing in stock.rng.sample(taken, min(len(taken) - again, to_spare))}
    stock.pool = stock.answers.added_to([thing for thing in stock.pool if thing.id not in left])


def recomposed(composition: Composition, rng: Random, liked: Mapping[str, float] | None = None) -> Composition | None:
    """Return a composition with a ledge or a few composed anew from what the others leave; None where it cannot be.

    Parameters
    ----------
    composition : Composition
    rng : Random
    liked : mapping of ledge id to float, optional
        How each ledge is liked: what is liked least is composed anew most often.
    """
    stock = composition.stock
    count = rng.choices((1, 2, 3), LEDGES_ANEW)[0]
    # What must be there may find no group again: its ledge is composed anew only where no other is left.
    own = {placement.item for placement in placements_of(composition.groups)}
    others = tuple(placement for placement in composition.placements if placement.item not in own)
    needed = stock.must | {host for placement in others for host in (placement.on, placement.inside) if host}
    bound = {ledge.id for ledge, group in composition.groups if group.ids & needed}
    ledges = [ledge for ledge in stock.ledges if ledge.id not in bound] or list(stock.ledges)
    known = liked or {}
    # Drawn without a weight ever being computed (exponential race in logarithms): likings may differ by hundreds.
    drawn = {one.id: LEAST_LIKED * known.get(one.id, 0.0) + math.log(rng.expovariate(1.0) + TINY) for one in ledges}
    anew = set(sorted(drawn, key=lambda one: drawn[one])[: min(count, len(ledges))])
    groups = [(ledge, group) for ledge, group in composition.groups if ledge.id not in anew]
    used = {placement.item for placement in (*others, *placements_of(groups))}
    if not needed - stock.must <= used:
        return None
    order = [ledge for ledge in _in_order(stock) if ledge.id in anew]
    beside = stock.beside(others)
    for number, ledge in enumerate(order):
        before = [group for _, group in groups]
        share = _fair_share(beside, order[number:], used)
        found = _composed_on(beside, ledge, used, rng.choice((-1, 1)), before, share)
        used |= {one for group in found for one in group.ids}
        groups += [(ledge, group) for group in found]
    # Groups of other ledges belong to other compositions, too, and stay as they are.
    _fill_with_the_season(beside, [(ledge, group) for ledge, group in groups if ledge.id in anew], used)
    placements = (*others, *placements_of(groups))
    problem = stock.problem
    if _awaited(problem, placements):
        return None
    walls = tuple(placement for placement in others if placement.pose == "hung")
    if not problem.can_stand(problem.resolve(placements)) or (walls and not hangs_clear(problem, groups, walls)):
        return None
    return replace(composition, groups=tuple(groups), placements=placements)


def placements_of(groups: Sequence[tuple[Ledge, Group]]) -> Placements:
    """Return groups as placements."""
    return tuple(member.placement(ledge.id) for ledge, group in groups for member in group)


def hangs_clear(problem: Problem, groups: Sequence[tuple[Ledge, Group]], walls: Placements) -> bool:
    """Tell whether nothing stands before what hangs, but for a little of it."""
    arrangement: Arrangement = problem.resolve((*problem.fixed, *walls, *placements_of(groups)))
    named = {placement.id for placement in walls}
    for picture in arrangement.visible:
        if picture.id in named:
            for other in arrangement.visible:
                across = min(other.right, picture.right) - max(other.left, picture.left)
                up = min(other.top, picture.top) - max(other.bottom, picture.bottom)
                most = 0.0 if other.item.category in WALL_CATEGORIES | {"lamp"} else BEHIND_A_PICTURE
                hides = max(across, 0.0) * max(up, 0.0) > most * picture.width * picture.height
                if other.id not in named and hides:
                    return False
    return True


def _particular(problem: Problem, rng: Random) -> Placements | None:
    """Return what stays and what is wished so particularly that it has to come first."""
    requirements = tuple(requirement for requirement in requirements_of(problem) if requirement.kind in PARTICULAR)
    if not requirements:
        return problem.fixed
    found, _ = settle(problem, requirements, rng, most=TRIED_FOR_THE_REST)
    return found if found is not None else settle(problem, requirements)[0]


def _awaited(problem: Problem, placements: Placements) -> tuple[Item, ...]:
    placed = {placement.item for placement in placements}
    return tuple(item for item in problem.required if item.id not in placed)


def _unseen(problem: Problem, placements: Placements) -> tuple[Item, ...]:
    placed = {placement.item for placement in placements}
    return tuple(item for item in problem.hidden if item.id not in placed)


def _in_order(stock: Stock) -> list[Ledge]:
    """Return the ledges as a stylist takes them: tops first; in a case the larger openings choose first."""
    ledges = sorted(stock.ledges, key=lambda ledge: (-ledge.floor, ledge.left))
    tops = [ledge for ledge in ledges if stock.roles[ledge.id] in ("top", "table", "island")]
    rest = [ledge for ledge in ledges if ledge not in tops]
    if not tops:
        rest.sort(key=lambda ledge: (-stock.frame(ledge), stock.rng.random()))
    return tops + rest


def _composed_on(
    stock: Stock, ledge: Ledge, used: Collection[str], order: int, before: Sequence[Group], most: int
) -> list[Group]:  # fmt: skip
    """Return the groups of a ledge, layered until it is as full as is asked for, that can stand."""
    wanted = min(things_wanted(stock, ledge), most)
    best: list[Group] = []
    for _ in range(THROWS):
        elsewhere = _left_for_lower(stock, ledge, used) if stock.rng.random() < TALL_FIRST_OFTEN else frozenset()
        found = _thrown_on(stock, ledge, {*used, *elsewhere}, order, before, most)
        if not best or abs(things_in(found) - wanted) < abs(things_in(best) - wanted):
            best = found
        if wanted <= FEW or abs(things_in(best) - wanted) < NEAR_ENOUGH:
            break
    return best


def _left_for_lower(stock: Stock, ledge: Ledge, used: Collection[str]) -> frozenset[str]:
    """Return what a high opening leaves to lower ones, where enough is at hand that has room in it alone."""
    frame = stock.frame(ledge)
    lower = [
        stock.frame(one) for one in stock.ledges if stock.frame(one) < LOWER * frame and stock.roles[one.id] == "shelf"
    ]
    if not lower or stock.roles[ledge.id] != "shelf":
        return frozenset()
    free = [thing for thing in stock.pool if thing.id not in used and thing.id not in stock.must]
    alone = [thing for thing in free if thing.height > max(lower) and stock.fits(thing, ledge)]
    if len(alone) < FEW_TALL:
        return frozenset()
    return frozenset(thing.id for thing in free if COMPANION * frame < thing.height <= max(lower))


def _thrown_on(
    stock: Stock, ledge: Ledge, used: Collection[str], order: int, before: Sequence[Group], most: int
) -> list[Group]:  # fmt: skip
    groups = without_empty_glass(groups_for(stock, ledge, used, order, before))
    groups = _without_pictures_before_pictures(stock, ledge, groups)
    wanted = things_wanted(stock, ledge)
    _thin_out(stock, groups, min(most, math.ceil(FULL_ENOUGH * wanted)) if wanted else most)
    groups = layered(stock, ledge, groups, used, min(wanted, most))
    groups = topped_up(stock, ledge, groups, used, min(wanted, most))
    return _set_right(stock, ledge, _without_pictures_before_pictures(stock, ledge, groups))


def _fair_share(stock: Stock, ledges: Sequence[Ledge], used: Collection[str]) -> int:
    """Return how many things the first of some ledges may take, so that none stays bare where things are few."""
    dressed = [ledge for ledge in ledges if stock.roles[ledge.id] not in ("floor", "hearth", "below")]
    if ledges[0] not in dressed:
        return len(stock.pool)
    widest = {one.id: max((right - left for left, right in spans_of(stock, one)), default=0.0) for one in dressed}
    left = [
        thing for thing in stock.pool
        if thing.id not in used and thing.category != "stems"
        and any(thing.width < widest[one.id] and stock.fits(thing, one) for one in dressed)
    ]  # fmt: skip
    return math.ceil(len(left) / len(dressed))


def _thin_out(stock: Stock, groups: list[Group], most: int) -> None:
    """Take members, then groups, until no more than so many things are there, stems apart; the last green stays."""
    while sum(member.thing.category != "stems" for group in groups for member in group) > most:
        greens = [member for group in groups for member in group if member.thing.green]
        living = greens[0] if len(greens) == 1 else None
        spare = [
            (group, member)
            for group in groups
            for member in group.members[1:]
            if member is not living and member.thing.id not in stock.must
            and not any(one.on is member or one.inside is member for one in group)
            and member.thing.category not in ("stems", "book") and not member.thing.goes_in_a_set
        ]  # fmt: skip
        rest = [group for group in groups if not group.ids & stock.must and living not in group.members]
        if spare:
            group, member = spare[-1]
            group.take_out(member)
        elif len(rest) > 1 or (rest and len(groups) > len(rest)):
            groups.remove(rest[-1])
        else:
            return


def _set_right(stock: Stock, ledge: Ledge, groups: Sequence[Group]) -> list[Group]:
    """Leave out members, then groups, until a ledge can stand beside what is kept there."""
    left = list(groups)
    kept = tuple(placement for placement in stock.problem.fixed if placement.ledge == ledge.id)
    for _ in range(MENDED_AT_MOST):
        if not left:
            return []
        arrangement = stock.problem.resolve((*kept, *placements_of([(ledge, group) for group in left])))
        if stock.problem.can_stand(arrangement):
            return without_empty_glass(left)
        at_fault = {one for _, ones in stops_of(arrangement) for one in ones}
        at_fault |= {one for heard in insisted(arrangement) if not heard.met for one in heard.placements}
        if not _thinned(left, at_fault):
            faulty = next((group for group in left if group.ids & at_fault), left[-1])
            left.remove(faulty)
    return []


def _without_pictures_before_pictures(stock: Stock, ledge: Ledge, groups: Sequence[Group]) -> list[Group]:
    """Take out what leans before a fixed picture, mirror or screen; a group that it leads goes with it."""
    left: list[Group] = []
    for group in groups:
        leaning = [
            member for member in group
            if member.pose == "leaning" and member.thing.id not in stock.must
            and stands_before_a_picture(stock, ledge, member)
        ]  # fmt: skip
        if any(member is group.members[0] for member in leaning):
            continue
        for member in leaning:
            group.take_out(member)
        left.append(group)
    return left


def _thinned(groups: Sequence[Group], at_fault: Collection[str]) -> bool:
    """Take one member at fault out of a group that can do without it; tell whether there was one."""
    for group in reversed(groups):
        for member in reversed(group.members[1:]):
            carries = any(other.on is member or other.inside is member for other in group)
            if member.thing.id in at_fault and not carries and not member.thing.goes_in_a_set:
                group.take_out(member)
                return True
    return False


def _stems_of_the_season(stock: Stock) -> list[Thing]:
    season = stock.problem.season
    return [thing for thing in stock.pool if thing.category == "stems" and season and season in thing.item.season]


def _keep_vessels_for_the_season(stock: Stock) -> None:
    """Let a vessel that suits stems of the season stand where it can hold them."""
    for stems in _stems_of_the_season(stock):
        for vessel in [thing for thing in stock.pool if thing.category == "vessel"]:
            suiting = {ledge.id for ledge in stock.ledges if stems_suit(vessel, stems, ledge.clearance) > 0}
            if suiting:
                stock.keep_for(vessel, suiting)


def _fill_with_the_season(stock: Stock, groups: Sequence[tuple[Ledge, Group]], used: Collection[str]) -> None:
    """Put stems of the season that is asked for into vessels that stand empty, where they suit and can stand."""
    for stems in _stems_of_the_season(stock):
        if stems.id not in used:
            _into_an_empty_vessel(stock, groups, stems)


def _into_an_empty_vessel(stock: Stock, groups: Sequence[tuple[Ledge, Group]], stems: Thing) -> None:
    for ledge, group in groups:
        for vessel in [one for one in group if stems_suit(one.thing, stems, _room_over(ledge, one)) > 0]:
            if any(member.inside is vessel or member.on is vessel for member in group):
                continue
            inside = group.put_into(stems, vessel)
            there = [member.placement(ledge.id) for one, other in groups if one is ledge for member in other]
            kept = (placement for placement in stock.problem.fixed if placement.ledge == ledge.id)
            if stock.problem.can_stand(stock.problem.resolve((*kept, *there))):
                return
            group.take_out(inside)


def _room_over(ledge: Ledge, vessel: Member) -> float | None:
    return None if ledge.clearance is None else ledge.clearance - vessel.base


def _hang_something(stock: Stock) -> Placements:
    """Hang a picture of about three fifths of the width over a top, now and then."""
    problem = stock.problem
    over = any(fixture.kind in LOOKED_AT for fixture in stock.piece.fixtures)
    walls = {wall.id for wall in problem.walls}
    if not walls or over or stock.room == "kitchen" or any(placement.ledge in walls for placement in problem.fixed):
        return ()
    if stock.rng.random() > HANG_ODDS:
        return ()
    width = stock.piece.width
    pictures = [
        thing for thing in stock.pool
        if thing.category in WALL_CATEGORIES - {"board"} and HUNG_LEAST * width <= thing.item.width <= HUNG_MOST * width
    ]  # fmt: skip
    found = stock.pick(pictures, lambda thing: thing.worth - abs(thing.item.width / width - HUNG_SHARE), leads=True)
    if found is None:
        return ()
    for place in hung(problem, found.item):
        if problem.can_stand(problem.resolve((*problem.fixed, place))):
            return (place,)
    return ()


def _with_the_rest(
    stock: Stock, groups: Sequence[tuple[Ledge, Group]], walls: Placements, pool: GroupPool
) -> Composition | None:
    """Find places for what must be there and came into no group; where there is none, the least group gives way."""
    problem, left = stock.problem, list(groups)
    for _ in range(GIVEN_UP_AT_MOST):
        placements = (*problem.fixed, *walls, *placements_of(left))
        missing = _awaited(problem, placements)
        if not missing and problem.can_stand(problem.resolve(placements)):
            return Composition(stock, tuple(left), placements, pool)
        rest = replace(problem, fixed=placements, required=missing, hidden=_unseen(problem, placements))
        requirements: tuple[Requirement, ...] = requirements_of(rest)
        most = TRIED_FOR_THE_REST * MANY // max(len(requirements), MANY)
        found, _ = settle(rest, requirements, most=most) if missing else (None, False)
        if found is not None and problem.can_stand(problem.resolve(found)):
            return Composition(stock, tuple(left), found, pool)
        optional = [one for one in left if not one[1].ids & stock.must]
        if not optional:
            return None
        left.remove(min(optional, key=lambda one: sum(member.thing.worth for member in one[1])))
    return None
