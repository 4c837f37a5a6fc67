"""Small looks to show in the examples of the readings what they measure."""

from typing import Any

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Manner, Placement
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.scene.as_seen import as_seen

PlacedItem = tuple[Item, Placement]


def shelves(count: int = 1, **changes: Any) -> Piece:
    """Return a bookcase of shelves ``s1``, ``s2`` … upward, each 800 by 400 by 300 mm, with 20 mm boards."""
    ledges = tuple(
        Ledge(id=f"s{n + 1}", left=0.0, floor=100.0 + n * 420.0, width=800.0, depth=300.0, clearance=400.0)
        for n in range(count)
    )
    known = {"id": "case", "kind": "bookcase", "width": 800.0, "height": 100.0 + count * 420.0, "depth": 300.0,
             "backdrop": "#f1ece0", "ledges": ledges, **changes}  # fmt: skip
    return Piece(**known)


def table(**changes: Any) -> Piece:
    """Return a dining table of 1600 by 900 mm, 750 mm high, seen from all round; its top is ``s1``."""
    top = Ledge(id="s1", left=0.0, floor=750.0, width=1600.0, depth=900.0)
    known = {"kind": "dining-table", "width": 1600.0, "height": 750.0, "depth": 900.0, "ledges": (top,),
             "viewed_from": "around", **changes}  # fmt: skip
    return shelves(**known)


def stand(x: float, width: float, height: float, ledge: str = "s1", z: float = 150.0, **changes: Any) -> PlacedItem:
    """Return a box of that size and its placement, named ``<ledge>-<x>``; item and placement fields may be given.

    Parameters
    ----------
    x : float
        The middle along the ledge, in mm.
    width : float
        In mm; the depth is the same.
    height : float
        In mm.
    ledge : str
        The id of a ledge.
    z : float
        The middle in depth, from the front edge, in mm.
    """
    of_placement = {name: changes.pop(name) for name in ("pose", "turn", "on", "inside", "vignette") if name in changes}
    name = changes.pop("id", f"{ledge}-{x:g}")
    item = {"category": "box", "width": width, "height": height, "depth": 100.0, "colours": (("#b5522c", 1.0),)}
    return (
        Item(id=name, **{**item, **changes}),
        Placement(id=name, item=name, ledge=ledge, x=float(x), z=z, **of_placement),
    )


def look_of(piece: Piece, *things: PlacedItem, **manner: Any) -> Arrangement:
    """Return a look of things on a piece, as the eye takes it in."""
    look = Look(id="look", piece=piece.id, manner=Manner(**manner), placements=tuple(place for _, place in things))
    return as_seen(Arrangement(piece, {item.id: item for item, _ in things}, look))
