"""A strip that lies over the page, says something and offers what to do; nothing is modal and nothing is moved."""

from collections.abc import Callable, Sequence

from PySide6.QtCore import QEvent, QObject
from PySide6.QtWidgets import QFrame, QHBoxLayout, QPushButton, QWidget

from jolly_ledge.app.widgets.texts import words

WIDEST, ASIDE, DOWN = 760, 24, 44
"""It is no wider, stays so far from the sides and leaves the head of the page free, in pixels."""

Offer = tuple[str, Callable[[], object]]


class Notice(QFrame):
    """Shows one sentence with buttons, until one is pressed, another sentence comes, or it is true no more.

    Parameters
    ----------
    over : QWidget, optional
        What it lies over, near the upper edge.
    at_foot : callable, optional
        Whether it lies at the foot instead, where drawings stand at the head.
    """

    def __init__(self, over: QWidget | None = None, at_foot: Callable[[], bool] = lambda: False) -> None:
        super().__init__(over)
        self._at_foot = at_foot
        if over is not None:
            over.installEventFilter(self)
        self.setObjectName("notice")
        row = QHBoxLayout(self)
        row.setContentsMargins(18, 8, 12, 8)
        self._label = words("")
        row.addWidget(self._label, 1)
        self._row = row
        self._buttons: list[QPushButton] = []
        self._is_passing = False
        self.hide()

    @property
    def sentence(self) -> str:
        """What it says now, empty when hidden."""
        return "" if self.isHidden() else self._label.text()

    @property
    def buttons(self) -> dict[str, QPushButton]:
        """The buttons offered now, by their words."""
        return {button.text(): button for button in self._buttons}

    def say(self, sentence: str, offers: Sequence[Offer] = (), *, good: bool = False) -> None:
        """Say a sentence; "Close" is always offered last."""
        self.setProperty("good", good)
        self.style().unpolish(self)
        self.style().polish(self)
        for button in self._buttons:
            self._row.removeWidget(button)
            button.deleteLater()
        self._buttons = []
        self._is_passing = not offers
        self._label.setText(sentence)
        for text, action in (*offers, ("Close", lambda: None)):
            button = QPushButton(text)
            button.setMinimumHeight(28)
            button.clicked.connect(lambda _=False, action=action: self._take(action))
            self._row.addWidget(button)
            self._buttons.append(button)
        self._lie()
        self.show()
        self.raise_()

    def outlive(self) -> None:
        """Leave when the plan is another one: what was only said was said of the plan before."""
        if self._is_passing:
            self.hide()

    def eventFilter(self, watched: QObject, event: QEvent) -> bool:
        """Keep to the edge of what it lies over."""
        if event.type() == QEvent.Type.Resize:
            self._lie()
        return False

    def _lie(self) -> None:
        over = self.parentWidget()
        if over is None:
            return
        wide = min(WIDEST, over.width() - 2 * ASIDE)
        self.setFixedWidth(max(wide, 0))
        high = max(self.heightForWidth(wide), self.sizeHint().height())
        top = over.height() - high - ASIDE if self._at_foot() else DOWN
        self.setGeometry((over.width() - wide) // 2, top, wide, high)

    def _take(self, action: Callable[[], object]) -> None:
        self.hide()
        action()
