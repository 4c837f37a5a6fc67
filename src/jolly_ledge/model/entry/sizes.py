"""Sizes as a line tells them: 18x32, 7 1/2 x 12 in, 24 tall, 15-24 tall, ⌀ 18, 2.1 kg."""

import re
from decimal import Decimal

from msgspec import Struct

from jolly_ledge.model.lengths import LengthUnit, parse_length

_NUMBER = r"(?:\d+\s+\d+\s*/\s*\d+|\d+\s*/\s*\d+|\d+(?:[.,]\d+)?[½¼¾⅛⅜⅝⅞]?|[½¼¾⅛⅜⅝⅞])"
_UNIT = r"(?:mm|cm|m|inches|inch|in|\"|″)"
_END = r"(?![\w.,]*\w)"
_PRODUCT = re.compile(
    rf"(?<![\w.])({_NUMBER})\s*({_UNIT})?\s*[x×*]\s*({_NUMBER})\s*({_UNIT})?"
    rf"(?:\s*[x×*]\s*({_NUMBER})\s*({_UNIT})?)?{_END}",
    re.IGNORECASE,
)
_SIDES = {
    "height": "tall|high|h|height|upright",
    "width": "wide|w|width|long|across",
    "depth": "deep|d|depth|thick",
    "round": "dia|diameter|round",
}
_RANGE = re.compile(
    rf"(?<![\w.])({_NUMBER})\s*(?:-|–|to)\s*({_NUMBER})\s*({_UNIT})?\s*({'|'.join(_SIDES.values())})\b", re.IGNORECASE
)
_EACH = re.compile(
    rf"(?<![\w.])({_NUMBER})\s*(?:and|&|/)\s*({_NUMBER})\s*({_UNIT})?\s*({'|'.join(_SIDES.values())})\b", re.IGNORECASE
)
_SINGLE = re.compile(rf"(?<![\w.])({_NUMBER})\s*({_UNIT})?\s*({'|'.join(_SIDES.values())})\b", re.IGNORECASE)
_ACROSS = re.compile(rf"[⌀Øø]\s*({_NUMBER})\s*({_UNIT})?", re.IGNORECASE)
_MASS = re.compile(r"(?<![\w.])(\d+(?:[.,]\d+)?)\s*(kg|kilos?|g|grams?|lbs?|pounds?|oz)\b", re.IGNORECASE)
_PRICE = re.compile(
    r"[€$£]\s*(\d+(?:[.,]\d{1,2})?)|(?<![\w.])(\d+(?:[.,]\d{1,2})?)\s*(?:€|£|\$|eur|gbp|usd)(?!\w)", re.I
)
_KILOGRAMS = {"k": 1.0, "g": 0.001, "l": 0.45359237, "p": 0.45359237, "o": 0.028349523}

Span = tuple[float, float]
"""Least and greatest, in mm; the same twice for one figure."""


class ToldSizes(Struct, frozen=True):
    """The figures found in a line, and the words that are left."""

    rest: str
    sides: dict[str, Span]
    mass: float | None
    price: Decimal | None
    each: dict[str, tuple[float, ...]] = {}
    """Sides that are told one by one: ``two candlesticks 18 and 24 high``."""


def read_sizes(line: str, bare: LengthUnit) -> ToldSizes:
    """Return the sizes, mass and price of a line; raise LengthError for a figure no tape can show.

    Two figures are width and height as on the boards of the line-up, a third is the depth.
    """
    sides: dict[str, Span] = {}
    mass = price = None
    found = _MASS.search(line)
    if found:
        mass = round(float(found[1].replace(",", ".")) * _KILOGRAMS[found[2][0].lower()], 3)
        line = _cut(line, found)
    found = _PRICE.search(line)
    if found:
        price = Decimal((found[1] or found[2]).replace(",", "."))
        line = _cut(line, found)
    found = _PRODUCT.search(line)
    if found:
        unit = found[6] or found[4] or found[2]
        names = ("width", "height", "depth")
        for name, figure, own in zip(names, found.group(1, 3, 5), found.group(2, 4, 6), strict=True):
            if figure:
                sides[name] = _same(_length(figure, own or unit, bare))
        line = _cut(line, found)
    each: dict[str, tuple[float, ...]] = {}
    for pattern in (_RANGE, _EACH, _SINGLE):
        while found := pattern.search(line):
            *figures, unit, word = found.groups()
            told = tuple(_length(figure, unit, bare) for figure in figures)
            lengths = sorted(told)
            side = next(side for side, words in _SIDES.items() if word.lower() in words.split("|"))
            for name in ("width", "depth") if side == "round" else (side,):
                sides[name] = (lengths[0], lengths[-1])
                if pattern is _EACH:
                    each[name] = told
            line = _cut(line, found)
    found = _ACROSS.search(line)
    if found:
        for name in ("width", "depth"):
            sides[name] = _same(_length(found[1], found[2], bare))
        line = _cut(line, found)
    return ToldSizes(line, sides, mass, price, each)


def _cut(line: str, found: re.Match[str]) -> str:
    return f"{line[: found.start()]} {line[found.end() :]}"


def _same(length: float) -> Span:
    return length, length


def _length(figure: str, unit: str | None, bare: LengthUnit) -> float:
    return parse_length(f"{figure} {unit or ''}", bare)
