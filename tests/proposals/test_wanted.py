"""What is wanted: where it helps, within which measures, for which money; whether a found thing suits."""

from decimal import Decimal

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, put, thing
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.plan import Plan
from jolly_ledge.planning.shopping import budget_left
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.wanted import (
    LEAST_GAIN,
    LEAST_MM,
    NOTHING_NEEDED,
    NOTHING_TO_BUY,
    match_found,
    nothing_said,
    substitutes,
    wanted,
)
from jolly_ledge.readings.register import assess

OAK, INK, CREAM = (("#9c6b3f", 1.0),), (("#23262b", 1.0),), (("#efe6d2", 1.0),)
STASH = (
    thing("urn", width=200.0, height=290.0, depth=200.0, colours=OAK, finish="rough"),
    thing("row", "book-row", width=280.0, height=250.0, depth=180.0, colours=INK),
    thing("bowl", "bowl", colours=CREAM, finish="gloss"),
)


@pytest.fixture(scope="module")
def plan() -> Plan:
    # The second shelf holds a crumb alone.
    placements = (put("urn", x=200.0), put("row", x=470.0, z=180.0), put("bowl", "a2", x=400.0))
    return plan_of(STASH, placements, case_of(2))


def test_what_is_wanted_helps_where_it_is_said_to_stand(plan: Plan) -> None:
    look = plan.looks[0]
    found = wanted(plan, look)
    assert found
    assert [want.gain for want in found] == sorted((want.gain for want in found), reverse=True)
    assert len({want.placement.ledge for want in found}) == len(found)
    problem = problem_of(plan, "case", look.manner, look, finish=True)
    before = assess(problem.resolve(look.placements)).score
    for want in found:
        assert want.gain >= LEAST_GAIN
        shop = replace(problem, plan=replace(plan, stash=(*plan.stash, want.item)))
        after = shop.resolve((*look.placements, want.placement))
        assert shop.can_stand(after)
        assert assess(after).score - before == pytest.approx(want.gain)
        assert want.heights[0] <= want.item.height <= want.heights[1]
        assert want.widths[0] <= want.item.width <= want.widths[1]
        assert want.item.finish in want.finishes
        assert want.heights[0] >= LEAST_MM[want.item.category]
        assert want.ledge in want.sentence


@pytest.fixture(scope="module")
def full() -> Plan:
    """Return one shelf, full to the brim."""
    stash = tuple(thing(f"box{n}", "box", width=190.0, height=380.0, depth=250.0) for n in range(4))
    placements = tuple(put(f"box{n}", x=100.0 + 198 * n) for n in range(4))
    return plan_of(stash, placements, case_of(1))


def test_nothing_is_needed_where_nothing_helps(full: Plan) -> None:
    assert wanted(full, full.looks[0]) == ()


def test_what_is_found_is_not_talked_away_where_nothing_is_to_be_bought(plan: Plan, full: Plan) -> None:
    assessment = assess(arrange(plan, plan.looks[0]))
    assert any(finding.asks == "more" for finding in assessment.findings)
    assert nothing_said(assessment) == NOTHING_TO_BUY
    brim = assess(arrange(full, full.looks[0]))
    assert not any(finding.asks == "more" for finding in brim.findings)
    assert nothing_said(brim) == NOTHING_NEEDED


def test_the_budget_that_is_left_is_the_most_it_may_cost(plan: Plan) -> None:
    dear = (
        thing("clock", status="to-buy", price=Decimal(30), count=2),
        thing("jug", status="wanted", price=Decimal(500)),
    )
    with_budget = replace(plan, budget=Decimal(100), stash=(*plan.stash, *dear))
    assert budget_left(with_budget) == 40
    assert wanted(with_budget, plan.looks[0], most=1)[0].most_price == 40
    assert budget_left(plan) is None
    assert budget_left(replace(with_budget, budget=Decimal(10))) == 0


def test_a_found_thing_is_matched(plan: Plan) -> None:
    look = plan.looks[0]
    good = match_found(plan, look, replace(wanted(plan, look)[0].item, id="found", name="Found vase"))
    assert good.gain >= LEAST_GAIN
    assert good.sentence.startswith("The Found vase fits on ")
    assert {placement.item for placement in good.placements} >= {"found"}
    giant = match_found(plan, look, thing("giant", height=900.0, width=300.0))
    assert giant.placements == ()
    assert "50 cm too high" in giant.sentence


def test_a_better_thing_takes_the_place_of_a_worse_one() -> None:
    stash = (thing("pebble", "object", width=30.0, height=20.0, depth=30.0), *STASH)
    plan = plan_of(stash, (put("pebble", x=400.0),), case_of(1))
    vase = thing("vase", height=270.0, width=180.0, depth=180.0, colours=OAK)
    told = match_found(plan, plan.looks[0], vase)
    assert told.gain > 0.02
    assert "fits on a1" in told.sentence


def test_what_comes_closest_to_a_dear_thing_and_costs_less(plan: Plan) -> None:
    dear = thing("dear", width=190.0, height=280.0, depth=190.0, colours=OAK, status="wanted", price=Decimal(220))
    near = replace(dear, id="near", status="to-buy", price=Decimal(60), height=270.0)
    own = replace(dear, id="own", status="owned", price=None, colours=INK)
    dearer = replace(dear, id="dearer", price=Decimal(900))
    found = substitutes(replace(plan, stash=(*plan.stash, dear, near, own, dearer)), plan.looks[0], dear)
    assert [item.id for item, _, _ in found][:2] == ["near", "own"]
    assert found[0][2] == 160
    assert found[1][2] == 220
    assert "dearer" not in {item.id for item, _, _ in found}
    # What stands in the look already is no substitute.
    assert "urn" not in {item.id for item, _, _ in found}
