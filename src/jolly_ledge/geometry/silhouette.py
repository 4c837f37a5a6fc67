"""Outlines of things: what area they show and where they end, by silhouette family.

Plain Python: a few dozen points are not worth waiting for NumPy when a window opens.

Turned things are told by a profile: pairs of height (0 at the foot, 1 at the top) and half width
(1 at the widest). Readings measure these outlines and drawing shades them, so both see one shape.
"""

import itertools
import math
from bisect import bisect_right
from collections.abc import Iterable
from functools import lru_cache

Points = tuple[tuple[float, float], ...]
"""Pairs: of x from the middle and y up from the foot (mm), or of height and half width (0 to 1)."""

Profile = tuple[tuple[float, float], ...]

PROFILES: dict[str, Profile] = {
    "vase": (
        (0, 0.52),
        (0.03, 0.56),
        (0.3, 0.9),
        (0.48, 1),
        (0.66, 0.86),
        (0.84, 0.46),
        (0.93, 0.42),
        (1, 0.56),
    ),
    "urn": (
        (0, 0.6),
        (0.04, 0.62),
        (0.3, 0.93),
        (0.56, 1),
        (0.78, 0.9),
        (0.9, 0.62),
        (0.95, 0.58),
        (1, 0.66),
    ),
    "jug": (
        (0, 0.58),
        (0.04, 0.62),
        (0.3, 0.88),
        (0.45, 0.92),
        (0.68, 0.72),
        (0.85, 0.56),
        (0.94, 0.6),
        (1, 0.7),
    ),
    "bottle": (
        (0, 0.86),
        (0.03, 0.96),
        (0.3, 1),
        (0.5, 0.96),
        (0.62, 0.66),
        (0.72, 0.36),
        (0.94, 0.31),
        (0.95, 0.4),
        (1, 0.4),
    ),
    "bowl": ((0, 0.34), (0.05, 0.36), (0.08, 0.34), (0.3, 0.66), (0.6, 0.9), (0.85, 0.98), (1, 1)),
    "footed-bowl": (
        (0, 0.42),
        (0.05, 0.42),
        (0.14, 0.16),
        (0.34, 0.13),
        (0.42, 0.3),
        (0.62, 0.76),
        (0.86, 0.97),
        (1, 1),
    ),
    "cylinder": ((0, 0.95), (0.02, 1), (0.98, 1), (1, 0.97)),
    "pot": ((0, 0.7), (0.02, 0.72), (0.82, 0.96), (0.83, 1), (1, 1)),
    "sphere": (
        (0, 0.3),
        (0.07, 0.6),
        (0.2, 0.86),
        (0.35, 0.97),
        (0.5, 1),
        (0.65, 0.97),
        (0.8, 0.86),
        (0.93, 0.55),
        (1, 0.1),
    ),
    "globe": (
        (0, 0.52),
        (0.03, 0.5),
        (0.07, 0.26),
        (0.13, 0.1),
        (0.18, 0.1),
        (0.2, 0.3),
        (0.25, 0.6),
        (0.36, 0.88),
        (0.5, 0.99),
        (0.6, 1),
        (0.7, 0.97),
        (0.85, 0.78),
        (0.95, 0.42),
        (1, 0.06),
    ),
    "candlestick": (
        (0, 1),
        (0.03, 0.98),
        (0.06, 0.5),
        (0.1, 0.22),
        (0.2, 0.17),
        (0.26, 0.34),
        (0.31, 0.17),
        (0.48, 0.14),
        (0.54, 0.4),
        (0.56, 0.42),
        (0.57, 0.2),
        (0.98, 0.2),
        (1, 0.12),
    ),
    "candle": ((0, 1), (0.9, 1), (0.92, 0.92), (0.925, 0.06), (1, 0.02)),
    "lamp": (
        (0, 0.4),
        (0.03, 0.4),
        (0.06, 0.26),
        (0.2, 0.42),
        (0.32, 0.36),
        (0.45, 0.1),
        (0.53, 0.07),
        (0.54, 0.99),
        (0.55, 1),
        (0.99, 0.62),
        (1, 0.6),
    ),
    "figure": (
        (0, 0.72),
        (0.1, 0.72),
        (0.12, 0.5),
        (0.2, 0.34),
        (0.3, 0.78),
        (0.44, 0.94),
        (0.55, 0.7),
        (0.6, 0.3),
        (0.66, 0.34),
        (0.76, 0.52),
        (0.88, 0.5),
        (0.97, 0.3),
        (1, 0.05),
    ),
    "orrery": (
        (0, 0.34),
        (0.03, 0.34),
        (0.08, 0.14),
        (0.2, 0.06),
        (0.3, 0.3),
        (0.4, 0.7),
        (0.55, 0.96),
        (0.66, 1),
        (0.78, 0.9),
        (0.9, 0.6),
        (1, 0.08),
    ),
    "plant": (
        (0, 0.4),
        (0.34, 0.5),
        (0.36, 0.52),
        (0.42, 0.62),
        (0.52, 0.92),
        (0.66, 1),
        (0.8, 0.8),
        (0.92, 0.46),
        (1, 0.1),
    ),
    "trailing-plant": (
        (0, 0.72),
        (0.1, 0.84),
        (0.4, 0.92),
        (0.6, 0.96),
        (0.74, 1),
        (0.86, 0.8),
        (0.95, 0.5),
        (1, 0.2),
    ),
    "bouquet": ((0, 0.16), (0.2, 0.3), (0.36, 0.75), (0.52, 0.97), (0.7, 1), (0.86, 0.8), (1, 0.24)),
    "branches": ((0, 0.05), (0.3, 0.3), (0.6, 0.78), (0.85, 1), (0.95, 0.9), (1, 0.5)),
    "utensils": ((0, 0.4), (0.3, 0.5), (0.7, 0.86), (0.9, 1), (1, 0.8)),
    "bell": ((0, 1), (0.08, 0.96), (0.4, 0.72), (0.7, 0.58), (0.84, 0.3), (0.86, 0.1), (1, 0.08)),
    "basket": ((0, 0.82), (0.04, 0.86), (0.6, 0.98), (0.94, 1), (1, 1)),
    "hourglass": (
        (0, 1),
        (0.07, 1),
        (0.08, 0.86),
        (0.3, 0.72),
        (0.5, 0.12),
        (0.7, 0.72),
        (0.92, 0.86),
        (0.93, 1),
        (1, 1),
    ),
}
"""Profiles of turned things and of crowns of leaves, foot to top."""

