"""A picture to follow: what an arrangement somebody likes is like, measured by the eye of the photograph check.

Nothing of the picture is copied: what is measured is a manner, and what cannot be measured well is told as a guess.
"""

from collections import defaultdict
from itertools import pairwise

import numpy as np
from msgspec import Struct
from numpy.typing import NDArray

from jolly_ledge.model.hue_family import hue_family
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import listed, percent
from jolly_ledge.model.value import changed
from jolly_ledge.model.words import Figure, Fullness, Ground
from jolly_ledge.photos.check import eye_of
from jolly_ledge.photos.image import PhotoError, Pixels, smaller

LONGEST_PX, ACROSS_MM = 480, 1300.0
"""A picture is read so small, as if it showed so much of a piece from end to end."""

LITTLE, RUNS_THROUGH, LEAST_SHARE, MOST_COLOURS = 6.0, 0.85, 0.07, 4
"""From this weight a point stands out; rows and columns that do so nearly wholly are furniture; hues of a smaller share
are not told.
"""

COLUMNS, MIRRORED_FROM, SURELY_MIRRORED, WEAVES_FROM, RISES = 48, 0.62, 0.75, 4, 0.16
"""The skyline is read in so many columns; a mirrored one answers itself so well, a woven one rises so
often. Only what is plainly mirrored is sure: a mirror on the wall answers itself, too.
"""

STRONG, CLOSE = 34.0, 15.0
"""Steps of lightness between what stands out and what is behind it."""

FULL: tuple[tuple[float, Fullness], ...] = ((0.26, "airy"), (0.65, "layered"), (1.0, "abundant"))
SMOOTHED_COLUMNS, EDGE_PX, CLOSED_PX = 1.5, 2, 3
COARSE, GROUND_SHARE, GROUND_NEAR = 32, 0.12, 10.0
"""What is behind shows in so large a share of what does not stand out; colours so near to it (CIELAB) belong to it."""


class PictureRead(Struct, frozen=True):
    """What a picture shows.

    ``palette`` are colours with their shares of what stands out, one of each family of hue, the largest first;
    ``skyline`` how high things reach in each column from the left (0 to 1); ``symmetry`` how well the left answers the
    right (1 wholly, 0 not at all); ``covered`` the share of the picture that things take; ``tone_step`` how far they
    stand off the ground in lightness (CIELAB).
    """

    palette: tuple[tuple[str, float], ...]
    skyline: tuple[float, ...]
    symmetry: float
    covered: float
    tone_step: float

    @property
    def figure(self) -> Figure:
        """The figure that comes nearest."""
        if self.symmetry >= MIRRORED_FROM:
            return "mirrored"
        return "weave" if _rises(self.skyline) >= WEAVES_FROM else "peaks"

    @property
    def fullness(self) -> Fullness:
        """The fullness that comes nearest; how full a picture is can hardly be measured without knowing its things."""
        return next(fullness for most, fullness in FULL if self.covered <= most)

    @property
    def ground(self) -> Ground:
        """Whether things stand out from what is behind, blend with it, or neither."""
        return "stand-out" if self.tone_step >= STRONG else "blend" if self.tone_step <= CLOSE else "any"


class Followed(Struct, frozen=True):
    """One thing that may be taken over from a picture: a field of the manner, its value, a sentence, how sure it is."""

    field: str
    value: object
    said: str
    is_sure: bool = True


