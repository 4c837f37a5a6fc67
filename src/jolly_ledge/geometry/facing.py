"""A piece seen from another of its sides: the same look, turned about the upright."""

from collections.abc import Callable
from typing import Literal

from msgspec.structs import replace

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Ledge, Piece, Seat

Side = Literal["front", "right", "back", "left"]
TURNS: dict[Side, float] = {"front": 0.0, "right": -90.0, "back": 180.0, "left": 90.0}
FACE_DEGREES = 100.0
"""So far to the side a face is still a face."""


def side_of(piece: Piece, seat: Seat) -> Side:
    """Return the side of a piece that a seat is on: where it is farthest out.

    >>> top = Piece(id="a", kind="coffee-table", width=1200, height=400, depth=700)
    >>> side_of(top, Seat(x=600, z=-300)), side_of(top, Seat(x=1600, z=350))
    ('front', 'right')
    """
    out: dict[Side, float] = {
        "front": -seat.z,
        "back": seat.z - piece.depth,
        "left": -seat.x,
        "right": seat.x - piece.width,
    }
    return max(out, key=lambda side: out[side])


def seen_from_side(arrangement: Arrangement, side: Side) -> Arrangement:
    """Return the look as it is from a side: what is at the right of who looks has the larger x.

    What hangs on the wall is left out, but for the front. Fixtures stay with the front, too.
    """
    if side == "front":
        return arrangement
    piece, look = arrangement.piece, arrangement.look
    turned = _turned_piece(piece, side)
    by_id = arrangement.by_id
    placements = tuple(
        _turned_placement(placement, by_id[placement.id].ledge, side)
        for placement in look.placements
        if placement.pose != "hung"
    )
    kept = {placement.id for placement in placements}
    placements = tuple(placement for placement in placements if placement.host is None or placement.host in kept)
    stash = {placed.item.id: placed.item for placed in arrangement.placed_items}
    return Arrangement(turned, stash, replace(look, placements=placements), arrangement.families, arrangement.household)


def faces_away(placed: PlacedItem) -> bool:
    """Tell whether a one-faced thing shows its back to who looks from the front."""
    turn = abs((placed.placement.turn + 180.0) % 360.0 - 180.0)
    return "one-faced" in placed.item.traits and turn > FACE_DEGREES


Spot = Callable[[float, float], tuple[float, float]]


def spot_from(width: float, depth: float, side: Side) -> Spot:
    """Return how a spot of an area is told from a side.

    Parameters
    ----------
    width, depth : float
        Of the area as it is told from the front, in mm.
    side : str
        From where it is looked at.

    >>> spot_from(800.0, 300.0, "back")(100.0, 50.0)
    (700.0, 250.0)
    """
    spots: dict[Side, Spot] = {
        "front": lambda x, z: (x, z),
        "back": lambda x, z: (width - x, depth - z),
        "right": lambda x, z: (z, width - x),
        "left": lambda x, z: (depth - z, x),
    }
    return spots[side]


def _turned_piece(piece: Piece, side: Side) -> Piece:
    swaps = side in ("left", "right")
    width, depth = (piece.depth, piece.width) if swaps else (piece.width, piece.depth)
    spot = spot_from(piece.width, piece.depth, side)
    ledges = tuple(_turned_ledge(ledge, width, piece, side) for ledge in piece.ledges if not ledge.is_wall)
    seats = tuple(Seat(x=x, z=z) for x, z in (spot(seat.x, seat.z) for seat in piece.seats))
    return replace(piece, width=width, depth=depth, ledges=ledges, fixtures=(), seats=seats)


def _turned_ledge(ledge: Ledge, width: float, piece: Piece, side: Side) -> Ledge:
    swaps = side in ("left", "right")
    wide = ledge.depth if swaps else ledge.width
    left = piece.width - ledge.right if side == "back" else (width - wide) / 2
    return replace(ledge, left=left, width=wide, depth=ledge.width if swaps else ledge.depth)


def _turned_placement(placement: Placement, ledge: Ledge, side: Side) -> Placement:
    turn = (placement.turn + TURNS[side]) % 360.0
    if placement.x is None or placement.z is None:
        return replace(placement, turn=turn)
    x, z = spot_from(ledge.width, ledge.depth, side)(placement.x, placement.z)
    return replace(placement, x=x, z=z, turn=turn)
