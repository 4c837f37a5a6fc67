"""Opening, saving, refusing and recovering in the real window; nothing is modal and nothing is lost."""

import os
import sys
from pathlib import Path

import pytest
from msgspec.structs import replace
from PySide6.QtCore import Qt
from pytestqt.qtbot import QtBot

from builders import case_of, plan_of, put, thing
from conftest import AnsweringDialogs, open_window
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.mishaps import watch_for_mishaps
from jolly_ledge.app.path_panel import STEPS
from jolly_ledge.edits.looks import RenamePlan
from jolly_ledge.files.codec import plan_to_json
from jolly_ledge.files.plan_file import PlanFile, open_plan, save_plan
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.model.plan import Plan
from patience import wait_until

LEFT = Qt.MouseButton.LeftButton


def press(window: MainWindow, qtbot: QtBot, button: str) -> None:
    qtbot.mouseClick(window.notice.buttons[button], LEFT)


def rename(window: MainWindow, name: str = "Renamed") -> None:
    assert window.workspace.commit(RenamePlan(name=name))


def test_a_plan_is_saved_and_opened_again(
    window: MainWindow, qtbot: QtBot, dialogs: AnsweringDialogs, tmp_path: Path
) -> None:
    rename(window)
    dialogs.to_save = tmp_path / "mine"
    qtbot.keyClick(window, Qt.Key.Key_S, Qt.KeyboardModifier.ControlModifier)
    assert open_plan(tmp_path / "mine.ledge")[0].name == "Renamed"
    assert "saved" in window.path.saved.text()
    assert not window.workspace.document.is_dirty
    rename(window, "Again")
    assert window.files.save()
    assert dialogs.asked == ["Save the plan"]
    dialogs.to_open = tmp_path / "mine.ledge"
    window.files.ask_open()
    assert window.workspace.plan.name == "Again"


def test_a_bad_file_is_refused_and_the_plan_in_hand_stays(window: MainWindow, tmp_path: Path) -> None:
    (tmp_path / "bad.json").write_text('{"format": "jolly-ledge/plan", "version": 1, "stash": [{"id": 3}]}')
    before = window.workspace.plan
    assert not window.workspace.open(tmp_path / "bad.json")
    assert "stash[0].id" in window.notice.sentence
    assert window.workspace.plan is before


def test_unsaved_work_is_asked_about_before_it_goes(window: MainWindow, qtbot: QtBot) -> None:
    rename(window)
    window.files.begin_new()
    assert window.workspace.plan.name == "Renamed"
    press(window, qtbot, "Close")
    assert window.workspace.plan.name == "Renamed"
    window.files.begin_new()
    press(window, qtbot, "Go on without saving")
    assert window.workspace.plan.name == "New plan"


def test_closing_asks_first_and_then_closes(window: MainWindow, qtbot: QtBot) -> None:
    rename(window)
    window.close()
    assert window.isVisible()
    assert "not saved" in window.notice.sentence
    press(window, qtbot, "Go on without saving")
    wait_until(lambda: not window.isVisible())


@pytest.fixture
def changed_by_others(
    qtbot: QtBot, demo: Plan, log: RecoveryLog, dialogs: AnsweringDialogs, tmp_path: Path
) -> tuple[MainWindow, Path]:
    """Give a window with unsaved work on a file that somebody else wrote in the meantime."""
    path = tmp_path / "plan.json"
    save_plan(demo, PlanFile(path))
    window = open_window(qtbot, demo, log, dialogs)
    window.workspace.open(path)
    rename(window)
    path.write_bytes(plan_to_json(replace(demo, name="Theirs")))
    return window, path


def test_a_file_changed_by_others_is_noticed(changed_by_others: tuple[MainWindow, Path], qtbot: QtBot) -> None:
    window, path = changed_by_others
    assert not window.files.save()
    assert "changed by somebody else" in window.notice.sentence
    assert open_plan(path)[0].name == "Theirs"
    press(window, qtbot, "Overwrite it")
    assert open_plan(path)[0].name == "Renamed"


def test_what_is_on_disk_can_be_taken_instead(changed_by_others: tuple[MainWindow, Path], qtbot: QtBot) -> None:
    window, _ = changed_by_others
    window.files.save()
    press(window, qtbot, "Open what is on disk")
    assert window.workspace.plan.name == "Theirs"


def test_a_place_that_cannot_be_written_is_named_and_the_work_stays(
    window: MainWindow, dialogs: AnsweringDialogs, tmp_path: Path
) -> None:
    rename(window)
    dialogs.to_save = tmp_path / "nowhere" / "plan.json"
    assert not window.files.save()
    assert "does not exist" in window.notice.sentence
    assert window.workspace.document.is_dirty


