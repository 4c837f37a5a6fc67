"""Books: a stack under an object, with something taller beside it, a row with an end hold."""

from collections.abc import Collection, Iterator

from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.groups.group import Depth, Group, Member
from jolly_ledge.proposals.groups.stock import Stock, most_alike, step_of_tone
from jolly_ledge.proposals.groups.vessels import fill_vessel
from jolly_ledge.proposals.thing import Thing

CROWNS = frozenset({"object", "bowl", "candle", "sculpture", "box", "plant", "vessel"})
BESIDE = frozenset({"vessel", "sculpture", "plant", "object", "frame", "candle"})
HOLDS = frozenset({"object", "sculpture", "vessel", "box", "bowl", "book-stack", "basket", "plant"})
FEWEST_IN_A_ROW = 3
RISING_CROWNS, RISEN_CROWN, CROWN_FOR_ITS_HOST = frozenset({"sculpture", "object", "vessel"}), 0.5, 0.8
CLEAR_OVER, CLEAR_BELOW = 0.95, 0.8
"""A crowned stack keeps so low under what is over it, on a lower shelf lower still: there it is seen from above.
What rises on a stack is up to so much of the frame, and of the width of the stack."""

POTS = frozenset({"plant", "vessel"})
"""A lid is lifted, and what is watered wets it: pots stand on books, by hand none of 25 looks had one on a box."""

CROWN_WORTH = {"box": 0.2, "sculpture": 0.3, "beads": -0.4}
LEAST_HOLD_MM, STEADY_ROW_MM = 120.0, 180.0
ASIDE = 0.08
"""A crown lies by so much of its host's width off the middle."""

LIBRARY_SHARE = 0.45
"""From so much of the shelves on, books standing side by side make the look."""

SECOND_BLOCK_OFTEN, FILLS_ITS_SHELF, PILE_OFTEN = 0.45, 0.5, 0.75


def stack(
    stock: Stock, group: Group, ledge: Ledge, used: Collection[str], *, side: int = 1, count: int = 0,
    depth: Depth = "front", overlap: float = 0.0, widest: float = float("inf"),
) -> tuple[Member, list[Thing]] | None:  # fmt: skip
    """Lay books on each other, the largest below, or set a stack down; return its top and the books.

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
    side : int
        To which side the lesser members stand: 1 to the right, -1 to the left.
    count : int
        How many books lie in the stack at most.
    depth : str
        Where in the depth of the ledge: back, middle or front.
    overlap : float
        Which part of the narrower one it stands before or behind, 0 to 1.
    widest : float
        A wider book is left out, in mm.
    """
    taken = {*used, *group.ids}
    loose = [thing for thing in stock.free(ledge, taken, {"book"}) if thing.width <= widest]
    blocks = [thing for thing in stock.free(ledge, taken, {"book-stack"}) if thing.width <= widest]
    # One thin book is no stack while there is a pile.
    if blocks and (len(loose) < 2 or stock.rng.random() < PILE_OFTEN):
        block = stock.pick(blocks, lambda thing: thing.worth)
        assert block is not None
        return group.set_down(block, depth, side, overlap), [block]
    base = stock.pick(loose, lambda thing: thing.worth + thing.width / 600)
    if base is None:
        return None
    above = [
        thing for thing in loose
        if thing is not base and thing.width <= base.width + 2 and thing.depth <= base.depth + 2
        and thing.width > 0.62 * base.width
    ]  # fmt: skip
    stock.rng.shuffle(above)
    above.sort(key=lambda thing: -thing.worth)
    wanted = count or stock.rng.choice((2, 2, 3))
    chosen = sorted([base, *above[: wanted - 1]], key=lambda thing: -thing.width * thing.depth)
    top = group.set_down(chosen[0], depth, side, overlap)
    for book in chosen[1:]:
        top = group.lay_on(book, top, stock.rng.uniform(-6, 6))
    return top, chosen


def may_crown(stock: Stock, ledge: Ledge, thing: Thing, host: Member, high: float = 0.3) -> bool:
    """Tell whether a thing may lie on a stack or a box: well within it, and low enough for the frame.

    Parameters
    ----------
    stock : Stock
        What is at hand.
    ledge : Ledge
        Where they are.
    thing : Thing
        What is laid on.
    host : Member
        What carries it.
    high : float
        No higher than this part of the frame.
    """
    frame = stock.frame(ledge)
    rises = thing.category in RISING_CROWNS and thing.height > thing.width
    highest = min(RISEN_CROWN * frame, CROWN_FOR_ITS_HOST * host.width) if rises else high * frame + 40
    return (
        thing.width <= 0.85 * host.width
        and thing.depth <= host.depth + 5
        and 20 <= thing.height <= highest
        and host.top + thing.height < (CLEAR_BELOW if stock.roles[ledge.id] == "below" else CLEAR_OVER) * frame
        and not stock.is_hard(thing)
        and not (host.thing.category == "box" and thing.category in POTS)
    )


