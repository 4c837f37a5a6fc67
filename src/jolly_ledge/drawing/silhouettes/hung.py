"""What hangs from a hook and is no cloth: a coat, a hat, a bag, an umbrella, a pan."""

from jolly_ledge.drawing.picture import Point, Shape, ellipse, polygon, polyline, rounded, smooth
from jolly_ledge.drawing.silhouettes.subject import Subject, flat_shade, outlined, round_shade, side_shade
from jolly_ledge.geometry.silhouette import outline
from jolly_ledge.model.colour import darker, lighter


def _contour(subject: Subject) -> list[Point]:
    """Return the outline of a thing, drawn downward from its hook."""
    return [(x, -y) for x, y in outline(subject.shape, subject.width, subject.height)]


def draw_coat(subject: Subject) -> list[Shape]:
    """Draw a coat on its loop: collar, sleeves at its sides, buttons down its middle."""
    w, h, colour = subject.width, subject.height, subject.colour
    seam = darker(colour, 0.35)
    collar: list[Point] = [
        (-w * 0.12, -h),
        (w * 0.12, -h),
        (w * 0.16, -h * 0.88),
        (0.0, -h * 0.8),
        (-w * 0.16, -h * 0.88),
    ]
    return [
        outlined(polygon(_contour(subject)), side_shade(colour, -w / 2, w / 2), colour),
        *(Shape(polyline([(side * w * 0.3, -h * 0.84), (side * w * 0.34, -h * 0.46)]), None, 1.0, seam, max(w * 0.008, 1.2))
          for side in (-1, 1)),
        Shape(polyline([(0.0, -h * 0.8), (0.0, 0.0)]), None, 1.0, seam, max(w * 0.008, 1.2)),
        outlined(polygon(collar), flat_shade(darker(colour, 0.12), -h, -h * 0.8), colour),
        *(Shape(ellipse(w * 0.05, -h * at, w * 0.018, w * 0.018), seam) for at in (0.7, 0.54, 0.38)),
    ]  # fmt: skip


def draw_hat(subject: Subject) -> list[Shape]:
    """Draw a hat: crown, band and brim."""
    w, h, colour = subject.width, subject.height, subject.colour
    crown: list[Point] = [
        (-w * 0.29, -h * 0.14), (-w * 0.26, -h * 0.85), (-w * 0.1, -h), (w * 0.1, -h), (w * 0.26, -h * 0.85),
        (w * 0.29, -h * 0.14),
    ]  # fmt: skip
    return [
        outlined(smooth(crown, closed=True), round_shade(colour, "matt", -w * 0.3, w * 0.3), colour),
        Shape(polygon([(-w * 0.285, -h * 0.2), (w * 0.285, -h * 0.2), (w * 0.278, -h * 0.38), (-w * 0.278, -h * 0.38)]),
              subject.second),
        outlined(rounded(-w / 2, -h * 0.18, w, h * 0.18, h * 0.09), flat_shade(colour, -h * 0.18, 0.0), colour),
    ]  # fmt: skip


def draw_bag(subject: Subject) -> list[Shape]:
    """Draw a bag on its strap, with a flap and a clasp."""
    w, h, colour = subject.width, subject.height, subject.colour
    strap: list[Point] = [(-w * 0.4, -h * 0.58), (-w * 0.06, -h * 0.98), (w * 0.06, -h * 0.98), (w * 0.4, -h * 0.58)]
    body: list[Point] = [(-w * 0.5, 0.0), (w * 0.5, 0.0), (w * 0.46, -h * 0.62), (-w * 0.46, -h * 0.62)]
    flap: list[Point] = [
        (-w * 0.47, -h * 0.62),
        (w * 0.47, -h * 0.62),
        (w * 0.4, -h * 0.26),
        (0.0, -h * 0.18),
        (-w * 0.4, -h * 0.26),
    ]
    return [
        Shape(polyline(strap), None, 1.0, darker(colour, 0.3), max(w * 0.05, 3.0)),
        outlined(polygon(body), side_shade(colour, -w / 2, w / 2), colour),
        outlined(polygon(flap), flat_shade(darker(colour, 0.08), -h * 0.62, -h * 0.18), colour),
        Shape(ellipse(0.0, -h * 0.25, w * 0.035, w * 0.035), lighter(subject.second, 0.4)),
    ]  # fmt: skip


def draw_umbrella(subject: Subject) -> list[Shape]:
    """Draw a folded umbrella on its crook: cloth in folds, a tip below."""
    w, h, colour = subject.width, subject.height, subject.colour
    cloth: list[Point] = [
        (-w * 0.06, -h * 0.04),
        (w * 0.06, -h * 0.04),
        (w * 0.5, -h * 0.7),
        (0.0, -h * 0.77),
        (-w * 0.5, -h * 0.7),
    ]
    thick = max(w * 0.1, 3.0)
    crook: list[Point] = [
        (0.0, -h * 0.76),
        (0.0, -h * 0.94),
        (w * 0.12, -h + thick / 2),
        (w * 0.3, -h * 0.95),
        (w * 0.3, -h * 0.9),
    ]
    return [
        Shape(polyline([(0.0, -h * 0.05), (0.0, 0.0)]), None, 1.0, darker(subject.second, 0.3), thick * 0.6),
        Shape(smooth(crook), None, 1.0, "#8a6240", thick),
        outlined(polygon(cloth), side_shade(colour, -w / 2, w / 2), colour),
        *(Shape(polyline([(x * w, -h * 0.71), (x * w * 0.12, -h * 0.05)]), None, 1.0, darker(colour, 0.35), max(w * 0.02, 1.0))
          for x in (-0.24, 0.02, 0.28)),
    ]  # fmt: skip


def draw_pan(subject: Subject) -> list[Shape]:
    """Draw a pan or a sieve by its handle: a round body below, a rim, a hole to hang it by."""
    w, h, colour = subject.width, subject.height, subject.colour
    deep = 0.3 * h
    handle: list[Point] = [(-w * 0.07, -h), (w * 0.07, -h), (w * 0.05, -h * 0.56), (-w * 0.05, -h * 0.56)]
    return [
        outlined(polygon(handle), side_shade(darker(colour, 0.2), -w * 0.07, w * 0.07), colour),
        Shape(ellipse(0.0, -h * 0.96, w * 0.025, w * 0.025), darker(colour, 0.7)),
        outlined(ellipse(0.0, -deep, w / 2, deep), round_shade(colour, subject.finish, -w / 2, w / 2), colour, subject.finish),
        Shape(ellipse(0.0, -deep, w * 0.4, deep * 0.8), None, 1.0, darker(colour, 0.25), max(w * 0.012, 1.2)),
    ]  # fmt: skip
