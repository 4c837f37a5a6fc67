"""What is taken in hand together: a row of upright books and in which order it may be sorted, a whole group."""

from collections.abc import Callable
from functools import lru_cache
from typing import Literal

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem, Stack
from jolly_ledge.model.colour import oklab
from jolly_ledge.model.hue_family import hue_family
from jolly_ledge.model.words import BOOK_CATEGORIES

Order = Literal["height", "hue", "name"]
ORDERS: tuple[Order, ...] = ("height", "hue", "name")
"""By height, by hue, or by name (of the author, where the name begins with it); a series is never parted."""

SET_APART = "\uffff"


def row_of(arrangement: Arrangement, placement: str) -> tuple[PlacedItem, ...]:
    """Return the upright books of the row that a placement stands in, left to right; empty where there is no row."""
    placed = arrangement.by_id.get(placement)
    if placed is None:
        return ()
    rows = rows_among(arrangement.stacks.get(placed.ledge.id, ()))
    return next((row for row in rows if placed in row), ())


@lru_cache(maxsize=256)
def rows_among(stacks: tuple[Stack, ...]) -> tuple[tuple[PlacedItem, ...], ...]:
    """Return the rows of upright books among the stacks of a ledge, each left to right."""
    rows = (
        tuple(
            one for unit in stack.units for one in unit.placed_items
            if one.depth_order == 0 and one.item.category in BOOK_CATEGORIES and one.placement.pose != "flat"
        )
        for stack in stacks
    )  # fmt: skip
    return tuple(tuple(sorted(row, key=lambda one: one.left)) for row in rows if len(row) > 1)


def group_of(arrangement: Arrangement, placement: str) -> tuple[str, ...]:
    """Return all that stands in the group of a placement, what it carries and holds among it; empty off the ledges."""
    for vignette in arrangement.vignettes:
        if placement in vignette.ids:
            return vignette.ids
    return ()


def in_order(row: tuple[PlacedItem, ...], order: Order) -> tuple[PlacedItem, ...]:
    """Return the books of a row in an order; a series stays together, in its own order, where its first book comes."""
    by: dict[Order, Callable[[PlacedItem], tuple[object, ...]]] = {
        "height": lambda one: (-one.height, one.item.label),
        "hue": lambda one: (hue_family(one.item.main_colour), oklab(one.item.main_colour)[0]),
        "name": lambda one: (one.item.label.casefold(),),
    }
    ordered = sorted(row, key=by[order])
    found: dict[str, list[PlacedItem]] = {}
    for one in ordered:
        found.setdefault(one.item.set or f"{SET_APART}{one.id}", []).append(one)
    return tuple(
        one for key, books in found.items()
        for one in (books if key.startswith(SET_APART) else sorted(books, key=lambda book: book.item.label))
    )  # fmt: skip
