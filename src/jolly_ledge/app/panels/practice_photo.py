"""A photograph of the piece in hand by the simulated camera, to practise on without a real one."""

import numpy as np

from jolly_ledge.drawing.room import room_picture
from jolly_ledge.model.arrangement import Arrangement
from jolly_ledge.photos.image import Pixels
from jolly_ledge.photos.perspective import Points
from jolly_ledge.photos.stand_in import Camera, photograph
from jolly_ledge.render.scene import scene_of

WIDTH_PX, HEIGHT_PX = 1500, 1800
SCENE_SCALE = 0.9
ROUGH_PX = 4.0
"""How far off the corners are put, so that there is something to mark."""


def practice_camera(width: float, height: float) -> Camera:
    """Return a camera a few steps before a piece, a little to the left and a little askew (mm)."""
    distance = max(1.9 * max(width, height), 1600.0)
    size = max(width * 1.35, height * 1.2)
    focal = min(WIDTH_PX, HEIGHT_PX) * distance / size
    return Camera(
        x=-0.25 * width, y=max(0.55 * height, 900.0), distance=distance, target_x=width / 2, target_y=height / 2,
        roll=1.2, focal=focal, width=WIDTH_PX, height=HEIGHT_PX,
    )  # fmt: skip


def practice_photo(arrangement: Arrangement, seed: int = 1) -> tuple[Pixels, Points]:
    """Return a photograph of the empty piece with a sheet of paper on it, and roughly where its corners are."""
    piece = arrangement.piece
    camera = practice_camera(piece.width, piece.height)
    sheet = (piece.width * 0.3, piece.height * 0.55)
    scene = scene_of(room_picture(arrangement, empty=True, sheet_at=sheet), SCENE_SCALE)
    rough = np.random.default_rng(seed).normal(0, ROUGH_PX, (4, 2))
    corners = np.asarray(camera.corners(0, 0, piece.width, piece.height)) + rough
    return photograph(scene, camera, seed=seed), corners
