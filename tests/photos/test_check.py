"""The photograph beside the plan: known shifts are found, and the same eye sees the same."""

import numpy as np
import pytest
from msgspec.structs import replace

from builders import arranged, case_of, put, thing
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.photos.check import PhotoCheck, PlannedThing, check_photo, eye_of
from jolly_ledge.photos.image import Pixels
from jolly_ledge.photos.looks import grey, squinted, weight_picture
from jolly_ledge.photos.perspective import Known, View, in_order
from jolly_ledge.photos.rectify import straightened
from jolly_ledge.render.export import ready_to_render
from jolly_ledge.render.practice_photos import practice_photo
from jolly_ledge.render.scene import plan_pixels

SCALE = 0.35
ITEMS: tuple[Item, ...] = (
    thing("urn", height=300.0, colours=(("#c4663c", 1.0),)), thing("jug", height=180.0, colours=(("#2d6f73", 1.0),)),
    thing("box", "box", colours=(("#efe6d2", 1.0),)), thing("bowl", "bowl", colours=(("#d99a1c", 1.0),)),
    thing("vase", height=330.0, colours=(("#8fa58a", 1.0),)), thing("row", "book-row", width=240.0, depth=170.0),
    thing("pot", "plant"), thing("tin", height=120.0, colours=(("#23262b", 1.0),)),
)  # fmt: skip
PLACES: tuple[Placement, ...] = (
    put("urn", "a1", x=150), put("jug", "a1", x=400), put("box", "a1", x=640), put("bowl", "a2", x=160),
    put("vase", "a2", x=430), put("row", "a2", x=650), put("pot", "a3", x=250), put("tin", "a3", x=600),
)  # fmt: skip


def look(**shifts: float | None) -> Arrangement:
    """Return the look with things moved along by mm, or taken out (None)."""
    placements = tuple(
        replace(p, x=(p.x or 0.0) + (shifts.get(p.id) or 0.0))
        for p in PLACES if not (p.id in shifts and shifts[p.id] is None)
    )  # fmt: skip
    return arranged(ITEMS, placements, case_of(3))


def planned_things(arrangement: Arrangement) -> list[PlannedThing]:
    high = arrangement.piece.height
    return [PlannedThing(s.id, s.left, high - s.top, s.right, high - s.bottom) for s in arrangement.visible]


def compared(seen: Pixels, scale: float = SCALE) -> PhotoCheck:
    plan = look()
    planned = plan_pixels(plan, scale)
    high, wide = (min(a, b) for a, b in zip(planned.shape[:2], seen.shape[:2], strict=True))
    return check_photo(planned[:high, :wide], seen[:high, :wide], scale, planned_things(plan))


@pytest.fixture(autouse=True)
def _rendering() -> None:
    ready_to_render()


def test_the_plan_agrees_with_itself() -> None:
    check = compared(plan_pixels(look(), SCALE))
    assert {thing.state for thing in check.things} == {"as planned"}
    assert check.strange == ()
    assert check.planned.balance == check.seen.balance


@pytest.mark.parametrize(
    ("name", "shift"), [("urn", 40.0), ("jug", -30.0), ("vase", 60.0), ("tin", -120.0), ("pot", 25.0)]
)
def test_a_known_shift_is_found_to_a_few_mm(name: str, shift: float) -> None:
    check = compared(plan_pixels(look(**{name: shift}), SCALE))
    moved = [thing for thing in check.things if thing.state != "as planned"]
    assert [(thing.placement, thing.state) for thing in moved] == [(name, "moved")]
    assert moved[0].along == pytest.approx(shift, abs=4.0)
    assert moved[0].upward == pytest.approx(0.0, abs=4.0)


