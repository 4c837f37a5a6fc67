"""How groups stand beside each other on a ledge: near or clear, unlike, up to its ends; each as a cost."""

from collections.abc import Sequence
from itertools import combinations, pairwise

from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import BOOK_CATEGORIES, Fullness
from jolly_ledge.proposals.composing.liking_of_a_group import FACED, SWALLOWED, stands_amid
from jolly_ledge.proposals.composing.spread import FINGER_MM, spans_of
from jolly_ledge.proposals.composing.tables import FROM_ALL_SIDES
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.stock import Stock

WIDE_MM = {"top": 850.0, "shelf": 500.0}
END_OF_A_TOP = 0.15
END_OF_A_SHELF: dict[Fullness, float] = {"airy": 0.2, "layered": 0.1, "abundant": 0.08}
CLOSE = 2.0
NEAR, MIDDLING = 0.03, 8.0
HOLE: dict[Fullness, float] = {"airy": 2.0, "layered": 8.0, "abundant": 8.0}
"""Groups stand a finger apart at least, and near each other or clear: of the gaps on a top all but the widest cost
what is over so much of its width, on a shelf each of them; only a wide shelf has a rest of its own, and a clear one.
"""

WIDE_SHELF_MM, CLEAR = 850.0, 0.13
"""A shelf is wide from here on, and a rest of it clear from so much of its width."""

LIKE_BESIDE_LIKE, ALL_UPRIGHT, BROAD = 0.5, 0.8, 1.15
"""On a shelf kinds alternate, and something broad is among what rises: what lies, a row of books, a bowl."""

RISES, IN_A_ROW = 1.2, 0.6
"""What is so much higher than it is wide rises; a third of such things beside each other makes a palisade of a top."""

MAY_BE_MANY = BOOK_CATEGORIES | {"candle", "stems", "board"}
OF_A_GROUP, REST_OF_A_TOP = 3, 0.12
"""So many groups along a top want one clear rest among them, so wide, not the same small gap again and again."""


def empty_ends(stock: Stock, ledge: Ledge, groups: Sequence[Group]) -> float:
    """Return the cost of an end of a wide ledge that nothing comes near."""
    role = stock.roles[ledge.id]
    if role not in FACED or ledge.width < WIDE_MM[role] or len(spans_of(stock, ledge)) > 1:
        return 0.0
    most = END_OF_A_TOP if role == "top" else END_OF_A_SHELF[stock.fullness(ledge)]
    left = min(group.left for group in groups) / ledge.width
    right = 1 - max(group.right for group in groups) / ledge.width
    return 3.0 * (max(left - most, 0.0) + max(right - most, 0.0))


def not_apart(stock: Stock, ledge: Ledge, groups: Sequence[Group]) -> float:
    """Return the cost of groups without rest between, of one form or of one height beside each other."""
    cost = 0.0
    if stock.roles[ledge.id] in FROM_ALL_SIDES:
        for one, other in combinations(groups, 2):
            placed = [(m, n) for m in one if m.stands for n in other if n.stands]
            cost += SWALLOWED * any(stands_amid(*sorted(pair, key=lambda m: m.front)) for pair in placed)
            shared = min(one.right, other.right) - max(one.left, other.left)
            cost += 1.5 * max(shared / min(one.width, other.width) - 0.15, 0.0)
        return cost
    cost += _gaps_between(stock, ledge, groups)
    for one, other in pairwise(sorted(groups, key=lambda group: group.left)):
        if stock.problem.manner.figure == "mirrored":
            continue
        cost += 0.2 * (one.form == other.form and one.form not in ("pair", "machines"))
        cost += 0.2 * (abs(one.height - other.height) < 0.08 * stock.frame(ledge) and one.form != "pair")
    return cost


def _gaps_between(stock: Stock, ledge: Ledge, groups: Sequence[Group]) -> float:
    """Return the cost of groups that touch, and of those that stand neither near each other nor clear."""
    gaps = sorted(other.left - one.right for one, other in pairwise(sorted(groups, key=lambda group: group.left)))
    cost = sum(CLOSE * max(FINGER_MM[0] - gap, 0.0) / (3 * FINGER_MM[0]) for gap in gaps)
    is_shelf = stock.roles[ledge.id] == "shelf"
    is_clear = ledge.width >= WIDE_SHELF_MM and max(gaps, default=0.0) > CLEAR * ledge.width
    over = sum(max(gap / ledge.width - NEAR, 0.0) for gap in (gaps if is_shelf and not is_clear else gaps[:-1]))
    return cost + (HOLE[stock.fullness(ledge)] if is_shelf else MIDDLING) * over


def without_a_rest(ledge: Ledge, groups: Sequence[Group]) -> float:
    """Return how much of a clear rest is missing between three groups or more, from 0 to 1."""
    if len(groups) < OF_A_GROUP:
        return 0.0
    ordered = sorted(groups, key=lambda group: group.left)
    widest = max(other.left - one.right for one, other in pairwise(ordered)) / ledge.width
    return max(1 - max(widest, 0.0) / REST_OF_A_TOP, 0.0)


def palisade(groups: Sequence[Group]) -> float:
    """Return the cost of three and more things along a top that all rise, nothing broad or low between them."""
    standing = sorted((one for group in groups for one in group if one.stands), key=lambda one: one.x)
    rises = [one.height > RISES * one.width and one.thing.category not in MAY_BE_MANY for one in standing]
    return IN_A_ROW * sum(all(three) for three in zip(rises, rises[1:], rises[2:], strict=False))


def monotony(groups: Sequence[Group]) -> float:
    """Return the cost of neighbours of one kind on a shelf, books and sets apart, and of nothing but what rises."""
    standing = sorted((one for group in groups for one in group if one.stands), key=lambda one: one.x)
    beside = sum(
        one.thing.category == other.thing.category and one.thing.category not in MAY_BE_MANY
        and not (one.thing.goes_in_a_set and other.thing.goes_in_a_set)
        for one, other in pairwise(standing)
    )  # fmt: skip
    is_broad = any(member.width > BROAD * member.height or member.thing.category == "book-row" for member in standing)
    return LIKE_BESIDE_LIKE * beside + ALL_UPRIGHT * (not is_broad and len(standing) > 1)
