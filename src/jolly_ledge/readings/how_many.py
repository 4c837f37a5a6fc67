"""How many: the count of things a ledge bears for its proportions and the fullness, against what stands there."""

import math

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem, Stack
from jolly_ledge.measures.anchors import HOLDS, anchor_share
from jolly_ledge.measures.counts import recommended, things_on
from jolly_ledge.measures.score import ramp, score_of, soft_excess, weighted_mean
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital, counted
from jolly_ledge.model.piece import Ledge
from jolly_ledge.readings.reading import Finding, Reading

ID = "how-many"
BAND = (0.7, 1.3)
"""Things for every thing that is borne; counts are small, so that the band is wide."""

STATEMENT_SHARES = (0.06, 0.14)
"""So near the middle of its ledge, in widths, a single anchor is meant as the one statement; no further than that."""

EYE_LEVEL_MM = (1150.0, 1800.0)
EYE_FADE_MM = 150.0

WHOLE_SHARE, MOST_BARE, WORKTOP_BARE = 0.5, 0.15, 0.4
FREE_BELOW, FREE_ABOVE, SPREAD = 0.3, 0.2, 0.6
"""Counts are small, so that a quarter less and a fifth more is free; half, or twice as many, is plainly noticed."""

ON_A_TRAY, ONE_TOO_MANY = 5, 0.15


def _statement(stacks: tuple[Stack, ...]) -> float:
    """Return how much of a statement a ledge makes: one thing that holds it alone, in its middle, at eye level."""
    if len(stacks) != 1:
        return 0.0
    stack, ledge = stacks[0], stacks[0].ledge
    off = abs((stack.left + stack.right) / 2 - ledge.left - ledge.width / 2) / ledge.width
    eye = (ledge.floor + stack.top) / 2
    at_eye = min(ramp(eye, EYE_LEVEL_MM[0] - EYE_FADE_MM, EYE_LEVEL_MM[0]),
                 ramp(eye, EYE_LEVEL_MM[1] + EYE_FADE_MM, EYE_LEVEL_MM[1]))  # fmt: skip
    return ramp(off, *STATEMENT_SHARES[::-1]) * at_eye * ramp(anchor_share(stack), *HOLDS)


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read the things on every ledge in use against what it bears; the value is their ratio over all.

    A tray that holds more than a handful is crowded inside. Left out where nothing stands.
    """
    counts: list[tuple[Ledge, int, float, tuple[str, ...]]] = []
    if not arrangement.stacks:
        return None
    for ledge in arrangement.standing_ledges:
        stacks = arrangement.stacks.get(ledge.id, ())
        wanted = recommended(arrangement.piece, ledge, manner.fullness)
        if wanted:
            placed_items = arrangement.by_ledge.get(ledge.id, ())
            # One statement is enough; what is half of one is half excused.
            bears = wanted ** (1 - _statement(stacks)) if wanted > 1 else wanted
            counts.append((ledge, things_on(placed_items), bears, tuple(one.id for one in placed_items)))
    if not counts:
        return None
    value = sum(count for _, count, _, _ in counts) / sum(wanted for _, _, wanted, _ in counts)
    worked = kind_of(arrangement.piece).is_a_worktop
    each = weighted_mean([(_off(count / wanted, worked), wanted) for _, count, wanted, _ in counts])
    crowded = _crowded_inside(arrangement) + _on_rests(arrangement)
    loss = WHOLE_SHARE * _off(value, worked) + (1 - WHOLE_SHARE) * each + sum(cost for cost, _ in crowded)
    findings = tuple(
        Finding(
            ID,
            ids,
            f"{capital(counted(count, 'thing'))} on {ledge.label}: it bears about "
            f"{counted(round(wanted), 'thing')} {_why(ledge, manner)}; "
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


def _why(ledge: Ledge, manner: Manner) -> str:
    """Return why a ledge bears so many."""
    if ledge.meant.wanted is not None:
        return "as it is meant"
    return f"in {ledge.meant.fullness or manner.fullness}"


def _off(ratio: float, is_worked_at: bool = False) -> float:
    """Return what it costs that a count is so many times what is borne: both too few and too many, without an end.

    A worktop may as well be free.
    """
    size = math.log(max(ratio, MOST_BARE))
    few, many = soft_excess(-size, FREE_BELOW, SPREAD), soft_excess(size, FREE_ABOVE, SPREAD)
    return (WORKTOP_BARE if is_worked_at else 1.0) * few + many


def _on_rests(arrangement: Arrangement) -> list[tuple[float, Finding]]:
    """Return what it costs that things stand where the eye is meant to rest."""
    found = []
    for ledge in arrangement.standing_ledges:
        things = arrangement.by_ledge.get(ledge.id, ())
        if ledge.meant.purpose == "rest" and things:
            stand = "stands" if len(things) == 1 else "stand"
            said = (
                f"{capital(ledge.label)} is meant as a rest for the eye, and {counted(len(things), 'thing')} {stand} "
                "on it; take away what stands there, or mean it otherwise."
            )
            ids = tuple(one.id for one in things)
            found.append((ONE_TOO_MANY * len(things), Finding(ID, ids, said, 0.7, "less")))
    return found


def _crowded_inside(arrangement: Arrangement) -> list[tuple[float, Finding]]:
    """Return what trays that hold too many things cost: a tray is one thing outside, and a small scene inside."""
    guests: dict[str, list[PlacedItem]] = {}
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
