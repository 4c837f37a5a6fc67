"""One arrangement of one piece, in one manner."""

from collections.abc import Iterable
from typing import Annotated

from msgspec import Meta, field

from jolly_ledge.model.money import Price, check_price
from jolly_ledge.model.value import Angle, Colour, Identifier, Position, Value, Words, record_by_id
from jolly_ledge.model.words import (
    BookFaces,
    BookPosture,
    Counting,
    Figure,
    Fullness,
    Ground,
    LookStatus,
    OddRule,
    Pose,
    Season,
    Taken,
)

Emphasis = Annotated[float, Meta(ge=0, le=3)]
"""How much more than usual something counts: 1 is as usual, 0 is not at all."""


class Manner(Value, frozen=True):
    """The taste in force: how full, in which figure, how strict, in which colours.

    ``gathered`` tells how what lies in one tray or bowl counts, ``perched`` how what stands on a stack
    of books does; ``greenery`` is how many green things are wished for (None: as it comes).
    ``weights`` are readings that count more or less than usual.
    """

    fullness: Fullness = "layered"
    figure: Figure = "peaks"
    odd: OddRule = "loose"
    palette: Annotated[tuple[Colour, ...], Meta(max_length=12)] = ()
    books: BookPosture = "any"
    faces: BookFaces = "any"
    greenery: Annotated[int, Meta(ge=0, le=99)] | None = None
    ground: Ground = "any"
    gathered: Counting = "together"
    perched: Counting = "own"
    weights: Annotated[tuple[tuple[Words, Emphasis], ...], Meta(max_length=60)] = ()

    def emphasis_on(self, reading: str) -> float:
        """Return how much a reading counts against the usual."""
        return next((factor for name, factor in self.weights if name == reading), 1.0)


class Placement(Value, frozen=True):
    """An item standing somewhere in a look.

    ``x`` and ``z`` are the centre of the footprint from the ledge's left end and its front edge,
    ``y`` (hung things only) the height of the lower edge over the wall ledge's floor, all in mm.
    ``counts_as`` (``unit`` in files) tells how it counts where the manner would say otherwise.
    """

    id: Identifier
    item: Identifier
    ledge: Identifier
    x: Position | None = None
    z: Position | None = None
    y: Position | None = None
    pose: Pose = "upright"
    turn: Angle = 0.0
    on: Identifier | None = None
    inside: Identifier | None = None
    vignette: Words | None = None
    locked: bool = False
    counts_as: Counting | None = field(name="unit", default=None)

    def __post_init__(self) -> None:
        if self.on is not None and self.inside is not None:
            raise ValueError("a thing stands on another or inside it, not both")
        if self.pose == "hung":
            if self.y is None or self.x is None:
                raise ValueError("a hung thing needs x and y")
        elif self.pose == "draped":
            if self.on is None:
                raise ValueError("a draped thing needs the placement it lies on")
        elif self.inside is None and (self.x is None or self.z is None):
            raise ValueError("x and z are needed for a thing that stands")

    @property
    def host(self) -> str | None:
        """The id of the placement it stands on or in."""
        return self.on or self.inside


class WavedOff(Value, frozen=True):
    """A finding the stylist has decided against, at the things it named, with the reason."""

    reading: Words
    placements: tuple[Identifier, ...]
    reason: Words = ""


class Answer(Value, frozen=True):
    """What is done about a caution, by whom and since which day.

    ``state`` is a mark of how things stood: when they stand otherwise, the answer holds no longer.
    """

    caution: Words
    state: Words
    measure: Words
    by: Words
    date: Words = ""

    @property
    def said(self) -> str:
        """The answer in a line."""
        return f"{self.measure} ({', '.join(part for part in (self.by, self.date) if part)})"


class Vote(Value, frozen=True):
    """What somebody thought of a look."""

    who: Words
    likes: bool
    remark: Words = ""


class LogEntry(Value, frozen=True):
    """One line of the log of a look: what was done on a day, how long it took, what it cost."""

    date: Words = ""
    text: Words = ""
    status: LookStatus | None = None
    """What the look came to be on that day, where it came further."""

    hours: Annotated[float, Meta(ge=0, le=1_000)] | None = None
    cost: Price | None = None

    def __post_init__(self) -> None:
        check_price(self.cost, "a cost")


Pixel = Annotated[float, Meta(ge=-100_000, le=100_000)]


class LookPhoto(Value, frozen=True):
    """A photograph of the piece as it was before or after; ``corners`` are those of the piece in it (pixels).

    They run from the upper left around to the lower left; there are four of them, or none yet.
    """

    name: Annotated[Words, Meta(min_length=1)]
    taken: Taken = "after"
    date: Words = ""
    corners: tuple[tuple[Pixel, Pixel], ...] = ()

    def __post_init__(self) -> None:
        if len(self.corners) not in (0, 4):
            raise ValueError("a photograph has four corners, or none yet")


class Look(Value, frozen=True):
    """One arrangement of one piece.

    ``date`` is the day it is for, ``takes_down`` the day it is to be taken down, ``season`` when it is to be seen.
    ``placed`` are the placements that a helper has ticked off. ``proposal`` is the number of the proposal it was
    taken from, 0 when it was made by hand: proposals of one number for different pieces go together and never use a
    thing twice.
    """

    id: Identifier
    piece: Identifier
    name: Words = ""
    manner: Manner = Manner()
    placements: Annotated[tuple[Placement, ...], Meta(max_length=5_000)] = ()
    note: Words = ""
    date: Words = ""
    waved_off: Annotated[tuple[WavedOff, ...], Meta(max_length=500)] = ()
    answers: Annotated[tuple[Answer, ...], Meta(max_length=500)] = ()
    votes: Annotated[tuple[Vote, ...], Meta(max_length=500)] = ()
    proposal: Annotated[int, Meta(ge=0, le=99)] = 0
    season: Season | None = None
    status: LookStatus = "idea"
    takes_down: Words = ""
    log: Annotated[tuple[LogEntry, ...], Meta(max_length=2_000)] = ()
    photos: Annotated[tuple[LookPhoto, ...], Meta(max_length=200)] = ()
    placed: Annotated[tuple[Identifier, ...], Meta(max_length=5_000)] = ()

    def reason_against(self, reading: str, placements: Iterable[str]) -> str | None:
        """Return why a finding was waved off at just these things, None where it was not."""
        named = frozenset(placements)
        return next(
            (w.reason for w in self.waved_off if w.reading == reading and frozenset(w.placements) == named), None
        )

    @property
    def label(self) -> str:
        """The name to show: its own, or its id."""
        return self.name or self.id

    def placement(self, placement_id: str) -> Placement:
        """Return a placement by its id; raise EditError where there is none."""
        return record_by_id(self.placements, placement_id, "placement", f"in the look “{self.label}”")
