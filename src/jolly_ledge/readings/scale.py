"""Scale: things against the opening they stand in, against the furniture, and against each other."""

import math
from functools import lru_cache

from jolly_ledge.geometry.arrangement import Arrangement, Stack
from jolly_ledge.measures.among_things import anchors_against_next, small_tops
from jolly_ledge.measures.measured import Measured
from jolly_ledge.measures.open_tops import grown_in, hung_over, on_open_tops
from jolly_ledge.measures.score import in_band, score_of, weighted_mean
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital, counted, percent
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.roles import role_of
from jolly_ledge.model.words import WALL_CATEGORIES
from jolly_ledge.readings.reading import Finding, Reading

ID = "scale"
FILL_BAND = (0.55, 0.90)
FILL_BELOW, FILL_ABOVE = 0.40, 0.12
WALL_BAND = (0.50, 0.80)
TABLE_BAND, SMALL_TOP_BAND = (0.08, 0.40), (0.1, 0.6)
LOOKED_AT_ON_A_WALL = WALL_CATEGORIES - {"board"}
"""A board that hangs from a rail is used, and as wide as it is."""

LOW_DOWN = frozenset({"floor", "hearth", "below"})
"""What stands on the floor is large or small by itself, not by the height over it."""

STEMS_BAND = (0.15, 0.85)
"""How much of a vessel's mouth the stems should take."""

LAMP_BAND = (0.65, 1.15)
"""A lamp about as high as the headboard lights a book and not the eyes."""

STEM_MM = 8.0
LOST_WIDTH_SHARE = 0.25
BREADTH, BREADTH_FROM = 0.5, 0.15
"""A broad low thing is less lost than a narrow one: half of its width share beyond 0.15 is added."""

