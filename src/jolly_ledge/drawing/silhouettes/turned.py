"""Turned things: vases, bowls, bottles, candlesticks, lamps, globes and their kin."""

from jolly_ledge.drawing.picture import Gradient, Shape, ellipse, leaf, marks_along, polyline, smooth
from jolly_ledge.drawing.silhouettes.subject import (
    Subject,
    half_width_at,
    outlined,
    profile_path,
    round_shade,
)
from jolly_ledge.model.colour import darker, lighter


def draw_turned(subject: Subject) -> list[Shape]:
    """Draw a thing from its profile, with the rim one looks into and what its finish shows."""
    w, h, colour = subject.width, subject.height, subject.colour
    shapes = [
        outlined(
            profile_path(subject.shape, w, h),
            round_shade(colour, subject.finish, -w / 2, w / 2),
            colour,
            subject.finish,
        )
    ]
    shapes += texture(subject, subject.shape)
    if len(subject.colours) > 1 and subject.shape in ("vase", "urn", "jug", "cylinder", "bottle"):
        shapes.append(
            Shape(
                profile_path(subject.shape, w * 1.001, h, low=0.56, high=0.66),
                round_shade(subject.second, subject.finish, -w / 2, w / 2),
            )
        )
    if subject.shape in ("vase", "urn", "jug", "bowl", "footed-bowl", "pot"):
        shapes.append(_rim(subject))
    if subject.finish in ("gloss", "satin", "clear"):
        shapes.append(_highlight(subject))
    return shapes


def _rim(subject: Subject) -> Shape:
    half = half_width_at(subject.shape, 1.0) * subject.width / 2
    tall = max(min(half * 0.07, 5.0), 1.2)
    return Shape(ellipse(0, -subject.height + tall * 0.6, half * 0.96, tall), darker(subject.colour, 0.5), 0.7)


def _highlight(subject: Subject) -> Shape:
    at = 0.5 if subject.shape in ("vase", "urn", "jug") else 0.6
    x = -half_width_at(subject.shape, at) * subject.width / 2 * 0.5
    strength = {"gloss": 0.5, "clear": 0.6}.get(subject.finish, 0.22)
    return Shape(
        ellipse(x, -subject.height * at, max(subject.width * 0.035, 1.5), subject.height * 0.14),
        "#ffffff",
        strength,
    )


def texture(subject: Subject, shape: str) -> list[Shape]:
    """Return the marks of a rough or woven surface."""
    w, h = subject.width, subject.height
    if subject.finish == "woven":
        return weave(subject, shape)
    if subject.finish != "rough":
        return []
    rng = subject.rng()
    marks = []
    for _ in range(int(min(26, 8 + w * h / 2500))):
        at = rng.uniform(0.06, 0.92)
        x = rng.uniform(-0.86, 0.86) * half_width_at(shape, at) * w / 2
        size = rng.uniform(0.8, 2.2)
        tone = darker(subject.colour, 0.35) if rng.random() < 0.6 else lighter(subject.colour, 0.3)
        marks.append(Shape(ellipse(x, -at * h, size * 1.4, size * 0.7), tone, 0.38))
    return marks


def weave(subject: Subject, shape: str) -> list[Shape]:
    """Return rows of short bowed strands that follow the profile."""
    w, h = subject.width, subject.height
    rows = max(4, marks_along(h, 16))
    shapes = []
    for row in range(1, rows):
        at = row / rows
        half = half_width_at(shape, at) * w / 2 * 0.97
        step = half * 2 / max(marks_along(half * 2, 15), 2)
        shift = step / 2 if row % 2 else 0.0
        points: list[tuple[float, float]] = []
        x = -half
        while x <= half:
            points.append((x, -at * h + (2.2 if round((x + shift) / step * 2) % 2 else -2.2)))
            x += step / 2
        if len(points) > 1:
            shapes.append(Shape(smooth(points), None, 1.0, darker(subject.colour, 0.42), 1.5, 0.6))
    return shapes


def draw_jug(subject: Subject) -> list[Shape]:
    """Draw a jug: a turned body with a spout and a handle."""
    w, h, colour = subject.width, subject.height, subject.colour
    body = Subject("jug", w * 0.82, h, subject.colours, subject.finish, subject.category, subject.key)
    handle = smooth(
        [
            (w * 0.2, -h * 0.9),
            (w * 0.42, -h * 0.86),
            (w * 0.48, -h * 0.62),
            (w * 0.38, -h * 0.4),
            (w * 0.3, -h * 0.34),
        ]
    )
    spout = (
        ("M", (-w * 0.2, -h * 0.86)),
        ("C", (-w * 0.3, -h * 0.92, -w * 0.34, -h * 0.98, -w * 0.42, -h)),
        ("L", (w * 0.05, -h)),
        ("L", (w * 0.05, -h * 0.86)),
        ("Z", ()),
    )
    thick = max(w * 0.075, 4.0)
    return [
        Shape(handle, None, 1.0, darker(colour, 0.5), thick + 2),
        Shape(handle, None, 1.0, darker(colour, 0.1), thick),
        outlined(spout, lighter(colour, 0.12), colour, subject.finish),
        *draw_turned(body),
    ]


