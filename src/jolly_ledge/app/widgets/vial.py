"""A reading as a spirit level: a vial, the wanted band between two marks, a bubble."""

from functools import lru_cache

from msgspec import Struct
from PySide6.QtCore import QPointF, QRectF
from PySide6.QtGui import QColor, QLinearGradient, QPainter, QPen, QPixmap, QRadialGradient

from jolly_ledge.app.tones import tones
from jolly_ledge.model.colour import darker, lighter
from jolly_ledge.readings.reading import Reading
from jolly_ledge.render.canvas import clear_canvas

VIAL_HEIGHT = 12.0
TUBE_ROOM, BUBBLE_ROOM = 20.0, 20.0
MARGIN = 7.0
BEST, BETTER, WORST = "#a9cc8c", "#e3ead2", "#efd3a6"
"""From what is best to what is far off."""

EDGE = 0.01


class Vial(Struct, frozen=True):
    """Where a value lies on its scale and where it should lie, 0 left to 1 right."""

    place: float
    low: float
    high: float
    is_good: bool

    @classmethod
    def of(cls, reading: Reading) -> "Vial":
        """Return the vial of a reading."""
        low, high = reading.limits

        def share(value: float) -> float:
            return min(max((value - low) / (high - low), 0.0), 1.0)

        return cls(share(reading.value), share(reading.band[0]), share(reading.band[1]), reading.is_good)


def paint_vial(painter: QPainter, vial: Vial, area: QRectF) -> None:
    """Paint a vial in the middle of an area; its parts are kept as pixels, for it moves with every drag."""
    ratio = painter.device().devicePixelRatio()
    tube = _tube(round(area.width()), vial.low, vial.high, ratio, (tones().rule, tones().ink))
    painter.drawPixmap(QPointF(area.left(), area.center().y() - TUBE_ROOM / 2), tube)
    x = area.left() + MARGIN + vial.place * (area.width() - 2 * MARGIN)
    corner = QPointF(x - BUBBLE_ROOM / 2, area.center().y() - BUBBLE_ROOM / 2)
    painter.drawPixmap(corner, _bubble(tones().teal if vial.is_good else tones().ochre, ratio, is_good=vial.is_good))


@lru_cache(maxsize=128)
def _tube(width: int, low: float, high: float, ratio: float, inks: tuple[str, str]) -> QPixmap:
    made = clear_canvas(width, TUBE_ROOM, ratio)
    painter = QPainter(made)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    inner, middle = width - 2 * MARGIN, TUBE_ROOM / 2
    tube = QRectF(MARGIN, middle - VIAL_HEIGHT / 2, inner, VIAL_HEIGHT)
    painter.setPen(QPen(QColor(inks[0]), 1))
    painter.setBrush(_slope(tube, low, high))
    painter.drawRoundedRect(tube, VIAL_HEIGHT / 2, VIAL_HEIGHT / 2)
    band = QRectF(MARGIN + low * inner, tube.top() + 1, max((high - low) * inner, 2), VIAL_HEIGHT - 2)
    painter.setPen(QPen(QColor(inks[1]), 1.4))
    for x in (band.left(), band.right()):
        painter.drawLine(QPointF(x, tube.top() - 3), QPointF(x, tube.bottom() + 3))
    painter.end()
    return made


def _slope(tube: QRectF, low: float, high: float) -> QLinearGradient:
    """Return the glass, tinted by what is better and what is worse: green where it is best, ochre far outside the band.

    A band that touches an end of the scale is best there, another one in its middle.
    """
    best = high if high > 1 - EDGE else low if low < EDGE else (low + high) / 2
    glass = QLinearGradient(tube.topLeft(), tube.topRight())
    if low >= EDGE:
        glass.setColorAt(0.0, QColor(WORST))
    if high <= 1 - EDGE:
        glass.setColorAt(1.0, QColor(WORST))
    for edge in (low, high):
        glass.setColorAt(edge, QColor(BETTER))
    glass.setColorAt(best, QColor(BEST))
    return glass


@lru_cache(maxsize=8)
def _bubble(colour: str, ratio: float, *, is_good: bool) -> QPixmap:
    made = clear_canvas(BUBBLE_ROOM, BUBBLE_ROOM, ratio)
    painter = QPainter(made)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    middle = QPointF(BUBBLE_ROOM / 2, BUBBLE_ROOM / 2)
    shade = QRadialGradient(middle - QPointF(2.5, 2.5), 9)
    shade.setColorAt(0, QColor(lighter(colour, 0.75)))
    shade.setColorAt(0.45, QColor(colour))
    shade.setColorAt(1, QColor(darker(colour, 0.35)))
    painter.setPen(QPen(QColor(darker(colour, 0.4)), 1))
    painter.setBrush(shade)
    # A bubble that wants mending is also square-shouldered, not only of another colour.
    if is_good:
        painter.drawEllipse(middle, 8.0, 5.4)
    else:
        painter.drawRoundedRect(QRectF(middle.x() - 5.5, middle.y() - 5, 11, 10), 2.5, 2.5)
    painter.end()
    return made
