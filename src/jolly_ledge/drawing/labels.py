"""Labels to stick on: what a cord belongs to, what is in a box, on sheets of rows and columns."""

from collections.abc import Sequence

from msgspec import Struct

from jolly_ledge.drawing.paper import A4, LETTER, POINTS_PER_MM, Paper
from jolly_ledge.drawing.picture import Label, Picture, Primitive, Shape, rectangle
from jolly_ledge.drawing.theme import INK, RULE, SOFT_INK
from jolly_ledge.drawing.typesetting import cut_to, wrapped
from jolly_ledge.model.dates import known_date, season_of
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.item import Item
from jolly_ledge.model.phrases import capital
from jolly_ledge.model.plan import Plan

PADDING_MM = 3.0
TITLE_SIZE, LINE_SIZE = 12.0, 8.5
LEAST_MM = (20.0, 8.0)


class LabelSheet(Struct, frozen=True):
    """A sheet of labels: how many across and down, its margins and the gaps between (mm)."""

    name: str
    paper: Paper
    columns: int
    rows: int
    left: float
    top: float
    gap_across: float = 0.0
    gap_down: float = 0.0

    @property
    def size(self) -> tuple[float, float]:
        """Width and height of one label in mm; the right and lower margins equal the left and upper ones."""
        width = self.paper.width / POINTS_PER_MM - 2 * self.left - (self.columns - 1) * self.gap_across
        height = self.paper.height / POINTS_PER_MM - 2 * self.top - (self.rows - 1) * self.gap_down
        return width / max(self.columns, 1), height / max(self.rows, 1)


SHEETS: tuple[LabelSheet, ...] = (
    LabelSheet("A4, 3 × 8", A4, 3, 8, 0.0, 0.5),
    LabelSheet("A4, 2 × 7", A4, 2, 7, 4.7, 15.1, 2.5),
    LabelSheet("A4, 5 × 13", A4, 5, 13, 4.7, 10.7, 2.5),
    LabelSheet("Letter, 3 × 10", LETTER, 3, 10, 4.8, 12.7, 3.2),
    LabelSheet("Letter, 2 × 5", LETTER, 2, 5, 4.0, 12.7, 4.8),
)


class StickOn(Struct, frozen=True):
    """What one label says."""

    title: str
    lines: tuple[str, ...]


def check_sheet(sheet: LabelSheet) -> None:
    """Raise EditError where so many labels of such margins are too small to be read, or do not fit."""
    if sheet.columns < 1 or sheet.rows < 1:
        raise EditError("A label sheet has at least one row and one column; type how many there are.")
    if min(sheet.left, sheet.top, sheet.gap_across, sheet.gap_down) < 0:
        raise EditError("Margins and gaps of a label sheet are nought or more; measure them again.")
    width, height = sheet.size
    if width < LEAST_MM[0] or height < LEAST_MM[1]:
        raise EditError(
            f"Labels of {width:.0f} × {height:.0f} mm are too small to be read; {sheet.columns} columns and "
            f"{sheet.rows} rows with these margins leave no more, so choose fewer."
        )


def cord_labels(plan: Plan) -> tuple[StickOn, ...]:
    """Return two labels for every thing with a cord: one at the plug, one at the thing itself."""
    found = []
    for item in plan.stash:
        if item.has_cord:
            watts = f"{item.watts:g} W" if item.watts is not None else "power not known: read its plate"
            lines = (watts, item.room) if item.room else (watts,)
            found += [StickOn(item.label, ("plug", *lines)), StickOn(item.label, ("at the thing", *lines))]
    return tuple(found)


def storage_labels(plan: Plan, year: int) -> tuple[StickOn, ...]:
    """Return a label for every box: what is inside, for which seasons, and the year it was packed."""
    boxes: dict[str, list[Item]] = {}
    for item in plan.stash:
        if item.box:
            boxes.setdefault(item.box, []).append(item)
    return tuple(
        StickOn(f"Box {box}", (_seasons(items, year), *(_counted(item) for item in sorted(items, key=_name))))
        for box, items in sorted(boxes.items())
    )


def _name(item: Item) -> str:
    return item.label


def _counted(item: Item) -> str:
    return f"{item.count} × {item.label}" if item.count > 1 else item.label


def _seasons(items: list[Item], year: int) -> str:
    told = list(dict.fromkeys(season for item in items for season in item.season))
    told += [season_of(day) for item in items if not item.season and (day := known_date(item.return_by)) is not None]
    return f"{capital(', '.join(dict.fromkeys(told)) or 'all year')} · packed {year}"


def label_pages(labels: Sequence[StickOn], sheet: LabelSheet, skip: int = 0) -> tuple[Picture, ...]:
    """Return pages of labels; the first ``skip`` places of the first page are used up already.

    Raises
    ------
    EditError
        The sheet makes no sense.
    """
    check_sheet(sheet)
    each = sheet.rows * sheet.columns
    skip = max(min(skip, each - 1), 0)
    pages: list[list[Primitive]] = []
    for number, label in enumerate(labels, start=skip):
        if number // each >= len(pages):
            pages.append([])
        pages[-1] += _label(label, sheet, number % each)
    paper = sheet.paper
    return tuple(Picture(tuple(page), 0, 0, paper.width, paper.height) for page in pages or [[]])


def place_of(sheet: LabelSheet, number: int) -> tuple[float, float]:
    """Return the upper left corner of a label in mm: row by row from the upper left."""
    width, height = sheet.size
    row, column = divmod(number, sheet.columns)
    return sheet.left + column * (width + sheet.gap_across), sheet.top + row * (height + sheet.gap_down)


def _label(label: StickOn, sheet: LabelSheet, number: int) -> list[Primitive]:
    (x, y), (width, height) = (
        tuple(side * POINTS_PER_MM for side in pair) for pair in (place_of(sheet, number), sheet.size)
    )
    padding = PADDING_MM * POINTS_PER_MM
    inner, bottom = width - 2 * padding, y + height - padding
    title = TITLE_SIZE if height > 60 else LINE_SIZE + 1
    shapes: list[Primitive] = [Shape(rectangle(x, y, width, height), None, 1.0, RULE, 0.4)]
    at = y + padding + title * 0.8
    shapes.append(Label(x + padding, at, cut_to(label.title, inner, title, weight=600), title, INK, weight=600))
    lines = [line for told in label.lines for line in wrapped(told, inner, LINE_SIZE)]
    room = int((bottom - at) // (LINE_SIZE * 1.2))
    shown = lines if len(lines) <= room else [*lines[: max(room - 1, 0)], f"and {len(lines) - room + 1} more"]
    for line in shown[: max(room, 0)]:
        at += LINE_SIZE * 1.2
        shapes.append(Label(x + padding, at, line, LINE_SIZE, SOFT_INK if line is shown[0] else INK))
    return shapes
