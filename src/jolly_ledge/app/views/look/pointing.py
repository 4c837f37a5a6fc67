"""What a pointer means: whether it adds to what is chosen, and which ledge it is over."""

from PySide6.QtCore import QPointF, Qt
from PySide6.QtGui import QMouseEvent

from jolly_ledge.model.piece import Ledge, Piece

BELOW_MM, OPEN_ABOVE_MM = 30.0, 400.0
"""So far below its surface a ledge still takes the pointer, and so far above it where it is open."""


def adds(event: QMouseEvent) -> bool:
    """Tell whether what is pressed is added to what is chosen, or taken from it."""
    return bool(event.modifiers() & (Qt.KeyboardModifier.ShiftModifier | Qt.KeyboardModifier.ControlModifier))


def ledge_under(piece: Piece, point: QPointF) -> Ledge | None:
    """Return the ledge at a point of the drawing (mm, y down)."""
    for ledge in piece.ledges:
        top = ledge.floor + (ledge.clearance if ledge.clearance is not None else OPEN_ABOVE_MM)
        if ledge.left <= point.x() <= ledge.right and ledge.floor - BELOW_MM <= -point.y() <= top:
            return ledge
    return None
