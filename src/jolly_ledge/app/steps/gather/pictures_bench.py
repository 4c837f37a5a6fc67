"""The bench on which one photographed thing is told: its light, its colours and outline, what it is, how high."""

from functools import partial

from PySide6.QtCore import QSize, Qt, Signal
from PySide6.QtWidgets import QHBoxLayout, QLabel, QLineEdit, QPushButton, QVBoxLayout, QWidget

from jolly_ledge.app.steps.gather.picture_draft import PictureDraft
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.colour_button import swatch
from jolly_ledge.app.widgets.length_field import LengthField
from jolly_ledge.app.widgets.spot_picker import SpotPicker
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.app.widgets.things_on_board import ThingsOnBoard
from jolly_ledge.model.colour import family_name
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.item import Item
from jolly_ledge.photos.intake import taken_in_light
from jolly_ledge.photos.things import Reference
from jolly_ledge.workspace.workspace import Workspace

DRAWN = QSize(230, 190)
REFERENCES: tuple[tuple[Reference, str, str], ...] = (
    ("white", "White paper", "Click a spot that should be white"),
    ("grey", "Any grey", "Click a spot that should be grey, however light"),
    ("card", "Grey card", "Click a grey card of 18 per cent"),
)


class PicturesBench(QWidget):
    """Shows the draft in hand and changes it as one tells."""

    changed = Signal()
    """The draft in hand is another by what was told."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self.draft: PictureDraft | None = None
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(14)
        left = QVBoxLayout()
        self.picker = SpotPicker()
        self.picker.picked.connect(self._picked)
        left.addWidget(self.picker, 1)
        left.addWidget(words("The light was not white? Click something that is:", "soft"))
        lights = QHBoxLayout()
        self.reference_chips: dict[Reference, QPushButton] = {}
        for reference, text, tip in REFERENCES:
            button = chip(text, tip)
            button.clicked.connect(partial(self._pick_for, reference))
            self.reference_chips[reference] = button
            lights.addWidget(button)
        self.as_taken_button = chip("As it was taken", "Forget the white spot", checkable=False)
        self.as_taken_button.clicked.connect(self._as_taken)
        lights.addWidget(self.as_taken_button)
        lights.addStretch(1)
        left.addLayout(lights)
        row.addLayout(left, 3)
        row.addLayout(self._tell(), 2)

    def _tell(self) -> QVBoxLayout:
        right = QVBoxLayout()
        right.setSpacing(6)
        self.drawing = ThingsOnBoard(DRAWN)
        right.addWidget(self.drawing)
        self.colours_row = QVBoxLayout()
        self.colours_row.setSpacing(2)
        right.addLayout(self.colours_row)
        self.outline_chip = chip("Its outline is its silhouette", "Draw it as photographed; else as its kind")
        self.outline_chip.clicked.connect(lambda on: self._change(outlined=on))
        right.addWidget(self.outline_chip, 0, Qt.AlignmentFlag.AlignLeft)
        right.addWidget(words("What is it?", "soft"))
        self.line = QLineEdit()
        self.line.setAccessibleName("What is it: a line such as vase stoneware hall")
        self.line.textEdited.connect(lambda text: self._change(line=text))
        right.addWidget(self.line)
        row = QHBoxLayout()
        row.addWidget(words("How high, measured", "soft", wrap=False))
        self.height_field = LengthField(self._workspace, lambda length: self._change(height=length), "measured height")
        row.addWidget(self.height_field)
        row.addStretch(1)
        right.addLayout(row)
        self.said = words("", "small")
        right.addWidget(self.said)
        right.addStretch(1)
        return right

    def _item(self, draft: PictureDraft) -> Item | None:
        try:
            return draft.item(self._workspace.length_unit, self._workspace.plan.stash)
        except JollyLedgeError as error:
            self.said.setText(str(error))
            return None

    def show_draft(self, draft: PictureDraft | None) -> None:
        """Take a draft in hand; without one nothing is shown."""
        self.draft = draft
        self.setVisible(draft is not None)
        if draft is not None:
            self.picker.show_content(draft.intake.content)
            if self.line.text() != draft.line:
                self.line.setText(draft.line)
            self.outline_chip.setChecked(draft.outlined)
            self.outline_chip.setEnabled(draft.intake.found is not None and draft.intake.found.is_outlined)
            self.as_taken_button.setEnabled(draft.intake is not draft.as_taken)
            self._show_item(draft)

    def _show_item(self, draft: PictureDraft) -> None:
        item = self._item(draft)
        self.drawing.show_items((item,) if item is not None else ())
        while (old := self.colours_row.takeAt(0)) is not None:
            if (line := old.widget()) is not None:
                line.hide()
                line.deleteLater()
        for colour, share in draft.intake.found.colours if draft.intake.found is not None else ():
            self.colours_row.addWidget(_colour_line(colour, share))
        if item is None:
            return
        self.height_field.show_length(item.height)
        length = self._workspace.length
        guesses = f" Guessed: {', '.join(item.guessed)}." if item.guessed else ""
        ground = "" if item.outline or not draft.outlined else " The ground is too busy to find its outline."
        self.said.setText(f"{item.label}: {length(item.width)} wide, {length(item.height)} high.{guesses}{ground}")

    def _change(self, **what: object) -> None:
        draft = self.draft
        if draft is not None:
            for name, value in what.items():
                setattr(draft, name, value)
            self._show_item(draft)
            self.changed.emit()

    def _pick_for(self, reference: Reference) -> None:
        for known, button in self.reference_chips.items():
            button.setChecked(known == reference and button.isChecked())
        self.picker.set_picks(self.reference_chips[reference].isChecked())

    def _picked(self, x: int, y: int) -> None:
        draft = self.draft
        reference = next((known for known, button in self.reference_chips.items() if button.isChecked()), None)
        if draft is None or reference is None:
            return
        try:
            draft.intake = taken_in_light(draft.as_taken, x, y, reference)
        except JollyLedgeError as error:
            self._workspace.signals.refused.emit(str(error))
            return
        self.reference_chips[reference].setChecked(False)
        self.picker.set_picks(False)
        self.show_draft(draft)

    def _as_taken(self) -> None:
        draft = self.draft
        if draft is not None:
            draft.intake = draft.as_taken
            self.show_draft(draft)


def _colour_line(colour: str, share: float) -> QWidget:
    line = QWidget()
    row = QHBoxLayout(line)
    row.setContentsMargins(0, 0, 0, 0)
    row.setSpacing(6)
    shown = QLabel()
    shown.setPixmap(swatch(colour).pixmap(18, 18))
    row.addWidget(shown)
    row.addWidget(words(f"{family_name(colour)}, {round(share * 100)} %", wrap=False))
    row.addStretch(1)
    return line
