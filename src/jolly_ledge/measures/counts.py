"""How many things a ledge bears, and how many it shows, as a stylist counts them."""

from collections import Counter
from collections.abc import Iterable
from functools import lru_cache

from jolly_ledge.geometry.arrangement import PlacedItem
from jolly_ledge.measures.frame import frame_height
from jolly_ledge.model.item import Item
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.roles import role_of
from jolly_ledge.model.words import LOOKED_AT, Fullness

ON_A_SHELF = 3.75
ON_A_TOP: dict[str, float] = {
    "console": 8.5, "mantel": 10.0, "nightstand": 6.0, "coffee-table": 8.0, "dining-table": 4.3, "counter": 10.0,
    "island": 5.2,
}  # fmt: skip
"""Things in *layered* on a shelf and on tops of usual proportions, counted on looks composed by hand."""

ON_ANOTHER_TOP, ON_A_LOWER_SHELF = 6.0, 2.5
SET_COUNTS = 2
"""A set that is kept together counts as no more than so many things; a row of books is one mass, a long one as many as
it is longer than high.
"""

LOWER_FOR_ITS_HEIGHT, BY_A_BED_FOR_ITS_HEIGHT = 1.6, 0.95
"""A lower shelf and a bedside top bear as many where they are so wide for the height of the piece; what is needed by
a bed is of one size however small the top, and one basket fills a narrow shelf.
"""

BY_A_BED_POWER = 0.5
"""By a bed the fullnesses lie nearer: the lamp and a book are needed in all, and a place for a glass stays free."""

FULLNESSES: dict[Fullness, float] = {"airy": 0.75, "layered": 1.0, "abundant": 1.2}
"""Practised hands are nearer each other than the words: airy shelves held about three quarters of layered ones."""

FULLNESSES_OF_TOPS: dict[Fullness, float] = {"airy": 0.9, "layered": 1.0, "abundant": 1.3}
"""A top is airy by its rests and by what is slender, hardly by fewer things."""

SHELF_PROPORTION, TOP_PROPORTIONS = 1.84, {"console": 3.6, "mantel": 8.5, "counter": 3.8, "island": 2.0}
USUAL_PROPORTION, ROUND_SHARE = 1.4, 0.85
STATION, STATIONS = 1.25, frozenset({"coffee", "tea"})
"""What is needed for coffee or tea is small, and all of it is out: machine, jars, cups, spoons, tray."""

LONGER_SHELF, LONGER_TOP = 0.65, 0.4
"""What is longer than usual for its height, or for its depth, bears more by these powers."""

UNDER_A_PICTURE = 0.83
"""A picture, a mirror or a screen on the wall over a top takes the place of things on it: so much of them is left."""


@lru_cache(maxsize=1024)
def recommended(piece: Piece, ledge: Ledge, fullness: Fullness) -> float:
    """Return how many things a ledge bears in a fullness, or is meant to bear; nought for the floor and a hearth.

    >>> from jolly_ledge.readings.example import shelves
    >>> piece = shelves()
    >>> round(recommended(piece, piece.ledges[0], "layered"))
    4
    """
    role = role_of(piece, ledge)
    if ledge.meant.wanted is not None:
        return ledge.meant.wanted
    fullness = ledge.meant.fullness or fullness
    if ledge.is_wall or role in ("floor", "hearth"):
        return 0.0
    if role == "below":
        wider = ledge.width / piece.height / LOWER_FOR_ITS_HEIGHT
        return float(ON_A_LOWER_SHELF * FULLNESSES[fullness] * wider**LONGER_TOP)
    if role == "shelf" or (ledge.clearance is not None and role != "counter"):
        longer = ledge.width / frame_height(ledge) / SHELF_PROPORTION
        return max(float(ON_A_SHELF * FULLNESSES[fullness] * longer**LONGER_SHELF), 1.0)
    left = UNDER_A_PICTURE if _hangs_over(piece, ledge) else 1.0
    if kind_of(piece).is_by_a_bed:
        wider = ledge.width / piece.height / BY_A_BED_FOR_ITS_HEIGHT
        return float(left * ON_A_TOP["nightstand"] * FULLNESSES[fullness] ** BY_A_BED_POWER * wider**LONGER_SHELF)
    kind = "island" if role == "island" else piece.kind
    longer = ledge.width / ledge.depth / TOP_PROPORTIONS.get(kind, USUAL_PROPORTION)
    bears = ON_A_TOP.get(kind, ON_ANOTHER_TOP) * (ROUND_SHARE if ledge.shape == "ellipse" else 1.0)
    return float(left * bears * _of_a_station(piece, role) * FULLNESSES_OF_TOPS[fullness] * longer**LONGER_TOP)


def _of_a_station(piece: Piece, role: str) -> float:
    """Return how many times as many things a counter bears for its use."""
    return STATION if role == "counter" and STATIONS.intersection(piece.use) else 1.0


def _hangs_over(piece: Piece, ledge: Ledge) -> bool:
    """Tell whether what is looked at is fixed over a ledge that is open above."""
    return ledge.clearance is None and any(
        fixture.kind in LOOKED_AT and fixture.floor >= ledge.floor and fixture.left < ledge.right
        and fixture.right > ledge.left for fixture in piece.fixtures
    )  # fmt: skip


def things_on(placed_items: tuple[PlacedItem, ...]) -> int:
    """Return how many things a ledge shows; stems count with their vessel. See :func:`counted`."""
    shown = [
        one.item
        for one in placed_items
        if not one.hidden and one.placement.pose != "draped" and one.item.category not in ("stems", "utensils")
    ]
    return counted(shown)


def counted(items: Iterable[Item]) -> int:
    """Return how many some things count: a row of books by its length, few for a set whose sense keeps it together."""
    items = tuple(items)
    sets = Counter(item.set for item in items if item.set and item.sense)
    alone = (item for item in items if not (item.set and item.sense))
    rows = sum(max(round(item.width / item.height), 1) if item.category == "book-row" else 1 for item in alone)
    return rows + sum(min(members, SET_COUNTS) for members in sets.values())
