"""One reading as a line: its name, its vial, its figure."""

from collections.abc import Callable

from PySide6.QtCore import QEvent, Qt
from PySide6.QtGui import QColor, QEnterEvent, QFocusEvent, QPainter, QPaintEvent
from PySide6.QtWidgets import QHBoxLayout, QWidget

from jolly_ledge.app.widgets.texts import words
from jolly_ledge.app.widgets.vial import Vial
from jolly_ledge.drawing.theme import OCHRE_INK, PLUM_TINT, TEAL
from jolly_ledge.readings.reading import Reading
from jolly_ledge.readings.register import Entry


class ReadingRow(QWidget):
    """Shows one reading; pointing at it shows its things on the drawing."""

    def __init__(self, entry: Entry, on_point: Callable[["ReadingRow | None"], object]) -> None:
        super().__init__()
        self.entry = entry
        self.reading: Reading | None = None
        self._on_point = on_point
        self._pointed = False
        self.setFocusPolicy(Qt.FocusPolicy.TabFocus)
        self.setFixedHeight(25)
        row = QHBoxLayout(self)
        row.setContentsMargins(6, 0, 4, 0)
        row.setSpacing(6)
        self._name = words(entry.name, wrap=False)
        self._name.setStyleSheet("font-weight: 600; font-size: 13px;")
        self._name.setFixedWidth(104)
        self.vial = Vial()
        self._shown = words("", wrap=False)
        self._shown.setFixedWidth(78)
        row.addWidget(self._name)
        row.addWidget(self.vial, 1)
        row.addWidget(self._shown)

    @property
    def shown(self) -> str:
        """The figure beside the vial."""
        return self._shown.text()

    def show_reading(self, reading: Reading | None) -> None:
        """Show a reading; None shows that it does not apply."""
        self.reading = reading
        self.setEnabled(reading is not None)
        self.vial.setVisible(reading is not None)
        text = "–" if reading is None else reading.shown
        if self._shown.text() != text:
            self._shown.setText(text)
        colour = "#6d6a63" if reading is None else TEAL if reading.is_good else OCHRE_INK
        style = f"color: {colour}; font-size: 13px; font-weight: 600;"
        if self._shown.styleSheet() != style:
            self._shown.setStyleSheet(style)
        if reading is not None:
            self.vial.show_reading(reading)
            self.setToolTip(reading.sentence)
            self.setAccessibleName(f"{self.entry.name}: {reading.sentence}")

    def _point(self, pointed: bool) -> None:
        self._pointed = pointed
        self._on_point(self if pointed else None)
        self.update()

    def paintEvent(self, event: QPaintEvent) -> None:
        """Tint the line that is pointed at."""
        if self._pointed:
            painter = QPainter(self)
            painter.setPen(Qt.PenStyle.NoPen)
            painter.setBrush(QColor(PLUM_TINT))
            painter.drawRoundedRect(self.rect(), 6, 6)

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
