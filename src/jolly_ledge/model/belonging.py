"""What belongs where: what is used for which work, on which role of a ledge; the rows are data, each with its reason.

This holds for what the program brings by itself; by hand everything is allowed. The room a thing lives in is a hint
only, for stylists fetch from everywhere.
"""

import re
from functools import lru_cache
from pathlib import Path
from typing import Any, Literal

import msgspec
from msgspec import Struct

from jolly_ledge.model.item import Item
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.roles import Role, Room, is_served, role_of, room_of
from jolly_ledge.model.words import BOOK_CATEGORIES, Category

Verdict = Literal["belongs", "may", "seldom", "by-hand", "asked"]

WORTH: dict[Verdict, float] = {"belongs": 1.0, "may": 0.7, "seldom": 0.25, "by-hand": 0.0, "asked": 0.0}
"""How welcome a thing is; what comes by hand only, or when asked, is not brought, though by hand the former is fine."""

OVER_A_FLAME_MM = 600.0
PICTURES = frozenset({"frame", "art", "mirror"})


class Where(Struct, frozen=True, forbid_unknown_fields=True):
    """One row: for which roles, rooms, sizes (mm) and stuff it holds, and what it says."""

    verdict: Verdict
    roles: tuple[Role, ...] = ()
    rooms: tuple[Room, ...] = ()
    stuff: tuple[str, ...] = ()
    max_width: float = float("inf")
    max_height: float = float("inf")
    min_width: float = 0.0
    min_height: float = 0.0
    max_floor: float = float("inf")
    """Up to which height over the room's floor the ledge may lie."""

    shut_away: bool = False
    """It holds only for a ledge before which doors are shut."""


class Rule(Struct, frozen=True, forbid_unknown_fields=True):
    """What holds for a category: its rows in order, what holds otherwise, and why."""

    reason: str
    otherwise: Verdict
    where: tuple[Where, ...]


class Never(Struct, frozen=True, forbid_unknown_fields=True):
    """Words of things that dress nothing, in their names, and of stuff that does not."""

    words: tuple[str, ...]
    except_in_use: tuple[Room, ...]
    except_words: tuple[str, ...]
    materials: tuple[str, ...]
    reason: str


STORAGE = frozenset({"box", "basket"})
"""What holds other things; on a ledge that is meant for storage it belongs whatever it is called."""


@lru_cache(maxsize=1)
def _data() -> dict[str, Any]:
    import tomllib

    return tomllib.loads((Path(__file__).parent / "belonging.toml").read_text(encoding="utf-8"))


@lru_cache(maxsize=64)
def rule_for(category: str) -> Rule | None:
    """Return what holds for a category of things, None where nothing is told: it comes only when asked."""
    name = "books" if category in BOOK_CATEGORIES else "pictures" if category in PICTURES else category
    known = _data().get(name)
    return None if known is None or name == "never" else msgspec.convert(known, Rule)


@lru_cache(maxsize=1)
def _never() -> Never:
    return msgspec.convert(_data()["never"], Never)


@lru_cache(maxsize=1)
def _never_pattern() -> re.Pattern[str]:
    words = sorted(_never().words, key=len, reverse=True)
    return re.compile(rf"\b({'|'.join(map(re.escape, words))})(s|es)?\b")


def _is_shut_away(piece: Piece, ledge: Ledge) -> bool:
    return piece.doors != "none" and ledge.clearance is not None


@lru_cache(maxsize=65_536)
def verdict_on(item: Item, piece: Piece, ledge: Ledge) -> tuple[Verdict, str]:
    """Return whether a thing belongs on a ledge of a piece, and why."""
    told = dict(piece.comes).get(item.category)
    if told is not None:
        return ("belongs" if told else "asked"), f"You said so for {piece.label}."
    role, room = role_of(piece, ledge), room_of(piece)
    never = _never()
    if any(word in f"{item.label} {item.material}".lower() for word in never.materials):
        return "asked", never.reason
    if ledge.meant.purpose == "store" and item.category in STORAGE and "hide" not in item.traits:
        return "belongs", f"It stores, and {ledge.label} is meant for that."
    found = _never_pattern().search(item.label.lower())
    if found is not None and not (room in never.except_in_use and found[1] in never.except_words):
        return "asked", never.reason
    rule = rule_for(item.category)
    if rule is None or "hide" in item.traits:
        return "asked", "It is stored, or hidden."
    if item.category == "tableware" and is_served(piece):
        return "belongs", rule.reason
    stuff = item.material.lower()
    for row in rule.where:
        if (
            (not row.roles or role in row.roles)
            and (not row.rooms or room in row.rooms)
            and row.min_width <= item.width <= row.max_width
            and row.min_height <= item.height <= row.max_height
            and ledge.floor < row.max_floor
            and (not row.shut_away or _is_shut_away(piece, ledge))
            and (not row.stuff or any(word in stuff for word in row.stuff))
        ):
            return row.verdict, rule.reason
    return rule.otherwise, rule.reason


def welcome(item: Item, piece: Piece, ledge: Ledge) -> float:
    """Return how welcome a thing is on a ledge, 0 to 1.

    It is 0 where it comes only when asked, where a fire is behind it and where its flame has no room.
    """
    if any(
        fixture.kind == "firebox"
        and fixture.left < ledge.left + ledge.width / 2 < fixture.right
        and fixture.floor - 50 <= ledge.floor
        and ledge.floor + 100 < fixture.floor + fixture.height
        and role_of(piece, ledge) != "hearth"
        for fixture in piece.fixtures
    ):
        return 0.0
    if "flame" in item.traits and (ledge.clearance or float("inf")) < item.height + OVER_A_FLAME_MM:
        return 0.0
    verdict = verdict_on(item, piece, ledge)[0]
    # What a stylist means for a piece is asked for.
    meant = piece.id in item.meant_for and "hide" not in item.traits
    return max(WORTH[verdict], WORTH["may"] * meant)


def comes_by_kind(category: Category, piece: Piece) -> bool:
    """Tell whether things of a kind come to a piece by themselves at all, as told by the stylist or by the rows."""
    told = dict(piece.comes).get(category)
    if told is not None:
        return told
    rule = rule_for(category)
    if rule is None:
        return False
    return any(WORTH[verdict] for verdict in (rule.otherwise, *(row.verdict for row in rule.where)))


def comes_unasked(item: Item, piece: Piece, ledge: Ledge) -> bool:
    """Tell whether a thing may come to a ledge by itself: it belongs there, or is meant for the piece."""
    return WORTH[verdict_on(item, piece, ledge)[0]] > 0 or piece.id in item.meant_for
