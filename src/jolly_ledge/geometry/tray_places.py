"""Places that are kept free on trays: where each lies in a look, however its tray is carried or turned."""

from collections.abc import Iterator

from msgspec.structs import replace

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.free_place import middle_of_the_widest_gap
from jolly_ledge.geometry.pose import TRAY_FLOOR_MM
from jolly_ledge.model.kept_place import KeptPlace

QUARTER, FINGER_MM = 90.0, 24.0


def places_on(placed: PlacedItem) -> tuple[KeptPlace, ...]:
    """Return the places on a tray as it stands, turned with it by whole quarters (mm).

    ``left`` is from the left end of the tray as it is seen from the front, ``front`` from its front edge.
    """
    if placed.placement.pose != "upright":
        return ()
    quarters = round(placed.placement.turn / QUARTER) % 4
    return tuple(_turned(place, placed.item.width, placed.item.depth, quarters) for place in placed.item.kept)


def _turned(place: KeptPlace, width: float, depth: float, quarters: int) -> KeptPlace:
    """Return a place of a board of some size after so many quarter turns to the left, seen from above.

    >>> cup = KeptPlace(name="cup", left=10.0, front=0.0, width=80.0, depth=60.0, height=90.0)
    >>> turned = _turned(cup, 300.0, 200.0, 1)
    >>> turned.left, turned.front, turned.width, turned.depth
    (140.0, 10.0, 60.0, 80.0)
    """
    for _ in range(quarters):
        # What lay in front lies at the right.
        left, front = depth - place.front - place.depth, place.left
        place = replace(place, left=left, front=front, width=place.depth, depth=place.width)
        width, depth = depth, width
    return place


def places_on_trays(arrangement: Arrangement) -> Iterator[tuple[PlacedItem, KeptPlace, float]]:
    """Yield every place kept on a tray of a look: the tray, the place from its ledge's left end and front, its floor.

    The floor is the height of the tray's ground over the room's floor, in mm.
    """
    for placed in arrangement.placed_items:
        for place in places_on(placed) if placed.item.kept else ():
            left = placed.left - placed.ledge.left + place.left
            floor = placed.bottom + min(placed.height, TRAY_FLOOR_MM)
            yield placed, replace(place, left=left, front=placed.front + place.front), floor


def put_down_on_tray(
    arrangement: Arrangement, tray: PlacedItem, place: KeptPlace, at: float | None = None
) -> KeptPlace:
    """Return a place where it has room on a tray, as it is told of the tray itself (mm).

    Parameters
    ----------
    arrangement : Arrangement
        What stands already.
    tray : PlacedItem
        Where it is to be.
    place : KeptPlace
        What is to be kept, its sides as they are seen from the front; where it lies does not count.
    at : float, optional
        Its middle, from the left end of the tray in mm as it stands; without it the widest gap is taken.
    """
    across, deep = tray.width, tray.back - tray.front
    stands = [
        (one.left - tray.left, one.right - tray.left)
        for one in arrangement.by_ledge.get(tray.ledge.id, ()) if one.placement.host == tray.id
    ]  # fmt: skip
    stands += [(kept.left, kept.right) for kept in places_on(tray) if kept.name != place.name]
    middle = middle_of_the_widest_gap(stands, across) if at is None else at
    left = min(max(middle - place.width / 2, 0.0), max(across - place.width, 0.0))
    front = min(max((deep - place.depth) / 2, 0.0), FINGER_MM)
    quarters = round(tray.placement.turn / QUARTER) % 4
    own = _turned(replace(place, left=left, front=front), across, deep, (4 - quarters) % 4)
    return replace(own, left=round(own.left), front=round(own.front))
