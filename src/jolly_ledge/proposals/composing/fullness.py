"""How many things a ledge is composed of, counted on looks that were composed by hand."""

from collections.abc import Iterable

from jolly_ledge.measures.counts import counted, recommended
from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.composing.spread import spans_of
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.groups.whole_sets import sets_at_hand
from jolly_ledge.proposals.thing import Thing

FREE_POWER = 0.5
WITH_THEIR_VESSEL = frozenset({"stems", "utensils"})
MOST_OF_FEW = 0.93
FULL_ENOUGH = 1.15
"""What is more than this share of the wanted number is too much."""


def things_wanted(stock: Stock, ledge: Ledge) -> float:
    """Return how many things a ledge wants: what it bears in the fullness that is asked for, on what is free of it.

    Where fewer suit than all ledges bear, each wants its share of most of them: a stylist then shows fewer, larger
    things, and does not scrape together every small one.
    """
    if stock.share_at_hand is None:
        bears = sum(_borne(stock, one) for one in stock.ledges)
        stock.share_at_hand = min(MOST_OF_FEW * len(suiting(stock)) / bears, 1.0) if bears else 1.0
    return stock.share_at_hand * _borne(stock, ledge)


def _borne(stock: Stock, ledge: Ledge) -> float:
    free = sum(right - left for left, right in spans_of(stock, ledge)) / ledge.width
    return float(recommended(stock.piece, ledge, stock.problem.manner.fullness) * min(free, 1.0) ** FREE_POWER)


def things_in(groups: Iterable[Group]) -> int:
    """Return how many things groups count; a long row of books counts as several, stems with their vessel."""
    things = (member.thing for group in groups for member in group if member.thing.category not in WITH_THEIR_VESSEL)
    return counted(thing.item for thing in things)


def suiting(stock: Stock) -> tuple[Thing, ...]:
    """Return the things of a stock that find a place on some ledge, stems with their vessels, sets as a whole.

    Of glass vessels only as many count as there are stems: an empty one says nothing.
    """
    whole = {thing.id for ledge in stock.ledges for members in sets_at_hand(stock, ledge) for thing in members}
    spans = {
        ledge.id: max((right - left for left, right in spans_of(stock, ledge)), default=0.0) for ledge in stock.ledges
    }
    glass = [thing.id for thing in stock.pool if thing.is_open_glass]
    empty = set(glass[sum(thing.category == "stems" for thing in stock.pool) :])
    return tuple(
        thing
        for thing in stock.pool
        if thing.category not in WITH_THEIR_VESSEL
        and thing.id not in empty
        and (thing.id in whole or not thing.goes_in_a_set)
        and any(stock.fits(thing, ledge) and thing.width < spans[ledge.id] for ledge in stock.ledges)
    )
