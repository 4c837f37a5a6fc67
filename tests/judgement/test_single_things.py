"""Looks of groups read above what a search without groups climbed to."""

from jolly_ledge.readings.register import assess
from judgement.single_things import households_of_single_things, score_after, single_things

ONE_OF_EACH = [(start, seed) for start, seed in households_of_single_things() if seed == 31]
MOSTLY = 0.9


def test_groups_mostly_read_above_single_things() -> None:
    above = [score_after(*one) > assess(single_things(*one)).score for one in ONE_OF_EACH]
    assert sum(above) >= MOSTLY * len(above)