def draw_bottle(subject: Subject) -> list[Shape]:
    """Draw a bottle; a clear one lets the back through and holds a little."""
    shapes = draw_turned(subject)
    if subject.finish == "clear":
        shapes.insert(
            0,
            Shape(profile_path("bottle", subject.width * 0.9, subject.height, high=0.42), subject.second, 0.25),
        )
    shapes.append(
        Shape(
            ellipse(0, -subject.height, subject.width * 0.18, max(subject.width * 0.03, 1.2)),
            darker(subject.colour, 0.55),
            0.8,
        )
    )
    return shapes


def draw_globe(subject: Subject) -> list[Shape]:
    """Draw a sphere on its stand, with a meridian and land."""
    w, h = subject.width, subject.height
    radius = min(w * 0.46, h * 0.4)
    centre = -(h - radius - h * 0.02)
    stand = subject.second if len(subject.colours) > 1 else "#6f4a2f"
    under = centre + radius
    ring = radius * 1.1
    rng = subject.rng()
    shapes = [
        *(_floor_stand(w, under, stand) if -under > FLOOR_STAND * w else _table_stand(w, h, under, stand)),
        Shape(_arc(0, centre, ring, -70, 80), None, 1.0, darker(stand, 0.25), max(radius * 0.07, 2.0)),
        Shape(_arc(0, centre, ring, -70, 80), None, 1.0, "#b9934c", max(radius * 0.045, 1.2)),
        ball(0, centre, radius, subject.colour, subject.finish),
    ]
    for _ in range(5):
        x, y = rng.uniform(-0.5, 0.45) * radius, centre + rng.uniform(-0.55, 0.5) * radius
        size = rng.uniform(0.1, 0.24) * radius
        points = [
            (x - size, y), (x - size * 0.3, y - size * 0.7), (x + size * 0.8, y - size * 0.4), (x + size, y + size * 0.3), (x, y + size * 0.6),
        ]  # fmt: skip
        shapes.append(Shape(smooth(points, closed=True), darker(subject.colour, 0.3), 0.4))
    shapes.append(Shape(ellipse(-radius * 0.36, centre - radius * 0.42, radius * 0.2, radius * 0.12), "#ffffff", 0.4))
    return shapes


FLOOR_STAND = 0.45
"""A globe whose ball is this many widths over its foot stands on legs, else on a foot."""


def _table_stand(w: float, h: float, under: float, stand: str) -> list[Shape]:
    foot = [(-0.3 * w, 0.0), (0.3 * w, 0.0), (0.27 * w, -0.035 * h), (0.07 * w, -0.09 * h), (0.05 * w, under),
            (-0.05 * w, under), (-0.07 * w, -0.09 * h), (-0.27 * w, -0.035 * h)]  # fmt: skip
    return [outlined((*polyline(foot), ("Z", ())), round_shade(stand, "satin", -w * 0.3, w * 0.3), stand)]


def _floor_stand(w: float, under: float, stand: str) -> list[Shape]:
    """Return three legs with a rail, under a cup that holds the ball."""
    thick = w * 0.06
    shapes = []
    for top, foot in ((-0.16, -0.46), (0.16, 0.46), (0.0, 0.0)):
        leg = [(top * w - thick / 2, under * 1.02), (top * w + thick / 2, under * 1.02), (foot * w + thick / 2, 0.0),
               (foot * w - thick / 2, 0.0)]  # fmt: skip
        shapes.append(outlined((*polyline(leg), ("Z", ())), round_shade(stand, "satin", -w * 0.4, w * 0.4), stand))
    rail = [(-0.33 * w, under * 0.42), (0.33 * w, under * 0.42)]
    shapes.append(Shape(polyline(rail), None, 1.0, darker(stand, 0.2), thick * 0.8))
    cup = [
        (-0.3 * w, under * 1.0 - w * 0.12),
        (0.3 * w, under * 1.0 - w * 0.12),
        (0.2 * w, under * 0.96),
        (-0.2 * w, under * 0.96),
    ]
    shapes.append(outlined((*polyline(cup), ("Z", ())), round_shade(stand, "satin", -w * 0.3, w * 0.3), stand))
    return shapes


