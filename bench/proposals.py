"""The search over single things on its own objective: exact small cases, best looks, other searches, growth, memory.

The search by groups has a benchmark of its own, ``groups.py``.

Every figure is a ratio or a share that holds on a slow machine as well; ``--long`` adds the ten-minute run that the
best known look comes from, which takes its time. Parts are chosen by name: memory, exact, best, race, differences,
doubling.
"""

import itertools
import multiprocessing
import random
import resource
import statistics
import sys
import time
from collections.abc import Callable, Iterator
from functools import partial

import numpy as np
from msgspec.structs import replace
from scipy.optimize import dual_annealing

from jolly_ledge.demo import demo_bytes
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.measures.counts import recommended
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner, Placement
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.words import FULLNESSES
from jolly_ledge.proposals.objective import Objective, Placements, overlap, pairs_of
from jolly_ledge.proposals.places import at
from jolly_ledge.proposals.problem import Problem, problem_of
from jolly_ledge.proposals.proposal import Progress
from jolly_ledge.proposals.propose import proposals, propose
from jolly_ledge.proposals.strategies import PATIENCE, Annealing, Composing, Strategy

COUNT = 3
EXACT_CASES, EXACT_SECONDS = 100, 1.0
RACE_SECONDS, RACE_SEEDS = 60.0, 3
LONG_SECONDS = 600.0
AIMS, AIM_BELOW, TRIALS = (1.0, 2.0, 4.0), 0.004, 3


def demo_problem() -> tuple[Plan, Problem]:
    plan = plan_from_json(demo_bytes())
    return plan, problem_of(plan, "alcove", plan.look("first-try").manner)


def small_problem(seed: int) -> Problem:
    """Return a problem of a few vessels on one or two short ledges, on a coarse tape: all of it can be looked at."""
    rng = random.Random(seed)
    ledges = tuple(
        Ledge(id=f"s{n}", left=20.0, floor=300.0 + 420 * n, width=560.0, depth=280.0,
              clearance=rng.uniform(300, 400))
        for n in range(rng.choice((1, 2)))
    )  # fmt: skip
    piece = Piece(
        id="case", kind="bookcase", width=600.0, height=1200.0, depth=300.0, backdrop="#46535a", ledges=ledges
    )
    colours = ("#c4663c", "#2d6f73", "#efe6d2", "#23262b", "#d99a1c", "#8fa58a")
    stash = tuple(
        Item(id=f"t{n}", category=rng.choice(("vessel", "object", "plant")), width=rng.uniform(90, 220),
             height=rng.uniform(60, 290), depth=rng.uniform(70, 130), mass=1.0,
             colours=((rng.choice(colours), 1.0),), finish=rng.choice(("matt", "gloss", "rough")))
        for n in range(3 if len(ledges) == 2 else rng.choice((3, 4)))
    )  # fmt: skip
    fullness = rng.choice(FULLNESSES)
    plan = Plan(name="Small", pieces=(piece,), stash=stash)
    return replace(problem_of(plan, "case", Manner(fullness=fullness)), step=280.0)


def all_of(problem: Problem) -> Iterator[Placements]:
    """Yield every arrangement of a small problem."""

    def spots(item: Item) -> list[Placement | None]:
        found: dict[tuple[str, float | None, float | None], Placement] = {}
        for ledge in problem.open_ledges:
            for x in np.arange(0.0, ledge.width + 1.0, 10.0):
                for z in (0.0, problem.step):
                    one = at(item, ledge, float(x), z, step=problem.step)
                    found[one.ledge, one.x, one.z] = one
        return [None, *found.values()]

    for chosen in itertools.product(*(spots(item) for item in problem.candidates)):
        yield tuple(placement for placement in chosen if placement is not None)


def exact_case(seed: int) -> tuple[bool, int, float]:
    problem = small_problem(seed)
    objective = Objective(problem)
    best, count = float("-inf"), 0
    for placements in all_of(problem):
        state = objective.state(placements)
        count += 1
        best = max(best, state.objective if state is not None else best)
    run, begun, found_after = Annealing(problem, seed), time.perf_counter(), 0.0
    while (spent := time.perf_counter() - begun) < EXACT_SECONDS and run.best.objective < best - 1e-9:
        run.step(spent / EXACT_SECONDS)
        found_after = time.perf_counter() - begun
    return run.best.objective >= best - 1e-9, count, found_after


def exact(cases: int = EXACT_CASES) -> None:
    with multiprocessing.Pool(2) as pool:
        found = pool.map(exact_case, range(cases))
    right = sum(hit for hit, _, _ in found)
    print(
        f"(a) small cases: the true best in {right} of {cases} (at least {0.95:.0%}) within {EXACT_SECONDS:.0f} s; "
        f"{statistics.median(n for _, n, _ in found):.0f} arrangements each, found after "
        f"{statistics.median(t for _, _, t in found):.2f} s (median)"
    )


