"""One question as a line: what it loses, and its readings when it is opened."""

import math

from PySide6.QtCore import QRectF, Qt, Signal
from PySide6.QtGui import QColor, QKeyEvent, QMouseEvent, QPainter, QPaintEvent
from PySide6.QtWidgets import QWidget

from jolly_ledge.app.tones import tones
from jolly_ledge.model.mishaps import survives
from jolly_ledge.render.fonts import font

HEIGHT = 24
NAME_WIDTH, FIGURE_WIDTH = 158.0, 62.0
PLAINLY = 0.35
"""From so much loss on a question is plainly not answered."""

HALF_FULL = 0.6
"""So much loss fills half of the bar, which is never full: worse is always possible."""


class QuestionRow(QWidget):
    """Shows what the readings of a question lose together; a click or Return opens and folds them."""

    toggled = Signal(str)

    def __init__(self, asked: str) -> None:
        super().__init__()
        self.asked = asked
        self.loss = 0.0
        self.is_open = False
        self.setFixedHeight(HEIGHT)
        self.setFocusPolicy(Qt.FocusPolicy.TabFocus)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self.setAttribute(Qt.WidgetAttribute.WA_OpaquePaintEvent)
        self.setToolTip("What its readings lose together; click to see them one by one")

    @property
    def shown(self) -> str:
        """The loss in words."""
        return "0" if self.loss < 0.005 else f"−{self.loss:.2f}"

    def show_loss(self, loss: float, *, is_open: bool) -> None:
        """Show what is lost; only what changes is painted anew."""
        before = (self.shown, self.is_open)
        self.loss, self.is_open = loss, is_open
        if (self.shown, self.is_open) != before:
            state = "open" if is_open else "folded"
            self.setAccessibleName(f"{self.asked} It loses {loss:.2f}; {state}.")
            self.update()

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the line: an arrow, the question, a bar that grows with the loss, the figure."""
        painter = QPainter(self)
        painter.fillRect(self.rect(), QColor(tones().sheet))
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        if self.hasFocus():
            painter.setPen(Qt.PenStyle.NoPen)
            painter.setBrush(QColor(tones().plum_tint))
            painter.drawRoundedRect(self.rect(), 6, 6)
        middle, height = Qt.AlignmentFlag.AlignVCenter, float(self.height())
        painter.setPen(QColor(tones().soft_ink))
        painter.setFont(font(11, "sans", 600))
        painter.drawText(QRectF(2, 0, 14, height), middle, "▾" if self.is_open else "▸")
        painter.setPen(QColor(tones().ink))
        painter.setFont(font(14, "serif", italic=True))
        painter.drawText(QRectF(18, 0, NAME_WIDTH, height), middle, self.asked)
        wide = self.width() - 18 - NAME_WIDTH - FIGURE_WIDTH
        bar = QRectF(18 + NAME_WIDTH, height / 2 - 4, wide, 8)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(QColor(tones().rule))
        painter.drawRoundedRect(bar, 4, 4)
        share = 1 - math.exp2(-self.loss / HALF_FULL)
        is_plain = self.loss >= PLAINLY
        painter.setBrush(QColor(tones().ochre if is_plain else tones().teal))
        painter.drawRoundedRect(QRectF(bar.left(), bar.top(), max(wide * share, 5.0), bar.height()), 4, 4)
        painter.setPen(QColor(tones().ochre_ink if is_plain else tones().teal))
        painter.setFont(font(13, "sans", 600))
        painter.drawText(QRectF(self.width() - FIGURE_WIDTH + 8, 0, FIGURE_WIDTH - 8, height), middle, self.shown)

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Open or fold it."""
        if event.button() == Qt.MouseButton.LeftButton:
            self.toggled.emit(self.asked)

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Open or fold it with Return or the space bar."""
        if event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter, Qt.Key.Key_Space):
            self.toggled.emit(self.asked)
        else:
            event.ignore()
