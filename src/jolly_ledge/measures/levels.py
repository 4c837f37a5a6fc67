"""Levels of a piece: ledges side by side that share most of their height are one, even in staggered bays."""

from collections.abc import Mapping
from functools import lru_cache
from types import MappingProxyType

from jolly_ledge.geometry.arrangement import Arrangement, Stack
from jolly_ledge.geometry.kept import kept
from jolly_ledge.measures.frame import frame_height
from jolly_ledge.model.piece import Ledge

SHARED = 0.5
"""Two ledges share a level when they have more than this part of the lower one's height in common."""


@lru_cache(maxsize=64)
def levels_of(ledges: tuple[Ledge, ...]) -> tuple[tuple[Ledge, ...], ...]:
    """Return the levels that standing ledges form, the highest first.

    >>> low = Ledge(id="a", left=0, floor=0, width=800, depth=300, clearance=400)
    >>> high = Ledge(id="b", left=0, floor=420, width=800, depth=300, clearance=400)
    >>> beside = Ledge(id="c", left=820, floor=60, width=800, depth=300, clearance=380)
    >>> [[ledge.id for ledge in level] for level in levels_of((low, high, beside))]
    [['b'], ['c', 'a']]
    """
    levels: list[list[Ledge]] = []
    for ledge in sorted(
        (ledge for ledge in ledges if not ledge.is_wall), key=lambda ledge: (-_centre(ledge), ledge.left)
    ):
        level = next((level for level in levels if all(_share_a_level(ledge, other) for other in level)), None)
        if level is None:
            levels.append([ledge])
        else:
            level.append(ledge)
    return tuple(tuple(level) for level in levels)


@lru_cache(maxsize=64)
def level_numbers(ledges: tuple[Ledge, ...]) -> Mapping[str, int]:
    """Return the level of every standing ledge, 0 for the highest."""
    numbers = {ledge.id: number for number, level in enumerate(levels_of(ledges)) for ledge in level}
    return MappingProxyType(numbers)


@kept
def stacks_by_level(arrangement: Arrangement) -> tuple[tuple[Stack, ...], ...]:
    """Return what stands on each level in use, top down."""
    found = (
        tuple(stack for ledge in level for stack in arrangement.stacks.get(ledge.id, ()))
        for level in levels_of(arrangement.piece.ledges)
    )
    return tuple(stacks for stacks in found if stacks)


def _centre(ledge: Ledge) -> float:
    return ledge.floor + frame_height(ledge) / 2


def _share_a_level(first: Ledge, second: Ledge) -> bool:
    beside = first.right <= second.left + 1 or second.right <= first.left + 1
    tops = (first.floor + frame_height(first), second.floor + frame_height(second))
    shared = min(tops) - max(first.floor, second.floor)
    return beside and shared > SHARED * min(frame_height(first), frame_height(second))
