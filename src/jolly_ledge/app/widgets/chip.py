"""Choices as rounded chips."""

from collections.abc import Callable, Sequence

from PySide6.QtCore import Qt, Signal
from PySide6.QtWidgets import QButtonGroup, QHBoxLayout, QPushButton, QWidget


def chip(
    text: str, tip: str = "", *, checkable: bool = True, checked: bool = False, small: bool = False
) -> QPushButton:
    """Return one chip; a small one where many stand together."""
    button = QPushButton(text)
    if small:
        button.setObjectName("small")
    button.setCheckable(checkable)
    button.setChecked(checked)
    button.setMinimumHeight(28)
    button.setCursor(Qt.CursorShape.PointingHandCursor)
    if tip:
        button.setToolTip(tip)
    return button


class ChipRow(QWidget):
    """A row of chips of which exactly one is chosen.

    Parameters
    ----------
    choices : sequence of (value, text, tip)
    on_choice : callable, optional
        Called with the value when a person chooses, beside the signal.
    """

    chosen = Signal(str)

    def __init__(
        self, choices: Sequence[tuple[str, str, str]], on_choice: Callable[[str], object] | None = None
    ) -> None:
        super().__init__()
        if on_choice is not None:
            self.chosen.connect(on_choice)
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(6)
        self._group = QButtonGroup(self)
        self._group.setExclusive(True)
        self.chips: dict[str, QPushButton] = {}
        for value, text, tip in choices:
            button = chip(text, tip)
            button.clicked.connect(lambda _=False, value=value: self.chosen.emit(value))
            self._group.addButton(button)
            self.chips[value] = button
            row.addWidget(button)
        row.addStretch(1)

    def show_choice(self, value: str) -> None:
        """Show which is chosen without telling anyone."""
        if value in self.chips:
            self.chips[value].setChecked(True)
