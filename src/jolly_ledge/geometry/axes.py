"""The axes things of a ledge can be centred on: its middle, the piece's, a fixture's, between two, from the door."""

from collections import Counter
from collections.abc import Iterable, Iterator

from msgspec import Struct

from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.words import plain

PAIR, ALIKE_MM = 2, 1.0
"""Two have one middle between them; axes nearer than this (mm) are one."""


class Axis(Struct, frozen=True):
    """An upright line at ``x``, from the piece's left end (mm), and what it is the middle of.

    ``id`` is how a plan names it: empty for the middle of the ledge, ``piece``, ``door``, a kind of fixture with its
    number where there are several, ``between-`` and a kind.
    """

    id: str
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
    return tuple(axis for axis in _once(_all_of(piece, ledge)) if ledge.left <= axis.x <= ledge.right)


def axis_called(piece: Piece, ledge: Ledge, identifier: str) -> Axis | None:
    """Return the axis of an id that crosses a ledge, None where none does."""
    called = (axis for axis in _all_of(piece, ledge) if axis.id == identifier)
    return next((axis for axis in called if ledge.left <= axis.x <= ledge.right), None)


def _all_of(piece: Piece, ledge: Ledge) -> Iterator[Axis]:
    yield Axis("", f"the middle of {ledge.label}", ledge.left + ledge.width / 2)
    yield Axis("piece", f"the middle of {piece.label}", piece.width / 2)
    if piece.door is not None:
        yield Axis("door", "the line from the door", piece.door)
    kinds = Counter(fixture.kind for fixture in piece.fixtures)
    numbers: Counter[str] = Counter()
    for fixture in piece.fixtures:
        numbers[fixture.kind] += 1
        which = f" {numbers[fixture.kind]}" if kinds[fixture.kind] > 1 else ""
        identifier = f"{fixture.kind}{which.replace(' ', '-')}"
        yield Axis(identifier, f"the {fixture.name or plain(fixture.kind)}{which}", (fixture.left + fixture.right) / 2)
    for kind, count in kinds.items():
        if count == PAIR:
            first, second = (fixture for fixture in piece.fixtures if fixture.kind == kind)
            middle = (first.left + first.right + second.left + second.right) / 4
            yield Axis(f"between-{kind}", f"between the two {plain(kind)}s", middle)


def _once(found: Iterable[Axis]) -> list[Axis]:
    axes: list[Axis] = []
    for axis in found:
        if all(abs(axis.x - other.x) > ALIKE_MM for other in axes):
            axes.append(axis)
    return axes
