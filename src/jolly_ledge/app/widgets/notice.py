"""A strip over the page that says something and offers what to do; nothing is modal."""

from collections.abc import Callable, Sequence

from PySide6.QtWidgets import QFrame, QHBoxLayout, QPushButton

from jolly_ledge.app.widgets.texts import words

Offer = tuple[str, Callable[[], object]]


class Notice(QFrame):
    """Shows one sentence with buttons, until one is pressed or another sentence comes."""

    def __init__(self) -> None:
        super().__init__()
        self.setObjectName("notice")
        row = QHBoxLayout(self)
        row.setContentsMargins(18, 8, 12, 8)
        self._label = words("")
        row.addWidget(self._label, 1)
        self._row = row
        self._buttons: list[QPushButton] = []
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
        self._label.setText(sentence)
        for text, action in (*offers, ("Close", lambda: None)):
            button = QPushButton(text)
            button.setMinimumHeight(28)
            button.clicked.connect(lambda _=False, action=action: self._take(action))
            self._row.addWidget(button)
            self._buttons.append(button)
        self.show()

    def _take(self, action: Callable[[], object]) -> None:
        self.hide()
        action()
