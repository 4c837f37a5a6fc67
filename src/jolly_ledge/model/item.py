"""One physical thing and its stash."""

import re
from functools import lru_cache
from typing import Annotated

from msgspec import Meta

from jolly_ledge.model.kept_place import KeptPlace
from jolly_ledge.model.money import Discount, Price, check_price
from jolly_ledge.model.use import Cord, Use
from jolly_ledge.model.value import Colour, Identifier, Mass, Size, Value, Watts, Words
from jolly_ledge.model.words import (
    BOOK_CATEGORIES,
    ROUND_SILHOUETTES,
    WALL_CATEGORIES,
    Category,
    Finish,
    Guess,
    MadeOver,
    Season,
    Sense,
    Status,
    Trait,
)

PAGE_COLOUR = "#eadfc8"
"""Page edges of a usual book, where their colour is not told."""

PAINTED_PART = 0.6
"""So much of the main colour of a thing is painted where the rest is masked."""

Share = Annotated[float, Meta(ge=0, le=1)]
ColourShare = tuple[Colour, Share]

FALLBACK_SILHOUETTES: dict[str, str] = {
    "book": "book",
    "book-row": "book-row",
    "book-stack": "book-stack",
    "vessel": "vase",
    "bowl": "bowl",
    "tray": "tray",
    "box": "box",
    "basket": "basket",
    "frame": "frame",
    "art": "frame",
    "mirror": "mirror",
    "plant": "plant",
    "stems": "branches",
    "utensils": "utensils",
    "candle": "candle",
    "lamp": "lamp",
    "sculpture": "figure",
    "textile": "textile",
    "tableware": "bowl",
    "board": "board",
    "beads": "beads",
    "appliance": "appliance",
    "device": "device",
    "supplies": "box",
    "hanging": "hanging",
}
"""What a thing looks like when its silhouette is not told; anything else is an ``object``."""

SILHOUETTE_SYNONYMS: dict[str, str] = {
    "rock": "stone",
    "meteorite": "stone",
    "pitcher": "jug",
    "ball": "sphere",
    "pot": "pot",
    "book": "book",
    "round": "disc",
    "bust": "figure",
    "instrument": "orrery",
    "ship": "boat",
    "sailing-boat": "boat",
    "scallop": "shell",
    "conch": "shell",
}


NAMED_SILHOUETTES: dict[str, str] = {
    "boat": "boat", "ship": "boat", "yacht": "boat", "sloop": "boat", "schooner": "boat", "coral": "coral",
    "shell": "shell", "scallop": "shell", "conch": "shell", "globe": "globe", "hourglass": "hourglass", "bell": "bell",
}  # fmt: skip
"""What a sculpture or an object looks like that is only called so; any other is drawn as its category is."""


HUNG_SILHOUETTES: dict[str, str] = {
    "coat": "coat", "raincoat": "coat", "jacket": "coat", "hat": "hat", "cap": "hat", "bag": "bag", "satchel": "bag",
    "tote": "bag", "rucksack": "bag", "umbrella": "umbrella", "parasol": "umbrella", "pan": "pan", "skillet": "pan",
    "sieve": "pan", "ladle": "pan", "colander": "pan",
}  # fmt: skip
"""What hangs from a hook and is no cloth."""


@lru_cache(maxsize=4096)
def shape_of(silhouette: str, category: Category, name: str) -> str:
    """Return the silhouette family of a thing: the told one, the one its name tells, or that of its category.

    >>> shape_of("", "sculpture", "a model boat"), shape_of("", "sculpture", "bust"), shape_of("pitcher", "vessel", "")
    ('boat', 'figure', 'jug')
    """
    if silhouette:
        return SILHOUETTE_SYNONYMS.get(silhouette, silhouette)
    if category in ("sculpture", "object"):
        for word in re.findall(r"[a-z]+", name.lower()):
            if word in NAMED_SILHOUETTES:
                return NAMED_SILHOUETTES[word]
    # A coat brush is no coat: what it is stands last.
    if category == "hanging":
        words = re.findall(r"[a-z]+", re.split(r" (?:of|in|with|for) |,", name.lower())[0])
        if words and words[-1] in HUNG_SILHOUETTES:
            return HUNG_SILHOUETTES[words[-1]]
    return FALLBACK_SILHOUETTES.get(category, "object")


OutlinePoint = tuple[Annotated[float, Meta(ge=-1, le=1)], Annotated[float, Meta(ge=0, le=1)]]


class Covers(Value, frozen=True):
    """The colours a book can show: its jacket, the board under it, the edges of its pages."""

    jacket: Colour | None = None
    board: Colour | None = None
    pages: Colour | None = None
    jacket_off: bool = False


class Care(Value, frozen=True):
    """What a thing wants regularly; ``lasts_days`` is how long cut flowers are fit to be seen."""

    water_days: Annotated[int, Meta(ge=1, le=365)] | None = None
    repot: Season | None = None
    lasts_days: Annotated[int, Meta(ge=1, le=3650)] | None = None
    note: Words = ""


