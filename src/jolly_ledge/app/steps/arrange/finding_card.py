"""A finding with the moves that would mend it, each tried on the drawing before it is taken."""

import textwrap
from collections.abc import Callable

from PySide6.QtCore import QEvent
from PySide6.QtGui import QEnterEvent
from PySide6.QtWidgets import QApplication, QHBoxLayout, QLineEdit, QPushButton, QWidget

from jolly_ledge.app.widgets.card import Card
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.edits.looks import WaveOff
from jolly_ledge.model.history import Edit
from jolly_ledge.model.look import Look
from jolly_ledge.model.phrases import capital
from jolly_ledge.readings.reading import Finding
from jolly_ledge.readings.register import NAMES
from jolly_ledge.workspace.workspace import Workspace

MOST_MOVES = 3
LINE_LETTERS = 38
"""A button does not break its words by itself."""


class MoveButton(QPushButton):
    """One move: while it is pointed at, the drawing shows what it would make."""

    def __init__(self, on_point: Callable[[bool], object]) -> None:
        super().__init__()
        self._on_point = on_point
        self.setObjectName("quiet")
        self.setMinimumHeight(28)

    def enterEvent(self, event: QEnterEvent) -> None:
        """Show what it would make."""
        self._on_point(True)
        super().enterEvent(event)

    def leaveEvent(self, event: QEvent) -> None:
        """Show what is."""
        self._on_point(False)
        super().leaveEvent(event)


class FindingCard(Card):
    """A finding; on demand the best few moves are looked for."""

    def __init__(self, workspace: Workspace, on_point: Callable[[tuple[str, ...]], object]) -> None:
        super().__init__("finding", on_point)
        self._workspace = workspace
        self._finding: Finding | None = None
        self.ask_button = QPushButton("How to mend it")
        self.ask_button.setObjectName("quiet")
        self.ask_button.setMinimumHeight(28)
        self.ask_button.clicked.connect(self.look_for_moves)
        self.wave_button = QPushButton("Wave it off")
        self.wave_button.setObjectName("quiet")
        self.wave_button.setMinimumHeight(28)
        self.wave_button.setToolTip("It is meant so: say why; it stays waved off in this look")
        self.wave_button.clicked.connect(self._ask_why)
        self.reason_field = QLineEdit()
        self.reason_field.setPlaceholderText("Why? Return waves it off")
        self.reason_field.setAccessibleName("Why the finding is waved off")
        self.reason_field.returnPressed.connect(self._wave_off)
        self.reason_field.hide()
        row = QHBoxLayout()
        row.setContentsMargins(0, 0, 0, 0)
        row.addWidget(self.ask_button)
        row.addStretch(1)
        row.addWidget(self.wave_button)
        self.column.addLayout(row)
        self.column.addWidget(self.reason_field)
        self.is_trying = False
        """Whether the drawing shows one of its moves; what is found stays as it was meanwhile."""
        self.move_buttons: list[MoveButton] = []
        self._looks: dict[QWidget, Look] = {}
        # By a signal, for a focus event may still come to a button when the program is already gone.
        QApplication.instance().focusChanged.connect(self._follow_focus)  # type: ignore[union-attr]
        self.none_said = words("No single move helps; try two, or leave it as you like it.", "small")
        self.none_said.hide()
        self.column.addWidget(self.none_said)

    def show_finding(self, finding: Finding) -> None:
        """Show a finding; moves that were found for another one go."""
        if finding != self._finding:
            self._finding = finding
            self._forget_moves()
        self.say(NAMES[finding.reading], capital(self._workspace.told(finding.sentence)), finding.placements)

    def _forget_moves(self) -> None:
        for button in self.move_buttons:
            button.hide()
            button.deleteLater()
        self.move_buttons = []
        self._looks = {}
        self.none_said.hide()
        self.reason_field.hide()
        self.ask_button.show()

    def look_for_moves(self) -> None:
        """Find the best few moves and offer each as a button."""
        # The search is not needed until it is asked for.
        from jolly_ledge.proposals.mend import mends

        workspace, finding = self._workspace, self._finding
        if finding is None:
            return
        self._forget_moves()
        self.ask_button.hide()
        found = mends(workspace.plan, workspace.look, finding, MOST_MOVES)
        self.none_said.setVisible(not found)
        for mend in found:
            button = MoveButton(lambda on, look=mend.look: self._try(look if on else None))  # type: ignore[misc]
            button.setText(
                textwrap.fill(f"+{mend.gain * 100:.1f}  {mend.label}", LINE_LETTERS, subsequent_indent="        ")
            )
            told = [f"{NAMES[name]} {before * 100:.0f} → {after * 100:.0f}" for name, before, after in mend.changes[:5]]
            button.setToolTip(", ".join(told))
            button.clicked.connect(lambda _=False, edit=mend.edit: self._take(edit))
            self._looks[button] = mend.look
            self.move_buttons.append(button)
            self.column.addWidget(button)

    def _ask_why(self) -> None:
        self.reason_field.setVisible(self.reason_field.isHidden())
        self.reason_field.clear()
        self.reason_field.setFocus()

    def _wave_off(self) -> None:
        finding = self._finding
        if finding is not None:
            self._workspace.commit(
                WaveOff(
                    look=self._workspace.look_id,
                    reading=finding.reading,
                    placements=finding.placements,
                    reason=self.reason_field.text().strip(),
                    name=f"a finding of {NAMES[finding.reading].lower()}",
                )
            )

    def _follow_focus(self, old: QWidget | None, new: QWidget | None) -> None:
        """Show the move that the keyboard came to; show what is when it goes on (not when the window itself goes)."""
        if new in self._looks:
            self._try(self._looks[new])
        elif old in self._looks and new is not None:
            self._try(None)

    def _try(self, look: Look | None) -> None:
        """Show what a move would make, or what is."""
        if look is None and not self.is_trying:
            return
        self.is_trying = look is not None
        # What a move brings must not lie in the shade of what the finding named.
        self._on_point(() if self.is_trying else self.placements)
        self._workspace.preview(look)

    def _take(self, edit: Edit) -> None:
        self.is_trying = False
        self._workspace.commit(edit)
        self._on_point(())
