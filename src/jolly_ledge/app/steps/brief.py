"""Brief: what the piece is for, who lives with it, and the manner in which it is made."""

from PySide6.QtCore import Qt
from PySide6.QtWidgets import (
    QCheckBox,
    QHBoxLayout,
    QLineEdit,
    QPlainTextEdit,
    QPushButton,
    QVBoxLayout,
    QWidget,
)

from jolly_ledge.app.scene.thumbnail import Thumbnail
from jolly_ledge.app.session import Session
from jolly_ledge.app.steps.step import Step
from jolly_ledge.app.widgets.chip import ChipRow, chip
from jolly_ledge.app.widgets.colour_button import swatch
from jolly_ledge.app.widgets.texts import Board, heading, question, words
from jolly_ledge.model.colour import family_distance
from jolly_ledge.model.edits.looks import ChangeHousehold, ChangeLook, RenamePlan
from jolly_ledge.model.edits.pieces import ChangePiece
from jolly_ledge.model.families import name_of, stash_families
from jolly_ledge.model.look import Manner
from jolly_ledge.model.plan import Household
from jolly_ledge.model.value import changed

MOST_FAMILIES = 4
OFFERED_FAMILIES = 12
FULLNESS_CHOICES = (
    ("airy", "Airy", "Few things, much rest: 20 to 40 % covered"),
    ("layered", "Layered", "Things before things: 35 to 60 % covered"),
    ("abundant", "Abundant", "Full and lived with: 55 to 85 % covered"),
)
FIGURE_CHOICES = (
    ("peaks", "Peaks", "Triangles set against each other"),
    ("weave", "Weave", "A zigzag of left, right and centre"),
    ("mirrored", "Mirrored", "Pairs about the middle"),
)
ODD_CHOICES = (
    ("strict", "Strictly odd", "Groups of three, five and seven"),
    ("loose", "Loosely odd", "Four or six may pass"),
)
SIDE_WIDTH = 344


