"""Where a thing that is let go slides to when the place is taken: the nearest free one within a hand's breadth."""

import math
from collections.abc import Sequence

from msgspec.structs import replace

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.bodies import in_one_place
from jolly_ledge.geometry.landing import Held, Spot
from jolly_ledge.geometry.pose import seen_shape
from jolly_ledge.model.look import Placement

HAND_MM = 100.0
APART_MM = 2.0
"""What slides clear of another thing comes to stand so far beside it."""

BEHIND = 1.6
"""Behind another thing it would be hidden: that way counts so much longer."""


def slid_clear(arrangement: Arrangement, held: Held, spot: Spot) -> Spot:
    """Return the spot, or the nearest one on the same ledge where the held thing shares no room with another.

    Parameters
    ----------
    arrangement : Arrangement
        The look.
    held : Held
        What is let go; what it ignores is no obstacle.
    spot : Spot
        Where it would land (mm).

    Returns
    -------
    Spot
        The same spot where it is free, where what is held leans or hangs, or where there is no room within a hand's
        breadth (100 mm).
    """
    if spot.on is not None or spot.y is not None or held.pose == "leaning":
        return spot
    body = _body_at(arrangement, held, spot)
    there = arrangement.by_ledge.get(spot.ledge, ())
    others = [other for other in there if other.id not in held.ignored and _is_obstacle(other) and _near(body, other)]
    if not _is_taken(body, others):
        return spot
    free = [(away, x, z) for away, x, z in _candidates(body, others) if not _is_taken(_moved(body, x, z), others)]
    if not free:
        return spot
    _, x, z = min(free)
    return replace(spot, x=x - body.ledge.left, z=z)


def _body_at(arrangement: Arrangement, held: Held, spot: Spot) -> PlacedItem:
    ledge, size = arrangement.piece.ledge(spot.ledge), held.size
    placement = Placement(
        id="held", item=held.item.id, ledge=spot.ledge, x=spot.x, z=spot.z, pose=held.pose, turn=held.turn
    )
    middle = ledge.left + spot.x
    return PlacedItem(
        id=placement.id, placement=placement, item=held.item, ledge=ledge, left=middle - size.width / 2,
        right=middle + size.width / 2, bottom=ledge.floor, top=ledge.floor + size.height,
        front=spot.z - size.depth / 2, back=spot.z + size.depth / 2, root=placement.id, depth_order=0, hidden=False,
        shape=seen_shape(held.item, held.pose), area=size.width * size.height,
    )  # fmt: skip


def _is_obstacle(other: PlacedItem) -> bool:
    return not other.hidden and other.placement.pose not in ("hung", "draped", "leaning")


def _near(body: PlacedItem, other: PlacedItem) -> bool:
    """Tell whether a thing may stand in the way somewhere within a hand's breadth."""
    return body.left - HAND_MM < other.right and other.left < body.right + HAND_MM and other.bottom < body.top


def _is_taken(body: PlacedItem, others: Sequence[PlacedItem]) -> bool:
    return any(in_one_place(body, other) for other in others)


def _moved(body: PlacedItem, x: float, z: float) -> PlacedItem:
    """Return a body with its middle at a place of the piece."""
    along, deep = x - body.x, z - body.z
    return replace(
        body, left=body.left + along, right=body.right + along, front=body.front + deep, back=body.back + deep
    )


def _candidates(body: PlacedItem, others: Sequence[PlacedItem]) -> list[tuple[float, float, float]]:
    """Return places (how far away, x, z; mm) where the body just clears what is near, on the ledge and within reach."""
    ledge = body.ledge
    half, deep = body.width / 2, (body.back - body.front) / 2
    across, into = {body.x}, {body.z}
    for other in others:
        across |= {other.left - half - APART_MM, other.right + half + APART_MM}
        into |= {other.front - deep - APART_MM, other.back + deep + APART_MM}
    found = []
    for x in across:
        if not ledge.left - 0.5 <= x - half or x + half > ledge.right + 0.5:
            continue
        for z in into:
            within = math.hypot(x - body.x, z - body.z) <= HAND_MM
            if within and deep - 0.5 <= z <= ledge.depth - deep + 0.5:
                back = max(z - body.z, 0.0) * (BEHIND - 1)
                found.append((math.hypot(x - body.x, abs(z - body.z) + back), x, z))
    return found
