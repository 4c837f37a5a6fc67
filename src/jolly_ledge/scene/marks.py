"""Marks: every visible mass of a look with what an eye takes from it.

A ledge on which nothing moved keeps its marks.
"""

from functools import lru_cache

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem, stacks_of
from jolly_ledge.geometry.kept import kept
from jolly_ledge.model.colour import difference
from jolly_ledge.model.hue_family import families_of
from jolly_ledge.model.item import ColourShare, Item
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.words import Counting, Finish
from jolly_ledge.scene.background import seen_against
from jolly_ledge.scene.bars import cut_by_bars
from jolly_ledge.scene.cover import hidden_shares

FINISH_FACTORS: dict[Finish, float] = {
    "clear": 0.45,  # the back shows through
    "gloss": 1.1,  # catches the light
    "metal": 1.1,
    "rough": 1.1,  # holds shade
    "woven": 1.1,
    "matt": 1.0,
    "satin": 1.0,
}

DETAIL_FACTOR = 1.15
"""Faces, pattern and lettering hold the eye longer than plain surfaces."""

DETAILED_CATEGORIES = frozenset({"art", "book-row", "mirror"})
DETAILED_SHAPES = frozenset({"figure", "orrery", "globe"})
PATTERN_COLOURS = 3
BUSY_FACTOR = 1.3
"""A row of many hues holds the eye more than its area tells."""

HIDDEN_LOSS = 0.7
"""What stands before a thing takes so much of the weight of the part it hides; the rest is felt behind it."""

NEVER_LEAD = frozenset({"box", "basket", "appliance", "device", "supplies", "tray", "textile", "book-row", "book"})
"""Storage, devices and rows hold things together; they are not what one looks at first."""

TOUCH = {
    "rough": "rough", "woven": "rough", "matt": "plain", "satin": "plain", "gloss": "smooth", "metal": "smooth",
    "clear": "smooth",
}  # fmt: skip
"""Finishes that the hand would tell apart."""

ROUND_SHAPES = frozenset({"round", "disc", "sphere"})

TONE_FLOOR, TONE_SLOPE, TONE_CEILING = 0.5, 1 / 50, 2.0


@lru_cache(maxsize=65_536)
def tone(colour: str, backdrop: str) -> float:
    """Return how strongly a colour stands out from what is behind it.

    0.5 + ΔE/50 with CIEDE2000, held to 0.5 to 2.
    """
    return min(TONE_FLOOR + difference(colour, backdrop) * TONE_SLOPE, TONE_CEILING)


OVER_A_LOW_TABLE, OVER_A_MEAL = 0.2, 0.12
"""From an easy chair one looks down on a low table by this slope, from a chair on the top at which one eats."""


class Mark(Struct, frozen=True, cache_hash=True):
    """One visible mass: what stands, leans, hangs, lies on or in another, or is fixed to the wall.

    ``hidden`` is the share that nearer things hide, ``cut`` what fixed bars take (0 to 1). ``colours`` are its colours
    with the area each shows, in mm², ``against`` what it is seen against, with shares of the impression. ``stuff`` is
    its material, or else its finish; ``is_round`` tells of its outline. ``unit`` is the leading placement of the one
    thing that the eye counts it to. ``weight`` is how heavy it is to the eye, in mm² of middling surface.
    """

    placed: PlacedItem
    hidden: float
    cut: float
    colours: tuple[tuple[str, float], ...]
    against: tuple[tuple[str, float], ...]
    stuff: str
    is_round: bool
    unit: str
    weight: float

    @property
    def id(self) -> str:
        """The placement it is of."""
        return self.placed.id

    @property
    def item(self) -> Item:
        """The thing it is of."""
        return self.placed.item

    @property
    def in_sight(self) -> float:
        """The share of it that is seen."""
        return max(1 - self.hidden - self.cut, 0.0)

    @property
    def may_lead(self) -> bool:
        """Whether it can be looked at first: storage, devices and rows hold things together."""
        return self.item.category not in NEVER_LEAD


@kept
def marks_of(arrangement: Arrangement) -> tuple[Mark, ...]:
    """Return every visible mark of a look, ledge by ledge."""
    return tuple(mark for marks in marks_by_ledge(arrangement) for mark in marks)


@kept
def marks_by_ledge(arrangement: Arrangement) -> tuple[tuple[Mark, ...], ...]:
    """Return the visible marks of every ledge that holds any."""
    counting = (arrangement.manner.gathered, arrangement.manner.perched)
    return tuple(
        _on_a_ledge(placed_items, arrangement.piece, counting) for placed_items in arrangement.by_ledge.values()
    )


@lru_cache(maxsize=512)
def _on_a_ledge(
    placed_items: tuple[PlacedItem, ...], piece: Piece, counting: tuple[Counting, Counting]
) -> tuple[Mark, ...]:
    units = {
        one.id: unit.lead.id for stack in stacks_of(placed_items, counting) for unit in stack.units
        for one in unit.placed_items
    }  # fmt: skip
    return tuple(
        _mark(placed, hidden, units.get(placed.id, placed.id), piece)
        for placed, hidden in zip(placed_items, hidden_shares(placed_items, looked_down_on(piece)), strict=True)
    )


def looked_down_on(piece: Piece) -> float:
    """Return how steeply who sits at a piece looks down on its top; nought for what stands at the wall.

    >>> looked_down_on(Piece(id="a", kind="coffee-table", width=1200, height=400, depth=700)) > 0
    True
    """
    kind = kind_of(piece)
    return 0.0 if not kind.is_a_table else OVER_A_MEAL if kind.is_eaten_at else OVER_A_LOW_TABLE


@lru_cache(maxsize=16_384)
def _mark(placed: PlacedItem, hidden: float, unit: str, piece: Piece) -> Mark:
    item, colours = placed.item, placed.colours
    whole = sum(share for _, share in colours) or 1.0
    return Mark(
        placed=placed,
        hidden=hidden,
        cut=cut_by_bars(placed, piece),
        colours=tuple((colour, placed.area * share / whole) for colour, share in colours),
        against=seen_against(placed, piece),
        stuff=item.material.lower() or TOUCH[item.shown_finish],
        is_round=item.is_round or placed.shape in ROUND_SHAPES,
        unit=unit,
        weight=visual_weight(placed, piece) * (1 - HIDDEN_LOSS * hidden),
    )


def weights(arrangement: Arrangement) -> dict[str, float]:
    """Return the visual weight of every visible placement, less what things before it hide."""
    return {mark.id: mark.weight for mark in marks_of(arrangement)}


@lru_cache(maxsize=16_384)
def visual_weight(placed: PlacedItem, piece: Piece) -> float:
    """Return the visual weight of one thing, in mm² of middling surface.

    Visible area × tone × finish × detail; nought when hidden.
    """
    if placed.hidden:
        return 0.0
    colours = placed.colours
    whole = sum(share for _, share in colours) or 1.0
    against = seen_against(placed, piece)
    tones = sum(tone(colour, back) * share * part for colour, share in colours for back, part in against) / whole
    item = placed.item
    return placed.area * tones * FINISH_FACTORS[item.shown_finish] * _detail(item, colours)


def _detail(item: Item, colours: tuple[ColourShare, ...]) -> float:
    """Return how much the surface of a thing holds the eye."""
    if len(colours) >= PATTERN_COLOURS and len(families_of(list(colours))) >= PATTERN_COLOURS:
        return BUSY_FACTOR
    detailed = item.category in DETAILED_CATEGORIES or item.shape in DETAILED_SHAPES or len(colours) >= PATTERN_COLOURS
    return DETAIL_FACTOR if detailed else 1.0
