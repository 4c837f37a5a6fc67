"""Proposals for sixty invented households: what a stylist would send back, how full they are, how many stand in groups.

    python bench/household_looks.py [SEEDS] [SECONDS]

Told are the faults (there should be none), the share of ledges of layered looks on which things stand in groups, how
the number of things stands to what is advised where the stash is large enough, and what two looks of a run share.
"""

import sys
from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, field
from pathlib import Path
from random import Random
from statistics import mean, median

sys.path.insert(0, str(Path(__file__).parent.parent / "tests"))

from household_faults import faults_of, leads_in_common, share_in_groups
from households import ROOMS, household
from jolly_ledge.measures.counts import things_on
from jolly_ledge.model.look import Look
from jolly_ledge.proposals.composing.fullness import suiting, things_wanted
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.problem import Problem, problem_of
from jolly_ledge.proposals.propose import proposals

SHORT, NEAR, HALF = 1.5, 0.1, 0.5
"""A stash is large enough where so many more things suit than are wanted."""


@dataclass
class Told:
    """What is gathered over all plans."""

    faults: Counter[str] = field(default_factory=Counter)
    grouped: list[float] = field(default_factory=list)
    shared: list[float] = field(default_factory=list)
    full: dict[str, list[float]] = field(default_factory=dict)
    same_leads: int = 0
    over_half: int = 0
    plans: int = 0


def say(start: str, seed: int, what: str) -> None:
    """Tell what somebody may want to look into."""
    print(f"{start} {seed}: {what}", flush=True)


def compare(told: Told, start: str, seed: int, problem: Problem, looks: Sequence[Look]) -> None:
    """Gather what two looks of one run share."""
    first, second = ({placement.item for placement in look.placements} for look in looks)
    if not first or not second:
        say(start, seed, "an empty look")
        return
    told.shared.append(len(first & second) / min(len(first), len(second)))
    if told.shared[-1] > HALF:
        told.over_half += 1
        say(start, seed, f"two looks share {told.shared[-1]:.0%}")
    one_look, other_look = (problem.resolve(look.placements) for look in looks)
    again = leads_in_common(Stock(problem, Random(seed)), one_look, other_look)
    told.same_leads += bool(again)
    for led in again:
        say(start, seed, f"{problem.plan.item(led).label} leads both looks")


def go(told: Told, start: str, seed: int, seconds: float) -> None:
    """Propose two looks for one household."""
    plan, manner = household(start, seed)
    problem = problem_of(plan, plan.pieces[0].id, manner)
    stock = Stock(problem, Random(seed))
    counted = {ledge.id: things_wanted(stock, ledge) for ledge in stock.ledges}
    wanted = sum(counted.values())
    found = proposals([problem] * 2, seed, seconds=2 * seconds).found
    told.plans += 1
    for one in found[:1]:
        arrangement = problem.resolve(one.look.placements)
        for fault in faults_of(problem, arrangement):
            told.faults[fault] += 1
            say(start, seed, fault)
        if manner.fullness == "layered":
            told.grouped.append(share_in_groups(arrangement))
            if told.grouped[-1] < HALF:
                say(start, seed, f"{told.grouped[-1]:.0%} of the ledges hold groups")
    if not wanted or len(suiting(stock)) < SHORT * wanted:
        return
    for one in found:
        by_ledge = problem.resolve(one.look.placements).by_ledge
        count = sum(things_on(by_ledge.get(ledge.id, ())) for ledge in stock.ledges if counted[ledge.id])
        told.full.setdefault(manner.fullness, []).append(count / wanted)
        if abs(count / wanted - 1) > NEAR:
            say(start, seed, f"{count} things where {wanted} are wanted ({manner.fullness})")
    compare(told, start, seed, problem, [one.look for one in found])


def main(seeds: int, seconds: float) -> None:
    """Propose two looks for every start and seed, and tell how they are."""
    told = Told()
    for start in ROOMS:
        for seed in range(1, seeds + 1):
            go(told, start, seed, seconds)
    print(f"{told.plans} plans, {sum(told.faults.values())} faults in {len(told.faults)} kinds")
    print(f"layered looks: {mean(told.grouped):.0%} of the ledges hold groups (least {min(told.grouped):.0%})")
    for fullness, ratios in sorted(told.full.items()):
        spread = f"{min(ratios):.2f}-{max(ratios):.2f}"
        near = sum(abs(ratio - 1) <= NEAR for ratio in ratios)
        said = f"{len(ratios)} looks, {median(ratios):.2f} of the advised number"
        print(f"{fullness}: {said} ({spread}), {near} within a tenth")
    if told.shared:
        said = f"two looks share {mean(told.shared):.0%} (most {max(told.shared):.0%})"
        print(f"{said}; {told.over_half} of {len(told.shared)} more than half, {told.same_leads} a lead")


if __name__ == "__main__":
    main(int(sys.argv[1]) if len(sys.argv) > 1 else 4, float(sys.argv[2]) if len(sys.argv) > 2 else 2.0)
