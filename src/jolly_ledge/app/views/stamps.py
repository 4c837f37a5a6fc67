"""Small marks that are painted many times: drawn once as pictures, then stamped."""

from collections.abc import Callable, Iterable
from functools import lru_cache

from PySide6.QtCore import QPointF, QRectF, Qt
from PySide6.QtGui import QColor, QPainter, QPen, QPixmap, QPolygonF

from jolly_ledge.app.views.pens import line_pen
from jolly_ledge.drawing.theme import PAPER, PLUM, SHEET
from jolly_ledge.render.canvas import clear_canvas
from jolly_ledge.render.fonts import font

SIGN_PX, DISC_PX, DIAMOND_PX, LOCK_PX, BOW_PX = 21.0, 19.0, 10.0, 14.0, 16.0
FULCRUM_PX, BUBBLE_PX, PLATE_PX = 30.0, 16.0, 26
BEAM = "#55524c"
RIM, WORD = "#fffaf0", "#ffffff"


def stamp(painter: QPainter, marks: Iterable[tuple[QPixmap, float, float]]) -> None:
    """Set marks about points of the painter's own coordinates, at their own size whatever the zoom."""
    place = painter.worldTransform()
    scale, dx, dy = place.m11(), place.dx(), place.dy()
    painter.save()
    painter.resetTransform()
    for mark, x, y in marks:
        half = mark.deviceIndependentSize() / 2
        painter.drawPixmap(round(x * scale + dx - half.width()), round(y * scale + dy - half.height()), mark)
    painter.restore()


def _mark(size: float, ratio: float, colour: str, paint: Callable[[QPainter], object]) -> QPixmap:
    """Return a mark of a size in the view's pixels, painted with a light rim in a colour."""
    mark = clear_canvas(size, size, ratio)
    painter = QPainter(mark)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    painter.setPen(line_pen(RIM, 1.2))
    painter.setBrush(QColor(colour))
    paint(painter)
    painter.end()
    return mark


def _write(painter: QPainter, area: QRectF, word: str) -> None:
    painter.setFont(font(12, "sans", 700))
    painter.setPen(QColor(WORD))
    painter.drawText(area, Qt.AlignmentFlag.AlignCenter, word)


@lru_cache(maxsize=64)
def caution_sign(word: str, colour: str, ratio: float) -> QPixmap:
    """Return the mark of a caution: a triangle with a sign in it."""

    def paint(painter: QPainter) -> None:
        low = SIGN_PX - 3
        painter.drawPolygon(QPolygonF([QPointF(2, low), QPointF(SIGN_PX - 2, low), QPointF(SIGN_PX / 2, 2)]))
        _write(painter, QRectF(0, 4, SIGN_PX, SIGN_PX - 5), word)

    return _mark(SIGN_PX, ratio, colour, paint)


@lru_cache(maxsize=256)
def count_disc(count: str, colour: str, ratio: float) -> QPixmap:
    """Return a count on a disc."""

    def paint(painter: QPainter) -> None:
        painter.drawEllipse(QRectF(1.2, 1.2, DISC_PX - 2.4, DISC_PX - 2.4))
        _write(painter, QRectF(0, 0, DISC_PX, DISC_PX), count)

    return _mark(DISC_PX, ratio, colour, paint)


@lru_cache(maxsize=8)
def padlock(ratio: float) -> QPixmap:
    """Return the mark of what is locked."""

    def paint(painter: QPainter) -> None:
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.setPen(line_pen(PAPER, 1.6))
        painter.drawArc(QRectF(4.3, 1.5, 5.4, 8.0), 0, 180 * 16)
        painter.setBrush(QColor(PLUM))
        painter.drawRect(QRectF(2.5, 5.6, 9.0, 6.8))

    return _mark(LOCK_PX, ratio, PLUM, paint)


@lru_cache(maxsize=8)
def bow(colour: str, ratio: float) -> QPixmap:
    """Return the mark of a wish: a bow, as on a thing that was set apart."""

    def paint(painter: QPainter) -> None:
        middle = BOW_PX / 2
        for side in (-1, 1):
            loop = [
                QPointF(middle, middle),
                QPointF(middle + side * 6, middle - 4),
                QPointF(middle + side * 6, middle + 4),
            ]
            painter.drawPolygon(QPolygonF(loop))
        painter.drawEllipse(QPointF(middle, middle), 2.2, 2.2)

    return _mark(BOW_PX, ratio, colour, paint)


@lru_cache(maxsize=8)
def unit_diamond(ratio: float) -> QPixmap:
    """Return the mark of one unit."""
    middle = DIAMOND_PX / 2
    corners = [QPointF(middle + dx * 4, middle + dy * 4) for dx, dy in ((0, -1), (1, 0), (0, 1), (-1, 0))]
    return _mark(DIAMOND_PX, ratio, PLUM, lambda painter: painter.drawPolygon(QPolygonF(corners)))


@lru_cache(maxsize=64)
def plate_ground(width: int, ratio: float) -> QPixmap:
    """Return the empty plate on which the figures of a carried thing are written."""
    plate = clear_canvas(width, PLATE_PX, ratio)
    painter = QPainter(plate)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    painter.setPen(QColor(PLUM))
    painter.setBrush(QColor(SHEET))
    painter.drawRoundedRect(QRectF(0.5, 0.5, width - 1, PLATE_PX - 1), 6, 6)
    painter.end()
    return plate


@lru_cache(maxsize=8)
def fulcrum(ratio: float) -> QPixmap:
    """Return what the beam of the balance rests on, with its tip in the middle of the picture."""
    tip = QPointF(FULCRUM_PX / 2, FULCRUM_PX / 2)
    corners = [tip, tip + QPointF(-9, 14), tip + QPointF(9, 14)]

    def paint(painter: QPainter) -> None:
        painter.setPen(Qt.PenStyle.NoPen)
        painter.drawPolygon(QPolygonF(corners))

    return _mark(FULCRUM_PX, ratio, BEAM, paint)


@lru_cache(maxsize=8)
def bubble(colour: str, ratio: float) -> QPixmap:
    """Return the bubble on the beam of the balance."""

    def paint(painter: QPainter) -> None:
        painter.setPen(QPen(QColor(SHEET), 1.5))
        painter.drawEllipse(QPointF(BUBBLE_PX / 2, BUBBLE_PX / 2), 6, 6)

    return _mark(BUBBLE_PX, ratio, colour, paint)


@lru_cache(maxsize=32)
def end_dot(colour: str, ratio: float) -> QPixmap:
    """Return the end of a line."""
    area = QRectF(1, 1, DIAMOND_PX - 2, DIAMOND_PX - 2)
    return _mark(DIAMOND_PX, ratio, colour, lambda painter: painter.drawEllipse(area))
