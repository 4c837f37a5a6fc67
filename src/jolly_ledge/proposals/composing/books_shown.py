"""How books are shown in a composition: rows where one reads, and stacks among them to rest the eye."""

from collections import Counter

from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.words import BOOK_CATEGORIES
from jolly_ledge.proposals.composing.composition import Composition
from jolly_ledge.proposals.groups.books import is_library

ROWS_WANTED, ROW_MISSED, ROW_MISSED_BY_A_READER, OF_A_ROW = 0.5, 0.4, 0.9, 5
"""A bookcase, and shelves from which one reads, show rows of books on about half of the shelves, as far as rows stand
ready or loose books make them; who reads misses one more.
"""

STACKS_IN_A_LIBRARY, STACK_MISSED = 0.3, 0.5
"""Among many rows a stack lies on about every third shelf, to rest the eye; elsewhere one is enough."""


def books_missed(composition: Composition) -> float:
    """Return the cost of books that stand in no row, and of none that lie, where they belong."""
    stock = composition.stock
    shelves = sum(role == "shelf" for role in stock.roles.values())
    is_read_from = "reading" in stock.piece.use and shelves > 0
    books = [thing.category for thing in stock.pool if thing.category in BOOK_CATEGORIES]
    if len(books) <= OF_A_ROW or not (kind_of(stock.piece).for_books or is_read_from):
        return 0.0
    forms = Counter(group.form for _, group in composition.groups)
    ready = books.count("book-row") + books.count("book") // OF_A_ROW
    rows = min(max(ready, 1), ROWS_WANTED * shelves) - forms["row"]
    stacks = max(STACKS_IN_A_LIBRARY * shelves, 1.0) if is_library(stock) else 1.0
    lying = min(stacks, len(books) - books.count("book-row")) - forms["stack"] - forms["stack-and-tall"]
    missed = ROW_MISSED_BY_A_READER if is_read_from else ROW_MISSED
    return missed * max(rows, 0.0) + STACK_MISSED * max(lying, 0.0)
