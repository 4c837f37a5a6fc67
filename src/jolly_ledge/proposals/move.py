"""One move of a few things, as a stylist would try it."""

from msgspec import Struct

from jolly_ledge.model.history import Edit


class Move(Struct, frozen=True):
    """One move: of what kind it is, what it says on its button, the edit that makes it."""

    kind: str
    label: str
    edit: Edit
