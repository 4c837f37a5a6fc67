"""The hand on the line-up: things are chosen, lassoed, carried to others and to other groups."""

from PySide6.QtCore import QPoint, QPointF, QRectF, Qt, Signal
from PySide6.QtGui import QContextMenuEvent, QKeyEvent, QKeySequence, QMouseEvent
from PySide6.QtWidgets import QApplication, QWidget

from jolly_ledge.app.views.line_up.boards import Boards
from jolly_ledge.model.item import Item
from jolly_ledge.workspace.workspace import Workspace


class LineUpHand(QWidget):
    """Takes mouse and keys on boards; who inherits lays them out and paints them."""

    asked_for = Signal(str)
    """A thing was double-clicked or Return was pressed on it."""

    menu_asked = Signal(QPoint)
    """The menu of what is chosen is asked for, at a point of the screen."""

    dropped_on_thing = Signal(tuple, str)
    """Things (ids) were dragged onto another one."""

    dropped_on_group = Signal(tuple, str)
    group_named = Signal(str, str)
    looked_nearer = Signal(str)
    """Things (ids) were dragged onto the board of another group, by its title."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self.boards = Boards()
        self.takes_groups = False
        """Whether things may be dropped on the board of another group."""
        self._pressed: QPointF | None = None
        self._pressed_item = ""
        self._pointer: QPointF | None = None
        self._lassoed_before: tuple[str, ...] = ()
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)

    def item_at(self, x: float, y: float) -> Item | None:
        """Return the thing at a point."""
        return self.boards.item_at(x, y)

    def _target(self, at: QPointF) -> str:
        """Say what letting go here would do."""
        count = len(self._workspace.item_ids)
        over = self.item_at(at.x(), at.y())
        if over is not None and over.id not in self._workspace.item_ids:
            return f"{'A pair' if count == 1 else 'A set'} with {over.label}"
        row = self.boards.row_at(at.y())
        own = {row.group for row in self.boards.rows for cell in row.cells if cell.item.id in self._workspace.item_ids}
        takes = self.takes_groups and row is not None and over is None and row.group and own != {row.group}
        return f"To “{row.group}”" if takes and row is not None else ""

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Choose what is pressed; Ctrl adds or takes away, Shift takes all between; beside things a lasso begins."""
        at = event.position()
        item = self.boards.item_at(at.x(), at.y())
        workspace, modifiers = self._workspace, event.modifiers()
        self._pressed, self._pointer = at, None
        self._pressed_item = item.id if item is not None else ""
        self._lassoed_before = workspace.item_ids if modifiers & Qt.KeyboardModifier.ControlModifier else ()
        if item is None:
            return
        if modifiers & Qt.KeyboardModifier.ControlModifier:
            others = tuple(identifier for identifier in workspace.item_ids if identifier != item.id)
            workspace.choose_items(others if item.id in workspace.item_ids and others else (*others, item.id))
        elif modifiers & Qt.KeyboardModifier.ShiftModifier:
            workspace.choose_items(self.boards.between(workspace.item_id, item.id))
        elif item.id not in workspace.item_ids:
            workspace.choose_item(item.id)

    def mouseMoveEvent(self, event: QMouseEvent) -> None:
        """Draw the lasso, or carry what is chosen."""
        if self._pressed is None:
            return
        moved = (event.position() - self._pressed).manhattanLength()
        if self._pointer is None and moved < QApplication.startDragDistance():
            return
        self._pointer = event.position()
        if not self._pressed_item:
            area = QRectF(self._pressed, self._pointer).normalized()
            caught = self.boards.caught_in(area)
            chosen = tuple(dict.fromkeys((*self._lassoed_before, *caught)))
            if chosen:
                self._workspace.choose_items(chosen)
        self.update()

    def mouseReleaseEvent(self, event: QMouseEvent) -> None:
        """Let the lasso go, or drop what is carried on a thing or on a group's board."""
        pressed, item, carried = self._pressed, self._pressed_item, self._pointer
        self._pressed = self._pointer = None
        self.update()
        if pressed is None or not item:
            return
        if carried is None:
            if not event.modifiers() & (Qt.KeyboardModifier.ControlModifier | Qt.KeyboardModifier.ShiftModifier):
                self._workspace.choose_item(item)
            return
        ids = self._workspace.item_ids
        over = self.boards.item_at(carried.x(), carried.y())
        row = self.boards.row_at(carried.y())
        if over is not None:
            if over.id not in ids:
                self.dropped_on_thing.emit(ids, over.id)
        elif row is not None and row.group and self.takes_groups:
            self.dropped_on_group.emit(ids, row.group)

    def contextMenuEvent(self, event: QContextMenuEvent) -> None:
        """Ask for the menu of the thing under the pointer; by its key, of what is chosen."""
        if event.reason() == QContextMenuEvent.Reason.Mouse:
            item = self.boards.item_at(event.pos().x(), event.pos().y())
            if item is not None and item.id not in self._workspace.item_ids:
                self._workspace.choose_item(item.id)
        if self._workspace.item_ids:
            self.menu_asked.emit(event.globalPos())
        event.accept()

    def mouseDoubleClickEvent(self, event: QMouseEvent) -> None:
        """Edit what is double-clicked."""
        item = self.boards.item_at(event.position().x(), event.position().y())
        if item is not None:
            self.asked_for.emit(item.id)

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Choose with arrows, edit with Return."""
        ids = self.boards.ids
        current = self._workspace.item_id
        step = {Qt.Key.Key_Left: -1, Qt.Key.Key_Right: 1}.get(Qt.Key(event.key()), 0)
        if event.key() == Qt.Key.Key_Escape and self._pressed is not None:
            self._pressed = self._pointer = None
            self.update()
        elif step and ids:
            index = ids.index(current) + step if current in ids else 0
            next_to = ids[min(max(index, 0), len(ids) - 1)]
            if event.modifiers() & Qt.KeyboardModifier.ShiftModifier:
                others = tuple(identifier for identifier in self._workspace.item_ids if identifier != next_to)
                self._workspace.choose_items((*others, next_to))
            else:
                self._workspace.choose_item(next_to)
        elif event.matches(QKeySequence.StandardKey.SelectAll) and ids:
            self._workspace.choose_items(tuple(ids))
        elif event.key() in (Qt.Key.Key_Up, Qt.Key.Key_Down) and ids:
            there = self.boards.beyond(current, 1 if event.key() == Qt.Key.Key_Down else -1)
            if there is not None:
                self._workspace.choose_item(there)
        elif event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter) and current in ids:
            self.asked_for.emit(current)
        else:
            event.ignore()
