"""Alike apart: look-alikes side by side dull each other, far apart they tie a piece together."""

import math
from functools import lru_cache

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, Unit
from jolly_ledge.geometry.kept import kept
from jolly_ledge.measures.frame import frame_height
from jolly_ledge.measures.likeness import likeness
from jolly_ledge.measures.score import ramp, score_of
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital, counted
from jolly_ledge.model.words import GREENERY
from jolly_ledge.readings.reading import Finding, Reading

ID = "alike-apart"
CLOSE_PAIR = 0.75
NEIGHBOUR, FAR = 0.8, 2.8
"""Gaps up to the first are near, from the second on far, in widths of the two (their mean)."""

BOARD_REACH = 0.15
"""The next level lies as far up as the frame is high, and a board of so much of it."""

ABOVE_SHARE = 0.9
ALIKE_FROM, RELATED_FROM = 0.6, 0.5
SAYS_NOTHING = 0.3
TIED_FROM, CALM = 0.75, 0.5
"""So alike, things are tied to each other by the eye; nearer than calm they compete."""

TWIN = 0.93
TWIN_PENALTY = 1.0
GREEN_PENALTY, GREENS_COST = 0.3, 0.2
UNTWINNED_COST, FARTHER_COST = 0.25, 0.08
MIRRORED_OFFSET = 0.06
GRADED_HEIGHTS, ROWS_ALIKE = 0.12, 0.3

Kin = tuple[int, int, float]
"""The places of two things in a row of things, and how alike they are."""


@lru_cache(maxsize=32)
def kin_among(items: tuple[Item, ...]) -> tuple[Kin, ...]:
    """Return the pairs that are alike enough to say something, and all pairs of greenery.

    Costs the square of the count once; while a thing is carried the same things are asked for again and again.
    """
    return tuple(
        (row, stack, alike)
        for row, first in enumerate(items)
        for stack in range(row + 1, len(items))
        if (alike := likeness(first, items[stack])) >= ALIKE_FROM
        or (first.category in GREENERY and items[stack].category in GREENERY)
    )


@lru_cache(maxsize=32)
def related_among(items: tuple[Item, ...]) -> tuple[Kin, ...]:
    """Return the pairs that are at all alike, members of a set apart, the likest first."""
    found = [
        (row, stack, alike)
        for row, first in enumerate(items)
        for stack in range(row + 1, len(items))
        if not (first.set and first.set == items[stack].set)
        and (alike := likeness(first, items[stack])) >= RELATED_FROM
    ]
    return tuple(sorted(found, key=lambda kin: -kin[2]))


