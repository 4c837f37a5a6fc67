"""Habits of a manner that some hold and others do not: how books stand, what they show, how much is green."""

from itertools import pairwise

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.model.colour import difference, is_neutral, lightness_chroma_hue
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital, counted, listed
from jolly_ledge.model.words import GREENERY, BookFaces, BookPosture

MIXED_LEAST = 0.25
"""Upright and flat are mixed when the rarer of them is at least a quarter."""

LEAST_IN_A_ROW = 3


class Habit(Struct, frozen=True):
    """How far a habit is kept, 0 to 1, by which things not, and what to say."""

    share: float
    placements: tuple[str, ...]
    sentence: str


def habits_of(arrangement: Arrangement, manner: Manner) -> list[Habit]:
    """Return how far every habit that the manner asks for is kept; those it leaves open are left out."""
    books = [placed for placed in arrangement.visible if placed.item.is_book]
    found = [_posture(books, manner.books), _faces(arrangement, books, manner.faces), _green(arrangement, manner)]
    return [habit for habit in found if habit is not None]


def _lies(book: PlacedItem) -> bool:
    return book.placement.pose == "flat" or book.item.category == "book-stack"


def _posture(books: list[PlacedItem], wanted: BookPosture) -> Habit | None:
    if wanted == "any" or not books:
        return None
    flat = [book for book in books if _lies(book)]
    placed = [book for book in books if not _lies(book)]
    if wanted == "mixed":
        rare = min(len(flat), len(placed)) / len(books)
        share = min(rare / MIXED_LEAST, 1.0) if len(books) > 1 else 1.0
        word = "lie" if not placed else "stand"
        return Habit(share, _ids(books), f"The books nearly all {word}; let some {'stand' if not placed else 'lie'}.")
    strays = placed if wanted == "flat" else flat
    words = "stand where flat books are wished" if wanted == "flat" else "lie where upright books are wished"
    return Habit(1 - len(strays) / len(books), _ids(strays), f"{capital(_names(strays))} {words}.")


def _faces(arrangement: Arrangement, books: list[PlacedItem], wanted: BookFaces) -> Habit | None:
    if wanted == "any" or not books:
        return None
    if wanted == "by-colour":
        return _by_colour(arrangement)
    strays = [book for book in books if (book.placement.pose == "spine-in") is (wanted == "spines") and not _lies(book)]
    upright = sum(1 for book in books if not _lies(book))
    if not upright:
        return None
    said = "show their pages" if wanted == "spines" else "show their spines"
    asked = "spines" if wanted == "spines" else "pages"
    return Habit(1 - len(strays) / upright, _ids(strays), f"{capital(_names(strays))} {said}; turn the {asked} out.")


def _by_colour(arrangement: Arrangement) -> Habit | None:
    """Measure how directly the colours of each row run: the shortest way through them over the way they take."""
    shares: list[float] = []
    loose: list[PlacedItem] = []
    for unit in arrangement.units:
        row = [s for s in sorted(unit.placed_items, key=lambda s: s.left) if s.item.is_book and not _lies(s)]
        if len(row) < LEAST_IN_A_ROW:
            continue
        colours = [book.colours[0][0] for book in row]
        taken, best = _way(colours), _way(sorted(colours, key=_run))
        share = min(best / taken, 1.0) if taken else 1.0
        shares.append(share)
        loose += row if share < 1 else []
    if not shares:
        return None
    return Habit(
        sum(shares) / len(shares), _ids(loose), "The rows of books do not run by colour; sort each by its hue."
    )


def _run(colour: str) -> tuple[bool, float, float]:
    seen, plain = lightness_chroma_hue(colour), is_neutral(colour)
    return (plain, seen.lightness if plain else seen.hue, seen.lightness)


def _way(colours: list[str]) -> float:
    return sum(difference(first, second) for first, second in pairwise(colours))


def _green(arrangement: Arrangement, manner: Manner) -> Habit | None:
    if manner.greenery is None:
        return None
    # A plant in a pot, or a bunch in a vase, is one green thing.
    green = [s for s in arrangement.visible if s.item.category in GREENERY and s.placement.pose != "draped"]
    wanted = manner.greenery
    most = max(len(green), wanted)
    share = min(len(green), wanted) / most if most else 1.0
    there = counted(len(green), "stands", "stand") if green else "none stands"
    told = f"{capital(counted(wanted, 'green thing'))} wished for and {there}"
    return Habit(share, _ids(green), f"{told}; {'bring some' if len(green) < wanted else 'take some away'}.")


def _ids(things: list[PlacedItem]) -> tuple[str, ...]:
    return tuple(thing.id for thing in things)


def _names(things: list[PlacedItem]) -> str:
    return listed([f"the {thing.item.label}" for thing in things], 3) if things else "some books"
