"""What a photograph of one thing tells: its main colours with shares, and its outline."""

from typing import Literal

import numpy as np
from msgspec import Struct
from msgspec.structs import replace
from numpy.typing import NDArray

from jolly_ledge.model.item import ColourShare, Item, OutlinePoint
from jolly_ledge.photos.image import PhotoError, Pixels, smaller
from jolly_ledge.photos.light import encoded, linear_of

Reference = Literal["white", "grey", "card"]
"""A spot that should be without colour: white paper, any grey, or a photographer's grey card."""

WORKING_SIDE = 700
BORDER = 0.03
PLAIN_SPREAD = 9.0
"""Lab distance within which the border of a picture counts as one plain ground."""

LIGHTNESS_PULL = 0.45
"""A thing's own shades and its shadow on the ground differ in lightness first; that counts less."""

LEAST_DISTANCE = 7.0
SMALLEST_SHARE = 0.01
SMALLEST_HOLE = 0.015
CLUSTERS = 10
SAME_COLOUR = 14.0
"""Two clusters nearer than this (weighted Lab) are one colour to the eye."""

LEAST_COLOUR = 0.04
MOST_COLOURS = 4
MOST_POINTS = 140
MOST_HOLES = 3
SEED = 7


class ThingPhoto(Struct, frozen=True):
    """What was found: colours with shares, largest first; an outline where the ground was plain."""

    colours: tuple[ColourShare, ...]
    outline: tuple[OutlinePoint, ...]
    aspect: float | None
    """Width over height of the outline, None without one."""

    @property
    def is_outlined(self) -> bool:
        """Whether the thing was told from its ground."""
        return bool(self.outline)


