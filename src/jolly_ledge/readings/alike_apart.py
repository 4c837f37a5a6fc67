"""Alike apart: look-alikes side by side dull each other, far apart they tie a piece together.

NumPy is imported at the first question: the first picture of a window does not wait for it.
"""

from collections.abc import Sequence
from functools import lru_cache
from typing import TYPE_CHECKING

from msgspec import Struct

from jolly_ledge.model.arrangement import Arrangement, Unit
from jolly_ledge.model.colour import family_distance
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital
from jolly_ledge.model.words import BOOK_CATEGORIES, GREENERY, WALL_CATEGORIES
from jolly_ledge.readings.frame import frame_height
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.readings.score import ramp

if TYPE_CHECKING:
    import numpy as np
    from numpy.typing import NDArray

    Floats = NDArray[np.float64]

ID = "alike-apart"
CLOSE_PAIR = 0.75
CATEGORY_PART, COLOUR_PART, FINISH_PART, SHAPE_PART, SIZE_PART = 0.20, 0.30, 0.15, 0.20, 0.15
COLOUR_REACH = 0.22
NEIGHBOUR, FAR = 0.8, 2.8
"""Gaps up to the first are near, from the second on far, in widths of the two (their mean)."""

BOARD_REACH = 0.15
"""The next level lies as far up as the frame is high, and a board of so much of it."""

ABOVE_SHARE = 0.9
ALIKE_FROM = 0.6
SAYS_NOTHING = 0.3
TIED_FROM, CALM = 0.75, 0.5
"""So alike, things are tied to each other by the eye; nearer than calm they compete."""

TWIN = 0.93
TWIN_PENALTY = 1.0
GREEN_PENALTY = 0.3
UNTWINNED_FLANK_SCORE = 0.8
MIRRORED_OFFSET = 0.06
_KIN = (
    BOOK_CATEGORIES,
    GREENERY,
    WALL_CATEGORIES,
    frozenset({"vessel", "bowl", "tableware"}),
    frozenset({"box", "basket"}),
)


@lru_cache(maxsize=65_536)
def likeness(first: Item, second: Item) -> float:
    """Return how alike two things look: 0 nothing in common, 1 twins.

    Category, colour (OKLab), finish, silhouette and size, weighted 20, 30, 15, 20 and 15 parts.
    """
    kin = any(first.category in group and second.category in group for group in _KIN)
    category = 1.0 if first.category == second.category else (0.6 if kin else 0.0)
    colour = 1 - ramp(family_distance(first.main_colour, second.main_colour), 0.0, COLOUR_REACH)
    finish = 1.0 if first.finish == second.finish else 0.0
    shape = 1.0 if first.shape == second.shape else (0.4 if first.is_round and second.is_round else 0.0)
    larger = max(first.width * first.height, second.width * second.height)
    size = min(first.width * first.height, second.width * second.height) / larger
    return (
        CATEGORY_PART * category + COLOUR_PART * colour + FINISH_PART * finish + SHAPE_PART * shape + SIZE_PART * size
    )


@lru_cache(maxsize=32)
def likeness_table(items: tuple[Item, ...]) -> "Floats":
    """Return the likeness of every two of some things, shape (items, items); the diagonal is 0."""
    import numpy as np

    table = np.zeros((len(items), len(items)))
    for row, first in enumerate(items):
        for column in range(row + 1, len(items)):
            table[row, column] = table[column, row] = likeness(first, items[column])
    return table


