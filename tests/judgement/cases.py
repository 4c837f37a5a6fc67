"""Calibration cases read from their files, and whether the readings agree with them."""

import json
from pathlib import Path

from msgspec import Struct

from jolly_ledge.cautions.caution import GRAVITY
from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.model.plan import Plan
from jolly_ledge.readings.register import Assessment, assess, better_of

FOLDER = Path(__file__).parent / "cases"
NO_CAUTION = 9


class Case(Struct, frozen=True):
    id: str
    title: str
    kind: str
    better: str
    expects: frozenset[str]
    plan: Plan


def load_cases() -> list[Case]:
    cases = []
    for path in sorted(FOLDER.glob("*.json")):
        raw = json.loads(path.read_bytes())
        case = raw["case"]
        plan = plan_from_json(json.dumps(raw.get("plan", raw)).encode())
        cases.append(Case(case["id"], case["title"], case["kind"], case["better"], frozenset(case["expects"]), plan))
    return cases


def prefers(case: Case) -> bool:
    """Tell whether the better look is preferred, for whatever reason; a caution has its own reason."""
    if case.kind == "caution":
        return agrees(case)
    better = case.plan.look(case.better)
    worse = next(look for look in case.plan.looks if look.id != case.better)
    scores = [assess(arrange(case.plan, look)).score for look in (better, worse)]
    return better_of(*scores) == -1


def agrees(case: Case) -> bool:
    """Tell whether the better look is preferred, for one of the expected reasons."""
    better = case.plan.look(case.better)
    worse = next(look for look in case.plan.looks if look.id != case.better)
    good, poor = arrange(case.plan, better), arrange(case.plan, worse)
    if case.kind == "caution":
        return _gravest(poor, case.expects) < _gravest(good, case.expects)
    read_good, read_poor = assess(good), assess(poor)
    prefers = better_of(read_good.score, read_poor.score) == -1
    return prefers and any(_better_in(read_good, read_poor, name) for name in case.expects)


def _better_in(good: Assessment, poor: Assessment, name: str) -> bool:
    one, two = good.reading(name), poor.reading(name)
    return one is not None and (two is None or one.score > two.score)


def _gravest(arrangement: Arrangement, names: frozenset[str]) -> int:
    return min(
        (GRAVITY[caution.level] for caution in cautions_of(arrangement) if caution.id in names), default=NO_CAUTION
    )
