"""A photograph pulled straight, at a true scale."""

import numpy as np
from msgspec import Struct

from jolly_ledge.model.piece import PiecePhoto
from jolly_ledge.photos.image import PhotoError, Pixels
from jolly_ledge.photos.perspective import Known, View

LONGEST_SIDE = 2400


class Straight(Struct, frozen=True, eq=False):
    """A rectified picture and the part of the front it shows (mm)."""

    image: Pixels
    left: float
    top: float
    scale: float
    """Pixels for one mm."""

    @property
    def right(self) -> float:
        """The right end of what it shows."""
        return self.left + float(self.image.shape[1]) / self.scale

    @property
    def bottom(self) -> float:
        """The lower end of what it shows."""
        return self.top - float(self.image.shape[0]) / self.scale


def view_of(photo: PiecePhoto) -> View:
    """Return how the piece's photograph sees its front."""
    return View(photo.corners, Known(photo.left, photo.floor, photo.width, photo.height))


def straightened(
    image: Pixels, view: View, left: float, bottom: float, right: float, top: float, longest: int = LONGEST_SIDE
) -> Straight:
    """Return the part of a front between four edges (mm), pulled straight.

    Parameters
    ----------
    image : array of uint8, shape (rows, columns, 3)
        An sRGB picture.
    view : View
        Where the front lies in the picture.
    left : float
        The left edge, in mm.
    bottom : float
        The lower edge, in mm.
    right : float
        The right edge, in mm.
    top : float
        The upper edge, in mm.
    longest : int
        Of the longer side, in pixels.

    Raises
    ------
    PhotoError
        The part reaches beyond the horizon of the picture, or is nothing.
    """
    from PIL import Image

    if right - left < 1 or top - bottom < 1:
        raise PhotoError("There is nothing to straighten; mark four corners that lie apart.")
    matrix = view.to_pixels
    edges = np.array([(left, top, 1), (right, top, 1), (right, bottom, 1), (left, bottom, 1)]) @ matrix[2]
    if edges.min() <= 0 < edges.max() or edges.max() <= 0:
        raise PhotoError("The marks put part of the piece behind the camera; mark the corners again.")
    scale = min(longest / max(right - left, top - bottom), _sharpest(view))
    size = (max(round((right - left) * scale), 1), max(round((top - bottom) * scale), 1))
    # Pixel of the result, to mm of the front, to pixel of the photograph; a pixel reaches from n to n + 1.
    onto_front = np.array([[1 / scale, 0, left], [0, -1 / scale, top], [0, 0, 1]])
    whole = matrix @ onto_front
    whole /= whole[2, 2]
    made = Image.fromarray(image).transform(
        size, Image.Transform.PERSPECTIVE, tuple(whole.ravel()[:8]), Image.Resampling.BICUBIC
    )
    return Straight(np.asarray(made).copy(), left, top, scale)


def _sharpest(view: View) -> float:
    """Return the pixels for one mm beyond which straightening only blows up what is there."""
    corners = np.asarray(view.corners)
    sides = np.hypot(*(np.roll(corners, -1, axis=0) - corners).T)
    lengths = np.array([view.known.width, view.known.height, view.known.width, view.known.height])
    return float((sides / lengths).max()) * 1.5
