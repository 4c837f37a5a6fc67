"""Axes that things can be centred on."""

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from households import household
from jolly_ledge.geometry.axes import axes_of, axis_called
from jolly_ledge.measures.wishes import hear
from jolly_ledge.model.piece import Fixture, Wish
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import proposals


def lamp(left: float) -> Fixture:
    return Fixture(kind="light", left=left, floor=900.0, width=100.0, height=100.0)


def test_the_middle_of_a_ledge_and_of_its_piece_are_one_where_they_meet() -> None:
    piece = case_of(1)
    assert [(axis.name, axis.x) for axis in axes_of(piece, piece.ledge("a1"))] == [("the middle of a1", 420.0)]
    two = case_of(1, 2)
    assert [axis.name for axis in axes_of(two, two.ledge("a1"))] == ["the middle of a1"]


def test_fixtures_and_the_middle_between_two_are_axes() -> None:
    piece = case_of(
        1, fixtures=(lamp(100.0), lamp(500.0), Fixture(kind="socket", left=700, floor=100, width=60, height=60))
    )
    axes = {axis.name: axis.x for axis in axes_of(piece, piece.ledge("a1"))}
    assert axes == {
        "the middle of a1": 420.0, "the light 1": 150.0, "the light 2": 550.0, "the socket": 730.0,
        "between the two lights": 350.0,
    }  # fmt: skip


def test_an_axis_outside_the_ledge_is_none() -> None:
    piece = case_of(1, fixtures=(lamp(2000.0),))
    assert len(axes_of(piece, piece.ledge("a1"))) == 1


def test_the_line_from_the_door_is_an_axis_where_it_crosses() -> None:
    piece = case_of(1, door=300.0)
    axes = {axis.id: axis for axis in axes_of(piece, piece.ledge("a1"))}
    assert (axes["door"].name, axes["door"].x) == ("the line from the door", 300.0)
    beside = case_of(1, door=-400.0)
    assert "door" not in {axis.id for axis in axes_of(beside, beside.ledge("a1"))}
    assert axis_called(beside, beside.ledge("a1"), "door") is None


def test_an_axis_is_found_by_how_a_plan_names_it_though_another_lies_there() -> None:
    piece = case_of(1, door=420.0, fixtures=(lamp(100.0), lamp(500.0)))
    ledge = piece.ledge("a1")
    assert {name: axis.x for name in ("", "piece", "door", "light-1", "light-2", "between-light")
            if (axis := axis_called(piece, ledge, name)) is not None} == {
        "": 420.0, "piece": 420.0, "door": 420.0, "light-1": 150.0, "light-2": 550.0, "between-light": 350.0,
    }  # fmt: skip


@pytest.mark.parametrize(("x", "met"), [(280.0, True), (310.0, True), (400.0, False)])
def test_a_wish_for_an_axis_is_heard(x: float, met: bool) -> None:
    wish = Wish(kind="centred", items=("urn",), near="door")
    look = arranged((thing("urn"),), (put("urn", x=x),), case_of(1, door=300.0, wishes=(wish,)))
    (heard,) = hear(look)
    assert heard.met is met
    assert ("12 cm off" in heard.sentence) or met


def test_a_wish_for_an_axis_that_does_not_cross_the_ledge_sends_it_elsewhere() -> None:
    wish = Wish(kind="centred", items=("urn",), near="door")
    look = arranged((thing("urn"),), (put("urn"),), case_of(1, door=-50.0, wishes=(wish,)))
    (heard,) = hear(look)
    assert not heard.met
    assert "does not cross a1" in heard.sentence


def test_proposals_set_what_is_wished_on_an_axis_on_it() -> None:
    wish = Wish(kind="centred", items=("urn",), near="door")
    plan, manner = household("console", 1)
    urn = thing("urn", height=260.0, width=150.0, depth=150.0)
    piece = replace(plan.pieces[0], door=0.3 * plan.pieces[0].width, wishes=(wish,), fixtures=())
    plan = replace(plan, pieces=(piece,), stash=(*plan.stash, urn))
    (found,) = proposals([problem_of(plan, piece.id, manner)], 3, steps=20).found
    place = next(one for one in found.look.placements if one.item == "urn")
    ledge = piece.ledge(place.ledge)
    assert abs(ledge.left + (place.x or 0.0) - 0.3 * piece.width) <= 0.05 * ledge.width + 0.5
