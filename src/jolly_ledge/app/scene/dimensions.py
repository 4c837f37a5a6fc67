"""The dimensions of a piece that can be read and typed on its drawing."""

from msgspec import Struct

from jolly_ledge.model.bays import bays_of
from jolly_ledge.model.edits.pieces import ChangePiece, SetBayWidth, SetClearance
from jolly_ledge.model.history import Edit
from jolly_ledge.model.piece import Piece

Point = tuple[float, float]


class Dimension(Struct, frozen=True):
    """One figure on the drawing: what it measures and the line it stands at (mm, y down)."""

    id: str
    name: str
    length: float
    start: Point
    end: Point

    @property
    def middle(self) -> Point:
        """Where its figure stands."""
        return ((self.start[0] + self.end[0]) / 2, (self.start[1] + self.end[1]) / 2)

    @property
    def is_upright(self) -> bool:
        """Whether it measures a height."""
        return self.start[0] == self.end[0]


def dimensions_of(piece: Piece, gap: float) -> tuple[Dimension, ...]:
    """Return the dimensions of a piece; ``gap`` is the distance of outer lines from the piece (mm)."""
    found = [
        Dimension("width", "outer width", piece.width, (0, gap * 1.1), (piece.width, gap * 1.1)),
        Dimension("height", "outer height", piece.height, (-gap, -piece.height), (-gap, 0)),
    ]
    for bay in bays_of(piece):
        first = bay.ledges[0]
        top = -max(ledge.floor + (ledge.clearance or 0.0) for ledge in bay.ledges)
        y = min(top, -piece.height) - gap * 0.55
        found.append(Dimension(f"bay {first.id}", "bay width", bay.width, (bay.left, y), (bay.right, y)))
    for ledge in piece.ledges:
        if ledge.clearance is None:
            continue
        x = ledge.left + ledge.width * 0.5
        found.append(
            Dimension(
                f"clearance {ledge.id}",
                f"clearance of {ledge.label}",
                ledge.clearance,
                (x, -(ledge.floor + ledge.clearance)),
                (x, -ledge.floor),
            )
        )
    return tuple(found)


def edit_for(piece: Piece, dimension: Dimension, length: float) -> Edit:
    """Return the edit that gives a dimension another length."""
    kind, _, ledge = dimension.id.partition(" ")
    if kind == "clearance":
        return SetClearance(piece=piece.id, ledge=ledge, clearance=length, name=piece.ledge(ledge).label)
    if kind == "bay":
        return SetBayWidth(piece=piece.id, ledge=ledge, width=length)
    return ChangePiece(piece=piece.id, changes=((kind, length),), label=f"Set the outer {kind}")
