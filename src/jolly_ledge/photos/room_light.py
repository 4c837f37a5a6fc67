"""What the photograph of an empty piece tells of its light: how bright every opening is, and of what colour."""

import numpy as np
from msgspec import Struct
from numpy.typing import NDArray

from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.photos.image import Pixels
from jolly_ledge.photos.light import linear_of
from jolly_ledge.photos.perspective import View, project

SAMPLES = 12
OPEN_ABOVE_MM = 300.0
DIMMEST, BRIGHTEST = 0.45, 1.1
SOFTER = 0.5
"""Differences between openings are taken over by half: what is seen is the back of each, which is its paint as well."""

CAST = 0.6
"""So much of the colour of the brightest parts is the light's."""

EXPOSED = (0.55, 1.0)


class RoomLight(Struct, frozen=True, eq=False):
    """What things are multiplied with, in linear red, green and blue: by opening, and where none is told."""

    by_ledge: dict[str, NDArray[np.float64]]
    everywhere: NDArray[np.float64]

    def on(self, ledge: Ledge) -> NDArray[np.float64]:
        """Return the light on a ledge."""
        return self.by_ledge.get(ledge.id, self.everywhere)


def light_of(image: Pixels, view: View, piece: Piece) -> RoomLight:
    """Return the light in a photograph of an empty piece.

    Parameters
    ----------
    image : array of uint8, shape (rows, columns, 3)
        An sRGB picture.
    view : View
        Where the front lies in it.
    piece : Piece
        Its ledges, with the colours of their backs.

    Notes
    -----
    The brightest fiftieth of the picture stands for white in this light (Land's white patch, softened). What is seen in
    an opening against the paint that is told for it gives how much light falls there.
    """
    linear = linear_of(image[::4, ::4])
    bright = linear.reshape(-1, 3)
    top = bright[bright.sum(axis=1) >= np.percentile(bright.sum(axis=1), 98)]
    white = np.median(top, axis=0)
    level = float(np.clip(white.max(), *EXPOSED))
    cast = 1.0 - CAST + CAST * white / max(float(white.max()), 1e-6)
    everywhere = np.asarray(level * cast, np.float64)
    shares = {ledge.id: _share_of(image, view, piece, ledge) for ledge in piece.ledges}
    known = [share for share in shares.values() if share is not None]
    usual = float(np.median(known)) if known else 1.0
    by_ledge = {}
    for identifier, share in shares.items():
        relative = 1.0 if share is None or usual <= 0 else share / usual
        by_ledge[identifier] = everywhere * float(np.clip(relative**SOFTER, DIMMEST, BRIGHTEST))
    return RoomLight(by_ledge, everywhere)


def _share_of(image: Pixels, view: View, piece: Piece, ledge: Ledge) -> float | None:
    """Return how bright the back of an opening is against its paint; None where it is not in the picture."""
    high = min(ledge.clearance or OPEN_ABOVE_MM, OPEN_ABOVE_MM)
    x, y = np.meshgrid(
        np.linspace(ledge.left + 0.1 * ledge.width, ledge.right - 0.1 * ledge.width, SAMPLES),
        np.linspace(ledge.floor + 0.2 * high, ledge.floor + 0.9 * high, SAMPLES),
    )
    at = project(view.to_pixels, np.column_stack([x.ravel(), y.ravel()])).round()
    height, width = image.shape[:2]
    inside = at[np.all((at >= 0) & (at < (width, height)), axis=1)].astype(int)
    if len(inside) < SAMPLES:
        return None
    weights = np.array([0.2126, 0.7152, 0.0722])
    seen = float(np.median(linear_of(image[inside[:, 1], inside[:, 0]][None])[0] @ weights))
    colour = piece.backdrop_of(ledge).lstrip("#")
    paint = np.array([[[int(colour[at : at + 2], 16) for at in (0, 2, 4)]]], np.uint8)
    return seen / max(float(linear_of(paint)[0, 0] @ weights), 0.02)
