"""Dishes as they are served: one that leads behind, one at three quarters of it, one low in front."""

from collections.abc import Collection

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.groups.group import Depth, Group
from jolly_ledge.proposals.groups.stock import Stock, alike, step_of_tone
from jolly_ledge.proposals.groups.vessels import fill_vessel

SERVED = frozenset({"tableware", "bowl", "tray", "board", "vessel"})
ALONG = frozenset({"tableware", "bowl", "vessel", "plant", "candle"})
STEPS: tuple[tuple[float, Depth], ...] = ((0.75, "middle"), (0.45, "front"))


def service(
    stock: Stock, ledge: Ledge, used: Collection[str], *, side: int = 1, width: float = float("inf")
) -> Group | None:
    """Return dishes in a group, None where there are none.

    The arguments are told at :class:`~jolly_ledge.proposals.groups.register.Making`.
    """
    frame = stock.frame(ledge)
    suiting = [thing for thing in stock.free(ledge, used, SERVED) if thing.width <= width]
    lead = stock.pick(
        suiting,
        lambda thing: thing.worth - abs(thing.height / frame - 0.65) + 0.3 * (thing.category == "tableware"),
        leads=True,
    )
    if lead is None:
        return None
    group = Group("service", ledge.depth)
    member = group.set_down(lead, "back")
    if lead.category == "vessel":
        fill_vessel(stock, group, ledge, used, member, 0.8)
    for share, depth in STEPS:
        high = share * max(lead.height, 0.3 * frame)
        beside = [
            thing
            for thing in stock.free(ledge, {*used, *group.ids}, ALONG, high=high)
            if group.width + 0.75 * thing.width <= width
        ]
        found = stock.pick(
            beside,
            lambda thing: thing.worth - 0.5 * alike(thing, lead) + step_of_tone(thing, lead)
            + 0.2 * (thing.category == "tableware"),
        )  # fmt: skip
        if found is not None:
            group.set_down(found, depth, side, 0.25)
    return group
