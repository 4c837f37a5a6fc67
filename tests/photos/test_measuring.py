"""Lengths from photographs, held against a simulated camera that knows the truth."""

import io

import numpy as np
import pytest
from PIL import Image
from PySide6.QtWidgets import QApplication

from builders import arranged, case_of, put, thing
from jolly_ledge.drawing.room import SHEET_MM, room_picture
from jolly_ledge.model.light import light_at
from jolly_ledge.model.piece import Corner, Corners, PiecePhoto
from jolly_ledge.photos.corners import fit_corners
from jolly_ledge.photos.image import PhotoError, Pixels, jpeg_bytes, kept_photo, read_photo, smaller
from jolly_ledge.photos.light import colour_at, light_of
from jolly_ledge.photos.perspective import Known, View, homography, in_order, project
from jolly_ledge.photos.rectify import Straight, straightened, view_of
from jolly_ledge.photos.stand_in import Camera, Scene, photograph
from jolly_ledge.render.scene import scene_of

CAMERA = Camera(x=-300.0, y=1350.0, distance=2900.0, target_x=430.0, target_y=700.0, roll=1.5, focal=1900.0)
CASE = case_of(4)
SHEET = (300.0, 1250.0)


@pytest.fixture(scope="module")
def scene(qapp: QApplication) -> Scene:
    return scene_of(room_picture(arranged((), (), CASE), empty=True, sheet_at=SHEET))


@pytest.fixture(scope="module")
def photo(scene: Scene) -> Pixels:
    return photograph(scene, CAMERA, grain=3.0, seed=5)


def by_hand(corners: Corners, seed: int = 3, spread: float = 1.5) -> Corners:
    """Return corners as a hand would mark them."""
    moved = np.asarray(corners) + np.random.default_rng(seed).normal(0, spread, (4, 2))
    return tuple((float(x), float(y)) for x, y in moved)  # type: ignore[return-value]


WHOLE = Known(0.0, 0.0, CASE.width, CASE.height)
LENGTHS: tuple[tuple[str, Corner, Corner], ...] = (
    ("a bay", (20.0, 940.0), (820.0, 940.0)),
    ("an opening", (420.0, 520.0), (420.0, 920.0)),
    ("the height", (0.0, 0.0), (0.0, 1780.0)),
    ("a diagonal", (0.0, 0.0), (840.0, 1780.0)),
)


@pytest.mark.parametrize(("name", "start", "end"), LENGTHS)
def test_lengths_are_right_to_one_in_a_hundred_from_the_case(
    photo: Pixels, name: str, start: Corner, end: Corner
) -> None:
    marks = by_hand(CAMERA.corners(0, 0, CASE.width, CASE.height))
    fitted = fit_corners(photo, marks)
    view = View(fitted.corners, WHOLE, fitted.error_px)
    truth = float(np.hypot(end[0] - start[0], end[1] - start[1]))
    found = view.length(CAMERA.pixel(*start), CAMERA.pixel(*end))
    assert fitted.sides == 4
    assert abs(found - truth) < 0.01 * truth
    assert abs(found - truth) <= view.error(CAMERA.pixel(*start), CAMERA.pixel(*end))


@pytest.mark.parametrize("seed", range(2))
def test_two_metres_are_right_to_one_in_a_hundred_from_a_sheet_of_paper(scene: Scene, seed: int) -> None:
    camera = Camera(x=-250.0, y=1300.0, distance=2000.0, target_x=430.0, target_y=1000.0, focal=2100.0,
                    width=2400, height=3200)  # fmt: skip
    image = photograph(scene, camera, grain=3.0, seed=seed)
    fitted = fit_corners(image, by_hand(camera.corners(*SHEET, *SHEET_MM), seed))
    view = View(fitted.corners, Known(*SHEET, *SHEET_MM), fitted.error_px)
    assert fitted.sides == 4
    for start, end in (((20.0, 940.0), (820.0, 940.0)), ((420.0, 0.0), (420.0, 2000.0))):
        truth = float(np.hypot(end[0] - start[0], end[1] - start[1]))
        assert abs(view.length(camera.pixel(*start), camera.pixel(*end)) - truth) < 0.01 * truth


def test_the_told_error_is_what_repeated_marking_shows() -> None:
    exact = CAMERA.corners(0, 0, CASE.width, CASE.height)
    start, end = CAMERA.pixel(20, 940), CAMERA.pixel(820, 940)
    rng = np.random.default_rng(11)
    found = []
    for _ in range(400):
        corners = tuple(tuple(c + rng.normal(0, 1.5, 2)) for c in exact)
        ends = [tuple(np.asarray(e) + rng.normal(0, 1.5, 2)) for e in (start, end)]
        known = Known(0, 0, CASE.width + rng.normal(0, 1), CASE.height + rng.normal(0, 1))
        found.append(View(corners, known).length(ends[0], ends[1]))  # type: ignore[arg-type]
    told = View(exact, WHOLE).error(start, end)
    assert told == pytest.approx(2 * np.std(found), rel=0.2)


