"""Proposals in the window: they come while they get better, and one is taken over in one step."""

from collections.abc import Iterator

import pytest
from PySide6.QtCore import Qt
from pytestqt.qtbot import QtBot

from builders import plan_of
from conftest import AnsweringDialogs, open_window
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.panels.proposals_page import COUNT, ProposalsPage
from jolly_ledge.app.steps.arrange import ArrangeStep
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.model.edits.items import ToggleTrait
from jolly_ledge.model.edits.placements import ChangePlacement
from pages import page_of

LEFT = Qt.MouseButton.LeftButton
PATIENCE_MS = 60_000


def arranging(window: MainWindow) -> ArrangeStep:
    return page_of(window, "Arrange", ArrangeStep)


@pytest.fixture
def page(window: MainWindow) -> Iterator[ProposalsPage]:
    window.session.choose_look("hall-welcome")
    step = arranging(window)
    step.show_proposals()
    assert step.proposals is not None
    yield step.proposals
    step.proposals.job.close()


def test_proposals_come_and_one_is_taken_over(window: MainWindow, page: ProposalsPage, qtbot: QtBot) -> None:
    session = window.session
    lamp = session.look.placements[0]
    session.commit(ChangePlacement(
        look=session.look_id, placements=(lamp.id,), changes=(("locked", True),), label="Lock it",
    ))  # fmt: skip
    page.begin(steps=15)
    qtbot.waitUntil(lambda: page.found[0] is not None, timeout=PATIENCE_MS)
    qtbot.waitUntil(lambda: not page.job.is_running, timeout=PATIENCE_MS)
    qtbot.waitUntil(lambda: not page._timer.isActive(), timeout=PATIENCE_MS)
    assert all(one is not None and one.is_valid for one in page.found)
    assert all(label.text().startswith("reads ") for label in page.reads)
    assert all(story.text().count("\n") == 2 for story in page.stories)
    before = len(session.plan.looks)
    best = page.found[0]
    assert best is not None
    assert any(placement.item == lamp.item for placement in best.look.placements)
    qtbot.mouseClick(page.take_buttons[0], LEFT)
    assert len(session.plan.looks) == before + 1
    assert session.look.placements == best.look.placements
    assert session.look.note.startswith(best.count_said)
    step = arranging(window)
    assert step.views.currentWidget() is step.view
    session.undo()
    assert len(session.plan.looks) == before


def test_a_changed_stash_is_told_before_anything_is_taken(
    window: MainWindow, page: ProposalsPage, qtbot: QtBot
) -> None:
    page.begin(steps=5)
    qtbot.waitUntil(lambda: not page._timer.isActive() and page.found[0] is not None, timeout=PATIENCE_MS)
    window.session.commit(ToggleTrait(items=("dark-urn",), trait="fragile", on=True))
    before = window.session.plan
    with qtbot.waitSignal(window.session.refused, check_params_cb=lambda said: "propose anew" in said):
        qtbot.mouseClick(page.take_buttons[0], LEFT)
    assert window.session.plan is before


def test_the_search_is_stopped_and_left(window: MainWindow, page: ProposalsPage, qtbot: QtBot) -> None:
    page.begin(steps=1_000_000)
    qtbot.waitUntil(lambda: page.found[0] is not None, timeout=PATIENCE_MS)
    qtbot.mouseClick(page.stop_button, LEFT)
    qtbot.waitUntil(lambda: not page.job.is_running, timeout=PATIENCE_MS)
    assert sum(one is not None for one in page.found) < COUNT
    qtbot.keyClick(page, Qt.Key.Key_Escape)
    step = arranging(window)
    assert step.views.currentWidget() is step.view


def test_nothing_to_propose_is_said(qtbot: QtBot, log: RecoveryLog, dialogs: AnsweringDialogs) -> None:
    window = open_window(qtbot, plan_of(), log, dialogs)
    step = arranging(window)
    with qtbot.waitSignal(
        window.session.refused, timeout=PATIENCE_MS, check_params_cb=lambda said: "gather things" in said
    ):
        qtbot.mouseClick(step.propose_button, LEFT)
    assert step.proposals is not None
    step.proposals.job.close()
