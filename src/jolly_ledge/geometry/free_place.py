"""Where on a ledge something could be put down: at the point that is shown, else in the widest gap."""

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.piece import Ledge

FRONT_MM = 20.0
"""What is put down lies this far behind the front edge, where the hand comes to it."""


def put_down_at(
    arrangement: Arrangement, ledge: Ledge, width: float, depth: float, at: float | None = None
) -> tuple[float, float]:
    """Return the left end and the front of a place, from the ledge's left end and its front edge (mm).

    Parameters
    ----------
    arrangement : Arrangement
        What stands already.
    ledge : Ledge
        Where it is to be.
    width, depth : float
        Of the place, in mm.
    at : float, optional
        Its middle, from the ledge's left end in mm; without it the widest gap is taken.
    """
    middle = _middle_of_the_widest_gap(arrangement, ledge) if at is None else at
    left = min(max(middle - width / 2, 0.0), max(ledge.width - width, 0.0))
    return round(left), min(FRONT_MM, max(ledge.depth - depth, 0.0))


def _middle_of_the_widest_gap(arrangement: Arrangement, ledge: Ledge) -> float:
    stands = [(one.left - ledge.left, one.right - ledge.left) for one in arrangement.by_ledge.get(ledge.id, ())]
    stands += [(place.left, place.right) for place in ledge.kept]
    widest, end = (0.0, 0.0), 0.0
    for left, right in [*sorted(stands), (ledge.width, ledge.width)]:
        if left - end > widest[1] - widest[0]:
            widest = (end, left)
        end = max(end, right)
    return (widest[0] + widest[1]) / 2
