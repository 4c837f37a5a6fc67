"""What all edits share."""

from collections.abc import Callable
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
