"""Two or three groups on what is seen from all sides, in a triangle from above and drawn to the middle."""

import math
from collections.abc import Callable, Collection, Sequence
from functools import partial
from itertools import product

from msgspec.structs import replace

from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.groups.anchored import anchored
from jolly_ledge.proposals.groups.books import crowned_stack
from jolly_ledge.proposals.groups.candles import candlesticks
from jolly_ledge.proposals.groups.clusters import cluster
from jolly_ledge.proposals.groups.group import Group, Member, is_clear_at
from jolly_ledge.proposals.groups.low import any_one, low_set
from jolly_ledge.proposals.groups.service import service
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.groups.trays import tray_set

Spot = tuple[Group | None, float, float]
ROUND_SHARE = 0.66
"""So much of the width of a round top may be used."""

BOOKS_SHARE, BOOKS_OFTEN = 0.36, 0.5
"""Books on a low table are so wide, a round one's too: they lie well inside its rim."""

CLUSTERED_OFTEN = 0.3
LEADS_OFTEN = 0.35
"""So often what leads an island is a tray with a vase and a bowl on it."""

TRAY_OFTEN, LONG_MM, BESIDE_THE_CENTRE = 0.7, 1400.0, 0.15
GROUP_DEPTH_MM = 400.0
RIM_MM, SMALL_ROUND_MM, WIDE_MM = 30.0, 800.0, 900.0
MOVES_MM = tuple(float(step) for step in range(-200, 201, 20))
NEAREST_FIRST = sorted(product(MOVES_MM, MOVES_MM), key=lambda step: math.hypot(step[0], 0.8 * step[1]))
FROM_ALL_SIDES = frozenset({"table", "island"})
GREEN = frozenset({"vessel", "plant"})


def on_a_table(stock: Stock, ledge: Ledge, used: Collection[str]) -> list[Group]:
    """Return the groups of a table or an island, in coordinates of its top."""
    end = stock.rng.choice((-1, 1))
    # A group keeps together in depth, too, however deep the top is.
    near = replace(ledge, depth=min(ledge.depth, GROUP_DEPTH_MM))
    is_island, is_eaten_at = stock.roles[ledge.id] == "island", kind_of(stock.piece).is_eaten_at
    scheme = _island if is_island else _dining if is_eaten_at else _coffee
    found = _set(ledge, scheme(stock, near, used, end))
    # Rather the best thing that is left than a bare top.
    return found or _set(ledge, [(any_one(stock, near, used, width=0.4 * ledge.width), 0.5, 0.5)])


def _dining(stock: Stock, ledge: Ledge, used: Collection[str], end: int) -> list[Spot]:
    """Set a low centre, and along the middle of what is long lights at one side and something low at the other."""
    width = ledge.width * (ROUND_SHARE if ledge.shape == "ellipse" else 1.0)
    fullness = stock.fullness(ledge)
    lead = tray_set(stock, ledge, used, width=0.4 * width, tall=0.6) if stock.rng.random() < 0.4 else None
    lead = lead or anchored(stock, ledge, used, target=0.85, side=end, kinds=GREEN, stems=1.0, width=0.32 * width)
    lead = lead or low_set(stock, ledge, used, width=0.5 * width)
    spots: list[Spot] = [(lead, 0.5, 0.5)]
    if lead is None or ledge.width < LONG_MM:
        return spots
    taken = {*used, *lead.ids}
    lights = candlesticks(stock, ledge, taken, side=end, width=0.2 * width)
    lights = lights or low_set(stock, ledge, taken, width=0.2 * width)
    spots.append((lights, 0.5 + BESIDE_THE_CENTRE * end, 0.5))
    if fullness != "airy":
        taken |= lights.ids if lights is not None else set()
        other = candlesticks(stock, ledge, taken, side=-end, width=0.2 * width)
        other = other or low_set(stock, ledge, taken, width=0.22 * width)
        spots.append((other, 0.5 - BESIDE_THE_CENTRE * end, 0.5))
    return spots


def _island(stock: Stock, ledge: Ledge, used: Collection[str], end: int) -> list[Spot]:
    """Set something risen to one side, a tray or a bowl to the other, and something low between where it is full."""
    lead = tray_set(stock, ledge, used, width=0.4 * ledge.width, tall=0.4) if stock.rng.random() < LEADS_OFTEN else None
    lead = lead or anchored(stock, ledge, used, target=0.8, side=end, kinds=GREEN, stems=1.0, width=0.4 * ledge.width)
    taken = {*used, *(lead.ids if lead is not None else ())}
    second = tray_set(stock, ledge, taken, width=0.35 * ledge.width, tall=0.36) if stock.rng.random() < 0.7 else None
    second = second or low_set(stock, ledge, taken, width=0.35 * ledge.width)
    second = second or crowned_stack(stock, ledge, taken, side=end, width=0.3 * ledge.width)
    second = second or service(stock, ledge, taken, side=end, width=0.35 * ledge.width)
    for_two = [(lead, 0.5 - 0.14 * end, 0.5), (second, 0.5 + 0.2 * end, 0.45)]
    if stock.fullness(ledge) == "airy":
        return for_two
    taken |= second.ids if second is not None else set()
    third = low_set(stock, ledge, taken, width=0.22 * ledge.width) or service(
        stock, ledge, taken, side=end, width=0.25 * ledge.width
    )
    if third is None or second is None or lead is None:
        rest = [group for group in (lead, second, third) if group is not None]
        return [(group, along, into) for group, (_, along, into) in zip(rest, for_two, strict=False)]
    return [(lead, 0.5 - 0.24 * end, 0.5), (second, 0.5 + 0.08 * end, 0.5), (third, 0.5 + 0.32 * end, 0.42)]


