"""The stash on a board along the bottom: what can be carried to the piece."""

from collections.abc import Callable, Mapping

from PySide6.QtCore import QPoint, QPointF, QRectF, Qt, Signal
from PySide6.QtGui import (
    QColor,
    QContextMenuEvent,
    QFontMetricsF,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QWheelEvent,
)
from PySide6.QtWidgets import QApplication, QWidget

from jolly_ledge.app.views.line_up.item_pixmaps import ItemPixmaps
from jolly_ledge.app.widgets.texts import paint_board
from jolly_ledge.drawing.theme import BOARD, INK, PLUM, PLUM_TINT, SOFT_INK
from jolly_ledge.model.item import Item
from jolly_ledge.model.mishaps import survives
from jolly_ledge.render.fonts import font
from jolly_ledge.workspace.workspace import Workspace

STRIP_HEIGHT = 122
FLOOR = 84
TALLEST_PX = 74.0
LEAST_CELL = 84.0
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
        self._things: tuple[Item, ...] = ()
        self._elsewhere: Mapping[str, tuple[str, str]] = {}
        self._cells: list[tuple[float, float]] = []
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
        return self._things

    def show_items(self, things: tuple[Item, ...], elsewhere: Mapping[str, tuple[str, str]] | None = None) -> None:
        """Show things, tallest to a fixed height, all at one scale; ``elsewhere`` tells what other pieces have."""
        if elsewhere is not None and elsewhere != self._elsewhere:
            self._elsewhere = elsewhere
            self.update()
        if things == self._things:
            return
        self._things = things
        tallest = max((item.height for item in things), default=300.0)
        self._pixmaps.set_scale(TALLEST_PX / max(tallest, 1.0))
        x = 10.0
        self._cells = []
        for item in things:
            wide = max(item.width * self._pixmaps.scale + 14, LEAST_CELL)
            self._cells.append((x, wide))
            x += wide + 4
        self._scroll_to(self._offset)
        self.update()

    def cell_of(self, item_id: str) -> QRectF:
        """Return where a thing is shown."""
        for item, (x, wide) in zip(self._things, self._cells, strict=True):
            if item.id == item_id:
                return QRectF(x - self._offset, 0, wide, STRIP_HEIGHT)
        return QRectF()

    def _scroll_to(self, offset: float) -> None:
        whole = self._cells[-1][0] + self._cells[-1][1] + 10 if self._cells else 0.0
        self._offset = min(max(offset, 0.0), max(whole - self.width(), 0.0))
        self.update()

    def show_item(self, item_id: str) -> None:
        """Scroll so that a thing is in sight."""
        cell = self.cell_of(item_id)
        if cell.isEmpty():
            return
        if cell.left() < 0:
            self._scroll_to(self._offset + cell.left() - 10)
        elif cell.right() > self.width():
            self._scroll_to(self._offset + cell.right() - self.width() + 10)

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the board and the things in sight."""
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        for item, (x, wide) in zip(self._things, self._cells, strict=True):
            left = x - self._offset
            if left + wide < 0 or left > self.width():
                continue
            self._paint_item(painter, item, left, wide)
        paint_board(painter, QRectF(0, FLOOR, self.width(), 6), BOARD)
        if not self._things:
            painter.setPen(QColor(SOFT_INK))
            painter.setFont(font(13))
            empty = not self._workspace.plan.stash
            painter.drawText(QPointF(14, FLOOR - 30), NOTHING_GATHERED if empty else NOTHING_FITS)
        self._paint_more(painter)

    def _paint_item(self, painter: QPainter, item: Item, left: float, wide: float) -> None:
        chosen = item.id == self._workspace.item_id
        if chosen:
            painter.setPen(QColor(PLUM) if self.hasFocus() else Qt.PenStyle.NoPen)
            painter.setBrush(QColor(PLUM_TINT))
            painter.drawRoundedRect(QRectF(left, 2, wide, STRIP_HEIGHT - 4), 6, 6)
        self._pixmaps.paint(painter, item, left + wide / 2, FLOOR, self.devicePixelRatioF())
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
            painter.drawText(QPointF(left + (wide - metrics.horizontalAdvance(text)) / 2, FLOOR + 19 + 14 * line), text)

    def _paint_more(self, painter: QPainter) -> None:
        whole = self._cells[-1][0] + self._cells[-1][1] if self._cells else 0.0
        painter.setPen(QColor(SOFT_INK))
        painter.setFont(font(16, "sans", 600))
        if self._offset > 0:
            painter.drawText(QPointF(2, FLOOR - 36), "‹")
        if whole - self._offset > self.width():
            painter.drawText(QPointF(self.width() - 9, FLOOR - 36), "›")

    def _item_at(self, position: QPoint) -> Item | None:
        for item, (x, wide) in zip(self._things, self._cells, strict=True):
            if x - self._offset <= position.x() < x - self._offset + wide:
                return item
        return None

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Take a thing in hand."""
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
        if item is not None and item in self._things:
            self._workspace.choose_item(item.id)
            self.menu_asked.emit(event.globalPos())
        event.accept()

    def wheelEvent(self, event: QWheelEvent) -> None:
        """Scroll along the board."""
        turn = event.angleDelta()
        self._scroll_to(self._offset - (turn.y() or turn.x()) * 0.8)

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Choose along the board with arrows, place with Return."""
        ids = [item.id for item in self._things]
        if event.key() == Qt.Key.Key_Escape and self._carrying:
            self._carrying, self._pressed = False, None
            self.put_back.emit()
        elif event.key() in (Qt.Key.Key_Left, Qt.Key.Key_Right) and ids:
            step = 1 if event.key() == Qt.Key.Key_Right else -1
            index = ids.index(self._workspace.item_id) + step if self._workspace.item_id in ids else 0
            self._workspace.choose_item(ids[min(max(index, 0), len(ids) - 1)])
            self.show_item(self._workspace.item_id)
        elif event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter) and self._workspace.item_id in ids:
            self._place(self._things[ids.index(self._workspace.item_id)])
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
