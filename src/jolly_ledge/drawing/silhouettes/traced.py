"""A thing by the outline found in its photograph."""

from jolly_ledge.drawing.picture import Shape, rectangle, smooth
from jolly_ledge.drawing.silhouettes.subject import CLEAR_OPACITY, Subject, outlined, round_shade, side_shade
from jolly_ledge.model.colour import darker, lighter
from jolly_ledge.model.silhouette import loops_of


def draw_traced(subject: Subject, *, is_round: bool) -> list[Shape]:
    """Draw the outline in the main colour, shaded as turned or as flat, with a narrow light on glossy stuff."""
    w, h = subject.width, subject.height
    path = tuple(
        word for loop in loops_of(subject.outline) for word in smooth([(x * w, -y * h) for x, y in loop], closed=True)
    )
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
