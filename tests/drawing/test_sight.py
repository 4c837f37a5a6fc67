"""What an eye sees: perspective, sides, who sits across, doors."""

from typing import Any

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from jolly_ledge.drawing.doors import shut_door_shapes
from jolly_ledge.drawing.items import back_of, standing_shapes
from jolly_ledge.drawing.picture import Shape
from jolly_ledge.drawing.sight import Sight, sight_from_above, sight_of
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.eyes import Eye, eyes_of
from jolly_ledge.geometry.facing import Side, faces_away, seen_from_side, side_of
from jolly_ledge.model.piece import Ledge, Piece, Seat

SEATS = (Seat(x=500.0, z=-300.0), Seat(x=500.0, z=1000.0), Seat(x=1500.0, z=350.0), Seat(x=-400.0, z=350.0))


def table() -> Piece:
    top = Ledge(id="a1", name="top", left=0.0, floor=750.0, width=1000.0, depth=700.0)
    return case_of(
        kind="dining-table", viewed_from="around", width=1000.0, height=750.0, depth=700.0, ledges=(top,), seats=SEATS
    )


def laid(x: float, z: float, **changes: Any) -> Arrangement:
    items = (thing("urn", width=100.0, depth=60.0, traits=("one-faced",)),)
    return arranged(items, (put("urn", x=x, z=z, **changes),), table())


def reach(sight: Sight, layer: int) -> tuple[float, float]:
    """Return the leftmost and rightmost points of a layer."""
    xs = [
        v for shape in sight.layers[layer].shapes if isinstance(shape, Shape) for _, vs in shape.path for v in vs[::2]
    ]
    return min(xs), max(xs)


@pytest.mark.parametrize(
    ("side", "x", "z", "width"),
    [("front", 200.0, 100.0, 100.0), ("back", 800.0, 600.0, 100.0), ("right", 100.0, 800.0, 60.0),
     ("left", 600.0, 200.0, 60.0)],
)  # fmt: skip
def test_a_side_turns_the_spots_and_the_things(side: Side, x: float, z: float, width: float) -> None:
    seen = seen_from_side(laid(200.0, 100.0), side)
    (placed,) = seen.visible
    assert (placed.x, placed.z, placed.width) == pytest.approx((x, z, width))
    assert seen.piece.width == (1000.0 if side in ("front", "back") else 700.0)


def test_four_sides_lead_round_to_the_first() -> None:
    look = laid(200.0, 100.0)
    again = look
    for _ in range(4):
        again = seen_from_side(again, "right")
    (first,), (last,) = look.visible, again.visible
    assert (last.x, last.z, last.width) == pytest.approx((first.x, first.z, first.width))
    assert last.placement.turn % 360 == first.placement.turn % 360


@pytest.mark.parametrize(("turn", "side", "away"), [
    (0.0, "front", False), (0.0, "back", True), (180.0, "back", False), (90.0, "right", False), (90.0, "left", True),
])  # fmt: skip
def test_a_face_looks_to_one_side(turn: float, side: Side, away: bool) -> None:
    (placed,) = seen_from_side(laid(500.0, 350.0, turn=turn), side).visible
    assert faces_away(placed) is away
    plain = standing_shapes(replace(placed, item=replace(placed.item, traits=())))
    assert (standing_shapes(placed) == plain) is not away


def test_the_back_of_a_picture_is_bare_board() -> None:
    assert back_of(thing("print", "art")).category == "board"


@pytest.mark.parametrize(("index", "side"), tuple(enumerate(("front", "back", "right", "left"))))
def test_seats_look_from_their_side(index: int, side: Side) -> None:
    piece = table()
    assert side_of(piece, piece.seats[index]) == side
    eye = next(eye for eye in eyes_of(piece) if eye.name == f"Seat {index + 1}")
    assert eye.side == side
    assert eye.away >= 850.0


def test_what_stands_farther_off_is_smaller_and_nearer_the_eye_line() -> None:
    eye = Eye("here", 500.0, 1500.0, 1000.0)
    near, far = (sight_of(laid(100.0, z), eye) for z in (50.0, 650.0))
    (left_near, right_near), (left_far, right_far) = reach(near, -2), reach(far, -2)
    assert right_far - left_far < right_near - left_near
    assert left_far > left_near


def test_who_sits_across_is_seen_from_the_front_only_behind_the_far_edge() -> None:
    look = laid(500.0, 350.0)
    across = sight_of(look, next(eye for eye in eyes_of(table()) if eye.name == "Seat 1"))
    assert len(across.layers[1].shapes) == 2
    alone = replace(table(), seats=SEATS[:1])
    items = {"urn": look.visible[0].item}
    assert sight_of(Arrangement(alone, items, look.look), eyes_of(alone)[1]).layers[1].shapes == ()


def test_an_opening_cuts_off_what_rises_above_it() -> None:
    look = arranged((thing("urn"),), (put("urn"),))
    sight = sight_of(look, Eye("standing", 400.0, 1600.0, 1500.0))
    ledge = look.piece.ledges[0]
    openings = [layer.opening for layer in sight.layers if layer.opening is not None]
    assert (ledge.left, -(ledge.floor + 400.0), ledge.width, 400.0) in openings
    assert len(openings) == len(look.piece.ledges)


def test_shut_doors_lie_over_all() -> None:
    glazed = case_of(doors="glazed")
    look = arranged((thing("urn"),), (put("urn"),), glazed)
    eye = Eye("standing", 400.0, 1600.0, 1500.0)
    assert sight_of(look, eye, shut=True).layers[-1].shapes == shut_door_shapes(glazed)
    assert shut_door_shapes(case_of()) == ()
    assert len(shut_door_shapes(replace(glazed, doors="solid"))) != len(shut_door_shapes(glazed))


def test_from_above_all_but_what_hangs_is_seen() -> None:
    bare = sight_from_above(arranged((), (), table()))
    laid_out = sight_from_above(laid(200.0, 100.0))
    assert len(laid_out.layers[0].shapes) == len(bare.layers[0].shapes) + 1


def test_places_to_look_from_follow_the_piece() -> None:
    assert [eye.name for eye in eyes_of(case_of())] == ["Standing", "Seated", "From the door"]
    assert [eye.name for eye in eyes_of(table())] == [
        "Standing", "Seat 1", "Seat 2", "Seat 3", "Seat 4", "From the door",
    ]  # fmt: skip
    bare = replace(table(), seats=())
    sides = {eye.name: eye.side for eye in eyes_of(bare)}
    assert sides["From the back"] == "back"
    assert sides["From the left"] == "left"
