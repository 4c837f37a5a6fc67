"""What is to be hidden and stands wholly behind something is hidden; what peeps out is not."""

import pytest

from builders import arranged, case_of, put, thing
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.readings.register import assess
from jolly_ledge.scene.as_seen import as_seen

CASE = thing("case", "box", width=300.0, height=180.0, depth=150.0)
VASE = thing("vase", width=110.0, height=230.0)


def look(trait: str, x: float) -> Arrangement:
    strip = thing("strip", "device", width=200.0, height=50.0, depth=40.0, traits=(trait,) if trait else ())
    stand = (put("case", x=300.0, z=120.0), put("strip", x=x, z=270.0), put("vase", x=600.0, z=150.0))
    return arranged((CASE, strip, VASE), stand, case_of())


@pytest.mark.parametrize("trait", ["hide", "mask"])
def test_wholly_behind_something_it_is_as_if_it_lay_in_a_box(trait: str) -> None:
    seen = as_seen(look(trait, 300.0))
    assert [placed.id for placed in seen.visible] == ["case", "vase"]
    assert seen.by_id["strip"].hidden
    assert not look(trait, 300.0).by_id["strip"].hidden


def test_no_reading_scolds_it_there_and_its_demand_is_met() -> None:
    met, unmet = assess(look("hide", 300.0)), assess(look("hide", 460.0))
    named = {reading.id for reading in met.readings for finding in reading.findings if "strip" in finding.placements}
    assert named == set()
    demand, missed = met.reading("must-haves"), unmet.reading("must-haves")
    assert demand is not None
    assert demand.value == 1.0
    assert missed is not None
    assert missed.value < 1.0
    assert any("wholly behind something" in finding.sentence for finding in missed.findings)


def test_what_shall_be_seen_is_scolded_behind_the_same_thing() -> None:
    covered = assess(look("", 300.0)).reading("covered")
    assert covered is not None
    assert covered.findings


def test_what_carries_something_stays_in_the_picture() -> None:
    bud = thing("bud", width=40.0, height=260.0, depth=40.0)
    base = thing("strip", "device", width=200.0, height=50.0, depth=40.0, traits=("hide",))
    stand = (put("case", x=300.0, z=120.0), put("strip", x=300.0, z=270.0), put("bud", on="strip"))
    seen = as_seen(arranged((CASE, base, bud), stand, case_of()))
    assert not seen.by_id["strip"].hidden
