"""Tastes kept for clients: a manner under a name, to be used for any look."""

from functools import partial

from PySide6.QtWidgets import QHBoxLayout, QLineEdit, QPushButton, QVBoxLayout, QWidget

from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.edits.looks import ChangeLook
from jolly_ledge.edits.opinions import ForgetTaste, KeepTaste
from jolly_ledge.model.plan import Taste
from jolly_ledge.workspace.workspace import Workspace


class TastePanel(QWidget):
    """Keeps the manner in hand under a name, and makes a look in a kept one."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(5)
        row = QHBoxLayout()
        row.setSpacing(6)
        self.name_field = QLineEdit()
        self.name_field.setPlaceholderText("Keep this manner as the taste of …")
        self.name_field.setAccessibleName("Whose taste it is")
        self.name_field.returnPressed.connect(self._keep)
        self.keep_button = chip("Keep", "Keep fullness, figure, palette, habits and what counts", checkable=False)
        self.keep_button.clicked.connect(self._keep)
        row.addWidget(self.name_field, 1)
        row.addWidget(self.keep_button)
        column.addLayout(row)
        self._list = QVBoxLayout()
        self._list.setSpacing(4)
        column.addLayout(self._list)
        self.empty = words("A taste belongs to the client; none is kept yet.", "small")
        column.addWidget(self.empty)
        self.use_buttons: dict[str, QPushButton] = {}
        self.forget_buttons: dict[str, QPushButton] = {}
        self._shown: tuple[Taste, ...] = ()

    def _keep(self) -> None:
        workspace = self._workspace
        if workspace.commit(KeepTaste(name=self.name_field.text(), manner=workspace.look.manner)):
            self.name_field.clear()

    def _use(self, name: str) -> None:
        workspace = self._workspace
        taste = next(taste for taste in workspace.plan.tastes if taste.name == name)
        workspace.commit(
            ChangeLook(look=workspace.look_id, changes=(("manner", taste.manner),), label=f"Use the taste of {name}")
        )
        self.refresh()

    def refresh(self) -> None:
        """Show the kept tastes; the one the look in hand is made in is marked."""
        workspace = self._workspace
        tastes = workspace.plan.tastes
        if [taste.name for taste in tastes] != list(self.use_buttons):
            self._build(tastes)
        for taste in tastes:
            same = bool(workspace.look_id) and workspace.look.manner == taste.manner
            self.use_buttons[taste.name].setChecked(same)
        self.empty.setVisible(not tastes)

    def _build(self, tastes: tuple[Taste, ...]) -> None:
        while (line := self._list.takeAt(0)) is not None:
            holder = line.widget()
            if holder is not None:
                holder.hide()
                holder.deleteLater()
        self.use_buttons, self.forget_buttons = {}, {}
        for taste in tastes:
            holder = QWidget()
            row = QHBoxLayout(holder)
            row.setContentsMargins(0, 0, 0, 0)
            use = chip(taste.name, "Make the look in hand in this taste")
            use.clicked.connect(partial(self._use, taste.name))
            forget = QPushButton("Forget")
            forget.setObjectName("quiet")
            forget.setMinimumHeight(28)
            forget.clicked.connect(lambda _=False, name=taste.name: self._workspace.commit(ForgetTaste(name=name)))
            row.addWidget(use)
            row.addStretch(1)
            row.addWidget(forget)
            self.use_buttons[taste.name], self.forget_buttons[taste.name] = use, forget
            self._list.addWidget(holder)