SMOOTH = frozenset(PROFILES) - {"cylinder", "pot", "lamp", "candle", "basket"}

DENSITIES: dict[str, float] = {
    "branches": 0.3,
    "laid-stems": 0.6,
    "orrery": 0.5,
    "bouquet": 0.8,
    "plant": 0.85,
    "trailing-plant": 0.8,
    "utensils": 0.5,
    "beads": 0.5,
    "coral": 0.6,
}
"""The part of an outline that is solid; 1 where not told."""

_STONE = (
    (-0.42, 0.0),
    (0.36, 0.0),
    (0.48, 0.16),
    (0.5, 0.42),
    (0.4, 0.7),
    (0.2, 0.94),
    (-0.06, 1.0),
    (-0.3, 0.86),
    (-0.44, 0.6),
    (-0.5, 0.3),
)
_BOAT = ((-0.2, 0.0), (0.2, 0.0), (0.12, 0.07), (0.36, 0.1), (0.5, 0.34), (0.36, 0.38), (0.0, 0.97), (-0.04, 1.0),
         (-0.06, 0.86), (-0.42, 0.36), (-0.5, 0.33), (-0.38, 0.11), (-0.12, 0.07))  # fmt: skip
_CORAL = ((-0.24, 0.0), (0.24, 0.0), (0.19, 0.1), (0.4, 0.45), (0.48, 0.8), (0.3, 0.98), (0.0, 1.0), (-0.3, 0.98),
          (-0.48, 0.8), (-0.4, 0.45), (-0.19, 0.1))  # fmt: skip
_SHELL = ((-0.12, 0.0), (0.12, 0.0), (0.5, 0.36), (0.44, 0.66), (0.25, 0.9), (0.0, 0.97), (-0.25, 0.9), (-0.44, 0.66),
          (-0.5, 0.36))  # fmt: skip
