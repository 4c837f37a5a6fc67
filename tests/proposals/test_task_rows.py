"""Proposals stand what a task takes in a row at its point, and keep to limits."""

import pytest
from msgspec.structs import replace

from households import household
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.geometry.tasks import way_of
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.roles import role_of
from jolly_ledge.model.task import Task
from jolly_ledge.proposals.problem import problem_of
from jolly_ledge.proposals.propose import proposals


def proposed(seed: int, **changes: object) -> tuple[Arrangement, Plan]:
    """Return a proposal for a counter on which something is told, and its plan."""
    plan, manner = household("counter", 1)
    piece: Piece = replace(plan.pieces[0], **changes)
    plan = replace(plan, pieces=(piece,))
    problem = problem_of(plan, piece.id, manner)
    (found,) = proposals([problem], seed, steps=60).found
    return problem.resolve(found.look.placements), plan


@pytest.mark.parametrize("seed", [1, 2, 3])
def test_what_a_task_takes_stands_in_reach_and_in_order_at_its_point(seed: int) -> None:
    plan, _ = household("counter", 1)
    labels = {item.label: item.id for item in plan.stash}
    items = tuple(labels[name] for name in ("coffee machine", "row of cups", "teapot"))
    task = Task(name="coffee", items=items, near="socket")
    look, _ = proposed(seed, tasks=(task,))
    way = way_of(look, task)
    assert (way.gone, way.too_far) == ((), ())
    assert way.turns <= 1


@pytest.mark.parametrize("most", [0, 1])
def test_no_more_of_a_kind_come_than_are_let(most: int) -> None:
    free, _ = proposed(2)
    limited, _ = proposed(2, limits=(("tableware", most), ("board", most)))
    for kind in ("tableware", "board"):
        assert sum(one.item.category == kind for one in limited.visible) <= most
    assert sum(one.item.category in ("tableware", "board") for one in free.visible) > 0


@pytest.mark.parametrize("start", ["sideboard", "console", "island"])
def test_a_task_is_stood_in_a_row_on_other_tops_as_well(start: str) -> None:
    plan, manner = household(start, 1)
    problem = problem_of(plan, plan.pieces[0].id, manner)
    free = problem.resolve(proposals([problem], 1, steps=20).found[0].look.placements)
    (top,) = (ledge for ledge in plan.pieces[0].ledges if role_of(plan.pieces[0], ledge) in ("top", "island"))
    items = tuple(
        one.item.id for one in free.by_ledge[top.id]
        if one.placement.pose == "upright" and one.item.width < 0.2 * top.width and one.item.category != "stems"
    )[:2]  # fmt: skip
    task = Task(name="lay the table", items=items[::-1])
    piece = replace(plan.pieces[0], tasks=(task,))
    asked = problem_of(replace(plan, pieces=(piece,)), piece.id, manner)
    look = asked.resolve(proposals([asked], 1, steps=60).found[0].look.placements)
    way = way_of(look, task)
    assert len(items) == 2
    assert (way.gone, way.too_far) == ((), ())
    assert sum(one.ledge.id == top.id for one in look.visible) > 2
