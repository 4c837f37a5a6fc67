"""The session without a window: what is in hand, chosen, changed, kept and refused."""

from pathlib import Path

import pytest
from msgspec.structs import replace
from PySide6.QtWidgets import QApplication
from pytestqt.qtbot import QtBot

from builders import case_of, plan_of, put, thing
from jolly_ledge.app.session import Session
from jolly_ledge.app.steps.arrange.look_actions import LookActions
from jolly_ledge.app.views.look.drag_gesture import DragGesture, natural_pose
from jolly_ledge.edits.items import AddItems, RemoveItems
from jolly_ledge.edits.looks import DuplicateLook, RemoveLook, RenamePlan
from jolly_ledge.edits.placements import MovePlacement
from jolly_ledge.files.plan_file import open_plan
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.geometry.landing import Spot
from jolly_ledge.model.look import Placement
from jolly_ledge.model.piece import Ledge
from jolly_ledge.proposals.meaning import Meaning

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
def session(qapp: QApplication, log: RecoveryLog) -> Session:
    wall = Ledge(id="w", left=20, floor=1000, width=800, depth=40, clearance=900, surface="wall")
    piece = case_of()
    return Session(plan_of(ITEMS, PLACED, replace(piece, ledges=(*piece.ledges, wall))), log)


@pytest.fixture
def actions(session: Session) -> LookActions:
    return LookActions(session)


def placed(session: Session, identifier: str) -> Placement:
    return session.plan.look("look").placement(identifier)


def refusals(session: Session) -> list[str]:
    said: list[str] = []
    session.refused.connect(said.append)
    return said


# In hand and chosen


def test_what_is_in_hand_at_the_start(session: Session) -> None:
    assert (session.piece.id, session.look.id, session.ledge_id) == ("case", "look", "a1")
    assert session.item is not None
    assert session.item.id == "stack"
    assert {item.id for item in session.free_items()} == {"stems", "art"}
    assert session.length(315) == "31.5 cm"


def test_choosing_a_thing_takes_its_ledge_in_hand(session: Session) -> None:
    session.choose("box")
    assert session.ledge_id == "a2"
    assert [placed_item.id for placed_item in session.chosen_placed] == ["box"]


def test_what_is_gone_is_no_longer_chosen(session: Session) -> None:
    session.choose("box", "book")
    session.choose_item("box")
    session.commit(RemoveItems(items=("box",)))
    assert session.selection == ("book",)
    assert session.item is not None
    session.undo()
    assert placed(session, "box").ledge == "a2"


def test_a_look_that_is_removed_gives_way_to_another(session: Session) -> None:
    session.commit(DuplicateLook(look="look"))
    copy = session.plan.looks[1].id
    session.choose_look(copy)
    session.commit(RemoveLook(look=copy))
    assert session.look_id == "look"


def test_pointing_is_told_once(session: Session, qtbot: QtBot) -> None:
    with qtbot.waitSignal(session.pointed):
        session.point_at("box")
    with qtbot.assertNotEmitted(session.pointed):
        session.point_at("box")


def test_another_unit_is_shown(session: Session, qtbot: QtBot) -> None:
    with qtbot.waitSignals([session.unit_changed, session.changed]):
        session.set_unit("in")
    assert session.length(25.4) == "1 in"


# Changing


def test_a_preview_is_shown_and_not_committed(session: Session) -> None:
    edit = MovePlacement(look="look", placement="book", spot=Spot(ledge="a2", x=700, z=150))
    session.preview(edit.apply(session.plan).look("look"))
    assert session.arrangement.by_id["book"].ledge.id == "a2"
    assert placed(session, "book").ledge == "a1"
    session.preview(None)
    assert session.arrangement.by_id["book"].ledge.id == "a1"
    assert session.history.undo_label is None


def test_readings_are_made_once_for_a_look(session: Session) -> None:
    assert not session.is_assessed
    first = session.assessment
    assert session.is_assessed
    assert session.assessment is first
    session.commit(RenamePlan(name="Other"))
    assert session.assessment is not first


def test_a_refusal_is_told_and_nothing_changes(session: Session) -> None:
    said = refusals(session)
    plan = session.plan
    assert not session.commit(MovePlacement(look="look", placement="stack", spot=Spot(ledge="a1", x=1, z=1, on="vase")))
    assert not session.commit(RemoveLook(look="look"))
    assert session.plan is plan
    assert len(said) == 2
    assert all(sentence.endswith(".") for sentence in said)


