"""Even rest: empty places spread over the piece, not one hole."""

from jolly_ledge.model.arrangement import Arrangement
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import percent
from jolly_ledge.readings.cover import covered_area
from jolly_ledge.readings.frame import frame_height
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.readings.score import deviation, evidence_of, ramp

ID = "even-rest"
BAND = (0.0, 0.16)
UNEVEN = 0.4
FEWEST = 3


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read how differently the ledges are covered (standard deviation of their covered shares).

    Left out for pieces with fewer than three ledges.

    >>> from jolly_ledge.readings.example import look_of, shelves, stand
    >>> look = look_of(shelves(3), stand(400, 320, 200))
    >>> round(read(look, look.manner).value, 3)  # the deviation of 0.2, 0 and 0
    0.094
    """
    ledges = arrangement.standing_ledges
    if len(ledges) < FEWEST or not arrangement.visible:
        return None
    shares = {}
    for ledge in ledges:
        things = tuple(s for s in arrangement.by_ledge.get(ledge.id, ()) if s.placement.pose != "draped")
        shares[ledge.id] = covered_area(things) / (ledge.width * frame_height(ledge))
    value = deviation(list(shares.values()))
    fullest = max(shares, key=lambda ledge: shares[ledge])
    emptiest = min(shares, key=lambda ledge: shares[ledge])
    findings: tuple[Finding, ...] = ()
    if value > BAND[1] * 1.25:
        full, empty = arrangement.piece.ledge(fullest), arrangement.piece.ledge(emptiest)
        findings = (
            Finding(
                ID,
                tuple(s.id for s in arrangement.by_ledge.get(fullest, ())),
                f"The rest is uneven: {full.label} is covered to {percent(shares[fullest])}, {empty.label} to "
                f"{percent(shares[emptiest])}; carry something over.",
                min(value / UNEVEN, 1.0) * 0.7,
            ),
        )
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 0.5),
        score=1 - ramp(value, BAND[1], UNEVEN),
        shown="even" if value <= BAND[1] else f"± {percent(value)}",
        sentence=f"The covered share of the ledges differs by {percent(value)}; up to 16 % is even.",
        contributions=tuple(
            (standing.id, shares[ledge]) for ledge, things in arrangement.by_ledge.items() for standing in things
            if ledge in shares
        ),
        findings=findings,
        evidence=evidence_of(len(ledges), 6),
    )  # fmt: skip


LEAST_REST_SHARE = 0.10
"""A narrower gap along a ledge is the space between things, no rest."""


def resting_places(arrangement: Arrangement) -> tuple[tuple[float, float, float, float], ...]:
    """Return the empty places the eye rests on: gaps along the ledges (left, floor, width, height; piece mm)."""
    found = []
    for ledge in arrangement.standing_ledges:
        high, at = frame_height(ledge), ledge.left
        things = sorted((s.left, s.right) for s in arrangement.by_ledge.get(ledge.id, ()))
        for left, right in [*things, (ledge.right, ledge.right)]:
            if left - at >= LEAST_REST_SHARE * ledge.width:
                found.append((at, ledge.floor, left - at, high))
            at = max(at, right)
    return tuple(found)
