"""What is fetched from which room, what is needed, what is heavy, what goes back, and how long it takes."""

from PySide6.QtCore import Qt
from PySide6.QtWidgets import QCheckBox, QHBoxLayout, QScrollArea, QVBoxLayout, QWidget

from jolly_ledge.app.widgets.texts import BoardLine, heading, words
from jolly_ledge.model.phrases import capital, counted
from jolly_ledge.planning.pull_list import Pull, pull_list
from jolly_ledge.planning.time_estimate import time_estimate
from jolly_ledge.planning.tools import tools_for
from jolly_ledge.workspace.workspace import Workspace

COLUMN_WIDTH = 300


class FetchPage(QWidget):
    """Three columns: the rooms, the tools, and the time."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self._fetched: dict[str, set[str]] = {}
        self._area = QScrollArea()
        self._area.setWidgetResizable(True)
        self._area.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.boxes: dict[str, QCheckBox] = {}
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.addWidget(self._area)

    def refresh(self) -> None:
        """Show what the look in hand asks for."""
        inside = QWidget()
        row = QHBoxLayout(inside)
        row.setContentsMargins(0, 4, 8, 0)
        row.setSpacing(26)
        self.boxes = {}
        workspace = self._workspace
        if workspace.look_id:
            pulls = pull_list(workspace.arrangement)
            halves = self._rooms(pulls.rooms)
            for half in halves:
                row.addLayout(half, 1)
            row.addLayout(self._needed(pulls.heavy, pulls.returns), 1)
        self._area.setWidget(inside)

    def _rooms(self, rooms: tuple[tuple[str, tuple[Pull, ...]], ...]) -> list[QVBoxLayout]:
        """Return two columns of rooms, about as long."""
        columns = [QVBoxLayout(), QVBoxLayout()]
        whole, so_far = sum(len(pulls) + 2 for _, pulls in rooms), 0
        ticked = self._fetched.setdefault(self._workspace.look_id, set())
        for room, pulls in rooms:
            column = columns[0 if so_far < whole / 2 else 1]
            so_far += len(pulls) + 2
            column.addWidget(heading(f"{capital(room)}", 16))
            column.addWidget(BoardLine())
            for pull in pulls:
                box = QCheckBox(f"{pull.item.label}{f'  ·  {pull.note}' if pull.note else ''}")
                box.setMinimumHeight(28)
                box.setChecked(pull.item.id in ticked)
                box.toggled.connect(lambda on, item=pull.item.id: (ticked.add if on else ticked.discard)(item))
                self.boxes[pull.item.id] = box
                column.addWidget(box)
            column.addSpacing(8)
        for column in columns:
            column.setSpacing(3)
            column.addStretch(1)
        return columns

    def _needed(self, heavy: tuple[str, ...], returns: tuple[str, ...]) -> QVBoxLayout:
        workspace = self._workspace
        column = QVBoxLayout()
        column.setSpacing(3)
        time = time_estimate(workspace.plan, workspace.arrangement)
        parts = [f"{name}: {round(minutes)} min" for name, minutes in time.parts]
        for title, lines in (
            ("How long", [capital(f"{time.said}."), *parts] if parts else []),
            ("Tools and hardware", [tool.said for tool in tools_for(workspace.arrangement)]),
            ("Heavy lifts", list(heavy)),
            ("To be brought back", list(returns)),
        ):
            if not lines:
                continue
            column.addWidget(heading(title, 16))
            column.addWidget(BoardLine())
            for line in lines:
                column.addWidget(words(line))
            column.addSpacing(8)
        if not workspace.arrangement.placed_items:
            column.addWidget(words("Nothing to fetch yet: arrange the look first.", "soft"))
        column.addStretch(1)
        return column

    @property
    def said(self) -> str:
        """What the page is about, in a line."""
        if not self._workspace.look_id:
            return ""
        pulls = pull_list(self._workspace.arrangement)
        return f"{capital(counted(pulls.count, 'thing'))} from {counted(len(pulls.rooms), 'place')}."