def test_unsaved_work_is_kept_and_offered_after_a_crash(
    window: MainWindow, qtbot: QtBot, dialogs: AnsweringDialogs, tmp_path: Path
) -> None:
    rename(window, "Half done")
    kept = tmp_path / "recovery"
    wait_until(lambda: any(kept.glob("*.recovery")))
    (file,) = kept.glob("*.recovery")
    # As if the process that kept it were gone.
    file.rename(kept / "999999999.recovery")
    content = (kept / "999999999.recovery").read_text()
    other = tmp_path / "other"
    other.mkdir()
    process = content.index('"process":')
    end = content.index(",", process)
    (other / "999999999.recovery").write_text(content[:process] + '"process":999999999' + content[end:])
    again = open_window(qtbot, window.workspace.plan, RecoveryLog(other), dialogs)
    again.files.offer_recovery()
    assert "Half done" in again.notice.sentence
    press(again, qtbot, "Take it in hand")
    assert again.workspace.plan.name == "Half done"
    assert again.workspace.document.is_dirty
    assert not (other / "999999999.recovery").exists()


def test_recovered_work_can_be_let_go(
    qtbot: QtBot, demo: Plan, dialogs: AnsweringDialogs, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(os, "getpid", lambda: 999_999_999)
    RecoveryLog(tmp_path).keep(replace(demo, name="Old work"), None)
    monkeypatch.undo()
    window = open_window(qtbot, demo, RecoveryLog(tmp_path), dialogs)
    window.files.offer_recovery()
    assert "Old work" in window.notice.sentence
    press(window, qtbot, "Let it go")
    assert list(tmp_path.glob("*.recovery")) == []
    window.files.offer_recovery()
    assert window.notice.sentence == ""
    assert window.workspace.plan.name == "Vesper Row"


def test_the_menu_reaches_undo_units_and_steps(window: MainWindow) -> None:
    actions = {action.text(): action for action in window.path.plan_button.menu().actions() if action.text()}
    rename(window)
    actions["Undo"].trigger()
    assert window.workspace.plan.name == "Vesper Row"
    actions["Redo"].trigger()
    assert window.workspace.plan.name == "Renamed"
    lengths = {action.text(): action for action in window.menu.lengths_menu.actions()}
    lengths["inches"].trigger()
    assert window.workspace.length_unit == "in"
    steps = {action.text(): action for action in window.menu.steps_menu.actions()}
    steps["Keep"].trigger()
    assert window.path.buttons["Keep"].isChecked()


def test_a_look_of_any_piece_is_taken_in_hand_from_the_menu(window: MainWindow) -> None:
    plan = window.workspace.plan
    window.workspace.start(replace(plan, pieces=(*plan.pieces, case_of(id="mantel", name="Mantel"))), None)
    window.menu.looks_menu.aboutToShow.emit()
    actions = {action.text(): action for action in window.menu.looks_menu.actions()}
    assert {"Alcove bookcase: Before", "Alcove bookcase: Open evening, first try", "Hall console: Welcome"} < set(
        actions
    )
    actions["Mantel: First look"].trigger()
    assert window.workspace.piece.label == "Mantel"
    assert window.step("Arrange").piece_name.name == "Mantel"


@pytest.mark.parametrize(
    ("plan", "said"), [(Plan(name="Bare"), "held no piece"), (Plan(name="Bare", pieces=(case_of(),)), "held no look")]
)
def test_a_bare_plan_is_given_what_it_needs(window: MainWindow, tmp_path: Path, plan: Plan, said: str) -> None:
    (tmp_path / "bare.json").write_bytes(plan_to_json(plan))
    assert window.workspace.open(tmp_path / "bare.json")
    assert said in window.notice.sentence
    for name in STEPS:
        window.show_step(name)
    assert window.workspace.look.placements == ()
    assert window.workspace.document.is_dirty


def test_huge_and_strange_numbers_are_drawn_and_read(window: MainWindow, tmp_path: Path) -> None:
    huge = thing("giant", width=49_000.0, height=50_000.0, depth=0.001)
    dot = thing("dot", width=0.001, height=0.001, depth=0.001)
    placements = (put("giant", x=-50_000.0, z=50_000.0), put("dot", x=0.0, z=0.0))
    (tmp_path / "huge.json").write_bytes(plan_to_json(plan_of((huge, dot), placements)))
    assert window.workspace.open(tmp_path / "huge.json")
    for name in STEPS:
        window.show_step(name)
        assert not window.grab().isNull()
    assert {caution.id for caution in window.workspace.cautions} >= {"fit", "overhang"}


def test_a_mistake_of_the_program_keeps_the_work_and_is_told(
    window: MainWindow, tmp_path: Path, monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str]
) -> None:
    monkeypatch.setattr(sys, "excepthook", sys.excepthook)
    watch_for_mishaps(window)
    rename(window, "Precious")
    try:
        raise ZeroDivisionError("inside")
    except ZeroDivisionError as error:
        sys.excepthook(type(error), error, error.__traceback__)
    assert "Your work is kept" in window.notice.sentence
    assert "ZeroDivisionError" in capsys.readouterr().err
    (kept,) = (tmp_path / "recovery").glob("*.recovery")
    assert "Precious" in kept.read_text()
    window.workspace.document.let_go()
