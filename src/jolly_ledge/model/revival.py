"""An old look with today's stash: what is no longer owned is replaced by what comes nearest, or told."""

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.model.colour import family_distance
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Placement
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.words import Status

NEAR_SIZE = 0.25
"""A thing stands in for another of its kind when neither side differs by more than this share."""

WISHED: frozenset[Status] = frozenset({"wanted"})
"""What is only wished for is not there to be set up."""


class Revived(Struct, frozen=True):
    """The placements with today's things, and a sentence for each that was replaced or is missing."""

    placements: tuple[Placement, ...]
    told: tuple[str, ...]


def revived(plan: Plan, old: Look) -> Revived:
    """Return an old look as it can be set up today.

    What stood on or in a thing that is gone without a replacement goes too.
    """
    items = {item.id: item for item in plan.stash}
    placed = {placement.item for placement in old.placements}
    told: list[str] = []
    kept: dict[str, Placement] = {}
    taken: set[str] = set()
    for placement in _carriers_first(old.placements):
        item = items[placement.item]
        if placement.host is not None and placement.host not in kept:
            told.append(f"The {item.label} has nothing left to stand on and is left out.")
            continue
        if not is_gone(item):
            kept[placement.id] = placement
            continue
        other = _nearest(item, [one for one in plan.stash if one.id not in placed and one.id not in taken])
        if other is None:
            told.append(f"The {item.label} is no longer owned and nothing comes near it; it is left out.")
            continue
        taken.add(other.id)
        kept[placement.id] = replace(placement, item=other.id)
        told.append(f"The {other.label} stands for the {item.label}, which is no longer owned.")
    return Revived(tuple(kept[p.id] for p in old.placements if p.id in kept), tuple(told))


def is_gone(item: Item) -> bool:
    """Tell whether a thing is not there to be set up: given away, or only wished for."""
    return item.status in WISHED or item.gone


def _carriers_first(placements: tuple[Placement, ...]) -> list[Placement]:
    hosts = {placement.id: placement.host for placement in placements}

    def depth(placement: Placement) -> int:
        steps, host = 0, placement.host
        while host is not None and steps <= len(placements):
            steps, host = steps + 1, hosts.get(host)
        return steps

    return sorted(placements, key=depth)


def _nearest(gone: Item, others: list[Item]) -> Item | None:
    """Return the thing of the same kind and about the same size whose colour comes nearest."""
    alike = [
        item for item in others
        if item.category == gone.category and not is_gone(item)
        and all(abs(a - b) <= NEAR_SIZE * max(a, b)
                for a, b in ((item.width, gone.width), (item.height, gone.height), (item.depth, gone.depth)))
    ]  # fmt: skip
    return min(alike, key=lambda item: (family_distance(item.main_colour, gone.main_colour), item.id), default=None)
