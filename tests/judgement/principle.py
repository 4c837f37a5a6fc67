"""A principle of the trade as a pair of looks of one piece, written in short lines."""

from typing import Any

from msgspec import Struct

from builders import thing
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Manner, Placement
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.plan import Household, Plan
from judgement.cases import Case


class Principle(Struct, frozen=True):
    """What one look gets right and the other wrong; ``worse`` and ``better`` are lines of placements."""

    title: str
    expects: str
    piece: Piece
    items: tuple[Item, ...]
    worse: str
    better: str
    manner: dict[str, Any] = {}
    household: Household = Household()
    kind: str = "beauty"

    def as_case(self) -> Case:
        """Return it in the form of a calibration case whose better look is B."""
        manner = Manner(**self.manner)
        looks = tuple(
            Look(id=name, piece=self.piece.id, manner=manner, placements=placements(lines))
            for name, lines in (("A", self.worse), ("B", self.better))
        )
        plan = Plan(name=self.title, household=self.household, pieces=(self.piece,), stash=self.items, looks=looks)
        return Case(self.title, self.title, self.kind, "B", frozenset(self.expects.split()), plan)


def placements(lines: str) -> tuple[Placement, ...]:
    """Read ``item ledge x z [pose] [key=value …]`` lines, parted by ``;``; a dash stands for no x or z."""
    return tuple(_placement(line.split()) for line in lines.split(";") if line.strip())


def _placement(words: list[str]) -> Placement:
    item, ledge, x, z, *rest = words
    more: dict[str, Any] = {}
    for word in rest:
        key, found, value = word.partition("=")
        if found:
            more[key] = float(value) if key in ("turn", "y") else value
        else:
            more["pose"] = word
    return Placement(
        id=item, item=item, ledge=ledge, x=None if x == "-" else float(x), z=None if z == "-" else float(z), **more
    )


def like(pattern: str, count: int, category: str = "vessel", **changes: Any) -> tuple[Item, ...]:
    """Return a few things of one make: ``like("cup", 3)`` are cup1, cup2 and cup3."""
    return tuple(thing(f"{pattern}{number + 1}", category, **changes) for number in range(count))
