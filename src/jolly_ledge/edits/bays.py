"""Edits of bays: one divided in two, two made one, one copied."""

from collections.abc import Callable

from msgspec.structs import replace

from jolly_ledge.edits.edit import BaseEdit
from jolly_ledge.edits.pieces import BOARD_MM, SMALLEST_OPENING_MM, with_ledges
from jolly_ledge.geometry.bays import Bay, bay_of, bays_of
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.fresh_ids import fresh_id
from jolly_ledge.model.look import Look, Placement
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.value import changed

SAME_HEIGHT_MM = 15.0
"""Shelves of two bays nearer in height than this become one board when the bays are joined."""

Spot = tuple[str, float]
"""A ledge and how far things shift along it."""


class SplitBay(BaseEdit, frozen=True):
    """Put an upright into the middle of a bay."""

    piece: str
    ledge: str

    @property
    def label(self) -> str:
        """What it does."""
        return "Split a bay"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with two bays for one; things stay where they stood."""
        piece = plan.piece(self.piece)
        bay = bay_of(piece, self.ledge)
        half = round((bay.width - BOARD_MM) / 2, 1)
        if half < SMALLEST_OPENING_MM:
            raise EditError("Half of this bay would be narrower than 4 cm; split a wider one.")
        taken = {ledge.id for ledge in piece.ledges}
        halves: dict[str, str] = {}
        ledges: list[Ledge] = []
        inside = {ledge.id for ledge in bay.ledges}
        for ledge in piece.ledges:
            if ledge.id not in inside:
                ledges.append(ledge)
                continue
            identifier = fresh_id(f"{ledge.id} right", taken)
            taken.add(identifier)
            halves[ledge.id] = identifier
            name = f"{ledge.name}, right" if ledge.name else ""
            ledges.append(changed(ledge, width=half))
            ledges.append(changed(ledge, id=identifier, name=name, left=ledge.left + half + BOARD_MM, width=half))
        shift = -(half + BOARD_MM)

        def spot(placement: Placement) -> Spot:
            right = (placement.x or 0.0) > half + BOARD_MM / 2
            return (halves[placement.ledge], shift) if right else (placement.ledge, 0.0)

        moved = _with_things(plan, self.piece, inside, spot)
        return with_ledges(moved, replace(piece, ledges=tuple(ledges)))


class JoinBays(BaseEdit, frozen=True):
    """Take out the upright between a bay and the one to its right."""

    piece: str
    ledge: str

    @property
    def label(self) -> str:
        """What it does."""
        return "Join two bays"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with one bay for two.

        Shelves of one height become one board and keep their things; what stood on the other shelves
        of the right bay goes back to the stash.
        """
        piece = plan.piece(self.piece)
        left = bay_of(piece, self.ledge)
        right = next((bay for bay in bays_of(piece) if bay.left > left.right - SAME_HEIGHT_MM), None)
        if right is None:
            raise EditError("There is no bay to the right of this one; take the left one of the two in hand.")
        if left.ledges[0].body != right.ledges[0].body:
            raise EditError("These bays belong to two bodies that stand apart; choose two bays of one body.")
        pairs = _pairs(left, right)
        width = right.right - left.left
        gone = {ledge.id for ledge in right.ledges}
        widened = {ledge.id for ledge in left.ledges}
        ledges = tuple(
            changed(ledge, width=width) if ledge.id in widened else ledge
            for ledge in piece.ledges
            if ledge.id not in gone
        )
        shift = right.left - left.left

        def spot(placement: Placement) -> Spot:
            return pairs[placement.ledge], shift

        moved = _with_things(plan, self.piece, set(pairs), spot)
        return with_ledges(moved, replace(piece, ledges=ledges))


class CopyBay(BaseEdit, frozen=True):
    """Add a bay like one that is there; the piece grows by its width."""

    piece: str
    ledge: str

    @property
    def label(self) -> str:
        """What it does."""
        return "Copy a bay"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the copy at the right end."""
        piece = plan.piece(self.piece)
        bay = bay_of(piece, self.ledge)
        start = max(other.right for other in bays_of(piece)) + BOARD_MM
        taken = {ledge.id for ledge in piece.ledges}
        number = len(bays_of(piece)) + 1
        copies = []
        for index, ledge in enumerate(bay.ledges, start=1):
            identifier = fresh_id(f"bay {number} {index}", taken)
            taken.add(identifier)
            copies.append(changed(ledge, id=identifier, name=f"bay {number}, shelf {index}", left=start))
        return with_ledges(
            plan,
            changed(piece, width=piece.width + bay.width + BOARD_MM, ledges=(*piece.ledges, *copies)),
        )


def _pairs(left: Bay, right: Bay) -> dict[str, str]:
    """Return which ledges of the right bay are at the height of one in the left."""
    found = {}
    for ledge in right.ledges:
        same = min(left.ledges, key=lambda other: abs(other.floor - ledge.floor))
        if abs(same.floor - ledge.floor) <= SAME_HEIGHT_MM:
            found[ledge.id] = same.id
    return found


def _with_things(plan: Plan, piece_id: str, ledges: set[str], spot: Callable[[Placement], Spot]) -> Plan:
    """Return the plan with things moved from some ledges to other spots; what is carried goes along."""

    def moved(look: Look) -> Look:
        by_id = {placement.id: placement for placement in look.placements}

        def root(placement: Placement) -> Placement:
            while placement.host is not None:
                placement = by_id[placement.host]
            return placement

        placements = []
        for placement in look.placements:
            if placement.ledge not in ledges:
                placements.append(placement)
                continue
            ledge, shift = spot(root(placement))
            x = None if placement.x is None else placement.x + shift
            placements.append(changed(placement, ledge=ledge, x=x))
        return replace(look, placements=tuple(placements))

    looks = tuple(moved(look) if look.piece == piece_id else look for look in plan.looks)
    return replace(plan, looks=looks)


def can_join(piece: Piece, ledge_id: str) -> bool:
    """Tell whether there is a bay to the right of a ledge's own."""
    bays = bays_of(piece)
    return any(ledge.id == ledge_id for bay in bays[:-1] for ledge in bay.ledges)
