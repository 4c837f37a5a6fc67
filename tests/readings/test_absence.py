"""A reading is left out only for the reason that is written down, on every kind of furniture and any number of things."""

from collections.abc import Callable, Iterator
from functools import lru_cache

import pytest

from households import ROOMS, household
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.roles import role_of
from jolly_ledge.proposals.composing.composition import composed
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.readings.absence import ABSENT, absence_said
from jolly_ledge.readings.register import NAMES, assess
from jolly_ledge.scene.marks import NEVER_LEAD

BELOW = ("below", "floor", "hearth")
COUNTS, SHALLOW_MM = (0, 1, 2, 3, 6, 99), 260.0


@lru_cache(maxsize=1)
def scenes() -> tuple[Arrangement, ...]:
    """Return looks of every kind of furniture with none, one, two, three, six and all of the things of a composed one."""
    found = []
    for start in ROOMS:
        plan, manner = household(start, 3)
        problem = problem_of(plan, plan.pieces[0].id, manner)
        whole = next(one for seed in range(10) if (one := composed(problem, seed)) is not None).placements
        by_id = {placement.id: placement for placement in whole}
        roots = [placement.id for placement in whole if placement.host is None]

        def root_of(identifier: str, by_id: dict = by_id) -> str:  # type: ignore[type-arg]
            host = by_id[identifier].host
            return identifier if host is None else root_of(host, by_id)

        for count in COUNTS:
            kept = set(roots[:count])
            found.append(problem.resolve(one for one in whole if root_of(one.id) in kept))
    return tuple(found)


def placed(arrangement: Arrangement) -> int:
    return len(arrangement.visible)


REASONS: dict[str, Callable[[Arrangement], bool]] = {
    "odd-groups": lambda one: placed(one) == 0,
    "how-many": lambda one: placed(one) == 0,
    "negative-space": lambda one: placed(one) == 0,
    "even-rest": lambda one: placed(one) == 0 or one.piece.viewed_from == "around" or one.piece.height < 1000,
    "grouping": lambda one: sum(len(stacks) for stacks in one.stacks.values()) < 2,
    "height-rhythm": lambda one: all(len(stacks) < 2 for stacks in one.stacks.values()),
    "scale": lambda one: placed(one) == 0,
    "layering": lambda one: all(len(stacks) < 2 or stacks[0].ledge.depth < SHALLOW_MM for stacks in one.stacks.values()),
    "covered": lambda one: placed(one) < 2,
    "figure": lambda one: len(one.units) < 6,
    "side-balance": lambda one: placed(one) == 0,
    "weight-low": lambda one: placed(one) == 0 or len({ledge.floor for ledge in one.standing_ledges}) == 1,
    "even-vignettes": lambda one: one.piece.kind == "nightstand" or len({v.ids for v in one.vignettes if role_of(one.piece, v.ledge) not in BELOW}) < 2,
    "focal-point": lambda one: placed(one) < 2 or all(s.item.category in NEVER_LEAD for s in one.visible),
    "stack-order": lambda one: all(placement.on is None for placement in one.look.placements),
    "palette": lambda one: placed(one) == 0,
    "tie": lambda one: placed(one) < 3,
    "contrast": lambda one: placed(one) == 0,
    "alike-apart": lambda one: len(one.units) < 2,
    "mix": lambda one: len(one.units) < 3,
    "kept-clear": lambda one: placed(one) == 0 or not any(f.kind in ("art", "mirror", "tv") for f in one.piece.fixtures),
    "seen-shut": lambda one: placed(one) == 0 or not any(f.kind in ("bar", "brace") for f in one.piece.fixtures)
    or one.piece.doors != "glazed",
    "sight-line": lambda one: placed(one) == 0 or one.piece.viewed_from != "around",
    "all-round": lambda one: placed(one) == 0 or one.piece.viewed_from != "around",
    "books": lambda one: not any(s.item.category == "book" and s.placement.pose != "leaning" for s in one.visible),
}  # fmt: skip
"""What holds wherever a reading is left out; the rest depends on what a piece is used for."""


def test_every_reading_has_a_reason_for_its_absence() -> None:
    assert ABSENT.keys() == NAMES.keys()
    assert all(absence_said(name).startswith("It does not apply here: ") for name in NAMES)


@pytest.mark.parametrize("name", REASONS)
def test_a_reading_is_left_out_only_for_its_reason(name: str) -> None:
    applied = 0
    for arrangement in scenes():
        if assess(arrangement).reading(name) is None:
            assert REASONS[name](arrangement), f"{arrangement.piece.kind} with {placed(arrangement)} things"
        else:
            applied += 1
    assert applied


def without_any(names: Iterator[str]) -> list[str]:
    return [name for name in names if not any(assess(one).reading(name) for one in scenes())]


def test_every_reading_applies_somewhere() -> None:
    assert without_any(iter(NAMES)) == []
