"""Text in a field that a person may be writing in."""

from PySide6.QtWidgets import QPlainTextEdit


def show_text(field: QPlainTextEdit, text: str) -> None:
    """Show the text, unless it is being written."""
    if not field.hasFocus() and field.toPlainText() != text:
        field.blockSignals(True)
        field.setPlainText(text)
        field.blockSignals(False)
