"""Sorting, searching and fitting the stash."""

from collections.abc import Callable, Iterable
from typing import Literal

from msgspec import Struct

from jolly_ledge.model.families import Families, family_of, name_of, stash_families
from jolly_ledge.model.item import Item
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.words import WALL_CATEGORIES, plain

Sorting = Literal["height", "kind", "family", "room", "set"]
SORTINGS: tuple[tuple[Sorting, str, str], ...] = (
    ("height", "Height", "Tallest first"),
    ("kind", "Kind", "Books, vessels, plants"),
    ("family", "Colour", "By colour family, as it appears"),
    ("room", "Room", "Where things live"),
    ("set", "Set", "What belongs together"),
)
"""The ways of sorting, with their words and what each means."""


_HIGH, _MIDDLE, _LOW = "Over 40 cm high", "20 to 40 cm high", "Under 20 cm high"
NO_ROOM, NO_SET = "No room told", "By themselves"


class Shelf(Struct, frozen=True):
    """A group of things that stand together in the line-up."""

    title: str
    items: tuple[Item, ...]


def lines_of(stash: Iterable[Item], sorting: Sorting, families: Families = ()) -> tuple[Shelf, ...]:
    """Return the stash in titled groups, tallest first within each."""
    items = sorted(stash, key=lambda item: (-item.height, item.label))
    if sorting == "height":
        return _grouped(items, _height_band, [_HIGH, _MIDDLE, _LOW])
    if sorting == "kind":
        return _grouped(items, lambda item: plain(item.category).capitalize())
    if sorting == "room":
        return _grouped(items, lambda item: item.room or NO_ROOM)
    if sorting == "set":
        return _grouped(items, lambda item: item.set or NO_SET)
    leaders = tuple(colour for colour, _ in stash_families(items, families))

    def family(item: Item) -> str:
        return name_of(family_of(item, leaders, families), families).capitalize()

    return _grouped(items, family)


def _height_band(item: Item) -> str:
    return _HIGH if item.height > 400 else _MIDDLE if item.height > 200 else _LOW


def _grouped(items: list[Item], title_of: Callable[[Item], str], order: list[str] | None = None) -> tuple[Shelf, ...]:
    groups: dict[str, list[Item]] = {}
    for item in items:
        groups.setdefault(title_of(item), []).append(item)
    titles = [title for title in order if title in groups] if order else sorted(groups)
    return tuple(Shelf(title, tuple(groups[title])) for title in titles)


def known_of(item: Item) -> str:
    """Return all that a search may find of a thing, in small letters."""
    words = (item.id, item.name, item.category, item.shape, item.finish, item.material, item.room, item.set)
    return " ".join((*words, *item.traits)).lower()


class StashSearch:
    """A stash made ready to be searched, word by word."""

    def __init__(self, stash: tuple[Item, ...]) -> None:
        self.stash = stash
        self._known = tuple((item, known_of(item)) for item in stash)

    def found(self, search: str) -> tuple[Item, ...]:
        """Return the things of which every word of a search is known."""
        found = self._known
        for word in search.lower().split():
            found = tuple(pair for pair in found if word in pair[1])
        return tuple(item for item, _ in found)


def fits(item: Item, ledge: Ledge) -> bool:
    """Tell whether a thing can stand on (or hang at) a ledge in some pose."""
    if ledge.is_wall:
        return item.category in WALL_CATEGORIES or item.category == "hanging"
    deep_enough = min(item.depth, item.width if item.is_book else item.depth) <= ledge.depth
    if item.width > ledge.width and item.depth > ledge.width:
        return False
    if ledge.clearance is None:
        return deep_enough
    lowest = min(item.height, item.width) if item.category == "book" else item.height
    return deep_enough and lowest <= ledge.clearance


def free_over(item: Item, ledge: Ledge) -> float | None:
    """Return how much height stays free over a standing thing (below 0: too tall), None when open."""
    return None if ledge.clearance is None else ledge.clearance - item.height


def clearances_of(piece: Piece) -> list[tuple[float, tuple[str, ...]]]:
    """Return the distinct clearances of a piece, tallest first, with the names of their ledges."""
    found: dict[float, list[str]] = {}
    for ledge in piece.ledges:
        if ledge.clearance is not None and not ledge.is_wall:
            found.setdefault(round(ledge.clearance), []).append(ledge.label)
    return [(clearance, tuple(names)) for clearance, names in sorted(found.items(), reverse=True)]
