"""One worthy thing by itself, and a low bowl or box with a small thing beside it."""

from collections.abc import Collection, Sequence

from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import WALL_CATEGORIES
from jolly_ledge.proposals.groups.books import crown
from jolly_ledge.proposals.groups.group import Group, Member
from jolly_ledge.proposals.groups.stock import Stock, alike, step_of_tone
from jolly_ledge.proposals.groups.vessels import fill_vessel
from jolly_ledge.proposals.thing import Thing

WORTHY = frozenset({"vessel", "sculpture", "object", "plant", "bowl", "box", "basket", "art", "frame"})
BESIDE = frozenset({"object", "candle", "sculpture", "plant", "box"})
NEVER_ALONE = frozenset({"stems", "utensils", "beads", "appliance", "textile", "board"})
LEAST_WIDTH_MM = 120.0


def worthy(
    stock: Stock, ledge: Ledge, used: Collection[str], *, target: float = 0.68, width: float = float("inf"),
    least: float = 0.35, kinds: Collection[str] = WORTHY, most: float = 1.0,
) -> Group | None:  # fmt: skip
    """Return one thing that holds its place alone.

    Parameters
    ----------
    stock : Stock
        What is at hand.
    ledge : Ledge
        Where it goes.
    used : collection of str
        Things that stand somewhere already.
    target : float
        Its wished height, in parts of the frame.
    width : float
        The group becomes no wider, in mm.
    least : float
        No lower, in parts of the frame.
    kinds : collection of str, optional
        Categories that may come; all where none is told.
    most : float
        No higher, in parts of the frame.
    """
    frame = stock.frame(ledge)
    suiting = [
        thing
        for thing in stock.free(ledge, used, kinds, low=least * frame, high=most * frame)
        if thing.width <= width and not stock.is_hard(thing)
    ]
    found = stock.pick(
        suiting,
        lambda thing: thing.worth - 1.2 * abs(thing.height / frame - target)
        + 0.5 * min(thing.area / (0.4 * frame * frame), 1.0),
        leads=True,
    )  # fmt: skip
    group = None if found is None else _by_itself(stock, ledge, used, found)
    return None if group is None or is_empty_glass(group, group.anchor) else group


def is_empty_glass(group: Group, vessel: Member) -> bool:
    """Tell whether a clear vessel holds and carries nothing: it says nothing by itself."""
    return vessel.thing.is_open_glass and not any(other.inside is vessel or other.on is vessel for other in group)


def without_empty_glass(groups: Sequence[Group]) -> list[Group]:
    """Take out clear vessels that hold nothing where the look can do without: they say nothing."""
    led = [group for group in groups if not is_empty_glass(group, group.anchor)]
    for group in led or groups:
        for member in list(group.members[1:]):
            if is_empty_glass(group, member):
                group.take_out(member)
    return list(led or groups)


def any_one(stock: Stock, ledge: Ledge, used: Collection[str], *, width: float = float("inf")) -> Group | None:
    """Return the best thing that is left with something on it or in it: rather that than a bare ledge.

    The arguments are told at :class:`~jolly_ledge.proposals.groups.register.Making`.
    """
    suiting = [
        thing
        for thing in stock.free(ledge, used)
        if thing.width <= width and thing.category not in NEVER_ALONE and not stock.is_hard(thing)
    ]
    found = stock.pick(suiting, lambda thing: thing.worth + min(thing.area / (0.3 * stock.frame(ledge) ** 2), 1.0))
    if found is None:
        return None
    group = _by_itself(stock, ledge, used, found)
    if found.category in ("book", "book-stack", "box"):
        crown(stock, group, ledge, used, group.members[0], [found], 0.3)
    return group


def _by_itself(stock: Stock, ledge: Ledge, used: Collection[str], found: Thing) -> Group:
    """Return a thing set down alone, a picture against the back, a vessel mostly filled."""
    group = Group("worthy", ledge.depth)
    member = group.set_down(found, "back" if found.category in WALL_CATEGORIES else "middle")
    if found.category == "vessel":
        fill_vessel(stock, group, ledge, used, member, 0.8)
    return group


def low_set(
    stock: Stock, ledge: Ledge, used: Collection[str], *, width: float = float("inf"), side: int = 1
) -> Group | None:
    """Return a low bowl or box, crowned where it has a lid, else with a small thing beside it.

    The arguments are told at :class:`~jolly_ledge.proposals.groups.register.Making`.
    """
    frame = stock.frame(ledge)
    suiting = [
        thing
        for thing in stock.free(ledge, used, {"bowl", "box", "basket"}, high=0.42 * frame)
        if LEAST_WIDTH_MM < thing.width <= width and not stock.is_hard(thing)
    ]
    base = stock.pick(suiting, lambda thing: thing.worth + 0.2 * (thing.category == "bowl") + thing.width / 900)
    if base is None:
        return None
    group = Group("low", ledge.depth)
    member = group.set_down(base, "middle")
    if base.category == "box" and "lidded" in base.item.traits:
        crown(stock, group, ledge, used, member, [base], 0.25)
        return group
    small = [
        thing
        for thing in stock.free(ledge, {*used, *group.ids}, BESIDE, high=min(1.6 * base.height + 60, 0.4 * frame))
        if thing.width < 0.6 * base.width and group.width + 0.6 * thing.width < width and not stock.is_hard(thing)
    ]
    found = stock.pick(small, lambda thing: thing.worth + step_of_tone(thing, base) - alike(thing, base))
    if found is not None:
        in_front = ledge.depth - base.depth - found.depth > 10
        group.set_down(found, "front" if in_front else "back", side, 0.2)
    return group
