"""What is to be hidden or masked and stands wholly behind other things is out of sight, as if it lay in a box."""

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.scene.marks import marks_of

MEANT_UNSEEN = frozenset({"hide", "mask"})
GLIMPSE = 0.05
"""Less than this share in sight is not noticed."""


def with_the_masked_gone(arrangement: Arrangement) -> Arrangement:
    """Return a look in which what is meant to be unseen, and is, counts as hidden; the same look where nothing is.

    What carries something stays: what stands on it has to rest on something that is seen.
    """
    meant = [
        one for one in arrangement.visible
        if not MEANT_UNSEEN.isdisjoint(one.item.traits) and one.placement.pose not in ("hung", "draped")
    ]  # fmt: skip
    if not meant:
        return arrangement
    carrying = {one.placement.host for one in arrangement.visible}
    in_sight = {mark.id: mark.in_sight for mark in marks_of(arrangement)}
    return arrangement.with_unseen(
        frozenset(one.id for one in meant if one.id not in carrying and in_sight[one.id] < GLIMPSE)
    )
