"""The stash in a line-up: to scale, on floor lines, with the clearances of the piece drawn across."""

from msgspec import Struct
from PySide6.QtCore import QPointF, QRectF, QSize, Qt, Signal
from PySide6.QtGui import (
    QColor,
    QFontMetricsF,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QPen,
    QResizeEvent,
)
from PySide6.QtWidgets import QWidget

from jolly_ledge.app.scene.item_pixmaps import ItemPixmaps
from jolly_ledge.app.scene.stash_strip import two_lines
from jolly_ledge.app.session import Session
from jolly_ledge.app.widgets.texts import paint_board
from jolly_ledge.drawing.theme import BOARD, INK, PLUM, PLUM_TINT, SOFT_INK
from jolly_ledge.model.item import Item
from jolly_ledge.model.stash_order import Shelf, clearances_of
from jolly_ledge.render.fonts import font

SCALE = 0.5
"""Pixels for one mm: a thing of 40 cm stands 200 px high."""

LEAST_CELL = 84.0
TITLE_HEIGHT = 26.0
LABELS_HEIGHT = 58.0
HEADROOM = 22.0
MARGIN = 6.0
MOST_LINES = 4
LABEL_SPACE = 17.0


class Cell(Struct, frozen=True):
    """Where one thing stands in the line-up (pixels)."""

    item: Item
    left: float
    width: float
    floor: float


class Row(Struct, frozen=True):
    """One board of the line-up."""

    title: str
    top: float
    floor: float
    cells: tuple[Cell, ...]

    @property
    def bottom(self) -> float:
        """Its lower end."""
        return self.floor + LABELS_HEIGHT


