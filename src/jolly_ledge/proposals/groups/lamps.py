"""A lamp with books and a dish, or with a companion; by a bed with a small vessel, too."""

from collections.abc import Collection

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.groups.books import crown, stack
from jolly_ledge.proposals.groups.group import Depth, Group
from jolly_ledge.proposals.groups.stock import Stock, alike, step_of_tone
from jolly_ledge.proposals.groups.vessels import fill_vessel
from jolly_ledge.proposals.thing import Thing

COMPANIONS = frozenset({"vessel", "sculpture", "bowl", "box", "frame", "object", "candle", "plant"})
SMALL = frozenset({"bowl", "box", "object", "candle"})
BEDSIDE_LAMP_MM, ON_A_CONSOLE = 460.0, (0.42, 230.0)
WIDE_TOP_MM, BEFORE_A_LAMP_MM, BESIDE_MM = 420.0, 215.0, 12.0
SLENDER_LAMP, HIGHEST_LAMP = 0.42, 1.05
"""No wider than so much of its top without cost, and no higher than so much of what is filled over it."""
BOOKS_OFTEN, BOOKS_OFTEN_BY_A_BED = 0.6, 0.85


def lamp_set(
    stock: Stock, ledge: Ledge, used: Collection[str], *, side: int = 1, width: float = float("inf")
) -> Group | None:
    """Return a lamp with what stands by it to one side, None where there is none.

    The arguments are told at :class:`~jolly_ledge.proposals.groups.register.Making`.
    """
    by_a_bed = stock.room == "bed"
    lamps = [
        thing for thing in stock.of_kind(ledge, used, "lamp")
        if thing.depth <= ledge.depth and thing.width <= (0.75 if by_a_bed else 0.6) * ledge.width
        and thing.height <= (HIGHEST_LAMP * stock.frame(ledge) if ledge.clearance is None else ledge.clearance)
    ]  # fmt: skip
    share, more = ON_A_CONSOLE
    wanted = BEDSIDE_LAMP_MM if by_a_bed else share * stock.piece.height + more
    lamp = stock.pick(
        lamps,
        lambda thing: thing.worth - abs(thing.height - wanted) / 350
        - 2.0 * max(thing.width / ledge.width - SLENDER_LAMP, 0.0),
        leads=True,
    )  # fmt: skip
    if lamp is None:
        return None
    group = Group("lamp", ledge.depth)
    group.set_down(lamp, "back" if ledge.depth > 250 else "middle")
    if stock.rng.random() < (BOOKS_OFTEN_BY_A_BED if by_a_bed else BOOKS_OFTEN):
        count = stock.rng.choice((1, 2)) if by_a_bed else 2
        # Where the top is too shallow for books before the lamp they lie beside it.
        before = ledge.depth - lamp.depth > BEFORE_A_LAMP_MM
        widest = width - (0.5 if before else 1.0) * lamp.width - BESIDE_MM
        laid = stack(stock, group, ledge, used, side=side, count=count, overlap=0.3, widest=widest)
        if laid is not None:
            crowned = crown(stock, group, ledge, used, laid[0], [*laid[1], lamp], 0.2) is not None
            if by_a_bed:
                _beside_the_bed(stock, group, ledge, used, side, width)
            if crowned or by_a_bed:
                return group
            # What is read in bed may lie there bare; elsewhere bare books look forgotten.
            group.take_out(group.members[1])
    beside = [
        thing
        for thing in stock.free(ledge, {*used, *group.ids}, COMPANIONS, low=0.15 * lamp.height, high=0.5 * lamp.height)
        if not stock.is_hard(thing) and group.takes(thing, width, _depth_of(ledge, lamp, thing), side, 0.25, 10)
    ]
    second = stock.pick(
        beside,
        lambda thing: thing.worth - abs(thing.height / lamp.height - 0.42) - alike(thing, lamp)
        + step_of_tone(thing, lamp),
    )  # fmt: skip
    if second is not None:
        member = group.set_down(second, _depth_of(ledge, lamp, second), side, 0.25)
        if second.category == "vessel" and fill_vessel(stock, group, ledge, used, member, 0.7):
            stems = group.members[-1]
            if stems.top > 0.66 * lamp.height:
                group.take_out(stems)
    low = [
        thing
        for thing in stock.free(ledge, {*used, *group.ids}, SMALL, high=0.22 * lamp.height)
        if not stock.is_hard(thing) and group.takes(thing, width, "front", side, 0.25, 8)
    ]
    third = stock.pick(low, lambda thing: thing.worth + step_of_tone(thing, lamp) + 0.2 * (thing.category == "bowl"))
    if third is not None:
        group.set_down(third, "front", side, 0.25)
    return group


def _depth_of(ledge: Ledge, lamp: Thing, second: Thing) -> Depth:
    return "middle" if ledge.depth - lamp.depth - second.depth < 15 else "front"


def _beside_the_bed(stock: Stock, group: Group, ledge: Ledge, used: Collection[str], side: int, width: float) -> None:
    """Add a small filled vessel behind the books, and a dish before them where the top is wide enough."""
    lamp = group.members[0].thing
    vessels = [
        thing
        for thing in stock.free(ledge, {*used, *group.ids}, {"vessel"}, low=0.2 * lamp.height, high=0.55 * lamp.height)
        if thing.width < 150 and thing.depth < 0.5 * ledge.depth
    ]
    vessel = stock.pick(vessels, lambda thing: thing.worth + step_of_tone(thing, lamp))
    if vessel is not None and group.width + 0.3 * vessel.width < width:
        member = group.set_down(vessel, "back", side, 0.6)
        filled = fill_vessel(stock, group, ledge, used, member)
        # An empty vessel by a bed says nothing; stems do not grow into the shade.
        crosses = filled and min(group.members[-1].right, group.members[0].right) > max(
            group.members[-1].left, group.members[0].left
        )
        if group.width > width or not filled or crosses:
            group.take_out(member)
    if ledge.width <= WIDE_TOP_MM:
        return
    dishes = [
        thing
        for thing in stock.free(ledge, {*used, *group.ids}, {"bowl", "box", "tableware"}, high=0.3 * lamp.height)
        if thing.width < 150 and not stock.is_hard(thing) and group.width + thing.width < width
    ]
    dish = stock.pick(dishes, lambda thing: thing.worth + step_of_tone(thing, lamp))
    if dish is not None:
        group.set_down(dish, "front", side, 0.2)
