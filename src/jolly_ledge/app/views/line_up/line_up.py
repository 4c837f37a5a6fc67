"""The stash in a line-up: to scale, on floor lines, with the clearances of the piece drawn across."""

from msgspec import Struct
from PySide6.QtCore import QPointF, QRectF, QSize, Qt, Signal
from PySide6.QtGui import (
    QColor,
    QFontMetricsF,
    QKeyEvent,
    QKeySequence,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QPen,
    QResizeEvent,
)
from PySide6.QtWidgets import QApplication, QWidget

from jolly_ledge.app.views.line_up.item_pixmaps import ItemPixmaps
from jolly_ledge.app.views.line_up.stash_strip import two_lines
from jolly_ledge.app.views.stamps import BOW_PX, bow
from jolly_ledge.app.widgets.texts import paint_board
from jolly_ledge.drawing.theme import BOARD, INK, PLUM, PLUM_TINT, SOFT_INK
from jolly_ledge.model.item import Item
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.stash_order import Shelf, clearances_of
from jolly_ledge.render.fonts import font
from jolly_ledge.workspace.workspace import Workspace

SCALE = 0.5
"""Pixels for one mm: a thing of 40 cm stands 200 px high."""

LEAST_CELL = 84.0
TITLE_HEIGHT = 26.0
LABELS_HEIGHT = 72.0
BRACKET = 13.0
"""Room under a board for the width of the ledge in hand."""

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
    group: str = ""
    """The title of the group it belongs to, told above its first board only."""

    @property
    def bottom(self) -> float:
        """Its lower end."""
        return self.floor + LABELS_HEIGHT


