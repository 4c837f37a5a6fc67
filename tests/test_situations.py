"""Every situation of the table is told as it was decided."""

import pytest

from builders import arranged
from jolly_ledge.cautions.register import NAMES, cautions_of
from jolly_ledge.readings.register import REGISTER, assess
from situations import Situation, situations

ALL = tuple(situations())
ENOUGH = 60


def test_there_are_enough_and_no_two_of_one_name() -> None:
    assert len(ALL) >= ENOUGH
    assert len({one.told for one in ALL}) == len(ALL)
    known = {*NAMES, *(entry.id for entry in REGISTER)}
    assert all({*one.found, *one.quiet, *(name for name, _ in one.cautions)} <= known for one in ALL)
    assert all(one.found or one.quiet or one.cautions for one in ALL)


@pytest.mark.parametrize("situation", ALL, ids=lambda one: one.told)
def test_it_is_told_as_it_was_decided(situation: Situation) -> None:
    look = arranged(situation.items, situation.placements, situation.piece)
    cautions = {(caution.id, caution.level) for caution in cautions_of(look)}
    found = {finding.reading for finding in assess(look).findings}
    assert set(situation.cautions) <= cautions
    assert set(situation.found) <= found
    assert not set(situation.quiet) & (found | {name for name, _ in cautions})
