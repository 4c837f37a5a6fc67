"""Two or three groups on what is seen from all sides, in a triangle from above and drawn to the middle."""

from collections.abc import Collection, Sequence

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.groups.anchored import anchored
from jolly_ledge.proposals.groups.books import crowned_stack
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.low import low_set
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.groups.trays import tray_set

Spot = tuple[Group | None, float, float]
ROUND_SHARE = 0.66
"""So much of the width of a round top may be used."""

RIM_MM, SMALL_ROUND_MM, WIDE_MM = 30.0, 800.0, 900.0
GREEN = frozenset({"vessel", "plant"})


def on_a_table(stock: Stock, ledge: Ledge, used: Collection[str]) -> list[Group]:
    """Return the groups of a table or an island, in coordinates of its top."""
    end = stock.chance.choice((-1, 1))
    if stock.piece.kind == "dining-table":
        return _set(ledge, _dining(stock, ledge, used, end))
    if stock.roles[ledge.id] == "island":
        return _set(ledge, _island(stock, ledge, used, end))
    return _set(ledge, _coffee(stock, ledge, used, end))


def _dining(stock: Stock, ledge: Ledge, used: Collection[str], end: int) -> list[Spot]:
    """Set one low centre, with a small pair along the middle of what is long."""
    width = ledge.width * (ROUND_SHARE if ledge.shape == "ellipse" else 1.0)
    lead = tray_set(stock, ledge, used, width=0.5 * width, tall=0.6) if stock.chance.random() < 0.4 else None
    lead = lead or anchored(stock, ledge, used, target=0.8, side=end, kinds=GREEN, stems=1.0, width=0.4 * width)
    lead = lead or low_set(stock, ledge, used, width=0.5 * width)
    spots: list[Spot] = [(lead, 0.5, 0.5)]
    if lead is not None and ledge.width > 1500 and stock.problem.manner.fullness != "airy":
        second = low_set(stock, ledge, {*used, *lead.ids}, width=0.2 * width)
        spots.append((second, 0.5 + 0.22 * end, 0.5))
    return spots


def _island(stock: Stock, ledge: Ledge, used: Collection[str], end: int) -> list[Spot]:
    lead = anchored(stock, ledge, used, target=0.9, side=end, kinds=GREEN, stems=1.0, width=0.4 * ledge.width)
    taken = {*used, *(lead.ids if lead is not None else ())}
    second = tray_set(stock, ledge, taken, width=0.35 * ledge.width, tall=0.3) if stock.chance.random() < 0.5 else None
    second = second or low_set(stock, ledge, taken, width=0.35 * ledge.width)
    second = second or crowned_stack(stock, ledge, taken, side=end, width=0.3 * ledge.width)
    return [(lead, 0.5 - 0.16 * end, 0.5), (second, 0.5 + 0.22 * end, 0.45)]


def _coffee(stock: Stock, ledge: Ledge, used: Collection[str], end: int) -> list[Spot]:
    """Set a tray or books, something green and risen, and on what is wide a low third."""
    is_round = ledge.shape == "ellipse"
    width = ledge.width * (ROUND_SHARE if is_round else 1.0)
    first = tray_set(stock, ledge, used, width=0.42 * width, tall=0.8) if stock.chance.random() < 0.5 else None
    first = first or crowned_stack(stock, ledge, used, side=end, width=0.38 * width)
    first = first or tray_set(stock, ledge, used, width=0.45 * width)
    taken = {*used, *(first.ids if first is not None else ())}
    risen = first is not None and any(member.thing.green and member.top > 0.5 * stock.frame(ledge) for member in first)
    if risen:
        second = crowned_stack(stock, ledge, taken, side=end, width=0.36 * width)
        second = second or low_set(stock, ledge, taken, width=0.34 * width)
    else:
        second = anchored(
            stock, ledge, taken, target=0.85, side=end, kinds=GREEN, stems=1.0, companion=False,
            small=stock.chance.random() < 0.4, width=0.32 * ledge.width,
        )  # fmt: skip
        second = second or low_set(stock, ledge, taken, width=0.34 * width)
    taken |= second.ids if second is not None else frozenset()
    third = None
    airy = stock.problem.manner.fullness == "airy"
    if not airy and (ledge.width > WIDE_MM or not is_round or stock.chance.random() < 0.5):
        third = low_set(stock, ledge, taken, width=0.34 * width)
        third = third or crowned_stack(stock, ledge, taken, side=end, width=0.34 * width)
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
    """Set groups at shares of the width and depth of a top, inside its rim."""
    found = []
    for group, along, into in spots:
        if group is None:
            continue
        front, back = min(member.front for member in group), max(member.back for member in group)
        deep = into * ledge.depth - (front + back) / 2
        deep = min(max(deep, RIM_MM - front), ledge.depth - RIM_MM - back)
        found.append(group.shift(along * ledge.width - (group.foot_left + group.foot_right) / 2, deep))
    return found
