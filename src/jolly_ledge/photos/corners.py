"""Marked corners pulled onto the edges that the photograph shows."""

from typing import cast

import numpy as np
from msgspec import Struct
from numpy.typing import NDArray

from jolly_ledge.model.piece import Corners
from jolly_ledge.photos.image import PhotoError, Pixels
from jolly_ledge.photos.perspective import MARK_PX

SAMPLES = 60
REACH_PX = 9.0
"""How far from the mark an edge is looked for; further off the wrong edge of a board would be found."""

STEP_PX = 0.25
ENDS = 0.08
"""This share of a side at both ends is left out: there the next side disturbs."""

LEAST_AGREEING = 0.5
FAINTEST = 3.0
"""The least change of brightness for a pixel (0 to 255) that counts as an edge."""

LEAST_ERROR_PX = 0.2
"""Light, blur and grain leave this much even where a hundred samples agree."""


class Fitted(Struct, frozen=True):
    """Corners as they were fitted, and how far they may be off (pixels, one standard deviation)."""

    corners: Corners
    error_px: float
    sides: int
    """How many of the four sides were found."""


class _Line(Struct, frozen=True, eq=False):
    point: NDArray[np.float64]
    along: NDArray[np.float64]
    error: float
    found: bool


def fit_corners(image: Pixels, corners: Corners) -> Fitted:
    """Return corners moved to where the edges near the marked sides cross.

    Parameters
    ----------
    image : array of uint8, shape (rows, columns, 3)
        An sRGB picture.
    corners : Corners
        Four marks in pixels, upper left first, clockwise.

    Notes
    -----
    Across every side the brightness is sampled; the steepest change near the mark is found to a part of
    a pixel (a parabola through three values), a line is fitted to all of them and those far off are
    dropped, three times over. A side whose edge is not seen stays as it was marked.
    """
    from scipy.ndimage import gaussian_filter

    grey = gaussian_filter(image.astype(np.float32) @ np.array([0.2126, 0.7152, 0.0722], np.float32), 1.0)
    marks = np.asarray(corners, float)
    lines = [_edge(grey, marks[index], marks[(index + 1) % 4]) for index in range(4)]
    crossed = [_crossing(lines[index - 1], lines[index], marks[index]) for index in range(4)]
    found = sum(line.found for line in lines)
    errors = [line.error for line in lines]
    error = float(np.sqrt(np.mean(np.square(errors)))) if found == 4 else MARK_PX
    return Fitted(cast("Corners", tuple((float(x), float(y)) for x, y in crossed)), error, found)


def _edge(grey: NDArray[np.float32], start: NDArray[np.float64], end: NDArray[np.float64]) -> _Line:
    from scipy.ndimage import map_coordinates

    side = end - start
    length = float(np.hypot(*side))
    if length < 1:
        raise PhotoError("Two of the four corners lie on one spot; drag each to its own corner.")
    along = side / length
    across = np.array([-along[1], along[0]])
    shares = np.linspace(ENDS, 1 - ENDS, SAMPLES)
    offsets = np.arange(-REACH_PX, REACH_PX + STEP_PX, STEP_PX)
    places = start + shares[:, None, None] * side + offsets[None, :, None] * across
    # A pixel's value stands for its middle.
    values = map_coordinates(grey, [places[..., 1] - 0.5, places[..., 0] - 0.5], order=3, mode="nearest")
    steep = np.abs(np.gradient(values, STEP_PX, axis=1))
    near = np.exp(-((offsets / (0.6 * REACH_PX)) ** 2))
    best = np.argmax(steep * near, axis=1)
    inner = np.clip(best, 1, len(offsets) - 2)
    rows = np.arange(SAMPLES)
    before, at, after = steep[rows, inner - 1], steep[rows, inner], steep[rows, inner + 1]
    bend = before - 2 * at + after
    shift = np.where(np.abs(bend) > 1e-6, 0.5 * (before - after) / np.where(np.abs(bend) > 1e-6, bend, 1.0), 0.0)
    away = offsets[inner] + np.clip(shift, -1, 1) * STEP_PX
    good = at > FAINTEST
    for _ in range(3):
        if good.sum() < LEAST_AGREEING * SAMPLES:
            return _Line(start, along, MARK_PX, False)
        slope, base = np.polyfit(shares[good], away[good], 1)
        residual = away - (slope * shares + base)
        spread = max(float(np.median(np.abs(residual[good]))) * 1.4826, 0.1)
        good = (at > FAINTEST) & (np.abs(residual) < 2.5 * spread)
    if good.sum() < LEAST_AGREEING * SAMPLES:
        return _Line(start, along, MARK_PX, False)
    slope, base = np.polyfit(shares[good], away[good], 1)
    first = start + base * across
    last = start + side + (slope + base) * across
    residual = away[good] - (slope * shares[good] + base)
    error = max(float(residual.std()) / float(np.sqrt(good.sum())) * 2, LEAST_ERROR_PX)
    fitted = (last - first) / np.hypot(*(last - first))
    return _Line(first, fitted, error, True)


def _crossing(first: _Line, second: _Line, fallback: NDArray[np.float64]) -> NDArray[np.float64]:
    if not first.found and not second.found:
        return fallback
    matrix = np.column_stack([first.along, -second.along])
    if abs(np.linalg.det(matrix)) < 1e-3:
        return fallback
    steps = np.linalg.solve(matrix, second.point - first.point)
    crossing = first.point + steps[0] * first.along
    return crossing if float(np.hypot(*(crossing - fallback))) <= 3 * REACH_PX else fallback
