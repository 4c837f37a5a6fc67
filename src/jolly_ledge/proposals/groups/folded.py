"""What is folded, on a shut box: alone and low it looks put away, on a box it rises to something."""

from collections.abc import Collection

from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.groups.group import Group
from jolly_ledge.proposals.groups.stock import Stock, is_tied, step_of_tone

HIGHEST, OVER_THE_RIM_MM = 0.8, 20.0
"""Both together rise to so much of the frame; what is folded passes the box by no more."""


def folded_on_a_box(
    stock: Stock, ledge: Ledge, used: Collection[str], *, width: float = float("inf")
) -> Group | None:  # fmt: skip
    """Return a shut box under something folded, None where either is missing or they do not go on each other.

    Parameters
    ----------
    stock : Stock
        What is at hand.
    ledge : Ledge
        Where it goes.
    used : collection of str
        Things that stand somewhere already.
    width : float
        The group becomes no wider, in mm.
    """
    most = HIGHEST * stock.frame(ledge)
    boxes = [
        thing for thing in stock.free(ledge, used, {"box"}, high=0.75 * most)
        if "lidded" in thing.item.traits and thing.width <= width
    ]  # fmt: skip
    pairs = [
        (box, folded)
        for box in boxes
        for folded in stock.free(ledge, used, {"textile"}, high=most - box.height)
        if folded.width <= box.width + OVER_THE_RIM_MM and folded.depth <= box.depth + OVER_THE_RIM_MM
        and not stock.is_hard(folded)
    ]  # fmt: skip
    if not pairs:
        return None
    box, folded = max(pairs, key=lambda pair: (
        pair[0].worth + pair[1].worth + 0.5 * is_tied(*pair) + step_of_tone(*pair) + 0.2 * stock.rng.random()
    ))  # fmt: skip
    group = Group("folded", ledge.depth)
    host = group.set_down(box, "middle")
    group.lay_on(folded, host)
    return group