def test_what_stands_behind_a_moved_thing_does_not_seem_to_follow_it() -> None:
    items = (thing("art", "frame", width=220.0, height=330.0), thing("jar", height=260.0, colours=(("#efe6d2", 1.0),)))
    behind = put("art", "a1", x=400, z=287.5, pose="leaning")
    plan, real = (arranged(items, (behind, put("jar", "a1", x=x, z=120)), case_of(1)) for x in (440.0, 390.0))
    things = [thing for name in ("art", "jar") for thing in planned_things(plan) if thing.placement == name]
    check = check_photo(plan_pixels(plan, SCALE), plan_pixels(real, SCALE), SCALE, things)
    assert [(one.placement, one.state) for one in check.things] == [("art", "covered"), ("jar", "moved")]


def test_small_moves_are_no_moves() -> None:
    assert {thing.state for thing in compared(plan_pixels(look(urn=6.0, jug=-8.0), SCALE)).things} == {"as planned"}


def test_what_is_missing_is_not_found() -> None:
    check = compared(plan_pixels(look(bowl=None), SCALE))
    assert [(thing.placement, thing.state) for thing in check.things if thing.state != "as planned"] == [
        ("bowl", "not found"),
    ]  # fmt: skip


def test_what_the_plan_does_not_have_is_marked() -> None:
    seen = plan_pixels(look(), SCALE)
    left, top, side = 420, 60, 160
    seen[round(top * SCALE) : round((top + side) * SCALE), round(left * SCALE) : round((left + side) * SCALE)] = 250
    check = compared(seen)
    assert len(check.strange) == 1
    place = check.strange[0]
    assert place.left == pytest.approx(left, abs=40)
    assert place.top == pytest.approx(top, abs=40)
    assert place.width == pytest.approx(side, abs=60)


@pytest.mark.parametrize("seed", [1, 2, 3])
def test_a_photograph_with_roughly_marked_corners_is_read(seed: int) -> None:
    real = look(box=-45.0, tin=None)
    pixels, corners = practice_photo(real, seed, empty=False)
    piece = real.piece
    view = View(in_order(corners), Known(0.0, 0.0, piece.width, piece.height))
    straight = straightened(pixels, view, 0.0, 0.0, piece.width, piece.height, 520)
    check = compared(straight.image, straight.scale)
    states = {thing.placement: thing for thing in check.things}
    assert states["box"].state == "moved"
    assert states["box"].along == pytest.approx(-45.0, abs=12.0)
    assert states["tin"].state == "not found"
    # A sheet of paper lies over the middle of the piece; what it covers is not there to be found.
    assert sum(thing.state == "moved" for thing in check.things) == 1


def test_warm_and_dim_light_makes_no_difference_to_where_things_are() -> None:
    seen = plan_pixels(look(urn=40.0), SCALE).astype(np.float64) * (0.75, 0.66, 0.5)
    moved = [thing for thing in compared(seen.astype(np.uint8)).things if thing.state != "as planned"]
    assert [thing.placement for thing in moved] == ["urn"]
    assert moved[0].along == pytest.approx(40.0, abs=5.0)


def test_the_eye_weighs_left_and_right_above_and_below() -> None:
    lab = np.zeros((200, 400, 3))
    lab[20:60, 320:360, 0] = 70.0
    eye = eye_of(lab, 0.3)
    assert eye.balance > 0.5
    assert eye.low > 0.7
    assert eye.left_share < 0.1
    assert eye.top_share > 0.9
    mirrored = eye_of(lab[:, ::-1], 0.3)
    assert mirrored.balance == pytest.approx(-eye.balance, abs=1e-6)
    assert eye_of(np.zeros((50, 50, 3)), 0.3).contrast == 0.0


def test_ways_of_looking_keep_the_size() -> None:
    picture = plan_pixels(look(), 0.2)
    for shown in (grey(picture), squinted(picture, 0.2), weight_picture(picture, 0.2)):
        assert shown.shape == picture.shape
        assert shown.dtype == np.uint8
    flat = grey(picture)
    assert (flat[:, :, 0] == flat[:, :, 2]).all()
    assert squinted(picture, 0.2).std() < flat.std()
