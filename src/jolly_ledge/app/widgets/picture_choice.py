"""A choice among forms that opens as a sheet of small drawings."""

from collections.abc import Callable, Sequence

from PySide6.QtCore import QSize, Qt
from PySide6.QtWidgets import QComboBox, QListView

from jolly_ledge.app.widgets.things_on_board import thing_icon
from jolly_ledge.model.item import Item
from jolly_ledge.model.words import plain

ICON = QSize(44, 40)
CELL = QSize(92, 66)
COLUMNS, ROWS = 5, 6


class PictureChoice(QComboBox):
    """A box that shows what is chosen in a word, and all there is to choose as drawings.

    Parameters
    ----------
    name : str
        What is chosen, for who hears the window.
    choices : sequence of str
        Values; the word shown is their plain form.
    drawn : callable
        Makes the thing that stands for a value; called when the sheet is first opened.
    on_choice : callable
        Called with the value a person chooses.
    """

    def __init__(
        self, name: str, choices: Sequence[str], drawn: Callable[[str], Item], on_choice: Callable[[str], object]
    ) -> None:
        super().__init__()
        self._drawn = drawn
        self._is_drawn = False
        self.setAccessibleName(name)
        for value in choices:
            self.addItem(plain(value), value)
        sheet = QListView(self)
        sheet.setViewMode(QListView.ViewMode.IconMode)
        sheet.setMovement(QListView.Movement.Static)
        sheet.setResizeMode(QListView.ResizeMode.Adjust)
        sheet.setIconSize(ICON)
        sheet.setGridSize(CELL)
        sheet.setWordWrap(True)
        sheet.setTextElideMode(Qt.TextElideMode.ElideNone)
        sheet.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        sheet.setMinimumSize(CELL.width() * COLUMNS + 22, CELL.height() * ROWS)
        self.setView(sheet)
        self.activated.connect(lambda _: on_choice(self.currentData()))

    def showPopup(self) -> None:
        """Open the sheet; its drawings are made when they are first asked for."""
        if not self._is_drawn:
            self._is_drawn = True
            for index in range(self.count()):
                self.setItemIcon(index, thing_icon(self._drawn(self.itemData(index)), ICON))
        super().showPopup()
