"""A finding or a caution as a card."""

from collections.abc import Callable

from PySide6.QtCore import QEvent, Qt
from PySide6.QtGui import QContextMenuEvent, QEnterEvent, QFocusEvent
from PySide6.QtWidgets import QFrame, QVBoxLayout

from jolly_ledge.app.widgets.own_menu import own_menu, pop_up
from jolly_ledge.app.widgets.texts import words


class Card(QFrame):
    """One sentence that can be pointed at, by the pointer or by the keyboard.

    Parameters
    ----------
    kind : str
        ``finding`` or ``caution``: gives the colour; the words above the sentence say it too.
    on_point : callable
        Called with the placements when pointed at, with none when left.
    """

    def __init__(self, kind: str, on_point: Callable[[tuple[str, ...]], object]) -> None:
        super().__init__()
        self.setObjectName(kind)
        self.setFocusPolicy(Qt.FocusPolicy.TabFocus)
        self._on_point = on_point
        self._placements: tuple[str, ...] = ()
        self.column = column = QVBoxLayout(self)
        column.setContentsMargins(10, 6, 10, 7)
        column.setSpacing(1)
        self._title = words("", "cardTitle", wrap=False)
        self._label = words("", "cardText")
        column.addWidget(self._title)
        column.addWidget(self._label)

    @property
    def sentence(self) -> str:
        """What it says."""
        return self._label.text()

    @property
    def placements(self) -> tuple[str, ...]:
        """What it speaks of."""
        return self._placements

    def say(self, title: str, sentence: str, placements: tuple[str, ...]) -> None:
        """Say another sentence."""
        self._placements = placements
        if self._label.text() != sentence or self._title.text() != title:
            self._title.setText(title)
            self._label.setText(sentence)
            self.setAccessibleName(f"{title}: {sentence}")

    def enterEvent(self, event: QEnterEvent) -> None:
        """Point at what it speaks of."""
        self._on_point(self._placements)
        super().enterEvent(event)

    def leaveEvent(self, event: QEvent) -> None:
        """Point at nothing."""
        self._on_point(())
        super().leaveEvent(event)

    def focusInEvent(self, event: QFocusEvent) -> None:
        """Point at what it speaks of."""
        self._on_point(self._placements)
        super().focusInEvent(event)

    def focusOutEvent(self, event: QFocusEvent) -> None:
        """Point at nothing."""
        self._on_point(())
        super().focusOutEvent(event)

    def contextMenuEvent(self, event: QContextMenuEvent) -> None:
        """List what can be done with it."""
        pop_up(own_menu(self, self._title.text()), event.globalPos())
        event.accept()