def test_a_small_sheet_is_trusted_less_than_the_case() -> None:
    start, end = CAMERA.pixel(420, 0), CAMERA.pixel(420, 1700)
    case = View(CAMERA.corners(0, 0, CASE.width, CASE.height), WHOLE)
    sheet = View(CAMERA.corners(*SHEET, *SHEET_MM), Known(*SHEET, *SHEET_MM))
    assert sheet.error(start, end) > 4 * case.error(start, end)


def test_the_straight_picture_is_true_to_scale(photo: Pixels) -> None:
    kept = PiecePhoto(
        name="photos/a.jpg", corners=CAMERA.corners(0, 0, 840, 1780), left=0, floor=0, width=840, height=1780
    )
    straight = straightened(photo, view_of(kept), -50.0, -20.0, 890.0, 1800.0)
    assert straight.right - straight.left == pytest.approx(940, abs=2)
    assert straight.top - straight.bottom == pytest.approx(1820, abs=2)
    # The sheet of paper is white from edge to edge, and the wall beside it is not.
    x, y = SHEET
    inside = colour_at(straight, x + 105, y + 150)
    assert min(int(inside[i : i + 2], 16) for i in (1, 3, 5)) > 215
    middle = round((straight.top - y - 150) * straight.scale)
    band = np.median(straight.image[middle - 20 : middle + 20].mean(axis=2), axis=0)
    white = np.flatnonzero(band[: round((700 - straight.left) * straight.scale)] > 180)
    white = white[white > (100 - straight.left) * straight.scale]
    assert (white[-1] - white[0]) / straight.scale == pytest.approx(SHEET_MM[0], rel=0.01)


