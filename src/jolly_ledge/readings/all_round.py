"""All round: where people sit on several sides, anchors show a good side to each of them."""

import math

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.facing import FACE_DEGREES
from jolly_ledge.measures.score import score_of, weighted_mean
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import percent, share_of
from jolly_ledge.readings.reading import Finding, Reading

ID = "all-round"
BAND, FLAT_COST, BACK_COST = (0.75, 1.0), 0.35, 1.3
SIDES = ((0.5, -0.4), (0.5, 1.4), (-0.4, 0.5), (1.4, 0.5))
"""Where people stand about a piece without told seats, in widths and depths."""


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read from how many seats the leading things show their good side.

    Left out for pieces seen from the front only. The value is the share of seats with a good view, by seen area.

    >>> from jolly_ledge.model.piece import Seat
    >>> from jolly_ledge.readings.example import look_of, stand, table
    >>> seats = Seat(x=800, z=-300), Seat(x=800, z=1200)
    >>> look = look_of(table(seats=seats), stand(800, 100, 200, traits=("one-faced",)))
    >>> read(look, look.manner).value  # its face to one of two seats
    0.5
    """
    piece = arrangement.piece
    things = [s for s in arrangement.visible if s.placement.pose != "hung" and s.depth_order < 2]
    if piece.viewed_from != "around" or not things:
        return None
    seats = [(seat.x, seat.z) for seat in piece.seats] or [(x * piece.width, z * piece.depth) for x, z in SIDES]
    shares = {placed.id: _good_share(placed, seats) for placed in things}
    value = weighted_mean([(shares[placed.id], max(placed.area, 1.0)) for placed in things])
    # What is flat shows an edge to those at the sides; what is round is the same to everybody.
    flat = weighted_mean([(1 - _roundness(placed), max(placed.area, 1.0)) for placed in things])
    loss = BACK_COST * (1 - value) + FLAT_COST * flat
    findings = tuple(
        Finding(
            ID,
            (placed.id,),
            f"The {placed.item.label} on {placed.ledge.label} turns its back to "
            f"{round((1 - shares[placed.id]) * len(seats))} of {len(seats)} who sit there; take something all-round, "
            "or move it to an end.",
            (1 - shares[placed.id]) * 0.7,
        )
        for placed in things
        if shares[placed.id] < 0.6
    )
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 1.0),
        score=score_of(loss),
        loss=loss,
        shown=percent(value),
        sentence=f"From {share_of(value, 'the seats')} a good side is seen; three of four are wanted.",
        contributions=tuple(shares.items()),
        findings=findings,
    )


def _roundness(placed: PlacedItem) -> float:
    """Return how alike a thing is from the front and from the sides, 0 to 1."""
    deep = placed.back - placed.front
    return min(placed.width, deep) / max(placed.width, deep, 1.0)


def _good_share(placed: PlacedItem, seats: list[tuple[float, float]]) -> float:
    """Return the share of seats that see the face of a thing; all-round things show one to everybody."""
    if "one-faced" not in placed.item.traits:
        return 1.0
    # Faces look to the front edge until they are turned (counter-clockwise from above).
    looks = math.radians(-90.0 + placed.placement.turn)
    seen = 0
    for x, z in seats:
        toward = math.atan2(z - placed.z, x - placed.x)
        apart = abs((math.degrees(toward - looks) + 180) % 360 - 180)
        seen += apart <= FACE_DEGREES
    return seen / len(seats)