def first_and_best() -> None:
    known = long_run() if "--long" in sys.argv else None
    _, problem = demo_problem()
    begun, first, after_ten = time.perf_counter(), None, 0.0
    for told in propose([problem], 1, seconds=10.0, strategy="annealing"):
        if isinstance(told, Progress):
            if first is None and told.best.is_valid:
                first = time.perf_counter() - begun
        else:
            after_ten = told.found[0].assessment.score
    print(f"(b) demo bookcase: first complete look after {first or float('nan'):.2f} s (at most 1.5), "
          f"{after_ten:.4f} after 10 s")  # fmt: skip
    if known is not None:
        print(f"    best known {known:.4f}: {1 - after_ten / known:.1%} below it (at most 2 %)")


def long_run() -> float:
    _, problem = demo_problem()
    return proposals([problem], 77, seconds=LONG_SECONDS, strategy="annealing").found[0].assessment.score


class PlainClimb:
    """A plain hill climb with restarts: one thing anywhere or away, kept when better.

    It begins with a random arrangement, or with what stands there anyway.
    """

    def __init__(self, problem: Problem, seed: int, *, scatters: bool = True) -> None:
        self._objective, self._rng, self._idle, self._scatters = Objective(problem), random.Random(seed), 0, scatters
        self.now = self.best = self._objective.begun(self._scattered())

    def _scattered(self) -> Placements:
        """Throw things at random places, and keep those that have room."""
        problem, placements = self._objective.problem, self._objective.problem.fixed
        bears = sum(recommended(problem.piece, ledge, problem.manner.fullness) for ledge in problem.open_ledges)
        for _ in range(round(2 * bears) if self._scatters else 0):
            changed = self._thrown(placements)
            if problem.can_stand(problem.resolve(changed)):
                placements = changed
        return placements

    def _thrown(self, placements: Placements) -> Placements:
        problem, rng = self._objective.problem, self._rng
        item, ledge = rng.choice(problem.candidates), rng.choice(problem.open_ledges)
        others = tuple(placement for placement in placements if placement.item != item.id)
        return (*others, at(item, ledge, rng.uniform(0, ledge.width), rng.uniform(0, ledge.depth)))

    def step(self, progress: float) -> bool:
        if self._idle > PATIENCE:
            self.now, self._idle = self._objective.begun(self._scattered()), 0
        changed = self._thrown(self.now.placements)
        if len(changed) == len(self.now.placements) and self._rng.random() < 0.3:
            changed = changed[:-1]
        state = self._objective.state(changed, self.now.objective + 1e-9)
        self._idle = self._idle + 1 if state is None else 0
        self.now = state or self.now
        if self.now.rank > self.best.rank:
            self.best = self.now
            return True
        return False


Trace = list[tuple[float, float]]
"""What a search was worth, and after how many seconds it came to that."""


def traced(make: Callable[[], Strategy], seconds: float, planned: float = 0.0) -> Trace:
    """Run a search; one that cools does so over the ``planned`` seconds."""
    begun = time.perf_counter()
    search = make()
    trace: Trace = [(time.perf_counter() - begun, search.best.objective)] if search.best.is_complete else []
    while (spent := time.perf_counter() - begun) < seconds:
        if search.step(min(spent / (planned or seconds), 1.0)) and search.best.is_complete:
            trace.append((time.perf_counter() - begun, search.best.objective))
    return trace


def time_to(trace: Trace, objective: float) -> float | None:
    """Return after how many seconds a search was worth so much, None when it never was."""
    return next((spent for spent, reached in trace if reached >= objective), None)


def worth_after(trace: Trace, seconds: float) -> float:
    return max((reached for spent, reached in trace if spent <= seconds), default=0.0)


def traced_annealing_in_general(problem: Problem, seed: int, seconds: float) -> Trace:
    """Run SciPy's dual annealing over where every thing stands, or that it stays in the stash."""
    objective, ledges, things = Objective(problem), problem.open_ledges, problem.candidates
    begun = time.perf_counter()
    trace: Trace = []

    def decode(point: np.ndarray) -> Placements:
        placements = []
        for item, (where, x, z) in zip(things, point.reshape(-1, 3), strict=True):
            number = int(where * 2 * len(ledges))
            if number < len(ledges):
                ledge = ledges[number]
                placements.append(at(item, ledge, x * ledge.width, z * ledge.depth))
        return tuple(placements)

    def cost(point: np.ndarray) -> float:
        placements = decode(point)
        state = objective.state(placements)
        if state is not None and (not trace or state.objective > trace[-1][1]):
            trace.append((time.perf_counter() - begun, state.objective))
        # What cannot stand is worth less the more of it there is, so that the search has a slope to follow.
        return -state.objective if state is not None else 1.0 + 0.05 * len(placements)

    def is_over(*_: object) -> bool:
        return time.perf_counter() - begun > seconds

    nothing = np.full(3 * len(things), 0.75)
    dual_annealing(cost, [(0.0, 0.999)] * (3 * len(things)), seed=seed, maxiter=10_000_000, callback=is_over,
                   no_local_search=True, x0=nothing)  # fmt: skip
    return trace


