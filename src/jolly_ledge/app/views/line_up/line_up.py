"""The stash in a line-up: to scale, on floor lines, with the clearances of the piece drawn across."""

from functools import partial

from PySide6.QtCore import QPointF, QRectF, QSize, Qt
from PySide6.QtGui import (
    QColor,
    QFontMetricsF,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QPen,
    QResizeEvent,
    QWheelEvent,
)

from jolly_ledge.app.tones import ground_painter
from jolly_ledge.app.views.line_up.board_painter import BoardPainter
from jolly_ledge.app.views.line_up.boards import BRACKET, MARGIN, SCALE, TITLE_HEIGHT, Row, laid_out
from jolly_ledge.app.views.line_up.in_place import InPlace
from jolly_ledge.app.views.line_up.line_up_hand import LineUpHand
from jolly_ledge.app.views.line_up.stash_strip import two_lines
from jolly_ledge.app.views.look.zoom import STEP, WHEEL_NOTCH, times_of
from jolly_ledge.drawing.theme import PLUM, PLUM_TINT
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.stash_order import Shelf
from jolly_ledge.render.fonts import font
from jolly_ledge.workspace.workspace import Workspace

SCALES = (0.2, 1.6)
"""The least and the most pixels for one mm."""

LINE, GROUP_NAME_PX = 14.0, 220.0
"""How high a line of a name is, and how wide the field for the name of a group, in pixels."""


class LineUp(LineUpHand):
    """Paints what is in sight; things of one group stand on one or more boards."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__(workspace)
        self._shelves: tuple[Shelf, ...] = ()
        self.scale = SCALE
        self._boards_painted = BoardPainter(workspace)
        self.in_place = InPlace(workspace, self)
        self.setAccessibleName("The stash in a line-up; arrow keys choose, with Shift more than one")
        workspace.signals.chosen.connect(self.update)
        workspace.signals.stash_changed.connect(self.update)
        workspace.signals.length_unit_changed.connect(self.update)

    @property
    def rows(self) -> tuple[Row, ...]:
        """The boards, from the top down."""
        return self.boards.rows

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
        self.boards = laid_out(self._shelves, self.width(), self.scale)
        self._boards_painted.pixmaps.set_scale(self.scale)
        self.setMinimumHeight(round(self.boards.height) + 8)
        self.update()

    def look_nearer(self, times: float, item_id: str) -> None:
        """Show all things larger or smaller; one of them stays in sight."""
        self.scale = min(max(self.scale * times, SCALES[0]), SCALES[1])
        self._lay_out()
        self.looked_nearer.emit(item_id)

    def wheelEvent(self, event: QWheelEvent) -> None:
        """Show things larger or smaller with Ctrl; without it the boards are scrolled."""
        if not event.modifiers() & Qt.KeyboardModifier.ControlModifier:
            event.ignore()
            return
        item = self.boards.item_at(event.position().x(), event.position().y())
        self.look_nearer(
            STEP ** (event.angleDelta().y() / WHEEL_NOTCH), item.id if item is not None else self._workspace.item_id
        )

    @survives
    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Show things larger with +, smaller with -, as they were with Home."""
        times = times_of(event)
        if event.key() == Qt.Key.Key_Home:
            times = SCALE / self.scale
        if times is None:
            super().keyPressEvent(event)
        else:
            self.look_nearer(times, self._workspace.item_id)

    def mouseDoubleClickEvent(self, event: QMouseEvent) -> None:
        """Correct a name or sizes where they stand, or the name of a group; on the thing itself, ask for its form."""
        at = event.position()
        row = self.boards.row_at(at.y())
        if row is not None and row.title and at.y() < row.top + TITLE_HEIGHT and self.takes_groups:
            area = QRectF(MARGIN, row.top, GROUP_NAME_PX, TITLE_HEIGHT).toRect()
            self.in_place.open_on_group(row.group, area, partial(self.group_named.emit, row.group))
            return
        cell = self.boards.cell_at(at.x(), at.y())
        if cell is None or at.y() < cell.floor + BRACKET:
            super().mouseDoubleClickEvent(event)
            return
        lines = two_lines(cell.item.label, cell.width - 6, QFontMetricsF(font(12, "sans", 600)))
        sizes_from = cell.floor + BRACKET + 10 + LINE * len(lines)
        on_sizes = at.y() >= sizes_from
        area = QRectF(cell.left, sizes_from if on_sizes else cell.floor + BRACKET, cell.width, 20).toRect()
        self.in_place.open_on(cell.item, "sizes" if on_sizes else "name", area)

    def cell_of(self, item_id: str) -> QRectF:
        """Return where a thing stands; empty when it is not shown."""
        return self.boards.cell_of(item_id)

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the boards in sight."""
        painter = ground_painter(self)
        sight, boards = event.rect(), self._boards_painted
        boards.width, boards.ratio, boards.in_hand = self.width(), self.devicePixelRatioF(), self.hasFocus()
        for row in self.rows:
            if row.bottom >= sight.top() and row.top <= sight.bottom():
                boards.paint_row(painter, row)
        self._paint_gesture(painter)

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
            self._boards_painted.pixmaps.paint(painter, item, at.x(), at.y(), self.devicePixelRatioF())
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
