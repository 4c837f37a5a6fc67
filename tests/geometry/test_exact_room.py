"""How far a thing may go along its ledge, and which vessel stems have room in, worked out by hand."""

import pytest

from builders import arranged, put, thing
from jolly_ledge.geometry.landing import free_vessel
from jolly_ledge.geometry.room import room_along


@pytest.mark.parametrize(("along", "room"), [(2_000.0, 550.0), (-2_000.0, -150.0), (30.0, 30.0)])
def test_a_thing_goes_to_the_ends_of_its_ledge(along: float, room: float) -> None:
    # 100 mm wide with its middle at 200 of 800 mm.
    look = arranged((thing("box", "box", width=100.0, depth=100.0, height=80.0),), (put("box", x=200.0),))
    assert room_along(look, {"box"}, along)[0] == pytest.approx(room)


def test_a_thing_goes_no_farther_than_its_neighbour() -> None:
    size = {"width": 100.0, "depth": 100.0, "height": 80.0}
    look = arranged(
        (thing("box", "box", **size), thing("chest", "box", **size)), (put("box", x=200.0), put("chest", x=500.0))
    )
    assert room_along(look, {"box"}, 2_000.0) == (200.0, "the chest")
    assert room_along(look, {"chest"}, -2_000.0) == (-200.0, "the box")


@pytest.mark.parametrize(("height", "goes"), [(200.0, True), (201.0, False)])
def test_stems_go_into_a_vessel_where_both_are_no_higher_than_the_opening(height: float, goes: bool) -> None:
    # The opening is 400 mm high, the vessel 200.
    vase, stems = thing("vase", height=200.0), thing("stems", "stems", height=height)
    look = arranged((vase, stems), (put("vase", x=200.0),))
    found = free_vessel(look, stems, look.piece.ledge("a1"))
    assert (found is not None) == goes
