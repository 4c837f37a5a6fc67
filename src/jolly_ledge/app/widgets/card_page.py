"""A page of cards that follows the plan while it is shown."""

from PySide6.QtCore import Qt, Signal
from PySide6.QtGui import QShowEvent
from PySide6.QtWidgets import QScrollArea, QVBoxLayout, QWidget

from jolly_ledge.app.widgets.page_head import PageHead
from jolly_ledge.model.mishaps import survives
from jolly_ledge.workspace.workspace import Workspace


class CardPage(QWidget):
    """A head with the way back over cards, which are made anew when the plan changes."""

    left = Signal()

    def __init__(self, workspace: Workspace, title: str, about: str, back: str) -> None:
        super().__init__()
        self._workspace = workspace
        self.column = QVBoxLayout(self)
        self.column.setContentsMargins(0, 2, 0, 0)
        self.column.setSpacing(8)
        self.page_head = PageHead(title, about, back, self.left.emit)
        self.column.addLayout(self.page_head)
        self.area = QScrollArea()
        self.area.setWidgetResizable(True)
        self.area.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.column.addWidget(self.area, 1)
        workspace.signals.changed.connect(self._refresh_if_shown)

    @survives
    def showEvent(self, event: QShowEvent) -> None:
        """Catch up with the plan."""
        super().showEvent(event)
        self.refresh()

    def _refresh_if_shown(self) -> None:
        if self.isVisible():
            self.refresh()

    def refresh(self) -> None:
        """Show what there is now."""
        inside = QWidget()
        column = QVBoxLayout(inside)
        column.setContentsMargins(0, 0, 4, 0)
        column.setSpacing(7)
        self.add_cards(column)
        column.addStretch(1)
        self.area.setWidget(inside)

    def add_cards(self, column: QVBoxLayout) -> None:
        """Add a card for everything there is; every page says how."""
