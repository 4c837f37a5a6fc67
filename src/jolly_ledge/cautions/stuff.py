"""What a thing is made of, as far as it is told: whether it burns, breaks, is heavy; each may be unknown."""

import re
from functools import lru_cache
from typing import Literal

from jolly_ledge.model.item import Item
from jolly_ledge.model.words import Category

Known = Literal["yes", "no", "unknown"]

BURNING_STUFF = (
    "paper", "card", "cardboard", "wicker", "rattan", "straw", "raffia", "seagrass", "jute", "felt", "cloth", "linen",
    "cotton", "wool", "silk", "velvet", "bamboo", "cork", "wood", "oak", "pine", "walnut", "beech", "birch", "plastic",
    "feather", "dried", "pampas",
)  # fmt: skip
SOUND_STUFF = (
    "metal", "iron", "steel", "brass", "bronze", "copper", "pewter", "silver", "zinc", "tin", "stone", "marble",
    "granite", "slate", "concrete", "glass", "crystal", "ceramic", "porcelain", "china", "stoneware", "earthenware",
    "terracotta", "clay",
)  # fmt: skip
BREAKABLE_STUFF = (
    "glass", "crystal", "porcelain", "china", "ceramic", "stoneware", "earthenware", "terracotta", "clay", "plaster",
)  # fmt: skip
DENSE_STUFF = (
    "stone", "iron", "steel", "bronze", "brass", "marble", "granite", "slate", "concrete", "meteorite", "lead", "metal",
)  # fmt: skip
STONE_STUFF = ("stone", "marble", "granite", "slate", "concrete")
DRY_WORDS = ("dry", "dried", "pampas", "artificial", "silk", "paper", "faux", "twigs", "willow", "feathers")
"""Stems called so stand in no water."""

ALWAYS_BURNS: frozenset[Category] = frozenset(
    {"stems", "plant", "textile", "basket", "book", "book-row", "book-stack", "hanging", "supplies", "art", "frame"}
)
MAY_BURN: frozenset[Category] = frozenset(
    {"box", "board", "tray", "beads", "utensils", "sculpture", "object", "device"}
)
BREAKS_BY_NATURE: frozenset[Category] = frozenset({"mirror"})
MAY_BREAK: frozenset[Category] = frozenset({"vessel", "bowl", "tableware", "lamp", "sculpture", "object", "candle"})

KG_BY_LITRE: dict[Category, float] = {
    "book": 0.75, "book-row": 0.7, "book-stack": 0.75, "vessel": 0.3, "bowl": 0.25, "tray": 0.45, "box": 0.15,
    "basket": 0.06, "frame": 0.5, "art": 0.4, "mirror": 1.2, "plant": 0.2, "stems": 0.02, "utensils": 0.15,
    "candle": 0.7, "lamp": 0.12, "sculpture": 0.8, "object": 0.5, "textile": 0.1, "tableware": 0.4, "board": 0.7,
    "beads": 0.6, "appliance": 0.4, "device": 0.5, "supplies": 0.3, "hanging": 0.1,
}  # fmt: skip
"""About what a box of a litre round a thing of the kind weighs: cautious guesses, to know what is worth weighing."""

DENSE_TIMES, LITRE_MM3 = 3.0, 1e6


@lru_cache(maxsize=512)
def _pattern(words: tuple[str, ...]) -> re.Pattern[str]:
    return re.compile(rf"\b({'|'.join(map(re.escape, words))})(s|en|y)?\b")


def speaks_of(text: str, words: tuple[str, ...]) -> bool:
    """Tell whether a text holds one of some words, whole or in the plural.

    >>> speaks_of("Pine cones", ("cone",)), speaks_of("Caterpillar", ("cat",)), speaks_of("a wooden box", ("wood",))
    (True, False, True)
    """
    return _pattern(words).search(text.lower()) is not None


@lru_cache(maxsize=4096)
def burns(item: Item) -> Known:
    """Tell whether a thing catches fire from a flame beside it."""
    if item.finish == "woven" or speaks_of(item.material, BURNING_STUFF):
        return "yes"
    if item.category in ALWAYS_BURNS:
        return "yes"
    if item.category not in MAY_BURN or item.finish in ("metal", "clear") or speaks_of(item.material, SOUND_STUFF):
        return "no"
    return "unknown" if item.category in ("box", "board") and not item.material else "no"


def breaks(item: Item) -> Known:
    """Tell whether a thing breaks to shards when it falls."""
    if "fragile" in item.traits or item.category in BREAKS_BY_NATURE or item.finish == "clear":
        return "yes"
    if speaks_of(item.material, BREAKABLE_STUFF):
        return "yes"
    if item.category not in MAY_BREAK or item.material or item.finish in ("metal", "woven"):
        return "no"
    return "unknown"


def is_glass(item: Item) -> bool:
    """Tell whether a thing is of glass, or has a pane."""
    return item.finish == "clear" or item.category == "mirror" or speaks_of(item.material, ("glass", "crystal"))


def likely_mass(item: Item) -> float:
    """Return about what a thing of its kind and size weighs, in kg, where nobody weighed it.

    >>> likely_mass(Item(id="row", category="book-row", width=400, height=250, depth=180))
    12.6
    """
    litres = item.width * item.height * item.depth / LITRE_MM3
    times = DENSE_TIMES if speaks_of(item.material, DENSE_STUFF) or item.shape == "stone" else 1.0
    return round(litres * KG_BY_LITRE[item.category] * times, 2)


def holds_water(vessel: Item, stems: tuple[Item, ...]) -> bool:
    """Tell whether a vessel with these stems in it is filled with water: dry ones stand without."""
    return vessel.category in ("vessel", "bowl", "basket") and any(is_fresh(item) for item in stems)


def is_fresh(item: Item) -> bool:
    """Tell whether stems want water, as far as their name tells."""
    if item.category != "stems":
        return False
    return not speaks_of(f"{item.label} {item.material}", DRY_WORDS)
