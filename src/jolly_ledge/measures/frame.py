"""The frame a ledge gives to what stands on it, in proportion to itself, so that a doubled scene reads the same."""

import math

from jolly_ledge.model.piece import Ledge

OPEN_SHARE = 0.30
"""Over a ledge that is open above so much of its width is read with it: 420 mm over a console of 1400 mm."""

ANCHOR_SHARE = 0.30
"""What holds an open top alone is so high, in parts of the side of a square of the top's area."""


def frame_height(ledge: Ledge) -> float:
    """Return the height that is read over a ledge: its clearance, or a share of its width where it is open.

    >>> frame_height(Ledge(id="a", left=0, floor=800, width=1400, depth=400))
    420.0
    """
    return ledge.clearance or OPEN_SHARE * ledge.width


def anchor_size(ledge: Ledge) -> float:
    """Return how high or wide a thing must be to hold an open ledge alone, in mm.

    >>> anchor_size(Ledge(id="a", left=0, floor=400, width=900, depth=400))
    180.0
    """
    return ANCHOR_SHARE * math.sqrt(ledge.width * ledge.depth)
