"""Like things at both ends, one lead or a low thing in the middle."""

from collections.abc import Collection

from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import WALL_CATEGORIES
from jolly_ledge.proposals.groups.anchored import anchored
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.low import low_set
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.thing import Thing

PAIRED = frozenset({"candle", "vessel", "lamp", "sculpture", "plant", "object", "frame", "art"})
LEADS = frozenset({"art", "mirror", "frame", "vessel", "plant", "sculpture"})
ENDS = (0.13, 0.87)


def paired(stock: Stock, ledge: Ledge, used: Collection[str]) -> list[Group]:
    """Return a pair about the middle of a ledge and what stands between; nothing where no two are alike."""
    found = _likest(stock, ledge, used)
    if found is None:
        return []
    groups = []
    for thing, share in zip(found, ENDS, strict=True):
        group = Group("pair", ledge.depth)
        group.set_down(thing, "back" if thing.category in WALL_CATEGORIES else "middle")
        groups.append(group.shift(share * ledge.width - group.members[0].x))
    taken = {*used, *(thing.id for thing in found)}
    lead = anchored(
        stock, ledge, taken, target=0.85, kinds=LEADS, companion=stock.rng.random() < 0.7, width=0.5 * ledge.width
    ) or low_set(stock, ledge, taken, width=0.4 * ledge.width)
    if lead is not None:
        groups.insert(1, lead.shift(0.5 * ledge.width - (lead.left + lead.right) / 2))
    return groups


def _likest(stock: Stock, ledge: Ledge, used: Collection[str]) -> tuple[Thing, Thing] | None:
    best: tuple[float, Thing, Thing] | None = None
    things = stock.free(ledge, used, PAIRED)
    for index, one in enumerate(things):
        for other in things[index + 1 :]:
            twins = (
                one.category == other.category
                and abs(one.height - other.height) < 0.06 * one.height
                and abs(one.width - other.width) < 0.1 * one.width
                and one.family == other.family
            )
            if twins:
                reach = 0.8 * min(one.height / stock.frame(ledge), 0.7)
                value = one.worth + other.worth + reach + 0.3 * stock.rng.random()
                if best is None or value > best[0]:
                    best = (value, one, other)
    return None if best is None else best[1:]
