"""Where groups stand on a ledge: near each other or clear of each other, between what is fixed or kept there.

What practised hands compose stands a finger or two apart, or has one clear rest; gaps of a middling width, the same one
again and again, are what tells a line of single things. On a shelf the rest lies over what is low.
"""

from collections.abc import Callable, Collection, Sequence

from jolly_ledge.geometry.pose import extent
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import LOOKED_AT
from jolly_ledge.proposals.groups.group import Group, Member
from jolly_ledge.proposals.groups.stock import Stock

Make = Callable[[Collection[str], float], Group | None]
"""Makes a group of what is not used, no wider than so many mm."""

Span = tuple[float, float]

FIRST_OF_TWO, FIRST_OF_MORE = 0.5, 0.36
"""The first group takes up to so much of a ledge: tighter gives two singles, looser one lonely group."""

MOST_SHARE, LAST_SHARE, LEAST_ROOM = 0.92, 0.94, 0.14
WIDE_SPAN_MM, FIRST_IN_A_SPAN = 420.0, 0.6
NARROWEST_MM, SCREEN_ABOVE_MM = 150.0, 300.0
COVERS_FROM, ASIDE_MM, OVER_MM = 0.04, 12.0, 8.0
KEPT_RIM_MM = 10.0
FINGER_MM, CLEAR_MM = (12.0, 26.0), 14.0
"""Groups that are read together stand a finger or two apart: touching looks clumsy. What comes later leaves so much to
its neighbours at least.
"""

ENDS_OF_A_SHELF, ENDS_OF_A_TOP, AIRY_ENDS = (0.012, 0.05), (0.05, 0.13), (0.14, 0.22)
"""So far in from its ends a shelf is filled, in parts of its width, and tops and airy shelves in parts of what is free.
"""

MARGIN_MM, OPEN_MARGIN_MM, WIDER_MM = 4.0, 25.0, 25.0


def spans_of(stock: Stock, ledge: Ledge) -> list[Span]:
    """Return the stretches of a ledge with no bar, brace, low screen or fire, and nothing that stays or is kept."""
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
        if fixture.kind == "firebox" and ledge.floor < fixture.floor + fixture.height:
            cuts.append((left, right))
        if fixture.kind == "cooktop" and abs(fixture.floor - ledge.floor) < 60:
            cuts.append((left - 160, right + 160))
    cuts += [(place.left - KEPT_RIM_MM, place.right + KEPT_RIM_MM) for place in ledge.kept]
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


def without(span: Span, left: float, right: float) -> list[Span]:
    """Return what is left of a stretch beside another.

    Parameters
    ----------
    span : (float, float)
        The stretch, in mm along the ledge.
    left, right : float
        What is taken of it.

    >>> without((0.0, 100.0), 40.0, 60.0), without((0.0, 100.0), 50.0, 200.0), without((0.0, 10.0), 0.0, 10.0)
    ([(0.0, 40.0), (60.0, 100.0)], [(0.0, 50.0)], [])
    """
    parts = [(span[0], min(span[1], left)), (max(span[0], right), span[1])]
    return [part for part in parts if part[1] - part[0] > 0]


def fill(
    stock: Stock, ledge: Ledge, used: Collection[str], makers: Sequence[Make], share: float, order: int,
    first: float | None = None, more: Sequence[Make] = (),
) -> list[Group]:  # fmt: skip
    """Return groups on a ledge: made one after another until so much of its width is taken, then spread.

    ``order`` tells whether the first stands to the left (1) or to the right (-1), ``first`` how much of the width it
    may take, where that is not as usual; ``more`` makes what fills a ledge that the makers leave too bare.

    Parameters
    ----------
    stock : Stock
        What is at hand.
    ledge : Ledge
        Where it goes.
    used : collection of str
        Things that stand somewhere already.
    makers : sequence of Make
        What makes the groups, in order.
    share : float
        Which part of the width is to be taken, 0 to 1.
    order : int
        Whether the first stands to the left (1) or to the right (-1).
    first : float, optional
        How much of the width the first group may take, 0 to 1.
    more : sequence of Make
        What fills a ledge that the makers leave too bare.
    """
    spans = spans_of(stock, ledge)
    if spans != [(0.0, ledge.width)]:
        return _in_spans(stock, ledge, used, (*makers, *more), spans, order, share)
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
        if group is None or not group.narrowed(min(room, 0.92 * ledge.width) + WIDER_MM):
            continue
        if not groups or sum(made.width for made in groups) + group.width <= LAST_SHARE * ledge.width:
            groups.append(group)
    for make in more:
        room = share * ledge.width - sum(group.width for group in groups)
        if room < LEAST_ROOM * ledge.width:
            break
        group = make({*used, *(one for made in groups for one in made.ids)}, room)
        if group is not None:
            groups.insert(1, group)
    return spread(stock, ledge, groups, order)


def _in_spans(
    stock: Stock, ledge: Ledge, used: Collection[str], makers: Sequence[Make], spans: Sequence[Span], order: int,
    share: float,
) -> list[Group]:  # fmt: skip
    """Return a group for every narrow stretch and groups for every wide one, none across what parts them."""
    groups: list[Group] = []
    for number, (left, right) in enumerate(spans if order > 0 else spans[::-1]):
        turned = (*makers[number % len(makers) :], *makers[: number % len(makers)], *makers)
        taken = {*used, *(one for made in groups for one in made.ids)}
        found = _in_a_span(turned, taken, right - left, share if right - left > WIDE_SPAN_MM else 0.0)
        room = right - left - sum(group.width for group in found)
        ends = stock.rng.uniform(0.35, 0.65) if len(found) == 1 else 0.18
        x = left + ends * room
        between = room * (1 - 2 * ends) / max(len(found) - 1, 1)
        for group in found:
            group.shift(x - group.left)
            x = group.right + between
            groups.append(_kept_on(ledge, group))
    return sorted(groups, key=lambda group: group.left)


