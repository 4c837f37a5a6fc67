"""Mend: for something that was found, the best few single moves, each with what it would change."""

from collections.abc import Iterable, Iterator

from msgspec import Struct

from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.model.arrangement import Arrangement, Standing, arrange
from jolly_ledge.model.edits.placements import MovePlacement, PlaceItem, ReturnToStash, SetPose, Spot
from jolly_ledge.model.edits.swap import SwapPlacements
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.history import Edit
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.pose import extent
from jolly_ledge.model.spots import carries, free_spot
from jolly_ledge.model.stash_order import fits
from jolly_ledge.readings.reading import Finding
from jolly_ledge.readings.register import Assessment, assess, read_one

MOST_MOVED, MOST_SWAPS, MOST_LEDGES, MOST_FETCHED = 3, 6, 5, 5
"""Bounds of the search: enough to find the move a stylist would try, few enough to answer at once."""

SHARES = (0.15, 0.35, 0.5, 0.65, 0.85)
NUDGES_MM = (-90.0, -45.0, 45.0, 90.0)
NOTICED = 0.003
STAYING = frozenset({"must-keep", "daily-use", "hide"})
"""What must be there is not taken away."""

WORTH_IT = 0.004
"""A move that gains less than half a point is none."""


class Mend(Struct, frozen=True):
    """One move: what it does, the edit, the score after it and every reading it changes (before, after)."""

    label: str
    edit: Edit
    look: Look
    gain: float
    changes: tuple[tuple[str, float, float], ...]


def finding_ids(assessment: Assessment) -> tuple[tuple[str, Finding], ...]:
    """Return the findings with ids of their own, gravest first: the reading's id and a number."""
    counts: dict[str, int] = {}
    found = []
    for finding in assessment.findings:
        counts[finding.reading] = counts.get(finding.reading, 0) + 1
        found.append((f"{finding.reading}-{counts[finding.reading]}", finding))
    return tuple(found)


def mends(plan: Plan, look: Look, finding: Finding, most: int = 3) -> tuple[Mend, ...]:
    """Return the best single moves for a finding, the greatest gain first; none when nothing helps.

    A move is offered only if the reading that was found at fault and the whole get better, and nothing
    would stand where it cannot. Locked things stay.
    """
    arrangement = arrange(plan, look)
    before = assess(arrangement)
    forbidden = _stops(arrangement)
    fault = before.reading(finding.reading)
    found: list[Mend] = []
    for label, edit in _moves(plan, look, arrangement, finding):
        after = _tried(plan, look, edit)
        if after is None:
            continue
        # The reading at fault alone rules most moves out, at a twentieth of the cost of all.
        mended = read_one(finding.reading, after)
        if mended is not None and fault is not None and mended.score <= fault.score + NOTICED:
            continue
        assessment = assess(after)
        gain = assessment.score - before.score
        if gain < WORTH_IT or _stops(after) - forbidden:
            continue
        found.append(Mend(label, edit, after.look, gain, _changes(before, assessment)))
    found.sort(key=lambda mend: (-mend.gain, mend.label))
    return tuple(_different(found))[:most]


def _tried(plan: Plan, look: Look, edit: Edit) -> Arrangement | None:
    try:
        changed = edit.apply(plan)
    except JollyLedgeError:
        return None
    return arrange(changed, changed.look(look.id))


def _stops(arrangement: Arrangement) -> set[tuple[str, frozenset[str]]]:
    return {(c.id, frozenset(c.placements)) for c in cautions_of(arrangement) if c.level == "stop"}


def _changes(before: Assessment, after: Assessment) -> tuple[tuple[str, float, float], ...]:
    earlier = {reading.id: reading.score for reading in before.readings}
    later = {reading.id: reading.score for reading in after.readings}
    pairs = ((name, earlier.get(name, 0.0), later.get(name, 0.0)) for name in {**earlier, **later})
    changed = [pair for pair in pairs if abs(pair[2] - pair[1]) >= 0.005]
    return tuple(sorted(changed, key=lambda pair: -abs(pair[2] - pair[1])))


def _different(found: list[Mend]) -> Iterator[Mend]:
    """Yield moves that differ in what they do with what: the same move a little farther is no second answer."""
    seen: set[str] = set()
    for mend in found:
        if mend.label not in seen:
            seen.add(mend.label)
            yield mend


def _moves(plan: Plan, look: Look, arrangement: Arrangement, finding: Finding) -> Iterator[tuple[str, Edit]]:
    """Yield single moves of the things a finding names, and of what the stash could bring."""
    roots = dict.fromkeys(
        arrangement.by_id[identifier].root for identifier in finding.placements if identifier in arrangement.by_id
    )
    moved = [arrangement.by_id[root] for root in roots if not arrangement.by_id[root].placement.locked]
    for standing in moved[:MOST_MOVED]:
        if standing.placement.pose in ("hung", "draped"):
            continue
        yield from _along(look, standing)
        yield from _elsewhere(look, arrangement, standing)
        yield from _swaps(look, arrangement, standing)
        yield from _raised(look, arrangement, standing)
        yield from _posed(look, standing)
        if STAYING & set(standing.item.traits):
            continue
        yield (
            f"Take the {standing.item.label} away",
            ReturnToStash(look=look.id, placements=(standing.id,), name=standing.item.label),
        )
    ledges = dict.fromkeys(standing.ledge for standing in moved)
    yield from _fetched(plan, look, arrangement, list(ledges)[:2])


