"""A cluster for a round top: something risen behind, something low to one side, something small to the other."""

from collections.abc import Collection

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.groups.anchored import anchored
from jolly_ledge.proposals.groups.books import crown
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.stock import Stock, most_alike, safe_together, step_of_tone
from jolly_ledge.proposals.thing import Thing

RISEN = frozenset({"vessel", "plant"})
LOW, SMALL = frozenset({"bowl", "box", "book-stack"}), frozenset({"object", "candle", "bowl", "sculpture", "box"})
LOW_SHARE, SMALL_SHARE = 0.62, 0.45
"""What is low, and what is small, in parts of what is risen."""

TOUCHING_MM, OVERLAP = 6.0, 0.3


def cluster(
    stock: Stock, ledge: Ledge, used: Collection[str], *, side: int = 1, width: float = float("inf")
) -> Group | None:
    """Return three things that touch in a triangle seen from above, None where one of them is not at hand.

    The arguments are told at :class:`~jolly_ledge.proposals.groups.register.Making`.
    """
    group = anchored(
        stock, ledge, used, target=0.8, side=side, kinds=RISEN, stems=1.0, companion=False, small=False,
        width=0.6 * width,
    )  # fmt: skip
    if group is None:
        return None
    group.form = "cluster"
    risen = group.members[0]
    for kinds, share, toward in ((LOW, LOW_SHARE, side), (SMALL, SMALL_SHARE, -side)):
        near = [member.thing for member in group]
        found = _lower(stock, ledge, used, group, kinds, share * max(risen.height, 120.0), toward, width)
        if found is None:
            return None
        member = group.set_down(found, "front", toward, OVERLAP, TOUCHING_MM)
        if found.category == "book-stack" or (found.category == "box" and "lidded" in found.item.traits):
            crown(stock, group, ledge, used, member, near, 0.2)
    return group if group.width <= width else None


def _lower(
    stock: Stock, ledge: Ledge, used: Collection[str], group: Group, kinds: Collection[str], high: float, toward: int,
    width: float,
) -> Thing | None:  # fmt: skip
    near = [member.thing for member in group]
    suiting = [
        thing for thing in stock.free(ledge, {*used, *group.ids}, kinds, low=25, high=high)
        if not stock.is_hard(thing) and safe_together(thing, near)
        and group.takes(thing, width, "front", toward, OVERLAP, TOUCHING_MM)
    ]  # fmt: skip
    return stock.pick(
        suiting, lambda thing: thing.worth - most_alike(thing, near) + step_of_tone(thing, near[0]) + thing.width / 900
    )
