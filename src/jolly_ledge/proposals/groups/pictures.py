"""Pictures in layers: a large one against the wall, a smaller one before its side, a low thing at its foot."""

from collections.abc import Collection

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.groups.books import crown, stack
from jolly_ledge.proposals.groups.group import Group, Member
from jolly_ledge.proposals.groups.stock import Stock, is_tied, most_alike, step_of_tone
from jolly_ledge.proposals.thing import Thing

PICTURES = frozenset({"art", "frame", "mirror"})
AT_ITS_FOOT = frozenset({"bowl", "box", "object", "sculpture", "vessel", "candle", "plant"})
LARGE_HEIGHT, SECOND_HEIGHT, FOOT_HEIGHT = (0.4, 0.92), (0.4, 0.82), 0.42
SECOND_OFTEN, STACK_OFTEN = 0.8, 0.5
SECOND_COVERS, AHEAD_MM, FOOT_ASIDE = 0.3, 12.0, 0.2


def pictures(
    stock: Stock, ledge: Ledge, used: Collection[str], *, side: int = 1, width: float = float("inf")
) -> Group | None:
    """Return a large picture with what stands before it, the second picture to one side; None without a large one.

    The arguments are told at :class:`~jolly_ledge.proposals.groups.register.Making`.
    """
    frame = stock.frame(ledge)
    large = [
        thing for thing in stock.free(ledge, used, PICTURES, low=LARGE_HEIGHT[0] * frame, high=LARGE_HEIGHT[1] * frame)
        if thing.width <= width
    ]  # fmt: skip
    lead = stock.pick(large, lambda thing: 1.2 * thing.worth + min(thing.width / width, 0.9), leads=True)
    if lead is None:
        return None
    group = Group("pictures", ledge.depth)
    back = group.set_down(lead, "back")
    if stock.rng.random() < SECOND_OFTEN:
        _second(stock, group, ledge, used, back, side, width)
    _at_its_foot(stock, group, ledge, used, back, -side)
    return group


def _second(
    stock: Stock, group: Group, ledge: Ledge, used: Collection[str], back: Member, side: int, width: float
) -> None:
    """Stand a smaller picture on its strut before a side of the large one."""
    smaller = [
        thing
        for thing in stock.free(
            ledge, {*used, *group.ids}, {"frame"}, low=SECOND_HEIGHT[0] * back.height,
            high=SECOND_HEIGHT[1] * back.height,
        )
        if thing.width < 0.75 * back.width and thing.item.depth < 60
        and group.width + (1 - SECOND_COVERS) * thing.width <= width
    ]  # fmt: skip
    found = stock.pick(smaller, lambda thing: thing.worth + 0.5 * is_tied(thing, back.thing))
    if found is None:
        return
    member = Member(found, "upright", 0.0, 0.0)
    member.z = back.front - AHEAD_MM - member.depth / 2
    edge = back.right if side > 0 else back.left
    member.x = edge + side * (0.5 - SECOND_COVERS) * member.width
    if member.front > 0:
        group.members.append(member)


def _at_its_foot(
    stock: Stock, group: Group, ledge: Ledge, used: Collection[str], back: Member, side: int
) -> None:  # fmt: skip
    """Set books with a small thing, or a low thing by itself, before the other side."""
    near: list[Thing] = [member.thing for member in group]
    if stock.rng.random() < STACK_OFTEN:
        books = Group("foot", ledge.depth)
        laid = stack(stock, books, ledge, {*used, *group.ids}, count=2, widest=0.5 * back.width)
        if laid is not None:
            crown(stock, books, ledge, {*used, *group.ids}, laid[0], [*laid[1], *near], 0.2)
            books.shift(back.x + side * FOOT_ASIDE * back.width - books.members[0].x)
            if books.height < 0.6 * back.height and all(group.is_clear(member) for member in books if member.stands):
                group.members += books.members
                return
    low = [
        thing
        for thing in stock.free(ledge, {*used, *group.ids}, AT_ITS_FOOT, low=35, high=FOOT_HEIGHT * back.height)
        if thing.width < 0.45 * back.width and not stock.is_hard(thing)
    ]
    found = stock.pick(low, lambda thing: thing.worth + step_of_tone(thing, back.thing) - most_alike(thing, near))
    if found is not None:
        member = group.at_depth(found, "front")
        member.x = back.x + side * (FOOT_ASIDE + 0.1) * back.width
        if group.is_clear(member):
            group.members.append(member)
