"""Negative space: how much of every opening, and of the whole piece, things cover."""

from functools import lru_cache

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.measures.frame import frame_height
from jolly_ledge.measures.score import in_band, ramp, score_of, soft_excess, weighted_mean
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital, percent
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.roles import role_of
from jolly_ledge.model.words import Fullness
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.scene.cover import covered_area

ID = "negative-space"
BANDS: dict[Fullness, tuple[float, float]] = {
    "airy": (0.20, 0.40),
    "layered": (0.35, 0.60),
    "abundant": (0.55, 0.85),
}
TABLE_BANDS: dict[Fullness, tuple[float, float]] = {
    "airy": (0.08, 0.25),
    "layered": (0.12, 0.36),
    "abundant": (0.22, 0.50),
}
"""A table top is lived on: much less of it is to be covered."""

TOP_BANDS: dict[Fullness, tuple[float, float]] = {"airy": (0.1, 0.36), "layered": (0.12, 0.42), "abundant": (0.2, 0.55)}
TOP_FRAMES, OTHER_FRAME = {"console": 0.55, "mantel": 0.45}, 0.5
"""So high, in widths of the top, what stands on it is read against the wall, where nothing else stands below."""

BELOW, ABOVE = 0.25, 0.20
WHOLE_SHARE, EACH_SHARE, LENGTH_SHARE = 0.5, 0.3, 0.2
"""What the whole, each ledge in use and the free length along it count."""

LENGTHS: dict[Fullness, float] = {"airy": 0.65, "layered": 0.9, "abundant": 0.97}
"""So much of a ledge's length may be stood on: a rest is seen as a gap in the row."""

LEDGE_MARGIN = 0.08
SMALL_TOP_MORE, WORKTOP_BARE = 0.2, 0.05
"""A small top by a bed is fuller, and a worktop may be nearly free."""

RAIL_BANDS: dict[Fullness, tuple[float, float]] = {
    "airy": (0.6, 0.92),
    "layered": (0.78, 1.0),
    "abundant": (0.85, 1.0),
}
"""So much of the length of a rail is hung."""


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read the covered share of the piece and of each ledge in use against the fullness.

    >>> from jolly_ledge.readings.example import look_of, shelves, stand
    >>> look = look_of(shelves(), stand(400, 320, 200))
    >>> round(read(look, look.manner).value, 3)  # 320 by 200 of 800 by 400 mm
    0.2
    """
    piece = arrangement.piece
    # The floor below and a hearth may be as free as they like.
    ledges = [ledge for ledge in arrangement.standing_ledges if role_of(piece, ledge) not in ("floor", "hearth")]
    if not arrangement.visible:
        return None
    if not arrangement.standing_ledges:
        return _on_a_rail(arrangement, manner)
    if not ledges:
        return None
    table = kind_of(arrangement.piece).is_looked_down_on
    on_top = not table and all(ledge.clearance is None for ledge in ledges)
    bands = TABLE_BANDS if table else TOP_BANDS if on_top else BANDS
    own = {ledge.id: _band_of(piece, bands[ledge.meant.fullness or manner.fullness]) for ledge in ledges}
    covers: list[tuple[Ledge, float, float, tuple[PlacedItem, ...]]] = []
    for ledge in ledges:
        things = tuple(s for s in arrangement.by_ledge.get(ledge.id, ()) if s.placement.pose != "draped")
        high = TOP_FRAMES.get(piece.kind, OTHER_FRAME) * ledge.width if on_top else frame_height(ledge)
        room = ledge.width * (ledge.depth if table else high)
        covers.append((ledge, _footprints(things) if table else covered_area(things), room, things))
    room = sum(cover[2] for cover in covers)
    value = sum(cover[1] for cover in covers) / room
    told = any(ledge.meant.fullness not in (None, manner.fullness) for ledge in ledges)
    full = "the ledges as they are meant" if told else manner.fullness
    low, high = (sum(own[cover[0].id][end] * cover[2] for cover in covers) / room for end in (0, 1))
    band = (low, high)
    used = [cover for cover in covers if cover[3]]
    # A single ledge may rest or be full while the whole is right, so its band is wider.
    loose = {
        ledge: (max(least - LEDGE_MARGIN, 0.0), min(most + LEDGE_MARGIN, 1.0)) for ledge, (least, most) in own.items()
    }
    each = [(in_band(area / free, loose[ledge.id], BELOW, ABOVE), free) for ledge, area, free, _ in used]
    lengths = [
        (1 - ramp(_length(things) / ledge.width, LENGTHS[ledge.meant.fullness or manner.fullness], 1.05), free)
        for ledge, _, free, things in used
    ]
    score = (
        WHOLE_SHARE * in_band(value, band, BELOW, ABOVE)
        + EACH_SHARE * weighted_mean(each)
        + LENGTH_SHARE * (1.0 if table else weighted_mean(lengths))
    )
    findings = [_crowded(cover, own[cover[0].id]) for cover in used if cover[1] / cover[2] > loose[cover[0].id][1]]
    if not band[0] <= value <= band[1]:
        findings.append(_whole(value, band, full, used))
    return Reading(
        id=ID,
        value=value,
        band=band,
        limits=(0.0, 1.0),
        score=score,
        shown=percent(value),
        sentence=f"{percent(value)} of the {'top' if table else 'openings'} is covered; "
        + (
            f"as the ledges are meant, {percent(band[0])} to {percent(band[1])} is wanted."
            if told
            else f"{full} wants {percent(band[0])} to {percent(band[1])}."
        ),
        contributions=tuple(
            (s.id, (s.width * (s.back - s.front) if table else s.area) / room) for cover in used for s in cover[3]
        ),
        findings=tuple(findings),
    )


def _band_of(piece: Piece, band: tuple[float, float]) -> tuple[float, float]:
    """Return a band as it holds for a kind of piece."""
    if kind_of(piece).is_by_a_bed:
        return band[0], band[1] + SMALL_TOP_MORE
    return (WORKTOP_BARE, band[1]) if kind_of(piece).is_a_worktop else band


def _on_a_rail(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read how much of the length of a rail or rack is hung with things, where nothing stands."""
    wall = max(arrangement.piece.ledges, key=lambda ledge: ledge.width, default=None)
    things = arrangement.by_ledge.get(wall.id, ()) if wall is not None else ()
    if wall is None or not things:
        return None
    value = sum(one.width for one in things) / wall.width
    low, high = RAIL_BANDS[manner.fullness]
    loss = soft_excess(low - value, 0.0, 0.3) + soft_excess(value - high, 0.0, 0.3)
    findings: tuple[Finding, ...] = ()
    if not low <= value <= high:
        word, asks = ("full", "take one away") if value > high else ("bare", "hang one more")
        said = f"{capital(wall.label)} is {word} for {manner.fullness}: {percent(value)} of it is hung; {asks}."
        ids = tuple(one.id for one in things)
        findings = (Finding(ID, ids, said, 0.5, "less" if value > high else "more"),)
    return Reading(
        id=ID,
        value=value,
        band=(low, high),
        limits=(0.0, 1.0),
        score=score_of(loss),
        shown=percent(value),
        sentence=f"{percent(value)} of the length is hung; {manner.fullness} wants {percent(low)} to {percent(high)}.",
        contributions=tuple((one.id, one.width / wall.width) for one in things),
        findings=findings,
        loss=loss,
    )


