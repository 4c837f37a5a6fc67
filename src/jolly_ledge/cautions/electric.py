"""Cords, sockets, watts, and water near them."""

from collections.abc import Iterable

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.stuff import holds_water
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.plugs import Plug, drawing_through, plugs_of
from jolly_ledge.geometry.sockets import sockets_of, usual_cord
from jolly_ledge.model.item import Item
from jolly_ledge.model.phrases import capital, counted, listed
from jolly_ledge.model.piece import Fixture

MOST_ON_A_SOCKET = 2
HUNGRY_CATEGORIES = frozenset({"appliance"})
"""What heats draws as much as a socket gives."""

WET_MM, WET_SOCKET_MM, RUNS_DOWN_MM = 150.0, 50.0, 800.0
HOT = ("firebox", "cooktop")
HOT_ABOVE_MM = 150.0
"""A cord that runs lower over the fire or the cooktop than this is scorched."""


def cords(arrangement: Arrangement) -> Iterable[Caution]:
    """Report corded things without a socket in reach, and more on a socket than it is made for."""
    corded = [placed for placed in arrangement.placed_items if placed.item.has_cord]
    if not corded:
        return
    plugs = plugs_of(arrangement)
    plugged = {plug.placed.id for plug in plugs}
    for placed in corded:
        if placed.id not in plugged:
            yield Caution(
                "cords",
                "unknown",
                (placed.id,),
                f"The {placed.item.label} has a cord and no socket is told near {arrangement.piece.label}; find out "
                "where it plugs in before it is placed.",
            )
    users: dict[Fixture, list[Plug]] = {}
    for plug in plugs:
        users.setdefault(plug.socket, []).append(plug)
        yield from _reach(plug)
        yield from _across_heat(plug.placed, plug.socket, arrangement)
        yield from _heats_on_a_strip(plug)
    for socket, group in users.items():
        drawing = [through.placed for plug in group for through in drawing_through(plug, plugs)]
        yield from _on_one(socket, len(group), drawing or [plug.placed for plug in group])


def _reach(plug: Plug) -> Iterable[Caution]:
    """Report a cord that does not come as far as its socket, along the back where its length is told."""
    item, spare = plug.placed.item, plug.spare
    if spare is None and plug.away > usual_cord(item):
        yield Caution(
            "cords",
            "heed",
            (plug.placed.id,),
            f"The {item.label} is {round(plug.away / 10)} cm from the nearest socket, more than a usual cord; "
            "no loose cord may cross where people walk.",
        )
    elif spare is not None and spare < 0:
        yield Caution(
            "cords",
            "heed",
            (plug.placed.id,),
            f"The cord of the {item.label} is {round(-spare / 10)} cm too short to run along the back to "
            f"the {plug.socket.name or 'socket'}; no loose cord may cross where people walk.",
        )


def _heats_on_a_strip(plug: Plug) -> Iterable[Caution]:
    """Report what heats and would go into a power strip."""
    if plug.strip is not None and plug.placed.item.category in HUNGRY_CATEGORIES:
        yield Caution(
            "cords",
            "heed",
            (plug.placed.id, plug.strip.id),
            f"The {plug.placed.item.label} would go into the {plug.strip.item.label}; what heats wants an outlet of "
            "the wall, unless its maker says otherwise.",
        )


