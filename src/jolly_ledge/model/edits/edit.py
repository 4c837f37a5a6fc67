"""What all edits share."""

from collections.abc import Callable, Iterable
from typing import TypeVar

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Placement
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.plan import Plan

Named = TypeVar("Named", Item, Look, Piece, Placement, Ledge)


class BaseEdit(Struct, frozen=True, kw_only=True):
    """An edit that stands for itself: it never merges unless it says so."""

    @property
    def merge_key(self) -> str | None:
        """Edits in a row with one key are one step."""
        return None


def with_one(records: tuple[Named, ...], identifier: str, change: Callable[[Named], Named]) -> tuple[Named, ...]:
    """Return the records with the one of that id changed; the others are shared."""
    return tuple(change(record) if record.id == identifier else record for record in records)


def change_look(plan: Plan, look_id: str, change: Callable[[Look], Look]) -> Plan:
    """Return the plan with one look changed; raise EditError where there is none."""
    plan.look(look_id)
    return replace(plan, looks=with_one(plan.looks, look_id, change))


def change_piece(plan: Plan, piece_id: str, change: Callable[[Piece], Piece]) -> Plan:
    """Return the plan with one piece changed; raise EditError where there is none."""
    plan.piece(piece_id)
    return replace(plan, pieces=with_one(plan.pieces, piece_id, change))


class FreshIds:
    """Ids that are not taken, one after another; thousands from one stem cost no more than a few."""

    def __init__(self, taken: Iterable[str] = ()) -> None:
        self._taken = set(taken)
        self._numbers: dict[str, int] = {}

    def take(self, identifier: str) -> None:
        """Note that an id is taken."""
        self._taken.add(identifier)

    def fresh(self, stem: str) -> str:
        """Return an id that is not taken, and take it: the stem, or the stem with a number.

        >>> ids = FreshIds({"vase"})
        >>> ids.fresh("Vase"), ids.fresh("vase"), ids.fresh("")
        ('vase-2', 'vase-3', 'thing')
        """
        stem = "-".join("".join(c if c.isalnum() else " " for c in stem.lower()).split()) or "thing"
        found = stem
        if found in self._taken:
            number = self._numbers.get(stem, 2)
            while (found := f"{stem}-{number}") in self._taken:
                number += 1
            self._numbers[stem] = number + 1
        self._taken.add(found)
        return found


def fresh_id(stem: str, taken: Iterable[str]) -> str:
    """Return one id that is not taken.

    >>> fresh_id("vase", {"vase", "vase-2"})
    'vase-3'
    """
    return FreshIds(taken).fresh(stem)