class Item(Value, frozen=True, rename={"meant_for": "for"}):
    """One physical thing, in its natural pose (lengths mm, mass kg, colours sRGB).

    A book's width is the thickness of its spine and its depth the width of its cover. ``guessed`` names
    the sizes nobody has measured yet. ``outline`` is the silhouette found in a photograph: x from the
    middle in widths, y up from the foot in heights. ``price`` is that of one of ``count`` like things,
    ``original_price`` what the dear original would have cost that it stands for. ``box`` is where it is
    stored out of season, ``obsolete_by`` the day from which it is no longer to be shown.
    ``sense`` is what the members of its set are to each other; without one they only bear a name together.
    ``use`` is how it is used where it stands, ``cord`` the cord of what is ``corded``; None where nobody told.
    ``may_be`` is what the owner allows to be done to it; nothing is offered without. ``repaint`` and ``refinish`` are a
    colour and a finish it is planned to get; ``part_painted`` tells that the rest is masked and keeps its own.
    ``outlets`` is how many plugs go into it, where it is a power strip; ``watts`` then is what it is rated for.
    ``kept`` are places on it where nothing else is put down, where it is a tray.
    What is ``gone`` was given away or broken: old looks still know it, nothing new is made of it.
    """

    id: Identifier
    category: Category
    width: Size
    height: Size
    depth: Size
    name: Words = ""
    silhouette: Words = ""
    mass: Mass | None = None
    colours: Annotated[tuple[ColourShare, ...], Meta(max_length=4)] = (("#b9b2a6", 1.0),)
    finish: Finish = "matt"
    material: Words = ""
    traits: tuple[Trait, ...] = ()
    set: Words = ""
    sense: Sense = ""
    room: Words = ""
    status: Status = "owned"
    price: Price | None = None
    discount: Discount | None = None
    original_price: Price | None = None
    mouth: Size | None = None
    stems: Annotated[int, Meta(ge=0, le=10_000)] | None = None
    count: Annotated[int, Meta(ge=1, le=10_000)] = 1
    meant_for: tuple[Identifier, ...] = ()
    note: Words = ""
    guessed: tuple[Guess, ...] = ()
    photo: Words = ""
    outline: Annotated[tuple[OutlinePoint, ...], Meta(max_length=200)] = ()
    repaint: Colour | None = None
    covers: Covers | None = None
    borrowed_from: Words = ""
    returns_to: Words = ""
    return_by: Words = ""
    season: tuple[Season, ...] = ()
    care: Care | None = None
    watts: Watts | None = None
    box: Words = ""
    obsolete_by: Words = ""
    gone: bool = False
    use: Use | None = None
    cord: Cord | None = None
    may_be: tuple[MadeOver, ...] = ()
    refinish: Finish | None = None
    part_painted: bool = False
    outlets: Annotated[int, Meta(ge=1, le=40)] | None = None
    kept: Annotated[tuple[KeptPlace, ...], Meta(max_length=20)] = ()

    def __post_init__(self) -> None:
        check_price(self.price)
        check_price(self.original_price, "the price of the original")
        if not self.colours:
            raise ValueError("at least one colour is needed")

    @property
    def label(self) -> str:
        """The name to show: its own, or its id."""
        return self.name or self.id

    @property
    def is_at_hand(self) -> bool:
        """Whether it is there to be set up at once: owned or borrowed, and not gone."""
        return self.status in ("owned", "borrowed") and not self.gone

    def goes_with(self, other: "Item") -> bool:
        """Tell whether two things are of one set whose sense keeps it together: side by side they are seen as one."""
        return bool(self.set) and self.set == other.set and bool(self.sense or other.sense)

    @property
    def shape(self) -> str:
        """The silhouette family that is drawn, never empty."""
        return shape_of(self.silhouette, self.category, self.name)

    @property
    def shown_colours(self) -> tuple[ColourShare, ...]:
        """The colours it shows as it is planned: repainted, or with its jacket off."""
        if self.covers is not None:
            cover = self.covers.board if self.covers.jacket_off else self.covers.jacket
            if cover is not None:
                return ((cover, 1.0),) if self.covers.jacket_off else ((cover, self.colours[0][1]), *self.colours[1:])
        if self.repaint is not None:
            main = max(range(len(self.colours)), key=lambda index: self.colours[index][1])
            own, share = self.colours[main]
            painted: tuple[ColourShare, ...] = ((self.repaint, share),)
            if self.part_painted:
                painted = ((self.repaint, PAINTED_PART * share), (own, (1 - PAINTED_PART) * share))
            return (*self.colours[:main], *painted, *self.colours[main + 1 :])
        return self.colours

    @property
    def shown_finish(self) -> Finish:
        """The finish it shows as it is planned."""
        return self.refinish or self.finish

    @property
    def is_strip(self) -> bool:
        """Whether plugs of other things go into it."""
        return self.outlets is not None

    @property
    def has_cord(self) -> bool:
        """Whether it is plugged in."""
        return "corded" in self.traits or self.is_strip

    @property
    def main_colour(self) -> str:
        """The shown colour with the largest share."""
        return max(self.shown_colours, key=lambda colour: colour[1])[0]

    @property
    def page_colour(self) -> str:
        """The colour of a book's page edges."""
        return (self.covers.pages if self.covers else None) or PAGE_COLOUR

    @property
    def is_round(self) -> bool:
        """Whether its footprint is a circle or an ellipse."""
        return self.shape in ROUND_SILHOUETTES and self.category not in WALL_CATEGORIES

    @property
    def is_book(self) -> bool:
        """Whether it is a book or a block of books."""
        return self.category in BOOK_CATEGORIES
