"""The finished piece in a photograph against its plan: the same eye on pixels, and where each thing really stands.

Both pictures show the front of the piece at one scale, the upper left corner of the piece in their first pixel.
"""

from collections.abc import Sequence
from typing import Literal

import numpy as np
from msgspec import Struct
from numpy.typing import NDArray

from jolly_ledge.photos.image import Pixels

LOCAL_MM = 90.0
"""How far around a point the eye takes its surroundings."""

REACH_MM = (170.0, 60.0)
"""How far along and up a thing is looked for from its planned place."""

FOUND, CLEARER = 0.65, 0.04
"""A patch so like its plan is the thing; it stands elsewhere when it is so much liker there."""

FAR_COST = 0.12
"""How much liker a place at the end of the reach must be than one where the thing is expected."""

FEWEST_FOR_DRIFT = 6
FLAT = np.array((1.0, 0.6, 0.6))
"""How light and hue enter the plane in which patches are compared."""

AS_PLANNED_MM = 15.0
STRANGE_DIFFERENCE, STRANGE_MM = 16.0, 55.0
"""Colours so far apart (CIELAB), over a place so wide and high, are something that is not in the plan."""

SMALLEST_PX = 8
COVERED = 0.1
"""So much of a thing must lie behind another for it to hide whether it was moved."""

State = Literal["as planned", "moved", "not found", "covered"]
"""Covered is what cannot be told, for something that was moved stands before it."""
Plane = NDArray[np.float64]


class PlannedThing(Struct, frozen=True):
    """Where a thing is drawn in the plan, from the piece's left end and its upper edge (mm)."""

    placement: str
    left: float
    top: float
    right: float
    bottom: float


class FoundThing(Struct, frozen=True):
    """Where a thing was found: how far right and up of its plan (mm), and how like its drawing it is (0 to 1)."""

    placement: str
    state: State
    along: float
    upward: float
    likeness: float


class Eye(Struct, frozen=True, eq=False):
    """What the eye weighs in a picture: a map of contrast, and what it comes to.

    ``balance`` is where the weight lies along the piece: −1 at the left end, 0 in the middle; ``low`` how high its
    centre lies (0 to 1). The shares are of the weight left of the middle, and above it.
    """

    weights: Plane
    balance: float
    low: float
    left_share: float
    top_share: float
    contrast: float


class Place(Struct, frozen=True):
    """A place on the front (mm, from the left end and the upper edge)."""

    left: float
    top: float
    width: float
    height: float


class PhotoCheck(Struct, frozen=True, eq=False):
    """What a photograph tells beside its plan."""

    planned: Eye
    seen: Eye
    things: tuple[FoundThing, ...]
    strange: tuple[Place, ...]


def check_photo(planned: Pixels, seen: Pixels, scale: float, things: Sequence[PlannedThing]) -> PhotoCheck:
    """Compare a straightened photograph with the drawing of the plan.

    Parameters
    ----------
    planned, seen : arrays (height, width, 3) of uint8
        Both of one size.
    scale : float
        Pixels for one mm.
    things : sequence of PlannedThing
        What is to be found, the far ones first; hidden things are left out.
    """
    lab_planned, lab_seen = _lab(planned), _lab(seen)
    aligned = _aligned(lab_planned, _evened(lab_seen, lab_planned), scale, things)
    flat_planned, flat_seen = _flat(lab_planned), _flat(aligned)
    found = _without_followers(things, tuple(_found(flat_planned, flat_seen, scale, thing) for thing in things))
    return PhotoCheck(
        planned=eye_of(lab_planned, scale),
        seen=eye_of(lab_seen, scale),
        things=found,
        strange=_strange(lab_planned, aligned, scale, things, found),
    )


def _lab(pixels: Pixels) -> Plane:
    from skimage.color import rgb2lab

    return np.asarray(rgb2lab(pixels), np.float64)


def _evened(seen: Plane, planned: Plane) -> Plane:
    """Return the photograph in the light of the drawing: each channel has its middle and its spread."""
    axes = (0, 1)
    middle, spread = np.median(seen, axes), np.std(seen, axes)
    wanted_middle, wanted_spread = np.median(planned, axes), np.std(planned, axes)
    share = np.clip(wanted_spread / np.maximum(spread, 1e-6), 0.5, 2.0)
    return np.asarray((seen - middle) * share + wanted_middle, np.float64)


