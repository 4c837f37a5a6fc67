"""Flame, firebox, cooktop and the warm air of devices."""

import math
from collections.abc import Iterable

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.model.arrangement import Arrangement, Standing
from jolly_ledge.model.piece import Fixture

FLAME_ABOVE_MM, FLAME_ABOVE_LEAST_MM = 600.0, 300.0
"""Warm air over a candle scorches: 30 cm is the least that fire services name, twice that is calm."""

FLAME_BESIDE_MM, FLAME_NEAR_MM = 100.0, 300.0
"""Nothing that burns belongs within a hand's breadth of a flame; within 30 cm it is to be watched."""

BURNS_ON_A_WALL = frozenset({"art", "frame", "hanging", "textile", "board"})

BURNS_CATEGORIES = frozenset(
    {"stems", "plant", "textile", "basket", "book", "book-row", "book-stack", "hanging", "supplies"}
)
BURNS_FINISHES = frozenset({"woven"})
SUFFERS_CATEGORIES = frozenset(
    {"lamp", "candle", "box", "board", "frame", "art", "mirror", "device", "appliance", "tray", "beads", "utensils"}
)
"""What fire does not set alight at once but spoils."""

HEARTH_MM = 400.0
FIREBOX_ABOVE_MM = 300.0
COOKTOP_BESIDE_MM, COOKTOP_NEAR_MM = 150.0, 300.0
STEAM_MM = 150.0
"""A kettle or a toaster wants so much free over it."""


def _burns(standing: Standing) -> bool:
    item = standing.item
    return item.category in BURNS_CATEGORIES or item.finish in BURNS_FINISHES


def _suffers(standing: Standing) -> bool:
    item = standing.item
    metal = item.finish == "metal" and "corded" not in item.traits and item.category in ("tray", "box")
    return (item.category in SUFFERS_CATEGORIES or item.finish == "clear") and not metal


def flame(arrangement: Arrangement) -> Iterable[Caution]:
    """Report flames under a shelf, and near what burns."""
    for standing in arrangement.visible:
        if "flame" not in standing.item.traits:
            continue
        yield from _under_something(standing, arrangement)
        for other in arrangement.by_ledge[standing.ledge.id]:
            away = _away(standing, other) if other.id != standing.id and _burns(other) else FLAME_NEAR_MM
            if away < FLAME_NEAR_MM:
                yield Caution(
                    "flame",
                    "stop" if away < FLAME_BESIDE_MM else "heed",
                    (standing.id, other.id),
                    f"The flame of the {standing.item.label} is {round(away / 10)} cm from the {other.item.label}; "
                    f"keep {round(FLAME_NEAR_MM / 10)} cm from what burns, or leave it unlit.",
                )


def _under_something(standing: Standing, arrangement: Arrangement) -> Iterable[Caution]:
    clearance = standing.ledge.clearance
    above = [standing.ledge.floor + clearance - standing.top] if clearance is not None else []
    above += [
        fixture.floor - standing.top
        for fixture in arrangement.piece.fixtures
        if fixture.kind in ("tv", "art", "light") and fixture.left < standing.x < fixture.right
        and fixture.floor > standing.top - 1
    ]  # fmt: skip
    above += [
        hung.bottom - standing.top
        for hung in arrangement.visible
        if hung.placement.pose == "hung"
        and hung.item.category in BURNS_ON_A_WALL
        and hung.left < standing.x < hung.right
        and hung.bottom > standing.top - 1
    ]
    free = min(above, default=FLAME_ABOVE_MM)
    if free < FLAME_ABOVE_MM:
        level = "stop" if free < FLAME_ABOVE_LEAST_MM else "heed"
        yield Caution(
            "flame",
            level,  # type: ignore[arg-type]
            (standing.id,),
            f"Over the {standing.item.label} on {standing.ledge.label} only {round(max(free, 0) / 10)} cm are free; a "
            "flame wants 60 cm, so leave it unlit here or move it where it is open above.",
        )


def _away(flame_thing: Standing, other: Standing) -> float:
    """Return how far a thing is from a flame that could reach it, in mm; infinite for what stays below it."""
    across = max(other.left - flame_thing.right, flame_thing.left - other.right, 0.0)
    deep = max(other.front - flame_thing.back, flame_thing.front - other.back, 0.0)
    return math.hypot(across, deep) if other.top > flame_thing.top - 60.0 else math.inf


