"""Many things in one photograph, laid out beside a sheet of paper: where each is, how large, and with what error."""

from typing import cast

import numpy as np
from msgspec import Struct
from msgspec.structs import replace
from numpy.typing import NDArray

from jolly_ledge.model.piece import Corners
from jolly_ledge.photos.image import PhotoError, Pixels, smaller
from jolly_ledge.photos.perspective import View, in_order, project
from jolly_ledge.photos.rectify import Straight, straightened
from jolly_ledge.photos.things import LIGHTNESS_PULL, ThingPhoto, read_thing, thing_mask

PAPER_LIGHT, PAPER_GREY = 80.0, 10.0
"""Paper is at least so light (CIELAB) and has at most so much colour."""

LOOKED_AT = 900
LEAST_SHEET, MOST_SHEET = 0.002, 0.5
FULL = 0.8
"""A sheet fills so much of the quadrangle of its corners; what fills less is no sheet."""

FURTHEST_MM = 3000.0
"""So far from the sheet the picture is pulled straight; beyond, a length cannot be trusted."""

GRID = 41
"""Points along each side of the photograph that tell how far the plane of the sheet is seen."""

FINE = 2400
COARSE_PX_PER_MM, COARSE = 0.6, 1500
"""Things are found in a picture so coarse, and no larger; they are measured in the fine one."""

LEAST_DISTANCE = 9.0
LEAST_SIDE_MM, LEAST_AREA_MM2 = 12.0, 250.0
SHEET_RIM_MM = 12.0
MARGIN = 0.06
OVER_EACH_OTHER, NECK_MM = 0.6, 25.0
"""Two parts of one thing lie over each other by so much of the narrower, with no larger gap between them."""

TRUSTED = 0.75
"""Where the thing that is found fills less of its frame, the frame is taken for its size."""

HALF = 0.5
MOST_THINGS = 60


class Frame(Struct, frozen=True):
    """A rectangle round one thing in the straight picture (mm, y up)."""

    left: float
    bottom: float
    right: float
    top: float

    @property
    def width(self) -> float:
        """Its width."""
        return self.right - self.left

    @property
    def height(self) -> float:
        """Its height."""
        return self.top - self.bottom


class LaidOutThing(Struct, frozen=True, eq=False):
    """One thing that was found: its frame, its size with the error of each side (mm), its look, and its own picture."""

    frame: Frame
    width: float
    height: float
    width_error: float
    height_error: float
    found: ThingPhoto
    picture: Pixels


def sheet_in(image: Pixels) -> Corners | None:
    """Return the corners of the largest sheet of white paper in a photograph, roughly; None where none is seen.

    Parameters
    ----------
    image : array of uint8, shape (rows, columns, 3)
        An sRGB picture.
    """
    from scipy import ndimage
    from skimage.color import rgb2lab

    small = smaller(image, LOOKED_AT)
    lab = np.asarray(rgb2lab(small), np.float64)
    light = (lab[..., 0] > max(PAPER_LIGHT, np.percentile(lab[..., 0], 90) - 8)) & (
        np.hypot(lab[..., 1], lab[..., 2]) < PAPER_GREY
    )
    labels, count = ndimage.label(ndimage.binary_opening(light, iterations=2))
    best: tuple[int, NDArray[np.float64]] | None = None
    for number in range(1, count + 1):
        rows, columns = np.nonzero(labels == number)
        if not LEAST_SHEET <= len(rows) / labels.size <= MOST_SHEET or (best is not None and len(rows) <= best[0]):
            continue
        corners = _corners_of(columns.astype(float), rows.astype(float))
        if len(rows) >= FULL * _area(corners):
            best = (len(rows), corners)
    if best is None:
        return None
    share = image.shape[1] / small.shape[1]
    try:
        return in_order((best[1] + 0.5) * share)
    except PhotoError:
        return None


def _corners_of(x: NDArray[np.float64], y: NDArray[np.float64]) -> NDArray[np.float64]:
    """Return the four points that are outmost along the diagonals."""
    picks = [int(np.argmin(x + y)), int(np.argmax(x - y)), int(np.argmax(x + y)), int(np.argmin(x - y))]
    return np.array([(x[at], y[at]) for at in picks])


def _area(corners: NDArray[np.float64]) -> float:
    x, y = corners.T
    return float(abs(np.dot(x, np.roll(y, -1)) - np.dot(y, np.roll(x, -1))) / 2)


