"""Many things at once, from a table or a list: what would happen is shown before it does."""

from pathlib import Path

from PySide6.QtCore import Qt, QTimer, Signal
from PySide6.QtWidgets import (
    QAbstractItemView,
    QHBoxLayout,
    QHeaderView,
    QPlainTextEdit,
    QPushButton,
    QTableView,
    QVBoxLayout,
    QWidget,
)

from jolly_ledge.app.steps.gather.arrivals_model import ArrivalsModel
from jolly_ledge.app.steps.gather.mapping_strip import MappingStrip
from jolly_ledge.app.widgets.page_head import PageHead
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.edits.items import TakeOverItems
from jolly_ledge.files.errors import FileError
from jolly_ledge.files.mapping import guessed_mapping, preview, preview_lines, preview_things
from jolly_ledge.files.table import Table, read_list
from jolly_ledge.model.entry.parser import parse_list
from jolly_ledge.model.item import Item
from jolly_ledge.model.phrases import capital, counted
from jolly_ledge.workspace.workspace import Workspace

PAUSE_MS = 150
"""A typed list is read this long after the last key."""

EXAMPLE = (
    "vase stoneware 18x32 sand rough hall 2.1kg\n8 books linen 15-24 tall muted study\nborrowed: brass lamp 45 tall"
)


class ArrivalsPage(QWidget):
    """The page on which a table or a list is taken over."""

    left = Signal()

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self._table: Table | None = None
        self._things: tuple[Item, ...] | None = None
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 2, 0, 0)
        column.setSpacing(8)
        self.page_head = PageHead("", "", "Back to the line-up", self.left.emit)
        column.addLayout(self.page_head)
        self.list_field = QPlainTextEdit()
        self.list_field.setAccessibleName("A list of things, one on each line")
        self.list_field.setPlaceholderText(EXAMPLE)
        self.list_field.setFixedHeight(150)
        self.list_field.setAccessibleName("A list, one line for each kind of thing")
        self.strip = MappingStrip(self.refresh)
        column.addWidget(self.list_field)
        column.addWidget(self.strip)
        self.model = ArrivalsModel(workspace)
        self.view = QTableView()
        self.view.setModel(self.model)
        self.view.setSelectionBehavior(QAbstractItemView.SelectionBehavior.SelectRows)
        self.view.verticalHeader().hide()
        self.view.verticalHeader().setDefaultSectionSize(30)
        self.view.setShowGrid(False)
        self.view.setAlternatingRowColors(True)
        header = self.view.horizontalHeader()
        for index, width in enumerate((36, 220, 150, 110)):
            self.view.setColumnWidth(index, width)
        header.setDefaultAlignment(Qt.AlignmentFlag.AlignLeft | Qt.AlignmentFlag.AlignVCenter)
        header.setSectionResizeMode(4, QHeaderView.ResizeMode.Stretch)
        column.addWidget(self.view, 1)
        row = QHBoxLayout()
        self.said = words("", "soft")
        self.take_button = QPushButton()
        self.take_button.setObjectName("primary")
        self.take_button.setMinimumHeight(32)
        self.take_button.clicked.connect(self.take)
        row.addWidget(self.said, 1)
        row.addWidget(self.take_button)
        column.addLayout(row)
        self._reader = QTimer(self)
        self._reader.setSingleShot(True)
        self._reader.setInterval(PAUSE_MS)
        self._reader.timeout.connect(self.refresh)
        self.list_field.textChanged.connect(self._reader.start)
        self.model.dataChanged.connect(lambda *_: self._show_sum())

    # What is shown

    def show_list(self, text: str = "") -> None:
        """Show a list to type or paste into."""
        self._table = self._things = None
        self.page_head.title.setText("A list of things")
        self.page_head.about.setText("one line for each kind of thing, in any order of words")
        self.list_field.show()
        self.strip.hide()
        self.list_field.setPlainText(text)
        self.refresh()
        self.list_field.setFocus()

    def load(self, path: Path) -> bool:
        """Show a table from a file; a refusal is told. Return whether it is shown."""
        try:
            found = read_list(path)
        except FileError as error:
            self._workspace.signals.refused.emit(str(error))
            return False
        self.list_field.hide()
        self.page_head.title.setText(path.name)
        if isinstance(found, Table):
            self._table, self._things = found, None
            self.page_head.about.setText("say what its columns mean; nothing is taken over yet")
            self.strip.show_table(found, guessed_mapping(found, self._workspace.length_unit))
        else:
            self._table, self._things = None, found
            self.page_head.about.setText("written by this program; nothing is taken over yet")
        self.strip.setVisible(self._table is not None)
        self.refresh()
        return True

    def refresh(self) -> None:
        """Find out anew what taking over would do."""
        self._reader.stop()
        workspace = self._workspace
        stash = workspace.plan.stash
        if self._table is not None:
            rows = preview(self._table, self.strip.mapping, stash)
        elif self._things is not None:
            rows = preview_things(self._things, stash)
        else:
            rows = preview_lines(parse_list(self.list_field.toPlainText(), workspace.length_unit, stash), stash)
        self.model.show_rows(rows)
        self._show_sum()

    def _show_sum(self) -> None:
        model = self.model
        parts = []
        for doing, one, many in (
            ("add", "is new", "are new"),
            ("change", "changes what is there", "change what is there"),
            ("same", "is there already", "are there already"),
            (
                "twin",
                "looks like one that is there; tick it to have both",
                "look like some that are there; tick to have both",
            ),
            ("refuse", "row cannot be read", "rows cannot be read"),
        ):
            count = model.count(doing)  # type: ignore[arg-type]
            if count:
                parts.append(f"{counted(count, one, many)}")
        self.said.setText(f"{capital('; '.join(parts))}." if parts else "Nothing is listed yet.")
        count = len(model.taken)
        self.take_button.setText(f"Take over {counted(count, 'thing')}")
        self.take_button.setEnabled(count > 0)

    def take(self) -> None:
        """Take the ticked things over as one step."""
        items = self.model.taken
        if items and self._workspace.commit(TakeOverItems(items=items)):
            self._workspace.signals.told.emit(
                f"{capital(counted(len(items), 'thing'))} taken over; Undo takes them back."
            )
            self.list_field.clear()
            self.left.emit()
            self._workspace.choose_items(tuple(item.id for item in items[-1:]))