_CLOCK = (
    (-0.5, 0.0), (0.5, 0.0), (0.5, 0.1), (0.46, 0.1), (0.46, 0.55), (0.42, 0.74), (0.32, 0.89), (0.17, 0.97),
    (0.0, 1.0),
    (-0.17, 0.97), (-0.32, 0.89), (-0.42, 0.74), (-0.46, 0.55), (-0.46, 0.1), (-0.5, 0.1),
)  # fmt: skip
_BIRD = (
    (-0.03, 0.0), (0.18, 0.0), (0.16, 0.17), (0.33, 0.38), (0.36, 0.62), (0.5, 0.8), (0.37, 0.95), (0.22, 1.0),
    (0.08, 0.92), (0.0, 0.74), (-0.2, 0.6), (-0.5, 0.42), (-0.3, 0.36), (-0.08, 0.16),
)  # fmt: skip
_HAND_LENS = (
    (-0.07, 0.0), (0.07, 0.0), (0.09, 0.1), (0.05, 0.36), (0.32, 0.45), (0.5, 0.68), (0.35, 0.9), (0.0, 1.0),
    (-0.35, 0.9), (-0.5, 0.68), (-0.32, 0.45), (-0.05, 0.36), (-0.09, 0.1),
)  # fmt: skip
_COAT: Points = ((-0.12, 1.0), (0.12, 1.0), (0.3, 0.92), (0.5, 0.3), (0.38, 0.28), (0.34, 0.48), (0.4, 0.0),
                 (-0.4, 0.0), (-0.34, 0.48), (-0.38, 0.28), (-0.5, 0.3), (-0.3, 0.92))  # fmt: skip
_HAT: Points = ((-0.5, 0.0), (0.5, 0.0), (0.5, 0.16), (0.29, 0.2), (0.26, 0.85), (0.1, 1.0), (-0.1, 1.0), (-0.26, 0.85),
                (-0.29, 0.2), (-0.5, 0.16))  # fmt: skip
_BAG: Points = (
    (-0.5, 0.0),
    (0.5, 0.0),
    (0.46, 0.62),
    (0.4, 0.62),
    (0.06, 1.0),
    (-0.06, 1.0),
    (-0.4, 0.62),
    (-0.46, 0.62),
)
_UMBRELLA: Points = ((-0.06, 0.0), (0.06, 0.0), (0.5, 0.7), (0.05, 0.77), (0.08, 0.92), (0.3, 0.9), (0.12, 1.0),
                     (-0.05, 0.95), (-0.05, 0.77), (-0.5, 0.7))  # fmt: skip
_PAN: Points = ((-0.2, 0.02), (0.0, 0.0), (0.2, 0.02), (0.43, 0.15), (0.5, 0.3), (0.43, 0.45), (0.2, 0.58), (0.06, 0.6),
                (0.07, 1.0), (-0.07, 1.0), (-0.06, 0.6), (-0.2, 0.58), (-0.43, 0.45), (-0.5, 0.3),
                (-0.43, 0.15))  # fmt: skip
_LAID_STEMS: Points = ((-0.5, 0.04), (0.5, 0.02), (0.46, 0.9), (0.1, 0.7), (-0.2, 0.26), (-0.5, 0.34))

_PLANES: dict[str, Points] = {
    "stone": _STONE, "boat": _BOAT, "coral": _CORAL, "shell": _SHELL, "clock": _CLOCK, "bird": _BIRD,
    "hand-lens": _HAND_LENS, "laid-stems": _LAID_STEMS, "coat": _COAT, "hat": _HAT, "bag": _BAG, "umbrella": _UMBRELLA,
    "pan": _PAN,
}  # fmt: skip
"""Outlines that are not turned: x in widths from the middle, y in heights."""

_STEPS = 40


@lru_cache(maxsize=512)
def half_widths(shape: str, steps: int = _STEPS) -> Points:
    """Return the profile of a turned shape sampled evenly in height, with its own points among them.

    Returns
    -------
    tuple of (height, half width)
        Both 0 to 1, foot to top. Corners of lamps and pots are kept sharp.
    """
    profile = PROFILES[shape]
    heights = sorted({step / steps for step in range(steps + 1)} | {at for at, _ in profile})
    tangents = _tangents(profile) if shape in SMOOTH else None
    return tuple((at, min(max(_width_at(profile, tangents, at), 0.01), 1.0)) for at in heights)


