"""The placing sheet: A4 pages with the numbered elevation and the working order."""

import textwrap
from collections.abc import Sequence

from msgspec import Struct

from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.picture import Label, Picture, Primitive, Shape, ellipse, moved, polyline, rectangle
from jolly_ledge.drawing.theme import BOARD, INK, PLUM, RULE, SOFT_INK
from jolly_ledge.model.arrangement import Arrangement
from jolly_ledge.model.units import LengthUnit, format_length
from jolly_ledge.model.working_order import PlacingStep, working_order

PAGE_WIDTH, PAGE_HEIGHT = 595.0, 842.0
MARGIN = 42.0
DRAWING_HEIGHT = 640.0
BADGE = 7.0
LINE = 11.0
TEXT_SIZE, DETAIL_SIZE = 9.5, 8.0
LETTER_WIDTH = 0.5
"""The mean width of a letter, as a share of the text size; a little generous, so that lines fit."""

COLUMNS = (
    ("", 0.0, 20.0),
    ("Thing", 20.0, 150.0),
    ("Fetch from", 152.0, 232.0),
    ("Ledge", 234.0, 322.0),
    ("From left", 326.0, 372.0),
    ("From front", 374.0, 424.0),
    ("Stands on", 430.0, 511.0),
)
TABLE_TOP, TABLE_BOTTOM = MARGIN + 64, PAGE_HEIGHT - 44


class Row(Struct, frozen=True):
    """One step of the table: the lines of every cell, and a detail under the name."""

    cells: tuple[tuple[str, ...], ...]
    detail: str

    @property
    def height(self) -> float:
        """How high it is."""
        return max(len(lines) for lines in self.cells) * LINE + (LINE if self.detail else 0.0) + 8.0


def sheet_pages(arrangement: Arrangement, title: str, unit: LengthUnit = "cm") -> tuple[Picture, ...]:
    """Return the pages of the sheet, in points."""
    steps = working_order(arrangement)
    pages = [_drawing_page(arrangement, title, steps)]
    waiting = [_row(step, unit) for step in steps]
    while waiting:
        room = TABLE_BOTTOM - TABLE_TOP - 2 * LINE
        fitting = 0
        while fitting < len(waiting) and waiting[fitting].height <= room:
            room -= waiting[fitting].height
            fitting += 1
        pages.append(_table_page(arrangement, waiting[:fitting], len(pages) + 1, unit))
        waiting = waiting[fitting:]
    return tuple(pages)


def _heading(title: str, under: str) -> list[Primitive]:
    return [
        Label(MARGIN, MARGIN + 18, title, 21, INK, "serif", 600),
        Label(MARGIN, MARGIN + 36, under, 11, SOFT_INK),
        Shape(rectangle(MARGIN, MARGIN + 44, PAGE_WIDTH - 2 * MARGIN, 3), BOARD),
    ]


def _foot(number: int) -> Label:
    return Label(PAGE_WIDTH - MARGIN, PAGE_HEIGHT - 22, f"Jolly Ledge · page {number}", 9, SOFT_INK, anchor="right")


def _drawing_page(arrangement: Arrangement, title: str, steps: Sequence[PlacingStep]) -> Picture:
    picture = look_picture(arrangement)
    scale = min((PAGE_WIDTH - 2 * MARGIN) / picture.width, DRAWING_HEIGHT / picture.height)
    left = PAGE_WIDTH / 2 - (picture.left + picture.right) / 2 * scale
    top = MARGIN + 64 - picture.top * scale
    under = f"{arrangement.look.label} · {len(steps)} things to place, from the top down"
    shapes = _heading(title or arrangement.piece.label, f"{arrangement.piece.label} · {under}")
    shapes += moved(picture.primitives, left, top, scale)
    for number, (x, y) in numbered_spots(arrangement, steps, scale, BADGE):
        shapes += _badge(left + x * scale, top - y * scale, number)
    shapes.append(
        Label(MARGIN, PAGE_HEIGHT - 50, "Figures run from the left end of the ledge to the thing's left "
        "edge, and from the front edge "
              "to its front.", 9.5, SOFT_INK)
    )  # fmt: skip
    shapes.append(
        Label(
            MARGIN,
            PAGE_HEIGHT - 37,
            "Loads, fixings and flame: local codes, the maker's rating and a licensed person decide.",
            9.5,
            SOFT_INK,
        )
    )
    shapes.append(_foot(1))
    return Picture(tuple(shapes), 0, 0, PAGE_WIDTH, PAGE_HEIGHT)


