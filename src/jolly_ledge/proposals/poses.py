"""How a thing is set down: as usual, and how else where that does not go."""

from collections.abc import Iterator

from jolly_ledge.geometry.pose import extent
from jolly_ledge.model.item import Item
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.words import WALL_CATEGORIES, Pose


def usual_pose(item: Item) -> Pose:
    """Return how a thing is usually set down: frames and boards lean, a single book lies, the rest stands."""
    if item.category == "book":
        return "flat"
    return "leaning" if item.category in WALL_CATEGORIES else "upright"


def ways_to_stand(item: Item, ledge: Ledge) -> Iterator[tuple[Pose, float]]:
    """Yield the poses and turns in which a thing goes on a ledge, the usual one first.

    >>> ledge = Ledge(id="a", left=0, floor=0, width=800, depth=300, clearance=250)
    >>> list(ways_to_stand(Item(id="b", category="box", width=250, height=100, depth=400), ledge))
    [('upright', 90.0)]
    """
    usual = usual_pose(item)
    others: tuple[Pose, ...] = ("upright",) if item.category == "book" else ("flat",) if usual == "leaning" else ()
    for pose in (usual, *others):
        for turn in (0.0, 90.0) if pose != "leaning" else (0.0,):
            size = extent(item, pose, turn)
            low_enough = ledge.clearance is None or size.height <= ledge.clearance
            if low_enough and size.width <= ledge.width and size.depth <= ledge.depth:
                yield pose, turn
                break
