"""How many: the count of things a ledge bears for its proportions and the fullness, against what stands there."""

import math
from functools import lru_cache

from jolly_ledge.model.arrangement import Arrangement, Column, Standing
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital, counted
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.roles import role_of
from jolly_ledge.model.words import Fullness
from jolly_ledge.readings.frame import frame_height
from jolly_ledge.readings.odd_groups import HOLDS, anchor_share
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.readings.score import ramp, score_of, soft_excess, weighted_mean

ID = "how-many"
BAND = (0.7, 1.3)
"""Things for every thing that is borne; counts are small, so that the band is wide."""

ON_A_SHELF = 3.75
ON_A_TOP: dict[str, float] = {
    "console": 8.5, "mantel": 10.0, "nightstand": 6.0, "coffee-table": 8.0, "dining-table": 5.0, "counter": 10.0,
    "island": 6.0,
}  # fmt: skip
"""Things in *layered* on a shelf and on tops of usual proportions, counted on looks composed by hand."""

ON_ANOTHER_TOP, ON_A_LOWER_SHELF, ROW_COUNTS = 6.0, 2.5, 2
"""A row of books counts as several things."""

LOWER_FOR_ITS_HEIGHT, BY_A_BED_FOR_ITS_HEIGHT = 1.6, 0.95
"""A lower shelf and a bedside top bear as many where they are so wide for the height of the piece; what is needed by
a bed is of one size however small the top, and one basket fills a narrow shelf.
"""

BY_A_BED_POWER = 0.5
"""By a bed the fullnesses lie nearer: the lamp and a book are needed in all, and a place for a glass stays free."""

FULLNESSES: dict[Fullness, float] = {"airy": 0.75, "layered": 1.0, "abundant": 1.3}
"""Practised hands are nearer each other than the words: their airy looks held about three quarters of layered ones."""
SHELF_PROPORTION, TOP_PROPORTIONS = 1.84, {"console": 3.6, "mantel": 8.5, "counter": 3.8, "island": 2.0}
USUAL_PROPORTION, ROUND_SHARE = 1.4, 0.85
LONGER_SHELF, LONGER_TOP = 0.65, 0.4
"""What is longer than usual for its height, or for its depth, bears more by these powers."""

STATEMENT_SHARES = (0.06, 0.14)
"""So near the middle of its ledge, in widths, a single anchor is meant as the one statement; no further than that."""

EYE_LEVEL_MM = (1150.0, 1800.0)
EYE_FADE_MM = 150.0

WHOLE_SHARE, MOST_BARE, WORKTOP_BARE = 0.5, 0.15, 0.4
FREE_BELOW, FREE_ABOVE, SPREAD = 0.3, 0.2, 0.6
"""Counts are small, so that a quarter less and a fifth more is free; half, or twice as many, is plainly noticed."""

ON_A_TRAY, ONE_TOO_MANY = 5, 0.15


@lru_cache(maxsize=1024)
def recommended(piece: Piece, ledge: Ledge, fullness: Fullness) -> float:
    """Return how many things a ledge bears in a fullness; nought for the floor below and for a hearth.

    >>> from jolly_ledge.readings.example import shelves
    >>> piece = shelves()
    >>> round(recommended(piece, piece.ledges[0], "layered"))
    4
    """
    role = role_of(piece, ledge)
    if ledge.is_wall or role in ("floor", "hearth"):
        return 0.0
    if role == "below":
        wider = ledge.width / piece.height / LOWER_FOR_ITS_HEIGHT
        return float(ON_A_LOWER_SHELF * FULLNESSES[fullness] * wider**LONGER_TOP)
    if role == "shelf" or (ledge.clearance is not None and role != "counter"):
        longer = ledge.width / frame_height(ledge) / SHELF_PROPORTION
        return max(float(ON_A_SHELF * FULLNESSES[fullness] * longer**LONGER_SHELF), 1.0)
    if piece.kind == "nightstand":
        wider = ledge.width / piece.height / BY_A_BED_FOR_ITS_HEIGHT
        return float(ON_A_TOP["nightstand"] * FULLNESSES[fullness] ** BY_A_BED_POWER * wider**LONGER_SHELF)
    kind = "island" if role == "island" else piece.kind
    longer = ledge.width / ledge.depth / TOP_PROPORTIONS.get(kind, USUAL_PROPORTION)
    bears = ON_A_TOP.get(kind, ON_ANOTHER_TOP) * (ROUND_SHARE if ledge.shape == "ellipse" else 1.0)
    return float(bears * FULLNESSES[fullness] * longer**LONGER_TOP)


