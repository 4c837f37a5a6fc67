"""A lasso: a rectangle drawn on empty ground that takes all it touches."""

from PySide6.QtCore import QPoint, QRect, QRectF, Qt
from PySide6.QtGui import QColor, QPainter, QPen

from jolly_ledge.drawing.theme import PLUM


class Lasso:
    """The rectangle from where the pointer was pressed to where it is, in pixels of the view."""

    def __init__(self, start: QPoint, kept: tuple[str, ...] = ()) -> None:
        self._start = self._end = start
        self.kept = kept
        """What was chosen before and stays so."""

    @property
    def area(self) -> QRect:
        """What it encloses."""
        return QRect(self._start, self._end).normalized()

    def draw_to(self, position: QPoint) -> None:
        """Draw it on to where the pointer is."""
        self._end = position

    def paint(self, painter: QPainter) -> None:
        """Paint it in pixels."""
        fill = QColor(PLUM)
        fill.setAlpha(26)
        painter.setPen(QPen(QColor(PLUM), 1.2, Qt.PenStyle.DashLine))
        painter.setBrush(fill)
        painter.drawRect(QRectF(self.area))
