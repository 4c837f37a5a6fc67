"""Brief: what the piece is for, who lives with it, and the manner in which it is made."""

from PySide6.QtCore import Qt
from PySide6.QtWidgets import (
    QCheckBox,
    QGridLayout,
    QHBoxLayout,
    QLineEdit,
    QPlainTextEdit,
    QPushButton,
    QScrollArea,
    QStackedWidget,
    QVBoxLayout,
    QWidget,
)

from jolly_ledge.app.steps.brief.emphasis_page import EmphasisPage
from jolly_ledge.app.steps.brief.kit_panel import KitPanel
from jolly_ledge.app.steps.brief.manner_panel import HABITS, NAME_PX, SCHOOLS, MannerPanel
from jolly_ledge.app.steps.brief.taste_panel import TastePanel
from jolly_ledge.app.steps.step import Step
from jolly_ledge.app.views.thumbnail import Thumbnail
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.colour_button import swatch
from jolly_ledge.app.widgets.texts import BoardLine, heading, question, words
from jolly_ledge.cautions.eaters import ANIMALS, USUAL_AGE, Animal, animal_kind, reach_of
from jolly_ledge.edits.looks import ChangeHousehold, ChangeLook, RenamePlan, SetBudget
from jolly_ledge.edits.pieces import ChangePiece
from jolly_ledge.model.errors import MoneyError
from jolly_ledge.model.families import name_of, stash_families
from jolly_ledge.model.hue_family import nearest_family
from jolly_ledge.model.look import Manner
from jolly_ledge.model.money import currency_in, price_of, typed
from jolly_ledge.model.phrases import capital, counted, listed, with_article
from jolly_ledge.model.plan import Household
from jolly_ledge.model.value import changed
from jolly_ledge.workspace.workspace import Workspace

MOST_FAMILIES = 4
OFFERED_FAMILIES = 12
OLDEST = 17
USES = (
    "display",
    "keys",
    "tea",
    "coffee",
    "eating",
    "games",
    "working",
    "cooking",
    "reading",
    "sleeping",
    "over-bed",
    "over-sofa",
)
USES_IN_A_ROW = 6
USE_NAMES = {"over-bed": "Over a bed", "over-sofa": "Over a sofa"}
"""How a use reads that is more than its word."""

SIDE_WIDTH = 344


