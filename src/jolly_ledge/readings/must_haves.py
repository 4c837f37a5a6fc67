"""Must-haves: what must be there, hidden, in reach or near a socket, and whether it is."""

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.plugs import plugs_of
from jolly_ledge.geometry.sockets import usual_cord
from jolly_ledge.measures.kits import needs_of, unmet_needs
from jolly_ledge.measures.score import mean, score_of, smooth_step
from jolly_ledge.measures.tasks import tasks_heard
from jolly_ledge.measures.wishes import hear
from jolly_ledge.model.belonging import Verdict, verdict_on
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Manner
from jolly_ledge.model.phrases import counted, percent
from jolly_ledge.model.words import GATHERING
from jolly_ledge.readings.reading import Finding, Reading
from jolly_ledge.scene.marks import marks_of

ID = "must-haves"
BAND = (0.99, 1.0)
REACH_LOW_MM, REACH_HIGH_MM = 350.0, 1750.0
"""Daily things neither on the floor nor overhead."""

EASE_MM, TOLD_BELOW = 300.0, 0.75

GATHERED_SCORE, LACKING = 0.4, 0.8
MASKED_SHARE = 0.5
"""What is masked shows by no more than half: its outline is broken."""

UNMET_COST, STRANGER, MANY_STRANGERS = 1.2, 0.5, 2.5
STRANGENESS: dict[Verdict, float] = {"belongs": 0.0, "may": 0.02, "seldom": 0.15, "by-hand": 0.15, "asked": 0.6}
"""What it costs that a thing stands where it seldom does, or where it comes only when asked."""
DEMANDING = frozenset(("hide", "mask", "daily-use", "grab", "corded"))


def read(arrangement: Arrangement, manner: Manner) -> Reading | None:
    """Read every demand of the things, every wish for the piece, its tasks and what its use asks for.

    The value is the share met. Left out where nothing is demanded: nothing to keep or hide, nothing of daily use, no
    cord, no wish, no task, no kit.

    >>> from jolly_ledge.readings.example import look_of, shelves, stand
    >>> look = look_of(shelves(), stand(400, 100, 50, traits=("hide",)))
    >>> read(look, look.manner).value
    0.0
    """
    met: dict[str, float] = {}
    findings: list[Finding] = []
    for placed in arrangement.placed_items:
        if DEMANDING.isdisjoint(placed.item.traits):
            continue
        demands = _demands(placed, arrangement)
        if demands:
            met[placed.id] = mean([score for score, _ in demands])
            findings += [
                Finding(ID, (placed.id,), sentence, 1 - score) for score, sentence in demands if score < TOLD_BELOW
            ]
    for wish in (*hear(arrangement), *tasks_heard(arrangement)):
        key = wish.placements[0]
        met[key] = min(met.get(key, 1.0), 1.0 if wish.met else 0.0)
        if not wish.met:
            findings.append(Finding(ID, wish.placements, wish.sentence, 1.0))
    findings += [Finding(ID, (), _awaited(item, arrangement), 1.0) for item in arrangement.awaited]
    lacking = unmet_needs(arrangement)
    findings += [Finding(ID, (), need.missing, LACKING, asks="more") for need in lacking]
    answered = len(needs_of(arrangement.piece)) - len(lacking) if arrangement.visible else 0
    scores = [
        *met.values(),
        *(0.0 for _ in arrangement.awaited),
        *(0.0 for _ in lacking),
        *(1.0 for _ in range(answered)),
    ]
    strangers = [(one, cost) for one in arrangement.visible if (cost := _stranger(one, arrangement)) > 0]
    findings += [
        Finding(ID, (one.id,), _does_not_belong(one, arrangement), 0.6) for one, cost in strangers if cost >= STRANGER
    ]
    if not scores and not strangers:
        return None
    value = mean(scores)
    strange = sum(cost for _, cost in strangers)
    loss = UNMET_COST * sum(1 - score for score in scores) / max(len(scores), 1) ** 0.5
    loss += MANY_STRANGERS * strange / (MANY_STRANGERS + strange)
    unmet = sum(1 for share in scores if share < TOLD_BELOW)
    return Reading(
        id=ID,
        value=value,
        band=BAND,
        limits=(0.0, 1.0),
        score=score_of(loss),
        loss=loss,
        shown="all met" if not unmet else f"{unmet} unmet",
        sentence="All that must be here, hidden or reached is, and what its use asks for."
        if not unmet
        else f"Of {len(scores)} demands of the things, the wishes and the use {counted(unmet, 'is', 'are')} not met.",
        contributions=(*met.items(), *((one.id, -cost) for one, cost in strangers if one.id not in met)),
        findings=tuple(findings),
    )


