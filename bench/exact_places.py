"""What must find a place, by the search of the application and by a constraint solver: how often, and how fast.

    python bench/exact_places.py [SECONDS]

The solver (OR-Tools CP-SAT) is no part of the application; where it is not installed, only the own search is told.
Both have the same question: boxes of given footprints on the shelves of a case, none in the place of another. The
solver knows footprints and heights only; the own search asks every caution and wish as well.
"""

import sys
from collections.abc import Sequence
from pathlib import Path
from random import Random
from time import perf_counter

sys.path.insert(0, str(Path(__file__).parent.parent / "tests"))

from builders import case_of
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.compose import FEW_ERRANDS
from jolly_ledge.proposals.placement_search import settle, settle_most
from jolly_ledge.proposals.problem import Problem, problem_of
from jolly_ledge.proposals.requirements import requirements_of

try:
    from ortools.sat.python import cp_model  # type: ignore[import-not-found,unused-ignore]
except ImportError:
    cp_model = None

COUNTS, COVERED = (6, 12, 24, 40), (0.35, 0.6, 0.8, 1.05)
"""How many boxes, and how much of the shelves they cover; over 1 there is no place for all."""


def problem_with(count: int, covered: float, seed: int) -> Problem:
    """Return a case of four shelves and boxes that must be on it and cover a share of it."""
    rng = Random(seed)
    piece = case_of(4)
    area = sum(ledge.width * ledge.depth for ledge in piece.ledges)
    shapes = [(rng.uniform(0.6, 1.6), rng.uniform(0.6, 1.6)) for _ in range(count)]
    scale = (covered * area / sum(width * depth for width, depth in shapes)) ** 0.5
    deepest = 0.95 * piece.ledges[0].depth
    stash = tuple(
        Item(id=f"box-{number}", category="box", width=round(width * scale), height=120, mass=0.5,
             depth=round(min(depth * scale, deepest)), traits=("must-keep",), meant_for=(piece.id,))
        for number, (width, depth) in enumerate(shapes)
    )  # fmt: skip
    return problem_of(Plan(pieces=(piece,), stash=stash), piece.id, Manner())


def solved(items: Sequence[Item], ledges: Sequence[Ledge], seconds: float) -> str:
    """Return what the solver says of boxes on ledges: placed, proved impossible, or unknown in the time."""
    model = cp_model.CpModel()
    for_ledge: dict[str, tuple[list[object], list[object]]] = {ledge.id: ([], []) for ledge in ledges}
    for item in items:
        there = []
        for ledge in ledges:
            on = model.new_bool_var("")
            width, depth = int(item.width), int(item.depth)
            if width > ledge.width or depth > ledge.depth:
                continue
            x = model.new_int_var(0, int(ledge.width) - width, "")
            z = model.new_int_var(0, int(ledge.depth) - depth, "")
            for_ledge[ledge.id][0].append(model.new_optional_fixed_size_interval_var(x, width, on, ""))
            for_ledge[ledge.id][1].append(model.new_optional_fixed_size_interval_var(z, depth, on, ""))
            there.append(on)
        model.add_exactly_one(there)
    for along, across in for_ledge.values():
        model.add_no_overlap_2d(along, across)
    solver = cp_model.CpSolver()
    solver.parameters.max_time_in_seconds = seconds
    said = solver.solve(model)
    words = {cp_model.OPTIMAL: "placed", cp_model.FEASIBLE: "placed", cp_model.INFEASIBLE: "impossible"}
    return words.get(said, "unknown")


def main(seconds: float) -> None:
    """Print a line for every number of boxes and every share covered."""
    print(f"{'boxes':>6} {'covered':>8} {'own search':>24} {'solver':>24}")
    for count in COUNTS:
        for covered in COVERED:
            problem = problem_with(count, covered, count)
            requirements = requirements_of(problem)
            began = perf_counter()
            found, to_the_end = settle(problem, requirements) if count <= FEW_ERRANDS else (None, False)
            if found is None:
                _, left = settle_most(problem, requirements)
                own = f"{len(requirements) - len(left)} of {len(requirements)}" + (" (proved)" if to_the_end else "")
            else:
                own = "placed"
            own += f" {perf_counter() - began:.2f} s"
            other = "not installed"
            if cp_model is not None:
                began = perf_counter()
                said = solved(
                    [item for requirement in requirements for item in requirement.items], problem.open_ledges, seconds
                )
                other = f"{said} {perf_counter() - began:.2f} s"
            print(f"{count:>6} {covered:>8.0%} {own:>24} {other:>24}", flush=True)


if __name__ == "__main__":
    main(float(sys.argv[1]) if len(sys.argv) > 1 else 10.0)