def things_on(standings: tuple[Standing, ...]) -> int:
    """Return how many things a ledge shows; a row of books counts as several, stems with their vessel."""
    return sum(
        ROW_COUNTS if one.item.category == "book-row" else 1
        for one in standings
        if not one.hidden and one.placement.pose != "draped" and one.item.category not in ("stems", "utensils")
    )


def _statement(columns: tuple[Column, ...]) -> float:
    """Return how much of a statement a ledge makes: one thing that holds it alone, in its middle, at eye level."""
    if len(columns) != 1:
        return 0.0
    column, ledge = columns[0], columns[0].ledge
    off = abs((column.left + column.right) / 2 - ledge.left - ledge.width / 2) / ledge.width
    eye = (ledge.floor + column.top) / 2
    at_eye = min(ramp(eye, EYE_LEVEL_MM[0] - EYE_FADE_MM, EYE_LEVEL_MM[0]),
                 ramp(eye, EYE_LEVEL_MM[1] + EYE_FADE_MM, EYE_LEVEL_MM[1]))  # fmt: skip
    return ramp(off, *STATEMENT_SHARES[::-1]) * at_eye * ramp(anchor_share(column), *HOLDS)


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read the things on every ledge in use against what it bears; the value is their ratio over all.

    A tray that holds more than a handful is crowded inside. Left out where nothing stands.
    """
    counts: list[tuple[Ledge, int, float, tuple[str, ...]]] = []
    if not arrangement.columns:
        return None
    for ledge in arrangement.standing_ledges:
        columns = arrangement.columns.get(ledge.id, ())
        wanted = recommended(arrangement.piece, ledge, manner.fullness)
        if wanted:
            standings = arrangement.by_ledge.get(ledge.id, ())
            # One statement is enough; what is half of one is half excused.
            counts.append(
                (ledge, things_on(standings), wanted ** (1 - _statement(columns)), tuple(s.id for s in standings))
            )
    if not counts:
        return None
    value = sum(count for _, count, _, _ in counts) / sum(wanted for _, _, wanted, _ in counts)
    worked = arrangement.piece.kind == "counter"
    each = weighted_mean([(_off(count / wanted, worked), wanted) for _, count, wanted, _ in counts])
    crowded = _crowded_inside(arrangement)
    loss = WHOLE_SHARE * _off(value, worked) + (1 - WHOLE_SHARE) * each + sum(cost for cost, _ in crowded)
    findings = tuple(
        Finding(
            ID,
            ids,
            f"{capital(counted(count, 'thing'))} on {ledge.label}: it bears about "
            f"{counted(round(wanted), 'thing')} in {manner.fullness}; "
            f"{'take some away' if count > wanted else 'bring more'}.",
            min(abs(math.log(max(count, 0.5) / wanted)), 0.8),
            "less" if count > wanted else "more",
        )
        for ledge, count, wanted, ids in counts
        if not BAND[0] - 0.1 <= count / wanted <= BAND[1] + 0.2 and abs(count - wanted) > 1.5
    )
    whole = sum(count for _, count, _, _ in counts)
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 3.0),
        score=score_of(loss),
        shown=f"{whole} of {round(sum(wanted for _, _, wanted, _ in counts))}",
        sentence=f"{capital(counted(whole, 'thing'))} where {manner.fullness} bears about "
        f"{round(sum(wanted for _, _, wanted, _ in counts))} on the ledges in use.",
        contributions=tuple((ids[0], count / wanted) for _, count, wanted, ids in counts if ids),
        findings=(*findings, *(finding for _, finding in crowded)),
        loss=loss,
    )


def _off(ratio: float, is_worked_at: bool = False) -> float:
    """Return what it costs that a count is so many times what is borne: both too few and too many, without an end.

    A worktop may as well be free.
    """
    size = math.log(max(ratio, MOST_BARE))
    few, many = soft_excess(-size, FREE_BELOW, SPREAD), soft_excess(size, FREE_ABOVE, SPREAD)
    return (WORKTOP_BARE if is_worked_at else 1.0) * few + many


def _crowded_inside(arrangement: Arrangement) -> list[tuple[float, Finding]]:
    """Return what trays that hold too many things cost: a tray is one thing outside, and a small scene inside."""
    guests: dict[str, list[Standing]] = {}
    for one in arrangement.visible:
        host = arrangement.by_id.get(one.placement.host or "")
        if host is not None and host.item.category == "tray":
            guests.setdefault(host.id, []).append(one)
    found = []
    for tray, held in guests.items():
        if len(held) > ON_A_TRAY:
            said = (
                f"The {arrangement.by_id[tray].item.label} holds {counted(len(held), 'thing')}; three to five are seen "
                "each for itself."
            )
            ids = (tray, *(one.id for one in held))
            found.append((ONE_TOO_MANY * (len(held) - ON_A_TRAY), Finding(ID, ids, said, 0.4, "less")))
    return found
