"""A nest: members of a set, graded in size and standing close."""

from collections.abc import Collection, Sequence

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.groups.group import Depth, Group
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.thing import Thing

NESTED = frozenset({"bowl", "basket", "box", "vessel", "sculpture", "object", "candle"})
STEP, FEWEST, MOST = 0.86, 2, 3
"""Each is at most so much of the one before it in height, from two to three of them."""

OVERLAP, CLOSE_MM = 0.22, 4.0
DEPTHS: tuple[Depth, ...] = ("back", "front", "middle")


def nest(
    stock: Stock, ledge: Ledge, used: Collection[str], *, side: int = 1, width: float = float("inf")
) -> Group | None:
    """Return things of one set, the tallest behind and each next one before its side; None where no set is at hand.

    The arguments are told at :class:`~jolly_ledge.proposals.groups.register.Making`.
    """
    best: tuple[float, list[Thing]] | None = None
    for members in _sets(stock, ledge, used):
        graded = _graded(members)
        if len(graded) >= FEWEST:
            worth = sum(thing.worth for thing in graded) + 0.2 * len(graded) + 0.25 * stock.rng.random()
            if best is None or worth > best[0]:
                best = (worth, graded)
    if best is None:
        return None
    group = Group("nest", ledge.depth)
    for number, thing in enumerate(best[1]):
        if number and not group.takes(thing, width, DEPTHS[number], side, OVERLAP, CLOSE_MM):
            break
        group.set_down(thing, DEPTHS[number], side, OVERLAP, CLOSE_MM)
    return group if len(group.members) >= FEWEST and group.width <= width else None


def _sets(stock: Stock, ledge: Ledge, used: Collection[str]) -> list[list[Thing]]:
    """Return what is at hand of every set."""
    found: dict[str, list[Thing]] = {}
    for thing in stock.free(ledge, used, NESTED):
        if thing.item.set and not stock.is_hard(thing):
            found.setdefault(thing.item.set, []).append(thing)
    return list(found.values())


def _graded(members: Sequence[Thing]) -> list[Thing]:
    """Return members of a set that step down clearly, the tallest first."""
    graded: list[Thing] = []
    for thing in sorted(members, key=lambda one: (-one.height, one.id)):
        if len(graded) < MOST and (not graded or thing.height <= STEP * graded[-1].height):
            graded.append(thing)
    return graded
