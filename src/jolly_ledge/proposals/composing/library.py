"""Many books that must be there: told first in a ledger, then set in rows over the shelves, series unbroken."""

import math
from collections.abc import Sequence
from itertools import groupby

from msgspec import Struct

from jolly_ledge.cautions.stuff import likely_mass
from jolly_ledge.geometry.pose import extent
from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.composing.spread import spans_of
from jolly_ledge.proposals.groups.books import in_a_case
from jolly_ledge.proposals.groups.group import Group, Member
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.thing import Thing

FROM_SO_MANY = 8
"""Fewer books than these come into stacks and rows as any thing does."""

FULL_SHARE, RELAXED_SHARE = 0.94, 0.72
"""A shelf takes books up to the first share of its length; where there is room, up to the second."""

LEAN_BANDS_MM, FRONT_MM, NARROWEST_MM = 25.0, 20.0, 150.0
HELD_BY = 3
"""So many of its own books lie at the end of a row on an open board: they hold it."""


class BooksLedger(Struct, frozen=True):
    """What books need before they are placed: their running length, their weight, and who finds no shelf.

    ``length`` and ``room`` in mm; ``mass`` and ``bears`` in kg: about what the books weigh, and what the shelves may
    still carry by their ratings, without limit where any of them has none. ``homeless`` books are too tall or too deep.
    """

    books: tuple[Thing, ...]
    length: float
    room: float
    mass: float
    bears: float
    homeless: tuple[Thing, ...]

    @property
    def left_over(self) -> float:
        """Which length finds no room, in mm."""
        return max(self.length - self.room, 0.0)

    @property
    def is_too_heavy(self) -> bool:
        """Whether the shelves are rated for less than the books weigh."""
        return self.mass > self.bears


def ledger_of(stock: Stock, books: Sequence[Thing]) -> BooksLedger:
    """Return the ledger of some books over the shelves of a stock."""
    shelves = _shelves(stock)
    homeless = tuple(book for book in books if not any(_stands_on(stock, book, ledge) for ledge in shelves))
    housed = tuple(book for book in books if book not in homeless)
    room = sum(FULL_SHARE * _room(stock, ledge) for ledge in shelves)
    bears = sum(_may_carry(stock, ledge) for ledge in shelves)
    length, mass = sum(book.item.width for book in housed), sum(_mass(book) for book in housed)
    return BooksLedger(_in_order(stock, housed), length, room, mass, bears, homeless)


def rows_of_many(stock: Stock) -> list[tuple[Ledge, Group]]:
    """Return rows for the loose books that must be there, where they are many; nothing where they are few."""
    books = [thing for thing in stock.things.values() if thing.id in stock.must and thing.category == "book"]
    if len(books) < FROM_SO_MANY:
        return []
    ledger, shelves = ledger_of(stock, books), _shelves(stock)
    if not shelves or not ledger.books:
        return []
    share = min(max(RELAXED_SHARE, FULL_SHARE * ledger.length / max(ledger.room, 1.0)), FULL_SHARE)
    found: list[tuple[Ledge, Group]] = []
    waiting = list(ledger.books)
    for number, ledge in enumerate(shelves):
        side = 1 if number % 2 == 0 else -1
        rest = sum(_room(stock, one) for one in shelves[number:])
        left = sum(book.item.width for book in waiting)
        # The books are shared out over all shelves, so that none is crammed while another stays bare.
        even = left * _room(stock, ledge) / rest + max(book.item.width for book in waiting)
        row = _taken(stock, ledge, waiting, min(share * _room(stock, ledge), even))
        if not row:
            continue
        waiting = [book for book in waiting if book not in row]
        found.append((ledge, _stood_up(stock, ledge, row, side)))
        if not waiting:
            break
    return found


def _shelves(stock: Stock) -> list[Ledge]:
    """Return what rows stand on: shelves from the top down, else tops."""
    shelves = [ledge for ledge in stock.ledges if stock.roles[ledge.id] in ("shelf", "below")]
    shelves = shelves or [ledge for ledge in stock.ledges if stock.roles[ledge.id] == "top"]
    return sorted((ledge for ledge in shelves if _room(stock, ledge) > 0), key=lambda one: (-one.floor, one.left))


