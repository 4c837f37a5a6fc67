"""Where a thing would come to stand when it is let go at a point."""

from collections.abc import Sequence

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.geometry.arrangement import SHOWN_INSIDE, Arrangement, PlacedItem
from jolly_ledge.geometry.leaning import lean_z
from jolly_ledge.geometry.pose import Extent, extent
from jolly_ledge.model.item import Item
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import CONTAINERS, WALL_CATEGORIES, Pose

SNAP_MM = 5.0
REACH_BELOW_MM = 70.0
"""A thing let go a little under a board still lands on it."""

RISE_MM = 40.0
"""A thing let go a little under the top of a riser still lands on it."""

SIDE_REACH_MM = 40.0
CARRIERS = frozenset({"book-stack", "tray", "textile", "board"})


class Spot(Struct, frozen=True, kw_only=True):
    """Where something is put: a ledge, a point of it, and what it stands on (mm)."""

    ledge: str
    x: float
    z: float
    on: str | None = None
    y: float | None = None


class Landing(Struct, frozen=True):
    """A spot, and the container the thing goes into, if any."""

    spot: Spot
    inside: str | None = None


class Held(Struct, frozen=True):
    """A thing in the hand: the middle of its foot is at ``x``, ``base`` (piece mm, y up)."""

    item: Item
    pose: Pose
    turn: float
    x: float
    base: float
    z: float | None = None
    ignored: frozenset[str] = frozenset()

    @property
    def size(self) -> Extent:
        """The room it takes."""
        return extent(self.item, self.pose, self.turn)


def find_landing(arrangement: Arrangement, held: Held) -> Landing | None:
    """Return where a held thing would land, or None when it is outside the piece."""
    ledge = _ledge_under(arrangement, held)
    if ledge is None:
        return None
    if ledge.is_wall:
        y = _snapped(max(held.base - ledge.floor, 0.0))
        return Landing(Spot(ledge=ledge.id, x=_along(ledge, held), z=0.0, y=y))
    others = [
        placed
        for placed in arrangement.visible
        if placed.ledge.id == ledge.id
        and placed.id not in held.ignored
        and placed.placement.pose not in ("hung", "draped")
        and placed.left <= held.x <= placed.right
    ]
    container = _container(others, held)
    if container is not None:
        spot = Spot(ledge=ledge.id, x=container.x - ledge.left, z=container.z)
        return Landing(spot, inside=container.id)
    carrier = max(
        (placed for placed in others if carries(placed) and placed.top <= held.base + RISE_MM),
        key=lambda placed: placed.top,
        default=None,
    )
    if carrier is not None:
        x = _edge_snapped(min(max(held.x, carrier.left), carrier.right) - ledge.left, held.size.width)
        return Landing(Spot(ledge=ledge.id, x=x, z=carrier.z, on=carrier.id))
    beside = [s for s in arrangement.placed_items if s.ledge.id == ledge.id and s.id not in held.ignored]
    return Landing(Spot(ledge=ledge.id, x=_along(ledge, held), z=_depth(ledge, held, beside)))


def carries(placed: PlacedItem) -> bool:
    """Tell whether other things can stand on one: flat books, stacks, lidded boxes, trays, bases."""
    item = placed.item
    if item.category in CARRIERS or "base" in item.traits:
        return True
    if item.category == "box":
        return "lidded" in item.traits
    return placed.placement.pose == "flat" and (item.is_book or item.category in WALL_CATEGORIES)


def holds(host: Item, item: Item) -> bool:
    """Tell whether one thing can go inside another: a vessel takes what shows above its rim."""
    if host.category == "vessel":
        return item.category in SHOWN_INSIDE
    return host.category in CONTAINERS


def _container(others: list[PlacedItem], held: Held) -> PlacedItem | None:
    """Return the vessel that stems or utensils go into."""
    if held.item.category not in SHOWN_INSIDE - {"plant"}:
        return None
    vessels = [
        s for s in others if s.item.category in ("vessel", "bowl", "basket") and held.base > s.bottom - REACH_BELOW_MM
    ]
    return max(vessels, key=lambda placed: placed.top, default=None)


