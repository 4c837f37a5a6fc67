"""Colours grouped by hand into families of hue, and what counts as loud."""

import pytest

from jolly_ledge.model.hue_family import QUIET, WARM, hue_family, loudness

# Grouped by hand, as one sorts cards of paint: what a person would call each, whatever the code says.
BY_HAND = {
    "white": ("#ffffff", "#f4f0e6", "#ece8df", "#f7f3ea", "#e8e4dc", "#fafaf5"),
    "black": ("#000000", "#20201e", "#2b2a28", "#1a1c20", "#26221f", "#303030"),
    "grey": ("#808080", "#9a9a98", "#6c6e70", "#b5b5b3", "#585a5c", "#a8a6a2"),
    "sand": ("#d8c4a0", "#c9b088", "#cbb795", "#b08a5e", "#d2b48c", "#c8a878", "#bfa27a"),
    "wood": ("#6b4a2e", "#5a3d28", "#7a5636", "#4e3524", "#6f4e34", "#805c3c", "#5f4630"),
    "rust": ("#c4663c", "#b5532c", "#a84f2f", "#cf7a4c", "#c0582f", "#9e4a2a"),
    "red": ("#b02a30", "#c03038", "#8e2430", "#a3222c", "#d03a40"),
    "rose": ("#d898a8", "#c87890", "#e0a8b4", "#c9909c", "#b8607c"),
    "yellow": ("#e0b020", "#f0c830", "#d8a818", "#c79a20", "#e8c040"),
    "green": ("#6e7f3c", "#4f7a4a", "#3f6b46", "#5d8a5a", "#7a9a6a", "#2f5a3a", "#8aa678"),
    "acid": ("#00c853", "#3fd040", "#20e060"),
    "teal": ("#2d6f73", "#3a8a8c", "#1f6a6e", "#5a9a98", "#2a7f80"),
    "blue": ("#1f4fa0", "#2f4f7f", "#3a6ab0", "#5a86b8", "#24406e", "#7a9cc4", "#1a3660"),
    "plum": ("#6a3a6a", "#7a4a80", "#8a5a94", "#5a2f5c", "#704078"),
}


@pytest.mark.parametrize(("colour", "family"), [(one, name) for name, some in BY_HAND.items() for one in some])
def test_colours_are_grouped_as_by_hand(colour: str, family: str) -> None:
    assert hue_family(colour) == family


def test_the_table_is_as_large_as_it_is_meant_to_be() -> None:
    assert sum(map(len, BY_HAND.values())) == 80
    assert len({colour for some in BY_HAND.values() for colour in some}) == 80


@pytest.mark.parametrize("family", sorted(QUIET | WARM))
def test_quiet_colours_woods_and_sand_are_never_loud(family: str) -> None:
    assert {loudness(colour) for colour in BY_HAND[family]} == {0.0}


def test_the_louder_a_colour_the_more() -> None:
    assert loudness("#00c853") == 1.0
    assert loudness("#4f7a4a") < loudness("#2f9a3a") <= loudness("#00c853")
    assert loudness("#c4663c") < loudness("#ff3a00")
