"""How much a reading counts in the manner of a look."""

from msgspec.structs import replace

from jolly_ledge.edits.edit import BaseEdit, change_look
from jolly_ledge.model.look import Look
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.value import changed

USUAL = 1.0
EMPHASES: dict[float, str] = {0.0: "not", 0.5: "less", 1.0: "as usual", 1.5: "more", 2.0: "most"}
"""Factors, and how they are spoken of."""


class SetEmphasis(BaseEdit, frozen=True):
    """Let a reading count more or less than usual; ``name`` is what it is called."""

    look: str
    reading: str
    factor: float
    name: str = ""

    @property
    def label(self) -> str:
        """What it does."""
        return f"Let {(self.name or self.reading).lower()} count {EMPHASES.get(self.factor, f'{self.factor:g} times')}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the weight set; one as usual is not kept."""

        def weigh(look: Look) -> Look:
            others = tuple(pair for pair in look.manner.weights if pair[0] != self.reading)
            weights = others if self.factor == USUAL else (*others, (self.reading, self.factor))
            return replace(look, manner=changed(look.manner, weights=tuple(sorted(weights))))

        return change_look(plan, self.look, weigh)
