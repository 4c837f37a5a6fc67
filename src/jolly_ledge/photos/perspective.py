"""A flat front seen in perspective: from pixels to mm and back, and how far to trust it."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import combinations
from typing import cast

import numpy as np
from msgspec import Struct
from numpy.typing import ArrayLike, NDArray

from jolly_ledge.model.piece import Corner, Corners
from jolly_ledge.photos.image import PhotoError

Matrix = NDArray[np.float64]
Points = NDArray[np.float64]
"""One point a row."""

MARK_PX = 1.5
"""How far a careful hand is off when it marks a corner, as a standard deviation in pixels."""

SIZE_MM = 1.0
"""How far a tape is off over the known size."""

SURE = 2.0
"""Errors are told as two standard deviations: nineteen in twenty lie within."""

_STEP_PX = 0.25
FLATTEST = 1e-6


class Known(Struct, frozen=True):
    """The rectangle whose corners are marked: its place on the front and its size (mm)."""

    left: float
    floor: float
    width: float
    height: float

    @property
    def corners(self) -> Points:
        """Upper left, upper right, lower right, lower left."""
        right, top = self.left + self.width, self.floor + self.height
        return np.array([(self.left, top), (right, top), (right, self.floor), (self.left, self.floor)])


def in_order(marks: ArrayLike) -> Corners:
    """Return four marks as upper left, upper right, lower right, lower left, in whatever order they were made.

    Parameters
    ----------
    marks : array, shape (4, 2)
        In pixels.

    Raises
    ------
    PhotoError
        The marks make no quadrangle that a rectangle could look like.
    """
    points = np.asarray(marks, float)
    middle = points.mean(axis=0)
    around = points[np.argsort(np.arctan2(points[:, 1] - middle[1], points[:, 0] - middle[0]))]
    first = int(np.argmin(around.sum(axis=1)))
    ordered = np.roll(around, -first, axis=0)
    sides = np.roll(ordered, -1, axis=0) - ordered
    turns = sides[:, 0] * np.roll(sides[:, 1], -1) - sides[:, 1] * np.roll(sides[:, 0], -1)
    if not bool(np.all(turns > 1.0)):
        raise PhotoError("The four corners do not make the outline of a rectangle; drag each to its own corner.")
    return cast("Corners", tuple((float(x), float(y)) for x, y in ordered))


SHEETS = {"a4": (210.0, 297.0), "letter": (215.9, 279.4)}
"""Width and height of sheets of paper that stand upright, in mm."""


def sheet_as_it_lies(name: str, corners: Sequence[Corner]) -> tuple[float, float]:
    """Return width and height of a sheet (mm), the longer side across where its marked corners (pixels) lie so."""
    width, height = SHEETS[name]
    across = len(corners) == 4 and abs(corners[1][0] - corners[0][0]) > abs(corners[3][1] - corners[0][1])
    return (height, width) if across else (width, height)


class View(Struct, frozen=True):
    """How a front is seen: four marked corners of a known rectangle, and how well they are marked."""

    corners: Corners
    known: Known
    mark_px: float = MARK_PX

    @property
    def to_pixels(self) -> Matrix:
        """The matrix from mm (x right, y up) to pixels."""
        return homography(self.known.corners, np.asarray(self.corners))

    @property
    def to_front(self) -> Matrix:
        """The matrix from pixels to mm (x right, y up)."""
        return cast("Matrix", np.linalg.inv(self.to_pixels))

    def front(self, pixel: Corner) -> Corner:
        """Return where a pixel lies on the front (mm)."""
        x, y = project(self.to_front, np.array([pixel]))[0]
        return float(x), float(y)

    def pixel(self, point: Corner) -> Corner:
        """Return where a point of the front is seen."""
        x, y = project(self.to_pixels, np.array([point]))[0]
        return float(x), float(y)

    def length(self, first: Corner, second: Corner) -> float:
        """Return the true length between two points of the photograph (mm)."""
        return _length(np.asarray(self.corners), self.known.corners, np.array([first, second]))

    def error(self, first: Corner, second: Corner) -> float:
        """Return how far a length may be off (mm, two standard deviations).

        Notes
        -----
        Linear propagation: the length is differentiated by all twelve marked coordinates (four corners,
        two ends) and by the known width and height; the squares add up. Marks are taken to err alone.
        """
        corners, ends, known = np.asarray(self.corners), np.array([first, second]), self.known.corners
        variance = 0.0
        for marks, where in ((corners, 0), (ends, 1)):
            for index in np.ndindex(marks.shape):
                slope = 0.0
                for sign in (1.0, -1.0):
                    moved = marks.copy()
                    moved[index] += sign * _STEP_PX
                    pair = (moved, ends) if where == 0 else (corners, moved)
                    slope += sign * _length(pair[0], known, pair[1])
                # Both ends are clicked by hand, however well the corners were fitted.
                spread = self.mark_px if where == 0 else MARK_PX
                variance += (slope / (2 * _STEP_PX) * spread) ** 2
        base = _length(corners, known, ends)
        for wider, higher in ((SIZE_MM, 0.0), (0.0, SIZE_MM)):
            grown = Known(
                self.known.left, self.known.floor, self.known.width + wider, self.known.height + higher
            ).corners
            variance += (_length(corners, grown, ends) - base) ** 2
        return SURE * float(np.sqrt(variance))


def _length(corners: Points, known: Points, ends: Points) -> float:
    there = project(homography(corners, known), ends)
    return float(np.hypot(*(there[1] - there[0])))


def homography(source: Points, target: Points) -> Matrix:
    """Return the projective matrix that takes four points to four others.

    Parameters
    ----------
    source : array, shape (4, 2)
        In any unit.
    target : array, shape (4, 2)
        In any unit.

    Raises
    ------
    PhotoError
        Three of the points lie on one line.

    Notes
    -----
    The direct linear transform (Hartley and Zisserman 2004, 4.1) for exactly four pairs, with both
    sets moved and scaled to about one so that the eight equations are well conditioned.
    """
    if _on_one_line(source) or _on_one_line(target):
        raise PhotoError("Three of the four corners lie on one line; drag each to its own corner.")
    before, after = _normalising(source), _normalising(target)
    rows, right = [], []
    for (x, y), (u, v) in zip(project(before, source), project(after, target), strict=True):
        rows += [(x, y, 1, 0, 0, 0, -u * x, -u * y), (0, 0, 0, x, y, 1, -v * x, -v * y)]
        right += [u, v]
    solved = np.append(np.linalg.solve(np.array(rows, float), np.array(right, float)), 1.0).reshape(3, 3)
    matrix = np.linalg.inv(after) @ solved @ before
    return np.asarray(matrix / matrix[2, 2])


def _on_one_line(points: Points) -> bool:
    """Tell whether three of four points lie on one line, as far as their spread goes."""
    spread = float(np.ptp(points, axis=0).max()) ** 2
    for (ax, ay), (bx, by), (cx, cy) in combinations(points, 3):
        if abs((bx - ax) * (cy - ay) - (cx - ax) * (by - ay)) <= FLATTEST * spread:
            return True
    return False


def _normalising(points: Points) -> Matrix:
    middle = points.mean(axis=0)
    spread = float(np.abs(points - middle).max()) or 1.0
    return np.array([[1 / spread, 0, -middle[0] / spread], [0, 1 / spread, -middle[1] / spread], [0, 0, 1]])


def project(matrix: Matrix, points: Points) -> Points:
    """Return points taken through a projective matrix.

    Parameters
    ----------
    matrix : array, shape (3, 3)
        As :func:`homography` returns it.
    points : array, shape (n, 2)
        In the unit of its source.
    """
    lifted = np.column_stack([points, np.ones(len(points))]) @ matrix.T
    with np.errstate(divide="ignore", invalid="ignore"):
        return np.asarray(lifted[:, :2] / lifted[:, 2:])