def pulled_straight(image: Pixels, view: View) -> Straight:
    """Return the plane of the sheet as far as the photograph shows it, pulled straight.

    Parameters
    ----------
    image : array of uint8, shape (rows, columns, 3)
        An sRGB picture.
    view : View
        Where the sheet lies in it.

    Raises
    ------
    PhotoError
        The marks make no rectangle that could be seen so.
    """
    height, width = image.shape[:2]
    rim = np.array([(x, y) for x in np.linspace(0, width, GRID) for y in np.linspace(0, height, GRID)])
    seen = project(view.to_front, rim)
    middle = view.known.left + view.known.width / 2, view.known.floor + view.known.height / 2
    near = seen[np.all(np.isfinite(seen) & (np.abs(seen - middle) < FURTHEST_MM), axis=1)]
    if len(near) < 3:
        raise PhotoError("The sheet is marked so that nothing beside it can be seen; mark its corners again.")
    (left, bottom), (right, top) = near.min(axis=0), near.max(axis=0)
    return straightened(image, view, float(left), float(bottom), float(right), float(top), FINE)


def frames_in(straight: Straight, view: View) -> tuple[Frame, ...]:
    """Return a frame for everything that stands out whole from a plain ground, from the left; not for the sheet.

    Parameters
    ----------
    straight : Straight
        The picture pulled straight.
    view : View
        Which sheet it was pulled straight by.

    Raises
    ------
    PhotoError
        Nothing stands out: the frames have to be drawn by hand.
    """
    from scipy import ndimage
    from skimage.color import rgb2lab

    step = max(straight.scale / COARSE_PX_PER_MM, max(straight.image.shape[:2]) / COARSE, 1.0)
    longest = round(max(straight.image.shape[:2]) / step)
    small = smaller(straight.image, longest)
    scale = small.shape[1] / straight.image.shape[1] * straight.scale
    lab = np.asarray(rgb2lab(small), np.float64)
    # Beyond the photograph the straight picture is black.
    shown = ndimage.binary_erosion(small.any(axis=2), iterations=3)
    ground = np.median(lab[shown], axis=0)
    away = np.linalg.norm((lab - ground) * np.array([LIGHTNESS_PULL, 1.0, 1.0]), axis=2)
    mask = (away > LEAST_DISTANCE) & shown & ~_sheet_mask(straight, view, small.shape[:2], scale)
    mask = ndimage.binary_closing(ndimage.binary_opening(mask, iterations=1), iterations=2)
    labels, _ = ndimage.label(mask)
    rim = np.unique(labels[~ndimage.binary_erosion(shown, iterations=3)])
    found = []
    for number, part in enumerate(ndimage.find_objects(labels), start=1):
        rows, columns = part
        frame = Frame(
            straight.left + columns.start / scale, straight.top - rows.stop / scale,
            straight.left + columns.stop / scale, straight.top - rows.start / scale,
        )  # fmt: skip
        covered = float((labels[part] == number).sum()) / scale**2
        is_whole = number not in rim
        if is_whole and min(frame.width, frame.height) >= LEAST_SIDE_MM and covered >= LEAST_AREA_MM2:
            found.append((covered, frame))
    frames = [frame for _, frame in sorted(found, key=lambda one: -one[0])[:MOST_THINGS]]
    if not frames:
        raise PhotoError("Nothing stands out from the ground; draw a frame round each thing.")
    return tuple(sorted(_without_inner(_joined(frames)), key=lambda frame: frame.left))


def _sheet_mask(straight: Straight, view: View, shape: tuple[int, int], scale: float) -> NDArray[np.bool_]:
    """Return where the sheet lies in a straight picture, with a rim."""
    rows, columns = np.mgrid[: shape[0], : shape[1]]
    x, y = straight.left + columns / scale, straight.top - rows / scale
    known = view.known
    return cast(
        "NDArray[np.bool_]",
        (x > known.left - SHEET_RIM_MM) & (x < known.left + known.width + SHEET_RIM_MM)
        & (y > known.floor - SHEET_RIM_MM) & (y < known.floor + known.height + SHEET_RIM_MM),
    )  # fmt: skip


def _joined(frames: list[Frame]) -> list[Frame]:
    """Return frames with those joined that stand over each other with hardly a gap: a shade and its foot."""
    joined = list(frames)
    for one in sorted(frames, key=lambda frame: frame.bottom):
        for other in joined:
            across = min(one.right, other.right) - max(one.left, other.left)
            gap = max(one.bottom, other.bottom) - min(one.top, other.top)
            beside = across < OVER_EACH_OTHER * min(one.width, other.width)
            if one is other or one not in joined or beside or not -NECK_MM < gap < NECK_MM:
                continue
            joined = [frame for frame in joined if frame not in (one, other)]
            joined.append(
                Frame(min(one.left, other.left), min(one.bottom, other.bottom), max(one.right, other.right),
                      max(one.top, other.top))
            )  # fmt: skip
            break
    return joined


