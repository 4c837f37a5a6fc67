"""Axes that things can be centred on."""

from builders import case_of
from jolly_ledge.geometry.axes import axes_of
from jolly_ledge.model.piece import Fixture


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
