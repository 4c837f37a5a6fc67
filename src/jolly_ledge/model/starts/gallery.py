"""All starts, in the order in which they are offered."""

from collections.abc import Callable

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.model.fresh_ids import fresh_id
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.starts import cases, tops


class Start(Struct, frozen=True):
    """A kind of furniture that can be begun: its name, what is told of it, and how it is made."""

    id: str
    name: str
    about: str
    make: Callable[[], Piece]


def _rounded_coffee_table() -> Piece:
    return tops.coffee_table("rounded-rectangle")


def _round_coffee_table() -> Piece:
    return tops.coffee_table("ellipse")


def _oval_coffee_table() -> Piece:
    piece = tops.coffee_table("ellipse")
    top = replace(piece.ledges[0], width=1200.0, depth=700.0)
    return replace(
        piece, width=1200.0, depth=700.0, ledges=(top,), seats=tops.seats_round(1200.0, 700.0, along=2, ends=1)
    )


STARTS: tuple[Start, ...] = (
    Start("bookcase", "Open bookcase", "bays and adjustable shelves", cases.bookcase),
    Start("wall-shelves", "Wall shelves", "boards on brackets", cases.wall_shelves),
    Start("hutch", "Hutch", "closed below, glazed above", cases.hutch),
    Start("cabinet", "Glazed cabinet", "doors with bars and a brace", cases.cabinet),
    Start("niche", "Niche", "a recess in the wall, two shelves", cases.niche),
    Start("flanking-pair", "Flanking pair", "two cases round a fireplace", cases.flanking_pair),
    Start("console", "Console", "top, open below, mirror above", tops.console),
    Start("sideboard", "Sideboard", "closed body, art above", tops.sideboard),
    Start("mantel", "Mantel", "narrow top, firebox, hearth", tops.mantel),
    Start("coffee-table", "Coffee table", "rectangle, seats round it", tops.coffee_table),
    Start("coffee-table-rounded", "Coffee table, rounded", "soft corners", _rounded_coffee_table),
    Start("coffee-table-round", "Coffee table, round", "one circle", _round_coffee_table),
    Start("coffee-table-oval", "Coffee table, oval", "longer than deep", _oval_coffee_table),
    Start("nightstand", "Nightstand", "beside the headboard", tops.nightstand),
    Start("counter", "Counter", "backsplash and cooktop", tops.counter),
    Start("island", "Island", "seen all round, under lights", tops.island),
    Start("hanging-rail", "Hanging rail", "hooks on the wall", tops.hanging_rail),
    Start("dining-table", "Dining table", "a setting at every seat", tops.dining_table),
    Start("other", "Something else", "one plain top", tops.other),
)


def begin(start: Start, taken: set[str]) -> Piece:
    """Return a fresh piece of a start, with an id that is not taken."""
    piece = start.make()
    return replace(piece, id=fresh_id(piece.id, taken))
