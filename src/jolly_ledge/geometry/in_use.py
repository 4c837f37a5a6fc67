"""The room a thing takes while it is used: its lid, door or drawer on its way, the hands about it, its turning."""

import math

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.bodies import carries
from jolly_ledge.model.kinds import KINDS
from jolly_ledge.model.use import UPRIGHT_LID, Hinge, Use

TOLERANCE_MM = 1.0
ARM_MM = 700.0
"""What is used together lies within the reach of an arm."""

SIDES: tuple[Hinge, ...] = ("front", "right", "back", "left")
"""Round a thing, seen from above; a quarter turn to the left brings each to the place of the next."""


class Swept(Struct, frozen=True):
    """A box that a part of a thing passes through: edges as those of a placed item (mm), and what passes.

    A round one fills the circle in its footprint only.
    """

    part: str
    left: float
    right: float
    bottom: float
    top: float
    front: float
    back: float
    is_round: bool = False


class Reach(Struct, frozen=True):
    """The circle of an arm about a thing: its middle (x, height over the floor; mm), what of its use is outside."""

    x: float
    height: float
    outside: tuple[PlacedItem, ...]


class Obstacle(Struct, frozen=True):
    """What keeps a thing from being used: a fixed side with what is short of it, or a thing that stands in the way."""

    part: str
    against: str
    short: float = 0.0
    placed: PlacedItem | None = None


def swept(placed: PlacedItem) -> tuple[Swept, ...]:
    """Return the boxes a thing needs while it is used, beside its own; none for what lies, leans or hangs."""
    use = placed.item.use
    if use is None or placed.hidden or placed.placement.pose != "upright":
        return ()
    bodies = [_opened(placed, use)] if use.opens else []
    if use.turns:
        bodies.append(_turned(placed))
    rooms: dict[Hinge, float] = {"back": 0.0, "front": use.before, "left": use.left, "right": use.right}
    if any(rooms.values()):
        bodies.append(
            _grown(placed, "the room beside it", {seen_side(placed, side): room for side, room in rooms.items()})
        )
    if use.above:
        bodies.append(_over(placed, "the room over it", use.above))
    return tuple(bodies)


def _opened(placed: PlacedItem, use: Use) -> Swept:
    """Return what a lid, a door or a drawer passes: a leaf that swings out by its length, past upright also beyond."""
    if use.opens == "drawer":
        return _grown(placed, "its drawer", {seen_side(placed, "front"): use.run or placed.item.depth})
    is_lid = use.opens == "lid"
    side: Hinge = use.hinge if is_lid or use.hinge in ("left", "right") else "left"
    leaf = placed.item.width if not is_lid or side in ("left", "right") else placed.item.depth
    angle = math.radians(min(use.angle, 180.0))
    out = leaf * (1.0 if use.angle >= UPRIGHT_LID else math.sin(angle))
    beyond = {seen_side(placed, side): leaf * max(-math.cos(angle), 0.0)}
    if is_lid:
        return _moved(_over(placed, "its lid", out), beyond)
    return _grown(placed, "its door", {**beyond, seen_side(placed, "front"): out})


def _turned(placed: PlacedItem) -> Swept:
    """Return the room of a turn on the spot: what is round takes no more than it has."""
    item = placed.item
    reach = (max(item.width, item.depth) if item.is_round else math.hypot(item.width, item.depth)) / 2
    x, z = placed.x, placed.z
    return Swept("it", x - reach, x + reach, placed.bottom, placed.top, z - reach, z + reach, is_round=True)


def reach_of(arrangement: Arrangement, placed: PlacedItem) -> Reach | None:
    """Return how far an arm reaches about a thing that is used with others; None where it is used alone."""
    along = placed.item.use.along if placed.item.use is not None else ()
    used = [other for other in arrangement.placed_items if other.item.id in along and not other.hidden]
    if placed.hidden or not used:
        return None
    outside = tuple(other for other in used if away_from(placed, other) > ARM_MM)
    return Reach(placed.x, placed.bottom, outside)


