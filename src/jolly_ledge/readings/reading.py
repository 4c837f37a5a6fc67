"""What a reading says."""

from typing import Literal

from msgspec import Struct

GOOD = 0.75
"""From this score on a reading may be left alone."""


class Finding(Struct, frozen=True):
    """A reading that falls outside its band, at named placements, with the reason."""

    reading: str
    placements: tuple[str, ...]
    sentence: str
    gravity: float = 0.5
    """0 hardly worth a word, 1 the first thing one sees."""

    asks: Literal["", "more", "less"] = ""
    """Whether it asks for more things or for fewer."""


class Reading(Struct, frozen=True):
    """One measured quality of a look.

    ``value`` is what was measured, ``band`` where it should lie and ``limits`` the ends of the
    scale it is shown on; ``score`` runs from 0 to 1. ``contributions`` tells what each placement
    adds to the value, in the reading's own measure.
    """

    id: str
    value: float
    band: tuple[float, float]
    limits: tuple[float, float]
    score: float
    shown: str
    sentence: str
    contributions: tuple[tuple[str, float], ...] = ()
    findings: tuple[Finding, ...] = ()
    loss: float | None = None
    """What is lost, where the reading tells it itself: 0 nothing to better, 1 plainly noticed, 2 and more spoils."""

    @property
    def is_good(self) -> bool:
        """Whether it is good enough to be left alone."""
        return self.score >= GOOD

    @property
    def placements(self) -> tuple[str, ...]:
        """The placements it speaks of: those of its findings, else all that contribute."""
        named = [identifier for finding in self.findings for identifier in finding.placements]
        return tuple(dict.fromkeys(named or [identifier for identifier, _ in self.contributions]))
