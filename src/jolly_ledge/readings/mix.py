"""Mix: variety of finishes, of silhouettes, of upright against flat."""

import math
from collections import Counter
from collections.abc import Iterable

from jolly_ledge.geometry.arrangement import Arrangement, Unit
from jolly_ledge.measures.habits import habits_of
from jolly_ledge.measures.score import mean, score_of
from jolly_ledge.measures.set_variety import SetVariety, varieties_of
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import percent
from jolly_ledge.model.words import GREENERY
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.scene.marks import TOUCH, marks_of

ID = "mix"
BAND = (0.75, 1.0)
FINISH_PART, SHAPE_PART, POSE_PART = 0.5, 0.3, 0.2
WANTED = 0.55
"""So much of the entropy of evenly mixed kinds is enough; a calm look has a ruling stuff."""

FEWEST, EVENER_MIX_COST = 2, 0.07
ALIKE_WITHIN_COST, TOLD_FROM = 0.6, 0.5
"""Within a nest or a collection heights and outlines vary; from the second on it is told that they do not."""

STUFF_COST, OUTLINE_COST, LEAVES_COST, HABITS_COST = 0.4, 0.7, 0.12, 0.8
HABIT_KEPT, HABIT_GRAVITY = 0.9, 0.7
"""Below the first share a habit that is not kept is told."""


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read how varied the units are in touch, outline and pose: entropy against what the count allows.

    What the manner asks of books and greenery takes from the score where it is not kept. Left out with
    fewer than three units.
    """
    units = [unit for unit in arrangement.units if not unit.lead.ledge.is_wall]
    hung = [one for one in arrangement.visible if one.placement.pose == "hung"]
    if len(units) + len(hung) < FEWEST or not units:
        return None
    kinds = (
        ([TOUCH[unit.lead.item.shown_finish] for unit in units], 3), ([unit.lead.shape for unit in units], 4),
        ([_lies(unit) for unit in units], 2),
    )  # fmt: skip
    touch, shapes, poses = (_variety(*one) for one in kinds)
    value = FINISH_PART * touch + SHAPE_PART * shapes + POSE_PART * poses
    habits = habits_of(arrangement, manner)
    kept = mean([habit.share for habit in habits])
    findings = tuple(
        Finding(ID, habit.placements, habit.sentence, (1 - habit.share) * HABIT_GRAVITY)
        for habit in habits
        if habit.share < HABIT_KEPT
    )
    if touch < 0.4:
        kind = Counter(TOUCH[unit.lead.item.shown_finish] for unit in units).most_common(1)[0][0]
        findings += (
            Finding(
                ID,
                tuple(identifier for unit in units for identifier in unit.ids),
                f"The whole is nearly all {kind} to the touch; set something "
                f"{'smooth or plain' if kind == 'rough' else 'rough or woven'} among it.",
                0.5,
            ),
        )
    sets = tuple(varieties_of(arrangement))
    findings += tuple(_of_one_size(one) for one in sets if one.sameness > TOLD_FROM)
    stuffs = _variety((m.stuff for m in marks_of(arrangement) if m.unit == m.id and not m.placed.ledge.is_wall), 4)
    loss = 1 - value + HABITS_COST * (1 - kept) + STUFF_COST * (1 - stuffs) + OUTLINE_COST * _one_outline(arrangement)
    # What is mixed enough may be more evenly mixed.
    loss += EVENER_MIX_COST * (1 - mean([_evenness(*one) for one in kinds]))
    loss += ALIKE_WITHIN_COST * max((one.sameness for one in sets), default=0.0)
    loss += LEAVES_COST * (not any(one.item.category in GREENERY for one in arrangement.visible))
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 1.0),
        score=score_of(loss),
        loss=loss,
        shown="varied" if value >= BAND[0] else percent(value),
        sentence=f"Finishes are mixed to {percent(touch)}, silhouettes to {percent(shapes)}, upright against flat to "
        f"{percent(poses)} of what is wanted.",
        contributions=tuple((unit.lead.id, 1 / len(units)) for unit in units),
        findings=findings,
    )


def _of_one_size(within: SetVariety) -> Finding:
    """Return what is found where the members of a set that is meant to vary do not."""
    ids = tuple(placed.id for placed in within.members)
    of = "height" if within.sense == "nest" else "height and outline"
    said = (
        f"The {within.sense} {within.name} is all of one {of}; take a larger and a smaller one into it, or raise one."
    )
    return Finding(ID, ids, said, within.sameness)


def _one_outline(arrangement: Arrangement) -> float:
    """Return how far round or straight outlines rule alone, 0 to 1; furniture without shelves is one more.

    What hangs counts, and a large thing counts more than a small one, by the root of its area.
    """
    round_ones = straight = 0.0
    for mark in marks_of(arrangement):
        side = math.sqrt(mark.placed.width * mark.placed.height)
        round_ones += side * mark.is_round
        straight += side * (not mark.is_round)
    if all(ledge.clearance is None for ledge in arrangement.standing_ledges):
        straight += math.sqrt(arrangement.piece.width * arrangement.piece.height)
    share = round_ones / (round_ones + straight)
    return (1 - 4 * share * (1 - share)) ** 2


def _lies(unit: Unit) -> str:
    flat = unit.lead.placement.pose == "flat" or unit.lead.height < 0.6 * unit.lead.width
    return "flat" if flat else "upright"


def _variety(kinds: Iterable[str], most: int) -> float:
    """Return the entropy of kinds over what is wanted for their count, at most 1.

    >>> _variety(["a", "a", "a"], 3), _variety(["a", "b", "c"], 3)
    (0.0, 1.0)
    """
    return min(_evenness(kinds, most) / WANTED, 1.0)


def _evenness(kinds: Iterable[str], most: int) -> float:
    """Return the entropy of kinds over that of as many kinds as there can be, evenly mixed, at most 1."""
    counts = list(Counter(kinds).values())
    whole = sum(counts)
    entropy = sum(-count / whole * math.log(count / whole) for count in counts)
    return min(abs(entropy) / math.log(min(whole, most)), 1.0) if whole > 1 else 1.0
