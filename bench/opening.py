"""Opening a plan of 2,000 items and 100 looks, against ``json.loads`` of the same file."""

import json
import statistics
import tempfile
import time
from collections.abc import Callable
from pathlib import Path

from jolly_ledge.files.codec import plan_to_json
from jolly_ledge.files.plan_file import open_plan
from large_plans import large_plan


def median_ms(action: Callable[[], object], rounds: int = 9) -> float:
    times = []
    for _ in range(rounds):
        start = time.perf_counter()
        action()
        times.append((time.perf_counter() - start) * 1000)
    return statistics.median(times)


def main() -> None:
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "large.json"
        path.write_bytes(plan_to_json(large_plan()))
        plain = median_ms(lambda: json.loads(path.read_bytes()))
        ours = median_ms(lambda: open_plan(path))
        size = path.stat().st_size / 2**20
    print(
        f"open 2,000 items, 100 looks ({size:.1f} MB)     {ours:8.1f} ms  json.loads {plain:6.1f} ms  "
        f"ratio {ours / plain:.2f} (at most 10)"
    )


if __name__ == "__main__":
    main()
