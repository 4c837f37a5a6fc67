"""The search by groups against restarts within the same grammar, and against annealing of single things, in one run.

Every search has the same time for every piece of the demo. Told are how a look is liked (the first two), how it reads,
how many things stand alone on their ledge, and how many of them come only when asked.
"""

import time

from msgspec.structs import replace

from jolly_ledge.demo import demo_bytes
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.model.belonging import welcome
from jolly_ledge.model.look import Manner
from jolly_ledge.proposals.grouping import Grouping
from jolly_ledge.proposals.problem import Problem, problem_of
from jolly_ledge.proposals.strategies import Annealing, Strategy

SECONDS = 4.0


class Restarts(Grouping):
    """Composes all anew at every step."""

    whole_often = 1.0


def searched(search: Strategy) -> int:
    """Let a search have its time; return its steps."""
    begun, steps = time.monotonic(), 0
    while (spent := time.monotonic() - begun) < SECONDS:
        search.step(spent / SECONDS)
        steps += 1
    return steps


def told_of(problem: Problem, search: Strategy) -> str:
    """Return how many things are there, how it reads, how many stand alone, how many come only when asked."""
    arrangement = problem.resolve(search.best.placements)
    ledges = [list(things) for things in arrangement.by_ledge.values()]
    alone = sum(len(things) == 1 for things in ledges)
    must = {item.id for item in problem.required}
    asked = sum(
        not welcome(placed.item, problem.piece, placed.ledge)
        for placed in arrangement.placed_items
        if placed.placement.host is None and placed.item.id not in must and placed.placement.pose != "hung"
    )
    count = len(search.best.placements)
    return f"{count:3} things, reads {search.best.score * 100:5.1f}, alone {alone:2}, only when asked {asked:2}"


def main() -> None:
    """Print a line for every piece and search."""
    plan = replace(plan_from_json(demo_bytes()), looks=())
    for piece in plan.pieces:
        problem = problem_of(plan, piece.id, Manner())
        for name, kind in (("groups", Grouping), ("restarts", Restarts), ("single things", Annealing)):
            search = kind(problem, 1)
            steps = searched(search)
            liked = f"liked {search.best.objective:6.2f}" if isinstance(search, Grouping) else " " * 12
            print(f"{piece.id:<16}{name:<15}{steps:6} steps  {liked}  {told_of(problem, search)}")


if __name__ == "__main__":
    main()