class BriefStep(Step):
    """The page on which the work begins."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__(workspace)
        self.pages = QStackedWidget()
        self.column.addWidget(self.pages, 1)
        area = QScrollArea()
        area.setWidgetResizable(True)
        area.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        inside = QWidget()
        self._page = QVBoxLayout(inside)
        self._page.setContentsMargins(0, 0, 6, 0)
        self._page.setSpacing(6)
        area.setWidget(inside)
        self.pages.addWidget(area)
        self.emphasis = EmphasisPage(workspace, self.show_brief)
        self.pages.addWidget(self.emphasis)
        self._fill()
        self.row.addWidget(self._side())
        self.follow(self.refresh, workspace.signals.changed)

    def _fill(self) -> None:
        page, workspace = self._page, self.workspace
        page.addWidget(question("What is it for, and how should it feel?", 16))
        self.purpose = QPlainTextEdit()
        self.purpose.setFixedHeight(58)
        self.purpose.setTabChangesFocus(True)
        self.purpose.setPlaceholderText("What the piece is for, who sees it, what it should say")
        self.purpose.textChanged.connect(self._set_purpose)
        page.addWidget(self.purpose)
        page.addLayout(self._uses())
        self.kit = KitPanel(workspace)
        page.addWidget(self.kit)
        self._section("The manner")
        self.schools = MannerPanel(workspace, SCHOOLS)
        page.addWidget(self.schools)
        self.manner_note = words("", "soft")
        page.addWidget(self.manner_note)
        self._section("Palette")
        self.palette_note = words("", "soft")
        page.addWidget(self.palette_note)
        self.palette_rows = [QHBoxLayout(), QHBoxLayout()]
        for row_layout in self.palette_rows:
            row_layout.setSpacing(6)
            page.addLayout(row_layout)
        self.palette_chips: dict[str, QPushButton] = {}
        self._section("Habits")
        self.habits = MannerPanel(workspace, HABITS)
        page.addWidget(self.habits)
        self.emphasis_button = chip("What counts more", "How much every reading weighs in this manner", checkable=False)
        self.emphasis_button.clicked.connect(self.show_emphasis)
        page.addWidget(self.emphasis_button, 0, Qt.AlignmentFlag.AlignLeft)
        page.addStretch(1)
        self.shortcut("Esc", self.show_brief)

    def _uses(self) -> QGridLayout:
        """Return a chip for every use that wants room, or none."""
        grid = QGridLayout()
        grid.setHorizontalSpacing(5)
        grid.setVerticalSpacing(5)
        grid.addWidget(words("Used for", "soft", wrap=False), 0, 0)
        self.use_chips: dict[str, QPushButton] = {}
        for number, use in enumerate(USES):
            button = chip(
                USE_NAMES.get(use, use.capitalize()), "What it is used for tells what room and which care it wants"
            )
            button.clicked.connect(lambda on=False, use=use: self._toggle_use(use, on))
            self.use_chips[use] = button
            grid.addWidget(button, number // USES_IN_A_ROW, 1 + number % USES_IN_A_ROW)
        grid.setColumnMinimumWidth(0, NAME_PX)
        grid.setColumnStretch(USES_IN_A_ROW + 1, 1)
        return grid

    def _toggle_use(self, use: str, on: bool) -> None:
        workspace = self.workspace
        kept = [known for known in workspace.piece.use if known != use]
        uses = (*kept, use) if on else tuple(kept)
        label = f"{'Use' if on else 'Do not use'} it for {use}"
        workspace.commit(ChangePiece(piece=workspace.piece_id, changes=(("use", uses),), label=label))

    def show_emphasis(self) -> None:
        """Show how much every reading counts."""
        self.pages.setCurrentWidget(self.emphasis)

    def show_brief(self) -> None:
        """Go back from there."""
        self.pages.setCurrentIndex(0)

    def _household(self) -> QVBoxLayout:
        column = QVBoxLayout()
        column.setSpacing(8)
        row = QHBoxLayout()
        row.setSpacing(10)
        self.toddler = QCheckBox("A toddler lives here")
        self.toddler.clicked.connect(lambda: self._set_household())
        self.pets = QLineEdit()
        self.pets.setPlaceholderText("Other animals, or their names: Bruno the dog")
        self.pets.setAccessibleName("Animals of the household")
        self.pets.editingFinished.connect(self._set_household)
        self.household_notes = QPlainTextEdit()
        self.household_notes.setFixedHeight(60)
        self.household_notes.setTabChangesFocus(True)
        self.household_notes.setPlaceholderText("Who lives with it")
        self.household_notes.textChanged.connect(lambda: self._set_household(is_typing=True))
        self.age_field = QLineEdit()
        self.age_field.setPlaceholderText("years")
        self.age_field.setAccessibleName("Age of the child in years")
        self.age_field.setFixedWidth(64)
        self.age_field.editingFinished.connect(self._set_age)
        row.addWidget(self.toddler)
        row.addWidget(self.age_field)
        row.addStretch(1)
        column.addLayout(row)
        self.reached = words("", "small")
        column.addWidget(self.reached)
        kinds = QGridLayout()
        kinds.setSpacing(5)
        self.animal_chips: dict[Animal, QPushButton] = {}
        for index, kind in enumerate(ANIMALS):
            button = chip(capital(kind), f"What harms {with_article(kind)} is told where it is in reach")
            button.setStyleSheet("padding: 3px 6px; font-size: 12px;")
            button.clicked.connect(lambda on=False, kind=kind: self._choose_animal(kind, on=on))
            self.animal_chips[kind] = button
            kinds.addWidget(button, index // 4, index % 4)
        column.addLayout(kinds)
        column.addWidget(self.pets)
        self.unknown_animals = words("", "small")
        column.addWidget(self.unknown_animals)
        column.addWidget(self.household_notes)
        return column

    def _section(self, title: str) -> None:
        self._page.addWidget(heading(title, 16))
        self._page.addWidget(BoardLine())

    def _side(self) -> QWidget:
        side = QWidget()
        side.setObjectName("sidePanel")
        side.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        side.setFixedWidth(SIDE_WIDTH)
        column = QVBoxLayout(side)
        column.setContentsMargins(16, 14, 14, 12)
        column.setSpacing(8)
        column.addWidget(heading("The plan", 16))
        column.addWidget(BoardLine())
        self.plan_name = QLineEdit()
        self.plan_name.setAccessibleName("Name of the plan")
        self.plan_name.setPlaceholderText("Name of the plan")
        self.plan_name.editingFinished.connect(self._rename_plan)
        line = QHBoxLayout()
        line.addWidget(self.plan_name, 3)
        self.budget = QLineEdit()
        self.budget.setAccessibleName("Budget")
        self.budget.setPlaceholderText("Budget")
        self.budget.setToolTip("What may be spent on what is wanted; leave it empty where nothing is set")
        self.budget.editingFinished.connect(self._set_budget)
        line.addWidget(self.budget, 1)
        column.addLayout(line)
        column.addWidget(heading("The household", 16))
        column.addWidget(BoardLine())
        column.addLayout(self._household())
        column.addWidget(heading("Tastes", 16))
        column.addWidget(BoardLine())
        self.tastes = TastePanel(self.workspace)
        column.addWidget(self.tastes)
        column.addWidget(heading("The look in hand", 16))
        column.addWidget(BoardLine())
        self.thumbnail = Thumbnail(self.workspace)
        column.addWidget(self.thumbnail, 1)
        return side

    def refresh(self) -> None:
        """Show the brief of the look in hand."""
        workspace = self.workspace
        if not workspace.look_id:
            return
        _show_text(self.purpose, workspace.piece.purpose)
        if not self.plan_name.hasFocus():
            self.plan_name.setText(workspace.plan.name)
        if not self.budget.hasFocus():
            self.budget.setText(f"{typed(workspace.plan.budget)} {workspace.plan.currency}".strip())
        for use, button in self.use_chips.items():
            button.setChecked(use in workspace.piece.use)
        self.kit.refresh()
        manner = workspace.look.manner
        self.schools.show_manner(manner)
        self.manner_note.setText(self.schools.said(manner))
        self.habits.show_manner(manner)
        more = len(manner.weights)
        self.emphasis_button.setText(f"What counts more ({more})" if more else "What counts more")
        self.emphasis.refresh()
        self.tastes.refresh()
        household = workspace.plan.household
        self.toddler.setChecked(household.toddler)
        age = household.child_age
        if not self.age_field.hasFocus():
            self.age_field.setText("" if age is None else str(age))
        self.age_field.setVisible(household.toddler or age is not None)
        self._show_reach(household)
        if not self.pets.hasFocus():
            self.pets.setText(", ".join(household.pets))
            self.pets.setCursorPosition(0)
        told = {animal_kind(pet) for pet in household.pets}
        for kind, button in self.animal_chips.items():
            button.setChecked(kind in told)
        strangers = [pet for pet in household.pets if animal_kind(pet) == "other"]
        self.unknown_animals.setVisible(bool(strangers))
        self.unknown_animals.setText(f"Nothing is known of {listed(strangers)}: say what animal it is.")
        _show_text(self.household_notes, household.notes)
        self._show_palette(manner)

    def _show_reach(self, household: Household) -> None:
        """Say what a child reaches in the look in hand."""
        self.reached.setVisible(household.toddler)
        if not household.toddler:
            return
        # Imported when a child lives here: the page is otherwise made without cautions.
        from jolly_ledge.cautions.household import within_reach

        age = USUAL_AGE if household.child_age is None else household.child_age
        look = self.workspace.arrangement
        near = within_reach(look, age)
        self.reached.setText(
            f"At {counted(age, 'year')} a child grasps up to {self.workspace.length(reach_of(age))}: "
            f"{len(near)} of {len(look.placed_items)} things in this look, climbing aside."
        )

    def _show_palette(self, manner: Manner) -> None:
        leaders = [colour for colour, _ in stash_families(self.workspace.plan.stash, self.workspace.plan.families)][
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
        return name_of(colour, self.workspace.plan.families)

    def _nearest(self, colour: str, leaders: list[str]) -> str | None:
        return nearest_family(colour, tuple(leaders))

    # Changing

    def _toggle_family(self, colour: str, on: bool) -> None:
        workspace = self.workspace
        palette = [known for known in workspace.look.manner.palette if self._nearest(known, [colour]) is None]
        if on:
            if len(palette) >= MOST_FAMILIES:
                self.palette_chips[colour].setChecked(False)
                workspace.signals.refused.emit(f"A palette holds up to {MOST_FAMILIES} families; take one out first.")
                return
            palette.append(colour)
        manner = changed(workspace.look.manner, palette=tuple(palette))
        verb = "Add" if on else "Take out"
        workspace.commit(
            ChangeLook(look=workspace.look_id, changes=(("manner", manner),), label=f"{verb} {self._family(colour)}")
        )

    def _set_purpose(self) -> None:
        workspace, text = self.workspace, self.purpose.toPlainText()
        if workspace.piece_id and text != workspace.piece.purpose:
            workspace.commit(
                ChangePiece(piece=workspace.piece_id, changes=(("purpose", text),), label="Write the purpose")
            )

    def _set_budget(self) -> None:
        text, workspace = self.budget.text().strip(), self.workspace
        try:
            budget = price_of(text)
        except MoneyError as error:
            workspace.signals.refused.emit(str(error).replace("no price", "no budget"))
            return
        currency = currency_in(text)
        if budget != workspace.plan.budget or (currency and currency != workspace.plan.currency):
            workspace.commit(SetBudget(budget=budget, currency=currency))

    def _rename_plan(self) -> None:
        name = self.plan_name.text().strip()
        if name != self.workspace.plan.name:
            self.workspace.commit(RenamePlan(name=name))

    def _set_age(self) -> None:
        text = self.age_field.text().strip()
        household = self.workspace.plan.household
        if text and not (text.isdigit() and int(text) <= OLDEST):
            self.workspace.signals.refused.emit(f"“{text}” is no age of a child; type whole years up to {OLDEST}.")
            self.age_field.setText("" if household.child_age is None else str(household.child_age))
            return
        told = changed(household, child_age=int(text) if text else None)
        if told != household:
            self.workspace.commit(ChangeHousehold(household=told))

    def _choose_animal(self, kind: Animal, *, on: bool) -> None:
        """Add an animal of a kind to the household, or let all of the kind go."""
        pets = self.workspace.plan.household.pets
        left = (*pets, kind) if on else tuple(pet for pet in pets if animal_kind(pet) != kind)
        self.workspace.commit(ChangeHousehold(household=changed(self.workspace.plan.household, pets=left)))

    def _set_household(self, is_typing: bool = False) -> None:
        household = Household(
            toddler=self.toddler.isChecked(),
            child_age=self.workspace.plan.household.child_age,
            pets=tuple(word.strip() for word in self.pets.text().split(",") if word.strip()),
            notes=self.household_notes.toPlainText().strip(),
        )
        if household != self.workspace.plan.household:
            self.workspace.commit(ChangeHousehold(household=household, is_typing=is_typing))


def _show_text(field: QPlainTextEdit, text: str) -> None:
    """Show the text, unless it is being written."""
    if not field.hasFocus() and field.toPlainText() != text:
        field.blockSignals(True)
        field.setPlainText(text)
        field.blockSignals(False)
