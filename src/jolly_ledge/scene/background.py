"""What a thing is seen against: the back behind it, or the surface under it."""

from jolly_ledge.geometry.arrangement import PlacedItem
from jolly_ledge.model.piece import Piece

EYE_LEVEL_MM = 1300.0
LOW_SHARE = 0.35
"""A thing lower than this share of its ledge's depth is seen from above, against the surface."""

UNDER_SHARE = 0.85
"""How much of the impression a seen surface makes; the back makes the rest."""


def lies_on_seen_surface(placed: PlacedItem) -> bool:
    """Tell whether a thing is seen mostly against the surface it lies on."""
    ledge = placed.ledge
    return (
        ledge.colour is not None
        and ledge.clearance is None
        and ledge.floor < EYE_LEVEL_MM
        and placed.depth_order == 0
        and placed.height < LOW_SHARE * ledge.depth
    )


def seen_against(placed: PlacedItem, piece: Piece) -> tuple[tuple[str, float], ...]:
    """Return the colours a thing is seen against, with their shares of the impression."""
    behind = piece.backdrop_of(placed.ledge)
    under = placed.ledge.colour
    if under is not None and lies_on_seen_surface(placed):
        return ((under, UNDER_SHARE), (behind, 1 - UNDER_SHARE))
    return ((behind, 1.0),)
