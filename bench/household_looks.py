"""Proposals for sixty invented households: what a stylist would send back, how full they are, how many stand in groups.

    python bench/household_looks.py [SEEDS] [SECONDS]

Told are the faults (there should be none), the share of ledges of layered looks on which things stand in groups, how
the number of things stands to what is advised where the stash is large enough, and what two looks of a run share.
"""

import sys
from collections import Counter
from pathlib import Path
from random import Random
from statistics import mean, median

sys.path.insert(0, str(Path(__file__).parent.parent / "tests"))

from household_faults import faults_of, share_in_groups
from households import ROOMS, household
from jolly_ledge.measures.counts import things_on
from jolly_ledge.proposals.composing.fullness import suiting, things_wanted
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import proposals
from jolly_ledge.proposals.story import leads_of

SHORT, NEAR, HALF = 1.5, 0.1, 0.5
"""A stash is large enough where so many more things suit than are wanted."""


def main(seeds: int, seconds: float) -> None:
    """Propose two looks for every start and seed, and tell how they are."""
    faults: Counter[str] = Counter()
    grouped: list[float] = []
    shared: list[float] = []
    full: dict[str, list[float]] = {}
    same_leads = over_half = plans = 0
    for start in ROOMS:
        for seed in range(1, seeds + 1):
            plan, manner = household(start, seed)
            problem = problem_of(plan, plan.pieces[0].id, manner)
            stock = Stock(problem, Random(seed))
            counted = {ledge.id: things_wanted(stock, ledge) for ledge in stock.ledges}
            wanted = sum(counted.values())
            found = proposals([problem] * 2, seed, seconds=2 * seconds).found
            plans += 1
            for one in found[:1]:
                arrangement = problem.resolve(one.look.placements)
                for fault in faults_of(problem, arrangement):
                    faults[fault] += 1
                    print(f"{start} {seed}: {fault}", flush=True)
                if manner.fullness == "layered":
                    grouped.append(share_in_groups(arrangement))
            if wanted and len(suiting(stock)) >= SHORT * wanted:
                for one in found:
                    by_ledge = problem.resolve(one.look.placements).by_ledge
                    count = sum(things_on(by_ledge.get(ledge.id, ())) for ledge in stock.ledges if counted[ledge.id])
                    full.setdefault(manner.fullness, []).append(count / wanted)
                first, second = ({placement.item for placement in look.look.placements} for look in found)
                if not first or not second:
                    print(f"{start} {seed}: an empty look")
                    continue
                shared.append(len(first & second) / min(len(first), len(second)))
                over_half += shared[-1] > HALF
                one_look, other_look = (leads_of(problem.resolve(look.look.placements)) for look in found)
                same_leads += bool(one_look & other_look)
    print(f"{plans} plans, {sum(faults.values())} faults in {len(faults)} kinds")
    print(f"layered looks: {mean(grouped):.0%} of the ledges hold groups (least {min(grouped):.0%})")
    for fullness, ratios in sorted(full.items()):
        spread = f"{min(ratios):.2f}-{max(ratios):.2f}"
        near = sum(abs(ratio - 1) <= NEAR for ratio in ratios)
        said = f"{len(ratios)} looks, {median(ratios):.2f} of the advised number"
        print(f"{fullness}: {said} ({spread}), {near} within a tenth")
    if shared:
        said = f"two looks share {mean(shared):.0%} (most {max(shared):.0%})"
        print(f"{said}; {over_half} of {len(shared)} more than half, {same_leads} a lead")


if __name__ == "__main__":
    main(int(sys.argv[1]) if len(sys.argv) > 1 else 4, float(sys.argv[2]) if len(sys.argv) > 2 else 2.0)
