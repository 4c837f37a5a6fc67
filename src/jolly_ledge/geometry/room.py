"""How far things may be moved along their ledge before they meet a wall, an end or a neighbour."""

from collections.abc import Collection

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem

TOUCHES_MM = 0.5
"""What meets by so little only touches."""


def room_along(arrangement: Arrangement, moving: Collection[str], along: float) -> tuple[float, str]:
    """Return how far some things may be moved along their ledges, and what stops them before they are there.

    Parameters
    ----------
    arrangement : Arrangement
        The look.
    moving : collection of str
        Placements that are moved together, with all that they carry.
    along : float
        How far they are to be moved, in mm; below nought to the left.

    Returns
    -------
    (float, str)
        So far they may go, in mm, and the label of what is in the way, empty where nothing is.
    """
    side = 1 if along > 0 else -1
    going = [one for one in arrangement.placed_items if one.id in moving or one.root in moving]
    gone = {one.id for one in going}
    room, by = abs(along), ""
    for one in going:
        if one.placement.pose in ("hung", "draped") or one.hidden:
            continue
        # What overhangs already is no more held at the end.
        end = max(one.ledge.right - one.right if side > 0 else one.left - one.ledge.left, 0.0)
        if end < room:
            room, by = end, f"the end of {one.ledge.label}"
        for other in arrangement.by_ledge.get(one.ledge.id, ()):
            if other.id not in gone and _is_in_line(one, other):
                gap = other.left - one.right if side > 0 else one.left - other.right
                if -TOUCHES_MM <= gap < room:
                    room, by = max(gap, 0.0), f"the {other.item.label}"
    return side * room, by


def _is_in_line(one: PlacedItem, other: PlacedItem) -> bool:
    """Tell whether two things would meet if one were moved along: in depth and in height."""
    if other.placement.pose in ("hung", "draped") or other.hidden:
        return False
    deep = min(one.back, other.back) - max(one.front, other.front)
    high = min(one.top, other.top) - max(one.bottom, other.bottom)
    return deep > TOUCHES_MM and high > TOUCHES_MM
