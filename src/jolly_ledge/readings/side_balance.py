"""Side balance: the moment of visual weight about the upright axis."""

from collections.abc import Mapping
from types import MappingProxyType

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.kept import kept
from jolly_ledge.measures.score import ramp, score_of, soft_excess
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import listed
from jolly_ledge.model.roles import role_of
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.scene.marks import marks_of

ID = "side-balance"
TAIL_COST, OFF_COST, RIM_COST, FREE_RIM = 0.4, 2.0, 0.1, 0.06
"""On a table groups are drawn to the middle and off the rim."""

WORKTOP_SHARE = 0.4
BAND = (-0.06, 0.06)
FAIR = 0.12
LIMIT = 0.5
FAIR_SCORE = 0.75


def _off_the_middle(arrangement: Arrangement) -> float:
    """Return how far what stands on tables is off their middle, and over their rim; nought elsewhere."""
    cost, tops = 0.0, 0
    for identifier, stacks in arrangement.stacks.items():
        ledge = arrangement.piece.ledge(identifier)
        if role_of(arrangement.piece, ledge) in ("table", "island"):
            tops += 1
            wide = sum(stack.width for stack in stacks)
            along = sum((stack.left + stack.right) / 2 * stack.width for stack in stacks) / wide - ledge.left
            deep = sum((stack.front + stack.back) / 2 * stack.width for stack in stacks) / wide
            rim = min(min(c.left - ledge.left, ledge.right - c.right, c.front, ledge.depth - c.back) for c in stacks)
            cost += abs(along / ledge.width - 0.5) + abs(deep / ledge.depth - 0.5)
            cost += RIM_COST * soft_excess(-rim / ledge.depth, -FREE_RIM, FREE_RIM)
    return cost / tops if tops else 0.0


@kept
def moment(arrangement: Arrangement) -> tuple[float, Mapping[str, float]]:
    """Return the balance point as a share of the half width (left is below 0) and each placement's part.

    The sum of weight × distance from the axis, over the whole weight × half the width.
    """
    marks = marks_of(arrangement)
    whole = sum(mark.weight for mark in marks)
    half = arrangement.piece.width / 2
    if whole <= 0:
        return 0.0, MappingProxyType({})
    parts = {mark.id: mark.weight * (mark.placed.x - half) / (whole * half) for mark in marks}
    return sum(parts.values()), MappingProxyType(parts)


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read how far the visual weight lies to one side: ±0.06 is level, ±0.12 fair.

    >>> from jolly_ledge.readings.example import look_of, shelves, stand
    >>> look = look_of(shelves(), stand(600, 100, 200))
    >>> round(read(look, look.manner).value, 3)  # its middle lies 200 of the half width of 400 mm to the right
    0.5
    """
    if not arrangement.visible:
        return None
    value, parts = moment(arrangement)
    size = abs(value)
    if size <= BAND[1]:
        score = 1.0
    elif size <= FAIR:
        score = 1 - (1 - FAIR_SCORE) * ramp(size, BAND[1], FAIR)
    else:
        score = FAIR_SCORE * ramp(size, LIMIT + 0.15, FAIR)
    loss = 1 - score + TAIL_COST * soft_excess(size, FAIR, LIMIT) + OFF_COST * _off_the_middle(arrangement)
    # A worktop is filled from its use: what is for working stays free, on whichever side.
    loss *= WORKTOP_SHARE if kind_of(arrangement.piece).is_a_worktop else 1.0
    side = "left" if value < 0 else "right"
    shown = "level" if size <= BAND[1] else f"{round(size * 100)} % {side}"
    findings: tuple[Finding, ...] = ()
    if size > FAIR:
        heavy = sorted(parts, key=lambda identifier: parts[identifier], reverse=value > 0)[:2]
        names = listed([f"the {arrangement.by_id[identifier].item.label}" for identifier in heavy])
        findings = (
            Finding(
                ID,
                tuple(heavy),
                f"The whole leans {round(size * 100)} % to the {side}, mostly by {names}; "
                f"move weight to the {'right' if value < 0 else 'left'} or bring some there.",
                min(size / LIMIT, 1.0),
            ),
        )
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(-LIMIT, LIMIT),
        score=score_of(loss),
        loss=loss,
        shown=shown,
        sentence=(
            "Left and right weigh the same to the eye."
            if size <= BAND[1]
            else f"The balance point lies {round(size * 100)} % of the half width to the {side}; 12 % is still fair."
        ),
        contributions=tuple(parts.items()),
        findings=findings,
    )
