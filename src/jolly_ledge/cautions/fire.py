"""Open flames: what is over them, beside them and before them, on whatever ledge."""

import math
from collections.abc import Iterable, Iterator

from jolly_ledge.cautions.caution import Caution, Level
from jolly_ledge.cautions.stuff import Known, burns, speaks_of
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.model.phrases import listed, verb

FLAME_ABOVE_MM, FLAME_ABOVE_LEAST_MM = 600.0, 300.0
"""Warm air over a candle scorches: 30 cm is the least that fire services name, twice that is calm."""

FLAME_BESIDE_MM, FLAME_NEAR_MM = 100.0, 300.0
"""Nothing that burns belongs within a hand's breadth of a flame; within 30 cm it is to be watched."""

BELOW_THE_FLAME_MM = 60.0
"""What ends so far below the flame is not reached by it."""

FLAMELESS = ("led", "electric", "battery", "flameless", "artificial")


def flame(arrangement: Arrangement) -> Iterable[Caution]:
    """Report flames under something, near what burns, in what burns, and candles of which nothing is told."""
    for placed in arrangement.visible:
        if "flame" in placed.item.traits:
            yield from _under_something(placed, arrangement)
            yield from _beside_something(placed, arrangement)
    for placed in arrangement.placed_items:
        if "flame" in placed.item.traits:
            yield from _in_something(placed, arrangement)
    yield from _perhaps_lit(arrangement)


def _perhaps_lit(arrangement: Arrangement) -> Iterator[Caution]:
    """Report candles that may be lit or not: nothing is known of them."""
    candles = [s for s in arrangement.visible if s.item.category == "candle" and "flame" not in s.item.traits]
    candles = [s for s in candles if not speaks_of(f"{s.item.label} {s.item.material}", FLAMELESS)]
    if candles:
        names = [f"the {placed.item.label}" for placed in candles]
        yield Caution(
            "flame",
            "unknown",
            tuple(placed.id for placed in candles),
            f"Whether {listed(names)} {verb(names, 'is', 'are')} ever lit is not told; keep 30 cm from what burns "
            f"and 60 cm "
            "open above, or take light without a flame.",
        )


def _under_something(placed: PlacedItem, arrangement: Arrangement) -> Iterator[Caution]:
    clearance = placed.ledge.clearance
    above = [placed.ledge.floor + clearance - placed.top] if clearance is not None else []
    above += [
        fixture.floor - placed.top
        for fixture in arrangement.piece.fixtures
        if fixture.kind in ("tv", "art", "light") and fixture.left < placed.x < fixture.right
        and fixture.floor > placed.top - 1
    ]  # fmt: skip
    above += [
        other.bottom - placed.top
        for other in arrangement.visible
        if other.id != placed.id
        and (other.placement.pose == "hung" or other.root != placed.root)
        and _is_open_to(other, placed)
        and burns(other.item) == "yes"
        and other.left < placed.x < other.right
        and other.bottom > placed.top - 1
    ]
    free = min(above, default=FLAME_ABOVE_MM)
    if free < FLAME_ABOVE_MM:
        yield Caution(
            "flame",
            "stop" if free < FLAME_ABOVE_LEAST_MM else "heed",
            (placed.id,),
            f"Over the {placed.item.label} on {placed.ledge.label} only {round(max(free, 0) / 10)} cm are free; a "
            "flame wants 60 cm, so leave it unlit here or move it where it is open above.",
        )


def _is_open_to(other: PlacedItem, flame_thing: PlacedItem) -> bool:
    """Tell whether no board or side stands between a flame and a thing of another ledge."""
    one, two = other.ledge, flame_thing.ledge
    return one.id == two.id or one.is_wall or (one.clearance is None and two.clearance is None)


def _beside_something(placed: PlacedItem, arrangement: Arrangement) -> Iterator[Caution]:
    for other in arrangement.visible:
        stuff = burns(other.item)
        if other.id == placed.id or stuff == "no" or not _is_open_to(other, placed) or _holds(other, placed):
            continue
        away = _away(placed, other)
        if away < FLAME_NEAR_MM:
            yield Caution("flame", _level(away, stuff), (placed.id, other.id), _said(placed, other, away, stuff))


def _holds(host: PlacedItem, guest: PlacedItem) -> bool:
    return host.id == guest.placement.host


def _level(away: float, stuff: Known) -> Level:
    if stuff == "unknown":
        return "unknown"
    return "stop" if away < FLAME_BESIDE_MM else "heed"


def _said(placed: PlacedItem, other: PlacedItem, away: float, stuff: Known) -> str:
    told = ", and what that is made of is not told" if stuff == "unknown" else ""
    return (
        f"The flame of the {placed.item.label} is {round(away / 10)} cm from the {other.item.label}{told}; keep "
        f"{round(FLAME_NEAR_MM / 10)} cm from what burns all round, or leave it unlit."
    )


def _away(flame_thing: PlacedItem, other: PlacedItem) -> float:
    """Return how far a thing is from a flame that could reach it, in mm; infinite for what stays below it.

    Depths are compared from the wall, for ledges of one piece may be of different depth.
    """
    if other.top <= flame_thing.top - BELOW_THE_FLAME_MM:
        return math.inf
    across = max(other.left - flame_thing.right, flame_thing.left - other.right, 0.0)
    flame_back, other_back = flame_thing.ledge.depth - flame_thing.back, other.ledge.depth - other.back
    flame_front, other_front = flame_thing.ledge.depth - flame_thing.front, other.ledge.depth - other.front
    deep = max(other_back - flame_front, flame_back - other_front, 0.0)
    upward = max(other.bottom - flame_thing.top, 0.0)
    return math.hypot(across, deep, upward)


def _in_something(placed: PlacedItem, arrangement: Arrangement) -> Iterator[Caution]:
    """Report a flame that stands in or on what burns."""
    host = arrangement.by_id.get(placed.placement.host or "")
    if host is not None and burns(host.item) == "yes" and not host.item.is_book:
        where = "inside" if placed.placement.inside else "on"
        yield Caution(
            "flame",
            "stop",
            (placed.id, host.id),
            f"The {placed.item.label} burns {where} the {host.item.label}, which catches fire; set it on stone, "
            f"metal or "
            "glass.",
        )
    elif host is not None and host.item.is_book:
        yield Caution(
            "flame",
            "heed",
            (placed.id, host.id),
            f"The {placed.item.label} burns on the {host.item.label}; set a plate under it that holds wax and falls.",
        )
