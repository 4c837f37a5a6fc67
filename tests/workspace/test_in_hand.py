"""What is in hand, chosen, changed, carried and refused, without a window."""

from pathlib import Path

import pytest
from msgspec.structs import replace

from builders import case_of, plan_of, put, thing
from jolly_ledge.edits.items import AddItems, RemoveItems
from jolly_ledge.edits.looks import DuplicateLook, RemoveLook, RenamePlan
from jolly_ledge.edits.placements import MovePlacement
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.geometry.landing import Spot
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.meaning import Meaning
from jolly_ledge.workspace.drag_gesture import DragGesture, natural_pose
from jolly_ledge.workspace.look_actions import LookActions
from jolly_ledge.workspace.workspace import Workspace

ITEMS = (
    thing("stack", "book-stack"),
    thing("vase"),
    thing("stems", "stems"),
    thing("box", "box", traits=("lidded",)),
    thing("art", "frame"),
    thing("book", "book"),
)
PLACED = (put("stack", x=200), put("vase", on="stack", x=200), put("box", "a2", x=300), put("book", x=600))


@pytest.fixture
def workspace(tmp_path: Path) -> Workspace:
    wall = Ledge(id="w", left=20, floor=1000, width=800, depth=40, clearance=900, surface="wall")
    piece = case_of()
    plan = plan_of(ITEMS, PLACED, replace(piece, ledges=(*piece.ledges, wall)))
    return Workspace(plan, RecoveryLog(tmp_path / "recovery"))


@pytest.fixture
def actions(workspace: Workspace) -> LookActions:
    return LookActions(workspace)


def placed(workspace: Workspace, identifier: str) -> Placement:
    return workspace.plan.look("look").placement(identifier)


def refusals(workspace: Workspace) -> list[str]:
    said: list[str] = []
    workspace.signals.refused.connect(said.append)
    return said


# In hand and chosen


def test_what_is_in_hand_at_the_start(workspace: Workspace) -> None:
    assert (workspace.piece.id, workspace.look.id, workspace.ledge_id) == ("case", "look", "a1")
    assert workspace.item is not None
    assert workspace.item.id == "stack"
    assert {item.id for item in workspace.free_items()} == {"stems", "art"}
    assert workspace.length(315) == "31.5 cm"


def test_choosing_a_thing_takes_its_ledge_in_hand(workspace: Workspace) -> None:
    workspace.choose("box")
    assert workspace.ledge_id == "a2"
    assert [placed_item.id for placed_item in workspace.chosen_placed] == ["box"]


def test_what_is_gone_is_no_longer_chosen(workspace: Workspace) -> None:
    workspace.choose("box", "book")
    workspace.choose_item("box")
    workspace.commit(RemoveItems(items=("box",)))
    assert workspace.selection == ("book",)
    assert workspace.item is not None
    workspace.undo()
    assert placed(workspace, "box").ledge == "a2"


def test_a_look_that_is_removed_gives_way_to_another(workspace: Workspace) -> None:
    workspace.commit(DuplicateLook(look="look"))
    copy = workspace.plan.looks[1].id
    workspace.choose_look(copy)
    workspace.commit(RemoveLook(look=copy))
    assert workspace.look_id == "look"


def test_pointing_is_told_once(workspace: Workspace) -> None:
    told: list[str] = []
    workspace.signals.pointed.connect(lambda: told.append("pointed"))
    workspace.point_at("box")
    workspace.point_at("box")
    assert told == ["pointed"]


def test_another_unit_is_shown(workspace: Workspace) -> None:
    told: list[str] = []
    workspace.signals.length_unit_changed.connect(lambda: told.append("unit"))
    workspace.signals.changed.connect(lambda: told.append("changed"))
    workspace.set_length_unit("in")
    assert sorted(told) == ["changed", "unit"]
    assert workspace.length(25.4) == "1 in"


# Changing


def test_a_preview_is_shown_and_not_committed(workspace: Workspace) -> None:
    edit = MovePlacement(look="look", placement="book", spot=Spot(ledge="a2", x=700, z=150))
    workspace.preview(edit.apply(workspace.plan).look("look"))
    assert workspace.arrangement.by_id["book"].ledge.id == "a2"
    assert placed(workspace, "book").ledge == "a1"
    workspace.preview(None)
    assert workspace.arrangement.by_id["book"].ledge.id == "a1"
    assert workspace.history.undo_label is None


def test_readings_are_made_once_for_a_look(workspace: Workspace) -> None:
    assert not workspace.is_assessed
    first = workspace.assessment
    assert workspace.is_assessed
    assert workspace.assessment is first
    workspace.commit(RenamePlan(name="Other"))
    assert workspace.assessment is not first


