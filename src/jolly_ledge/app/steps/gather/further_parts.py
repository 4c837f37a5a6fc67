"""What is told of a thing further down its panel: made part by part, after what is seen first."""

from collections.abc import Callable
from functools import cached_property
from typing import TypeVar

from PySide6.QtCore import Signal
from PySide6.QtWidgets import QHBoxLayout, QVBoxLayout, QWidget

from jolly_ledge.app.steps.gather.fits_table import FitsTable
from jolly_ledge.app.steps.gather.item_forms import CoversForm, ProvenanceForm, RepaintForm
from jolly_ledge.app.steps.gather.stems_form import StemsForm
from jolly_ledge.app.steps.gather.use_form import UseForm
from jolly_ledge.app.widgets.in_turns import in_turns
from jolly_ledge.app.widgets.texts import BoardLine, question, words
from jolly_ledge.app.widgets.trait_chips import TraitChips
from jolly_ledge.app.widgets.wish_menu import WishChip
from jolly_ledge.edits.items import ToggleTrait
from jolly_ledge.model.words import Trait
from jolly_ledge.workspace.workspace import Workspace

Part = TypeVar("Part", bound=QWidget)

PARTS = ("stems_form", "covers_form", "provenance_form", "repaint_form", "use_form", "wish_chip", "traits", "fits")


class FurtherParts(QWidget):
    """A place for each part, in order; a part is there once its turn came, or as soon as it is asked for."""

    grew = Signal()
    """A part was made: who holds them makes room for it before anything is painted."""

    def __init__(self, host: QWidget, workspace: Workspace) -> None:
        super().__init__(host)
        self._workspace = workspace
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        self._places = {part: _place() for part in PARTS}
        for place in self._places.values():
            column.addWidget(place)
            place.hide()

    def make_in_turns(self) -> None:
        """Make what is not there yet, a part a turn."""
        in_turns(self, *(lambda part=part: getattr(self, part) for part in PARTS))

    @property
    def is_whole(self) -> bool:
        """Whether every part is there."""
        return all(part in self.__dict__ for part in PARTS)

    def refresh(self) -> None:
        """Show the thing in hand in all parts that are there."""
        for part in PARTS:
            if part in self.__dict__:
                self._show(part)

    def _show(self, part: str) -> None:
        item = self._workspace.item
        if item is None:
            return
        self._places[part].setVisible(part != "covers_form" or item.is_book)
        made = self.__dict__[part]
        if isinstance(made, (StemsForm, FitsTable)):
            made.show_item(item)
        elif isinstance(made, TraitChips):
            made.show_traits(item.traits)
        elif not isinstance(made, WishChip):
            made.refresh()

    def _filled(self, name: str, title: str, make: Callable[[Workspace], Part]) -> Part:
        """Make a part under its title, in its place."""
        place = self._places[name]
        if title:
            _column(place).addWidget(question(title, 14))
        part = make(self._workspace)
        _column(place).addWidget(part)
        self._made(name, part)
        return part

    def _made(self, name: str, part: object) -> None:
        self.__dict__[name] = part
        self._show(name)
        for holder in (self._places[name], self):
            _column(holder).activate()
        self.grew.emit()

    @cached_property
    def stems_form(self) -> StemsForm:
        """Stems for a vessel."""
        return self._filled("stems_form", "", StemsForm)

    @cached_property
    def covers_form(self) -> CoversForm:
        """A book's covers."""
        return self._filled("covers_form", "Covers", CoversForm)

    @cached_property
    def provenance_form(self) -> ProvenanceForm:
        """Where it comes from and goes."""
        return self._filled("provenance_form", "Where it comes from and goes", ProvenanceForm)

    @cached_property
    def repaint_form(self) -> RepaintForm:
        """How it would look in another colour."""
        return self._filled("repaint_form", "If it were made over", RepaintForm)

    @cached_property
    def use_form(self) -> UseForm:
        """How it is used where it stands."""
        return self._filled("use_form", "In use", UseForm)

    @cached_property
    def wish_chip(self) -> WishChip:
        """What is wished for it on the piece in hand."""
        workspace = self._workspace
        wishes = WishChip(workspace, lambda: (workspace.item_id,) if workspace.item_id else ())
        row = QHBoxLayout()
        row.addWidget(words("For the piece in hand", "soft", wrap=False))
        row.addWidget(wishes.button)
        row.addStretch(1)
        _column(self._places["wish_chip"]).addLayout(row)
        self._made("wish_chip", wishes)
        return wishes

    @cached_property
    def traits(self) -> TraitChips:
        """What is to be minded of it."""
        column = _column(self._places["traits"])
        chips = TraitChips(self._toggle_trait)
        column.addWidget(question("Mind", 14))
        column.addLayout(chips)
        column.addWidget(BoardLine())
        self._made("traits", chips)
        return chips

    @cached_property
    def fits(self) -> FitsTable:
        """On which ledges it stands upright."""
        return self._filled("fits", "", FitsTable)

    def _toggle_trait(self, trait: Trait, on: bool) -> None:
        item = self._workspace.item
        if item is not None:
            self._workspace.commit(ToggleTrait(items=(item.id,), trait=trait, on=on))


def _place() -> QWidget:
    place = QWidget()
    column = QVBoxLayout(place)
    column.setContentsMargins(0, 0, 0, 0)
    column.setSpacing(6)
    return place


def _column(place: QWidget) -> QVBoxLayout:
    column = place.layout()
    assert isinstance(column, QVBoxLayout)
    return column
