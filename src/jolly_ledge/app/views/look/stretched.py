"""While the wheel turns, what was painted last is stretched; once it rests, all is painted sharply."""

from PySide6.QtCore import QTimer
from PySide6.QtGui import QColor, QPainter, QPixmap, QTransform
from PySide6.QtWidgets import QGraphicsView

from jolly_ledge.drawing.theme import PAPER

REST_MS = 90


class Stretched:
    """Holds the picture of a view from before the wheel turned, with the way from it to what is to be seen."""

    def __init__(self, view: QGraphicsView) -> None:
        self._view = view
        self._pixmap: QPixmap | None = None
        self._from = QTransform()
        self._rest = QTimer(view)
        self._rest.setSingleShot(True)
        self._rest.setInterval(REST_MS)
        self._rest.timeout.connect(self.release)

    @property
    def is_held(self) -> bool:
        """Whether a picture is stretched now."""
        return self._pixmap is not None

    def hold(self) -> None:
        """Hold what is seen now, until the wheel rests."""
        if self._pixmap is None:
            self._pixmap = self._view.viewport().grab()
            self._from = self._view.viewportTransform()
        self._rest.start()

    def release(self) -> None:
        """Let it go: all is painted sharply."""
        self._rest.stop()
        if self._pixmap is not None:
            self._pixmap = None
            self._view.viewport().update()

    def paint(self) -> bool:
        """Paint the held picture as it would be seen now; return whether there is one."""
        if self._pixmap is None:
            return False
        painter = QPainter(self._view.viewport())
        painter.fillRect(self._view.viewport().rect(), QColor(PAPER))
        painter.setTransform(self._from.inverted()[0] * self._view.viewportTransform())
        painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
        painter.drawPixmap(0, 0, self._pixmap)
        painter.end()
        return True
