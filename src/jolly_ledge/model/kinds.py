"""Kinds of furniture with what each is: asked by property, never by name."""

from typing import Literal

from msgspec import Struct

from jolly_ledge.model.piece import Piece
from jolly_ledge.model.words import PieceKind

Form = Literal["case", "top", "wall"]
"""A case has sides and a back, a top is open above, on the wall are boards that hang."""

Stands = Literal["in a room", "by a bed", "in a hall", "at a fire", "in a kitchen", "where one eats"]


class FurnitureKind(Struct, frozen=True):
    """One kind: its form, where it stands, what it is made of and how it is looked at.

    ``has_bays`` tells that it is made of bays and shelves, ``is_looked_down_on`` that it is seen from above as well,
    ``has_floor`` that its lowest ledge may be the floor itself, and ``only_put_down`` that dishes are put down on it,
    not shown. ``for_books`` tells that it is made for rows of books, ``for_dishes`` that it may serve where one eats;
    ``on_a_base`` that shelves stand on a closed base, ``has_a_cornice`` how it ends above, ``is_in_the_wall`` that the
    wall itself is its sides and top: it hangs nowhere and cannot tip.
    """

    form: Form
    stands: Stands = "in a room"
    has_bays: bool = False
    is_looked_down_on: bool = False
    has_floor: bool = False
    only_put_down: bool = False
    for_books: bool = False
    for_dishes: bool = False
    on_a_base: bool = False
    has_a_cornice: bool = False
    is_in_the_wall: bool = False

    @property
    def is_case(self) -> bool:
        """Whether it has sides and a back."""
        return self.form == "case"

    @property
    def is_on_the_wall(self) -> bool:
        """Whether its boards hang on the wall."""
        return self.form == "wall"

    @property
    def is_off_the_floor(self) -> bool:
        """Whether the wall carries it, however high over the floor."""
        return self.is_on_the_wall or self.is_in_the_wall

    @property
    def may_tip(self) -> bool:
        """Whether it is a body of its own that can be pulled over."""
        return self.is_case and not self.is_in_the_wall

    @property
    def is_by_a_bed(self) -> bool:
        """Whether it stands by a bed."""
        return self.stands == "by a bed"

    @property
    def is_in_a_hall(self) -> bool:
        """Whether one comes home to it."""
        return self.stands == "in a hall"

    @property
    def is_lit(self) -> bool:
        """Whether a light and something that grows belong on it."""
        return self.is_by_a_bed or self.is_in_a_hall or self.is_over_a_fire

    @property
    def is_over_a_fire(self) -> bool:
        """Whether a fire burns, or burnt, below it."""
        return self.stands == "at a fire"

    @property
    def is_eaten_at(self) -> bool:
        """Whether one eats at it."""
        return self.stands == "where one eats"

    @property
    def is_a_worktop(self) -> bool:
        """Whether one may work at it."""
        return self.stands == "in a kitchen"

    @property
    def is_a_table(self) -> bool:
        """Whether one sits round it."""
        return self.is_looked_down_on and not self.is_by_a_bed


KINDS: dict[PieceKind, FurnitureKind] = {
    "bookcase": FurnitureKind("case", has_bays=True, for_books=True),
    "wall-shelves": FurnitureKind("wall", has_bays=True),
    "hutch": FurnitureKind("case", has_bays=True, for_dishes=True, on_a_base=True),
    "cabinet": FurnitureKind("case", has_bays=True, has_a_cornice=True),
    "niche": FurnitureKind("case", has_bays=True, is_in_the_wall=True),
    "console": FurnitureKind("top", "in a hall", has_floor=True),
    "mantel": FurnitureKind("top", "at a fire", has_floor=True, only_put_down=True),
    "coffee-table": FurnitureKind("top", is_looked_down_on=True, only_put_down=True),
    "nightstand": FurnitureKind("top", "by a bed", is_looked_down_on=True, only_put_down=True),
    "counter": FurnitureKind("top", "in a kitchen"),
    "dining-table": FurnitureKind("top", "where one eats", is_looked_down_on=True),
    "other": FurnitureKind("top"),
}


def kind_of(piece: Piece) -> FurnitureKind:
    """Return what kind of furniture a piece is.

    >>> kind_of(Piece(id="a", kind="hutch", width=1000, height=2000, depth=400)).is_case
    True
    """
    return KINDS[piece.kind]
