"""Money: exact decimal amounts, discounts, and prices as people type them."""

import re
import unicodedata
from decimal import ROUND_HALF_UP, Decimal, InvalidOperation
from typing import Annotated

from msgspec import Meta

from jolly_ledge.model.errors import MoneyError
from jolly_ledge.model.value import Value

Price = Decimal
"""An amount of the plan's currency: never a binary fraction, so that sums are right to the cent."""

MOST = Decimal(10_000_000)
CENT = Decimal("0.01")
FINEST = -4
"""Decimal places of a price: some things are sold by the hundred."""

NOUGHT = Decimal(0)
_AMOUNT = re.compile(r"^\D*(\d[\d.,' ]*)\D*$")
_PERCENT = re.compile(r"^-?(\d{1,3}) ?(?:%|percent|per cent)(?: off)?$")
_SEVERAL = re.compile(r"^(\d{1,3}|two|three|four) for (?:the price of )?(\d{1,2}|one|two|three)$")
_SALE = re.compile(r"^(?:on )?(?:sale|for)(?: for| price)? (.+)$")
_COUNTS = {"one": "1", "two": "2", "three": "3", "four": "4"}
_THOUSANDS = re.compile(r"^\d{1,3}([.,]\d{3})+$")
_CURRENCY_WORDS = frozenset({"kr", "zł", "kč", "ft", "fr", "lei", "lv", "r", "eur", "usd", "gbp", "chf"})


class Discount(Value, frozen=True):
    """What is taken off: a share of the price, a sale price instead of it, or so many for the price of fewer."""

    percent: Annotated[int, Meta(ge=0, le=100)] | None = None
    sale_price: Price | None = None
    take: Annotated[int, Meta(ge=2, le=100)] | None = None
    pay: Annotated[int, Meta(ge=1, le=99)] | None = None

    def __post_init__(self) -> None:
        check_price(self.sale_price, "the sale price")
        if (self.take is None) != (self.pay is None) or (self.take and self.pay and self.pay >= self.take):
            raise ValueError("“so many for the price of fewer” needs both numbers, and the second is the smaller")
        if sum(part is not None for part in (self.percent, self.sale_price, self.take)) > 1:
            raise ValueError("one kind of discount at a time")


def check_price(price: Decimal | None, what: str = "a price") -> None:
    """Raise ValueError where an amount is no price: below nought, endless, or finer than is paid."""
    if price is None:
        return
    if not price.is_finite() or not 0 <= price <= MOST:
        raise ValueError(f"{what} runs from 0 to {MOST:,}")
    exponent = price.normalize().as_tuple().exponent
    if isinstance(exponent, int) and exponent < FINEST:
        raise ValueError(f"{what} has at most four decimal places")


def price_of(text: str) -> Decimal | None:
    """Read a typed price; nothing typed is None.

    >>> price_of("€ 12,50"), price_of("1,250.50"), price_of("1.250,50 EUR"), price_of("")
    (Decimal('12.50'), Decimal('1250.50'), Decimal('1250.50'), None)

    Raises
    ------
    MoneyError
        The text is no price, such as ``about 30``.
    """
    words = text.strip()
    if not words:
        return None
    found = _AMOUNT.match(words)
    around = (words[: found.start(1)].strip(), words[found.end(1) :].strip()) if found else ("?????", "")
    amount = _plain(found[1]) if found else ""
    try:
        if not all(_marks_a_currency(part) for part in around):
            raise InvalidOperation
        price = Decimal(amount)
        check_price(price)
    except InvalidOperation as error:
        raise MoneyError(f"“{text}” is no price; type a number such as 45 or 12.50.") from error
    except ValueError as error:
        raise MoneyError(f"“{text}” is no price: {error}; type a number such as 45 or 12.50.") from error
    return price


def discount_of(text: str) -> Discount | None:
    """Read a typed discount; nothing typed is None.

    >>> discount_of("15 %") == Discount(percent=15), discount_of("2 for 1") == Discount(take=2, pay=1)
    (True, True)
    >>> discount_of("sale 12,50").sale_price
    Decimal('12.50')

    Raises
    ------
    MoneyError
        The text is no discount.
    """
    words = " ".join(text.lower().split())
    if not words:
        return None
    percent, several, sale = _PERCENT.match(words), _SEVERAL.match(words), _SALE.match(words)
    try:
        if percent:
            return Discount(percent=_checked_percent(int(percent[1])))
        if several:
            return Discount(take=int(_COUNTS.get(several[1], several[1])), pay=int(_COUNTS.get(several[2], several[2])))
        if sale:
            return Discount(sale_price=price_of(sale[1]))
    except ValueError as error:
        raise MoneyError(f"“{text}” is no discount: {error}; type it like 15 % or 2 for 1.") from error
    raise MoneyError(f"“{text}” is no discount; type it like 15 %, sale 12.50 or 2 for 1.")


def _checked_percent(percent: int) -> int:
    if not 0 <= percent <= 100:
        raise ValueError("a share runs from 0 to 100 %")
    return percent


def _marks_a_currency(word: str) -> bool:
    """Tell whether a word beside a figure is a currency: a sign, a code of three capitals, or a usual short form."""
    if all(unicodedata.category(letter) == "Sc" for letter in word):
        return True
    return (len(word) == 3 and word.isalpha() and word.isupper()) or word.lower() in _CURRENCY_WORDS


def currency_in(text: str) -> str:
    """Return how a typed price marks its currency, empty where it does not.

    >>> currency_in("€ 12,50"), currency_in("120 EUR"), currency_in("12")
    ('€', 'EUR', '')
    """
    found = _AMOUNT.match(text.strip())
    return text.strip().replace(found[1].strip(), "").strip() if found else ""


def _plain(amount: str) -> str:
    """Return a figure with a decimal point only; the last of point and comma is the decimal one.

    >>> _plain("1.250,50"), _plain("12,5"), _plain("1'250"), _plain("1,250,000")
    ('1250.50', '12.5', '1250', '1250000')
    """
    bare = re.sub(r"[' ]", "", amount)
    last = max(bare.rfind(","), bare.rfind("."))
    if last < 0:
        return bare
    if bare.count(bare[last]) > 1:
        return re.sub(r"[.,]", "", bare) if _THOUSANDS.match(bare) else bare
    return f"{re.sub(r'[.,]', '', bare[:last])}.{bare[last + 1 :]}"


def rounded(amount: Decimal) -> Decimal:
    """Round to cents, half up as a till does.

    >>> rounded(Decimal("2.345"))
    Decimal('2.35')
    """
    return amount.quantize(CENT, ROUND_HALF_UP)


def money(amount: Decimal | None, currency: str = "") -> str:
    """Return an amount to read, with its currency as it is told; nothing for None.

    >>> money(Decimal("1234.5"), "€"), money(Decimal(12)), money(Decimal(-3), "USD")
    ('1,234.50 €', '12.00', '−3.00 USD')
    """
    if amount is None:
        return ""
    sign = "−" if amount < 0 else ""
    return f"{sign}{rounded(abs(amount)):,}{f' {currency}' if currency else ''}"


def typed(price: Decimal | None) -> str:
    """Return a price as it would be typed.

    >>> typed(Decimal("45")), typed(Decimal("12.5")), typed(None)
    ('45', '12.50', '')
    """
    if price is None:
        return ""
    whole = price == price.to_integral_value()
    return f"{price.normalize():f}" if whole or price != rounded(price) else f"{rounded(price)}"
