"""What is asked of a proposal: a piece, a manner, what stays, what may come and what must."""

from collections.abc import Iterable, Sequence
from functools import lru_cache
from typing import Any

from msgspec import Struct
from msgspec.structs import replace

from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.kept_places import kept_places
from jolly_ledge.cautions.register import cautions_of
from jolly_ledge.cautions.space import collision, fit, overhang
from jolly_ledge.geometry.arrangement import Arrangement, awaited_by, stash_index
from jolly_ledge.geometry.landing import holds
from jolly_ledge.measures.tasks import insisted
from jolly_ledge.model.belonging import STORAGE, welcome
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look, Manner, Placement
from jolly_ledge.model.meant import PURPOSE_NAMES, UNTOUCHED
from jolly_ledge.model.phrases import listed
from jolly_ledge.model.piece import Ledge, Piece, Wish
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.words import WALL_CATEGORIES, Season, WishKind
from jolly_ledge.proposals.poses import ways_to_stand

STEP_MM = 5.0
FILLINGS = frozenset({"stems", "utensils"})
NEEDS_A_HOST = FILLINGS | frozenset({"hanging", "supplies", "beads"})
"""What does not stand on a ledge by itself; apart from stems and utensils it comes by hand."""

MOST_NAMED = 3
HANGS = WALL_CATEGORIES | {"hanging", "textile"}
"""What hangs on a rail or a wall of its own."""

CALLED_FOR: frozenset[WishKind] = frozenset({"together", "mirrored", "centred", "only-on", "underlaid"})
"""Who wishes a thing so wants to see it; out of sight, apart or never there it may as well be left out."""

IN_SPACE = frozenset({"fit", "collision", "overhang", "kept-place"})

Stop = tuple[str, frozenset[str]]
Pairs = frozenset[tuple[str, str]]


class Problem(Struct, frozen=True):
    """One piece to arrange.

    ``fixed`` placements stay as they are, ``required`` things must stand, ``hidden`` ones must lie inside
    something, ``candidates`` may come, ``fillings`` may go into vessels. ``open_ledges`` are those that may be
    changed. Of the ``base`` at least a share of ``stay`` is to be kept. Things stand at steps of the tape (``step``,
    in mm). ``impossible`` are things that must be there and cannot, each with a sentence that tells why; cautions of
    the ``unheeded`` ids are not asked for, to find out which of them is in the way. ``led_before`` are things that lead
    earlier looks of a run: another one is led by something else, where there is anything. ``palette_again`` tells that
    an earlier look keeps to the same palette.
    """

    plan: Plan
    piece: Piece
    manner: Manner
    fixed: tuple[Placement, ...]
    required: tuple[Item, ...]
    hidden: tuple[Item, ...]
    candidates: tuple[Item, ...]
    fillings: tuple[Item, ...]
    open_ledges: tuple[Ledge, ...]
    walls: tuple[Ledge, ...]
    tolerated: frozenset[Stop] = frozenset()
    base: tuple[Placement, ...] = ()
    stay: float = 0.0
    step: float = STEP_MM
    season: Season | None = None
    impossible: tuple[tuple[Item, str], ...] = ()
    unheeded: frozenset[str] = frozenset()
    led_before: frozenset[str] = frozenset()
    palette_again: bool = False

    def resolve(self, placements: Iterable[Placement]) -> Arrangement:
        """Return placements as a look of the piece, resolved."""
        placements = tuple(placements)
        look = Look(id="proposal", piece=self.piece.id, manner=self.manner, placements=placements)
        placed = {placement.item for placement in placements}
        awaited = tuple(item for item in self.required if item.id not in placed)
        awaited += tuple(item for item, _ in self.impossible if item.id not in placed)
        plan = self.plan
        return Arrangement(self.piece, stash_index(plan.stash), look, plan.families, plan.household, awaited)

    def homes(self, item: Item) -> tuple[Ledge, ...]:
        """Return the open ledges that a thing fits on and that no wish forbids it."""
        return _homes(item, self.piece.wishes, self.open_ledges)

    def welcomes(self, item: Item, ledge: Ledge) -> bool:
        """Tell whether a thing comes to a ledge by itself, without being asked for."""
        return welcome(item, self.piece, ledge) > 0

    def is_valid(self, arrangement: Arrangement) -> bool:
        """Tell whether a look can be built, does what was wished, and leaves out nothing that must be there."""
        return not arrangement.awaited and self.can_stand(arrangement)

    def heeds(self, arrangement: Arrangement, of: str | None = None) -> int:
        """Return how many cautions a look would carry that are to be heeded, or how many of one placement."""
        return sum(1 for c in cautions_of(arrangement) if c.level == "heed" and (of is None or of in c.placements))

    def can_stand(self, arrangement: Arrangement) -> bool:
        """Tell whether what stands so far can stand so, and whether the wishes for it are met."""
        stops = {stop for stop in stops_of(arrangement) if stop not in self.tolerated and stop[0] not in self.unheeded}
        return not stops and all(heard.met for heard in insisted(arrangement))

    def has_room(self, arrangement: Arrangement) -> bool:
        """Tell whether nothing is in the place of another, too large or over an edge; cheaper than the whole."""
        checks = (collision, fit, overhang, kept_places)
        return not any(stop not in self.tolerated for check in checks for stop in _as_stops(check(arrangement)))


