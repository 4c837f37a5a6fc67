"""Figures on a drawing: dimension lines whose labels can be pressed and typed over."""

from collections.abc import Callable

from PySide6.QtCore import QPointF, QRectF, Qt
from PySide6.QtGui import QColor, QFontMetricsF, QKeyEvent, QPainter, QPen, QTransform
from PySide6.QtWidgets import QLineEdit, QWidget

from jolly_ledge.app.views.measure.dimensions import Dimension
from jolly_ledge.drawing.theme import INK, PLUM, PLUM_TINT, RULE, RUST, RUST_TINT, SHEET
from jolly_ledge.model.errors import LengthError
from jolly_ledge.model.lengths import parse_length
from jolly_ledge.render.fonts import font
from jolly_ledge.workspace.workspace import Workspace

LABEL_HEIGHT = 28.0


def label_area(dimension: Dimension, transform: QTransform, text: str) -> QRectF:
    """Return where a figure stands, in pixels: in the middle of its line."""
    middle = transform.map(QPointF(*dimension.middle))
    width = QFontMetricsF(font(13, "sans", 600)).horizontalAdvance(text) + 16
    return QRectF(middle.x() - width / 2, middle.y() - LABEL_HEIGHT / 2, width, LABEL_HEIGHT)


def paint_figure(
    painter: QPainter,
    dimension: Dimension,
    transform: QTransform,
    text: str,
    *,
    line: str,
    doubtful: bool = False,
    hovered: bool = False,
    focused: bool = False,
) -> None:
    """Paint a dimension line with its ticks and its figure."""
    start, end = transform.map(QPointF(*dimension.start)), transform.map(QPointF(*dimension.end))
    painter.setPen(QPen(QColor(RUST if doubtful else line), 1.2))
    painter.drawLine(start, end)
    tick = QPointF(5, 0) if dimension.is_upright else QPointF(0, 5)
    for point in (start, end):
        painter.drawLine(point - tick, point + tick)
    area = label_area(dimension, transform, text)
    lit = hovered or focused
    painter.setPen(QPen(QColor(PLUM if lit else RUST if doubtful else RULE), 2 if focused else 1))
    painter.setBrush(QColor(PLUM_TINT if lit else RUST_TINT if doubtful else SHEET))
    painter.drawRoundedRect(area.adjusted(0, 2, 0, -2), 5, 5)
    painter.setFont(font(13, "sans", 600))
    painter.setPen(QColor(INK))
    painter.drawText(area, Qt.AlignmentFlag.AlignCenter, text)


class FigureField(QLineEdit):
    """The field that opens over a figure; Return takes the length over, leaving it lets it be."""

    def __init__(self, owner: QWidget, workspace: Workspace, on_length: Callable[[Dimension, float], object]) -> None:
        super().__init__(owner)
        self._owner = owner
        self._workspace = workspace
        self._on_length = on_length
        self.editing: Dimension | None = None
        self.setAlignment(Qt.AlignmentFlag.AlignCenter)
        self.hide()
        self.returnPressed.connect(self._commit)
        self.editingFinished.connect(self._leave)

    def open_over(self, dimension: Dimension, area: QRectF) -> None:
        """Open over a figure."""
        self.editing = dimension
        self.setGeometry(area.toRect().adjusted(-14, -1, 14, 1))
        self.setAccessibleName(dimension.name)
        self.setText(self._workspace.length(dimension.length))
        self.show()
        self.setFocus()
        self.selectAll()

    def close_again(self) -> None:
        """Close without a change."""
        if self.editing is not None:
            self.editing = None
            had_focus = self.hasFocus()
            self.hide()
            if had_focus:
                self._owner.setFocus()

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Take the length over with Return: the drawing below, which opens a figure with it, does not hear it."""
        super().keyPressEvent(event)
        if event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            event.accept()

    def _commit(self) -> None:
        dimension = self.editing
        if dimension is None:
            return
        try:
            length = parse_length(self.text(), self._workspace.length_unit)
        except LengthError as error:
            self._workspace.signals.refused.emit(str(error))
            return
        self.close_again()
        if abs(length - dimension.length) > 0.01:
            self._on_length(dimension, length)

    def _leave(self) -> None:
        if self.editing is not None and not self.hasFocus():
            self.close_again()
