"""How far weights chosen without a kind of furniture, or without a class of cases, agree on what was left out.

    python bench/left_out.py

Weights are fitted within a factor of three to the cases that are not left out, by the logistic loss of their
differences; what is printed is agreement on cases that the fit never saw. Cautions are facts and left aside.
"""

import sys
from collections import defaultdict
from collections.abc import Callable
from pathlib import Path

import numpy as np
from scipy.optimize import minimize
from scipy.special import expit

sys.path.insert(0, str(Path(__file__).parent.parent / "tests"))

from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.readings.register import REGISTER, assess
from judgement.cases import Case, load_cases
from judgement.looks import composed_looks

FACTOR = 3.0
STEEP, PULL = 12.0, 1.0
"""How sharply a preference is asked for, and how strongly weights are drawn to being equal: those in use saw all."""

WEIGHTS = np.array([entry.weight for entry in REGISTER])


def losses(arrangement: Arrangement) -> np.ndarray:
    """Return what each reading takes from a look with all weights equal; what is gentle stays gentle."""
    told = dict(assess(arrangement).losses)
    return np.asarray([told.get(entry.id, 0.0) for entry in REGISTER] / WEIGHTS)


def difference(case: Case) -> np.ndarray:
    """Return what the worse look of a case loses more, by reading."""
    worse = next(look for look in case.plan.looks if look.id != case.better)
    better = case.plan.look(case.better)
    return np.asarray(losses(arrange(case.plan, worse)) - losses(arrange(case.plan, better)))


def fitted(seen: np.ndarray) -> np.ndarray:
    """Return weights that agree best with differences, none more than a factor apart."""

    def cost(weights: np.ndarray) -> tuple[float, np.ndarray]:
        margin = STEEP * seen @ weights
        value = float(np.logaddexp(0.0, -margin).sum() + PULL * ((weights - 1) ** 2).sum())
        slope = -STEEP * seen.T @ expit(-margin) + 2 * PULL * (weights - 1)
        return value, slope

    root = FACTOR**0.5
    bounds = [(1 / root, root)] * seen.shape[1]
    return np.asarray(minimize(cost, np.ones(seen.shape[1]), jac=True, bounds=bounds, method="L-BFGS-B").x)


def by(name: str, cases: list[Case], seen: np.ndarray, key: Callable[[Case], str]) -> None:
    """Print agreement on every group of cases that was left out in turn."""
    groups: dict[str, list[int]] = defaultdict(list)
    for number, case in enumerate(cases):
        groups[key(case)].append(number)
    agreed = 0
    composed = [
        (losses(arrange(look.plan, worse)) - losses(look.arrangement))
        for look in composed_looks()
        for worse in look.worse
    ]
    first = []
    for group, numbers in sorted(groups.items()):
        rest = np.delete(seen, numbers, axis=0)
        weights = fitted(rest)
        right = int((seen[numbers] @ weights > 0).sum())
        agreed += right
        first.append(float(np.mean([one @ weights > 0 for one in composed])))
        print(f"  {group:16} {right:>3} of {len(numbers):>3}")
    print(f"left out by {name}: {agreed} of {len(cases)} agree ({agreed / len(cases):.0%}); composed looks first in "
          f"{np.mean(first):.0%} of {len(composed)}")  # fmt: skip


def main() -> None:
    """Print agreement by kind of furniture and by class."""
    cases = [case for case in load_cases() if case.kind != "caution"]
    seen = np.array([difference(case) for case in cases])
    print(f"with the weights in use: {int((seen @ WEIGHTS > 0).sum())} of {len(cases)} agree")
    by("kind of furniture", cases, seen, lambda case: case.plan.pieces[0].kind)
    by("class", cases, seen, lambda case: f"{case.kind}: {min(case.expects)}")


if __name__ == "__main__":
    main()
