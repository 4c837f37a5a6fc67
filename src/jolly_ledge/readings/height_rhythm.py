"""Height rhythm: whether neighbours differ in height and the skyline moves."""

import itertools
from functools import lru_cache

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, Stack
from jolly_ledge.measures.score import mean, ramp, score_of, smooth_step
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital
from jolly_ledge.readings.reading import Finding, Reading

ID = "height-rhythm"
GOOD_STEP = 0.20
SAME_STEP = 0.12
SEPARATOR = 0.6
TAPE_STEP_MM = 5.0
BAND = (GOOD_STEP, 0.75)
PARTNER, PARTNER_COST = 0.4, 0.3
INSIDE_SPREAD, INSIDE_COST = 0.3, 0.3
NO_STEP = 0.05
"""A step of so little is none to the eye."""

SPREAD_SHARE, SPREAD_BAND = 0.3, (0.15, 0.45)
"""How much the spread of levels on a ledge of three or more counts against the steps, and what is wanted."""

SKYLINE_SHARE = 0.15
"""How much a skyline that is the same on every ledge weighs against the steps."""


def step(first: float, second: float) -> float:
    """Return the relative height step between two heights.

    Parameters
    ----------
    first : float
        In mm.
    second : float
        In mm.

    >>> step(250, 200)
    0.2
    """
    return abs(first - second) / max(first, second, 1.0)


def neighbours(stacks: tuple[Stack, ...]) -> list[tuple[Stack, Stack]]:
    """Return the pairs the eye compares: next to each other from left to right."""
    ordered = sorted(stacks, key=lambda stack: (stack.left + stack.right) / 2)
    return list(itertools.pairwise(ordered))


class _Row(Struct, frozen=True):
    """The steps between the neighbours of one ledge."""

    sizes: tuple[float, ...]
    scores: tuple[float, ...]
    contributions: tuple[tuple[str, float], ...]
    findings: tuple[Finding, ...]
    spread: float | None
    """How far the levels of three or more spread, as a score."""


@lru_cache(maxsize=512)
def _row(stacks: tuple[Stack, ...], mirrored: bool) -> _Row:
    sizes: list[float] = []
    contributions: list[tuple[str, float]] = []
    findings: list[Finding] = []
    for first, second in neighbours(stacks):
        if mirrored and _is_pair(first, second):
            continue
        size = step(first.height, second.height)
        sizes.append(size)
        contributions += [(identifier, size) for identifier in (*first.ids, *second.ids)]
        if size < SAME_STEP:
            findings.append(_same(first, second, size))
    scores = tuple(ramp(size, NO_STEP, GOOD_STEP) for size in sizes)
    heights = [stack.height for stack in stacks]
    spread = ramp((max(heights) - min(heights)) / max(heights), *SPREAD_BAND) if len(heights) >= 3 else None
    return _Row(tuple(sizes), scores, tuple(contributions), tuple(findings), spread)


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read the height steps between neighbours on each ledge.

    A step of ``GOOD_STEP`` or more is right, below ``SAME_STEP`` the two are of one height. In the
    mirrored figure equal heights left and right of the middle are meant, so only steps between
    neighbours that are not a pair about the axis count. The spread of the levels on each ledge and
    the skyline from ledge to ledge count beside the steps.
    """
    mirrored = manner.figure == "mirrored"
    rows = [_row(stacks, mirrored) for stacks in arrangement.stacks.values() if not stacks[0].ledge.is_wall]
    steps = [size for row in rows for size in row.sizes]
    inside = _levels_inside(arrangement)
    if not steps and not inside:
        return None
    skyline = _skyline(arrangement)
    spread = mean([row.spread for row in rows if row.spread is not None])
    rhythm = (1 - SPREAD_SHARE) * mean([score for row in rows for score in row.scores]) + SPREAD_SHARE * spread
    score = (1 - SKYLINE_SHARE) * rhythm + SKYLINE_SHARE * skyline
    loss = 1 - score + PARTNER_COST * _without_partner(arrangement)
    loss += INSIDE_COST * mean([1 - one for one in inside], empty=0.0)
    value = mean(steps, empty=GOOD_STEP)
    poor = sum(1 for size in steps if size < SAME_STEP)
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 1.0),
        score=score_of(loss),
        loss=loss,
        shown=f"{round(value * 100)} % step",
        sentence=(
            f"Neighbours differ by {round(value * 100)} % in height on average; "
            + (
                f"{poor} of {len(steps)} pairs are of one height."
                if poor
                else "no two beside each other are of one height."
            )
        ),
        contributions=tuple(one for row in rows for one in row.contributions),
        findings=tuple(finding for row in rows for finding in row.findings),
    )


def _without_partner(arrangement: Arrangement) -> float:
    """Return how far the tallest thing on open tops lacks a second that answers it across: half its height or so."""
    lacks = []
    for stacks in arrangement.stacks.values():
        ledge = stacks[0].ledge
        if not ledge.is_wall and ledge.clearance is None and len(stacks) > 1:
            first, second = sorted((stack.height for stack in stacks), reverse=True)[:2]
            lacks.append(1 - smooth_step(second / first, PARTNER, PARTNER))
    return mean(lacks, empty=0.0)


def _levels_inside(arrangement: Arrangement) -> list[float]:
    """Return how the heights of what stands on each tray spread, as scores: inside, too, it wants levels."""
    held: dict[str, list[float]] = {}
    for one in arrangement.visible:
        host = arrangement.by_id.get(one.placement.host or "")
        if host is not None and host.item.category == "tray":
            held.setdefault(host.id, []).append(one.height)
    return [
        smooth_step((max(heights) - min(heights)) / max(heights), INSIDE_SPREAD, INSIDE_SPREAD)
        for heights in held.values()
        if len(heights) >= 3
    ]


def _same(first: Stack, second: Stack, size: float) -> Finding:
    low = int(SEPARATOR * min(first.height, second.height) // TAPE_STEP_MM * TAPE_STEP_MM)
    return Finding(
        ID,
        (*first.ids, *second.ids),
        f"{capital(first.label)} and {second.label} are of one height "
        f"({round(first.height)} and {round(second.height)} mm) on {first.ledge.label}; "
        f"set something up to {low} mm between them, or raise one.",
        1 - size / GOOD_STEP,
    )


def _is_pair(first: Stack, second: Stack) -> bool:
    middle = first.ledge.left + first.ledge.width / 2
    offset = abs((first.left + first.right + second.left + second.right) / 4 - middle)
    return offset <= 0.05 * first.ledge.width


def _skyline(arrangement: Arrangement) -> float:
    """Score how the tallest heights vary from ledge to ledge; 1 with fewer than three ledges."""
    tops = [max(stack.height for stack in stacks) for stacks in arrangement.stacks.values()]
    if len(tops) < 3:
        return 1.0
    average = mean(tops)
    spread = mean([abs(top - average) for top in tops]) / max(average, 1.0)
    return ramp(spread, 0.0, 0.12)