def heat(arrangement: Arrangement) -> Iterable[Caution]:
    """Report what stands too near a firebox or a cooktop, a screen over a fire, and devices without air."""
    fixtures = arrangement.piece.fixtures
    for fixture in fixtures:
        if fixture.kind == "firebox":
            yield from _by_the_fire(arrangement, fixture)
        elif fixture.kind == "cooktop":
            yield from _by_the_cooktop(arrangement, fixture)
    yield from _without_air(arrangement)


def _by_the_fire(arrangement: Arrangement, fire: Fixture) -> Iterable[Caution]:
    top = fire.floor + fire.height
    for standing in arrangement.visible:
        across = max(fire.left - standing.right, standing.left - fire.right, 0.0)
        if standing.bottom < top and across < HEARTH_MM and _burns(standing):
            yield Caution(
                "heat",
                "stop" if across < HEARTH_MM / 4 else "heed",
                (standing.id,),
                f"The {standing.item.label} burns and stands {round(across / 10)} cm beside the firebox; move it "
                f"{round(HEARTH_MM / 10)} cm away before the fire is lit.",
            )
        elif standing.bottom < top and across == 0.0 and _suffers(standing):
            yield Caution(
                "heat",
                "heed",
                (standing.id,),
                f"The {standing.item.label} stands before the firebox, where it would scorch, melt or crack; clear it "
                "away before the fire is lit, or set it aside of the opening.",
            )
        elif top <= standing.bottom < top + FIREBOX_ABOVE_MM and across == 0.0 and _burns(standing):
            yield Caution(
                "heat",
                "heed",
                (standing.id,),
                f"The {standing.item.label} burns and stands {round((standing.bottom - top) / 10)} cm over the "
                "firebox; feel how warm the shelf gets, or move it to an end.",
            )


def _by_the_cooktop(arrangement: Arrangement, cooktop: Fixture) -> Iterable[Caution]:
    for standing in arrangement.visible:
        across = max(cooktop.left - standing.right, standing.left - cooktop.right, 0.0)
        near = abs(standing.ledge.floor - cooktop.floor) < 60 and across < COOKTOP_NEAR_MM
        if near and (_burns(standing) or across < COOKTOP_BESIDE_MM):
            yield Caution(
                "heat",
                "stop" if _burns(standing) and across < COOKTOP_BESIDE_MM else "heed",
                (standing.id,),
                f"The {standing.item.label} stands {round(across / 10)} cm from the cooktop; keep what burns or melts "
                f"{round(COOKTOP_NEAR_MM / 10)} cm away.",
            )


def _without_air(arrangement: Arrangement) -> Iterable[Caution]:
    shut_away = arrangement.piece.doors == "solid" and arrangement.piece.seen_shut
    for standing in arrangement.standings:
        item = standing.item
        if item.category not in ("device", "appliance") or "corded" not in item.traits:
            continue
        clearance = standing.ledge.clearance
        free = standing.ledge.floor + clearance - standing.top if clearance is not None else math.inf
        if item.category == "appliance" and free < STEAM_MM:
            yield Caution(
                "heat",
                "heed",
                (standing.id,),
                f"Over the {item.label} on {standing.ledge.label} only {round(max(free, 0) / 10)} cm are free; steam "
                "and heat spoil what is above, so draw it forward when it is used.",
            )
        if shut_away and not standing.hidden:
            yield Caution(
                "heat",
                "heed",
                (standing.id,),
                f"The {item.label} gets warm behind the shut doors of {arrangement.piece.label}; give it air: slots, "
                "a cut-out in the back, or an open place.",
            )
        if not standing.hidden:
            continue
        host = arrangement.by_id.get(standing.placement.inside or "")
        if host is not None and (host.item.category == "box" or "lidded" in host.item.traits):
            yield Caution(
                "heat",
                "heed",
                (standing.id, host.id),
                f"The {item.label} gets warm inside the {host.item.label}; give it air: an open back, slots, "
                "or a basket.",
            )
