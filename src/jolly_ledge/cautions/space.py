"""Fit, collision and overhang: whether things can stand where they are drawn."""

import math
from collections.abc import Iterable
from functools import lru_cache
from itertools import combinations

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.stuff import speaks_of
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.bodies import carries, in_one_place

TOLERANCE_MM = 1.0
JUT_MM = 25.0
"""So far a thing may jut out over its support."""


def fit(arrangement: Arrangement) -> Iterable[Caution]:
    """Report things too tall, too wide or too deep for where they stand."""
    for placed in arrangement.visible:
        yield from _fit_of(placed)
    yield from _inside(arrangement)


@lru_cache(maxsize=8192)
def _fit_of(placed: PlacedItem) -> tuple[Caution, ...]:
    return tuple(_misfits(placed))


def _misfits(placed: PlacedItem) -> Iterable[Caution]:
    ledge, name = placed.ledge, placed.item.label
    if ledge.is_wall and placed.placement.pose != "hung":
        yield Caution(
            "fit",
            "stop",
            (placed.id,),
            f"The {name} stands where there is only a wall; hang it or move it to a ledge.",
        )
        return
    over = placed.top - ledge.floor - ledge.clearance if ledge.clearance is not None else 0.0
    if over > TOLERANCE_MM:
        yield Caution(
            "fit",
            "stop",
            (placed.id,),
            f"{_capital(name)}: no room on {ledge.label}; the top is {_mm(over)} over the clearance "
            f"of {_mm(ledge.clearance or 0)}.",
        )
    if placed.depth_order == 0 and placed.width > ledge.width + TOLERANCE_MM:
        yield Caution(
            "fit",
            "stop",
            (placed.id,),
            f"The {name} is {_mm(placed.width - ledge.width)} wider than {ledge.label}.",
        )
    deep = placed.back - placed.front
    if placed.depth_order == 0 and deep > ledge.depth + JUT_MM:
        yield Caution(
            "fit",
            "stop",
            (placed.id,),
            f"The {name} is {_mm(deep - ledge.depth)} deeper than {ledge.label}.",
        )


def _inside(arrangement: Arrangement) -> Iterable[Caution]:
    """Report things that are larger than what is said to hold them."""
    for placed in arrangement.placed_items:
        host = arrangement.by_id.get(placed.placement.inside or "")
        if host is not None and host.item.category != "tray" and not _goes_into(placed, host):
            yield Caution(
                "fit",
                "stop",
                (placed.id, host.id),
                f"The {placed.item.label} does not go into the {host.item.label}: it is larger.",
            )


def _goes_into(placed: PlacedItem, host: PlacedItem) -> bool:
    item, room = placed.item, host.item
    if placed.hidden:
        sizes, free = sorted((item.width, item.height, item.depth)), sorted((room.width, room.height, room.depth))
        return all(size <= most + TOLERANCE_MM for size, most in zip(sizes, free, strict=True))
    if item.category in SPREADS and item.shape not in RIGID and not speaks_of(item.label, ("block", "rack", "holder")):
        return True
    mouth = room.mouth or min(room.width, room.depth)
    return max(item.width, item.depth) <= mouth + TOLERANCE_MM


SPREADS = frozenset({"stems", "plant", "utensils"})
"""What is narrow where it goes in and spreads above the rim."""

RIGID = frozenset({"box", "slab", "object", "stone", "cylinder", "sphere"})


def collision(arrangement: Arrangement) -> Iterable[Caution]:
    """Report things that would be in one place: footprints and heights overlap."""
    for placed_items in arrangement.by_ledge.values():
        yield from _collisions(placed_items)


@lru_cache(maxsize=512)
def _collisions(placed_items: tuple[PlacedItem, ...]) -> tuple[Caution, ...]:
    solid = [placed for placed in placed_items if placed.placement.pose != "draped"]
    hosts = {placed.id: placed.placement.host for placed in placed_items}
    return tuple(
        Caution(
            "collision",
            "stop",
            (first.id, second.id),
            f"The {first.item.label} and the {second.item.label} are in one place on {first.ledge.label}; "
            "move one aside, forward or back.",
        )
        for first, second in combinations(solid, 2)
        if _collide(first, second, hosts)
    )


def _collide(first: PlacedItem, second: PlacedItem, hosts: dict[str, str | None]) -> bool:
    if not in_one_place(first, second):
        return False
    return not (_carries(first, second, hosts) or _carries(second, first, hosts))


