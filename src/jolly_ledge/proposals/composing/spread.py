"""Where groups stand on a ledge: from its ends inward with clear rest between, between what is fixed or kept there."""

from collections.abc import Callable, Collection, Sequence

from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.pose import extent
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.stock import Stock

Make = Callable[[Collection[str], float], Group | None]
"""Makes a group of what is not used, no wider than so many mm."""

Span = tuple[float, float]

FIRST_OF_TWO, FIRST_OF_MORE = 0.5, 0.36
"""The first group takes up to so much of a ledge: tighter gives two singles, looser one lonely group."""

MOST_SHARE, LAST_SHARE, LEAST_ROOM = 0.88, 0.9, 0.14
NARROWEST_MM, SCREEN_ABOVE_MM = 150.0, 300.0
MARGIN_MM, OPEN_MARGIN_MM = 4.0, 25.0


def spans_of(stock: Stock, ledge: Ledge) -> list[Span]:
    """Return the stretches of a ledge that no bar, brace or low screen crosses and nothing that stays stands on."""
    frame = stock.frame(ledge)
    cuts: list[Span] = []
    for fixture in stock.piece.fixtures:
        left, right = fixture.left - ledge.left, fixture.right - ledge.left
        if right <= 20 or left >= ledge.width - 20:
            continue
        crosses = (
            fixture.floor < ledge.floor + 0.9 * frame and fixture.floor + fixture.height > ledge.floor + 0.1 * frame
        )
        if fixture.kind in ("bar", "brace") and crosses:
            cuts.append((left - 8, right + 8))
        if fixture.kind == "tv" and ledge.floor - 50 <= fixture.floor < ledge.floor + SCREEN_ABOVE_MM:
            cuts.append((left + 20, right - 20))
        if fixture.kind == "cooktop" and abs(fixture.floor - ledge.floor) < 60:
            cuts.append((left - 160, right + 160))
    items = {item.id: item for item in stock.problem.plan.stash}
    for placement in stock.problem.fixed:
        if placement.ledge == ledge.id and placement.host is None and placement.x is not None:
            half = extent(items[placement.item], placement.pose, placement.turn).width / 2
            cuts.append((placement.x - half - 20, placement.x + half + 20))
    found: list[Span] = []
    end = 0.0
    for left, right in sorted(cuts):
        if left - end >= NARROWEST_MM:
            found.append((end, left))
        end = max(end, right)
    if ledge.width - end >= NARROWEST_MM:
        found.append((end, ledge.width))
    return found


def fill(
    stock: Stock, ledge: Ledge, used: Collection[str], makers: Sequence[Make], share: float, order: int,
    first: float | None = None,
) -> list[Group]:  # fmt: skip
    """Return groups on a ledge: made one after another until so much of its width is taken, then spread.

    ``order`` tells whether the first stands to the left (1) or to the right (-1), ``first`` how much of the width it
    may take, where that is not as usual.
    """
    spans = spans_of(stock, ledge)
    if spans != [(0.0, ledge.width)]:
        return _in_spans(stock, ledge, used, makers, spans, order)
    groups: list[Group] = []
    for make in makers:
        if len(makers) == 1:
            room = max(share, MOST_SHARE) * ledge.width
        elif not groups:
            room = (first or (FIRST_OF_TWO if len(makers) == 2 else FIRST_OF_MORE)) * ledge.width
        else:
            room = min(share + LEAST_ROOM, MOST_SHARE) * ledge.width - sum(group.width for group in groups)
        if groups and room < LEAST_ROOM * ledge.width:
            break
        group = make({*used, *(one for made in groups for one in made.ids)}, room)
        if group is None or group.width > 0.92 * ledge.width:
            continue
        if not groups or sum(made.width for made in groups) + group.width <= LAST_SHARE * ledge.width:
            groups.append(group)
    return spread(stock, ledge, groups, order)


def _in_spans(
    stock: Stock, ledge: Ledge, used: Collection[str], makers: Sequence[Make], spans: Sequence[Span], order: int
) -> list[Group]:
    groups: list[Group] = []
    for number, (left, right) in enumerate(spans if order > 0 else spans[::-1]):
        taken = {*used, *(one for made in groups for one in made.ids)}
        for make in (makers[number % len(makers)], *makers):
            group = make(taken, 0.92 * (right - left))
            if group is not None and group.width <= right - left - 8:
                room = right - left - group.width
                group.shift(left + room * stock.chance.uniform(0.35, 0.65) - group.left)
                groups.append(_kept_on(ledge, group))
                break
    return sorted(groups, key=lambda group: group.left)


def spread(stock: Stock, ledge: Ledge, groups: Sequence[Group], order: int) -> list[Group]:
    """Set groups along a ledge, a little in from its ends, with even rest between."""
    row = list(groups if order > 0 else groups[::-1])
    if not row:
        return []
    rest = ledge.width - sum(group.width for group in row)
    if len(row) == 1:
        (group,) = row
        centred = group.width > 0.62 * ledge.width or (stock.room == "bed" and ledge.width < 700)
        share = 0.5 if centred else 0.3 if order > 0 else 0.7
        if group.wants_end:
            share = 0.0 if group.wants_end < 0 else 1.0
        group.shift(share * rest - group.left)
    else:
        end = stock.chance.uniform(0.16, 0.24) if len(row) == 2 else 0.12
        if stock.roles[ledge.id] == "top":
            end = stock.chance.uniform(0.05, 0.13)
        x = 0.0 if row[0].wants_end < 0 else end * rest
        between = (rest - x - end * rest) / (len(row) - 1)
        for number, group in enumerate(row):
            at_the_end = number == len(row) - 1 and group.wants_end > 0
            group.shift((ledge.width - group.width if at_the_end else x) - group.left)
            x = group.right + between
    return [_kept_on(ledge, group) for group in row]


def _kept_on(ledge: Ledge, group: Group) -> Group:
    margin = 0.0 if group.wants_end else MARGIN_MM if ledge.clearance is not None else OPEN_MARGIN_MM
    if group.foot_left < margin:
        group.shift(margin - group.foot_left)
    if group.foot_right > ledge.width - margin:
        group.shift(ledge.width - margin - group.foot_right)
    return group
