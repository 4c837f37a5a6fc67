"""Colour and light of an opening, read from a straight picture."""

import numpy as np
from numpy.typing import NDArray

from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.words import Light
from jolly_ledge.photos.image import PhotoError, Pixels
from jolly_ledge.photos.rectify import Straight

BRIGHT_SHARE, MEDIUM_SHARE = 0.6, 0.3
"""Light of an opening against the lightest part of the picture."""

PICK_MM = 12.0


def _part(straight: Straight, left: float, bottom: float, right: float, top: float) -> Pixels:
    height, width = straight.image.shape[:2]
    columns = np.clip(np.round((np.array([left, right]) - straight.left) * straight.scale), 0, width).astype(int)
    rows = np.clip(np.round((straight.top - np.array([top, bottom])) * straight.scale), 0, height).astype(int)
    part = straight.image[rows[0] : rows[1], columns[0] : columns[1]]
    if part.size == 0:
        raise PhotoError("That place lies outside the photograph; choose one that it shows.")
    return part


def colour_at(straight: Straight, x: float, y: float, reach: float = PICK_MM) -> str:
    """Return the colour about a point of the front: the median of a small square (sRGB hex).

    Parameters
    ----------
    straight : Straight
        A front pulled straight.
    x : float
        In mm of the front.
    y : float
        In mm of the front, up.
    reach : float
        Half the side of the square, in mm.
    """
    part = _part(straight, x - reach, y - reach, x + reach, y + reach)
    red, green, blue = np.median(part.reshape(-1, 3), axis=0).astype(int)
    return f"#{red:02x}{green:02x}{blue:02x}"


def light_of(straight: Straight, piece: Piece, ledge: Ledge) -> Light:
    """Return the class of light that falls into an opening, from how bright its board edge and back are.

    Notes
    -----
    Linear luminance of the opening over that of the piece's lightest part (its 98th percentile), both from
    one photograph. A dark back looks darker than it is lit, so its own colour is divided out as far as it
    was told.
    """
    clearance = ledge.clearance if ledge.clearance is not None else 300.0
    whole = luminance(_part(straight, 0.0, 0.0, piece.width, piece.height))
    part = luminance(_part(straight, ledge.left + 5, ledge.floor + 5, ledge.right - 5, ledge.floor + clearance * 0.7))
    told = piece.backdrop_of(ledge)
    back = float(luminance(np.array([[[int(told[i : i + 2], 16) for i in (1, 3, 5)]]], np.uint8))[0, 0])
    share = float(np.median(part)) / max(float(np.percentile(whole, 98)), 1e-6) / max(back, 0.05)
    if share >= BRIGHT_SHARE:
        return "bright"
    return "medium" if share >= MEDIUM_SHARE else "low"


def luminance(image: Pixels) -> NDArray[np.float64]:
    """Return linear luminance, 0 to 1 (IEC 61966-2-1 undone, Rec. 709 weights).

    Parameters
    ----------
    image : array of uint8, shape (rows, columns, 3)
        An sRGB picture.
    """
    return np.asarray(linear_of(image) @ np.array([0.2126, 0.7152, 0.0722]))


def linear_of(image: Pixels) -> NDArray[np.float64]:
    """Return linear red, green and blue, 0 to 1.

    Parameters
    ----------
    image : array of uint8, shape (rows, columns, 3)
        An sRGB picture.
    """
    part = image.astype(np.float64) / 255
    return np.where(part <= 0.04045, part / 12.92, ((part + 0.055) / 1.055) ** 2.4)


def encoded(linear: NDArray[np.float64]) -> Pixels:
    """Return sRGB pixels of linear light.

    Parameters
    ----------
    linear : array of float, shape (rows, columns, 3)
        Linear light, 0 to 1.
    """
    held = np.clip(linear, 0, 1)
    curve = np.where(held <= 0.0031308, held * 12.92, 1.055 * held ** (1 / 2.4) - 0.055)
    return (curve * 255 + 0.5).astype(np.uint8)
