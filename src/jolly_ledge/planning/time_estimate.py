"""How long it takes to build a look: from what is carried, bettered by the hours that were logged before."""

import statistics

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.model.phrases import counted
from jolly_ledge.model.plan import Plan
from jolly_ledge.planning.pull_list import pull_list
from jolly_ledge.planning.tools import LADDER_FROM_MM
from jolly_ledge.planning.working_order import HEAVY_KG

SET_OUT = 12.0
EACH_ROOM, EACH_FETCHED, EACH_SET = 4.0, 1.2, 1.5
EACH_HUNG, EACH_HIGH, EACH_HEAVY, EACH_BUNCH = 12.0, 1.0, 3.0, 5.0
STEP_BACK = 0.15
"""Minutes; and the share of all for stepping back, looking, and moving a little."""

HALF_TRUSTED = 2
"""After so many logged looks half of the correction is believed; all of it after many."""

SPAN = (0.25, 4.0)
"""A factor beyond this says that hours were logged for something else."""


class TimeEstimate(Struct, frozen=True):
    """Minutes for a look, what they are made of, and how they were corrected."""

    minutes: float
    parts: tuple[tuple[str, float], ...]
    factor: float
    learned_from: int

    @property
    def said(self) -> str:
        """The estimate in words, to the quarter of an hour."""
        quarters = max(round(self.minutes / 15), 1)
        hours, rest = divmod(quarters, 4)
        words = [f"{hours} h"] if hours else []
        words += [f"{rest * 15} min"] if rest else []
        learned = (
            f"by {self.learned_from} logged look{'s' if self.learned_from > 1 else ''} of yours"
            if self.learned_from
            else "not yet learned from your own hours"
        )
        return f"about {' '.join(words)}, {learned}"


def time_estimate(plan: Plan, arrangement: Arrangement) -> TimeEstimate:
    """Return how long a look takes, with the logged hours of other looks taken into account."""
    parts = _parts(arrangement)
    plain = sum(minutes for _, minutes in parts)
    factors = _factors(plan, arrangement.look.id)
    factor = 1.0
    if factors:
        trust = len(factors) / (len(factors) + HALF_TRUSTED)
        factor = 1 + trust * (statistics.median(factors) - 1)
    return TimeEstimate(plain * factor, parts, factor, len(factors))


def _parts(arrangement: Arrangement) -> tuple[tuple[str, float], ...]:
    placed_items = arrangement.placed_items
    if not placed_items:
        return ()
    pulls = pull_list(arrangement)
    hung = sum(placed.placement.pose == "hung" for placed in placed_items)
    high = sum(placed.bottom > LADDER_FROM_MM for placed in placed_items)
    heavy = sum((placed.item.mass or 0.0) >= HEAVY_KG for placed in placed_items)
    bunches = sum(placed.item.category == "stems" for placed in placed_items)
    parts = [
        ("setting out", SET_OUT),
        (f"fetching {counted(pulls.count, 'thing')} from {counted(len(pulls.rooms), 'room')}",
         EACH_ROOM * len(pulls.rooms) + EACH_FETCHED * pulls.count + EACH_HEAVY * heavy),
        ("setting down", EACH_SET * (len(placed_items) - hung) + EACH_HIGH * high),
        ("hanging", EACH_HUNG * hung),
        ("cutting stems", EACH_BUNCH * bunches),
    ]  # fmt: skip
    whole = sum(minutes for _, minutes in parts)
    parts.append(("stepping back", STEP_BACK * whole))
    return tuple((name, minutes) for name, minutes in parts if minutes > 0)


def _factors(plan: Plan, but: str) -> list[float]:
    """Return for every other look with logged hours how they compare to the plain estimate."""
    factors = []
    for look in plan.looks:
        hours = sum(entry.hours or 0.0 for entry in look.log)
        if look.id == but or not hours or not look.placements:
            continue
        plain = sum(minutes for _, minutes in _parts(arrange(plan, look)))
        if plain > 0 and SPAN[0] <= hours * 60 / plain <= SPAN[1]:
            factors.append(hours * 60 / plain)
    return factors
