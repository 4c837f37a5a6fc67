"""What a newcomer has: a console in the hall and the sixteen things that are at hand."""

from functools import lru_cache
from random import Random

from msgspec.structs import replace

from builders import case_of, plan_of, thing
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.measures.kits import unmet_needs
from jolly_ledge.model.entry.parser import parse_entry
from jolly_ledge.model.fresh_ids import FreshIds
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner
from jolly_ledge.model.roles import role_of
from jolly_ledge.model.starts.tops import console, nightstand
from jolly_ledge.proposals.composing.fullness import suiting, things_wanted
from jolly_ledge.proposals.composing.schemes import LOW_ON_THE_FLOOR, NARROW_BELOW_MM, ONE_BELOW, groups_for
from jolly_ledge.proposals.grouping import Grouping, may_share
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


def test_a_member_of_a_set_suits_only_where_the_whole_set_finds_room() -> None:
    jugs = [thing(f"jug-{n}", width=120.0, height=h, set="jugs", sense="series") for n, h in enumerate((180.0, 240.0))]

    def suiting_ids(*items: Item) -> set[str]:
        problem = problem_of(plan_of(items, (), case_of(1)), "case", Manner())
        return {one.id for one in suiting(Stock(problem, Random(0)))}

    bowl = thing("bowl", "bowl", width=160.0, height=80.0)
    assert suiting_ids(bowl, *jugs) == {"bowl", "jug-0", "jug-1"}
    # One jug is higher than any shelf: the series cannot come, and no single jug of it.
    assert suiting_ids(bowl, jugs[0], replace(jugs[1], height=900.0)) == {"bowl"}


def test_glass_suits_only_where_stems_fill_it() -> None:
    glass = tuple(
        thing(f"glass-{n}", width=100.0, height=200.0, depth=100.0, finish="clear" if n else "matt", material=material)
        for n, material in enumerate(("", "", "crystal glass"))
    )
    stems = thing("stems", "stems", width=160.0, height=220.0, depth=160.0)
    lidded = replace(glass[1], id="lidded", traits=("lidded",))

    def suit(*items: Item) -> int:
        problem = problem_of(plan_of((*items, lidded), (), case_of(2)), "case", Manner())
        return len(suiting(Stock(problem, Random(0))))

    assert suit(*glass) == 2
    assert suit(*glass, stems) == 3
    assert suit(*glass, stems, replace(stems, id="more")) == 4


def test_a_low_shelf_by_a_bed_holds_a_basket_that_takes_most_of_it() -> None:
    piece = nightstand()
    below = next(ledge for ledge in piece.ledges if role_of(piece, ledge) == "below")
    basket = thing("basket", "basket", width=0.66 * below.width, depth=250.0, height=0.55 * (below.clearance or 0.0))
    rest = [thing(f"bowl-{n}", "bowl", width=90.0 + 5 * n, depth=90.0, height=50.0) for n in range(12)]
    stock = Stock(problem_of(plan_of((basket, *rest), (), piece), piece.id, Manner(fullness="abundant")), Random(2))
    # It wants two groups, the first of which takes half of a ledge where that is not narrow.
    assert things_wanted(stock, below) > ONE_BELOW
    assert below.width < NARROW_BELOW_MM
    came = {one for _ in range(8) for group in groups_for(stock, below, (), 1, ()) for one in group.ids}
    assert "basket" in came


def test_what_led_before_may_lead_again_only_where_things_are_scarce() -> None:
    problem = problem_of(plan_of(stash(), (), console()), console().id, Manner())
    ids = [one.id for one in suiting(Stock(problem, Random(0)))]
    led = replace(problem, led_before=frozenset(ids[:3]))
    few = tuple((one, ledge.id) for one in ids[:2] for ledge in problem.open_ledges[:1])
    all_of_them = tuple((one, ledge.id) for one in ids for ledge in problem.open_ledges[:1])
    told = [Grouping(led, 1, others)._is_scarce() for others in ((), (frozenset(few),), (frozenset(all_of_them),) * 2)]
    assert told == [False, False, True]


def test_how_much_may_be_shared_follows_what_is_left_and_which_looks_there_are() -> None:
    problem = problem_of(plan_of(stash(), (), console()), console().id, Manner())
    ids = [thing.id for thing in suiting(Stock(problem, Random(0)))]
    free, half = may_share(problem, [frozenset(ids[:4])])
    assert may_share(problem, []) == (free, half)
    apart = [frozenset(ids[: len(ids) // 2]), frozenset(ids[len(ids) // 2 :])]
    # Where two took everything that suits, a third has its things of both, less than half of each: it goes farther.
    shared, low = may_share(problem, apart)
    assert free < 0.5 == half < low <= 1.0
    assert 0.4 < shared < 0.5
    # Where one took all there is, all of it comes again.
    all_there = frozenset(thing.id for thing in suiting(Stock(problem, Random(0), frozenset(ids))))
    assert all_there > frozenset(ids)
    assert may_share(problem, [all_there]) == (1.0, 1.0)