def test_unsaved_work_is_kept_until_it_is_saved(session: Session, tmp_path: Path, qtbot: QtBot) -> None:
    kept = tmp_path / "recovery"
    session.keep_now()
    assert not kept.exists()
    session.commit(RenamePlan(name="Half done"))
    qtbot.waitUntil(lambda: kept.is_dir() and len(list(kept.iterdir())) == 1)
    assert session.save(tmp_path / "plan.json")
    assert list(kept.iterdir()) == []
    assert open_plan(tmp_path / "plan.json")[0].name == "Half done"
    assert not session.is_dirty


def test_saving_without_a_place_does_nothing(session: Session) -> None:
    assert not session.save()


def test_work_that_cannot_be_kept_is_told(session: Session, tmp_path: Path) -> None:
    (tmp_path / "recovery").write_text("in the way")
    said = refusals(session)
    session.commit(RenamePlan(name="x"))
    session.keep_now()
    assert any("cannot be kept" in sentence for sentence in said)
    session.let_go()


# Actions


def test_actions_without_a_choice_say_so(session: Session, actions: LookActions) -> None:
    said = refusals(session)
    for action in (actions.turn, actions.lock, actions.put_back, actions.put_inside, lambda: actions.nudge(1, 1)):
        action()
    assert len(said) == 5
    assert set(said) == {"Nothing is chosen; click a thing on the drawing first."}


def test_nudges_in_a_row_are_one_step_and_carry_what_stands_on_it(session: Session, actions: LookActions) -> None:
    session.choose("stack")
    for _ in range(3):
        actions.nudge(10, 0)
    assert placed(session, "stack").x == 230
    assert placed(session, "vase").x == 230
    assert session.history.labels == ("Move stack",)


def test_what_is_inside_is_not_nudged(session: Session, actions: LookActions) -> None:
    said = refusals(session)
    session.choose("book")
    actions.put_inside()
    assert "No box" in said[-1]
    session.choose_ledge("a2")
    actions.place(ITEMS[4])
    session.choose("art")
    actions.put_inside()
    assert placed(session, "art").inside == "box"
    actions.nudge(10, 0)
    assert "goes with what holds it" in said[-1]


def test_what_leans_goes_back_to_the_wall(session: Session, actions: LookActions) -> None:
    session.choose("book")
    actions.pose("leaning")
    book = placed(session, "book")
    assert (book.pose, book.z) == ("leaning", 300 - 170 / 2)
    session.choose("vase")
    actions.pose("leaning")
    assert placed(session, "vase").z == 150


def test_what_hangs_keeps_its_pose(session: Session, actions: LookActions) -> None:
    session.choose_ledge("w")
    actions.place(ITEMS[4])
    said = refusals(session)
    session.choose("art")
    actions.pose("flat")
    assert "hangs on the wall" in said[0]
    assert placed(session, "art").pose == "hung"


def test_poses_leave_what_is_inside_alone(session: Session, actions: LookActions) -> None:
    session.choose("book", "box")
    actions.pose("flat")
    assert (placed(session, "book").pose, placed(session, "box").pose) == ("flat", "flat")
    assert session.history.undo_label == "Lay 2 things flat"


def test_locking_is_all_or_none(session: Session, actions: LookActions) -> None:
    session.choose("book")
    actions.lock()
    session.choose("book", "box")
    actions.lock()
    assert placed(session, "book").locked
    assert placed(session, "box").locked
    actions.lock()
    assert not placed(session, "book").locked
    session.choose("box")
    actions.lock()
    said = refusals(session)
    actions.put_back()
    assert "is locked" in said[0]


def test_turning_goes_round(session: Session, actions: LookActions) -> None:
    session.choose("box")
    turns = []
    for _ in range(4):
        actions.turn()
        turns.append(placed(session, "box").turn)
    assert turns == [90, 180, 270, 0]


def test_a_frame_is_hung_on_the_wall_in_hand(session: Session, actions: LookActions) -> None:
    session.choose_ledge("w")
    actions.place(ITEMS[4])
    art = placed(session, "art")
    assert (art.pose, art.y, art.z) == ("hung", 200, None)
    session.choose("art")
    actions.nudge(5, 10)
    assert placed(session, "art").y == 210


def test_ledges_and_things_are_gone_through_in_order(session: Session, actions: LookActions) -> None:
    seen = []
    for _ in range(4):
        actions.choose_next(1)
        seen.append(session.selection[0])
    assert seen == ["box", "stack", "vase", "book"]
    actions.choose_next(1)
    assert session.selection == ("box",)
    session.choose_ledge("a1")
    actions.choose_ledge(1)
    assert session.ledge_id == "w"


# Carrying


