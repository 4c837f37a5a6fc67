"""A set with a sense comes whole or not at all, pairs outward in, the odd one in the middle."""

from itertools import pairwise
from random import Random

import pytest
from msgspec.structs import replace

from builders import case_of, thing
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.composing.composition import Composition, placements_of
from jolly_ledge.proposals.composing.pool import GroupPool
from jolly_ledge.proposals.composing.shared_sets import set_shared
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.groups.whole_sets import whole_set
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import proposals
from jolly_ledge.readings.register import assess

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


def test_the_likest_in_size_and_outline_stand_opposite_each_other() -> None:
    jars = tuple(
        thing(f"jar-{n}", width=90, height=high, depth=90, silhouette=shape, set="jars", sense="collection")
        for n, (high, shape) in enumerate(((250, "urn"), (200, "vase"), (200, "jug"), (195, "vase"), (195, "jug")))
    )
    stock = stock_of(*jars, *OTHERS)
    group = whole_set(stock, stock.ledges[0], ())
    assert group is not None
    row = [member.thing.shape for member in sorted(group.members, key=lambda member: member.x)]
    assert row == row[::-1]
    assert row[2] == "urn"


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


TRIO = tuple(
    thing(f"jar-{n}", width=90, height=high, depth=90, set="jars", sense="trio", colours=(("#7d4f2f", 1.0),))
    for n, high in enumerate((260, 200, 150))
)


def pair_of_cases() -> Piece:
    """Return two cases beside each other, one case of three shelves and its twin 1.2 m to the right."""
    case = case_of(3)
    left = tuple(replace(one, body="left") for one in case.ledges)
    right = tuple(replace(one, id=f"{one.id}-right", left=one.left + 1200.0, body="right") for one in case.ledges)
    return replace(case, width=case.width + 1200.0, ledges=(*left, *right), build="flanking-pair")


def with_the_trio(piece: Piece) -> Composition:
    stock = stock_of(*TRIO, *OTHERS, piece=piece)
    group = whole_set(stock, stock.ledges[0], ())
    assert group is not None
    group.shift(200.0 - group.left)
    groups = ((stock.ledges[0], group),)
    return Composition(stock, groups, placements_of(groups), GroupPool())


@pytest.mark.parametrize("seed", range(6))
def test_a_trio_is_shared_one_and_two_at_like_places_of_both_bodies(seed: int) -> None:
    before = with_the_trio(pair_of_cases())
    after = set_shared(before, Random(seed))
    assert after is not None
    by_body = {ledge.body: (ledge, group) for ledge, group in after.groups}
    assert sorted(len(group.members) for _, group in by_body.values()) == [1, 2]
    assert {one for _, group in by_body.values() for one in group.ids} == {"jar-0", "jar-1", "jar-2"}
    (left, one), (right, other) = by_body["left"], by_body["right"]
    assert left.floor == right.floor
    middles = left.left + (one.left + one.right) / 2, right.left + (other.left + other.right) / 2
    assert sum(middles) == pytest.approx(pair_of_cases().width, abs=1.0)
    read = [assess(look.stock.problem.resolve(look.placements)).reading("tie") for look in (before, after)]
    assert read[1] is not None


def test_on_one_body_nothing_is_shared() -> None:
    assert set_shared(with_the_trio(case_of(3)), Random(1)) is None


def test_a_pair_of_cases_gets_a_shared_set_in_some_proposals() -> None:
    piece = pair_of_cases()
    # All other things are unlike each other: only the set can tie the two cases.
    kinds = ("vessel", "bowl", "box", "plant", "object", "sculpture")
    looks = (("urn", "#e6dcc6"), ("jug", "#8d9aa5"), ("bottle", "#b08d62"), ("box", "#3d4a52"))
    others = tuple(
        thing(
            f"{kind}-{n}", kind, height=110.0 + 9 * (6 * n + k), width=70.0 + 6 * (4 * k + n), silhouette=shape,
            colours=((colour, 1.0),),
        )
        for n, (shape, colour) in enumerate(looks)
        for k, kind in enumerate(kinds)
    )  # fmt: skip
    problem = problem_of(Plan(pieces=(piece,), stash=(*TRIO, *others)), piece.id, Manner())
    shared = 0
    for seed in range(1, 9):
        (one,) = proposals([problem], seed, steps=120).found
        bodies = [piece.ledge(p.ledge).body for p in one.look.placements if p.item.startswith("jar")]
        assert len(bodies) in (0, 3)
        shared += len(set(bodies)) == 2
    assert shared > 0
