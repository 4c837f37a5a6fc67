"""What the use of a piece asks for, to be ticked off, and which kinds of things come to it by themselves."""

from typing import get_args

from PySide6.QtWidgets import QHBoxLayout, QMenu, QPushButton, QVBoxLayout, QWidget

from jolly_ledge.app.steps.brief.manner_panel import NAME_PX
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.edits.pieces import ChangePiece
from jolly_ledge.measures.kits import kit_of, unmet_needs
from jolly_ledge.model.belonging import comes_by_kind
from jolly_ledge.model.phrases import capital, listed
from jolly_ledge.model.words import Category, plain
from jolly_ledge.workspace.workspace import Workspace


class KitPanel(QWidget):
    """Ticks for every need of the piece in hand, and a list of kinds that may come to it."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(5)
        self._row = QHBoxLayout()
        self._row.setSpacing(6)
        self.come = chip("What may come ▾", "Which kinds proposals bring here by themselves", checkable=False)
        self.menu = QMenu(self.come)
        self.menu.aboutToShow.connect(self.fill_menu)
        self.come.setMenu(self.menu)
        asks = words("It asks for", "soft", wrap=False)
        asks.setFixedWidth(NAME_PX)
        self._row.addWidget(asks)
        self._row.addWidget(self.come)
        self._row.addStretch(1)
        column.addLayout(self._row)
        self.note = words("", "soft")
        column.addWidget(self.note)
        self.ticks: dict[str, QPushButton] = {}

    def refresh(self) -> None:
        """Show the kit of the piece in hand and what of it the look lacks."""
        workspace = self._workspace
        piece, kit = workspace.piece, kit_of(workspace.piece)
        if [need.id for need in kit] != list(self.ticks):
            for old in self.ticks.values():
                self._row.removeWidget(old)
                old.hide()
                old.deleteLater()
            self.ticks = {}
            for number, need in enumerate(kit):
                tick = chip(need.name, "Ticked: proposals bring it first, and it is told where it lacks")
                tick.clicked.connect(lambda on=False, need=need: self._tick(need.id, need.name, on=on))
                self._row.insertWidget(number + 1, tick)
                self.ticks[need.id] = tick
        for identifier, tick in self.ticks.items():
            tick.setChecked(identifier not in piece.unneeded)
        lacking = [need.name for need in unmet_needs(workspace.arrangement)]
        if not kit:
            said = "This piece in this use asks for nothing in particular."
        elif lacking:
            said = f"The look in hand lacks: {listed([name[0].lower() + name[1:] for name in lacking])}."
        elif not workspace.arrangement.visible:
            said = "What its use asks for; proposals bring it first."
        else:
            said = "The look in hand has what its use asks for."
        kept_out = [plain(category) for category, may in piece.comes if not may]
        told_in = [plain(category) for category, may in piece.comes if may]
        if told_in:
            said += f" You let come: {listed(told_in)}."
        if kept_out:
            said += f" Only when asked: {listed(kept_out)}."
        self.note.setText(said)

    def _tick(self, need: str, name: str, *, on: bool) -> None:
        workspace = self._workspace
        unneeded = tuple(one for one in workspace.piece.unneeded if one != need)
        unneeded = unneeded if on else (*unneeded, need)
        verb = "Ask for" if on else "Do without"
        label = f"{verb} {name[0].lower()}{name[1:]}"
        workspace.commit(ChangePiece(piece=workspace.piece_id, changes=(("unneeded", unneeded),), label=label))

    def fill_menu(self) -> None:
        """List all kinds of things; those that come by themselves are ticked."""
        self.menu.clear()
        piece = self._workspace.piece
        for category in get_args(Category):
            action = self.menu.addAction(capital(plain(category)))
            action.setCheckable(True)
            action.setChecked(comes_by_kind(category, piece))
            action.triggered.connect(lambda may=False, category=category: self._let_come(category, may=may))

    def _let_come(self, category: Category, *, may: bool) -> None:
        workspace = self._workspace
        told = tuple((kind, known) for kind, known in workspace.piece.comes if kind != category)
        verb = "Let come by themselves" if may else "Bring only when asked"
        changes = (("comes", (*told, (category, may))),)
        workspace.commit(ChangePiece(piece=workspace.piece_id, changes=changes, label=f"{verb}: {plain(category)}"))
