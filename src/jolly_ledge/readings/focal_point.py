"""Focal point: whether one thing leads the piece, and no other rivals it."""

from functools import lru_cache

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.measures.score import score_of, smooth_step
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import percent
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.scene.marks import Mark, marks_of

ID = "focal-point"
BAND = (0.0, 0.8)
RIVAL, RIVAL_WIDTH = 0.9, 0.3
"""A second thing of so much of the weight of the first is half a rival."""

STORED, STORED_WIDTH, STORED_COST = 1.25, 0.6, 0.4
FEW, SECOND_COST = 2, 0.1
LIT = 1.2
"""What gives light draws the eye by so much more than its size and tone."""


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read the visual weight of the second strongest thing against the first; storage and devices never lead.

    A pair or set leads together, and so do two of a kind about the middle. Where a box or a machine is plainly the
    heaviest thing there is no lead at all. The value is the share the second has of the first.

    >>> from jolly_ledge.readings.example import look_of, shelves, stand
    >>> things = stand(200, 200, 300, category="vessel"), stand(500, 100, 100, category="vessel")
    >>> look = look_of(shelves(), *things)
    >>> round(read(look, look.manner).value, 2)
    0.17
    """
    marks = marks_of(arrangement)
    # A picture over all of it is the backdrop of those that stand before it: it leads where nothing stands.
    marks = tuple(mark for mark in marks if mark.placed.placement.pose != "hung") or marks
    leads = sorted((mark for mark in marks if mark.may_lead), key=lambda mark: (-_draw(mark), mark.id))
    if len(marks) < FEW or not leads:
        return None
    first = leads[0]
    most = max(_draw(first), 1.0)
    second = next((one for one in leads[1:] if not _together(first.placed, one.placed)), None)
    value = _draw(second) / most if second is not None else 0.0
    stored = max((mark.weight for mark in marks if not mark.may_lead), default=0.0) / most
    rivalry = smooth_step(value, RIVAL, RIVAL_WIDTH)
    swamped = smooth_step(stored, STORED, STORED_WIDTH)
    loss = rivalry + STORED_COST * swamped + SECOND_COST * value
    findings: tuple[Finding, ...] = ()
    if second is not None and rivalry > 0.6:
        said = (
            f"The {first.item.label} and the {second.item.label} are equally strong; let one of them lead: move the "
            "other to a side, lower it or take it away."
        )
        findings = (Finding(ID, (first.id, second.id), said, 0.5 * rivalry),)
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 1.0),
        score=score_of(loss),
        shown=f"{first.item.label}"[:14],
        sentence=f"The {first.item.label} leads"
        + (f"; the next, the {second.item.label}, has {percent(value)} of its weight." if second is not None else "."),
        contributions=tuple((one.id, _draw(one) / most) for one in leads[:4]),
        findings=findings,
        loss=loss,
    )


def _draw(mark: Mark) -> float:
    """Return how strongly a mark draws the eye."""
    return mark.weight * (LIT if mark.item.category == "lamp" else 1.0)


@lru_cache(maxsize=4096)
def _together(one: PlacedItem, other: PlacedItem) -> bool:
    """Tell whether two things lead as one: of a set, on each other, or two of a kind."""
    same_set = bool(one.item.set) and one.item.set == other.item.set
    twins = one.item.category == other.item.category and abs(one.height - other.height) < 0.05 * one.height
    return same_set or one.root == other.root or (twins and one.item.name == other.item.name)