def _on_one(socket: Fixture, plugs: int, group: list[PlacedItem]) -> Iterable[Caution]:
    """Report more plugs on a socket than it has outlets, more than it is rated for, and what cannot be added up."""
    ids = tuple(placed.id for placed in group)
    names = capital(listed([f"the {placed.item.label}" for placed in group]))
    if socket.outlets is not None and plugs > socket.outlets:
        yield Caution(
            "cords",
            "heed",
            ids,
            f"{names} are to be plugged into the {socket.name or 'socket'}, which has "
            f"{counted(socket.outlets, 'outlet')}; leave one out, or have a fixed strip fitted that is rated for all.",
        )
    known = [placed.item.watts for placed in group if placed.item.watts is not None]
    if socket.watts is not None and sum(known) > socket.watts:
        yield Caution(
            "cords",
            "stop",
            ids,
            f"{names} draw {sum(known):g} W together and the "
            f"{socket.name or 'socket'} is rated for {socket.watts:g} W; plug one in elsewhere.",
        )
        return
    if socket.watts is not None and len(known) == len(group):
        return
    hungry = [placed for placed in group if placed.item.category in HUNGRY_CATEGORIES]
    if len(group) > MOST_ON_A_SOCKET or len(hungry) > 1:
        yield Caution(
            "cords",
            "unknown",
            ids,
            f"{names} share one socket and not all watts are told; add them up against "
            "what the socket and its fuse are made for.",
        )


def _across_heat(placed: PlacedItem, socket: Fixture, arrangement: Arrangement) -> Iterable[Caution]:
    """Report a cord that would run over a hearth or a cooktop to its socket."""
    left, right = sorted((placed.x, socket.left + socket.width / 2))
    for fixture in arrangement.piece.fixtures:
        if fixture.kind not in HOT or not (left < fixture.right and right > fixture.left):
            continue
        top = fixture.floor + fixture.height
        low = min(placed.bottom, socket.floor)
        across = low < top + HOT_ABOVE_MM if fixture.kind == "firebox" else abs(placed.bottom - top) < HOT_ABOVE_MM
        if across:
            yield Caution(
                "cords",
                "heed",
                (placed.id,),
                f"The cord of the {placed.item.label} would cross the {fixture.kind} on its way to the socket; "
                f"plug it in "
                "on its own side, or leave it out.",
            )


def spills(arrangement: Arrangement) -> Iterable[Caution]:
    """Report water that stands over or beside what is plugged in, or over a socket."""
    stems: dict[str, tuple[Item, ...]] = {}
    for one in arrangement.placed_items:
        if one.placement.inside:
            stems[one.placement.inside] = (*stems.get(one.placement.inside, ()), one.item)
    wet = [placed for placed in arrangement.visible if _holds_water(placed, stems.get(placed.id, ()))]
    if not wet:
        return
    live = [s for s in arrangement.placed_items if s.item.has_cord or s.item.category == "device"]
    sockets = sockets_of(arrangement.piece)
    for placed in wet:
        for other in live:
            if other.id != placed.id and other.placement.host != placed.id:
                yield from _wets(placed, other)
        for socket in sockets:
            gap = max(socket.left - placed.right, placed.left - socket.right, 0.0)
            if gap < WET_SOCKET_MM and socket.floor < placed.bottom:
                yield Caution(
                    "spills",
                    "heed",
                    (placed.id,),
                    f"Water in the {placed.item.label} can run down to the {socket.name or 'socket'} below it; "
                    f"set it "
                    "aside of the socket.",
                )


def _wets(placed: PlacedItem, other: PlacedItem) -> Iterable[Caution]:
    gap = max(other.left - placed.right, placed.left - other.right, 0.0)
    same = other.ledge.id == placed.ledge.id
    below = not same and other.top <= placed.bottom and gap == 0.0
    if below and placed.bottom - other.top < RUNS_DOWN_MM:
        yield Caution(
            "spills",
            "heed",
            (placed.id, other.id),
            f"Water in the {placed.item.label} can run down on the {other.item.label} below it; set one aside.",
        )
    elif same and gap < WET_MM:
        yield Caution(
            "spills",
            "heed",
            (placed.id, other.id),
            f"Water in the {placed.item.label} can spill on the {other.item.label}, {round(gap / 10)} cm beside "
            f"it; keep "
            "them apart.",
        )


def _holds_water(placed: PlacedItem, inside: tuple[Item, ...]) -> bool:
    if placed.item.category == "plant":
        return "real-plant" in placed.item.traits
    return holds_water(placed.item, inside)
