"""What a task takes, side by side in the order of its use, at the point where the task begins."""

from collections.abc import Collection, Iterator, Sequence

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.composing.spread import Span, spans_of, without
from jolly_ledge.proposals.composing.tables import FROM_ALL_SIDES
from jolly_ledge.proposals.groups.group import Depth, Group
from jolly_ledge.proposals.groups.stock import Stock

TASK_ROW, FEWEST_IN_A_ROW, TASK_GAP_MM, MOST_OF_A_ROW = "task", 2, 18.0, 0.5
"""What a task takes stands in one row, no wider than so much of the ledge."""

WORKED_AT, CLEAR_MM = frozenset({"top", "table", "island", "shelf"}), 55.0
"""Beside a counter, on what a row is stood where a task is told; so much stays clear at both of its ends."""


def task_rows(stock: Stock, ledge: Ledge, used: Collection[str], order: int) -> Iterator[Group]:
    """Yield what each task takes, side by side in the order of its use; what is taken by one is not in another."""
    taken = set(used)
    for task in stock.piece.tasks:
        at_hand = {thing.id: thing for thing in stock.pool if thing.id not in taken and stock.fits(thing, ledge)}
        things = [at_hand[item] for item in task.items if item in at_hand]
        if len(things) < FEWEST_IN_A_ROW:
            continue
        row = Group(TASK_ROW, ledge.depth)
        for thing in things:
            row.set_down(thing, _depth_on(stock, ledge), order, 0.0, gap=TASK_GAP_MM)
        if row.width < MOST_OF_A_ROW * ledge.width:
            taken |= row.ids
            yield row


def _depth_on(stock: Stock, ledge: Ledge) -> Depth:
    return "middle" if stock.roles[ledge.id] in FROM_ALL_SIDES else "back"


def with_task_rows(
    stock: Stock, ledge: Ledge, groups: Sequence[Group], used: Collection[str], order: int
) -> list[Group]:  # fmt: skip
    """Return the groups of a ledge with the rows of its tasks among them; what has no room beside them stays away.

    A worktop has its rows already; on a round top nothing stands in a row.
    """
    if stock.roles[ledge.id] not in WORKED_AT or ledge.shape == "ellipse":
        return list(groups)
    rows = [] if any(group.form == TASK_ROW for group in groups) else list(task_rows(stock, ledge, used, order))
    if not rows:
        return list(groups)
    taken = {one for row in rows for one in row.ids}
    others = sorted((group for group in groups if not group.ids & taken), key=lambda group: -group.width)
    spans, stood = spans_of(stock, ledge), []
    for group in (*rows, *others):
        wish = wish_of(stock, ledge, group)
        middle = _nearest(spans, group.width, (group.left + group.right) / 2 if wish is None else wish)
        if middle is not None:
            group.shift(middle - (group.left + group.right) / 2)
            stood.append(group)
            spans = [part for one in spans for part in without(one, group.left - CLEAR_MM, group.right + CLEAR_MM)]
    return sorted(stood, key=lambda group: group.left)


def wish_of(stock: Stock, ledge: Ledge, group: Group) -> float | None:
    """Return where the middle of a row is wanted (mm along its ledge): it begins at its point and goes on inward.

    None for other groups, and where no point is told.
    """
    point = _point_of(stock, ledge, group) if group.form == TASK_ROW else None
    if point is None:
        return None
    return point + (group.width / 2 if point < ledge.width / 2 else -group.width / 2)


def _point_of(stock: Stock, ledge: Ledge, row: Group) -> float | None:
    task = next((one for one in stock.piece.tasks if row.ids & set(one.items)), None)
    spots = [
        fixture.left + fixture.width / 2 - ledge.left for fixture in stock.piece.fixtures
        if task is not None and fixture.kind == task.near
    ]  # fmt: skip
    return min(spots, key=lambda spot: abs(spot - ledge.width / 2), default=None)


def _nearest(spans: Sequence[Span], width: float, wish: float) -> float | None:
    """Return the middle nearest to a wish at which so much width has room; None where it has none."""
    middles = [
        min(max(wish, left + width / 2), right - width / 2) for left, right in spans if right - left >= width
    ]  # fmt: skip
    return min(middles, key=lambda middle: abs(middle - wish), default=None)
