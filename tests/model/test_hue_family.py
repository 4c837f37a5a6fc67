"""Colours grouped by hand into families of hue, and what counts as loud."""

import pytest

from builders import thing
from jolly_ledge.model.families import family_of, stash_families
from jolly_ledge.model.hue_family import QUIET, WARM, families_of, hue_family, loudness, nearest_family
from jolly_ledge.model.plan import Plan

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


def test_families_gather_colours_of_one_hue_largest_first() -> None:
    families = families_of([("#a5522f", 1.0), ("#c4663c", 5.0), ("#25405c", 3.0)])
    assert families == [("#c4663c", 6.0), ("#25405c", 3.0)]


def test_what_is_set_apart_by_hand_draws_only_what_is_near_it() -> None:
    cobalt, near, greyed = "#1f4fa0", "#2a58a8", "#5f7486"
    assert hue_family(cobalt) == hue_family(near) == hue_family(greyed) == "blue"
    weighted = [(cobalt, 1.0), (near, 2.0), (greyed, 5.0)]
    assert families_of(weighted) == [(greyed, 8.0)]
    assert families_of(weighted, frozenset({cobalt})) == [(greyed, 5.0), (cobalt, 3.0)]


def test_copper_and_oak_are_two_families_that_answer_each_other() -> None:
    copper, oak = "#c4663c", "#b98b5a"
    assert nearest_family(oak, (copper,)) is None
    assert nearest_family(oak, (copper,), answering=True) == copper
    assert nearest_family("#25405c", (copper, oak), answering=True) is None
    assert nearest_family("#a5522f", (oak, copper), answering=True) == copper


def test_no_family_is_most_of_a_mixed_stash_and_one_thing_more_changes_no_other(demo: Plan) -> None:
    found = stash_families(demo.stash)
    whole = sum(area for _, area in found)
    assert found[0][1] / whole < 0.33
    more = thing("lime", colours=(("#9bd12c", 1.0),))
    leaders, others = tuple(colour for colour, _ in found), tuple(c for c, _ in stash_families((*demo.stash, more)))
    for item in demo.stash:
        assert hue_family(family_of(item, leaders)) == hue_family(family_of(item, others))
