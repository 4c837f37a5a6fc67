"""A mantel: pictures in layers, candlelight at one end, stems at the other; under a fixed picture the ends carry it."""

from collections.abc import Collection, Sequence

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.composing.spread import Make, fill, spans_of, spread
from jolly_ledge.proposals.groups.anchored import anchored
from jolly_ledge.proposals.groups.books import row, stack_with_tall
from jolly_ledge.proposals.groups.candles import candlesticks
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.low import WORTHY, low_set, worthy
from jolly_ledge.proposals.groups.pictures import pictures
from jolly_ledge.proposals.groups.stock import Stock

RISING = frozenset({"vessel", "plant", "sculpture", "candle", "object"})
PICTURES_SHARE, CANDLES_SHARE, END_SHARE = 0.52, 0.2, 0.3
UNDER_A_SCREEN, BOOKS_OFTEN = 0.55, 0.3
BETWEEN_OFTEN, FIRST_AT_THE_END = 0.35, 0.4
"""Under a picture the middle mostly rests, and what stands at the ends is the more."""


def on_a_mantel(stock: Stock, ledge: Ledge, used: Collection[str], order: int, over: Sequence[str]) -> list[Group]:
    """Return the groups of a mantel, in coordinates of its top; ``over`` are the kinds of what is fixed above it."""
    if "tv" in over:
        return _under_a_screen(stock, ledge, used, order)
    if over or spans_of(stock, ledge) != [(0.0, ledge.width)]:
        return _at_the_ends(stock, ledge, used, order)
    lead = pictures(stock, ledge, used, side=order, width=PICTURES_SHARE * ledge.width)
    if lead is None:
        return _at_the_ends(stock, ledge, used, order)
    taken = {*used, *lead.ids}
    lights = candlesticks(stock, ledge, taken, side=order, width=CANDLES_SHARE * ledge.width)
    taken |= lights.ids if lights is not None else set()
    end = anchored(
        stock, ledge, taken, target=0.62, side=-order, kinds=RISING, stems=1.0, small=lights is not None,
        width=END_SHARE * ledge.width,
    )  # fmt: skip
    groups = [group for group in (lights, lead, end) if group is not None]
    while len(groups) > 1 and sum(group.width for group in groups) > 0.92 * ledge.width:
        groups.remove(min(groups, key=lambda group: group.width))
    return spread(stock, ledge, groups, order)


def _at_the_ends(stock: Stock, ledge: Ledge, used: Collection[str], order: int) -> list[Group]:
    """Set something risen at one end, its counterpoise at the other, sometimes something low between them."""

    def risen(used: Collection[str], width: float) -> Group | None:
        return anchored(stock, ledge, used, target=0.72, side=order, kinds=RISING, stems=1.0, width=width)

    def counterpoise(used: Collection[str], width: float) -> Group | None:
        lights = candlesticks(stock, ledge, used, side=-order, width=width) if stock.rng.random() < 0.5 else None
        return (
            lights
            or anchored(stock, ledge, used, target=0.5, side=-order, kinds=RISING, stems=0.6, width=width)
            or stack_with_tall(stock, ledge, used, side=-order, width=width, target=0.5)
        )

    def between(used: Collection[str], width: float) -> Group | None:
        return low_set(stock, ledge, used, width=min(width, 0.3 * ledge.width), side=order)

    makers: list[Make] = [risen, counterpoise]
    if stock.rng.random() < BETWEEN_OFTEN:
        makers.insert(1, between)
    return fill(stock, ledge, used, makers, 0.8, order, first=FIRST_AT_THE_END)


def _under_a_screen(stock: Stock, ledge: Ledge, used: Collection[str], order: int) -> list[Group]:
    """Set what is low at the ends: by a vessel or an object, a row of books, and what is left where that lacks."""

    def low(used: Collection[str], width: float) -> Group | None:
        return anchored(
            stock, ledge, used, target=0.42, side=order, kinds=RISING, stems=0.5, width=min(width, 0.3 * ledge.width)
        ) or low_set(stock, ledge, used, width=width, side=order)

    def books(used: Collection[str], width: float) -> Group | None:
        return row(stock, ledge, used, side=-order, width=min(width, END_SHARE * ledge.width))

    def one(used: Collection[str], width: float) -> Group | None:
        return worthy(stock, ledge, used, target=0.35, least=0.2, most=0.5, kinds=WORTHY | {"mirror"}, width=width)

    other = books if stock.rng.random() < BOOKS_OFTEN else low
    return fill(stock, ledge, used, (low, other), UNDER_A_SCREEN, order, more=(low, books, one))
