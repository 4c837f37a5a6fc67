"""How many: groups and things every ledge bears, before anything is placed."""

import math
from functools import lru_cache

from msgspec import Struct

from jolly_ledge.measures.counts import recommended
from jolly_ledge.model.item import Item
from jolly_ledge.model.phrases import counted
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.stash_order import fits
from jolly_ledge.model.words import Fullness
from jolly_ledge.readings.how_many import BAND

GROUP = 3
"""Things of a usual vignette; single anchors stand between."""

NOT_STANDING = frozenset({"stems", "utensils", "hanging", "textile", "supplies", "beads"})


class Advice(Struct, frozen=True):
    """How many groups and things a ledge bears: about, from and to, and how many of the stash fit it."""

    ledge: Ledge
    groups: int
    things: int
    fewest: int
    most: int
    fitting: int

    @property
    def sentence(self) -> str:
        """The advice in words, with its reason."""
        lacks = f"; only {self.fitting} of the stash fit" if self.fitting < self.things else ""
        return (
            f"{self.ledge.label}: {counted(self.groups, 'group')}, about {counted(self.things, 'thing')} "
            f"({self.fewest} to {self.most}) for {round(self.ledge.width / 10)} cm{lacks}"
        )


@lru_cache(maxsize=16)
def advice_for(piece: Piece, fullness: Fullness, stash: tuple[Item, ...]) -> tuple[Advice, ...]:
    """Return for every ledge how many things it bears for its width and the fullness, and how many there are.

    >>> ledge = Ledge(id="a", left=0, floor=0, width=880, depth=300, clearance=400)
    >>> piece = Piece(id="p", kind="bookcase", width=900, height=900, depth=300, ledges=(ledge,))
    >>> told = advice_for(piece, "layered", ())
    >>> told[0].things, told[0].groups, (told[0].fewest, told[0].most)
    (4, 2, (3, 5))
    """
    at_hand = [i for i in stash if i.is_at_hand and i.category not in NOT_STANDING]
    told = []
    for ledge in piece.ledges:
        if ledge.is_wall or ledge.meant.wanted == 0:
            continue
        wanted = recommended(piece, ledge, fullness)
        things = max(round(wanted), 1)
        fitting = sum(1 for item in at_hand if fits(item, ledge))
        fewest, most = max(math.ceil(BAND[0] * wanted), 1), max(math.floor(BAND[1] * wanted), 1)
        told.append(Advice(ledge, max(math.ceil(things / GROUP), 1), things, fewest, max(most, things), fitting))
    return tuple(told)
