"""Standing aside: how peaks, weights and kinds of things change sides from level to level."""

from collections.abc import Mapping
from functools import lru_cache

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem, Stack
from jolly_ledge.geometry.kept import kept
from jolly_ledge.measures.levels import stacks_by_level
from jolly_ledge.measures.score import mean, ramp, weighted_mean
from jolly_ledge.model.words import Category

SIDE_LITTLE, SIDE_PLAIN = 0.04, 0.22
"""Centres of neighbouring levels so far apart (in half widths) stand still, or plainly change sides."""

KINDS: dict[Category, str] = {
    "book": "books", "book-row": "books", "book-stack": "books", "vessel": "vessels", "bowl": "bowls",
    "frame": "frames", "art": "frames", "mirror": "frames", "plant": "greenery", "stems": "greenery",
    "box": "boxes", "basket": "boxes", "candle": "lights", "lamp": "lights", "sculpture": "objects",
    "object": "objects",
}  # fmt: skip
"""What the eye takes for one kind when it goes over a whole case."""


def asides_of(places: list[float], little: float, plain: float) -> list[float]:
    """Return how far each place lies aside of those before and after it: 0 up to ``little``, 1 from ``plain`` on.

    Parameters
    ----------
    places : list of float
        Along a line, in any unit.
    little : float
        What is no step aside yet, in that unit.
    plain : float
        What is plainly aside, in that unit.

    >>> asides_of([0.0, 1.0, 1.0], 0.0, 1.0)
    [1.0, 0.5, 0.0]
    """
    return [
        mean([ramp(abs(places[n] - place), little, plain) for n in (index - 1, index + 1) if 0 <= n < len(places)])
        for index, place in enumerate(places)
    ]


@kept
def diagonals_of(arrangement: Arrangement) -> Mapping[str, float]:
    """Return how far each kind moves aside from level to level, for the stacks that are led by a thing of the kind.

    Where a kind stands on a level is the middle of its things there, by their area.
    """
    half = arrangement.piece.width / 2
    seen: dict[str, list[_Kind]] = {}
    for level in stacks_by_level(arrangement):
        for kind in _kinds_on(level):
            seen.setdefault(kind.name, []).append(kind)
    asides: dict[str, float] = {}
    for levels in seen.values():
        if len(levels) > 1:
            places = asides_of([kind.middle / half for kind in levels], SIDE_LITTLE, SIDE_PLAIN)
            for kind, aside in zip(levels, places, strict=True):
                asides.update(dict.fromkeys(kind.stacks, aside))
    return asides


class _Kind(Struct, frozen=True):
    """A kind on one level: the first placements of its stacks, and its middle by area (piece mm)."""

    name: str
    stacks: tuple[str, ...]
    middle: float


@lru_cache(maxsize=512)
def _kinds_on(level: tuple[Stack, ...]) -> tuple[_Kind, ...]:
    kinds: dict[str, list[Stack]] = {}
    for stack in level:
        kind = KINDS.get(_leader_of(stack).item.category)
        if kind is not None:
            kinds.setdefault(kind, []).append(stack)
    return tuple(
        _Kind(
            kind,
            tuple(stack.ids[0] for stack in stacks),
            weighted_mean([((c.left + c.right) / 2, c.width * c.height) for c in stacks]),
        )
        for kind, stacks in kinds.items()
    )


def _leader_of(stack: Stack) -> PlacedItem:
    return max((unit.lead for unit in stack.units), key=lambda placed: placed.area)
