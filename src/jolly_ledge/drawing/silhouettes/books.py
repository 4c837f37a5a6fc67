"""Books: upright spines, page edges, lying stacks and rows."""

from jolly_ledge.drawing.picture import Gradient, Shape, marks_along, polyline, rectangle, rounded
from jolly_ledge.drawing.silhouettes.subject import Subject, flat_shade, outlined
from jolly_ledge.model.colour import darker, lighter
from jolly_ledge.model.item import PAGE_COLOUR

THINNEST_MM, MOST_DRAWN = 3.0, 160


def draw_upright_book(subject: Subject) -> list[Shape]:
    """Draw a book with its spine to the viewer, or with its pages out."""
    w, h = subject.width, subject.height
    if subject.pages_out:
        return _pages(-w / 2, -h, w, h, subject)
    if w > 0.55 * h:
        return _cover(subject)
    return spine(-w / 2, -h, w, h, subject.colour, subject.second if len(subject.colours) > 1 else None, subject)


def spine(left: float, top: float, w: float, h: float, colour: str, band: str | None, subject: Subject) -> list[Shape]:
    """Return one spine, gently rounded, with bands and a title line."""
    tone = band or (lighter(colour, 0.55) if _is_dark(colour) else darker(colour, 0.45))
    shade = Gradient(
        (left, 0),
        (left + w, 0),
        (
            (0.0, darker(colour, 0.22)),
            (0.3, lighter(colour, 0.16)),
            (1.0, darker(colour, 0.34)),
        ),
    )
    shapes = [outlined(rounded(left, top, w, h, min(2.5, w / 4)), shade, colour)]
    for at in (0.1, 0.86):
        shapes.append(Shape(rectangle(left + w * 0.06, top + h * at, w * 0.88, max(h * 0.012, 1.4)), tone, 0.85))
    if w >= 14:
        rng = subject.rng()
        long = rng.uniform(0.26, 0.44)
        shapes.append(Shape(rectangle(left + w * 0.42, top + h * 0.2, max(w * 0.16, 2.0), h * long), tone, 0.6))
    return shapes


def _pages(left: float, top: float, w: float, h: float, subject: Subject) -> list[Shape]:
    cover, page = subject.second, subject.page_colour
    board = max(min(w * 0.1, 4.0), 1.2)
    shapes = [
        Shape(rectangle(left, top, w, h), darker(cover, 0.1)),
        Shape(rectangle(left + board, top + 3, w - 2 * board, h - 3), Gradient((left, 0), (left + w, 0), (
            (0.0, darker(page, 0.18)), (0.4, page), (1.0, darker(page, 0.22))))),
    ]  # fmt: skip
    lines = max(marks_along(w - 2 * board, 4, 24), 1)
    for line in range(1, lines):
        x = left + board + (w - 2 * board) * line / lines
        shapes.append(Shape(polyline([(x, top + 4), (x, top + h - 1)]), None, 1.0, darker(page, 0.35), 0.7, 0.45))
    return shapes


def _cover(subject: Subject) -> list[Shape]:
    w, h, colour = subject.width, subject.height, subject.colour
    tone = lighter(colour, 0.5) if _is_dark(colour) else darker(colour, 0.4)
    return [
        outlined(rounded(-w / 2, -h, w, h, 3), flat_shade(colour, -h, 0), colour),
        Shape(rectangle(-w / 2, -h, w * 0.07, h), darker(colour, 0.3), 0.5),
        Shape(rectangle(-w * 0.3, -h * 0.8, w * 0.62, h * 0.05), tone, 0.8),
        Shape(rectangle(-w * 0.2, -h * 0.7, w * 0.42, h * 0.025), tone, 0.6),
    ]


def draw_flat_book(subject: Subject) -> list[Shape]:
    """Draw a book lying with its spine to the viewer."""
    return lying(-subject.width / 2, -subject.height, subject.width, subject.height, subject.colour,
                 subject.second if len(subject.colours) > 1 else None, subject.pages_out)  # fmt: skip


