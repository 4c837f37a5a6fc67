"""Colours as the eye sees them."""

import pytest
from coloraide import Color
from hypothesis import given
from hypothesis import strategies as st

from jolly_ledge.model.colour import (
    FAMILY_RADIUS,
    difference,
    family_distance,
    family_name,
    is_green,
    is_neutral,
    mix,
    oklab,
)

colours = st.integers(0, 0xFFFFFF).map(lambda value: f"#{value:06x}")

# Sharma, Wu and Dalal, "The CIEDE2000 color-difference formula" (2005), table 1: a selection that
# covers the hue, chroma and rotation terms.
PUBLISHED = [
    ((50.0000, 2.6772, -79.7751), (50.0000, 0.0000, -82.7485), 2.0425),
    ((50.0000, 3.1571, -77.2803), (50.0000, 0.0000, -82.7485), 2.8615),
    ((50.0000, -1.3802, -84.2814), (50.0000, 0.0000, -82.7485), 1.0000),
    ((50.0000, 2.5000, 0.0000), (73.0000, 25.0000, -18.0000), 27.1492),
    ((50.0000, 2.5000, 0.0000), (50.0000, 3.1736, 0.5854), 1.0000),
    ((60.2574, -34.0099, 36.2677), (60.4626, -34.1751, 39.4387), 1.2644),
    ((63.0109, -31.0961, -5.8663), (62.8187, -29.7946, -4.0864), 1.2630),
    ((22.7233, 20.0904, -46.6940), (23.0331, 14.9730, -42.5619), 2.0373),
    ((2.0776, 0.0795, -1.1350), (0.9033, -0.0636, -0.5514), 0.9082),
]


@pytest.mark.parametrize(("first", "second", "published"), PUBLISHED)
def test_the_library_gives_the_published_differences(
    first: tuple[float, float, float], second: tuple[float, float, float], published: float
) -> None:
    one, two = Color("lab-d65", first), Color("lab-d65", second)
    assert one.delta_e(two, method="2000", space="lab-d65") == pytest.approx(published, abs=1e-4)


@given(colours)
def test_oklab_agrees_with_the_library(colour: str) -> None:
    assert oklab(colour) == pytest.approx(tuple(Color(colour).convert("oklab").coords()), abs=2e-4)


@given(colours, colours)
def test_difference_is_symmetric_and_nought_only_for_the_same(first: str, second: str) -> None:
    assert difference(first, second) == pytest.approx(difference(second, first), abs=1e-6)
    assert (difference(first, second) < 1e-9) == (first == second)


@pytest.mark.parametrize("other", ["#b98b5a", "#c87d4f", "#c9a98c"])
def test_copper_answers_oak_terracotta_and_tan_as_one_family(other: str) -> None:
    assert family_distance("#b87333", other) <= FAMILY_RADIUS


@pytest.mark.parametrize(("first", "second"), [("#c4663c", "#25405c"), ("#f5f5f2", "#1e1e1e"), ("#7b3b57", "#66874f")])
def test_strangers_are_no_family(first: str, second: str) -> None:
    assert family_distance(first, second) > FAMILY_RADIUS


@pytest.mark.parametrize(
    ("colour", "name"),
    [
        ("#f5f5f2", "white"),
        ("#efe6d2", "cream"),
        ("#1e1e1e", "black"),
        ("#c4663c", "terracotta"),
        ("#25405c", "dark blue"),
        ("#7b3b57", "plum"),
        ("#66874f", "green"),
        ("#1f6f72", "teal"),
        ("#6b4630", "brown"),
    ],
)
def test_names_are_plain_words(colour: str, name: str) -> None:
    assert family_name(colour) == name


def test_neutrals_and_greens_are_told_apart() -> None:
    assert is_neutral("#efe8d8")
    assert not is_neutral("#c4663c")
    assert is_green("#4f6b3f")
    assert not is_green("#25405c")


@given(colours, colours, st.floats(0, 1))
def test_a_mix_is_a_colour_between(first: str, second: str, share: float) -> None:
    mixed = mix(first, second, share)
    for i in (1, 3, 5):
        ends = sorted((int(first[i : i + 2], 16), int(second[i : i + 2], 16)))
        assert ends[0] <= int(mixed[i : i + 2], 16) <= ends[1]