@lru_cache(maxsize=8192)
def _homes(item: Item, wishes: tuple[Wish, ...], ledges: tuple[Ledge, ...]) -> tuple[Ledge, ...]:
    stores = item.category in STORAGE
    found = [
        ledge for ledge in ledges
        if (stores or ledge.meant.purpose != "store") and any(ways_to_stand(item, ledge))
    ]  # fmt: skip
    for wish in wishes:
        if item.id in wish.items and wish.kind in ("only-on", "never-on"):
            found = [ledge for ledge in found if (ledge.id in wish.ledges) is (wish.kind == "only-on")]
    return tuple(found)


def _as_stops(cautions: Iterable[Caution]) -> set[Stop]:
    return {(c.id, frozenset(c.placements)) for c in cautions if c.level == "stop"}


def stops_of(arrangement: Arrangement) -> set[Stop]:
    """Return what cannot be built so."""
    return _as_stops(cautions_of(arrangement))


def problem_of(
    plan: Plan,
    piece_id: str,
    manner: Manner,
    base: Look | None = None,
    only_ledge: str | None = None,
    *,
    number: int = 1,
    finish: bool = False,
    stay: float = 0.0,
    season: Season | None = None,
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
    number : int
        Which proposal: what the proposal of this number took for another piece is not taken again.
    finish : bool
        All that stands in the base stays; only what it lacks is added.
    stay : float
        Share of the base's things (0 to 1) that are to stay on their ledges.
    season : str, optional
        What is told to be of other seasons is left out, what is of this one is welcome.

    Raises
    ------
    EditError
        The piece has no ledge to stand on, nothing at hand fits, or something that must be there fits nowhere.
    """
    piece = plan.piece(piece_id)
    ledges, walls = _to_be_dressed(piece, only_ledge)
    if season is not None and base is not None:
        base = _in_season(plan, base, season)
    fixed = _fixed(base, piece, only_ledge, finish=finish)
    kept = {placement.item for placement in fixed}
    taken = kept | _taken_elsewhere(plan, piece_id, number)
    free = [
        item for item in plan.stash
        if item.id not in taken and item.is_at_hand and _meant(item, piece_id) and _is_of(item, season)
    ]  # fmt: skip
    called = {item for wish in piece.wishes if wish.kind in CALLED_FOR for item in wish.items}
    called |= {item for task in piece.tasks for item in task.items}
    awaited = {item.id: item for item in awaited_by(plan.stash, piece_id, len(plan.pieces) == 1)}
    must = [item for item in awaited.values() if item.id not in kept]
    must += [item for item in free if item.id in called and item.id not in awaited and only_ledge is None]
    unseen = {item for wish in piece.wishes if wish.kind == "out-of-sight" for item in wish.items}
    hidden = tuple(item for item in must if "hide" in item.traits or item.id in unseen)
    required = tuple(item for item in must if item not in hidden)
    known = {item.id for item in must} | unseen
    ordinary = [item for item in free if item.id not in known and "hide" not in item.traits]
    problem = Problem(
        plan, piece, manner, fixed, (*required, *hidden), hidden,
        tuple(i for i in ordinary if _may_come(i, piece, ledges, walls)),
        tuple(i for i in ordinary if i.category in FILLINGS),
        ledges, walls, frozenset(), base.placements if base is not None else (), stay if base is not None else 0.0,
        season=season,
    )  # fmt: skip
    problem = _without_impossible(problem, required)
    if not problem.candidates and not problem.required and not problem.fixed:
        nothing = f"Nothing at hand fits on {piece.label}; gather things for it first."
        raise EditError(problem.impossible[0][1] if problem.impossible else nothing)
    if ledges and base is None and not problem.required and not fixed and not _any_welcome(problem):
        raise EditError(
            f"Nothing at hand belongs on {piece.label} by itself. Set down by hand what you want there, or tell "
            f"things in the stash that they are meant for it."
        )
    resolved = problem.resolve(fixed)
    _check_locks(resolved)
    return replace(problem, tolerated=frozenset(stops_of(resolved)))


def _any_welcome(problem: Problem) -> bool:
    if any(item.category in WALL_CATEGORIES for item in problem.candidates) and problem.walls:
        return True
    return any(problem.welcomes(item, ledge) for item in problem.candidates for ledge in problem.homes(item))


def problems_of(
    plan: Plan,
    piece_id: str,
    manners: Sequence[Manner],
    base: Look | None = None,
    only_ledge: str | None = None,
    **more: Any,
) -> tuple[Problem, ...]:
    """Return one problem for every manner, numbered from 1; see :func:`problem_of`."""
    return tuple(
        problem_of(plan, piece_id, manner, base, only_ledge, number=number + 1, **more)
        for number, manner in enumerate(manners)
    )


def _taken_elsewhere(plan: Plan, piece_id: str, number: int) -> set[str]:
    """Return what stands in the looks of other pieces that go with the proposal of a number.

    Of every other piece that is its proposal of the same number, else the last look it has.
    """
    taken: set[str] = set()
    for piece in plan.pieces:
        looks = plan.looks_of(piece.id) if piece.id != piece_id else ()
        if looks:
            together = [look for look in looks if look.proposal == number] or looks
            taken |= {placement.item for placement in together[-1].placements}
    return taken


def _to_be_dressed(piece: Piece, only_ledge: str | None) -> tuple[tuple[Ledge, ...], tuple[Ledge, ...]]:
    """Return the ledges and the walls that may be changed; raise EditError where there is none."""
    asked = [ledge for ledge in piece.ledges if only_ledge in (None, ledge.id)]
    if not asked:
        raise EditError(f"{piece.label} has no ledge that things could stand on or hang from; measure one first.")
    found = [ledge for ledge in asked if ledge.meant.purpose not in UNTOUCHED]
    if not found:
        names = listed([f"{ledge.label} as {PURPOSE_NAMES[ledge.meant.purpose]}" for ledge in asked[:MOST_NAMED]])
        raise EditError(f"Nothing is to be proposed here: you mean {names}; mean one to be dressed first.")
    return tuple(one for one in found if not one.is_wall), tuple(one for one in found if one.is_wall)


def _fixed(base: Look | None, piece: Piece, only_ledge: str | None, *, finish: bool) -> tuple[Placement, ...]:
    """Return what stays: what is locked or meant to, what stands on other ledges, and what carries any of it."""
    if base is None:
        return ()
    if finish:
        return base.placements
    by_id = {placement.id: placement for placement in base.placements}
    stays = {ledge.id for ledge in piece.ledges if ledge.meant.purpose in ("leave", "collection")}
    kept = {
        p.id for p in base.placements
        if p.locked or p.ledge in stays or (only_ledge is not None and p.ledge != only_ledge)
    }  # fmt: skip
    for identifier in list(kept):
        host = by_id[identifier].host
        while host is not None:
            kept.add(host)
            host = by_id[host].host
    return tuple(placement for placement in base.placements if placement.id in kept)


def _is_of(item: Item, season: Season | None) -> bool:
    return season is None or not item.season or season in item.season


def _in_season(plan: Plan, base: Look, season: Season) -> Look:
    """Return a look without what is of other seasons, with all that stands on it; what is locked stays."""
    items = stash_index(plan.stash)
    gone = {p.id for p in base.placements if not p.locked and not _is_of(items[p.item], season)}
    return replace(base, placements=without(base.placements, gone))


def without(placements: tuple[Placement, ...], gone: set[str]) -> tuple[Placement, ...]:
    """Return placements without some, and without what stands on them or in them."""
    size = -1
    while size != len(gone):
        size = len(gone)
        gone = gone | {placement.id for placement in placements if placement.host in gone}
    return tuple(placement for placement in placements if placement.id not in gone)


def _meant(item: Item, piece_id: str) -> bool:
    return not item.meant_for or piece_id in item.meant_for


def _may_come(item: Item, piece: Piece, ledges: tuple[Ledge, ...], walls: tuple[Ledge, ...]) -> bool:
    """Tell whether a thing could stand or hang on a piece; where there is only a wall, cloth hangs there, too."""
    hangs = HANGS if not ledges else WALL_CATEGORIES
    if item.category in hangs and any(item.width <= wall.width for wall in walls):
        return True
    return item.category not in NEEDS_A_HOST and bool(_homes(item, piece.wishes, ledges))


def _without_impossible(problem: Problem, required: tuple[Item, ...]) -> Problem:
    """Set apart what must be there and fits nowhere, each with a sentence: one such thing does not drop the others."""
    impossible: list[tuple[Item, str]] = []
    for item in required:
        hangs = problem.walls and item.category in HANGS
        if item.category not in NEEDS_A_HOST and not hangs and not problem.homes(item):
            if any(any(ways_to_stand(item, ledge)) for ledge in problem.open_ledges):
                said = f"The {item.label} must be there, and fits on none of the ledges it is wished on."
            else:
                said = f"The {item.label} must be there and fits on no ledge of {problem.piece.label}."
            impossible.append((item, said))
    hosts = [*problem.candidates, *required, *(_item(problem.plan, p.item) for p in problem.fixed)]
    for item in problem.hidden:
        if not any(holds_wholly(host, item) for host in hosts):
            said = f"The {item.label} must be hidden and nothing at hand is large enough to hold it."
            impossible.append((item, said))
    gone = {item.id for item, _ in impossible}
    return replace(
        problem,
        required=tuple(item for item in problem.required if item.id not in gone),
        hidden=tuple(item for item in problem.hidden if item.id not in gone),
        impossible=tuple(impossible),
    )


def _item(plan: Plan, item_id: str) -> Item:
    return stash_index(plan.stash)[item_id]


def _check_locks(resolved: Arrangement) -> None:
    """Raise EditError where locked things are in each other's place, or cannot stand where they are locked."""
    for caution in cautions_of(resolved):
        locked = all(resolved.by_id[identifier].placement.locked for identifier in caution.placements)
        if caution.level == "stop" and caution.id in IN_SPACE and locked:
            both = "Both are" if len(caution.placements) > 1 else "It is"
            raise EditError(f"{caution.sentence} {both} locked there; unlock one first, and propose anew.")


def holds_wholly(host: Item, item: Item) -> bool:
    """Tell whether a thing goes into another and is hidden by it."""
    if host.category not in ("box", "basket") or not holds(host, item):
        return False
    sizes = sorted((item.width, item.height, item.depth))
    room = sorted((host.width, host.height, host.depth))
    return all(size <= free for size, free in zip(sizes, room, strict=True))
