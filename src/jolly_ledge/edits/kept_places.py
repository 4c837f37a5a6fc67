"""Edits of places that are kept free for something: a cup, keys, a thing not yet bought."""

import math
from typing import Literal

from jolly_ledge.edits.edit import BaseEdit
from jolly_ledge.edits.items import ChangeItem
from jolly_ledge.edits.pieces import ChangeLedge
from jolly_ledge.geometry.free_place import inside
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.kept_place import KeptPlace
from jolly_ledge.model.phrases import capital
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.value import checked

NEARLY_MM = 1.0


Doing = Literal["Keep a place", "Move the place", "Date the place"]
"""What is done with a place, as its step is named."""

KEEP: Doing = "Keep a place"
MOVE: Doing = "Move the place"
DATE: Doing = "Date the place"


class KeepPlace(BaseEdit, frozen=True):
    """Keep a place free on a ledge; one of the same name there moves to it."""

    piece: str
    ledge: str
    place: KeptPlace
    ledge_name: str = ""
    doing: Doing = KEEP

    @property
    def label(self) -> str:
        """What it does."""
        return f"{self.doing} for {self.place.name} on {self.ledge_name or self.ledge}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the place kept.

        Raises
        ------
        EditError
            It is larger than its ledge, or lies over an end of it.
        """
        ledge, place = plan.piece(self.piece).ledge(self.ledge), checked(self.place)
        _check_room(ledge, place)
        kept = _with(ledge.kept, place)
        return ChangeLedge(piece=self.piece, ledge=self.ledge, changes=(("kept", kept),), label=self.label).apply(plan)


class GiveBackPlace(BaseEdit, frozen=True):
    """Keep a place no longer."""

    piece: str
    ledge: str
    name: str

    @property
    def label(self) -> str:
        """What it does."""
        return f"Give back the place for {self.name}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan without the place; raise EditError where none of that name is kept there."""
        ledge = plan.piece(self.piece).ledge(self.ledge)
        kept = _without(ledge.kept, self.name, ledge.label)
        return ChangeLedge(piece=self.piece, ledge=self.ledge, changes=(("kept", kept),), label=self.label).apply(plan)


class KeepPlaceOnTray(BaseEdit, frozen=True):
    """Keep a place free on a tray; one of the same name there moves to it."""

    item: str
    place: KeptPlace
    name: str = ""
    doing: Doing = KEEP

    @property
    def label(self) -> str:
        """What it does."""
        return f"{self.doing} for {self.place.name} on {self.name or self.item}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan with the place kept.

        Raises
        ------
        EditError
            The thing is no tray, or the place is larger than it, or lies over an end of it.
        """
        tray, place = plan.item(self.item), checked(self.place)
        if tray.category != "tray":
            raise EditError(f"A place is kept on a ledge or on a tray, and the {tray.label} is neither; choose a tray.")
        _check_sides(place, tray.label, (tray.width, tray.depth, None))
        kept = _with(tray.kept, place)
        return ChangeItem(item=self.item, changes=(("kept", kept),), name=tray.label).apply(plan)


class GiveBackPlaceOnTray(BaseEdit, frozen=True):
    """Keep a place on a tray no longer."""

    item: str
    place: str

    @property
    def label(self) -> str:
        """What it does."""
        return f"Give back the place for {self.place}"

    def apply(self, plan: Plan) -> Plan:
        """Return the plan without the place; raise EditError where none of that name is kept there."""
        tray = plan.item(self.item)
        kept = _without(tray.kept, self.place, f"the {tray.label}")
        return ChangeItem(item=self.item, changes=(("kept", kept),), name=tray.label).apply(plan)


def _with(kept: tuple[KeptPlace, ...], place: KeptPlace) -> tuple[KeptPlace, ...]:
    """Return places with one more, which takes the place of one of its name."""
    return (*(one for one in kept if one.name != place.name), place)


def _without(kept: tuple[KeptPlace, ...], name: str, where: str) -> tuple[KeptPlace, ...]:
    """Return places without one; raise EditError where none of its name is kept there."""
    rest = tuple(one for one in kept if one.name != name)
    if len(rest) == len(kept):
        raise EditError(f"No place is kept for {name} on {where}; choose one that is drawn.")
    return rest


def _check_room(ledge: Ledge, place: KeptPlace) -> None:
    """Raise EditError where a place is larger than its ledge, or lies over an end of it."""
    if ledge.is_wall:
        raise EditError(f"Nothing stands on {ledge.label}; keep the place on a ledge.")
    _check_sides(place, ledge.label, (ledge.width, ledge.depth, ledge.clearance))
    left, front = inside(ledge, place.left, place.front, place.width, place.depth)
    if math.hypot(left - place.left, front - place.front) > NEARLY_MM:
        raise EditError(f"The place for {place.name} lies over the rim of {ledge.label}; move it inwards.")


def _check_sides(place: KeptPlace, where: str, sides: tuple[float, float, float | None]) -> None:
    """Raise EditError where a place is larger than some width, depth and height, or lies over an end of them."""
    wide, deep, high = sides
    for side, there, what in ((place.width, wide, "wide"), (place.depth, deep, "deep"), (place.height, high, "high")):
        if there is not None and side > there:
            raise EditError(
                f"{capital(place.name)} wants {round(side)} mm {what}, {where} has {round(there)} mm; choose "
                "another ledge or a smaller place."
            )
    over = max(-place.left, place.right - wide, -place.front, place.front + place.depth - deep)
    if over > 0:
        raise EditError(f"The place for {place.name} lies {round(over)} mm over the end of {where}; move it inwards.")
