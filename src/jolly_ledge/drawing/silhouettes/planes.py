"""Flat-faced things: frames, mirrors, boxes, baskets, trays, devices, boards, cloth, stones."""

import math

from jolly_ledge.drawing.picture import (
    Gradient,
    Point,
    Shape,
    ellipse,
    marks_along,
    polygon,
    polyline,
    rectangle,
    rounded,
    smooth,
)
from jolly_ledge.drawing.silhouettes.subject import Subject, flat_shade, outlined, round_shade, side_shade
from jolly_ledge.drawing.silhouettes.turned import texture, weave
from jolly_ledge.geometry.silhouette import outline
from jolly_ledge.model.colour import darker, lighter

BEAD_SHARE, BEAD_APART = 0.24, 1.9
"""A bead is so much of the height of the heap to each side, and so many of that from the next."""


def draw_frame(subject: Subject) -> list[Shape]:
    """Draw a frame with its picture: a chart of stars on dark ground, or a plain study."""
    w, h, wood = subject.width, subject.height, subject.colour
    rail = max(min(w, h) * 0.07, 6.0)
    ground = subject.colours[1] if len(subject.colours) > 1 else "#efe6d4"
    shapes = [
        outlined(rectangle(-w / 2, -h, w, h), side_shade(wood, -w / 2, w / 2), wood),
        Shape(rectangle(-w / 2 + rail * 0.8, -h + rail * 0.8, w - 1.6 * rail, h - 1.6 * rail), darker(wood, 0.4)),
        Shape(rectangle(-w / 2 + rail, -h + rail, w - 2 * rail, h - 2 * rail), flat_shade(ground, -h, 0)),
        Shape(
            polyline([(-w / 2 + 1, -1), (-w / 2 + 1, -h + 1), (w / 2 - 1, -h + 1)]),
            None,
            1.0,
            lighter(wood, 0.45),
            1.6,
            0.7,
        ),
    ]
    inner = min(w, h) - 2 * rail
    return shapes + (_stars(subject, inner) if sum(_channels(ground)) < 330 else _study(subject, inner, rail))


def _channels(colour: str) -> tuple[int, int, int]:
    return int(colour[1:3], 16), int(colour[3:5], 16), int(colour[5:7], 16)


def _stars(subject: Subject, inner: float) -> list[Shape]:
    w, h = subject.width, subject.height
    rng = subject.rng()
    rail = (min(w, h) - inner) / 2
    places = [
        (rng.uniform(-0.4, 0.4) * (w - 2 * rail), -h / 2 + rng.uniform(-0.4, 0.4) * (h - 2 * rail)) for _ in range(13)
    ]
    drawn = [Shape(polyline(places[:6]), None, 1.0, "#cdd3dc", max(inner * 0.006, 0.9), 0.7)]
    return drawn + [
        Shape(ellipse(x, y, size, size), "#f1ead2") for x, y in places for size in (rng.uniform(0.008, 0.02) * inner,)
    ]


def _study(subject: Subject, inner: float, rail: float) -> list[Shape]:
    w, h = subject.width, subject.height
    ink = subject.colours[2] if len(subject.colours) > 2 else darker(subject.colour, 0.15)
    mount = rail * 1.5
    tint = subject.rng().choice((0.0, 1.0))
    shapes = [
        Shape(rectangle(-w / 2 + rail + mount, -h + rail + mount, w - 2 * (rail + mount), h - 2 * (rail + mount)),
              "#f8f3e7", 1.0, darker("#f8f3e7", 0.25), 1.0),
    ]  # fmt: skip
    radius = inner * 0.22
    if tint:
        for rx in (1.0, 0.45):
            shapes.append(Shape(ellipse(0, -h / 2, radius * rx, radius), None, 1.0, ink, max(inner * 0.008, 1.2)))
        shapes.append(Shape(polyline([(-radius, -h / 2), (radius, -h / 2)]), None, 1.0, ink, max(inner * 0.008, 1.2)))
    else:
        hill = [
            (-w / 2 + rail + mount, -h * 0.36),
            (-w * 0.1, -h * 0.5),
            (w * 0.08, -h * 0.4),
            (w / 2 - rail - mount, -h * 0.52),
        ]
        base = -rail - mount
        shapes.append(
            Shape(
                (
                    *smooth(hill),
                    ("L", (w / 2 - rail - mount, base)),
                    ("L", (-w / 2 + rail + mount, base)),
                    ("Z", ()),
                ),
                ink,
                0.45,
            )
        )
        shapes.append(Shape(ellipse(w * 0.14, -h * 0.66, radius * 0.3, radius * 0.3), ink, 0.75))
    return shapes


