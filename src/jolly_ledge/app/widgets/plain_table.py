"""A table as it looks everywhere here: no grid, whole rows, one column that takes the room that is left."""

from collections.abc import Sequence

from PySide6.QtCore import Qt
from PySide6.QtGui import QResizeEvent
from PySide6.QtWidgets import QHeaderView, QTableWidget, QTableWidgetItem

from jolly_ledge.model.mishaps import survives

LEAST_SECTION, LEAST_NAME_PX, LEAST_TOLD_PX = 30, 150, 118
"""No column is narrower than the first, in pixels; the one with the names no narrower than the second, and none that
says more than the third is narrowed below it: a figure that is cut tells something wrong.
"""


class PlainTable(QTableWidget):
    """Gives its second column the room that is left, and scrolls where that would be too little to read.

    With ``setWordWrap`` its rows are as high as what they say.
    """

    _fits = False

    @survives
    def resizeEvent(self, event: QResizeEvent) -> None:
        """Share the room anew."""
        super().resizeEvent(event)
        if self._fits:
            self.fit_columns()
        self.share_room()

    def fit_columns(self) -> None:
        """Make the columns after the second as wide as what they say; the widest give way, then the table scrolls."""
        self._fits = True
        head = self.horizontalHeader()
        wanted = {
            column: max(self.sizeHintForColumn(column), head.sectionSizeHint(column), LEAST_SECTION)
            for column in range(2, head.count())
        }
        room = self.viewport().width() - head.sectionSize(0) - LEAST_NAME_PX
        most = room_for_each(list(wanted.values()), room)
        for column, width in wanted.items():
            head.resizeSection(column, min(width, max(most, LEAST_TOLD_PX)))
        self.share_room()
        if self.wordWrap():
            self.resizeRowsToContents()

    def share_room(self) -> None:
        """Let the second column have the room that is left, if it is enough for a name."""
        head = self.horizontalHeader()
        others = sum(head.sectionSize(column) for column in range(head.count()) if column != 1)
        enough = self.viewport().width() - others >= LEAST_NAME_PX
        head.setSectionResizeMode(1, QHeaderView.ResizeMode.Stretch if enough else QHeaderView.ResizeMode.Interactive)
        if not enough:
            head.resizeSection(1, LEAST_NAME_PX)


def room_for_each(wanted: Sequence[int], room: int) -> int:
    """Return the width, in pixels, that no column may pass so that all of them find room.

    >>> room_for_each([40, 200, 300], 400)
    180
    """
    left = room
    for number, width in enumerate(sorted(wanted)):
        share = left // (len(wanted) - number)
        if width > share:
            return share
        left -= width
    return max(wanted, default=room)


def plain_table(
    columns: Sequence[str], widths: Sequence[int], *, name: str, row_height: int = 30, typed_into: bool = False
) -> PlainTable:
    """Return an empty table; its second column takes the room that is left."""
    table = PlainTable(0, len(columns))
    table.setHorizontalHeaderLabels(list(columns))
    table.setAccessibleName(name)
    table.verticalHeader().hide()
    table.verticalHeader().setDefaultSectionSize(row_height)
    table.verticalHeader().setMinimumSectionSize(row_height)
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
    head.setDefaultAlignment(Qt.AlignmentFlag.AlignLeft)
    head.setMinimumSectionSize(LEAST_SECTION)
    table.share_room()
    return table


def fill_row(table: QTableWidget, row: int, texts: Sequence[str], tips: Sequence[str] = ()) -> None:
    """Write texts into a row; each tells itself whole on a tip, or what is told for it."""
    for column, text in enumerate(texts):
        cell = QTableWidgetItem(text)
        cell.setToolTip(tips[column] if tips else text)
        table.setItem(row, column, cell)
