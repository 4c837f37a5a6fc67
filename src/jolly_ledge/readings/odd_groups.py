"""Odd groups: how many units stand together, and whether any stands lonely."""

from functools import lru_cache

from jolly_ledge.geometry.arrangement import Arrangement, Vignette
from jolly_ledge.measures.anchors import HOLDS, anchor_share
from jolly_ledge.measures.score import mean, ramp, weighted_mean
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital, counted, listed
from jolly_ledge.readings.reading import Finding, Reading

ID = "odd-groups"
BAND = (0.75, 1.0)

LONELY_SCORE = 0.45
COUNTERWEIGHT_SCORE = 0.75
"""A small single that answers a group on the same ledge is not lonely."""

LEDGE_SHARE = 0.35
"""How much the count of a whole ledge weighs beside the counts of its groups."""

EVEN_LEDGE_SCORE = 0.6
LOOSE_PAIR_SCORE = 0.4
STACKED_PAIR_SCORE = 0.75
LARGE_ODD_SCORE = 0.85
EVEN_SCORES = {"strict": {4: 0.45, 6: 0.55}, "loose": {4: 0.65, 6: 0.8}}
"""Four things are easily seen as two and two; six are nearly too many to count."""

COUNTABLE = 7


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read how the vignettes count: 1 (if anchor-sized), 3, 5 and 7 are right.

    The value is the share of vignettes whose count is right. Left out where the manner does not count.

    >>> from jolly_ledge.readings.example import look_of, shelves, stand
    >>> look = look_of(shelves(), stand(200, 100, 200), stand(320, 100, 100))
    >>> read(look, look.manner).findings[0].sentence
    'The s1-200 and the s1-320 make a loose two on s1; a third would gather them.'
    """
    vignettes = [one for one in arrangement.vignettes if one.ledge.meant.manner(manner).odd != "off"]
    if not vignettes:
        return None
    scored: list[tuple[float, float]] = []
    findings: list[Finding] = []
    contributions: list[tuple[str, float]] = []
    right = 0
    for vignette in vignettes:
        alone = len(arrangement.stacks[vignette.ledge.id]) == 1
        score, problem = score_of(vignette, vignette.ledge.meant.manner(manner), alone=alone)
        scored.append((score, len(vignette.units) ** 0.5))
        contributions += [(identifier, score) for identifier in vignette.ids]
        if problem:
            findings.append(Finding(ID, vignette.ids, problem, 1 - score))
        else:
            right += 1
    value = right / len(vignettes)
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 1.0),
        score=(1 - LEDGE_SHARE) * weighted_mean(scored) + LEDGE_SHARE * _ledges_score(arrangement, manner),
        shown=f"{right} of {len(vignettes)}",
        sentence=f"{_how_many(right, len(vignettes))} as an odd group or a worthy single.",
        contributions=tuple(contributions),
        findings=tuple(findings),
    )


def _how_many(right: int, whole: int) -> str:
    if whole == 1:
        return "The only group counts" if right else "The only group does not count"
    if not right:
        return f"None of {counted(whole, 'group')} counts"
    return f"{capital(counted(right, 'group'))} of {whole} {'counts' if right == 1 else 'count'}"


def _ledges_score(arrangement: Arrangement, manner: Manner) -> float:
    scores = []
    for stacks in arrangement.stacks.values():
        count = sum(len(stack.units) for stack in stacks)
        even = count % 2 == 0 and count < COUNTABLE and manner.figure != "mirrored"
        scores.append(EVEN_LEDGE_SCORE if even else 1.0)
    return mean(scores)


@lru_cache(maxsize=2048)
def score_of(vignette: Vignette, manner: Manner, *, alone: bool = True) -> tuple[float, str]:
    """Return the score of one vignette and what is wrong with it (empty when nothing is)."""
    count = len(vignette.units)
    labels = listed([unit.label for unit in vignette.units])
    if count == 1:
        stack = vignette.stacks[0]
        if stack.is_alone_on_purpose:
            return 1.0, ""
        least = LONELY_SCORE if alone else COUNTERWEIGHT_SCORE
        score = least + (1 - least) * ramp(anchor_share(stack), *HOLDS)
        if not alone or score >= BAND[0]:
            return score, ""
        return score, (
            f"{capital(stack.label)} stands alone on {stack.ledge.label} and is too small to hold it; "
            "give it two companions or something larger."
        )
    if count % 2:
        return (1.0 if count <= COUNTABLE else LARGE_ODD_SCORE), ""
    if manner.figure == "mirrored" and _is_mirrored(vignette):
        return 1.0, ""
    if count == 2:
        if len(vignette.stacks) == 1:
            return STACKED_PAIR_SCORE, ""
        return (
            LOOSE_PAIR_SCORE,
            f"{capital(labels)} make a loose two on {vignette.ledge.label}; a third would gather them.",
        )
    score = EVEN_SCORES[manner.odd].get(count, LARGE_ODD_SCORE)
    if score >= BAND[0]:
        return score, ""
    return (
        score,
        f"{capital(counted(count, 'thing'))} on {vignette.ledge.label} ({labels}) count even; add one "
        "or take one away.",
    )


def _is_mirrored(vignette: Vignette) -> bool:
    """Tell whether the heights of a vignette read the same from both ends."""
    heights = [stack.height for stack in sorted(vignette.stacks, key=lambda stack: stack.left)]
    return all(
        abs(first - second) <= 0.12 * max(first, second)
        for first, second in zip(heights, reversed(heights), strict=True)
    )
