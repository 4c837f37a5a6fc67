"""Furniture: a piece, its ledges and what is fixed to it."""

from typing import Annotated

from msgspec import Meta

from jolly_ledge.model.value import Colour, Distance, Identifier, Mass, Position, Size, Value, Words
from jolly_ledge.model.words import (
    Doors,
    Finish,
    FixtureKind,
    LedgeShape,
    Light,
    PieceKind,
    Surface,
    ViewedFrom,
    WishKind,
)


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
    load_limit: Mass | None = None
    surface: Surface = "top"
    body: Words = ""

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
    """Something fixed that matters: a mirror above, a door bar, a socket (mm)."""

    kind: FixtureKind
    left: Position
    floor: Position
    width: Size
    height: Size
    shape: LedgeShape = "rectangle"
    colour: Colour | None = None
    name: Words = ""

    @property
    def right(self) -> float:
        """The right end, from the piece's left end."""
        return self.left + self.width


class Wish(Value, frozen=True):
    """What the stylist insists on for some items or ledges."""

    kind: WishKind
    items: tuple[Identifier, ...] = ()
    ledges: tuple[Identifier, ...] = ()


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

    @property
    def label(self) -> str:
        """The name to show: its own, or its id."""
        return self.name or self.id

    def ledge(self, ledge_id: str) -> Ledge:
        """Return a ledge by its id; raise KeyError where there is none."""
        for ledge in self.ledges:
            if ledge.id == ledge_id:
                return ledge
        raise KeyError(ledge_id)

    def backdrop_of(self, ledge: Ledge) -> str:
        """Return the colour that stands behind a ledge."""
        return ledge.backdrop or self.backdrop
