"""A small drawing of the whole in a corner, with what is in sight framed, while the view is near."""

from PySide6.QtCore import QRectF, QSize
from PySide6.QtGui import QColor, QPainter, QPen

from jolly_ledge.drawing.theme import BOARD, PLUM, RULE, SHEET, SOFT_INK
from jolly_ledge.geometry.arrangement import Arrangement

LONGEST, INSET, EDGE = 132.0, 8.0, 10.0


def overview_area(frame: QRectF, size: QSize) -> QRectF:
    """Return where the small drawing lies in a view of a size, in pixels: in its lower right corner."""
    scale = LONGEST / max(frame.width(), frame.height(), 1.0)
    wide, high = frame.width() * scale + 2 * INSET, frame.height() * scale + 2 * INSET
    return QRectF(size.width() - wide - EDGE, size.height() - high - EDGE, wide, high)


def paint_overview(
    painter: QPainter, arrangement: Arrangement, frame: QRectF, in_sight: QRectF, size: QSize
) -> None:  # fmt: skip
    """Paint the ledges and things of a look small, with what is in sight framed (scene in mm, y down)."""
    area = overview_area(frame, size)
    painter.save()
    painter.setPen(QPen(QColor(RULE), 1))
    painter.setBrush(QColor(SHEET))
    painter.drawRoundedRect(area, 4, 4)
    inside = area.adjusted(INSET, INSET, -INSET, -INSET)
    painter.setClipRect(area)
    painter.translate(inside.topLeft())
    scale = inside.width() / frame.width()
    painter.scale(scale, scale)
    painter.translate(-frame.topLeft())
    painter.setPen(QPen(QColor(BOARD), 1.4 / scale))
    for ledge in arrangement.standing_ledges:
        painter.drawLine(QRectF(ledge.left, -ledge.floor, ledge.width, 0).topLeft(),
                         QRectF(ledge.left, -ledge.floor, ledge.width, 0).topRight())  # fmt: skip
    tone = QColor(SOFT_INK)
    tone.setAlpha(120)
    for one in arrangement.visible:
        painter.fillRect(QRectF(one.left, -one.top, one.width, one.height), tone)
    painter.setBrush(QColor(0, 0, 0, 0))
    painter.setPen(QPen(QColor(PLUM), 1.6 / scale))
    painter.drawRect(in_sight.intersected(frame))
    painter.restore()
