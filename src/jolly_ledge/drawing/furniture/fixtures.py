"""What is fixed: mirrors, art, televisions, lights, sockets, fireboxes, cooktops, headboards, windows."""

from collections.abc import Callable

from jolly_ledge.drawing.picture import (
    Gradient,
    Path,
    Shape,
    ellipse,
    marks_along,
    polygon,
    polyline,
    rectangle,
    rounded,
)
from jolly_ledge.model.colour import darker, lighter
from jolly_ledge.model.piece import Fixture
from jolly_ledge.model.words import FixtureKind

COLOURS: dict[FixtureKind, str] = {
    "mirror": "#8f7a55",
    "art": "#b8ad98",
    "tv": "#17191c",
    "bar": "#b9b1a2",
    "brace": "#b9b1a2",
    "light": "#33302e",
    "socket": "#f4f2ec",
    "firebox": "#26221f",
    "cooktop": "#1d1e20",
    "headboard": "#a79a88",
    "window": "#f2efe6",
}
"""What a fixture looks like when its colour is not told."""

CORD_MM = 120.0
"""How much of a hanging light's cord is drawn."""

IN_FRONT = frozenset({"bar", "brace"})
"""Fixtures that stand before the things: parts of doors."""


def fixture_shapes(fixture: Fixture) -> list[Shape]:
    """Return the drawing of something fixed."""
    colour = fixture.colour or COLOURS[fixture.kind]
    return _DRAW[fixture.kind](fixture, colour)


def _edges(fixture: Fixture) -> tuple[float, float, float, float]:
    return fixture.left, -(fixture.floor + fixture.height), fixture.width, fixture.height


def _outline(fixture: Fixture, inset: float = 0.0) -> Path:
    x, y, w, h = _edges(fixture)
    inset = min(inset, w / 3, h / 3)
    if fixture.shape == "ellipse":
        return ellipse(x + w / 2, y + h / 2, w / 2 - inset, h / 2 - inset)
    if fixture.shape == "rounded-rectangle":
        return rounded(x + inset, y + inset, w - 2 * inset, h - 2 * inset, min(w, h) * 0.1)
    return rectangle(x + inset, y + inset, w - 2 * inset, h - 2 * inset)


def _framed(fixture: Fixture, colour: str, ground: Gradient, wide: float) -> list[Shape]:
    x, y, w, h = _edges(fixture)
    shade = Gradient((x, y), (x + w, y + h), ((0.0, lighter(colour, 0.3)), (0.4, colour), (1.0, darker(colour, 0.3))))
    return [
        Shape(_outline(fixture, -4), "#1a140e", 0.12),
        Shape(_outline(fixture), shade, 1.0, darker(colour, 0.45), 2.0),
        Shape(_outline(fixture, wide), ground, 1.0, darker(colour, 0.4), 1.4),
    ]


def _mirror(fixture: Fixture, colour: str) -> list[Shape]:
    x, y, w, h = _edges(fixture)
    glass = Gradient((x, y), (x + w, y + h), ((0.0, "#dfe7e8"), (0.48, "#c3cfd2"), (0.52, "#dbe4e5"), (1.0, "#aebcc0")))
    return _framed(fixture, colour, glass, min(max(min(w, h) * 0.05, 8.0), 26.0))


def _art(fixture: Fixture, colour: str) -> list[Shape]:
    x, y, w, h = _edges(fixture)
    ground = Gradient((0, y), (0, y + h), ((0.0, "#e7ddc8"), (0.6, "#d8c9ab"), (1.0, "#b9a583")))
    shapes = _framed(fixture, darker(colour, 0.35), ground, min(max(min(w, h) * 0.06, 8.0), 34.0))
    inset = min(w, h) * 0.06
    if fixture.shape == "ellipse":
        inset += min(w, h) * 0.1
    low, left, right = y + h - inset, x + inset, x + w - inset
    hill = polygon(
        ((left, low), (left, y + h * 0.62), (x + w * 0.3, y + h * 0.5), (x + w * 0.55, y + h * 0.64),
         (x + w * 0.8, y + h * 0.55), (right, y + h * 0.66), (right, low))
    )  # fmt: skip
    shapes.append(Shape(hill, "#8f8466", 0.8))
    return [*shapes, Shape(ellipse(x + w * 0.68, y + h * 0.32, min(w, h) * 0.08, min(w, h) * 0.08), "#f3e8cf", 0.9)]


def _tv(fixture: Fixture, colour: str) -> list[Shape]:
    x, y, w, h = _edges(fixture)
    glass = Gradient((x, y), (x + w, y + h), ((0.0, lighter(colour, 0.22)), (0.4, colour), (1.0, darker(colour, 0.4))))
    return [
        Shape(rounded(x - 3, y - 1, w + 10, h + 8, 8), "#120f0c", 0.14),
        Shape(rounded(x, y, w, h, 7), darker(colour, 0.2), 1.0, darker(colour, 0.6), 2.0),
        Shape(rectangle(x + 9, y + 9, w - 18, h - 22), glass),
        Shape(ellipse(x + w / 2, y + h - 7, 3, 3), "#6c7378"),
    ]


def _light(fixture: Fixture, colour: str) -> list[Shape]:
    """Return a hanging light: its cord up to the ceiling, a bell, the glow at its rim."""
    x, y, w, h = _edges(fixture)
    shade = Gradient(
        (x, 0), (x + w, 0), ((0.0, lighter(colour, 0.15)), (0.3, lighter(colour, 0.4)), (1.0, darker(colour, 0.4)))
    )
    bell = polygon(
        ((x + w * 0.38, y + h * 0.08), (x + w * 0.62, y + h * 0.08), (x + w, y + h * 0.92), (x, y + h * 0.92))
    )
    return [
        Shape(rectangle(x + w / 2 - 2, y - CORD_MM, 4, CORD_MM + h * 0.1), "#4a453e"),
        Shape(ellipse(x + w / 2, y + h * 0.96, w * 0.6, h * 0.2), "#f7e3ac", 0.5),
        Shape(rounded(x + w * 0.42, y, w * 0.16, h * 0.14, 4), darker(colour, 0.2)),
        Shape(bell, shade, 1.0, darker(colour, 0.5), 1.4),
        Shape(ellipse(x + w / 2, y + h * 0.92, w / 2, h * 0.07), "#fbeec4", 1.0, darker(colour, 0.4), 1.2),
    ]


