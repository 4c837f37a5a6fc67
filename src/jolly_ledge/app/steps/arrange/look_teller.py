"""Tells the look and what is in hand in words, to who hears the window instead of seeing it."""

from PySide6.QtWidgets import QWidget

from jolly_ledge.texts.look_told import look_told, placed_told
from jolly_ledge.workspace.workspace import Workspace

DRAWN = "The look, drawn to scale"


class LookTeller:
    """Keeps name and description of the drawing true."""

    def __init__(self, workspace: Workspace, view: QWidget) -> None:
        self._workspace, self._view = workspace, view
        workspace.signals.changed.connect(self.tell)
        workspace.signals.chosen.connect(self.tell)
        self.tell()

    def tell(self) -> None:
        """Tell the look as it is now."""
        workspace = self._workspace
        if not workspace.look_id:
            return
        chosen = workspace.chosen_placed
        in_hand = f"; in hand: {'; '.join(placed_told(one, workspace.length) for one in chosen)}" if chosen else ""
        self._view.setAccessibleName(f"{DRAWN}{in_hand}")
        self._view.setAccessibleDescription(look_told(workspace.arrangement))
