"""Where things stand on the board below the drawing: in one endless row, or in several that are as wide as it is."""

from collections.abc import Sequence

from msgspec import Struct

from jolly_ledge.model.item import Item
from jolly_ledge.model.stash_order import Shelf

LEAST_CELL, BETWEEN, END, BETWEEN_GROUPS = 84.0, 4.0, 10.0, 18.0
"""Pixels: how wide the place of a small thing is, what is free beside it, at the ends and between two groups."""


class StripCell(Struct, frozen=True):
    """The place of one thing: left edge and width in pixels, row from the top, and its group where it begins one."""

    item: Item
    left: float
    width: float
    row: int = 0
    title: str = ""

    @property
    def right(self) -> float:
        """Its right edge."""
        return self.left + self.width

    @property
    def middle(self) -> float:
        """Half way along it."""
        return self.left + self.width / 2


def strip_cells(shelves: Sequence[Shelf], scale: float, room: float | None = None) -> tuple[StripCell, ...]:
    """Return the places of groups of things, one after the other.

    Parameters
    ----------
    shelves : sequence of Shelf
        The groups; only where there is more than one do they have titles.
    scale : float
        Pixels for one mm.
    room : float, optional
        How wide a row may be, in pixels; None for one row without an end.
    """
    cells: list[StripCell] = []
    left, row = END, 0
    for number, shelf in enumerate(shelves):
        title = f"{shelf.title} · {len(shelf.items)}" if len(shelves) > 1 else ""
        left += BETWEEN_GROUPS * (number > 0 and left > END)
        for item in shelf.items:
            wide = max(item.width * scale + 14, LEAST_CELL)
            if room is not None and left > END and left + wide > room - END:
                left, row = END, row + 1
            cells.append(StripCell(item, left, wide, row, title))
            left += wide + BETWEEN
            title = ""
    return tuple(cells)


def cell_beyond(cells: Sequence[StripCell], item_id: str, along: int, down: int) -> StripCell | None:
    """Return the cell next to a thing's, along its row or in the next one; the first where the thing is not there."""
    here = next((number for number, cell in enumerate(cells) if cell.item.id == item_id), None)
    if here is None:
        return cells[0] if cells else None
    if down:
        there = [cell for cell in cells if cell.row == cells[here].row + down]
        return min(there, key=lambda cell: abs(cell.middle - cells[here].middle), default=None)
    return cells[min(max(here + along, 0), len(cells) - 1)]
