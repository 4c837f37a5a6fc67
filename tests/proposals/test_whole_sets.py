"""A set with a sense comes whole or not at all, pairs outward in, the odd one in the middle."""

from itertools import pairwise
from random import Random

from msgspec.structs import replace

from builders import case_of, thing
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.groups.whole_sets import whole_set
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import proposals

FIVE = tuple(
    thing(f"jar-{n}", width=90, height=high, depth=90, set="jars", sense="series", colours=(("#c9b28c", 1.0),))
    for n, high in enumerate((240, 200, 200, 150, 150))
)
OTHERS = tuple(
    thing(f"{kind}-{n}", kind, colours=(("#e6dcc6", 1.0),))
    for kind in ("vessel", "bowl", "box", "plant")
    for n in range(3)
)


def stock_of(*items: Item, piece: Piece | None = None) -> Stock:
    plan = Plan(pieces=(piece or case_of(2),), stash=items)
    return Stock(problem_of(plan, "case", Manner()), Random(3))


def test_the_tallest_stands_in_the_middle_and_pairs_outward() -> None:
    stock = stock_of(*FIVE, *OTHERS)
    group = whole_set(stock, stock.ledges[0], ())
    assert group is not None
    row = sorted(group.members, key=lambda member: member.x)
    assert [member.height for member in row] == [150, 200, 240, 200, 150]
    assert all(second.x - first.x >= 90 for first, second in pairwise(row))


def test_a_set_that_cannot_be_whole_does_not_come() -> None:
    stock = stock_of(*FIVE, *OTHERS)
    assert whole_set(stock, stock.ledges[0], {"jar-3"}) is None
    assert whole_set(stock, stock.ledges[0], (), width=300) is None
    tall = stock_of(*FIVE[1:], replace(FIVE[0], height=700.0), *OTHERS)
    found = whole_set(tall, tall.ledges[0], ())
    assert found is None or "jar-0" not in found.ids


def test_a_set_without_a_sense_is_left_to_other_forms() -> None:
    stock = stock_of(*(replace(jar, sense="") for jar in FIVE), *OTHERS)
    assert whole_set(stock, stock.ledges[0], ()) is None


def test_proposals_never_part_it() -> None:
    plan = Plan(pieces=(case_of(3),), stash=(*FIVE, *OTHERS))
    problem = problem_of(plan, "case", Manner())
    for seed in (1, 2, 3):
        (found,) = proposals([problem], seed, steps=20).found
        where = {placement.item: placement.ledge for placement in found.look.placements}
        jars = {where[jar.id] for jar in FIVE if jar.id in where}
        assert sum(jar.id in where for jar in FIVE) in (0, 5)
        assert len(jars) <= 1
