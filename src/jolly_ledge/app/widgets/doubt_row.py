"""What is doubtful in a line: a row of kinds to choose from, and words that may be meant as they are typed."""

from PySide6.QtCore import QSize, Qt, Signal
from PySide6.QtWidgets import QHBoxLayout, QLayout, QToolButton, QWidget

from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.app.widgets.things_on_board import thing_icon
from jolly_ledge.model.entry.parser import QuickEntry
from jolly_ledge.model.entry.typical import drawn_as
from jolly_ledge.model.entry.vocabulary import KINDS
from jolly_ledge.model.phrases import capital

OFFERED = ("vase", "bowl", "box", "basket", "tray", "frame", "book", "plant", "branches", "candle", "lamp", "figure",
           "cloth", "cup", "object")  # fmt: skip
ICON = QSize(30, 26)


class DoubtRow(QWidget):
    """Asks what a line means where that is not sure; hidden where it is."""

    kind_chosen = Signal(str)
    meant_as_typed = Signal(str)

    def __init__(self) -> None:
        super().__init__()
        self.kinds: dict[str, QToolButton] = {}
        self.typed: list[QWidget] = []
        self._row = QHBoxLayout(self)
        self._row.setContentsMargins(0, 0, 0, 0)
        self._row.setSpacing(4)
        self._row.setSizeConstraint(QLayout.SizeConstraint.SetNoConstraint)
        self._asked = words("What is it?", "small")
        self._row.addWidget(self._asked)
        self._row.addStretch(1)
        self.hide()

    def _make_kinds(self) -> None:
        """Make the drawings when they are first asked for."""
        for place, noun in enumerate(OFFERED, start=1):
            kind = KINDS[noun]
            button = QToolButton()
            button.setIcon(thing_icon(drawn_as(kind), ICON))
            button.setIconSize(ICON)
            button.setCheckable(True)
            button.setToolTip(f"{capital(noun)}: drawn, measured and read as one")
            button.setAccessibleName(f"It is a kind of {noun}")
            button.setFixedSize(36, 32)
            button.setCursor(Qt.CursorShape.PointingHandCursor)
            button.clicked.connect(lambda _=False, noun=noun: self.kind_chosen.emit(noun))
            self.kinds[noun] = button
            self._row.insertWidget(place, button)

    def show_doubts(self, entry: QuickEntry | None, kind: str) -> None:
        """Ask what an entry leaves open; ``kind`` is what was chosen."""
        for old in self.typed:
            old.deleteLater()
        self.typed = []
        lacks = entry is not None and entry.lacks_kind
        if lacks and not self.kinds:
            self._make_kinds()
        for noun, button in self.kinds.items():
            button.setVisible(lacks)
            button.setChecked(noun == kind)
        self._asked.setVisible(lacks)
        for word, other in entry.corrected if entry is not None else ():
            typed = chip(f"“{word}”, not {other}", "The word is meant as it is typed", checkable=False)
            typed.clicked.connect(lambda _=False, word=word: self.meant_as_typed.emit(word))
            self._row.insertWidget(self._row.count() - 1, typed)
            self.typed.append(typed)
        self.setVisible(lacks or bool(self.typed))
