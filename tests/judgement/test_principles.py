"""Principles of the trade beside the calibration cases: what is known to be better is preferred for its reason."""

import pytest

from judgement import caution_principles, shelf_principles, top_principles
from judgement.cases import agrees
from judgement.principle import Principle

PRINCIPLES = (*shelf_principles.PRINCIPLES, *top_principles.PRINCIPLES, *caution_principles.PRINCIPLES)


@pytest.mark.parametrize("principle", PRINCIPLES, ids=lambda principle: principle.title)
def test_the_principle_holds(principle: Principle) -> None:
    assert agrees(principle.as_case()), f"{principle.title}: expected {principle.expects}"
