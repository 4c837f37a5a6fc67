"""What is large enough to hold its ledge alone."""

from jolly_ledge.geometry.arrangement import Stack
from jolly_ledge.measures.frame import anchor_size

ANCHOR_HEIGHT_SHARE = 0.5
BROAD_SHARE, BULK_SHARE = 0.6, 0.12
"""What holds a shelf alone: this share of its clearance, of its width, or of its opening."""

TOP_ANCHOR_SHARE = 0.14
"""A low broad thing of this share of an open top can be the one statement on it."""

HOLDS = (0.75, 1.0)
"""A thing of the first share of an anchor holds nothing, from the second on it holds its ledge."""


def anchor_share(stack: Stack) -> float:
    """Return how much of an anchor a stack is: from 1 on it is large enough to hold its ledge alone."""
    ledge = stack.ledge
    broad, bulk = stack.width / ledge.width, stack.width * stack.height / ledge.width
    if ledge.clearance:
        tall = stack.height / (ANCHOR_HEIGHT_SHARE * ledge.clearance)
        return max(tall, bulk / (BULK_SHARE * ledge.clearance), broad / BROAD_SHARE)
    tall = stack.height / anchor_size(ledge)
    return max(tall, bulk / (BULK_SHARE * 2 * anchor_size(ledge)), broad / TOP_ANCHOR_SHARE)
