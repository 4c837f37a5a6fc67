"""Which heights the openings want, and which the stash has."""

from collections.abc import Iterable

from msgspec import Struct

from jolly_ledge.model.item import Item
from jolly_ledge.model.piece import Piece

WANTED = (0.55, 0.9)
"""The tallest thing of a ledge fills this share of its clearance (the band of the reading of scale)."""

SAME_OPENING_MM = 40.0


class CensusLine(Struct, frozen=True):
    """Openings of about one height, the heights they want, and how many things have them (mm)."""

    lowest: float
    highest: float
    openings: int
    wanted_from: float
    wanted_to: float
    things: int

    @property
    def lacking(self) -> int:
        """How many openings would stay without a tall thing of their own."""
        return max(self.openings - self.things, 0)


def census(piece: Piece, stash: Iterable[Item]) -> tuple[CensusLine, ...]:
    """Return a line for each group of like openings, tallest first.

    A thing counts for every group it would serve; hung things and wall ledges are left out.
    """
    clearances = sorted(
        (ledge.clearance for ledge in piece.ledges if ledge.clearance is not None and not ledge.is_wall), reverse=True
    )
    heights = [item.height for item in stash if item.category not in ("hanging", "textile", "beads")]
    groups: list[list[float]] = []
    for clearance in clearances:
        if groups and groups[-1][0] - clearance <= SAME_OPENING_MM:
            groups[-1].append(clearance)
        else:
            groups.append([clearance])
    lines = []
    for group in groups:
        low, high = group[-1] * WANTED[0], group[0] * WANTED[1]
        things = sum(1 for height in heights if low <= height <= high)
        lines.append(CensusLine(group[-1], group[0], len(group), low, high, things))
    return tuple(lines)
