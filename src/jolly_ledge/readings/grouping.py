"""Grouping: whether things stand in groups with clear rest between, or singly in a row."""

import math
from functools import lru_cache

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, Stack
from jolly_ledge.measures.score import mean, score_of, smooth_step, weighted_mean
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital, counted, listed
from jolly_ledge.model.roles import role_of
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.scene.bars import bars_before

ID = "grouping"
BAND = (0.6, 1.0)
NEAR, NEAR_WIDTH = 0.45, 0.5
FAR_TAIL = 0.05
"""A gap of so many widths of the narrower one is half near; over this stretch nearness falls."""

DEPTH_COUNTS = 0.3
"""In the front view a gap in depth tells less than one along the ledge."""

LEAST_SHARE = 0.05
CARRIES, BROAD_FROM, BROAD_FULL, ALONE_ON_ITS_LEDGE = 0.7, 0.25, 0.6, 0.45
"""How far a stack with its crown is a group of itself, a broad thing holds alone, and the only one may be so."""

FEWEST_IN_A_ROW, EVEN_SPREAD, SEEN_GAP = 3, 0.6, 0.05
"""Gaps that vary less than this part of their mean are even; narrower ones than a share of the ledge are not seen."""

REST_SHARE, EVEN_COST, CROWD_COST = 0.1, 0.5, 0.3


