"""A look of groups reads above what a search without groups climbed to."""

import pytest

from jolly_ledge.readings.register import assess
from judgement.single_things import households_of_single_things, score_after, single_things

ONE_OF_EACH = [(start, seed) for start, seed in households_of_single_things() if seed == 31]


@pytest.mark.parametrize(("start", "seed"), ONE_OF_EACH)
def test_groups_read_above_single_things(start: str, seed: int) -> None:
    assert score_after(start, seed) > assess(single_things(start, seed)).score
