"""When things that must be there do not go together: the smallest set of them that is at fault, by name."""

from collections.abc import Sequence
from random import Random

from msgspec.structs import replace

from jolly_ledge.cautions.register import NAMES, cautions_of
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Placement
from jolly_ledge.model.phrases import capital, listed, verb
from jolly_ledge.proposals.composing.library import ledger_of
from jolly_ledge.proposals.groups.stock import Stock
from jolly_ledge.proposals.placement_search import MOST_TRIED, room_and_need, settle
from jolly_ledge.proposals.problem import IN_SPACE, Problem
from jolly_ledge.proposals.requirements import Requirement, requirements_of

TRIED_FOR_EACH = 600
"""Places that are tried for one set of things; a search that is cut short blames nobody."""

AS_WISHED: dict[str, str] = {
    "centred": "in the middle", "mirrored": "as a pair about the middle", "together": "together", "hidden": "hidden",
    "underlaid": "with something under",
    "near": "near what it is wished by",
    "filling": "in a vessel",
}  # fmt: skip

MOST_NAMED = 9

Part = Requirement | Placement


def conflicts_in(problem: Problem) -> tuple[str, ...]:
    """Return what must be there and cannot, each with the smallest set at fault; none where all of it finds its place.

    A search that is cut short blames nobody.
    """
    said = [sentence for _, sentence in problem.impossible]
    requirements = requirements_of(problem)
    found, to_the_end = settle(problem, requirements) if requirements else ((), True)
    if found is None and to_the_end:
        blamed = _without_books_that_are_told(problem, requirements)
        # What goes together once the books are out is their fault: how long they are is told.
        is_theirs = len(blamed) < len(requirements) and not cannot_be(problem, [*blamed, *locks_of(problem)])
        conflict = () if is_theirs else smallest_conflict(problem, blamed)
        # Many things that only together have no room are told with what they need, not one by one.
        if conflict and len(conflict) <= MOST_NAMED:
            said.append(_caution_in_the_way(problem, conflict) or _sentence(problem, conflict))
    return tuple(said)


def _without_books_that_are_told(problem: Problem, requirements: tuple[Requirement, ...]) -> tuple[Requirement, ...]:
    """Return the requirements without loose books where these are told by their length or weight, and are at fault.

    Leaving out one after another of a hundred books takes long and names nobody.
    """
    books = tuple(part for part in requirements if all(item.category == "book" for item in part.items))
    if len(books) <= MOST_NAMED or not _too_many_books(problem, problem.required):
        return requirements
    return tuple(part for part in requirements if part not in books)


def left_out_of(problem: Problem, placements: tuple[Placement, ...], told: tuple[str, ...]) -> tuple[str, ...]:
    """Return what a proposal leaves out that must be there: why, where that is known, before anything else."""
    placed = {placement.item for placement in placements}
    named = {item.id for item, _ in problem.impossible}
    missing = [item for item in problem.required if item.id not in placed and item.id not in named]
    said = list(told)
    if missing:
        names = [f"the {item.label}" for item in missing]
        why = "" if len(told) > len(problem.impossible) else "; no place was found in the time, so give it more"
        why = _too_many_books(problem, missing) or _too_much(problem) or why
        said.append(f"{capital(listed(names, len(names)))} {verb(names, 'is', 'are')} left out{why}.")
    return tuple(said)


def _caution_in_the_way(problem: Problem, conflict: tuple[Part, ...]) -> str:
    """Return what a caution says that alone keeps things from being there together; empty where there is no room."""
    requirements = tuple(part for part in conflict if isinstance(part, Requirement))
    kept = {part.id for part in conflict if isinstance(part, Placement)}
    fixed = tuple(placement for placement in problem.fixed if placement.id in kept or placement.host in kept)
    wanted = tuple(item for requirement in requirements for item in requirement.items)
    for identifier in NAMES:
        if identifier in IN_SPACE:
            continue
        eased = replace(problem, fixed=fixed, required=wanted, unheeded=frozenset({identifier}))
        found, _ = settle(eased, requirements, most=TRIED_FOR_EACH)
        if found is not None:
            stops = [c for c in cautions_of(problem.resolve(found)) if c.id == identifier and c.level == "stop"]
            return stops[0].sentence if stops else ""
    return ""


