"""The few primitives every view is made of.

Units are those of the caller (mm for scale drawings, points for sheets); x runs right, y down.
"""

import math
from collections.abc import Iterable, Sequence
from typing import Literal

from msgspec import Struct

Point = tuple[float, float]
Command = tuple[str, tuple[float, ...]]
"""``("M", (x, y))``, ``("L", (x, y))``, ``("C", (x1, y1, x2, y2, x, y))`` or ``("Z", ())``."""

Path = tuple[Command, ...]
Stop = tuple[float, str]
"""Place 0 to 1, and colour. Colours are opaque: not every page format knows fading ones, so what fades
is made of several shapes (see ``fading``)."""

Anchor = Literal["left", "middle", "right"]
Family = Literal["sans", "serif"]


class Gradient(Struct, frozen=True):
    """A change of colour along a line, or outward from a point when ``radius`` is given."""

    start: Point
    end: Point
    stops: tuple[Stop, ...]
    radius: float | None = None


class Shape(Struct, frozen=True):
    """An area and its edge."""

    path: Path
    fill: str | Gradient | None = None
    opacity: float = 1.0
    stroke: str | None = None
    stroke_width: float = 0.0
    stroke_opacity: float = 1.0
    dash: tuple[float, ...] = ()


class Label(Struct, frozen=True):
    """A line of text; ``y`` is its baseline."""

    x: float
    y: float
    text: str
    size: float
    colour: str = "#26282b"
    family: Family = "sans"
    weight: int = 400
    italic: bool = False
    anchor: Anchor = "left"


class Photograph(Struct, frozen=True):
    """A photograph (JPEG) that fills a rectangle."""

    content: bytes
    left: float
    top: float
    width: float
    height: float


Primitive = Shape | Label | Photograph


class Picture(Struct, frozen=True):
    """A drawing and the rectangle it fills."""

    primitives: tuple[Primitive, ...]
    left: float
    top: float
    right: float
    bottom: float

    @property
    def width(self) -> float:
        """How wide it is."""
        return self.right - self.left

    @property
    def height(self) -> float:
        """How high it is."""
        return self.bottom - self.top


def marks_along(length: float, step: float, most: int = 80) -> int:
    """Return how many marks a length bears at a usual step: on what is larger than life they lie further apart.

    >>> marks_along(300, 15), marks_along(50_000, 15)
    (20, 80)
    """
    return min(round(length / step), most)


def rectangle(left: float, top: float, width: float, height: float) -> Path:
    """Return a rectangle."""
    return polygon(((left, top), (left + width, top), (left + width, top + height), (left, top + height)))


def rounded(left: float, top: float, width: float, height: float, radius: float) -> Path:
    """Return a rectangle with rounded corners."""
    r = min(radius, width / 2, height / 2)
    k = r * 0.4477
    right, bottom = left + width, top + height
    return (
        ("M", (left + r, top)),
        ("L", (right - r, top)),
        ("C", (right - k, top, right, top + k, right, top + r)),
        ("L", (right, bottom - r)),
        ("C", (right, bottom - k, right - k, bottom, right - r, bottom)),
        ("L", (left + r, bottom)),
        ("C", (left + k, bottom, left, bottom - k, left, bottom - r)),
        ("L", (left, top + r)),
        ("C", (left, top + k, left + k, top, left + r, top)),
        ("Z", ()),
    )


def polygon(points: Iterable[Point]) -> Path:
    """Return a closed path of straight edges."""
    return (*polyline(points), ("Z", ()))


def polyline(points: Iterable[Point]) -> Path:
    """Return an open path of straight edges."""
    return tuple(("M" if index == 0 else "L", (float(x), float(y))) for index, (x, y) in enumerate(points))


def ellipse(x: float, y: float, rx: float, ry: float) -> Path:
    """Return an ellipse about a centre."""
    k = 0.5523
    return (
        ("M", (x + rx, y)),
        ("C", (x + rx, y + k * ry, x + k * rx, y + ry, x, y + ry)),
        ("C", (x - k * rx, y + ry, x - rx, y + k * ry, x - rx, y)),
        ("C", (x - rx, y - k * ry, x - k * rx, y - ry, x, y - ry)),
        ("C", (x + k * rx, y - ry, x + rx, y - k * ry, x + rx, y)),
        ("Z", ()),
    )


