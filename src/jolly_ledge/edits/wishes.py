"""Edits of what the stylist insists on for a piece."""

from msgspec.structs import replace

from jolly_ledge.edits.edit import BaseEdit, change_piece
from jolly_ledge.geometry.axes import axis_called
from jolly_ledge.geometry.distance import A_SEAT
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.phrases import listed
from jolly_ledge.model.piece import Piece, Wish
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.value import checked
from jolly_ledge.model.words import WishKind, plain

SAID: dict[WishKind, str] = {
    "together": "{} together", "apart": "{} apart", "only-on": "{} only on {}", "never-on": "{} never on {}",
    "mirrored": "{} as a pair", "centred": "{} in the middle", "out-of-sight": "{} out of sight",
    "underlaid": "{} with something under", "near": "{} near the {}",
}  # fmt: skip
AT_LEAST: dict[WishKind, int] = {"together": 2, "apart": 2, "mirrored": 2}


def said(wish: Wish, plan: Plan, piece: Piece) -> str:
    """Return a wish in words, without a full stop."""
    items = {item.id: item.label for item in plan.stash}
    names = listed([items.get(item, item) for item in wish.items])
    if wish.kind == "near":
        return SAID["near"].format(names, items.get(wish.near, plain(wish.near)))
    if wish.kind == "centred" and wish.near:
        return f"{names} on {axis_name(piece, wish.near)}"
    ledges = {ledge.id: ledge.label for ledge in piece.ledges}
    return SAID[wish.kind].format(names, listed([ledges.get(ledge, ledge) for ledge in wish.ledges]))


class AddWish(BaseEdit, frozen=True):
    """Insist on something for a piece; the same wish twice is one."""

    piece: str
    wish: Wish

    @property
    def label(self) -> str:
        """What it does."""
        return f"Wish: {self.wish.kind.replace('-', ' ')}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the wish.

        Raises
        ------
        EditError
            There are too few things for it, or a pair is not two.
        """
        wish = self.wish
        if len(wish.items) < AT_LEAST.get(wish.kind, 1):
            raise EditError("This wish needs two things or more; choose them with shift and click first.")
        if wish.kind == "mirrored" and len(wish.items) % 2:
            raise EditError("Pairs are made of two things each; choose an even number of them.")
        for item in wish.items:
            plan.item(item)
        piece = plan.piece(self.piece)
        if wish.kind == "near" and wish.near not in targets_of(plan, piece):
            raise EditError(
                f"There is no {plain(wish.near) or 'such thing'} at {piece.label}; add it in Measure, then wish it."
            )

        if wish.kind == "centred" and not _crosses(piece, wish.near):
            raise EditError(f"That axis crosses no ledge of {piece.label}; wish another, or tell it in Measure.")

        def with_wish(piece: Piece) -> Piece:
            return replace(piece, wishes=(*_without(piece, wish), checked(wish)))

        return change_piece(plan, self.piece, with_wish)


def _crosses(piece: Piece, axis: str) -> bool:
    return any(axis_called(piece, ledge, axis) is not None for ledge in piece.ledges)


def axis_name(piece: Piece, axis: str) -> str:
    """Return an axis of a piece in words."""
    found = (axis_called(piece, ledge, axis) for ledge in piece.ledges)
    return next((one.name for one in found if one is not None), "an axis that is not there")


def targets_of(plan: Plan, piece: Piece) -> set[str]:
    """Return what something can be wished near at a piece: kinds of its fixtures, its seats, other things by id."""
    there = {*(fixture.kind for fixture in piece.fixtures), *(item.id for item in plan.stash)}
    return there | ({A_SEAT} if piece.seats else set())


def _without(piece: Piece, new: Wish) -> tuple[Wish, ...]:
    """Return the wishes that a new one leaves standing: the same of the same things goes, and what it contradicts."""
    opposite = {"together": "apart", "apart": "together", "only-on": "never-on", "never-on": "only-on"}

    def goes(old: Wish) -> bool:
        if set(old.items) != set(new.items):
            return False
        if "near" in (old.kind, new.kind):
            return old.kind == new.kind and old.near == new.near
        same_ledges = set(old.ledges) == set(new.ledges)
        return old.kind == new.kind or (opposite.get(new.kind) == old.kind and same_ledges)

    return tuple(old for old in piece.wishes if not goes(old))


class DropWish(BaseEdit, frozen=True):
    """Insist on something no longer."""

    piece: str
    wish: Wish

    @property
    def label(self) -> str:
        """What it does."""
        return f"Let a wish go: {self.wish.kind.replace('-', ' ')}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan without the wish."""
        return change_piece(
            plan, self.piece, lambda piece: replace(piece, wishes=tuple(w for w in piece.wishes if w != self.wish))
        )
