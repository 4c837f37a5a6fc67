"""Edits of places that are kept free for something: a cup, keys, a thing not yet bought."""

from collections.abc import Callable

from msgspec.structs import replace

from jolly_ledge.edits.edit import BaseEdit, change_piece, with_one
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.phrases import capital
from jolly_ledge.model.piece import KeptPlace, Ledge, Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.value import checked


class KeepPlace(BaseEdit, frozen=True):
    """Keep a place free on a ledge; one of the same name there moves to it."""

    piece: str
    ledge: str
    place: KeptPlace
    ledge_name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Keep a place for {self.place.name} on {self.ledge_name or self.ledge}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the place kept.

        Raises
        ------
        EditError
            It is larger than its ledge, or lies over an end of it.
        """
        ledge, place = plan.piece(self.piece).ledge(self.ledge), checked(self.place)
        _check_room(ledge, place)

        def keep(one: Ledge) -> Ledge:
            return replace(one, kept=(*(kept for kept in one.kept if kept.name != place.name), place))

        return _changed(plan, self.piece, self.ledge, keep)


class GiveBackPlace(BaseEdit, frozen=True):
    """Keep a place no longer."""

    piece: str
    ledge: str
    name: str

    @property
    def label(self) -> str:
        """What it does."""
        return f"Give back the place for {self.name}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan without the place; raise EditError where none of that name is kept there."""
        ledge = plan.piece(self.piece).ledge(self.ledge)
        if all(kept.name != self.name for kept in ledge.kept):
            raise EditError(f"No place is kept for {self.name} on {ledge.label}; choose one that is drawn.")

        def give(one: Ledge) -> Ledge:
            return replace(one, kept=tuple(kept for kept in one.kept if kept.name != self.name))

        return _changed(plan, self.piece, self.ledge, give)


def _changed(plan: Plan, piece_id: str, ledge_id: str, change: Callable[[Ledge], Ledge]) -> Plan:
    def on(piece: Piece) -> Piece:
        return replace(piece, ledges=with_one(piece.ledges, ledge_id, change))

    return change_piece(plan, piece_id, on)


def _check_room(ledge: Ledge, place: KeptPlace) -> None:
    """Raise EditError where a place is larger than its ledge, or lies over an end of it."""
    if ledge.is_wall:
        raise EditError(f"Nothing stands on {ledge.label}; keep the place on a ledge.")
    for side, there, what in (
        (place.width, ledge.width, "wide"), (place.depth, ledge.depth, "deep"), (place.height, ledge.clearance, "high"),
    ):  # fmt: skip
        if there is not None and side > there:
            raise EditError(
                f"{capital(place.name)} wants {round(side)} mm {what}, {ledge.label} has {round(there)} mm; choose "
                "another ledge or a smaller place."
            )
    over = max(-place.left, place.right - ledge.width, -place.front, place.front + place.depth - ledge.depth)
    if over > 0:
        raise EditError(
            f"The place for {place.name} lies {round(over)} mm over the end of {ledge.label}; move it inwards."
        )