def test_the_back_is_picked_and_the_light_is_read(photo: Pixels) -> None:
    straight = straightened(photo, View(CAMERA.corners(0, 0, 840, 1780), WHOLE), 0, 0, 840, 1780)
    picked = colour_at(straight, 420, 600)
    told = CASE.backdrop
    for place in (1, 3, 5):
        assert abs(int(picked[place : place + 2], 16) - int(told[place : place + 2], 16)) < 40
    lit = straight.image.copy()
    lit[: lit.shape[0] // 2] = lit[: lit.shape[0] // 2] // 6
    dim = Straight(lit, straight.left, straight.top, straight.scale)
    classes = ["bright", "medium", "low"]
    low, high = light_of(dim, CASE, CASE.ledge("a1")), light_of(dim, CASE, CASE.ledge("a4"))
    assert classes.index(low) < classes.index(high)
    with pytest.raises(PhotoError, match="outside the photograph"):
        colour_at(straight, 5000, 600)


@pytest.mark.parametrize(("distance", "light"), [(0, "bright"), (1200, "bright"), (2000, "medium"), (6000, "low")])
def test_light_falls_off_from_the_window(distance: float, light: str) -> None:
    assert light_at(distance) == light


# Corners


@pytest.mark.parametrize("turn", range(4))
def test_corners_are_put_in_order_however_they_were_marked(turn: int) -> None:
    exact = CAMERA.corners(0, 0, 840, 1780)
    shuffled = [exact[(index * 3 + turn) % 4] for index in range(4)]
    assert np.allclose(in_order(shuffled), exact)


@pytest.mark.parametrize(
    "marks",
    [[(0, 0), (10, 0), (20, 0), (30, 0)], [(0, 0), (100, 0), (40, 30), (0, 100)], [(5, 5)] * 4],
)
def test_marks_that_are_no_rectangle_are_refused(marks: list[Corner]) -> None:
    with pytest.raises(PhotoError, match="corner"):
        in_order(marks)


def test_a_side_that_is_not_seen_stays_as_it_was_marked(photo: Pixels) -> None:
    blank = np.full_like(photo, 128)
    marks = CAMERA.corners(0, 0, 840, 1780)
    fitted = fit_corners(blank, marks)
    assert fitted.sides == 0
    assert fitted.corners == marks
    assert fitted.error_px == 1.5
    with pytest.raises(PhotoError, match="one spot"):
        fit_corners(photo, (marks[0], marks[0], marks[2], marks[3]))


def test_the_matrix_takes_four_points_to_four_and_back() -> None:
    source = np.array([(0, 0), (4, 0), (4, 3), (0, 3)], np.float64)
    target = np.array([(10, 9), (50, 14), (44, 60), (8, 40)], np.float64)
    matrix = homography(source, target)
    assert np.allclose(project(matrix, source), target)
    assert np.allclose(project(np.asarray(np.linalg.inv(matrix), np.float64), target), source)
    with pytest.raises(PhotoError, match="one line"):
        homography(np.array([(0, 0), (1, 0), (2, 0), (0, 1.0)]), target)


def test_a_front_behind_the_camera_is_not_straightened(photo: Pixels) -> None:
    view = View(((100, 100), (900, 480), (900, 520), (100, 900)), Known(0, 0, 500, 500))
    with pytest.raises(PhotoError, match="behind the camera"):
        straightened(photo, view, -500, -500, 5000, 1000)
    with pytest.raises(PhotoError, match="nothing to straighten"):
        straightened(photo, view, 0, 0, 0, 0)


# Reading and keeping


def test_the_camera_gives_the_same_picture_for_the_same_seed(scene: Scene) -> None:
    small = Camera(x=400, y=900, distance=3000, target_x=420, target_y=900, focal=300, width=200, height=260)
    assert np.array_equal(photograph(scene, small, seed=2), photograph(scene, small, seed=2))
    assert not np.array_equal(photograph(scene, small, seed=2), photograph(scene, small, seed=3))


def test_a_room_can_be_photographed_with_its_things(qapp: QApplication) -> None:
    things = arranged((thing("vase", height=300.0),), (put("vase"),), CASE)
    empty, full = scene_of(room_picture(things, empty=True), 0.3), scene_of(room_picture(things), 0.3)
    assert empty.image.shape == full.image.shape
    assert not np.array_equal(empty.image, full.image)


@pytest.mark.parametrize(("orientation", "expected"), [(1, (40, 20)), (3, (40, 20)), (6, (20, 40)), (8, (20, 40))])
def test_pictures_are_turned_as_the_camera_noted(orientation: int, expected: tuple[int, int]) -> None:
    image = Image.new("RGB", (40, 20), "white")
    image.putpixel((0, 0), (200, 0, 0))
    exif = Image.Exif()
    exif[0x0112] = orientation
    buffer = io.BytesIO()
    image.save(buffer, "PNG", exif=exif)
    pixels = read_photo(buffer.getvalue())
    assert (pixels.shape[1], pixels.shape[0]) == expected
    red = np.argwhere(pixels[..., 1] < 100)[0]
    corner = {1: (0, 0), 3: (19, 39), 6: (0, 19), 8: (39, 0)}[orientation]
    assert tuple(red) == corner


def test_what_is_clear_becomes_white() -> None:
    buffer = io.BytesIO()
    Image.new("RGBA", (4, 4), (10, 20, 30, 0)).save(buffer, "PNG")
    assert read_photo(buffer.getvalue()).min() == 255


@pytest.mark.parametrize(
    ("content", "words"),
    [
        (b"", "no JPEG or PNG"),
        (b"GIF89a" + b"\0" * 40, "no JPEG or PNG"),
        (b"\xff\xd8\xff\xe0" + b"\0" * 60, "“a.jpg”"),
    ],
)
def test_what_is_no_picture_is_refused(content: bytes, words: str) -> None:
    with pytest.raises(PhotoError, match=words):
        read_photo(content, "a.jpg")


def test_a_picture_cut_off_is_refused(photo: Pixels) -> None:
    with pytest.raises(PhotoError, match="cut off"):
        read_photo(jpeg_bytes(photo)[:9000], "shelf.jpg")


def test_a_picture_of_absurd_size_is_refused_before_it_is_unpacked() -> None:
    buffer = io.BytesIO()
    Image.new("1", (20_000, 20_000)).save(buffer, "PNG")
    with pytest.raises(PhotoError, match=r"million pixels|any photograph"):
        read_photo(buffer.getvalue())


@pytest.mark.parametrize(
    ("kind", "mode"), [("PNG", "RGB"), ("PNG", "P"), ("PNG", "RGBA"), ("PNG", "L"), ("JPEG", "RGB")]
)
def test_a_large_picture_is_read_at_a_size_that_is_looked_at(kind: str, mode: str) -> None:
    large = Image.linear_gradient("L").resize((6_000, 5_000)).convert(mode)
    exif = Image.Exif()
    exif[0x0112] = 6  # the camera was held upright
    buffer = io.BytesIO()
    large.save(buffer, kind, **({"exif": exif} if kind == "JPEG" else {}))
    pixels = read_photo(buffer.getvalue())
    high, wide = pixels.shape[:2]
    assert max(high, wide) <= 3_000
    assert wide / high == pytest.approx(5_000 / 6_000 if kind == "JPEG" else 6_000 / 5_000, abs=0.01)
    assert pixels.mean() == pytest.approx(127, abs=6)


def test_a_picture_that_must_be_unpacked_whole_has_a_bound() -> None:
    buffer = io.BytesIO()
    Image.new("1", (10_900, 10_900)).save(buffer, "PNG")
    with pytest.raises(PhotoError, match="64 million pixels"):
        read_photo(buffer.getvalue())


def test_photos_are_kept_small_under_a_name_of_their_content(photo: Pixels) -> None:
    name, content = kept_photo(photo)
    assert name == kept_photo(photo)[0]
    assert max(read_photo(content).shape) == 1600
    assert len(content) < 700_000
    assert smaller(photo, 5000) is photo