def crown(
    stock: Stock, group: Group, ledge: Ledge, used: Collection[str], host: Member, near: list[Thing], high: float = 0.3
) -> Thing | None:
    """Lay a worthy small thing on a stack or a box; a stack without a crown looks forgotten.

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
    host : Member
        What carries or holds it.
    near : list of Thing
        What stands by it.
    high : float
        No higher than this part of the frame.
    """
    taken = {*used, *group.ids}
    suiting = [thing for thing in stock.free(ledge, taken, CROWNS) if may_crown(stock, ledge, thing, host, high)]
    suiting += [
        thing for thing in stock.free(ledge, taken, {"beads"})
        if thing.width <= host.width + 10 and thing.depth <= host.depth + 5
    ]  # fmt: skip
    found = stock.pick(
        suiting,
        lambda thing: thing.worth - most_alike(thing, near) + 0.8 * step_of_tone(thing, host.thing)
        + CROWN_WORTH.get(thing.category, 0.0) - 0.5 * abs(thing.width / host.width - 0.5),
    )  # fmt: skip
    if found is not None:
        lay_askew(stock, group, found, host)
    return found


def lay_askew(stock: Stock, group: Group, thing: Thing, host: Member) -> None:
    """Lay a thing on a member of a group a little off its middle: that looks laid down, not lined up."""
    room = max(host.width - thing.width, 0.0) / 2
    group.lay_on(thing, host, stock.rng.choice((-1, 1)) * min(ASIDE * host.width, room))


def bare_tops(group: Group) -> Iterator[Member]:
    """Yield the uppermost of each stack of books that lies in a group and carries nothing."""
    for member in group:
        lies = member.thing.category == "book-stack" or (member.thing.category == "book" and member.pose == "flat")
        if lies and not any(other.on is member for other in group):
            yield member


def crowned_stack(
    stock: Stock, ledge: Ledge, used: Collection[str], *, side: int = 1, width: float = float("inf"), count: int = 0
) -> Group | None:
    """Return a stack of books under an object.

    Parameters
    ----------
    stock : Stock
        What is at hand.
    ledge : Ledge
        Where it goes.
    used : collection of str
        Things that stand somewhere already.
    side : int
        To which side the lesser members stand: 1 to the right, -1 to the left.
    width : float
        The group becomes no wider, in mm.
    count : int
        How many books lie in the stack at most.
    """
    group = Group("stack", ledge.depth)
    laid = stack(stock, group, ledge, used, side=side, count=count, depth="middle", widest=width)
    if laid is None:
        return None
    crown(stock, group, ledge, used, *laid)
    return group


def stack_with_tall(
    stock: Stock,
    ledge: Ledge,
    used: Collection[str],
    *,
    side: int = 1,
    width: float = float("inf"),
    target: float = 0.7,
) -> Group | None:
    """Return a crowned stack with something taller behind its side.

    Parameters
    ----------
    stock : Stock
        What is at hand.
    ledge : Ledge
        Where it goes.
    used : collection of str
        Things that stand somewhere already.
    side : int
        To which side the lesser members stand: 1 to the right, -1 to the left.
    width : float
        The group becomes no wider, in mm.
    target : float
        The wished height of what is tall, in parts of the frame.
    """
    group = crowned_stack(stock, ledge, used, width=0.75 * width)
    if group is None:
        return None
    frame = stock.frame(ledge)
    suiting = [
        thing
        for thing in stock.free(ledge, {*used, *group.ids}, BESIDE, low=max(0.35 * frame, 0.8 * group.height))
        if thing.width < width - 0.9 * group.width and not stock.is_hard(thing)
    ]
    near = [member.thing for member in group]
    tall = stock.pick(
        suiting,
        lambda thing: thing.worth - 1.6 * abs(thing.height / frame - target) - most_alike(thing, near)
        + step_of_tone(thing, near[0]),
        leads=True,
    )  # fmt: skip
    if tall is not None:
        member = group.set_down(tall, "back", side, 0.25)
        group.form = "stack-and-tall"
        if tall.category == "vessel":
            fill_vessel(stock, group, ledge, used, member, 0.6)
    return group


