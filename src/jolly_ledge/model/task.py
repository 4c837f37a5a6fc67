"""What is done at a piece: a task, the things it takes in their order, and the point where it begins."""

from typing import Annotated

from msgspec import Meta

from jolly_ledge.model.value import Distance, Identifier, Value, Words

IN_REACH_MM = 600.0


class Task(Value, frozen=True):
    """Things that are used one after another.

    ``near`` is where the first of them is wanted: a kind of fixture, ``seat``, or the id of another item; each further
    one is wanted within ``within`` (mm) of the one before it.
    """

    name: Annotated[str, Meta(min_length=1, max_length=120)]
    items: Annotated[tuple[Identifier, ...], Meta(min_length=1, max_length=40)]
    near: Words = ""
    within: Distance = IN_REACH_MM
