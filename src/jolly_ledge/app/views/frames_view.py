"""A straight picture with a frame round each thing: frames are drawn, chosen and taken away."""

from PySide6.QtCore import QPointF, QRectF, Qt, Signal
from PySide6.QtGui import QColor, QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen, QPixmap, QTransform
from PySide6.QtWidgets import QApplication, QWidget

from jolly_ledge.app.tones import ground_painter
from jolly_ledge.app.views.nearer import Nearer
from jolly_ledge.drawing.picture import Picture
from jolly_ledge.drawing.theme import PLUM, SHEET
from jolly_ledge.model.mishaps import survives
from jolly_ledge.photos.laid_out import Frame
from jolly_ledge.photos.rectify import Straight
from jolly_ledge.render.fonts import font
from jolly_ledge.render.player import fitting
from jolly_ledge.render.scene import image_from

LEAST_MM = 8.0


class FramesView(QWidget):
    """Shows frames with their numbers; pressing one chooses it, dragging beside them draws a new one."""

    drawn = Signal(object)
    """A frame was drawn by hand."""

    chosen = Signal(int)
    removed = Signal(int)

    def __init__(self) -> None:
        super().__init__()
        self._pixmap: QPixmap | None = None
        self._area = Picture((), 0, 0, 1, 1)
        self.frames: list[Frame] = []
        self.at = -1
        self._pressed: QPointF | None = None
        self._pointer = QPointF()
        self.nearer = Nearer(self)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setMinimumSize(300, 220)
        self.setAccessibleName("The things in the photograph; arrows choose a frame, Delete takes it away")

    def show_straight(self, straight: Straight) -> None:
        """Show a straight picture without frames."""
        self._pixmap = QPixmap.fromImage(image_from(straight.image))
        self._area = Picture((), straight.left, -straight.top, straight.right, -straight.bottom)
        self.nearer.fit()
        self.show_frames([], -1)

    def show_frames(self, frames: list[Frame], at: int) -> None:
        """Show frames, one of them chosen."""
        self.frames, self.at = frames, at
        self.update()

    def transform(self) -> QTransform:
        """Return how mm of the picture (y down) become pixels of the screen."""
        return self.nearer.of(fitting(self._area, QRectF(self.rect()).adjusted(6, 6, -6, -6)), self)

    def area_of(self, frame: Frame) -> QRectF:
        """Return where a frame is shown."""
        return self.transform().mapRect(QRectF(frame.left, -frame.top, frame.width, frame.height))

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the picture and the frames."""
        if self._pixmap is None:
            return
        painter = ground_painter(self, smooth=True)
        area = self._area
        shown = self.transform().mapRect(QRectF(area.left, area.top, area.width, area.height))
        painter.drawPixmap(shown, self._pixmap, QRectF(self._pixmap.rect()))
        painter.setFont(font(12, "sans", 700))
        for number, frame in enumerate(self.frames):
            self._paint_frame(painter, self.area_of(frame), number)
        if self._pressed is not None:
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.setPen(QPen(QColor(PLUM), 1.6, Qt.PenStyle.DashLine))
            painter.drawRect(QRectF(self._pressed, self._pointer).normalized())

    def _paint_frame(self, painter: QPainter, area: QRectF, number: int) -> None:
        painter.setBrush(Qt.BrushStyle.NoBrush)
        for colour, wide in ((SHEET, 4.0), (PLUM, 3.0 if number == self.at else 1.6)):
            painter.setPen(QPen(QColor(colour), wide))
            painter.drawRect(area)
        plate = QRectF(area.left(), area.top() - 19, 24, 18)
        if plate.top() < 0:
            plate.moveTop(area.top() + 1)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(QColor(PLUM if number == self.at else SHEET))
        painter.drawRoundedRect(plate, 4, 4)
        painter.setPen(QColor(SHEET if number == self.at else PLUM))
        painter.drawText(plate, Qt.AlignmentFlag.AlignCenter, str(number + 1))

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Choose a frame, or begin one."""
        if self._pixmap is None or event.button() != Qt.MouseButton.LeftButton:
            return
        self._pressed = self._pointer = event.position()

    def mouseMoveEvent(self, event: QMouseEvent) -> None:
        """Draw a frame."""
        if self._pressed is not None:
            self._pointer = event.position()
            self.update()

    def mouseReleaseEvent(self, event: QMouseEvent) -> None:
        """Take the frame that was drawn, or choose the one that was pressed."""
        pressed, self._pressed = self._pressed, None
        if pressed is None:
            return
        self.update()
        area = QRectF(pressed, event.position()).normalized()
        if (event.position() - pressed).manhattanLength() < QApplication.startDragDistance():
            hit = [number for number, frame in enumerate(self.frames) if self.area_of(frame).contains(pressed)]
            if hit:
                # The smallest of those that lie over each other.
                self.chosen.emit(min(hit, key=lambda number: self.frames[number].width * self.frames[number].height))
            return
        there = self.transform().inverted()[0].mapRect(area)
        if min(there.width(), there.height()) >= LEAST_MM:
            self.drawn.emit(Frame(there.left(), -there.bottom(), there.right(), -there.top()))

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Choose with arrows, take away with Delete."""
        step = {Qt.Key.Key_Left: -1, Qt.Key.Key_Right: 1}.get(Qt.Key(event.key()), 0)
        if step and self.frames:
            self.chosen.emit((self.at + step) % len(self.frames))
        elif event.key() == Qt.Key.Key_Delete and self.at >= 0:
            self.removed.emit(self.at)
        else:
            event.ignore()