def draw_mirror(subject: Subject) -> list[Shape]:
    """Draw a mirror with a slanting gleam."""
    w, h, rim = subject.width, subject.height, subject.colour
    is_disc = subject.shape == "disc"
    rail = max(min(w, h) * 0.04, 5.0)
    glass = Gradient(
        (-w / 2, -h),
        (w / 2, 0),
        ((0.0, "#dfe7e8"), (0.45, "#c3cfd2"), (0.5, "#dbe4e5"), (1.0, "#aebcc0")),
    )
    if is_disc:
        return [
            outlined(ellipse(0, -h / 2, w / 2, h / 2), side_shade(rim, -w / 2, w / 2), rim),
            Shape(ellipse(0, -h / 2, w / 2 - rail, h / 2 - rail), glass),
        ]
    return [
        outlined(rectangle(-w / 2, -h, w, h), side_shade(rim, -w / 2, w / 2), rim),
        Shape(rectangle(-w / 2 + rail, -h + rail, w - 2 * rail, h - 2 * rail), glass),
    ]


def draw_disc(subject: Subject) -> list[Shape]:
    """Draw a round thing on a wall or on a stand: a mirror, a plate, a clock face."""
    if subject.category == "mirror":
        return draw_mirror(subject)
    w, h, colour = subject.width, subject.height, subject.colour
    rings = [
        Shape(ellipse(0, -h / 2, w * s, h * s), None, 1.0, subject.second, max(w * 0.015, 1.5), 0.8)
        for s in (0.42, 0.3)
    ]
    return [outlined(ellipse(0, -h / 2, w / 2, h / 2), side_shade(colour, -w / 2, w / 2), colour), *rings]


def draw_box(subject: Subject) -> list[Shape]:
    """Draw a box; a lidded one shows its lid and a clasp, an open one its rim."""
    w, h, colour = subject.width, subject.height, subject.colour
    shapes = [outlined(rounded(-w / 2, -h, w, h, min(4.0, h / 8)), side_shade(colour, -w / 2, w / 2), colour)]
    if subject.finish == "woven":
        shapes += weave(Subject("cylinder", w, h, subject.colours, "woven", subject.category, subject.key), "cylinder")
    if subject.lidded:
        lid = h * 0.3
        shapes.append(Shape(rectangle(-w / 2, -h, w, lid), lighter(colour, 0.12), 0.6))
        shapes.append(
            Shape(polyline([(-w / 2, -h + lid), (w / 2, -h + lid)]), None, 1.0, darker(colour, 0.55), 2.2, 0.85)
        )
        clasp = min(w * 0.09, h * 0.2, 22.0)
        shapes.append(
            outlined(
                rounded(-clasp / 2, -h + lid - clasp * 0.4, clasp, clasp * 1.15, 2),
                round_shade("#c9a24b", "metal", -clasp, clasp),
                "#8a6a2a",
            )
        )
    else:
        shapes.append(Shape(rectangle(-w / 2 + 3, -h + 1, w - 6, max(h * 0.06, 3.0)), darker(colour, 0.6), 0.7))
        shapes.append(Shape(rounded(-w * 0.12, -h * 0.62, w * 0.24, max(h * 0.09, 5.0), 5), darker(colour, 0.55), 0.6))
    return shapes


def draw_basket(subject: Subject) -> list[Shape]:
    """Draw a woven basket with two handles."""
    w, h, colour = subject.width, subject.height, subject.colour
    bowed = polygon([(-w * 0.43, 0), (w * 0.43, 0), (w / 2, -h), (-w / 2, -h)])
    woven = Subject("basket", w, h, subject.colours, "woven", subject.category, subject.key)
    handle = smooth([(-w * 0.14, -h * 0.8), (-w * 0.1, -h * 0.97), (w * 0.1, -h * 0.97), (w * 0.14, -h * 0.8)])
    return [
        outlined(bowed, round_shade(colour, "matt", -w / 2, w / 2), colour),
        *weave(woven, "basket"),
        Shape(
            rounded(-w / 2, -h, w, max(h * 0.07, 6.0), 4),
            darker(colour, 0.25),
            1.0,
            darker(colour, 0.5),
            1.0,
            0.6,
        ),
        Shape(handle, None, 1.0, darker(colour, 0.5), max(h * 0.03, 3.0)),
    ]


def draw_tray(subject: Subject) -> list[Shape]:
    """Draw a tray: a low rim with handles raised at both ends."""
    w, h, colour = subject.width, subject.height, subject.colour
    low = h * 0.62
    body = polygon(
        [
            (-w * 0.47, 0),
            (w * 0.47, 0),
            (w * 0.5, -h),
            (w * 0.43, -h),
            (w * 0.41, -low),
            (-w * 0.41, -low),
            (-w * 0.43, -h),
            (-w * 0.5, -h),
        ]
    )
    return [
        outlined(body, flat_shade(colour, -h, 0), colour),
        Shape(polyline([(-w * 0.41, -low), (w * 0.41, -low)]), None, 1.0, lighter(colour, 0.5), 2.0, 0.7),
    ]


