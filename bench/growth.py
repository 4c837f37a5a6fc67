"""How readings and cautions grow with the number of placements: 20 to 320, against 20 in the same run."""

import math
import statistics

from msgspec.structs import replace

from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.readings.register import assess
from large_plans import copies, large_look, wide_piece
from timing import milliseconds

COUNTS = (20, 40, 80, 160, 320)
ROUNDS = 7


def main() -> None:
    piece, items = wide_piece(8, 6), copies(max(COUNTS))
    stash = {item.id: item for item in items}
    times: dict[int, float] = {}
    for count in COUNTS:
        runs = []
        for number in range(ROUNDS):
            look = large_look(count, piece, items)
            # What was read before is known by value; a millimetre makes all of it new.
            look = replace(look, placements=tuple(replace(p, x=(p.x or 0.0) + number + 1) for p in look.placements))
            arrangement = Arrangement(piece, stash, look)
            runs.append(milliseconds(lambda: (assess(arrangement), cautions_of(arrangement))))  # noqa: B023
        times[count] = statistics.median(runs)
        grown = math.log(times[count] / times[COUNTS[0]]) / math.log(count / COUNTS[0]) if count > COUNTS[0] else 0.0
        print(
            f"{count:4} placements {times[count]:8.1f} ms  ratio {times[count] / times[COUNTS[0]]:6.1f}"
            + (f"  grows with the power {grown:.2f} (at most 2)" if grown else "")
        )


if __name__ == "__main__":
    main()
