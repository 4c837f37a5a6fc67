"""Kept clear: whether art, mirror and screen stay free of solid things before them."""

from jolly_ledge.model.arrangement import Arrangement, Standing
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import percent
from jolly_ledge.model.piece import Fixture
from jolly_ledge.model.silhouette import DENSITIES
from jolly_ledge.readings.cover import silhouette
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.readings.score import ramp, weighted_mean

ID = "kept-clear"
BAND = (0.0, 0.05)
KINDS = frozenset({"art", "mirror", "tv"})
FULL: dict[str, float] = {"art": 0.22, "mirror": 0.30, "tv": 0.05}
"""Covered so far, nothing good is left to say; a screen bears least, a mirror is often crossed."""

FREE: dict[str, float] = {"art": 0.05, "mirror": 0.08, "tv": 0.0}
AIRY = 0.6


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read the largest covered share of what hangs above; airy stems may cross a mirror, never a screen.

    Left out for pieces without art, mirror or screen. The value is the covered share of the most covered one.

    >>> from jolly_ledge.model.piece import Fixture
    >>> from jolly_ledge.readings.example import look_of, stand, table
    >>> art = Fixture(kind="art", left=400.0, floor=750.0, width=400.0, height=400.0)
    >>> look = look_of(table(fixtures=(art,)), stand(500, 200, 200))
    >>> round(read(look, look.manner).value, 2)  # 200 by 200 of 400 by 400 mm, but for the rounded corners
    0.25
    """
    fixtures = [fixture for fixture in arrangement.piece.fixtures if fixture.kind in KINDS]
    standing = [s for s in arrangement.visible if s.placement.pose != "hung"]
    if not fixtures or not standing:
        return None
    shares = [_covered(fixture, standing) for fixture in fixtures]
    scores = [
        (1 - ramp(sum(parts.values()), FREE[fixture.kind], FULL[fixture.kind]), fixture.width * fixture.height)
        for fixture, parts in zip(fixtures, shares, strict=True)
    ]
    worst = max(range(len(fixtures)), key=lambda index: sum(shares[index].values()))
    value = min(sum(shares[worst].values()), 1.0)
    findings = tuple(
        _finding(fixture, parts, arrangement)
        for fixture, parts in zip(fixtures, shares, strict=True)
        if sum(parts.values()) > max(FREE[fixture.kind], 0.01)
    )
    contributions = {
        identifier: sum(parts.get(identifier, 0.0) for parts in shares) for identifier in (s.id for s in standing)
    }
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 0.5),
        score=weighted_mean(scores),
        shown="free" if value <= BAND[1] else percent(value),
        sentence=f"{percent(value)} of the {_named(fixtures[worst])} is covered; up to 5 % may be.",
        contributions=tuple(contributions.items()),
        findings=findings,
    )


def _named(fixture: Fixture) -> str:
    return fixture.name or ("screen" if fixture.kind == "tv" else fixture.kind)


def _covered(fixture: Fixture, standing: list[Standing]) -> dict[str, float]:
    """Return which share of a fixture each thing covers."""
    import shapely

    area = shapely.box(fixture.left, fixture.floor, fixture.right, fixture.floor + fixture.height)
    parts = {}
    for thing in standing:
        density = DENSITIES.get(thing.shape, 1.0)
        if density <= AIRY or "airy" in thing.item.traits:
            density = 1.0 if fixture.kind == "tv" else 0.0
        apart = thing.top <= fixture.floor or thing.right <= fixture.left or thing.left >= fixture.right
        share = 0.0 if apart else float(silhouette(thing).intersection(area).area) * density / float(area.area)
        if share > 0:
            parts[thing.id] = share
    return parts


def _finding(fixture: Fixture, parts: dict[str, float], arrangement: Arrangement) -> Finding:
    most = max(parts, key=lambda identifier: parts[identifier])
    covered = sum(parts.values())
    return Finding(
        ID,
        tuple(sorted(parts, key=lambda identifier: -parts[identifier])),
        f"The {arrangement.by_id[most].item.label} stands before the {_named(fixture)}, {percent(covered)} of which is "
        "covered; move it to a side or take a lower one.",
        min(covered / FULL[fixture.kind], 1.0),
    )