def draw_slab(subject: Subject) -> list[Shape]:
    """Draw a thing that lies on its back, seen from its edge."""
    w, h, colour = subject.width, subject.height, subject.colour
    return [
        outlined(rounded(-w / 2, -h, w, h, min(3.0, h / 3)), flat_shade(colour, -h, 0), colour),
        Shape(polyline([(-w / 2 + 2, -h + 1), (w / 2 - 2, -h + 1)]), None, 1.0, lighter(colour, 0.5), 1.6, 0.7),
    ]


def draw_stone(subject: Subject) -> list[Shape]:
    """Draw a stone or meteorite with facets and pits."""
    w, h, colour = subject.width, subject.height, subject.colour
    points = [(x, -y) for x, y in outline("stone", w, h)]
    shade = Gradient(
        (-w * 0.16, -h * 0.72), (0.0, -h * 0.5), ((0.0, lighter(colour, 0.38)), (0.55, colour), (1.0, darker(colour, 0.5))), max(w, h) * 0.75,
    )  # fmt: skip
    rng = subject.rng()
    crown, heart = (-w * 0.08, -h * 0.66), (w * 0.1, -h * 0.36)
    shapes = [outlined(polygon(points), shade, colour)]
    for index, tone in (
        (6, lighter(colour, 0.22)),
        (4, darker(colour, 0.16)),
        (2, darker(colour, 0.34)),
        (8, lighter(colour, 0.08)),
    ):
        facet = [
            points[index],
            points[(index + 1) % len(points)],
            points[(index + 2) % len(points)],
            heart,
            crown,
        ]
        shapes.append(Shape(polygon(facet), tone, 0.38))
    for _ in range(9):
        angle, far = rng.uniform(0, 6.3), rng.uniform(0.1, 0.72)
        x, y = math.cos(angle) * far * w * 0.42, -h * 0.5 + math.sin(angle) * far * h * 0.42
        size = rng.uniform(0.03, 0.075) * min(w, h)
        shapes.append(Shape(ellipse(x, y, size, size * 0.75), darker(colour, 0.5), 0.55))
        shapes.append(Shape(ellipse(x + size * 0.2, y + size * 0.3, size * 0.7, size * 0.4), lighter(colour, 0.4), 0.4))
    return shapes


def draw_textile(subject: Subject) -> list[Shape]:
    """Draw folded cloth: soft layers with a fringe."""
    w, h, colour = subject.width, subject.height, subject.colour
    folds = max(2, min(5, round(h / 28)))
    shapes = []
    for fold in range(folds):
        top = -h + h * fold / folds
        tone = colour if fold % 2 == 0 else subject.second
        shapes.append(
            outlined(
                rounded(-w / 2, top, w, h / folds, h / folds * 0.48),
                flat_shade(tone, top, top + h / folds),
                tone,
            )
        )
    for x in range(int(-w / 2) + 8, int(w / 2) - 6, max(int(w / 120), 9)):
        shapes.append(Shape(polyline([(x, -h * 0.12), (x, -1)]), None, 1.0, darker(colour, 0.35), 1.6, 0.6))
    return shapes


def draw_hanging(subject: Subject) -> list[Shape]:
    """Draw cloth that hangs from a rod in soft folds."""
    w, h, colour = subject.width, subject.height, subject.colour
    rod = max(h * 0.03, 5.0)
    folds = max(4, marks_along(w, 60))
    step = w / folds
    shapes = []
    for fold in range(folds):
        left = -w / 2 + fold * step
        foot = -h * 0.02 if fold % 2 else 0.0
        path = polygon(
            [(left, -h + rod / 2), (left + step, -h + rod / 2), (left + step, foot), (left, -h * 0.02 - foot)]
        )
        shapes.append(Shape(path, side_shade(colour, left, left + step)))
    band = subject.second
    shapes.append(Shape(rectangle(-w / 2, -h * 0.16, w, h * 0.04), band, 0.8))
    shapes.append(
        outlined(rounded(-w / 2 - rod, -h, w + 2 * rod, rod, rod / 2), side_shade("#8a6240", -w / 2, w / 2), "#8a6240")
    )
    return shapes


