"""Proposals on the demo bookcase: the first complete look, and how good they get, against composing alone."""

import random
import statistics
import time

from jolly_ledge.demo import demo_bytes
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.proposals.compose import compose
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import Progress, propose
from jolly_ledge.proposals.worth import overlap, pairs_of
from jolly_ledge.readings.register import assess

SECONDS = 12.0
COUNT = 3


def main() -> None:
    plan = plan_from_json(demo_bytes())
    problem = problem_of(plan, "alcove", plan.look("first-try").manner)
    composed = [assess(problem.resolve(compose(problem, random.Random(seed)))).score for seed in range(12)]
    alone = statistics.median(composed)
    begun = time.perf_counter()
    first = None
    for told in propose([problem] * COUNT, 1, seconds=SECONDS):
        if isinstance(told, Progress):
            if first is None and told.best.is_valid:
                first = time.perf_counter() - begun
            continue
        scores = [one.assessment.score for one in told.found]
        pairs = [pairs_of(one.look.placements) for one in told.found]
    shared = max(overlap(pairs[a], pairs[b]) for a in range(COUNT) for b in range(a))
    print(f"first complete look       {first or float('nan'):6.2f} s (at most 1.5)")
    print(f"composed alone, median    {alone:6.3f}")
    print(
        f"after {SECONDS / COUNT:.0f} s each            {min(scores):6.3f} to {max(scores):.3f}  "
        f"ratio {statistics.median(scores) / alone:.3f}; three share at most {shared:.0%} (at most 60 %)"
    )


if __name__ == "__main__":
    main()
