"""The dimensions of a piece that can be read and typed on its drawing."""

from msgspec import Struct

from jolly_ledge.drawing.case import shown_floor
from jolly_ledge.edits.fixtures import ChangeFixture
from jolly_ledge.edits.pieces import SetBayWidth, SetClearance, SetOuterSize
from jolly_ledge.geometry.bays import bays_of
from jolly_ledge.model.history import Edit
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.words import plain

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


def fixture_dimensions(piece: Piece, index: int) -> tuple[Dimension, ...]:
    """Return the tape figures of something fixed: from the piece's left end, over the floor, and its own size."""
    fixture = piece.fixtures[index]
    left, right, low, high = fixture.left, fixture.right, -fixture.floor, -(fixture.floor + fixture.height)
    middle_x, middle_y = (left + right) / 2, (low + high) / 2
    foot = shown_floor(piece)
    name = plain(fixture.kind)
    return (
        Dimension(f"fixture-left {index}", f"{name}, from the left end", left, (0, middle_y), (left, middle_y)),
        Dimension(
            f"fixture-floor {index}", f"{name}, over the floor", fixture.floor, (middle_x, low), (middle_x, foot)
        ),
        Dimension(f"fixture-width {index}", f"width of the {name}", fixture.width, (left, high), (right, high)),
        Dimension(f"fixture-height {index}", f"height of the {name}", fixture.height, (right, high), (right, low)),
    )


def dimensions_of(piece: Piece, gap: float) -> tuple[Dimension, ...]:
    """Return the dimensions of a piece; ``gap`` is the distance of outer lines from the piece (mm)."""
    floor = shown_floor(piece)
    found = [
        Dimension("width", "outer width", piece.width, (0, floor + gap * 1.1), (piece.width, floor + gap * 1.1)),
        Dimension("height", "outer height", piece.height, (-gap, -piece.height), (-gap, floor)),
    ]
    for bay in bays_of(piece):
        first = bay.ledges[0]
        if abs(bay.left) < 1 and abs(bay.width - piece.width) < 1:
            continue  # a top from end to end is as wide as the piece, which is told already
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
    if kind.startswith("fixture-"):
        field, index = kind.removeprefix("fixture-"), int(ledge)
        return ChangeFixture(piece=piece.id, index=index, changes=((field, length),), kind=piece.fixtures[index].kind)
    if kind == "clearance":
        return SetClearance(piece=piece.id, ledge=ledge, clearance=length, name=piece.ledge(ledge).label)
    if kind == "bay":
        return SetBayWidth(piece=piece.id, ledge=ledge, width=length)
    if kind == "height":
        return SetOuterSize(piece=piece.id, side="height", length=length)
    return SetOuterSize(piece=piece.id, side="width", length=length)
