"""How what is seen from all sides is liked: a low table shows enough in few groups, one eats round one centrepiece."""

from collections.abc import Sequence
from itertools import pairwise

from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import BOOK_CATEGORIES, Fullness
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.stock import Stock

ONE_STACK = 0.8
"""A second stack of books on a low table says the same once more."""

GATHERED = 1.0
"""A tray gathers what is small."""

TALLEST_ON_A_TABLE, OFF_THE_CENTRE = 0.52, 0.8
LITTLE_ON_A_TABLE = 8.0
SEEN_ON_A_TABLE: dict[Fullness, float] = {"airy": 0.36, "layered": 0.42, "abundant": 0.5}
FOOT_OF_A_TABLE: dict[Fullness, float] = {"airy": 0.17, "layered": 0.24, "abundant": 0.28}
CENTREPIECE_GAP, APART_AT_A_MEAL, OFF_THE_MIDDLE = 0.04, 15.0, 6.0
"""A gap of up to so much of the width keeps a centrepiece together; what more costs, and a middle off the table's."""


def share_seen(stock: Stock, ledge: Ledge, groups: Sequence[Group]) -> float:
    """Return which share of the face over a ledge its things cover, leaves and what stands before apart."""
    seen = sum(
        member.width * member.height * (0.75 if member.thing.green else 0.9) for group in groups for member in group
    )
    return seen / (ledge.width * stock.frame(ledge))


def on_a_low_table(stock: Stock, ledge: Ledge, groups: Sequence[Group]) -> float:
    """Return how a low table is liked: how much it shows, its height, books, a tray, something green."""
    fullness, members = stock.fullness(ledge), [member for group in groups for member in group]
    foot = sum(member.width * member.depth for member in members if member.stands) / (ledge.width * ledge.depth)
    least = FOOT_OF_A_TABLE[fullness]
    little = max(SEEN_ON_A_TABLE[fullness] - share_seen(stock, ledge, groups), 0.0)
    kinds = {member.thing.category for member in members}
    tallest = max(group.height for group in groups) / stock.frame(ledge)
    liked = -LITTLE_ON_A_TABLE * little - 3.0 * max(least - foot, 0.0) - 3.0 * max(foot - 1.7 * least, 0.0)
    liked += 0.4 * bool(kinds & {"plant", "stems"}) + 0.6 * ("stems" in kinds)
    liked += GATHERED * ("tray" in kinds) + 0.3 * bool(kinds & BOOK_CATEGORIES) + 0.2 * bool(kinds & {"bowl", "box"})
    liked += 0.5 * (len(groups) == (2 if fullness == "airy" else 3))
    stacks = sum(member.stands and member.thing.category in BOOK_CATEGORIES for member in members)
    liked -= ONE_STACK * max(stacks - 1, 0)
    solid = max((member.height for member in members if member.stands), default=0.0) / stock.frame(ledge)
    liked -= 2.5 * max(solid - TALLEST_ON_A_TABLE, 0.0)
    return liked - 0.8 * max(tallest - 1.05, 0.0) - 1.5 * max(0.55 - tallest, 0.0)


def strewn(ledge: Ledge, groups: Sequence[Group]) -> float:
    """Return the cost of what is not one centrepiece on a table at which one eats."""
    ordered = sorted(groups, key=lambda group: group.left)
    apart = sum(max(other.left - one.right - CENTREPIECE_GAP * ledge.width, 0.0) for one, other in pairwise(ordered))
    middle = (ordered[0].left + max(group.right for group in ordered)) / 2 / ledge.width
    cost = APART_AT_A_MEAL * apart / ledge.width + OFF_THE_MIDDLE * max(abs(middle - 0.5) - 0.03, 0.0)
    return cost + OFF_THE_CENTRE * (not any(group.left < ledge.width / 2 < group.right for group in groups))
