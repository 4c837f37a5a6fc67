"""Changes of a plan that should not change the judgement: mirrored, doubled, shaken a little, shuffled."""

import random
from typing import Any

from msgspec.structs import replace

from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.plan import Plan


def mirrored(plan: Plan) -> Plan:
    """Return the plan with left and right exchanged."""
    pieces = tuple(_mirrored_piece(piece) for piece in plan.pieces)
    widths = {(piece.id, ledge.id): ledge.width for piece in plan.pieces for ledge in piece.ledges}
    looks = tuple(
        replace(look, placements=tuple(
            replace(p, x=None if p.x is None else widths[look.piece, p.ledge] - p.x, turn=-p.turn)
            for p in look.placements
        ))
        for look in plan.looks
    )  # fmt: skip
    return replace(plan, pieces=pieces, looks=looks)


def _mirrored_piece(piece: Piece) -> Piece:
    return replace(
        piece,
        ledges=tuple(replace(ledge, left=piece.width - ledge.right) for ledge in piece.ledges),
        fixtures=tuple(replace(fixture, left=piece.width - fixture.right) for fixture in piece.fixtures),
        seats=tuple(replace(seat, x=piece.width - seat.x) for seat in piece.seats),
    )


def enlarged(plan: Plan, by: float) -> Plan:
    """Return the plan with every length multiplied."""
    return replace(
        plan,
        pieces=tuple(
            _times(
                replace(
                    piece,
                    ledges=tuple(_times(e, by, "left", "floor", "width", "depth", "clearance") for e in piece.ledges),
                    fixtures=tuple(_times(f, by, "left", "floor", "width", "height") for f in piece.fixtures),
                    seats=tuple(_times(seat, by, "x", "z") for seat in piece.seats),
                ),
                by, "width", "height", "depth",
            )
            for piece in plan.pieces
        ),
        stash=tuple(_times(item, by, "width", "height", "depth") for item in plan.stash),
        looks=tuple(
            replace(look, placements=tuple(_times(p, by, "x", "z", "y") for p in look.placements))
            for look in plan.looks
        ),
    )  # fmt: skip


def _times(value: Any, by: float, *names: str) -> Any:
    known = {name: getattr(value, name) for name in names}
    return replace(value, **{name: None if length is None else length * by for name, length in known.items()})


def shaken(plan: Plan, seed: int, size: float = 0.08, place_mm: float = 15.0) -> Plan:
    """Return the plan with every size changed by up to a share, and every place, the same in all looks."""
    rng = random.Random(seed)
    stash = tuple(_shaken_item(item, rng, size) for item in plan.stash)
    moves: dict[tuple[str, str], tuple[float, float]] = {}

    def move(placement: Placement) -> Placement:
        if placement.x is None or placement.z is None:
            return placement
        key = (placement.item, placement.ledge)
        along, deep = moves.setdefault(key, (rng.uniform(-1, 1) * place_mm, rng.uniform(-1, 1) * place_mm / 2))
        return replace(placement, x=placement.x + along, z=placement.z + deep)

    looks = tuple(replace(look, placements=tuple(move(p) for p in look.placements)) for look in plan.looks)
    return replace(plan, stash=stash, looks=looks)


def _shaken_item(item: Item, rng: random.Random, size: float) -> Item:
    return replace(
        item,
        width=item.width * (1 + rng.uniform(-size, size)),
        height=item.height * (1 + rng.uniform(-size, size)),
        depth=item.depth * (1 + rng.uniform(-size, size)),
    )


def shuffled(plan: Plan, seed: int) -> Plan:
    """Return the plan with the placements of every look in another order."""
    rng = random.Random(seed)
    looks = tuple(
        replace(look, placements=tuple(rng.sample(look.placements, len(look.placements)))) for look in plan.looks
    )
    return replace(plan, looks=looks)