def ball(x: float, y: float, radius: float, colour: str, finish: str) -> Shape:
    """Return a sphere lit from the upper left."""
    bright = 0.7 if finish in ("gloss", "metal", "clear") else 0.4
    shade = Gradient(
        (x - radius * 0.35, y - radius * 0.4),
        (x, y),
        (
            (0.0, lighter(colour, bright)),
            (0.35, lighter(colour, 0.12)),
            (0.7, darker(colour, 0.14)),
            (1.0, darker(colour, 0.5)),
        ),
        radius * 1.3,
    )
    return Shape(ellipse(x, y, radius, radius), shade, 1.0, darker(colour, 0.5), 1.2, 0.5)


def _arc(x: float, y: float, radius: float, start: float, end: float) -> tuple[tuple[str, tuple[float, ...]], ...]:
    import math

    points = [
        (x + radius * math.cos(math.radians(a)), y + radius * math.sin(math.radians(a)))
        for a in (start + (end - start) * i / 10 for i in range(11))
    ]
    return smooth(points)


def draw_sphere(subject: Subject) -> list[Shape]:
    """Draw a ball that lies by itself, or on a low ring."""
    radius = min(subject.width, subject.height) / 2
    shapes = [ball(0, -subject.height + radius, radius, subject.colour, subject.finish)]
    if subject.finish == "rough":
        shapes += texture(subject, "sphere")
    return shapes


def draw_orrery(subject: Subject) -> list[Shape]:
    """Draw an orrery: a foot, rings about a small sun, and planets on them."""
    w, h, colour = subject.width, subject.height, subject.colour
    radius = min(w * 0.47, h * 0.37)
    y = -(h - radius - 2)
    thick = max(w * 0.018, 2.2)
    shapes = [
        outlined(
            profile_path("candlestick", w * 0.36, h * 0.42),
            round_shade(colour, "metal", -w * 0.18, w * 0.18),
            colour,
        ),
        Shape(polyline([(0, -h * 0.3), (0, y + radius * 0.2)]), None, 1.0, darker(colour, 0.25), thick * 1.4),
    ]
    for rx, ry in ((1.0, 0.36), (0.42, 0.98), (0.72, 0.72)):
        path = ellipse(0, y, radius * rx, radius * ry)
        shapes.append(Shape(path, None, 1.0, darker(colour, 0.45), thick * 1.5, 0.9))
        shapes.append(Shape(path, None, 1.0, lighter(colour, 0.12), thick * 0.9))
    for px, py, size, tone in (
        (1.0, 0.02, 0.085, "#7b3b57"),
        (-0.62, -0.36, 0.1, "#dcdcd6"),
        (0.3, 0.66, 0.075, "#3f6f8f"),
    ):
        shapes.append(ball(px * radius, y + py * radius, size * radius, tone, "gloss"))
    shapes.append(ball(0, y, radius * 0.17, "#e8c66a", "metal"))
    return shapes


def draw_candlestick(subject: Subject) -> list[Shape]:
    """Draw a candlestick with its candle."""
    w, h, colour = subject.width, subject.height, subject.colour
    wax = subject.colours[1] if len(subject.colours) > 1 else "#f1e9d6"
    return [
        outlined(
            profile_path("candlestick", w, h, low=0.54, high=0.97),
            round_shade(wax, "satin", -w * 0.12, w * 0.12),
            wax,
        ),
        Shape(polyline([(0, -h * 0.97), (0, -h)]), None, 1.0, "#3a322a", 1.6),
        outlined(
            profile_path("candlestick", w, h, high=0.57),
            round_shade(colour, subject.finish, -w / 2, w / 2),
            colour,
        ),
    ]


def draw_candle(subject: Subject) -> list[Shape]:
    """Draw a pillar candle with its wick."""
    w, h, colour = subject.width, subject.height, subject.colour
    top = -h * 0.92
    return [
        outlined(profile_path("candle", w, h, high=0.92), round_shade(colour, "satin", -w / 2, w / 2), colour),
        Shape(ellipse(0, top, w * 0.45, max(w * 0.05, 1.5)), lighter(colour, 0.35), 0.9),
        Shape(polyline([(0, top), (w * 0.02, -h)]), None, 1.0, "#3a322a", 1.8),
    ]


def draw_lamp(subject: Subject) -> list[Shape]:
    """Draw a table lamp: a turned foot and a shade that glows a little."""
    w, h = subject.width, subject.height
    shade_colour = subject.colours[1] if len(subject.colours) > 1 else "#e9dcc0"
    top, low = half_width_at("lamp", 1.0) * w / 2, w / 2
    shade = polyline([(-top, -h), (top, -h), (low, -h * 0.54), (-low, -h * 0.54)])
    glow = Gradient(
        (0.0, -h * 0.62), (0.0, -h * 0.62),
        ((0.0, lighter(shade_colour, 0.55)), (0.6, shade_colour), (1.0, darker(shade_colour, 0.16))), w * 0.7,
    )  # fmt: skip
    return [
        outlined(
            profile_path("lamp", w, h, high=0.535),
            round_shade(subject.colour, subject.finish, -w * 0.22, w * 0.22),
            subject.colour,
        ),
        outlined((*shade, ("Z", ())), glow, shade_colour),
        Shape(polyline([(-top, -h + 2), (top, -h + 2)]), None, 1.0, darker(shade_colour, 0.35), 2.0, 0.6),
        Shape(
            polyline([(-low, -h * 0.54 - 2), (low, -h * 0.54 - 2)]),
            None,
            1.0,
            darker(shade_colour, 0.35),
            2.0,
            0.6,
        ),
    ]


