"""What is done with the chosen things, told from a list: a task in the order they were chosen, and where it begins."""

from functools import partial

from PySide6.QtGui import QCursor
from PySide6.QtWidgets import QMenu, QWidget

from jolly_ledge.app.widgets.wish_menu import points_of
from jolly_ledge.edits.tasks import DropTask, TellTask
from jolly_ledge.model.phrases import capital
from jolly_ledge.model.task import Task
from jolly_ledge.model.words import plain
from jolly_ledge.workspace.workspace import Workspace


class TaskMenu(QMenu):
    """Lists where a task of the chosen things may begin, the tasks they may be added to, and those that are told."""

    def __init__(self, parent: QWidget, workspace: Workspace) -> None:
        super().__init__(parent)
        self._workspace = workspace

    def pop_up(self) -> None:
        """Open at the pointer."""
        self.fill()
        self.popup(QCursor.pos())

    def fill(self) -> None:
        """List what can be told, and what is."""
        self.clear()
        workspace = self._workspace
        chosen = tuple(placed.item for placed in workspace.chosen_placed)
        if not chosen:
            self.addAction("Choose things in the order of their use first").setEnabled(False)
        else:
            order = " → ".join(item.label for item in chosen)
            self.addAction(order.replace("&", "&&")).setEnabled(False)
            ids = tuple(item.id for item in chosen)
            for point in points_of(workspace.piece):
                self.addAction(f"Used in this order, from the {plain(point)}", partial(self._tell, ids, point))
            self.addAction("Used in this order", partial(self._tell, ids, ""))
        tasks = workspace.piece.tasks
        if tasks:
            self.addSeparator()
            for task in tasks:
                self.addAction(f"Let go: {task.name}".replace("&", "&&"), partial(self._drop, task.name))

    def _tell(self, items: tuple[str, ...], near: str) -> None:
        workspace = self._workspace
        task = Task(name=self._name(), items=items, near=near)
        if workspace.commit(TellTask(piece=workspace.piece_id, task=task)):
            workspace.signals.told.emit(
                f"{capital(task.name)} is told; call it otherwise in Brief, Shift+T shows it on the drawing."
            )

    def _name(self) -> str:
        """Return the first use of the piece that is no task yet, or a number."""
        piece = self._workspace.piece
        known = {task.name for task in piece.tasks}
        uses = (use for use in piece.use if use not in known)
        numbered = (f"task {number}" for number in range(1, len(known) + 2))
        return next(uses, None) or next(name for name in numbered if name not in known)

    def _drop(self, name: str) -> None:
        self._workspace.commit(DropTask(piece=self._workspace.piece_id, name=name))