@lru_cache(maxsize=4096)
def nearness(first: Unit, second: Unit) -> float:
    """Return how near two units are to the eye: 1 touching, 0 far.

    On one ledge by the gap between them seen from above, in widths of the two (their mean); on neighbouring
    levels by how much they overlap sideways.
    """
    one, two = first.lead, second.lead
    gap = max(first.left - second.right, second.left - first.right, 0.0)
    size = (first.right - first.left + second.right - second.left) / 2
    if one.ledge.id == two.ledge.id:
        deep = max(one.front - two.back, two.front - one.back, 0.0)
        return ramp(math.hypot(gap, deep) / size, FAR, NEIGHBOUR)
    low, high = sorted((one.ledge, two.ledge), key=lambda ledge: ledge.floor)
    rise = high.floor - low.floor
    if not 0 < rise <= (1 + BOARD_REACH) * frame_height(low):
        return 0.0
    return ABOVE_SHARE * ramp(gap / size, NEIGHBOUR, 0.0)


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read likeness × nearness of all pairs of units; no close pair should pass 0.75.

    A twin is dull within one body and welcome once on each side of a flanking pair. Greenery wants
    a shelf between. The value is the strongest close pair.

    >>> from jolly_ledge.readings.example import look_of, shelves, stand
    >>> look = look_of(shelves(), stand(200, 100, 200), stand(300, 100, 200))
    >>> round(read(look, look.manner).value, 3)  # twins that touch
    1.0
    """
    units = _in_order(arrangement)
    if len(units) < 2:
        return None
    items = tuple(unit.lead.item for unit in units)
    penalty, twinned, worst = 0.0, False, 0.0
    findings: list[Finding] = []
    contributions: dict[str, float] = {}
    for row, stack, alike in kin_among(items):
        first, second = units[row], units[stack]
        one = items[row]
        if one.goes_with(items[stack]) and first.lead.ledge.id == second.lead.ledge.id:
            continue
        near = nearness(first, second)
        greens = one.category in GREENERY and items[stack].category in GREENERY
        # Pairs that are neither near nor twins say nothing by themselves.
        if alike * near <= SAYS_NOTHING and alike < TWIN and not (greens and near > 0.5):
            continue
        close = alike * near
        flanking = first.lead.ledge.body != second.lead.ledge.body
        if alike >= TWIN and flanking:
            twinned = True
            continue
        if (manner.figure == "mirrored" and _mirrors(arrangement, first, second)) or _are_graded(first, second):
            continue
        worst = max(worst, close)
        for unit in (first, second):
            contributions[unit.lead.id] = max(contributions.get(unit.lead.id, 0.0), close)
        if greens and near > 0.5:
            penalty += GREEN_PENALTY + ramp(close, 0.5, 1.0)
            findings.append(_greens(first, second, near))
        elif close > CLOSE_PAIR and one.category == items[stack].category == "book-row":
            # Books of one library are alike; a row over a row is nothing to carry away.
            penalty += ROWS_ALIKE * ramp(close, 0.5, 1.0)
        elif close > CLOSE_PAIR:
            penalty += ramp(close, 0.5, 1.0)
            findings.append(_pair(first, second, alike, close))
        elif alike >= TWIN and not one.is_book:
            penalty += TWIN_PENALTY * (1 + near) / 2
            findings.append(_twins(first, second))
        else:
            penalty += 0.3 * ramp(close, 0.5, CLOSE_PAIR)
    penalty += GREENS_COST * _greens_on_one_ledge(arrangement)
    bodies = {ledge.body for ledge in arrangement.standing_ledges}
    loss = penalty + UNTWINNED_COST * (len(bodies) > 1 and not twinned)
    closest = _closest(units, items)
    loss += FARTHER_COST * max(closest.values(), default=0.0)
    contributions = closest | contributions
    close_pairs = len(findings)
    return Reading(
        id=ID,
        value=worst,
        band=(0.0, CLOSE_PAIR),
        limits=(0.0, 1.0),
        score=score_of(loss),
        loss=loss,
        shown="apart" if not close_pairs else f"{close_pairs} pair{'s' if close_pairs > 1 else ''}",
        sentence=_sentence(close_pairs),
        contributions=tuple(contributions.items()),
        findings=tuple(sorted(findings, key=lambda finding: -finding.gravity)),
    )


def _closest(units: tuple[Unit, ...], items: tuple[Item, ...]) -> dict[str, float]:
    """Return the two that are likest and nearest, members of a set apart, with how much; empty where none are alike."""
    best, pair = 0.0, ("", "")
    for row, stack, alike in related_among(items):
        if alike <= best:
            # Nearer than touching is nobody: what is less alike cannot be closer.
            break
        close = alike * _closeness(units[row], units[stack])
        if close > best:
            best, pair = close, (units[row].lead.id, units[stack].lead.id)
    return dict.fromkeys(pair, best) if best else {}


def _closeness(first: Unit, second: Unit) -> float:
    """Return how close two units are anywhere on a piece, 1 beside each other and less and less without an end."""
    one, two = first.lead, second.lead
    along = max(first.left - second.right, second.left - first.right, 0.0)
    up = max(first.bottom - second.top, second.bottom - first.top, 0.0)
    size = max((one.width + two.width + one.height + two.height) / 4, 1.0)
    return 1 / (1 + math.hypot(along, up) / (2 * size))


@kept
def _in_order(arrangement: Arrangement) -> tuple[Unit, ...]:
    """Return the units by the ids of their things: so the table of likeness stays the same while a thing is carried."""
    return tuple(sorted(arrangement.units, key=lambda unit: unit.lead.item.id))


def _greens_on_one_ledge(arrangement: Arrangement) -> int:
    """Return how many green things stand on a shelf of a case beside another one: greenery wants shelves apart."""
    return sum(
        max(sum(one.item.category == "plant" and one.depth_order == 0 for one in placed_items) - 1, 0)
        for identifier, placed_items in arrangement.by_ledge.items()
        if arrangement.piece.ledge(identifier).clearance is not None
    )


def _sentence(close_pairs: int) -> str:
    if not close_pairs:
        return "No look-alikes stand near each other."
    found = counted(close_pairs, "pair of look-alikes is", "pairs of look-alikes are")
    return f"{capital(found)} too near or too plainly twins."


def _are_graded(first: Unit, second: Unit) -> bool:
    """Tell whether two candlesticks of one ledge are of two heights: they are meant as a cluster."""
    one, two = first.lead, second.lead
    if one.item.category != "candle" or two.item.category != "candle" or one.ledge.id != two.ledge.id:
        return False
    return abs(one.height - two.height) >= GRADED_HEIGHTS * max(one.height, two.height)


def _mirrors(arrangement: Arrangement, first: Unit, second: Unit) -> bool:
    middle = arrangement.piece.width / 2
    offset = (first.left + first.right + second.left + second.right) / 4 - middle
    return first.lead.ledge.id == second.lead.ledge.id and abs(offset) <= MIRRORED_OFFSET * arrangement.piece.width


def _where(first: Unit, second: Unit) -> str:
    if first.lead.ledge.id == second.lead.ledge.id:
        return f"beside each other on {first.lead.ledge.label}"
    return f"one above the other on {first.lead.ledge.label} and {second.lead.ledge.label}"


def _pair(first: Unit, second: Unit, alike: float, close: float) -> Finding:
    return Finding(
        ID,
        (*first.ids, *second.ids),
        f"{capital(first.label)} and {second.label} are look-alikes ({round(alike * 100)} % alike) "
        f"{_where(first, second)}; "
        "carry one to another level and side.",
        close,
    )


def _greens(first: Unit, second: Unit, near: float) -> Finding:
    return Finding(
        ID,
        (*first.ids, *second.ids),
        f"{capital(first.label)} and {second.label} are greenery {_where(first, second)}; leave a shelf between them.",
        0.4 + 0.3 * near,
    )


def _twins(first: Unit, second: Unit) -> Finding:
    return Finding(
        ID,
        (*first.ids, *second.ids),
        f"{capital(first.label)} and {second.label} are twins within one piece; one of them would say more alone.",
        0.4,
    )


class Tie(Struct, frozen=True):
    """Two units that look alike: how alike, and whether they compete (near) or tie the piece together (far)."""

    first: Unit
    second: Unit
    alike: float
    competes: bool


def ties_of(arrangement: Arrangement) -> tuple[Tie, ...]:
    """Return the pairs of look-alikes, the most alike first."""
    units = _in_order(arrangement)
    ties = [
        Tie(units[row], units[stack], alike, alike * nearness(units[row], units[stack]) > CALM)
        for row, stack, alike in kin_among(tuple(unit.lead.item for unit in units))
        if alike >= TIED_FROM
    ]
    return tuple(sorted(ties, key=lambda tie: (-tie.alike, tie.first.lead.id)))
