"""Even vignettes: groups of like rank should weigh alike to the eye."""

import statistics

from jolly_ledge.model.arrangement import Arrangement
from jolly_ledge.model.look import Manner
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.readings.score import evidence_of, ramp
from jolly_ledge.readings.weight import weights

ID = "even-vignettes"
BAND = (0.0, 0.35)
UNEVEN = 1.1


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read the spread of visual weight between vignettes (standard deviation over mean).

    Left out with fewer than two vignettes.
    """
    vignettes = arrangement.vignettes
    if len(vignettes) < 2:
        return None
    by_id = weights(arrangement)
    masses = [sum(by_id[identifier] for identifier in vignette.ids) for vignette in vignettes]
    middle = statistics.fmean(masses)
    if middle <= 0:
        return None
    value = statistics.pstdev(masses) / middle
    heavy = max(range(len(masses)), key=lambda index: masses[index])
    light = min(range(len(masses)), key=lambda index: masses[index])
    findings: tuple[Finding, ...] = ()
    if value > BAND[1] * 1.3:
        findings = (
            Finding(
                ID,
                (*vignettes[heavy].ids, *vignettes[light].ids),
                f"The group of {vignettes[heavy].units[0].label} on {vignettes[heavy].ledge.label} weighs "
                f"{masses[heavy] / max(masses[light], 1.0):.1f} times that of {vignettes[light].units[0].label} on "
                f"{vignettes[light].ledge.label}; carry something over.",
                min(value / UNEVEN, 1.0) * 0.7,
            ),
        )
    whole = sum(masses)
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 1.5),
        score=1 - ramp(value, BAND[1], UNEVEN),
        shown="even" if value <= BAND[1] else f"± {round(value * 100)} %",
        sentence=f"The weights of {len(vignettes)} groups differ by {round(value * 100)} % of their mean; up to "
        "35 % is even.",
        contributions=tuple(
            (identifier, by_id[identifier] / whole) for vignette in vignettes for identifier in vignette.ids
        ),
        findings=findings,
        evidence=evidence_of(len(vignettes), 3),
    )
