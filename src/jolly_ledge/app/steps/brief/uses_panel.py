"""What a piece is used for: the usual uses as chips, any other by its word; what is known of none is told."""

from PySide6.QtWidgets import QGridLayout, QLineEdit, QPushButton, QVBoxLayout, QWidget

from jolly_ledge.app.steps.brief.manner_panel import NAME_PX
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.edits.pieces import ChangePiece
from jolly_ledge.model.phrases import listed
from jolly_ledge.workspace.workspace import Workspace

USES = (
    "display", "keys", "tea", "coffee", "eating", "games", "working", "cooking", "reading", "sleeping", "over-bed",
    "over-sofa",
)  # fmt: skip
IN_A_ROW = 4
NAMES = {"over-bed": "Over a bed", "over-sofa": "Over a sofa"}
"""How a use reads that is more than its word."""

TIP = "What it is used for tells what room and which care it wants"
LONGEST = 40


class UsesPanel(QWidget):
    """A chip for every use, and a line for another."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(4)
        self._grid = QGridLayout()
        self._grid.setHorizontalSpacing(5)
        self._grid.setVerticalSpacing(5)
        self._grid.addWidget(words("Used for", "soft", wrap=False), 0, 0)
        self._grid.setColumnMinimumWidth(0, NAME_PX)
        self._grid.setColumnStretch(IN_A_ROW + 1, 1)
        column.addLayout(self._grid)
        self.chips: dict[str, QPushButton] = {}
        self.other = QLineEdit()
        self.other.setPlaceholderText("another use")
        self.other.setAccessibleName("Another use")
        self.other.setMaxLength(LONGEST)
        self.other.returnPressed.connect(self._add_other)
        self.note = words("", "soft")
        column.addWidget(self.note)

    def refresh(self) -> None:
        """Show what the piece in hand is used for."""
        uses = self._workspace.piece.use
        wanted = [*USES, *(use for use in uses if use not in USES)]
        if list(self.chips) != wanted:
            self._lay_out(wanted)
        for use, button in self.chips.items():
            button.setChecked(use in uses)
        unknown = [f"“{use}”" for use in uses if use not in USES]
        self.note.setVisible(bool(unknown))
        self.note.setText(
            f"What {listed(unknown)} wants is not known here: room, kit and care are told for the others. Tell it by "
            "a task, a limit or a wish."
        )

    def _lay_out(self, uses: list[str]) -> None:
        for use, button in list(self.chips.items()):
            if use not in uses:
                self._grid.removeWidget(button)
                button.hide()
                button.deleteLater()
                del self.chips[use]
        self._grid.removeWidget(self.other)
        for number, use in enumerate(uses):
            if use not in self.chips:
                button = chip(NAMES.get(use, use.capitalize()), TIP)
                button.clicked.connect(lambda on=False, use=use: self._toggle(use, on))
                self.chips[use] = button
            self._grid.addWidget(self.chips[use], number // IN_A_ROW, 1 + number % IN_A_ROW)
        self._grid.addWidget(self.other, len(uses) // IN_A_ROW, 1 + len(uses) % IN_A_ROW, 1, 2)

    def _toggle(self, use: str, on: bool) -> None:
        workspace = self._workspace
        kept = tuple(known for known in workspace.piece.use if known != use)
        uses = (*kept, use) if on else kept
        label = f"{'Use' if on else 'Do not use'} it for {use}"
        workspace.commit(ChangePiece(piece=workspace.piece_id, changes=(("use", uses),), label=label))

    def _add_other(self) -> None:
        use = " ".join(self.other.text().split()).lower()
        if use and use not in self._workspace.piece.use:
            self._toggle(use, on=True)
        self.other.clear()
