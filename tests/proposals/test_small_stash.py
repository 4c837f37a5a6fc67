"""What a newcomer has: a console in the hall and the sixteen things that are at hand."""

from functools import lru_cache
from random import Random

from msgspec.structs import replace

from builders import plan_of
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.measures.kits import unmet_needs
from jolly_ledge.model.entry.parser import parse_entry
from jolly_ledge.model.fresh_ids import FreshIds
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner
from jolly_ledge.model.roles import role_of
from jolly_ledge.model.starts.tops import console
from jolly_ledge.proposals.composing.fullness import suiting
from jolly_ledge.proposals.composing.schemes import LOW_ON_THE_FLOOR
from jolly_ledge.proposals.grouping import may_share
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import proposals

LINES = (
    "pewter lamp 56 tall, 3 linen books, terracotta bowl 24",
    "7 stems, tall ash vase 18x34, brass dish 14, basket woven 40x30x30, white pitcher 22 high",
    "small framed print 20x26, brass candlestick 28, wooden box 22x10x15, blue ginger jar 24 high",
    "router, green fern in pot 30, key tray leather 25x4x18, two rust books",
)


@lru_cache(maxsize=1)
def stash() -> tuple[Item, ...]:
    """Return the things, read as they would be typed."""
    ids = FreshIds(())
    return tuple(item for line in LINES for item in parse_entry(line, "cm", ids=ids).items)


@lru_cache(maxsize=1)
def three_looks() -> tuple[Arrangement, ...]:
    """Return three looks of one run."""
    piece = replace(console(), use=("display", "keys"))
    problem = problem_of(plan_of(stash(), (), piece), piece.id, Manner())
    return tuple(problem.resolve(one.look.placements) for one in proposals([problem] * 3, 2, steps=300).found)


def test_the_third_look_is_whole_although_two_took_most_of_the_stash() -> None:
    assert [len(look.placed_items) >= 5 for look in three_looks()] == [True] * 3
    assert [need.id for look in three_looks() for need in unmet_needs(look)] == []
    names = [{placed.item.id for placed in look.placed_items} for look in three_looks()]
    assert len({frozenset(one) for one in names}) == 3


def test_nothing_low_is_lost_on_the_floor_under_it() -> None:
    low = [
        (stack.label, stack.height)
        for look in three_looks()
        for stacks in look.stacks.values()
        for stack in stacks
        if role_of(look.piece, stack.ledge) == "floor"
        and stack.height < LOW_ON_THE_FLOOR * (stack.ledge.clearance or 0.0)
    ]
    assert low == []


def test_how_much_may_be_shared_follows_what_is_left_and_which_looks_there_are() -> None:
    problem = problem_of(plan_of(stash(), (), console()), console().id, Manner())
    ids = [thing.id for thing in suiting(Stock(problem, Random(0)))]
    free, half = may_share(problem, [frozenset(ids[:4])])
    assert may_share(problem, []) == (free, half)
    apart = [frozenset(ids[: len(ids) // 2]), frozenset(ids[len(ids) // 2 :])]
    # Where two took everything, a third has its things of both, about half of each.
    shared, low = may_share(problem, apart)
    assert free < 0.5 == half < low <= 1.0
    assert shared == 0.5
    # Where one took all there is, all of it comes again.
    assert may_share(problem, [frozenset(ids)]) == (1.0, 1.0)
