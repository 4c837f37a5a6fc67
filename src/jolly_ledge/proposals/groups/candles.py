"""Candlesticks of different heights, with a low thing before them."""

from collections.abc import Collection

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.stock import Stock, is_tied, step_of_tone

TALL, LOWER, LOW, ON_A_TABLE = (0.3, 0.66), (0.5, 0.85), 0.3, 1.25
"""The tall one in parts of the frame (higher on a table), the lower one and what lies before them in parts of it."""


def candlesticks(
    stock: Stock, ledge: Ledge, used: Collection[str], *, side: int = 1, width: float = float("inf")
) -> Group | None:
    """Return two candlesticks and a low thing, None where there are no two of different heights.

    The arguments are told at :class:`~jolly_ledge.proposals.groups.register.Making`.
    """
    frame = stock.frame(ledge)
    high = ON_A_TABLE if stock.roles[ledge.id] == "table" else TALL[1]
    tall = stock.free(ledge, used, {"candle"}, low=TALL[0] * frame, high=high * frame)
    first = stock.pick(tall, lambda thing: thing.worth + thing.height / frame, leads=True)
    if first is None:
        return None
    lower = [
        thing
        for thing in stock.free(
            ledge, {*used, first.id}, {"candle"}, low=LOWER[0] * first.height, high=LOWER[1] * first.height
        )
        if thing.width + first.width + 20 <= width
    ]
    second = stock.pick(lower, lambda thing: thing.worth + 0.5 * is_tied(thing, first))
    if second is None:
        return None
    group = Group("candles", ledge.depth)
    group.set_down(first, "back")
    group.set_down(second, "front", side, 0.1, gap=12)
    low = [
        thing
        for thing in stock.free(ledge, {*used, *group.ids}, {"bowl", "object", "box"}, high=LOW * first.height + 20)
        if group.width + 0.8 * thing.width <= width and not stock.is_hard(thing)
    ]
    third = stock.pick(low, lambda thing: thing.worth + step_of_tone(thing, first))
    if third is not None:
        group.set_down(third, "front", side, 0.1, gap=10)
    return group
