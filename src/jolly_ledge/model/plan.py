"""The whole document: pieces, stash and looks."""

from collections import Counter
from typing import Annotated, Literal

from msgspec import Meta

from jolly_ledge.model.errors import InvalidPlanError
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Manner
from jolly_ledge.model.money import Price, check_price
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.value import Colour, Value, Words, record_by_id

FORMAT = "jolly-ledge/plan"
VERSION = 6


class Household(Value, frozen=True):
    """Who lives with the pieces; ``child_age`` is that of the youngest child, in years, where it is told."""

    toddler: bool = False
    child_age: Annotated[int, Meta(ge=0, le=17)] | None = None
    pets: tuple[Words, ...] = ()
    notes: Words = ""


class ColourFamily(Value, frozen=True):
    """Colours that the stylist sees as one, whatever the program would say."""

    name: Words
    colours: Annotated[tuple[Colour, ...], Meta(min_length=1, max_length=2_000)]


class Taste(Value, frozen=True):
    """A manner that is kept under the name of whose it is: it belongs to the client, not to the stylist."""

    name: Annotated[Words, Meta(min_length=1)]
    manner: Manner


class Plan(Value, frozen=True, omit_defaults=False):
    """A document: everything that is planned together."""

    format: Literal["jolly-ledge/plan"] = "jolly-ledge/plan"
    version: Literal[6] = 6
    name: Words = ""
    household: Household = Household()
    pieces: Annotated[tuple[Piece, ...], Meta(max_length=1_000)] = ()
    stash: Annotated[tuple[Item, ...], Meta(max_length=50_000)] = ()
    looks: Annotated[tuple[Look, ...], Meta(max_length=5_000)] = ()
    families: Annotated[tuple[ColourFamily, ...], Meta(max_length=200)] = ()
    tastes: Annotated[tuple[Taste, ...], Meta(max_length=200)] = ()
    budget: Price | None = None
    currency: Annotated[str, Meta(max_length=12)] = ""
    """How amounts are marked, such as ``€``: text, for nothing is ever converted."""

    def __post_init__(self) -> None:
        check_price(self.budget, "a budget")

    def piece(self, piece_id: str) -> Piece:
        """Return a piece by its id; raise EditError where there is none."""
        return record_by_id(self.pieces, piece_id, "piece", "in the plan")

    def item(self, item_id: str) -> Item:
        """Return an item of the stash by its id; raise EditError where there is none."""
        return record_by_id(self.stash, item_id, "item", "in the plan")

    def look(self, look_id: str) -> Look:
        """Return a look by its id; raise EditError where there is none."""
        return record_by_id(self.looks, look_id, "look", "in the plan")

    def looks_of(self, piece_id: str) -> tuple[Look, ...]:
        """Return the looks of one piece, in the order of the file."""
        return tuple(look for look in self.looks if look.piece == piece_id)


def photo_names(plan: Plan) -> frozenset[str]:
    """Return the names of all photographs a plan refers to."""
    pieces = (piece.photo.name for piece in plan.pieces if piece.photo is not None)
    looks = (photo.name for look in plan.looks for photo in look.photos)
    return frozenset((*pieces, *(item.photo for item in plan.stash if item.photo), *looks))


MOST_ON_A_LEDGE, HIGHEST_PILE = 300, 60
"""More than any ledge or pile bears; a plan of more would be read for minutes."""


def check_references(plan: Plan) -> None:
    """Check that ids are unique and that every reference is met.

    Raises
    ------
    InvalidPlanError
        With the path to the first fault.
    """
    _check_unique("pieces", [piece.id for piece in plan.pieces])
    _check_unique("stash", [item.id for item in plan.stash])
    _check_unique("looks", [look.id for look in plan.looks])
    pieces = {piece.id: piece for piece in plan.pieces}
    items = {item.id for item in plan.stash}
    for index, piece in enumerate(plan.pieces):
        _check_unique(f"pieces[{index}].ledges", [ledge.id for ledge in piece.ledges])
    for index, look in enumerate(plan.looks):
        path = f"looks[{index}]"
        if look.piece not in pieces:
            raise InvalidPlanError(f"{path}.piece", f"no piece “{look.piece}” in the plan")
        check_look(look, pieces[look.piece], items, path)


def check_look(look: Look, piece: Piece, items: set[str], path: str) -> None:
    """Check one look against its piece and the ids of the stash; raise InvalidPlanError."""
    _check_unique(f"{path}.placements", [placement.id for placement in look.placements])
    hosts = {placement.id: placement.host for placement in look.placements}
    ledges = {ledge.id for ledge in piece.ledges}
    seen: set[str] = set()
    for index, placement in enumerate(look.placements):
        where = f"{path}.placements[{index}]"
        if placement.item not in items:
            raise InvalidPlanError(f"{where}.item", f"no item “{placement.item}” in the stash")
        if placement.item in seen:
            raise InvalidPlanError(f"{where}.item", f"“{placement.item}” stands twice in this look")
        seen.add(placement.item)
        if placement.ledge not in ledges:
            raise InvalidPlanError(f"{where}.ledge", f"no ledge “{placement.ledge}” on “{piece.id}”")
        if placement.host is not None and placement.host not in hosts:
            word = "on" if placement.on else "inside"
            raise InvalidPlanError(f"{where}.{word}", f"no placement “{placement.host}” in this look")
    crowded = Counter(placement.ledge for placement in look.placements).most_common(1)
    if crowded and crowded[0][1] > MOST_ON_A_LEDGE:
        problem = f"{crowded[0][1]} things on “{crowded[0][0]}”; up to {MOST_ON_A_LEDGE} are read"
        raise InvalidPlanError(f"{path}.placements", problem)
    _check_hosts(hosts, path)


def _check_hosts(hosts: dict[str, str | None], path: str) -> None:
    settled: set[str] = set()
    for start in hosts:
        trail: set[str] = set()
        step: str | None = start
        while step is not None and step not in settled:
            if step in trail:
                raise InvalidPlanError(f"{path}.placements", f"“{step}” stands on itself")
            trail.add(step)
            step = hosts[step]
        settled |= trail
    for start in hosts:
        depth, step = 0, start
        while (step := hosts[step]) is not None:
            depth += 1
            if depth > HIGHEST_PILE:
                raise InvalidPlanError(f"{path}.placements", f"more than {HIGHEST_PILE} things on one pile")


def _check_unique(path: str, ids: list[str]) -> None:
    if len(set(ids)) == len(ids):
        return
    seen: set[str] = set()
    for index, identifier in enumerate(ids):
        if identifier in seen:
            raise InvalidPlanError(f"{path}[{index}].id", f"“{identifier}” is used twice")
        seen.add(identifier)
