"""Seen shut: what bars and braces of the doors hide when the piece is mostly seen shut."""

from jolly_ledge.geometry.arrangement import Arrangement, Unit
from jolly_ledge.measures.score import ramp, score_of, weighted_mean
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital, percent, share_of
from jolly_ledge.model.piece import Fixture
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.scene.cover import silhouette
from jolly_ledge.scene.marks import marks_of

ID = "seen-shut"
BAND = (0.6, 1.0)
HARDLY, CROSSED_COST, TIGHT_COST = 0.3, 1.0, 0.2


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read which part of the leading thing of each group stays visible behind the doors' bars.

    Left out for open pieces, and for solid doors, behind which nothing is seen. The value is the visible
    share of the most hidden anchor.

    >>> from jolly_ledge.model.piece import Fixture
    >>> from jolly_ledge.readings.example import look_of, shelves, stand
    >>> bar = Fixture(kind="bar", left=350.0, floor=100.0, width=50.0, height=400.0)
    >>> look = look_of(shelves(doors="glazed", fixtures=(bar,)), stand(400, 100, 200))
    >>> round(read(look, look.manner).value, 2)  # 50 of 100 mm are behind the bar
    0.5
    """
    piece = arrangement.piece
    bars = [fixture for fixture in piece.fixtures if fixture.kind in ("bar", "brace")]
    anchors = [max(v.units, key=lambda unit: unit.area) for v in arrangement.vignettes]
    if not bars or not anchors or piece.doors == "solid" or not (piece.seen_shut or piece.doors == "glazed"):
        return None
    import shapely

    hidden = shapely.union_all([shapely.box(bar.left, bar.floor, bar.right, bar.floor + bar.height) for bar in bars])
    shares = {unit.lead.id: _visible(unit, hidden) for unit in anchors}
    value = min(shares.values())
    score = weighted_mean([(ramp(shares[unit.lead.id], HARDLY, 0.9), unit.area) for unit in anchors])
    # Whatever the bars cross is cut, who leads or not.
    crossed = weighted_mean([(mark.cut, mark.placed.area) for mark in marks_of(arrangement)])
    loss = 1 - score + CROSSED_COST * crossed
    loss += TIGHT_COST * weighted_mean([(_tightness(unit, bars), unit.area) for unit in arrangement.units])
    findings = tuple(
        Finding(
            ID,
            unit.ids,
            f"{capital(unit.label)} is hidden by {percent(1 - shares[unit.lead.id])} behind the bars of the shut "
            f"doors on {unit.lead.ledge.label}; move it aside.",
            1 - shares[unit.lead.id],
        )
        for unit in anchors
        if shares[unit.lead.id] < BAND[0] + 0.1
    )
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 1.0),
        score=score_of(loss),
        loss=loss,
        shown="seen" if value >= BAND[0] else percent(value),
        sentence=f"Shut, the most hidden anchor shows {share_of(value, 'itself')}; 60 % or more is wanted.",
        contributions=tuple(shares.items()),
        findings=findings,
    )


def _tightness(unit: Unit, bars: list[Fixture]) -> float:
    """Return how close a thing stands beside an upright bar, 0 from its own width on to 1 at the bar and behind it."""
    gaps = [
        max(bar.left - unit.right, unit.left - bar.left - bar.width, 0.0)
        for bar in bars
        if bar.height > bar.width and bar.floor < unit.top and bar.floor + bar.height > unit.bottom
    ]
    return max(1 - min(gaps, default=float("inf")) / (unit.right - unit.left), 0.0)


def _visible(unit: Unit, hidden: object) -> float:
    own = silhouette(unit.lead)
    return 1 - float(own.intersection(hidden).area) / float(own.area) if own.area > 0 else 1.0
