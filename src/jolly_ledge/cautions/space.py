"""Fit, collision and overhang: whether things can stand where they are drawn."""

import math
from collections.abc import Iterable
from functools import lru_cache
from itertools import combinations

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.stuff import speaks_of
from jolly_ledge.geometry.arrangement import Arrangement, Standing
from jolly_ledge.geometry.bodies import in_one_place

TOLERANCE_MM = 1.0
JUT_MM = 25.0
"""So far a thing may jut out over its support."""


def fit(arrangement: Arrangement) -> Iterable[Caution]:
    """Report things too tall, too wide or too deep for where they stand."""
    for standing in arrangement.visible:
        yield from _fit_of(standing)
    yield from _inside(arrangement)


@lru_cache(maxsize=8192)
def _fit_of(standing: Standing) -> tuple[Caution, ...]:
    return tuple(_misfits(standing))


def _misfits(standing: Standing) -> Iterable[Caution]:
    ledge, name = standing.ledge, standing.item.label
    if ledge.is_wall and standing.placement.pose != "hung":
        yield Caution(
            "fit",
            "stop",
            (standing.id,),
            f"The {name} stands where there is only a wall; hang it or move it to a ledge.",
        )
        return
    over = standing.top - ledge.floor - ledge.clearance if ledge.clearance is not None else 0.0
    if over > TOLERANCE_MM:
        yield Caution(
            "fit",
            "stop",
            (standing.id,),
            f"{_capital(name)}: no room on {ledge.label}; the top is {_mm(over)} over the clearance "
            f"of {_mm(ledge.clearance or 0)}.",
        )
    if standing.depth_order == 0 and standing.width > ledge.width + TOLERANCE_MM:
        yield Caution(
            "fit",
            "stop",
            (standing.id,),
            f"The {name} is {_mm(standing.width - ledge.width)} wider than {ledge.label}.",
        )
    deep = standing.back - standing.front
    if standing.depth_order == 0 and deep > ledge.depth + JUT_MM:
        yield Caution(
            "fit",
            "stop",
            (standing.id,),
            f"The {name} is {_mm(deep - ledge.depth)} deeper than {ledge.label}.",
        )


def _inside(arrangement: Arrangement) -> Iterable[Caution]:
    """Report things that are larger than what is said to hold them."""
    for standing in arrangement.standings:
        host = arrangement.by_id.get(standing.placement.inside or "")
        if host is not None and host.item.category != "tray" and not _goes_into(standing, host):
            yield Caution(
                "fit",
                "stop",
                (standing.id, host.id),
                f"The {standing.item.label} does not go into the {host.item.label}: it is larger.",
            )


def _goes_into(standing: Standing, host: Standing) -> bool:
    item, room = standing.item, host.item
    if standing.hidden:
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
    for standings in arrangement.by_ledge.values():
        yield from _collisions(standings)


@lru_cache(maxsize=512)
def _collisions(standings: tuple[Standing, ...]) -> tuple[Caution, ...]:
    solid = [standing for standing in standings if standing.placement.pose != "draped"]
    hosts = {standing.id: standing.placement.host for standing in standings}
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


def _collide(first: Standing, second: Standing, hosts: dict[str, str | None]) -> bool:
    if not in_one_place(first, second):
        return False
    return not (_carries(first, second, hosts) or _carries(second, first, hosts))


def _carries(host: Standing, guest: Standing, hosts: dict[str, str | None]) -> bool:
    """Tell whether a thing carries or holds another, at any remove."""
    step = guest.placement.host
    while step is not None:
        if step == host.id:
            return True
        step = hosts.get(step)
    # Two stems in one vase may cross.
    return (
        guest.placement.inside is not None
        and guest.placement.inside == host.placement.inside
        and host.item.category == "stems"
    )


def overhang(arrangement: Arrangement) -> Iterable[Caution]:
    """Report things that stick out over the edge of what carries them."""
    for standing in arrangement.visible:
        if standing.placement.pose in ("hung", "draped") or _is_in_a_hollow(standing, arrangement):
            continue
        host = arrangement.by_id.get(standing.placement.host or "")
        if host is not None:
            yield from _over_host(standing, host)
        yield from _over_edges(standing, arrangement.piece.viewed_from == "around")


