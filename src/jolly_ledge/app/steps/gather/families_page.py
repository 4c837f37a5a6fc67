"""Colour families: named in plain words as they appear, merged and split by hand."""

from collections.abc import Callable

from PySide6.QtWidgets import QCheckBox, QFrame, QHBoxLayout, QLabel, QLineEdit, QPushButton, QVBoxLayout

from jolly_ledge.app.widgets.card_page import CardPage
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.colour_button import swatch
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.edits.items import ChangeFamilies
from jolly_ledge.model.colour import family_name
from jolly_ledge.model.families import family_of, members, merged, name_of, split, stash_families
from jolly_ledge.model.item import Item
from jolly_ledge.model.phrases import counted, listed
from jolly_ledge.workspace.workspace import Workspace

MOST_COLOURS = 12
LEAD_PX, MEMBER_PX = 40, 22


class FamilyCard(QFrame):
    """One family: its name, the colours that answer as one, the things that are mostly of it."""

    def __init__(
        self,
        leader: str,
        name: str,
        colours: tuple[str, ...],
        things: tuple[Item, ...],
        on_pick: Callable[[], object],
        on_name: Callable[[str], object],
    ) -> None:
        super().__init__()
        self.leader, self.colours = leader, colours
        self.setObjectName("card")
        row = QHBoxLayout(self)
        row.setContentsMargins(10, 5, 10, 5)
        row.setSpacing(10)
        self.tick = QCheckBox()
        self.tick.setAccessibleName(f"Choose the family {name}")
        self.tick.toggled.connect(lambda _: on_pick())
        row.addWidget(self.tick)
        lead = QLabel()
        lead.setPixmap(swatch(leader, LEAD_PX).pixmap(LEAD_PX, LEAD_PX))
        row.addWidget(lead)
        self.name_field = QLineEdit(name)
        self.name_field.setFixedWidth(130)
        self.name_field.setAccessibleName(f"Name of the family {name}")
        self.name_field.editingFinished.connect(lambda: on_name(self.name_field.text().strip()))
        row.addWidget(self.name_field)
        middle = QVBoxLayout()
        middle.setSpacing(2)
        shades = QHBoxLayout()
        shades.setSpacing(3)
        self.shades: dict[str, QPushButton] = {}
        for colour in colours[:MOST_COLOURS]:
            button = chip("", f"{family_name(colour)}, {colour}")
            button.setIcon(swatch(colour, MEMBER_PX))
            button.setFixedSize(34, 28)
            button.setStyleSheet("padding: 0;")
            button.setAccessibleName(f"{family_name(colour)} {colour}")
            button.toggled.connect(lambda _: on_pick())
            self.shades[colour] = button
            shades.addWidget(button)
        if len(colours) > MOST_COLOURS:
            shades.addWidget(words(f"+ {len(colours) - MOST_COLOURS}", "soft", wrap=False))
        shades.addStretch(1)
        middle.addLayout(shades)
        named = listed([item.label for item in things], 4) if things else "only as a second colour"
        middle.addWidget(words(f"{counted(len(things), 'thing')}: {named}" if things else named, "small"))
        row.addLayout(middle, 1)


class FamiliesPage(CardPage):
    """The page on which families are looked at, named, merged and split."""

    def __init__(self, workspace: Workspace) -> None:
        about = "what answers as one colour to the eye; readings and the line-up follow it"
        super().__init__(workspace, "Colour families", about, "Back to the line-up")
        row = QHBoxLayout()
        self.said = words("", "soft")
        self.merge_button = chip("Make them one family", "The ticked families answer as one", checkable=False)
        self.merge_button.clicked.connect(self.merge)
        self.split_button = chip("A family of their own", "Split the pressed shades off", checkable=False)
        self.split_button.clicked.connect(self.split)
        self.found_button = chip("As found", "Forget what was merged, split and named by hand", checkable=False)
        self.found_button.clicked.connect(
            lambda: workspace.commit(ChangeFamilies(families=(), label="Colour families as found"))
        )
        row.addWidget(self.said, 1)
        for button in (self.merge_button, self.split_button, self.found_button):
            row.addWidget(button)
        self.column.addLayout(row)
        self.cards: list[FamilyCard] = []

    def refresh(self) -> None:
        """Show the families of the stash, largest first."""
        super().refresh()
        self._show_choice()

    def add_cards(self, column: QVBoxLayout) -> None:
        """Add a card for each family."""
        plan = self._workspace.plan
        families = plan.families
        leaders = tuple(colour for colour, _ in stash_families(plan.stash, families))
        things: dict[str, list[Item]] = {leader: [] for leader in leaders}
        for item in plan.stash:
            things[family_of(item, leaders, families)].append(item)
        self.cards = []
        for leader in leaders:
            colours = members(leader, plan.stash, leaders, families)
            name = name_of(leader, families)
            card = FamilyCard(
                leader, name, colours, tuple(things[leader]), self._show_choice,
                lambda text, colours=colours, name=name: self._rename(colours, name, text),  # type: ignore[misc]
            )  # fmt: skip
            self.cards.append(card)
            column.addWidget(card)
        if not self.cards:
            column.addWidget(words("Nothing is gathered yet, so there are no colours."))

    @property
    def _ticked(self) -> list[FamilyCard]:
        return [card for card in self.cards if card.tick.isChecked()]

    @property
    def _pressed(self) -> tuple[str, ...]:
        return tuple(colour for card in self.cards for colour, button in card.shades.items() if button.isChecked())

    def _show_choice(self) -> None:
        ticked, pressed = len(self._ticked), len(self._pressed)
        self.merge_button.setEnabled(ticked > 1)
        self.split_button.setEnabled(pressed > 0)
        self.found_button.setEnabled(bool(self._workspace.plan.families))
        self.said.setText(
            f"{counted(ticked, 'family', 'families').capitalize()} ticked, {counted(pressed, 'shade')} pressed."
            if ticked or pressed
            else "Tick families to merge them; press shades to split them off."
        )

    def merge(self) -> None:
        """Make the ticked families one."""
        first, *others = self._ticked
        families = self._workspace.plan.families
        colours, name = first.colours, first.name_field.text().strip()
        for card in others:
            families = merged(families, colours, card.colours, name)
            colours = families[-1].colours
        self._workspace.commit(ChangeFamilies(families=families, label=f"Merge colour families as {name}"))

    def split(self) -> None:
        """Make the pressed shades a family of their own."""
        colours = self._pressed
        name = family_name(colours[0])
        taken = {card.name_field.text() for card in self.cards}
        wholes = [
            (card.name_field.text(), card.colours)
            for card in self.cards
            if any(button.isChecked() for button in card.shades.values())
        ]
        called = f"{name}, apart" if name in taken else name
        families = split(self._workspace.plan.families, wholes, colours, called)
        self._workspace.commit(ChangeFamilies(families=families, label=f"Split off {name}"))

    def _rename(self, colours: tuple[str, ...], name: str, text: str) -> None:
        if text and text != name:
            families = merged(self._workspace.plan.families, colours, (), text)
            self._workspace.commit(ChangeFamilies(families=families, label=f"Call the family {text}"))
