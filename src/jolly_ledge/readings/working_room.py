"""Working room: free edge with depth enough for what the piece is used for, and how much must be moved first."""

from jolly_ledge.model.arrangement import Arrangement, Column
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import percent
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import TABLE_KINDS
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.readings.score import ramp

ID = "working-room"
WANTED: dict[str, float] = {
    "eating": 0.7, "games": 0.65, "tea": 0.5, "working": 0.6, "cooking": 0.5, "reading": 0.4, "sleeping": 0.4,
    "keys": 0.3, "coffee": 0.5,
}  # fmt: skip
"""Free share of the edges that a use wants."""

DEPTH_MM, DEPTH_SHARE = 320.0, 0.34
"""A place setting is so deep; on a low table it may be a third of the top."""

SPAN_MM = 350.0
"""Shorter stretches of free edge serve nobody."""

MANY = 9
MOVING_SHARE = 0.2


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read which share of the edges of the main top is free to a useful depth.

    Left out for pieces without a told use that needs room. The largest free rectangle alone would mislead:
    it rewards a thing in every corner.
    """
    wanted = max((WANTED[use] for use in arrangement.piece.use if use in WANTED), default=0.0)
    tops = [ledge for ledge in arrangement.standing_ledges if ledge.id in arrangement.columns]
    if not wanted or not tops:
        return None
    top = max(tops, key=lambda ledge: ledge.floor)
    columns = arrangement.columns[top.id]
    table = arrangement.piece.kind in TABLE_KINDS or arrangement.piece.viewed_from == "around"
    free, whole = _free_edges(top, columns, all_round=table)
    value = free / whole
    room = ramp(value, 0.0, wanted)
    moving = 1 - ramp(len(columns), 3, MANY)
    score = (1 - MOVING_SHARE) * room + MOVING_SHARE * moving
    findings: tuple[Finding, ...] = ()
    if room < 0.9:
        findings = (
            Finding(
                ID,
                tuple(identifier for column in columns for identifier in column.ids),
                f"Only {percent(value)} of the edge of {top.label} is free to work at, {percent(wanted)} is wanted; "
                "draw the things together or toward the back.",
                1 - room,
            ),
        )
    return Reading(
        id=ID,
        value=value,
        band=(wanted, 1.0),
        limits=(0.0, 1.0),
        score=score,
        shown=percent(value),
        sentence=f"{percent(value)} of the edge is free; {', '.join(arrangement.piece.use)} wants {percent(wanted)}.",
        contributions=tuple((column.ids[0], column.width / whole) for column in columns),
        findings=findings,
    )


def _free_edges(top: Ledge, columns: tuple[Column, ...], *, all_round: bool) -> tuple[float, float]:
    """Return the free and the whole length of the edges that count (mm)."""
    deep, wide = min(DEPTH_MM, DEPTH_SHARE * top.depth), min(DEPTH_MM, DEPTH_SHARE * top.width)
    across = [(column.left - top.left, column.right - top.left, column.front, column.back) for column in columns]
    edges = [(top.width, [(left, right) for left, right, front, _ in across if front < deep])]
    if all_round:
        edges += [
            (top.width, [(left, right) for left, right, _, back in across if back > top.depth - deep]),
            (top.depth, [(front, back) for left, _, front, back in across if left < wide]),
            (top.depth, [(front, back) for _, right, front, back in across if right > top.width - wide]),
        ]
    return sum(_free(length, taken) for length, taken in edges), sum(length for length, _ in edges)


def _free(length: float, taken: list[tuple[float, float]]) -> float:
    """Return how much of an edge is free in useful stretches.

    >>> _free(1000.0, [(400.0, 500.0)]), _free(1000.0, [(300.0, 700.0)])
    (900.0, 0.0)
    """
    at = free = 0.0
    for start, end in sorted(taken):
        if start - at >= SPAN_MM:
            free += start - at
        at = max(at, end)
    return free + (length - at if length - at >= SPAN_MM else 0.0)