def _coffee(stock: Stock, ledge: Ledge, used: Collection[str], end: int) -> list[Spot]:
    """Set a tray or books, something green and risen, and on what is wide a low third."""
    is_round = ledge.shape == "ellipse"
    width = ledge.width * (ROUND_SHARE if is_round else 1.0)
    if is_round and stock.rng.random() < CLUSTERED_OFTEN:
        together = cluster(stock, ledge, used, side=end, width=width)
        if together is not None:
            books = crowned_stack(
                stock, ledge, {*used, *together.ids}, side=end, width=BOOKS_SHARE * ledge.width, count=2
            )
            return [(together, 0.5 - 0.08 * end, 0.55), (books, 0.5 + 0.22 * end, 0.4)]
    gathers = stock.rng.random() < TRAY_OFTEN
    first = tray_set(stock, ledge, used, width=0.42 * ledge.width, tall=0.8) if gathers else None
    first = first or crowned_stack(stock, ledge, used, side=end, width=BOOKS_SHARE * ledge.width)
    first = first or tray_set(stock, ledge, used, width=0.45 * ledge.width)
    taken = {*used, *(first.ids if first is not None else ())}
    risen = first is not None and any(member.thing.green and member.top > 0.5 * stock.frame(ledge) for member in first)
    if risen:
        second = crowned_stack(stock, ledge, taken, side=end, width=BOOKS_SHARE * ledge.width, count=3)
        second = second or low_set(stock, ledge, taken, width=0.34 * width)
    else:
        second = anchored(
            stock, ledge, taken, target=0.85, side=end, kinds=GREEN, stems=1.0, companion=False,
            small=stock.rng.random() < 0.4, width=0.32 * ledge.width,
        )  # fmt: skip
        second = second or low_set(stock, ledge, taken, width=0.34 * width)
    taken |= second.ids if second is not None else frozenset()
    third = None
    airy = stock.fullness(ledge) == "airy"
    if not airy and (ledge.width > WIDE_MM or not is_round or stock.rng.random() < 0.5):
        thirds: list[Callable[[], Group | None]] = [
            partial(low_set, stock, ledge, taken, width=0.34 * width),
            partial(crowned_stack, stock, ledge, taken, side=end, width=BOOKS_SHARE * ledge.width),
        ]
        if stock.rng.random() < BOOKS_OFTEN:
            thirds.reverse()
        third = thirds[0]() or thirds[1]()
    if is_round:
        if ledge.width < SMALL_ROUND_MM:
            third = None
        return [(first, 0.5 - 0.16 * end, 0.48), (second, 0.5 + 0.19 * end, 0.62), (third, 0.5 + 0.15 * end, 0.32)]
    deep = 0.45 if third is not None else 0.5
    return [
        (first, 0.5 - 0.22 * end, deep),
        (second, 0.5 + 0.22 * end, 0.66 if third is not None else 0.55),
        (third, 0.5 + 0.14 * end, 0.26),
    ]


def _set(ledge: Ledge, spots: Sequence[Spot]) -> list[Group]:
    """Set groups at shares of the width and depth of a top, inside its rim and clear of each other."""
    found: list[Group] = []
    for group, along, into in spots:
        if group is None:
            continue
        front, back = min(member.front for member in group), max(member.back for member in group)
        deep = into * ledge.depth - (front + back) / 2
        deep = min(max(deep, RIM_MM - front), ledge.depth - RIM_MM - back)
        group.shift(along * ledge.width - (group.foot_left + group.foot_right) / 2, deep)
        if moved_clear(ledge, group, found):
            found.append(group)
    return found


def moved_clear(ledge: Ledge, group: Group, others: Sequence[Group]) -> bool:
    """Move a group to the nearest place where it stands clear of others and inside the rim; tell whether there is."""
    standing = [member for member in group if member.stands]
    crowded: dict[float, list[list[tuple[float, float]]]] = {}
    for along, into in NEAREST_FIRST:
        group.shift(along, into)
        if all(is_inside(ledge, member) for member in standing):
            if into not in crowded:
                crowded[into] = [[one for other in others for one in other.crowded(member)] for member in standing]
            if all(is_clear_at(near, member.x) for member, near in zip(standing, crowded[into], strict=True)):
                return True
        group.shift(-along, -into)
    return False


def is_inside(ledge: Ledge, member: Member) -> bool:
    """Tell whether a thing stands inside the rim of a top."""
    rim = min(RIM_MM, 0.04 * ledge.width)
    if ledge.shape == "ellipse":
        x, z = abs(member.x - ledge.width / 2), abs(member.z - ledge.depth / 2)
        half, deep = ledge.width / 2 - rim, ledge.depth / 2 - rim
        if member.is_circle:
            half, deep = half - member.width / 2, deep - member.depth / 2
            return min(half, deep) > 0 and math.hypot(x / half, z / deep) <= 1
        return math.hypot((x + member.width / 2) / half, (z + member.depth / 2) / deep) <= 1
    across = rim <= member.left and member.right <= ledge.width - rim
    return across and rim <= member.front and member.back <= ledge.depth - rim
