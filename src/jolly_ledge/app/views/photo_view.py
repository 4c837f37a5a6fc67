"""A photograph with its four corners, or pulled straight with what is measured in it."""

from PySide6.QtCore import QPointF, QRectF, Qt, Signal
from PySide6.QtGui import (
    QColor,
    QFontMetricsF,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPainterPath,
    QPaintEvent,
    QPen,
    QPixmap,
    QTransform,
)
from PySide6.QtWidgets import QWidget

from jolly_ledge.app.tones import ground_painter
from jolly_ledge.app.views.nearer import Nearer
from jolly_ledge.drawing.picture import Picture
from jolly_ledge.drawing.theme import INK, PAPER, PLUM, SHEET, SOFT_INK
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.piece import Corner, Piece
from jolly_ledge.photos.image import Pixels
from jolly_ledge.photos.rectify import Straight
from jolly_ledge.render.fonts import font
from jolly_ledge.render.player import fitting
from jolly_ledge.render.scene import image_from

HANDLE_PX = 15.0
LOUPE_PX, LOUPE_ZOOM = 74.0, 4.0

Line = tuple[Corner, Corner, str]
"""Two points of the front (mm) and what is said of them."""


class PhotoView(QWidget):
    """Shows a photograph as large as it goes; corners are dragged, points of the straight picture are clicked."""

    marked = Signal()
    """A corner was moved."""

    clicked_at = Signal(float, float, bool)
    """A point of the straight picture was clicked (mm, y up), and whether Shift was held."""

    def __init__(self) -> None:
        super().__init__()
        self._pixmap: QPixmap | None = None
        self._frame = Picture((), 0, 0, 1, 1)
        self._straight: Straight | None = None
        self.corners: list[Corner] = []
        self.chosen = 0
        self._held = False
        self._pointer = QPointF()
        self.lines: list[Line] = []
        self.begun: Corner | None = None
        self.piece: Piece | None = None
        self.nearer = Nearer(self)
        self.setMouseTracking(True)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setMinimumSize(300, 260)
        self.setAccessibleName("The photograph; Tab chooses a corner, arrows move it by a pixel")

    @property
    def is_straight(self) -> bool:
        """Whether the straight picture is shown."""
        return self._straight is not None

    def show_photo(self, pixels: Pixels, corners: list[Corner]) -> None:
        """Show a photograph with corners to mark (pixels of the photograph)."""
        height, width = pixels.shape[:2]
        self._pixmap = QPixmap.fromImage(image_from(pixels))
        self._set_frame(Picture((), 0, 0, width, height))
        self._straight = None
        self.corners = corners
        self.lines, self.begun = [], None
        self.update()

    def show_straight(self, straight: Straight, piece: Piece) -> None:
        """Show a straight picture with the ledges of a piece drawn over it."""
        self._pixmap = QPixmap.fromImage(image_from(straight.image))
        self._set_frame(Picture((), straight.left, -straight.top, straight.right, -straight.bottom))
        self._straight = straight
        self.piece = piece
        self.update()

    def _set_frame(self, frame: Picture) -> None:
        """Show the whole of what is another picture; the same one stays as near as it is looked at."""
        if frame != self._frame:
            self._frame = frame
            self.nearer.fit()

    def transform(self) -> QTransform:
        """Return how pixels of the photograph, or mm of the front (y down), become pixels of the screen."""
        return self.nearer.of(fitting(self._frame, QRectF(self.rect()).adjusted(14, 10, -14, -10)), self)

    # Painting

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the picture and what is marked in it."""
        if self._pixmap is None:
            return
        painter = ground_painter(self, smooth=True)
        transform = self.transform()
        frame = self._frame
        area = transform.mapRect(QRectF(frame.left, frame.top, frame.width, frame.height))
        painter.drawPixmap(area, self._pixmap, QRectF(self._pixmap.rect()))
        if self._straight is not None:
            self._paint_ledges(painter, transform)
            self._paint_lines(painter, transform)
        else:
            self._paint_corners(painter, transform)

    def _paint_corners(self, painter: QPainter, transform: QTransform) -> None:
        points = [transform.map(QPointF(*corner)) for corner in self.corners]
        path = QPainterPath()
        for index, point in enumerate((*points, *points[:1])):
            path.moveTo(point) if index == 0 else path.lineTo(point)
        painter.setBrush(Qt.BrushStyle.NoBrush)
        for colour, wide in ((SHEET, 4.0), (PLUM, 1.6)):
            painter.setPen(QPen(QColor(colour), wide))
            painter.drawPath(path)
        for index, point in enumerate(points):
            painter.setPen(QPen(QColor(SHEET), 4))
            painter.drawEllipse(point, HANDLE_PX - 4, HANDLE_PX - 4)
            painter.setPen(QPen(QColor(PLUM), 3 if index == self.chosen and self.hasFocus() else 1.8))
            painter.drawEllipse(point, HANDLE_PX - 4, HANDLE_PX - 4)
            painter.drawPoint(point)
        if self._held:
            self._paint_loupe(painter, transform, points[self.chosen])

    def _paint_loupe(self, painter: QPainter, transform: QTransform, at: QPointF) -> None:
        """Paint what lies under a held corner, enlarged, beside the hand."""
        assert self._pixmap is not None
        beside = -1.0 if at.x() > self.width() / 2 else 1.0
        above = 1.0 if at.y() < self.height() / 2 else -1.0
        middle = at + QPointF(beside * (LOUPE_PX + 34), above * (LOUPE_PX + 10))
        circle = QPainterPath()
        circle.addEllipse(middle, LOUPE_PX, LOUPE_PX)
        painter.save()
        painter.setClipPath(circle)
        painter.fillPath(circle, QColor(PAPER))
        zoom = LOUPE_ZOOM * transform.m11()
        corner = self.corners[self.chosen]
        painter.translate(middle)
        painter.scale(zoom, zoom)
        painter.drawPixmap(QPointF(-corner[0], -corner[1]), self._pixmap)
        painter.restore()
        painter.setPen(QPen(QColor(PLUM), 2))
        painter.drawEllipse(middle, LOUPE_PX, LOUPE_PX)
        painter.setPen(QPen(QColor(PLUM), 1))
        for way in (QPointF(LOUPE_PX, 0), QPointF(0, LOUPE_PX)):
            painter.drawLine(middle - way, middle - way * 0.08)
            painter.drawLine(middle + way * 0.08, middle + way)

    def _paint_ledges(self, painter: QPainter, transform: QTransform) -> None:
        piece = self.piece
        if piece is None:
            return
        painter.setBrush(Qt.BrushStyle.NoBrush)
        outline = transform.mapRect(QRectF(0, -piece.height, piece.width, piece.height))
        painter.setPen(QPen(QColor(SHEET), 1.5, Qt.PenStyle.DashLine))
        painter.drawRect(outline)
        for ledge in piece.ledges:
            if not ledge.is_wall:
                start = transform.map(QPointF(ledge.left, -ledge.floor))
                end = transform.map(QPointF(ledge.right, -ledge.floor))
                for colour, wide in ((SHEET, 5.0), (PLUM, 2.6)):
                    painter.setPen(QPen(QColor(colour), wide))
                    painter.drawLine(start, end)

    def _paint_lines(self, painter: QPainter, transform: QTransform) -> None:
        painter.setFont(font(13, "sans", 600))
        metrics = QFontMetricsF(painter.font())
        for first, second, said in self.lines:
            start, end = (transform.map(QPointF(x, -y)) for x, y in (first, second))
            for colour, wide in ((SHEET, 5.0), (INK, 2.0)):
                painter.setPen(QPen(QColor(colour), wide))
                painter.drawLine(start, end)
            middle, wide = (start + end) / 2, metrics.horizontalAdvance(said) + 16
            label = QRectF(middle.x() - wide / 2, middle.y() - 13, wide, 26)
            label.moveLeft(min(max(label.left(), 2.0), self.width() - wide - 2))
            painter.setPen(QPen(QColor(SOFT_INK), 1))
            painter.setBrush(QColor(SHEET))
            painter.drawRoundedRect(label, 5, 5)
            painter.setPen(QColor(INK))
            painter.drawText(label, Qt.AlignmentFlag.AlignCenter, said)
        if self.begun is not None:
            start = transform.map(QPointF(self.begun[0], -self.begun[1]))
            painter.setPen(QPen(QColor(PLUM), 2, Qt.PenStyle.DashLine))
            painter.drawLine(start, self._pointer)
            painter.drawEllipse(start, 5, 5)

    # Marking

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Take a corner in hand, or click a point of the straight picture."""
        if self._pixmap is None:
            return
        position = event.position()
        at = self.transform().inverted()[0].map(position)
        if self._straight is not None:
            shift = bool(event.modifiers() & Qt.KeyboardModifier.ShiftModifier)
            self.clicked_at.emit(at.x(), -at.y(), shift)
            return
        points = [self.transform().map(QPointF(*corner)) for corner in self.corners]
        near = min(range(len(points)), key=lambda index: (points[index] - position).manhattanLength())
        if (points[near] - position).manhattanLength() <= 2 * HANDLE_PX:
            self.chosen, self._held = near, True
            self.update()

    def mouseMoveEvent(self, event: QMouseEvent) -> None:
        """Drag the corner in hand."""
        self._pointer = event.position()
        if self._held:
            self._move_corner(self.transform().inverted()[0].map(event.position()))
        elif self.begun is not None:
            self.update()

    def mouseReleaseEvent(self, event: QMouseEvent) -> None:
        """Let the corner go."""
        if self._held:
            self._held = False
            self.marked.emit()
            self.update()

    def _move_corner(self, to: QPointF) -> None:
        x = min(max(to.x(), 0.0), self._frame.right)
        y = min(max(to.y(), 0.0), self._frame.bottom)
        self.corners[self.chosen] = (x, y)
        self.update()

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Move the chosen corner by a pixel (ten with Shift); space goes to the next; Esc lets a begun line be."""
        moves = {
            Qt.Key.Key_Left: (-1, 0),
            Qt.Key.Key_Right: (1, 0),
            Qt.Key.Key_Up: (0, -1),
            Qt.Key.Key_Down: (0, 1),
        }
        step = moves.get(Qt.Key(event.key()))
        if event.key() == Qt.Key.Key_Escape and self.begun is not None:
            self.begun = None
            self.update()
        elif self._straight is None and self.corners and event.key() == Qt.Key.Key_Space:
            self.chosen = (self.chosen + 1) % len(self.corners)
            self.update()
        elif self._straight is None and self.corners and step is not None:
            far = 10 if event.modifiers() & Qt.KeyboardModifier.ShiftModifier else 1
            x, y = self.corners[self.chosen]
            self._move_corner(QPointF(x + step[0] * far, y + step[1] * far))
            self.marked.emit()
        else:
            event.ignore()
