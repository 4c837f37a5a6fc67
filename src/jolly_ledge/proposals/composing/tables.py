"""Two or three groups on what is seen from all sides, in a triangle from above and drawn to the middle."""

from collections.abc import Callable, Collection, Sequence
from functools import partial

from msgspec.structs import replace

from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.composing.clear_places import RIM_MM, moved_clear
from jolly_ledge.proposals.groups.anchored import anchored
from jolly_ledge.proposals.groups.books import crowned_stack
from jolly_ledge.proposals.groups.candles import candlesticks
from jolly_ledge.proposals.groups.clusters import cluster
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.low import any_one, low_set
from jolly_ledge.proposals.groups.service import service
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.groups.trays import tray_set

Spot = tuple[Group | None, float, float]
ROUND_SHARE = 0.66
"""So much of the width of a round top may be used."""

BOOKS_SHARE, BOOKS_OFTEN, TRAY_SHARE = 0.36, 0.5, 0.45
"""Books on a low table are so wide, a round one's too: they lie well inside its rim; a tray a little wider."""

CLUSTERED_OFTEN, DISHES_SHARE = 0.3, 0.22
LEADS_OFTEN = 0.35
"""So often what leads an island is a tray with a vase and a bowl on it."""

TRAY_OFTEN, LONG_MM, BESIDE_THE_CENTRE = 0.7, 1400.0, 0.15
GROUP_DEPTH_MM = 400.0
SMALL_ROUND_MM, WIDE_MM = 800.0, 900.0
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

    def beside(used: Collection[str], side: int, low: float) -> Group | None:
        return (
            candlesticks(stock, ledge, used, side=side, width=0.2 * width)
            or low_set(stock, ledge, used, width=low * width)
            or service(stock, ledge, used, side=side, width=DISHES_SHARE * width)
        )

    lights = beside(taken, end, 0.2)
    spots.append((lights, 0.5 + BESIDE_THE_CENTRE * end, 0.5))
    if fullness != "airy":
        taken |= lights.ids if lights is not None else set()
        spots.append((beside(taken, -end, 0.22), 0.5 - BESIDE_THE_CENTRE * end, 0.5))
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
    # The place of a group is less deep than the table, so that a tray may be as deep as that.
    tray = partial(tray_set, stock, ledge, used, width=TRAY_SHARE * ledge.width, deepest=1.0)
    first = tray(tall=0.8) if gathers else None
    first = first or crowned_stack(stock, ledge, used, side=end, width=BOOKS_SHARE * ledge.width)
    first = first or tray()
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
