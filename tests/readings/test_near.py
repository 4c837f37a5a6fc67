"""A wish to stand near a fixture, a seat or another thing, heard with its distance; proposals keep to it."""

from typing import Any

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, plan_of, put, thing
from jolly_ledge.edits.wishes import AddWish, DropWish, said
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.distance import A_SEAT, distance_to
from jolly_ledge.measures.wishes import hear
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.look import Manner
from jolly_ledge.model.piece import Fixture, Seat, Wish
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import proposals

SOCKET = Fixture(kind="socket", left=700.0, floor=150.0, width=80.0, height=80.0)
KETTLE = thing("kettle", width=100, height=200, depth=100)


def kettle_at(x: float, wish: Wish | None = None, **piece: Any) -> Arrangement:
    made = case_of(2, fixtures=(SOCKET,), wishes=(wish,) if wish else (), **piece)
    return arranged(
        (KETTLE, thing("cups", width=100)), (put("kettle", "a1", x=x), put("cups", "a1", x=120)), piece=made
    )


@pytest.mark.parametrize(("x", "far"), [(130.0, 500.0), (430.0, 200.0), (690.0, 0.0)])
def test_the_distance_to_a_fixture_is_free_room(x: float, far: float) -> None:
    look = kettle_at(x)
    assert distance_to(look, look.by_id["kettle"], "socket") == pytest.approx(far)


def test_distances_to_things_and_seats() -> None:
    look = kettle_at(430.0, seats=(Seat(x=450.0, z=-300.0),))
    kettle = look.by_id["kettle"]
    assert distance_to(look, kettle, "cups") == pytest.approx(kettle.left - look.by_id["cups"].right)
    assert distance_to(look, kettle, A_SEAT) == pytest.approx(300.0 + kettle.front)
    assert distance_to(look, kettle, "window") is None


@pytest.mark.parametrize(("x", "met"), [(130.0, False), (500.0, True)])
def test_it_is_heard_with_its_figures(x: float, met: bool) -> None:
    wish = Wish(kind="near", items=("kettle",), near="socket", within=300.0)
    (heard,) = hear(kettle_at(x, wish))
    assert heard.met is met
    if not met:
        assert heard.sentence == (
            "The kettle is wished within 30 cm of the socket and stands 50 cm off; carry it nearer."
        )


def test_what_is_not_there_is_told_when_it_is_wished() -> None:
    plan = plan_of((KETTLE,), piece=case_of(2, fixtures=(SOCKET,)))
    with pytest.raises(EditError, match="There is no cooktop at Case; add it in Measure"):
        AddWish(piece="case", wish=Wish(kind="near", items=("kettle",), near="cooktop")).apply(plan)
    with pytest.raises(EditError, match="There is no seat at Case"):
        AddWish(piece="case", wish=Wish(kind="near", items=("kettle",), near=A_SEAT)).apply(plan)
    wish = Wish(kind="near", items=("kettle",), near="socket")
    once = AddWish(piece="case", wish=wish).apply(plan)
    nearer = replace(wish, within=200.0)
    assert AddWish(piece="case", wish=nearer).apply(once).piece("case").wishes == (nearer,)
    assert said(wish, once, once.piece("case")) == "kettle near the socket"
    assert DropWish(piece="case", wish=wish).apply(once) == plan


def test_of_a_fixture_that_is_gone_nothing_is_found() -> None:
    wish = Wish(kind="near", items=("kettle",), near="window")
    assert list(hear(kettle_at(130.0, wish))) == []


def test_proposals_set_it_near_or_leave_it_out() -> None:
    wish = Wish(kind="near", items=("urn-0",), near="socket", within=250.0)
    things = tuple(thing(f"{kind}-{n}", kind) for kind in ("vessel", "bowl", "box", "plant") for n in range(3))
    urn = thing("urn-0", width=140, height=280)
    plan = Plan(pieces=(case_of(2, fixtures=(SOCKET,), wishes=(wish,)),), stash=(urn, *things))
    for seed in (1, 2):
        (found,) = proposals([problem_of(plan, "case", Manner())], seed, steps=20).found
        look = arranged(plan.stash, found.look.placements, piece=plan.pieces[0])
        assert all(heard.met for heard in hear(look))