def balanced(image: Pixels, x: int, y: int, reference: Reference = "white") -> Pixels:
    """Return a picture in which a picked spot is without colour.

    ``white`` becomes as light as paper, ``card`` 18 % grey, ``grey`` keeps its lightness.

    Parameters
    ----------
    image : array of uint8, shape (rows, columns, 3)
        An sRGB picture.
    x : int
        Of the spot, in pixels.
    y : int
        Of the spot, in pixels down.
    reference : Reference
        What the spot is known to be.

    Raises
    ------
    PhotoError
        The spot is burnt out or black: it tells nothing of the light.

    Notes
    -----
    Scaling of linear red, green and blue (von Kries, in the camera's own primaries).
    """
    height, width = image.shape[:2]
    reach = max(min(height, width) // 100, 2)
    spot = image[max(y - reach, 0) : y + reach + 1, max(x - reach, 0) : x + reach + 1]
    if spot.size == 0:
        raise PhotoError("The spot lies outside the picture; pick one inside.")
    found = np.median(linear_of(spot).reshape(-1, 3), axis=0)
    if found.max() >= 0.995 or found.min() <= 0.002:
        raise PhotoError("That spot is burnt out or black and tells nothing of the light; pick a softer one.")
    own = float(found @ np.array([0.2126, 0.7152, 0.0722]))
    wanted = {"white": 0.88, "card": 0.18, "grey": own}[reference]
    return encoded(linear_of(image) * (wanted / found))


def read_thing(image: Pixels) -> ThingPhoto:
    """Return the colours of the thing in a picture, and its outline if the ground is plain.

    Parameters
    ----------
    image : array of uint8, shape (rows, columns, 3)
        An sRGB picture.

    Raises
    ------
    PhotoError
        The whole picture is one plain colour.
    """
    from skimage.color import rgb2lab

    small = smaller(image, WORKING_SIDE)
    lab = np.asarray(rgb2lab(small), np.float64)
    mask = thing_mask(lab)
    if mask is None:
        height, width = lab.shape[:2]
        inner = lab[height // 5 : -height // 5, width // 5 : -width // 5]
        return ThingPhoto(colours_of(inner.reshape(-1, 3)), (), None)
    outline, aspect = outline_of(mask)
    return ThingPhoto(colours_of(_inner_pixels(lab, mask)), outline, aspect)


def pictured(item: Item, found: ThingPhoto, photo: str, height: float | None = None, *, outlined: bool = True) -> Item:
    """Return a thing with what its photograph tells.

    Parameters
    ----------
    item : Item
        As a line described it.
    found : ThingPhoto
        Its colours and, before a plain ground, its outline.
    photo : str
        The name the photograph is kept under.
    height : float, optional
        Its height as measured (mm); a guess stays a guess without it.
    outlined : bool
        Whether the outline becomes its silhouette. A width nobody told then follows from the height,
        and is as sure as the height is.
    """
    guessed = set(item.guessed)
    if height is not None:
        guessed.discard("height")
    tall = item.height if height is None else height
    width, depth = item.width, item.depth
    outline = found.outline if outlined else ()
    if outline and found.aspect is not None and "width" in guessed:
        width = max(float(round(tall * found.aspect)), 2.0)
        depth = width if item.width == item.depth and "depth" in guessed else depth
        if "height" not in guessed:
            guessed.discard("width")
    return replace(
        item,
        width=width,
        height=tall,
        depth=depth,
        colours=found.colours,
        outline=outline,
        photo=photo,
        guessed=tuple(side for side in item.guessed if side in guessed),
    )


def thing_mask(lab: NDArray[np.float64]) -> NDArray[np.bool_] | None:
    """Return which pixels belong to the thing, or None where the ground is not plain.

    Parameters
    ----------
    lab : array of float, shape (rows, columns, 3)
        A picture in CIELAB.

    Raises
    ------
    PhotoError
        Nothing stands out from the ground.
    """
    from scipy import ndimage
    from skimage.filters import threshold_otsu

    height, width = lab.shape[:2]
    edge = max(round(min(height, width) * BORDER), 2)
    border = np.concatenate([lab[:edge].reshape(-1, 3), lab[:, :edge].reshape(-1, 3), lab[:, -edge:].reshape(-1, 3)])
    ground = np.median(border, axis=0)
    pull = np.array([LIGHTNESS_PULL, 1.0, 1.0])
    if float(np.percentile(np.linalg.norm((border - ground) * pull, axis=1), 85)) > PLAIN_SPREAD:
        return None
    away = np.linalg.norm((lab - ground) * pull, axis=2)
    threshold = max(min(float(threshold_otsu(away)), 24.0) * 0.6, LEAST_DISTANCE)
    found = ndimage.binary_opening(away > threshold, iterations=1)
    found = _without_small_holes(found)
    labels, count = ndimage.label(found)
    if not count:
        raise PhotoError("Nothing stands out from the ground in this picture; take it before a plainer wall.")
    sizes = np.bincount(labels.ravel())
    sizes[0] = 0
    if sizes.max() < SMALLEST_SHARE * labels.size:
        raise PhotoError("Nothing stands out from the ground in this picture; take it before a plainer wall.")
    mask = labels == int(np.argmax(sizes))
    touched = sum(bool(side.mean() > 0.5) for side in (mask[0], mask[-1], mask[:, 0], mask[:, -1]))
    return None if touched >= 2 else mask


def _without_small_holes(found: NDArray[np.bool_]) -> NDArray[np.bool_]:
    """Return a mask with lights and specks filled; a hole as large as that of a handle stays."""
    from scipy import ndimage

    holes, count = ndimage.label(ndimage.binary_fill_holes(found) & ~found)
    if not count:
        return found
    sizes = np.bincount(holes.ravel())
    large = np.flatnonzero(sizes >= SMALLEST_HOLE * found.sum())
    return np.asarray(found | ((holes > 0) & ~np.isin(holes, large)))


def _inner_pixels(lab: NDArray[np.float64], mask: NDArray[np.bool_]) -> NDArray[np.float64]:
    from scipy import ndimage

    inner = ndimage.binary_erosion(mask, iterations=2)
    return lab[inner if inner.any() else mask]


def colours_of(pixels: NDArray[np.float64]) -> tuple[ColourShare, ...]:
    """Return up to four colours of Lab pixels with their shares, largest first; shares sum to one.

    Parameters
    ----------
    pixels : array of float, shape (n, 3)
        In CIELAB.

    Notes
    -----
    k-means from a fixed seed in CIELAB with lightness counting half, so that a turned vase in side light
    stays one colour; clusters nearer than ``SAME_COLOUR`` are joined, the rest is shared out.
    """
    from scipy.cluster.vq import kmeans2
    from skimage.color import lab2rgb

    rng = np.random.default_rng(SEED)
    sample = pixels if len(pixels) <= 8000 else pixels[rng.choice(len(pixels), 8000, replace=False)]
    pull = np.array([LIGHTNESS_PULL, 1.0, 1.0])
    count = min(CLUSTERS, len(np.unique(sample.round(1), axis=0)))
    _, labels = kmeans2(sample * pull, count, minit="++", rng=rng, missing="warn") if count > 1 else (
        None, np.zeros(len(sample), int))  # fmt: skip
    groups = [sample[labels == index] for index in range(count) if (labels == index).any()]
    groups.sort(key=len, reverse=True)
    joined: list[list[NDArray[np.float64]]] = []
    for group in groups:
        middle = np.median(group, axis=0) * pull
        near = next((j for j in joined if np.linalg.norm(np.median(j[0], axis=0) * pull - middle) < SAME_COLOUR), None)
        if near is None:
            joined.append([group])
        else:
            near.append(group)
    merged = sorted((np.concatenate(parts) for parts in joined), key=len, reverse=True)
    kept = [part for part in merged if len(part) >= LEAST_COLOUR * len(sample)][:MOST_COLOURS] or merged[:1]
    whole = sum(len(part) for part in kept)
    found = []
    for part in kept:
        red, green, blue = np.clip(lab2rgb(np.median(part, axis=0)[None, None])[0, 0] * 255 + 0.5, 0, 255).astype(int)
        found.append((f"#{red:02x}{green:02x}{blue:02x}", round(len(part) / whole, 2)))
    return tuple(found)


def outline_of(mask: NDArray[np.bool_]) -> tuple[tuple[OutlinePoint, ...], float]:
    """Return the outline of a mask in its own widths (from the middle) and heights (up), and width over height.

    Parameters
    ----------
    mask : array of bool, shape (rows, columns)
        The pixels of a thing.

    Notes
    -----
    One closed line: a hole, as that of a handle, is joined to the edge by a cut there and back between the
    nearest points, so that whoever fills the line leaves the hole open.
    """
    from scipy.ndimage import gaussian_filter
    from skimage.measure import find_contours

    padded = np.pad(mask.astype(np.float64), 3)
    contours = sorted(find_contours(gaussian_filter(padded, 1.2), 0.5), key=len, reverse=True)
    outer, *inner = contours
    holes = [ring for ring in inner if _ring_area(ring) >= SMALLEST_HOLE * mask.sum()][:MOST_HOLES]
    room = MOST_POINTS // (1 + len(holes))
    points = _simpler(outer, room)
    (top, left), (bottom, right) = points.min(axis=0), points.max(axis=0)
    height, width = bottom - top, right - left
    for ring in holes:
        points = _joined(points, _simpler(ring, room))
    outline = tuple(
        (
            round(float(np.clip((x - (left + right) / 2) / width, -0.5, 0.5)), 4),
            round(float(np.clip((bottom - y) / height, 0, 1)), 4),
        )
        for y, x in points
    )
    return outline, float(width / height)


def _simpler(ring: NDArray[np.float64], most: int) -> NDArray[np.float64]:
    """Return a closed ring (rows, columns) with at most so many points, its end left out."""
    from skimage.measure import approximate_polygon

    tolerance = 0.004 * float(np.ptp(ring[:, 0]))
    points = approximate_polygon(ring, tolerance)
    while len(points) > most:
        tolerance *= 1.4
        points = approximate_polygon(ring, tolerance)
    return np.asarray(points[:-1])


def _joined(outer: NDArray[np.float64], hole: NDArray[np.float64]) -> NDArray[np.float64]:
    """Return a line with a hole joined to it where they are nearest."""
    away = np.linalg.norm(outer[:, None] - hole[None], axis=2)
    at, start = np.unravel_index(int(np.argmin(away)), away.shape)
    turned = np.roll(hole, -int(start), axis=0)
    return np.concatenate([outer[: at + 1], turned, turned[:1], outer[at:]])


def _ring_area(ring: NDArray[np.float64]) -> float:
    y, x = ring[:, 0], ring[:, 1]
    return abs(float(np.dot(x, np.roll(y, 1)) - np.dot(y, np.roll(x, 1)))) / 2
