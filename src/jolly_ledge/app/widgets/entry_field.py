"""Quick entry: one line makes things; what it would make is drawn while it is typed."""

from html import escape

from PySide6.QtCore import QSize, Qt, Signal
from PySide6.QtGui import QGuiApplication, QKeyEvent, QKeySequence
from PySide6.QtWidgets import QHBoxLayout, QLineEdit, QVBoxLayout, QWidget

from jolly_ledge.app.widgets.doubt_row import DoubtRow
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.app.widgets.things_on_board import ThingsOnBoard
from jolly_ledge.model.entry.parser import NOT_KNOWN, QuickEntry, completions, parse_entry
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.phrases import counted, listed
from jolly_ledge.model.words import plain
from jolly_ledge.workspace.workspace import Workspace

PREVIEW = QSize(128, 40)
EXAMPLE = "vase stoneware 18x32 sand rough hall 2.1kg"
KEPT_LINES = 30


class EntryLine(QLineEdit):
    """The line itself: Tab completes, the up arrow brings the last line back, a pasted list is told apart.

    While it is empty, undo and redo are the plan's.
    """

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
        elif not self.text() and event.matches(QKeySequence.StandardKey.Undo):
            self._workspace.undo()
        elif not self.text() and event.matches(QKeySequence.StandardKey.Redo):
            self._workspace.redo()
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
        self.said.setTextFormat(Qt.TextFormat.RichText)
        self._problem = ""
        self.doubts = DoubtRow()
        self._kind, self._literal = NOT_KNOWN, frozenset[str]()
        self.row = QHBoxLayout()
        self.row.setSpacing(8)
        self.row.addWidget(self.line, 1)
        self.row.addWidget(self.preview)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(2)
        column.addLayout(self.row)
        column.addWidget(self.said)
        column.addWidget(self.doubts)
        self.doubts.kind_chosen.connect(self._take_as)
        self.doubts.meant_as_typed.connect(self._take_literally)
        self.line.textChanged.connect(lambda _: self.refresh())
        self.line.returnPressed.connect(self._enter)
        self.line.listed.connect(self.listed)
        workspace.signals.length_unit_changed.connect(self.refresh)
        self.refresh()

    def refresh(self) -> None:
        """Read the line anew and show what it would make."""
        text = self.line.text()
        self.entry = None
        self._problem = ""
        if not text.strip():
            self._kind, self._literal = NOT_KNOWN, frozenset()
        else:
            workspace = self._workspace
            try:
                self.entry = parse_entry(
                    text, workspace.length_unit, workspace.plan.stash, kind=self._kind, literal=self._literal
                )
            except JollyLedgeError as error:
                self._problem = str(error)
        self.preview.show_items(self.entry.items if self.entry is not None else ())
        self.said.setText(self._sentence(text, self._problem))
        self.doubts.show_doubts(self.entry, self._kind)

    def _take_as(self, noun: str) -> None:
        """Take what names no kind for one of these."""
        self._kind = noun
        self.refresh()
        self.line.setFocus()

    def _take_literally(self, word: str) -> None:
        """Take a word as it is typed."""
        self._literal |= {word.lower()}
        self.refresh()
        self.line.setFocus()

    def _sentence(self, text: str, problem: str) -> str:
        """Return what was understood, as rich text."""
        found = completions(text, self._workspace.plan.stash)
        if self.entry is None:
            begun = problem or "One line makes a thing, or several: 8 books linen 15-24 tall muted."
            return escape(f"{begun} Tab: {found[0]}." if found else begun)
        first = self.entry.items[0]
        length = self._workspace.length
        sizes = " × ".join(
            f"{'≈ ' if side in first.guessed else ''}{length(getattr(first, side))}"
            for side in ("width", "height", "depth")
        )
        parts = [
            sizes,
            plain(first.finish),
            first.room,
            f"{first.mass:g} kg" if first.mass is not None else "",
            *self.entry.notes,
            "not a kind that is known: an object" if self.entry.lacks_kind and self._kind == NOT_KNOWN else "",
            "≈ is guessed" if first.guessed else "",
            f"Enter adds {'it' if len(self.entry.items) == 1 else 'them'}",
        ]
        end = f" · Tab: {found[0]}" if found else ""
        return " · ".join((self._named(), *(escape(part) for part in parts if part))) + escape(end)

    def _named(self) -> str:
        """Return the names; words that are not known are underlined: they stay in the name and tell nothing else."""
        assert self.entry is not None
        items = self.entry.items
        names = list(dict.fromkeys(item.name.rstrip("0123456789 ") or item.name for item in items))
        said = escape(items[0].name if len(items) == 1 else f"{counted(len(items), 'thing')}: {listed(names)}")
        for word in self.entry.own:
            said = said.replace(escape(word), f"<u>{escape(word)}</u>", 1)
        return said

    def _enter(self) -> None:
        if self.entry is None:
            if self.line.text().strip():
                self._workspace.signals.refused.emit(self._problem)
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
