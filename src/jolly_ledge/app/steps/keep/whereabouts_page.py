"""Where is it? A search over the plan in hand and the plans of other clients."""

from collections.abc import Callable
from pathlib import Path

from PySide6.QtCore import QTimer
from PySide6.QtWidgets import QLineEdit, QVBoxLayout, QWidget

from jolly_ledge.app.widgets.plain_table import fill_row, plain_table
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.files.errors import FileError
from jolly_ledge.files.plan_file import open_plan
from jolly_ledge.model.phrases import capital, counted
from jolly_ledge.model.plan import Plan
from jolly_ledge.planning.whereabouts import Whereabouts, over_all
from jolly_ledge.workspace.workspace import Workspace

COLUMNS = ("Thing", "Where it is now", "Borrowed and due", "Client")
WIDTHS = (200, 420, 260, 150)
SEARCH_AFTER_MS = 180
MOST_ROWS = 400


class WhereaboutsPage(QWidget):
    """A search line over a table."""

    def __init__(self, workspace: Workspace, clients: Callable[[], tuple[Path, ...]]) -> None:
        super().__init__()
        self._workspace = workspace
        self._clients = clients
        self._plans: dict[Path, tuple[tuple[int, int], Plan | None]] = {}
        self.found: tuple[Whereabouts, ...] = ()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        self.search_field = QLineEdit()
        self.search_field.setPlaceholderText("urn, brass, study …")
        self.search_field.setAccessibleName("What is looked for")
        self.search_field.setMinimumHeight(34)
        self._later = QTimer(self)
        self._later.setSingleShot(True)
        self._later.setInterval(SEARCH_AFTER_MS)
        self._later.timeout.connect(self.refresh)
        self.search_field.textChanged.connect(lambda _: self._later.start())
        self.search_field.returnPressed.connect(self.refresh)
        column.addWidget(self.search_field)
        self.about = words("", "soft")
        column.addWidget(self.about)
        self.table = plain_table(COLUMNS, WIDTHS, name="Where things are")
        self.table.cellDoubleClicked.connect(lambda row, _: self._show(row))
        column.addWidget(self.table, 1)

    def refresh(self) -> None:
        """Search anew, in the plan in hand and in those of the others as they are on disk."""
        workspace = self._workspace
        clients = [(workspace.plan.name or "this plan", workspace.plan)]
        unread = 0
        own = workspace.document.file.path.absolute() if workspace.document.file is not None else None
        for path in self._clients():
            if path != own:
                plan = self._plan_in(path)
                unread += plan is None
                clients += [(plan.name or path.stem, plan)] if plan is not None else []
        self.found = over_all(clients, self.search_field.text())
        self.table.setRowCount(min(len(self.found), MOST_ROWS))
        for row, one in enumerate(self.found[:MOST_ROWS]):
            fill_row(self.table, row, (one.item.label, one.said, one.due, one.client))
        lost = f" {capital(counted(unread, 'other plan'))} cannot be read." if unread else ""
        many = f", the first {MOST_ROWS} shown" if len(self.found) > MOST_ROWS else ""
        self.about.setText(
            f"{capital(counted(len(self.found), 'thing'))} of {counted(len(clients), 'client')}{many}; plans that were "
            f"open lately are looked through, and those beside them.{lost}"
        )

    def _plan_in(self, path: Path) -> Plan | None:
        """Return the plan of another client, read anew only when its file is another; None where it cannot be read."""
        try:
            told = path.stat()
            stamp = (told.st_mtime_ns, told.st_size)
            kept = self._plans.get(path)
            if kept is None or kept[0] != stamp:
                self._plans[path] = (stamp, open_plan(path)[0])
            return self._plans[path][1]
        except (OSError, FileError):
            return None

    def _show(self, row: int) -> None:
        """Take the look in hand that a thing of this plan stands in, and show it there."""
        workspace, one = self._workspace, self.found[row]
        if not one.look or one.client != (workspace.plan.name or "this plan"):
            return
        workspace.choose_look(one.look)
        placed = next((s for s in workspace.arrangement.placed_items if s.item.id == one.item.id), None)
        if placed is not None:
            workspace.choose(placed.id)
        workspace.signals.step_asked.emit("Arrange")