def _stranger(one: PlacedItem, arrangement: Arrangement) -> float:
    """Return what it costs that a thing does not belong where it stands, by hand as well as by proposal."""
    if (
        "mask" in one.item.traits
        or one.ledge.is_wall
        or one.depth_order
        or one.placement.pose in ("hung", "draped")
        or one.placement.locked
    ):
        return 0.0
    # What is stored, collected or left is there because somebody means it so.
    if arrangement.piece.id in one.item.meant_for or one.ledge.meant.purpose in ("store", "collection", "leave"):
        return 0.0
    return STRANGENESS[verdict_on(one.item, arrangement.piece, one.ledge)[0]]


def _does_not_belong(one: PlacedItem, arrangement: Arrangement) -> str:
    reason = verdict_on(one.item, arrangement.piece, one.ledge)[1]
    return f"The {one.item.label} does not belong on {one.ledge.label} by itself: {reason[:1].lower()}{reason[1:]}"


def _awaited(item: Item, arrangement: Arrangement) -> str:
    where = f" in the {item.room}" if item.room else " in the stash"
    return f"The {item.label} must be kept on {arrangement.piece.label} and is still{where}; find it a place first."


def _demands(placed: PlacedItem, arrangement: Arrangement) -> list[tuple[float, str]]:
    """Return what a thing demands: how far that is met, and what to say where it is not."""
    found = (
        _hidden(placed, arrangement),
        _masked(placed, arrangement),
        _reached(placed, arrangement),
        _plugged_in(placed, arrangement),
    )
    return [demand for demand in found if demand is not None]


def _hidden(placed: PlacedItem, arrangement: Arrangement) -> tuple[float, str] | None:
    if "hide" not in placed.item.traits:
        return None
    score = 1.0 if placed.hidden else GATHERED_SCORE if _is_gathered(placed, arrangement) else 0.0
    said = f"The {placed.item.label} is to be hidden and stands in sight on {placed.ledge.label}"
    return score, f"{said}; put it into a box or basket, or wholly behind something."


def _masked(placed: PlacedItem, arrangement: Arrangement) -> tuple[float, str] | None:
    if "mask" not in placed.item.traits:
        return None
    mark = next((mark for mark in marks_of(arrangement) if mark.placed.id == placed.id), None)
    shows = 0.0 if placed.hidden or mark is None else mark.in_sight
    name, where = placed.item.label, placed.ledge.label
    said = f"The {name} is to be masked and shows by {percent(shows)} on {where}; set leaves or an object before it."
    return 1 - max(shows - MASKED_SHARE, 0.0) / (1 - MASKED_SHARE), said


def _reached(placed: PlacedItem, arrangement: Arrangement) -> tuple[float, str] | None:
    traits = placed.item.traits
    if "daily-use" not in traits and "grab" not in traits:
        return None
    host = arrangement.by_id.get(placed.placement.inside or "")
    under_lid = host is not None and "lidded" in host.item.traits and "grab" in traits
    low, high = (REACH_LOW_MM - placed.bottom) / EASE_MM, (placed.bottom - REACH_HIGH_MM) / EASE_MM
    score = 0.3 if under_lid else 1 - 0.6 * max(smooth_step(low, 0.0, 1.0), smooth_step(high, 0.0, 1.0))
    problem = "lies under a lid" if under_lid else f"stands {round(placed.bottom / 10)} cm up"
    name, where = placed.item.label, placed.ledge.label
    return score, f"The {name} is used daily and {problem} on {where}; bring it within easy reach."


def _plugged_in(placed: PlacedItem, arrangement: Arrangement) -> tuple[float, str] | None:
    plug = next((one for one in plugs_of(arrangement) if one.placed.id == placed.id), None)
    if plug is None:
        return None
    away = plug.away
    name, where = placed.item.label, placed.ledge.label
    score = 1 - 0.6 * smooth_step(away / usual_cord(placed.item), 1.0, 0.8)
    return score, f"The {name} on {where} is {round(away / 10)} cm from the nearest socket; bring it nearer."


def _is_gathered(placed: PlacedItem, arrangement: Arrangement) -> bool:
    host = arrangement.by_id.get(placed.placement.host or "")
    return host is not None and host.item.category in GATHERING
