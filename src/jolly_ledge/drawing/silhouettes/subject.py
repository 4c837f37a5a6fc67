"""What a silhouette draws, and the light it stands in (one light, from the upper left)."""

import random
import zlib

from msgspec import Struct

from jolly_ledge.drawing.picture import Gradient, Path, Point, Shape, Stop, polygon
from jolly_ledge.geometry.silhouette import PROFILES, half_widths
from jolly_ledge.model.colour import darker, lighter
from jolly_ledge.model.item import PAGE_COLOUR
from jolly_ledge.model.words import Finish


class Subject(Struct, frozen=True):
    """One thing to draw: its seen size (mm), colours and stuff.

    It stands with the middle of its foot at the origin and reaches up to ``-height``.
    """

    shape: str
    width: float
    height: float
    colours: tuple[str, ...]
    finish: Finish
    category: str
    key: str
    pages_out: bool = False
    lidded: bool = False
    count: int = 1
    material: str = ""
    page_colour: str = PAGE_COLOUR
    outline: tuple[Point, ...] = ()

    @property
    def colour(self) -> str:
        """The main colour."""
        return self.colours[0]

    @property
    def second(self) -> str:
        """The second colour, or a shade of the first."""
        return self.colours[1] if len(self.colours) > 1 else darker(self.colours[0], 0.3)

    def rng(self) -> random.Random:
        """Return a source of variety that is the same for the same thing every time."""
        return random.Random(zlib.crc32(self.key.encode()))


def round_shade(colour: str, finish: Finish, left: float, right: float) -> Gradient:
    """Return the shade of a turned surface lit from the upper left."""
    return Gradient((left, 0.0), (right, 0.0), _round_stops(colour, finish))


def _round_stops(colour: str, finish: Finish) -> tuple[Stop, ...]:
    if finish == "metal":
        return (
            (0.0, darker(colour, 0.38)),
            (0.2, lighter(colour, 0.15)),
            (0.28, lighter(colour, 0.6)),
            (0.36, lighter(colour, 0.1)),
            (0.62, darker(colour, 0.2)),
            (0.86, darker(colour, 0.45)),
            (1.0, darker(colour, 0.3)),
        )
    if finish == "clear":
        return (
            (0.0, darker(colour, 0.15)),
            (0.1, lighter(colour, 0.45)),
            (0.3, lighter(colour, 0.62)),
            (0.6, lighter(colour, 0.2)),
            (0.88, colour),
            (1.0, darker(colour, 0.35)),
        )
    lit = {"gloss": 0.42, "satin": 0.34, "matt": 0.22}.get(finish, 0.16)
    return (
        (0.0, darker(colour, 0.16)),
        (0.27, lighter(colour, lit)),
        (0.5, colour),
        (0.82, darker(colour, 0.26)),
        (1.0, darker(colour, 0.42)),
    )


def flat_shade(colour: str, top: float, bottom: float) -> Gradient:
    """Return the shade of an upright plane: a little lighter above."""
    return Gradient((0.0, top), (0.0, bottom), ((0.0, lighter(colour, 0.12)), (1.0, darker(colour, 0.12))))


def side_shade(colour: str, left: float, right: float) -> Gradient:
    """Return the shade of an upright plane lit from the left."""
    return Gradient(
        (left, 0.0),
        (right, 0.0),
        ((0.0, lighter(colour, 0.14)), (0.55, colour), (1.0, darker(colour, 0.22))),
    )


def profile_path(shape: str, width: float, height: float, *, low: float = 0.0, high: float = 1.0) -> Path:
    """Return the outline of a turned shape, or the part of it between two heights (0 to 1)."""
    profile = [(at, half) for at, half in half_widths(shape) if low <= at <= high]
    right = [(half * width / 2, -at * height) for at, half in profile]
    left = [(-x, y) for x, y in reversed(right)]
    return polygon([*right, *left])


def half_width_at(shape: str, at: float) -> float:
    """Return the half width (0 to 1) of a turned shape at a height (0 to 1)."""
    return min(half_widths(shape), key=lambda point: abs(point[0] - at))[1]


CLEAR_OPACITY = 0.42
"""What clear glass keeps of the light; the rest is what stands behind it."""


def outlined(path: Path, fill: str | Gradient, colour: str, finish: Finish = "matt") -> Shape:
    """Return a filled shape with its thin edge; clear stuff lets the back through."""
    return Shape(
        path,
        fill,
        CLEAR_OPACITY if finish == "clear" else 1.0,
        darker(colour, 0.45),
        1.2,
        0.75 if finish == "clear" else 0.4,
    )


def is_turned(shape: str) -> bool:
    """Tell whether a silhouette has a profile."""
    return shape in PROFILES
