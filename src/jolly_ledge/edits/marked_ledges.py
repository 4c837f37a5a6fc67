"""Ledges from edges that were marked, as on a photograph."""

from jolly_ledge.edits.pieces import BOARD_MM, SMALLEST_OPENING_MM
from jolly_ledge.geometry.bays import SIDE_MM
from jolly_ledge.model.fresh_ids import fresh_id
from jolly_ledge.model.piece import Ledge, Piece

BACK_MM = 20.0
"""What a case's back and lip take of its depth, where the depth of a shelf is not told."""

SHALLOWEST_MM = 60.0


def ledge_at(piece: Piece, left: float, right: float, floor: float) -> Ledge:
    """Return the ledge whose upper edge runs between two ends at a height (mm).

    Its clearance reaches to the next board above, else to the top of the piece; a board at the very top
    is open above. Whole millimetres: a photograph knows no less.
    """
    low, high = sorted((left, right))
    width, at = max(round(high - low), 1), float(round(max(floor, 0.0)))
    above = [
        ledge.floor
        for ledge in piece.ledges
        if not ledge.is_wall
        and ledge.floor > at + SMALLEST_OPENING_MM
        and min(ledge.right, high) - max(ledge.left, low) > 0.5 * min(ledge.width, width)
    ]
    clearance: float | None
    if above:
        clearance = max(min(above) - BOARD_MM - at, SMALLEST_OPENING_MM)
    elif at < piece.height - SIDE_MM - SMALLEST_OPENING_MM:
        clearance = piece.height - SIDE_MM - at
    else:
        clearance = None
    number = len(piece.ledges) + 1
    return Ledge(
        id=fresh_id(f"shelf {number}", {ledge.id for ledge in piece.ledges}),
        name=f"shelf {number}",
        left=float(round(low)),
        floor=at,
        width=float(width),
        depth=max(piece.depth - BACK_MM, SHALLOWEST_MM),
        clearance=clearance,
        backdrop=piece.backdrop,
    )
