"""The mirrored figure: what stands at one side of the middle is answered at the other, in height and place."""

import math
from collections import defaultdict
from collections.abc import Iterator
from random import Random

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.composing.composition import Composition
from jolly_ledge.proposals.composing.regrouping import exchangeable, exchanged_for
from jolly_ledge.proposals.composing.replaced import with_changed
from jolly_ledge.proposals.groups.group import Group

PLACES, LEVEL_MM = 40, 60.0
"""The skyline of a level is read at so many places; ledges so near in height are one level."""

ON_THE_AXIS = 0.12
"""A group whose middle is nearer to that of the piece than this share of its width stands on the axis."""

LIKE_HEIGHT, LIKE_WIDTH = 0.15, 0.35
"""What answers a group is so near to it in height and width, in parts of it."""


def is_mirrored(composition: Composition) -> bool:
    """Tell whether a composition is made in the mirrored figure."""
    return composition.stock.problem.manner.figure == "mirrored"


def unanswered(composition: Composition) -> float:
    """Return which share of the skyline finds no answer at the other side of the middle, 0 to 1."""
    off = whole = 0.0
    for line in _skylines(composition):
        pairs = list(zip(line, reversed(line), strict=True))
        off += sum(abs(one - other) for one, other in pairs)
        whole += sum(one + other for one, other in pairs)
    return off / whole if whole else 0.0


def answered(composition: Composition, rng: Random) -> Composition | None:
    """Set a group on the axis, or where it answers another one at the same distance from the middle."""
    number = rng.randrange(len(composition.groups))
    wide = composition.stock.piece.width
    if abs(_middle(composition, number) - wide / 2) < ON_THE_AXIS * wide:
        return _moved(composition, number, wide / 2)
    opposite = _opposite(composition, number)
    return _moved(composition, number, wide - _middle(composition, rng.choice(opposite))) if opposite else None


def like_exchanged(composition: Composition, rng: Random) -> Composition | None:
    """Set a group of like height and width in the place of one that answers another."""
    numbers = [number for number in exchangeable(composition) if _opposite(composition, number)]
    if not numbers:
        return None
    number = rng.choice(numbers)
    model = composition.groups[rng.choice(_opposite(composition, number))][1]

    def suits(group: Group) -> bool:
        near = abs(group.height - model.height) <= LIKE_HEIGHT * model.height
        return near and abs(group.width - model.width) <= LIKE_WIDTH * model.width

    return exchanged_for(composition, number, rng, suits)


def _skylines(composition: Composition) -> Iterator[list[float]]:
    """Yield how high things reach at places from end to end of the piece, level by level."""
    levels: dict[int, list[tuple[Ledge, Group]]] = defaultdict(list)
    for ledge, group in composition.groups:
        levels[round(ledge.floor / LEVEL_MM)].append((ledge, group))
    wide = composition.stock.piece.width
    for groups in levels.values():
        line = [0.0] * PLACES
        for ledge, group in groups:
            for member in group:
                # A place is taken where its middle is.
                first = max(math.ceil((ledge.left + member.left) / wide * PLACES - 0.5), 0)
                last = min(math.floor((ledge.left + member.right) / wide * PLACES - 0.5), PLACES - 1)
                for place in range(first, last + 1):
                    line[place] = max(line[place], member.top)
        yield line


def _middle(composition: Composition, number: int) -> float:
    """Return where the middle of a group stands, from the left end of the piece (mm)."""
    ledge, group = composition.groups[number]
    return ledge.left + (group.left + group.right) / 2


def _opposite(composition: Composition, number: int) -> list[int]:
    """Return the groups of the same level that stand at the other side of the middle."""
    half, (ledge, _) = composition.stock.piece.width / 2, composition.groups[number]
    at_left = _middle(composition, number) < half
    return [
        other for other, (there, _) in enumerate(composition.groups)
        if other != number and abs(there.floor - ledge.floor) < LEVEL_MM
        and (_middle(composition, other) < half) != at_left
    ]  # fmt: skip


def _moved(composition: Composition, number: int, middle: float) -> Composition | None:
    """Return a composition with the middle of a group elsewhere along its ledge (mm from the left of the piece)."""
    _, group = composition.groups[number]
    along = middle - _middle(composition, number)
    return (
        None if group.wants_end or abs(along) < 1.0 else with_changed(composition, {number: group.copy().shift(along)})
    )
