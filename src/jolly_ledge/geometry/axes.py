"""The axes that things of a ledge can be centred on: its middle, that of the piece, of a fixture, between two."""

from collections import Counter

from msgspec import Struct

from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.words import plain

PAIR, ALIKE_MM = 2, 1.0
"""Two have one middle between them; axes nearer than this (mm) are one."""


class Axis(Struct, frozen=True):
    """An upright line at ``x``, from the piece's left end (mm), and what it is the middle of."""

    name: str
    x: float


def axes_of(piece: Piece, ledge: Ledge) -> tuple[Axis, ...]:
    """Return the axes that cross a ledge, the nearest to hand first; each once.

    Parameters
    ----------
    piece : Piece
        With its fixtures.
    ledge : Ledge
        On which things are to be centred.
    """
    found = [Axis(f"the middle of {ledge.label}", ledge.left + ledge.width / 2)]
    found.append(Axis(f"the middle of {piece.label}", piece.width / 2))
    kinds = Counter(fixture.kind for fixture in piece.fixtures)
    numbers: Counter[str] = Counter()
    for fixture in piece.fixtures:
        numbers[fixture.kind] += 1
        which = f" {numbers[fixture.kind]}" if kinds[fixture.kind] > 1 else ""
        found.append(Axis(f"the {fixture.name or plain(fixture.kind)}{which}", (fixture.left + fixture.right) / 2))
    for kind, count in kinds.items():
        if count == PAIR:
            first, second = (fixture for fixture in piece.fixtures if fixture.kind == kind)
            middle = (first.left + first.right + second.left + second.right) / 4
            found.append(Axis(f"between the two {plain(kind)}s", middle))
    axes: list[Axis] = []
    for axis in found:
        crosses = ledge.left <= axis.x <= ledge.right
        if crosses and all(abs(axis.x - other.x) > ALIKE_MM for other in axes):
            axes.append(axis)
    return tuple(axes)
