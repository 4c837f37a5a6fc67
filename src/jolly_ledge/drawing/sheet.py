"""The placing sheet: A4 pages with the numbered elevation and the working order."""

from collections.abc import Sequence

from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.picture import Label, Picture, Primitive, Shape, ellipse, moved, polyline, rectangle
from jolly_ledge.drawing.theme import BOARD, INK, PLUM, RULE, SOFT_INK
from jolly_ledge.model.arrangement import Arrangement
from jolly_ledge.model.units import LengthUnit, format_length
from jolly_ledge.model.working_order import PlacingStep, working_order

PAGE_WIDTH, PAGE_HEIGHT = 595.0, 842.0
MARGIN = 42.0
DRAWING_HEIGHT = 590.0
ROW_HEIGHT = 25.0
HEADINGS = (
    ("", 0.0),
    ("Thing", 22.0),
    ("Fetch from", 176.0),
    ("Ledge", 262.0),
    ("From left", 352.0),
    ("From front", 404.0),
    ("Stands on", 462.0),
)
COLUMN_ENDS = (20.0, 170.0, 256.0, 346.0, 398.0, 456.0, 511.0)


def sheet_pages(arrangement: Arrangement, title: str, unit: LengthUnit = "cm") -> tuple[Picture, ...]:
    """Return the pages of the sheet, in points."""
    steps = working_order(arrangement)
    pages = [_drawing_page(arrangement, title, steps)]
    first = int((PAGE_HEIGHT - 2 * MARGIN - 70) // ROW_HEIGHT)
    for number, start in enumerate(range(0, len(steps), first), start=2):
        pages.append(_table_page(arrangement, steps[start : start + first], number, unit))
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
    for step in steps:
        standing = arrangement.by_id[step.placement]
        if not standing.hidden:
            shapes += _badge(left + standing.x * scale, top - (standing.bottom + standing.top) / 2 * scale, step.number)
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


def _badge(x: float, y: float, number: int) -> list[Primitive]:
    return [
        Shape(ellipse(x, y, 7, 7), "#fffdf8", 0.92, PLUM, 0.8),
        Label(x, y + 2.9, str(number), 8, INK, weight=600, anchor="middle"),
    ]


def _table_page(arrangement: Arrangement, steps: Sequence[PlacingStep], number: int, unit: LengthUnit) -> Picture:
    shapes = _heading("Working order", f"{arrangement.piece.label} · {arrangement.look.label} · figures in {unit}")
    y = MARGIN + 64
    shapes += [Label(MARGIN + x, y, name, 9, SOFT_INK, weight=600) for name, x in HEADINGS if name]
    for step in steps:
        y += ROW_HEIGHT
        shapes += _row(step, y, unit)
    shapes.append(_foot(number))
    return Picture(tuple(shapes), 0, 0, PAGE_WIDTH, PAGE_HEIGHT)


def _row(step: PlacingStep, y: float, unit: LengthUnit) -> list[Primitive]:
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
    detail = " · ".join(word for word in (step.how, step.note) if word)
    if step.pose == "hung":
        detail = " · ".join(word for word in (f"lower edge {format_length(step.over_ledge, unit)} up", detail) if word)
    shapes: list[Primitive] = []
    for (_, x), end, cell in zip(HEADINGS, COLUMN_ENDS, cells, strict=True):
        weight = 600 if x in (0.0, 22.0) else 400
        shapes.append(Label(MARGIN + x, y, shortened(cell, end - x, 9.5), 9.5, INK, weight=weight))
    if detail:
        shapes.append(Label(MARGIN + 22, y + 9.5, shortened(detail, 320, 8), 8, SOFT_INK))
    shapes.append(Shape(polyline([(MARGIN, y + 13), (PAGE_WIDTH - MARGIN, y + 13)]), None, 1.0, RULE, 0.6))
    return shapes


def shortened(text: str, width: float, size: float) -> str:
    """Return the text cut with an ellipsis to about a width, by the mean width of the letters."""
    most = max(int(width / (size * 0.5)), 1)
    return text if len(text) <= most else text[: max(most - 1, 1)].rstrip() + "…"
