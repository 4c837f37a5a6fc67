"""What a firebox, a cooktop and warm devices do to what is near them."""

import math
from collections.abc import Iterable, Iterator

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.stuff import burns
from jolly_ledge.geometry.arrangement import Arrangement, Standing
from jolly_ledge.model.piece import Fixture

SUFFERS_CATEGORIES = frozenset(
    {"lamp", "candle", "box", "board", "frame", "art", "mirror", "device", "appliance", "tray", "beads", "utensils"}
)
"""What fire does not set alight at once but spoils."""

HEARTH_MM = 400.0
FIREBOX_ABOVE_MM, FIREBOX_WALL_MM = 300.0, 1200.0
"""So far over a firebox what stands gets warm, and what hangs: a screen, a picture."""

COOKTOP_BESIDE_MM, COOKTOP_NEAR_MM, COOKTOP_ABOVE_MM = 150.0, 300.0, 650.0
"""Beside a cooktop, and over it as far as makers of hoods want it free."""

STEAM_MM = 150.0
"""A kettle or a toaster wants so much free over it."""

SPOILT_ON_A_WALL = {"tv": "screen", "art": "picture"}


def heat(arrangement: Arrangement) -> Iterable[Caution]:
    """Report what stands too near a firebox or a cooktop, a screen over a fire, and devices without air."""
    for fixture in arrangement.piece.fixtures:
        if fixture.kind == "firebox":
            yield from _by_the_fire(arrangement, fixture)
            yield from _on_the_wall_over_the_fire(arrangement, fixture)
        elif fixture.kind == "cooktop":
            yield from _by_the_cooktop(arrangement, fixture)
    yield from _without_air(arrangement)


def _burns(standing: Standing) -> bool:
    return burns(standing.item) == "yes"


def _suffers(standing: Standing) -> bool:
    item = standing.item
    metal = item.finish == "metal" and "corded" not in item.traits and item.category in ("tray", "box")
    return (item.category in SUFFERS_CATEGORIES or item.finish == "clear") and not metal


def _by_the_fire(arrangement: Arrangement, fire: Fixture) -> Iterator[Caution]:
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


def _on_the_wall_over_the_fire(arrangement: Arrangement, fire: Fixture) -> Iterator[Caution]:
    """Report screens and pictures over a firebox, fixed, hung or leaning: heat and soot spoil them."""
    top = fire.floor + fire.height
    for fixture in arrangement.piece.fixtures:
        over = fixture.left < fire.right and fixture.right > fire.left
        if fixture.kind in SPOILT_ON_A_WALL and over and 0 <= fixture.floor - top < FIREBOX_WALL_MM:
            yield Caution(
                "heat",
                "heed",
                (),
                _over_the_fire(f"The {SPOILT_ON_A_WALL[fixture.kind]} on the wall", fixture.floor - top),
            )
    for standing in arrangement.visible:
        over = standing.left < fire.right and standing.right > fire.left
        on_the_wall = standing.placement.pose in ("hung", "leaning") or standing.item.category == "device"
        spoilt = standing.item.category in ("art", "frame", "device", "textile", "hanging")
        if over and on_the_wall and spoilt and FIREBOX_ABOVE_MM <= standing.bottom - top < FIREBOX_WALL_MM:
            yield Caution(
                "heat", "heed", (standing.id,), _over_the_fire(f"The {standing.item.label}", standing.bottom - top)
            )


def _over_the_fire(name: str, up: float) -> str:
    return (
        f"{name} is {round(up / 10)} cm over the firebox, where heat and soot spoil it; measure how warm the wall "
        f"gets, and "
        "ask its maker and whoever services the fire."
    )


def _by_the_cooktop(arrangement: Arrangement, cooktop: Fixture) -> Iterator[Caution]:
    for standing in arrangement.visible:
        across = max(cooktop.left - standing.right, standing.left - cooktop.right, 0.0)
        on_its_level = abs(standing.ledge.floor - cooktop.floor) < 60 and not standing.ledge.is_wall
        up = standing.bottom - cooktop.floor
        if on_its_level and across == 0.0:
            yield Caution(
                "heat",
                "stop",
                (standing.id,),
                f"The {standing.item.label} stands on the cooktop; keep it free of everything, for it may be hot or be "
                "switched on by mistake.",
            )
        elif on_its_level and across < COOKTOP_NEAR_MM and (_burns(standing) or across < COOKTOP_BESIDE_MM):
            yield Caution(
                "heat",
                "stop" if _burns(standing) and across < COOKTOP_BESIDE_MM else "heed",
                (standing.id,),
                f"The {standing.item.label} stands {round(across / 10)} cm from the cooktop; keep what burns or melts "
                f"{round(COOKTOP_NEAR_MM / 10)} cm away.",
            )
        elif across == 0.0 and 0 < up < COOKTOP_ABOVE_MM and (_burns(standing) or _suffers(standing)):
            yield Caution(
                "heat",
                "stop" if _burns(standing) else "heed",
                (standing.id,),
                f"The {standing.item.label} is {round(up / 10)} cm over the cooktop; keep "
                f"{round(COOKTOP_ABOVE_MM / 10)} cm free of what burns or spoils, or what the maker of the hood tells.",
            )


def _without_air(arrangement: Arrangement) -> Iterator[Caution]:
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
