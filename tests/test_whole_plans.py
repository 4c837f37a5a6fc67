"""Nothing that is done with a sound plan fails otherwise than by a refusal in a sentence."""

import pytest
from hypothesis import HealthCheck, given, settings
from PySide6.QtGui import QGuiApplication

from jolly_ledge.model.plan import Plan
from whole_plan_run import drive
from whole_plans import whole_plans


@pytest.mark.usefixtures("qapp")
@settings(max_examples=150, deadline=None, suppress_health_check=list(HealthCheck))
@given(plan=whole_plans())
def test_whatever_is_done_with_any_plan_is_done_or_refused_in_a_sentence(plan: Plan) -> None:
    assert QGuiApplication.instance() is not None
    drive(plan, len(plan.stash) * 7 + len(plan.looks))
