"""What a stylist means a ledge for, and what that asks of it in the place of the manner of the look."""

from typing import Annotated, Literal, get_args

from msgspec import Meta
from msgspec.structs import replace

from jolly_ledge.model.look import Manner
from jolly_ledge.model.value import Value
from jolly_ledge.model.words import Figure, Fullness, OddRule

Purpose = Literal["dress", "statement", "collection", "store", "rest", "leave"]
PURPOSES: tuple[Purpose, ...] = get_args(Purpose)
PURPOSE_NAMES: dict[Purpose, str] = {
    "dress": "dressed", "statement": "one statement", "collection": "a collection", "store": "storage",
    "rest": "a rest for the eye", "leave": "left as it is",
}  # fmt: skip
"""What a ledge is meant for, as it is said: it is meant as …"""

UNTOUCHED: frozenset[Purpose] = frozenset({"rest", "leave", "collection"})
"""No proposal brings anything there: what rests stays free, the rest stands as a hand has set it."""


class Meant(Value, frozen=True):
    """What one ledge is meant for; what is None is as the look has it.

    ``count`` is how many things it is to bear, whatever its size.
    """

    purpose: Purpose = "dress"
    fullness: Fullness | None = None
    figure: Figure | None = None
    odd: OddRule | None = None
    count: Annotated[int, Meta(ge=1, le=99)] | None = None

    @property
    def is_told(self) -> bool:
        """Whether anything is told of it."""
        return self != AS_THE_LOOK

    @property
    def wanted(self) -> float | None:
        """How many things are wanted there; None where its size tells."""
        if self.purpose in ("rest", "leave"):
            return 0.0
        if self.count is not None:
            return float(self.count)
        return 1.0 if self.purpose == "statement" else None

    def manner(self, manner: Manner) -> Manner:
        """Return the manner of a look as it holds on this ledge."""
        own = {
            name: told
            for name in ("fullness", "figure", "odd")
            if (told := getattr(self, name)) is not None and told != getattr(manner, name)
        }
        return replace(manner, **own) if own else manner


AS_THE_LOOK = Meant()


def said(meant: Meant) -> str:
    """Return what a ledge is meant as, in few words; nothing where nothing is told.

    >>> said(Meant(purpose="statement", fullness="airy")), said(Meant(count=3))
    ('one statement · airy', '3 things')
    """
    parts = [] if meant.purpose == "dress" else [PURPOSE_NAMES[meant.purpose]]
    parts += [word for word in (meant.fullness, meant.figure) if word]
    if meant.odd:
        parts.append({"strict": "strictly odd", "loose": "loosely odd", "off": "not counted"}[meant.odd])
    if meant.count is not None:
        parts.append(f"{meant.count} thing{'s' * (meant.count != 1)}")
    return " · ".join(parts)
