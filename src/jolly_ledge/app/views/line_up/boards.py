"""The boards of a line-up: where every thing stands, in pixels."""

from collections.abc import Iterator, Sequence

from msgspec import Struct
from PySide6.QtCore import QRectF

from jolly_ledge.model.item import Item
from jolly_ledge.model.stash_order import Shelf

SCALE = 0.5
"""Pixels for one mm: a thing of 40 cm stands 200 px high."""

LEAST_CELL = 84.0
TITLE_HEIGHT = 26.0
LABELS_HEIGHT = 72.0
BRACKET = 13.0
"""Room under a board for the width of the ledge in hand."""

HEADROOM = 22.0
MARGIN = 6.0


class Cell(Struct, frozen=True):
    """Where one thing stands in the line-up (pixels)."""

    item: Item
    left: float
    width: float
    floor: float
    scale: float = SCALE

    @property
    def body(self) -> QRectF:
        """What the thing itself covers of its cell."""
        high = self.item.height * self.scale
        return QRectF(self.left, self.floor - high, self.width, high)


class Row(Struct, frozen=True):
    """One board of the line-up."""

    title: str
    top: float
    floor: float
    cells: tuple[Cell, ...]
    scale: float = SCALE
    group: str = ""
    """The title of the group it belongs to, told above its first board only."""

    @property
    def bottom(self) -> float:
        """Its lower end."""
        return self.floor + LABELS_HEIGHT


class Boards(Struct, frozen=True):
    """All boards of a line-up, and how high they are together."""

    rows: tuple[Row, ...] = ()
    height: float = 0.0

    @property
    def cells(self) -> Iterator[Cell]:
        """All cells, board by board."""
        return (cell for row in self.rows for cell in row.cells)

    @property
    def ids(self) -> list[str]:
        """The ids of all things, board by board."""
        return [cell.item.id for cell in self.cells]

    def cell_of(self, item_id: str) -> QRectF:
        """Return where a thing stands; empty when it is not shown."""
        for row in self.rows:
            for cell in row.cells:
                if cell.item.id == item_id:
                    return QRectF(cell.left, row.top, cell.width, row.bottom - row.top)
        return QRectF()

    def row_at(self, y: float) -> Row | None:
        """Return the board at a height."""
        return next((row for row in self.rows if row.top <= y < row.bottom), None)

    def cell_at(self, x: float, y: float) -> Cell | None:
        """Return the place of the thing at a point, with its labels."""
        row = self.row_at(y)
        if row is None:
            return None
        return next((cell for cell in row.cells if cell.left <= x < cell.left + cell.width), None)

    def item_at(self, x: float, y: float) -> Item | None:
        """Return the thing at a point."""
        cell = self.cell_at(x, y)
        return None if cell is None else cell.item

    def caught_in(self, area: QRectF) -> tuple[str, ...]:
        """Return the ids of the things that an area touches."""
        return tuple(cell.item.id for cell in self.cells if area.intersects(cell.body))

    def between(self, first: str, last: str) -> tuple[str, ...]:
        """Return the ids from one thing to another, the other last; that one alone where the first is not shown."""
        ids = self.ids
        if first not in ids or last not in ids:
            return (last,)
        low, high = sorted((ids.index(first), ids.index(last)))
        inside = ids[low : high + 1]
        return tuple(inside) if inside[-1] == last else tuple(reversed(inside))

    def beyond(self, item_id: str, step: int) -> str | None:
        """Return the nearest thing on the next board, so many boards further; None where there is none."""
        for index, row in enumerate(self.rows):
            for cell in row.cells:
                if cell.item.id == item_id and 0 <= index + step < len(self.rows):
                    there = self.rows[index + step].cells
                    return min(there, key=lambda other: abs(other.left - cell.left)).item.id
        return None


def laid_out(shelves: Sequence[Shelf], width: float, scale: float = SCALE) -> Boards:
    """Return the boards of groups, no wider than there is room, with so many pixels for one mm."""
    rows: list[Row] = []
    top = 0.0
    for shelf in shelves:
        title = shelf.title
        for line in _lines(shelf.items, width - 2 * MARGIN, scale):
            tallest = max(item.height for item, _ in line) * scale
            floor = top + (TITLE_HEIGHT if title else 0.0) + HEADROOM + tallest
            x, cells = MARGIN, []
            for item, wide in line:
                cells.append(Cell(item, x, wide, floor, scale))
                x += wide
            rows.append(Row(title, top, floor, tuple(cells), scale, shelf.title))
            title = ""
            top = floor + LABELS_HEIGHT
    return Boards(tuple(rows), top)


def _lines(items: tuple[Item, ...], room: float, scale: float) -> list[list[tuple[Item, float]]]:
    """Break a group into boards that are no wider than there is room."""
    lines: list[list[tuple[Item, float]]] = []
    used = room + 1
    for item in items:
        width = max(item.width * scale * 1.12 + 14, LEAST_CELL)
        if used + width > room:
            lines.append([])
            used = 0.0
        lines[-1].append((item, width))
        used += width
    return lines
