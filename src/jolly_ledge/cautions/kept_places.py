"""Places that are kept free: whether anything stands in one, and whether it fits its ledge."""

from collections.abc import Iterable

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.tray_places import places_on_trays
from jolly_ledge.model.kept_place import KeptPlace
from jolly_ledge.model.phrases import capital
from jolly_ledge.model.piece import Ledge

TOUCHES_MM = 1.0


def kept_places(arrangement: Arrangement) -> Iterable[Caution]:
    """Report things that stand in a place kept for something else."""
    for ledge in arrangement.piece.ledges:
        if not ledge.kept:
            continue
        for placed in arrangement.by_ledge.get(ledge.id, ()):
            for place in ledge.kept:
                if placed.item.label != place.name and _is_in(placed, ledge, place, ledge.floor):
                    yield Caution(
                        "kept-place",
                        "stop",
                        (placed.id,),
                        f"The {placed.item.label} stands in the place kept for {place.name} on {ledge.label}; move it, "
                        "or give the place back.",
                    )
        yield from _too_large(ledge)
    yield from _on_trays(arrangement)


def _on_trays(arrangement: Arrangement) -> Iterable[Caution]:
    for tray, place, floor in places_on_trays(arrangement):
        for placed in arrangement.by_ledge.get(tray.ledge.id, ()):
            if placed.id != tray.id and placed.item.label != place.name and _is_in(placed, tray.ledge, place, floor):
                yield Caution(
                    "kept-place",
                    "stop",
                    (placed.id, tray.id),
                    f"The {placed.item.label} stands in the place kept for {place.name} on the {tray.item.label}; move "
                    "it, or give the place back.",
                )


def _is_in(placed: PlacedItem, ledge: Ledge, place: KeptPlace, floor: float) -> bool:
    """Tell whether a thing reaches into a place: its foot over the board, or what overhangs below its height."""
    across = min(placed.right - ledge.left, place.right) - max(placed.left - ledge.left, place.left)
    deep = min(placed.back, place.front + place.depth) - max(placed.front, place.front)
    up = floor + place.height - placed.bottom
    return min(across, deep, up) > TOUCHES_MM


def _too_large(ledge: Ledge) -> Iterable[Caution]:
    for place in ledge.kept:
        sides = ((place.right, ledge.width), (place.front + place.depth, ledge.depth), (place.height, ledge.clearance))
        if any(side > there + TOUCHES_MM for side, there in sides if there is not None):
            yield Caution(
                "kept-place",
                "heed",
                (),
                f"{capital(place.name)} has a place kept on {ledge.label} that is larger than the ledge; measure both.",
            )
