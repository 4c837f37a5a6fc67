"""The look in the client's own room: things stand where the camera would see them, in the light that is there."""

import numpy as np
import pytest

from builders import case_of, put, thing
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.look import Look, Manner
from jolly_ledge.model.piece import Piece, PiecePhoto
from jolly_ledge.photos.composing import Layer, planes_of, set_in
from jolly_ledge.photos.image import PhotoError, Pixels
from jolly_ledge.photos.perspective import Known, View, project
from jolly_ledge.photos.rectify import view_of
from jolly_ledge.photos.room_light import light_of
from jolly_ledge.photos.stand_in import Camera
from jolly_ledge.render.in_room import look_in_room

WIDE, HIGH = 840.0, 940.0
CAMERA = Camera(
    x=-300.0, y=1400.0, distance=2200.0, target_x=420.0, target_y=470.0, focal=1300.0, width=900, height=1000
)


def camera_ray(x: float, y: float, behind: float) -> tuple[float, float]:
    """Return where the camera sees a point behind the front, by plain geometry."""
    eye = np.array([CAMERA.x, CAMERA.y, CAMERA.distance])
    share = CAMERA.distance / (CAMERA.distance + behind)
    on_front = eye + (np.array([x, y, -behind]) - eye) * share
    return CAMERA.pixel(float(on_front[0]), float(on_front[1]))


def photo_of(piece: Piece, wall: int = 150) -> tuple[Pixels, PiecePhoto]:
    """Return a photograph of one grey and how it sees the front of a piece."""
    pixels = np.full((CAMERA.height, CAMERA.width, 3), wall, np.uint8)
    corners = CAMERA.corners(0, 0, piece.width, piece.height)
    return pixels, PiecePhoto(
        name="photos/a.jpg", corners=corners, left=0, floor=0, width=piece.width, height=piece.height
    )


def test_planes_behind_the_front_are_seen_as_the_camera_sees_them() -> None:
    view = View(CAMERA.corners(0, 0, WIDE, HIGH), Known(0, 0, WIDE, HIGH))
    at = planes_of(view, CAMERA.width, CAMERA.height)
    for behind in (0.0, 150.0, 300.0):
        for x, y in ((0, 0), (400, 500), (840, 940)):
            seen = project(at(behind), np.array([(x, y)], float))[0]
            assert seen == pytest.approx(camera_ray(x, y, behind), abs=0.5)


def test_a_picture_taken_squarely_still_gives_planes_that_shrink() -> None:
    view = View(((100.0, 100.0), (500.0, 100.0), (500.0, 500.0), (100.0, 500.0)), Known(0, 0, 400, 400))
    at = planes_of(view, 600, 600)
    near, far = (project(at(behind), np.array([(0.0, 0.0), (400.0, 0.0)])) for behind in (0.0, 300.0))
    assert near[1][0] - near[0][0] == pytest.approx(400, abs=0.1)
    assert 250 < far[1][0] - far[0][0] < 390


def dressed(pixels: Pixels, photo: PiecePhoto, piece: Piece, *, x: float = 400.0) -> Pixels:
    item = thing("urn", "box", width=200.0, height=200.0, depth=100.0, colours=(("#c4663c", 1.0),))
    look = Look(id="look", piece=piece.id, manner=Manner(), placements=(put("urn", "a1", x=x, z=150.0),))
    return look_in_room(Arrangement(piece, {"urn": item}, look), photo, pixels)


@pytest.mark.usefixtures("qapp")
def test_a_thing_stands_where_the_camera_sees_it_and_darkens_what_is_beside_it() -> None:
    piece = case_of(backdrop="#969696")
    pixels, photo = photo_of(piece)
    after = dressed(pixels, photo, piece).astype(int)
    changed = np.abs(after - pixels).sum(axis=2)
    u, v = (round(one) for one in camera_ray(420.0, 200.0, 150.0))
    assert after[v, u, 0] > after[v, u, 2] + 40, "the middle of the box is terracotta"
    rows, columns = np.nonzero(np.abs(after[..., 0] - after[..., 2]) > 40)
    left, _ = camera_ray(320.0, 200.0, 150.0)
    right, _ = camera_ray(520.0, 200.0, 150.0)
    assert columns.min() == pytest.approx(left, abs=4)
    assert columns.max() == pytest.approx(right, abs=4)
    grey = np.abs(after[..., 0] - after[..., 2]) < 6
    darker = (after.sum(axis=2) < pixels.sum(axis=2) - 12) & grey
    assert darker.sum() > 400, "it casts a shadow"
    assert changed[:40].max() == 0, "what is far from it stays as it was"
    assert rows.size


@pytest.mark.usefixtures("qapp")
def test_what_is_behind_an_upright_or_a_board_is_not_seen() -> None:
    piece = case_of(shelves=2, bays=2, backdrop="#969696")
    camera = CAMERA
    pixels = np.full((camera.height, camera.width, 3), 150, np.uint8)
    photo = PiecePhoto(name="photos/a.jpg", corners=camera.corners(0, 0, piece.width, piece.height), left=0, floor=0,
                       width=piece.width, height=piece.height)  # fmt: skip
    after = dressed(pixels, photo, piece, x=20.0).astype(int)
    _, columns = np.nonzero(np.abs(after[..., 0] - after[..., 2]) > 40)
    # The upright leans in the picture: its left-most point of the opening counts.
    edge = min(camera.pixel(20.0, y)[0] for y in (100.0, 500.0))
    assert camera_ray(-60.0, 200.0, 150.0)[0] < edge - 10, "the thing itself goes on behind it"
    assert columns.min() >= edge - 2


@pytest.mark.usefixtures("qapp")
def test_in_dim_warm_light_things_are_dim_and_warm() -> None:
    piece = case_of(backdrop="#969696")
    pixels, photo = photo_of(piece)
    warm = (pixels * np.array([0.8, 0.66, 0.5])).astype(np.uint8)
    light = light_of(warm, view_of(photo), piece)
    assert light.everywhere[0] > light.everywhere[1] > light.everywhere[2]
    assert light.everywhere.max() < light_of(pixels, view_of(photo), piece).everywhere.max() + 1e-9
    plain, dim = dressed(pixels, photo, piece), dressed(warm, photo, piece)
    u, v = (round(one) for one in camera_ray(420.0, 200.0, 150.0))
    assert dim[v, u, 2] < plain[v, u, 2]


def test_a_darker_opening_is_darker() -> None:
    piece = case_of(backdrop="#969696")
    pixels, photo = photo_of(piece)
    view = view_of(photo)
    rows = [round(view.pixel((420.0, y))[1]) for y in (100.0, 480.0)]
    pixels[min(rows) : max(rows)] //= 3
    light = light_of(pixels, view, piece)
    lower, upper = piece.ledges
    assert light.on(lower).max() < light.on(upper).max()


def test_marks_that_no_camera_could_have_made_are_refused() -> None:
    view = View(((0.0, 0.0), (600.0, 290.0), (600.0, 310.0), (0.0, 600.0)), Known(0, 0, 400, 400))
    layer = Layer(np.full((10, 3000, 4), 255, np.uint8), -4000.0, 100.0, 0.2, 0.0, 300.0, np.ones(3))
    with pytest.raises(PhotoError, match="behind the camera"):
        set_in(np.zeros((600, 600, 3), np.uint8), view, [layer])
