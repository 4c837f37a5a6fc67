"""Stacks of books carry something small: taken from the look, or brought."""

from random import Random

from builders import case_of, plan_of, thing
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner
from jolly_ledge.proposals.composing.composition import Composition, placements_of
from jolly_ledge.proposals.composing.crowning import crowned
from jolly_ledge.proposals.composing.liking import liking_of
from jolly_ledge.proposals.composing.pool import GroupPool
from jolly_ledge.proposals.groups.books import bare_tops
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.problem import problem_of

LOWER = thing("lower", "book", width=30.0, height=260.0, depth=200.0)
UPPER = thing("upper", "book", width=28.0, height=240.0, depth=180.0)
SHELL, TALL = thing("shell", width=90.0, height=70.0, depth=60.0), thing("tall", "vessel", width=160.0, height=330.0)
BELL = thing("bell", width=80.0, height=60.0, depth=60.0)


def with_a_bare_stack(*others: Item, free: tuple[Item, ...] = ()) -> Composition:
    """Return a shelf with two books that lie on each other at the left and other things at the right."""
    problem = problem_of(plan_of((LOWER, UPPER, *others, *free), (), case_of(1)), "case", Manner())
    stock = Stock(problem, Random(1))
    ledge = stock.ledges[0]
    stack, beside = Group("stack", ledge.depth), Group("low", ledge.depth)
    base = stack.set_down(stock.things["lower"], pose="flat")
    stack.lay_on(stock.things["upper"], base, pose="flat")
    for other in others:
        beside.set_down(stock.things[other.id], "back", 1, 0.0)
    groups = [(ledge, stack.shift(60.0 - stack.left))]
    groups += [(ledge, beside.shift(450.0 - beside.left))] if others else []
    return Composition(stock, tuple(groups), placements_of(tuple(groups)), GroupPool())


def crowns(composition: Composition) -> set[str]:
    """Return what is laid on the stack in some of many moves."""
    rng, found = Random(5), set()
    for _ in range(40):
        after = crowned(composition, rng)
        if after is not None:
            stack = next(group for _, group in after.groups if "lower" in group.ids)
            assert not list(bare_tops(stack))
            assert after.stock.problem.can_stand(after.stock.problem.resolve(after.placements))
            found |= {member.thing.id for member in stack} - {"lower", "upper"}
    return found


def test_something_small_is_laid_on_a_bare_stack_and_nothing_tall() -> None:
    assert crowns(with_a_bare_stack(SHELL, TALL)) == {"shell"}
    assert crowns(with_a_bare_stack(TALL)) == set()
    assert crowns(with_a_bare_stack(TALL, free=(BELL,))) == {"bell"}


def test_what_is_carried_over_leaves_its_place_and_the_look_shows_as_much() -> None:
    before = with_a_bare_stack(SHELL, TALL)
    after = next(one for seed in range(20) if (one := crowned(before, Random(seed))) is not None)
    assert [sorted(group.ids) for _, group in after.groups] == [["lower", "shell", "upper"], ["tall"]]
    assert len(after.placements) == len(before.placements)
    assert [p.on for p in after.placements if p.item == "shell"] == ["upper"]


def test_what_stands_alone_is_not_taken_from_its_place() -> None:
    assert crowns(with_a_bare_stack(SHELL)) == set()


def test_a_crowned_stack_has_no_bare_top_and_is_liked_more() -> None:
    before = with_a_bare_stack(TALL, SHELL)
    assert [member.thing.id for _, group in before.groups for member in bare_tops(group)] == ["upper"]
    after = next(one for seed in range(20) if (one := crowned(before, Random(seed))) is not None)
    assert liking_of(after) > liking_of(before)
    assert crowned(after, Random(1)) is None