def nearness_table(units: Sequence[Unit]) -> "Floats":
    """Return how near every two units are to the eye, shape (units, units): 1 touching, 0 far.

    On one ledge by the gap between them seen from above, on neighbouring levels by how much they
    overlap sideways.
    """
    import numpy as np

    left, right = np.array([unit.left for unit in units]), np.array([unit.right for unit in units])
    front, back = np.array([unit.lead.front for unit in units]), np.array([unit.lead.back for unit in units])
    floor = np.array([unit.lead.ledge.floor for unit in units])
    reach = np.array([(1 + BOARD_REACH) * frame_height(unit.lead.ledge) for unit in units])
    ledges: dict[str, int] = {}
    ledge = np.array([ledges.setdefault(unit.lead.ledge.id, len(ledges)) for unit in units])
    gap = np.maximum(left[:, None] - right[None, :], left[None, :] - right[:, None]).clip(min=0.0)
    deep = np.maximum(front[:, None] - back[None, :], front[None, :] - back[:, None]).clip(min=0.0)
    away = np.hypot(gap, deep)
    wide = right - left
    size = (wide[:, None] + wide[None, :]) / 2
    beside = ((FAR - away / size) / (FAR - NEIGHBOUR)).clip(0.0, 1.0)
    rise = floor[:, None] - floor[None, :]
    within = ((rise > 0) & (rise <= reach[None, :])) | ((rise < 0) & (-rise <= reach[:, None]))
    above = np.where(within, ABOVE_SHARE * (1 - gap / (NEIGHBOUR * size)).clip(0.0, 1.0), 0.0)
    return np.where(ledge[:, None] == ledge[None, :], beside, above)


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read likeness × nearness of all pairs of units; no close pair should pass 0.75.

    A twin is dull within one body and welcome once on each side of a flanking pair. Greenery wants
    a shelf between. The value is the strongest close pair.
    """
    # In the order of their ids the table of likeness stays the same while a thing is carried.
    units = sorted(arrangement.units, key=lambda unit: unit.lead.item.id)
    if len(units) < 2:
        return None
    import numpy as np

    items = tuple(unit.lead.item for unit in units)
    alike_all, near_all = likeness_table(items), nearness_table(units)
    green = np.array([item.category in GREENERY for item in items])
    worth = np.triu((alike_all >= ALIKE_FROM) | (green[:, None] & green[None, :]), 1)
    # Pairs that are neither near nor twins say nothing.
    worth &= (alike_all * near_all > SAYS_NOTHING) | (alike_all >= TWIN) | ((near_all > 0.5) & green[:, None] & green)
    penalty, twinned, worst = 0.0, False, 0.0
    findings: list[Finding] = []
    contributions: dict[str, float] = {}
    for row, column in np.argwhere(worth).tolist():
        first, second = units[row], units[column]
        one = items[row]
        alike, near = float(alike_all[row, column]), float(near_all[row, column])
        greens = bool(green[row] and green[column])
        close = alike * near
        flanking = first.lead.ledge.body != second.lead.ledge.body
        if alike >= TWIN and flanking:
            twinned = True
            continue
        if manner.figure == "mirrored" and _mirrors(arrangement, first, second):
            continue
        worst = max(worst, close)
        for unit in (first, second):
            contributions[unit.lead.id] = max(contributions.get(unit.lead.id, 0.0), close)
        if greens and near > 0.5:
            penalty += GREEN_PENALTY + ramp(close, 0.5, 1.0)
            findings.append(_greens(first, second, near))
        elif close > CLOSE_PAIR:
            penalty += ramp(close, 0.5, 1.0)
            findings.append(_pair(first, second, alike, close))
        elif alike >= TWIN and not one.is_book:
            penalty += TWIN_PENALTY * (1 + near) / 2
            findings.append(_twins(first, second))
        else:
            penalty += 0.3 * ramp(close, 0.5, CLOSE_PAIR)
    score = 1 / (1 + penalty)
    bodies = {ledge.body for ledge in arrangement.standing_ledges}
    if len(bodies) > 1 and not twinned:
        score *= UNTWINNED_FLANK_SCORE
    close_pairs = len(findings)
    return Reading(
        id=ID,
        value=worst,
        band=(0.0, CLOSE_PAIR),
        limits=(0.0, 1.0),
        score=score,
        shown="apart" if not close_pairs else f"{close_pairs} pair{'s' if close_pairs > 1 else ''}",
        sentence=_sentence(close_pairs),
        contributions=tuple(contributions.items()),
        findings=tuple(sorted(findings, key=lambda finding: -finding.gravity)),
    )


def _sentence(close_pairs: int) -> str:
    if not close_pairs:
        return "No look-alikes stand near each other."
    found = "pair of look-alikes is" if close_pairs == 1 else "pairs of look-alikes are"
    return f"{close_pairs} {found} too near or too plainly twins."


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
    import numpy as np

    units = sorted(arrangement.units, key=lambda unit: unit.lead.item.id)
    if len(units) < 2:
        return ()
    alike, near = likeness_table(tuple(unit.lead.item for unit in units)), nearness_table(units)
    ties = [
        Tie(units[row], units[column], float(alike[row, column]), float(alike[row, column] * near[row, column]) > CALM)
        for row, column in np.argwhere(np.triu(alike >= TIED_FROM, 1)).tolist()
    ]
    return tuple(sorted(ties, key=lambda tie: (-tie.alike, tie.first.lead.id)))
