"""What a ledge still lacks to be as full as is asked for: small groups in the stretches and places that stay free."""

from collections.abc import Callable, Collection, Sequence

from msgspec.structs import replace

from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.composing.clear_places import moved_clear
from jolly_ledge.proposals.composing.fullness import things_in
from jolly_ledge.proposals.composing.layering import layered
from jolly_ledge.proposals.composing.spread import CLEAR_MM, MARGIN_MM, OPEN_MARGIN_MM, spans_of
from jolly_ledge.proposals.composing.tables import FROM_ALL_SIDES, GROUP_DEPTH_MM
from jolly_ledge.proposals.groups.books import crowned_stack
from jolly_ledge.proposals.groups.candles import candlesticks
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.low import low_set, without_empty_glass, worthy
from jolly_ledge.proposals.groups.service import service
from jolly_ledge.proposals.groups.stock import Stock

ENOUGH, MOST_ADDED, LARGER = 0.92, 3, 2
NARROWEST_MM = 90.0
"""A narrower free stretch stays free."""

PLACES = ((0.5, 0.5), (0.3, 0.3), (0.7, 0.3), (0.3, 0.68), (0.7, 0.68), (0.5, 0.25), (0.5, 0.72))
LOW, TALL = (0.35, 0.1), (0.75, 0.3, 0.95)


def topped_up(stock: Stock, ledge: Ledge, groups: Sequence[Group], used: Collection[str], wanted: float) -> list[Group]:
    """Return groups with small ones added, until a ledge holds about as many things as are wanted or nothing goes.

    Parameters
    ----------
    stock : Stock
        What is at hand.
    ledge : Ledge
        Where it goes.
    groups : sequence of Group
        What stands on the ledge, in mm from its left end.
    used : collection of str
        Things that stand somewhere already.
    wanted : float
        How many things the ledge is to hold.
    """
    found = list(groups)
    if stock.roles[ledge.id] == "top" and found:
        # A top that is filled between its groups becomes a line of small things: they grow first.
        found = layered(stock, ledge, found, used, wanted, LARGER)
    for _ in range(MOST_ADDED):
        if not found or things_in(found) >= ENOUGH * wanted:
            break
        taken = {*used, *(one for group in found for one in group.ids)}
        lacking = wanted - things_in(found)
        add = _set_down if stock.roles[ledge.id] in FROM_ALL_SIDES else _set_between
        group = add(stock, ledge, found, taken)
        if group is None or len(group.members) > lacking + 1:
            break
        found.append(group)
    if stock.roles[ledge.id] not in FROM_ALL_SIDES and found and things_in(found) < ENOUGH * wanted:
        found = layered(stock, ledge, found, used, wanted, LARGER)
    return sorted(found, key=lambda group: group.left)


def _small(stock: Stock, ledge: Ledge, used: Collection[str], width: float) -> Group | None:
    """Return a low group no wider than so much, None where nothing is left for one."""
    side = stock.rng.choice((-1, 1))
    forms: tuple[Callable[[], Group | None], ...] = (
        lambda: low_set(stock, ledge, used, width=width, side=side),
        lambda: crowned_stack(stock, ledge, used, side=side, width=width, count=2),
        lambda: candlesticks(stock, ledge, used, side=side, width=width),
        lambda: worthy(stock, ledge, used, target=LOW[0], width=width, least=LOW[1], most=0.6),
    )
    if kind_of(stock.piece).is_eaten_at:
        forms = (*forms, lambda: service(stock, ledge, used, side=side, width=width))
    for make in stock.rng.sample(forms, len(forms)):
        made = make()
        if made is not None and made.narrowed(width) and without_empty_glass([made]):
            return made
    # Where few things are at hand what is left may be tall.
    last = worthy(stock, ledge, used, target=TALL[0], width=width, least=TALL[1], most=TALL[2])
    return last if last is not None and last.narrowed(width) and without_empty_glass([last]) else None


def _set_between(stock: Stock, ledge: Ledge, groups: Sequence[Group], used: Collection[str]) -> Group | None:
    """Set a small group into the middle of the widest free stretch."""
    margin = MARGIN_MM if ledge.clearance is not None else OPEN_MARGIN_MM
    free: list[tuple[float, float]] = []
    for left, right in spans_of(stock, ledge):
        start = left + margin - CLEAR_MM
        for one in sorted(groups, key=lambda one: one.left):
            if one.right > left and one.left < right:
                free.append((start + CLEAR_MM, one.left - CLEAR_MM))
                start = max(start, one.right)
        free.append((start + CLEAR_MM, right - margin))
    left, right = max(free, key=lambda stretch: stretch[1] - stretch[0], default=(0.0, 0.0))
    if right - left < NARROWEST_MM:
        return None
    group = _small(stock, ledge, used, right - left)
    return None if group is None else group.shift((left + right) / 2 - (group.left + group.right) / 2)


def _set_down(stock: Stock, ledge: Ledge, groups: Sequence[Group], used: Collection[str]) -> Group | None:
    """Set a small group on a top that is seen from all sides, where there is room."""
    near = replace(ledge, depth=min(ledge.depth, GROUP_DEPTH_MM))
    group = _small(stock, near, used, 0.3 * ledge.width)
    if group is None:
        return None
    for along, into in stock.rng.sample(PLACES, len(PLACES)):
        middle = (group.foot_left + group.foot_right) / 2
        deep = (min(member.front for member in group) + max(member.back for member in group)) / 2
        group.shift(along * ledge.width - middle, into * ledge.depth - deep)
        if moved_clear(ledge, group, groups):
            return group
    return None
