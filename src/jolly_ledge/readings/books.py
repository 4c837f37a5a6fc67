"""Books: whether upright ones are held, flat ones carry something, and rows have an end."""

from collections.abc import Collection
from itertools import pairwise

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.rows import row_of
from jolly_ledge.measures.score import mean, score_of, smooth_step
from jolly_ledge.model.look import Manner
from jolly_ledge.readings.reading import Finding, Reading

ID = "books"
BAND = (0.75, 1.0)
HELD_MM, HELD_WIDTH_MM = 25.0, 30.0
"""What stands nearer than this holds a book; a little further it half does."""

GRADED, SAME_SIZE = 0.85, 0.3
LONE_COST, LONE_FLAT_COST, OPEN_END_COST = 1.0, 0.6, 0.3
MANY, RAGGED_COST, RAGGED_SHARE, EVEN_ROW = 3.0, 0.2, 0.5, 0.3
"""Rows that go up and down and stacks laid askew are a little restless; where there are none, no more than some."""


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read whether books are at home: a single upright one is held, a row has its ends, a flat one carries something.

    Left out where there are no single books. The value is the share of books that are at home.
    """
    books = [one for one in arrangement.visible if one.item.category == "book" and one.placement.pose != "leaning"]
    if not books:
        return None
    carrying = {one.placement.host for one in arrangement.placed_items}
    costs: dict[str, float] = {}
    rows: dict[str, tuple[PlacedItem, ...]] = {}
    findings: list[Finding] = []
    for book in books:
        name, where = book.item.label, book.ledge.label
        if book.placement.pose == "flat":
            lone = book.id not in carrying and book.depth_order == 0
            costs[book.id] = LONE_FLAT_COST * lone
            if lone:
                said = f"The {name} lies alone on {where}; lay another under it or set something small on it."
                findings.append(Finding(ID, (book.id,), said, 0.4))
            continue
        if book.depth_order:
            continue
        row = rows.get(book.id) or row_of(arrangement, book.id)
        rows |= dict.fromkeys((one.id for one in row), row)
        left, right = _free_beside(arrangement, book, row)
        if not row:
            costs[book.id] = LONE_COST * min(_open(left), _open(right))
            if costs[book.id] > LONE_COST / 2:
                said = f"The {name} stands upright and alone on {where}; set it in a row or against something."
                findings.append(Finding(ID, (book.id,), said, 0.6))
        elif book in (row[0], row[-1]):
            costs[book.id] = OPEN_END_COST * _open(left if book == row[0] else right)
            if costs[book.id] > 0.8 * OPEN_END_COST and book == row[-1]:
                said = f"The row of books on {where} has no end at the {name}; set something heavy beside it."
                findings.append(Finding(ID, tuple(one.id for one in row), said, 0.3))
        else:
            costs[book.id] = 0.0
    if not costs:
        return None
    whole = sum(costs.values())
    loss = MANY * whole / (MANY + whole) + RAGGED_COST * _raggedness(arrangement, books, set(rows.values()))
    at_home = sum(1 for cost in costs.values() if cost < OPEN_END_COST)
    books_are = ("book" if len(costs) == 1 else "books") + (" is" if at_home == 1 else " are")
    return Reading(
        id=ID,
        value=at_home / len(costs),
        band=BAND,
        limits=(0.0, 1.0),
        score=score_of(loss),
        shown=f"{at_home} of {len(costs)}",
        sentence=f"{at_home} of {len(costs)} {books_are} held, in a row or under something.",
        contributions=tuple((identifier, 1 - min(cost, 1.0)) for identifier, cost in costs.items()),
        findings=tuple(findings),
        loss=loss,
    )


def _raggedness(arrangement: Arrangement, books: list[PlacedItem], rows: Collection[tuple[PlacedItem, ...]]) -> float:
    """Return how ragged rows and stacks are, 0 to 1: neighbours that step up and down at random, by the step."""
    steps: list[float] = []
    for row in rows:
        heights = [one.height for one in row]
        rises = [later - earlier for earlier, later in pairwise(heights)]
        against = min(sum(rise for rise in rises if rise > 0), -sum(rise for rise in rises if rise < 0))
        steps.append(min(against / (RAGGED_SHARE * max(heights)), 1.0))
    for book in books:
        host = arrangement.by_id.get(book.placement.on or "")
        if host is not None and host.item.is_book:
            # A stack is graded: what is as large as what it lies on makes a block of it.
            grading = max(book.width / host.width - GRADED, 0.0) / (1 - GRADED)
            steps.append(min(abs(book.x - host.x) / (RAGGED_SHARE * host.width) + SAME_SIZE * grading, 1.0))
    return mean(steps, empty=EVEN_ROW)


def _open(gap: float) -> float:
    """Return how far nothing holds at a gap in mm, 0 to 1."""
    return smooth_step(gap, HELD_MM, HELD_WIDTH_MM)


def _free_beside(arrangement: Arrangement, book: PlacedItem, row: tuple[PlacedItem, ...]) -> tuple[float, float]:
    """Return the free length at the left and at the right of a book, in mm, to what stands there or the side."""
    own = {one.id for one in row} | {book.id}
    ledge = book.ledge
    open_above = ledge.clearance is None
    lefts = [] if open_above else [book.left - ledge.left]
    rights = [] if open_above else [ledge.right - book.right]
    for other in arrangement.by_ledge.get(ledge.id, ()):
        beside = min(other.back, book.back) - max(other.front, book.front) > 0 and other.height > 0.3 * book.height
        if other.id in own or other.depth_order or not beside:
            continue
        if other.right <= book.left + 1:
            lefts.append(book.left - other.right)
        elif other.left >= book.right - 1:
            rights.append(other.left - book.right)
    return min(lefts, default=ledge.width), min(rights, default=ledge.width)