def draw_hourglass(subject: Subject) -> list[Shape]:
    """Draw an hourglass: two plates, two posts, clear bulbs and sand."""
    w, h, wood = subject.width, subject.height, subject.colour
    bulbs = profile_path("hourglass", w * 0.86, h, low=0.08, high=0.92)
    plate = h * 0.07
    shapes = [
        Shape(polyline([(-w * 0.4, -plate), (-w * 0.4, -h + plate)]), None, 1.0, darker(wood, 0.2), w * 0.06),
        Shape(polyline([(w * 0.4, -plate), (w * 0.4, -h + plate)]), None, 1.0, darker(wood, 0.35), w * 0.06),
        Shape(profile_path("hourglass", w * 0.76, h, low=0.08, high=0.26), "#d9b878"),
        Shape(leaf((0, -h * 0.5), (0, -h * 0.26), w * 0.03), "#d9b878"),
        outlined(bulbs, round_shade("#cfdcdc", "clear", -w * 0.43, w * 0.43), "#9fb0b0", "clear"),
    ]
    for y in (0.0, -h + plate):
        shapes.append(outlined((*polyline([(-w / 2, y), (w / 2, y), (w / 2, y - plate), (-w / 2, y - plate)]), ("Z", ())),
                               round_shade(wood, subject.finish, -w / 2, w / 2), wood))  # fmt: skip
    return shapes


def draw_bell(subject: Subject) -> list[Shape]:
    """Draw a hand bell."""
    w, h, colour = subject.width, subject.height, subject.colour
    return [
        outlined(profile_path("bell", w, h), round_shade(colour, subject.finish, -w / 2, w / 2), colour),
        Shape(
            polyline([(-w * 0.49, -h * 0.06), (w * 0.49, -h * 0.06)]),
            None,
            1.0,
            darker(colour, 0.4),
            2.0,
            0.7,
        ),
    ]


def draw_figure(subject: Subject) -> list[Shape]:
    """Draw a bust on a plinth: shoulders, neck and a head in profile shade."""
    w, h, colour = subject.width, subject.height, subject.colour
    shade = round_shade(colour, subject.finish, -w * 0.4, w * 0.4)
    plinth = polyline([(-w * 0.3, 0), (w * 0.3, 0), (w * 0.26, -h * 0.1), (w * 0.13, -h * 0.13), (w * 0.12, -h * 0.22),
                       (-w * 0.12, -h * 0.22), (-w * 0.13, -h * 0.13), (-w * 0.26, -h * 0.1)])  # fmt: skip
    shoulders = smooth(
        [(-w * 0.13, -h * 0.2), (-w * 0.4, -h * 0.36), (-w * 0.47, -h * 0.48), (-w * 0.33, -h * 0.57), (-w * 0.12, -h * 0.61),
         (-w * 0.11, -h * 0.72), (w * 0.11, -h * 0.72), (w * 0.12, -h * 0.61), (w * 0.33, -h * 0.57), (w * 0.47, -h * 0.48),
         (w * 0.4, -h * 0.36), (w * 0.13, -h * 0.2)], closed=True,
    )  # fmt: skip
    face = -h * 0.83
    return [
        outlined((*plinth, ("Z", ())), round_shade(darker(colour, 0.15), subject.finish, -w * 0.3, w * 0.3), colour),
        outlined(shoulders, shade, colour),
        outlined(ellipse(0, face, w * 0.21, h * 0.165), round_shade(colour, subject.finish, -w * 0.21, w * 0.21), colour),
        Shape(smooth([(-w * 0.2, face - h * 0.02), (-w * 0.12, face - h * 0.13), (w * 0.1, face - h * 0.15), (w * 0.2, face - h * 0.03)]),
              None, 1.0, darker(colour, 0.35), w * 0.05, 0.6),
        Shape(polyline([(-w * 0.03, face - h * 0.02), (-w * 0.055, face + h * 0.045), (-w * 0.01, face + h * 0.05)]),
              None, 1.0, darker(colour, 0.4), 1.8, 0.7),
        *texture(subject, "figure"),
    ]  # fmt: skip
