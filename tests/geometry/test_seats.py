"""What each seat sees of what stands on a table."""

import pytest

from builders import arranged, put, thing
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.eyes import Eye, seen_at
from jolly_ledge.model.piece import Ledge, Piece, Seat
from jolly_ledge.scene.seats import SeatView, seat_views, worst_seat

TOP = Ledge(id="a1", left=0.0, floor=420.0, width=1200.0, depth=700.0)
FRONT, BACK, RIGHT = Seat(x=600.0, z=-700.0), Seat(x=600.0, z=1400.0), Seat(x=1900.0, z=350.0)


def table(*seats: Seat, **changes: object) -> Piece:
    known = {"viewed_from": "around", "seats": seats, **changes}
    return Piece(id="t", kind="coffee-table", width=1200.0, height=420.0, depth=700.0, ledges=(TOP,), **known)  # type: ignore[arg-type]


def shares(look: Arrangement, seat: str) -> dict[str, float]:
    view = next(view for view in seat_views(look) if view.eye.name == seat)
    return {placed.id: share for placed, share in view.hidden}


def test_what_is_behind_from_one_side_is_before_from_the_other() -> None:
    urn, bowl = thing("urn", height=300.0, width=200.0), thing("bowl", "bowl", height=70.0, width=160.0)
    look = arranged((urn, bowl), (put("urn", x=600.0, z=150.0), put("bowl", x=600.0, z=420.0)), table(FRONT, BACK))
    front, back = shares(look, "Seat 1"), shares(look, "Seat 2")
    assert front["bowl"] > 0.5
    assert front["urn"] == 0.0
    assert back["bowl"] == 0.0
    assert back["urn"] < 0.1
    worst = worst_seat(seat_views(look))
    assert worst is not None
    assert worst.eye.name == "Seat 1"
    assert worst.sentence.startswith("Seat 1 sees ")
    assert "hidden: the bowl (" in worst.sentence


def test_from_above_a_low_thing_is_seen_over_a_low_one() -> None:
    tray, dish = thing("dish", "bowl", height=60.0), thing("low", "bowl", height=60.0)
    look = arranged((tray, dish), (put("low", x=600.0, z=150.0), put("dish", x=600.0, z=500.0)), table(FRONT))
    # In elevation the one before hides the other whole; the eye, 66 cm above the top, sees over it.
    assert shares(look, "Seat 1")["dish"] < 0.05


def test_a_back_counts_as_half_seen_and_is_named() -> None:
    frame = thing("frame", "frame", traits=("one-faced",))
    for turn, sees, away in ((0.0, 1.0, ()), (180.0, 0.5, ("frame",))):
        look = arranged((frame,), (put("frame", x=600.0, z=350.0, turn=turn),), table(FRONT))
        (view,) = seat_views(look)
        assert view.sees == pytest.approx(sees)
        assert tuple(placed.id for placed in view.turned_away) == away
        assert ("turned away: the frame" in view.sentence) == bool(away)


def test_what_rises_over_the_eyes_is_measured() -> None:
    tall = thing("tall", height=900.0)
    for seat, piece in ((FRONT, table(FRONT)), (RIGHT, table(RIGHT))):
        (view,) = seat_views(arranged((tall,), (put("tall", x=600.0, z=350.0),), piece))
        assert view.over_the_eyes == pytest.approx(420.0 + 900.0 - 1080.0)
        assert (view.eye.side == "front") == (seat is FRONT)


def test_without_seats_all_sides_count_and_a_case_has_none() -> None:
    items, places = (thing("urn"),), (put("urn", x=600.0, z=350.0),)
    names = [view.eye.name for view in seat_views(arranged(items, places, table()))]
    assert names == ["Standing", "From the right", "From the back", "From the left"]
    assert seat_views(arranged(items, places, table(viewed_from="front"))) == ()
    nothing = seat_views(arranged((), (), table(FRONT)))
    assert [view.sees for view in nothing] == [1.0]
    assert worst_seat(nothing) is None
    assert worst_seat(()) is None


@pytest.mark.parametrize(
    ("name", "said"), [("Standing", "From the front 40 %"), ("From the left", "From the left 40 %")]
)
def test_sides_are_told_as_sides(name: str, said: str) -> None:
    view = SeatView(eye=Eye(name, 0.0, 0.0, 1.0), hidden=(), turned_away=(), sees=0.4, over_the_eyes=0.0)
    assert view.sentence == f"{said} is seen of what stands there."


def test_depth_makes_smaller() -> None:
    assert seen_at(Eye("near", 500.0, 1000.0, 1000.0), 500.0, 0.0, 1000.0).scale == 0.5