def _carries(host: PlacedItem, guest: PlacedItem, hosts: dict[str, str | None]) -> bool:
    """Tell whether a thing carries or holds another, or shares its vessel with it."""
    # Two stems in one vase may cross.
    return carries(host, guest, hosts) or (
        guest.placement.inside is not None
        and guest.placement.inside == host.placement.inside
        and host.item.category == "stems"
    )


def overhang(arrangement: Arrangement) -> Iterable[Caution]:
    """Report things that stick out over the edge of what carries them."""
    for placed in arrangement.visible:
        if placed.placement.pose in ("hung", "draped") or _is_in_a_hollow(placed, arrangement):
            continue
        host = arrangement.by_id.get(placed.placement.host or "")
        if host is not None:
            yield from _over_host(placed, host)
        yield from _over_edges(placed, arrangement.piece.viewed_from == "around")


@lru_cache(maxsize=8192)
def _over_edges(placed: PlacedItem, stands_free: bool) -> tuple[Caution, ...]:
    return tuple(_over_ledge(placed, stands_free))


def _over_ledge(placed: PlacedItem, stands_free: bool) -> Iterable[Caution]:
    """Report what passes an edge: a little over the front or an open end, over the back only where there is no wall."""
    ledge = placed.ledge
    if ledge.is_wall:
        return
    sides = {
        "left end": ledge.left - placed.left,
        "right end": placed.right - ledge.right,
        "front edge": -placed.front,
        "back": placed.back - ledge.depth,
    }
    if ledge.shape == "ellipse":
        beyond = _beyond_ellipse(placed)
        sides = {"edge": beyond} if beyond > 0 else {}
    for side, out in sides.items():
        is_open = side in ("front edge", "edge") or (side != "back" and ledge.clearance is None)
        limit = JUT_MM if is_open or (side == "back" and stands_free) else TOLERANCE_MM
        if out > limit:
            yield Caution(
                "overhang",
                "stop",
                (placed.id,),
                f"The {placed.item.label} passes the {side} of {ledge.label} by {_mm(out)}; move it inward.",
            )


def _is_in_a_hollow(placed: PlacedItem, arrangement: Arrangement) -> bool:
    host = arrangement.by_id.get(placed.placement.inside or "")
    return host is not None and host.item.category != "tray"


def _beyond_ellipse(placed: PlacedItem) -> float:
    """Return how far the farthest point of a footprint lies beyond a round or oval rim, in mm."""
    ledge = placed.ledge
    half_width, half_depth = ledge.width / 2, ledge.depth / 2
    middle_x, middle_z = placed.x - ledge.left - half_width, placed.z - half_depth
    wide, deep = placed.width / 2, (placed.back - placed.front) / 2
    beyond = 0.0
    for across, back in _ROUND if placed.item.is_round and placed.placement.pose == "upright" else _CORNERS:
        x, z = middle_x + wide * across, middle_z + deep * back
        share = math.hypot(x / half_width, z / half_depth)
        if share > 1:
            beyond = max(beyond, math.hypot(x, z) * (1 - 1 / share))
    return beyond


_CORNERS = ((-1.0, -1.0), (1.0, -1.0), (1.0, 1.0), (-1.0, 1.0))
_ROUND = tuple((math.cos(math.tau * step / 24), math.sin(math.tau * step / 24)) for step in range(24))


def _over_host(placed: PlacedItem, host: PlacedItem) -> Iterable[Caution]:
    if host.placement.pose in ("leaning", "hung"):
        how = "leans" if host.placement.pose == "leaning" else "hangs"
        said = f"The {placed.item.label} stands on the edge of the {host.item.label}, which {how} and carries nothing."
        yield Caution("overhang", "stop", (placed.id, host.id), said)
        return
    centre_out = max(host.left - placed.x, placed.x - host.right, host.front - placed.z, placed.z - host.back)
    if centre_out > TOLERANCE_MM:
        yield Caution(
            "overhang",
            "stop",
            (placed.id, host.id),
            f"The middle of the {placed.item.label} is {_mm(centre_out)} beside the {host.item.label} "
            "that should carry it; "
            "it would fall.",
        )
        return
    out = max(
        host.left - placed.left,
        placed.right - host.right,
        host.front - placed.front,
        placed.back - host.back,
    )
    if out > JUT_MM:
        yield Caution(
            "overhang",
            "heed",
            (placed.id, host.id),
            f"The {placed.item.label} juts {_mm(out)} over the {host.item.label}; {_mm(JUT_MM)} is as "
            "much as it should.",
        )


def _capital(name: str) -> str:
    return f"{name[:1].upper()}{name[1:]}"


def _mm(length: float) -> str:
    return f"{round(length)} mm"
