"""Stems in a vessel: how many, how high, with what they are held, and what they cost."""

from decimal import Decimal

import pytest

from builders import thing
from jolly_ledge.planning.stems import plan_stems


def test_a_mouth_takes_what_its_area_allows() -> None:
    told = plan_stems(thing("jar", mouth=40.0, height=200.0))
    # (40 / 8)² = 25 stems would tile it: a third to two thirds look at ease, odd counts, three quarters go in.
    assert (told.fewest, told.most, told.limit) == (7, 15, 18)
    assert not told.mouth_is_guessed
    thick = plan_stems(thing("jar", mouth=40.0, height=200.0), stem=16.0)
    assert thick.limit == 4


def test_a_bunch_that_crowds_a_narrow_neck_is_told() -> None:
    told = plan_stems(thing("bottle", mouth=20.0), thing("twigs", "stems", stems=12))
    assert told.limit == 4
    assert any("crowd" in sentence and "leave 9 out" in sentence for sentence in told.sentences)


def test_a_bunch_lost_in_a_wide_mouth_wants_more_and_a_hold() -> None:
    told = plan_stems(thing("urn", mouth=120.0), thing("tulips", "stems", stems=5, price=Decimal("6.50")))
    assert told.bunches == -(-told.fewest // 5)
    assert told.cost == told.bunches * Decimal("6.50")
    assert told.held == "jar"
    assert plan_stems(thing("jar", mouth=40.0), thing("tulips", "stems", stems=15)).held == ""
    assert plan_stems(thing("jar", mouth=40.0), thing("tulips", "stems", stems=2)).held == "grid"
    assert plan_stems(thing("trug", "basket", mouth=40.0), thing("tulips", "stems", stems=15)).held == "jar"


def test_heights_keep_under_the_board_and_the_eye() -> None:
    vessel = thing("jar", mouth=60.0, height=200.0)
    free = plan_stems(vessel)
    assert free.over_rim == 300.0
    under = plan_stems(vessel, clearance=400.0)
    assert under.over_rim == pytest.approx(0.92 * 400 - 200)
    assert plan_stems(vessel, clearance=400.0, lift=60.0).over_rim == pytest.approx(under.over_rim - 60)
    assert plan_stems(vessel, sight=250.0).over_rim == 50.0
    none = plan_stems(vessel, clearance=190.0)
    assert none.over_rim == 0.0
    assert any("no room" in sentence for sentence in none.sentences)


def test_every_stem_has_its_cut_and_the_tallest_fits() -> None:
    told = plan_stems(thing("jar", mouth=60.0, height=200.0), thing("twigs", "stems", stems=21), clearance=500.0)
    assert sum(number for number, _ in told.cuts) == 21
    lengths = [length for _, length in told.cuts]
    assert lengths == sorted(lengths, reverse=True)
    assert lengths[0] == pytest.approx(0.85 * 200 + told.over_rim, abs=2.5)


def test_a_mouth_that_is_not_told_is_guessed_and_said_so() -> None:
    told = plan_stems(thing("jar", width=120.0))
    assert told.mouth_is_guessed
    assert "guessed" in told.sentences[0]