def _in_a_span(makers: Sequence[Make], used: Collection[str], wide: float, share: float) -> list[Group]:
    found: list[Group] = []
    for make in makers:
        room = (0.92 if not found else 0.86) * wide - sum(group.width for group in found)
        if found and sum(group.width for group in found) > share * wide - LEAST_ROOM * wide:
            break
        if share > 0 and not found:
            room = min(room, FIRST_IN_A_SPAN * wide)
        group = make({*used, *(one for made in found for one in made.ids)}, room)
        if group is not None and group.narrowed(room + 4):
            found.append(group)
    return found


def keeps_to_a_span(stock: Stock, ledge: Ledge, group: Group) -> bool:
    """Tell whether a group stands between bars and what stays, not across them; where there are none it does."""
    spans = spans_of(stock, ledge)
    if spans == [(0.0, ledge.width)]:
        return True
    return any(left - OVER_MM <= group.left and group.right <= right + OVER_MM for left, right in spans)


def spread(stock: Stock, ledge: Ledge, groups: Sequence[Group], order: int) -> list[Group]:
    """Set groups along a ledge, a little in from its ends, near each other but for one rest."""
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
        left, right = (_end(stock, ledge, rest) for _ in range(2))
        x = 0.0 if row[0].wants_end < 0 else left
        right = 0.0 if row[-1].wants_end > 0 else right
        for group, gap in zip(row, (*near_or_clear(stock, rest - x - right, len(row) - 1), 0.0), strict=True):
            group.shift(x - group.left)
            x = group.right + gap
    kept = [_kept_on(ledge, group) for group in row]
    for group in kept:
        _move_aside(stock, ledge, group, [other for other in kept if other is not group])
    return kept


def _end(stock: Stock, ledge: Ledge, rest: float) -> float:
    """Return how far in from an end the first group stands, in mm, where so much of the ledge is free."""
    if stock.roles[ledge.id] == "shelf" and stock.fullness(ledge) != "airy":
        return min(stock.rng.uniform(*ENDS_OF_A_SHELF) * ledge.width, max(rest, 0.0) / 3)
    return stock.rng.uniform(*(ENDS_OF_A_TOP if stock.roles[ledge.id] == "top" else AIRY_ENDS)) * rest


def near_or_clear(stock: Stock, free: float, count: int) -> list[float]:
    """Return gaps between groups, in mm: all are narrow but one, which takes what is left of what is free.

    Parameters
    ----------
    stock : Stock
        What is at hand.
    free : float
        All of them together, in mm.
    count : int
        How many there are.
    """
    narrow = [min(stock.rng.uniform(*FINGER_MM), free / count) for _ in range(count - 1)]
    narrow.insert(stock.rng.randrange(count), free - sum(narrow))
    return narrow


def _move_aside(stock: Stock, ledge: Ledge, group: Group, others: Sequence[Group]) -> None:
    """Move a group that would stand before a picture, a mirror or a screen to a side of it, where there is room."""
    for fixture in stock.piece.fixtures:
        left, right = fixture.left - ledge.left, fixture.right - ledge.left
        over = fixture.kind in LOOKED_AT and fixture.floor >= ledge.floor
        covered = sum(covers(member, left, right, fixture.floor - ledge.floor) for member in group)
        if not over or covered < COVERS_FROM * fixture.width * fixture.height:
            continue
        margin = OPEN_MARGIN_MM
        places = [
            x for x in (left - ASIDE_MM - group.width, right + ASIDE_MM)
            if margin <= x and x + group.width <= ledge.width - margin
            and all(x + group.width < other.left or x > other.right for other in others)
        ]  # fmt: skip
        if places:
            group.shift(min(places, key=lambda x: abs(x - group.left)) - group.left)


def stands_before_a_picture(stock: Stock, ledge: Ledge, member: Member) -> bool:
    """Tell whether a thing on a ledge covers anything of a picture, a mirror or a screen that is fixed over it."""
    return any(
        fixture.kind in LOOKED_AT
        and covers(member, fixture.left - ledge.left, fixture.right - ledge.left, fixture.floor - ledge.floor) > 0
        for fixture in stock.piece.fixtures
    )


def covers(member: Member, left: float, right: float, floor: float) -> float:
    """Return how much of what begins at a height over the ledge a thing covers, what is thin apart (mm²).

    Parameters
    ----------
    member : Member
        A thing, in mm from the left end of its ledge.
    left : float
        The left edge, in mm.
    right : float
        The right edge, in mm.
    floor : float
        Where it begins over the ledge, in mm.
    """
    across, up = min(member.right, right) - max(member.left, left), member.top - max(member.base, floor)
    return max(across, 0.0) * max(up, 0.0) * (member.thing.category != "stems")


def _kept_on(ledge: Ledge, group: Group) -> Group:
    margin = 0.0 if group.wants_end else MARGIN_MM if ledge.clearance is not None else OPEN_MARGIN_MM
    if group.foot_left < margin:
        group.shift(margin - group.foot_left)
    if group.foot_right > ledge.width - margin:
        group.shift(ledge.width - margin - group.foot_right)
    return group