class LineUp(QWidget):
    """Paints what is in sight; things of one group stand on one or more boards."""

    asked_for = Signal(str)
    """A thing was double-clicked or Return was pressed on it."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._session = session
        self._shelves: tuple[Shelf, ...] = ()
        self.rows: tuple[Row, ...] = ()
        self._pixmaps = ItemPixmaps(SCALE)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName("The stash in a line-up; arrow keys choose")
        session.chosen.connect(self.update)
        session.changed.connect(self.update)

    def show_shelves(self, shelves: tuple[Shelf, ...]) -> None:
        """Show these groups."""
        if shelves != self._shelves:
            self._shelves = shelves
            self._lay_out()

    def resizeEvent(self, event: QResizeEvent) -> None:
        """Lay out anew for another width."""
        if event.size().width() != event.oldSize().width():
            self._lay_out()

    def sizeHint(self) -> QSize:
        """Return the wished size."""
        return QSize(600, self.minimumHeight())

    def _lay_out(self) -> None:
        rows: list[Row] = []
        top = 0.0
        for shelf in self._shelves:
            title = shelf.title
            for line in _lines(shelf.items, self.width() - 2 * MARGIN):
                tallest = max(item.height for item, _ in line) * SCALE
                floor = top + (TITLE_HEIGHT if title else 0.0) + HEADROOM + tallest
                x, cells = MARGIN, []
                for item, width in line:
                    cells.append(Cell(item, x, width, floor))
                    x += width
                rows.append(Row(title, top, floor, tuple(cells)))
                title = ""
                top = floor + LABELS_HEIGHT
        self.rows = tuple(rows)
        self.setMinimumHeight(round(top) + 8)
        self.update()

    def cell_of(self, item_id: str) -> QRectF:
        """Return where a thing stands; empty when it is not shown."""
        for row in self.rows:
            for cell in row.cells:
                if cell.item.id == item_id:
                    return QRectF(cell.left, row.top, cell.width, row.bottom - row.top)
        return QRectF()

    # Painting

    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the boards in sight."""
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        sight = event.rect()
        for index, row in enumerate(self.rows):
            if row.bottom >= sight.top() and row.top <= sight.bottom():
                above = self.rows[index - 1].bottom if index else 0.0
                self._paint_row(painter, row, above)

    def _paint_row(self, painter: QPainter, row: Row, above: float) -> None:
        if row.title:
            painter.setFont(font(14, "serif", italic=True))
            painter.setPen(QColor(SOFT_INK))
            painter.drawText(QPointF(MARGIN, row.top + 17), row.title)
        chosen = next((cell for cell in row.cells if cell.item.id == self._session.item_id), None)
        if chosen is not None:
            painter.setPen(QPen(QColor(PLUM), 1.4) if self.hasFocus() else Qt.PenStyle.NoPen)
            painter.setBrush(QColor(PLUM_TINT))
            top = row.floor - chosen.item.height * SCALE - 10
            painter.drawRoundedRect(QRectF(chosen.left + 1, top, chosen.width - 2, row.bottom - 3 - top), 6, 6)
        self._paint_clearances(painter, row)
        for cell in row.cells:
            self._pixmaps.paint(painter, cell.item, cell.left + cell.width / 2, row.floor, self.devicePixelRatioF())
        paint_board(painter, QRectF(MARGIN, row.floor, self.width() - 2 * MARGIN, 6), BOARD)
        for cell in row.cells:
            self._paint_labels(painter, cell)

    def _paint_clearances(self, painter: QPainter, row: Row) -> None:
        """Draw the clearances that pass between the tops of this board's things."""
        session = self._session
        if not session.piece_id:
            return
        tallest = max(cell.item.height for cell in row.cells) + HEADROOM / SCALE
        smallest = min(cell.item.height for cell in row.cells)
        crossing = [c for c in clearances_of(session.piece) if smallest * 0.75 < c[0] <= tallest]
        painter.setFont(font(12))
        metrics = QFontMetricsF(painter.font())
        for group in _near_lines(crossing)[:MOST_LINES]:
            painter.setPen(QPen(QColor(PLUM), 1, Qt.PenStyle.DashLine))
            for clearance, _ in group:
                y = row.floor - clearance * SCALE
                painter.drawLine(QPointF(MARGIN, y), QPointF(self.width() - MARGIN, y))
            names = [name for _, found in group for name in found]
            where = names[0] if len(names) == 1 else f"{len(names)} ledges"
            highest, lowest = session.length(group[0][0]), self._bare(group[-1][0])
            joined = {1: "", 2: f"{lowest} and "}.get(len(group), f"{lowest} to ")
            text = f"{joined}{highest} clear · {where}"
            width = metrics.horizontalAdvance(text)
            y = row.floor - group[0][0] * SCALE
            at = QRectF(self.width() - MARGIN - width - 10, y - 16, width + 8, 15)
            painter.fillRect(at, QColor(244, 241, 234, 225))
            painter.setPen(QColor(PLUM))
            painter.drawText(QPointF(at.left() + 4, y - 4), text)

    def _paint_labels(self, painter: QPainter, cell: Cell) -> None:
        chosen = cell.item.id == self._session.item_id
        painter.setFont(font(12, "sans", 600))
        painter.setPen(QColor(PLUM if chosen else INK))
        metrics = QFontMetricsF(painter.font())
        lines = two_lines(cell.item.label, cell.width - 6, metrics)
        for line, name in enumerate(lines):
            painter.drawText(
                QPointF(
                    cell.left + (cell.width - metrics.horizontalAdvance(name)) / 2,
                    cell.floor + 21 + 14 * line,
                ),
                name,
            )
        painter.setFont(font(12))
        painter.setPen(QColor(SOFT_INK))
        metrics = QFontMetricsF(painter.font())
        item = cell.item
        size = f"{self._bare(item.width)} × {self._bare(item.height)}"
        painter.drawText(
            QPointF(
                cell.left + (cell.width - metrics.horizontalAdvance(size)) / 2,
                cell.floor + 22 + 14 * len(lines),
            ),
            size,
        )

    def _bare(self, length: float) -> str:
        return self._session.length(length).rpartition(" ")[0]

    # Choosing

    def item_at(self, x: float, y: float) -> Item | None:
        """Return the thing at a point."""
        for row in self.rows:
            if row.top <= y < row.bottom:
                return next((cell.item for cell in row.cells if cell.left <= x < cell.left + cell.width), None)
        return None

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Choose what is pressed."""
        item = self.item_at(event.position().x(), event.position().y())
        if item is not None:
            self._session.choose_item(item.id)

    def mouseDoubleClickEvent(self, event: QMouseEvent) -> None:
        """Edit what is double-clicked."""
        item = self.item_at(event.position().x(), event.position().y())
        if item is not None:
            self.asked_for.emit(item.id)

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Choose with arrows, edit with Return."""
        ids = [cell.item.id for row in self.rows for cell in row.cells]
        current = self._session.item_id
        step = {Qt.Key.Key_Left: -1, Qt.Key.Key_Right: 1}.get(Qt.Key(event.key()), 0)
        if step and ids:
            index = ids.index(current) + step if current in ids else 0
            self._session.choose_item(ids[min(max(index, 0), len(ids) - 1)])
        elif event.key() in (Qt.Key.Key_Up, Qt.Key.Key_Down) and ids:
            self._choose_beyond(1 if event.key() == Qt.Key.Key_Down else -1)
        elif event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter) and current in ids:
            self.asked_for.emit(current)
        else:
            event.ignore()

    def _choose_beyond(self, step: int) -> None:
        """Choose the nearest thing on the next board."""
        for index, row in enumerate(self.rows):
            for cell in row.cells:
                if cell.item.id == self._session.item_id and 0 <= index + step < len(self.rows):
                    there = self.rows[index + step].cells
                    self._session.choose_item(min(there, key=lambda other: abs(other.left - cell.left)).item.id)
                    return


def _lines(items: tuple[Item, ...], room: float) -> list[list[tuple[Item, float]]]:
    """Break a group into boards that are no wider than there is room."""
    lines: list[list[tuple[Item, float]]] = []
    used = room + 1
    for item in items:
        width = max(item.width * SCALE * 1.12 + 14, LEAST_CELL)
        if used + width > room:
            lines.append([])
            used = 0.0
        lines[-1].append((item, width))
        used += width
    return lines


def _near_lines(clearances: list[tuple[float, tuple[str, ...]]]) -> list[list[tuple[float, tuple[str, ...]]]]:
    """Gather clearances too near each other for a label each."""
    groups: list[list[tuple[float, tuple[str, ...]]]] = []
    for line in clearances:
        if groups and (groups[-1][0][0] - line[0]) * SCALE < LABEL_SPACE:
            groups[-1].append(line)
        else:
            groups.append([line])
    return groups
