"""Who lives with it: a child and how old, animals, notes; what a child reaches in the look in hand."""

from PySide6.QtWidgets import (
    QCheckBox,
    QGridLayout,
    QHBoxLayout,
    QLineEdit,
    QPlainTextEdit,
    QPushButton,
    QVBoxLayout,
    QWidget,
)

from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.show_text import show_text
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.cautions.eaters import ANIMALS, USUAL_AGE, Animal, animal_kind, reach_of
from jolly_ledge.edits.looks import ChangeHousehold
from jolly_ledge.model.phrases import capital, counted, listed, with_article
from jolly_ledge.model.plan import Household
from jolly_ledge.model.value import changed
from jolly_ledge.workspace.workspace import Workspace

MOST_FAMILIES = 4


OLDEST = 17


class HouseholdPanel(QWidget):
    """Tells the household of the plan, and changes it."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self.workspace = workspace
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
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
        self.household_notes.setAccessibleName("Notes about the household")
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
            button = chip(capital(kind), f"What harms {with_article(kind)} is told where it is in reach", small=True)
            button.clicked.connect(lambda on=False, kind=kind: self._choose_animal(kind, on=on))
            self.animal_chips[kind] = button
            kinds.addWidget(button, index // 4, index % 4)
        column.addLayout(kinds)
        column.addWidget(self.pets)
        self.unknown_animals = words("", "small")
        column.addWidget(self.unknown_animals)
        column.addWidget(self.household_notes)

    def refresh(self) -> None:
        """Show the household, but for what is being written."""
        workspace = self.workspace
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
        show_text(self.household_notes, household.notes)

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
