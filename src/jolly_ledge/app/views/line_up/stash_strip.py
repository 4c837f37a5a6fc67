"""The stash on a board along the bottom: what can be carried to the piece."""

from collections.abc import Callable, Mapping

from PySide6.QtCore import QPoint, QPointF, QRect, QRectF, QSize, Qt, Signal
from PySide6.QtGui import (
    QColor,
    QContextMenuEvent,
    QFontMetricsF,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QPen,
    QResizeEvent,
    QWheelEvent,
)
from PySide6.QtWidgets import QApplication, QWidget

from jolly_ledge.app.tones import ground_painter
from jolly_ledge.app.views.line_up.item_pixmaps import ItemPixmaps
from jolly_ledge.app.views.line_up.strip_cells import END, StripCell, cell_beyond, strip_cells
from jolly_ledge.app.widgets.texts import paint_board
from jolly_ledge.drawing.theme import BOARD, INK, PAPER, PLUM, PLUM_TINT, RULE, SOFT_INK
from jolly_ledge.model.item import Item
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.stash_order import Shelf
from jolly_ledge.render.fonts import font
from jolly_ledge.workspace.workspace import Workspace

STRIP_HEIGHT = 122
FLOOR = 84
TALLEST_PX, BELOW_A_TITLE_PX = 74.0, 62.0
DRAWN_UP, HIGH_WINDOW = (2, 3), 900
"""So many rows there are when the board is drawn up, in a window that is lower or higher than so many pixels."""

ARROW = QSize(22, 44)
NOTHING_GATHERED = "Nothing is gathered yet; what you own comes in at Gather."
NOTHING_FITS = "Nothing in the stash fits here; choose another ledge or show all."


