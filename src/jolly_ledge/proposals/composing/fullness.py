"""How many things a ledge is composed of, counted on looks that were composed by hand."""

import math
from collections.abc import Iterable

from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import Fullness
from jolly_ledge.proposals.composing.spread import spans_of
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.readings.how_many import recommended

ON_A_TOP: dict[Fullness, float] = {"airy": 6.5, "layered": 9.5, "abundant": 11.5}
ON_A_DINING_TABLE: dict[Fullness, float] = {"airy": 4.0, "layered": 6.0, "abundant": 8.0}
"""So many things a top of usual width bears; a wider one more by the root."""

ROUND_SHARE, SMALL_TOP_MM = 0.8, 914.0
"""A small top bears by its width, a wide one by the root: 8 things at 76 cm, 11 at 150 cm, layered."""

FULL_ENOUGH = 1.15
"""What is more than this share of the wanted number is too much."""

USUAL_TOP_MM, ON_A_LOWER_SHELF, ROW_COUNTS, ENOUGH = 1100.0, 2.5, 3, 0.9


def things_wanted(stock: Stock, ledge: Ledge) -> float:
    """Return how many things a ledge wants, by its role, its width and the fullness that is asked for."""
    role, fullness = stock.roles[ledge.id], stock.problem.manner.fullness
    if role == "shelf":
        return ENOUGH * recommended(ledge, fullness, table=False)
    if role == "below":
        return ON_A_LOWER_SHELF
    if role in ("floor", "hearth"):
        return 0.0
    usual = ON_A_DINING_TABLE if stock.piece.kind == "dining-table" else ON_A_TOP
    free = sum(right - left for left, right in spans_of(stock, ledge))
    free *= ROUND_SHARE if ledge.shape == "ellipse" else 1.0
    return usual[fullness] * min(math.sqrt(free / USUAL_TOP_MM), free / SMALL_TOP_MM)


def things_in(groups: Iterable[Group]) -> int:
    """Return how many things groups count; a row of books counts as several."""
    return sum(ROW_COUNTS if member.thing.category == "book-row" else 1 for group in groups for member in group)
