"""How many: the count of units a ledge bears for its width and the fullness, against what stands there."""

import math

from jolly_ledge.model.arrangement import Arrangement, Column
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital, counted
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import TABLE_KINDS, Fullness
from jolly_ledge.readings.frame import frame_height
from jolly_ledge.readings.odd_groups import HOLDS, anchor_share
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.readings.score import evidence_of, in_band, ramp, weighted_mean

ID = "how-many"
BAND = (0.7, 1.5)
"""Units for every unit that is recommended; counts are small, so that the band is wide."""

UNIT_SHARES: dict[Fullness, float] = {"airy": 0.70, "layered": 0.44, "abundant": 0.30}
"""Length of ledge for one unit with its share of rest, in heights of the frame; overlap is taken off."""

TABLE_UNITS: dict[Fullness, float] = {"airy": 2.5, "layered": 4.0, "abundant": 6.5}
"""Units for a square top; a longer one bears more by the root of its length over its depth."""

STATEMENT_SHARES = (0.06, 0.14)
"""So near the middle of its ledge, in widths, a single anchor is meant as the one statement; no further than that."""

EYE_LEVEL_MM = (1150.0, 1800.0)
EYE_FADE_MM = 150.0

BELOW, ABOVE = 0.5, 1.2


def recommended(ledge: Ledge, fullness: Fullness, *, table: bool = False) -> float:
    """Return how many units a ledge bears in a fullness.

    >>> round(recommended(Ledge(id="a", left=0, floor=0, width=700, depth=300, clearance=400), "layered"))
    4
    """
    if table:
        return TABLE_UNITS[fullness] * math.sqrt(max(ledge.width / ledge.depth, 1.0))
    return max(ledge.width / (UNIT_SHARES[fullness] * frame_height(ledge)), 1.0)


def _statement(columns: tuple[Column, ...]) -> float:
    """Return how much of a statement a ledge makes: one thing that holds it alone, in its middle, at eye level."""
    column, ledge = columns[0], columns[0].ledge
    if len(columns) > 1:
        return 0.0
    off = abs((column.left + column.right) / 2 - ledge.left - ledge.width / 2) / ledge.width
    eye = (ledge.floor + column.top) / 2
    at_eye = min(ramp(eye, EYE_LEVEL_MM[0] - EYE_FADE_MM, EYE_LEVEL_MM[0]),
                 ramp(eye, EYE_LEVEL_MM[1] + EYE_FADE_MM, EYE_LEVEL_MM[1]))  # fmt: skip
    return ramp(off, *STATEMENT_SHARES[::-1]) * at_eye * ramp(anchor_share(column), *HOLDS)


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read the units of every ledge in use against what its width bears; the value is their ratio over all.

    Left out where nothing stands.
    """
    table = arrangement.piece.kind in TABLE_KINDS
    counts: list[tuple[Ledge, int, float, tuple[str, ...]]] = []
    for columns in arrangement.columns.values():
        ledge = columns[0].ledge
        if not ledge.is_wall:
            units = [unit for column in columns for unit in column.units]
            ids = tuple(identifier for unit in units for identifier in unit.ids)
            wanted = recommended(ledge, manner.fullness, table=table)
            # One statement is enough; what is half of one is half excused.
            counts.append((ledge, len(units), wanted ** (1 - _statement(columns)), ids))
    if not counts:
        return None
    value = sum(count for _, count, _, _ in counts) / sum(wanted for _, _, wanted, _ in counts)
    score = weighted_mean([(in_band(count / wanted, BAND, BELOW, ABOVE), wanted) for _, count, wanted, _ in counts])
    findings = tuple(
        Finding(
            ID,
            ids,
            f"{capital(counted(count, 'thing'))} on {ledge.label}: its width bears about "
            f"{counted(round(wanted), 'thing')} in {manner.fullness}; "
            f"{'take some away' if count > wanted else 'bring more'}.",
            min(abs(count / wanted - 1) / 2, 0.8),
            "less" if count > wanted else "more",
        )
        for ledge, count, wanted, ids in counts
        if not BAND[0] - 0.1 <= count / wanted <= BAND[1] + 0.4 and abs(count - wanted) > 1.5
    )
    whole = sum(count for _, count, _, _ in counts)
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 3.0),
        score=score,
        shown=f"{whole} of {round(sum(wanted for _, _, wanted, _ in counts))}",
        sentence=f"{capital(counted(whole, 'thing'))} where {manner.fullness} bears about "
        f"{round(sum(wanted for _, _, wanted, _ in counts))} on the ledges in use.",
        contributions=tuple((ids[0], count / wanted) for _, count, wanted, ids in counts),
        findings=findings,
        evidence=evidence_of(len(counts), 4),
    )
