"""The colours of a thing, largest first: changed, added and taken out."""

from collections.abc import Callable
from functools import partial

from PySide6.QtWidgets import QHBoxLayout, QVBoxLayout, QWidget

from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.colour_button import ColourButton
from jolly_ledge.model.item import Item
from jolly_ledge.workspace.workspace import Workspace

MOST_COLOURS = 4
Colours = tuple[tuple[str, float], ...]


class ItemColours(QWidget):
    """A button for every colour of the thing in hand; ``on_change`` takes the colours with their shares."""

    def __init__(self, workspace: Workspace, on_change: Callable[[Colours], object]) -> None:
        super().__init__()
        self._workspace = workspace
        self._on_change = on_change
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(3)
        self.colour_buttons: list[ColourButton] = []
        for index in range(MOST_COLOURS):
            button = ColourButton(partial(self._set_colour, index), f"Colour {index + 1}")
            self.colour_buttons.append(button)
            column.addWidget(button)
        row = QHBoxLayout()
        self.more_colours = chip("Add a colour", checkable=False)
        self.more_colours.clicked.connect(self._add_colour)
        self.fewer_colours = chip("Take one out", checkable=False)
        self.fewer_colours.clicked.connect(self._drop_colour)
        row.addWidget(self.more_colours)
        row.addWidget(self.fewer_colours)
        row.addStretch(1)
        column.addLayout(row)

    def show_item(self, item: Item) -> None:
        """Show the colours of a thing."""
        for index, button in enumerate(self.colour_buttons):
            button.setVisible(index < len(item.colours))
            if index < len(item.colours):
                button.show_colour(item.colours[index][0])
        self.more_colours.setEnabled(len(item.colours) < MOST_COLOURS)
        self.fewer_colours.setEnabled(len(item.colours) > 1)

    def _set_colour(self, index: int, colour: str) -> None:
        item = self._workspace.item
        if item is not None:
            colours = list(item.colours)
            colours[index] = (colour, colours[index][1])
            self._on_change(tuple(colours))

    def _add_colour(self) -> None:
        item = self._workspace.item
        if item is not None:
            share = round(1 / (len(item.colours) + 1), 2)
            kept = tuple((colour, round(part * (1 - share), 2)) for colour, part in item.colours)
            self._on_change((*kept, ("#c9b28c", share)))

    def _drop_colour(self) -> None:
        item = self._workspace.item
        if item is not None:
            kept = item.colours[:-1]
            whole = sum(part for _, part in kept) or 1.0
            self._on_change(tuple((colour, round(part / whole, 2)) for colour, part in kept))
