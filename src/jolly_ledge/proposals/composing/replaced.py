"""A composition with other groups in it: kept within the ends of their ledges, and only where it can stand."""

from collections.abc import Mapping

from msgspec.structs import replace

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.composing.composition import Composition, PlacedItem, hangs_clear, placements_of
from jolly_ledge.proposals.composing.spread import keeps_to_a_span
from jolly_ledge.proposals.groups.group import Group

OPEN_EDGE_MM = 25.0
"""On what is open above groups keep so far from the ends."""


def with_groups(composition: Composition, groups: PlacedItem) -> Composition | None:
    """Return a composition with these groups in place of its own; None where one passes an end or it cannot stand."""
    known = {id(group) for _, group in composition.groups}
    for ledge, group in groups:
        margin = _margin(ledge)
        if id(group) in known:
            continue
        on_it = group.foot_left >= margin and group.foot_right <= ledge.width - margin
        if not on_it or not keeps_to_a_span(composition.stock, ledge, group):
            return None
    own = {placement.item for placement in placements_of(composition.groups)}
    others = tuple(placement for placement in composition.placements if placement.item not in own)
    placements = (*others, *placements_of(groups))
    problem = composition.stock.problem
    walls = tuple(placement for placement in others if placement.pose == "hung")
    if not problem.can_stand(problem.resolve(placements)) or (walls and not hangs_clear(problem, groups, walls)):
        return None
    return replace(composition, groups=groups, placements=placements)


def with_changed(composition: Composition, changed: Mapping[int, Group]) -> Composition | None:
    """Return a composition with some groups, by their number, changed where they are; see :func:`with_groups`."""
    groups = tuple((ledge, changed.get(number, group)) for number, (ledge, group) in enumerate(composition.groups))
    return with_groups(composition, groups)


def kept_clear(ledge: Ledge, group: Group) -> None:
    """Move a group in from the ends of its ledge, where it passes one."""
    margin = _margin(ledge)
    if group.foot_left < margin:
        group.shift(margin - group.foot_left)
    elif group.foot_right > ledge.width - margin:
        group.shift(ledge.width - margin - group.foot_right)


def _margin(ledge: Ledge) -> float:
    return 0.0 if ledge.clearance is not None else OPEN_EDGE_MM