WITHIN_COST = 0.075


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read the scale of the tallest thing on every ledge, of wall pieces, of table decor and among the things.

    The value is the mean share of the clearance that the tallest things fill; where no opening is there to measure,
    the share of the top, the width or the anchor that is told in the sentence.

    >>> from jolly_ledge.readings.example import look_of, shelves, stand
    >>> look = look_of(shelves(), stand(400, 100, 280))
    >>> round(read(look, look.manner).value, 3)  # 280 of 400 mm
    0.7
    """
    measured = [found for ledge in arrangement.standing_ledges for found in _ledge(arrangement, ledge)]
    measured += _wall_pieces(arrangement)
    measured += on_open_tops(arrangement)
    measured += grown_in(arrangement)
    measured += _stems(arrangement)
    measured += _lamps(arrangement)
    measured += anchors_against_next(arrangement)
    measured += small_tops(arrangement)
    if not measured:
        return None
    leading = [found for found in measured if found.told == measured[0].told]
    value = weighted_mean([(found.share, found.weight) for found in leading])
    band = leading[0].band
    wrong = [found for found in measured if found.problem]
    loss = 1 - weighted_mean([(found.score, found.weight) for found in measured])
    # Within its band the middle is best.
    loss += WITHIN_COST * weighted_mean([(found.off_the_middle, found.weight) for found in measured])
    shares: dict[str, float] = {}
    for found in measured:
        for identifier in found.placements:
            shares.setdefault(identifier, found.share)
    return Reading(
        id=ID,
        value=value,
        band=band,
        limits=(0.0, 1.2),
        score=score_of(loss),
        loss=loss,
        shown=f"{len(wrong)} off" if wrong else percent(value),
        sentence=(
            f"{leading[0].told.format(percent(value))}; {percent(band[0])} to {percent(min(band[1], 1.2))} is wanted."
        ),
        contributions=tuple(shares.items()),
        findings=tuple(Finding(ID, found.placements, found.problem, 1 - found.score) for found in wrong),
    )


def _ledge(arrangement: Arrangement, ledge: Ledge) -> list[Measured]:
    stacks = arrangement.stacks.get(ledge.id, ())
    if not stacks or role_of(arrangement.piece, ledge) in LOW_DOWN:
        return []
    if ledge.clearance:
        return [_fill(stacks, ledge, ledge.clearance)]
    if kind_of(arrangement.piece).is_looked_down_on:
        return [_table_share(stacks, ledge, is_small=kind_of(arrangement.piece).is_by_a_bed)]
    return []


@lru_cache(maxsize=512)
def _fill(stacks: tuple[Stack, ...], ledge: Ledge, clearance: float) -> Measured:
    tallest = max(stacks, key=lambda stack: stack.height)
    share = tallest.height / clearance
    presence = share
    if share < FILL_BAND[0]:
        presence = min(share + BREADTH * max(tallest.width / ledge.width - BREADTH_FROM, 0.0), FILL_BAND[0])
    score = in_band(presence, FILL_BAND, FILL_BELOW, FILL_ABOVE)
    problem = ""
    if share < FILL_BAND[0]:
        lift = FILL_BAND[0] * clearance - tallest.height
        lone = len(stacks) == 1 and tallest.width < LOST_WIDTH_SHARE * ledge.width
        score *= 0.8 if lone else 1.0
        problem = (
            f"{capital(tallest.label)} {'is lost in' if lone else 'is the tallest on'} {ledge.label}: it fills "
            f"{percent(share)} of the height, {percent(FILL_BAND[0])} or more is wanted; raise it "
            f"{round(lift / 5) * 5} mm "
            "or bring something taller."
        )
    elif share > FILL_BAND[1] and share <= 1:
        problem = (
            f"{capital(tallest.label)} nearly touches the board over {ledge.label}: it fills {percent(share)} of the "
            f"height, at most {percent(FILL_BAND[1])} is wanted."
        )
    told = "The tallest things fill {} of their openings"
    return Measured(share, FILL_BAND, score, 1.0, tallest.ids, problem if score < 0.95 else "", told)


def _table_share(stacks: tuple[Stack, ...], ledge: Ledge, *, is_small: bool) -> Measured:
    area = sum((stack.right - stack.left) * (stack.back - stack.front) for stack in stacks)
    top = ledge.width * ledge.depth * (math.pi / 4 if ledge.shape == "ellipse" else 1.0)
    share = area / top
    band = SMALL_TOP_BAND if is_small else TABLE_BAND
    score = in_band(share, band, 0.08, 0.3)
    ids = tuple(identifier for stack in stacks for identifier in stack.ids)
    problem = ""
    if score < 0.6:
        word = "too little for" if share < band[0] else "too much for"
        problem = f"What stands on {ledge.label} covers {percent(share)} of it, {word} a top of this size."
    return Measured(share, band, score, 0.6, ids, problem, "Things cover {} of the top")


def _wall_pieces(arrangement: Arrangement) -> list[Measured]:
    """Measure what hangs above against the width of the furniture: two thirds is the usual wish."""
    piece = arrangement.piece
    hung = [s for s in arrangement.visible if s.placement.pose == "hung" and s.item.category in LOOKED_AT_ON_A_WALL]
    if not hung or kind_of(piece).for_books:
        return []
    left, right = min(edge.left for edge in hung), max(edge.right for edge in hung)
    share = (right - left) / piece.width
    score = in_band(share, WALL_BAND, 0.35, 0.35)
    names = hung[0].item.label
    problem = ""
    if score < 0.95:
        word = "small" if share < WALL_BAND[0] else "wide"
        problem = (
            f"The {names} is {word} over the {piece.label}: {percent(share)} of its width, about "
            "two thirds is the usual wish."
        )
    told = "What hangs above takes {} of the width"
    tops = [ledge.floor for ledge in arrangement.standing_ledges if ledge.clearance is None]
    return [
        Measured(share, WALL_BAND, score, 1.5, tuple(s.id for s in hung), problem, told),
        *(hung_over(arrangement, hung, max(tops)) if tops else []),
    ]


def _stems(arrangement: Arrangement) -> list[Measured]:
    """Measure bunches against the mouth of their vessel, where both are known."""
    found = []
    for placed in arrangement.visible:
        host = arrangement.by_id.get(placed.placement.inside or "")
        if host is None or not placed.item.stems or not host.item.mouth:
            continue
        share = placed.item.stems * STEM_MM**2 / host.item.mouth**2
        score = in_band(share, STEMS_BAND, 0.15, 0.6)
        problem = ""
        if score < 0.9:
            word = "too few for" if share < STEMS_BAND[0] else "too many for"
            problem = (
                f"{counted(placed.item.stems, 'stem is', 'stems are').capitalize()} {word} the mouth of the "
                f"{host.item.label} ({round(host.item.mouth)} mm)."
            )
        told = "Stems take {} of the mouth of their vessel"
        found.append(Measured(share, STEMS_BAND, score, 0.5, (placed.id, host.id), problem, told))
    return found


def _lamps(arrangement: Arrangement) -> list[Measured]:
    """Measure lamps beside a bed against the headboard's rise over the top they stand on."""
    tops = [fixture.floor + fixture.height for fixture in arrangement.piece.fixtures if fixture.kind == "headboard"]
    if not tops:
        return []
    found = []
    for placed in arrangement.visible:
        rise = max(tops) - placed.ledge.floor
        if placed.item.category != "lamp" or rise <= 0:
            continue
        share = placed.height / rise
        score = in_band(share, LAMP_BAND, 0.35, 0.4)
        word = "low" if share < LAMP_BAND[0] else "tall"
        problem = (
            f"The {placed.item.label} is {word} beside the headboard: {percent(share)} of its rise."
            if score < 0.9
            else ""
        )
        told = "The lamp has {} of the headboard's rise"
        found.append(Measured(share, LAMP_BAND, score, 1.0, (placed.id,), problem, told))
    return found
