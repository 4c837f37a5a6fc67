"""A thing by the outline found in its photograph."""

import math

from jolly_ledge.drawing.picture import Path, Point, Shape, rectangle
from jolly_ledge.drawing.silhouettes.subject import CLEAR_OPACITY, Subject, outlined, round_shade, side_shade
from jolly_ledge.geometry.silhouette import loops_of
from jolly_ledge.model.colour import darker, lighter

CORNER_DEGREES = 38.0
"""A turn sharper than this is a corner of the thing and stays one."""


def ring(points: list[Point]) -> Path:
    """Return a closed line through points: round where it turns gently, with corners where it turns sharply.

    Notes
    -----
    Each bow ends along the line between its neighbours, no farther than a third of its own length, so that it
    never swings out beyond the points.
    """
    count = len(points)
    if count < 3:
        return ()
    along = [_direction(points[index - 1], point, points[(index + 1) % count]) for index, point in enumerate(points)]
    words: list[tuple[str, tuple[float, ...]]] = [("M", points[0])]
    for index, (x, y) in enumerate(points):
        end_x, end_y = points[(index + 1) % count]
        third = math.hypot(end_x - x, end_y - y) / 3
        (from_x, from_y), (to_x, to_y) = along[index], along[(index + 1) % count]
        words.append(
            (
                "C",
                (
                    *(x + from_x * third, y + from_y * third),
                    *(end_x - to_x * third, end_y - to_y * third),
                    *(end_x, end_y),
                ),
            )
        )
    return (*words, ("Z", ()))


def _direction(before: Point, at: Point, after: Point) -> Point:
    """Return the direction of the line at a point, none at a corner."""
    first = math.atan2(at[1] - before[1], at[0] - before[0])
    second = math.atan2(after[1] - at[1], after[0] - at[0])
    turn = abs((math.degrees(second - first) + 180) % 360 - 180)
    away = math.hypot(after[0] - before[0], after[1] - before[1])
    if turn > CORNER_DEGREES or not away:
        return 0.0, 0.0
    return (after[0] - before[0]) / away, (after[1] - before[1]) / away


def draw_traced(subject: Subject, *, is_round: bool) -> list[Shape]:
    """Draw the outline in the main colour, shaded as turned or as flat, with a narrow light on glossy stuff."""
    w, h = subject.width, subject.height
    path = tuple(word for loop in loops_of(subject.outline) for word in ring([(x * w, -y * h) for x, y in loop]))
    shade = (
        round_shade(subject.colour, subject.finish, -w / 2, w / 2)
        if is_round
        else side_shade(subject.colour, -w / 2, w / 2)
    )
    shapes = [outlined(path, shade, subject.colour, subject.finish)]
    if is_round and subject.finish in ("gloss", "clear", "metal"):
        light = lighter(subject.colour, 0.75)
        shapes.append(Shape(rectangle(-w * 0.22, -h * 0.6, w * 0.045, h * 0.3), light, CLEAR_OPACITY))
    elif subject.finish in ("woven", "rough"):
        tone = darker(subject.colour, 0.3)
        shapes += [
            Shape(rectangle(-w * 0.12, -h * at, w * 0.24, max(h * 0.008, 1.2)), tone, 0.18) for at in (0.35, 0.45, 0.55)
        ]
    return shapes
