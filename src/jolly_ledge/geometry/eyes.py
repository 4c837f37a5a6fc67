"""From where a piece is looked at, and where a point is seen from there.

The picture plane is the front edge of the piece. A point so far behind it as z is seen at the share
D / (D + z) of its way from the eye's axis, where D is the distance of the eye from the front edge.
"""

from typing import NamedTuple

from msgspec import Struct

from jolly_ledge.geometry.facing import Side, side_of
from jolly_ledge.model.piece import Piece

STANDING_EYE_MM, SEATED_EYE_MM, LOW_SEAT_EYE_MM = 1600.0, 1180.0, 1080.0
NEAR_MM, SEATED_AWAY_MM, DOOR_AWAY_MM, DOOR_ASIDE_MM = 1500.0, 2200.0, 4200.0, 1600.0
LEAST_AWAY_MM = 850.0
"""A body leans back from the table; nearer, the top would fill the picture."""

DINING_MM = 600.0
"""From this height on a table is sat at on a chair, below it in an easy chair."""


class Eye(Struct, frozen=True):
    """Somebody's eye: where along the piece, how high, how far from the edge of the side it looks at (mm)."""

    name: str
    x: float
    height: float
    away: float
    side: Side = "front"


class Seen(NamedTuple):
    """Where a point is seen on the picture plane (mm, y down), and how much smaller than there."""

    x: float
    y: float
    scale: float


def eyes_of(piece: Piece) -> tuple[Eye, ...]:
    """Return from where a piece is looked at: standing, seated and from the door, or from every seat."""
    middle = piece.width / 2
    low = LOW_SEAT_EYE_MM if piece.height < DINING_MM else SEATED_EYE_MM
    eyes = [Eye("Standing", middle, STANDING_EYE_MM, NEAR_MM)]
    if not piece.seats:
        eyes.append(Eye("Seated", middle, SEATED_EYE_MM, SEATED_AWAY_MM))
    if piece.viewed_from == "around" and not piece.seats:
        others: tuple[Side, ...] = ("right", "back", "left")
        for side in others:
            along = middle if side == "back" else piece.depth / 2
            eyes.append(Eye(f"From the {side}", along, STANDING_EYE_MM, NEAR_MM, side))
    for number, seat in enumerate(piece.seats, start=1):
        side = side_of(piece, seat)
        from_side = {
            "front": (seat.x, -seat.z),
            "back": (piece.width - seat.x, seat.z - piece.depth),
            "right": (seat.z, seat.x - piece.width),
            "left": (piece.depth - seat.z, -seat.x),
        }[side]
        eyes.append(Eye(f"Seat {number}", from_side[0], low, max(from_side[1], LEAST_AWAY_MM), side))
    eyes.append(Eye("From the door", middle - DOOR_ASIDE_MM, STANDING_EYE_MM, DOOR_AWAY_MM))
    return tuple(eyes)


def seen_at(eye: Eye, x: float, y: float, z: float) -> Seen:
    """Return where a point is seen (y down) and how much smaller than on the front edge.

    >>> eye = Eye("near", 500.0, 1000.0, 1000.0)
    >>> seen_at(eye, 500.0, 0.0, 1000.0)
    Seen(x=500.0, y=-500.0, scale=0.5)
    """
    scale = eye.away / (eye.away + max(z, -0.5 * eye.away))
    return Seen(eye.x + (x - eye.x) * scale, -(eye.height + (y - eye.height) * scale), scale)
