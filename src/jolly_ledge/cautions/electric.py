"""Cords, sockets, watts, and water near them."""

from collections.abc import Iterable

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.stuff import holds_water
from jolly_ledge.geometry.arrangement import Arrangement, Standing
from jolly_ledge.geometry.sockets import nearest_socket, sockets_of, usual_cord
from jolly_ledge.model.item import Item
from jolly_ledge.model.phrases import capital, listed
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
    corded = [standing for standing in arrangement.standings if "corded" in standing.item.traits]
    if not corded:
        return
    sockets = sockets_of(arrangement.piece)
    if not sockets:
        for standing in corded:
            yield Caution(
                "cords",
                "unknown",
                (standing.id,),
                f"The {standing.item.label} has a cord and no socket is told near {arrangement.piece.label}; find out "
                "where it plugs in before it is placed.",
            )
        return
    users: dict[int, list[Standing]] = {}
    for standing in corded:
        index, away = nearest_socket(standing, sockets)
        users.setdefault(index, []).append(standing)
        if away > usual_cord(standing.item):
            yield Caution(
                "cords",
                "heed",
                (standing.id,),
                f"The {standing.item.label} is {round(away / 10)} cm from the nearest socket, more than a usual cord; "
                "no loose cord may cross where people walk.",
            )
        yield from _across_heat(standing, sockets[index], arrangement)
    for index, group in users.items():
        hungry = [standing for standing in group if standing.item.category in HUNGRY_CATEGORIES]
        socket = sockets[index]
        known = [standing.item.watts for standing in group if standing.item.watts is not None]
        if socket.watts is not None and sum(known) > socket.watts:
            yield Caution(
                "cords",
                "stop",
                tuple(standing.id for standing in group),
                f"{capital(listed([f'the {s.item.label}' for s in group]))} draw {sum(known):g} W together and the "
                f"{socket.name or 'socket'} is rated for {socket.watts:g} W; plug one in elsewhere.",
            )
        elif socket.watts is not None and len(known) == len(group):
            continue
        elif len(group) > MOST_ON_A_SOCKET or len(hungry) > 1:
            names = listed([f"the {standing.item.label}" for standing in group])
            yield Caution(
                "cords",
                "unknown",
                tuple(standing.id for standing in group),
                f"{capital(names)} share one socket and not all watts are told; add them up against "
                "what the socket and its fuse are made for.",
            )


def _across_heat(standing: Standing, socket: Fixture, arrangement: Arrangement) -> Iterable[Caution]:
    """Report a cord that would run over a hearth or a cooktop to its socket."""
    left, right = sorted((standing.x, socket.left + socket.width / 2))
    for fixture in arrangement.piece.fixtures:
        if fixture.kind not in HOT or not (left < fixture.right and right > fixture.left):
            continue
        top = fixture.floor + fixture.height
        low = min(standing.bottom, socket.floor)
        across = low < top + HOT_ABOVE_MM if fixture.kind == "firebox" else abs(standing.bottom - top) < HOT_ABOVE_MM
        if across:
            yield Caution(
                "cords",
                "heed",
                (standing.id,),
                f"The cord of the {standing.item.label} would cross the {fixture.kind} on its way to the socket; "
                f"plug it in "
                "on its own side, or leave it out.",
            )


def spills(arrangement: Arrangement) -> Iterable[Caution]:
    """Report water that stands over or beside what is plugged in, or over a socket."""
    stems: dict[str, tuple[Item, ...]] = {}
    for one in arrangement.standings:
        if one.placement.inside:
            stems[one.placement.inside] = (*stems.get(one.placement.inside, ()), one.item)
    wet = [standing for standing in arrangement.visible if _holds_water(standing, stems.get(standing.id, ()))]
    if not wet:
        return
    live = [s for s in arrangement.standings if "corded" in s.item.traits or s.item.category == "device"]
    sockets = sockets_of(arrangement.piece)
    for standing in wet:
        for other in live:
            if other.id != standing.id and other.placement.host != standing.id:
                yield from _wets(standing, other)
        for socket in sockets:
            gap = max(socket.left - standing.right, standing.left - socket.right, 0.0)
            if gap < WET_SOCKET_MM and socket.floor < standing.bottom:
                yield Caution(
                    "spills",
                    "heed",
                    (standing.id,),
                    f"Water in the {standing.item.label} can run down to the {socket.name or 'socket'} below it; "
                    f"set it "
                    "aside of the socket.",
                )


def _wets(standing: Standing, other: Standing) -> Iterable[Caution]:
    gap = max(other.left - standing.right, standing.left - other.right, 0.0)
    same = other.ledge.id == standing.ledge.id
    below = not same and other.top <= standing.bottom and gap == 0.0
    if below and standing.bottom - other.top < RUNS_DOWN_MM:
        yield Caution(
            "spills",
            "heed",
            (standing.id, other.id),
            f"Water in the {standing.item.label} can run down on the {other.item.label} below it; set one aside.",
        )
    elif same and gap < WET_MM:
        yield Caution(
            "spills",
            "heed",
            (standing.id, other.id),
            f"Water in the {standing.item.label} can spill on the {other.item.label}, {round(gap / 10)} cm beside "
            f"it; keep "
            "them apart.",
        )


def _holds_water(standing: Standing, inside: tuple[Item, ...]) -> bool:
    if standing.item.category == "plant":
        return "real-plant" in standing.item.traits
    return holds_water(standing.item, inside)
