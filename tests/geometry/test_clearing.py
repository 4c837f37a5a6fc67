"""What is let go where something stands slides to the nearest free place within a hand's breadth."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from builders import arranged, put, thing
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.bodies import in_one_place
from jolly_ledge.geometry.clearing import HAND_MM, slid_clear
from jolly_ledge.geometry.landing import Held, Spot

BOX = thing("box", "box", width=100.0, height=100.0, depth=100.0)
HELD = thing("held", "box", width=60.0, height=80.0, depth=60.0)


def let_go(arrangement: Arrangement, x: float, z: float, **changes: object) -> Spot:
    held = Held(HELD, "upright", 0.0, arrangement.piece.ledge("a1").left + x, 100.0, **changes)  # type: ignore[arg-type]
    return slid_clear(arrangement, held, Spot(ledge="a1", x=x, z=z))


def test_a_free_place_is_kept() -> None:
    assert let_go(arranged((BOX, HELD), (put("box"),)), 200.0, 150.0) == Spot(ledge="a1", x=200.0, z=150.0)


def test_what_meets_a_neighbour_slides_to_the_nearer_side() -> None:
    look = arranged((BOX, HELD), (put("box", x=400.0, z=150.0),))
    right = let_go(look, 440.0, 150.0)
    assert (right.x, right.z) == pytest.approx((482.0, 150.0))
    left = let_go(look, 360.0, 150.0)
    assert (left.x, left.z) == pytest.approx((318.0, 150.0))
    before = let_go(look, 400.0, 95.0)
    assert (before.x, before.z) == pytest.approx((400.0, 68.0))


def test_where_there_is_no_room_within_reach_it_stays() -> None:
    row = [thing(f"box{n}", "box", width=100.0, height=100.0, depth=290.0) for n in range(8)]
    look = arranged((*row, HELD), tuple(put(one.id, x=50.0 + 100 * n) for n, one in enumerate(row)))
    assert let_go(look, 400.0, 150.0) == Spot(ledge="a1", x=400.0, z=150.0)


def test_what_it_ignores_what_hangs_and_what_it_lands_on_are_no_obstacles() -> None:
    look = arranged((BOX, HELD), (put("box", x=400.0, z=150.0),))
    assert let_go(look, 400.0, 150.0, ignored=frozenset({"box"})).x == 400.0
    held = Held(HELD, "upright", 0.0, look.piece.ledge("a1").left + 400.0, 100.0)
    on_it = Spot(ledge="a1", x=400.0, z=150.0, on="box")
    assert slid_clear(look, held, on_it) == on_it


@given(
    x=st.floats(40, 760),
    z=st.floats(35, 265),
    at=st.lists(st.tuples(st.floats(60, 740), st.floats(60, 240)), max_size=5),
)
def test_it_never_goes_further_than_a_hand_and_never_into_another(
    x: float, z: float, at: list[tuple[float, float]]
) -> None:
    boxes = [thing(f"box{n}", "vessel", width=100.0, height=150.0, depth=100.0) for n in range(len(at))]
    spots = tuple(put(one.id, x=place[0], z=place[1]) for one, place in zip(boxes, at, strict=True))
    spot = let_go(arranged((*boxes, HELD), spots), x, z)
    assert math.hypot(spot.x - x, spot.z - z) <= HAND_MM + 1e-6
    if (spot.x, spot.z) != (x, z):
        there = arranged((*boxes, HELD), (*spots, put("held", x=spot.x, z=spot.z)))
        held = there.by_id["held"]
        assert not any(in_one_place(held, one) for one in there.placed_items if one.id != "held")
        assert held.left >= there.piece.ledge("a1").left - 1
        assert held.right <= there.piece.ledge("a1").right + 1