def smooth(points: Sequence[Point], *, closed: bool = False) -> Path:
    """Return a curve through points (Catmull and Rom 1974, uniform)."""
    beside = (points[-1], *points, *points[:2]) if closed else (points[0], *points, points[-1])
    commands: list[Command] = [("M", points[0])]
    for before, start, end, after in zip(beside, beside[1:], beside[2:], beside[3:], strict=False):
        commands.append(
            (
                "C",
                (
                    start[0] + (end[0] - before[0]) / 6,
                    start[1] + (end[1] - before[1]) / 6,
                    end[0] - (after[0] - start[0]) / 6,
                    end[1] - (after[1] - start[1]) / 6,
                    end[0],
                    end[1],
                ),
            )
        )
    return (*commands, ("Z", ())) if closed else tuple(commands)


def leaf(base: Point, tip: Point, width: float, bend: float = 0.0) -> Path:
    """Return a pointed leaf from its base to its tip; ``bend`` curves it sideways."""
    (x0, y0), (x1, y1) = base, tip
    dx, dy = x1 - x0, y1 - y0
    length = math.hypot(dx, dy) or 1.0
    nx, ny = -dy / length, dx / length
    middle = (x0 + dx * 0.45 + nx * bend, y0 + dy * 0.45 + ny * bend)
    left = (middle[0] + nx * width / 2, middle[1] + ny * width / 2)
    right = (middle[0] - nx * width / 2, middle[1] - ny * width / 2)
    return (
        ("M", base),
        (
            "C",
            (
                x0 + (left[0] - x0) * 0.55,
                y0 + (left[1] - y0) * 0.55,
                left[0] + dx * 0.1,
                left[1] + dy * 0.1,
                x1,
                y1,
            ),
        ),
        (
            "C",
            (
                right[0] + dx * 0.1,
                right[1] + dy * 0.1,
                x0 + (right[0] - x0) * 0.55,
                y0 + (right[1] - y0) * 0.55,
                x0,
                y0,
            ),
        ),
        ("Z", ()),
    )


FADE_STEPS = 5


def fading(
    left: float,
    top: float,
    width: float,
    height: float,
    towards: Literal["right", "left", "down"],
    opacity: float,
    colour: str = "#0c0a08",
) -> tuple[Shape, ...]:
    """Return a shade over a rectangle that fades out in one direction: steps of even opacity."""
    shapes = []
    for step in range(1, FADE_STEPS + 1):
        share = (step / FADE_STEPS) ** 1.4
        if towards == "down":
            path = rectangle(left, top, width, height * share)
        elif towards == "right":
            path = rectangle(left, top, width * share, height)
        else:
            path = rectangle(left + width * (1 - share), top, width * share, height)
        shapes.append(Shape(path, colour, opacity / FADE_STEPS))
    return tuple(shapes)


def moved(primitives: Iterable[Primitive], dx: float, dy: float, scale: float = 1.0) -> tuple[Primitive, ...]:
    """Return primitives scaled about the origin and then moved."""
    return tuple(_moved(primitive, dx, dy, scale) for primitive in primitives)


def _moved(primitive: Primitive, dx: float, dy: float, scale: float) -> Primitive:
    if isinstance(primitive, Label):
        return Label(
            primitive.x * scale + dx, primitive.y * scale + dy, primitive.text, primitive.size * scale,
            primitive.colour, primitive.family, primitive.weight, primitive.italic, primitive.anchor,
        )  # fmt: skip
    if isinstance(primitive, Photograph):
        return Photograph(
            primitive.content, primitive.left * scale + dx, primitive.top * scale + dy, primitive.width * scale,
            primitive.height * scale,
        )  # fmt: skip
    fill = primitive.fill
    if isinstance(fill, Gradient):
        fill = Gradient(
            (fill.start[0] * scale + dx, fill.start[1] * scale + dy),
            (fill.end[0] * scale + dx, fill.end[1] * scale + dy),
            fill.stops,
            None if fill.radius is None else fill.radius * scale,
        )
    path = tuple(
        (word, tuple(v * scale + (dx if i % 2 == 0 else dy) for i, v in enumerate(values)))
        for word, values in primitive.path
    )
    return Shape(
        path, fill, primitive.opacity, primitive.stroke, primitive.stroke_width * scale, primitive.stroke_opacity,
        tuple(length * scale for length in primitive.dash),
    )  # fmt: skip
