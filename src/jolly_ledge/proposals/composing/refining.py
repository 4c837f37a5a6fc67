"""Moves of whole groups in a composition: along their ledge, turned about, exchanged; of a member; a stack is crowned.

Every move keeps to the grammar and gives a composition that can stand, or None.
"""

from collections.abc import Callable
from random import Random

from jolly_ledge.proposals.composing.composition import Composition
from jolly_ledge.proposals.composing.counting import nearer_the_count
from jolly_ledge.proposals.composing.crowning import crowned
from jolly_ledge.proposals.composing.less_shared import less_shared
from jolly_ledge.proposals.composing.members import enlarged, member_exchanged
from jolly_ledge.proposals.composing.mirroring import answered, is_mirrored, like_exchanged
from jolly_ledge.proposals.composing.regrouping import carried, group_exchanged, merged, split
from jolly_ledge.proposals.composing.replaced import with_changed, with_groups
from jolly_ledge.proposals.composing.shared_sets import set_shared

Move = Callable[[Composition, Random], Composition | None]

SHIFTS_MM = (-60, -40, -20, 20, 40, 60)
COUNTED_OFTEN = 0.4
"""So often a composition that is off the advised number is brought nearer to it."""

TRIED = 8
"""So many moves are tried for one that can be."""


def refined(composition: Composition, rng: Random) -> Composition | None:
    """Return a composition after one move by chance; None where it cannot be."""
    if not composition.groups:
        return None
    counted = nearer_the_count(composition, rng) if rng.random() < COUNTED_OFTEN else None
    if counted is not None:
        return counted
    # Most moves cannot be, and that is told at once: a few are tried for one that can.
    moves = MOVES
    if len({ledge.body for ledge in composition.stock.ledges}) > 1:
        moves = moves | MOVES_OF_A_PAIR
    if composition.stock.taken_before:
        moves = moves | MOVES_OF_ANOTHER_LOOK
    if is_mirrored(composition):
        moves = moves | MIRRORED_MOVES
    drawn = rng.choices(list(moves), list(moves.values()), k=TRIED)
    return next((moved for move in drawn if (moved := move(composition, rng)) is not None), None)


def shifted(composition: Composition, rng: Random) -> Composition | None:
    """Move one whole group along its ledge."""
    number, along = rng.randrange(len(composition.groups)), rng.choice(SHIFTS_MM)
    _, group = composition.groups[number]
    if group.wants_end:
        return None
    return with_changed(composition, {number: group.copy().shift(along)})


def turned_about(composition: Composition, rng: Random) -> Composition | None:
    """Exchange left and right within one group, where it stands."""
    number = rng.randrange(len(composition.groups))
    _, group = composition.groups[number]
    if group.wants_end or len(group.members) < 2:
        return None
    middle = (group.foot_left + group.foot_right) / 2
    turned = group.copy().shift(-middle).mirror()
    turned.shift(middle - (turned.foot_left + turned.foot_right) / 2)
    return with_changed(composition, {number: turned})


def traded(composition: Composition, rng: Random) -> Composition | None:
    """Set two groups in each other's place, middle on middle."""
    if len(composition.groups) < 2:
        return None
    first, second = rng.sample(range(len(composition.groups)), 2)
    (one_ledge, one), (other_ledge, other) = composition.groups[first], composition.groups[second]
    welcome = all(composition.stock.fits(member.thing, other_ledge) for member in one) and all(
        composition.stock.fits(member.thing, one_ledge) for member in other
    )
    if one.wants_end or other.wants_end or one_ledge.depth != other_ledge.depth or not welcome:
        return None
    along = (other.foot_left + other.foot_right - one.foot_left - one.foot_right) / 2
    groups = list(composition.groups)
    groups[first], groups[second] = (other_ledge, one.copy().shift(along)), (one_ledge, other.copy().shift(-along))
    return with_groups(composition, tuple(groups))


MOVES: dict[Move, float] = {
    shifted: 1.0, turned_about: 0.5, traded: 1.0, member_exchanged: 1.0, enlarged: 1.0, carried: 1.0,
    merged: 1.0, split: 0.5, group_exchanged: 0.3, crowned: 1.0,
}  # fmt: skip
"""Moves and how often each is tried: what can nearly always be, but seldom betters anything, comes less often."""

MOVES_OF_A_PAIR: dict[Move, float] = {set_shared: 1.0}
"""Moves between the two bodies of a flanking pair."""

MOVES_OF_ANOTHER_LOOK: dict[Move, float] = {less_shared: 1.0}
"""Moves away from what earlier looks of a run have."""

MIRRORED_MOVES: dict[Move, float] = {answered: 2.0, like_exchanged: 2.0}
"""Moves toward the mirrored figure, where it is asked for."""
