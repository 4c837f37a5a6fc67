"""What is done at a piece: each task with its things in order and its point, and how many of a kind stand there."""

from functools import partial

from msgspec.structs import replace
from PySide6.QtWidgets import QComboBox, QHBoxLayout, QLineEdit, QMenu, QPushButton, QVBoxLayout, QWidget

from jolly_ledge.app.steps.brief.manner_panel import NAME_PX
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.named_things import names_of, not_known, things_named
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.app.widgets.wish_menu import points_of
from jolly_ledge.edits.tasks import DropTask, LimitKind, TellTask
from jolly_ledge.geometry.tasks import way_of
from jolly_ledge.model.phrases import capital, counted, listed
from jolly_ledge.model.task import Task
from jolly_ledge.model.words import Category, plain
from jolly_ledge.workspace.workspace import Workspace

NO_POINT = "anywhere"
LIMITED: tuple[Category, ...] = ("appliance", "device", "tableware", "utensils", "board", "plant", "candle", "frame")
MOST = 6
NAMED = "Things in the order of their use, with commas between"


class TasksPanel(QWidget):
    """A row for every task, one for a new one, and a list of limits."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self._column = QVBoxLayout(self)
        self._column.setContentsMargins(0, 0, 0, 0)
        self._column.setSpacing(5)
        row = QHBoxLayout()
        row.setSpacing(6)
        asked = words("Done here", "soft", wrap=False)
        asked.setFixedWidth(NAME_PX)
        row.addWidget(asked)
        self.new = QLineEdit()
        self.new.setPlaceholderText("a task: its things, in order")
        self.new.setToolTip(NAMED)
        self.new.setAccessibleName("A new task")
        self.new.returnPressed.connect(self._add)
        row.addWidget(self.new, 1)
        self.limit_button: QPushButton = chip("At most ▾", "How many of a kind stand here at the most", checkable=False)
        self.limits = QMenu(self.limit_button)
        self.limits.aboutToShow.connect(self.fill_limits)
        self.limit_button.setMenu(self.limits)
        row.addWidget(self.limit_button)
        self._column.addLayout(row)
        self.rows: list[TaskRow] = []
        self.note = words("", "soft")
        self.note.setContentsMargins(NAME_PX + 6, 0, 0, 0)
        self._column.addWidget(self.note)

    def refresh(self) -> None:
        """Show the tasks and the limits of the piece in hand."""
        tasks = self._workspace.piece.tasks
        while len(self.rows) > len(tasks):
            row = self.rows.pop()
            self._column.removeWidget(row)
            row.hide()
            row.deleteLater()
        while len(self.rows) < len(tasks):
            row = TaskRow(self._workspace)
            self.rows.append(row)
            self._column.insertWidget(len(self.rows), row)
        for row, task in zip(self.rows, tasks, strict=True):
            row.show_task(task)
        limits = [counted(most, plain(category)) for category, most in self._workspace.piece.limits]
        self.note.setVisible(bool(limits))
        self.note.setText(f"At most {listed(limits, len(limits))}." if limits else "")

    def _add(self) -> None:
        workspace = self._workspace
        items, unknown = things_named(self.new.text(), workspace.plan.stash)
        if unknown:
            workspace.signals.refused.emit(not_known(unknown))
        elif items:
            known = {task.name for task in workspace.piece.tasks}
            number = next(one for one in range(1, len(known) + 2) if f"task {one}" not in known)
            if workspace.commit(TellTask(piece=workspace.piece_id, task=Task(name=f"task {number}", items=items))):
                self.new.clear()

    def fill_limits(self) -> None:
        """List the kinds that can be limited, each with its numbers."""
        self.limits.clear()
        told = dict(self._workspace.piece.limits)
        for category in LIMITED:
            menu = self.limits.addMenu(capital(plain(category)))
            for most in (None, *range(MOST + 1)):
                action = menu.addAction("no limit" if most is None else str(most), partial(self._limit, category, most))
                action.setCheckable(True)
                action.setChecked(told.get(category) == most)

    def _limit(self, category: Category, most: int | None) -> None:
        self._workspace.commit(LimitKind(piece=self._workspace.piece_id, category=category, most=most))


class TaskRow(QWidget):
    """One task: what it is called, its things, where it begins, how it runs in the look in hand."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self._task = Task(name="-", items=("-",))
        column = QVBoxLayout(self)
        column.setContentsMargins(NAME_PX + 6, 0, 0, 0)
        column.setSpacing(2)
        row = QHBoxLayout()
        row.setSpacing(6)
        self.name = QLineEdit()
        self.name.setAccessibleName("What the task is called")
        self.name.setMaximumWidth(120)
        self.name.editingFinished.connect(self._rename)
        self.things = QLineEdit()
        self.things.setAccessibleName(NAMED)
        self.things.setToolTip(NAMED)
        self.things.editingFinished.connect(self._set_things)
        self.point = QComboBox()
        self.point.setAccessibleName("Where the task begins")
        self.point.activated.connect(lambda _: self._tell(near=self.point.currentData()))
        self.drop_button = chip("Let go", "Tell this task no longer", checkable=False)
        self.drop_button.clicked.connect(self._drop)
        row.addWidget(self.name)
        row.addWidget(self.things, 1)
        row.addWidget(self.point)
        row.addWidget(self.drop_button)
        column.addLayout(row)
        self.said = words("", "small")
        column.addWidget(self.said)

    def show_task(self, task: Task) -> None:
        """Show a task of the piece in hand."""
        workspace, self._task = self._workspace, task
        labels = {item.id: item.label for item in workspace.plan.stash}
        if not self.name.hasFocus():
            self.name.setText(task.name)
        if not self.things.hasFocus():
            self.things.setText(names_of(task.items, workspace.plan.stash))
            self.things.setCursorPosition(0)
        self.point.clear()
        self.point.addItem(NO_POINT, "")
        for point in dict.fromkeys([*points_of(workspace.piece), *([task.near] if task.near else [])]):
            self.point.addItem(f"from the {labels.get(point, plain(point))}", point)
        self.point.setCurrentIndex(max(self.point.findData(task.near), 0))
        self.said.setText(self._run())

    def _run(self) -> str:
        """Return how the task runs in the look in hand."""
        workspace, task = self._workspace, self._task
        labels = {item.id: item.label for item in workspace.plan.stash}
        lost = sum(item not in labels for item in task.items)
        said = []
        if lost:
            said.append(f"{capital(counted(lost, 'thing'))} of it {'is' if lost == 1 else 'are'} in the stash no more.")
        if workspace.look_id:
            way = way_of(workspace.arrangement, task)
            waits = [f"the {labels[item]}" for item in way.gone if item in labels]
            if way.legs:
                far = [f"the {leg.placed.item.label}" for leg in way.too_far]
                ok = f"Out of reach: {listed(far)}." if far else "All in reach."
                said.append(f"The hand goes {workspace.length(round(way.length))} in all. {ok}")
            if waits:
                said.append(f"Not in this look: {listed(waits)}.")
        return " ".join(said)

    def _rename(self) -> None:
        name = " ".join(self.name.text().split())
        if name and name != self._task.name:
            edit = TellTask(
                piece=self._workspace.piece_id, task=replace(self._task, name=name), instead_of=self._task.name
            )
            if self._workspace.commit(edit):
                return
        self.name.setText(self._task.name)

    def _set_things(self) -> None:
        workspace = self._workspace
        if self.things.text() == names_of(self._task.items, workspace.plan.stash):
            return
        items, unknown = things_named(self.things.text(), workspace.plan.stash)
        if unknown:
            workspace.signals.refused.emit(not_known(unknown))
        if not items or not self._tell(items=items):
            self.show_task(self._task)

    def _tell(self, **changes: object) -> bool:
        task = replace(self._task, **changes)
        return task == self._task or self._workspace.commit(TellTask(piece=self._workspace.piece_id, task=task))

    def _drop(self) -> None:
        self._workspace.commit(DropTask(piece=self._workspace.piece_id, name=self._task.name))
