"""Drives many whole plans made by chance: ``python many_plans.py FIRST LAST`` tells every seed that fails, and how."""

import json
import sys
import traceback
from collections import Counter
from pathlib import Path
from random import Random

sys.path.insert(0, str(Path(__file__).parent.parent / "tests"))

from jolly_ledge.render.export import ready_to_render
from whole_plan_run import drive
from whole_plans import whole_plan


def main(first: int, last: int) -> int:
    ready_to_render()
    done: Counter[str] = Counter()
    faults: Counter[str] = Counter()
    for seed in range(first, last):
        try:
            done += drive(whole_plan(Random(seed)), seed)
        except Exception as error:  # noqa: BLE001
            innermost = error.__cause__ or error
            where = traceback.extract_tb(innermost.__traceback__)[-1]
            file = where.filename.rsplit("/", 1)[-1]
            fault = f"{type(innermost).__name__} in {file}:{where.lineno}: {str(innermost)[:110]}"
            faults[fault] += 1
            if faults[fault] == 1:
                print(f"seed {seed}: {fault}", flush=True)
    print(json.dumps({"plans": last - first, "done": dict(done), "faults": dict(faults)}, indent=1))
    return 1 if faults else 0


if __name__ == "__main__":
    sys.exit(main(int(sys.argv[1]), int(sys.argv[2])) if len(sys.argv) > 2 else main(0, 300))
