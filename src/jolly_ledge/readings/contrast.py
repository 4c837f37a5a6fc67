"""Contrast: what vanishes against its back, and what shouts."""

from jolly_ledge.model.arrangement import Arrangement, Standing
from jolly_ledge.model.colour import difference
from jolly_ledge.model.look import Manner
from jolly_ledge.readings.background import lies_on_seen_surface, seen_against
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.readings.score import ramp, weighted_mean
from jolly_ledge.readings.words import capital, listed

ID = "contrast"
BAND = (12.0, 70.0)
SHOUT_END = 110.0
SHOUT_FLOOR = 0.7
FAINT = 0.6
"""Below this share of the band's lower end a thing can hardly be seen."""


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read the CIEDE2000 difference of every thing to what stands behind (or under) it."""
    seen = [standing for standing in arrangement.visible if standing.area > 0]
    if not seen:
        return None
    scored: list[tuple[float, float]] = []
    values: list[tuple[float, float]] = []
    contributions: list[tuple[str, float]] = []
    faint: list[Standing] = []
    for standing in seen:
        against = _against(standing, arrangement)
        size = sum(_differs(standing, back) * part for back, part in against)
        score = sum(_plain_to_see(_differs(standing, back)) * part for back, part in against)
        weight = standing.area**0.5
        scored.append((score, weight))
        values.append((size, weight))
        contributions.append((standing.id, size))
        if _differs(standing, against[0][0]) < FAINT * BAND[0]:
            faint.append(standing)
    value = weighted_mean(values)
    findings = tuple(
        Finding(
            ID,
            (standing.id,),
            f"{capital(f'the {standing.item.label}')} vanishes against {_behind_words(standing, arrangement)}; "
            "swap it with something lighter or darker, or set something between.",
            1 - _differs(standing, _against(standing, arrangement)[0][0]) / BAND[0],
        )
        for standing in faint
    )
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 100.0),
        score=weighted_mean(scored),
        shown=f"{len(faint)} faint" if faint else f"{round(value)}",
        sentence=(
            f"Things differ from their back by {round(value)} on average (12 is plain to see, 70 is loud)"
            + (f"; {listed([f'the {s.item.label}' for s in faint])} can hardly be seen." if faint else ".")
        ),
        contributions=tuple(contributions),
        findings=findings,
    )


def _against(standing: Standing, arrangement: Arrangement) -> tuple[tuple[str, float], ...]:
    """Return what a thing is seen against: a taller thing wholly behind it, the surface, the back."""
    other = _covered_by(standing, arrangement)
    return ((other.item.main_colour, 1.0),) if other is not None else seen_against(standing, arrangement.piece)


def _plain_to_see(size: float) -> float:
    if size < BAND[0]:
        return (size / BAND[0]) ** 1.5
    return 1 - (1 - SHOUT_FLOOR) * ramp(size, BAND[1], SHOUT_END)


def _differs(standing: Standing, behind: str) -> float:
    colours = standing.colours
    whole = sum(share for _, share in colours) or 1.0
    return sum(difference(colour, behind) * share for colour, share in colours) / whole


def _covered_by(standing: Standing, arrangement: Arrangement) -> Standing | None:
    """Return the thing a standing one is wholly seen against, if any."""
    for other in arrangement.visible:
        if (
            other.root != standing.root
            and other.ledge.id == standing.ledge.id
            and other.z > standing.z + 1
            and other.left <= standing.left
            and other.right >= standing.right
            and other.top >= standing.top
            and other.bottom <= standing.bottom
        ):
            return other
    return None


def _behind_words(standing: Standing, arrangement: Arrangement) -> str:
    other = _covered_by(standing, arrangement)
    if other is not None:
        return f"the {other.item.label} behind it"
    return f"the {'top' if lies_on_seen_surface(standing) else 'back'} of {standing.ledge.label}"
