"""Sight line: whether people who sit at a table see each other over what stands on it."""

import math

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.silhouette import DENSITIES
from jolly_ledge.measures.score import ramp, score_of, soft_excess
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.look import Manner
from jolly_ledge.readings.reading import Finding, Reading

ID = "sight-line"
HIGH_SEAT_MM, LOW_SEAT_MM = 1080.0, 1000.0
"""The chin of a seated person at a dining table, and in a low seat: what is lower hides no face."""

TABLE_MM = 600.0
OVER_MM = 200.0
SLIM_MM = 60.0
"""A candlestick is looked past."""

WIDE_MM = 220.0
AIRY = 0.4
FILLED, FILLED_COST, HIGHER_COST = 0.15, 0.12, 0.2


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read how far solid things rise over the chins of those who sit round a table.

    Left out for pieces that nobody sits round. The value is the height of the tallest solid thing over the chin (mm).

    >>> from jolly_ledge.readings.example import look_of, stand, table
    >>> look = look_of(table(), stand(800, 200, 300))
    >>> read(look, look.manner).value  # 750 + 300 mm against a chin at 1080 mm
    -30.0
    """
    piece = arrangement.piece
    around = kind_of(piece).is_eaten_at or (piece.viewed_from == "around" and len(piece.seats) >= 2)
    things = [s for s in arrangement.visible if s.placement.pose != "hung"]
    if not around or not things:
        return None
    chin = HIGH_SEAT_MM if piece.height >= TABLE_MM else LOW_SEAT_MM
    blocks = {placed.id: _blocks(placed, chin) for placed in things}
    worst = max(things, key=lambda placed: blocks[placed.id])
    value = max(placed.top - chin for placed in things if _solidity(placed) > AIRY or blocks[placed.id] == 0)
    score = 1 - blocks[worst.id]
    # What is low and airy leaves more to see of hands and table, too.
    between = sum(_between(placed, chin) for placed in things)
    loss = blocks[worst.id] + FILLED_COST * soft_excess(between, 0.0, FILLED)
    findings: tuple[Finding, ...] = ()
    if blocks[worst.id] > 0.1:
        findings = (
            Finding(
                ID,
                (worst.id,),
                f"The {worst.item.label} rises {round((worst.top - chin) / 10)} cm over the chin of who sits across "
                f"{worst.ledge.label}; take a lower one, or something airy.",
                min(blocks[worst.id], 1.0),
            ),
        )
    return Reading(
        id=ID,
        value=value,
        band=(-600.0, 0.0),
        limits=(-800.0, 500.0),
        score=score_of(loss),
        loss=loss,
        shown="free" if score > 0.9 else f"{round(value / 10)} cm over",
        sentence="People who sit across see each other."
        if score > 0.9
        else f"The tallest solid thing rises {round(value / 10)} cm over a seated chin.",
        contributions=tuple(blocks.items()),
        findings=findings,
    )


def _solidity(placed: PlacedItem) -> float:
    return 0.2 if "airy" in placed.item.traits else DENSITIES.get(placed.shape, 1.0)


def _between(placed: PlacedItem, chin: float) -> float:
    """Return which part of what is seen between a table and a chin a thing fills."""
    ledge = placed.ledge
    window = ledge.width * max(chin - ledge.floor, 1.0)
    return _solidity(placed) * placed.width * max(min(placed.top, chin) - placed.bottom, 0.0) / window


def _blocks(placed: PlacedItem, chin: float) -> float:
    """Return how much a thing blocks the view, 1 plainly, more without an end: its rise, its width, how solid it is."""
    over = placed.top - chin
    rise = ramp(over, 0.0, OVER_MM) + HIGHER_COST * math.log1p(max(over - OVER_MM, 0.0) / OVER_MM)
    wide = ramp(placed.width, SLIM_MM, WIDE_MM)
    solid = _solidity(placed)
    return rise * wide * (solid if solid > AIRY else 0.0)
