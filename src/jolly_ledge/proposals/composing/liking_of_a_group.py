"""How a single group is liked, wherever on its ledge it stands."""

from collections.abc import Iterator
from itertools import combinations

from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import WALL_CATEGORIES
from jolly_ledge.proposals.groups.books import bare_tops
from jolly_ledge.proposals.groups.group import Group, Member
from jolly_ledge.proposals.groups.stock import Stock

FACED = frozenset({"shelf", "top"})
"""Roles of ledges that are seen from the front."""

BOARDS_AND_TRAY, BEFORE_A_LAMP, GREEN_IN_GREEN, LOW_GREEN = 0.45, 1.2, 1.2, 0.5
FORGOTTEN, UNCROWNED = 0.7, 0.7
"""A book or a tray that lies by itself looks forgotten, and so does a stack without anything on it, though less."""

CRUMBS, LEAST_SHOWN = 0.8, 0.15
"""A group that shows less than so much of its frame, squared, is a crumb beside the others."""

THIN_TRAY, SWALLOWED, COVERED_SHARE = 0.6, 0.35, 0.4
EMPTY_GLASS = 1.4
FOOT_HIDDEN, FOOT_FREE, FOOTED = 3.0, 0.15, frozenset({"plant", "vessel", "sculpture", "lamp"})
FOOT_OF_WIDTH, POT_OF_WIDTH, POT_OF_HEIGHT = 0.7, 0.5, 0.5
"""What has a foot is seen standing on it: what is before it hides no more than a little of the foot, or of the pot."""

HIDES, HIDES_FROM, TOO_HIGH_BEFORE, FLAT = 0.6, 0.15, 0.6, WALL_CATEGORIES | {"board", "tray"}
"""Before a picture or a board things of any height may stand; before what is round only what is low, so much of it."""


def liking_of_a_group(stock: Stock, ledge: Ledge, group: Group) -> float:
    """Return how one group is liked: what it hides and shows, its number, what stands empty; only differences count."""
    role, frame = stock.roles[ledge.id], stock.frame(ledge)
    liked = 0.0
    for one, behind in combinations(sorted((m for m in group if m.stands), key=lambda m: m.front), 2):
        if one.front < behind.front:
            across = max(min(one.right, behind.right) - max(one.left, behind.left), 0.0)
            covered = across * min(one.height, behind.height) / (behind.width * behind.height)
            liked += 0.1 * (0.05 < covered < COVERED_SHARE) - 1.2 * max(covered - COVERED_SHARE, 0.0)
            liked -= SWALLOWED * stands_amid(one, behind) + HIDES * _hides(one, behind, across)
            liked -= FOOT_HIDDEN * max(share_of_foot_hidden(one, behind) - FOOT_FREE, 0.0)
    if group.form == "show":
        liked += BOARDS_AND_TRAY * (sum(member.thing.category in ("board", "tray") for member in group) - 1)
    liked -= BEFORE_A_LAMP * sum(_before_a_lamp(group)) + GREEN_IN_GREEN * (_greens_in(group) > 1)
    if len(group.members) >= 3:
        liked += 0.32 / max(len(stock.ledges), 2)
    if len(group.members) == 1 and group.form not in ("pair", "row"):
        liked -= 0.3 * (role in FACED) + 0.25 * (group.members[0].thing.area < 0.25 * frame * frame)
    if role in FACED:
        shown = sum(member.thing.area for member in group) / (frame * frame)
        liked -= CRUMBS * max(1 - shown / LEAST_SHOWN, 0.0)
    if group.form == "tray":
        liked -= THIN_TRAY * (sum(member.inside is group.members[0] for member in group) < 2)
    lone = len(group.members) == 1 and group.anchor.thing.category in ("book", "tray")
    liked -= FORGOTTEN * lone if lone else UNCROWNED * sum(1 for _ in bare_tops(group))
    return liked - sum(_of_emptiness(role, group, member) for member in group if member.thing.category == "vessel")


def _greens_in(group: Group) -> int:
    """Return how many plants and bunches of stems a group has, low ones apart: two grow into each other."""
    return sum(member.thing.category == "stems" or member.thing.green * (member.height > LOW_GREEN * group.height)
               for member in group)  # fmt: skip


def _before_a_lamp(group: Group) -> Iterator[float]:
    """Yield which share of each lamp is crossed by what is carried or rises beside it, beyond a tenth."""
    for lamp in group:
        if lamp.thing.category == "lamp":
            for other in group:
                across = max(min(other.right, lamp.right) - max(other.left, lamp.left), 0.0)
                up = max(min(other.top, lamp.top) - max(other.base, lamp.base + 0.4 * lamp.height), 0.0)
                if other is not lamp:
                    yield max(across * up / (0.6 * lamp.width * lamp.height) - 0.05, 0.0)


def stands_amid(one: Member, behind: Member) -> bool:
    """Tell whether a thing stands so amid another that the one behind seems to grow out of it."""
    off = abs(one.x - behind.x) / max(one.width, behind.width)
    return off < 0.2 and one.width > 0.55 * behind.width and behind.thing.category not in WALL_CATEGORIES


def share_of_foot_hidden(one: Member, behind: Member) -> float:
    """Return which share of the foot of a thing, or of a plant's pot, lies behind what stands before it."""
    if behind.thing.category not in FOOTED:
        return 0.0
    is_potted = behind.thing.category == "plant"
    wide = behind.width * (POT_OF_WIDTH if is_potted else FOOT_OF_WIDTH)
    high = behind.height * (POT_OF_HEIGHT if is_potted else 1.0)
    across = max(min(one.right, behind.x + wide / 2) - max(one.left, behind.x - wide / 2), 0.0)
    return across * min(one.height, high) / (wide * high)


def _hides(one: Member, behind: Member, across: float) -> bool:
    """Tell whether a thing that is not low crosses so many mm of what stands behind it and has a shape to be seen."""
    is_low = one.height < TOO_HIGH_BEFORE * behind.height
    return not is_low and across > HIDES_FROM * behind.width and behind.thing.category not in FLAT


def _of_emptiness(role: str, group: Group, vessel: Member) -> float:
    """Return the cost of a vessel that is empty: most where it is clear, much where it leads."""
    if "lidded" in vessel.thing.item.traits or any(other.inside is vessel for other in group):
        return 0.0
    if vessel.thing.is_open_glass:
        return EMPTY_GLASS
    return 0.2 if vessel.top >= 0.95 * group.height and role in ("table", "top") else 0.03
