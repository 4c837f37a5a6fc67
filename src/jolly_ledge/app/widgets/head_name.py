"""A name in the head of a page that opens a list when it is pressed."""

from typing import Literal

from PySide6.QtCore import QSize, Qt
from PySide6.QtGui import QFontMetrics
from PySide6.QtWidgets import QPushButton, QSizePolicy

from jolly_ledge.render.fonts import font

MARK, ROOM = " ▾", 10


class HeadName(QPushButton):
    """Shows a name whole, as it was written; the leading one bears a small mark that more lies under it."""

    def __init__(self, family: Literal["serif", "sans"], size: int, *, weight: int = 400, italic: bool = False) -> None:
        super().__init__()
        self.setObjectName("head-name" if not italic else "head-aside")
        self.setFont(font(size, family, weight, italic=italic))
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self.setSizePolicy(QSizePolicy.Policy.Preferred, QSizePolicy.Policy.Fixed)
        self.name, self._mark = "", "" if italic else MARK

    def show_name(self, name: str) -> None:
        """Show a name; nothing where there is none."""
        self.name = name
        # An ampersand would be taken for the mark of a key.
        self.setText(f"{name}{self._mark}".replace("&", "&&") if name else "")
        self.setAccessibleName(name)
        self.setVisible(bool(name))

    def sizeHint(self) -> QSize:
        """Return the room of the name alone."""
        metrics = QFontMetrics(self.font())
        return QSize(metrics.horizontalAdvance(f"{self.name}{self._mark}") + ROOM, metrics.height() + 2)
