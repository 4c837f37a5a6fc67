"""Which colour families a look shows, and how much of each."""

from functools import lru_cache

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.kept import kept
from jolly_ledge.model.colour import is_green, is_neutral, lightness_chroma_hue
from jolly_ledge.model.families import lead_of, leads
from jolly_ledge.model.hue_family import families_of, nearest_family
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.words import GREENERY
from jolly_ledge.scene.marks import marks_of

METAL_LIGHTNESS = (0.45, 0.88)
BLACK_LIGHTNESS, LIGHT_BACK = 0.34, 0.7


ColourArea = tuple[PlacedItem, str, float]
"""A thing, one colour it shows (as its family by hand, if it has one), and the area of it in mm²."""


@kept
def colour_areas(arrangement: Arrangement) -> tuple[ColourArea, ...]:
    """Return every visible colour with the area it shows, ledge by ledge."""
    families = arrangement.families
    return tuple(
        (mark.placed, lead_of(colour, families), area)
        for mark in marks_of(arrangement)
        for colour, area in mark.colours
    )


@kept
def accent_areas(arrangement: Arrangement) -> tuple[ColourArea, ...]:
    """Return the visible colours that the eye looks for again, with the areas they show."""
    return tuple(one for one in colour_areas(arrangement) if is_accent(one[0], one[1], arrangement.piece))


def is_leaf(placed: PlacedItem, colour: str) -> bool:
    """Tell whether a colour is the green of a plant, which belongs to no family."""
    return placed.item.category in GREENERY and is_green(colour)


@lru_cache(maxsize=256)
def _families(colours: tuple[tuple[str, float], ...], apart: frozenset[str]) -> tuple[str, ...]:
    return tuple(colour for colour, _ in families_of(list(colours), apart, answering=True))


@lru_cache(maxsize=16_384)
def is_accent(placed: PlacedItem, colour: str, piece: Piece) -> bool:
    """Tell whether a colour is one the eye looks for again.

    Chromatic colours are; so are bright metals, and black before a light back. The green of plants
    and other whites, creams and greys are not.
    """
    if is_leaf(placed, colour):
        return False
    if not is_neutral(colour):
        return True
    lightness = lightness_chroma_hue(colour).lightness
    if placed.item.shown_finish == "metal" and METAL_LIGHTNESS[0] < lightness < METAL_LIGHTNESS[1]:
        return True
    back = lightness_chroma_hue(piece.backdrop_of(placed.ledge)).lightness
    return lightness < BLACK_LIGHTNESS and back > LIGHT_BACK


@kept
def chromatic_leaders(arrangement: Arrangement) -> tuple[str, ...]:
    """Return the leading colours of all chromatic families in a look, strongest first."""
    return _leaders(
        [
            (colour, area)
            for placed, colour, area in colour_areas(arrangement)
            if not is_neutral(colour) and not is_leaf(placed, colour)
        ],
        leads(arrangement.families),
    )


@kept
def accent_leaders(arrangement: Arrangement) -> tuple[str, ...]:
    """Return the leading colours of all families of accents in a look, strongest first."""
    return _leaders([(colour, area) for _, colour, area in accent_areas(arrangement)], leads(arrangement.families))


def _leaders(areas: list[tuple[str, float]], apart: frozenset[str]) -> tuple[str, ...]:
    totals: dict[str, float] = {}
    for colour, area in areas:
        totals[colour] = totals.get(colour, 0.0) + area
    return _families(tuple(sorted((colour, round(area)) for colour, area in totals.items())), apart)


def family_among(colour: str, leaders: tuple[str, ...]) -> str | None:
    """Return the leader whose family a colour belongs to."""
    return nearest_family(colour, leaders, answering=True)