def test_frames_lean_and_the_rest_stands() -> None:
    assert natural_pose(ITEMS[4]) == "leaning"
    assert natural_pose(ITEMS[1]) == "upright"


def test_a_gesture_from_the_stash_commits_one_edit(session: Session) -> None:
    gesture = DragGesture(session, ITEMS[4])
    gesture.move(500, 540)
    gesture.move(520, 530)
    assert gesture.landing is not None
    assert "from the left end" in gesture.figures()
    assert session.ledge_id == "a2"
    assert gesture.finish()
    assert session.history.labels == ("Place art",)
    assert session.selection == ("art",)
    assert placed(session, "art").pose == "leaning"


def test_a_gesture_that_ends_nowhere_commits_nothing(session: Session) -> None:
    gesture = DragGesture(session, ITEMS[4])
    gesture.move(5_000, 5_000)
    assert gesture.figures() == ""
    assert not gesture.finish()
    assert session.history.undo_label is None


def test_a_gesture_out_of_the_piece_puts_back(session: Session) -> None:
    gesture = DragGesture(session, ITEMS[5], placed(session, "book"))
    gesture.move(-900, 100)
    assert gesture.figures() == "back to the stash"
    assert gesture.finish()
    assert session.history.undo_label == "Put back book"


def test_a_cancelled_gesture_leaves_all_as_it_was(session: Session) -> None:
    plan = session.plan
    gesture = DragGesture(session, ITEMS[5], placed(session, "book"))
    gesture.move(400, 530)
    assert session.arrangement.by_id["book"].ledge.id == "a2"
    gesture.cancel()
    assert session.plan is plan
    assert session.arrangement.by_id["book"].ledge.id == "a1"
    assert session.ledge_id == "a1"
    assert not gesture.finish()


def test_stems_are_carried_into_a_vase(session: Session) -> None:
    gesture = DragGesture(session, ITEMS[2])
    vase = session.arrangement.by_id["vase"]
    gesture.move(vase.x, vase.top)
    assert gesture.figures() == "inside the vase"
    assert gesture.finish()
    assert placed(session, "stems").inside == "vase"


def test_what_a_thing_carries_does_not_catch_it(session: Session) -> None:
    gesture = DragGesture(session, ITEMS[0], placed(session, "stack"))
    gesture.move(220, 300)
    assert gesture.landing is not None
    assert gesture.landing.spot.on is None
    gesture.finish()
    assert placed(session, "vase").on == "stack"


def test_steady_work_is_kept_though_it_never_rests(session: Session, qtbot: QtBot, tmp_path: Path) -> None:
    session._latest.setInterval(400)
    kept = tmp_path / "recovery"
    for number in range(40):
        session.commit(RenamePlan(name=f"Name {number}"))
        qtbot.wait(20)
        if list(kept.glob("*.recovery")):
            break
    else:
        pytest.fail("nothing was kept while the work went on")
    assert session._keeper.interval() > 20


def test_several_nudged_three_times_are_one_step(session: Session, actions: LookActions) -> None:
    session.choose("stack", "vase", "box")
    before = {name: placed(session, name) for name in ("stack", "vase", "box")}
    for _ in range(3):
        actions.nudge(10.0, 0.0)
    assert session.history.labels == ("Move 3 things",)
    assert {name: placed(session, name).x for name in before} == {name: (p.x or 0) + 30 for name, p in before.items()}
    session.choose("box")
    actions.nudge(10.0, 0.0)
    assert len(session.history.labels) == 2
    session.undo()
    session.undo()
    assert {name: placed(session, name) for name in before} == before


def test_a_second_picture_leans_before_the_first(session: Session, actions: LookActions) -> None:
    session.choose_ledge("a2")
    art = next(item for item in session.plan.stash if item.id == "art")
    actions.place(art)
    back = placed(session, "art").z or 0.0
    session.commit(AddItems(items=(thing("art2", "frame"),)))
    actions.place(session.plan.item("art2"))
    at = placed(session, "art")
    session.commit(MovePlacement(look="look", placement="art2", spot=Spot(ledge="a2", x=(at.x or 0.0) + 30, z=150)))
    session.choose("art2")
    actions.pose("leaning")
    assert placed(session, "art2").z == pytest.approx(back - 25)


def test_what_scores_mean_is_forgotten_with_its_plan(session: Session) -> None:
    known = (session.piece_id, session.look.manner)
    session.meanings[known] = Meaning(((0.0, 0.0), (1.0, 100.0)))
    session.choose_look(session.look_id)
    assert known in session.meanings
    session.start(session.plan, None)
    assert not session.meanings
