"""Dragging on the measured drawing: a board up and down, a fixture anywhere. Each commits one edit at most."""

from typing import Protocol

from jolly_ledge.edits.fixtures import ChangeFixture
from jolly_ledge.edits.pieces import MoveShelf
from jolly_ledge.model.piece import Fixture, Piece
from jolly_ledge.model.plan import Plan

STEP_MM = 5.0


class MeasureGesture(Protocol):
    """Something taken in hand on the drawing."""

    @property
    def edit(self) -> MoveShelf | ChangeFixture | None:
        """What letting go would do."""
        ...

    def move(self, plan: Plan, dx: float, dy: float) -> Piece:
        """Return the piece as it would be with the pointer moved so far from where it began (mm, y up)."""
        ...


class ShelfGesture:
    """A board dragged up or down; it snaps to the pins of the case, or to 5 mm."""

    def __init__(self, piece: Piece, ledge_id: str) -> None:
        self._piece = piece.id
        self._ledge = piece.ledge(ledge_id)
        self._pins = piece.pin_spacing
        self.edit: MoveShelf | None = None

    def move(self, plan: Plan, dx: float, dy: float) -> Piece:
        """Return the piece with the board moved."""
        floor = self._ledge.floor
        # Pins are where they are: the board may go up or down by whole spacings only.
        on_pins = floor + round(dy / self._pins) * self._pins if self._pins else None
        wanted = round((floor + dy) / STEP_MM) * STEP_MM if on_pins is None else on_pins
        self.edit = MoveShelf(piece=self._piece, ledge=self._ledge.id, floor=wanted, name=self._ledge.label)
        return self.edit.apply(plan).piece(self._piece)


class FixtureGesture:
    """A fixture dragged over the front, in steps of 5 mm, never under the floor."""

    def __init__(self, piece: Piece, index: int) -> None:
        self._piece = piece.id
        self._index = index
        self._fixture: Fixture = piece.fixtures[index]
        self.edit: ChangeFixture | None = None

    def move(self, plan: Plan, dx: float, dy: float) -> Piece:
        """Return the piece with the fixture moved."""
        left = round((self._fixture.left + dx) / STEP_MM) * STEP_MM
        floor = max(round((self._fixture.floor + dy) / STEP_MM) * STEP_MM, 0.0)
        self.edit = ChangeFixture(
            piece=self._piece,
            index=self._index,
            changes=(("left", left), ("floor", floor)),
            kind=self._fixture.kind,
        )
        return self.edit.apply(plan).piece(self._piece)
