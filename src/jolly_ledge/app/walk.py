"""A walk through the demo: ten stops with a sentence each, which show where things are."""

from collections.abc import Callable
from typing import TYPE_CHECKING

from msgspec import Struct
from PySide6.QtCore import QEvent, QObject
from PySide6.QtWidgets import QFrame, QHBoxLayout, QPushButton, QVBoxLayout, QWidget

from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.widgets.texts import heading, words

if TYPE_CHECKING:
    from jolly_ledge.app.main_window import MainWindow

WIDE, ASIDE = 470, 18


class Stop(Struct, frozen=True):
    """A stop of the walk: what it is about, a sentence, and what shows it."""

    title: str
    sentence: str
    show: Callable[["MainWindow"], object]


def _arrange(window: "MainWindow", look: str) -> ArrangeStep:
    """Return Arrange with a look of the demo in hand."""
    if any(one.id == look for one in window.workspace.plan.looks):
        window.workspace.choose_look(look)
    window.show_step("Arrange")
    page = window.step("Arrange")
    assert isinstance(page, ArrangeStep)
    page.show_look()
    return page


def _gather(window: "MainWindow") -> None:
    from jolly_ledge.app.steps.gather.gather_step import GatherStep

    window.show_step("Gather")
    page = window.step("Gather")
    if isinstance(page, GatherStep):
        page.pages.show_line_up()
        page.entry.line.setText("two brass candlesticks 9x28 study")
        page.entry.line.setFocus()


def _measure(window: "MainWindow") -> None:
    window.show_step("Measure")


def _mend(window: "MainWindow") -> None:
    page = _arrange(window, "first-try")
    page.readings.notes.open_first_mend()


def _seat(window: "MainWindow") -> None:
    page = _arrange(window, "low-tea")
    page.view_strip.look_from("Seat 1")


def _straight(window: "MainWindow") -> None:
    page = _arrange(window, "first-try")
    page.view_strip.look_from("Straight on")


def _place(window: "MainWindow") -> None:
    if any(one.id == "first-try" for one in window.workspace.plan.looks):
        window.workspace.choose_look("first-try")
    window.show_step("Place")


STOPS: tuple[Stop, ...] = (
    Stop("What is wished", "Brief tells who lives there, how full it may be, which colours; the advice follows it.",
         lambda window: window.show_step("Brief")),
    Stop("How large it is", "Measure draws the piece to scale; click a ledge and type what the tape says, or measure "
         "in a photograph.", _measure),
    Stop("What there is", "Gather reads a line as you would write it; what it guesses bears ≈, what it does not know "
         "it asks.", _gather),
    Stop("How it looks", "In Arrange you drag things from the board onto the drawing; the wheel zooms, the right "
         "button tells what can be done.", _straight),
    Stop("What an eye finds", "Beside the drawing stands what is amiss, the weightiest first, and what must not stay "
         "so; open a question to see why.", lambda window: _arrange(window, "first-try")),
    Stop("How to mend it", "“How to mend it” offers moves with what each gains; try one on the drawing before you "
         "take it.", _mend),
    Stop("How it could look", "“Propose looks” composes whole looks from your stash while you watch; you take one "
         "over, or only a ledge.", lambda window: _arrange(window, "first-try").show_proposals()),
    Stop("From the chair", "A low table is judged from where people sit; “Straight on” brings the front back.", _seat),
    Stop("Where it goes", "Place puts the steps in order with figures for the tape, prints the sheet, and ticks off.",
         _place),
    Stop("How it was", "Keep holds every version with its log and photographs, and lays two side by side.",
         lambda window: window.show_step("Keep")),
)  # fmt: skip


class WalkCard(QFrame):
    """Lies over a corner of the page and leads from stop to stop."""

    def __init__(self, window: "MainWindow", over: QWidget) -> None:
        super().__init__(over)
        self._window, self._over = window, over
        self.at = 0
        self.setObjectName("keys-sheet")
        self.setAccessibleName("A walk through the demo")
        over.installEventFilter(self)
        column = QVBoxLayout(self)
        column.setContentsMargins(16, 10, 16, 10)
        column.setSpacing(4)
        self.title = heading("", 17)
        self.sentence = words("")
        column.addWidget(self.title)
        column.addWidget(self.sentence)
        row = QHBoxLayout()
        row.setSpacing(6)
        self.count = words("", "soft", wrap=False)
        row.addWidget(self.count)
        row.addStretch(1)
        self.back_button = self._button(row, "Back", lambda: self.go_to(self.at - 1))
        self.show_button = self._button(row, "Show me", self.show_stop)
        self.next_button = self._button(row, "On", lambda: self.go_to(self.at + 1))
        self.end_button = self._button(row, "End the walk", self.hide)
        column.addLayout(row)
        self.hide()

    @staticmethod
    def _button(row: QHBoxLayout, text: str, doing: Callable[[], object]) -> QPushButton:
        button = QPushButton(text)
        button.setMinimumHeight(28)
        button.clicked.connect(lambda: doing())
        row.addWidget(button)
        return button

    def go_to(self, at: int) -> None:
        """Come to a stop; past the last one the walk ends."""
        if at >= len(STOPS):
            self.hide()
            return
        self.at = max(at, 0)
        stop = STOPS[self.at]
        self.title.setText(stop.title)
        self.sentence.setText(stop.sentence)
        self.count.setText(f"{self.at + 1} of {len(STOPS)}")
        self.back_button.setEnabled(self.at > 0)
        last = self.at == len(STOPS) - 1
        self.next_button.setText("Done" if last else "On")
        self.end_button.setVisible(not last)
        self._lie()
        self.show()
        self.raise_()

    def show_stop(self) -> None:
        """Show what the stop is about."""
        STOPS[self.at].show(self._window)
        self.raise_()

    def eventFilter(self, watched: QObject, event: QEvent) -> bool:
        """Keep to the lower left corner of what it lies over."""
        if event.type() == QEvent.Type.Resize:
            self._lie()
        return False

    def _lie(self) -> None:
        over = self._over
        wide = min(WIDE, over.width() - 2 * ASIDE)
        self.setFixedWidth(max(wide, 0))
        high = max(self.heightForWidth(wide), self.sizeHint().height())
        self.setGeometry(ASIDE, over.height() - high - ASIDE, wide, high)
