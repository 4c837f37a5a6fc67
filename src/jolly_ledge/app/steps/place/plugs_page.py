"""Where everything is plugged in, what its cord does, and what is drawn on each socket by what runs together."""

from PySide6.QtCore import Qt
from PySide6.QtWidgets import QTableWidgetItem, QVBoxLayout, QWidget

from jolly_ledge.app.widgets.plain_table import fill_row, plain_table
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.cautions.register import CLOSING
from jolly_ledge.planning.plug_table import PlugRow, loads, plug_rows
from jolly_ledge.workspace.workspace import Workspace

COLUMNS = ("Thing", "Plugged into", "Draws", "Its cord", "From the front", "Seen by people")
WIDTHS = (200, 180, 76, 220, 200, 260)
NOTHING = "Nothing with a cord stands in this look."


class PlugsPage(QWidget):
    """A table with a row for every cord, and the sums under it; a tick tells what runs together."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self._rows: tuple[PlugRow, ...] = ()
        self._resting: set[str] = set()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        self.table = plain_table(COLUMNS, WIDTHS, name="What is plugged in where")
        self.table.setWordWrap(True)
        self.table.itemChanged.connect(self._tick)
        column.addWidget(self.table, 1)
        column.addWidget(words("What is ticked runs at the same time; take a tick away to see the rest alone.", "soft"))
        self.loads = words("")
        column.addWidget(self.loads)
        column.addWidget(words(f"Labels for both ends of each cord are under “On paper”. {CLOSING}", "small"))

    def refresh(self) -> None:
        """Show the cords of the look in hand."""
        workspace = self._workspace
        self._rows = plug_rows(workspace.arrangement, workspace.length_unit) if workspace.look_id else ()
        self._resting &= {row.placement for row in self._rows}
        self.table.blockSignals(True)
        self.table.setRowCount(len(self._rows))
        for index, row in enumerate(self._rows):
            fill_row(self.table, index, (row.thing, row.socket, row.draws, row.cord, row.seen, row.elsewhere))
            runs = row.placement not in self._resting
            cell = self.table.item(index, 0)
            assert cell is not None
            cell.setCheckState(Qt.CheckState.Checked if runs else Qt.CheckState.Unchecked)
        self.table.blockSignals(False)
        self.table.fit_columns()
        self._show_loads()

    def _tick(self, cell: QTableWidgetItem) -> None:
        """Let a thing run with the others, or rest."""
        if cell.column() == 0 and cell.row() < len(self._rows):
            placement = self._rows[cell.row()].placement
            if cell.checkState() is Qt.CheckState.Checked:
                self._resting.discard(placement)
            else:
                self._resting.add(placement)
            self._show_loads()

    def _show_loads(self) -> None:
        said = loads(self._workspace.arrangement, self._resting) if self._rows else (NOTHING,)
        self.loads.setText("\n".join(said) or "Nothing runs.")
