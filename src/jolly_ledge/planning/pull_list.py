"""What is fetched from which room before the work begins, and what must be brought back when."""

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.dates import known_date
from jolly_ledge.model.item import Item
from jolly_ledge.planning.working_order import HEAVY_KG, VERY_HEAVY_KG

NO_ROOM = "room not told"
SHOP = "the shop"


class Pull(Struct, frozen=True):
    """One thing to fetch, with what to mind on the way."""

    item: Item
    note: str


class PullList(Struct, frozen=True):
    """What is fetched, room by room; ``returns`` tell what goes back to whom or where, and until when."""

    rooms: tuple[tuple[str, tuple[Pull, ...]], ...]
    returns: tuple[str, ...]
    heavy: tuple[str, ...]

    @property
    def count(self) -> int:
        """How many things are fetched."""
        return sum(len(pulls) for _, pulls in self.rooms)


def pull_list(arrangement: Arrangement) -> PullList:
    """Return what a look needs, room by room: the rooms with most things first, what is to be bought before all."""
    rooms: dict[str, list[Pull]] = {}
    items = [placed.item for placed in arrangement.placed_items]
    for item in items:
        rooms.setdefault(_room_of(item), []).append(Pull(item, _note(item)))
    ordered = sorted(rooms.items(), key=lambda room: (room[0] != SHOP, room[0] == NO_ROOM, -len(room[1]), room[0]))
    return PullList(
        rooms=tuple((room, tuple(sorted(pulls, key=lambda pull: pull.item.label))) for room, pulls in ordered),
        returns=tuple(said for item in items if (said := _return(item))),
        heavy=tuple(
            f"{item.label}, {item.mass:g} kg: {'two people' if item.mass >= VERY_HEAVY_KG else 'alone and two-handed'}"
            for item in sorted(items, key=lambda item: -(item.mass or 0.0))
            if item.mass is not None and item.mass >= HEAVY_KG
        ),
    )


def _room_of(item: Item) -> str:
    if item.status in ("to-buy", "wanted"):
        return SHOP
    place = item.room or NO_ROOM
    return f"{place}, box “{item.box}”" if item.status == "stored" and item.box else place


def _note(item: Item) -> str:
    notes = [f"{item.count} of them"] if item.count > 1 else []
    notes += [word for trait, word in (("fragile", "fragile"), ("sharp", "sharp"), ("flame", "keep wicks dry"))
              if trait in item.traits]  # fmt: skip
    if item.mass is not None and item.mass >= HEAVY_KG:
        notes.append(f"{item.mass:g} kg")
    return ", ".join(notes)


def _return(item: Item) -> str:
    """Return what must be brought back, where to, and by when; empty for what stays in the house."""
    if item.status != "borrowed" and not item.borrowed_from and not item.returns_to:
        return ""
    to = item.returns_to or item.borrowed_from or "its owner"
    day = known_date(item.return_by)
    by = f" by {day.isoformat()}" if day else f" by {item.return_by}" if item.return_by else ""
    return f"{item.label} to {to}{by}"
