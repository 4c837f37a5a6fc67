"""Moves by which things come nearer to each other, apart, or onto one tray; and leads that change places."""

from collections.abc import Iterator

from jolly_ledge.edits.placements import MovePlacement, PutInside
from jolly_ledge.edits.together import Together
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem, Unit
from jolly_ledge.model.look import Look
from jolly_ledge.proposals.move import Move, moved, swapped

CLOSE_GAP_MM, OVERLAP, APART_IN_DEPTH_MM = 10.0, 0.15, 40.0
"""Things in one line are closed up to a finger's breadth; where one stands before the other they overlap a little."""

ON_A_TRAY, MOST_LEADS, FEWEST_SPREAD = 0.8, 3, 3
NEVER_LEADS = frozenset({"appliance", "supplies", "textile", "basket", "book-row"})
"""Storage, devices and rows of books lead nothing."""

END_SHARE = 0.6
"""Before the first and behind the last there is so much of the rest between two."""


def moves_together(look: Look, arrangement: Arrangement, placed: PlacedItem) -> Iterator[Move]:
    """Yield moves of a thing that stands, with regard to what stands beside it."""
    if placed.placement.host is not None:
        return
    roots = [
        one for one in arrangement.by_ledge.get(placed.ledge.id, ())
        if one.placement.host is None and one.placement.pose not in ("hung", "draped")
    ]  # fmt: skip
    roots.sort(key=lambda one: one.left)
    yield from _closed_up(look, placed, [one for one in roots if one.id != placed.id])
    yield from _spread_out(look, placed, roots)
    yield from _onto_a_tray(look, arrangement, placed)
    yield from _leads_changed(look, arrangement, placed)


def _closed_up(look: Look, placed: PlacedItem, others: list[PlacedItem]) -> Iterator[Move]:
    """Move a thing up to its neighbour at the left and at the right."""
    at_left = max((one for one in others if one.x < placed.x), key=lambda one: one.right, default=None)
    at_right = min((one for one in others if one.x > placed.x), key=lambda one: one.left, default=None)
    for other, side in ((at_left, 1), (at_right, -1)):
        if other is None:
            continue
        is_before = min(placed.back, other.back) - max(placed.front, other.front) <= 0
        narrower = min(placed.width, other.width)
        gap = -OVERLAP * narrower if is_before and abs(placed.z - other.z) > APART_IN_DEPTH_MM else CLOSE_GAP_MM
        edge = other.right if side > 0 else other.left
        x = edge + side * (gap + placed.width / 2)
        if abs(x - placed.x) > CLOSE_GAP_MM:
            label = f"Close the {placed.item.label} up to the {other.item.label}"
            yield Move("close", label, _shifted(look, placed, x - placed.x))


def _spread_out(look: Look, placed: PlacedItem, roots: list[PlacedItem]) -> Iterator[Move]:
    """Give all that stands on a ledge, in the order in which it stands, rest of one width between."""
    rest = placed.ledge.width - sum(one.width for one in roots)
    if len(roots) < FEWEST_SPREAD or rest <= 0 or any(one.placement.locked for one in roots):
        return
    between = rest / (len(roots) - 1 + 2 * END_SHARE)
    edge = placed.ledge.left + END_SHARE * between
    edits = []
    for one in roots:
        if abs(edge - one.left) > 1:
            edits.append(_shifted(look, one, edge - one.left))
        edge += one.width + between
    if edits:
        label = f"Spread out what stands on {placed.ledge.label}"
        yield Move("spread", label, Together(edits=tuple(edits), label=label))


def _onto_a_tray(look: Look, arrangement: Arrangement, placed: PlacedItem) -> Iterator[Move]:
    """Set a small thing on a tray of its ledge."""
    for tray in arrangement.by_ledge.get(placed.ledge.id, ()):
        deep, room = placed.back - placed.front, tray.back - tray.front
        is_small = placed.width <= ON_A_TRAY * tray.width and deep <= ON_A_TRAY * room
        if tray.item.category == "tray" and tray.id != placed.id and is_small and not _carries(arrangement, placed):
            edit = PutInside(
                look=look.id, item=placed.item.id, host=tray.id, name=placed.item.label, host_name=tray.item.label
            )
            yield Move("tray", f"Set the {placed.item.label} on the {tray.item.label}", edit)


def _may_lead(placed: PlacedItem) -> bool:
    return placed.item.category not in NEVER_LEADS and "hide" not in placed.item.traits


def _lead(units: tuple[Unit, ...]) -> PlacedItem:
    return max(units, key=lambda unit: unit.area).lead


def _carries(arrangement: Arrangement, placed: PlacedItem) -> bool:
    return any(other.placement.host == placed.id for other in arrangement.placed_items)


def _shifted(look: Look, placed: PlacedItem, by: float) -> MovePlacement:
    return moved(look, placed, placed.ledge, (placed.placement.x or 0.0) + by, placed.placement.z or 0.0)


def _leads_changed(look: Look, arrangement: Arrangement, placed: PlacedItem) -> Iterator[Move]:
    """Let the lead of a group and those of other groups change places."""
    groups = [group for group in arrangement.vignettes if group.units]
    own = next((group for group in groups if placed.id in group.ids), None)
    if own is None or _lead(own.units).id != placed.id or not _may_lead(placed):
        return
    leads = [_lead(group.units) for group in groups if group is not own]
    free = [one for one in leads if one.placement.host is None and not one.placement.locked and _may_lead(one)]
    for other in sorted(free, key=lambda one: (abs(one.width - placed.width), one.id))[:MOST_LEADS]:
        label = f"Let the {placed.item.label} and the {other.item.label} lead in each other's place"
        yield Move("leads", label, swapped(look, placed, other))
