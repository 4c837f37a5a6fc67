"""A counter that nobody works at is seen as a console: what it is used for tells, not what it was built as."""

from functools import lru_cache

from msgspec.structs import replace

from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.piece import Piece

WORK = frozenset({"cooking", "coffee", "tea", "eating", "working", "baking"})
"""Uses for which the room to work at counts before the look."""


def with_its_use(arrangement: Arrangement) -> Arrangement:
    """Return a look on a console where it is one on a counter that is told to be for show; else the same look."""
    piece = _as_used(arrangement.piece)
    if piece.kind == arrangement.piece.kind:
        return arrangement
    items = {placed.item.id: placed.item for placed in arrangement.placed_items}
    return Arrangement(piece, items, arrangement.look, arrangement.families, arrangement.household, arrangement.awaited)


@lru_cache(maxsize=64)
def _as_used(piece: Piece) -> Piece:
    for_show = piece.use and WORK.isdisjoint(piece.use) and piece.viewed_from != "around"
    return replace(piece, kind="console") if kind_of(piece).is_a_worktop and for_show else piece