def row(
    stock: Stock, ledge: Ledge, used: Collection[str], *, side: int = 1, width: float = float("inf")
) -> Group | None:
    """Return upright books from an end of the case on, held at the other end by something heavy enough.

    The arguments are told at :class:`~jolly_ledge.proposals.groups.register.Making`.
    """
    frame = stock.frame(ledge)
    group = Group("row", ledge.depth)
    loose = [
        thing for thing in stock.of_kind(ledge, used, "book")
        if 0.5 * frame < thing.item.height <= 0.93 * frame and thing.item.depth <= ledge.depth
    ]  # fmt: skip
    library = is_library(stock)
    room = width - LEAST_HOLD_MM
    blocks = [thing for thing in stock.free(ledge, used, {"book-row"}) if thing.width <= width]
    if blocks and (len(loose) < FEWEST_IN_A_ROW + 1 or stock.rng.random() < 0.7):
        _set_blocks(stock, group, blocks, width, library=library)
    elif len(loose) > FEWEST_IN_A_ROW:
        _stand_up(stock, group, ledge, loose, room, library=library)
    if not group.members:
        return None
    high = group.height
    holding = [
        thing
        for thing in stock.free(ledge, {*used, *group.ids}, HOLDS, low=0.38 * high, high=1.05 * high)
        if thing.width < 260 and group.width + thing.width + 3 <= width and not stock.is_hard(thing)
    ]
    hold = stock.pick(
        holding,
        lambda thing: thing.worth + 0.2 * (thing.category in ("sculpture", "object")) - abs(thing.height / high - 0.7),
    )
    if hold is None and not _holds_itself(group):
        return None
    if hold is not None:
        group.set_down(hold, "middle", 1, 0.0, gap=3)
    group.wants_end = -1 if in_a_case(stock, ledge) else 0
    return group if side > 0 else group.mirror()


def in_a_case(stock: Stock, ledge: Ledge) -> bool:
    """Tell whether a ledge has sides that a row can lean against."""
    return ledge.clearance is not None and kind_of(stock.piece).is_case


def _holds_itself(group: Group) -> bool:
    return all(member.thing.category == "book-row" for member in group) and group.width >= STEADY_ROW_MM


def is_library(stock: Stock) -> bool:
    """Tell whether there are so many books that rows of them make the look."""
    wide = sum(thing.width if thing.category == "book-row" else thing.item.width for thing in stock.pool
               if thing.category in ("book", "book-row"))  # fmt: skip
    return wide > LIBRARY_SHARE * sum(ledge.width for ledge in stock.ledges)


def _set_blocks(stock: Stock, group: Group, blocks: list[Thing], room: float, *, library: bool) -> None:
    """Set rows that stand as they are side by side, while there is room and what is next is near in hue or height."""
    left = list(blocks)
    last: Thing | None = None

    def worth(thing: Thing) -> float:
        """Return how well a row goes on with a thing."""
        if last is None:
            return thing.worth
        return thing.worth + 0.3 * (thing.family == last.family) - abs(thing.height - last.height) / 200

    while last is None or library or stock.rng.random() < SECOND_BLOCK_OFTEN:
        free = room - (group.width if group.members else 0.0)
        fills = FILLS_ITS_SHELF / max(free, 1.0) if library else 0.0
        fitting = [thing for thing in left if thing.width <= free]
        found = stock.pick(fitting, lambda thing, fills=fills: worth(thing) + fills * thing.width)  # type: ignore[misc]
        if found is None:
            return
        left.remove(found)
        member = Member(found, found.pose, 0.0, 0.0)
        member.x = group.right + member.width / 2 + 1 if group.members else 0.0
        member.z = group.members[0].front + member.depth / 2 if group.members else group.depth / 2
        member.z = min(member.z, group.depth - member.depth / 2)
        group.members.append(member)
        last = found


def _stand_up(
    stock: Stock, group: Group, ledge: Ledge, loose: list[Thing], room: float, *, library: bool
) -> None:  # fmt: skip
    reference = stock.rng.choice(loose)
    near = [
        thing for thing in loose
        if abs(thing.item.height - reference.item.height) < 0.22 * reference.item.height
        and abs(thing.item.depth - reference.item.depth) < 60
    ]  # fmt: skip
    near.sort(key=lambda thing: -thing.worth)
    most = len(near) if library else stock.rng.choice((5, 6, 7, 8))
    chosen, taken = [], 0.0
    for thing in near[:most]:
        if taken + thing.item.width <= room:
            chosen.append(thing)
            taken += thing.item.width
    if len(chosen) < FEWEST_IN_A_ROW:
        return
    chosen.sort(key=lambda thing: (-round(thing.item.height / 25), thing.family, -thing.lightness))
    deepest = max(thing.item.depth for thing in chosen)
    spine = max(min(30.0, ledge.depth - deepest), ledge.depth - deepest - 10)
    for thing in chosen:
        member = Member(thing, "upright", 0.0, spine + thing.item.depth / 2)
        member.x = group.right + member.width / 2 if group.members else 0.0
        group.members.append(member)
