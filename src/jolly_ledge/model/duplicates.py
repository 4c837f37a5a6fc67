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


def twins_in(stash: Iterable[Item]) -> tuple[tuple[Item, ...], ...]:
    """Return groups of probable duplicates; things told to be a set or a pair are meant to be alike.

    Notes
    -----
    Sorted by kind and height first, so that only near neighbours are compared.
    """
    rest = sorted(stash, key=lambda item: (item.category, item.height, item.id))
    groups: list[list[Item]] = []
    for index, item in enumerate(rest):
        if any(item in group for group in groups):
            continue
        group = [item]
        for other in rest[index + 1 :]:
            if other.category != item.category or other.height - item.height > SAME_SIZE_MM:
                break
            if are_twins(item, other) and not (item.set and item.set == other.set):
                group.append(other)
        if len(group) > 1:
            groups.append(group)
    return tuple(tuple(group) for group in groups)