@lru_cache(maxsize=512)
def _length(things: tuple[PlacedItem, ...]) -> float:
    """Return the length of a ledge that things stand on or cross, each stretch once, in mm."""
    total, end = 0.0, float("-inf")
    for left, right in sorted((s.left, s.right) for s in things):
        total += max(right - max(left, end), 0.0)
        end = max(end, right)
    return total


def _footprints(things: tuple[PlacedItem, ...]) -> float:
    return sum(s.width * (s.back - s.front) for s in things if s.placement.host is None)


def _crowded(cover: tuple[Ledge, float, float, tuple[PlacedItem, ...]], band: tuple[float, float]) -> Finding:
    ledge, area, free, things = cover
    return Finding(
        ID,
        tuple(s.id for s in things),
        f"{capital(ledge.label)} is crowded: {_covered_said(area / free)}, about {percent(sum(band) / 2)} is wanted; "
        "take something away.",
        min((area / free - band[1]) / 0.3, 1.0),
        "less",
    )


def _covered_said(share: float) -> str:
    """Return how much of a ledge is covered; where things stand over its rim, that it is more than all."""
    return f"{percent(share)} of it is covered" if share <= 1.0 else f"{share:.1f} times its room is covered"


def _whole(
    value: float,
    band: tuple[float, float],
    full: str,
    used: list[tuple[Ledge, float, float, tuple[PlacedItem, ...]]],
) -> Finding:
    ids = tuple(s.id for cover in used for s in cover[3])
    if value < band[0]:
        return Finding(
            ID,
            ids,
            f"The whole is bare for {full}: {percent(value)} is covered, {percent(band[0])} or more is wanted.",
            min((band[0] - value) / BELOW, 1.0),
            "more",
        )
    return Finding(
        ID,
        ids,
        f"The whole is full for {full}: {percent(value)} is covered, at most {percent(band[1])} is wanted.",
        min((value - band[1]) / ABOVE, 1.0),
        "less",
    )
