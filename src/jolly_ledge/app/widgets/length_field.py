"""A field for a length in the user's unit."""

from collections.abc import Callable

from PySide6.QtCore import Qt
from PySide6.QtGui import QFocusEvent, QKeyEvent
from PySide6.QtWidgets import QLineEdit

from jolly_ledge.model.errors import LengthError
from jolly_ledge.model.lengths import format_length, parse_length
from jolly_ledge.workspace.workspace import Workspace


class LengthField(QLineEdit):
    """Takes ``12 1/2 in``, ``31.5 cm`` or a bare number in the unit in force.

    Return or leaving the field commits; Esc brings the old figure back. What cannot be read stays
    in the field, marked, with the reason as a tip.
    """

    def __init__(self, workspace: Workspace, on_length: Callable[[float], object], name: str = "") -> None:
        super().__init__()
        self._workspace = workspace
        self._on_length = on_length
        self._length: float | None = None
        self.may_be_empty = False
        """Whether an emptied field means nought (not told) instead of bringing the old figure back."""
        self.setAccessibleName(name)
        self.setFixedWidth(96)
        self.editingFinished.connect(self._commit)

    @property
    def length(self) -> float | None:
        """The length shown, in mm."""
        return self._length

    def show_length(self, length: float | None) -> None:
        """Show a length without telling anyone."""
        self._length = length
        self._mark(None)
        self.setText("" if length is None else format_length(length, self._workspace.length_unit))

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Bring the old figure back on Esc."""
        if event.key() == Qt.Key.Key_Escape:
            self.show_length(self._length)
            self.clearFocus()
        else:
            super().keyPressEvent(event)

    def focusInEvent(self, event: QFocusEvent) -> None:
        """Take the whole figure, ready to be typed over."""
        super().focusInEvent(event)
        self.selectAll()

    def _commit(self) -> None:
        text = self.text().strip()
        if self._length is not None and text == format_length(self._length, self._workspace.length_unit):
            return
        if not text:
            if self.may_be_empty and self._length is not None:
                self._length = None
                self._on_length(0.0)
            else:
                self.show_length(self._length)
            return
        try:
            length = parse_length(text, self._workspace.length_unit)
        except LengthError as error:
            self._mark(str(error))
            return
        self._mark(None)
        self._length = length
        self._on_length(length)

    def _mark(self, problem: str | None) -> None:
        self.setToolTip(problem or "")
        if self.property("wrong") != bool(problem):
            self.setProperty("wrong", bool(problem))
            self.style().unpolish(self)
            self.style().polish(self)