def _span(stock: Stock, ledge: Ledge) -> tuple[float, float]:
    return max(spans_of(stock, ledge), key=lambda span: span[1] - span[0], default=(0.0, 0.0))


def _room(stock: Stock, ledge: Ledge) -> float:
    left, right = _span(stock, ledge)
    return right - left if right - left >= NARROWEST_MM else 0.0


def _stands_on(stock: Stock, book: Thing, ledge: Ledge) -> bool:
    item = book.item
    return item.depth <= ledge.depth and item.height <= min(stock.frame(ledge), ledge.clearance or float("inf"))


def _mass(book: Thing) -> float:
    return book.item.mass if book.item.mass is not None else likely_mass(book.item)


def _may_carry(stock: Stock, ledge: Ledge) -> float:
    """Return what a shelf may carry beside what stays on it, in kg; without limit where it has no rating."""
    if ledge.load_limit is None:
        return math.inf
    items = {item.id: item for item in stock.problem.plan.stash}
    kept = (items[placement.item] for placement in stock.problem.fixed if placement.ledge == ledge.id)
    return max(ledge.load_limit - sum(one.mass or likely_mass(one) for one in kept), 0.0)


def _in_order(stock: Stock, books: Sequence[Thing]) -> tuple[Thing, ...]:
    """Return books by hue where that is asked for, else by height, what is of a set together."""
    by_hue = stock.problem.manner.faces == "by-colour"

    def order(book: Thing) -> tuple[object, ...]:
        band = -round(book.item.height / LEAN_BANDS_MM)
        return (book.family, band, -book.lightness) if by_hue else (band, book.family, -book.lightness)

    sets: dict[str, list[Thing]] = {}
    for book in books:
        sets.setdefault(book.item.set or book.id, []).append(book)
    series = sorted(sets.values(), key=lambda members: min(order(book) for book in members))
    return tuple(book for members in series for book in sorted(members, key=order))


def _taken(stock: Stock, ledge: Ledge, waiting: Sequence[Thing], length: float) -> list[Thing]:
    """Return the next books for a shelf, whole series at a time where they fit."""
    row: list[Thing] = []
    free, bears = length, _may_carry(stock, ledge)
    for _, members in groupby(waiting, key=lambda book: book.item.set or book.id):
        series = [book for book in members if _stands_on(stock, book, ledge)]
        wide, heavy = sum(book.item.width for book in series), sum(_mass(book) for book in series)
        if (wide <= free and heavy <= bears) or (not row and (wide > length or heavy > bears)):
            for book in series:
                if book.item.width <= free and _mass(book) <= bears:
                    row.append(book)
                    free, bears = free - book.item.width, bears - _mass(book)
        elif len(series) > 1:
            break
    return row


def _stood_up(stock: Stock, ledge: Ledge, row: Sequence[Thing], side: int) -> Group:
    """Return a row from one end; on an open board its last books lie as a stack that holds it."""
    group = Group("row", ledge.depth)
    lying: list[Thing] = []
    if not in_a_case(stock, ledge) and len(row) > 2 * HELD_BY:
        largest = sorted(row, key=lambda book: -extent(book.item, "flat").width)[:HELD_BY]
        wide = extent(largest[0].item, "flat").width + sum(book.item.width for book in row if book not in largest)
        if wide <= FULL_SHARE * _room(stock, ledge):
            lying = largest
    deepest = max(book.item.depth for book in row)
    front = max(min(FRONT_MM, ledge.depth - deepest), 0.0)
    for book in row:
        if book not in lying:
            member = Member(book, "upright", 0.0, front + book.item.depth / 2)
            member.x = group.right + member.width / 2 if group.members else member.width / 2
            group.members.append(member)
    top: Member | None = None
    for book in lying:
        if top is None:
            top = Member(book, "flat", 0.0, 0.0)
            top.x, top.z = group.right + 2 + top.width / 2, min(front + top.depth / 2, ledge.depth - top.depth / 2)
            group.members.append(top)
        else:
            top = group.lay_on(book, top)
    left, right = _span(stock, ledge)
    if side < 0:
        group.mirror()
    margin = 0.0 if in_a_case(stock, ledge) else 4.0
    group.shift((left + margin if side > 0 else right - margin - group.width) - group.left)
    group.wants_end = -side
    return group
