"""What stands before a plant, a vessel or a figure leaves enough of its foot in sight to see it standing."""

from random import Random

import pytest

from builders import plan_of, thing
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner
from jolly_ledge.proposals.composing.liking_of_a_group import (
    FOOT_FREE,
    FOOT_HIDDEN,
    liking_of_a_group,
    share_of_foot_hidden,
)
from jolly_ledge.proposals.groups.group import Group, Member
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.problem import problem_of

CHEST = thing("chest", "box", width=200.0, height=100.0, depth=120.0)


def two(behind: Item, x: float) -> tuple[Stock, Member, Member]:
    """Return a thing in the back with its middle at 0, and a box before it with its middle at ``x`` mm."""
    plan = plan_of((behind, CHEST))
    stock = Stock(problem_of(plan, plan.pieces[0].id, Manner()), Random(1))
    return (
        stock,
        Member(stock.things["chest"], "upright", x, 80.0),
        Member(stock.things["behind"], "upright", 0.0, 300.0),
    )


@pytest.mark.parametrize(
    ("category", "x", "share"),
    [
        # The middle 140 mm of the vase count, all of its height: half across, a quarter high is hidden.
        ("vessel", 100.0, 0.5 * 0.25),
        ("sculpture", 0.0, 0.25),
        ("vessel", 500.0, 0.0),
        # Of a plant the pot: the middle 100 mm, 200 mm high.
        ("plant", 0.0, 0.5),
        ("plant", 125.0, 0.25 * 0.5),
        # A picture has no foot to be seen.
        ("frame", 0.0, 0.0),
    ],
)
def test_the_share_of_a_foot_that_lies_behind_a_box(category: str, x: float, share: float) -> None:
    _, front, behind = two(thing("behind", category, width=200.0, height=400.0, depth=200.0), x)
    assert share_of_foot_hidden(front, behind) == pytest.approx(share)


def test_half_a_pot_hidden_costs_what_is_more_than_is_free() -> None:
    plant = thing("behind", "plant", width=200.0, height=400.0, depth=200.0)

    def liked(x: float) -> float:
        stock, front, behind = two(plant, x)
        group = Group("anchored", 500.0)
        group.members += [behind, front]
        return liking_of_a_group(stock, stock.ledges[0], group)

    # Before the leaves, aside of the pot, it stands as well as anywhere.
    assert liked(125.0) - liked(0.0) >= FOOT_HIDDEN * (0.5 - FOOT_FREE)
