"""Things that are probably one thing entered twice."""

from collections.abc import Iterable

from jolly_ledge.model.colour import FAMILY_RADIUS, family_distance
from jolly_ledge.model.item import Item

SAME_SIZE_MM = 5.0


def are_twins(first: Item, second: Item) -> bool:
    """Tell whether two entries have the same kind, size and colour family."""
    return (
        first.category == second.category
        and first.shape == second.shape
        and all(
            abs(getattr(first, side) - getattr(second, side)) <= SAME_SIZE_MM for side in ("width", "height", "depth")
        )
        and family_distance(first.main_colour, second.main_colour) <= FAMILY_RADIUS
    )


class TwinFinder:
    """Finds the probable duplicates of a thing among things seen before.

    Notes
    -----
    Things are kept by kind, shape and height in steps of the tolerance, so that only near neighbours are
    compared: adding and asking take constant time for a stash of varied sizes.
    """

    def __init__(self, items: Iterable[Item] = ()) -> None:
        self._kept: dict[tuple[str, str, int], list[Item]] = {}
        for item in items:
            self.add(item)

    def add(self, item: Item) -> None:
        """Remember a thing."""
        self._kept.setdefault(self._key(item, 0), []).append(item)

    def twin_of(self, item: Item) -> Item | None:
        """Return the first remembered thing that is probably the same, None if there is none."""
        near = (other for step in (-1, 0, 1) for other in self._kept.get(self._key(item, step), ()))
        return next((other for other in near if are_twins(item, other)), None)

    @staticmethod
    def _key(item: Item, step: int) -> tuple[str, str, int]:
        return item.category, item.shape, int(item.height // SAME_SIZE_MM) + step


def twins_in(stash: Iterable[Item]) -> tuple[tuple[Item, ...], ...]:
    """Return groups of probable duplicates; things told to be a set or a pair are meant to be alike."""
    finder = TwinFinder()
    groups: dict[str, list[Item]] = {}
    first_of: dict[str, str] = {}
    for item in stash:
        twin = finder.twin_of(item)
        if twin is not None and not (item.set and item.set == twin.set):
            first = first_of.get(twin.id, twin.id)
            groups.setdefault(first, [twin]).append(item)
            first_of[item.id] = first
        finder.add(item)
    return tuple(tuple(group) for group in groups.values())
