"""Headings and labels in the two type families."""

from PySide6.QtCore import QRectF, Qt
from PySide6.QtGui import QColor, QLinearGradient, QPainter, QPaintEvent, QPen
from PySide6.QtWidgets import QLabel, QSizePolicy, QWidget

from jolly_ledge.drawing.theme import BOARD, PLUM, PLUM_TINT
from jolly_ledge.model.colour import darker, lighter
from jolly_ledge.model.mishaps import survives
from jolly_ledge.render.fonts import font


def heading(text: str, size: int = 21) -> QLabel:
    """Return a heading in the book serif."""
    label = QLabel(text)
    label.setFont(font(size, "serif", 600))
    return label


def question(text: str, size: int = 14) -> QLabel:
    """Return a question or an aside in the italic of the book serif."""
    label = QLabel(text)
    label.setFont(font(size, "serif", italic=True))
    label.setObjectName("aside")
    return label


def words(text: str, name: str = "", *, wrap: bool = True) -> QLabel:
    """Return plain working text; ``name`` picks a style such as ``soft``."""
    label = QLabel(text)
    label.setWordWrap(wrap)
    if name:
        label.setObjectName(name)
    if wrap:
        label.setSizePolicy(QSizePolicy.Policy.Preferred, QSizePolicy.Policy.Minimum)
    return label


class BoardLine(QWidget):
    """A heading's rule: a small lit board."""

    def __init__(self, colour: str = BOARD, thick: int = 4) -> None:
        super().__init__()
        self._colour = colour
        self._thick = thick
        self.setFixedHeight(thick + 1)
        self.setAttribute(Qt.WidgetAttribute.WA_TransparentForMouseEvents)

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the board."""
        painter = QPainter(self)
        paint_board(painter, QRectF(0, 0, self.width(), self._thick), self._colour)


def paint_board(painter: QPainter, area: QRectF, colour: str) -> None:
    """Paint a board with a lit upper edge."""
    shade = QLinearGradient(area.topLeft(), area.bottomLeft())
    shade.setColorAt(0, QColor(lighter(colour, 0.45)))
    shade.setColorAt(0.4, QColor(colour))
    shade.setColorAt(1, QColor(darker(colour, 0.2)))
    painter.save()
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    painter.setPen(Qt.PenStyle.NoPen)
    painter.setBrush(shade)
    painter.drawRoundedRect(area, 1.5, 1.5)
    painter.restore()


def set_text(label: QLabel, text: str) -> None:
    """Set a text only when it is another one: every change lays the panel out anew."""
    if label.text() != text:
        label.setText(text)


def paint_card_ground(painter: QPainter, card: QWidget) -> None:
    """Tint a card that is pointed at or in focus."""
    if card.underMouse() or card.hasFocus():
        painter.setPen(QPen(QColor(PLUM), 1.4) if card.hasFocus() else Qt.PenStyle.NoPen)
        painter.setBrush(QColor(PLUM_TINT))
        painter.drawRoundedRect(QRectF(card.rect()).adjusted(1, 1, -1, -1), 7, 7)
