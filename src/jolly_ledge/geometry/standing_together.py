"""What stands together as one on a ledge: books in a row, members of a set whose sense keeps it together."""

from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from jolly_ledge.geometry.arrangement import PlacedItem

ROW_GAP_MM = 25.0
"""Upright books nearer than this read as one row."""
BESIDE_MM = 60.0
"""Members of a set that stand no farther from each other are side by side."""


def join_rows(groups: "list[list[PlacedItem]]") -> "list[list[PlacedItem]]":
    """Join neighbouring upright books into rows, and neighbours of one set whose sense keeps it together."""
    joined: list[list[PlacedItem]] = []
    for group in groups:
        previous = joined[-1] if joined else None
        if (previous and _is_beside_in_a_set(group[0], previous)) or (
            previous
            and is_row_book(group[0])
            and is_row_book(previous[0])
            and group[0].left - max(s.right for s in previous if s.depth_order == 0) <= ROW_GAP_MM
            and group[0].front < previous[0].back
            and group[0].back > previous[0].front
        ):
            previous.extend(group)
        else:
            joined.append(list(group))
    return joined


def _is_beside_in_a_set(placed_item: "PlacedItem", before: "list[PlacedItem]") -> bool:
    last = before[-1]
    near = placed_item.left - max(one.right for one in before) <= BESIDE_MM
    return near and placed_item.placement.counts_as != "own" and placed_item.item.goes_with(last.item)


def is_row_book(placed_item: "PlacedItem") -> bool:
    """Tell whether it is a book, or a block of books, that stands or leans in a row."""
    return placed_item.item.category in ("book", "book-row") and placed_item.placement.pose in (
        "upright",
        "spine-in",
        "leaning",
    )


def is_in_line(placed_item: "PlacedItem", unit: "list[PlacedItem]") -> bool:
    """Tell whether a thing on the ledge counts with those before it: as a book of a row, or one of a set."""
    return is_row_book(unit[0]) or placed_item.item.goes_with(unit[0].item)
