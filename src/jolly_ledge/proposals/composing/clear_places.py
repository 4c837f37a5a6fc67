"""Where on a top that is seen from all sides a thing, or a whole group, stands inside the rim and clear of others."""

import math
from collections.abc import Sequence

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.groups.group import Group, Member

RIM_MM, RIM_SHARE = 30.0, 0.04
STEPS_MM = tuple(sorted((float(step) for step in range(-200, 201, 20)), key=lambda step: (abs(step), step)))
"""So far a group is moved, the nearest first."""

INTO_COUNTS = 0.8
"""A step into the depth is seen less than one along."""


def moved_clear(ledge: Ledge, group: Group, others: Sequence[Group]) -> bool:
    """Move a group to the nearest place where it stands clear of others and inside the rim; tell whether there is.

    Parameters
    ----------
    ledge : Ledge
        The top.
    group : Group
        It is moved only where there is such a place.
    others : sequence of Group
        What stands there.
    """
    standing = [member for member in group if member.stands]
    best: tuple[float, float, float] | None = None
    moved_by = 0.0
    for into in STEPS_MM:
        if best is not None and INTO_COUNTS * abs(into) > best[0]:
            break
        group.shift(0.0, into - moved_by)
        moved_by = into
        along = _nearest_in_line(ledge, standing, others, math.inf if best is None else best[0])
        if along is not None:
            best = min(best or (math.inf, 0.0, 0.0), (math.hypot(along, INTO_COUNTS * into), along, into))
    group.shift(best[1] if best else 0.0, (best[2] if best else 0.0) - moved_by)
    return best is not None


def _nearest_in_line(
    ledge: Ledge, standing: Sequence[Member], others: Sequence[Group], within: float
) -> float | None:  # fmt: skip
    """Return by how much things are moved along a top at the depth they have, None where nothing near is clear."""
    stretches = [stretch_inside(ledge, member) for member in standing]
    low = max((stretch[0] - member.x for member, stretch in zip(standing, stretches, strict=True)), default=0.0)
    high = min((stretch[1] - member.x for member, stretch in zip(standing, stretches, strict=True)), default=0.0)
    if low > high:
        return None
    free = [step for step in STEPS_MM if low <= step <= high and abs(step) <= within]
    for member in standing:
        for x, near in (one for other in others for one in other.crowded(member)):
            free = [step for step in free if abs(member.x + step - x) >= near]
            if not free:
                return None
    return free[0] if free else None


def is_inside(ledge: Ledge, member: Member) -> bool:
    """Tell whether a thing stands inside the rim of a top."""
    low, high = stretch_inside(ledge, member)
    return low <= member.x <= high


def stretch_inside(ledge: Ledge, member: Member) -> tuple[float, float]:
    """Return between which points along a top a thing may stand at the depth it has.

    The first lies beyond the second where it may not stand at all.

    Parameters
    ----------
    ledge : Ledge
        The top.
    member : Member
        What stands on it; where it stands along the top does not matter.
    """
    rim = min(RIM_MM, RIM_SHARE * ledge.width)
    if ledge.shape != "ellipse":
        if member.front < rim or member.back > ledge.depth - rim:
            return math.inf, -math.inf
        return rim + member.width / 2, ledge.width - rim - member.width / 2
    z, half, deep = abs(member.z - ledge.depth / 2), ledge.width / 2 - rim, ledge.depth / 2 - rim
    aside = 0.0
    if member.is_circle:
        half, deep = half - member.width / 2, deep - member.depth / 2
    else:
        # Its corners have to be inside.
        z, aside = z + member.depth / 2, member.width / 2
    if min(half, deep) <= 0 or z > deep:
        return math.inf, -math.inf
    reach = half * math.sqrt(1 - (z / deep) ** 2) - aside
    return ledge.width / 2 - reach, ledge.width / 2 + reach
