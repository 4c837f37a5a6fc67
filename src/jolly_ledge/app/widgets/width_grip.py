"""The inner edge of a side panel, by which it is drawn wider; its width is told when it is let go."""

from collections.abc import Callable

from PySide6.QtCore import QEvent, QObject, Qt
from PySide6.QtGui import QMouseEvent
from PySide6.QtWidgets import QWidget

from jolly_ledge.app.widgets.side_panel import SidePanel

GRIP_PX, MOST_WIDER_PX = 7, 220


class WidthGrip(QWidget):
    """Lies on the left edge of a panel; a double click gives the panel its usual width again.

    Parameters
    ----------
    panel : QWidget
        The panel, as narrow as it may become.
    wide : int
        How wide it was left, in pixels; 0 where nobody has changed it.
    on_width : callable
        Told the new width, in pixels.
    """

    def __init__(self, panel: QWidget, wide: int, on_width: Callable[[int], object]) -> None:
        super().__init__(panel)
        self._panel, self._on_width = panel, on_width
        self._least = panel.width() if panel.minimumWidth() == 0 else panel.minimumWidth()
        self._held: float | None = None
        self.setCursor(Qt.CursorShape.SplitHCursor)
        self.setToolTip("Draw the panel wider; a double click makes it as it was")
        self._wished = wide or self._least
        for watched in (panel, panel.window()):
            watched.installEventFilter(self)
        self._set_width()
        self._lie_on_the_edge()

    def eventFilter(self, watched: QObject, event: QEvent) -> bool:
        """Stay on the edge of the panel and above what it holds; give room back where the window becomes small."""
        if event.type() in (QEvent.Type.Resize, QEvent.Type.Show):
            if watched is not self._panel:
                self._set_width()
            self._lie_on_the_edge()
        return False

    def _lie_on_the_edge(self) -> None:
        self.setGeometry(0, 0, GRIP_PX, self._panel.height())
        self.raise_()

    def _set_width(self) -> None:
        """Make the panel as wide as was wished, as far as the window is wider than it need be."""
        window = self._panel.window()
        spare = max(window.width() - window.minimumWidth(), 0)
        wide = min(max(self._wished, self._least), self._least + min(MOST_WIDER_PX, spare))
        for widget in (self._panel, *self._panel.findChildren(SidePanel)):
            widget.setFixedWidth(wide)

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Take the edge in hand."""
        if event.button() == Qt.MouseButton.LeftButton:
            self._held = event.globalPosition().x() + self._panel.width()

    def mouseMoveEvent(self, event: QMouseEvent) -> None:
        """Draw the panel wider, or narrower again."""
        if self._held is not None:
            self._wished = round(self._held - event.globalPosition().x())
            self._set_width()

    def mouseReleaseEvent(self, event: QMouseEvent) -> None:
        """Let the edge go."""
        if self._held is not None:
            self._held = None
            self._on_width(self._panel.width())

    def mouseDoubleClickEvent(self, event: QMouseEvent) -> None:
        """Make the panel as wide as usual."""
        self._held = None
        self._wished = self._least
        self._set_width()
        self._on_width(self._least)
