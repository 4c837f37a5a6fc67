"""Money is exact: prices as typed, discounts, totals, and what is left."""

from decimal import Decimal

import msgspec
import pytest
from hypothesis import given
from hypothesis import strategies as st
from msgspec.structs import replace

from builders import plan_of, put, thing
from jolly_ledge.edits.looks import SetBudget
from jolly_ledge.files.codec import plan_from_json, plan_to_json
from jolly_ledge.files.errors import PlanFileError
from jolly_ledge.model.errors import EditError, MoneyError
from jolly_ledge.model.money import MOST, Discount, currency_in, money, price_of, rounded, typed
from jolly_ledge.model.plan import Plan
from jolly_ledge.planning.shopping import budget_left, cost_of, shopping_list


@pytest.mark.parametrize(
    ("text", "price"),
    [("45", "45"), ("12,50", "12.50"), ("€ 12,50", "12.50"), ("12.50 EUR", "12.50"), ("1.250,50", "1250.50"),
     ("$1,250.50", "1250.50"), ("1 250,50", "1250.50"), ("0", "0"), ("1,250,000", "1250000"), ("0.125", "0.125")],
)  # fmt: skip
def test_a_typed_price_is_read_to_the_cent(text: str, price: str) -> None:
    assert price_of(text) == Decimal(price)


@pytest.mark.parametrize(
    "text",
    [
        "about 30",
        "30-40",
        "-4",
        "thirty",
        "12..5x",
        "1e3",
        "nan",
        "inf",
        "0.00001",
        "99999999999",
        "..",
        "€",
        "max 30",
        "ca. 30",
    ],
)
def test_what_is_no_price_is_refused_in_a_sentence(text: str) -> None:
    with pytest.raises(MoneyError, match=r"is no price.*type a number such as 45 or 12\.50"):
        price_of(text)


def test_the_currency_is_text() -> None:
    assert currency_in("€ 12,50") == "€"
    assert currency_in("about") == ""
    assert money(Decimal("1234.5"), "kr") == "1,234.50 kr"


@given(st.integers(0, 10_000_000), st.integers(1, 40))
def test_sums_of_cents_have_no_crumbs(cents: int, count: int) -> None:
    price = Decimal(cents) / 100
    item = thing("jar", price=price, count=count)
    assert cost_of(item) == Decimal(cents * count) / 100
    assert price_of(typed(price)) == price


@given(st.integers(1, 100_000), st.integers(1, 30), st.integers(0, 100))
def test_a_discount_never_costs_more_nor_less_than_nothing(cents: int, count: int, percent: int) -> None:
    full = thing("jar", price=Decimal(cents) / 100, count=count)
    for discount in (Discount(percent=percent), Discount(take=2, pay=1), Discount(take=3, pay=2)):
        cost = cost_of(replace(full, discount=discount))
        assert cost is not None
        assert 0 <= cost <= (cost_of(full) or 0)
        assert cost == rounded(cost)


def test_two_for_one_leaves_the_odd_one_in_full() -> None:
    jars = thing("jar", price=Decimal("4.99"), discount=Discount(take=2, pay=1))
    assert [cost_of(replace(jars, count=count)) for count in (1, 2, 3)] == [
        Decimal("4.99"), Decimal("4.99"), Decimal("9.98"),
    ]  # fmt: skip


def test_a_sale_price_stands_instead() -> None:
    assert cost_of(thing("jar", discount=Discount(sale_price=Decimal("7.50")), count=2)) == Decimal("15.00")
    assert cost_of(thing("jar")) is None


@pytest.mark.parametrize(
    "wrong",
    [{"percent": 10, "take": 2, "pay": 1}, {"take": 2}, {"take": 2, "pay": 2}, {"sale_price": Decimal("NaN")},
     {"sale_price": MOST + 1}, {"percent": 101}],
)  # fmt: skip
def test_a_discount_that_makes_no_sense_is_refused(wrong: dict[str, object]) -> None:
    with pytest.raises(msgspec.ValidationError):
        msgspec.convert(msgspec.to_builtins(wrong), Discount)


@pytest.fixture
def plan() -> Plan:
    stash = (
        thing("urn"),
        thing("jug", status="to-buy", price=Decimal("19.90"), count=2, original_price=Decimal("120.00")),
        thing("bowl", status="wanted", price=Decimal("30.00"), discount=Discount(percent=10)),
        thing("lamp", status="wanted"),
    )
    return replace(plan_of(stash, (put("urn", x=200.0), put("jug", x=500.0))), budget=Decimal(60), currency="€")


def test_a_list_tells_unit_price_count_saving_and_what_is_left(plan: Plan) -> None:
    told = shopping_list(plan)
    assert [(line.item.id, line.full, line.cost, line.saved, line.original) for line in told.lines] == [
        ("jug", Decimal("39.80"), Decimal("39.80"), Decimal(0), Decimal("240.00")),
        ("bowl", Decimal("30.00"), Decimal("27.00"), Decimal("3.00"), None),
        ("lamp", None, None, None, None),
    ]
    assert told.total.cost == Decimal("66.80")
    assert told.total.spared == Decimal("200.20")
    assert told.total.unpriced == (plan.item("lamp").label,)
    assert told.left == Decimal("-6.80")
    look = plan.looks[0]
    assert told.by_look[0][0] == look.id
    assert told.by_look[0][1].cost == Decimal("39.80")
    of_the_look = shopping_list(plan, [look])
    assert [line.item.id for line in of_the_look.lines] == ["jug"]
    # Only what is certain to be bought binds the budget of what is wanted.
    assert budget_left(plan) == Decimal("20.20")


def test_prices_stay_exact_in_the_file(plan: Plan) -> None:
    content = plan_to_json(plan)
    assert b'"price": 19.90' in content
    assert plan_from_json(content) == plan
    assert plan_from_json(content.replace(b"19.90", b'"19.90"')) == plan


@pytest.mark.parametrize("price", [b"-1", b"1e400", b'"NaN"', b'"about 30"', b"0.123456789"])
def test_a_price_that_is_none_is_refused_with_its_path(plan: Plan, price: bytes) -> None:
    with pytest.raises(PlanFileError, match=r"stash\[1\]"):
        plan_from_json(plan_to_json(plan).replace(b"19.90", price))


def test_a_budget_below_nought_is_refused(plan: Plan) -> None:
    with pytest.raises(EditError, match="budget is nought or more"):
        SetBudget(budget=Decimal(-1)).apply(plan)
    assert SetBudget(budget=Decimal(5), currency="£").apply(plan).currency == "£"