class StashStrip(QWidget):
    """Things on a board, to scale among themselves; press and carry one to the piece."""

    carry_began = Signal(object)
    carried = Signal(QPoint)
    let_go = Signal()
    put_back = Signal()
    menu_asked = Signal(QPoint)
    """The menu of the thing in hand is asked for, at a point of the screen."""

    def __init__(self, workspace: Workspace, place: Callable[[Item], object]) -> None:
        super().__init__()
        self._workspace = workspace
        self._place = place
        self._shelves: tuple[Shelf, ...] = ()
        self._cells: tuple[StripCell, ...] = ()
        self._rows = 1
        self._elsewhere: Mapping[str, tuple[str, str]] = {}
        self._offset = 0.0
        self._pressed: tuple[QPoint, Item] | None = None
        self._carrying = False
        self._pixmaps = ItemPixmaps(0.2)
        self.setFixedHeight(STRIP_HEIGHT)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName("The stash; arrow keys choose, Return places")
        workspace.signals.chosen.connect(self.update)

    @property
    def things(self) -> tuple[Item, ...]:
        """What stands on the strip."""
        return tuple(cell.item for cell in self._cells)

    @property
    def is_drawn_up(self) -> bool:
        """Whether it has several rows."""
        return self._rows > 1

    def draw_up(self, up: bool) -> None:
        """Show several rows, or one again; what is in hand stays in sight."""
        self._rows = DRAWN_UP[self.window().height() >= HIGH_WINDOW] if up else 1
        self.setFixedHeight(STRIP_HEIGHT * self._rows)
        self._offset = 0.0
        self._lay_out()
        self.show_item(self._workspace.item_id)

    def show_shelves(self, shelves: tuple[Shelf, ...], elsewhere: Mapping[str, tuple[str, str]]) -> None:
        """Show groups of things, the tallest to a fixed height, all at one scale; tell what other pieces have."""
        if elsewhere != self._elsewhere:
            self._elsewhere = elsewhere
            self.update()
        if shelves != self._shelves:
            self._shelves = shelves
            self._lay_out()

    @survives
    def resizeEvent(self, event: QResizeEvent) -> None:
        """Break the rows anew."""
        super().resizeEvent(event)
        self._lay_out()

    def _lay_out(self) -> None:
        tallest = max((item.height for shelf in self._shelves for item in shelf.items), default=300.0)
        high = BELOW_A_TITLE_PX if len(self._shelves) > 1 else TALLEST_PX
        self._pixmaps.set_scale(high / max(tallest, 1.0))
        room = float(self.width()) if self.is_drawn_up else None
        self._cells = strip_cells(self._shelves, self._pixmaps.scale, room)
        self._scroll_to(self._offset)

    def cell_of(self, item_id: str) -> QRectF:
        """Return where a thing is shown."""
        return next((self._area(cell) for cell in self._cells if cell.item.id == item_id), QRectF())

    def _area(self, cell: StripCell) -> QRectF:
        along, down = (0.0, self._offset) if self.is_drawn_up else (self._offset, 0.0)
        return QRectF(cell.left - along, cell.row * STRIP_HEIGHT - down, cell.width, STRIP_HEIGHT)

    @property
    def _most(self) -> float:
        """How far it can be scrolled: along one row, or down over several."""
        if not self._cells:
            return 0.0
        last = self._cells[-1]
        beyond = (last.row + 1) * STRIP_HEIGHT - self.height() if self.is_drawn_up else last.right + END - self.width()
        return max(float(beyond), 0.0)

    def _scroll_to(self, offset: float) -> None:
        self._offset = min(max(offset, 0.0), self._most)
        self.update()

    def show_item(self, item_id: str) -> None:
        """Scroll so that a thing is in sight."""
        area = self.cell_of(item_id)
        if area.isEmpty():
            return
        low, high, size = (
            (area.top(), area.bottom(), self.height()) if self.is_drawn_up
            else (area.left() - END, area.right() + END, self.width())
        )  # fmt: skip
        if low < 0:
            self._scroll_to(self._offset + low)
        elif high > size:
            self._scroll_to(self._offset + high - size)

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the board and the things in sight."""
        painter = ground_painter(self)
        for row in range(self._rows + 1):
            top = row * STRIP_HEIGHT - (self._offset % STRIP_HEIGHT if self.is_drawn_up else 0.0)
            paint_board(painter, QRectF(0, top + FLOOR, self.width(), 6), BOARD)
        for cell in self._cells:
            area = self._area(cell)
            if area.intersects(QRectF(self.rect())):
                self._paint_item(painter, cell, area)
        if not self._cells:
            painter.setPen(QColor(SOFT_INK))
            painter.setFont(font(13))
            empty = not self._workspace.plan.stash
            painter.drawText(QPointF(14, FLOOR - 30), NOTHING_GATHERED if empty else NOTHING_FITS)
        self._paint_more(painter)

    def _paint_item(self, painter: QPainter, cell: StripCell, area: QRectF) -> None:
        item, left, wide, floor = cell.item, area.left(), area.width(), area.top() + FLOOR
        if cell.title:
            painter.setFont(font(12, "serif", italic=True))
            painter.setPen(QColor(SOFT_INK))
            painter.drawText(QPointF(left + 2, area.top() + 13), cell.title)
        chosen = item.id == self._workspace.item_id
        if chosen:
            painter.setPen(QColor(PLUM) if self.hasFocus() else Qt.PenStyle.NoPen)
            painter.setBrush(QColor(PLUM_TINT))
            painter.drawRoundedRect(area.adjusted(0, 18 if cell.title else 2, 0, -2), 6, 6)
        self._pixmaps.paint(painter, item, left + wide / 2, floor, self.devicePixelRatioF())
        painter.setFont(font(12, "sans", 600 if chosen else 400))
        painter.setPen(QColor(PLUM if chosen else INK))
        metrics = QFontMetricsF(painter.font())
        lines = two_lines(item.label, wide - 4, metrics)
        if item.id in self._elsewhere:
            # It stands on another piece: that is told in the place of a second line of its name.
            elsewhere = metrics.elidedText(f"in {self._elsewhere[item.id][0]}", Qt.TextElideMode.ElideRight, wide - 4)
            lines = [metrics.elidedText(item.label, Qt.TextElideMode.ElideRight, wide - 4), elsewhere]
        for line, text in enumerate(lines):
            if line and item.id in self._elsewhere:
                painter.setPen(QColor(SOFT_INK))
            painter.drawText(QPointF(left + (wide - metrics.horizontalAdvance(text)) / 2, floor + 19 + 14 * line), text)

    @property
    def arrows(self) -> dict[int, QRect]:
        """The buttons that scroll the one row back (-1) and on (1), where there is more."""
        if self.is_drawn_up:
            return {}
        top = FLOOR - 18 - ARROW.height()
        found = {-1: QRect(QPoint(0, top), ARROW), 1: QRect(QPoint(self.width() - ARROW.width(), top), ARROW)}
        return {
            way: area for way, area in found.items() if (self._offset > 0 if way < 0 else self._offset < self._most)
        }

    def _paint_more(self, painter: QPainter) -> None:
        for way, area in self.arrows.items():
            painter.setPen(QPen(QColor(RULE), 1))
            painter.setBrush(QColor(PAPER))
            painter.drawRoundedRect(QRectF(area).adjusted(0.5, 0.5, -0.5, -0.5), 5, 5)
            painter.setPen(QColor(INK))
            painter.setFont(font(16, "sans", 600))
            painter.drawText(area, Qt.AlignmentFlag.AlignCenter, "‹" if way < 0 else "›")

    def _item_at(self, position: QPoint) -> Item | None:
        return next((cell.item for cell in self._cells if self._area(cell).contains(QPointF(position))), None)

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Take a thing in hand, or scroll by an arrow."""
        for way, area in self.arrows.items():
            if area.contains(event.position().toPoint()):
                self._scroll_to(self._offset + way * (self.width() - 2 * ARROW.width()))
                return
        item = self._item_at(event.position().toPoint())
        if item is not None and event.button() == Qt.MouseButton.LeftButton:
            self._workspace.choose_item(item.id)
            self._pressed = (event.position().toPoint(), item)

    def mouseMoveEvent(self, event: QMouseEvent) -> None:
        """Carry it; the drawing follows the pointer."""
        if self._pressed is None:
            return
        start, item = self._pressed
        position = event.position().toPoint()
        if not self._carrying:
            if (position - start).manhattanLength() < QApplication.startDragDistance():
                return
            self._carrying = True
            self.carry_began.emit(item)
        self.carried.emit(self.mapToGlobal(position))

    def mouseReleaseEvent(self, event: QMouseEvent) -> None:
        """Let it go."""
        carrying, self._carrying, self._pressed = self._carrying, False, None
        if carrying:
            self.let_go.emit()

    def mouseDoubleClickEvent(self, event: QMouseEvent) -> None:
        """Place it in the widest gap of the ledge in hand."""
        item = self._item_at(event.position().toPoint())
        if item is not None:
            self._place(item)

    def contextMenuEvent(self, event: QContextMenuEvent) -> None:
        """Ask for the menu of the thing under the pointer; by its key, of the one in hand."""
        item = self._item_at(event.pos()) if event.reason() == QContextMenuEvent.Reason.Mouse else self._workspace.item
        if item is not None and item in self.things:
            self._workspace.choose_item(item.id)
            self.menu_asked.emit(event.globalPos())
        event.accept()

    def wheelEvent(self, event: QWheelEvent) -> None:
        """Scroll along the board."""
        turn = event.angleDelta()
        self._scroll_to(self._offset - (turn.y() or turn.x()) * 0.8)

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Choose on the board with arrows, place with Return."""
        keys = Qt.Key
        along = {keys.Key_Left: -1, keys.Key_Right: 1}.get(keys(event.key()), 0)
        down = {keys.Key_Up: -1, keys.Key_Down: 1}.get(keys(event.key()), 0) if self.is_drawn_up else 0
        item = self._workspace.item
        if event.key() == keys.Key_Escape and self._carrying:
            self._carrying, self._pressed = False, None
            self.put_back.emit()
        elif along or down:
            cell = cell_beyond(self._cells, self._workspace.item_id, along, down)
            if cell is not None:
                self._workspace.choose_item(cell.item.id)
                self.show_item(cell.item.id)
        elif event.key() in (keys.Key_Return, keys.Key_Enter) and item is not None and item in self.things:
            self._place(item)
        else:
            event.ignore()


def two_lines(text: str, width: float, metrics: QFontMetricsF) -> list[str]:
    """Break a name into at most two lines, the second cut with an ellipsis."""
    if metrics.horizontalAdvance(text) <= width:
        return [text]
    first, rest = "", text.split()
    while rest and metrics.horizontalAdvance(f"{first} {rest[0]}".strip()) <= width:
        first = f"{first} {rest.pop(0)}".strip()
    if not first:
        return [metrics.elidedText(text, Qt.TextElideMode.ElideRight, width)]
    return [first, metrics.elidedText(" ".join(rest), Qt.TextElideMode.ElideRight, width)] if rest else [first]