def part_of(image: Pixels, part: tuple[float, float, float, float]) -> Pixels:
    """Return a part of a picture.

    Parameters
    ----------
    image : array (height, width, 3) of uint8
    part : (float, float, float, float)
        Left, top, right and bottom, in percent of its width and height.

    Raises
    ------
    PhotoError
        The part has no width or no height.
    """
    left, top, right, bottom = part
    if not (0 <= left < right <= 100 and 0 <= top < bottom <= 100):
        raise PhotoError(
            "That is no part of a picture; type its left, top, right and bottom in percent, from 0 to 100."
        )
    height, width = image.shape[:2]
    down, along = (
        slice(int(top * height / 100), -int(-bottom * height // 100)),
        slice(int(left * width / 100), -int(-right * width // 100)),
    )
    return image[down, along]


def read_picture(image: Pixels) -> PictureRead:
    """Read what an arrangement in a picture is like.

    Parameters
    ----------
    image : array (height, width, 3) of uint8
        The arrangement fills the picture, seen about straight.
    """
    from skimage.color import rgb2lab

    small = smaller(image, LONGEST_PX)
    lab = np.asarray(rgb2lab(small), np.float64)
    seen = eye_of(lab, small.shape[1] / ACROSS_MM).weights
    mask = _without_furniture((seen >= LITTLE) & ~_is_ground(small, lab, seen))
    things = _filled(mask)
    tones = lab[:, :, 0]
    step = float(abs(np.median(tones[mask]) - np.median(tones[~things]))) if mask.any() and not things.all() else 0.0
    skyline = _skyline(mask)
    return PictureRead(
        palette=_palette(small, mask),
        skyline=tuple(float(one) for one in skyline),
        symmetry=_symmetry(seen * mask, skyline),
        covered=float(things.mean()),
        tone_step=step,
    )


def followed(read: PictureRead) -> tuple[Followed, ...]:
    """Return what may be taken over into a manner, what is sure before what is guessed."""
    families = listed([f"{hue_family(colour)} {percent(share)}" for colour, share in read.palette])
    figures = {"peaks": "triangles set against each other", "weave": "a zigzag of left, right and centre",
               "mirrored": "pairs about the middle"}  # fmt: skip
    grounds = {"stand-out": "strong against what is behind", "blend": "close to what is behind",
               "any": "neither strong nor close against what is behind"}  # fmt: skip
    taken = [
        Followed("palette", tuple(colour for colour, _ in read.palette), f"Colours: {families}"),
        Followed(
            "figure", read.figure,
            f"Skyline: {'' if read.symmetry >= SURELY_MIRRORED else 'a guess, '}{figures[read.figure]}",
            is_sure=read.symmetry >= SURELY_MIRRORED,
        ),
        Followed("ground", read.ground, f"Tones: {grounds[read.ground]}"),
        Followed(
            "fullness", read.fullness,
            f"Fullness: a guess, {read.fullness}; {percent(read.covered)} is covered",
            is_sure=False,
        ),
    ]  # fmt: skip
    return tuple(one for one in taken if one.value or one.field != "palette")


def manner_following(manner: Manner, chosen: tuple[Followed, ...]) -> Manner:
    """Return a manner with what was chosen of a picture."""
    return changed(manner, **{one.field: one.value for one in chosen})


def _is_ground(image: Pixels, lab: NDArray[np.float64], seen: NDArray[np.float64]) -> NDArray[np.bool_]:
    """Return where a picture shows what is behind: the commonest colours of what does not stand out, and what is near.

    Beside a dark thing the wall stands out from its surroundings, too; it is no thing for that.
    """
    calm = image[seen < LITTLE].astype(int) // COARSE
    if not len(calm):
        return np.zeros(seen.shape, np.bool_)
    _, at, counts = np.unique(calm, axis=0, return_inverse=True, return_counts=True)
    middles = lab[seen < LITTLE]
    ground = np.zeros(seen.shape, np.bool_)
    for index in np.flatnonzero(counts >= GROUND_SHARE * len(calm)):
        middle = np.median(middles[at.ravel() == index], axis=0)
        ground |= np.sqrt(((lab - middle) ** 2).sum(axis=2)) < GROUND_NEAR
    return ground


def _without_furniture(mask: NDArray[np.bool_]) -> NDArray[np.bool_]:
    """Return a mask without what runs through from end to end or from foot to head: boards, tops and uprights."""
    boards = mask.mean(axis=1, keepdims=True) >= RUNS_THROUGH
    uprights = (mask & ~boards).mean(axis=0, keepdims=True) >= RUNS_THROUGH
    return np.asarray(mask & ~boards & ~uprights, np.bool_)


def _filled(mask: NDArray[np.bool_]) -> NDArray[np.bool_]:
    """Return what stands out as whole bodies: gaps closed and holes filled."""
    from scipy.ndimage import binary_closing, binary_fill_holes

    return np.asarray(binary_fill_holes(binary_closing(mask, iterations=CLOSED_PX)), np.bool_)


def _palette(image: Pixels, mask: NDArray[np.bool_]) -> tuple[tuple[str, float], ...]:
    """Return the hues of what stands out with their shares, each by its commonest colour."""
    from scipy.ndimage import binary_erosion

    # Edges are mixed with what is behind them.
    inner = binary_erosion(mask, iterations=EDGE_PX)
    steps = (image[inner if inner.any() else mask].astype(int) // 12) * 12 + 6
    if not len(steps):
        return ()
    colours, counts = np.unique(steps, axis=0, return_counts=True)
    families: dict[str, list[tuple[int, str]]] = defaultdict(list)
    for (red, green, blue), count in zip(colours.tolist(), counts.tolist(), strict=True):
        code = f"#{min(red, 255):02x}{min(green, 255):02x}{min(blue, 255):02x}"
        families[hue_family(code)].append((count, code))
    whole = int(counts.sum())
    shares = [(max(found)[1], sum(count for count, _ in found) / whole) for found in families.values()]
    told = [one for one in sorted(shares, key=lambda one: -one[1]) if one[1] >= LEAST_SHARE]
    return tuple((colour, round(share, 2)) for colour, share in told[:MOST_COLOURS])


def _skyline(mask: NDArray[np.bool_]) -> NDArray[np.float64]:
    """Return how high things reach, column by column, smoothed a little (0 the foot of the picture, 1 its head)."""
    from scipy.ndimage import gaussian_filter1d

    height, width = mask.shape
    bounds = np.linspace(0, width, COLUMNS + 1).round().astype(int)
    reached = [
        1 - float(np.argmax(part.any(axis=1))) / height if (part := mask[:, left:right]).any() else 0.0
        for left, right in pairwise(bounds.tolist())
    ]  # fmt: skip
    return np.asarray(gaussian_filter1d(np.array(reached), SMOOTHED_COLUMNS), np.float64)


def _symmetry(weights: NDArray[np.float64], skyline: NDArray[np.float64]) -> float:
    """Return how well the left answers the right: of the weights, blurred, and of the skyline, 0 to 1."""
    from scipy.ndimage import gaussian_filter

    blurred = gaussian_filter(weights, weights.shape[1] * 0.03)
    found = [_alike(blurred, blurred[:, ::-1]), _alike(skyline, skyline[::-1])]
    return max(float(np.mean(found)), 0.0)


def _alike(one: NDArray[np.float64], other: NDArray[np.float64]) -> float:
    if one.std() < 1e-9:
        return 1.0
    return float(np.corrcoef(one.ravel(), other.ravel())[0, 1])


def _rises(skyline: tuple[float, ...]) -> int:
    from scipy.signal import find_peaks

    line = np.concatenate(([0.0], skyline, [0.0]))
    return len(find_peaks(line, prominence=RISES * max(float(line.max()), 1e-9))[0])