def _along(look: Look, standing: Standing) -> Iterator[tuple[str, Edit]]:
    ledge, placement = standing.ledge, standing.placement
    x, z = placement.x or 0.0, placement.z or 0.0
    half, deep = standing.width / 2, (standing.back - standing.front) / 2
    spots = [ledge.width * share for share in SHARES] + [x + step for step in NUDGES_MM]
    for at in spots:
        held = min(max(at, half), max(ledge.width - half, half))
        side = "left" if held < x else "right"
        if abs(held - x) > 20:
            yield f"Move the {standing.item.label} to the {side}", _move(look, standing, ledge, held, z)
    for depth, word in ((ledge.depth - deep, "Push the {} back"), (deep + 15.0, "Bring the {} forward")):
        if abs(depth - z) > 20 and depth >= deep:
            yield word.format(standing.item.label), _move(look, standing, ledge, x, depth)


def _move(look: Look, standing: Standing, ledge: Ledge, x: float, z: float, on: str | None = None) -> MovePlacement:
    spot = Spot(ledge=ledge.id, x=float(round(x / 5) * 5), z=float(round(z / 5) * 5), on=on)
    return MovePlacement(look=look.id, placement=standing.id, spot=spot, name=standing.item.label)


def _elsewhere(look: Look, arrangement: Arrangement, standing: Standing) -> Iterator[tuple[str, Edit]]:
    others = [
        ledge for ledge in arrangement.standing_ledges if ledge.id != standing.ledge.id and fits(standing.item, ledge)
    ]
    others.sort(key=lambda ledge: len(arrangement.by_ledge.get(ledge.id, ())))
    for ledge in others[:MOST_LEDGES]:
        spot = free_spot(arrangement, standing.item, standing.placement.pose, ledge)
        edit = MovePlacement(look=look.id, placement=standing.id, spot=spot, name=standing.item.label)
        yield f"Carry the {standing.item.label} to {ledge.label}", edit


def _swaps(look: Look, arrangement: Arrangement, standing: Standing) -> Iterator[tuple[str, Edit]]:
    others = [
        other
        for other in arrangement.visible
        if other.placement.host is None
        and other.id != standing.id
        and not other.placement.locked
        and other.placement.pose not in ("hung", "draped")
        and other.item.category != standing.item.category
    ]
    others.sort(key=lambda other: (other.ledge.id == standing.ledge.id, abs(other.width - standing.width)))
    for other in others[:MOST_SWAPS]:
        edit = SwapPlacements(
            look=look.id, first=standing.id, second=other.id, first_name=standing.item.label,
            second_name=other.item.label,
        )  # fmt: skip
        yield f"Swap the {standing.item.label} and the {other.item.label}", edit


def _raised(look: Look, arrangement: Arrangement, standing: Standing) -> Iterator[tuple[str, Edit]]:
    size = extent(standing.item, standing.placement.pose, standing.placement.turn)
    for host in arrangement.by_ledge.get(standing.ledge.id, ()):
        free = not any(other.placement.host == host.id for other in arrangement.standings)
        roomy = host.width >= size.width - 40 and host.back - host.front >= size.depth - 40
        if host.id != standing.id and free and roomy and carries(host) and host.root != standing.id:
            x, z = host.placement.x or 0.0, host.placement.z or 0.0
            label = f"Raise the {standing.item.label} {round(host.height)} mm on the {host.item.label}"
            yield label, _move(look, standing, standing.ledge, x, z, on=host.id)


def _posed(look: Look, standing: Standing) -> Iterator[tuple[str, Edit]]:
    pose = standing.placement.pose
    if standing.item.category == "book" and pose != "flat":
        label = f"Lay the {standing.item.label} flat"
        yield label, SetPose(look=look.id, placements=(standing.id,), pose="flat", label=label)
    elif standing.item.category == "book":
        label = f"Stand the {standing.item.label} up"
        yield label, SetPose(look=look.id, placements=(standing.id,), pose="upright", label=label)


def _fetched(plan: Plan, look: Look, arrangement: Arrangement, ledges: Iterable[Ledge]) -> Iterator[tuple[str, Edit]]:
    """Yield things the stash could bring: owned, fitting, not standing in another look's piece, tallest first."""
    placed = {placement.item for other in plan.looks for placement in other.placements if other.piece != look.piece}
    placed |= {placement.item for placement in look.placements}
    for ledge in ledges:
        if ledge.is_wall:
            continue
        free = [item for item in plan.stash if item.id not in placed and _serves(item, ledge)]
        for item in sorted(free, key=lambda item: (-item.height, item.id))[:MOST_FETCHED]:
            spot = free_spot(arrangement, item, "upright", ledge)
            edit = PlaceItem(look=look.id, item=item.id, spot=spot, name=item.label)
            yield f"Bring the {item.label} to {ledge.label}", edit


def _serves(item: Item, ledge: Ledge) -> bool:
    known = item.status in ("owned", "borrowed") and "hide" not in item.traits
    return known and item.category not in ("stems", "hanging", "textile", "supplies") and fits(item, ledge)
