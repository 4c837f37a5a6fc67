"""Finds and models: a boat, a coral, a shell."""

import math

from jolly_ledge.drawing.picture import Point, Shape, polygon, polyline, smooth
from jolly_ledge.drawing.silhouettes.subject import Subject, flat_shade, outlined, round_shade
from jolly_ledge.model.colour import darker, lighter

SAIL = "#ece5d6"


def draw_boat(subject: Subject) -> list[Shape]:
    """Draw a model boat on its cradle: hull, mast and two sails."""
    w, h, wood = subject.width, subject.height, subject.colour
    sail = subject.second if len(subject.colours) > 1 else SAIL
    deck, keel, mast = -h * 0.3, -h * 0.07, -w * 0.04
    hull = [(-w * 0.5, deck - h * 0.03), (-w * 0.38, keel * 1.6), (-w * 0.2, keel), (w * 0.24, keel), (w * 0.4, keel * 1.7),
            (w * 0.5, deck - h * 0.05)]  # fmt: skip
    foot = [
        (-w * 0.2, 0.0),
        (w * 0.2, 0.0),
        (w * 0.14, -h * 0.03),
        (w * 0.1, keel),
        (-w * 0.1, keel),
        (-w * 0.14, -h * 0.03),
    ]
    main: list[Point] = [
        (mast + w * 0.02, -h * 0.95),
        (mast + w * 0.4, deck - h * 0.08),
        (mast + w * 0.02, deck - h * 0.06),
    ]
    fore: list[Point] = [
        (mast - w * 0.015, -h * 0.86),
        (mast - w * 0.015, deck - h * 0.06),
        (-w * 0.42, deck - h * 0.06),
    ]
    return [
        outlined(polygon(foot), flat_shade(darker(wood, 0.3), -h * 0.1, 0), wood),
        Shape(polyline([(mast, -h), (mast, deck)]), None, 1.0, darker(wood, 0.25), max(w * 0.014, 2.0)),
        outlined(polygon(main), round_shade(sail, "matt", mast, mast + w * 0.44), darker(sail, 0.2)),
        outlined(polygon(fore), round_shade(sail, "matt", -w * 0.42, mast), darker(sail, 0.2)),
        outlined(
            (*smooth(hull), ("L", (-w * 0.5, deck - h * 0.03)), ("Z", ())), flat_shade(wood, deck, keel), wood,
            subject.finish,
        ),
        Shape(polyline([(-w * 0.47, deck), (w * 0.47, deck - h * 0.01)]), None, 1.0, lighter(wood, 0.5), h * 0.012, 0.8),
    ]  # fmt: skip


def draw_coral(subject: Subject) -> list[Shape]:
    """Draw a branching coral on a small plinth."""
    w, h, colour = subject.width, subject.height, subject.colour
    rng = subject.rng()
    shapes: list[Shape] = []
    foot = -h * 0.1

    def branch(x: float, y: float, angle: float, long: float, thick: float, depth: int) -> None:
        end_x, end_y = x + math.sin(angle) * long, y - math.cos(angle) * long
        end_x = min(max(end_x, -w * 0.47), w * 0.47)
        end_y = max(end_y, -h * 0.98)
        tone = darker(colour, 0.16) if depth % 2 else colour
        shapes.append(Shape(polyline([(x, y), (end_x, end_y)]), None, 1.0, darker(colour, 0.35), thick * 1.3))
        shapes.append(Shape(polyline([(x, y), (end_x, end_y)]), None, 1.0, tone, thick))
        if depth < 4:
            for side in (-1, 1):
                branch(end_x, end_y, angle + side * rng.uniform(0.28, 0.6), long * rng.uniform(0.6, 0.82),
                       thick * 0.68, depth + 1)  # fmt: skip

    for lean in (-0.55, -0.15, 0.2, 0.6):
        branch(lean * w * 0.12, foot, lean, h * 0.26, max(w * 0.06, 3.0), 0)
    plinth = polygon([(-w * 0.24, 0.0), (w * 0.24, 0.0), (w * 0.19, foot), (-w * 0.19, foot)])
    base = subject.second if len(subject.colours) > 1 else darker(colour, 0.45)
    return [*shapes, outlined(plinth, flat_shade(base, foot, 0.0), base)]


def draw_shell(subject: Subject) -> list[Shape]:
    """Draw a scallop: a ribbed fan."""
    w, h, colour = subject.width, subject.height, subject.colour
    root = (0.0, -h * 0.04)
    rim = [(math.cos(a) * w * 0.5, -h * 0.34 - math.sin(a) * h * 0.62)
           for a in (math.pi * step / 12 for step in range(13))]  # fmt: skip
    hinge = w * 0.12
    fan = (("M", (hinge, 0.0)), ("L", rim[0]), *smooth(rim)[1:], ("L", (-hinge, 0.0)), ("Z", ()))
    ribs = [
        Shape(polyline([root, (x * 0.96, y * 0.985)]), None, 1.0, darker(colour, 0.3), max(w * 0.008, 1.0), 0.55)
        for x, y in rim[1:-1]
    ]
    bands = [
        Shape(smooth([(x * share, y * share) for x, y in rim]), None, 1.0, lighter(colour, 0.35), 1.4, 0.35)
        for share in (0.6, 0.82)
    ]
    return [outlined(fan, round_shade(colour, subject.finish, -w / 2, w / 2), colour, subject.finish), *bands, *ribs]
