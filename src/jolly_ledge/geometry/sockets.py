"""How far it is from a corded thing to a socket."""

import math

from jolly_ledge.geometry.arrangement import PlacedItem
from jolly_ledge.model.item import Item
from jolly_ledge.model.piece import Fixture, Piece

USUAL_CORD_MM, APPLIANCE_CORD_MM = 1500.0, 900.0
"""Usual cords; those of kitchen appliances are kept short. Longer ones are told by the maker."""


def usual_cord(item: Item) -> float:
    """Return how long the cord of a thing is, in mm: as it is told, else as it usually is."""
    if item.cord is not None and item.cord.length is not None:
        return item.cord.length
    return APPLIANCE_CORD_MM if item.category == "appliance" else USUAL_CORD_MM


def sockets_of(piece: Piece) -> tuple[Fixture, ...]:
    """Return the sockets that are told."""
    return tuple(fixture for fixture in piece.fixtures if fixture.kind == "socket")


def distance_to(placed: PlacedItem, socket: Fixture) -> float:
    """Return how far the foot of a thing is from a socket, as seen from the front (mm)."""
    return math.hypot(placed.x - socket.left - socket.width / 2, placed.bottom - socket.floor)
