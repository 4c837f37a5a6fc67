"""Contrast: what vanishes against its back, and what shouts."""

from jolly_ledge.model.arrangement import Arrangement, Standing
from jolly_ledge.model.colour import difference
from jolly_ledge.model.look import Manner
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.readings.score import ramp, weighted_mean
from jolly_ledge.readings.words import capital, listed

ID = "contrast"
BAND = (12.0, 70.0)
SHOUT_END = 110.0
SHOUT_FLOOR = 0.7
LOW_SHARE = 0.35
"""A thing lower than this share of its ledge's depth is seen against the surface under it."""

EYE_LEVEL_MM = 1300.0
FRONT_VIEW_SHARE = 0.35
"""Even a low thing is partly seen against the back."""


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
        size = contrast_of(standing, arrangement)
        score = size / BAND[0] if size < BAND[0] else 1 - (1 - SHOUT_FLOOR) * ramp(size, BAND[1], SHOUT_END)
        weight = standing.area**0.5
        scored.append((score, weight))
        values.append((size, weight))
        contributions.append((standing.id, size))
        if size < 0.6 * BAND[0]:
            faint.append(standing)
    value = weighted_mean(values)
    findings = tuple(
        Finding(
            ID,
            (standing.id,),
            f"{capital(f'the {standing.item.label}')} vanishes against {_behind_words(standing, arrangement)}; "
            "swap it with something lighter or darker, or set something between.",
            1 - contrast_of(standing, arrangement) / BAND[0],
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


def contrast_of(standing: Standing, arrangement: Arrangement) -> float:
    """Return the colour difference of a thing to what it is seen against.

    Low things on a surface below eye level whose colour is known are seen mostly against that
    surface. Things that stand wholly before a taller one are seen against it.
    """
    behind = _backdrop(standing, arrangement)
    size = _differs(standing, behind)
    if _lies_on_seen_surface(standing):
        under = _differs(standing, standing.ledge.colour or behind)
        return FRONT_VIEW_SHARE * min(size, BAND[1]) + (1 - FRONT_VIEW_SHARE) * under
    return size


def _lies_on_seen_surface(standing: Standing) -> bool:
    ledge = standing.ledge
    return (
        ledge.colour is not None
        and ledge.clearance is None
        and ledge.floor < EYE_LEVEL_MM
        and standing.depth_order == 0
        and standing.height < LOW_SHARE * ledge.depth
    )


def _differs(standing: Standing, behind: str) -> float:
    colours = standing.colours
    whole = sum(share for _, share in colours) or 1.0
    return sum(difference(colour, behind) * share for colour, share in colours) / whole


def _backdrop(standing: Standing, arrangement: Arrangement) -> str:
    other = _covered_by(standing, arrangement)
    return other.item.main_colour if other is not None else arrangement.piece.backdrop_of(standing.ledge)


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
    return f"the {'top' if _lies_on_seen_surface(standing) else 'back'} of {standing.ledge.label}"
