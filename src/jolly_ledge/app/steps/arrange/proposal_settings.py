"""What is asked of the search: how many looks, for how long, in which manners, what stays, which throw of the dice."""

from typing import get_args

from PySide6.QtCore import Signal
from PySide6.QtWidgets import QComboBox, QHBoxLayout, QSpinBox, QWidget

from jolly_ledge.app.widgets.texts import words
from jolly_ledge.model.words import SEASONS, Season
from jolly_ledge.proposals.manners import Each

COUNTS = ("2", "3", "4", "5")
TIMES = (("5 s", 5.0), ("9 s", 9.0), ("30 s", 30.0), ("2 min", 120.0))
EACH: tuple[tuple[str, Each], ...] = (
    ("this manner", ""), ("each fullness", "fullness"), ("each figure", "figure"), ("each mood", "mood"),
)  # fmt: skip
LOCKED, STANDING, MOST, LEDGE = "what is locked", "all that stands", "most of it", "all but this ledge"
KEEPS = (LOCKED, STANDING, MOST, LEDGE)
STAY = 0.75
ANY_SEASON = "any season"
SEASON_WORDS: tuple[Season, ...] = get_args(Season)


class ProposalSettings(QWidget):
    """A row of short lists; whoever reads them asks the search."""

    changed = Signal()

    def __init__(self) -> None:
        super().__init__()
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(6)
        self.count_list = self._list("How many looks", COUNTS, "3")
        self.time_list = self._list("For how long", [text for text, _ in TIMES], "9 s")
        self.each_list = self._list("In which manners", [text for text, _ in EACH], "this manner")
        self.keep_list = self._list("What stays", KEEPS, LOCKED)
        self.season_list = self._list("For which season", (ANY_SEASON, *SEASONS), ANY_SEASON)
        self.throw_field = QSpinBox()
        self.throw_field.setRange(1, 9999)
        self.throw_field.setAccessibleName("Number of the try: the same number gives the same looks")
        self.throw_field.setToolTip("The number of the try: the same number gives the same looks")
        self.throw_field.setFixedWidth(66)
        for text, field in (
            ("Looks", self.count_list), ("for", self.time_list), ("in", self.each_list), ("keeping", self.keep_list),
            ("", self.season_list),
            ("try no.", self.throw_field),
        ):  # fmt: skip
            if text:
                row.addWidget(words(text, "soft", wrap=False))
            row.addWidget(field)
        row.addStretch(1)
        for field in (self.count_list, self.time_list, self.each_list, self.keep_list, self.season_list):
            field.activated.connect(lambda _: self.changed.emit())

    def _list(self, name: str, choices: tuple[str, ...] | list[str], chosen: str) -> QComboBox:
        field = QComboBox()
        field.addItems(list(choices))
        field.setCurrentText(chosen)
        field.setAccessibleName(name)
        field.setToolTip(name)
        field.setMinimumHeight(28)
        return field

    @property
    def each(self) -> Each:
        """Whether one look is asked for in each fullness, figure or mood of colour."""
        return EACH[self.each_list.currentIndex()][1]

    @property
    def count(self) -> int:
        """How many looks come."""
        return 3 if self.each else int(self.count_list.currentText())

    @property
    def seconds(self) -> float:
        """Time for all of them."""
        return TIMES[self.time_list.currentIndex()][1]

    @property
    def keeps(self) -> str:
        """What stays of the look in hand."""
        return self.keep_list.currentText()

    @property
    def season(self) -> Season | None:
        """The season that is asked for, if any."""
        index = self.season_list.currentIndex()
        return SEASON_WORDS[index - 1] if index else None

    @property
    def throw(self) -> int:
        """The throw of the dice."""
        return self.throw_field.value()

    def throw_again(self) -> None:
        """Take the next throw."""
        self.throw_field.setValue(self.throw % self.throw_field.maximum() + 1)
