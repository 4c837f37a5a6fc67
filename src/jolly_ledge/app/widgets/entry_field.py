"""Quick entry: one line makes things; what it would make is drawn while it is typed."""

from PySide6.QtCore import QSize, Qt, Signal
from PySide6.QtGui import QGuiApplication, QKeyEvent, QKeySequence
from PySide6.QtWidgets import QHBoxLayout, QLineEdit, QVBoxLayout, QWidget

from jolly_ledge.app.widgets.texts import words
from jolly_ledge.app.widgets.things_on_board import ThingsOnBoard
from jolly_ledge.model.entry.parser import QuickEntry, completions, parse_entry
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.phrases import counted
from jolly_ledge.model.words import plain
from jolly_ledge.workspace.workspace import Workspace

PREVIEW = QSize(128, 40)
EXAMPLE = "vase stoneware 18x32 sand rough hall 2.1kg"
KEPT_LINES = 30


class EntryLine(QLineEdit):
    """The line itself: Tab completes, the up arrow brings the last line back, a pasted list is told apart."""

    listed = Signal(str)

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self._lines: list[str] = []
        self._back = 0
        self.setPlaceholderText(EXAMPLE)
        self.setMinimumHeight(36)
        self.setAccessibleName("Quick entry: say what it is, its size, colour, room")

    def remember(self, line: str) -> None:
        """Keep a line that was entered, to bring it back."""
        self._lines = [*self._lines, line][-KEPT_LINES:]
        self._back = 0

    @property
    def last(self) -> str:
        """The last line that was entered."""
        return self._lines[-1] if self._lines else ""

    def complete(self) -> bool:
        """Complete the last word; return whether there was a word to complete."""
        found = completions(self.text(), self._workspace.plan.stash)
        if not found or self.cursorPosition() != len(self.text()):
            return False
        head, _, _ = self.text().rpartition(" ")
        self.setText(f"{head} {found[0]} ".lstrip())
        return True

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Complete, repeat, or take a pasted list."""
        if event.key() == Qt.Key.Key_Up and self._lines:
            self._back = min(self._back + 1, len(self._lines))
            self.setText(self._lines[-self._back])
        elif event.key() == Qt.Key.Key_Down and self._back:
            self._back -= 1
            self.setText(self._lines[-self._back] if self._back else "")
        elif event.key() == Qt.Key.Key_Escape and self.text():
            self.clear()
        elif event.matches(QKeySequence.StandardKey.Paste) and "\n" in QGuiApplication.clipboard().text().strip():
            self.listed.emit(QGuiApplication.clipboard().text())
        else:
            super().keyPressEvent(event)

    def focusNextPrevChild(self, forward: bool) -> bool:
        """Complete a begun word on Tab; go on to the next field otherwise."""
        return (forward and self.complete()) or super().focusNextPrevChild(forward)


class EntryField(QWidget):
    """The line with its live drawing and what was understood."""

    entered = Signal(object)
    """A line was entered: a QuickEntry."""

    listed = Signal(str)
    """Several lines were pasted."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self.entry: QuickEntry | None = None
        self.line = EntryLine(workspace)
        self.preview = ThingsOnBoard(PREVIEW)
        self.said = words("", "small")
        self.row = QHBoxLayout()
        self.row.setSpacing(8)
        self.row.addWidget(self.line, 1)
        self.row.addWidget(self.preview)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(2)
        column.addLayout(self.row)
        column.addWidget(self.said)
        self.line.textChanged.connect(lambda _: self.refresh())
        self.line.returnPressed.connect(self._enter)
        self.line.listed.connect(self.listed)
        workspace.signals.length_unit_changed.connect(self.refresh)
        self.refresh()

    def refresh(self) -> None:
        """Read the line anew and show what it would make."""
        text = self.line.text()
        self.entry = None
        problem = ""
        if text.strip():
            try:
                self.entry = parse_entry(text, self._workspace.length_unit, self._workspace.plan.stash)
            except JollyLedgeError as error:
                problem = str(error)
        self.preview.show_items(self.entry.items if self.entry is not None else ())
        self.said.setText(self._sentence(text, problem))

    def _sentence(self, text: str, problem: str) -> str:
        if self.entry is None:
            begun = problem or "One line makes a thing, or several: 8 books linen 15-24 tall muted."
            found = completions(text, self._workspace.plan.stash)
            return f"{begun} Tab: {found[0]}." if found else begun
        first = self.entry.items[0]
        length = self._workspace.length
        sizes = " × ".join(
            f"{'≈ ' if side in first.guessed else ''}{length(getattr(first, side))}"
            for side in ("width", "height", "depth")
        )
        parts = [
            first.name if len(self.entry.items) == 1 else counted(len(self.entry.items), "thing"),
            sizes,
            plain(first.finish),
            first.room,
            f"{first.mass:g} kg" if first.mass is not None else "",
            *self.entry.notes,
            "≈ is guessed" if first.guessed else "",
        ]
        found = completions(text, self._workspace.plan.stash)
        end = f" · Tab: {found[0]}" if found else ""
        adds = f"Enter adds {'it' if len(self.entry.items) == 1 else 'them'}"
        return f"{' · '.join(part for part in (*parts, adds) if part)}{end}"

    def _enter(self) -> None:
        if self.entry is None:
            if self.line.text().strip():
                self._workspace.signals.refused.emit(self.said.text())
            return
        entry, text = self.entry, self.line.text()
        self.line.remember(text)
        self.line.clear()
        self.entered.emit(entry)

    def repeat(self) -> None:
        """Enter the last line once more."""
        if self.line.last:
            self.line.setText(self.line.last)
            self._enter()