def _too_many_books(problem: Problem, missing: Sequence[Item]) -> str:
    """Return how long the books are and how much the shelves take, where that is why some are left out."""
    if not any(item.category == "book" for item in missing):
        return ""
    stock = Stock(problem, Random(0))
    books = [thing for thing in stock.things.values() if thing.id in stock.must and thing.category == "book"]
    ledger = ledger_of(stock, books)
    if ledger.is_too_heavy:
        return f"; the books weigh about {ledger.mass:.0f} kg and the shelves are rated for {ledger.bears:.0f} kg more"
    if not ledger.left_over:
        return ""
    return f"; the books are {ledger.length / 1000:.1f} m long and the shelves take {ledger.room / 1000:.1f} m"


def _too_much(problem: Problem) -> str:
    """Return what all that must stand covers and what the ledges have, where that alone is too much."""
    room, need = room_and_need(problem, requirements_of(problem))
    if need <= room:
        return ""
    return f"; what must stand there covers {need / 1e6:.2f} m² at least and the ledges have {room / 1e6:.2f} m²"


def smallest_conflict(problem: Problem, requirements: tuple[Requirement, ...]) -> tuple[Part, ...]:
    """Leave out one after another whatever the conflict does not need; what remains needs every one of its parts.

    Requirements are left out before locks, so that as few locks as possible are named. Leaving out once is enough:
    what a larger set could not do without, a smaller one cannot. Only a search that was cut short may have kept too
    much, so that what is left is gone through once more, with more tries.
    """
    parts: list[Part] = [*requirements, *locks_of(problem)]
    # Small things are let go first: they are seldom what a conflict is about.
    for most in (TRIED_FOR_EACH, MOST_TRIED):
        for part in sorted(parts, key=lambda part: (isinstance(part, Requirement), _size(problem, part))):
            without = [other for other in parts if other is not part]
            if cannot_be(problem, without, most):
                parts = without
        if len(parts) > MOST_NAMED:
            break
    return tuple(parts)


def locks_of(problem: Problem) -> tuple[Placement, ...]:
    """Return what stays where it is and stands on no other thing."""
    return tuple(placement for placement in problem.fixed if placement.host is None)


def _size(problem: Problem, part: Part) -> float:
    if isinstance(part, Requirement):
        return sum(item.width * item.depth for item in part.items)
    item = _item(problem, part)
    return item.width * item.depth


def _item(problem: Problem, placement: Placement) -> Item:
    return next(item for item in problem.plan.stash if item.id == placement.item)


def cannot_be(problem: Problem, parts: Sequence[Part], most: int = MOST_TRIED) -> bool:
    """Tell whether it is sure that some requirements and locks cannot be met together, after so many tries at most."""
    requirements = tuple(part for part in parts if isinstance(part, Requirement))
    kept = {part.id for part in parts if isinstance(part, Placement)}
    fixed = tuple(placement for placement in problem.fixed if placement.id in kept or placement.host in kept)
    wanted = tuple(item for requirement in requirements for item in requirement.items)
    smaller = replace(problem, fixed=fixed, required=wanted)
    found, to_the_end = settle(smaller, requirements, most=most)
    return found is None and to_the_end


def _sentence(problem: Problem, conflict: tuple[Part, ...]) -> str:
    requirements = [part for part in conflict if isinstance(part, Requirement)]
    locks = [part for part in conflict if isinstance(part, Placement)]
    things = [f"the {item.label}" for requirement in requirements for item in requirement.items]
    wishes = list(
        dict.fromkeys(AS_WISHED[requirement.kind] for requirement in requirements if requirement.kind in AS_WISHED)
    )
    said = f"{capital(listed(things, len(things)))} must be on {problem.piece.label}"
    said += f" ({listed(wishes)})" if wishes else ""
    if locks:
        names = listed([f"the {_item(problem, lock).label}" for lock in locks], len(locks))
        one = len(locks) == 1
        kept = f"stay{'s' if one else ''} where {'it is' if one else 'they are'} and leave{'s' if one else ''} no room"
        return f"{said}, and {names} {kept}; unlock or move something, or measure again."
    together = "do not go there together" if len(things) > 1 else "finds no place there"
    return f"{said}, and {together}; let one of them go elsewhere, or ease the wish."
