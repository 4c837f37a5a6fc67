"""Moves of a stack as one: turned by a quarter, set by size, or built up until it weighs what its neighbour does."""

from collections.abc import Iterator

from jolly_ledge.edits.placements import ChangePlacement
from jolly_ledge.edits.risers import RaiseOnRisers
from jolly_ledge.edits.together import Together
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.landing import carries
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look
from jolly_ledge.proposals.move import Move
from jolly_ledge.proposals.risers import can_raise
from jolly_ledge.scene.marks import weights

QUARTER = 90.0
LIGHTER, MOST_BASES = 0.75, 2
"""What weighs less than so much of its heaviest neighbour is built up, with so many bases to choose from."""

BASE_SHARE = 0.5
"""A base is no higher than so much of what stands on it."""


def stack_moves(look: Look, arrangement: Arrangement, placed: PlacedItem, at_hand: tuple[Item, ...]) -> Iterator[Move]:
    """Yield moves of the stack that a thing is the foot of.

    Parameters
    ----------
    look : Look
    arrangement : Arrangement
        The look, resolved.
    placed : PlacedItem
        What stands on the ledge; it may carry more.
    at_hand : tuple of Item
        What could be brought to build it up.
    """
    if placed.placement.host is not None or placed.placement.pose in ("hung", "draped"):
        return
    pile = pile_on(arrangement, placed)
    if not any(one.placement.locked for one in pile):
        yield from _turned(look, pile)
        yield from _by_size(look, pile)
    yield from _built_up(look, arrangement, placed, at_hand)


def pile_on(arrangement: Arrangement, foot: PlacedItem) -> tuple[PlacedItem, ...]:
    """Return what lies one on the other from a foot upwards, as long as each carries one thing only."""
    pile = [foot]
    while True:
        top = pile[-1].id
        on = [one for one in arrangement.placed_items if one.placement.on == top and one.placement.pose != "draped"]
        if len(on) != 1:
            return tuple(pile)
        pile.append(on[0])


def _turned(look: Look, pile: tuple[PlacedItem, ...]) -> Iterator[Move]:
    """Turn all that is not round by a quarter, so that a stack shows its ends."""
    oblong = [one for one in pile if not one.item.is_round and one.item.width != one.item.depth]
    if len(pile) < 2 or not oblong:
        return
    label = f"Turn the stack of the {pile[0].item.label} a quarter"
    edits = [
        ChangePlacement(
            look=look.id, placements=(one.id,), changes=(("turn", (one.placement.turn + QUARTER) % 360),), label=label
        )
        for one in oblong
    ]  # fmt: skip
    yield Move("turn-stack", label, Together(edits=tuple(edits), label=label))


def _by_size(look: Look, pile: tuple[PlacedItem, ...]) -> Iterator[Move]:
    """Set a stack with the largest at its foot; what carries nothing stays its crown."""
    bearing = [one for one in pile if carries(one)]
    crown = [one for one in pile if not carries(one)]
    wanted = sorted(bearing, key=lambda one: -one.width * (one.back - one.front)) + crown
    if len(bearing) < 2 or len(crown) > 1 or wanted == list(pile):
        return
    label = f"Stack them by size, the {wanted[0].item.label} at the foot"
    foot = pile[0].placement
    edits = [
        ChangePlacement(
            look=look.id, placements=(one.id,), label=label,
            changes=(("on", wanted[at - 1].id if at else None), ("x", foot.x), ("z", foot.z)),
        )
        for at, one in enumerate(wanted)
    ]  # fmt: skip
    yield Move("by-size", label, Together(edits=tuple(edits), label=label))


def _built_up(look: Look, arrangement: Arrangement, placed: PlacedItem, at_hand: tuple[Item, ...]) -> Iterator[Move]:
    """Set a base under what weighs less to the eye than its heaviest neighbour: the one that brings it nearest."""
    if placed.placement.locked or placed.placement.pose != "upright":
        return
    stacks = [stack for stack in arrangement.stacks.get(placed.ledge.id, ()) if placed.id not in stack.ids]
    weight = weights(arrangement)
    heaviest = max((sum(weight.get(one, 0.0) for one in stack.ids) for stack in stacks), default=0.0)
    pile = pile_on(arrangement, placed)
    own = sum(weight.get(one.id, 0.0) for one in pile)
    if not 0 < own < LIGHTER * heaviest:
        return
    # As much face again as the weight asks for, in the tone of what stands there.
    lacks = (heaviest / own - 1) * sum(one.width * one.height for one in pile)
    deep = placed.back - placed.front
    bases = [
        item for item in at_hand
        if can_raise(item) and item.category != "book" and item.height <= BASE_SHARE * placed.height
        and item.width >= placed.width and item.depth >= deep
    ]  # fmt: skip
    bases.sort(key=lambda item: (abs(item.width * item.height - lacks), item.id))
    for base in bases[:MOST_BASES]:
        label = f"Build the {placed.item.label} up with the {base.label}"
        edit = RaiseOnRisers(look=look.id, placement=placed.id, risers=(base.id,), name=placed.item.label)
        yield Move("build-up", label, edit)
