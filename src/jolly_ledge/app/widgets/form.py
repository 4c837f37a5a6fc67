"""Rows of fields beside a drawing."""

from collections.abc import Callable, Sequence

from PySide6.QtCore import Qt
from PySide6.QtWidgets import QComboBox, QFormLayout, QHBoxLayout, QLineEdit, QSpinBox, QWidget

from jolly_ledge.app.widgets.length_field import LengthField
from jolly_ledge.workspace.workspace import Workspace


class Form(QWidget):
    """Rows of fields that show the values in hand and commit what is changed."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self.rows = QFormLayout(self)
        self.rows.setContentsMargins(0, 0, 0, 0)
        self.rows.setSpacing(6)
        self.rows.setLabelAlignment(Qt.AlignmentFlag.AlignLeft)

    def length(self, label: str, name: str, on_length: Callable[[float], object]) -> LengthField:
        """Add a field for a length."""
        field = LengthField(self._workspace, on_length, name)
        self.rows.addRow(label, field)
        return field

    def text(self, label: str, on_text: Callable[[str], object]) -> QLineEdit:
        """Add a field for a word or two."""
        field = QLineEdit()
        field.setAccessibleName(label)
        field.editingFinished.connect(lambda: on_text(field.text().strip()))
        self.rows.addRow(label, field)
        return field

    def choice(self, label: str, choices: Sequence[tuple[str, str]], on_choice: Callable[[str], object]) -> QComboBox:
        """Add a choice of words."""
        box = QComboBox()
        box.setAccessibleName(label)
        for value, text in choices:
            box.addItem(text, value)
        box.activated.connect(lambda _: on_choice(box.currentData()))
        self.rows.addRow(label, box)
        return box

    def count(self, label: str, most: int, on_count: Callable[[int], object]) -> QSpinBox:
        """Add a field for a small number."""
        field = QSpinBox()
        field.setAccessibleName(label)
        field.setRange(1, most)
        field.setFixedWidth(96)
        field.setKeyboardTracking(False)
        field.lineEdit().setTextMargins(7, 0, 0, 0)
        field.valueChanged.connect(on_count)
        self.rows.addRow(label, field)
        return field


def at_left(widget: QWidget) -> QHBoxLayout:
    """Return a row with one widget as wide as it wants to be."""
    row = QHBoxLayout()
    row.addWidget(widget)
    row.addStretch(1)
    return row


def show_text(field: QLineEdit, text: str) -> None:
    """Show a text without disturbing who types in it."""
    if not field.hasFocus() and field.text() != text:
        field.setText(text)


def show_count(field: QSpinBox, value: int) -> None:
    """Show a number without telling anyone."""
    field.blockSignals(True)
    field.setValue(value)
    field.blockSignals(False)


def show_choice(box: QComboBox, value: str) -> None:
    """Show which word is chosen."""
    box.setCurrentIndex(max(box.findData(value), 0))
