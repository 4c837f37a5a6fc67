"""Layering: whether the depth of a ledge is used, and nothing is lost behind."""

from functools import lru_cache

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem, Stack
from jolly_ledge.measures.score import mean, ramp, score_of, smooth_step, weighted_mean
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital, percent
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.roles import role_of
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.scene.cover import hidden_shares
from jolly_ledge.scene.marks import looked_down_on

ID = "layering"
BAND = (2.0, 3.0)
BANDS_SCORES = {1: 0.2, 2: 0.9, 3: 1.0}
ROW_AT_WORK = 0.6
"""On a worktop things may stand in a row at the back, for its front is worked at."""

SHALLOW_PLAY = 0.12
"""With less of the depth free than this nothing can stand before another."""

HELD_BY_RISE = 0.45
"""A rise of so much of the tallest over the lowest."""

DEPTH_STEP = 0.12
MOST_HIDDEN = 0.55
ALL_BACK = 0.6

APART_IN_DEPTH, LEAST_ACROSS = 0.05, 0.12
AS_TALL, AS_TALL_WIDTH, BEFORE_COST, TOLD_BEFORE = 0.95, 0.4, 2.5, 0.55
"""What stands before another is lower: at nearly its height it is half a fault."""


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read how many depth bands each ledge uses, what is hidden, and whether all clings to the back.

    Ledges with one stack only, or too shallow for two, are left out. The value is the mean count
    of depth bands.
    """
    counted: list[tuple[int, float, Ledge]] = []
    findings: list[Finding] = []
    for identifier, stacks in arrangement.stacks.items():
        ledge = arrangement.piece.ledge(identifier)
        if ledge.is_wall or len(stacks) < 2 or _play(stacks, ledge) < SHALLOW_PLAY * ledge.depth:
            continue
        bands = depth_bands(stacks, ledge)
        if bands == 1 and kind_of(arrangement.piece).is_looked_down_on and _is_held(stacks):
            bands = 2
        counted.append((bands, float(len(stacks)), ledge))
        if bands == 1 and role_of(arrangement.piece, ledge) != "counter":
            findings.append(
                Finding(
                    ID,
                    tuple(i for stack in stacks for i in stack.ids),
                    f"All on {ledge.label} stands in one row; lean or set the tallest at the back and "
                    "bring a small thing forward.",
                    0.5,
                )
            )
    if not counted:
        return None
    lost, contributions = _hidden(arrangement)
    findings += lost
    hidden_score = 1 - ramp(max((share for _, share in contributions), default=0.0), MOST_HIDDEN, 1.0)
    back_score = 1.0 - 0.5 * ramp(_backness(arrangement), ALL_BACK, 0.95)
    bands_score = weighted_mean([(_of_bands(arrangement.piece, bands, ledge), n) for bands, n, ledge in counted])
    value = weighted_mean([(float(bands), weight) for bands, weight, _ in counted])
    flat = sum(1 for bands, _, _ in counted if bands == 1)
    score = bands_score * (0.6 + 0.4 * hidden_score) * back_score
    before, told = _tall_before_low(arrangement)
    findings += told
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 4.0),
        score=score_of(1 - score + before),
        loss=1 - score + before,
        shown=f"{flat} in a row" if flat else f"{value:.1f} deep",
        sentence=(
            f"Things stand {value:.1f} deep on average"
            + (f"; {_flat_said(flat, len(counted))}." if flat else "; the depth is used.")
        ),
        contributions=tuple(contributions),
        findings=tuple(findings),
    )


def _flat_said(flat: int, ledges: int) -> str:
    """Return on how many ledges all stands in one row."""
    if flat == ledges:
        return "everything stands in a single row" if ledges == 1 else "every ledge is a single row"
    return f"{flat} of {ledges} ledges {'is a single row' if flat == 1 else 'are single rows'}"


def _of_bands(piece: Piece, bands: int, ledge: Ledge) -> float:
    """Return how good so many depths are on a ledge, 0 to 1."""
    return ROW_AT_WORK if bands == 1 and role_of(piece, ledge) == "counter" else BANDS_SCORES[min(bands, 3)]


def _is_held(stacks: tuple[Stack, ...]) -> bool:
    """Tell whether a tray that gathers and a thing that rises hold a row along the middle of a table."""
    heights = [stack.height for stack in stacks]
    gathers = any(
        stack.units[0].lead.item.category == "tray" or stack.units[0].placed_items[0].item.category == "tray"
        for stack in stacks
        if len(stack.ids) > 2
    )
    return gathers and (max(heights) - min(heights)) / max(heights) >= HELD_BY_RISE


@lru_cache(maxsize=1024)
def depth_bands(stacks: tuple[Stack, ...], ledge: Ledge) -> int:
    """Count the distinct depths on a ledge: middles further apart than an eighth of its depth."""
    middles = sorted((stack.front + stack.back) / 2 for stack in stacks)
    bands, start = 1, middles[0]
    for middle in middles[1:]:
        if middle - start > DEPTH_STEP * ledge.depth:
            bands += 1
            start = middle
    return bands


@lru_cache(maxsize=1024)
def _play(stacks: tuple[Stack, ...], ledge: Ledge) -> float:
    depths = sorted(stack.back - stack.front for stack in stacks)
    return ledge.depth - depths[0] - 0.5 * depths[1]


def _backness(arrangement: Arrangement) -> float:
    """Return how near the wall all stands: 0 in front, 0.5 in the middle, 1 against the back."""
    return mean([place for stacks in arrangement.stacks.values() for place in _places_in_depth(stacks)], empty=0.5)


@lru_cache(maxsize=512)
def _places_in_depth(stacks: tuple[Stack, ...]) -> tuple[float, ...]:
    places = []
    for stack in stacks:
        play = stack.ledge.depth - (stack.back - stack.front)
        if play > SHALLOW_PLAY * stack.ledge.depth and not stack.ledge.is_wall:
            places.append(min(max(stack.front / play, 0.0), 1.0))
    return tuple(places)


def _tall_before_low(arrangement: Arrangement) -> tuple[float, list[Finding]]:
    """Return how far tall things stand before lower ones, for every thing, and what to say of it."""
    cost, count, findings = 0.0, 0, []
    for placed_items in arrangement.by_ledge.values():
        pairs, things = _fronts(placed_items)
        count += things
        for front, behind, share in pairs:
            cost += share
            if share > TOLD_BEFORE:
                said = (
                    f"The {front.item.label} stands before the {behind.item.label} and is as tall on "
                    f"{front.ledge.label}; let them change places."
                )
                findings.append(Finding(ID, (front.id, behind.id), said, min(share, 1.0)))
    return BEFORE_COST * cost / max(count, 1), findings


@lru_cache(maxsize=512)
def _fronts(placed_items: tuple[PlacedItem, ...]) -> tuple[tuple[tuple[PlacedItem, PlacedItem, float], ...], int]:
    """Return the pairs of which one stands before the other, how far it is too tall, and the count of things."""
    ground = [
        s for s in placed_items if not s.hidden and s.depth_order == 0 and s.placement.pose not in ("hung", "draped")
    ]
    found = []
    for front in ground:
        for behind in ground:
            across = min(front.right, behind.right) - max(front.left, behind.left)
            narrower = min(front.width, behind.width)
            if front.z < behind.z - APART_IN_DEPTH * front.ledge.depth and across > LEAST_ACROSS * narrower:
                tall = smooth_step(front.height / max(behind.height, 1.0), AS_TALL, AS_TALL_WIDTH)
                found.append((front, behind, tall * min(across / narrower, 1.0)))
    return tuple(found), len(ground)


def _hidden(arrangement: Arrangement) -> tuple[list[Finding], list[tuple[str, float]]]:
    findings: list[Finding] = []
    shares: list[tuple[str, float]] = []
    slope = looked_down_on(arrangement.piece)
    for placed_items in arrangement.by_ledge.values():
        lost, hidden = _hidden_among(placed_items, slope)
        findings += lost
        shares += hidden
    return findings, shares


@lru_cache(maxsize=512)
def _hidden_among(
    placed_items: tuple[PlacedItem, ...], slope: float
) -> tuple[tuple[Finding, ...], tuple[tuple[str, float], ...]]:
    """Return what is lost on one ledge, and how far each thing is hidden."""
    shares = hidden_shares(placed_items, slope)
    lost = tuple(
        Finding(
            ID,
            (placed.id,),
            f"{capital(f'the {placed.item.label}')} is hidden by {percent(share)} on {placed.ledge.label}; "
            "move it sideways or raise it.",
            share,
        )
        for placed, share in zip(placed_items, shares, strict=True)
        if share > MOST_HIDDEN
    )
    return lost, tuple((placed.id, share) for placed, share in zip(placed_items, shares, strict=True))


def band_of(stack: Stack) -> int:
    """Return which third of its ledge's depth a stack stands in: 0 in front, 1 in the middle, 2 at the back.

    >>> ledge = Ledge(id="a", left=0, floor=0, width=800, depth=300)
    >>> band_of(Stack(ledge, (), (), 0, 100, 0, 60, 200)), band_of(Stack(ledge, (), (), 0, 100, 250, 300, 200))
    (0, 2)
    """
    middle = (stack.front + stack.back) / 2 / stack.ledge.depth
    return min(max(int(middle * 3), 0), 2)
