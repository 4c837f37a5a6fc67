"""Lengths as people type and read them: cm, mm, and inches with fractions."""

import math
import re
from fractions import Fraction
from typing import Literal, get_args

from jolly_ledge.model.errors import LengthError

LengthUnit = Literal["cm", "mm", "in"]
LENGTH_UNITS: tuple[LengthUnit, ...] = get_args(LengthUnit)
UNIT_NAMES: dict[LengthUnit, str] = {"cm": "centimetres", "mm": "millimetres", "in": "inches"}

MM_PER_INCH = 25.4
MM_PER_FOOT = 304.8
LONGEST_MM = 50_000.0

_FACTORS = {"mm": 1.0, "cm": 10.0, "m": 1000.0, "in": MM_PER_INCH, '"': MM_PER_INCH, "″": MM_PER_INCH}
_GLYPHS = {"½": "1/2", "¼": "1/4", "¾": "3/4", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8"}
_NUMBER = r"(?:\d+[\s-]+\d+\s*/\s*\d+|\d+\s*/\s*\d+|\d+(?:[.,]\d+)?|[.,]\d+)"
_FEET = re.compile(rf"^(?P<feet>\d+)\s*(?:ft|'|′)\s*(?:(?P<inches>{_NUMBER})\s*(?:in|\"|″)?)?$")
_PLAIN = re.compile(rf"^(?P<number>{_NUMBER})\s*(?P<unit>mm|cm|m|in|inch|inches|\"|″)?$")


def parse_length(text: str, bare: LengthUnit = "mm") -> float:
    """Read a typed length.

    Parameters
    ----------
    text : str
        Such as ``12 1/2 in``, ``31.5 cm``, ``31,5cm``, ``4' 2 1/2"`` or ``315``.
    bare : str
        The unit of a number without one.

    Returns
    -------
    float
        The length in mm, from 0 to 50 m.

    Raises
    ------
    LengthError
        The text is no length, or one too long.

    Examples
    --------
    >>> parse_length("12 1/2 in")
    317.5
    >>> parse_length("31,5 cm")
    315.0
    >>> parse_length("315")
    315.0
    """
    words = text.strip().lower()
    for glyph, fraction in _GLYPHS.items():
        words = words.replace(glyph, f" {fraction}")
    words = " ".join(words.split())
    feet = _FEET.match(words)
    plain = _PLAIN.match(words)
    if feet:
        length = int(feet["feet"]) * MM_PER_FOOT + _number(feet["inches"] or "0", text) * MM_PER_INCH
    elif plain:
        unit = plain["unit"] or bare
        length = _number(plain["number"], text) * _FACTORS["in" if unit.startswith("inch") else unit]
    else:
        raise LengthError(f"“{text}” is not a length; type it like 31.5 cm, 315 mm or 12 1/2 in.")
    if length > LONGEST_MM:
        raise LengthError(f"“{text}” is longer than 50 m; check the unit.")
    return round(length, 4)


def _number(words: str, text: str) -> float:
    try:
        total = sum(
            (Fraction(part) for part in re.sub(r"\s*/\s*", "/", words).replace(",", ".").replace("-", " ").split()),
            Fraction(0),
        )
    except (ValueError, ZeroDivisionError) as error:
        raise LengthError(f"“{text}” is not a length; type it like 31.5 cm or 12 1/2 in.") from error
    # A run of digits may be longer than any float.
    return float(total) if total < LONGEST_MM * 10 else math.inf


def format_length(length: float, unit: LengthUnit = "cm", *, with_unit: bool = True) -> str:
    """Write a length so that a tape can find it: whole mm, or sixteenths of an inch.

    >>> format_length(315, "cm")
    '31.5 cm'
    >>> format_length(317.5, "in")
    '12 1/2 in'
    >>> format_length(1250.2, "mm")
    '1250 mm'
    """
    figure = _figure(length, unit)
    return f"{figure} {unit}" if with_unit else figure


_TOLD = re.compile(r"((?:\d+(?:\.\d+)? (?:and|to|by|or|×) )*)(\d+(?:\.\d+)?) (mm|cm)\b")


def in_unit(sentence: str, unit: LengthUnit) -> str:
    """Return a sentence with its lengths in the unit a person reads in.

    >>> in_unit("They are 240 and 220 mm high; raise one by 30 mm.", "cm")
    'They are 24 and 22 cm high; raise one by 3 cm.'
    >>> in_unit("It is 60 mm deeper.", "in")
    'It is 2 3/8 in deeper.'
    """

    def told(found: re.Match[str]) -> str:
        factor = _FACTORS[found[3]]
        before = re.sub(r"\d+(?:\.\d+)?", lambda one: _figure(float(one[0]) * factor, unit), found[1])
        return f"{before}{format_length(float(found[2]) * factor, unit)}"

    return _TOLD.sub(told, sentence)


def _figure(length: float, unit: LengthUnit) -> str:
    if unit == "mm":
        return str(round(length))
    if unit == "cm":
        return f"{round(length) / 10:g}"
    sixteenths = round(abs(length) / MM_PER_INCH * 16)
    whole, part = divmod(sixteenths, 16)
    sign = "−" if length < 0 and sixteenths else ""
    if not part:
        return f"{sign}{whole}"
    fraction = Fraction(part, 16)
    return f"{sign}{f'{whole} ' if whole else ''}{fraction.numerator}/{fraction.denominator}"
