"""Sizes of things and of bodies, worked out by hand."""

import math
from itertools import pairwise

import pytest
from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from jolly_ledge.geometry.bays import SIDE_MM, bodies_of
from jolly_ledge.geometry.distance import distance_to, nearest_of
from jolly_ledge.geometry.paint import surface_mm2
from jolly_ledge.geometry.pose import extent
from jolly_ledge.geometry.silhouette import half_widths
from jolly_ledge.geometry.tray_places import put_down_on_tray
from jolly_ledge.model.kept_place import KeptPlace
from jolly_ledge.model.piece import Ledge


def test_the_surface_of_a_block_is_its_sides_and_its_top() -> None:
    box = thing("box", "box", width=300.0, depth=200.0, height=100.0, silhouette="box")
    assert surface_mm2(box) == 2 * 100.0 * (300.0 + 200.0) + 300.0 * 200.0


def test_the_surface_of_a_turned_thing_lies_between_those_of_the_rounds_about_it_and_in_it() -> None:
    urn = thing("urn", silhouette="urn", width=200.0, depth=200.0, height=300.0)
    shares = [share for _, share in half_widths("urn")]
    wide, narrow = (100.0 * find(shares) for find in (max, min))
    rises = 2 * math.pi * narrow * 300.0
    # The slopes are no longer than the height and all the widths they go through, once each.
    way = 300.0 + 100.0 * sum(abs(one - other) for one, other in pairwise(shares))
    assert rises < surface_mm2(urn) < 2 * math.pi * wide * way + math.pi * wide**2


def test_a_block_turned_by_an_angle_is_as_deep_as_its_corners() -> None:
    box = thing("box", "box", width=300.0, depth=100.0, height=80.0, silhouette="box")
    turned = extent(box, "upright", 30.0)
    assert turned.width == pytest.approx(300 * math.cos(math.pi / 6) + 100 * 0.5)
    assert turned.depth == pytest.approx(300 * 0.5 + 100 * math.cos(math.pi / 6))


def test_an_oval_turned_by_an_angle_is_smaller_than_a_block_would_be() -> None:
    oval = thing("oval", "bowl", silhouette="bowl", width=300.0, depth=100.0, height=80.0)
    turned = extent(oval, "upright", 30.0)
    assert turned.width == pytest.approx(math.hypot(300 * math.cos(math.pi / 6), 100 * 0.5))
    assert turned.depth == pytest.approx(math.hypot(300 * 0.5, 100 * math.cos(math.pi / 6)))


def test_two_bodies_are_as_wide_as_their_ledges_and_as_high_as_what_is_free_over_them() -> None:
    def board(name: str, body: str, left: float, floor: float, clearance: float | None) -> Ledge:
        return Ledge(id=name, left=left, floor=floor, width=380.0, depth=250.0, body=body, clearance=clearance)

    ledges = (
        board("a1", "left", 20.0, 100.0, 300.0),
        board("a2", "left", 20.0, 500.0, None),
        board("b1", "right", 820.0, 100.0, 700.0),
        replace(board("w", "", 420.0, 900.0, None), surface="wall"),
    )
    found = bodies_of(case_of(ledges=ledges, width=1220.0, height=2000.0))
    assert [(body.left, body.right, body.height) for body in found] == [
        (20.0 - SIDE_MM, 400.0 + SIDE_MM, 500.0 + SIDE_MM),
        (820.0 - SIDE_MM, 1200.0 + SIDE_MM, 800.0 + SIDE_MM),
    ]


def test_what_is_near_another_thing_is_near_its_middle() -> None:
    things = (thing("jug", width=100.0, height=200.0), thing("pot", width=100.0, height=300.0))
    look = arranged(things, (put("jug", x=200.0), put("pot", x=500.0)), case_of(1))
    jug, pot = look.by_id["jug"], look.by_id["pot"]
    assert distance_to(look, jug, "pot") == pytest.approx(200.0)
    assert nearest_of(look, jug, "pot") == (pot.x, pot.bottom + 150.0)


@pytest.mark.parametrize(("at", "left"), [(5.0, 0), (150.0, 100), (275.0, 180)])
def test_a_place_on_a_tray_stays_within_it(at: float, left: int) -> None:
    tray = thing("tray", "tray", width=280.0, depth=220.0, height=20.0)
    look = arranged((tray,), (put("tray", x=400.0),), case_of(1))
    keys = KeptPlace(name="keys", left=0.0, front=0.0, width=100.0, depth=60.0, height=40.0)
    assert put_down_on_tray(look, look.by_id["tray"], keys, at=at).left == left
