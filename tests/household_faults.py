"""What a stylist would send back in a proposal for a household: each fault in words."""

from collections.abc import Iterator
from itertools import pairwise

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.model.belonging import verdict_on, welcome
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.roles import role_of, room_of
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.problem import Problem, stops_of
from jolly_ledge.proposals.story import leads_of
from jolly_ledge.proposals.thing import LOUD, Thing

APART_MM = 60.0
"""Things that are nearer than this read as one group."""


def faults_of(problem: Problem, arrangement: Arrangement) -> Iterator[str]:
    """Yield what may not be in any proposal."""
    piece = arrangement.piece
    for placed in arrangement.visible:
        item = placed.item
        if placed.depth_order == 0 and verdict_on(item, piece, placed.ledge)[0] == "asked":
            yield f"{item.label} comes only when asked"
        if Thing(item).loud >= LOUD:
            yield f"{item.label} is loud"
        if not placed.ledge.is_wall:
            yield from _bars_across(piece, placed)
    yield from (f"{kind}: {sorted(ids)}" for kind, ids in stops_of(arrangement))
    yield from _kit_missing(problem, arrangement)


def _bars_across(piece: Piece, placed: PlacedItem) -> Iterator[str]:
    for fixture in piece.fixtures:
        crossed = (
            fixture.kind in ("bar", "tv", "brace")
            and min(placed.right, fixture.right) - max(placed.left, fixture.left) > 10
            and min(placed.top, fixture.floor + fixture.height) - max(placed.bottom, fixture.floor) > 40
        )
        if crossed and fixture.width < 60:
            yield f"{placed.item.label} is behind a {fixture.kind}"


def _kit_missing(problem: Problem, arrangement: Arrangement) -> Iterator[str]:
    there = {placed.item.category for placed in arrangement.visible}
    quiet = [item for item in problem.plan.stash if Thing(item).loud < LOUD]
    tops = [ledge for ledge in problem.open_ledges if role_of(problem.piece, ledge) in ("top", "table")]

    def at_hand(*categories: str) -> bool:
        return any(
            item.category in categories and welcome(item, problem.piece, ledge) > 0 and item.depth <= ledge.depth
            and item.width < 0.6 * ledge.width
            for item in quiet for ledge in tops
        )  # fmt: skip

    if room_of(problem.piece) == "bed" and at_hand("lamp") and "lamp" not in there:
        yield "no light by the bed"
    tall = at_hand("lamp", "plant") and not there & {"lamp", "plant", "stems"}
    if problem.piece.kind == "console" and tall:
        yield "nothing tall or green on the console"


def share_in_groups(arrangement: Arrangement) -> float:
    """Return on how many of the ledges that hold anything things stand in groups of two and more."""
    held = [placed for placed in arrangement.by_ledge.values() if placed]
    grouped = 0
    for ledge in held:
        ground = sorted((one for one in ledge if not one.ledge.is_wall), key=lambda one: one.left)
        carried = any(one.depth_order for one in ground)
        near = any(other.left - one.right < APART_MM for one, other in pairwise(ground))
        grouped += carried or near
    return grouped / max(len(held), 1)


def leads_in_common(stock: Stock, first: Arrangement, second: Arrangement) -> frozenset[str]:
    """Return what leads two looks of one run although something else of the stash could lead.

    What alone answers a need comes again: the only lamp where a light is asked for, the only board where one cooks.
    """
    led = leads_of(first)
    lamps = {thing.id for thing in stock.pool if thing.category == "lamp"}
    alone = {thing.id for thing in stock.things.values() if stock.answers.is_alone(thing, led - {thing.id})}
    return (led & leads_of(second)) - alone - (lamps if len(lamps) == 1 else set())