class BriefStep(Step):
    """The page on which the work begins."""

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.column.addWidget(question("What is it for, and how should it feel?", 16))
        self.purpose = QPlainTextEdit()
        self.purpose.setFixedHeight(76)
        self.purpose.setTabChangesFocus(True)
        self.purpose.setPlaceholderText("What the piece is for, who sees it, what it should say")
        self.purpose.textChanged.connect(self._set_purpose)
        self.column.addWidget(self.purpose)
        self.fullness = ChipRow(FULLNESS_CHOICES, lambda value: self._set_manner("fullness", value))
        self.figure = ChipRow(FIGURE_CHOICES, lambda value: self._set_manner("figure", value))
        self.odd = ChipRow(ODD_CHOICES, lambda value: self._set_manner("odd", value))
        for title, row, choices in (
            ("How full", self.fullness, FULLNESS_CHOICES),
            ("In which figure", self.figure, FIGURE_CHOICES),
            ("How groups count", self.odd, ODD_CHOICES),
        ):
            self._section(title)
            self.column.addWidget(row)
            self.column.addWidget(
                words(" · ".join(f"{text}: {tip[:1].lower()}{tip[1:]}" for _, text, tip in choices), "soft")
            )
        self._section("Palette")
        self.palette_note = words("", "soft")
        self.column.addWidget(self.palette_note)
        self.palette_rows = [QHBoxLayout(), QHBoxLayout()]
        for row_layout in self.palette_rows:
            row_layout.setSpacing(6)
            self.column.addLayout(row_layout)
        self.palette_chips: dict[str, QPushButton] = {}
        self.column.addStretch(1)
        self.row.addWidget(self._side())
        self.follow(self.refresh, session.changed)

    def _household(self) -> QVBoxLayout:
        column = QVBoxLayout()
        column.setSpacing(8)
        row = QHBoxLayout()
        row.setSpacing(10)
        self.toddler = QCheckBox("A toddler lives here")
        self.toddler.clicked.connect(lambda: self._set_household())
        self.pets = QLineEdit()
        self.pets.setPlaceholderText("Pets, if any")
        self.pets.setToolTip("Pets, such as: cat, dog")
        self.pets.editingFinished.connect(self._set_household)
        self.household_notes = QPlainTextEdit()
        self.household_notes.setFixedHeight(60)
        self.household_notes.setTabChangesFocus(True)
        self.household_notes.setPlaceholderText("Who lives with it")
        self.household_notes.textChanged.connect(lambda: self._set_household(is_typing=True))
        row.addWidget(self.toddler)
        row.addWidget(self.pets, 1)
        column.addLayout(row)
        column.addWidget(self.household_notes)
        return column

    def _section(self, title: str) -> None:
        self.column.addSpacing(6)
        self.column.addWidget(heading(title, 16))
        self.column.addWidget(Board())

    def _side(self) -> QWidget:
        side = QWidget()
        side.setObjectName("sidePanel")
        side.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        side.setFixedWidth(SIDE_WIDTH)
        column = QVBoxLayout(side)
        column.setContentsMargins(16, 14, 14, 12)
        column.setSpacing(8)
        column.addWidget(heading("The plan", 16))
        column.addWidget(Board())
        self.plan_name = QLineEdit()
        self.plan_name.setAccessibleName("Name of the plan")
        self.plan_name.setPlaceholderText("Name of the plan")
        self.plan_name.editingFinished.connect(self._rename_plan)
        column.addWidget(self.plan_name)
        column.addWidget(heading("The household", 16))
        column.addWidget(Board())
        column.addLayout(self._household())
        column.addWidget(heading("The look in hand", 16))
        column.addWidget(Board())
        self.thumbnail = Thumbnail(self.session)
        column.addWidget(self.thumbnail, 1)
        return side

    def refresh(self) -> None:
        """Show the brief of the look in hand."""
        session = self.session
        if not session.look_id:
            return
        _show_text(self.purpose, session.piece.purpose)
        if not self.plan_name.hasFocus():
            self.plan_name.setText(session.plan.name)
        manner = session.look.manner
        self.fullness.show_choice(manner.fullness)
        self.figure.show_choice(manner.figure)
        self.odd.show_choice(manner.odd)
        household = session.plan.household
        self.toddler.setChecked(household.toddler)
        if not self.pets.hasFocus():
            self.pets.setText(", ".join(household.pets))
            self.pets.setCursorPosition(0)
        _show_text(self.household_notes, household.notes)
        self._show_palette(manner)

    def _show_palette(self, manner: Manner) -> None:
        leaders = [colour for colour, _ in stash_families(self.session.plan.stash, self.session.plan.families)][
            :OFFERED_FAMILIES
        ]
        offered = leaders + [colour for colour in manner.palette if self._nearest(colour, leaders) is None]
        if list(self.palette_chips) != offered:
            for old in self.palette_chips.values():
                old.deleteLater()
            self.palette_chips = {}
            for index, colour in enumerate(offered):
                button = chip(self._family(colour), f"{self._family(colour)} {colour}")
                button.setIcon(swatch(colour))
                button.clicked.connect(lambda on=False, colour=colour: self._toggle_family(colour, on))
                self.palette_chips[colour] = button
                self.palette_rows[index * 2 // max(len(offered), 1)].addWidget(button)
        chosen = {self._nearest(colour, offered) for colour in manner.palette}
        for colour, button in self.palette_chips.items():
            button.setChecked(colour in chosen)
        count = len(manner.palette)
        self.palette_note.setText(
            f"{count} of {MOST_FAMILIES} families chosen from the stash; the green of plants is always welcome."
            if count
            else "Choose three to four families that the stash shows most; none yet, so the leading "
            "ones are taken for it."
        )

    def _family(self, colour: str) -> str:
        return name_of(colour, self.session.plan.families)

    def _nearest(self, colour: str, leaders: list[str]) -> str | None:
        best = min(leaders, key=lambda leader: family_distance(colour, leader), default=None)
        return best if best is not None and family_distance(colour, best) < 0.06 else None

    # Changing

    def _set_manner(self, field: str, value: object) -> None:
        session = self.session
        manner = changed(session.look.manner, **{field: value})
        if manner != session.look.manner:
            session.commit(
                ChangeLook(look=session.look_id, changes=(("manner", manner),), label=f"Choose {_said(field, value)}")
            )

    def _toggle_family(self, colour: str, on: bool) -> None:
        session = self.session
        palette = [known for known in session.look.manner.palette if self._nearest(known, [colour]) is None]
        if on:
            if len(palette) >= MOST_FAMILIES:
                self.palette_chips[colour].setChecked(False)
                session.refused.emit(f"A palette holds up to {MOST_FAMILIES} families; take one out first.")
                return
            palette.append(colour)
        manner = changed(session.look.manner, palette=tuple(palette))
        verb = "Add" if on else "Take out"
        session.commit(
            ChangeLook(look=session.look_id, changes=(("manner", manner),), label=f"{verb} {self._family(colour)}")
        )

    def _set_purpose(self) -> None:
        session, text = self.session, self.purpose.toPlainText()
        if session.piece_id and text != session.piece.purpose:
            session.commit(ChangePiece(piece=session.piece_id, changes=(("purpose", text),), label="Write the purpose"))

    def _rename_plan(self) -> None:
        name = self.plan_name.text().strip()
        if name != self.session.plan.name:
            self.session.commit(RenamePlan(name=name))

    def _set_household(self, is_typing: bool = False) -> None:
        household = Household(
            toddler=self.toddler.isChecked(),
            pets=tuple(word.strip() for word in self.pets.text().split(",") if word.strip()),
            notes=self.household_notes.toPlainText().strip(),
        )
        if household != self.session.plan.household:
            self.session.commit(ChangeHousehold(household=household, is_typing=is_typing))


def _show_text(field: QPlainTextEdit, text: str) -> None:
    """Show the text, unless it is being written."""
    if not field.hasFocus() and field.toPlainText() != text:
        field.blockSignals(True)
        field.setPlainText(text)
        field.blockSignals(False)


def _said(field: str, value: object) -> str:
    return {
        "fullness": f"{value} fullness",
        "figure": f"the {value} figure",
        "odd": f"{value} odd groups",
    }.get(field, str(value))