def away_from(placed: PlacedItem, other: PlacedItem) -> float:
    """Return how far a hand goes from the foot of a thing to that of another, along, up and in depth (mm)."""
    return math.hypot(other.x - placed.x, other.bottom - placed.bottom, other.from_wall - placed.from_wall)


def seen_side(placed: PlacedItem, side: Hinge) -> Hinge:
    """Return where a side of a thing is seen once it is turned, by whole quarters."""
    return SIDES[(SIDES.index(side) + round(placed.placement.turn / 90.0)) % 4]


def _over(placed: PlacedItem, part: str, by: float) -> Swept:
    return Swept(part, placed.left, placed.right, placed.top, placed.top + by, placed.front, placed.back)


def _grown(placed: PlacedItem, part: str, by: dict[Hinge, float]) -> Swept:
    own = Swept(part, placed.left, placed.right, placed.bottom, placed.top, placed.front, placed.back)
    return _moved(own, by)


def _moved(body: Swept, by: dict[Hinge, float]) -> Swept:
    return replace(
        body,
        left=body.left - by.get("left", 0.0),
        right=body.right + by.get("right", 0.0),
        front=body.front - by.get("front", 0.0),
        back=body.back + by.get("back", 0.0),
    )


def obstacles(arrangement: Arrangement, placed: PlacedItem) -> tuple[Obstacle, ...]:
    """Return what keeps a thing from being used where it stands: boards, sides, walls, and other things."""
    found: list[Obstacle] = []
    there = arrangement.by_ledge.get(placed.ledge.id, ())
    hosts = {other.id: other.placement.host for other in there}
    for body in swept(placed):
        found += _fixed(arrangement, placed, body)
        found += [
            Obstacle(body.part, other.item.label, placed=other)
            for other in there
            if other.id != placed.id and not other.hidden and not _lies_in(other, placed) and _meets(body, other)
            and not carries(other, placed, hosts)
        ]  # fmt: skip
    return tuple(found)


def _fixed(arrangement: Arrangement, placed: PlacedItem, body: Swept) -> list[Obstacle]:
    ledge, piece = placed.ledge, arrangement.piece
    short = []
    if ledge.clearance is not None:
        short.append(("what is over it", body.top - ledge.floor - ledge.clearance))
        if not KINDS[piece.kind].is_on_the_wall:
            short += [("the left side", ledge.left - body.left), ("the right side", body.right - ledge.right)]
    if piece.viewed_from == "front":
        short.append(("the wall behind" if ledge.clearance is None else "the back", body.back - ledge.depth))
    return [Obstacle(body.part, against, by) for against, by in short if by > TOLERANCE_MM]


def _meets(body: Swept, other: PlacedItem) -> bool:
    across = min(body.right, other.right) - max(body.left, other.left)
    deep = min(body.back, other.back) - max(body.front, other.front)
    up = min(body.top, other.top) - max(body.bottom, other.bottom)
    return min(across, deep, up) > TOLERANCE_MM and (not body.is_round or _reaches(body, other))


def _reaches(body: Swept, other: PlacedItem) -> bool:
    """Tell whether the circle in the footprint of a body reaches into the footprint of a thing."""
    x, z, reach = (body.left + body.right) / 2, (body.front + body.back) / 2, (body.right - body.left) / 2
    if other.item.is_round:
        away = math.hypot(other.x - x, other.z - z) - min(other.width, other.back - other.front) / 2
    else:
        # The nearest point of the footprint.
        along, into = min(max(x, other.left), other.right), min(max(z, other.front), other.back)
        away = math.hypot(along - x, into - z)
    return away < reach - TOLERANCE_MM


def _lies_in(other: PlacedItem, placed: PlacedItem) -> bool:
    return other.placement.inside == placed.id
