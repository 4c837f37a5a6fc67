"""Pages are made ahead while the hand rests, and are as fresh as others when they are shown."""

import pytest
from PySide6.QtCore import QPoint, QRect, Qt
from pytestqt.qtbot import QtBot

from jolly_ledge.app import getting_ready
from jolly_ledge.app.getting_ready import GettingReady
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.path_panel import STEPS
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.steps.gather.gather_step import GatherStep
from jolly_ledge.app.steps.gather.item_panel import ItemPanel
from jolly_ledge.app.steps.keep.keep_step import KeepStep
from jolly_ledge.edits.items import RemoveItems
from jolly_ledge.edits.placements import ReturnToStash
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.readings.register import Assessment, assess
from jolly_ledge.workspace import look_before
from pages import page_of
from patience import wait_until


def ask_often(monkeypatch: pytest.MonkeyPatch, rests: float) -> None:
    monkeypatch.setattr(getting_ready, "RESTS_S", rests)
    monkeypatch.setattr(getting_ready, "ASKS_MS", 5)


def test_all_pages_are_made_while_nobody_touches_anything(window: MainWindow, monkeypatch: pytest.MonkeyPatch) -> None:
    ask_often(monkeypatch, rests=0.05)
    shown = window.pages.currentWidget()
    ready = GettingReady(window)
    wait_until(lambda: ready.is_done)
    assert window.pages.count() >= len(STEPS)
    assert window.pages.currentWidget() is shown


def test_nothing_is_made_while_the_hand_moves(
    window: MainWindow, qtbot: QtBot, monkeypatch: pytest.MonkeyPatch
) -> None:
    ask_often(monkeypatch, rests=0.5)
    made = window.pages.count()
    ready = GettingReady(window)
    for step in range(40):
        qtbot.mouseMove(window, QPoint(20 + step, 300))
        qtbot.wait(5)
    assert window.pages.count() == made
    assert not ready.is_done


def test_a_page_made_ahead_catches_up_when_it_is_shown(window: MainWindow, qtbot: QtBot) -> None:
    ready = GettingReady(window)
    while ready.go_on():
        pass
    first = window.workspace.plan.stash[0]
    window.workspace.commit(RemoveItems(items=(first.id,), name=first.label))
    window.show_step("Gather")
    page = window.step("Gather")
    assert isinstance(page, GatherStep)
    assert first.id not in page.line_up.boards.ids
    qtbot.keyClick(page, Qt.Key.Key_Escape)


def test_the_forms_of_a_thing_come_after_the_line_up(window: MainWindow) -> None:
    window.show_step("Gather")
    page = page_of(window, "Gather", GatherStep)
    assert page.findChild(ItemPanel) is None
    wait_until(lambda: page.side.currentWidget() is page.findChild(ItemPanel))
    assert page.panel.title.text() == window.workspace.plan.item(window.workspace.item_id).label


def test_words_of_the_time_line_do_not_wait_for_its_drawings(window: MainWindow) -> None:
    window.show_step("Keep")
    line = page_of(window, "Keep", KeepStep).time_line
    words_alone = line.grab().toImage()
    row = line.visualRect(line.currentIndex())
    place = QRect(row.left() + 44, row.top() + 20, 80, 80)
    blank = words_alone.copy(place)
    assert len({blank.pixel(x, y) for x in range(blank.width()) for y in range(blank.height())}) == 1
    wait_until(lambda: line.grab().toImage().copy(place) != blank)


def test_a_number_is_not_told_against_an_empty_look(window: MainWindow) -> None:
    workspace, panel = window.workspace, page_of(window, "Arrange", ArrangeStep).readings
    wait_until(lambda: "since" in panel.since.text())
    looks = [look.id for look in workspace.plan.looks_of(workspace.piece_id)]
    before = looks[looks.index(workspace.look_id) - 1]
    placements = workspace.plan.look(before).placements
    workspace.commit(ReturnToStash(look=before, placements=tuple(one.id for one in placements)))
    wait_until(lambda: panel.since.text() == "")
    assert panel.score.text().startswith("Reads ")


def test_the_look_before_is_not_read_again_while_it_stays(window: MainWindow, monkeypatch: pytest.MonkeyPatch) -> None:
    panel = page_of(window, "Arrange", ArrangeStep).readings
    wait_until(lambda: "since" in panel.since.text())
    read: list[str] = []

    def counted(arrangement: Arrangement) -> Assessment:
        read.append(arrangement.look.id)
        return assess(arrangement)

    monkeypatch.setattr(look_before, "assess", counted)
    workspace = window.workspace
    looks = [look.id for look in workspace.plan.looks_of(workspace.piece_id)]
    before = looks[looks.index(workspace.look_id) - 1]
    first = workspace.look.placements[0]
    workspace.commit(ReturnToStash(look=workspace.look_id, placements=(first.id,)))
    assert read == []
    there = workspace.plan.look(before).placements[0]
    workspace.commit(ReturnToStash(look=before, placements=(there.id,)))
    assert read == [before]
