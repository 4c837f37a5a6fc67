"""Colours as the eye sees them: perceptual coordinates, differences and families.

CIEDE2000 comes from ColorAide, which is imported at the first difference asked for: the first window
and the help text should not wait for it. OKLab is a few products, written out here for the same reason.
"""

import math
from functools import lru_cache
from typing import NamedTuple

_CACHE = 65_536


class Lightness(NamedTuple):
    """A colour in OKLCh: lightness 0 to 1, chroma from 0, hue in degrees."""

    lightness: float
    chroma: float
    hue: float


@lru_cache(maxsize=_CACHE)
def oklab(colour: str) -> tuple[float, float, float]:
    """Return the OKLab coordinates of an sRGB hex colour.

    Notes
    -----
    Matrices of B. Ottosson, "A perceptual color space for image processing" (2020), from linear
    sRGB by way of cone responses.

    Examples
    --------
    >>> [round(part, 3) for part in oklab("#ffffff")]
    [1.0, 0.0, 0.0]
    """
    red, green, blue = (_linear(int(colour[i : i + 2], 16) / 255) for i in (1, 3, 5))
    long = (0.4122214708 * red + 0.5363325363 * green + 0.0514459929 * blue) ** (1 / 3)
    middle = (0.2119034982 * red + 0.6806995451 * green + 0.1073969566 * blue) ** (1 / 3)
    short = (0.0883024619 * red + 0.2817188376 * green + 0.6299787005 * blue) ** (1 / 3)
    return (
        0.2104542553 * long + 0.7936177850 * middle - 0.0040720468 * short,
        1.9779984951 * long - 2.4285922050 * middle + 0.4505937099 * short,
        0.0259040371 * long + 0.7827717662 * middle - 0.8086757660 * short,
    )


def _linear(channel: float) -> float:
    """Undo the sRGB transfer curve (IEC 61966-2-1)."""
    return channel / 12.92 if channel <= 0.04045 else float(((channel + 0.055) / 1.055) ** 2.4)


@lru_cache(maxsize=_CACHE)
def lightness_chroma_hue(colour: str) -> Lightness:
    """Return lightness, chroma and hue of an sRGB hex colour in OKLCh."""
    lightness, a, b = oklab(colour)
    return Lightness(lightness, math.hypot(a, b), math.degrees(math.atan2(b, a)) % 360)


@lru_cache(maxsize=_CACHE)
def difference(first: str, second: str) -> float:
    """Return the CIEDE2000 colour difference of two sRGB hex colours.

    Notes
    -----
    CIE 142-2001 with all parametric factors 1, over CIELAB under D65.

    Examples
    --------
    >>> round(difference("#ffffff", "#000000"))
    100
    """
    from coloraide import Color

    return float(Color(first).convert("lab-d65").delta_e(Color(second), method="2000", space="lab-d65"))


FAMILY_RADIUS = 0.115
"""Two colours nearer than this (see :func:`family_distance`) answer each other as one family.

Calibrated so that copper, oak, terracotta and tan leather are one, and terracotta and brass are two.
"""

_LIGHTNESS_PULL = 0.35
_NEUTRAL_CHROMA = 0.038


@lru_cache(maxsize=_CACHE)
def family_distance(first: str, second: str) -> float:
    """Return how far apart two colours are as families.

    OKLab distance in which lightness counts little among chromatic colours (a light and a dark
    terracotta answer each other) and fully among neutrals (white and black do not).
    """
    one, two = oklab(first), oklab(second)
    neutral = is_neutral(first) or is_neutral(second)
    pull = 0.8 if neutral else _LIGHTNESS_PULL
    away = 0.06 if is_neutral(first) != is_neutral(second) else 0.0
    return math.hypot(pull * (one[0] - two[0]), one[1] - two[1], one[2] - two[2]) + away


@lru_cache(maxsize=_CACHE)
def is_neutral(colour: str) -> bool:
    """Tell whether a colour reads as white, cream, grey or black rather than as a colour."""
    lightness, chroma, _ = lightness_chroma_hue(colour)
    return chroma < _NEUTRAL_CHROMA or lightness < 0.24 or (lightness > 0.9 and chroma < 0.05)


@lru_cache(maxsize=_CACHE)
def is_green(colour: str) -> bool:
    """Tell whether a colour reads as the green of leaves."""
    _, chroma, hue = lightness_chroma_hue(colour)
    return chroma >= 0.03 and 105 <= hue < 165


_HUE_NAMES = (
    (18, "rose"),
    (36, "red"),
    (78, "terracotta"),
    (106, "ochre"),
    (165, "green"),
    (222, "teal"),
    (282, "blue"),
    (330, "plum"),
    (361, "rose"),
)


@lru_cache(maxsize=_CACHE)
def family_name(colour: str) -> str:
    """Name a colour in plain words.

    >>> family_name("#c87d4f"), family_name("#f5f5f2"), family_name("#1e1e1e")
    ('terracotta', 'white', 'black')
    """
    lightness, chroma, hue = lightness_chroma_hue(colour)
    if is_neutral(colour):
        if lightness > 0.95:
            return "white"
        if lightness > 0.84:
            return "cream"
        if lightness > 0.66:
            return "stone"
        if chroma > 0.015 and 190 <= hue < 285 and lightness > 0.3:
            return "slate"
        return "grey" if lightness > 0.36 else "black"
    name = next(name for limit, name in _HUE_NAMES if hue < limit)
    if name == "terracotta":
        if lightness < 0.5:
            return "brown"
        return "sand" if chroma < 0.075 else name
    if name == "rose" and lightness < 0.55:
        return "plum"
    return f"dark {name}" if lightness < 0.42 else name


@lru_cache(maxsize=_CACHE)
def mix(first: str, second: str, share: float) -> str:
    """Blend two sRGB colours; ``share`` 0 gives the first, 1 the second.

    >>> mix("#000000", "#ffffff", 0.5)
    '#808080'
    """
    channels = (round(int(first[i : i + 2], 16) * (1 - share) + int(second[i : i + 2], 16) * share) for i in (1, 3, 5))
    return "#" + "".join(f"{min(max(channel, 0), 255):02x}" for channel in channels)


def lighter(colour: str, share: float) -> str:
    """Blend a colour toward white."""
    return mix(colour, "#ffffff", share)


def darker(colour: str, share: float) -> str:
    """Blend a colour toward a warm black."""
    return mix(colour, "#14110f", share)
