"""A photograph in which a spot can be picked."""

from PySide6.QtCore import QPointF, QRectF, Qt, Signal
from PySide6.QtGui import QColor, QImage, QMouseEvent, QPainter, QPaintEvent, QPen, QPixmap
from PySide6.QtWidgets import QWidget

from jolly_ledge.drawing.theme import PLUM, RULE
from jolly_ledge.model.mishaps import survives


class SpotPicker(QWidget):
    """Shows a photograph as large as it goes; a click tells the pixel under it while picking is on."""

    picked = Signal(int, int)

    def __init__(self) -> None:
        super().__init__()
        self._photo = QPixmap()
        self._at: QPointF | None = None
        self.picks = False
        self.setMouseTracking(True)
        self.setMinimumSize(180, 160)
        self.setAccessibleName("The photograph")

    def show_content(self, content: bytes) -> None:
        """Show a JPEG."""
        self._photo = QPixmap.fromImage(QImage.fromData(content))
        self.update()

    def set_picks(self, on: bool) -> None:
        """Let the next click pick a spot."""
        self.picks = on
        self.setCursor(Qt.CursorShape.CrossCursor if on else Qt.CursorShape.ArrowCursor)
        self.update()

    def place(self) -> QRectF:
        """Return where the photograph is painted."""
        if self._photo.isNull():
            return QRectF()
        share = min(self.width() / self._photo.width(), self.height() / self._photo.height())
        area = QRectF(0, 0, self._photo.width() * share, self._photo.height() * share)
        area.moveCenter(QRectF(self.rect()).center())
        return area

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the photograph, and a ring where the pointer would pick."""
        area = self.place()
        if area.isEmpty():
            return
        painter = QPainter(self)
        painter.setRenderHints(QPainter.RenderHint.SmoothPixmapTransform | QPainter.RenderHint.Antialiasing)
        painter.drawPixmap(area, self._photo, QRectF(self._photo.rect()))
        painter.setPen(QPen(QColor(PLUM if self.picks else RULE), 2 if self.picks else 1))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.drawRect(area)
        if self.picks and self._at is not None and area.contains(self._at):
            painter.setPen(QPen(QColor("#ffffff"), 4))
            painter.drawEllipse(self._at, 9, 9)
            painter.setPen(QPen(QColor(PLUM), 2))
            painter.drawEllipse(self._at, 9, 9)

    def mouseMoveEvent(self, event: QMouseEvent) -> None:
        """Follow the pointer."""
        self._at = event.position()
        if self.picks:
            self.update()

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Pick the pixel under the pointer."""
        area = self.place()
        at = event.position()
        if self.picks and area.contains(at):
            x = (at.x() - area.left()) / area.width() * self._photo.width()
            y = (at.y() - area.top()) / area.height() * self._photo.height()
            self.picked.emit(int(x), int(y))
