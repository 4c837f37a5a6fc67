"""What is painted over the elevation in its own size, however near it is looked at: a scale, numbers, figures."""

from collections.abc import Callable

from PySide6.QtCore import QPoint, QPointF, QRectF, QSize, Qt
from PySide6.QtGui import QColor, QFontMetricsF, QPainter

from jolly_ledge.app.views.stamps import PLATE_PX, plate_ground
from jolly_ledge.drawing.items import item_shapes
from jolly_ledge.drawing.numbered_spots import numbered_spots
from jolly_ledge.drawing.theme import INK, PLUM, SOFT_INK
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.lengths import LengthUnit
from jolly_ledge.planning.working_order import working_order
from jolly_ledge.render.fonts import font
from jolly_ledge.render.player import play
from jolly_ledge.workspace.drag_gesture import DragGesture

BADGE_PX = 9.0
GHOST = 0.6
ToViewport = Callable[[QPointF], QPoint]


def paint_scale_bar(painter: QPainter, scale: float, unit: LengthUnit, height: int) -> None:
    """Paint how long half a metre is, at the lower left of a viewport so high."""
    length, text = (500, "50 cm") if unit != "in" else (508, "20 in")
    if unit == "mm":
        text = "500 mm"
    y = height - 10
    painter.setPen(QColor(SOFT_INK))
    painter.drawLine(12, y, round(12 + length * scale), y)
    for x in (12, round(12 + length * scale)):
        painter.drawLine(x, y - 4, x, y)
    painter.setFont(font(12))
    painter.drawText(QPointF(18 + length * scale, y + 3), text)


def paint_numbers(painter: QPainter, arrangement: Arrangement, scale: float, to_viewport: ToViewport) -> None:
    """Paint the number of its step at every thing."""
    painter.setFont(font(12, "sans", 600))
    for number, (x, y) in numbered_spots(arrangement, working_order(arrangement), scale, BADGE_PX):
        at = to_viewport(QPointF(x, -y))
        area = QRectF(at.x() - BADGE_PX, at.y() - BADGE_PX, 2 * BADGE_PX, 2 * BADGE_PX)
        painter.setPen(QColor(PLUM))
        painter.setBrush(QColor(255, 253, 248, 235))
        painter.drawEllipse(area)
        painter.setPen(QColor(INK))
        painter.drawText(area, Qt.AlignmentFlag.AlignCenter, str(number))


def paint_ghost(painter: QPainter, gesture: DragGesture) -> None:
    """Paint what is carried over nothing, faintly."""
    if gesture.landing is not None:
        return
    painter.save()
    painter.translate(gesture.at[0], -gesture.at[1])
    painter.setOpacity(GHOST)
    play(painter, item_shapes(gesture.item, gesture.pose))
    painter.restore()


def plate_of(gesture: DragGesture | None, room: QSize, to_viewport: ToViewport) -> tuple[str, QRectF]:
    """Return the figures of what is carried, and where they are written in a viewport of a size."""
    text = gesture.figures() if gesture is not None else ""
    if gesture is None or not text:
        return "", QRectF()
    at = to_viewport(QPointF(gesture.at[0], -gesture.at[1]))
    width = QFontMetricsF(font(13, "sans", 600)).horizontalAdvance(text) + 18
    x = min(max(at.x() + 18.0, 6.0), room.width() - width - 6)
    y = min(max(at.y() + 16.0, 6.0), room.height() - 34.0)
    return text, QRectF(x, y, width, PLATE_PX)


def paint_plate(painter: QPainter, text: str, area: QRectF, ratio: float) -> None:
    """Paint the figures of what is carried; nothing where there are none."""
    if not text:
        return
    painter.setFont(font(13, "sans", 600))
    painter.drawPixmap(area.toRect().topLeft(), plate_ground(round(area.width()), ratio))
    painter.setPen(QColor(INK))
    painter.drawText(area.bottomLeft() + QPointF(9, -8), text)
