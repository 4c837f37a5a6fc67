"""What is asked of a proposal: a piece, a manner, what stays, what may come and what must."""

from collections.abc import Iterable

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.model.arrangement import Arrangement, awaited_by, stash_index
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Manner, Placement
from jolly_ledge.model.phrases import listed
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.spots import holds
from jolly_ledge.model.stash_order import fits
from jolly_ledge.readings.wishes import hear

AT_HAND = frozenset({"owned", "borrowed"})
NEEDS_A_HOST = frozenset({"stems", "utensils", "hanging", "textile", "supplies", "beads"})
"""What does not stand on a ledge by itself; it comes by hand."""

Stop = tuple[str, frozenset[str]]


class Problem(Struct, frozen=True):
    """One piece to arrange.

    ``fixed`` placements stay as they are, ``required`` things must stand, ``hidden`` ones must lie inside
    something, ``candidates`` may come. ``open_ledges`` are those that may be changed.
    """

    plan: Plan
    piece: Piece
    manner: Manner
    fixed: tuple[Placement, ...]
    required: tuple[Item, ...]
    hidden: tuple[Item, ...]
    candidates: tuple[Item, ...]
    open_ledges: tuple[Ledge, ...]
    tolerated: frozenset[Stop]

    def resolve(self, placements: Iterable[Placement]) -> Arrangement:
        """Return placements as a look of the piece, resolved."""
        placements = tuple(placements)
        look = Look(id="proposal", piece=self.piece.id, manner=self.manner, placements=placements)
        placed = {placement.item for placement in placements}
        awaited = tuple(item for item in self.required if item.id not in placed)
        plan = self.plan
        return Arrangement(self.piece, stash_index(plan.stash), look, plan.families, plan.household, awaited)

    def is_valid(self, arrangement: Arrangement) -> bool:
        """Tell whether a look can be built, does what was wished, and leaves out nothing that must be there."""
        return not arrangement.awaited and self.can_stand(arrangement)

    def heeds(self, arrangement: Arrangement, of: str | None = None) -> int:
        """Return how many cautions a look would carry that are to be heeded, or how many of one placement."""
        return sum(1 for c in cautions_of(arrangement) if c.level == "heed" and (of is None or of in c.placements))

    def can_stand(self, arrangement: Arrangement) -> bool:
        """Tell whether what stands so far can stand so, and whether the wishes for it are met."""
        stops = {stop for stop in stops_of(arrangement) if stop not in self.tolerated}
        return not stops and all(heard.met for heard in hear(arrangement))


def stops_of(arrangement: Arrangement) -> set[Stop]:
    """Return what cannot be built so."""
    return {(c.id, frozenset(c.placements)) for c in cautions_of(arrangement) if c.level == "stop"}


def problem_of(
    plan: Plan, piece_id: str, manner: Manner, base: Look | None = None, only_ledge: str | None = None
) -> Problem:
    """Return the problem of arranging a piece.

    Parameters
    ----------
    plan : Plan
    piece_id : str
    manner : Manner
    base : Look, optional
        Where to begin: its locked placements stay; with ``only_ledge`` all on other ledges stay, too.
    only_ledge : str, optional
        Arrange this ledge alone.

    Raises
    ------
    EditError
        The piece has no ledge to stand on, nothing at hand fits, or something that must be there fits nowhere.
    """
    piece = plan.piece(piece_id)
    ledges = tuple(ledge for ledge in piece.ledges if not ledge.is_wall and only_ledge in (None, ledge.id))
    if not ledges:
        raise EditError(f"{piece.label} has no ledge that things could stand on; measure one first.")
    fixed = _fixed(base, only_ledge)
    taken = {placement.item for placement in fixed}
    taken |= {p.item for look in plan.looks if look.piece != piece_id for p in look.placements}
    awaited = awaited_by(plan.stash, piece_id, len(plan.pieces) == 1)
    must = [item for item in awaited if item.id not in {placement.item for placement in fixed}]
    free = [item for item in plan.stash if item.id not in taken and item.status in AT_HAND and _meant(item, piece_id)]
    hidden = tuple(item for item in must if "hide" in item.traits)
    required = tuple(item for item in must if "hide" not in item.traits)
    known = {item.id for item in must}
    candidates = tuple(
        item
        for item in free
        if item.id not in known
        and item.category not in NEEDS_A_HOST
        and "hide" not in item.traits
        and any(fits(item, ledge) for ledge in ledges)
    )
    problem = Problem(plan, piece, manner, fixed, (*required, *hidden), hidden, candidates, ledges, frozenset())
    _check(problem, required)
    return replace(problem, tolerated=frozenset(stops_of(problem.resolve(fixed))))


def _fixed(base: Look | None, only_ledge: str | None) -> tuple[Placement, ...]:
    """Return what stays: what is locked, what stands on other ledges, and what carries or holds any of it."""
    if base is None:
        return ()
    by_id = {placement.id: placement for placement in base.placements}
    kept = {p.id for p in base.placements if p.locked or (only_ledge is not None and p.ledge != only_ledge)}
    for identifier in list(kept):
        host = by_id[identifier].host
        while host is not None:
            kept.add(host)
            host = by_id[host].host
    return tuple(placement for placement in base.placements if placement.id in kept)


def _meant(item: Item, piece_id: str) -> bool:
    return not item.meant_for or piece_id in item.meant_for


def _check(problem: Problem, required: tuple[Item, ...]) -> None:
    homeless = [item for item in required if not any(fits(item, ledge) for ledge in problem.open_ledges)]
    if homeless:
        names = listed([f"the {item.label}" for item in homeless])
        raise EditError(f"{names[:1].upper()}{names[1:]} must be there and fits on no ledge of {problem.piece.label}.")
    hosts = [*problem.candidates, *required]
    for item in problem.hidden:
        if not any(holds_wholly(host, item) for host in hosts):
            raise EditError(f"The {item.label} must be hidden and nothing at hand is large enough to hold it.")
    if not problem.candidates and not required:
        raise EditError(f"Nothing at hand fits on {problem.piece.label}; gather things for it first.")


def holds_wholly(host: Item, item: Item) -> bool:
    """Tell whether a thing goes into another and is hidden by it."""
    if host.category not in ("box", "basket") or not holds(host, item):
        return False
    sizes = sorted((item.width, item.height, item.depth))
    room = sorted((host.width, host.height, host.depth))
    return all(size <= free for size, free in zip(sizes, room, strict=True))
