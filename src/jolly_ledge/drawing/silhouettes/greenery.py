"""Plants, bouquets and branches, leaves in three greens."""

import math

from jolly_ledge.drawing.picture import Shape, ellipse, leaf, polyline, smooth
from jolly_ledge.drawing.silhouettes.subject import Subject, outlined, profile_path, round_shade
from jolly_ledge.drawing.silhouettes.turned import texture
from jolly_ledge.model.colour import darker, is_green, lighter, mix


def greens(subject: Subject) -> tuple[str, str, str]:
    """Return a dark, a middle and a light green near the thing's own."""
    own = next((colour for colour in subject.colours if is_green(colour)), "#66874f")
    return darker(own, 0.28), own, mix(lighter(own, 0.24), "#b9c48a", 0.2)


def pot_colour(subject: Subject) -> str:
    """Return the colour of the pot: the first that is not green."""
    return next((colour for colour in subject.colours if not is_green(colour)), "#b9744e")


def _pot(subject: Subject, share: float, width: float) -> list[Shape]:
    colour, h = pot_colour(subject), subject.height * share
    pot = Subject("pot", width, h, (colour,), subject.finish, "vessel", subject.key)
    return [
        outlined(profile_path("pot", width, h), round_shade(colour, subject.finish, -width / 2, width / 2), colour),
        *texture(pot, "pot"),
        Shape(ellipse(0, -h + 1, width * 0.46, max(width * 0.04, 2.0)), "#3a2c22", 0.85),
    ]


def draw_plant(subject: Subject) -> list[Shape]:
    """Draw a leafy plant in its pot."""
    w, h = subject.width, subject.height
    potted = h > 60 and subject.material != "cut"
    share = min(0.38, 0.6 * w / h) if potted else 0.06
    soil = -h * share * 0.97
    dark, middle, light = greens(subject)
    rng = subject.rng()
    shapes: list[Shape] = []
    leaves = 17 if w > 90 else 11
    reach = h + soil
    for index in range(leaves):
        spread = (index / (leaves - 1) - 0.5) * 2
        angle = spread * 1.22 + rng.uniform(-0.1, 0.1)
        limit_x = w / 2 / max(abs(math.sin(angle)), 0.12)
        limit_y = reach / max(math.cos(angle), 0.3)
        long = min(limit_x, limit_y) * rng.uniform(0.84, 1.0)
        tip = (math.sin(angle) * long, soil - math.cos(angle) * long)
        tone = (dark, middle, light)[index % 3] if abs(spread) > 0.2 else middle
        path = leaf((spread * w * 0.1, soil), tip, max(long * 0.3, 7), bend=spread * long * 0.14)
        shapes.append(outlined(path, tone, tone))
        rib = polyline([(spread * w * 0.1, soil), (tip[0] * 0.92, soil + (tip[1] - soil) * 0.92)])
        shapes.append(Shape(rib, None, 1.0, lighter(tone, 0.4), 1.0, 0.5))
    order = sorted(range(leaves), key=lambda index: -abs(index - leaves / 2))
    arranged = [part for index in order for part in shapes[2 * index : 2 * index + 2]]
    top = (0.0, -h)
    arranged.append(outlined(leaf((0.0, soil), top, max(w * 0.17, 8), bend=w * 0.03), middle, middle))
    return arranged + (_pot(subject, share, min(w * 0.56, h * 0.5)) if potted else [])


def draw_trailing(subject: Subject) -> list[Shape]:
    """Draw a trailing plant: runners that fall over the pot to both sides."""
    w, h = subject.width, subject.height
    dark, middle, light = greens(subject)
    rng = subject.rng()
    pot_share = min(0.62, 0.7 * w / h)
    pot_width = min(w * 0.55, h * 0.7)
    soil = -h * pot_share
    shapes = _pot(subject, pot_share, pot_width)
    for index in range(9):
        side = -1 if index % 2 else 1
        out = rng.uniform(0.2, 0.46) * w * side
        low = -rng.uniform(0.04, 0.5) * h if index < 6 else -rng.uniform(0.75, 0.9) * h
        crest = (out * 0.55, soil - (h + soil) * rng.uniform(0.35, 0.95))
        path = [(out * 0.1, soil), crest, (out, soil * 0.9), (out * 0.96, low)]
        shapes.append(Shape(smooth(path), None, 1.0, dark, 1.8))
        for step in range(7):
            t = step / 6
            x, y = _along(path, t)
            size = rng.uniform(0.07, 0.1) * min(w, h)
            tone = (dark, middle, light)[(index + step) % 3]
            lean = rng.uniform(-0.9, 0.9)
            tip = (x + side * size * (1 + lean * 0.3), y + size * lean)
            shapes.append(outlined(leaf((x, y), tip, size * 0.75), tone, tone))
    return shapes


def _along(points: list[tuple[float, float]], t: float) -> tuple[float, float]:
    place = t * (len(points) - 1)
    index = min(int(place), len(points) - 2)
    part = place - index
    (x0, y0), (x1, y1) = points[index], points[index + 1]
    return x0 + (x1 - x0) * part, y0 + (y1 - y0) * part


