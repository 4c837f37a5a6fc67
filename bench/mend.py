"""The first answer to "How to mend it" on the demo bookcase, against one whole reading of it."""

import statistics
import time

from jolly_ledge.demo import demo_bytes
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.proposals.mend import finding_ids, mends
from jolly_ledge.readings.register import assess


def main() -> None:
    plan = plan_from_json(demo_bytes())
    look = plan.look("first-try")
    findings = [finding for _, finding in finding_ids(assess(arrange(plan, look)))]
    times, helped = [], 0
    for finding in findings:
        start = time.perf_counter()
        helped += bool(mends(plan, look, finding))
        times.append((time.perf_counter() - start) * 1000)
    whole = []
    for _ in range(9):
        fresh = Arrangement(plan.piece("alcove"), {item.id: item for item in plan.stash}, look)
        start = time.perf_counter()
        assess(fresh)
        whole.append((time.perf_counter() - start) * 1000)
    base, middle = statistics.median(whole), statistics.median(times)
    print(f"one reading of the demo bookcase  {base:7.1f} ms")
    print(
        f"moves for a finding               {middle:7.1f} ms, slowest {max(times):.1f} ms  ratio {middle / base:.0f}, "
        f"all under 300 ms: {max(times) < 300}; {helped} of {len(findings)} findings can be mended"
    )


if __name__ == "__main__":
    main()
