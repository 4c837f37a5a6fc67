"""A tray that gathers: something tall at one end, something lower at the other, a small thing in front."""

from collections.abc import Callable, Collection, Sequence

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.groups.group import Group, Member
from jolly_ledge.proposals.groups.stock import Stock, most_alike, safe_together, step_of_tone
from jolly_ledge.proposals.groups.vessels import fill_vessel
from jolly_ledge.proposals.thing import Thing

FINGER_MM, CLOSE_MM, PAIR_ON_A_TRAY = 24.0, 25.0, 2
DEEPEST, FIRST, NEXT = 0.85, 0.55, 0.48
"""A tray takes so much of the depth of its place; the first thing on it, and each further one, so much of its width."""

TALL = frozenset({"vessel", "candle", "plant", "sculpture"})
TALL_IN_A_KITCHEN = frozenset({"vessel", "tableware", "object"})
LOWER = frozenset({"candle", "bowl", "object", "box", "tableware", "plant", "vessel"})
AT_HAND_IN_A_KITCHEN = frozenset({"tableware", "vessel", "bowl", "box"})
SMALL = frozenset({"candle", "bowl", "object", "box", "tableware", "beads"})


def tray_set(
    stock: Stock, ledge: Ledge, used: Collection[str], *, width: float = float("inf"), tall: float = 0.7,
    deepest: float = DEEPEST,
) -> Group | None:  # fmt: skip
    """Return a tray with two things or three on it, None where that cannot be had.

    Parameters
    ----------
    stock : Stock
        What is at hand.
    ledge : Ledge
        Where it goes.
    used : collection of str
        Things that stand somewhere already.
    width : float
        The tray is no wider, in mm.
    tall : float
        How high the tallest thing on it may be, in parts of the frame.
    deepest : float
        How deep the tray may be, in parts of the depth of its place.
    """
    frame = stock.frame(ledge)
    suiting = [
        thing
        for thing in stock.free(ledge, used, {"tray"})
        if 220 <= thing.width <= width and thing.depth <= deepest * ledge.depth and thing.height < 80
    ]
    found = stock.pick(suiting, lambda thing: thing.worth + thing.width * thing.depth / 4e5)
    if found is None:
        return None
    group = Group("tray", ledge.depth)
    tray = group.set_down(found, "middle")
    on_it: list[Member] = []

    def add(
        along: float, into: float, kinds: Collection[str], low: float, high: float, value: Callable[[Thing], float]
    ) -> Member | None:
        """Set a thing at a place of the tray, told in halves of what it leaves free."""
        wide, deep = tray.width - FINGER_MM, tray.depth - FINGER_MM
        room = [
            thing
            for thing in stock.free(ledge, {*used, *group.ids}, kinds, low=low, high=high)
            if thing.width <= (NEXT if on_it else FIRST) * wide and thing.depth <= 0.8 * deep
            and not stock.is_hard(thing) and safe_together(thing, (member.thing for member in group))
            and all(_is_clear(thing, along * (wide - thing.width) / 2, into * (deep - thing.depth) / 2, tray, other)
                    for other in on_it)
            and not _is_kept(thing, along * (wide - thing.width) / 2, into * (deep - thing.depth) / 2, tray)
        ]  # fmt: skip
        things = [member.thing for member in on_it]
        one = stock.pick(
            room, lambda thing: thing.worth + value(thing) + step_of_tone(thing, found) - most_alike(thing, things)
        )
        if one is None:
            return None
        member = group.put_into(one, tray, along * (wide - one.width) / 2, into * (deep - one.depth) / 2)
        on_it.append(member)
        return member

    end = stock.rng.choice((-1, 1))
    first = add(
        -0.8 * end, 0.8, TALL_IN_A_KITCHEN if stock.room == "kitchen" else TALL, 0.2 * frame, tall * frame,
        lambda thing: 0.3 * (thing.category == "vessel") - abs(thing.height / frame - 0.45),
    )  # fmt: skip
    if first is not None and first.thing.category == "vessel":
        fill_vessel(stock, group, ledge, used, first, 0.9)
    cooks = stock.room == "kitchen"
    add(0.8 * end, 0.3, AT_HAND_IN_A_KITCHEN if cooks else LOWER, 0.08 * frame, 0.4 * frame, _daily)
    add(-0.1 * end, -0.9, AT_HAND_IN_A_KITCHEN if cooks else SMALL, 0.03 * frame, 0.25 * frame, _daily)
    if len(on_it) == PAIR_ON_A_TRAY:
        _drawn_together(group, tray, on_it)
    return group if len(on_it) >= PAIR_ON_A_TRAY else None


def _drawn_together(group: Group, tray: Member, on_it: Sequence[Member]) -> None:
    """Draw two things toward the middle of their tray, so that no bare corner lies between them."""
    one, other = sorted(on_it, key=lambda member: member.x)
    gap = other.left - one.right - CLOSE_MM
    for member, side in ((one, 1), (other, -1)):
        if gap > 0:
            member.x += side * gap / 2
            member.z += (tray.z - member.z) / 2
            for held in group:
                if held.inside is member:
                    held.x, held.z = member.x, member.z


def _daily(thing: Thing) -> float:
    return 0.3 * ("daily-use" in thing.item.traits)


def _is_kept(thing: Thing, along: float, into: float, tray: Member) -> bool:
    """Tell whether a thing would stand in a place that is kept for another on its tray."""
    x, z = tray.width / 2 + along, tray.depth / 2 + into
    return any(
        x - thing.width / 2 < place.right and x + thing.width / 2 > place.left
        and z - thing.depth / 2 < place.front + place.depth and z + thing.depth / 2 > place.front
        for place in tray.thing.item.kept
    )  # fmt: skip


def _is_clear(thing: Thing, along: float, into: float, tray: Member, other: Member) -> bool:
    beside = abs(along - (other.x - tray.x)) >= (thing.width + other.width) / 2 + 4
    return beside or abs(into - (other.z - tray.z)) >= (thing.depth + other.depth) / 2 + 4
