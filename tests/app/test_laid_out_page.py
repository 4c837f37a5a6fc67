"""Many things from one photograph, in the real window: marked, found, framed by hand, told and taken over."""

from pathlib import Path

import pytest
from PySide6.QtCore import Qt
from pytestqt.qtbot import QtBot

from conftest import AnsweringDialogs
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.gather.laid_out_page import LaidOutPage
from pages import LEFT, gather
from patience import wait_until


@pytest.fixture
def page(window: MainWindow) -> LaidOutPage:
    step = gather(window)
    action = next(made for made in step.bring_menu.actions() if made.text() == "Many things from one photograph")
    action.trigger()
    shown = step.pages.currentWidget()
    assert isinstance(shown, LaidOutPage)
    return shown


@pytest.fixture
def found(page: LaidOutPage, qtbot: QtBot) -> LaidOutPage:
    qtbot.mouseClick(page.practice_button, LEFT)
    qtbot.mouseClick(page.find_button, LEFT)
    assert page.is_measuring
    wait_until(lambda: not page.is_measuring)
    assert len(page.rows) >= 8
    return page


def test_things_are_told_and_taken_over_in_one_step(found: LaidOutPage, window: MainWindow, qtbot: QtBot) -> None:
    page, workspace = found, window.workspace
    before = len(workspace.plan.stash)
    assert not page.take_button.isEnabled()
    qtbot.keyClicks(page.rows[0].line, "old jug stoneware hall")
    qtbot.keyClicks(page.rows[2].line, "barometer brass")
    assert page.take_button.text() == "Take over two things"
    width = page.rows[0].thing.width
    assert "±" in page.rows[0].sizes.text()
    many = len(page.rows)
    qtbot.mouseClick(page.take_button, LEFT)
    jug, barometer = workspace.plan.stash[before:]
    assert (jug.category, jug.room, jug.width) == ("vessel", "hall", round(width))
    assert jug.outline
    assert "width" not in jug.guessed
    assert barometer.category == "object"
    assert {jug.photo, barometer.photo} <= set(workspace.document.photos)
    assert len(page.rows) == many - 2
    workspace.undo()
    assert len(workspace.plan.stash) == before


def test_frames_are_drawn_chosen_and_taken_away(found: LaidOutPage, qtbot: QtBot) -> None:
    page, frames = found, found.frames
    many = len(page.rows)
    middle = frames.area_of(page.rows[1].thing.frame).center().toPoint()
    qtbot.mouseClick(frames, LEFT, pos=middle)
    assert frames.at == 1
    qtbot.keyClick(frames, Qt.Key.Key_Delete)
    assert len(page.rows) == many - 1
    area = frames.area_of(page.rows[0].thing.frame).toRect().adjusted(-3, -3, 3, 3)
    qtbot.mousePress(frames, LEFT, pos=area.topLeft())
    qtbot.mouseMove(frames, area.center())
    qtbot.mouseMove(frames, area.bottomRight())
    qtbot.mouseRelease(frames, LEFT, pos=area.bottomRight())
    assert len(page.rows) == many
    assert frames.at == many - 1
    assert page.rows[-1].thing.width == pytest.approx(page.rows[0].thing.width, abs=3)
    qtbot.keyClick(frames, Qt.Key.Key_Right)
    assert frames.at == 0
    qtbot.mouseClick(page.rows[3].leave_button, LEFT)
    assert len(page.rows) == many - 1


def test_the_sheet_is_marked_again_by_hand(found: LaidOutPage, qtbot: QtBot) -> None:
    page = found
    width = page.rows[0].thing.width
    qtbot.mouseClick(page.again_button, LEFT)
    assert page.rows == []
    assert page.views.currentWidget() is page.photo
    qtbot.mouseClick(page.sheet_row.chips["letter"], LEFT)
    qtbot.mouseClick(page.find_button, LEFT)
    wait_until(lambda: not page.is_measuring)
    assert page.rows[0].thing.width > width * 1.01


def test_a_depth_is_told(found: LaidOutPage, qtbot: QtBot) -> None:
    row = found.rows[0]
    qtbot.keyClicks(row.line, "oak box")
    row.depth_field.setFocus()
    row.depth_field.selectAll()
    qtbot.keyClicks(row.depth_field, "17")
    qtbot.keyClick(row.depth_field, Qt.Key.Key_Return)
    item = row.item()
    assert item is not None
    assert item.depth == 170
    assert item.guessed == ()


def test_what_is_no_photograph_is_told(
    page: LaidOutPage, window: MainWindow, dialogs: AnsweringDialogs, tmp_path: Path, qtbot: QtBot
) -> None:
    wrong = tmp_path / "note.jpg"
    wrong.write_text("no picture")
    dialogs.to_open = wrong
    qtbot.mouseClick(page.load_button, LEFT)
    assert "note.jpg" in window.notice.sentence
    assert page.rows == []
    qtbot.keyClick(page, Qt.Key.Key_Escape)
    assert page.isHidden() or not page.isVisible()


def test_lines_are_told_one_after_another_with_return(found: LaidOutPage, qtbot: QtBot) -> None:
    page = found
    assert page.list.at == 0
    assert page.rows[0].line.hasFocus()
    for number, line in enumerate(("blue jug", "oak box", "wicker basket")):
        assert page.rows[number].line.hasFocus()
        qtbot.keyClicks(page.rows[number].line, line)
        qtbot.keyClick(page.rows[number].line, Qt.Key.Key_Return)
        assert page.list.at == number + 1
    assert page.take_button.text() == "Take over three things"
