"""What is still to be bought, what it costs, what that saves, and what is left of the budget."""

from collections.abc import Iterable
from decimal import Decimal

from msgspec import Struct

from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look
from jolly_ledge.model.money import NOUGHT, rounded
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.words import Status

SOUGHT: frozenset[Status] = frozenset({"to-buy", "wanted"})


class ShoppingLine(Struct, frozen=True):
    """One thing to be bought; amounts are exact, None where no price is told.

    ``full`` is unit price times count, ``cost`` what is paid after the discount, ``original`` what so many of the
    dear original would have cost.
    """

    item: Item
    looks: tuple[str, ...]
    full: Decimal | None
    cost: Decimal | None
    original: Decimal | None

    @property
    def saved(self) -> Decimal | None:
        """What the discount takes off."""
        return None if self.full is None or self.cost is None else self.full - self.cost


class Total(Struct, frozen=True):
    """A sum of lines; ``unpriced`` are the things without a price, which no sum can tell."""

    cost: Decimal
    saved: Decimal
    spared: Decimal
    """What is not spent on dear originals."""

    unpriced: tuple[str, ...]


class ShoppingList(Struct, frozen=True):
    """All lines, what they come to, what each look needs, and what is left (below nought: what is lacking)."""

    lines: tuple[ShoppingLine, ...]
    total: Total
    by_look: tuple[tuple[str, Total], ...]
    budget: Decimal | None
    left: Decimal | None


def cost_of(item: Item) -> Decimal | None:
    """Return what so many of a thing cost after their discount, to the cent; None without a price.

    Of "two for the price of one" five are three times the price: what is over is paid in full.

    >>> from decimal import Decimal
    >>> from jolly_ledge.model.money import Discount
    >>> jars = Item(id="jar", category="vessel", width=9, height=12, depth=9, price=Decimal("4.99"), count=5)
    >>> from msgspec.structs import replace
    >>> cost_of(jars), cost_of(replace(jars, discount=Discount(take=2, pay=1)))
    (Decimal('24.95'), Decimal('14.97'))
    >>> cost_of(replace(jars, discount=Discount(percent=15)))
    Decimal('21.21')
    """
    discount = item.discount
    price = item.price
    if discount is not None and discount.sale_price is not None:
        price = discount.sale_price
    if price is None:
        return None
    count = item.count
    if discount is not None and discount.take and discount.pay:
        count = count // discount.take * discount.pay + count % discount.take
    share = Decimal(100 - (discount.percent or 0)) / 100 if discount is not None else Decimal(1)
    return rounded(price * count * share)


def discount_said(item: Item) -> str:
    """Return the discount of a thing in words, empty where there is none.

    >>> from jolly_ledge.model.money import Discount
    >>> discount_said(Item(id="a", category="bowl", width=1, height=1, depth=1, discount=Discount(take=2, pay=1)))
    '2 for the price of 1'
    """
    discount = item.discount
    if discount is None:
        return ""
    if discount.sale_price is not None:
        return f"on sale for {rounded(discount.sale_price)}"
    if discount.take is not None:
        return f"{discount.take} for the price of {discount.pay}"
    return f"{discount.percent} % off" if discount.percent else ""


def shopping_list(plan: Plan, looks: Iterable[Look] | None = None) -> ShoppingList:
    """Return what is to be bought for some looks of a plan, or all that is to be bought for the whole plan.

    What the looks use is listed first, by look; what no look uses yet comes with the whole plan only.
    """
    told = tuple(plan.looks if looks is None else looks)
    used: dict[str, list[str]] = {}
    for look in told:
        for placement in look.placements:
            used.setdefault(placement.item, []).append(look.id)
    sought = [item for item in plan.stash if item.status in SOUGHT and (looks is None or item.id in used)]
    lines = tuple(_line(item, tuple(dict.fromkeys(used.get(item.id, ())))) for item in sought)
    by_look = tuple(
        (look.id, _total(mine)) for look in told if (mine := [line for line in lines if look.id in line.looks])
    )
    total = _total(lines)
    left = None if plan.budget is None else plan.budget - total.cost
    return ShoppingList(lines, total, by_look, plan.budget, left)


def budget_left(plan: Plan) -> Decimal | None:
    """Return what is left of the budget after what is certain to be bought; None where none is told."""
    if plan.budget is None:
        return None
    spent = sum((cost_of(item) or NOUGHT for item in plan.stash if item.status == "to-buy"), NOUGHT)
    return max(plan.budget - spent, NOUGHT)


def _line(item: Item, looks: tuple[str, ...]) -> ShoppingLine:
    full = None if item.price is None else rounded(item.price * item.count)
    cost = cost_of(item)
    original = None if item.original_price is None else rounded(item.original_price * item.count)
    return ShoppingLine(item, looks, full if full is not None else cost, cost, original)


def _total(lines: Iterable[ShoppingLine]) -> Total:
    lines = tuple(lines)
    return Total(
        cost=sum((line.cost or NOUGHT for line in lines), NOUGHT),
        saved=sum((line.saved or NOUGHT for line in lines), NOUGHT),
        spared=sum((line.original - line.cost for line in lines if line.original and line.cost is not None), NOUGHT),
        unpriced=tuple(line.item.label for line in lines if line.cost is None),
    )
