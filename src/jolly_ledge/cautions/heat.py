"""What a firebox, a cooktop and warm devices do to what is near them."""

import math
from collections.abc import Iterable, Iterator

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.stuff import burns
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.model.phrases import listed, verb
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

LAMP_ABOVE_MM = 300.0
"""Lamps are marked with the distance they want to what burns; a third of a metre where no plate is read yet."""

VENT_MM = 30.0
"""So much air devices want at their sides, where no plate is read."""

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
        elif fixture.kind == "light":
            yield from _under_the_lamp(arrangement, fixture)
    yield from _without_air(arrangement)


def _burns(placed: PlacedItem) -> bool:
    return burns(placed.item) == "yes"


def _suffers(placed: PlacedItem) -> bool:
    item = placed.item
    metal = item.finish == "metal" and "corded" not in item.traits and item.category in ("tray", "box")
    return (item.category in SUFFERS_CATEGORIES or item.finish == "clear") and not metal


def _by_the_fire(arrangement: Arrangement, fire: Fixture) -> Iterator[Caution]:
    top = fire.floor + fire.height
    for placed in arrangement.visible:
        across = max(fire.left - placed.right, placed.left - fire.right, 0.0)
        if placed.bottom < top and across < HEARTH_MM and _burns(placed):
            yield Caution(
                "heat",
                "stop" if across < HEARTH_MM / 4 else "heed",
                (placed.id,),
                f"The {placed.item.label} burns and stands {round(across / 10)} cm beside the firebox; move it "
                f"{round(HEARTH_MM / 10)} cm away before the fire is lit.",
            )
        elif placed.bottom < top and across == 0.0 and _suffers(placed):
            yield Caution(
                "heat",
                "heed",
                (placed.id,),
                f"The {placed.item.label} stands before the firebox, where it would scorch, melt or crack; clear it "
                "away before the fire is lit, or set it aside of the opening.",
            )
        elif top <= placed.bottom < top + FIREBOX_ABOVE_MM and across == 0.0 and _burns(placed):
            yield Caution(
                "heat",
                "heed",
                (placed.id,),
                f"The {placed.item.label} burns and stands {round((placed.bottom - top) / 10)} cm over the "
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
    for placed in arrangement.visible:
        over = placed.left < fire.right and placed.right > fire.left
        on_the_wall = placed.placement.pose in ("hung", "leaning") or placed.item.category == "device"
        spoilt = placed.item.category in ("art", "frame", "device", "textile", "hanging")
        if over and on_the_wall and spoilt and FIREBOX_ABOVE_MM <= placed.bottom - top < FIREBOX_WALL_MM:
            yield Caution("heat", "heed", (placed.id,), _over_the_fire(f"The {placed.item.label}", placed.bottom - top))


def _over_the_fire(name: str, up: float) -> str:
    return (
        f"{name} is {round(up / 10)} cm over the firebox, where heat and soot spoil it; measure how warm the wall "
        f"gets, and "
        "ask its maker and whoever services the fire."
    )


def _by_the_cooktop(arrangement: Arrangement, cooktop: Fixture) -> Iterator[Caution]:
    for placed in arrangement.visible:
        across = max(cooktop.left - placed.right, placed.left - cooktop.right, 0.0)
        on_its_level = abs(placed.ledge.floor - cooktop.floor) < 60 and not placed.ledge.is_wall
        up = placed.bottom - cooktop.floor
        if on_its_level and across == 0.0:
            yield Caution(
                "heat",
                "stop",
                (placed.id,),
                f"The {placed.item.label} stands on the cooktop; keep it free of everything, for it may be hot or be "
                "switched on by mistake.",
            )
        elif on_its_level and across < COOKTOP_NEAR_MM and (_burns(placed) or across < COOKTOP_BESIDE_MM):
            yield Caution(
                "heat",
                "stop" if _burns(placed) and across < COOKTOP_BESIDE_MM else "heed",
                (placed.id,),
                f"The {placed.item.label} stands {round(across / 10)} cm from the cooktop; keep what burns or melts "
                f"{round(COOKTOP_NEAR_MM / 10)} cm away.",
            )
        elif across == 0.0 and 0 < up < COOKTOP_ABOVE_MM and (_burns(placed) or _suffers(placed)):
            yield Caution(
                "heat",
                "stop" if _burns(placed) else "heed",
                (placed.id,),
                f"The {placed.item.label} is {round(up / 10)} cm over the cooktop; keep "
                f"{round(COOKTOP_ABOVE_MM / 10)} cm free of what burns or spoils, or what the maker of the hood tells.",
            )


def _under_the_lamp(arrangement: Arrangement, lamp: Fixture) -> Iterator[Caution]:
    """Report what reaches into a hanging lamp, or stands so near under it that it gets hot."""
    for placed in arrangement.visible:
        across = min(placed.right, lamp.right) - max(placed.left, lamp.left)
        if across <= 0 or placed.placement.pose == "hung" or placed.bottom >= lamp.floor + lamp.height:
            continue
        free = lamp.floor - placed.top
        name = lamp.name or "hanging lamp"
        if free < 0:
            yield Caution(
                "heat",
                "heed",
                (placed.id,),
                f"The {placed.item.label} reaches {round(-free / 10)} cm up to the {name}, if it stands under it; "
                "measure how far before or behind the lamp hangs, or take something lower.",
            )
        elif free < LAMP_ABOVE_MM and (_burns(placed) or _suffers(placed)):
            yield Caution(
                "heat",
                "heed",
                (placed.id,),
                f"The {placed.item.label} stands {round(free / 10)} cm under the {name}; keep "
                f"{round(LAMP_ABOVE_MM / 10)} cm free, or as much as the lamp's plate tells.",
            )


def _smothered(arrangement: Arrangement, placed: PlacedItem) -> Iterator[Caution]:
    """Report what lies on a masked device, and what stands close at both of its sides: its vents stay free."""
    there = [other for other in arrangement.by_ledge.get(placed.ledge.id, ()) if other.id != placed.id]
    on_it = [other for other in there if other.placement.host == placed.id]
    beside = [
        other for other in there
        if other.bottom < placed.top and other.front < placed.back and other.back > placed.front
    ]  # fmt: skip
    at_left = [other for other in beside if 0 <= placed.left - other.right < VENT_MM]
    at_right = [other for other in beside if 0 <= other.left - placed.right < VENT_MM]
    close = on_it or (at_left[:1] + at_right[:1] if at_left and at_right else [])
    if close:
        names = listed([f"the {other.item.label}" for other in close])
        yield Caution(
            "heat",
            "heed",
            (placed.id, *(other.id for other in close)),
            f"The {placed.item.label} gets warm and {names} {verb([other.id for other in close], 'is', 'are')} "
            f"close on its vents; leave {round(VENT_MM)} mm free at its sides and nothing on it.",
        )


def _without_air(arrangement: Arrangement) -> Iterator[Caution]:
    shut_away = arrangement.piece.doors == "solid" and arrangement.piece.seen_shut
    for placed in arrangement.placed_items:
        item = placed.item
        if item.category not in ("device", "appliance") or "corded" not in item.traits:
            continue
        clearance = placed.ledge.clearance
        free = placed.ledge.floor + clearance - placed.top if clearance is not None else math.inf
        steam = item.use.above if item.use is not None and item.use.above else STEAM_MM
        if item.category == "appliance" and free < steam:
            yield Caution(
                "heat",
                "heed",
                (placed.id,),
                f"Over the {item.label} on {placed.ledge.label} only {round(max(free, 0) / 10)} cm are free; steam "
                "and heat spoil what is above, so draw it forward when it is used.",
            )
        if shut_away and not placed.hidden:
            yield Caution(
                "heat",
                "heed",
                (placed.id,),
                f"The {item.label} gets warm behind the shut doors of {arrangement.piece.label}; give it air: slots, "
                "a cut-out in the back, or an open place.",
            )
        if "mask" in item.traits and not placed.hidden:
            yield from _smothered(arrangement, placed)
        if not placed.hidden:
            continue
        host = arrangement.by_id.get(placed.placement.inside or "")
        if host is not None and (host.item.category == "box" or "lidded" in host.item.traits):
            yield Caution(
                "heat",
                "heed",
                (placed.id, host.id),
                f"The {item.label} gets warm inside the {host.item.label}; give it air: an open back, slots, "
                "or a basket.",
            )
