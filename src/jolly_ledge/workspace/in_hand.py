"""What of a plan is in hand, as values: the piece, the look, the ledge, the things, and what follows from them."""

from typing import TYPE_CHECKING

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem, arrange
from jolly_ledge.model.history import History
from jolly_ledge.model.item import Item
from jolly_ledge.model.lengths import LengthUnit, format_length, in_unit
from jolly_ledge.model.look import Look, Manner
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.workspace.derived import Derived
from jolly_ledge.workspace.document import Document
from jolly_ledge.workspace.preview import Preview
from jolly_ledge.workspace.selection import Selection

if TYPE_CHECKING:
    # The first picture waits for none of them.
    from jolly_ledge.cautions.caution import Caution
    from jolly_ledge.proposals.meaning import Meaning
    from jolly_ledge.readings.register import Assessment


class InHand:
    """Reads what is in hand; nothing is changed through it."""

    def __init__(self, document: Document, unit: LengthUnit) -> None:
        self.document = document
        self.selected = Selection(document.plan)
        self.derived = Derived()
        self.length_unit: LengthUnit = unit
        self._preview = Preview()

    @property
    def plan(self) -> Plan:
        """The plan in hand."""
        return self.document.plan

    @property
    def history(self) -> History:
        """The steps that led to the plan in hand."""
        return self.document.history

    @property
    def piece_id(self) -> str:
        """The id of the piece in hand, empty where there is none."""
        return self.selected.piece_id

    @property
    def look_id(self) -> str:
        """The id of the look in hand, empty where there is none."""
        return self.selected.look_id

    @property
    def ledge_id(self) -> str:
        """The id of the ledge in hand, empty where there is none."""
        return self.selected.ledge_id

    @property
    def item_id(self) -> str:
        """The id of the thing of the stash in hand, empty where there is none."""
        return self.selected.item_id

    @property
    def item_ids(self) -> tuple[str, ...]:
        """The ids of the things of the stash that are chosen together."""
        return self.selected.item_ids

    @property
    def selection(self) -> tuple[str, ...]:
        """The ids of the placements that are chosen."""
        return self.selected.placements

    @property
    def pointed_at(self) -> tuple[str, ...]:
        """The ids of the placements that are pointed at."""
        return self.selected.pointed_at

    @property
    def piece(self) -> Piece:
        """The piece in hand."""
        return self.plan.piece(self.piece_id)

    @property
    def look(self) -> Look:
        """The look in hand, or what a gesture would make of it."""
        return self._preview.look if self._preview.look is not None else self.plan.look(self.look_id)

    @property
    def ledge(self) -> Ledge | None:
        """The ledge in hand."""
        return next((ledge for ledge in self.piece.ledges if ledge.id == self.ledge_id), None)

    @property
    def item(self) -> Item | None:
        """The thing of the stash in hand."""
        return next((item for item in self.plan.stash if item.id == self.item_id), None)

    @property
    def chosen_items(self) -> tuple[Item, ...]:
        """The things of the stash that are chosen together, in the order of the stash."""
        chosen = set(self.item_ids)
        return tuple(item for item in self.plan.stash if item.id in chosen)

    @property
    def chosen_placed(self) -> tuple[PlacedItem, ...]:
        """The chosen things where they stand."""
        by_id = self.arrangement.by_id
        return tuple(by_id[identifier] for identifier in self.selection if identifier in by_id)

    def free_items(self) -> tuple[Item, ...]:
        """Return the things of the stash that do not stand in the look in hand."""
        placed = {placement.item for placement in self.look.placements}
        return tuple(item for item in self.plan.stash if item.id not in placed and not item.gone)

    # What follows from it

    @property
    def arrangement(self) -> Arrangement:
        """The look in hand, resolved."""
        return self.derived.arrangement(self.plan, self.look)

    @property
    def kept_arrangement(self) -> Arrangement | None:
        """The look as it is, resolved, while another is tried beside it; None when nothing is."""
        return arrange(self.plan, self.plan.look(self.look_id)) if self._preview.is_beside else None

    @property
    def assessment(self) -> "Assessment":
        """The readings of the look in hand."""
        return self.derived.assessment(self.plan, self.look)

    @property
    def cautions(self) -> "tuple[Caution, ...]":
        """The cautions of the look in hand."""
        return self.derived.cautions(self.plan, self.look)

    @property
    def is_assessed(self) -> bool:
        """Whether the readings are there already, so that asking for them costs nothing."""
        return self.derived.is_assessed

    @property
    def meanings(self) -> "dict[tuple[str, Manner], Meaning]":
        """What scores mean by piece and manner, as far as chance was tried."""
        return self.derived.meanings

    def shown(self, score: float, look: Look | None = None) -> int:
        """Return the number that is shown for a raw score of a look, the one in hand without one."""
        return self.derived.shown(score, self.look if look is None else look)

    def told(self, sentence: str) -> str:
        """Return a sentence with its lengths in the unit in force."""
        return in_unit(sentence, self.length_unit)

    def length(self, length: float) -> str:
        """Write a length in the unit in force."""
        return format_length(length, self.length_unit)
