"""Lengths typed and shown."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from jolly_ledge.model.errors import LengthError
from jolly_ledge.model.lengths import LENGTH_UNITS, LengthUnit, format_length, parse_length


@pytest.mark.parametrize(
    ("text", "length"),
    [
        ("12 1/2 in", 317.5),
        ("12-1/2in", 317.5),
        ("12½ in", 317.5),
        ("1/2 in", 12.7),
        ("31.5 cm", 315.0),
        ("31,5cm", 315.0),
        ("315", 315.0),
        (" 315 MM ", 315.0),
        ("0.315 m", 315.0),
        ('12.5"', 317.5),
        ("4' 2 1/2\"", 1282.7),
        ("4 ft", 1219.2),
        (".5 in", 12.7),
        ("0", 0.0),
    ],
)
def test_lengths_are_read(text: str, length: float) -> None:
    assert parse_length(text) == pytest.approx(length)


@pytest.mark.parametrize(("unit", "length"), [("cm", 315.0), ("mm", 31.5), ("in", 800.1)])
def test_a_bare_number_is_in_the_unit_in_force(unit: LengthUnit, length: float) -> None:
    assert parse_length("31.5", unit) == pytest.approx(length)


@pytest.mark.parametrize("text", ["", "tall", "12 parsecs", "1/0 in", "--5", "1e5", "nan", "12 1 1/2 in", "9" * 400])
def test_what_is_no_length_is_refused_in_one_sentence(text: str) -> None:
    with pytest.raises(LengthError) as refusal:
        parse_length(text)
    assert str(refusal.value).endswith(".")
    assert "\n" not in str(refusal.value)


def test_a_length_over_fifty_metres_is_refused() -> None:
    with pytest.raises(LengthError, match="longer than 50 m"):
        parse_length("60 m")


@pytest.mark.parametrize(
    ("length", "unit", "text"),
    [
        (315, "cm", "31.5 cm"),
        (310, "cm", "31 cm"),
        (315.4, "mm", "315 mm"),
        (317.5, "in", "12 1/2 in"),
        (304.8, "in", "12 in"),
        (3, "in", "1/8 in"),
        (-25.4, "in", "−1 in"),
        (0, "in", "0 in"),
    ],
)
def test_lengths_are_shown_as_a_tape_finds_them(length: float, unit: LengthUnit, text: str) -> None:
    assert format_length(length, unit) == text


@given(st.floats(min_value=0, max_value=40_000), st.sampled_from(LENGTH_UNITS))
def test_what_is_shown_can_be_typed_again(length: float, unit: LengthUnit) -> None:
    shown = format_length(length, unit)
    assert parse_length(shown) == pytest.approx(length, abs=0.8)
    assert format_length(parse_length(shown), unit) == shown
