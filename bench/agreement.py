"""How often the readings agree with the calibration cases."""

import sys
from pathlib import Path

sys.path.insert(0, str(Path(__file__).parent.parent / "tests"))

from jolly_ledge.cautions.register import NAMES as CAUTIONS
from jolly_ledge.readings.register import NAMES as READINGS
from judgement.cases import agrees, load_cases


def main() -> None:
    cases = load_cases()
    built = [case for case in cases if case.expects & (READINGS.keys() | CAUTIONS.keys())]
    agreed = [case for case in built if agrees(case)]
    print(
        f"cases whose readings are built: {len(built)} of {len(cases)}; agreed: {len(agreed)} "
        f"({len(agreed) / len(built):.0%})"
    )
    for case in built:
        if case not in agreed:
            print(f"  not: {case.id} {case.title} ({', '.join(sorted(case.expects))})")


if __name__ == "__main__":
    main()
