"""What taking a list over would do, row by row, with a tick for each."""

from typing import Any

from PySide6.QtCore import QAbstractTableModel, QModelIndex, QPersistentModelIndex, Qt
from PySide6.QtGui import QColor

from jolly_ledge.app.tones import tones
from jolly_ledge.files.mapping import Doing, ImportRow
from jolly_ledge.model.item import Item
from jolly_ledge.workspace.workspace import Workspace

Index = QModelIndex | QPersistentModelIndex
HEADINGS = ("", "Thing", "Size", "Lives", "What will happen")
TAKEN: frozenset[Doing] = frozenset({"add", "change"})
VERBS: dict[Doing, str] = {
    "add": "new",
    "change": "changes",
    "same": "same",
    "twin": "twin?",
    "refuse": "cannot be read",
}


def ink_of(doing: Doing) -> str:
    """Return in which colour it is told what a row would do."""
    taken, doubtful = tones().teal, tones().ochre_ink
    inks: dict[Doing, str] = {"same": tones().soft_ink, "twin": doubtful, "refuse": tones().rust_ink}
    return inks.get(doing, taken)


class ArrivalsModel(QAbstractTableModel):
    """Rows of a list; those that are new or change something are ticked to begin with."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self.rows: tuple[ImportRow, ...] = ()
        self._ticked: list[bool] = []

    def show_rows(self, rows: tuple[ImportRow, ...]) -> None:
        """Show these rows."""
        self.beginResetModel()
        self.rows = rows
        self._ticked = [row.doing in TAKEN for row in rows]
        self.endResetModel()

    @property
    def taken(self) -> tuple[Item, ...]:
        """The things of the ticked rows."""
        return tuple(
            row.item for row, ticked in zip(self.rows, self._ticked, strict=True) if ticked and row.item is not None
        )

    def count(self, doing: Doing) -> int:
        """Return how many rows would do so."""
        return sum(1 for row in self.rows if row.doing == doing)

    def rowCount(self, parent: Index | None = None) -> int:
        """Return how many rows there are."""
        return 0 if parent is not None and parent.isValid() else len(self.rows)

    def columnCount(self, parent: Index | None = None) -> int:
        """Return how many columns there are."""
        return 0 if parent is not None and parent.isValid() else len(HEADINGS)

    def headerData(self, section: int, orientation: Qt.Orientation, role: int = Qt.ItemDataRole.DisplayRole) -> Any:
        """Return the heading of a column."""
        across = orientation == Qt.Orientation.Horizontal
        return HEADINGS[section] if across and role == Qt.ItemDataRole.DisplayRole else None

    def flags(self, index: Index) -> Qt.ItemFlag:
        """Return whether a cell can be ticked."""
        flags = Qt.ItemFlag.ItemIsEnabled | Qt.ItemFlag.ItemIsSelectable
        tickable = index.column() == 0 and self.rows[index.row()].item is not None
        return flags | Qt.ItemFlag.ItemIsUserCheckable if tickable else flags

    def data(self, index: Index, role: int = Qt.ItemDataRole.DisplayRole) -> Any:
        """Return what a cell shows."""
        row = self.rows[index.row()]
        if role == Qt.ItemDataRole.CheckStateRole and index.column() == 0 and row.item is not None:
            return Qt.CheckState.Checked if self._ticked[index.row()] else Qt.CheckState.Unchecked
        if role in (Qt.ItemDataRole.DisplayRole, Qt.ItemDataRole.ToolTipRole):
            return self._text(row, index.column())
        if role == Qt.ItemDataRole.ForegroundRole and index.column() == len(HEADINGS) - 1:
            return QColor(ink_of(row.doing))
        return None

    def _text(self, row: ImportRow, column: int) -> str:
        if column == len(HEADINGS) - 1:
            return f"{VERBS[row.doing]} · {row.sentence}"
        item = row.item
        if item is None:
            return f"row {row.number}" if column == 1 else ""
        if column == 2:
            sides = ("width", "height", "depth")
            *others, last = (self._workspace.length(getattr(item, side)) for side in sides)
            return " × ".join([*(length.rpartition(" ")[0] for length in others), last])
        return {1: item.label, 3: item.room}.get(column, "")

    def setData(self, index: Index, value: Any, role: int = Qt.ItemDataRole.EditRole) -> bool:
        """Tick a row or take its tick away."""
        if role != Qt.ItemDataRole.CheckStateRole or index.column() != 0:
            return False
        self._ticked[index.row()] = Qt.CheckState(value) == Qt.CheckState.Checked
        self.dataChanged.emit(index, index, [role])
        return True
