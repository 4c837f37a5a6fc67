"""A set that goes together: all of its members side by side, pairs outward in and the odd one in the middle."""

from collections.abc import Collection, Sequence

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.thing import Thing

FEWEST, MOST = 2, 9
FORM, GAP_MM = "whole-set", 14.0
OTHER_OUTLINE = 0.5
"""Another outline is as unlike as another height by so much of it."""


def whole_set(
    stock: Stock, ledge: Ledge, used: Collection[str], *, side: int = 1, width: float = float("inf")
) -> Group | None:
    """Return a whole set whose sense keeps it together, the likest sizes opposite each other; None where none fits.

    The arguments are told at :class:`~jolly_ledge.proposals.groups.register.Making`. Members that are used already,
    or find no place on this ledge, are as good as gone: a set that cannot be whole does not come.
    """
    best: tuple[float, Group] | None = None
    for members in sets_at_hand(stock, ledge, used):
        group = set_out(members, ledge, side)
        if group.width <= width:
            worth = sum(thing.worth for thing in members) / len(members) + 0.25 * stock.rng.random()
            if best is None or worth > best[0]:
                best = (worth, group)
    return best[1] if best is not None else None


def sets_at_hand(stock: Stock, ledge: Ledge, used: Collection[str] = ()) -> list[list[Thing]]:
    """Return the sets of which every member that is at hand may stand on a ledge.

    Parameters
    ----------
    stock : Stock
    ledge : Ledge
    used : collection of str
        Things that stand somewhere already.
    """
    known: dict[str, list[Thing]] = {}
    for thing in stock.things.values():
        if thing.item.sense and thing.item.set:
            known.setdefault(thing.item.set, []).append(thing)
    return [
        members
        for members in known.values()
        if FEWEST <= len(members) <= MOST
        and all(thing.id not in used and stock.fits(thing, ledge) for thing in members)
    ]


def set_out(members: Sequence[Thing], ledge: Ledge, side: int) -> Group:
    """Set members in a row: the tallest odd one in the middle, then pair by pair outward, the likest two opposite.

    Parameters
    ----------
    members : sequence of Thing
        One or more.
    ledge : Ledge
        Where they are to stand.
    side : int
        To which side the second of them stands: 1 to the right, -1 to the left.
    """
    order = _in_pairs(members)
    group = Group(FORM, ledge.depth)
    for number, thing in enumerate(order):
        group.set_down(thing, "middle", side if number % 2 else -side, overlap=0.0, gap=GAP_MM)
    return group


def _in_pairs(members: Sequence[Thing]) -> list[Thing]:
    """Return members from the tallest on, each followed by what is likest to it in size and outline.

    Of an odd number the tallest comes first, by itself.
    """
    left = sorted(members, key=lambda thing: (-thing.height, -thing.width, thing.id))
    order = [left.pop(0)] if len(left) % 2 else []
    while left:
        one = left.pop(0)
        other = min(left, key=lambda thing: _unlike(one, thing))
        left.remove(other)
        order += [one, other]
    return order


def _unlike(one: Thing, other: Thing) -> float:
    size = abs(one.height - other.height) / one.height + abs(one.width - other.width) / one.width
    return size + OTHER_OUTLINE * (one.shape != other.shape)
