"""One move of a few things, as a stylist would try it."""

from msgspec import Struct

from jolly_ledge.edits.placements import MovePlacement
from jolly_ledge.edits.swap import SwapPlacements
from jolly_ledge.geometry.arrangement import PlacedItem
from jolly_ledge.geometry.landing import Spot
from jolly_ledge.model.history import Edit
from jolly_ledge.model.look import Look
from jolly_ledge.model.piece import Ledge


class Move(Struct, frozen=True):
    """One move: of what kind it is, what it says on its button, the edit that makes it."""

    kind: str
    label: str
    edit: Edit


def moved(look: Look, placed: PlacedItem, ledge: Ledge, x: float, z: float, on: str | None = None) -> MovePlacement:
    """Return the edit that sets a thing down elsewhere, in mm of its ledge, on the marks of a tape."""
    spot = Spot(ledge=ledge.id, x=float(round(x / 5) * 5), z=float(round(z / 5) * 5), on=on)
    return MovePlacement(look=look.id, placement=placed.id, spot=spot, name=placed.item.label)


def swapped(look: Look, placed: PlacedItem, other: PlacedItem) -> SwapPlacements:
    """Return the edit by which two things change places."""
    return SwapPlacements(
        look=look.id, first=placed.id, second=other.id, first_name=placed.item.label, second_name=other.item.label
    )
