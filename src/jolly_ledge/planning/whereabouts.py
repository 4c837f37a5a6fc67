"""Where every thing is now: in which look, in which room or box, from whom, and until when."""

from collections.abc import Iterable

from msgspec import Struct

from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.dates import known_date
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.stash_order import StashSearch


class Whereabouts(Struct, frozen=True):
    """Where one thing of one client is.

    ``look`` is the id of the look it stands in, empty where it stands in none that is placed. ``due`` is when it must
    be back.
    """

    client: str
    item: Item
    look: str
    said: str
    due: str = ""


def standing_looks(plan: Plan) -> dict[str, Look]:
    """Return for every piece the look that stands there now: of those that are placed the one with the latest date."""
    found: dict[str, Look] = {}
    for look in plan.looks:
        if look.status != "placed":
            continue
        before = found.get(look.piece)
        if before is None or _placed_on(look) >= _placed_on(before):
            found[look.piece] = look
    return found


def _placed_on(look: Look) -> str:
    days = [entry.date for entry in look.log if entry.status == "placed"]
    day = known_date(days[-1]) if days else known_date(look.date)
    return day.isoformat() if day is not None else ""


def stands_elsewhere(plan: Plan, piece_id: str) -> dict[str, tuple[str, str]]:
    """Return for every thing that another piece has which piece and look that is, by their names.

    Of a piece that was dressed the look that stands there now counts, of any other its last one.
    """
    standing = standing_looks(plan)
    found: dict[str, tuple[str, str]] = {}
    for piece in plan.pieces:
        looks = [look for look in plan.looks_of(piece.id) if look.placements]
        if piece.id == piece_id or not looks:
            continue
        look = standing.get(piece.id, looks[-1])
        for placement in look.placements:
            found.setdefault(placement.item, (piece.label, look.label))
    return found


def whereabouts(plan: Plan, client: str, text: str = "") -> tuple[Whereabouts, ...]:
    """Return where the things of a plan are whose words match a search; all of them for an empty one."""
    wanted = {item.id for item in StashSearch(plan.stash).found(text)}
    places: dict[str, tuple[str, str]] = {}
    for look in standing_looks(plan).values():
        arrangement = arrange(plan, look)
        piece = arrangement.piece.label
        for placed in arrangement.placed_items:
            host = arrangement.by_id.get(placed.placement.host or "")
            on = f"{'in' if placed.placement.inside else 'on'} the {host.item.label}, " if host is not None else ""
            said = f"stands {on}{placed.ledge.label} of the {piece} ({look.label})"
            places[placed.item.id] = (look.id, said)
    return tuple(
        Whereabouts(client, item, *_place(item, places.get(item.id)), due=_due(item))
        for item in plan.stash
        if item.id in wanted
    )


def _place(item: Item, stands: tuple[str, str] | None) -> tuple[str, str]:
    if item.gone:
        return "", "is no longer here"
    if stands is not None:
        return stands
    if item.status == "wanted":
        return "", "is only wished for"
    if item.status == "to-buy":
        return "", "is still to be bought"
    where = f"box “{item.box}”" if item.status == "stored" and item.box else ""
    room = item.room or ("no place told" if not where else "")
    return (
        "",
        f"{'is stored in' if item.status == 'stored' else 'is kept in'} {', '.join(w for w in (where, room) if w)}",
    )


def _due(item: Item) -> str:
    if item.status != "borrowed" and not item.borrowed_from and not item.return_by:
        return ""
    to = item.returns_to or item.borrowed_from or "its owner"
    return f"from {item.borrowed_from or 'somebody'}, back to {to}{f' by {item.return_by}' if item.return_by else ''}"


def over_all(clients: Iterable[tuple[str, Plan]], text: str) -> tuple[Whereabouts, ...]:
    """Return where things are over all clients, those that must go back first, then by name."""
    found = [one for client, plan in clients for one in whereabouts(plan, client, text)]
    return tuple(sorted(found, key=lambda one: (not one.item.return_by, one.item.return_by, one.item.label)))
