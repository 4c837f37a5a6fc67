"""Tie: whether what has a colour or a stuff of its own is answered somewhere else."""

import math
from itertools import combinations

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.measures.score import score_of
from jolly_ledge.model.hue_family import QUIET, WARM, hue_family, loudness
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import capital, listed, percent, verb
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.scene.marks import marks_of

ID = "tie"
BAND = (0.8, 1.0)
FEWEST = 3
LEAST_SHARE = 0.03
"""So little of a thing is seen as an answer: a rim, a band, lettering."""

CALM, LOUDER, SPINES = 0.5, 1.5, 0.35
"""A quiet hue that comes once harms little, a loud one much."""

QUIET_HUES = QUIET | WARM | {"green"}
STUFFS = frozenset({"metal", "woven", "clear"})
STUFF_COST, NEAR_COST, ACROSS, HALF_NEAR = 0.12, 0.12, 0.5, 0.4
"""A stuff that comes once, and a hue that is answered only close by, are mild; without a hue nothing is near or far."""

FULL_SHARE = 0.12
"""Hues that come once on so much of what is seen are plainly noticed."""


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read which hues come once only: a hue that another thing answers ties the piece together, far more than near.

    Whites, greys, blacks, woods, sand and leaves tie everywhere and are not asked; a rim or lettering is answer enough.
    Things of a set are one, unless it is split over the bodies of the piece. The value is the share of coloured area
    that is answered.
    """
    marks = [mark for mark in marks_of(arrangement) if mark.placed.area > 0]
    if len(marks) < FEWEST:
        return None
    seen = [mark.placed for mark in marks]
    bearers: dict[str, set[str]] = {}
    areas: dict[str, float] = {}
    volume: dict[str, float] = {}
    things: dict[str, list[PlacedItem]] = {}
    for mark in marks:
        placed = mark.placed
        for colour, area in mark.colours:
            family = hue_family(colour)
            if family in QUIET_HUES or area < LEAST_SHARE * placed.area:
                continue
            # A set is one answer; split over two bodies it ties them.
            bearers.setdefault(family, set()).add(
                f"{placed.item.set} in {placed.ledge.body}" if placed.item.set else placed.root
            )
            areas[family] = areas.get(family, 0.0) + area
            loud = area * (CALM + LOUDER * loudness(colour)) * (SPINES if placed.item.is_book else 1.0)
            volume[family] = volume.get(family, 0.0) + loud
            if placed not in things.setdefault(family, []):
                things[family].append(placed)
    whole = sum(placed.area for placed in seen)
    coloured = sum(areas.values())
    once = [family for family, where in bearers.items() if len(where) == 1]
    value = 1 - sum(areas[family] for family in once) / coloured if coloured else 1.0
    share = sum(volume[family] for family in once) / whole
    loss = 2 * share / (share + FULL_SHARE) + STUFF_COST * _stuff_alone(seen) + NEAR_COST * _answers_near(things, seen)
    findings = tuple(
        Finding(
            ID,
            tuple(one.id for one in things[family]),
            f"{capital(listed([f'the {one.item.label}' for one in things[family]], 3))} "
            f"{'is' if len(things[family]) == 1 else 'are'} the only {family} here; answer it, or leave it out.",
            min(0.2 + volume[family] / whole / FULL_SHARE, 1.0),
        )
        for family in once
        if volume[family] / whole > 0.1 * FULL_SHARE
    )
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 1.0),
        score=score_of(loss),
        shown="answered" if not once else f"{len(once)} once",
        sentence="Every hue is answered by another thing."
        if not once
        else f"{percent(value)} of what is coloured is answered; {listed(once, 4)} {verb(once, 'comes', 'come')} once.",
        contributions=tuple((one.id, 1.0) for family in areas if family not in once for one in things[family])
        or tuple((one.id, 0.0) for one in seen),
        findings=findings,
        loss=loss,
    )


def _stuff_alone(seen: list[PlacedItem]) -> float:
    """Return which part of what is of a stuff of its own (metal, weave, glass) is answered by nothing of that stuff."""
    areas: dict[str, float] = {}
    bearers: dict[str, set[str]] = {}
    for one in seen:
        if one.item.shown_finish in STUFFS:
            areas[one.item.shown_finish] = areas.get(one.item.shown_finish, 0.0) + one.area
            bearers.setdefault(one.item.shown_finish, set()).add(one.item.set or one.root)
    alone = sum(area for stuff, area in areas.items() if len(bearers[stuff]) == 1)
    return alone / sum(areas.values()) if areas else 0.0


def _answers_near(things: dict[str, list[PlacedItem]], seen: list[PlacedItem]) -> float:
    """Return how near a hue is answered, 0 to 1: beside itself it is a patch, across the piece it ties."""
    wide = max(one.right for one in seen) - min(one.left for one in seen)
    high = max(one.top for one in seen) - min(one.bottom for one in seen)
    reach = ACROSS * math.hypot(wide, high)
    near = []
    for bearers in things.values():
        if len({one.root for one in bearers}) > 1:
            far = max(
                math.hypot(one.x - other.x, (one.bottom + one.top - other.bottom - other.top) / 2)
                for one, other in combinations(bearers, 2)
            )
            near.append(max(1 - far / max(reach, 1.0), 0.0))
    return sum(near) / len(near) if near else HALF_NEAR
