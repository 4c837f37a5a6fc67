"""Ways of looking at a picture: grey, squinting, and by what stands out."""

import numpy as np

from jolly_ledge.photos.check import eye_of
from jolly_ledge.photos.image import Pixels

SQUINT_MM = 22.0
"""How far a squinting eye blurs, on the front of the piece."""

FULL_WEIGHT = 40.0
COOL, WARM = np.array((244, 241, 234), np.float64), np.array((123, 59, 87), np.float64)


def grey(picture: Pixels) -> Pixels:
    """Return a picture in light and dark alone.

    Parameters
    ----------
    picture : array of uint8, shape (rows, columns, 3)
        An sRGB picture.
    """
    from skimage.color import rgb2gray

    plane = np.asarray(rgb2gray(picture) * 255 + 0.5, np.uint8)
    return np.repeat(plane[:, :, None], 3, axis=2)


def squinted(picture: Pixels, scale: float) -> Pixels:
    """Return a picture as squinting eyes see it: blurred and grey.

    Parameters
    ----------
    picture : array of uint8, shape (rows, columns, 3)
        An sRGB picture.
    scale : float
        How many pixels a millimetre takes.
    """
    from scipy.ndimage import gaussian_filter

    plane = grey(picture)[:, :, 0].astype(np.float64)
    blurred = np.asarray(np.clip(gaussian_filter(plane, max(SQUINT_MM * scale, 0.5)) + 0.5, 0, 255), np.uint8)
    return np.repeat(blurred[:, :, None], 3, axis=2)


def weight_picture(picture: Pixels, scale: float) -> Pixels:
    """Return how far every point stands out from its surroundings: paper where nothing does, plum where all does.

    Parameters
    ----------
    picture : array of uint8, shape (rows, columns, 3)
        An sRGB picture.
    scale : float
        How many pixels a millimetre takes.
    """
    from skimage.color import rgb2lab

    weights = eye_of(np.asarray(rgb2lab(picture), np.float64), scale).weights
    share = np.clip(weights / FULL_WEIGHT, 0, 1)[:, :, None]
    return np.asarray(COOL + (WARM - COOL) * share + 0.5, np.uint8)
