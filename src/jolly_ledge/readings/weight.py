"""Visual weight: how heavy a thing is to the eye, apart from its mass."""

from functools import lru_cache

from jolly_ledge.model.arrangement import Arrangement, Standing
from jolly_ledge.model.colour import difference
from jolly_ledge.model.hue_family import families_of
from jolly_ledge.model.item import ColourShare, Item
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.words import Finish
from jolly_ledge.readings.background import seen_against
from jolly_ledge.readings.cover import hidden_shares

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

TONE_FLOOR, TONE_SLOPE, TONE_CEILING = 0.5, 1 / 50, 2.0


@lru_cache(maxsize=65_536)
def tone(colour: str, backdrop: str) -> float:
    """Return how strongly a colour stands out from what is behind it.

    0.5 + ΔE/50 with CIEDE2000, held to 0.5 to 2.
    """
    return min(TONE_FLOOR + difference(colour, backdrop) * TONE_SLOPE, TONE_CEILING)


@lru_cache(maxsize=16_384)
def visual_weight(standing: Standing, piece: Piece) -> float:
    """Return the visual weight of one thing, in mm² of middling surface.

    Visible area × tone × finish × detail; nought when hidden.
    """
    if standing.hidden:
        return 0.0
    colours = standing.colours
    whole = sum(share for _, share in colours) or 1.0
    against = seen_against(standing, piece)
    tones = sum(tone(colour, back) * share * part for colour, share in colours for back, part in against) / whole
    item = standing.item
    return standing.area * tones * FINISH_FACTORS[item.finish] * _detail(item, colours)


def _detail(item: Item, colours: tuple[ColourShare, ...]) -> float:
    """Return how much the surface of a thing holds the eye."""
    if len(colours) >= PATTERN_COLOURS and len(families_of(list(colours))) >= PATTERN_COLOURS:
        return BUSY_FACTOR
    detailed = item.category in DETAILED_CATEGORIES or item.shape in DETAILED_SHAPES or len(colours) >= PATTERN_COLOURS
    return DETAIL_FACTOR if detailed else 1.0


@lru_cache(maxsize=8)
def weights(arrangement: Arrangement) -> dict[str, float]:
    """Return the visual weight of every visible placement, less what things before it hide."""
    piece = arrangement.piece
    return {
        standing.id: visual_weight(standing, piece) * (1 - HIDDEN_LOSS * hidden)
        for standings in arrangement.by_ledge.values()
        for standing, hidden in zip(standings, hidden_shares(standings), strict=True)
    }
