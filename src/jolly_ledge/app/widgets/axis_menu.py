"""The axes that what is chosen can be centred on, as a list."""

from collections.abc import Callable
from functools import partial

from PySide6.QtGui import QCursor
from PySide6.QtWidgets import QMenu, QWidget

from jolly_ledge.geometry.axes import Axis, axes_of
from jolly_ledge.workspace.workspace import Workspace


class AxisMenu(QMenu):
    """Lists the axes of the ledge on which the chosen things stand."""

    def __init__(self, parent: QWidget, workspace: Workspace, on_axis: Callable[[Axis], object]) -> None:
        super().__init__(parent)
        self._workspace, self._on_axis = workspace, on_axis

    def pop_up(self) -> None:
        """Open at the pointer."""
        self.fill()
        self.popup(QCursor.pos())

    def fill(self) -> None:
        """List the axes."""
        self.clear()
        chosen = self._workspace.chosen_placed
        if not chosen:
            self.addAction("Choose a thing first").setEnabled(False)
            return
        for axis in axes_of(self._workspace.piece, chosen[0].ledge):
            self.addAction(f"Centre on {axis.name}", partial(self._on_axis, axis))
