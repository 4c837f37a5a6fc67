"""Where everything is plugged in, what its cord does, and what is drawn on each socket."""

from PySide6.QtWidgets import QVBoxLayout, QWidget

from jolly_ledge.app.widgets.plain_table import fill_row, plain_table
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.cautions.register import CLOSING
from jolly_ledge.planning.plug_table import loads, plug_rows
from jolly_ledge.workspace.workspace import Workspace

COLUMNS = ("Thing", "Plugged into", "Draws", "Its cord", "From the front")
WIDTHS = (210, 200, 76, 250, 250)


class PlugsPage(QWidget):
    """A table with a row for every cord, and the sums under it."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        self.table = plain_table(COLUMNS, WIDTHS, name="What is plugged in where")
        column.addWidget(self.table, 1)
        self.loads = words("")
        column.addWidget(self.loads)
        column.addWidget(words(f"Labels for both ends of each cord are under “On paper”. {CLOSING}", "small"))

    def refresh(self) -> None:
        """Show the cords of the look in hand."""
        workspace = self._workspace
        rows = plug_rows(workspace.arrangement, workspace.length_unit) if workspace.look_id else ()
        self.table.setRowCount(len(rows))
        for index, row in enumerate(rows):
            fill_row(self.table, index, (row.thing, row.socket, row.draws, row.cord, row.seen))
        said = loads(workspace.arrangement) if rows else ("Nothing with a cord stands in this look.",)
        self.loads.setText("\n".join(said))
