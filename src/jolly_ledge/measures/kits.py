"""Kits: what a piece in its use is not without, as data, and whether a look has it."""

import tomllib
from functools import lru_cache
from pathlib import Path

import msgspec
from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.model.item import Item
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.roles import Role, Room, role_of, room_of
from jolly_ledge.model.words import Category, FixtureKind, PieceKind

STEP_MM = 15.0
LARGEST_SIDE_MM = 3000.0
"""On a wider top there is always a place left for something small."""


class Need(Struct, frozen=True, forbid_unknown_fields=True):
    """One thing that a use asks for: where it holds, what meets it (sizes in mm), and what is said where it lacks."""

    id: str
    name: str
    missing: str
    categories: tuple[Category, ...]
    kinds: tuple[PieceKind, ...] = ()
    rooms: tuple[Room, ...] = ()
    uses: tuple[str, ...] = ()
    roles: tuple[Role, ...] = ()
    fixtures: tuple[FixtureKind, ...] = ()
    lowest: float = 0.0
    highest: float = float("inf")
    free: float = 0.0

    def holds_for(self, piece: Piece) -> bool:
        """Tell whether a piece asks for it."""
        return (
            (not self.kinds or piece.kind in self.kinds)
            and (not self.rooms or room_of(piece) in self.rooms)
            and (not self.uses or not set(self.uses).isdisjoint(piece.use))
            and (not self.roles or any(role_of(piece, ledge) in self.roles for ledge in piece.ledges))
        )

    def takes(self, item: Item, role: Role) -> bool:
        """Tell whether a thing meets it on a ledge of a role."""
        return (
            item.category in self.categories
            and (not self.roles or role in self.roles)
            and self.lowest <= item.height <= self.highest
        )


@lru_cache(maxsize=1)
def _all_needs() -> tuple[Need, ...]:
    raw = tomllib.loads((Path(__file__).parent / "kits.toml").read_text(encoding="utf-8"))
    return msgspec.convert(raw["needs"], tuple[Need, ...])


@lru_cache(maxsize=256)
def kit_of(piece: Piece) -> tuple[Need, ...]:
    """Return what a piece asks for by its kind and use, also what the stylist does without."""
    return tuple(need for need in _all_needs() if need.holds_for(piece))


@lru_cache(maxsize=256)
def needs_of(piece: Piece) -> tuple[Need, ...]:
    """Return what a piece asks for and the stylist wants there."""
    return tuple(need for need in kit_of(piece) if need.id not in piece.unneeded)


def unmet_needs(arrangement: Arrangement) -> tuple[Need, ...]:
    """Return what is asked for and lacks in a look; nothing where the look is empty: there everything lacks."""
    needs = needs_of(arrangement.piece)
    if not needs or not arrangement.visible:
        return ()
    return tuple(need for need in needs if not is_met(need, arrangement))


def is_met(need: Need, arrangement: Arrangement) -> bool:
    """Tell whether a look has what a need asks for."""
    piece = arrangement.piece
    if any(fixture.kind in need.fixtures for fixture in piece.fixtures):
        return True
    if any(need.takes(one.item, role_of(piece, one.ledge)) for one in arrangement.visible):
        return True
    tops = (ledge for ledge in arrangement.standing_ledges if not need.roles or role_of(piece, ledge) in need.roles)
    return bool(need.free) and any(
        _has_room(ledge, arrangement.by_ledge.get(ledge.id, ()), need.free) for ledge in tops
    )


def _has_room(ledge: Ledge, placed_items: tuple[PlacedItem, ...], side: float) -> bool:
    """Tell whether a square is left free on a ledge."""
    if ledge.width > LARGEST_SIDE_MM:
        return True
    grounded = [
        (one.left - ledge.left, one.right - ledge.left, one.front, one.back)
        for one in placed_items if one.depth_order == 0 and not one.ledge.is_wall
    ]  # fmt: skip
    half = side / 2
    columns, rows = int((ledge.width - side) // STEP_MM) + 1, int((ledge.depth - side) // STEP_MM) + 1
    return any(
        all(
            x + half <= left or x - half >= right or z + half <= front or z - half >= back
            for left, right, front, back in grounded
        )
        for x in (half + STEP_MM * number for number in range(max(columns, 0)))
        for z in (half + STEP_MM * number for number in range(max(rows, 0)))
    )
