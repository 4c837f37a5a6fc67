"""What stays out at a place where one works, and where the rest goes."""

from PySide6.QtWidgets import QVBoxLayout, QWidget

from jolly_ledge.app.widgets.plain_table import fill_row, plain_table
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.model.phrases import capital
from jolly_ledge.planning.stays_out import Stay, stays_out
from jolly_ledge.workspace.workspace import Workspace

COLUMNS = ("Thing", "What becomes of it", "Because")
WIDTHS = (240, 260, 420)
NOTHING = "No tools, machines or dishes stand in this look, and no task is told for the piece."


class AwayPage(QWidget):
    """A table with a row for everything one works with."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        self.table = plain_table(COLUMNS, WIDTHS, name="What stays out and what goes where")
        column.addWidget(self.table, 1)
        self.note = words("", "soft")
        column.addWidget(self.note)

    def refresh(self) -> None:
        """Show the look in hand."""
        workspace = self._workspace
        stays = stays_out(workspace.plan, workspace.arrangement) if workspace.look_id else ()
        self.table.setRowCount(len(stays))
        for index, stay in enumerate(stays):
            fill_row(self.table, index, (stay.item.label, said_of(stay), capital(stay.why)))
        self.note.setText(
            "Tasks are told in Brief or on the drawing (Shift+D), how often a thing is used in Gather under “In use”."
            if stays
            else NOTHING
        )


def said_of(stay: Stay) -> str:
    """Return what becomes of a thing, in words."""
    if stay.stays is None:
        return "stays until you say otherwise"
    return "stays out" if stay.stays else f"goes to {stay.where}"
