"""What stands beside the line-up: the thing in hand, several of them, or what to do where nothing is gathered."""

from typing import TYPE_CHECKING

from PySide6.QtCore import QTimer
from PySide6.QtWidgets import QStackedWidget, QWidget

from jolly_ledge.app.steps.gather.nothing_yet import NothingYet
from jolly_ledge.app.steps.gather.several_panel import PANEL_WIDTH, SeveralPanel
from jolly_ledge.workspace.workspace import Workspace

if TYPE_CHECKING:
    # The line-up is seen before the forms of a thing are.
    from jolly_ledge.app.steps.gather.item_panel import ItemPanel


FRAME_MS = 16
"""The line-up is on the screen before the forms of a thing are made."""


class GatherSide(QStackedWidget):
    """Shows the panel that suits what is in hand.

    Each is made when first asked for; that of a thing, with its many forms, once the page beside it was painted.
    """

    def __init__(self, host: QWidget, workspace: Workspace) -> None:
        super().__init__(host)
        self._workspace = workspace
        self._several: SeveralPanel | None = None
        self._nothing_yet: NothingYet | None = None
        self._panel: ItemPanel | None = None
        self._later = QTimer(self)
        self._later.setSingleShot(True)
        self._later.setInterval(FRAME_MS)
        self._later.timeout.connect(self._show_panel)
        self.setFixedWidth(PANEL_WIDTH)

    @property
    def panel(self) -> "ItemPanel":
        """The panel for the thing in hand."""
        if self._panel is None:
            from jolly_ledge.app.steps.gather.item_panel import ItemPanel

            self._panel = ItemPanel(self, self._workspace)
            self._panel.setFixedWidth(self.width())
            self.addWidget(self._panel)
        return self._panel

    @property
    def several(self) -> SeveralPanel:
        """The panel for several things in hand."""
        if self._several is None:
            self._several = SeveralPanel(self._workspace)
            self._several.setFixedWidth(self.width())
            self.addWidget(self._several)
        return self._several

    @property
    def nothing_yet(self) -> NothingYet:
        """What is told where nothing is gathered."""
        if self._nothing_yet is None:
            self._nothing_yet = NothingYet(self.width())
            self.addWidget(self._nothing_yet)
        return self._nothing_yet

    def refresh(self) -> None:
        """Show what suits the things in hand."""
        if len(self._workspace.item_ids) > 1:
            self.several.refresh()
            self.setCurrentWidget(self.several)
        elif not self._workspace.plan.stash:
            self.setCurrentWidget(self.nothing_yet)
        elif self._panel is None:
            self._later.start()
        else:
            self.setCurrentWidget(self._panel)

    def _show_panel(self) -> None:
        self.setCurrentWidget(self.panel)
        self.refresh()
