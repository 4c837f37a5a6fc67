"""Scale on what is open above: the tallest thing against the top, lamps, broad things, stems and their vessel."""

import math

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.measures.measured import Measured
from jolly_ledge.measures.score import soft_excess
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.phrases import capital
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.roles import role_of
from jolly_ledge.model.words import WALL_CATEGORIES

TALLEST_BANDS: dict[str, tuple[float, float]] = {
    "console": (0.5, 1.05), "mantel": (0.5, 1.1), "nightstand": (0.7, 1.1), "coffee-table": (0.28, 0.62),
    "dining-table": (0.15, 0.34), "counter": (0.2, 0.5), "island": (0.24, 0.55),
}  # fmt: skip
"""How high the tallest thing rises, in sides of a square of the top's area, counted on looks composed by hand."""

OTHER_BAND = (0.4, 1.05)
LAMP_BAND = (0.5, 1.1)

WIDEST: dict[str, float] = {"table": 0.3, "island": 0.3, "top": 0.45, "counter": 0.35, "bedside": 0.65}
LARGEST_FOOT, SMALL_BEARS = 0.2, 2.0
"""What stands alone takes no more than so much of the width, and of the area of a top."""

GROWS_BAND = (0.65, 2.3)
"""What grows out of a vessel rises this many times its height over it."""

SPREAD_OUT = 0.35
"""So far out of a band, as a ratio, a thing is plainly out of scale: half again as large, or two thirds."""

LOST_WEIGHT, LAMP_WEIGHT, BROAD_WEIGHT, GROWN_WEIGHT, HUNG_WEIGHT = 1.2, 0.7, 1.2, 0.6, 0.8
HUNG_BAND = (0.1, 0.55)
"""What hangs leaves this much between it and the top, in its own height."""


def in_ratio(value: float, band: tuple[float, float]) -> float:
    """Score how far a size lies outside a band as a ratio: 1 well within, a half where it is plainly out of scale.

    Parameters
    ----------
    value : float
        A size as a ratio of what it is held against.
    band : (float, float)
        Between which ratios it is right.

    >>> in_ratio(0.7, (0.5, 1.0)) > in_ratio(0.5, (0.5, 1.0)) > in_ratio(0.25, (0.5, 1.0)) > in_ratio(0.1, (0.5, 1.0))
    True
    """
    size = math.log(max(value, 1e-6))
    out = soft_excess(math.log(band[0]) - size, 0.0, SPREAD_OUT) + soft_excess(
        size - math.log(band[1]), 0.0, SPREAD_OUT
    )
    return 1 / (1 + out)


def side_of(ledge: Ledge) -> float:
    """Return the side of a square of a top's area, in mm."""
    return math.sqrt(ledge.width * ledge.depth)


def on_open_tops(arrangement: Arrangement) -> list[Measured]:
    """Measure what stands on every top that is open above."""
    found = []
    for ledge in arrangement.standing_ledges:
        stacks = arrangement.stacks.get(ledge.id, ())
        if stacks and ledge.clearance is None and role_of(arrangement.piece, ledge) in (*WIDEST, "shelf"):
            # By a headboard a lamp is measured against that.
            if not any(fixture.kind == "headboard" for fixture in arrangement.piece.fixtures):
                found.append(_tallest(arrangement.piece, ledge, arrangement))
                found += _lamps(ledge, arrangement)
            found += _broad(arrangement.piece, ledge, arrangement)
    return found


def _band_for(piece: Piece, ledge: Ledge) -> tuple[float, float]:
    role = role_of(piece, ledge)
    return TALLEST_BANDS.get("island" if role == "island" else piece.kind, OTHER_BAND)


def _tallest(piece: Piece, ledge: Ledge, arrangement: Arrangement) -> Measured:
    stack = max(arrangement.stacks[ledge.id], key=lambda one: one.height)
    share, band = stack.height / side_of(ledge), _band_for(piece, ledge)
    score = in_ratio(share, band)
    problem = ""
    if not band[0] * 0.85 <= share <= band[1] * 1.15:
        word = "too low for" if share < band[0] else "too tall for"
        wanted = (band[0] if share < band[0] else band[1]) * side_of(ledge)
        problem = (
            f"{capital(stack.label)} is the tallest on {ledge.label} and {word} a top of this size; about "
            f"{round(wanted / 10)} cm is wanted."
        )
    told = "The tallest thing has {} of the side of the top"
    return Measured(share, band, score, LOST_WEIGHT, stack.ids, problem, told)


