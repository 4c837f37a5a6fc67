"""The keys of a page, laid over it: searched by what they do."""

from collections.abc import Sequence

from PySide6.QtCore import Qt
from PySide6.QtGui import QKeyEvent
from PySide6.QtWidgets import QFrame, QLineEdit, QPushButton, QVBoxLayout, QWidget

from jolly_ledge.app.widgets.plain_table import fill_row, plain_table
from jolly_ledge.app.widgets.texts import heading
from jolly_ledge.model.mishaps import survives

Keys = Sequence[tuple[str, str]]

WIDE, MARGIN = 460, 28
ARROWS = {"Left": "←", "Right": "→", "Up": "↑", "Down": "↓", "Pg↑": "Page up", "Pg↓": "Page down"}


class KeysSheet(QFrame):
    """Lists keys over what it is laid on; Esc puts it away."""

    def __init__(self, over: QWidget) -> None:
        super().__init__(over)
        self.setObjectName("keys-sheet")
        column = QVBoxLayout(self)
        column.setContentsMargins(18, 14, 18, 14)
        column.addWidget(heading("Keys on this page", 18))
        self.search = QLineEdit()
        self.search.setPlaceholderText("What do you want to do?")
        self.search.setAccessibleName("Search the keys")
        self.search.textChanged.connect(self._fill)
        column.addWidget(self.search)
        self.table = plain_table(("Keys", "What they do"), (170, 200), name="Keys")
        column.addWidget(self.table, 1)
        away = QPushButton("Close")
        away.setMinimumHeight(28)
        away.clicked.connect(self.put_away)
        column.addWidget(away, 0, Qt.AlignmentFlag.AlignRight)
        self._keys: list[tuple[str, str]] = []
        self._held_before: QWidget | None = None
        self.hide()

    def toggle(self, keys: Keys, everywhere: Keys) -> None:
        """Show the keys of a page, then those that are heard everywhere; or put them away."""
        if self.isVisible():
            self.put_away()
            return
        # One line for what several keys do.
        said: dict[str, list[str]] = {}
        for key, what in (*keys, *everywhere):
            for word, arrow in ARROWS.items():
                key = key.replace(word, arrow)
            said.setdefault(what, []).append(key)
        self._keys = [(_joined(those), what) for what, those in said.items()]
        over = self.parentWidget()
        self._held_before = over.window().focusWidget() if over is not None else None
        self.search.clear()
        self._fill()
        if over is not None:
            self.setGeometry(over.width() - WIDE - MARGIN, MARGIN, WIDE, over.height() - 2 * MARGIN)
        self.show()
        self.raise_()
        self.search.setFocus()

    def put_away(self) -> None:
        """Put the sheet away; what was in hand before is again."""
        self.hide()
        if self._held_before is not None:
            self._held_before.setFocus()

    def _fill(self) -> None:
        words = self.search.text().lower().split()
        shown = [row for row in self._keys if all(word in " ".join(row).lower() for word in words)]
        self.table.setRowCount(len(shown))
        for number, row in enumerate(shown):
            fill_row(self.table, number, row)

    @survives
    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Esc puts it away."""
        if event.key() == Qt.Key.Key_Escape:
            self.put_away()
            return
        super().keyPressEvent(event)


def _joined(keys: Sequence[str]) -> str:
    """Return keys in a line; the four arrows are told once."""
    if len(keys) == len("←→↑↓") and all(key[-1] in "←→↑↓" for key in keys):
        return f"{keys[0][:-1]}{' '.join(key[-1] for key in keys)}"
    return ", ".join(keys)
