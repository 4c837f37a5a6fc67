"""What the stylist insists on for a piece, and whether a look does so."""

from collections.abc import Callable, Iterator

from msgspec import Struct

from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.geometry.axes import axis_called
from jolly_ledge.geometry.distance import distance_to
from jolly_ledge.model.phrases import capital, listed, verb
from jolly_ledge.model.piece import Wish
from jolly_ledge.model.words import GATHERING, UNDERLAYS, WishKind, plain

CENTRED_SHARE, MIRRORED_SHARE = 0.05, 0.05
"""So far from the middle, in widths, a thing is still centred, and a pair still mirrored."""


class Heard(Struct, frozen=True):
    """One wish at some things: whether it is met, and what to say where it is not."""

    placements: tuple[str, ...]
    met: bool
    sentence: str


def hear(arrangement: Arrangement) -> Iterator[Heard]:
    """Yield every wish that the things of a look give something to say about."""
    by_item = {placed.item.id: placed for placed in arrangement.placed_items}
    for wish in arrangement.piece.wishes:
        things = [by_item[item] for item in wish.items if item in by_item]
        if things:
            yield from _HEARERS[wish.kind](wish, things, arrangement)


def _names(things: list[PlacedItem]) -> str:
    return listed([f"the {thing.item.label}" for thing in things])


def _together(wish: Wish, things: list[PlacedItem], arrangement: Arrangement) -> Iterator[Heard]:
    if len(things) < 2:
        return
    hosts = {thing.placement.host for thing in things}
    host = arrangement.by_id.get(next(iter(hosts)) or "") if len(hosts) == 1 else None
    met = host is not None and host.item.category in GATHERING
    said = f"{capital(_names(things))} are wished together; set them on one tray or in one bowl, basket or box."
    yield Heard(tuple(thing.id for thing in things), met, said)


def _apart(wish: Wish, things: list[PlacedItem], arrangement: Arrangement) -> Iterator[Heard]:
    for index, first in enumerate(things):
        for second in things[index + 1 :]:
            met = not _are_neighbours(first, second, arrangement)
            said = f"{capital(_names([first, second]))} are wished apart and are neighbours; carry one farther off."
            yield Heard((first.id, second.id), met, said)


def _are_neighbours(first: PlacedItem, second: PlacedItem, arrangement: Arrangement) -> bool:
    """Tell whether two things stand beside, above or below each other with nothing between."""
    if first.root == second.root:
        return True
    if first.ledge.id == second.ledge.id:
        low, high = sorted((first.x, second.x))
        between = arrangement.by_ledge.get(first.ledge.id, ())
        roots = (first.root, second.root)
        return not any(low < other.x < high for other in between if other.root not in roots)
    overlap = min(first.right, second.right) - max(first.left, second.left)
    low_floor, high_floor = sorted((first.ledge.floor, second.ledge.floor))
    others = (ledge.floor for ledge in arrangement.standing_ledges)
    return overlap > 0 and not any(low_floor < floor < high_floor for floor in others)


def _only_on(wish: Wish, things: list[PlacedItem], arrangement: Arrangement) -> Iterator[Heard]:
    names = _ledge_names(wish, arrangement)
    for thing in things:
        said = f"The {thing.item.label} is wished on {names} only and stands on {thing.ledge.label}."
        yield Heard((thing.id,), thing.ledge.id in wish.ledges, said)


def _never_on(wish: Wish, things: list[PlacedItem], arrangement: Arrangement) -> Iterator[Heard]:
    for thing in things:
        said = f"The {thing.item.label} is never to stand on {thing.ledge.label}; carry it elsewhere."
        yield Heard((thing.id,), thing.ledge.id not in wish.ledges, said)


def _ledge_names(wish: Wish, arrangement: Arrangement) -> str:
    known = {ledge.id: ledge.label for ledge in arrangement.piece.ledges}
    return listed([known.get(ledge, ledge) for ledge in wish.ledges]) or "no ledge"


def _mirrored(wish: Wish, things: list[PlacedItem], arrangement: Arrangement) -> Iterator[Heard]:
    width = arrangement.piece.width
    for first, second in zip(things[::2], things[1::2], strict=False):
        level = abs(first.ledge.floor - second.ledge.floor) < 1
        met = level and abs(first.x + second.x - width) <= MIRRORED_SHARE * width
        said = f"{capital(_names([first, second]))} are wished as a pair about the middle and do not mirror each other."
        yield Heard((first.id, second.id), met, said)


def _centred(wish: Wish, things: list[PlacedItem], arrangement: Arrangement) -> Iterator[Heard]:
    """Hear things of one wish on one ledge together: their middle is asked for, not that each of them is there.

    Where the axis does not cross the ledge on which they stand nothing of it can be met there.
    """
    for ledge in dict.fromkeys(thing.ledge for thing in things):
        here = [thing for thing in things if thing.ledge.id == ledge.id]
        middle = (min(thing.left for thing in here) + max(thing.right for thing in here)) / 2
        names, ids = [f"the {thing.item.label}" for thing in here], tuple(thing.id for thing in here)
        axis = axis_called(arrangement.piece, ledge, wish.near)
        are = verb(names, "is", "are")
        if axis is None:
            said = (
                f"{capital(listed(names))} {are} wished on an axis that does not cross {ledge.label}; carry "
                f"{verb(names, 'it', 'them')} to a ledge it crosses."
            )
            yield Heard(ids, False, said)
            continue
        out = abs(middle - axis.x)
        where = f"on {axis.name}" if axis.id else f"in {axis.name}"
        said = f"{capital(listed(names))} {are} wished {where} and {are} {round(out / 10)} cm off it."
        yield Heard(ids, out <= CENTRED_SHARE * ledge.width, said)


def _out_of_sight(wish: Wish, things: list[PlacedItem], arrangement: Arrangement) -> Iterator[Heard]:
    for thing in things:
        said = f"The {thing.item.label} is wished out of sight and is seen on {thing.ledge.label}."
        yield Heard((thing.id,), thing.hidden, said)


def _underlaid(wish: Wish, things: list[PlacedItem], arrangement: Arrangement) -> Iterator[Heard]:
    for thing in things:
        host = arrangement.by_id.get(thing.placement.host or "")
        met = host is not None and host.item.category in UNDERLAYS and host.placement.pose not in ("leaning", "hung")
        said = f"The {thing.item.label} is wished with something under; set it on a tray, a board or a mat."
        yield Heard((thing.id,), met, said)


def _near(wish: Wish, things: list[PlacedItem], arrangement: Arrangement) -> Iterator[Heard]:
    """Hear nothing of what is not there: that is told where the wish is made."""
    named = next((one.item.label for one in arrangement.placed_items if one.item.id == wish.near), plain(wish.near))
    for thing in things:
        far = distance_to(arrangement, thing, wish.near)
        if far is not None:
            said = (
                f"The {thing.item.label} is wished within {round(wish.within / 10)} cm of the {named} and stands "
                f"{round(far / 10)} cm off; carry it nearer."
            )
            yield Heard((thing.id,), far <= wish.within, said)


_HEARERS: dict[WishKind, Callable[[Wish, list[PlacedItem], Arrangement], Iterator[Heard]]] = {
    "together": _together,
    "apart": _apart,
    "only-on": _only_on,
    "never-on": _never_on,
    "mirrored": _mirrored,
    "centred": _centred,
    "out-of-sight": _out_of_sight,
    "underlaid": _underlaid,
    "near": _near,
}
