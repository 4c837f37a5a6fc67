"""The sheet at the right of a page, scrolled when it is long."""

from PySide6.QtCore import QEvent, Qt
from PySide6.QtWidgets import QApplication, QFrame, QScrollArea, QVBoxLayout, QWidget


class SidePanel(QScrollArea):
    """Holds what is told beside the drawing, in one column.

    Parameters
    ----------
    width : int
        In pixels.
    host : QWidget, optional
        What will show it.
    """

    def __init__(self, width: int, host: QWidget | None = None) -> None:
        super().__init__(host)
        self.setObjectName("sidePanel")
        self.setFixedWidth(width)
        self.setWidgetResizable(True)
        self.setFrameShape(QFrame.Shape.NoFrame)
        self.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.inside = QWidget()
        self.column = QVBoxLayout(self.inside)
        self.column.setContentsMargins(16, 14, 14, 12)
        self.column.setSpacing(6)
        self.setWidget(self.inside)

    def make_room(self) -> None:
        """Give the column the height it wants now: left to its turn it would be painted squeezed for a moment."""
        self.column.activate()
        QApplication.sendEvent(self, QEvent(QEvent.Type.LayoutRequest))
