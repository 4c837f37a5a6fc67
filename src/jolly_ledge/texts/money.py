"""What is to be bought and what is left, as a plain value and as lines to read; amounts are told as text."""

from typing import Any

from jolly_ledge.model.money import money, rounded
from jolly_ledge.model.plan import Plan
from jolly_ledge.planning.shopping import ShoppingList, discount_said


def shopping(plan: Plan, told: ShoppingList) -> tuple[dict[str, Any], str]:
    """Return the shopping list as a value for JSON, and as text."""
    value = {
        "lines": [
            {
                "item": line.item.id,
                "status": line.item.status,
                "count": line.item.count,
                "price": _text(line.item.price),
                "discount": discount_said(line.item),
                "cost": _text(line.cost),
                "saved": _text(line.saved),
                "original": _text(line.original),
                "looks": list(line.looks),
            }
            for line in told.lines
        ],
        "total": _text(told.total.cost),
        "saved": _text(told.total.saved),
        "by_look": {look: _text(total.cost) for look, total in told.by_look},
        "unpriced": list(told.total.unpriced),
        "budget": _text(told.budget),
        "left": _text(told.left),
        "currency": plan.currency,
    }
    return value, _lines(plan, told)


def _text(amount: Any) -> str | None:
    return None if amount is None else str(rounded(amount))


def _lines(plan: Plan, told: ShoppingList) -> str:
    currency = plan.currency
    lines = []
    for line in told.lines:
        count = f"{line.item.count} × " if line.item.count > 1 else ""
        off = discount_said(line.item)
        said = money(line.cost, currency) or "price not told"
        lines.append(f"{count}{line.item.label}: {said}{f' ({off})' if off else ''}")
    if not lines:
        lines.append("Nothing is to be bought.")
    lines.append(f"Together: {money(told.total.cost, currency)}")
    if told.total.unpriced:
        lines.append(f"Without a price yet: {', '.join(told.total.unpriced)}")
    if told.left is not None:
        word = "Over the budget" if told.left < 0 else "Left of the budget"
        lines.append(f"{word}: {money(abs(told.left), currency)}")
    return "\n".join(lines)