class LineUp(QWidget):
    """Paints what is in sight; things of one group stand on one or more boards."""

    asked_for = Signal(str)
    """A thing was double-clicked or Return was pressed on it."""

    dropped_on_thing = Signal(tuple, str)
    """Things (ids) were dragged onto another one."""

    dropped_on_group = Signal(tuple, str)
    """Things (ids) were dragged onto the board of another group, by its title."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self._shelves: tuple[Shelf, ...] = ()
        self.takes_groups = False
        """Whether things may be dropped on the board of another group."""
        self.rows: tuple[Row, ...] = ()
        self._pixmaps = ItemPixmaps(SCALE)
        self._pressed: QPointF | None = None
        self._pressed_item = ""
        self._pointer: QPointF | None = None
        self._lassoed_before: tuple[str, ...] = ()
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName("The stash in a line-up; arrow keys choose, with Shift more than one")
        workspace.signals.chosen.connect(self.update)
        workspace.signals.changed.connect(self.update)

    def show_shelves(self, shelves: tuple[Shelf, ...]) -> None:
        """Show these groups."""
        if shelves != self._shelves:
            self._shelves = shelves
            self._lay_out()

    @survives
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
                rows.append(Row(title, top, floor, tuple(cells), shelf.title))
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

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the boards in sight."""
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        sight = event.rect()
        for index, row in enumerate(self.rows):
            if row.bottom >= sight.top() and row.top <= sight.bottom():
                above = self.rows[index - 1].bottom if index else 0.0
                self._paint_row(painter, row, above)
        self._paint_gesture(painter)

    def _paint_row(self, painter: QPainter, row: Row, above: float) -> None:
        if row.title:
            painter.setFont(font(14, "serif", italic=True))
            painter.setPen(QColor(SOFT_INK))
            painter.drawText(QPointF(MARGIN, row.top + 17), row.title)
        chosen = set(self._workspace.item_ids)
        piece = self._workspace.piece if self._workspace.piece_id else None
        wished = {item for wish in piece.wishes for item in wish.items} if piece is not None else set()
        for cell in row.cells:
            if cell.item.id in chosen:
                in_hand = self.hasFocus() and cell.item.id == self._workspace.item_id
                painter.setPen(QPen(QColor(PLUM), 1.4) if in_hand else Qt.PenStyle.NoPen)
                painter.setBrush(QColor(PLUM_TINT))
                top = row.floor - cell.item.height * SCALE - 10
                painter.drawRoundedRect(QRectF(cell.left + 1, top, cell.width - 2, row.bottom - 3 - top), 6, 6)
        self._paint_clearance_lines(painter, row)
        for cell in row.cells:
            self._pixmaps.paint(painter, cell.item, cell.left + cell.width / 2, row.floor, self.devicePixelRatioF())
            if cell.item.id in wished:
                mark = bow(PLUM, self.devicePixelRatioF())
                top = row.floor - cell.item.height * SCALE - BOW_PX
                painter.drawPixmap(QPointF(cell.left + cell.width / 2 - BOW_PX / 2, top), mark)
        self._paint_clearance_labels(painter, row)
        paint_board(painter, QRectF(MARGIN, row.floor, self.width() - 2 * MARGIN, 6), BOARD)
        self._paint_ledge_width(painter, row)
        for cell in row.cells:
            self._paint_labels(painter, cell)

    def _paint_ledge_width(self, painter: QPainter, row: Row) -> None:
        """Draw how wide the ledge in hand is along the board, so that it is seen how much would stand there."""
        ledge = self._workspace.ledge if self._workspace.piece_id else None
        if ledge is None:
            return
        end = MARGIN + ledge.width * SCALE
        y = row.floor + 12
        painter.setPen(QPen(QColor(PLUM), 1))
        painter.drawLine(QPointF(MARGIN, y), QPointF(min(end, self.width() - MARGIN), y))
        painter.drawLine(QPointF(MARGIN, y - 3), QPointF(MARGIN, y + 3))
        painter.setFont(font(12))
        said = f"{self._workspace.length(ledge.width)} wide · {ledge.label}"
        wide = QFontMetricsF(painter.font()).horizontalAdvance(said)
        if end < self.width() - MARGIN:
            painter.drawLine(QPointF(end, y - 3), QPointF(end, y + 3))
        x = end + 6 if end + 6 + wide < self.width() - MARGIN else self.width() - MARGIN - wide - 4
        painter.fillRect(QRectF(x - 3, y - 5, wide + 6, 13), QColor(244, 241, 234, 235))
        painter.drawText(QPointF(x, y + 4), said)

    def _paint_gesture(self, painter: QPainter) -> None:
        """Paint the lasso, or the things that are carried to another group."""
        if self._pressed is None or self._pointer is None:
            return
        if not self._pressed_item:
            painter.setPen(QPen(QColor(PLUM), 1.2, Qt.PenStyle.DashLine))
            painter.setBrush(QColor(123, 59, 87, 22))
            painter.drawRect(QRectF(self._pressed, self._pointer).normalized())
            return
        painter.setOpacity(0.75)
        for index, item in enumerate(self._workspace.chosen_items[:6]):
            at = self._pointer + QPointF(18.0 * index, 10.0)
            self._pixmaps.paint(painter, item, at.x(), at.y(), self.devicePixelRatioF())
        painter.setOpacity(1.0)
        target = self._target(self._pointer)
        if target:
            painter.setFont(font(12, "sans", 600))
            metrics = QFontMetricsF(painter.font())
            wide = metrics.horizontalAdvance(target) + 14
            label = QRectF(min(self._pointer.x() + 14, self.width() - wide - 2), self._pointer.y() + 14, wide, 22)
            painter.setPen(QPen(QColor(PLUM), 1))
            painter.setBrush(QColor(PLUM_TINT))
            painter.drawRoundedRect(label, 5, 5)
            painter.drawText(label, Qt.AlignmentFlag.AlignCenter, target)

    def _target(self, at: QPointF) -> str:
        """Say what letting go here would do."""
        count = len(self._workspace.item_ids)
        over = self.item_at(at.x(), at.y())
        if over is not None and over.id not in self._workspace.item_ids:
            return f"{'A pair' if count == 1 else 'A set'} with {over.label}"
        row = self._row_at(at.y())
        own = {row.group for row in self.rows for cell in row.cells if cell.item.id in self._workspace.item_ids}
        takes = self.takes_groups and row is not None and over is None and row.group and own != {row.group}
        return f"To “{row.group}”" if takes and row is not None else ""

    def _clearances(self, row: Row) -> list[list[tuple[float, tuple[str, ...]]]]:
        """Return the clearances that pass between the tops of a board's things, near ones together."""
        if not self._workspace.piece_id:
            return []
        tallest = max(cell.item.height for cell in row.cells) + HEADROOM / SCALE
        smallest = min(cell.item.height for cell in row.cells)
        crossing = [c for c in clearances_of(self._workspace.piece) if smallest * 0.75 < c[0] <= tallest]
        return _near_lines(crossing)[:MOST_LINES]

    def _paint_clearance_lines(self, painter: QPainter, row: Row) -> None:
        """Draw the clearances across, behind the things."""
        painter.setPen(QPen(QColor(PLUM), 1, Qt.PenStyle.DashLine))
        for group in self._clearances(row):
            for clearance, _ in group:
                y = row.floor - clearance * SCALE
                painter.drawLine(QPointF(MARGIN, y), QPointF(self.width() - MARGIN, y))

    def _paint_clearance_labels(self, painter: QPainter, row: Row) -> None:
        """Tell the clearances, beside the things where there is room, else over them."""
        painter.setFont(font(12))
        metrics = QFontMetricsF(painter.font())
        for group in self._clearances(row):
            names = [name for _, found in group for name in found]
            where = names[0] if len(names) == 1 else f"{len(names)} ledges"
            highest, lowest = self._workspace.length(group[0][0]), self._bare(group[-1][0])
            joined = {1: "", 2: f"{lowest} and "}.get(len(group), f"{lowest} to ")
            text = f"{joined}{highest} clear · {where}"
            width = metrics.horizontalAdvance(text)
            y = row.floor - group[0][0] * SCALE
            at = QRectF(self._label_left(row, y, width + 8), y - 16, width + 8, 15)
            painter.fillRect(at, QColor(244, 241, 234, 225))
            painter.setPen(QColor(PLUM))
            painter.drawText(QPointF(at.left() + 4, y - 4), text)

    def _label_left(self, row: Row, y: float, width: float) -> float:
        """Return where a label at a height begins: as far right as no thing stands before it."""
        wished = at = self.width() - MARGIN - width - 2
        for cell in reversed(row.cells):
            middle, half = cell.left + cell.width / 2, cell.item.width * SCALE / 2 + 4
            tall = row.floor - cell.item.height * SCALE < y + 2
            if tall and at < middle + half and at + width > middle - half:
                at = middle - half - width
        return at if at >= MARGIN else wished

    def _paint_labels(self, painter: QPainter, cell: Cell) -> None:
        chosen = cell.item.id == self._workspace.item_id
        painter.setFont(font(12, "sans", 600))
        painter.setPen(QColor(PLUM if chosen else INK))
        metrics = QFontMetricsF(painter.font())
        lines = two_lines(cell.item.label, cell.width - 6, metrics)
        for line, name in enumerate(lines):
            painter.drawText(
                QPointF(
                    cell.left + (cell.width - metrics.horizontalAdvance(name)) / 2,
                    cell.floor + 21 + BRACKET + 14 * line,
                ),
                name,
            )
        painter.setFont(font(12))
        painter.setPen(QColor(SOFT_INK))
        metrics = QFontMetricsF(painter.font())
        item = cell.item
        wide, tall = (
            f"{'≈ ' if side in item.guessed else ''}{self._bare(getattr(item, side))}" for side in ("width", "height")
        )
        size = f"{wide} × {tall}"
        painter.drawText(
            QPointF(
                cell.left + (cell.width - metrics.horizontalAdvance(size)) / 2,
                cell.floor + 22 + BRACKET + 14 * len(lines),
            ),
            size,
        )

    def _bare(self, length: float) -> str:
        return self._workspace.length(length).rpartition(" ")[0]

    # Choosing

    def item_at(self, x: float, y: float) -> Item | None:
        """Return the thing at a point."""
        for row in self.rows:
            if row.top <= y < row.bottom:
                return next((cell.item for cell in row.cells if cell.left <= x < cell.left + cell.width), None)
        return None

    def _row_at(self, y: float) -> Row | None:
        return next((row for row in self.rows if row.top <= y < row.bottom), None)

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Choose what is pressed; Ctrl adds or takes away, Shift takes all between; beside things a lasso begins."""
        at = event.position()
        item = self.item_at(at.x(), at.y())
        workspace, modifiers = self._workspace, event.modifiers()
        self._pressed, self._pointer = at, None
        self._pressed_item = item.id if item is not None else ""
        self._lassoed_before = workspace.item_ids if modifiers & Qt.KeyboardModifier.ControlModifier else ()
        if item is None:
            return
        if modifiers & Qt.KeyboardModifier.ControlModifier:
            others = tuple(identifier for identifier in workspace.item_ids if identifier != item.id)
            workspace.choose_items(others if item.id in workspace.item_ids and others else (*others, item.id))
        elif modifiers & Qt.KeyboardModifier.ShiftModifier:
            workspace.choose_items(self._between(workspace.item_id, item.id))
        elif item.id not in workspace.item_ids:
            workspace.choose_item(item.id)

    def _between(self, first: str, last: str) -> tuple[str, ...]:
        ids = [cell.item.id for row in self.rows for cell in row.cells]
        if first not in ids or last not in ids:
            return (last,)
        low, high = sorted((ids.index(first), ids.index(last)))
        inside = ids[low : high + 1]
        return tuple(inside) if inside[-1] == last else tuple(reversed(inside))

    def mouseMoveEvent(self, event: QMouseEvent) -> None:
        """Draw the lasso, or carry what is chosen."""
        if self._pressed is None:
            return
        moved = (event.position() - self._pressed).manhattanLength()
        if self._pointer is None and moved < QApplication.startDragDistance():
            return
        self._pointer = event.position()
        if not self._pressed_item:
            area = QRectF(self._pressed, self._pointer).normalized()
            caught = tuple(
                cell.item.id
                for row in self.rows
                for cell in row.cells
                if area.intersects(
                    QRectF(cell.left, cell.floor - cell.item.height * SCALE, cell.width, cell.item.height * SCALE)
                )
            )
            chosen = tuple(dict.fromkeys((*self._lassoed_before, *caught)))
            if chosen:
                self._workspace.choose_items(chosen)
        self.update()

    def mouseReleaseEvent(self, event: QMouseEvent) -> None:
        """Let the lasso go, or drop what is carried on a thing or on a group's board."""
        pressed, item, carried = self._pressed, self._pressed_item, self._pointer
        self._pressed = self._pointer = None
        self.update()
        if pressed is None or not item:
            return
        if carried is None:
            if not event.modifiers() & (Qt.KeyboardModifier.ControlModifier | Qt.KeyboardModifier.ShiftModifier):
                self._workspace.choose_item(item)
            return
        ids = self._workspace.item_ids
        over = self.item_at(carried.x(), carried.y())
        row = self._row_at(carried.y())
        if over is not None:
            if over.id not in ids:
                self.dropped_on_thing.emit(ids, over.id)
        elif row is not None and row.group and self.takes_groups:
            self.dropped_on_group.emit(ids, row.group)

    def mouseDoubleClickEvent(self, event: QMouseEvent) -> None:
        """Edit what is double-clicked."""
        item = self.item_at(event.position().x(), event.position().y())
        if item is not None:
            self.asked_for.emit(item.id)

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Choose with arrows, edit with Return."""
        ids = [cell.item.id for row in self.rows for cell in row.cells]
        current = self._workspace.item_id
        step = {Qt.Key.Key_Left: -1, Qt.Key.Key_Right: 1}.get(Qt.Key(event.key()), 0)
        if event.key() == Qt.Key.Key_Escape and self._pressed is not None:
            self._pressed = self._pointer = None
            self.update()
        elif step and ids:
            index = ids.index(current) + step if current in ids else 0
            there = ids[min(max(index, 0), len(ids) - 1)]
            if event.modifiers() & Qt.KeyboardModifier.ShiftModifier:
                others = tuple(identifier for identifier in self._workspace.item_ids if identifier != there)
                self._workspace.choose_items((*others, there))
            else:
                self._workspace.choose_item(there)
        elif event.matches(QKeySequence.StandardKey.SelectAll) and ids:
            self._workspace.choose_items(tuple(ids))
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
                if cell.item.id == self._workspace.item_id and 0 <= index + step < len(self.rows):
                    there = self.rows[index + step].cells
                    self._workspace.choose_item(min(there, key=lambda other: abs(other.left - cell.left)).item.id)
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