def eye_of(lab: Plane, scale: float) -> Eye:
    """Return what the eye weighs: how far every point stands out from its surroundings (CIELAB difference).

    Parameters
    ----------
    lab : array of float, shape (rows, columns, 3)
        A picture in CIELAB.
    scale : float
        How many pixels a millimetre takes.

    >>> picture = np.zeros((60, 100, 3)); picture[20:40, 70:90, 0] = 80.0
    >>> eye = eye_of(picture, 0.2)
    >>> round(eye.balance, 1), eye.left_share < 0.2
    (0.6, True)
    """
    from scipy.ndimage import gaussian_filter

    sigma = max(LOCAL_MM * scale, 1.0)
    around = gaussian_filter(lab, (sigma, sigma, 0), mode="nearest")
    weights = np.sqrt(((lab - around) ** 2).sum(axis=2))
    # Grain and the weave of a drawing say nothing.
    weights = np.maximum(weights - 2.0, 0.0)
    whole = float(weights.sum())
    height, width = weights.shape
    if whole <= 0:
        return Eye(weights, 0.0, 0.5, 0.5, 0.5, 0.0)
    across = (np.arange(width) + 0.5) / width
    down = (np.arange(height) + 0.5) / height
    x = float((weights.sum(axis=0) * across).sum() / whole)
    y = float((weights.sum(axis=1) * down).sum() / whole)
    return Eye(
        weights=weights,
        balance=2 * x - 1,
        low=1 - y,
        left_share=float(weights[:, : width // 2].sum() / whole),
        top_share=float(weights[: height // 2].sum() / whole),
        contrast=whole / weights.size,
    )


def _aligned(planned: Plane, seen: Plane, scale: float, things: Sequence[PlannedThing]) -> Plane:
    """Return the photograph with what the marks of the corners are off taken out.

    What most things agree on is no move of theirs: an affine map of all their places, found against outliers (RANSAC).
    """
    from skimage.measure import ransac
    from skimage.transform import AffineTransform, EuclideanTransform, warp

    flat_planned, flat_seen = _flat(planned), _flat(seen)
    matches = [(thing, _find(flat_planned, flat_seen, scale, thing)) for thing in things]
    sure = [(thing, match) for thing, match in matches if match.likeness >= FOUND]
    if not sure:
        return seen
    places = np.array([((thing.left + thing.right) / 2, (thing.top + thing.bottom) / 2) for thing, _ in sure]) * scale
    found = places + np.array([(match.along, -match.upward) for _, match in sure]) * scale
    middle = np.median(found - places, axis=0)
    model = EuclideanTransform(translation=middle) if len(sure) > 2 else EuclideanTransform()
    if len(sure) >= FEWEST_FOR_DRIFT:
        fitted, inliers = ransac(
            (places, found), AffineTransform, min_samples=4, residual_threshold=AS_PLANNED_MM / 2 * scale,
            max_trials=400, rng=1,
        )  # fmt: skip
        if fitted is not None and inliers is not None and inliers.sum() >= len(sure) / 2:
            model = fitted
    return np.asarray(warp(seen, model, mode="edge", preserve_range=True), np.float64)


def _found(planned: Plane, seen: Plane, scale: float, thing: PlannedThing) -> FoundThing:
    match = _find(planned, seen, scale, thing)
    if match.likeness < FOUND:
        return FoundThing(thing.placement, "not found", 0.0, 0.0, match.likeness)
    if max(abs(match.along), abs(match.upward)) > AS_PLANNED_MM and match.gain > CLEARER:
        return FoundThing(thing.placement, "moved", match.along, match.upward, match.likeness)
    return FoundThing(thing.placement, "as planned", 0.0, 0.0, match.likeness)


def _without_followers(things: Sequence[PlannedThing], found: tuple[FoundThing, ...]) -> tuple[FoundThing, ...]:
    """Return what was found; what stands behind a moved thing and seems to follow it, or is gone, cannot be told."""
    settled = list(found)
    for number, (thing, where) in enumerate(zip(things, found, strict=True)):
        if where.state == "as planned":
            continue
        for other, its in zip(things[number + 1 :], found[number + 1 :], strict=True):
            if its.state != "moved":
                continue
            there = PlannedThing(
                other.placement, other.left + its.along, other.top, other.right + its.along, other.bottom
            )
            whole = (thing.right - thing.left) * (thing.bottom - thing.top)
            covered = max(_overlap(thing, other), _overlap(thing, there)) / max(whole, 1.0)
            follows = where.state == "moved" and abs(its.along - where.along) < AS_PLANNED_MM
            if covered > COVERED and (follows or where.state == "not found"):
                settled[number] = FoundThing(thing.placement, "covered", 0.0, 0.0, where.likeness)
    return tuple(settled)


def _overlap(one: PlannedThing, other: PlannedThing) -> float:
    """Return the area two things share in the drawing, in mm²."""
    across = min(one.right, other.right) - max(one.left, other.left)
    down = min(one.bottom, other.bottom) - max(one.top, other.top)
    return max(across, 0.0) * max(down, 0.0)


def _flat(lab: Plane) -> Plane:
    """Return one plane in which both light and hue are seen, for patches to be compared in."""
    return np.asarray(lab @ FLAT, np.float64)


class _Match(Struct, frozen=True):
    """Where a patch is liked best (mm from its plan, y up), how much, and how much more than where it is planned."""

    along: float
    upward: float
    likeness: float
    gain: float


def _find(planned: Plane, seen: Plane, scale: float, thing: PlannedThing) -> _Match:
    """Look for a thing about its planned place, by normalised cross-correlation; near is believed before far."""
    from skimage.feature import match_template

    height, width = planned.shape
    left, top = max(round(thing.left * scale), 0), max(round(thing.top * scale), 0)
    right, bottom = min(round(thing.right * scale), width), min(round(thing.bottom * scale), height)
    if right - left < SMALLEST_PX or bottom - top < SMALLEST_PX:
        return _Match(0.0, 0.0, 1.0, 0.0)
    reach_x, reach_y = (max(round(reach * scale), 1) for reach in REACH_MM)
    from_x, from_y = max(left - reach_x, 0), max(top - reach_y, 0)
    window = seen[from_y : min(bottom + reach_y, height), from_x : min(right + reach_x, width)]
    scores = np.asarray(match_template(window, planned[top:bottom, left:right]), np.float64)
    rows, columns = np.indices(scores.shape)
    away = np.hypot((columns - (left - from_x)) / reach_x, (rows - (top - from_y)) / reach_x)
    row, column = (int(n) for n in np.unravel_index(int(np.argmax(scores - FAR_COST * away)), scores.shape))
    near = scores[min(top - from_y, scores.shape[0] - 1), min(left - from_x, scores.shape[1] - 1)]
    best = float(scores[row, column])
    along = (column + _between(scores[row, :], column) - (left - from_x)) / scale
    upward = -(row + _between(scores[:, column], row) - (top - from_y)) / scale
    return _Match(along, upward, max(best, 0.0), best - float(near))


def _between(scores: Plane, peak: int) -> float:
    """Return how far from a peak the top of the parabola through it and its neighbours lies (−0.5 to 0.5)."""
    if not 0 < peak < len(scores) - 1:
        return 0.0
    before, at, after = (float(scores[peak + step]) for step in (-1, 0, 1))
    bend = before - 2 * at + after
    return 0.0 if bend >= 0 else float(np.clip((before - after) / (2 * bend), -0.5, 0.5))


def _strange(
    planned: Plane, seen: Plane, scale: float, things: Sequence[PlannedThing], found: Sequence[FoundThing]
) -> tuple[Place, ...]:
    """Return where the photograph differs from the plan, and no thing that is moved or missing explains it."""
    from scipy.ndimage import find_objects, gaussian_filter, label

    sigma = max(STRANGE_MM * scale / 4, 1.0)
    apart = np.sqrt(((gaussian_filter(planned, (sigma, sigma, 0)) - gaussian_filter(seen, (sigma, sigma, 0))) ** 2)
                    .sum(axis=2))  # fmt: skip
    differs = apart > STRANGE_DIFFERENCE
    margin = STRANGE_MM / 2
    for thing, where in zip(things, found, strict=True):
        if where.state == "as planned":
            continue
        for along, upward in ((0.0, 0.0), (where.along, where.upward)):
            rows = slice(max(int((thing.top - upward - margin) * scale), 0),
                         max(int((thing.bottom - upward + margin) * scale), 0))  # fmt: skip
            columns = slice(max(int((thing.left + along - margin) * scale), 0),
                            max(int((thing.right + along + margin) * scale), 0))  # fmt: skip
            differs[rows, columns] = False
    numbered, _ = label(differs)
    places = []
    for part in find_objects(numbered):
        rows, columns = part
        place = Place(columns.start / scale, rows.start / scale, (columns.stop - columns.start) / scale,
                      (rows.stop - rows.start) / scale)  # fmt: skip
        if min(place.width, place.height) >= STRANGE_MM:
            places.append(place)
    return tuple(sorted(places, key=lambda place: -place.width * place.height))
