"""What is to be minded of things, as chips."""

from collections.abc import Callable, Collection

from PySide6.QtWidgets import QGridLayout, QPushButton

from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.model.words import TRAITS, Trait, plain


class TraitChips(QGridLayout):
    """A chip for every trait, in two columns.

    Parameters
    ----------
    on_toggle : callable
        Called with the trait and whether it is wanted now.
    """

    def __init__(self, on_toggle: Callable[[Trait, bool], object]) -> None:
        super().__init__()
        self.setSpacing(5)
        self.chips: dict[str, QPushButton] = {}
        for index, trait in enumerate(TRAITS):
            button = chip(plain(trait), small=True)
            button.clicked.connect(lambda on=False, trait=trait: on_toggle(trait, on))
            self.chips[trait] = button
            self.addWidget(button, index // 2, index % 2)

    def show_traits(self, traits: Collection[str]) -> None:
        """Show which traits there are."""
        for trait, button in self.chips.items():
            button.setChecked(trait in traits)
