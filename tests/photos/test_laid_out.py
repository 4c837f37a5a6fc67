"""Many things from one photograph of the simulated camera: found, measured within two in a hundred, told apart."""

import numpy as np
import pytest

from jolly_ledge.drawing.items import item_shapes
from jolly_ledge.drawing.picture import Picture, Shape, rectangle
from jolly_ledge.model.colour import difference
from jolly_ledge.model.entry.parser import parse_entry
from jolly_ledge.model.item import Item
from jolly_ledge.photos.corners import fit_corners
from jolly_ledge.photos.image import PhotoError, Pixels
from jolly_ledge.photos.laid_out import Frame, frames_in, pulled_straight, sheet_in, thing_in
from jolly_ledge.photos.perspective import Known, View
from jolly_ledge.photos.rectify import Straight
from jolly_ledge.render.export import image_of
from jolly_ledge.render.practice_photos import practice_row
from jolly_ledge.render.scene import pixels_of

LINES = (
    "blue vase 14x30",
    "terracotta urn 20x34",
    "oak box 24x12x18",
    "black box 22x9x22",
    "green trunk 30x20x15",
    "red box 9x15x9",
)


def drawn_size(item: Item) -> tuple[float, float]:
    """Return how wide and high a thing is drawn (mm): its strokes reach a little beyond its sizes."""
    wide, high = item.width, item.height
    ground = Shape(rectangle(-wide, -1.5 * high, 2 * wide, 2 * high), "#ffffff")
    shown = pixels_of(image_of(Picture((ground, *item_shapes(item)), -wide, -1.5 * high, wide, 0.5 * high), 2000))
    there = np.abs(shown.astype(int) - 255).sum(axis=2) > 60
    scale = shown.shape[1] / (2 * wide)
    return tuple(float(np.ptp(np.flatnonzero(there.any(axis=axis))) + 1) / scale for axis in (0, 1))


@pytest.fixture(scope="module")
def things() -> tuple[Item, ...]:
    return tuple(parse_entry(line, "cm").items[0] for line in LINES)


@pytest.fixture(scope="module")
def taken(qapp: object, things: tuple[Item, ...]) -> tuple[Pixels, View, Straight]:
    """Return the photograph at two metres, how its sheet is seen, and the picture pulled straight by it."""
    pixels = practice_row(things, 2000.0)
    corners = sheet_in(pixels)
    assert corners is not None
    fitted = fit_corners(pixels, corners)
    view = View(fitted.corners, Known(0.0, 0.0, 210.0, 297.0), fitted.error_px)
    return pixels, view, pulled_straight(pixels, view)


def test_the_sheet_is_found(taken: tuple[Pixels, View, Straight]) -> None:
    _, view, _ = taken
    sides = [np.hypot(*np.subtract(view.corners[n], view.corners[n - 1])) for n in range(4)]
    assert sides[0] / sides[1] == pytest.approx(297 / 210, rel=0.06)


def test_everything_is_found_and_the_sheet_is_no_thing(
    things: tuple[Item, ...], taken: tuple[Pixels, View, Straight]
) -> None:
    _, view, straight = taken
    frames = frames_in(straight, view)
    assert len(frames) == len(things)
    assert all(frame.right < 0 or frame.left > 210 for frame in frames)


def test_sizes_are_right_to_two_in_a_hundred_at_two_metres(
    things: tuple[Item, ...], taken: tuple[Pixels, View, Straight]
) -> None:
    _, view, straight = taken
    for item, frame in zip(things, frames_in(straight, view), strict=True):
        thing = thing_in(straight, view, frame)
        width, height = drawn_size(item)
        assert thing.width == pytest.approx(width, rel=0.02), item.name
        assert thing.height == pytest.approx(height, rel=0.02), item.name
        assert abs(thing.width - width) <= thing.width_error
        assert 0.5 < thing.width_error < 0.06 * item.width + 4
        assert difference(thing.found.colours[0][0], item.main_colour) < 14
        assert thing.found.is_outlined


