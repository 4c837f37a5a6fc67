"""Gives a page its least room on a screen that has less, and scrolls it there."""

from PySide6.QtCore import QSize, Qt
from PySide6.QtGui import QResizeEvent
from PySide6.QtWidgets import QScrollArea, QWidget

from jolly_ledge.model.mishaps import survives


class LeastRoom(QScrollArea):
    """Shows a page as large as there is room for, and never smaller than its least size.

    Parameters
    ----------
    page : QWidget
        What is shown; what it asks for itself is not heard.
    least : QSize
        In pixels.
    """

    def __init__(self, page: QWidget, least: QSize) -> None:
        super().__init__()
        self._page, self._least = page, least
        self.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        self.setWidget(page)

    @survives
    def resizeEvent(self, event: QResizeEvent) -> None:
        """Give the page the room there is."""
        super().resizeEvent(event)
        self._page.resize(self.maximumViewportSize().expandedTo(self._least))

    def show_start(self) -> None:
        """Show the upper left corner of the page."""
        for bar in (self.horizontalScrollBar(), self.verticalScrollBar()):
            bar.setValue(0)
