"""The tools over a photograph: none yet, its corners to mark, the straight picture to measure in."""

from collections.abc import Sequence

from PySide6.QtCore import Signal
from PySide6.QtWidgets import QHBoxLayout, QPushButton, QVBoxLayout, QWidget

from jolly_ledge.app.widgets.chip import ChipRow, chip
from jolly_ledge.app.widgets.length_field import LengthField
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.model.piece import Corner, Piece
from jolly_ledge.photos.perspective import SHEETS, sheet_as_it_lies
from jolly_ledge.workspace.workspace import Workspace

KNOWN_CHOICES = (
    ("piece", "The whole piece", "Its outer width and height, as measured"),
    ("a4", "A4 sheet", "210 by 297 mm, lying flat on the front"),
    ("letter", "Letter sheet", "8 1/2 by 11 in, lying flat on the front"),
    ("other", "Something else", "Anything flat and square-cornered on the front"),
)
TOOL_CHOICES = (
    ("length", "A length", "Click its two ends"),
    ("shelf", "Shelf edges", "Click both ends of a shelf's top edge; with Shift one click makes one more as wide"),
    ("outline", "The outline", "Click the lower left and the upper right corner of the piece"),
    ("colour", "Back colour", "Click the back of an opening"),
)

UNTOLD_MM = 300.0


class EmptyStrip(QWidget):
    """Tells what photograph is wanted."""

    def __init__(self) -> None:
        super().__init__()
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 0)
        row.addWidget(
            words(
                "Load a photograph of the front. It should show the whole piece, or a sheet of paper fixed flat to it; "
                "stand a few steps back and hold the camera level.",
                "soft",
            ),
            1,
        )


class CornerStrip(QWidget):
    """Says whose corners are marked and how large that is."""

    sizes_told = Signal()

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(4)
        row = QHBoxLayout()
        row.setSpacing(6)
        row.addWidget(words("The corners are those of", wrap=False))
        self.known_row = ChipRow(KNOWN_CHOICES)
        self.known_row.show_choice("piece")
        row.addWidget(self.known_row, 1)
        column.addLayout(row)
        row = QHBoxLayout()
        row.setSpacing(6)
        self.known_width = LengthField(workspace, lambda _: self.sizes_told.emit(), "known width")
        self.known_height = LengthField(workspace, lambda _: self.sizes_told.emit(), "known height")
        row.addWidget(words("wide", wrap=False))
        row.addWidget(self.known_width)
        row.addWidget(words("high", wrap=False))
        row.addWidget(self.known_height)
        row.addStretch(1)
        self.fit_button = chip("Pull onto the edges", "Moves the corners to the edges seen near them", checkable=False)
        self.straighten_button = QPushButton("Straighten")
        self.straighten_button.setObjectName("primary")
        self.straighten_button.setMinimumHeight(28)
        row.addWidget(self.fit_button)
        row.addWidget(self.straighten_button)
        column.addLayout(row)

    def show_known(self, known: str, piece: Piece, corners: Sequence[Corner]) -> None:
        """Show the size of what is marked: the piece, a sheet as it lies, or what is typed."""
        self.known_row.show_choice(known)
        if known == "piece":
            width, height = piece.width, piece.height
        elif known in SHEETS:
            width, height = sheet_as_it_lies(known, corners)
        else:
            width, height = self.known_width.length or UNTOLD_MM, self.known_height.length or UNTOLD_MM
        self.known_width.show_length(width)
        self.known_height.show_length(height)
        for field in (self.known_width, self.known_height):
            field.setEnabled(known in ("piece", "other"))


class StraightStrip(QWidget):
    """What can be taken from the straight picture."""

    def __init__(self) -> None:
        super().__init__()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(4)
        row = QHBoxLayout()
        row.setSpacing(6)
        self.tools = ChipRow(TOOL_CHOICES)
        self.tools.show_choice("length")
        row.addWidget(self.tools, 1)
        self.again_button = chip("Mark the corners again", checkable=False)
        row.addWidget(self.again_button)
        column.addLayout(row)
        row = QHBoxLayout()
        row.setSpacing(6)
        self.light_button = chip("Read the light", "Bright, medium or low for every opening", checkable=False)
        self.clear_button = chip("Clear the shelves", "Take all ledges out, to mark them here", checkable=False)
        self.width_button = chip("Outer width", "The length just measured is the outer width", checkable=False)
        self.height_button = chip("Outer height", "The length just measured is the outer height", checkable=False)
        self.keep_button = QPushButton("Lay under drawing")
        self.keep_button.setObjectName("primary")
        self.keep_button.setMinimumHeight(28)
        for button in (self.light_button, self.clear_button, self.width_button, self.height_button):
            row.addWidget(button)
        row.addStretch(1)
        row.addWidget(self.keep_button)
        column.addLayout(row)