def draw_device(subject: Subject) -> list[Shape]:
    """Draw a device: a plain case with small lights and a slot."""
    w, h, colour = subject.width, subject.height, subject.colour
    shapes = [outlined(rounded(-w / 2, -h, w, h, min(8.0, h / 4)), flat_shade(colour, -h, 0), colour)]
    if w > 60:
        shapes.append(Shape(rectangle(-w * 0.4, -h * 0.32, w * 0.8, max(h * 0.05, 1.5)), darker(colour, 0.4), 0.6))
        for index in range(4):
            tone = "#7fae6a" if index < 3 else "#d7a04a"
            shapes.append(
                Shape(
                    ellipse(-w * 0.36 + index * w * 0.06, -h * 0.6, max(w * 0.012, 1.6), max(w * 0.012, 1.6)),
                    tone,
                )
            )
    return shapes


def draw_appliance(subject: Subject) -> list[Shape]:
    """Draw an appliance: a body with a dial and a plinth."""
    w, h, colour = subject.width, subject.height, subject.colour
    return [
        outlined(
            rounded(-w / 2, -h, w, h * 0.95, min(w, h) * 0.16),
            round_shade(colour, subject.finish, -w / 2, w / 2),
            colour,
        ),
        outlined(rectangle(-w * 0.46, -h * 0.07, w * 0.92, h * 0.07), darker(colour, 0.4), colour),
        outlined(ellipse(0, -h * 0.5, min(w, h) * 0.12, min(w, h) * 0.12), lighter(colour, 0.3), colour),
    ]


def draw_board(subject: Subject) -> list[Shape]:
    """Draw a board with a grip and grain."""
    w, h, colour = subject.width, subject.height, subject.colour
    shapes = [
        outlined(rounded(-w / 2, -h * 0.82, w, h * 0.82, w * 0.12), side_shade(colour, -w / 2, w / 2), colour),
        outlined(
            rounded(-w * 0.12, -h, w * 0.24, h * 0.22, w * 0.1),
            side_shade(colour, -w * 0.12, w * 0.12),
            colour,
        ),
        Shape(ellipse(0, -h * 0.93, w * 0.04, w * 0.04), darker(colour, 0.6)),
    ]
    for x in (-0.26, 0.02, 0.28):
        points = [(x * w, -h * 0.05), (x * w + 4, -h * 0.4), (x * w - 2, -h * 0.76)]
        shapes.append(Shape(smooth(points), None, 1.0, darker(colour, 0.3), 1.4, 0.5))
    return shapes


def draw_beads(subject: Subject) -> list[Shape]:
    """Draw a string of beads laid down in two loops, each bead touching the next."""
    w, h, colour = subject.width, subject.height, subject.colour
    size = max(min(h * BEAD_SHARE, w / 12), 3.0)
    beads: list[Point] = []
    for middle, share in ((-0.09, 0.82), (0.27, 0.46)):
        along, up = share * w / 2 - size, max(h / 2 - size, 0.0)
        # The way round an ellipse, as Ramanujan approximated it.
        round_it = math.pi * (3 * (along + up) - math.sqrt((3 * along + up) * (along + 3 * up)))
        count = max(round(round_it / (BEAD_APART * size)), 6)
        beads += [
            (middle * w + math.cos(index / count * math.tau) * along, -h / 2 + math.sin(index / count * math.tau) * up)
            for index in range(count)
        ]
    return [
        outlined(ellipse(x, y, size, size), round_shade(colour, subject.finish, x - size, x + size), colour)
        for x, y in sorted(beads, key=lambda bead: bead[1])
    ]


def draw_utensils(subject: Subject) -> list[Shape]:
    """Draw long handles fanned out."""
    w, h = subject.width, subject.height
    shapes = []
    for index, lean in enumerate((-0.36, -0.12, 0.1, 0.34)):
        colour = subject.colours[index % len(subject.colours)]
        tip = (lean * w, -h * (0.86 + 0.04 * (index % 3)))
        shapes.append(Shape(polyline([(lean * w * 0.3, 0), tip]), None, 1.0, darker(colour, 0.2), max(w * 0.05, 4.0)))
        shapes.append(outlined(ellipse(tip[0], tip[1], w * 0.09, h * 0.11), lighter(colour, 0.1), colour))
    return shapes


def draw_object(subject: Subject) -> list[Shape]:
    """Draw a small thing of no told form: a rounded block with its texture."""
    w, h, colour = subject.width, subject.height, subject.colour
    return [
        outlined(
            rounded(-w / 2, -h, w, h, min(w, h) * 0.22),
            round_shade(colour, subject.finish, -w / 2, w / 2),
            colour,
        ),
        Shape(ellipse(-w * 0.16, -h * 0.72, w * 0.16, h * 0.08), "#ffffff", 0.22),
        *texture(subject, "cylinder"),
    ]
