"""A place that is kept free, on a ledge or on a tray."""

from typing import Annotated

from msgspec import Meta

from jolly_ledge.model.value import Distance, Position, Size, Value, Words


class KeptPlace(Value, frozen=True):
    """A place that is kept free for what is put down there or is yet to come (mm).

    ``left`` is measured from the left end of the ledge or the tray, ``front`` from its front edge; ``date`` is since
    or until when.
    """

    name: Annotated[str, Meta(min_length=1, max_length=120)]
    left: Position
    front: Distance
    width: Size
    depth: Size
    height: Size
    date: Words = ""

    @property
    def right(self) -> float:
        """Its right end, from the left end of what it is kept on."""
        return self.left + self.width
