"""A reading as a spirit level: a vial, the wanted band between two marks, a bubble."""

from PySide6.QtCore import QPointF, QRectF, QSize, Qt
from PySide6.QtGui import QColor, QLinearGradient, QPainter, QPaintEvent, QPen, QRadialGradient
from PySide6.QtWidgets import QSizePolicy, QWidget

from jolly_ledge.drawing.theme import INK, OCHRE, RULE, TEAL
from jolly_ledge.model.colour import darker, lighter
from jolly_ledge.readings.reading import Reading

VIAL_HEIGHT = 12.0


class Vial(QWidget):
    """Shows where a value lies on its scale and where it should lie."""

    def __init__(self) -> None:
        super().__init__()
        self._place, self._low, self._high, self._good = 0.5, 0.3, 0.7, True
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setFixedHeight(22)
        self.setMinimumWidth(84)

    def sizeHint(self) -> QSize:
        """Return the wished size."""
        return QSize(126, 22)

    @property
    def place(self) -> float:
        """Where the bubble stands, 0 left to 1 right."""
        return self._place

    def show_reading(self, reading: Reading) -> None:
        """Move the bubble and the marks."""
        low, high = reading.limits
        span = high - low
        fresh = (
            min(max((reading.value - low) / span, 0.0), 1.0),
            min(max((reading.band[0] - low) / span, 0.0), 1.0),
            min(max((reading.band[1] - low) / span, 0.0), 1.0),
            reading.is_good,
        )
        if fresh != (self._place, self._low, self._high, self._good):
            self._place, self._low, self._high, self._good = fresh
            self.update()

    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the vial."""
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        width, middle = self.width() - 14.0, self.height() / 2
        tube = QRectF(7, middle - VIAL_HEIGHT / 2, width, VIAL_HEIGHT)
        glass = QLinearGradient(tube.topLeft(), tube.bottomLeft())
        glass.setColorAt(0, QColor("#e6e3d6"))
        glass.setColorAt(0.5, QColor("#f3f1e6"))
        glass.setColorAt(1, QColor("#e9e6da"))
        painter.setPen(QPen(QColor(RULE), 1))
        painter.setBrush(glass)
        painter.drawRoundedRect(tube, VIAL_HEIGHT / 2, VIAL_HEIGHT / 2)
        band = QRectF(7 + self._low * width, tube.top() + 1, max((self._high - self._low) * width, 2), VIAL_HEIGHT - 2)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(QColor("#cfdfb9"))
        painter.drawRoundedRect(band, 2, 2)
        painter.setPen(QPen(QColor(INK), 1.4))
        for x in (band.left(), band.right()):
            painter.drawLine(QPointF(x, tube.top() - 3), QPointF(x, tube.bottom() + 3))
        self._paint_bubble(painter, 7 + self._place * width, middle)

    def _paint_bubble(self, painter: QPainter, x: float, middle: float) -> None:
        colour = TEAL if self._good else OCHRE
        shade = QRadialGradient(QPointF(x - 2.5, middle - 2.5), 9)
        shade.setColorAt(0, QColor(lighter(colour, 0.75)))
        shade.setColorAt(0.45, QColor(colour))
        shade.setColorAt(1, QColor(darker(colour, 0.35)))
        painter.setPen(QPen(QColor(darker(colour, 0.4)), 1))
        painter.setBrush(shade)
        # A bubble out of its band is also smaller and square-shouldered, not only of another colour.
        if self._good:
            painter.drawEllipse(QPointF(x, middle), 8.0, 5.4)
        else:
            painter.drawRoundedRect(QRectF(x - 5.5, middle - 5, 11, 10), 2.5, 2.5)
