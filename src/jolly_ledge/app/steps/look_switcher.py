"""All looks of the plan as small drawings under the names in the head: found by typing, taken with a press."""

from functools import partial

from PySide6.QtCore import QPoint, Qt, Signal
from PySide6.QtGui import QKeyEvent
from PySide6.QtWidgets import QFrame, QHBoxLayout, QLineEdit, QListWidgetItem, QMenu, QVBoxLayout

from jolly_ledge.app.views.drawings_list import KEY, DrawingsList
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.own_menu import pop_up
from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.picture import Picture
from jolly_ledge.edits.looks import AddLook, CarryLook, ChangeLook, DuplicateLook
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.history import Edit
from jolly_ledge.model.look import Look, Manner
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.plan import Plan
from jolly_ledge.workspace.workspace import Workspace

WIDE, HIGH = 700, 470


class LookSwitcher(QFrame):
    """Opens under the head of a page; what is pressed comes to hand."""

    taken = Signal()

    def __init__(self, workspace: Workspace) -> None:
        super().__init__(None, Qt.WindowType.Popup)
        self._workspace = workspace
        self.setObjectName("keys-sheet")
        self.setAccessibleName("Pieces and looks")
        column = QVBoxLayout(self)
        column.setContentsMargins(14, 12, 14, 12)
        self.search = QLineEdit()
        self.search.setPlaceholderText("Find a piece or a look")
        self.search.setAccessibleName("Find a piece or a look")
        self.search.textChanged.connect(self._find)
        self.search.returnPressed.connect(self._take_first)
        self.looks = DrawingsList("Looks")
        self.looks.itemClicked.connect(self._take)
        self.looks.itemActivated.connect(self._take)
        column.addWidget(self.search)
        column.addWidget(self.looks, 1)
        column.addLayout(self._doings())
        self.resize(WIDE, HIGH)

    def _doings(self) -> QHBoxLayout:
        row = QHBoxLayout()
        self.name_field = QLineEdit()
        self.name_field.setPlaceholderText("Name of this look")
        self.name_field.setAccessibleName("Name of this look")
        self.name_field.returnPressed.connect(self.rename)
        self.rename_button = chip("Rename", "Give the look in hand this name", checkable=False)
        self.rename_button.clicked.connect(self.rename)
        self.empty_button = chip("Begin empty", "A new look of the piece in hand, with nothing on it", checkable=False)
        self.empty_button.clicked.connect(self.begin_empty)
        self.copy_button = chip("Duplicate", "The same look once more, to go on from", checkable=False)
        self.copy_button.clicked.connect(self.duplicate)
        self.carry_button = chip(
            "Carry over", "Set the look in hand up on another piece, in the same groups and order", checkable=False
        )
        self.carry_button.clicked.connect(self.offer_pieces)
        row.addWidget(self.name_field, 1)
        for button in (self.rename_button, self.copy_button, self.carry_button, self.empty_button):
            row.addWidget(button)
        return row

    def open_at(self, point: QPoint) -> None:
        """List all looks, that in hand marked, and open at a point of the screen."""
        workspace = self._workspace
        self.search.clear()
        self.looks.fill(
            [
                (look.id, f"{piece.label}\n{look.label}", partial(_drawn, workspace.plan, look))
                for piece in workspace.plan.pieces for look in workspace.plan.looks_of(piece.id)
            ],
            workspace.look_id,
        )  # fmt: skip
        has_look = bool(workspace.look_id)
        self.name_field.setText(workspace.look.label if has_look else "")
        for one in (self.name_field, self.rename_button, self.copy_button, self.carry_button):
            one.setEnabled(has_look)
        self.empty_button.setEnabled(bool(workspace.piece_id))
        self.move(point)
        self.show()
        self.search.setFocus()

    def _find(self) -> None:
        words = self.search.text().lower().split()
        for row in range(self.looks.count()):
            item = self.looks.item(row)
            item.setHidden(not all(word in item.text().lower() for word in words))

    def _take_first(self) -> None:
        current = self.looks.currentItem()
        shown = self.looks.shown
        if shown:
            kept = current is not None and not current.isHidden() and not self.search.text()
            self._choose(current.data(KEY) if kept and current is not None else shown[0])

    def _take(self, item: QListWidgetItem) -> None:
        self._choose(item.data(KEY))

    def _choose(self, look_id: str) -> None:
        self.hide()
        self._workspace.choose_look(look_id)
        self.taken.emit()

    def rename(self) -> None:
        """Give the look in hand the name that is written."""
        workspace, name = self._workspace, self.name_field.text().strip()
        self.hide()
        if name and name != workspace.look.label:
            workspace.commit(ChangeLook(look=workspace.look_id, changes=(("name", name),), label=f"Rename to “{name}”"))

    def duplicate(self) -> None:
        """Take a copy of the look in hand to go on from."""
        workspace = self._workspace
        self.hide()
        self._commit(DuplicateLook(look=workspace.look_id, original=workspace.look.label))

    def offer_pieces(self) -> None:
        """List the other pieces the look in hand can be carried over to."""
        workspace = self._workspace
        menu = QMenu(self)
        menu.addAction(f"Carry {workspace.look.label} over to".replace("&", "&&")).setEnabled(False)
        menu.addSeparator()
        others = [piece for piece in workspace.plan.pieces if piece.id != workspace.piece_id]
        for piece in others:
            menu.addAction(piece.label.replace("&", "&&"), partial(self.carry_over, piece.id))
        if not others:
            menu.addAction("There is no other piece yet; add one in Measure").setEnabled(False)
        self.pieces_menu = menu
        pop_up(menu, self.carry_button.mapToGlobal(self.carry_button.rect().topLeft()))

    def carry_over(self, piece_id: str) -> None:
        """Set the look in hand up on another piece, take that in hand beside the first, and tell what came along."""
        from jolly_ledge.proposals.carrying_over import carried_over

        workspace = self._workspace
        plan, look = workspace.plan, workspace.look
        self.hide()
        try:
            found = carried_over(plan, look, piece_id)
        except JollyLedgeError as error:
            workspace.signals.refused.emit(str(error))
            return
        edit = CarryLook(
            look=look.id, piece=piece_id, placements=found.placements, original=look.label,
            onto=plan.piece(piece_id).label,
        )  # fmt: skip
        if workspace.commit_look(edit):
            workspace.signals.compare_asked.emit((look.id, workspace.look_id))
            workspace.signals.told.emit(found.summary)

    def begin_empty(self) -> None:
        """Begin an empty look of the piece in hand."""
        workspace = self._workspace
        self.hide()
        number = len(workspace.plan.looks_of(workspace.piece_id)) + 1
        manner = workspace.look.manner if workspace.look_id else Manner()
        self._commit(AddLook(piece=workspace.piece_id, name=f"Look {number}", manner=manner))

    def _commit(self, edit: Edit) -> None:
        if self._workspace.commit_look(edit):
            self.taken.emit()

    @survives
    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Go from the search into the drawings with the arrows; put the list away with Esc."""
        if event.key() == Qt.Key.Key_Escape:
            self.hide()
        elif event.key() in (Qt.Key.Key_Down, Qt.Key.Key_Up) and self.search.hasFocus():
            self.looks.setFocus()
        else:
            super().keyPressEvent(event)


def _drawn(plan: Plan, look: Look) -> Picture:
    return look_picture(arrange(plan, look), scale_bar=False)
