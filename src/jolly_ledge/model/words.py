"""The words of the trade that a plan may use, and how they read on screen."""

from typing import Literal, get_args

PieceKind = Literal[
    "bookcase",
    "wall-shelves",
    "hutch",
    "cabinet",
    "niche",
    "console",
    "mantel",
    "coffee-table",
    "nightstand",
    "counter",
    "dining-table",
    "other",
]

Build = Literal["", "flanking-pair", "sideboard", "island", "hanging-rail"]
BoardMaterial = Literal["", "solid-wood", "plywood", "particleboard", "fibreboard", "glass", "metal", "stone"]
Fixing = Literal["unknown", "in-case", "studs", "anchors", "plaster-only"]
Sense = Literal["", "pair", "trio", "nest", "service", "series", "collection"]
"""What the members of a set are to each other: such a set goes together."""

Season = Literal["spring", "summer", "autumn", "winter"]
Guess = Literal["width", "height", "depth", "mass"]

LedgeShape = Literal["rectangle", "rounded-rectangle", "ellipse"]
Surface = Literal["top", "wall"]
Light = Literal["bright", "medium", "low"]
Doors = Literal["none", "glazed", "solid"]
ViewedFrom = Literal["front", "around"]
FixtureKind = Literal[
    "mirror",
    "art",
    "tv",
    "bar",
    "brace",
    "light",
    "socket",
    "firebox",
    "cooktop",
    "headboard",
    "window",
]
WishKind = Literal[
    "together", "apart", "only-on", "never-on", "mirrored", "centred", "out-of-sight", "underlaid", "near"
]

Category = Literal[
    "book",
    "book-row",
    "book-stack",
    "vessel",
    "bowl",
    "tray",
    "box",
    "basket",
    "frame",
    "art",
    "mirror",
    "plant",
    "stems",
    "utensils",
    "candle",
    "lamp",
    "sculpture",
    "object",
    "textile",
    "tableware",
    "board",
    "beads",
    "appliance",
    "device",
    "supplies",
    "hanging",
]
Finish = Literal["rough", "woven", "matt", "satin", "gloss", "metal", "clear"]
Trait = Literal[
    "fragile",
    "sharp",
    "rolls",
    "flame",
    "corded",
    "hide",
    "mask",
    "daily-use",
    "grab",
    "lidded",
    "must-keep",
    "sentimental",
    "one-faced",
    "airy",
    "base",
    "real-plant",
    "needs-bright-light",
    "tolerates-low-light",
    "toxic",
    "small-parts",
    "alone-on-purpose",
    "moved-before-use",
]
Status = Literal["owned", "borrowed", "to-buy", "wanted", "stored"]
LookStatus = Literal["idea", "shown", "approved", "placed", "taken-down"]
"""How far a look has come; in this order."""

Taken = Literal["before", "after"]
"""Whether a photograph shows the piece before the work or after it."""

Pose = Literal["upright", "flat", "leaning", "spine-in", "hung", "draped"]
Fullness = Literal["airy", "layered", "abundant"]
Figure = Literal["peaks", "weave", "mirrored"]
OddRule = Literal["strict", "loose", "off"]
BookPosture = Literal["any", "upright", "flat", "mixed"]
BookFaces = Literal["any", "spines", "pages", "by-colour"]
Ground = Literal["any", "stand-out", "blend"]
Counting = Literal["own", "together"]
"""Whether a thing is a unit of its own or one with what holds it."""


PIECE_KINDS: tuple[str, ...] = get_args(PieceKind)
FIXTURE_KINDS: tuple[FixtureKind, ...] = get_args(FixtureKind)
LOOKED_AT: frozenset[FixtureKind] = frozenset({"art", "mirror", "tv"})
"""What is fixed to be looked at: things keep clear of it, and it takes the place of some."""

FULLNESSES: tuple[Fullness, ...] = get_args(Fullness)
FIGURES: tuple[Figure, ...] = get_args(Figure)
ODD_RULES: tuple[OddRule, ...] = get_args(OddRule)
LEDGE_SHAPES: tuple[str, ...] = get_args(LedgeShape)
BOARD_MATERIALS: tuple[str, ...] = get_args(BoardMaterial)
FIXINGS: tuple[str, ...] = get_args(Fixing)
SEASONS: tuple[str, ...] = get_args(Season)
CATEGORIES: tuple[str, ...] = get_args(Category)
FINISHES: tuple[str, ...] = get_args(Finish)
TRAITS: tuple[str, ...] = get_args(Trait)

MadeOver = Literal["painted", "toned", "part-painted", "refinished"]
"""What may be done to a thing: another colour, its own made quieter by a glaze or a wax, another colour on a part of it
with the rest masked, another finish.
"""

MADE_OVER: tuple[MadeOver, ...] = get_args(MadeOver)
SENSES: tuple[Sense, ...] = get_args(Sense)
STATUSES: tuple[str, ...] = get_args(Status)
LOOK_STATUSES: tuple[LookStatus, ...] = get_args(LookStatus)

BOOK_CATEGORIES = frozenset({"book", "book-row", "book-stack"})
WALL_CATEGORIES = frozenset({"frame", "art", "mirror", "board"})
GREENERY = frozenset({"plant", "stems"})
CONTAINERS = frozenset({"vessel", "bowl", "basket", "tray", "box"})
GATHERING = frozenset({"tray", "bowl", "basket", "box"})
"""What makes one of several small things."""

UNDERLAYS = frozenset({"tray", "board", "textile"})
"""What lies under a thing and keeps its wet, its heat and its scratches from the top."""

ROUND_SILHOUETTES = frozenset(
    {
        "vase",
        "urn",
        "cylinder",
        "bowl",
        "footed-bowl",
        "sphere",
        "globe",
        "jug",
        "bottle",
        "candlestick",
        "candle",
        "hourglass",
        "bell",
        "lamp",
        "orrery",
        "plant",
        "trailing-plant",
        "bouquet",
        "branches",
        "pot",
    }
)
"""Silhouettes of turned or round things, whose footprint is a circle (or an ellipse)."""


def plain(word: str) -> str:
    """Return a format word as it reads on screen.

    >>> plain("book-row")
    'book row'
    """
    return word.replace("-", " ")
