"""Furniture: a piece, its ledges and what is fixed to it."""

from typing import Annotated

from msgspec import Meta

from jolly_ledge.model.kept_place import KeptPlace
from jolly_ledge.model.meant import AS_THE_LOOK, Meant
from jolly_ledge.model.task import Task
from jolly_ledge.model.value import (
    Colour,
    Distance,
    Identifier,
    Mass,
    Position,
    Size,
    Value,
    Watts,
    Words,
    record_by_id,
)
from jolly_ledge.model.words import (
    BoardMaterial,
    Build,
    Category,
    Doors,
    Finish,
    Fixing,
    FixtureKind,
    LedgeShape,
    Light,
    PieceKind,
    Surface,
    ViewedFrom,
    WishKind,
)


class Board(Value, frozen=True):
    """What a ledge is made of and held by (mm); all of it may be unknown."""

    material: BoardMaterial = ""
    thickness: Size | None = None
    span: Size | None = None
    fixing: Fixing = "unknown"


class Seat(Value, frozen=True):
    """Where somebody sits at a table: x from its left end, z from its front edge (mm).

    A seat in front of the table has a negative z.
    """

    x: Position
    z: Position


Corner = tuple[float, float]
Corners = tuple[Corner, Corner, Corner, Corner]


class PiecePhoto(Value, frozen=True):
    """A photograph of the piece that lies true to scale under its drawing.

    ``corners`` are pixels of the photograph: upper left, upper right, lower right and lower left
    of a rectangle on the piece's front whose place and size are known (mm).
    """

    name: Words
    corners: Corners
    left: Position
    floor: Position
    width: Size
    height: Size


class Ledge(Value, frozen=True):
    """One surface that things stand on (or a wall they hang on), in mm.

    ``left`` is measured from the piece's left end, ``floor`` is the height of the surface over
    the room's floor, ``clearance`` the free height over it, None where it is open above.
    """

    id: Identifier
    left: Position
    floor: Position
    width: Size
    depth: Size
    name: Words = ""
    clearance: Distance | None = None
    shape: LedgeShape = "rectangle"
    backdrop: Colour | None = None
    colour: Colour | None = None
    light: Light | None = None
    window_distance: Distance | None = None
    load_limit: Mass | None = None
    board: Board | None = None
    surface: Surface = "top"
    body: Words = ""
    meant: Meant = AS_THE_LOOK
    kept: Annotated[tuple[KeptPlace, ...], Meta(max_length=20)] = ()
    """Places where nothing is to stand, for something else stands or is put down there."""

    @property
    def label(self) -> str:
        """The name to show: its own, or its id."""
        return self.name or self.id

    @property
    def right(self) -> float:
        """The right end, from the piece's left end."""
        return self.left + self.width

    @property
    def is_wall(self) -> bool:
        """Whether things hang on it instead of standing."""
        return self.surface == "wall"


class Fixture(Value, frozen=True):
    """Something fixed that matters: a mirror above, a door bar, a socket (mm).

    ``watts`` is what a socket is rated for, ``outlets`` how many plugs go into it, ``circuit`` the name of its fuse.
    """

    kind: FixtureKind
    left: Position
    floor: Position
    width: Size
    height: Size
    shape: LedgeShape = "rectangle"
    colour: Colour | None = None
    name: Words = ""
    watts: Watts | None = None
    outlets: Annotated[int, Meta(ge=1, le=40)] | None = None
    circuit: Words = ""

    @property
    def right(self) -> float:
        """The right end, from the piece's left end."""
        return self.left + self.width


class Wish(Value, frozen=True):
    """What the stylist insists on for some items or ledges.

    ``near`` is what they are to stand near: a kind of fixture, ``seat``, or the id of another item; ``within`` how near
    in mm. What is wished centred is so on its ledge, or on the axis that ``near`` names.
    """

    kind: WishKind
    items: tuple[Identifier, ...] = ()
    ledges: tuple[Identifier, ...] = ()
    near: Words = ""
    within: Distance = 600.0


class Piece(Value, frozen=True):
    """One piece of furniture with its ledges and fixtures (mm)."""

    id: Identifier
    kind: PieceKind
    width: Size
    height: Size
    depth: Size
    name: Words = ""
    backdrop: Colour = "#efebe4"
    finish: Finish = "matt"
    viewed_from: ViewedFrom = "front"
    use: tuple[Words, ...] = ()
    purpose: Words = ""
    doors: Doors = "none"
    seen_shut: bool = False
    ledges: Annotated[tuple[Ledge, ...], Meta(max_length=500)] = ()
    fixtures: Annotated[tuple[Fixture, ...], Meta(max_length=500)] = ()
    wishes: tuple[Wish, ...] = ()
    build: Build = ""
    pin_spacing: Size | None = None
    seats: Annotated[tuple[Seat, ...], Meta(max_length=60)] = ()
    photo: PiecePhoto | None = None
    unneeded: Annotated[tuple[Words, ...], Meta(max_length=40)] = ()
    """What its use asks for and the stylist does without here, by the ids of the needs."""

    comes: Annotated[tuple[tuple[Category, bool], ...], Meta(max_length=60)] = ()
    """Kinds of things that the stylist lets come to it by themselves (True), or only when asked (False)."""

    tasks: Annotated[tuple[Task, ...], Meta(max_length=40)] = ()
    """What is done at it, each with the things it takes in their order."""

    limits: Annotated[tuple[tuple[Category, Annotated[int, Meta(ge=0, le=99)]], ...], Meta(max_length=60)] = ()
    """How many things of a kind stand on it at the most."""

    door: Position | None = None
    """Where one comes in, from its left end in mm; it may lie beside the piece."""

    @property
    def label(self) -> str:
        """The name to show: its own, or its id."""
        return self.name or self.id

    def ledge(self, ledge_id: str) -> Ledge:
        """Return a ledge by its id; raise EditError where there is none."""
        return record_by_id(self.ledges, ledge_id, "ledge", f"on “{self.label}”")

    def backdrop_of(self, ledge: Ledge) -> str:
        """Return the colour that stands behind a ledge."""
        return ledge.backdrop or self.backdrop