def numbered_spots(
    arrangement: Arrangement, steps: Sequence[PlacingStep], scale: float, badge: float
) -> list[tuple[int, tuple[float, float]]]:
    """Return where the number of every visible step stands (mm, y up), none over another.

    Parameters
    ----------
    scale : float
        Units of the page or the screen for one mm.
    badge : float
        The radius of a number's badge in those units.
    """
    spots: list[tuple[int, tuple[float, float]]] = []
    for step in steps:
        standing = arrangement.by_id[step.placement]
        if standing.hidden:
            continue
        x, middle = standing.x, (standing.bottom + standing.top) / 2
        apart = 2 * badge / scale
        y = middle
        # Above, below, further above …: the nearest free height to the middle of the thing.
        for turn in range(2 * len(steps)):
            y = middle + (turn + 1) // 2 * apart / 2 * (1 if turn % 2 else -1)
            if all(abs(x - other[0]) >= apart or abs(y - other[1]) >= apart for _, other in spots):
                break
        spots.append((step.number, (x, y)))
    return spots


def _badge(x: float, y: float, number: int) -> list[Primitive]:
    return [
        Shape(ellipse(x, y, BADGE, BADGE), "#fffdf8", 0.92, PLUM, 0.8),
        Label(x, y + 2.9, str(number), 8, INK, weight=600, anchor="middle"),
    ]


def _table_page(arrangement: Arrangement, rows: Sequence[Row], number: int, unit: LengthUnit) -> Picture:
    shapes = _heading("Working order", f"{arrangement.piece.label} · {arrangement.look.label} · figures in {unit}")
    y = TABLE_TOP
    shapes += [Label(MARGIN + x, y, name, 9, SOFT_INK, weight=600) for name, x, _ in COLUMNS if name]
    y += LINE + 6
    for row in rows:
        shapes += _row_shapes(row, y)
        y += row.height
    shapes.append(_foot(number))
    return Picture(tuple(shapes), 0, 0, PAGE_WIDTH, PAGE_HEIGHT)


def _row(step: PlacingStep, unit: LengthUnit) -> Row:
    front = "–" if step.from_front is None else format_length(step.from_front, unit, with_unit=False)
    cells = (
        str(step.number),
        step.name,
        step.room or "room not told",
        step.ledge,
        "–" if step.from_left is None else format_length(step.from_left, unit, with_unit=False),
        front,
        step.support,
    )
    words = [step.how, step.note]
    if step.pose == "hung":
        words.insert(0, f"lower edge {format_length(step.over_ledge, unit)} up")
    lines = tuple(wrapped(cell, end - start) for (_, start, end), cell in zip(COLUMNS, cells, strict=True))
    return Row(lines, " · ".join(word for word in words if word))


def _row_shapes(row: Row, y: float) -> list[Primitive]:
    shapes: list[Primitive] = []
    for (_, x, _), lines in zip(COLUMNS, row.cells, strict=True):
        weight = 600 if x < 100 else 400
        for index, line in enumerate(lines):
            shapes.append(Label(MARGIN + x, y + index * LINE, line, TEXT_SIZE, INK, weight=weight))
    if row.detail:
        below = y + len(row.cells[1]) * LINE
        shapes.append(Label(MARGIN + COLUMNS[1][1], below, row.detail, DETAIL_SIZE, SOFT_INK))
    foot = y + row.height - LINE
    shapes.append(Shape(polyline([(MARGIN, foot), (PAGE_WIDTH - MARGIN, foot)]), None, 1.0, RULE, 0.6))
    return shapes


def wrapped(text: str, width: float, size: float = TEXT_SIZE) -> tuple[str, ...]:
    """Break a text into lines of about a width; nothing is left out.

    >>> wrapped("on the stack of cream journals", 81)
    ('on the stack of', 'cream journals')
    """
    return tuple(textwrap.wrap(text, max(int(width / (size * LETTER_WIDTH)), 4))) or ("",)