class _Tied(Struct, frozen=True):
    """How far each stack of a ledge is one of a group (0 to 1), how even the row is, how much it lacks rest."""

    ties: tuple[tuple[str, float], ...]
    even: float
    without_rest: float
    singles: tuple[str, ...]
    names: tuple[str, ...]


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read how far things stand in groups: near (within half a width of the narrower) or overlapping a little.

    A stack with its crown is a group of itself, and so is a row of books; what is broad holds its place alone. Single
    things at even gaps are the first fault one sees; a ledge without any clear rest is the other. The value is the
    mean share in groups.

    >>> from jolly_ledge.readings.example import look_of, shelves, stand
    >>> apart = look_of(shelves(), *(stand(x, 80, 200) for x in (100, 400, 700)))
    >>> near = look_of(shelves(), *(stand(x, 80, 200) for x in (100, 190, 280)))
    >>> read(apart, apart.manner).value < 0.2 < 0.8 < read(near, near.manner).value
    True
    """
    ledges = {
        identifier: _tied(
            stacks,
            role_of(arrangement.piece, stacks[0].ledge) in ("table", "island"),
            bars_before(arrangement.piece, stacks[0].ledge),
        )
        for identifier, stacks in arrangement.stacks.items()
        if not stacks[0].ledge.is_wall
    }
    count = sum(len(tied.ties) for tied in ledges.values())
    if count < 2:
        return None
    value = mean([share for tied in ledges.values() for _, share in tied.ties])
    even = mean([tied.even for tied in ledges.values()])
    crowded = weighted_mean([(tied.without_rest, float(len(tied.ties))) for tied in ledges.values()])
    crowded *= 0.4 if manner.fullness == "abundant" else 1.0
    loss = (1 - value) + EVEN_COST * even + CROWD_COST * crowded
    findings = tuple(
        Finding(
            ID,
            tied.singles,
            f"{capital(listed(list(tied.names), 4))} {'stand' if len(tied.names) > 1 else 'stands'} "
            f"singly on {arrangement.piece.ledge(identifier).label}"
            f"{' at even gaps' if tied.even > 0.5 else ''}; draw them together in groups, one a little before another.",
            min(0.4 + 0.5 * tied.even + 0.1 * len(tied.singles), 1.0),
        )
        for identifier, tied in ledges.items()
        if len(tied.singles) > 1 or (tied.singles and len(tied.ties) > 2)
    )
    alone = sum(len(tied.singles) for tied in ledges.values())
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 1.0),
        score=score_of(loss),
        shown=f"{alone} alone" if alone else "in groups",
        sentence=f"{capital(counted(count - alone, 'thing'))} of {count} {'stand' if count - alone > 1 else 'stands'} "
        f"in groups{f', {alone} singly' if alone else ''}; what belongs together is near, with rest between groups.",
        contributions=tuple(tie for tied in ledges.values() for tie in tied.ties),
        findings=findings,
        loss=loss,
    )


@lru_cache(maxsize=512)
def _tied(stacks: tuple[Stack, ...], table: bool, bars: int) -> _Tied:
    # Bars part a ledge into cells, and each cell is a ledge of its own.
    width = stacks[0].ledge.width / (bars + 1)
    ties = []
    for stack in stacks:
        tie = max((_near(stack, other, table) for other in stacks if other is not stack), default=0.0)
        if stack.is_alone_on_purpose:
            tie = 1.0
        if len(stack.units) > 1 or len(stack.ids) > 2:
            tie = max(tie, CARRIES)
        tie = max(tie, min(max((stack.width / width - BROAD_FROM) / (BROAD_FULL - BROAD_FROM), 0.0), 1.0))
        ties.append(max(tie, ALONE_ON_ITS_LEDGE) if len(stacks) == 1 else tie)
    single = [stack for stack, tie in zip(stacks, ties, strict=True) if tie < ALONE_ON_ITS_LEDGE]
    return _Tied(
        tuple((stack.ids[0], tie) for stack, tie in zip(stacks, ties, strict=True)),
        0.0 if table or bars else _evenness(stacks),
        0.0 if table or bars else _without_rest(stacks),
        tuple(identifier for stack in single for identifier in stack.ids[:1]),
        tuple(stack.label for stack in single),
    )


def _near(one: Stack, other: Stack, table: bool) -> float:
    (left, right), (start, end) = _base(one), _base(other)
    along = max(start - right, left - end, 0.0)
    deep = max(other.front - one.back, one.front - other.back, 0.0) * (1.0 if table else DEPTH_COUNTS)
    smaller = max(min(right - left, end - start), LEAST_SHARE * one.ledge.width)
    apart = math.hypot(along, deep) / smaller
    # Far is far; farther still is a little worse.
    return (1 - FAR_TAIL) * (1 - smooth_step(apart, NEAR, NEAR_WIDTH)) + FAR_TAIL / (1 + apart)


@lru_cache(maxsize=4096)
def _base(stack: Stack) -> tuple[float, float]:
    """Return where a stack begins and ends on the ledge itself: branches reach further and draw nothing near."""
    feet = [one for unit in stack.units for one in unit.placed_items if one.depth_order == 0]
    return (min(one.left for one in feet), max(one.right for one in feet)) if feet else (stack.left, stack.right)


def _gaps(stacks: tuple[Stack, ...]) -> list[float]:
    """Return the free lengths between stacks from left to right, nought where they overlap."""
    gaps, reached = [], stacks[0].right
    for stack in stacks[1:]:
        gaps.append(max(stack.left - reached, 0.0))
        reached = max(reached, stack.right)
    return gaps


def _evenness(stacks: tuple[Stack, ...]) -> float:
    """Return how far a ledge is a row at even gaps: 1 where all gaps are wide and the same."""
    if len(stacks) < FEWEST_IN_A_ROW:
        return 0.0
    gaps = _gaps(stacks)
    middle = mean(gaps)
    seen = min(middle / (SEEN_GAP * stacks[0].ledge.width), 1.0)
    if middle <= 0:
        return 0.0
    spread = math.sqrt(mean([(gap - middle) ** 2 for gap in gaps])) / middle
    return max(1 - spread / EVEN_SPREAD, 0.0) * seen


def _without_rest(stacks: tuple[Stack, ...]) -> float:
    """Return how far a ledge of three and more lacks any clear rest, 0 to 1."""
    if len(stacks) < FEWEST_IN_A_ROW:
        return 0.0
    ledge = stacks[0].ledge
    rest = max(*_gaps(stacks), stacks[0].left - ledge.left, ledge.right - max(stack.right for stack in stacks))
    return max(1 - rest / (REST_SHARE * ledge.width), 0.0)
