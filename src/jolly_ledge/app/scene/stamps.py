"""Small marks that are painted many times: drawn once as pictures, then stamped."""

from collections.abc import Iterable
from functools import lru_cache

from PySide6.QtCore import QPointF, QRectF, Qt
from PySide6.QtGui import QColor, QPainter, QPixmap, QPolygonF

from jolly_ledge.app.scene.pens import line_pen
from jolly_ledge.cautions.caution import Level
from jolly_ledge.drawing.theme import OCHRE, PLUM, RUST
from jolly_ledge.render.fonts import font

SIGN_PX, DISC_PX, DIAMOND_PX = 21.0, 19.0, 10.0
RIM, WORD = "#fffaf0", "#ffffff"


def stamp(painter: QPainter, marks: Iterable[tuple[QPixmap, float, float]]) -> None:
    """Set marks about points of the painter's own coordinates, at their own size whatever the zoom."""
    place = painter.worldTransform()
    scale, dx, dy = place.m11(), place.dx(), place.dy()
    painter.save()
    painter.resetTransform()
    for mark, x, y in marks:
        half = mark.width() / mark.devicePixelRatio() / 2
        painter.drawPixmap(round(x * scale + dx - half), round(y * scale + dy - half), mark)
    painter.restore()


def ratio_of(painter: QPainter) -> float:
    """Return how many pixels of the device make one of the view's."""
    return float(painter.device().devicePixelRatio())


def _blank(size: float, ratio: float) -> QPixmap:
    mark = QPixmap(round(size * ratio), round(size * ratio))
    mark.setDevicePixelRatio(ratio)
    mark.fill(Qt.GlobalColor.transparent)
    return mark


@lru_cache(maxsize=64)
def caution_sign(level: Level, ratio: float) -> QPixmap:
    """Return the mark of a caution: a triangle with ! or, where data is missing, with ?."""
    sign = _blank(SIGN_PX, ratio)
    painter = QPainter(sign)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    painter.setPen(line_pen(RIM, 1.4))
    painter.setBrush(QColor(RUST if level == "stop" else OCHRE))
    low = SIGN_PX - 3
    painter.drawPolygon(QPolygonF([QPointF(2, low), QPointF(SIGN_PX - 2, low), QPointF(SIGN_PX / 2, 2)]))
    painter.setFont(font(12, "sans", 700))
    painter.setPen(QColor(WORD))
    area = QRectF(0, 4, SIGN_PX, SIGN_PX - 5)
    painter.drawText(area, Qt.AlignmentFlag.AlignCenter, "?" if level == "unknown" else "!")
    painter.end()
    return sign


@lru_cache(maxsize=256)
def count_disc(count: int, colour: str, ratio: float) -> QPixmap:
    """Return a count on a disc."""
    disc = _blank(DISC_PX, ratio)
    painter = QPainter(disc)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    painter.setPen(line_pen(RIM, 1.2))
    painter.setBrush(QColor(colour))
    painter.drawEllipse(QRectF(1.2, 1.2, DISC_PX - 2.4, DISC_PX - 2.4))
    painter.setFont(font(12, "sans", 700))
    painter.setPen(QColor(WORD))
    painter.drawText(QRectF(0, 0, DISC_PX, DISC_PX), Qt.AlignmentFlag.AlignCenter, str(count))
    painter.end()
    return disc


@lru_cache(maxsize=8)
def unit_diamond(ratio: float) -> QPixmap:
    """Return the mark of one unit."""
    mark = _blank(DIAMOND_PX, ratio)
    painter = QPainter(mark)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    painter.setPen(line_pen(RIM, 1.0))
    painter.setBrush(QColor(PLUM))
    middle = DIAMOND_PX / 2
    painter.drawPolygon(
        QPolygonF([QPointF(middle + dx * 4, middle + dy * 4) for dx, dy in ((0, -1), (1, 0), (0, 1), (-1, 0))])
    )
    painter.end()
    return mark


@lru_cache(maxsize=32)
def end_dot(colour: str, ratio: float) -> QPixmap:
    """Return the end of a line."""
    mark = _blank(DIAMOND_PX, ratio)
    painter = QPainter(mark)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    painter.setPen(line_pen(RIM, 1.2))
    painter.setBrush(QColor(colour))
    painter.drawEllipse(QRectF(1, 1, DIAMOND_PX - 2, DIAMOND_PX - 2))
    painter.end()
    return mark