def _tangents(profile: Profile) -> list[float]:
    """Return slopes that let a cubic pass without overshoot (Fritsch and Carlson 1980, harmonic)."""
    slopes = [(after[1] - before[1]) / (after[0] - before[0]) for before, after in itertools.pairwise(profile)]
    inner = [2 * one * two / (one + two) if one * two > 0 else 0.0 for one, two in itertools.pairwise(slopes)]
    return [slopes[0], *inner, slopes[-1]]


def _width_at(profile: Profile, tangents: list[float] | None, at: float) -> float:
    """Interpolate a profile: by cubics with the given tangents, or straight without."""
    index = min(bisect_right(profile, at, key=lambda point: point[0]) - 1, len(profile) - 2)
    (low, start), (high, end) = profile[index], profile[index + 1]
    step = high - low
    t = (at - low) / step
    if tangents is None:
        return start + (end - start) * t
    return (
        (1 + 2 * t) * (1 - t) ** 2 * start
        + t * (1 - t) ** 2 * step * tangents[index]
        + t * t * (3 - 2 * t) * end
        + t * t * (t - 1) * step * tangents[index + 1]
    )


@lru_cache(maxsize=8192)
def outline(shape: str, width: float, height: float, traced: Points = ()) -> Points:
    """Return the outline of a thing seen from the front.

    Parameters
    ----------
    shape : str
        A silhouette family; one that is not known gives a rectangle.
    width, height : float
        The seen size in mm.
    traced : points
        For the shape ``traced``: its own outline, in widths and heights.
    """
    if shape == "traced" and traced:
        return tuple((x * width, y * height) for x, y in traced)
    if shape in PROFILES:
        right = [(half * width / 2, at * height) for at, half in half_widths(shape, 16)]
        return (*right, *((-x, y) for x, y in reversed(right)))
    if shape in _PLANES:
        return tuple((x * width, y * height) for x, y in _PLANES[shape])
    if shape == "disc":
        angles = [math.tau * step / _STEPS for step in range(_STEPS)]
        return tuple((math.cos(a) * width / 2, (math.sin(a) + 1) * height / 2) for a in angles)
    return ((-width / 2, 0.0), (width / 2, 0.0), (width / 2, height), (-width / 2, height))


@lru_cache(maxsize=8192)
def outline_area(shape: str, width: float, height: float, traced: Points = ()) -> float:
    """Return the solid area a thing shows, in mm² (by the shoelace formula).

    Parameters
    ----------
    shape : str
        A family of silhouettes.
    width : float
        In mm.
    height : float
        In mm.
    traced : sequence of (float, float)
        A traced outline in widths from the middle and heights from the foot; empty for none.

    >>> outline_area("box", 200.0, 100.0)
    20000.0
    """
    return polygon_area(outline(shape, width, height, traced)) * DENSITIES.get(shape, 1.0)


def polygon_area(points: Points) -> float:
    """Return the area of a polygon (shoelace formula).

    Parameters
    ----------
    points : sequence of (float, float)
        Its corners in order; the area comes in the square of their unit.

    >>> polygon_area(((0, 0), (2, 0), (2, 1), (0, 1)))
    2.0
    """
    twice = sum(
        first[0] * second[1] - second[0] * first[1]
        for first, second in zip(points, (*points[1:], points[0]), strict=True)
    )
    return abs(twice) / 2


def loops_of(outline: Iterable[tuple[float, float]]) -> tuple[Points, ...]:
    """Return the rings of a traced outline: its edge first, then the holes that are joined to it by cuts.

    Parameters
    ----------
    outline : iterable of (float, float)
        Points in order, in any unit.

    >>> square, hole = [(0.0, 0.0), (4.0, 0.0), (4.0, 4.0)], [(1.0, 0.5), (2.0, 0.5), (2.0, 1.5)]
    >>> loops_of([*square[:1], *hole, hole[0], *square])
    (((0.0, 0.0), (4.0, 0.0), (4.0, 4.0)), ((1.0, 0.5), (2.0, 0.5), (2.0, 1.5)))
    """
    path: list[tuple[float, float]] = []
    holes: list[Points] = []
    for point in outline:
        if point in path:
            at = path.index(point)
            if len(path) - at > 2:
                holes.append(tuple(path[at:]))
            path = path[: at + 1]
        else:
            path.append(point)
    return tuple(path), *holes