def _socket(fixture: Fixture, colour: str) -> list[Shape]:
    x, y, w, h = _edges(fixture)
    small = min(w, h)
    holes = [Shape(ellipse(x + w * at, y + h / 2, small * 0.09, small * 0.09), "#5b564d") for at in (0.38, 0.62)]
    return [
        Shape(rounded(x, y, w, h, 6), colour, 1.0, darker(colour, 0.4), 1.5),
        Shape(
            ellipse(x + w / 2, y + h / 2, small * 0.36, small * 0.36), darker(colour, 0.08), 1.0, darker(colour, 0.3), 1
        ),
        *holes,
    ]


def _door_part(fixture: Fixture, colour: str) -> list[Shape]:
    x, y, w, h = _edges(fixture)
    across = w > h
    end = (0, y + h) if across else (x + w, 0)
    shade = Gradient((x, y) if across else (x, 0), end, ((0.0, lighter(colour, 0.3)), (1.0, darker(colour, 0.2))))
    return [Shape(rectangle(x, y, w, h), shade, 0.94, darker(colour, 0.4), 1.4)]


def _firebox(fixture: Fixture, colour: str) -> list[Shape]:
    """Return the opening: dark bricks, a grate with logs."""
    x, y, w, h = _edges(fixture)
    inside = Gradient((0, y), (0, y + h), ((0.0, darker(colour, 0.5)), (1.0, lighter(colour, 0.08))))
    shapes = [Shape(rectangle(x, y, w, h), inside, 1.0, "#0f0d0c", 3.0)]
    rows = max(marks_along(h, 90), 1)
    for row in range(1, rows):
        line = [(x + 4, y + h * row / rows), (x + w - 4, y + h * row / rows)]
        shapes.append(Shape(polyline(line), None, 1.0, lighter(colour, 0.12), 1.6, 0.6))
    for at, tone in ((0.32, "#6b4a31"), (0.5, "#7d573a"), (0.66, "#5d402b")):
        log = rounded(x + w * at - w * 0.13, y + h - 78, w * 0.26, 38, 18)
        shapes.append(Shape(log, tone, 1.0, darker(tone, 0.5), 1.4))
    for index in range(7):
        at = x + w * (0.2 + 0.1 * index)
        shapes.append(Shape(rectangle(at - 3, y + h - 62, 6, 62), "#121110"))
    shapes.append(Shape(rectangle(x + w * 0.17, y + h - 40, w * 0.66, 7), "#121110"))
    return shapes


def _cooktop(fixture: Fixture, colour: str) -> list[Shape]:
    """Return a cooktop from the front: a thin slab with its rings seen edge on."""
    x, y, w, h = _edges(fixture)
    shapes = [Shape(rounded(x, y, w, max(h, 8), 4), colour, 1.0, darker(colour, 0.5), 1.0)]
    for at in (0.25, 0.75):
        shapes.append(Shape(ellipse(x + w * at, y, w * 0.16, 5), lighter(colour, 0.3), 1.0, darker(colour, 0.4), 1.0))
    return shapes


def _headboard(fixture: Fixture, colour: str) -> list[Shape]:
    """Return a padded headboard with upright channels."""
    x, y, w, h = _edges(fixture)
    shapes = [Shape(rounded(x, y, w, h, 46), darker(colour, 0.2), 1.0, darker(colour, 0.4), 2.0)]
    channels = max(round(w / 150), 2)
    one = (w - 24) / channels
    for index in range(channels):
        left = x + 12 + index * one
        puff = Gradient(
            (left, 0),
            (left + one, 0),
            ((0.0, darker(colour, 0.12)), (0.35, lighter(colour, 0.2)), (1.0, darker(colour, 0.18))),
        )
        shapes.append(Shape(rounded(left + 2, y + 14, one - 4, h - 20, 30), puff))
    return shapes


def _window(fixture: Fixture, colour: str) -> list[Shape]:
    x, y, w, h = _edges(fixture)
    sky = Gradient((0, y), (0, y + h), ((0.0, "#bcd0dc"), (0.7, "#e3ebee"), (1.0, "#eef0ea")))
    shapes = _framed(fixture, colour, sky, min(w, h) * 0.05)
    frame = min(w, h) * 0.03
    shapes.append(Shape(rectangle(x + w / 2 - frame / 2, y + 10, frame, h - 20), colour, 1.0, darker(colour, 0.3), 1.0))
    shapes.append(Shape(rectangle(x + 10, y + h * 0.45, w - 20, frame), colour, 1.0, darker(colour, 0.3), 1.0))
    return [
        *shapes,
        Shape(rounded(x - 20, y + h - 4, w + 40, 20, 3), lighter(colour, 0.2), 1.0, darker(colour, 0.3), 1.2),
    ]


_DRAW: dict[FixtureKind, Callable[[Fixture, str], list[Shape]]] = {
    "mirror": _mirror,
    "art": _art,
    "tv": _tv,
    "bar": _door_part,
    "brace": _door_part,
    "light": _light,
    "socket": _socket,
    "firebox": _firebox,
    "cooktop": _cooktop,
    "headboard": _headboard,
    "window": _window,
}
