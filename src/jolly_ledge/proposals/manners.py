"""Which manners proposals are made in: all in one, or one in each of a kind."""

from collections.abc import Sequence
from typing import Literal

from msgspec.structs import replace

from jolly_ledge.model.look import Manner
from jolly_ledge.model.words import FIGURES, FULLNESSES
from jolly_ledge.proposals.moods import Mood

Each = Literal["", "fullness", "figure", "mood"]


def manners_of(manner: Manner, count: int, each: Each = "", moods: Sequence[Mood] = ()) -> tuple[Manner, ...]:
    """Return the manner so many times, or one manner for each fullness, figure or mood, the given one first.

    >>> [one.fullness for one in manners_of(Manner(fullness="airy"), 3, "fullness")]
    ['airy', 'layered', 'abundant']
    """
    if each == "fullness":
        fullnesses = sorted(FULLNESSES, key=lambda fullness: fullness != manner.fullness)
        return tuple(replace(manner, fullness=fullness) for fullness in fullnesses)
    if each == "figure":
        figures = sorted(FIGURES, key=lambda figure: figure != manner.figure)
        return tuple(replace(manner, figure=figure) for figure in figures)
    if each == "mood" and moods:
        return tuple(replace(manner, palette=mood.palette) for mood in moods)
    return (manner,) * count
