"""What tips, what slides, what hangs, and tall furniture on its own feet."""

from collections.abc import Iterable
from functools import lru_cache

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.model.arrangement import Arrangement, Standing
from jolly_ledge.model.words import WALL_CATEGORIES

SLENDER = 4.0
"""Higher than four times its base: a push of a finger tips it."""

TALLEST_STEMS = 1.6
"""Stems longer than this many heights of their vessel make it top-heavy, unless it is heavy."""

STEADY_KG = 1.5
HANGS_HEAVY_KG = 5.0
TALL_MM, TALL_RATIO = 1200.0, 3.5
HELD_BY_NEIGHBOURS_MM = 25.0


def tips(arrangement: Arrangement) -> Iterable[Caution]:
    """Report things that a push would tip: slender ones, lamps on loose books, tall stems in a light vessel."""
    for standings in arrangement.by_ledge.values():
        yield from _tips_on(standings)


@lru_cache(maxsize=512)
def _tips_on(standings: tuple[Standing, ...]) -> tuple[Caution, ...]:
    return tuple(_tipping(standings))


def _tipping(standings: tuple[Standing, ...]) -> Iterable[Caution]:
    by_id = {standing.id: standing for standing in standings}
    for standing in standings:
        item = standing.item
        if standing.placement.pose != "upright" or standing.placement.inside:
            continue
        base = min(standing.width, standing.back - standing.front)
        host = by_id.get(standing.placement.on or "")
        if item.category == "lamp" and host is not None and host.item.is_book:
            yield Caution(
                "tips",
                "heed",
                (standing.id, host.id),
                f"The {item.label} stands on loose books ({host.item.label}); a tug at its cord tips it, so set it "
                "down.",
            )
        elif base > 0 and standing.height / base > SLENDER and not _is_steady(standing, standings):
            yield Caution(
                "tips",
                "heed",
                (standing.id,),
                f"The {item.label} is {standing.height / base:.1f} times as high as its base; a push tips it, so fix "
                "it with putty or set it against something.",
            )
        yield from _top_heavy(standing, standings)


def _is_steady(standing: Standing, others: tuple[Standing, ...]) -> bool:
    """Tell whether books of a row hold a slender thing, or it is one that hangs or leans by nature."""
    if standing.item.category in ("stems", "hanging", "utensils") or standing.item.category in WALL_CATEGORIES:
        return True
    if not standing.item.is_book:
        return False
    return any(
        other.id != standing.id
        and max(other.left - standing.right, standing.left - other.right) <= HELD_BY_NEIGHBOURS_MM
        for other in others
    )


def _top_heavy(standing: Standing, others: tuple[Standing, ...]) -> Iterable[Caution]:
    mass = standing.item.mass
    if standing.item.category != "vessel" or (mass is not None and mass >= STEADY_KG):
        return
    for other in others:
        long = other.placement.inside == standing.id and other.height > TALLEST_STEMS * standing.height
        if long and other.item.category == "stems":
            yield Caution(
                "tips",
                "heed" if mass is not None else "unknown",
                (standing.id, other.id),
                f"The {other.item.label} stands {other.height / standing.height:.1f} times the height of the "
                f"{standing.item.label} over its rim{'' if mass is not None else ', whose mass is unknown'}; weight it "
                "with sand or trim them.",
            )


def unsecured(arrangement: Arrangement) -> Iterable[Caution]:
    """Report glass and art that lean without a hold."""
    for standing in arrangement.visible:
        if standing.placement.pose == "leaning" and standing.item.category in ("mirror", "frame", "art"):
            if standing.height < 400 and standing.ledge.clearance is not None:
                continue
            yield Caution(
                "unsecured",
                "heed",
                (standing.id,),
                f"The {standing.item.label} leans on {standing.ledge.label} and can slide; set it on a non-slip pad "
                "and fix its top.",
            )


def wall_fixing(arrangement: Arrangement) -> Iterable[Caution]:
    """Report what hangs by nobody knows what, and tall furniture that may stand loose."""
    for standing in arrangement.visible:
        mass = standing.item.mass
        if standing.placement.pose == "hung" and (mass is None or mass >= HANGS_HEAVY_KG):
            told = "its mass is unknown" if mass is None else f"it weighs {mass:g} kg"
            yield Caution(
                "wall-fixing",
                "unknown",
                (standing.id,),
                f"The {standing.item.label} hangs and {told}; choose hook and anchor for the wall and the mass.",
            )
    piece = arrangement.piece
    tall = piece.height >= TALL_MM and piece.height / max(piece.depth, 1.0) >= TALL_RATIO
    if tall and piece.kind in ("bookcase", "hutch", "cabinet") and arrangement.household.toddler:
        yield Caution(
            "wall-fixing",
            "unknown",
            (),
            f"{piece.label} is {round(piece.height / 10)} cm high and {round(piece.depth / 10)} cm deep and a toddler "
            "lives here; make sure that it is fixed to the wall before anything is placed.",
        )