def free_vessel(arrangement: Arrangement, item: Item, ledge: Ledge) -> PlacedItem | None:
    """Return the vessel on a ledge in which stems or utensils would stand best: an empty one, the widest that is clear.

    None where there is none, and for what stands by itself.
    """
    if item.category not in SHOWN_INSIDE - {"plant"}:
        return None
    filled = {placed.placement.inside for placed in arrangement.placed_items}
    most = float("inf") if ledge.clearance is None else ledge.floor + ledge.clearance
    empty = [
        placed for placed in arrangement.visible
        if placed.ledge.id == ledge.id and placed.item.category == "vessel" and placed.id not in filled
        and "lidded" not in placed.item.traits and placed.top + item.height <= most
    ]  # fmt: skip
    return max(empty, key=lambda placed: placed.width, default=None)


def _ledge_under(arrangement: Arrangement, held: Held) -> Ledge | None:
    found: list[Ledge] = []
    for ledge in arrangement.piece.ledges:
        if ledge.is_wall and held.item.category not in WALL_CATEGORIES | {"hanging", "textile"}:
            continue
        if not ledge.left - SIDE_REACH_MM <= held.x <= ledge.right + SIDE_REACH_MM:
            continue
        top = ledge.floor + (ledge.clearance if ledge.clearance is not None else 2_000.0)
        if ledge.floor - REACH_BELOW_MM <= held.base < top:
            found.append(ledge)
    placed = [ledge for ledge in found if not ledge.is_wall or held.base > ledge.floor + 150]
    return max(placed, key=lambda ledge: (ledge.floor, ledge.is_wall), default=None)


def _along(ledge: Ledge, held: Held) -> float:
    half = held.size.width / 2
    x = held.x - ledge.left
    if 2 * half <= ledge.width:
        x = min(max(x, half), ledge.width - half)
    return _edge_snapped(x, 2 * half)


def _depth(ledge: Ledge, held: Held, others: Sequence[PlacedItem] = ()) -> float:
    depth = held.size.depth
    if held.z is not None:
        return min(max(held.z, depth / 2), max(ledge.depth - depth / 2, depth / 2))
    if held.pose == "leaning":
        return lean_z(ledge, _along(ledge, held), held.size.width, depth, others)
    if held.item.category in WALL_CATEGORIES:
        return max(ledge.depth - depth / 2, depth / 2)
    return max(_edge_snapped(ledge.depth / 2, depth), depth / 2)


def _snapped(length: float) -> float:
    return round(length / SNAP_MM) * SNAP_MM


def _edge_snapped(middle: float, size: float) -> float:
    """Return the middle moved so that the left or front edge lies on a step of the tape."""
    return _snapped(middle - size / 2) + size / 2


def free_spot(arrangement: Arrangement, item: Item, pose: Pose, ledge: Ledge) -> Spot:
    """Return the middle of the widest free stretch of a ledge for a thing that arrives by key."""
    size = extent(item, pose)
    held = Held(item, pose, 0.0, ledge.left, ledge.floor)
    if ledge.is_wall:
        return Spot(ledge=ledge.id, x=ledge.width / 2, z=0.0, y=200.0)
    taken = sorted(
        (s.left - ledge.left, s.right - ledge.left)
        for s in arrangement.visible
        if s.ledge.id == ledge.id and s.placement.pose != "hung"
    )
    edges, start = [], 0.0
    for left, right in taken:
        edges.append((left - start, start, left))
        start = max(start, right)
    edges.append((ledge.width - start, start, ledge.width))
    _, left, right = max(edges)
    x = min(max((left + right) / 2, size.width / 2), max(ledge.width - size.width / 2, size.width / 2))
    placed = [s for s in arrangement.placed_items if s.ledge.id == ledge.id]
    return Spot(
        ledge=ledge.id, x=_edge_snapped(x, size.width), z=_depth(ledge, replace(held, x=ledge.left + x), placed)
    )
