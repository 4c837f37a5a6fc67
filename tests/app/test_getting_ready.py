"""Pages are made ahead while the hand rests, and are as fresh as others when they are shown."""

import pytest
from PySide6.QtCore import QPoint, Qt
from pytestqt.qtbot import QtBot

from jolly_ledge.app import getting_ready
from jolly_ledge.app.getting_ready import GettingReady
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.path_panel import STEPS
from jolly_ledge.app.steps.gather.gather_step import GatherStep
from jolly_ledge.edits.items import RemoveItems


def ask_often(monkeypatch: pytest.MonkeyPatch, rests: float) -> None:
    monkeypatch.setattr(getting_ready, "RESTS_S", rests)
    monkeypatch.setattr(getting_ready, "ASKS_MS", 5)


def test_all_pages_are_made_while_nobody_touches_anything(
    window: MainWindow, qtbot: QtBot, monkeypatch: pytest.MonkeyPatch
) -> None:
    ask_often(monkeypatch, rests=0.05)
    shown = window.pages.currentWidget()
    ready = GettingReady(window)
    qtbot.waitUntil(lambda: ready.is_done, timeout=30_000)
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