def lying(
    left: float, top: float, w: float, h: float, colour: str, band: str | None, pages_out: bool = False
) -> list[Shape]:
    """Return one lying book."""
    if pages_out:
        board = max(min(h * 0.14, 3.0), 1.0)
        return [
            Shape(rectangle(left, top, w, h), darker(colour, 0.1)),
            Shape(rectangle(left + 2, top + board, w - 4, h - 2 * board), flat_shade(PAGE_COLOUR, top, top + h)),
        ]
    tone = band or (lighter(colour, 0.55) if _is_dark(colour) else darker(colour, 0.45))
    shade = Gradient(
        (0, top),
        (0, top + h),
        ((0.0, lighter(colour, 0.2)), (0.35, colour), (1.0, darker(colour, 0.36))),
    )
    return [
        outlined(rounded(left, top, w, h, min(3.0, h / 3)), shade, colour),
        Shape(rectangle(left + w * 0.07, top + h * 0.1, max(w * 0.012, 1.5), h * 0.8), tone, 0.8),
        Shape(rectangle(left + w * 0.9, top + h * 0.1, max(w * 0.012, 1.5), h * 0.8), tone, 0.8),
        Shape(rectangle(left + w * 0.3, top + h * 0.44, w * 0.32, max(h * 0.1, 1.2)), tone, 0.55),
    ]


def draw_stack(subject: Subject) -> list[Shape]:
    """Draw a lying stack that is handled as one thing."""
    w, h = subject.width, subject.height
    count = min(subject.count if subject.count > 1 else max(2, round(h / 34)), _most_seen(h))
    rng = subject.rng()
    shapes: list[Shape] = []
    heights = [rng.uniform(0.8, 1.25) for _ in range(count)]
    whole = sum(heights)
    y = 0.0
    for index, part in enumerate(heights):
        thick = h * part / whole
        width = w * (1 - 0.05 * index * rng.uniform(0.4, 1.1))
        width = max(width, w * 0.72)
        colour = _varied(subject, index)
        shift = 0.0 if index == 0 else rng.uniform(-0.5, 0.5) * (w - width)
        shapes += lying(-width / 2 + shift, y - thick, width, thick, colour, None, rng.random() < 0.2)
        y -= thick
    return shapes


def draw_row(subject: Subject) -> list[Shape]:
    """Draw an upright row that is handled as one thing."""
    w, h = subject.width, subject.height
    count = min(subject.count if subject.count > 1 else max(3, round(w / 32)), _most_seen(w))
    rng = subject.rng()
    parts = [rng.uniform(0.65, 1.35) for _ in range(count)]
    whole, x = sum(parts), -w / 2
    tallest = rng.randrange(count)
    shapes: list[Shape] = []
    for index, part in enumerate(parts):
        thick = w * part / whole
        high = h if index == tallest else h * rng.uniform(0.8, 0.98)
        one = Subject("book", thick, high, (_varied(subject, index),), subject.finish, "book", f"{subject.key}{index}")
        if subject.pages_out:
            shapes += _pages(x, -high, thick, high, one)
        else:
            shapes += spine(x, -high, thick, high, one.colour, None, one)
        x += thick
    return shapes


def _most_seen(length: float) -> int:
    """Return how many books of a block are drawn one by one: thinner than a leaflet they are one grey."""
    return max(min(int(length / THINNEST_MM), MOST_DRAWN), 1)


def _varied(subject: Subject, index: int) -> str:
    if len(subject.colours) > 1:
        return subject.colours[index % len(subject.colours)]
    return (subject.colour, darker(subject.colour, 0.14), lighter(subject.colour, 0.16))[index % 3]


def _is_dark(colour: str) -> bool:
    return sum(int(colour[i : i + 2], 16) for i in (1, 3, 5)) < 330