def rivals(problem: Problem, seed: int) -> dict[str, Trace]:
    return {
        "dual annealing": traced_annealing_in_general(problem, seed, RACE_SECONDS),
        "plain climb, random starts": traced(partial(PlainClimb, problem, seed), RACE_SECONDS),
        "plain climb, empty starts": traced(partial(PlainClimb, problem, seed, scatters=False), RACE_SECONDS),
        "composing alone": traced(partial(Composing, problem, seed), RACE_SECONDS),
    }


def race() -> None:
    """Print the time to equal worth: to what the search usually comes to in one, two and four seconds."""
    plan, _ = demo_problem()
    ratios: dict[tuple[str, float], list[tuple[float, bool]]] = {}
    for seed, piece in enumerate(("alcove", "study-cabinet", "hall-console")):
        problem = problem_of(plan, piece, Manner(fullness="layered"))
        own, trials = (
            [traced(partial(Annealing, problem, number + 10 * seed), 2 * AIMS[-1], AIMS[-1])
             for number in range(first, first + TRIALS)]
            for first in (0, 900)
        )  # fmt: skip
        others = rivals(problem, seed)
        for seconds in AIMS:
            aim = statistics.median(worth_after(trace, seconds) for trace in trials) - AIM_BELOW
            mine = statistics.median(time_to(trace, aim) or 2 * AIMS[-1] for trace in own)
            for name, trace in others.items():
                spent = time_to(trace, aim)
                ratios.setdefault((name, seconds), []).append(((spent or RACE_SECONDS) / mine, spent is None))
    for (name, seconds), found in ratios.items():
        middle, late = statistics.median(ratio for ratio, _ in found), sum(is_late for _, is_late in found)
        more = "more than " if late * 2 > len(found) else ""
        print(f"(c) what is found in {seconds:.0f} s, {name}: {more}{middle:.0f} times the time (at least 10); "
              f"{late} of {len(found)} did not get there in {RACE_SECONDS:.0f} s")  # fmt: skip


def differences() -> None:
    _, problem = demo_problem()
    found = proposals([problem] * COUNT, 1, seconds=12.0).found
    pairs = [pairs_of(one.look.placements) for one in found]
    shared = max(overlap(one, two) for one, two in itertools.combinations(pairs, 2))
    scores = ", ".join(f"{one.assessment.score:.3f}" for one in found)
    print(f"(d) three proposals in 12 s: {scores}; they share at most {shared:.0%} of their pairs (at most 60 %)")


def doubling() -> None:
    """Time to the same relative worth with the stash and with twice the stash."""
    plan, _ = demo_problem()
    rng = random.Random(5)

    def like(item: Item, number: int) -> Item:
        size = rng.uniform(0.85, 1.15)
        return replace(item, id=f"{item.id}-{number}", name=f"{item.label} {number}", width=item.width * size,
                       height=item.height * size, depth=item.depth * size)  # fmt: skip

    more = tuple(like(item, 2) for item in plan.stash if "must-keep" not in item.traits)
    ratios = []
    for seed in range(RACE_SEEDS):
        spent = []
        for stash in (plan.stash, (*plan.stash, *more)):
            problem = problem_of(replace(plan, stash=stash), "alcove", plan.look("first-try").manner)
            trial, begun = Annealing(problem, 40 + seed), time.perf_counter()
            while time.perf_counter() - begun < 6.0:
                trial.step((time.perf_counter() - begun) / 6.0)
            trace = traced(partial(Annealing, problem, seed), 12.0, 6.0)
            spent.append(time_to(trace, 0.98 * trial.best.objective) or 12.0)
        ratios.append(spent[1] / spent[0])
    print(
        f"(e) twice the stash: {statistics.median(ratios):.2f} times the time to the same relative worth (at most 2.3)"
    )


def memory() -> None:
    from jolly_ledge.jobs.process_runner import ProcessRunner
    from jolly_ledge.jobs.requests import ProposeRequest

    plan, problem = demo_problem()
    job = ProcessRunner()
    job.start(ProposeRequest(plan, "alcove", problem.manner, count=3, seconds=6.0))
    while job.is_running:
        job.poll()
        time.sleep(0.05)
    job.close()
    most = resource.getrusage(resource.RUSAGE_CHILDREN).ru_maxrss / 1024
    print(f"    the worker held at most {most:.0f} MB (at most 400)")


def main() -> None:
    parts = {"memory": memory, "exact": exact, "best": first_and_best, "race": race, "differences": differences,
             "doubling": doubling}  # fmt: skip
    # The race takes ten minutes; it is run by its name.
    chosen = [name for name in sys.argv[1:] if name in parts] or [name for name in parts if name != "race"]
    for name in chosen:
        parts[name]()


if __name__ == "__main__":
    main()