def _without_inner(frames: list[Frame]) -> list[Frame]:
    """Leave out frames that lie within a larger one."""

    def within(inner: Frame, outer: Frame) -> bool:
        return (
            inner.left >= outer.left and inner.right <= outer.right
            and inner.bottom >= outer.bottom and inner.top <= outer.top
        )  # fmt: skip

    return [one for one in frames if not any(other is not one and within(one, other) for other in frames)]


def thing_in(straight: Straight, view: View, frame: Frame) -> LaidOutThing:
    """Return what a frame holds: its size, its colours, its outline.

    Parameters
    ----------
    straight : Straight
        The picture pulled straight.
    view : View
        Which sheet it was pulled straight by.
    frame : Frame
        Round the thing (mm); where the ground in it is plain, the thing's own edges are found.

    Raises
    ------
    PhotoError
        The frame lies outside the picture, or is nothing.
    """
    picture, left, top = _cut(straight, frame)
    found = read_thing(picture)
    if found.is_outlined:
        x, y, to_x, to_y = (edge / straight.scale for edge in _edges_of(picture))
        seen = Frame(left + x, top - to_y, left + to_x, top - y)
        if seen.width >= TRUSTED * frame.width and seen.height >= TRUSTED * frame.height:
            frame = seen
        else:
            # Only a part stands out: its colours are told, its outline is not that of the whole.
            found = replace(found, outline=(), aspect=None)
    low, right, high = (
        view.pixel(point)
        for point in ((frame.left, frame.bottom), (frame.right, frame.bottom), (frame.left, frame.top))
    )
    return LaidOutThing(
        frame, frame.width, frame.height, view.error(low, right), view.error(low, high), found, picture
    )  # fmt: skip


def _cut(straight: Straight, frame: Frame) -> tuple[Pixels, float, float]:
    """Return a frame of the picture with some ground about it, and its left and upper edge (mm)."""
    margin = MARGIN * max(frame.width, frame.height) + 4.0
    height, width = straight.image.shape[:2]
    columns = [
        round(min(max((x - straight.left) * straight.scale, 0), width))
        for x in (frame.left - margin, frame.right + margin)
    ]
    rows = [
        round(min(max((straight.top - y) * straight.scale, 0), height))
        for y in (frame.top + margin, frame.bottom - margin)
    ]
    picture = straight.image[rows[0] : rows[1], columns[0] : columns[1]]
    if min(picture.shape[:2]) < 8:
        raise PhotoError("The frame is too small, or lies outside the photograph; draw it round the thing.")
    return _with_ground(picture), straight.left + columns[0] / straight.scale, straight.top - rows[0] / straight.scale


def _with_ground(picture: Pixels) -> Pixels:
    """Return a cut picture in which what lies beyond the photograph has the colour of the ground beside it."""
    from scipy import ndimage

    labels, _ = ndimage.label(~picture.any(axis=2))
    rim = np.concatenate((labels[0], labels[-1], labels[:, 0], labels[:, -1]))
    beyond = np.isin(labels, rim[rim > 0])
    filled = picture.copy()
    if beyond.any():
        # The last pixels of the photograph are mixed with what is not there.
        beyond = ndimage.binary_dilation(beyond, iterations=3)
        beside = ndimage.binary_dilation(beyond, iterations=6) & ~beyond
        filled[beyond] = np.median(picture[beside if beside.any() else ~beyond], axis=0)
    return filled


def _edges_of(picture: Pixels) -> tuple[float, float, float, float]:
    """Return the left, upper, right and lower edge of the thing in a cut picture, in its pixels.

    Notes
    -----
    An edge is blurred over some pixels; it lies where half of the step from the ground to the thing is done.
    """
    from scipy import ndimage
    from skimage.color import rgb2lab

    small = smaller(picture, LOOKED_AT)
    lab = np.asarray(rgb2lab(small), np.float64)
    mask = thing_mask(lab)
    assert mask is not None, "it was outlined"
    pull = np.array([LIGHTNESS_PULL, 1.0, 1.0])
    outside = ~ndimage.binary_dilation(mask, iterations=4)
    ground = np.median(lab[outside if outside.any() else ~mask], axis=0)
    away = np.linalg.norm((lab - ground) * pull, axis=2)
    inner = ndimage.binary_erosion(mask, iterations=2) & ~ndimage.binary_erosion(mask, iterations=5)
    step = float(np.median(away[inner if inner.any() else mask]))
    sure = ndimage.binary_dilation(mask, iterations=1) & (away > HALF * step)
    rows, columns = (np.flatnonzero(sure.any(axis=axis)) for axis in (1, 0))
    share = picture.shape[1] / small.shape[1]
    return columns[0] * share, rows[0] * share, (columns[-1] + 1) * share, (rows[-1] + 1) * share
