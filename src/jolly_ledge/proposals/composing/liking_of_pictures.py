"""What stands before pictures, mirrors and screens: those that lean on a ledge, and those on the wall over it."""

from collections.abc import Iterable

from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import LOOKED_AT, WALL_CATEGORIES
from jolly_ledge.proposals.groups.group import Member
from jolly_ledge.proposals.groups.stock import Stock

PICTURES = WALL_CATEGORIES - {"board"}
BEFORE_A_SCREEN, PICTURE_BEFORE_PICTURE = 1.2, 1.5
OVER_A_PICTURE, OVERLAPS = 3.0, 0.25
"""What leans is overlapped at its foot; of its upper half, where it is looked at, no more than a quarter is hidden."""


def before_pictures(stock: Stock, ledge: Ledge, members: Iterable[Member]) -> float:
    """Return the cost of what hides pictures, mirrors and screens from who stands before a ledge."""
    all_of_them = tuple(members)
    cost = sum(_before_what_hangs(stock, ledge, member) for member in all_of_them)
    leaning = (member for member in all_of_them if member.stands and member.thing.category in PICTURES)
    return cost + OVER_A_PICTURE * sum(max(_hidden_above(one, all_of_them) - OVERLAPS, 0.0) for one in leaning)


def _before_what_hangs(stock: Stock, ledge: Ledge, member: Member) -> float:
    """Return the cost of a thing that stands before a mirror, a picture or a screen on the wall."""
    cost = 0.0
    for fixture in stock.piece.fixtures:
        if fixture.kind in LOOKED_AT:
            across = min(ledge.left + member.right, fixture.right) - max(ledge.left + member.left, fixture.left)
            up = min(ledge.floor + member.top, fixture.floor + fixture.height)
            up -= max(ledge.floor + member.base, fixture.floor)
            if across > 0 and up > 0:
                hidden = across * up / (fixture.width * fixture.height)
                own = across * up / (member.width * member.height)
                cost += BEFORE_A_SCREEN * (fixture.kind == "tv") + 6.0 * hidden + 0.8 * max(own - 0.1, 0.0)
                # A picture against a picture: neither is seen.
                cost += PICTURE_BEFORE_PICTURE * (member.pose == "leaning" and own > 0.02)
    return cost


def _hidden_above(picture: Member, members: Iterable[Member]) -> float:
    """Return which share of the upper half of a leaning picture lies behind what is before it, carried or not."""
    middle, hidden = picture.base + picture.height / 2, 0.0
    for one in members:
        if one is not picture and one.foot.front < picture.front:
            across = max(min(one.right, picture.right) - max(one.left, picture.left), 0.0)
            hidden += across * max(min(one.top, picture.top) - max(one.base, middle), 0.0)
    return min(hidden / (picture.width * picture.height / 2), 1.0)
