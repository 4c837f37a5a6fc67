"""Things that stand for a kind or a form in small drawings."""

from functools import cache

from jolly_ledge.model.entry.vocabulary import KINDS, Kind
from jolly_ledge.model.fresh_ids import fresh_id
from jolly_ledge.model.item import Item
from jolly_ledge.model.words import Category


def unnamed_thing(taken: set[str]) -> Item:
    """Return a thing of which nothing is told yet: its sizes are guesses (mm), its id is none of those taken."""
    return Item(
        id=fresh_id("new thing", taken), name="new thing", category="object", width=120.0, height=150.0, depth=120.0,
        guessed=("width", "height", "depth"),
    )  # fmt: skip


def typical_of(category: Category) -> Item:
    """Return what stands for a category: the first noun of it, in its usual size (mm)."""
    kind = _kinds().get(category, KINDS["object"])
    return _thing(kind, category, kind.silhouette)


def shaped_as(silhouette: str) -> Item:
    """Return what stands for a form, in the usual size (mm) of the first noun that has it."""
    kind = _kinds().get(silhouette, KINDS["object"])
    return _thing(kind, kind.category, silhouette)


def drawn_as(kind: Kind) -> Item:
    """Return what stands for a kind of the vocabulary, in its usual size (mm)."""
    return _thing(kind, kind.category, kind.silhouette)


@cache
def _kinds() -> dict[str, Kind]:
    """Return the first kind of the vocabulary for each category and each form."""
    found: dict[str, Kind] = {}
    for kind in KINDS.values():
        found.setdefault(kind.category, kind)
        found.setdefault(kind.silhouette, kind)
    return found


def _thing(kind: Kind, category: Category, silhouette: str) -> Item:
    return Item(
        id=f"typical-{category}",
        name=category,
        category=category,
        silhouette=silhouette,
        width=kind.width,
        height=kind.height,
        depth=kind.depth,
        colours=((kind.colour, 1.0),),
        finish=kind.finish,
    )
