"""Weight low: whether what is heavy to the eye stands low."""

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.measures.frame import frame_height
from jolly_ledge.measures.levels import level_numbers, levels_of
from jolly_ledge.measures.score import ramp
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import percent
from jolly_ledge.model.roles import role_of
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.scene.marks import marks_of

ID = "weight-low"
BAND = (0.0, 0.52)
CALM = 0.9
OPEN = frozenset({"top", "table"})
TOP_SHARE = 0.4
"""How much an overweight top ledge counts against the height of the whole."""

HIGHEST, MANY_TIMES = 0.85, 3.0
"""Where the centre is plainly too high, and how many times its fair share is plainly too much for the top level."""

OPEN_BAND, OPEN_HIGHEST = (0.0, 0.8), 1.1
OPEN_FAIR, OPEN_MOST = 0.75, 2.0
"""An open top is what the piece is for: it may carry most, and what lies below, an open floor or a hearth, little."""


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read the height of the centre of visual weight between the lowest and the highest ledge.

    Left out for pieces with ledges on one level only.

    >>> from jolly_ledge.readings.example import look_of, shelves, stand
    >>> look = look_of(shelves(2), stand(400, 100, 200))
    >>> round(read(look, look.manner).value, 3)  # its middle at 100 of the 820 mm from the lowest to the highest
    0.122
    """
    ledges = arrangement.standing_ledges
    # What hangs on the wall is held by it, not set up high.
    marks = [mark for mark in marks_of(arrangement) if mark.placed.placement.pose != "hung"]
    if not marks or not ledges:
        return None
    if len(levels_of(arrangement.piece.ledges)) < 2:
        return None
    low = min(ledge.floor for ledge in ledges)
    reach = max(ledge.floor + frame_height(ledge) for ledge in ledges)
    whole = sum(mark.weight for mark in marks) or 1.0
    parts = {
        mark.id: mark.weight / whole * ((mark.placed.bottom + mark.placed.top) / 2 - low) / (reach - low)
        for mark in marks
    }
    value = sum(parts.values())
    numbers = level_numbers(arrangement.piece.ledges)
    on_top = [mark for mark in marks if numbers.get(mark.placed.ledge.id) == 0]
    top_share = sum(mark.weight for mark in on_top) / whole
    band, highest = BAND, HIGHEST
    fair_share = 1 / (max(numbers.values()) + 1)
    most_share = min(MANY_TIMES * fair_share, 1.0)
    if any(role_of(arrangement.piece, one) in OPEN for one in ledges if numbers.get(one.id) == 0):
        band, highest, fair_share, most_share = OPEN_BAND, OPEN_HIGHEST, OPEN_FAIR, OPEN_MOST
    score = (1 - TOP_SHARE) * ramp(value, highest, band[1]) + TOP_SHARE * ramp(top_share, most_share, fair_share)
    findings: tuple[Finding, ...] = ()
    if score < CALM and on_top:
        heaviest = max(on_top, key=lambda mark: mark.weight)
        findings = (
            Finding(
                ID,
                (heaviest.id,),
                f"The top carries {percent(top_share)} of the visual weight, most of it the {heaviest.item.label}; "
                "let it change places with something light from below.",
                1 - score,
            ),
        )
    return Reading(
        id=ID,
        value=value,
        band=band,
        limits=(0.0, 1.0),
        score=score,
        shown=_shown(value > band[1], value, top_share, bool(findings)),
        sentence=f"The centre of visual weight lies at {percent(value)} of the height; the top level "
        f"carries {percent(top_share)}.",
        contributions=tuple(parts.items()),
        findings=findings,
    )


def _shown(high: bool, value: float, top_share: float, found: bool) -> str:
    if high:
        return f"{percent(value)} up"
    return f"top {percent(top_share)}" if found else "low"
