"""Small curios: a clock, a bird, a hand lens, a coil of rope."""

import math

from jolly_ledge.drawing.picture import Shape, ellipse, polygon, polyline, smooth
from jolly_ledge.drawing.silhouettes.subject import Subject, flat_shade, outlined, round_shade
from jolly_ledge.model.colour import darker, lighter

DIAL, HANDS = "#f1ead8", "#33302e"
GLASS = "#dfe7e8"


def draw_clock(subject: Subject) -> list[Shape]:
    """Draw a mantel clock: a rounded case on a plinth, a dial with two hands."""
    w, h, wood = subject.width, subject.height, subject.colour
    foot = h * 0.1
    arch = [(math.cos(a) * w * 0.46, -(h - min(w * 0.46, h * 0.5)) - math.sin(a) * min(w * 0.46, h * 0.5))
            for a in (math.pi * step / 16 for step in range(17))]  # fmt: skip
    case = (("M", (w * 0.46, -foot)), ("L", arch[0]), *smooth(arch)[1:], ("L", (-w * 0.46, -foot)), ("Z", ()))
    dial = subject.second if len(subject.colours) > 1 else DIAL
    radius = min(w, h) * 0.3
    y = -max(h * 0.56, foot + radius * 1.15)
    ticks = [
        Shape(
            polyline([(math.sin(a) * radius * 0.8, y - math.cos(a) * radius * 0.8),
                      (math.sin(a) * radius * 0.92, y - math.cos(a) * radius * 0.92)]),
            None, 1.0, HANDS, max(radius * 0.05, 0.8),
        )
        for a in (math.tau * hour / 12 for hour in range(12))
    ]  # fmt: skip
    return [
        outlined(case, round_shade(wood, subject.finish, -w / 2, w / 2), wood, subject.finish),
        outlined(polygon([(-w / 2, 0.0), (w / 2, 0.0), (w / 2, -foot), (-w / 2, -foot)]),
                 flat_shade(darker(wood, 0.15), -foot, 0.0), wood),
        Shape(ellipse(0.0, y, radius * 1.1, radius * 1.1), darker(wood, 0.3)),
        Shape(ellipse(0.0, y, radius, radius), dial),
        *ticks,
        Shape(polyline([(0.0, y), (-radius * 0.42, y - radius * 0.36)]), None, 1.0, HANDS, max(radius * 0.08, 1.2)),
        Shape(polyline([(0.0, y), (radius * 0.5, y - radius * 0.52)]), None, 1.0, HANDS, max(radius * 0.06, 1.0)),
    ]  # fmt: skip


def draw_bird(subject: Subject) -> list[Shape]:
    """Draw a small bird that looks to the right: body with tail, wing, beak, two legs."""
    w, h, colour = subject.width, subject.height, subject.colour
    body = [(-w * 0.5, -h * 0.42), (-w * 0.3, -h * 0.36), (-w * 0.08, -h * 0.16), (w * 0.16, -h * 0.17),
            (w * 0.33, -h * 0.38), (w * 0.36, -h * 0.62), (w * 0.43, -h * 0.78), (w * 0.37, -h * 0.95),
            (w * 0.22, -h), (w * 0.08, -h * 0.92), (w * 0.0, -h * 0.74), (-w * 0.2, -h * 0.6)]  # fmt: skip
    wing = [
        (-w * 0.36, -h * 0.4),
        (-w * 0.1, -h * 0.3),
        (w * 0.14, -h * 0.42),
        (w * 0.1, -h * 0.62),
        (-w * 0.08, -h * 0.6),
    ]
    beak = polygon([(w * 0.41, -h * 0.86), (w * 0.5, -h * 0.8), (w * 0.42, -h * 0.76)])
    legs = [
        Shape(
            polyline([(x, -h * 0.17), (x + w * 0.02, 0.0), (x + w * 0.09, 0.0)]),
            None,
            1.0,
            darker(colour, 0.5),
            w * 0.016,
        )
        for x in (-w * 0.02, w * 0.1)
    ]
    return [
        *legs,
        Shape(beak, darker(colour, 0.45)),
        outlined(smooth(body, closed=True), round_shade(colour, subject.finish, -w / 2, w / 2), colour, subject.finish),
        Shape(smooth(wing, closed=True), darker(subject.second or colour, 0.18)),
        Shape(ellipse(w * 0.29, -h * 0.85, w * 0.018, w * 0.018), darker(colour, 0.7)),
    ]


def draw_hand_lens(subject: Subject) -> list[Shape]:
    """Draw a magnifying glass that stands on its handle."""
    w, h, rim = subject.width, subject.height, subject.colour
    radius = min(w / 2, h * 0.32)
    y = -h + radius
    handle = subject.second if len(subject.colours) > 1 else darker(rim, 0.45)
    grip = [(-w * 0.07, 0.0), (w * 0.07, 0.0), (w * 0.09, -h * 0.1), (w * 0.05, y + radius), (-w * 0.05, y + radius),
            (-w * 0.09, -h * 0.1)]  # fmt: skip
    return [
        outlined(polygon(grip), round_shade(handle, "satin", -w * 0.09, w * 0.09), handle),
        Shape(ellipse(0.0, y, radius * 0.9, radius * 0.9), GLASS, 0.6),
        Shape(ellipse(0.0, y, radius * 0.92, radius * 0.92), None, 1.0, rim, max(radius * 0.14, 1.5)),
        Shape(polyline([(-radius * 0.5, y - radius * 0.1), (-radius * 0.1, y - radius * 0.55)]), None, 1.0, lighter(rim, 0.8),
              max(radius * 0.06, 0.8), 0.8),
    ]  # fmt: skip


def draw_coil(subject: Subject) -> list[Shape]:
    """Draw a coil of rope that lies: turns over turns, one end free."""
    w, h, colour = subject.width, subject.height, subject.colour
    turns = max(min(round(h / (w * 0.14)), 6), 2)
    thick = h / turns
    shapes = []
    for turn in range(turns):
        y = -thick * (turn + 0.5)
        half = w / 2 * (0.97 if turn % 2 else 1.0) - thick / 2
        shapes.append(Shape(polyline([(-half, y), (half, y)]), None, 1.0, darker(colour, 0.35), thick))
        shapes.append(Shape(polyline([(-half, y), (half, y)]), None, 1.0, colour, thick * 0.84))
        strands = max(round(2 * half / thick), 4)
        shapes += [
            Shape(
                polyline([(-half + 2 * half * (at + 0.3) / strands, y + thick * 0.36),
                          (-half + 2 * half * (at + 0.75) / strands, y - thick * 0.36)]),
                None, 1.0, darker(colour, 0.22), max(thick * 0.08, 0.8), 0.7,
            )
            for at in range(strands)
        ]  # fmt: skip
    return shapes
