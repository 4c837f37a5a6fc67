"""Where the readings stand beside the drawing: it takes its room at once and is filled once the look was painted."""

from typing import TYPE_CHECKING

from PySide6.QtCore import Qt
from PySide6.QtWidgets import QVBoxLayout, QWidget

from jolly_ledge.workspace.workspace import Workspace

if TYPE_CHECKING:
    from jolly_ledge.app.steps.arrange.reading_panel import ReadingPanel

COLUMN_WIDTH = 344


class ReadingColumn(QWidget):
    """Holds the panel of the readings, which the first picture does not wait for."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self._panel: ReadingPanel | None = None
        self.setObjectName("sidePanel")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.setFixedWidth(COLUMN_WIDTH)
        column = QVBoxLayout(self)
        column.setContentsMargins(12, 12, 8, 8)

    @property
    def panel(self) -> "ReadingPanel":
        """The readings, made when they are first asked for."""
        if self._panel is None:
            from jolly_ledge.app.steps.arrange.reading_panel import ReadingPanel

            self._panel = ReadingPanel(self._workspace)
            layout = self.layout()
            assert layout is not None
            layout.addWidget(self._panel)
        return self._panel

    def begin(self) -> None:
        """Read for the first time, once the look is seen."""
        self.panel.begin()
