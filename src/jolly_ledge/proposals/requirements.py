"""What must find its place, and how: a thing, a pair or a set with a wish, the most particular first."""

from typing import Literal

from msgspec import Struct

from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Wish
from jolly_ledge.model.words import WALL_CATEGORIES, WishKind
from jolly_ledge.proposals.problem import FILLINGS, Problem

Kind = Literal["stands", "hangs", "centred", "mirrored", "together", "underlaid", "hidden", "filling"]
Placements = tuple[Placement, ...]


AT_ONCE: dict[WishKind, int] = {"mirrored": 2, "underlaid": 1}
"""Of so many things a requirement of a wish is made; elsewhere of all that the wish names."""


class Requirement(Struct, frozen=True):
    """What must find its place, and how."""

    kind: Kind
    items: tuple[Item, ...]


def requirements_of(problem: Problem) -> tuple[Requirement, ...]:
    """Return what must find its place, the most particular first."""
    missing = {item.id: item for item in problem.required}
    wished: list[Requirement] = []

    def claim(kind: Kind, wish: Wish, size: int) -> None:
        for start in range(0, len(wish.items) - size + 1, size):
            items = [missing.get(item) for item in wish.items[start : start + size]]
            known = tuple(item for item in items if item is not None)
            if len(known) == size:
                wished.append(Requirement(kind, known))
                for item in known:
                    del missing[item.id]

    for wish in problem.piece.wishes:
        if wish.kind in ("mirrored", "together", "centred", "underlaid"):
            claim(wish.kind, wish, AT_ONCE.get(wish.kind) or max(len(wish.items), 1))
    hidden = {item.id for item in problem.hidden}
    single = sorted(missing.values(), key=lambda item: (item.category in FILLINGS, -item.width * item.depth, item.id))

    def kind_of(item: Item) -> Kind:
        if item.id in hidden:
            return "hidden"
        if item.category in FILLINGS:
            return "filling"
        hangs = item.category == "hanging" or (item.category in WALL_CATEGORIES and not problem.homes(item))
        return "hangs" if hangs and problem.walls else "stands"

    kinds = {item.id: kind_of(item) for item in single}
    order: tuple[Kind, ...] = (
        "mirrored", "centred", "together", "underlaid", "hangs", "stands", "hidden", "filling",
    )  # fmt: skip
    all_of_them = [*wished, *(Requirement(kinds[item.id], (item,)) for item in single)]
    return tuple(sorted(all_of_them, key=lambda requirement: order.index(requirement.kind)))
