"""A colour that can be typed, or picked from what the stash already holds."""

from collections.abc import Callable, Sequence

from PySide6.QtCore import QSize, Qt
from PySide6.QtGui import QColor, QIcon, QPainter, QPixmap
from PySide6.QtWidgets import QHBoxLayout, QLineEdit, QMenu, QPushButton, QWidget

from jolly_ledge.model.colour import darker, family_name

SWATCH = 18
COMMON = (
    "#f5f1e6", "#e6dcc6", "#c9b28c", "#a5835c", "#6f4a2f", "#33302e", "#22252a", "#8b8f90", "#c4663c", "#b9812a",
    "#c9a24b", "#8c3f2f", "#7b3b57", "#25405c", "#7fa3b3", "#1f6f72", "#66874f", "#b0c09a", "#d9a9a0", "#3f4f5a",
)  # fmt: skip
"""Plain starting colours; the exact one can be typed."""


def swatch(colour: str, size: int = SWATCH) -> QIcon:
    """Return a round swatch."""
    pixmap = QPixmap(QSize(size, size))
    pixmap.fill(Qt.GlobalColor.transparent)
    painter = QPainter(pixmap)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    painter.setPen(QColor(darker(colour, 0.35)))
    painter.setBrush(QColor(colour))
    painter.drawEllipse(1, 1, size - 3, size - 3)
    painter.end()
    return QIcon(pixmap)


class ColourButton(QWidget):
    """Shows a colour with its name in plain words; press to pick another, or type its code."""

    def __init__(
        self, on_colour: Callable[[str], object], name: str, extra: Callable[[], Sequence[str]] = tuple
    ) -> None:
        super().__init__()
        self._on_colour = on_colour
        self._extra = extra
        self._colour = "#000000"
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(6)
        self.button = QPushButton()
        self.button.setMinimumHeight(28)
        self.button.setAccessibleName(name)
        self.button.setToolTip(name)
        self.button.clicked.connect(self._pick)
        self.code = QLineEdit()
        self.code.setFixedWidth(82)
        self.code.setAccessibleName(f"{name}, as a code")
        self.code.editingFinished.connect(self._typed)
        row.addWidget(self.button, 1)
        row.addWidget(self.code)

    def show_colour(self, colour: str) -> None:
        """Show a colour without telling anyone."""
        self._colour = colour
        self.button.setIcon(swatch(colour))
        self.button.setText(family_name(colour))
        if not self.code.hasFocus():
            self.code.setText(colour)

    def menu(self) -> QMenu:
        """Return the menu of colours."""
        menu = QMenu(self)
        for colour in dict.fromkeys((*self._extra(), *COMMON)):
            action = menu.addAction(swatch(colour), f"{family_name(colour)}  {colour}")
            action.triggered.connect(lambda _=False, colour=colour: self._take(colour))
        return menu

    def _pick(self) -> None:
        self.menu().popup(self.button.mapToGlobal(self.button.rect().bottomLeft()))

    def _typed(self) -> None:
        text = self.code.text().strip().lower()
        text = text if text.startswith("#") else f"#{text}"
        if QColor(text).isValid() and len(text) == 7:
            if text != self._colour:
                self._take(text)
        else:
            self.code.setText(self._colour)

    def _take(self, colour: str) -> None:
        self.show_colour(colour)
        self._on_colour(colour)
