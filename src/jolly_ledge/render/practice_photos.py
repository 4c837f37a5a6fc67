"""Photographs by the simulated camera, of a piece and of things, to practise on without a real one."""

from collections.abc import Sequence

import numpy as np

from jolly_ledge.drawing.items import item_picture, item_shapes
from jolly_ledge.drawing.picture import Picture, Primitive, Shape, moved, rectangle
from jolly_ledge.drawing.room import room_picture
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.item import Item
from jolly_ledge.photos.image import Pixels
from jolly_ledge.photos.light import encoded, linear_of
from jolly_ledge.photos.perspective import Points
from jolly_ledge.photos.stand_in import Camera, photograph
from jolly_ledge.render.export import image_of
from jolly_ledge.render.scene import pixels_of, scene_of

WIDTH_PX, HEIGHT_PX = 1500, 1800
SCENE_SCALE = 0.9
ROUGH_PX = 4.0
"""How far off the corners are put, so that there is something to mark."""

THING_PX, ROW_PX = 1100, 2400
LAID_WALL = "#a9b4ba"
THING_WALL, PAPER_WHITE = "#d9d6cf", "#f4f4f2"
WARM_LIGHT = (1.0, 0.86, 0.66)
"""Shares of linear red, green and blue under a warm lamp."""

THING_GRAIN = 2.0


def practice_camera(width: float, height: float) -> Camera:
    """Return a camera a few steps before a piece, a little to the left and a little askew (mm)."""
    distance = max(1.9 * max(width, height), 1600.0)
    size = max(width * 1.35, height * 1.2)
    focal = min(WIDTH_PX, HEIGHT_PX) * distance / size
    return Camera(
        x=-0.25 * width, y=max(0.55 * height, 900.0), distance=distance, target_x=width / 2, target_y=height / 2,
        roll=1.2, focal=focal, width=WIDTH_PX, height=HEIGHT_PX,
    )  # fmt: skip


def practice_photo(arrangement: Arrangement, seed: int = 1, *, empty: bool = True) -> tuple[Pixels, Points]:
    """Return a photograph of the piece, empty or as arranged, a sheet of paper on it, and roughly its corners."""
    piece = arrangement.piece
    camera = practice_camera(piece.width, piece.height)
    sheet = (piece.width * 0.3, piece.height * 0.55)
    scene = scene_of(room_picture(arrangement, empty=empty, sheet_at=sheet), SCENE_SCALE)
    rough = np.random.default_rng(seed).normal(0, ROUGH_PX, (4, 2))
    corners = np.asarray(camera.corners(0, 0, piece.width, piece.height)) + rough
    return photograph(scene, camera, seed=seed), corners


def practice_row(items: Sequence[Item], distance: float = 2000.0, seed: int = 1) -> Pixels:
    """Return a photograph of things laid out before a wall, an A4 sheet in their middle.

    Parameters
    ----------
    items : sequence of Item
        From the left; their feet are on one line.
    distance : float
        Of the camera from the wall, in mm.
    seed : int
        The same seed gives the same grain.
    """
    gap, sheet_wide, sheet_high = 60.0, 210.0, 297.0
    before = items[: len(items) // 2]
    left = x = -sum(item.width + gap for item in before)
    shapes = list[Primitive]()
    for number, item in enumerate(items):
        x = max(x, sheet_wide + gap) if number == len(before) else x
        shapes += moved(item_shapes(item), x + item.width / 2, 0.0)
        x += item.width + gap
    tall, wide = max(sheet_high, *(item.height for item in items)), x - left
    low, high = left - 1200.0, -tall - 1200.0
    wall = Shape(rectangle(low, high, wide + 2400.0, tall + 2400.0), LAID_WALL)
    paper = Shape(rectangle(0.0, -sheet_high, sheet_wide, sheet_high), PAPER_WHITE)
    scene = scene_of(Picture((wall, paper, *shapes), low, high, x + 1200.0, 1200.0), SCENE_SCALE)
    camera = Camera(
        x=left + wide * 0.42, y=tall * 0.55, distance=distance, target_x=left + wide / 2, target_y=tall / 2, roll=0.8,
        focal=ROW_PX * distance / max(wide + 260.0, 1.3 * tall), width=ROW_PX, height=round(ROW_PX * 0.66),
    )  # fmt: skip
    return photograph(scene, camera, seed=seed)


def practice_thing(item: Item, seed: int = 1) -> Pixels:
    """Return a photograph of one thing before a plain wall in warm light, with a sheet of white paper beside it."""
    picture = item_picture(item)
    side = max(picture.width, picture.height)
    left, top = picture.left - 0.35 * side, picture.top - 0.3 * side
    right, bottom = picture.right + 0.35 * side, picture.bottom + 0.2 * side
    paper = rectangle(left + 0.04 * side, top + 0.05 * side, 0.17 * side, 0.22 * side)
    wall = Shape(rectangle(left, top, right - left, bottom - top), THING_WALL)
    shapes: tuple[Primitive, ...] = (wall, Shape(paper, PAPER_WHITE), *picture.primitives)
    drawn = pixels_of(image_of(Picture(shapes, left, top, right, bottom), THING_PX))
    warm = encoded(linear_of(drawn) * np.asarray(WARM_LIGHT)).astype(np.float64)
    grain = np.random.default_rng(seed).normal(0, THING_GRAIN, warm.shape)
    return np.asarray(np.clip(warm + grain + 0.5, 0, 255), np.uint8)
