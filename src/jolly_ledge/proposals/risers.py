"""Risers: which books or boxes of the stash, in which order, lift a thing by so much and carry its base."""

from collections.abc import Iterable
from itertools import combinations, pairwise

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.pose import Extent, extent
from jolly_ledge.model.colour import family_distance
from jolly_ledge.model.item import Item
from jolly_ledge.model.words import WALL_CATEGORIES, Pose

NEAR_MM = 5.0
"""So near the wanted lift nobody sees a difference."""

MOST_RISERS = 3
JUT_MM = 25.0
"""So far the base of what is raised may jut out over the topmost riser, on each side."""

MOST_CONSIDERED = 40
STRANGER = 0.2
"""A colour farther than this from all that stands there is a stranger."""


class Risers(Struct, frozen=True):
    """Risers from the bottom up, how much they lift (mm), and how well their colours suit (0 to 1)."""

    items: tuple[Item, ...]
    lift: float
    suits: float


def pose_of(riser: Item) -> Pose:
    """Return how a riser is laid: books and boards flat."""
    return "flat" if riser.category == "book" or riser.category in WALL_CATEGORIES else "upright"


def can_raise(item: Item) -> bool:
    """Tell whether a thing serves as a riser: a book, a stack of books, a lidded box, what is meant as a base."""
    lidded = item.category == "box" and "lidded" in item.traits
    return item.category in ("book", "book-stack") or lidded or "base" in item.traits


def risers_for(
    arrangement: Arrangement, placed: PlacedItem, lift: float, stash: Iterable[Item], most: int = 3
) -> tuple[Risers, ...]:
    """Return the best risers for a thing, the best first.

    Parameters
    ----------
    arrangement : Arrangement
    placed : PlacedItem
        What is to be raised.
    lift : float
        By how much, in mm.
    stash : iterable of Item
        What may be used.
    most : int
        How many answers.

    Notes
    -----
    All sets of up to three things are looked at, so that a lift within ``NEAR_MM`` is found if it can be had; larger
    ones lie below. Within reach of the lift fewer risers and suiting colours come first.
    """
    base = Extent(placed.width, placed.height, placed.back - placed.front)
    known = sorted((item for item in stash if can_raise(item)), key=lambda item: (_height(item), item.id))
    serving = [item for item in known if _height(item) <= lift + 4 * NEAR_MM][:MOST_CONSIDERED]
    suits = {item.id: _suits(item, arrangement) for item in serving}
    found = []
    for count in range(1, MOST_RISERS + 1):
        for some in combinations(serving, count):
            pile = tuple(sorted(some, key=lambda item: (-_footprint(item), item.id)))
            height = sum(_height(item) for item in pile)
            if abs(height - lift) <= 4 * NEAR_MM and carries_base(pile[-1], base) and _falls_upward(pile):
                found.append(Risers(pile, height, sum(suits[item.id] for item in pile) / count))
    found.sort(key=lambda one: (max(abs(one.lift - lift) - NEAR_MM, 0.0), len(one.items) - one.suits,
                                tuple(item.id for item in one.items)))  # fmt: skip
    return tuple(found[:most])


def _size(item: Item) -> Extent:
    return extent(item, pose_of(item))


def _height(item: Item) -> float:
    return _size(item).height


def _footprint(item: Item) -> float:
    return _size(item).width * _size(item).depth


def carries_base(top: Item, base: Extent) -> bool:
    """Tell whether a riser is wide and deep enough for a base, which may jut out a little."""
    size = _size(top)
    return size.width + 2 * JUT_MM >= base.width and size.depth + 2 * JUT_MM >= base.depth


def _falls_upward(pile: tuple[Item, ...]) -> bool:
    """Tell whether nothing juts out over what is below it."""
    sizes = [_size(item) for item in pile]
    return all(
        above.width <= below.width + 2 * JUT_MM and above.depth <= below.depth + 2 * JUT_MM
        for below, above in pairwise(sizes)
    )


def _suits(item: Item, arrangement: Arrangement) -> float:
    """Return how near the colour of a riser is to something that stands there: 1 the same, 0 a stranger."""
    colours = {placed.item.main_colour for placed in arrangement.visible}
    nearest = min((family_distance(item.main_colour, colour) for colour in colours), default=STRANGER)
    return max(1 - nearest / STRANGER, 0.0)
