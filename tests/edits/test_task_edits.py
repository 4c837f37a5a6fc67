"""Tasks and limits told, told otherwise, let go; what cannot be is refused in one sentence."""

import pytest
from msgspec.structs import replace

from builders import case_of, thing
from jolly_ledge.edits.tasks import DropTask, LimitKind, TellTask
from jolly_ledge.edits.wishes import AddWish, said
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.piece import Fixture, Wish
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.task import Task

SOCKET = Fixture(kind="socket", left=60.0, floor=1000.0, width=80.0, height=80.0)
PLAN = Plan(pieces=(case_of(fixtures=(SOCKET,)),), stash=(thing("kettle"), thing("cups")))
TEA = Task(name="tea", items=("kettle", "cups"), near="socket")


def test_a_task_is_told_changed_in_its_place_and_let_go() -> None:
    both = TellTask(piece="case", task=Task(name="post", items=("cups",))).apply(
        TellTask(piece="case", task=TEA).apply(PLAN)
    )
    assert [task.name for task in both.piece("case").tasks] == ["tea", "post"]
    later = TellTask(piece="case", task=replace(TEA, name="cocoa"), instead_of="tea").apply(both)
    assert [task.name for task in later.piece("case").tasks] == ["cocoa", "post"]
    shorter = TellTask(piece="case", task=replace(TEA, name="cocoa", items=("cups",))).apply(later)
    assert shorter.piece("case").tasks[0].items == ("cups",)
    assert [task.name for task in DropTask(piece="case", name="cocoa").apply(later).piece("case").tasks] == ["post"]


@pytest.mark.parametrize(
    ("task", "said"),
    [
        (replace(TEA, items=("kettle", "kettle")), "A thing is named twice in tea; name each once"),
        (replace(TEA, items=("urn",)), "urn"),
        (replace(TEA, near="cooktop"), "There is no cooktop at Case; add it in Measure, or leave the point out"),
        (replace(TEA, near="seat"), "There is no seat at Case"),
    ],
)
def test_a_task_that_cannot_be_is_refused(task: Task, said: str) -> None:
    with pytest.raises(EditError, match=said):
        TellTask(piece="case", task=task).apply(PLAN)


def test_two_tasks_are_not_called_alike() -> None:
    both = TellTask(piece="case", task=Task(name="post", items=("cups",))).apply(
        TellTask(piece="case", task=TEA).apply(PLAN)
    )
    with pytest.raises(EditError, match="Another task at Case is called post; choose another name"):
        TellTask(piece="case", task=replace(TEA, name="post"), instead_of="tea").apply(both)
    with pytest.raises(EditError, match="No task at Case is called tea"):
        DropTask(piece="case", name="tea").apply(PLAN)


def test_a_limit_is_set_changed_and_taken_away() -> None:
    once = LimitKind(piece="case", category="appliance", most=3).apply(PLAN)
    assert LimitKind(piece="case", category="appliance", most=3).label == "At most 3 of appliance"
    twice = LimitKind(piece="case", category="board", most=0).apply(once)
    assert twice.piece("case").limits == (("appliance", 3), ("board", 0))
    assert LimitKind(piece="case", category="appliance", most=None).apply(twice).piece("case").limits == (("board", 0),)


def test_a_wish_for_an_axis_that_is_not_there_is_refused() -> None:
    on_it = Wish(kind="centred", items=("kettle",), near="socket")
    wished = AddWish(piece="case", wish=on_it).apply(PLAN)
    assert said(on_it, wished, wished.piece("case")) == "kettle on the socket"
    for near in ("door", "mirror", "between-socket"):
        with pytest.raises(EditError, match="That axis crosses no ledge of Case; wish another, or tell it in Measure"):
            AddWish(piece="case", wish=replace(on_it, near=near)).apply(PLAN)
    outside = replace(PLAN, pieces=(replace(PLAN.pieces[0], door=9_000.0),))
    with pytest.raises(EditError, match="That axis crosses no ledge"):
        AddWish(piece="case", wish=replace(on_it, near="door")).apply(outside)
