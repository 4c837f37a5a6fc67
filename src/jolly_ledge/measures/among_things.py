"""Scale among the things themselves: the anchor against the next, small versions on a small top."""

import math
from functools import lru_cache

from jolly_ledge.geometry.arrangement import Arrangement, Stack, Unit, Vignette
from jolly_ledge.measures.measured import Measured
from jolly_ledge.measures.score import in_band, ramp
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.phrases import capital, percent
from jolly_ledge.model.piece import Ledge

NEXT_BAND = (0.32, 0.90)
"""The next largest against the anchor, as lengths: about two thirds reads best."""

NEXT_BELOW, NEXT_ABOVE = 0.17, 0.10
RIVAL_LEAST = 0.4
"""Two of one size do not ruin a group: each may still be told by its colour."""

NEXT_WEIGHT = 0.3

SMALL_TOP_MM = (650.0, 1000.0)
"""Side of a square of the top's area: up to the first a table is small, from the second on it is not."""

PRESENT = (0.18, 0.28)
"""What is smaller than the first share of the side is a trinket; what has the second is there."""

LARGE = (0.32, 0.55)
"""When even the smallest has this share of the side, all is too large for the table."""

VERSIONS_WEIGHT = 0.5
TOLD_NEXT = "The next largest of a group has {} of its anchor's size"
TOLD_LARGEST = "The largest thing has {} of the side of the top"


def anchors_against_next(arrangement: Arrangement) -> list[Measured]:
    """Measure in every group how the next largest stands to the anchor; pairs about a middle are meant to match."""
    if arrangement.manner.figure == "mirrored":
        return []
    groups = (vignette for vignette in arrangement.vignettes if len(vignette.stacks) > 1)
    return [_against_next(vignette) for vignette in groups if not vignette.ledge.is_wall]


@lru_cache(maxsize=512)
def _against_next(vignette: Vignette) -> Measured:
    anchor, second = sorted(vignette.stacks, key=lambda stack: -_leader(stack).area)[:2]
    first, other = _leader(anchor), _leader(second)
    share = math.sqrt(other.area / first.area) if first.area > 0 else 1.0
    heights = sorted((first.top - first.bottom, other.top - other.bottom))
    # A tall thing and a broad one of one area do not compete.
    rivalry = min(share, heights[0] / heights[1]) if share > NEXT_BAND[1] and heights[1] > 0 else share
    score = RIVAL_LEAST + (1 - RIVAL_LEAST) * in_band(rivalry, NEXT_BAND, NEXT_BELOW, NEXT_ABOVE)
    problem = ""
    if score < 0.7:
        names = f"{capital(first.label)} and {other.label} on {vignette.ledge.label}"
        problem = (
            f"{names} are of one size, so that neither leads; let one be about two thirds of the other."
            if rivalry > NEXT_BAND[1]
            else f"{names} are too far apart in size ({percent(share)}); set something between them in size beside."
        )
    return Measured(share, NEXT_BAND, score, NEXT_WEIGHT, (*first.ids, *other.ids), problem, TOLD_NEXT)


def _leader(stack: Stack) -> Unit:
    return max(stack.units, key=lambda unit: unit.area)


def small_tops(arrangement: Arrangement) -> list[Measured]:
    """Measure on small tables whether some things are small versions and some are not: all small is a toy's table."""
    if not kind_of(arrangement.piece).is_looked_down_on:
        return []
    return [
        _versions(ledge, [unit for stack in stacks for unit in stack.units])
        for ledge in arrangement.standing_ledges
        if (stacks := arrangement.stacks.get(ledge.id, ())) and _smallness(ledge) > 0
        if sum(len(stack.units) for stack in stacks) > 1
    ]


def _side(ledge: Ledge) -> float:
    return math.sqrt(ledge.width * ledge.depth)


def _smallness(ledge: Ledge) -> float:
    return ramp(_side(ledge), *SMALL_TOP_MM[::-1])


def _versions(ledge: Ledge, units: list[Unit]) -> Measured:
    shares = [math.sqrt((unit.right - unit.left) * (unit.top - unit.bottom)) / _side(ledge) for unit in units]
    present, small = ramp(max(shares), *PRESENT), 1 - ramp(min(shares), *LARGE)
    problem = ""
    if min(present, small) < 0.5:
        problem = (
            f"All on {ledge.label} is small: on a small table some things may be small versions, one should be as "
            "large as elsewhere."
            if present < small
            else f"All on {ledge.label} is large for it: take small versions of some things."
        )
    ids = tuple(identifier for unit in units for identifier in unit.ids)
    weight = VERSIONS_WEIGHT * _smallness(ledge)
    return Measured(max(shares), (PRESENT[1], 1.0), (present + small) / 2, weight, ids, problem, TOLD_LARGEST)
