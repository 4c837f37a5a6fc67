"""Figure: peaks set against each other, a weave from side to side, or pairs about the middle."""

from collections.abc import Callable, Mapping
from functools import lru_cache
from itertools import pairwise

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, Stack, Vignette
from jolly_ledge.geometry.kept import kept
from jolly_ledge.measures.asides import KINDS, SIDE_LITTLE, SIDE_PLAIN, asides_of, diagonals_of
from jolly_ledge.measures.levels import stacks_by_level
from jolly_ledge.measures.likeness import likeness
from jolly_ledge.measures.score import mean, ramp, weighted_mean
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import percent
from jolly_ledge.model.words import Figure
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.scene.marks import weights

ID = "figure"
BAND = (0.7, 1.0)
FLAT_SPREAD, GOOD_SPREAD = 0.1, 0.35
OPPOSED_SHARE = 0.25
"""What the peaks of a case take from the fit when they stand one above the other."""

DIAGONAL_SHARE = 0.2
"""What a kind of thing takes from the fit when it stands one above the other, level for level."""

DEPTH_LITTLE, DEPTH_PLAIN = 0.03, 0.18
PAIR_NEAR, PAIR_FAR = 0.04, 0.16
CENTRE = 0.14

PAIR_SHOWN = 0.4

Fits = Mapping[str, float]


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read how well the heights, sides or pairs follow the figure of the manner; the value is the fit.

    Peaks: within each group heights rise to one peak and fall from it, the peaks of levels stand aside of each
    other, and every kind is set diagonally across the piece. Weave: the weight of successive levels changes sides;
    on a top, things alternate in depth. Mirrored: each thing has its like at the same distance from the middle. Left
    out where there is too little to make a figure.
    """
    fits = _READERS[manner.figure](arrangement)
    if not fits:
        return None
    value = mean(list(fits.values()))
    findings: tuple[Finding, ...] = ()
    if value < BAND[0]:
        weak = tuple(sorted(fits, key=lambda identifier: fits[identifier])[:4])
        findings = (Finding(ID, weak, _sentence(manner.figure, arrangement, weak), (BAND[0] - value) / BAND[0]),)
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 1.0),
        score=ramp(value, 0.0, 0.89),
        shown=percent(value),
        sentence=f"The {manner.figure} figure fits by {percent(value)}; 70 % or more reads well.",
        contributions=tuple(fits.items()),
        findings=findings,
    )


def _sentence(figure: Figure, arrangement: Arrangement, weak: tuple[str, ...]) -> str:
    first = arrangement.by_id[weak[0]]
    where = f"the {first.item.label} on {first.ledge.label}"
    if figure == "mirrored":
        return f"Nothing answers {where} on the other side; set its like at the same distance from the middle."
    if figure == "weave":
        return f"The eye does not go from side to side at {where}; carry weight to the other side of that level."
    vignette = next((v for v in arrangement.vignettes if weak[0] in v.ids), None)
    if vignette is not None and _fit_of(vignette) >= BAND[0]:
        kind = KINDS.get(first.item.category)
        if kind is not None and diagonals_of(arrangement).get(weak[0], 1.0) < _opposed(arrangement).get(weak[0], 1.0):
            return f"The {kind} stand one above the other at {where}; carry them to the other side, level by level."
        return f"The peak at {where} stands under or over the next; set the peaks of the levels aside of each other."
    return f"The heights about {where} make no peak; let one rise above and the others fall away from it."


@kept
def _peaks(arrangement: Arrangement) -> Fits:
    fits: dict[str, float] = {}
    for vignette in arrangement.vignettes:
        if len(vignette.stacks) < 2:
            continue
        fit = _fit_of(vignette)
        for stack in vignette.stacks:
            fits[stack.ids[0]] = fit
    opposed, diagonal = _opposed(arrangement), diagonals_of(arrangement)
    return {
        key: fit
        * (1 - OPPOSED_SHARE * (1 - opposed.get(key, 1.0)))
        * (1 - DIAGONAL_SHARE * (1 - diagonal.get(key, 1.0)))
        for key, fit in fits.items()
    }


@lru_cache(maxsize=512)
def _fit_of(vignette: Vignette) -> float:
    skyline = [stack for stack in vignette.stacks if not _is_before_taller(stack, vignette.stacks)]
    return _peak_fit([stack.height for stack in sorted(skyline, key=lambda stack: stack.left + stack.right)])


@kept
def _opposed(arrangement: Arrangement) -> Fits:
    """Return how far the peak of each level lies aside of those above and below it, for the stacks of the level."""
    levels = stacks_by_level(arrangement)
    half = arrangement.piece.width / 2
    peaks = [max(level, key=lambda stack: stack.height * stack.width) for level in levels]
    places = [(peak.left + peak.right) / 2 / half for peak in peaks]
    asides = asides_of(places, SIDE_LITTLE, SIDE_PLAIN)
    return {stack.ids[0]: aside for level, aside in zip(levels, asides, strict=True) for stack in level}


def _is_before_taller(stack: Stack, others: tuple[Stack, ...]) -> bool:
    """Tell whether a stack lies wholly within the outline of a taller one, so that the skyline passes over it."""
    return any(
        other.left <= stack.left and other.right >= stack.right and other.height > stack.height for other in others
    )


def _peak_fit(heights: list[float]) -> float:
    """Return how well heights rise to one peak and fall from it, in 0 to 1.

    >>> _peak_fit([100.0, 300.0, 200.0]), _peak_fit([300.0, 100.0, 300.0])
    (1.0, 0.5)
    """
    top = max(heights)
    moved = sum(abs(two - one) for one, two in pairwise(heights)) or 1.0
    wrong = min(_against_a_peak(heights, index) for index, height in enumerate(heights) if height == top)
    spread = (top - min(heights)) / top
    return (1 - wrong / moved) * (0.3 + 0.7 * ramp(spread, FLAT_SPREAD, GOOD_SPREAD))


def _against_a_peak(heights: list[float], peak: int) -> float:
    """Return how far heights fall before a peak and rise behind it."""
    rising, falling = pairwise(heights[: peak + 1]), pairwise(heights[peak:])
    return sum(max(one - two, 0.0) for one, two in rising) + sum(max(two - one, 0.0) for one, two in falling)


def _weave(arrangement: Arrangement) -> Fits:
    if kind_of(arrangement.piece).is_looked_down_on:
        return _weave_in_depth(arrangement)
    levels = stacks_by_level(arrangement)
    if len(levels) < 2:
        return {}
    half = arrangement.piece.width / 2
    sides = [(_middle_of(level, arrangement) - half) / half for level in levels]
    asides = asides_of(sides, SIDE_LITTLE, SIDE_PLAIN)
    return {c.ids[0]: 0.4 + 0.6 * aside for level, aside in zip(levels, asides, strict=True) for c in level}


def _middle_of(level: tuple[Stack, ...], arrangement: Arrangement) -> float:
    """Return where the weight of a level lies along the piece."""
    by_id = weights(arrangement)
    parts = [((c.left + c.right) / 2, sum(by_id[i] for i in c.ids)) for c in level]
    return weighted_mean(parts, arrangement.piece.width / 2)


def _weave_in_depth(arrangement: Arrangement) -> Fits:
    fits: dict[str, float] = {}
    for stacks in arrangement.stacks.values():
        if stacks[0].ledge.is_wall or len(stacks) < 3:
            continue
        deep = stacks[0].ledge.depth
        row = sorted(stacks, key=lambda stack: stack.left + stack.right)
        middles = [(stack.front + stack.back) / 2 / deep for stack in row]
        asides = asides_of(middles, DEPTH_LITTLE, DEPTH_PLAIN)
        fits.update((stack.ids[0], aside) for stack, aside in zip(row, asides, strict=True))
    return fits


def _mirrored(arrangement: Arrangement) -> Fits:
    width = arrangement.piece.width
    stacks = [stack for group in arrangement.stacks.values() for stack in group if not stack.ledge.is_wall]
    if len(stacks) < 2:
        return {}
    fits: dict[str, float] = {}
    for stack in stacks:
        if abs((stack.left + stack.right - width) / 2) > CENTRE * width:
            others = [other for other in stacks if other is not stack]
            fits[stack.ids[0]] = max(_answers(stack, other, width) for other in others)
    # What stands at the middle answers itself, and says nothing of the sides.
    return fits or {stack.ids[0]: 1.0 for stack in stacks}


def _answers(stack: Stack, other: Stack, width: float) -> float:
    """Return how well another stack answers one across the middle."""
    place = abs((stack.left + stack.right + other.left + other.right) / 2 - width) / width
    near = 1 - ramp(place, PAIR_NEAR, PAIR_FAR)
    level = 1 - ramp(abs(stack.ledge.floor - other.ledge.floor), 20.0, 120.0)
    tall = 1 - ramp(abs(stack.height - other.height) / max(stack.height, other.height), 0.06, 0.4)
    wide = 1 - ramp(abs(stack.width - other.width) / max(stack.width, other.width), 0.1, 0.6)
    alike = likeness(stack.units[-1].lead.item, other.units[-1].lead.item)
    return near * level * (0.45 * tall + 0.20 * wide + 0.35 * ramp(alike, 0.3, 0.85))


_READERS: dict[Figure, Callable[[Arrangement], Fits]] = {"peaks": _peaks, "weave": _weave, "mirrored": _mirrored}


class FigureLine(Struct, frozen=True):
    """A line of the figure as the eye draws it (piece mm, y up), and how well it fits, 0 to 1."""

    points: tuple[tuple[float, float], ...]
    fit: float


def figure_lines(arrangement: Arrangement) -> tuple[FigureLine, ...]:
    """Return the triangles, the weave or the pairs that the figure of the manner is read by."""
    drawn: dict[Figure, Callable[[Arrangement], list[FigureLine]]] = {
        "peaks": _triangles, "weave": _woven, "mirrored": _pairs,
    }  # fmt: skip
    return tuple(drawn[arrangement.manner.figure](arrangement))


def _triangles(arrangement: Arrangement) -> list[FigureLine]:
    fits, lines = _peaks(arrangement), []
    for vignette in arrangement.vignettes:
        if len(vignette.stacks) < 2:
            continue
        left, right = min(c.left for c in vignette.stacks), max(c.right for c in vignette.stacks)
        peak = max(vignette.stacks, key=lambda stack: stack.height)
        floor = vignette.ledge.floor
        corners = ((left, floor), ((peak.left + peak.right) / 2, peak.top), (right, floor), (left, floor))
        lines.append(FigureLine(corners, fits[vignette.stacks[0].ids[0]]))
    return lines


def _woven(arrangement: Arrangement) -> list[FigureLine]:
    fits = _weave(arrangement)
    if not fits:
        return []
    if kind_of(arrangement.piece).is_looked_down_on:
        row = sorted((arrangement.by_id[identifier] for identifier in fits), key=lambda placed: placed.x)
        return [FigureLine(tuple((s.x, s.bottom + s.height / 2) for s in row), mean(list(fits.values())))]
    points = tuple(
        (_middle_of(level, arrangement), mean([(c.ledge.floor + c.top) / 2 for c in level]))
        for level in stacks_by_level(arrangement)
    )
    return [FigureLine(points, mean(list(fits.values())))]


def _pairs(arrangement: Arrangement) -> list[FigureLine]:
    width = arrangement.piece.width
    stacks = [stack for group in arrangement.stacks.values() for stack in group if not stack.ledge.is_wall]
    lines = []
    for index, stack in enumerate(stacks):
        others = [(_answers(stack, other, width), other) for other in stacks[index + 1 :]]
        fit, other = max(others, key=lambda pair: pair[0], default=(0.0, stack))
        if fit > PAIR_SHOWN:
            ends = (stack, other)
            lines.append(FigureLine(tuple(((c.left + c.right) / 2, (c.ledge.floor + c.top) / 2) for c in ends), fit))
    return lines
