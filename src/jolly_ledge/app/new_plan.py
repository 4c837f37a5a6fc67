"""What a new plan begins with, and what a bare one is given so that it can be worked on."""

from msgspec.structs import replace

from jolly_ledge.model.edits.edit import fresh_id
from jolly_ledge.model.look import Look
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.plan import Plan

SHELVES = 4
OPENING_MM, BOARD_MM, PLINTH_MM, SIDE_MM = 340.0, 20.0, 80.0, 20.0


def new_plan() -> Plan:
    """Return a plan with a bookcase of one bay and an empty look."""
    return workable(Plan(name="New plan"))


def workable(plan: Plan) -> Plan:
    """Return a plan with at least one piece, and a look for every piece; one that has them stays as it is."""
    if not plan.pieces:
        plan = replace(plan, pieces=(plain_bookcase(),))
    dressed = {look.piece for look in plan.looks}
    taken = {look.id for look in plan.looks}
    looks = []
    for piece in plan.pieces:
        if piece.id not in dressed:
            looks.append(Look(id=fresh_id("first look", taken), piece=piece.id, name="First look"))
            taken.add(looks[-1].id)
    return replace(plan, looks=(*plan.looks, *looks)) if looks else plan


def plain_bookcase() -> Piece:
    """Return a bookcase of one bay, to be measured."""
    step = OPENING_MM + BOARD_MM
    ledges = tuple(
        Ledge(
            id=f"shelf-{number}",
            name=f"shelf {number}",
            left=SIDE_MM,
            floor=PLINTH_MM + (number - 1) * step,
            width=760.0,
            depth=280.0,
            clearance=OPENING_MM,
        )
        for number in range(1, SHELVES + 1)
    )
    return Piece(
        id="bookcase",
        name="Bookcase",
        kind="bookcase",
        width=800.0,
        height=PLINTH_MM + SHELVES * step,
        depth=300.0,
        backdrop="#e9e4d8",
        ledges=ledges,
    )
