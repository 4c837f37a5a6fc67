"""A table as it looks everywhere here: no grid, whole rows, one column that takes the room that is left."""

from collections.abc import Sequence

from PySide6.QtCore import Qt
from PySide6.QtWidgets import QHeaderView, QTableWidget, QTableWidgetItem

LEAST_SECTION = 30


def plain_table(
    columns: Sequence[str], widths: Sequence[int], *, name: str, row_height: int = 30, typed_into: bool = False
) -> QTableWidget:
    """Return an empty table; its second column takes the room that is left."""
    table = QTableWidget(0, len(columns))
    table.setHorizontalHeaderLabels(list(columns))
    table.setAccessibleName(name)
    table.verticalHeader().hide()
    table.verticalHeader().setDefaultSectionSize(row_height)
    table.setShowGrid(False)
    table.setAlternatingRowColors(True)
    table.setWordWrap(False)
    if not typed_into:
        table.setEditTriggers(QTableWidget.EditTrigger.NoEditTriggers)
        table.setSelectionBehavior(QTableWidget.SelectionBehavior.SelectRows)
    head = table.horizontalHeader()
    head.setAccessibleName(f"Columns of {name}")
    for column, width in enumerate(widths):
        head.resizeSection(column, width)
    head.setSectionResizeMode(1, QHeaderView.ResizeMode.Stretch)
    head.setDefaultAlignment(Qt.AlignmentFlag.AlignLeft)
    head.setMinimumSectionSize(LEAST_SECTION)
    return table


def fill_row(table: QTableWidget, row: int, texts: Sequence[str], tips: Sequence[str] = ()) -> None:
    """Write texts into a row; each tells itself whole on a tip, or what is told for it."""
    for column, text in enumerate(texts):
        cell = QTableWidgetItem(text)
        cell.setToolTip(tips[column] if tips else text)
        table.setItem(row, column, cell)
