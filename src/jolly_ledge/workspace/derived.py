"""What follows from the look in hand, worked out when it is first asked for and kept until something changes."""

from typing import TYPE_CHECKING

from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.model.look import Look, Manner
from jolly_ledge.model.plan import Plan

if TYPE_CHECKING:
    # The first picture waits for none of them.
    from jolly_ledge.cautions.caution import Caution
    from jolly_ledge.proposals.meaning import Meaning
    from jolly_ledge.readings.register import Assessment


class Derived:
    """The look in hand resolved, read and looked through for cautions, and what its number means."""

    def __init__(self) -> None:
        self._arrangement: Arrangement | None = None
        self._assessment: Assessment | None = None
        self._cautions: tuple[Caution, ...] | None = None
        self.meanings: dict[tuple[str, Manner], Meaning] = {}
        """What scores mean by piece and manner, as far as chance was tried; one stays until the next is known."""

    def forget(self) -> None:
        """Let go what was worked out: the look is another."""
        self._arrangement = self._assessment = self._cautions = None

    def arrangement(self, plan: Plan, look: Look) -> Arrangement:
        """Return the look, resolved."""
        if self._arrangement is None:
            self._arrangement = arrange(plan, look)
        return self._arrangement

    def assessment(self, plan: Plan, look: Look) -> "Assessment":
        """Return the readings of the look."""
        from jolly_ledge.readings.register import assess

        if self._assessment is None:
            self._assessment = assess(self.arrangement(plan, look))
        return self._assessment

    @property
    def is_assessed(self) -> bool:
        """Whether the readings are there already, so that asking for them costs nothing."""
        return self._assessment is not None

    def cautions(self, plan: Plan, look: Look) -> "tuple[Caution, ...]":
        """Return the cautions of the look."""
        from jolly_ledge.cautions.register import cautions_of

        if self._cautions is None:
            self._cautions = cautions_of(self.arrangement(plan, look))
        return self._cautions

    def shown(self, score: float, look: Look) -> int:
        """Return the number that is shown for a raw score of a look: its meaning where it is known.

        Looks of one piece are told on one scale; until chance was tried it is the score of 100.
        """
        maps = {manner: told for (piece, manner), told in self.meanings.items() if piece == look.piece}
        told = maps.get(look.manner) or next(iter(maps.values()), None)
        return round(score * 100 if told is None else told.shown(score))
