"""Starting sizes: what things of a kind usually measure in this stash, else in general."""

import statistics
from collections.abc import Iterable

from msgspec import Struct

from jolly_ledge.model.entry.vocabulary import Kind
from jolly_ledge.model.item import Item

SIDES = ("width", "height", "depth")


class Usual(Struct, frozen=True):
    """Usual sizes (mm) and how many measured things they come from; nought for general ones."""

    width: float
    height: float
    depth: float
    measured: int


def usual_size(kind: Kind, stash: Iterable[Item]) -> Usual:
    """Return the median size of measured things of a kind in the stash; the general one for each side without any."""
    alike = [item for item in stash if item.category == kind.category and item.shape == (kind.silhouette or item.shape)]
    sizes = {}
    for side in SIDES:
        measured = [getattr(item, side) for item in alike if side not in item.guessed]
        sizes[side] = statistics.median(measured) if measured else getattr(kind, side)
    return Usual(sizes["width"], sizes["height"], sizes["depth"], len(alike))
