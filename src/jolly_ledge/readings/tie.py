"""Tie: whether what has a colour or a stuff of its own is answered somewhere else."""

from collections.abc import Iterable

from jolly_ledge.model.arrangement import Arrangement, Standing
from jolly_ledge.model.hue_family import QUIET, WARM, hue_family, loudness
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital, listed, percent, verb
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.readings.score import score_of

ID = "tie"
BAND = (0.8, 1.0)
FEWEST = 3
LEAST_SHARE = 0.03
"""So little of a thing is seen as an answer: a rim, a band, lettering."""

CALM, LOUDER, SPINES = 0.5, 1.5, 0.35
"""A quiet hue that comes once harms little, a loud one much."""

QUIET_HUES = QUIET | WARM | {"green"}
FULL_SHARE = 0.12
"""Hues that come once on so much of what is seen are plainly noticed."""


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read which hues come once only: a hue that another thing answers ties the piece together, far more than near.

    Whites, greys, blacks, woods, sand and leaves tie everywhere and are not asked; a rim or lettering is answer enough.
    Things of a set answer each other. The value is the share of coloured area that is answered.
    """
    seen = [one for one in arrangement.visible if one.area > 0]
    if len(seen) < FEWEST:
        return None
    bearers: dict[str, set[str]] = {}
    areas: dict[str, float] = {}
    volume: dict[str, float] = {}
    things: dict[str, list[Standing]] = {}
    for standing in seen:
        for colour, share in _shares(standing):
            family = hue_family(colour)
            if family in QUIET_HUES or share < LEAST_SHARE:
                continue
            bearers.setdefault(family, set()).add(standing.item.set or standing.root)
            areas[family] = areas.get(family, 0.0) + standing.area * share
            loud = (
                standing.area * share * (CALM + LOUDER * loudness(colour)) * (SPINES if standing.item.is_book else 1.0)
            )
            volume[family] = volume.get(family, 0.0) + loud
            things.setdefault(family, []).append(standing)
    whole = sum(standing.area for standing in seen)
    coloured = sum(areas.values())
    once = [family for family, where in bearers.items() if len(where) == 1]
    value = 1 - sum(areas[family] for family in once) / coloured if coloured else 1.0
    share = sum(volume[family] for family in once) / whole
    loss = 2 * share / (share + FULL_SHARE)
    findings = tuple(
        Finding(
            ID,
            tuple(one.id for one in things[family]),
            f"{capital(listed([f'the {one.item.label}' for one in things[family]], 3))} "
            f"{'is' if len(things[family]) == 1 else 'are'} the only {family} here; answer it, or leave it out.",
            min(0.2 + volume[family] / whole / FULL_SHARE, 1.0),
        )
        for family in once
        if volume[family] / whole > 0.1 * FULL_SHARE
    )
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 1.0),
        score=score_of(loss),
        shown="answered" if not once else f"{len(once)} once",
        sentence="Every hue is answered by another thing."
        if not once
        else f"{percent(value)} of what is coloured is answered; {listed(once, 4)} {verb(once, 'comes', 'come')} once.",
        contributions=tuple((one.id, 1.0) for family in areas if family not in once for one in things[family]),
        findings=findings,
        loss=loss,
    )


def _shares(standing: Standing) -> Iterable[tuple[str, float]]:
    whole = sum(share for _, share in standing.colours) or 1.0
    return ((colour, share / whole) for colour, share in standing.colours)