def test_a_refusal_is_told_and_nothing_changes(workspace: Workspace) -> None:
    said = refusals(workspace)
    plan = workspace.plan
    assert not workspace.commit(
        MovePlacement(look="look", placement="stack", spot=Spot(ledge="a1", x=1, z=1, on="vase"))
    )
    assert not workspace.commit(RemoveLook(look="look"))
    assert workspace.plan is plan
    assert len(said) == 2
    assert all(sentence.endswith(".") for sentence in said)


def test_saving_without_a_place_does_nothing(workspace: Workspace) -> None:
    assert not workspace.save()


def test_work_that_cannot_be_kept_is_told(workspace: Workspace, tmp_path: Path) -> None:
    (tmp_path / "recovery").write_text("in the way")
    said = refusals(workspace)
    workspace.commit(RenamePlan(name="x"))
    workspace.document.keep_now()
    assert any("cannot be kept" in sentence for sentence in said)
    workspace.document.let_go()


# Actions


def test_actions_without_a_choice_say_so(workspace: Workspace, actions: LookActions) -> None:
    said = refusals(workspace)
    for action in (actions.turn, actions.lock, actions.put_back, actions.put_inside, lambda: actions.nudge(1, 1)):
        action()
    assert len(said) == 5
    assert set(said) == {"Nothing is chosen; click a thing on the drawing first."}


def test_nudges_in_a_row_are_one_step_and_carry_what_stands_on_it(workspace: Workspace, actions: LookActions) -> None:
    workspace.choose("stack")
    for _ in range(3):
        actions.nudge(10, 0)
    assert placed(workspace, "stack").x == 230
    assert placed(workspace, "vase").x == 230
    assert workspace.history.labels == ("Move stack",)


def test_what_is_inside_is_not_nudged(workspace: Workspace, actions: LookActions) -> None:
    said = refusals(workspace)
    workspace.choose("book")
    actions.put_inside()
    assert "No box" in said[-1]
    workspace.choose_ledge("a2")
    actions.place(ITEMS[4])
    workspace.choose("art")
    actions.put_inside()
    assert placed(workspace, "art").inside == "box"
    actions.nudge(10, 0)
    assert "goes with what holds it" in said[-1]


def test_stems_from_the_board_go_into_a_free_vessel_or_lean(workspace: Workspace, actions: LookActions) -> None:
    stems, twigs, jug = (
        thing(name, kind, width=150.0, height=120.0, depth=150.0)
        for name, kind in (("grasses", "stems"), ("twigs", "stems"), ("jug", "vessel"))
    )
    workspace.commit(AddItems(items=(stems, twigs, jug)))
    workspace.choose_ledge("a1")
    for item in (jug, stems, twigs):
        actions.place(item)
    assert placed(workspace, "grasses").inside == "jug"
    assert placed(workspace, "twigs").inside is None
    assert placed(workspace, "twigs").pose == "leaning"


def test_what_leans_goes_back_to_the_wall(workspace: Workspace, actions: LookActions) -> None:
    workspace.choose("book")
    actions.pose("leaning")
    book = placed(workspace, "book")
    assert (book.pose, book.z) == ("leaning", 300 - 170 / 2)
    workspace.choose("vase")
    actions.pose("leaning")
    assert placed(workspace, "vase").z == 150


def test_what_hangs_keeps_its_pose(workspace: Workspace, actions: LookActions) -> None:
    workspace.choose_ledge("w")
    actions.place(ITEMS[4])
    said = refusals(workspace)
    workspace.choose("art")
    actions.pose("flat")
    assert "hangs on the wall" in said[0]
    assert placed(workspace, "art").pose == "hung"


def test_poses_leave_what_is_inside_alone(workspace: Workspace, actions: LookActions) -> None:
    workspace.choose("book", "box")
    actions.pose("flat")
    assert (placed(workspace, "book").pose, placed(workspace, "box").pose) == ("flat", "flat")
    assert workspace.history.undo_label == "Lay 2 things flat"


def test_locking_is_all_or_none(workspace: Workspace, actions: LookActions) -> None:
    workspace.choose("book")
    actions.lock()
    workspace.choose("book", "box")
    actions.lock()
    assert placed(workspace, "book").locked
    assert placed(workspace, "box").locked
    actions.lock()
    assert not placed(workspace, "book").locked
    workspace.choose("box")
    actions.lock()
    said = refusals(workspace)
    actions.put_back()
    assert "is locked" in said[0]


def test_turning_goes_round(workspace: Workspace, actions: LookActions) -> None:
    workspace.choose("box")
    turns = []
    for _ in range(4):
        actions.turn()
        turns.append(placed(workspace, "box").turn)
    assert turns == [90, 180, 270, 0]


def test_a_frame_is_hung_on_the_wall_in_hand(workspace: Workspace, actions: LookActions) -> None:
    workspace.choose_ledge("w")
    actions.place(ITEMS[4])
    art = placed(workspace, "art")
    assert (art.pose, art.y, art.z) == ("hung", 200, None)
    workspace.choose("art")
    actions.nudge(5, 10)
    assert placed(workspace, "art").y == 210


