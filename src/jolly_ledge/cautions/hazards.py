"""Heavy things high up, over a head, and things that roll."""

from collections.abc import Iterable

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.stuff import DENSE_STUFF, is_glass, likely_mass, speaks_of
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem

HIGH_MM = 1400.0
"""About the shoulder of an adult: above it a thing is lifted with stretched arms."""

HEAVY_KG = 3.0
VERY_HEAVY_KG = 9.0
DENSE_VOLUME_MM3 = 1.2e6
"""A solid of dense stuff larger than this (about 3 kg of stone) is likely heavy."""

LARGE_VOLUME_MM3 = 8e6
"""Anything solid of this size, a bucket's, may be heavy."""

LIGHT_CATEGORIES = frozenset({"stems", "plant", "textile", "basket", "hanging", "frame"})

OVER_A_HEAD_KG = 1.0
"""What falls on somebody who sleeps or sits hurts from about here on."""

SEATED_HEAD_MM = 1000.0
SEATED = {"over-bed": "a bed", "over-sofa": "a sofa", "over-seat": "a seat", "over-bench": "a bench"}
"""Uses of a piece that tell that people lie or sit below it."""

OVERHEAD_MM = 1700.0
"""Above it a breakable thing is handled by the fingertips."""

BOOKEND_GAP_MM = 15.0
SHOULDER_SHARE = 0.35


def heavy_high(arrangement: Arrangement) -> Iterable[Caution]:
    """Report heavy or breakable things above shoulder height, and unweighed ones likely heavy."""
    for placed in arrangement.placed_items:
        if placed.bottom < HIGH_MM or placed.placement.pose == "hung":
            continue
        item = placed.item
        where = f"on {placed.ledge.label}, {round(placed.bottom / 10)} cm up"
        if item.mass is not None and item.mass >= HEAVY_KG:
            yield Caution(
                "heavy-high",
                "stop" if item.mass >= VERY_HEAVY_KG else "heed",
                (placed.id,),
                f"The {item.label} ({item.mass:g} kg) stands {where}; set it lower, or check that the "
                "shelf and its fixing "
                "are rated for it and that nobody must lift it overhead.",
            )
        elif "fragile" in item.traits and placed.bottom >= OVERHEAD_MM:
            yield Caution(
                "heavy-high",
                "heed",
                (placed.id,),
                f"The {item.label} is breakable and stands {where}, to be handled overhead; set it lower.",
            )
        elif item.mass is None and _likely_heavy(placed):
            yield Caution(
                "heavy-high",
                "unknown",
                (placed.id,),
                f"The {item.label} stands {where} and its mass is unknown; weigh it before it goes up.",
            )


def over_a_head(arrangement: Arrangement) -> Iterable[Caution]:
    """Report mass and glass over a bed or a seat, hung, leaning or standing."""
    for left, right, top, where in _heads(arrangement):
        for fixture in arrangement.piece.fixtures:
            over = fixture.left < right and fixture.right > left and fixture.floor >= top - 1
            if fixture.kind in ("mirror", "art") and over:
                said = (
                    f"The {fixture.name or fixture.kind} hangs over {where}; have its fixing checked, and glass "
                    f"kept out."
                )
                yield Caution("heavy-high", "heed", (), said)
        for placed in arrangement.visible:
            if placed.bottom < top - 1 or placed.right <= left or placed.left >= right:
                continue
            item = placed.item
            if is_glass(item) or "fragile" in item.traits or (item.mass or 0.0) >= OVER_A_HEAD_KG:
                told = (
                    f"weighs {item.mass:g} kg" if (item.mass or 0.0) >= OVER_A_HEAD_KG else "is of glass or breakable"
                )
                said = f"The {item.label} {told} and is over {where}; take something light and soft, or fix it doubly."
                yield Caution("heavy-high", "heed", (placed.id,), said)
            elif item.mass is None and likely_mass(item) >= OVER_A_HEAD_KG:
                said = f"The {item.label} is over {where} and its mass is unknown; weigh it, and fix it doubly."
                yield Caution("heavy-high", "unknown", (placed.id,), said)


def _heads(arrangement: Arrangement) -> Iterable[tuple[float, float, float, str]]:
    """Yield where people lie or sit: from where to where along the piece, up to which height, and how it is called."""
    piece = arrangement.piece
    for fixture in piece.fixtures:
        if fixture.kind == "headboard":
            yield fixture.left, fixture.right, fixture.floor + fixture.height, "the head of the bed"
    seat = next((seat for use in piece.use for word, seat in SEATED.items() if word in use.lower()), None)
    if seat is not None:
        yield 0.0, piece.width, SEATED_HEAD_MM, seat


def _likely_heavy(placed: PlacedItem) -> bool:
    item = placed.item
    dense = speaks_of(item.material, DENSE_STUFF)
    volume = item.width * item.height * item.depth
    least = DENSE_VOLUME_MM3 if dense or item.is_book or item.shape == "stone" else LARGE_VOLUME_MM3
    return volume >= least and item.category not in LIGHT_CATEGORIES


def rolls(arrangement: Arrangement) -> Iterable[Caution]:
    """Report things that roll and that nothing holds: no tray, no bowl, no neighbour on both sides."""
    for placed in arrangement.visible:
        if "rolls" not in placed.item.traits or placed.placement.inside:
            continue
        host = arrangement.by_id.get(placed.placement.on or "")
        if host is not None and host.item.category in ("tray", "bowl", "basket"):
            continue
        held = sum(_holds(side, placed, arrangement) for side in ("left", "right"))
        if held == 2:
            continue
        height = placed.bottom
        yield Caution(
            "rolls",
            "stop" if height >= HIGH_MM and (placed.item.mass or 0.0) >= OVER_A_HEAD_KG else "heed",
            (placed.id,),
            f"The {placed.item.label} rolls and nothing stops it on {placed.ledge.label}, "
            f"{round(height / 10)} cm up; give it a "
            "ring, a bowl or a tray.",
        )


def _holds(side: str, placed: PlacedItem, arrangement: Arrangement) -> bool:
    ledge = placed.ledge
    if placed.depth_order == 0 and ledge.clearance is not None:
        gap = placed.left - ledge.left if side == "left" else ledge.right - placed.right
        if gap <= BOOKEND_GAP_MM:
            return True
    for other in arrangement.by_ledge[ledge.id]:
        if other.id == placed.id or abs(other.bottom - placed.bottom) > 1:
            continue
        gap = placed.left - other.right if side == "left" else other.left - placed.right
        crosses = other.front < placed.z < other.back
        if crosses and -1 <= gap <= BOOKEND_GAP_MM and other.height >= SHOULDER_SHARE * placed.height:
            return True
    return False
