"""Places that are kept for a thing yet to come, and what on the list of what is wanted would go into each."""

from collections.abc import Iterator

from msgspec import Struct

from jolly_ledge.model.item import Item
from jolly_ledge.model.kept_place import KeptPlace
from jolly_ledge.model.lengths import LengthUnit, format_length
from jolly_ledge.model.phrases import listed
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.plan import Plan

NOT_BOUGHT = "a thing not bought yet"
TO_COME = frozenset({"wanted", "to-buy"})


class PlaceToFill(Struct, frozen=True):
    """A kept place, the name of its ledge or its tray, and what is wanted or to be bought that goes into it."""

    place: KeptPlace
    where: str
    fitting: tuple[Item, ...]

    def sentence(self, unit: LengthUnit) -> str:
        """Say what the place takes and what would go into it, in a unit of length."""
        place = self.place
        width, depth, height = (format_length(side, unit) for side in (place.width, place.depth, place.height))
        bears = f"{width} wide, {depth} deep and {height} high at the most"
        names = listed([f"the {item.label}" for item in self.fitting])
        told = f"from the list {names} would go there" if names else "nothing on the list goes there"
        return f"The place kept for {place.name} on {self.where} takes what is {bears}; {told}."


def places_to_fill(plan: Plan, piece: Piece) -> tuple[PlaceToFill, ...]:
    """Return the places of a piece that wait for a thing: one not bought yet, or one that is on the list by name."""
    return tuple(_waiting(plan, piece))


def _waiting(plan: Plan, piece: Piece) -> Iterator[PlaceToFill]:
    to_come = [item for item in plan.stash if item.status in TO_COME and not item.gone]
    named = {item.label.casefold() for item in to_come}
    for where, place in _kept(plan, piece):
        name = place.name.casefold().removeprefix("the ")
        if place.name == NOT_BOUGHT:
            yield PlaceToFill(place, where, tuple(item for item in to_come if _goes(item, place)))
        elif name in named:
            its_own = (item for item in to_come if item.label.casefold() == name)
            yield PlaceToFill(place, where, tuple(item for item in its_own if _goes(item, place)))


def _kept(plan: Plan, piece: Piece) -> Iterator[tuple[str, KeptPlace]]:
    """Yield the places on the ledges of a piece, and on trays that stand in one of its looks."""
    for ledge in piece.ledges:
        yield from ((ledge.label, place) for place in ledge.kept)
    standing = {one.item for look in plan.looks if look.piece == piece.id for one in look.placements}
    for item in plan.stash:
        if item.kept and item.id in standing:
            yield from ((f"the {item.label}", place) for place in item.kept)


def _goes(item: Item, place: KeptPlace) -> bool:
    """Tell whether a thing goes into a place, turned by a quarter where that helps."""
    along, across = sorted((item.width, item.depth)), sorted((place.width, place.depth))
    return item.height <= place.height and all(side <= free for side, free in zip(along, across, strict=True))
