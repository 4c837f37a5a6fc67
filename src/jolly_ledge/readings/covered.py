"""Covered: whether everything of a group is still seen."""

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.measures.score import mean, score_of, soft_excess
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital, percent
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.scene.marks import marks_of

ID = "covered"
BAND = (0.0, 0.4)
FREE, SPREAD = 0.25, 0.35
"""Up to so much may be behind another; over this stretch beyond it is plainly noticed."""

WORST_SHARE, ALL_SHARE, IN_SIGHT_COST = 0.5, 1.5, 0.25
TOLD_FROM = 0.5
BEARS_COVER = frozenset({"tray", "board"})
"""What gathers and what backs others is meant to be half covered."""


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read how much of each thing those before it hide; the most hidden one keeps over six tenths in sight.

    Fixed bars before a thing cut it. What hangs and what leans counts as well, and so do mirrors and pictures of the
    stash; trays and boards are meant to be half covered. The value is the share of the most hidden one.

    >>> from jolly_ledge.readings.example import look_of, shelves, stand
    >>> look = look_of(shelves(), stand(400, 100, 200, z=250), stand(420, 80, 180, z=60))
    >>> 0.5 < read(look, look.manner).value < 0.8
    True
    """
    found = [
        (mark.placed, 1 - mark.in_sight) for mark in marks_of(arrangement) if mark.item.category not in BEARS_COVER
    ]
    if not found or (len(found) < 2 and found[0][1] <= 0):
        return None
    worst, value = max(found, key=lambda one: one[1])
    excess = [soft_excess(share, FREE, SPREAD) for _, share in found]
    loss = WORST_SHARE * max(excess) + ALL_SHARE * mean([one**2 for one in excess])
    loss += IN_SIGHT_COST * mean([share for _, share in found])
    findings = tuple(
        Finding(
            ID,
            (placed.id,),
            f"{capital(f'the {placed.item.label}')} is hidden by {percent(share)} on {placed.ledge.label}; move it "
            "aside or raise it, so that it is seen.",
            min(share, 1.0),
        )
        for placed, share in sorted(found, key=lambda one: -one[1])
        if share > TOLD_FROM
    )
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 1.0),
        score=score_of(loss),
        shown=percent(value),
        sentence=f"The most hidden thing, the {worst.item.label}, is hidden by {percent(value)}; up to 40 % may be.",
        contributions=tuple((placed.id, share) for placed, share in found),
        findings=findings,
        loss=loss,
    )
