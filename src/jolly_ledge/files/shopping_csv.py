"""The shopping list as CSV, amounts as they are paid."""

from decimal import Decimal

from jolly_ledge.files.csv_cells import rows_to_csv
from jolly_ledge.model.money import rounded
from jolly_ledge.planning.shopping import ShoppingLine, ShoppingList, discount_said

COLUMNS = (
    "thing", "kind", "width mm", "height mm", "depth mm", "finish", "colour", "status", "count", "unit price",
    "discount", "cost", "saved", "original", "looks", "currency",
)  # fmt: skip


def shopping_to_csv(told: ShoppingList, currency: str) -> str:
    """Return the list with a row for every thing, the totals, and what is left of the budget."""
    rows: list[tuple[object, ...]] = [_row(line, currency) for line in told.lines]
    rows.append(_sum("total", told.total.cost, currency, told.total.saved))
    if told.budget is not None and told.left is not None:
        rows += [_sum("budget", told.budget, currency), _sum("left", told.left, currency)]
    return rows_to_csv(COLUMNS, rows)


def _row(line: ShoppingLine, currency: str) -> tuple[object, ...]:
    item = line.item
    return (
        item.label, item.category, f"{item.width:g}", f"{item.height:g}", f"{item.depth:g}", item.finish,
        item.main_colour, item.status, item.count, _amount(item.price), discount_said(item), _amount(line.cost),
        _amount(line.saved), _amount(line.original), " ".join(line.looks), currency,
    )  # fmt: skip


def _sum(name: str, amount: Decimal, currency: str, saved: Decimal | None = None) -> tuple[object, ...]:
    return (name, *[""] * 10, _amount(amount), _amount(saved), "", "", currency)


def _amount(amount: Decimal | None) -> str:
    return "" if amount is None else str(rounded(amount))