def _lamps(ledge: Ledge, arrangement: Arrangement) -> list[Measured]:
    """Measure how high lamps reach over the top, with what they stand on."""
    found = []
    for placed in arrangement.by_ledge.get(ledge.id, ()):
        if placed.item.category == "lamp" and placed.placement.pose == "upright":
            share = (placed.top - ledge.floor) / side_of(ledge)
            score = in_ratio(share, LAMP_BAND)
            word = "is lost on" if share < LAMP_BAND[0] else "overpowers"
            hint = "raise it on books or take a taller one" if share < LAMP_BAND[0] else "take a smaller one"
            problem = f"The {placed.item.label} {word} {ledge.label}; {hint}." if score < 0.75 else ""
            found.append(Measured(share, LAMP_BAND, score, LAMP_WEIGHT, (placed.id,), problem, "The lamp has {} of it"))
    return found


def _broad(piece: Piece, ledge: Ledge, arrangement: Arrangement) -> list[Measured]:
    """Measure whether a single thing takes too much of a top."""
    role = "bedside" if kind_of(piece).is_by_a_bed else role_of(piece, ledge)
    widest, largest = WIDEST.get(role, WIDEST["top"]), LARGEST_FOOT * (SMALL_BEARS if role == "bedside" else 1.0)
    worst, share = None, 0.0
    for placed in arrangement.by_ledge.get(ledge.id, ()):
        if placed.depth_order or placed.item.category in (*WALL_CATEGORIES, "tray", "book-row", "textile"):
            continue
        wide = placed.width / ledge.width / widest
        foot = placed.width * (placed.back - placed.front) / (ledge.width * ledge.depth) / largest
        if max(wide, foot) > share:
            worst, share = placed, max(wide, foot)
    if worst is None:
        return []
    score = 1 / (1 + soft_excess(math.log(max(share, 1e-3)), 0.0, SPREAD_OUT))
    problem = f"The {worst.item.label} is too large for {ledge.label}; take a smaller one." if share > 1.25 else ""
    return [Measured(share, (0.0, 1.0), score, BROAD_WEIGHT, (worst.id,), problem, "The broadest thing takes {} of it")]


def grown_in(arrangement: Arrangement) -> list[Measured]:
    """Measure plants and stems against the vessel they grow out of."""
    found = []
    for placed in arrangement.visible:
        host = arrangement.by_id.get(placed.placement.inside or "")
        if host is None or placed.item.category not in ("plant", "stems") or host.item.category != "vessel":
            continue
        share = (placed.top - host.top) / host.height
        score = in_ratio(share, GROWS_BAND)
        problem = ""
        if score < 0.6:
            word = "is lost in" if share < GROWS_BAND[0] else "is far too tall for"
            problem = f"The {placed.item.label} {word} the {host.item.label}; one to two times its height is right."
        told = "What grows rises {} of its vessel over it"
        found.append(Measured(share, GROWS_BAND, score, GROWN_WEIGHT, (placed.id, host.id), problem, told))
    return found


def hung_over(arrangement: Arrangement, hung: list[PlacedItem], floor_of_top: float) -> list[Measured]:
    """Measure how far what hangs is over the top it belongs to, in its own height; a hand's breadth or two is right.

    Parameters
    ----------
    arrangement : Arrangement
        The look.
    hung : list of PlacedItem
        What hangs.
    floor_of_top : float
        The height of the top over the floor, in mm.
    """
    found = []
    for mark in hung:
        share = (mark.bottom - floor_of_top) / mark.height
        score = in_ratio(max(share, HUNG_BAND[1] / 2), (0.0001, HUNG_BAND[1]))
        problem = (
            f"The {mark.item.label} hangs far over {arrangement.piece.label}, so that they fall apart; hang it lower."
            if share > 1
            else ""
        )
        told = "It hangs {} of its height above"
        found.append(Measured(share, HUNG_BAND, score, HUNG_WEIGHT, (mark.id,), problem, told))
    return found
