"""What stands beside the line-up: the thing in hand, several of them, or what to do where nothing is gathered."""

from PySide6.QtWidgets import QStackedWidget, QWidget

from jolly_ledge.app.steps.gather.item_panel import ItemPanel
from jolly_ledge.app.steps.gather.nothing_yet import NothingYet
from jolly_ledge.app.steps.gather.several_panel import SeveralPanel
from jolly_ledge.workspace.workspace import Workspace


class GatherSide(QStackedWidget):
    """Shows the panel that suits what is in hand; those that are seldom seen are made when first asked for."""

    def __init__(self, host: QWidget, workspace: Workspace) -> None:
        super().__init__(host)
        self._workspace = workspace
        self._several: SeveralPanel | None = None
        self._nothing_yet: NothingYet | None = None
        self.panel = ItemPanel(self, workspace)
        self.addWidget(self.panel)
        self.setFixedWidth(self.panel.width())

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
        else:
            self.setCurrentWidget(self.panel if self._workspace.plan.stash else self.nothing_yet)