@lru_cache(maxsize=8192)
def _over_edges(standing: Standing, stands_free: bool) -> tuple[Caution, ...]:
    return tuple(_over_ledge(standing, stands_free))


def _over_ledge(standing: Standing, stands_free: bool) -> Iterable[Caution]:
    """Report what passes an edge: a little over the front or an open end, over the back only where there is no wall."""
    ledge = standing.ledge
    if ledge.is_wall:
        return
    sides = {
        "left end": ledge.left - standing.left,
        "right end": standing.right - ledge.right,
        "front edge": -standing.front,
        "back": standing.back - ledge.depth,
    }
    if ledge.shape == "ellipse":
        beyond = _beyond_ellipse(standing)
        sides = {"edge": beyond} if beyond > 0 else {}
    for side, out in sides.items():
        is_open = side in ("front edge", "edge") or (side != "back" and ledge.clearance is None)
        limit = JUT_MM if is_open or (side == "back" and stands_free) else TOLERANCE_MM
        if out > limit:
            yield Caution(
                "overhang",
                "stop",
                (standing.id,),
                f"The {standing.item.label} passes the {side} of {ledge.label} by {_mm(out)}; move it inward.",
            )


def _is_in_a_hollow(standing: Standing, arrangement: Arrangement) -> bool:
    host = arrangement.by_id.get(standing.placement.inside or "")
    return host is not None and host.item.category != "tray"


def _beyond_ellipse(standing: Standing) -> float:
    """Return how far the farthest point of a footprint lies beyond a round or oval rim, in mm."""
    ledge = standing.ledge
    half_width, half_depth = ledge.width / 2, ledge.depth / 2
    middle_x, middle_z = standing.x - ledge.left - half_width, standing.z - half_depth
    wide, deep = standing.width / 2, (standing.back - standing.front) / 2
    beyond = 0.0
    for across, back in _ROUND if standing.item.is_round and standing.placement.pose == "upright" else _CORNERS:
        x, z = middle_x + wide * across, middle_z + deep * back
        share = math.hypot(x / half_width, z / half_depth)
        if share > 1:
            beyond = max(beyond, math.hypot(x, z) * (1 - 1 / share))
    return beyond


_CORNERS = ((-1.0, -1.0), (1.0, -1.0), (1.0, 1.0), (-1.0, 1.0))
_ROUND = tuple((math.cos(math.tau * step / 24), math.sin(math.tau * step / 24)) for step in range(24))


def _over_host(standing: Standing, host: Standing) -> Iterable[Caution]:
    if host.placement.pose in ("leaning", "hung"):
        how = "leans" if host.placement.pose == "leaning" else "hangs"
        said = (
            f"The {standing.item.label} stands on the edge of the {host.item.label}, which {how} and carries nothing."
        )
        yield Caution("overhang", "stop", (standing.id, host.id), said)
        return
    centre_out = max(host.left - standing.x, standing.x - host.right, host.front - standing.z, standing.z - host.back)
    if centre_out > TOLERANCE_MM:
        yield Caution(
            "overhang",
            "stop",
            (standing.id, host.id),
            f"The middle of the {standing.item.label} is {_mm(centre_out)} beside the {host.item.label} "
            "that should carry it; "
            "it would fall.",
        )
        return
    out = max(
        host.left - standing.left,
        standing.right - host.right,
        host.front - standing.front,
        standing.back - host.back,
    )
    if out > JUT_MM:
        yield Caution(
            "overhang",
            "heed",
            (standing.id, host.id),
            f"The {standing.item.label} juts {_mm(out)} over the {host.item.label}; {_mm(JUT_MM)} is as "
            "much as it should.",
        )


def _capital(name: str) -> str:
    return f"{name[:1].upper()}{name[1:]}"


def _mm(length: float) -> str:
    return f"{round(length)} mm"
