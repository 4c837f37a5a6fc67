"""Stems in vessels: which suit, and putting them in."""

from collections.abc import Collection

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.groups.group import Group, Member
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.thing import Thing

WIDE_MOUTH_MM, NARROW_MOUTH_MM = 190.0, 20.0
RISE = (0.55, 2.1)
"""Stems rise over the rim by these shares of the height of their vessel."""

GOOD_RISE, GOOD_SPREAD = 1.1, 2.4


def stems_suit(vessel: Thing, stems: Thing, room: float | None) -> float:
    """Return how well stems suit a vessel under so much height (mm, None open above); below 0 where they do not.

    Parameters
    ----------
    vessel : Thing
        What would hold them.
    stems : Thing
        A bunch.
    room : float, optional
        The height over the ledge, in mm; None where it is open above.
    """
    if vessel.category != "vessel" or "lidded" in vessel.item.traits or vessel.height < 0.95 * vessel.width:
        return -1.0
    mouth = vessel.item.mouth or 0.45 * vessel.width
    rise = stems.height / vessel.height
    if not NARROW_MOUTH_MM <= mouth <= WIDE_MOUTH_MM or not RISE[0] <= rise <= RISE[1]:
        return -1.0
    if stems.width > 3.2 * vessel.width + 120 or (room is not None and vessel.height + stems.height > 0.96 * room):
        return -1.0
    return 1 - 0.6 * abs(rise - GOOD_RISE) - 0.2 * max(stems.width / vessel.width - GOOD_SPREAD, 0.0)


def fill_vessel(
    stock: Stock, group: Group, ledge: Ledge, used: Collection[str], vessel: Member, odds: float = 1.0
) -> bool:
    """Put stems into a vessel, with so much likelihood; tell whether it is filled.

    Parameters
    ----------
    stock : Stock
        What is at hand.
    group : Group
        What it joins; it is changed.
    ledge : Ledge
        Where it goes.
    used : collection of str
        Things that stand somewhere already.
    vessel : Member
        A member of the group.
    odds : float
        How likely it is filled, 0 to 1.
    """
    if stock.rng.random() > odds or any("flame" in member.thing.item.traits for member in group):
        return False
    room = ledge.clearance
    if room is None:
        room = stock.frame(ledge) * (1.25 if stock.roles[ledge.id] == "table" else 1.15)
    room -= vessel.base
    suiting = [
        (stems_suit(vessel.thing, stems, room) + stems.worth + 0.2 * stock.rng.random(), stems)
        for stems in stock.pool
        if stems.category == "stems" and stems.id not in used and stems.id not in group.ids
        and stems_suit(vessel.thing, stems, room) > 0
    ]  # fmt: skip
    if not suiting:
        return False
    group.put_into(max(suiting, key=lambda one: one[0])[1], vessel)
    return True
