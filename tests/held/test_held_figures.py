"""Figures, sentences, cautions and plans of many looks are as they were held, unless somebody means to change them."""

from itertools import islice

import pytest

from held.held_figures import PARTS, differences, differing

RENEW = "Where that is meant, run python tests/held/held_figures.py and look at what it changed."


@pytest.mark.parametrize("part", PARTS)
def test_what_is_told_is_what_was_held(part: str) -> None:
    assert list(islice(differing(part), 20)) == [], RENEW


def test_what_differs_is_told_by_its_place_and_rounding_is_not() -> None:
    kept = {"look": {"scale": [0.5, 1.0], "order": ["urn"]}, "gone": 1}
    told = {"look": {"scale": [0.5000001, 1.1], "order": ["urn", "bowl"]}, "new": True}
    assert list(differences(kept, told, "figures")) == [
        "figures, gone: 1 before, None now",
        "figures, look, order: ['urn'] before, ['urn', 'bowl'] now",
        "figures, look, scale, 1: 1.0 before, 1.1 now",
        "figures, new: None before, True now",
    ]