def test_what_lies_two_metres_from_the_sheet_is_still_within_what_is_told(qapp: object) -> None:
    names = ("blue vase 16x30", "oak box 24x12x18", "stone bowl 26x11", "black box 22x9x22", "green trunk 30x20x15",
             "terracotta urn 20x34", "red box 20x15x9", "slate box 26x19x9", "brown trunk 28x14x20", "teal jug 12x22",
             "red tray 19x9x9", "blue urn 19x40", "green box 25x25x9", "oak trunk 30x18x20")  # fmt: skip
    row = [parse_entry(line, "cm").items[0] for line in names]
    pixels = practice_row(row, 2000.0)
    corners = sheet_in(pixels)
    assert corners is not None
    fitted = fit_corners(pixels, corners)
    view = View(fitted.corners, Known(0.0, 0.0, 210.0, 297.0), fitted.error_px)
    straight = pulled_straight(pixels, view)
    frames = frames_in(straight, view)
    assert max(frame.right for frame in frames) > 1900
    for item, frame in zip(row[-5:], frames[-5:], strict=True):
        thing = thing_in(straight, view, frame)
        width, height = drawn_size(item)
        assert abs(thing.width - width) <= max(thing.width_error, 0.03 * width), item.name
        assert abs(thing.height - height) <= max(thing.height_error, 0.03 * height), item.name
        assert thing.height == pytest.approx(height, rel=0.04), item.name


def test_a_frame_drawn_roughly_by_hand_finds_the_thing_in_it(
    things: tuple[Item, ...], taken: tuple[Pixels, View, Straight]
) -> None:
    _, view, straight = taken
    found = frames_in(straight, view)[0]
    rough = Frame(found.left - 15, found.bottom - 12, found.right + 12, found.top + 15)
    assert thing_in(straight, view, rough).width == pytest.approx(drawn_size(things[0])[0], rel=0.02)


def test_a_frame_that_reaches_beyond_the_photograph_still_finds_the_thing(qapp: object) -> None:
    row = [parse_entry(line, "cm").items[0] for line in ("blue urn 18x37", *LINES, "oak box 30x20x20")]
    pixels = practice_row(row, 2000.0)
    corners = sheet_in(pixels)
    assert corners is not None
    view = View(fit_corners(pixels, corners).corners, Known(0.0, 0.0, 210.0, 297.0))
    straight = pulled_straight(pixels, view)
    first = frames_in(straight, view)[0]
    wide = Frame(first.left - 42, first.bottom - 30, first.right + 5, first.top + 30)
    assert first.left - straight.left < 80
    assert thing_in(straight, view, wide).width == pytest.approx(thing_in(straight, view, first).width, rel=0.02)


def test_a_frame_outside_or_of_nothing_is_refused_in_a_sentence(taken: tuple[Pixels, View, Straight]) -> None:
    _, view, straight = taken
    for frame in (Frame(90_000, 0, 90_100, 100), Frame(400, 90_000, 500, 90_100)):
        with pytest.raises(PhotoError, match=r"\.$"):
            thing_in(straight, view, frame)


def test_a_photograph_without_a_sheet_and_one_without_things_say_so() -> None:
    grey = np.full((400, 600, 3), 120, np.uint8)
    assert sheet_in(grey) is None
    view = View(((200.0, 100.0), (300.0, 100.0), (300.0, 241.0), (200.0, 241.0)), Known(0.0, 0.0, 210.0, 297.0))
    with pytest.raises(PhotoError, match="Nothing stands out"):
        frames_in(pulled_straight(grey, view), view)


def test_a_sheet_marked_as_a_sliver_is_refused() -> None:
    grey = np.full((400, 600, 3), 120, np.uint8)
    view = View(((0.0, 0.0), (600.0, 0.0), (600.0, 0.5), (0.0, 0.5)), Known(0.0, 0.0, 210.0, 297.0))
    with pytest.raises(PhotoError):
        frames_in(pulled_straight(grey, view), view)


def test_a_lamp_is_one_thing_though_its_neck_is_thin(qapp: object) -> None:
    lamp = parse_entry("black lamp 24x46", "cm").items[0]
    pixels = practice_row((lamp,), 2000.0)
    corners = sheet_in(pixels)
    assert corners is not None
    view = View(fit_corners(pixels, corners).corners, Known(0.0, 0.0, 210.0, 297.0))
    (frame,) = frames_in(pulled_straight(pixels, view), view)
    assert frame.height > 420
