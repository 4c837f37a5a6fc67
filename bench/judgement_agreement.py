"""How often the readings agree with practitioners: cases, principles, and both under small changes.

Prints, for every reading and caution that is expected somewhere, how many of its pairs agree, and how many still
do when the look is mirrored or sizes and places are shaken a little.
"""

import sys
from collections import Counter
from pathlib import Path

sys.path.insert(0, str(Path(__file__).parent.parent / "tests"))

from judgement import caution_principles, shelf_principles, top_principles
from judgement.cases import Case, agrees, load_cases
from judgement.changes import mirrored, shaken

SHAKES = 8
COLUMNS = "{:18} {:>8} {:>8} {:>9} {:>9}"


def main() -> None:
    principles = (*shelf_principles.PRINCIPLES, *top_principles.PRINCIPLES, *caution_principles.PRINCIPLES)
    cases = [*load_cases(), *(principle.as_case() for principle in principles)]
    asked, agreed, tried, kept = Counter[str](), Counter[str](), Counter[str](), Counter[str]()
    failed = []
    for case in cases:
        changed = [mirrored(case.plan), *(shaken(case.plan, seed) for seed in range(SHAKES))]
        holds = [agrees(Case(case.id, case.title, case.kind, case.better, case.expects, plan)) for plan in changed]
        right = agrees(case)
        if not right:
            failed.append(case)
        for name in (*case.expects, "all"):
            asked[name] += 1
            agreed[name] += right
            tried[name] += len(holds)
            kept[name] += sum(holds)
    print(COLUMNS.format("expected reading", "pairs", "agree", "changed", "agree"))
    for name in sorted(asked, key=lambda name: (name == "all", name)):
        print(COLUMNS.format(name, asked[name], f"{agreed[name] / asked[name]:.0%}", tried[name],
                             f"{kept[name] / tried[name]:.0%}"))  # fmt: skip
    for case in failed:
        print(f"not: {case.id} {case.title} ({', '.join(sorted(case.expects))})")


if __name__ == "__main__":
    main()
