"""Cohesion: whether what belongs together stands together; a top is read as one group."""

import math

from jolly_ledge.geometry.arrangement import Arrangement, Stack
from jolly_ledge.measures.score import mean, score_of, soft_excess
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import counted
from jolly_ledge.model.piece import Ledge
from jolly_ledge.readings.reading import Finding, Reading

ID = "cohesion"
BAND = (0.0, 1.0)
FAR, NEARER_COST = 2.6, 0.05
"""A gap of so many widths of the smaller neighbour falls apart."""

LEAST_SHARE = 0.06
"""Even the smallest thing bears so much room about it."""

LONGEST = 3.0
MOST_ON_A_TOP = 7
"""More things than this make several groups of a large top."""


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read the gaps inside groups: of a table top as a whole, of vignettes that were told.

    Left out where there is no such group of two or more. The value is the largest gap in widths of the
    smaller neighbour.

    >>> from jolly_ledge.readings.example import look_of, stand, table
    >>> look = look_of(table(), stand(500, 200, 100), stand(1000, 200, 100))
    >>> round(read(look, look.manner).value, 3)  # 300 mm between two of 200 mm
    1.5
    """
    groups = _groups(arrangement)
    gaps: dict[str, float] = {}
    labels: dict[str, tuple[Stack, Stack, float]] = {}
    for group in groups:
        for stack in group:
            other, gap = min(((o, _gap(stack, o)) for o in group if o is not stack), key=lambda pair: pair[1])
            share = gap / max(min(_size(stack), _size(other)), LEAST_SHARE * stack.ledge.width)
            gaps[stack.ids[0]] = share
            labels[stack.ids[0]] = (stack, other, gap)
    if not gaps:
        return _gathered(arrangement)
    value = max(gaps.values())
    loss = mean([soft_excess(share, BAND[1], FAR - BAND[1]) for share in gaps.values()])
    loss += NEARER_COST * mean([min(share, BAND[1]) for share in gaps.values()])
    findings = tuple(
        Finding(
            ID,
            (*labels[key][0].ids, *labels[key][1].ids),
            f"{labels[key][0].label[:1].upper()}{labels[key][0].label[1:]} stands {round(labels[key][2] / 10)} cm from "
            f"{labels[key][1].label}, its nearest on {labels[key][0].ledge.label}; draw them together.",
            min((share - 1) / FAR, 1.0),
        )
        for key, share in gaps.items()
        if share > 1.3
    )
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 4.0),
        score=score_of(loss),
        loss=loss,
        shown="together" if value <= BAND[1] else f"{value:.1f} widths",
        sentence=f"The loosest thing stands {value:.1f} widths of its neighbour away; up to one reads as together.",
        contributions=tuple(gaps.items()),
        findings=findings,
    )


def _gathered(arrangement: Arrangement) -> Reading | None:
    """Return the reading of a top on which one tray gathers all there is; None where it does not."""
    for stacks in arrangement.stacks.values():
        ids = stacks[0].ids
        if len(stacks) == 1 and len(ids) > 2 and arrangement.by_id[ids[0]].item.category == "tray":
            name = arrangement.by_id[ids[0]].item.label
            said = f"The {name} draws {counted(len(ids) - 1, 'thing')} together."
            return Reading(
                ID, 0.0, BAND, (0.0, 4.0), 1.0, "together", said, tuple((one, 0.0) for one in ids), loss=0.05
            )
    return None


def _groups(arrangement: Arrangement) -> list[tuple[Stack, ...]]:
    groups = []
    for stacks in arrangement.stacks.values():
        if stacks[0].ledge.is_wall:
            continue
        named: dict[str, list[Stack]] = {}
        for stack in stacks:
            if stack.named_vignette:
                named.setdefault(stack.named_vignette, []).append(stack)
        groups += [tuple(group) for group in named.values() if len(group) > 1]
        free = tuple(stack for stack in stacks if not stack.named_vignette)
        if free and _is_one(free[0].ledge) and 2 <= len(free) <= MOST_ON_A_TOP:
            groups.append(free)
    return groups


def _is_one(ledge: Ledge) -> bool:
    """Tell whether what stands on a top is read as one: on what is open above and no long strip."""
    return ledge.clearance is None and not ledge.is_wall and ledge.width <= LONGEST * ledge.depth


def _size(stack: Stack) -> float:
    return max(stack.width, stack.back - stack.front)


def _gap(first: Stack, second: Stack) -> float:
    across = max(second.left - first.right, first.left - second.right, 0.0)
    deep = max(second.front - first.back, first.front - second.back, 0.0)
    return math.hypot(across, deep)
