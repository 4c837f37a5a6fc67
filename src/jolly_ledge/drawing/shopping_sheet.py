"""The shopping list on paper: what is sought, how large, of which finish and colour, for how much."""

from collections.abc import Iterator

from jolly_ledge.drawing.items import item_picture
from jolly_ledge.drawing.paper import A4, DETAIL_SIZE, Block, Paper, heading, pages_of, paragraph, tick_box
from jolly_ledge.drawing.picture import Label, Picture, Primitive, Shape, ellipse, moved, polyline
from jolly_ledge.drawing.theme import INK, RULE, SOFT_INK
from jolly_ledge.drawing.typesetting import cut_to
from jolly_ledge.model.colour import family_name
from jolly_ledge.model.lengths import LengthUnit, format_length
from jolly_ledge.model.money import money
from jolly_ledge.model.plan import Plan
from jolly_ledge.planning.shopping import ShoppingLine, ShoppingList, Total, discount_said

AMOUNT_WIDTH = 110.0
PICTURE, ROW = 44.0, 52.0


def shopping_pages(plan: Plan, told: ShoppingList, unit: LengthUnit = "cm", paper: Paper = A4) -> tuple[Picture, ...]:
    """Return the pages of a shopping list, in points."""
    width = paper.content_width
    blocks = list(_lines(told, plan, unit, width)) or [paragraph("Nothing is to be bought.", width)]
    blocks += _totals(told, plan, width)
    return pages_of(paper, "To be bought", plan.name or "Shopping list", blocks)


def _lines(told: ShoppingList, plan: Plan, unit: LengthUnit, width: float) -> Iterator[Block]:
    for line in told.lines:
        yield _row(line, plan.currency, unit, width)


def _row(line: ShoppingLine, currency: str, unit: LengthUnit, width: float) -> Block:
    item = line.item
    picture = item_picture(item)
    scale = min(PICTURE / picture.width, PICTURE / picture.height)
    sizes = " × ".join(format_length(side, unit, with_unit=False) for side in (item.width, item.height, item.depth))
    kind = f"{item.category.replace('-', ' ')}, {item.finish}"
    name = f"{item.count} × {item.label}" if item.count > 1 else item.label
    shapes: list[Primitive] = [
        *tick_box(0, 8),
        *moved(picture.primitives, 40 - (picture.left + picture.right) / 2 * scale, 4 - picture.top * scale, scale),
        Label(74, 15, cut_to(name, width - 74 - AMOUNT_WIDTH, 10.5, weight=600), 10.5, INK, weight=600),
        Label(74, 28, f"about {sizes} {unit} (wide, high, deep) · {kind}", 9, INK),
        Shape(ellipse(78, 38, 4, 4), item.main_colour, 1.0, SOFT_INK, 0.6),
        Label(86, 41, f"{family_name(item.main_colour)}{f' · {item.material}' if item.material else ''}", 9, INK),
        Label(width, 15, money(line.cost, currency) or "price not told", 10.5, INK, weight=600, anchor="right"),
    ]
    details = [discount_said(item), f"saves {money(line.saved, currency)}" if line.saved else "",
               f"the original {money(line.original, currency)}" if line.original else ""]  # fmt: skip
    if item.count > 1 and item.price is not None:
        details.insert(0, f"{item.count} at {money(item.price, currency)}")
    shapes.append(Label(width, 28, " · ".join(word for word in details if word), DETAIL_SIZE, SOFT_INK, anchor="right"))
    status = "to buy" if item.status == "to-buy" else "wanted, not certain"
    where = f"{status}{f' · for {len(line.looks)} look' if line.looks else ''}{'s' if len(line.looks) > 1 else ''}"
    shapes.append(Label(width, 40, where, DETAIL_SIZE, SOFT_INK, anchor="right"))
    shapes.append(Shape(polyline([(0, ROW - 2), (width, ROW - 2)]), None, 1.0, RULE, 0.6))
    return Block(ROW, tuple(shapes))


def _totals(told: ShoppingList, plan: Plan, width: float) -> Iterator[Block]:
    currency = plan.currency
    yield heading("What it comes to", width)
    for look_id, total in told.by_look:
        yield _sum(plan.look(look_id).label, total, currency, width)
    yield _sum("Together, each thing once", told.total, currency, width, weight=600)
    if told.budget is not None and told.left is not None:
        yield _amount("Budget", money(told.budget, currency), width)
        over = told.left < 0
        yield _amount("Over the budget" if over else "Left", money(abs(told.left), currency), width, weight=600)
    if told.total.spared:
        yield _amount("Not spent on dear originals", money(told.total.spared, currency), width)
    if told.total.unpriced:
        yield paragraph(f"Without a price yet, and in no sum: {', '.join(told.total.unpriced)}.", width, DETAIL_SIZE)


def _sum(name: str, total: Total, currency: str, width: float, weight: int = 400) -> Block:
    saved = f" (saves {money(total.saved, currency)})" if total.saved else ""
    return _amount(f"{name}{saved}", money(total.cost, currency), width, weight)


def _amount(name: str, amount: str, width: float, weight: int = 400) -> Block:
    return Block(
        14.0, (Label(0, 10, name, 9.5, INK, weight=weight), Label(width, 10, amount, 9.5, INK, weight=weight,
                                                                 anchor="right")),
    )  # fmt: skip
