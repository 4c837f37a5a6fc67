"""A stack turned, set by size, built up to the weight of its neighbour: what is offered, and what comes of it."""

import pytest

from builders import case_of, plan_of, put, thing
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.mend import mends
from jolly_ledge.proposals.move import Move
from jolly_ledge.proposals.stack_moves import pile_on, stack_moves
from jolly_ledge.readings.register import assess
from jolly_ledge.scene.marks import weights

LARGE = thing("large", "book", width=40.0, height=300.0, depth=220.0)
SMALL = thing("small", "book", width=30.0, height=200.0, depth=150.0)
BALL = thing("ball", "object", width=80.0, height=80.0, depth=80.0)
BOX = thing("box", "box", width=160.0, height=70.0, depth=160.0, traits=("lidded",))


def moves_of(plan: Plan, placement: str, *at_hand: Item) -> dict[str, list[Move]]:
    look = plan.looks[0]
    arrangement = arrange(plan, look)
    found: dict[str, list[Move]] = {}
    for move in stack_moves(look, arrangement, arrangement.by_id[placement], at_hand):
        found.setdefault(move.kind, []).append(move)
    return found


def stacked(*order: Item, turn: float = 0.0, locked: bool = False) -> Plan:
    """Return things that lie one on the other, the first at the foot."""
    flat = {"book": "flat"}
    placements: list[Placement] = []
    for at, item in enumerate(order):
        placements.append(put(item.id, on=order[at - 1].id if at else None, pose=flat.get(item.category, "upright"),
                              turn=turn, locked=locked))  # fmt: skip
    return plan_of(order, tuple(placements))


def test_what_lies_one_on_the_other_is_one_pile() -> None:
    plan = stacked(LARGE, SMALL, BALL)
    arrangement = arrange(plan, plan.looks[0])
    assert [one.id for one in pile_on(arrangement, arrangement.by_id["large"])] == ["large", "small", "ball"]


def test_a_stack_turns_as_one_and_what_is_round_stays() -> None:
    plan = stacked(LARGE, SMALL, BALL)
    (move,) = moves_of(plan, "large")["turn-stack"]
    assert move.label == "Turn the stack of the large a quarter"
    turned = {one.id: one.turn for one in move.edit.apply(plan).looks[0].placements}
    assert turned == {"large": 90.0, "small": 90.0, "ball": 0.0}
    assert "turn-stack" not in moves_of(plan_of((LARGE,), (put("large", pose="flat"),)), "large")


def test_a_stack_is_set_by_size_under_its_crown() -> None:
    plan = stacked(SMALL, LARGE, BALL)
    (move,) = moves_of(plan, "small")["by-size"]
    assert move.label == "Stack them by size, the large at the foot"
    after = move.edit.apply(plan)
    assert {one.id: one.on for one in after.looks[0].placements} == {"large": None, "small": "large", "ball": "small"}
    look = arrange(after, after.looks[0])
    assert look.by_id["ball"].bottom - look.by_id["large"].bottom == pytest.approx(70.0)
    assert "by-size" not in moves_of(stacked(LARGE, SMALL, BALL), "large")


def test_what_is_light_is_built_up_to_its_neighbour() -> None:
    heavy = thing("heavy", width=240.0, height=330.0, depth=200.0)
    light = thing("light", width=140.0, height=200.0, depth=140.0)
    low = thing("low", "box", width=160.0, height=20.0, depth=160.0, traits=("lidded",))
    narrow = thing("narrow", "box", width=100.0, height=70.0, depth=100.0, traits=("lidded",))
    things = (heavy, light, BOX, low, narrow)
    plan = plan_of(things, (put("heavy", x=200.0), put("light", x=600.0)), case_of())
    moves = moves_of(plan, "light", BOX, low, narrow)["build-up"]
    assert [move.label for move in moves] == ["Build the light up with the box", "Build the light up with the low"]
    after = moves[0].edit.apply(plan)
    before, now = weights(arrange(plan, plan.looks[0])), weights(arrange(after, after.looks[0]))
    assert abs(now["light"] + now["box"] - now["heavy"]) < abs(before["light"] - before["heavy"])
    assert "build-up" not in moves_of(plan, "heavy", BOX)


def test_what_is_locked_stays_as_it_is() -> None:
    assert moves_of(stacked(SMALL, LARGE, locked=True), "small", BOX) == {}


def test_a_stack_against_its_sizes_is_mended_by_size() -> None:
    plan = stacked(SMALL, LARGE, BALL)
    look = plan.looks[0]
    arrangement = arrange(plan, look)
    found = [one for one in assess(arrangement).findings if one.reading == "stack-order"]
    labels = [mend.label for finding in found for mend in mends(plan, look, finding)]
    assert "Stack them by size, the large at the foot" in labels
