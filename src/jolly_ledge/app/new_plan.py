"""What a new plan begins with: one plain bookcase to be measured."""

from jolly_ledge.model.look import Look
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.plan import Plan

SHELVES = 4
OPENING_MM, BOARD_MM, PLINTH_MM, SIDE_MM = 340.0, 20.0, 80.0, 20.0


def new_plan() -> Plan:
    """Return a plan with a bookcase of one bay and an empty look."""
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
    height = PLINTH_MM + SHELVES * step
    piece = Piece(
        id="bookcase",
        name="Bookcase",
        kind="bookcase",
        width=800.0,
        height=height,
        depth=300.0,
        backdrop="#e9e4d8",
        ledges=ledges,
    )
    return Plan(name="New plan", pieces=(piece,), looks=(Look(id="first-look", piece="bookcase", name="First look"),))
