"""One reading as a line: its name, its vial, its figure."""

from collections.abc import Callable

from PySide6.QtCore import QEvent, QPoint, QRectF, Qt, Signal
from PySide6.QtGui import (
    QColor,
    QContextMenuEvent,
    QEnterEvent,
    QFocusEvent,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPaintEvent,
)
from PySide6.QtWidgets import QWidget

from jolly_ledge.app.tones import tones
from jolly_ledge.app.widgets.vial import Vial, paint_vial
from jolly_ledge.model.mishaps import survives
from jolly_ledge.readings.absence import absence_said
from jolly_ledge.readings.reading import Reading
from jolly_ledge.readings.register import ReadingEntry
from jolly_ledge.render.fonts import font

ROW_HEIGHT = 22
NAME_WIDTH, FIGURE_WIDTH = 110.0, 86.0


class ReadingRow(QWidget):
    """Shows one reading; pointing at it shows its things on the drawing.

    It paints itself, for while a thing is carried it changes with every step of the pointer.
    """

    menu_asked = Signal(QPoint)
    """What can be done with the reading is asked for, at a point of the screen."""

    explanation_asked = Signal()
    """What it means is asked for: by a press, or by Return."""

    def __init__(self, entry: ReadingEntry, on_point: Callable[["ReadingRow | None"], object]) -> None:
        super().__init__()
        self.entry = entry
        self.reading: Reading | None = None
        self.vial: Vial | None = None
        self._on_point = on_point
        self._pointed = False
        self.setFocusPolicy(Qt.FocusPolicy.TabFocus)
        # It fills itself: the panel behind need not be painted anew with every step of a drag.
        self.setAttribute(Qt.WidgetAttribute.WA_OpaquePaintEvent)
        self.setFixedHeight(ROW_HEIGHT)

    @property
    def shown(self) -> str:
        """The figure beside the vial."""
        return "–" if self.reading is None else self.reading.shown

    def show_reading(self, reading: Reading | None) -> None:
        """Show a reading; None shows that it does not apply."""
        before = (self.vial, self.shown)
        self.reading = reading
        self.vial = None if reading is None else Vial.of(reading)
        if (self.vial is None) != (before[0] is None):
            self.update()
        elif (self.vial, self.shown) != before:
            # The name stays.
            self.update(round(NAME_WIDTH), 0, self.width(), self.height())

    def describe(self, told: Callable[[str], str] = str) -> None:
        """Tell the sentence to those who ask for it: a tip, and a name for those who cannot see."""
        sentence = absence_said(self.entry.id) if self.reading is None else told(self.reading.sentence)
        self.setToolTip(sentence)
        self.setAccessibleName(f"{self.entry.name}: {sentence}")

    def _point(self, pointed: bool) -> None:
        self._pointed = pointed
        self._on_point(self if pointed else None)
        self.update()

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the line; tint it when it is pointed at."""
        painter = QPainter(self)
        painter.fillRect(self.rect(), QColor(tones().sheet))
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        if self._pointed:
            painter.setPen(Qt.PenStyle.NoPen)
            painter.setBrush(QColor(tones().plum_tint))
            painter.drawRoundedRect(self.rect(), 6, 6)
        height, middle = float(self.height()), Qt.AlignmentFlag.AlignVCenter
        painter.setFont(font(13, "sans", 600))
        painter.setPen(QColor(tones().ink if self.vial is not None else tones().soft_ink))
        if event.rect().left() < round(NAME_WIDTH):
            painter.drawText(QRectF(6, 0, NAME_WIDTH, height), middle, self.entry.name)
        if self.vial is not None:
            paint_vial(painter, self.vial, QRectF(NAME_WIDTH, 0, self.width() - NAME_WIDTH - FIGURE_WIDTH, height))
            painter.setPen(QColor(tones().teal if self.vial.is_good else tones().ochre_ink))
        painter.drawText(QRectF(self.width() - FIGURE_WIDTH + 6, 0, FIGURE_WIDTH - 6, height), middle, self.shown)

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Ask what it means."""
        if event.button() == Qt.MouseButton.LeftButton:
            self.explanation_asked.emit()

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Ask what it means with Return or space."""
        if event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter, Qt.Key.Key_Space):
            self.explanation_asked.emit()
        else:
            event.ignore()

    def enterEvent(self, event: QEnterEvent) -> None:
        """Point at its things."""
        self._point(True)

    def leaveEvent(self, event: QEvent) -> None:
        """Point at nothing."""
        self._point(False)

    def focusInEvent(self, event: QFocusEvent) -> None:
        """Point at its things."""
        self._point(True)
        super().focusInEvent(event)

    def focusOutEvent(self, event: QFocusEvent) -> None:
        """Point at nothing."""
        self._point(False)
        super().focusOutEvent(event)

    def contextMenuEvent(self, event: QContextMenuEvent) -> None:
        """Ask what can be done with it."""
        self.menu_asked.emit(event.globalPos())
        event.accept()
