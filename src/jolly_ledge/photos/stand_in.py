"""A simulated camera: photographs of a drawn room, in perspective, with grain, without a lens's bending.

It stands in for a real camera in tests and in the demo: every point of the front is known, so what is
measured in its pictures can be held against the truth.
"""

import math

import numpy as np
from msgspec import Struct

from jolly_ledge.model.piece import Corner, Corners
from jolly_ledge.photos.image import Pixels
from jolly_ledge.photos.perspective import Matrix, project

DARKEST_CORNER = 0.82


class Camera(Struct, frozen=True):
    """A pinhole camera before a front: where it stands and what it looks at (mm, from the piece's lower left).

    ``focal`` is in pixels; ``roll`` turns it about its own axis, in degrees.
    """

    x: float
    y: float
    distance: float
    target_x: float
    target_y: float
    roll: float = 0.0
    focal: float = 1500.0
    width: int = 1600
    height: int = 2000

    @property
    def matrix(self) -> Matrix:
        """The matrix from mm of the front (x right, y up) to pixels (x right, y down)."""
        # The front is the plane z = 0; the camera stands at positive z and looks back at it.
        eye = np.array([self.x, self.y, self.distance])
        forward = np.array([self.target_x, self.target_y, 0.0]) - eye
        forward /= np.linalg.norm(forward)
        right = np.cross(forward, np.array([0.0, 1.0, 0.0]))
        right /= np.linalg.norm(right)
        down = np.cross(forward, right)
        turn = math.radians(self.roll)
        right, down = (
            math.cos(turn) * right + math.sin(turn) * down,
            -math.sin(turn) * right + math.cos(turn) * down,
        )
        rotation = np.vstack([right, down, forward])
        moved = -rotation @ eye
        inner = np.array([[self.focal, 0, self.width / 2], [0, self.focal, self.height / 2], [0, 0, 1.0]])
        return np.asarray(inner @ np.column_stack([rotation[:, 0], rotation[:, 1], moved]))

    def pixel(self, x: float, y: float) -> Corner:
        """Return where a point of the front is seen.

        Parameters
        ----------
        x : float
            In mm of the front.
        y : float
            In mm of the front, up.
        """
        u, v = project(self.matrix, np.array([(x, y)]))[0]
        return float(u), float(v)

    def corners(self, left: float, floor: float, width: float, height: float) -> Corners:
        """Return where the corners of a rectangle on the front are seen, upper left first, clockwise.

        Parameters
        ----------
        left : float
            The left edge, in mm.
        floor : float
            The lower edge, in mm.
        width : float
            In mm.
        height : float
            In mm.
        """
        right, top = left + width, floor + height
        return self.pixel(left, top), self.pixel(right, top), self.pixel(right, floor), self.pixel(left, floor)


class Scene(Struct, frozen=True, eq=False):
    """A flat elevation of a room as pixels: its left and upper edge (mm) and its scale (pixels for one mm)."""

    image: Pixels
    left: float
    top: float
    scale: float


def photograph(scene: Scene, camera: Camera, *, grain: float = 3.0, seed: int = 1) -> Pixels:
    """Return what a camera sees of a scene.

    Parameters
    ----------
    scene, camera : Scene, Camera
    grain : float
        Standard deviation of the noise, in steps of 255.
    seed : int
        The same seed gives the same grain.

    Notes
    -----
    Twice as many pixels are taken and averaged by pairs, which stands for the area a real pixel sees;
    light falls off to the corners as behind a plain lens, straight lines stay straight.
    """
    from PIL import Image

    onto_scene = np.array(
        [[scene.scale, 0, -scene.left * scene.scale], [0, -scene.scale, scene.top * scene.scale], [0, 0, 1.0]]
    )
    finer = np.array([[0.5, 0, 0], [0, 0.5, 0], [0, 0, 1.0]])
    whole = onto_scene @ np.linalg.inv(camera.matrix) @ finer
    whole /= whole[2, 2]
    size = (camera.width * 2, camera.height * 2)
    seen = Image.fromarray(scene.image).transform(
        size,
        Image.Transform.PERSPECTIVE,
        tuple(whole.ravel()[:8]),
        Image.Resampling.BILINEAR,
        fillcolor=(214, 206, 192),
    )
    sharp = np.asarray(seen.resize((camera.width, camera.height), Image.Resampling.BOX), np.float32)
    rows, columns = np.mgrid[-1 : 1 : camera.height * 1j, -1 : 1 : camera.width * 1j]
    fall = (1 - (1 - DARKEST_CORNER) * (rows**2 + columns**2)[..., None] / 2).astype(np.float32)
    noise = np.random.default_rng(seed).standard_normal(sharp.shape, np.float32)
    noise *= np.float32(grain)
    return np.asarray(np.clip(sharp * fall + noise + np.float32(0.5), 0, 255), np.uint8)