def test_ledges_and_things_are_gone_through_in_order(workspace: Workspace, actions: LookActions) -> None:
    seen = []
    for _ in range(4):
        actions.choose_next(1)
        seen.append(workspace.selection[0])
    assert seen == ["box", "stack", "vase", "book"]
    actions.choose_next(1)
    assert workspace.selection == ("box",)
    workspace.choose_ledge("a1")
    actions.choose_ledge(1)
    assert workspace.ledge_id == "w"


# Carrying


def test_frames_lean_and_the_rest_stands() -> None:
    assert natural_pose(ITEMS[4]) == "leaning"
    assert natural_pose(ITEMS[1]) == "upright"


def test_a_gesture_from_the_stash_commits_one_edit(workspace: Workspace) -> None:
    gesture = DragGesture(workspace, ITEMS[4])
    gesture.move(500, 540)
    gesture.move(520, 530)
    assert gesture.landing is not None
    assert "from the left end" in gesture.figures()
    assert workspace.ledge_id == "a2"
    assert gesture.finish()
    assert workspace.history.labels == ("Place art",)
    assert workspace.selection == ("art",)
    assert placed(workspace, "art").pose == "leaning"


def test_a_gesture_that_ends_nowhere_commits_nothing(workspace: Workspace) -> None:
    gesture = DragGesture(workspace, ITEMS[4])
    gesture.move(5_000, 5_000)
    assert gesture.figures() == ""
    assert not gesture.finish()
    assert workspace.history.undo_label is None


def test_a_gesture_out_of_the_piece_puts_back(workspace: Workspace) -> None:
    gesture = DragGesture(workspace, ITEMS[5], placed(workspace, "book"))
    gesture.move(-900, 100)
    assert gesture.figures() == "back to the stash"
    assert gesture.finish()
    assert workspace.history.undo_label == "Put back book"


def test_a_cancelled_gesture_leaves_all_as_it_was(workspace: Workspace) -> None:
    plan = workspace.plan
    gesture = DragGesture(workspace, ITEMS[5], placed(workspace, "book"))
    gesture.move(400, 530)
    assert workspace.arrangement.by_id["book"].ledge.id == "a2"
    gesture.cancel()
    assert workspace.plan is plan
    assert workspace.arrangement.by_id["book"].ledge.id == "a1"
    assert workspace.ledge_id == "a1"
    assert not gesture.finish()


def test_stems_are_carried_into_a_vase(workspace: Workspace) -> None:
    gesture = DragGesture(workspace, ITEMS[2])
    vase = workspace.arrangement.by_id["vase"]
    gesture.move(vase.x, vase.top)
    assert gesture.figures() == "inside the vase"
    assert gesture.finish()
    assert placed(workspace, "stems").inside == "vase"


def test_what_a_thing_carries_does_not_catch_it(workspace: Workspace) -> None:
    gesture = DragGesture(workspace, ITEMS[0], placed(workspace, "stack"))
    gesture.move(220, 300)
    assert gesture.landing is not None
    assert gesture.landing.spot.on is None
    gesture.finish()
    assert placed(workspace, "vase").on == "stack"


def test_several_nudged_three_times_are_one_step(workspace: Workspace, actions: LookActions) -> None:
    workspace.choose("stack", "vase", "box")
    before = {name: placed(workspace, name) for name in ("stack", "vase", "box")}
    for _ in range(3):
        actions.nudge(10.0, 0.0)
    assert workspace.history.labels == ("Move 3 things",)
    assert {name: placed(workspace, name).x for name in before} == {name: (p.x or 0) + 30 for name, p in before.items()}
    workspace.choose("box")
    actions.nudge(10.0, 0.0)
    assert len(workspace.history.labels) == 2
    workspace.undo()
    workspace.undo()
    assert {name: placed(workspace, name) for name in before} == before


def test_a_second_picture_leans_before_the_first(workspace: Workspace, actions: LookActions) -> None:
    workspace.choose_ledge("a2")
    art = next(item for item in workspace.plan.stash if item.id == "art")
    actions.place(art)
    back = placed(workspace, "art").z or 0.0
    workspace.commit(AddItems(items=(thing("art2", "frame"),)))
    actions.place(workspace.plan.item("art2"))
    at = placed(workspace, "art")
    workspace.commit(MovePlacement(look="look", placement="art2", spot=Spot(ledge="a2", x=(at.x or 0.0) + 30, z=150)))
    workspace.choose("art2")
    actions.pose("leaning")
    assert placed(workspace, "art2").z == pytest.approx(back - 25)


def test_what_scores_mean_is_forgotten_with_its_plan(workspace: Workspace) -> None:
    known = (workspace.piece_id, workspace.look.manner)
    workspace.meanings[known] = Meaning(((0.0, 0.0), (1.0, 100.0)))
    workspace.choose_look(workspace.look_id)
    assert known in workspace.meanings
    workspace.start(workspace.plan, None)
    assert not workspace.meanings