def draw_branches(subject: Subject) -> list[Shape]:
    """Draw dry branches with buds."""
    w, h = subject.width, subject.height
    rng = subject.rng()
    wood = subject.colour
    count = 9 if w > 60 else 5
    shapes: list[Shape] = []
    for index in range(count):
        spread = (index / (count - 1) - 0.5) * 2
        tip = (spread * w * 0.47, -h * (1.0 - 0.16 * abs(spread) - rng.uniform(0, 0.12)))
        bend = (tip[0] * 0.28 + rng.uniform(-0.04, 0.04) * w, tip[1] * 0.55)
        path = [(spread * w * 0.04, 0.0), bend, tip]
        shapes.append(Shape(smooth(path), None, 1.0, darker(wood, 0.18 * (index % 3)), max(w * 0.012, 2.2)))
        for step in range(2, 8):
            x, y = _along(path, step / 7)
            size = max(min(w, h) * 0.026, 2.6) * rng.uniform(0.8, 1.3)
            side = 1 if step % 2 else -1
            tone = subject.colours[(index + step) % len(subject.colours)]
            shapes.append(
                Shape(
                    leaf((x, y), (x + side * size * 2.2, y - size * 2.4), size * 1.5),
                    lighter(tone, 0.14),
                    1.0,
                    darker(tone, 0.4),
                    0.8,
                    0.5,
                )
            )
        shapes.append(Shape(ellipse(tip[0], tip[1] + 3, max(w * 0.02, 3.0), max(w * 0.028, 4.0)), lighter(wood, 0.25)))
    return shapes


def draw_bouquet(subject: Subject) -> list[Shape]:
    """Draw a full bunch of flowers over green."""
    w, h = subject.width, subject.height
    dark, middle, light = greens(subject)
    rng = subject.rng()
    shapes: list[Shape] = []
    for index in range(9):
        spread = (index / 8 - 0.5) * 2
        tip = (spread * w * 0.48, -h * (0.82 - 0.3 * abs(spread)))
        tone = (dark, middle, light)[index % 3]
        shapes.append(outlined(leaf((spread * w * 0.05, 0), tip, w * 0.1, bend=spread * w * 0.04), tone, tone))
    flowers = [colour for colour in subject.colours if not is_green(colour)] or [subject.colour]
    for index in range(15):
        ring, angle = (0.0, 0.0) if index == 0 else ((0.5 if index < 6 else 0.9), index * 2.39996)
        size = w * rng.uniform(0.085, 0.115)
        x = math.cos(angle) * ring * (w / 2 - size)
        y = -h * 0.64 + math.sin(angle) * ring * (h * 0.36 - size)
        tone = flowers[index % len(flowers)]
        for petal in range(6):
            turn = petal / 6 * math.tau + index
            shapes.append(outlined(ellipse(x + math.cos(turn) * size * 0.5, y + math.sin(turn) * size * 0.5, size * 0.5, size * 0.5),
                                   lighter(tone, 0.08 * (petal % 3)), tone))  # fmt: skip
        shapes.append(Shape(ellipse(x, y, size * 0.34, size * 0.34), darker(tone, 0.35), 0.8))
    return shapes


def draw_laid_stems(subject: Subject) -> list[Shape]:
    """Draw a bunch that lies: bare ends to the left, a string round them, leaves and heads to the right."""
    w, h = subject.width, subject.height
    rng = subject.rng()
    green = next((colour for colour in subject.colours if is_green(colour)), subject.colour)
    flowers = [colour for colour in subject.colours if not is_green(colour)]
    bare, head = darker(green, 0.25), flowers[0] if flowers else green
    blooms = 2.2 if flowers and green not in flowers else 1.0
    shapes: list[Shape] = []
    for index in range(7):
        share = index / 6
        start = (-w / 2 + rng.uniform(0, 0.06) * w, -h * (0.06 + 0.26 * share))
        tied = (-w * 0.2, -h * (0.1 + 0.12 * share))
        tip = (w * (0.5 - 0.12 * abs(share - 0.5) - rng.uniform(0.01, 0.05)), -h * (0.06 + 0.82 * share))
        path = [start, tied, ((tied[0] + tip[0]) / 2, (tied[1] + tip[1]) / 2 + h * 0.04), tip]
        shapes.append(Shape(smooth(path), None, 1.0, darker(bare, 0.12 * (index % 3)), max(h * 0.035, 2.0)))
        for step in range(6):
            x, y = _along(path[1:], 0.28 + 0.13 * step)
            up = 1 if step % 2 else -1
            size = max(h * 0.2, 5.0) * rng.uniform(0.8, 1.2)
            tone = lighter(green, 0.12 * ((index + step) % 3))
            end = (min(x + size, w * 0.48), max(min(y - up * size * 0.7, -1.0), -h * 0.98))
            shapes.append(outlined(leaf((x, y), end, size * 0.34), lighter(tone, 0.1 * (step % 3)), tone))
        shapes.append(
            Shape(
                ellipse(tip[0], tip[1], max(h * 0.07, 3.0) * blooms, max(h * 0.06, 2.6) * blooms), lighter(head, 0.15)
            )
        )
    string = [(-w * 0.2, -h * 0.03), (-w * 0.193, -h * 0.15), (-w * 0.2, -h * 0.27)]
    return [*shapes, Shape(smooth(string), None, 1.0, "#c9b083", max(h * 0.05, 3.0))]
