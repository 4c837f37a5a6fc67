"""What a new plan begins with, and what a bare one is given so that it can be worked on."""

from msgspec.structs import replace

from jolly_ledge.model.fresh_ids import fresh_id
from jolly_ledge.model.look import Look
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.starts.cases import bookcase


def new_plan() -> Plan:
    """Return a plan with a bookcase of one bay and an empty look."""
    return workable(Plan(name="New plan"))


def workable(plan: Plan) -> Plan:
    """Return a plan with at least one piece, and a look for every piece; one that has them stays as it is."""
    if not plan.pieces:
        plan = replace(plan, pieces=(bookcase(),))
    dressed = {look.piece for look in plan.looks}
    taken = {look.id for look in plan.looks}
    looks = []
    for piece in plan.pieces:
        if piece.id not in dressed:
            looks.append(Look(id=fresh_id("first look", taken), piece=piece.id, name="First look"))
            taken.add(looks[-1].id)
    return replace(plan, looks=(*plan.looks, *looks)) if looks else plan


def is_untouched(plan: Plan, piece: Piece) -> bool:
    """Tell whether a piece is as a new plan was given it, and nothing stands on it."""
    given = bookcase()
    return piece == replace(given, id=piece.id) and not any(look.placements for look in plan.looks_of(piece.id))
