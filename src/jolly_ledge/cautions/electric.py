"""Cords, sockets, watts, and water near them."""

from collections.abc import Iterable

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.model.arrangement import Arrangement, Standing
from jolly_ledge.model.phrases import capital, listed
from jolly_ledge.model.sockets import nearest_socket, sockets_of, usual_cord

MOST_ON_A_SOCKET = 2
HUNGRY_CATEGORIES = frozenset({"appliance"})
"""What heats draws as much as a socket gives."""

WET_MM = 150.0


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


def spills(arrangement: Arrangement) -> Iterable[Caution]:
    """Report water that stands over or beside what is plugged in."""
    corded = [standing for standing in arrangement.standings if "corded" in standing.item.traits]
    if not corded:
        return
    watered = {
        standing.placement.inside
        for standing in arrangement.standings
        if standing.placement.inside and standing.item.category == "stems" and standing.shape == "bouquet"
    }
    for standing in arrangement.visible:
        if not _holds_water(standing, watered):
            continue
        for other in corded:
            if other.id == standing.id or other.ledge.id != standing.ledge.id:
                continue
            gap = max(other.left - standing.right, standing.left - other.right, 0.0)
            if gap < WET_MM:
                yield Caution(
                    "spills",
                    "heed",
                    (standing.id, other.id),
                    f"Water in the {standing.item.label} can spill on the {other.item.label}, {round(gap / 10)} cm "
                    "beside it; keep them apart.",
                )


def _holds_water(standing: Standing, watered: set[str]) -> bool:
    if standing.item.category == "plant":
        return "real-plant" in standing.item.traits
    return standing.item.category in ("vessel", "bowl") and standing.id in watered
