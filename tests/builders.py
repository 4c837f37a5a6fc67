"""Small plans to test with."""

from typing import Any

from msgspec.structs import replace

from jolly_ledge.geometry.arrangement import NOBODY, Arrangement
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Manner, Placement
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.plan import Household, Plan

SIZES = {
    "book": (30.0, 240.0, 170.0),
    "frame": (200.0, 280.0, 25.0),
    "bowl": (200.0, 90.0, 200.0),
    "box": (300.0, 160.0, 220.0),
    "tray": (320.0, 30.0, 220.0),
    "stems": (200.0, 220.0, 120.0),
    "book-stack": (260.0, 90.0, 210.0),
    "plant": (180.0, 260.0, 180.0),
}


def thing(identifier: str, category: str = "vessel", **changes: Any) -> Item:
    """Return an item of a usual size for its category."""
    width, height, depth = SIZES.get(category, (120.0, 240.0, 120.0))
    known = {"width": width, "height": height, "depth": depth, "colours": (("#c4663c", 1.0),), **changes}
    return Item(id=identifier, category=category, **known)  # type: ignore[arg-type]


def case_of(shelves: int = 2, bays: int = 1, **changes: object) -> Piece:
    """Return a bookcase with shelves ``a1``, ``a2`` … in bays ``a``, ``b`` …, 800 by 400 by 300 each."""
    ledges = tuple(
        Ledge(
            id=f"{'abcdef'[bay]}{shelf + 1}",
            name=f"{'abcdef'[bay]}{shelf + 1}",
            left=20.0 + bay * 820,
            floor=100.0 + shelf * 420,
            width=800.0,
            depth=300.0,
            clearance=400.0,
        )
        for bay in range(bays)
        for shelf in range(shelves)
    )
    known = {
        "id": "case",
        "kind": "bookcase",
        "name": "Case",
        "width": 20.0 + bays * 820,
        "height": 100.0 + shelves * 420,
        "depth": 320.0,
        "backdrop": "#3f4f5a",
        "ledges": ledges,
        **changes,
    }
    return Piece(**known)  # type: ignore[arg-type]


def put(item: str, ledge: str = "a1", x: float | None = 400.0, z: float | None = 150.0, **changes: object) -> Placement:
    """Return a placement named like its item."""
    known = {"id": item, "item": item, "ledge": ledge, "x": x, "z": z, **changes}
    return Placement(**known)  # type: ignore[arg-type]


def plan_of(
    items: tuple[Item, ...] = (), placements: tuple[Placement, ...] = (), piece: Piece | None = None, **manner: object
) -> Plan:
    """Return a plan of one piece and one look ``look``."""
    case = piece or case_of()
    look = Look(id="look", piece=case.id, name="Look", manner=Manner(**manner), placements=placements)  # type: ignore[arg-type]
    return Plan(name="Test", pieces=(case,), stash=items, looks=(look,))


def arranged(
    items: tuple[Item, ...],
    placements: tuple[Placement, ...],
    piece: Piece | None = None,
    household: Household = NOBODY,
    **manner: object,
) -> Arrangement:
    """Return the look of such a plan, resolved."""
    plan = plan_of(items, placements, piece, **manner)
    return Arrangement(plan.pieces[0], {item.id: item for item in items}, plan.looks[0], (), household)


def with_look(plan: Plan, look: Look) -> Plan:
    """Return the plan with one more look."""
    return replace(plan, looks=(*plan.looks, look))
