"""The things that were found in a photograph, one line each."""

from functools import partial

from PySide6.QtCore import Signal
from PySide6.QtWidgets import QScrollArea, QVBoxLayout, QWidget

from jolly_ledge.app.steps.gather.laid_out_rows import LaidOutRow
from jolly_ledge.photos.laid_out import LaidOutThing
from jolly_ledge.workspace.workspace import Workspace

LOWEST = 150


class LaidOutList(QScrollArea):
    """Holds the lines; one of them is in hand."""

    changed = Signal()
    """What is said of a thing is another, or there are others, or another one is in hand."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self.rows: list[LaidOutRow] = []
        self.at = -1
        self.setWidgetResizable(True)
        inside = QWidget()
        self._column = QVBoxLayout(inside)
        self._column.setContentsMargins(0, 0, 6, 0)
        self._column.setSpacing(3)
        self._column.addStretch(1)
        self.setWidget(inside)
        self.setMinimumHeight(LOWEST)
        workspace.signals.length_unit_changed.connect(self._refresh)

    @property
    def told(self) -> list[LaidOutRow]:
        """The lines that say what their thing is."""
        return [row for row in self.rows if row.is_told]

    def add(self, thing: LaidOutThing, *, in_hand: bool = True) -> None:
        """Add a line for a thing, and take it in hand or leave in hand what is."""
        row = LaidOutRow(self._workspace, thing)
        row.changed.connect(self.changed)
        row.chosen.connect(partial(self._choose_row, row))
        row.removed.connect(partial(self.remove_row, row))
        self.rows.append(row)
        self._column.insertWidget(self._column.count() - 1, row)
        row.line.returnPressed.connect(partial(self._go_on_from, row))
        self.choose(len(self.rows) - 1 if in_hand else self.at)

    def _go_on_from(self, row: LaidOutRow) -> None:
        """Go on to the next line with Return."""
        at = self.rows.index(row) + 1
        if at < len(self.rows):
            self.choose(at)
            self.rows[at].line.setFocus()

    def choose(self, at: int) -> None:
        """Take a line in hand."""
        self.at = min(max(at, 0), len(self.rows) - 1)
        for number, row in enumerate(self.rows):
            row.show_number(number, is_chosen=number == self.at)
        if self.rows:
            self.ensureWidgetVisible(self.rows[self.at])
        self.changed.emit()

    def _choose_row(self, row: LaidOutRow) -> None:
        if row in self.rows:
            self.choose(self.rows.index(row))

    def remove(self, at: int) -> None:
        """Take a line away."""
        row = self.rows.pop(at)
        row.hide()
        row.deleteLater()
        self.choose(at)

    def remove_row(self, row: LaidOutRow) -> None:
        """Take a line away."""
        if row in self.rows:
            self.remove(self.rows.index(row))

    def clear(self) -> None:
        """Take all lines away."""
        while self.rows:
            self.remove(len(self.rows) - 1)

    def _refresh(self) -> None:
        for row in self.rows:
            row.refresh()
