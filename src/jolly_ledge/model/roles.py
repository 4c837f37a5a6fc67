"""What a piece serves for and what each ledge is to it: a top, a shelf, the floor below, a hearth."""

import re
from functools import lru_cache
from typing import Literal

from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.piece import Ledge, Piece

Role = Literal["top", "table", "island", "counter", "shelf", "below", "floor", "hearth", "wall"]
Room = Literal["bed", "kitchen", "dining", "hall", "living"]

ON_THE_FLOOR_MM, UNDER_THE_TOP_MM = 110.0, 60.0
SERVED = ("silver", "stemware", "china", "porcelain", "glasses", "coffee", "tea", "service", "bar")
COOKED = ("kitchen", "cooking", "coffee counter", "preparing", "pantry")


@lru_cache(maxsize=512)
def room_of(piece: Piece) -> Room:
    """Return for what kind of room a piece serves, by its kind and what it is used for."""
    told = " ".join(
        (piece.kind, piece.label, piece.purpose, *piece.use, *(ledge.label for ledge in piece.ledges))
    ).lower()
    if kind_of(piece).is_by_a_bed:
        return "bed"
    if kind_of(piece).is_a_worktop or any(word in told for word in COOKED):
        return "kitchen"
    if kind_of(piece).is_eaten_at or (kind_of(piece).for_dishes and "dining" in told):
        return "dining"
    return "hall" if kind_of(piece).is_in_a_hall and piece.build != "sideboard" else "living"


@lru_cache(maxsize=2048)
def role_of(piece: Piece, ledge: Ledge) -> Role:
    """Return what a ledge is to its piece."""
    if ledge.is_wall:
        return "wall"
    if ledge.floor < ON_THE_FLOOR_MM and kind_of(piece).has_floor:
        return "hearth" if kind_of(piece).is_over_a_fire else "floor"
    if kind_of(piece).is_a_table:
        return "table" if ledge.clearance is None or ledge.floor >= piece.height - UNDER_THE_TOP_MM else "below"
    if kind_of(piece).is_a_worktop:
        return "island" if piece.viewed_from == "around" else "counter"
    if kind_of(piece).form == "top":
        is_top = ledge.clearance is None or ledge.floor >= piece.height - UNDER_THE_TOP_MM
        return "top" if is_top else "below"
    return "counter" if "counter" in ledge.label.lower() else "shelf"


def is_served(piece: Piece) -> bool:
    """Tell whether a piece shows or hands out dishes; by a sofa, a bed or a fire they are put down only."""
    if kind_of(piece).only_put_down:
        return False
    told = f"{piece.purpose} {' '.join(piece.use)} {piece.label}".lower()
    return any(re.search(rf"\b{word}\b", told) for word in SERVED)
