"""What is wanted in the window, stems for a vessel, the budget, and changing over from another look."""

from collections.abc import Iterator

import pytest
from PySide6.QtCore import Qt
from pytestqt.qtbot import QtBot

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.steps.arrange.wanted_page import WantedPage
from jolly_ledge.app.steps.brief.brief_step import BriefStep
from jolly_ledge.app.steps.gather.gather_step import GatherStep
from jolly_ledge.app.steps.gather.stems_form import NO_BUNCH
from jolly_ledge.app.steps.place.place_step import PlaceStep
from pages import page_of
from patience import wait_until

LEFT = Qt.MouseButton.LeftButton


@pytest.fixture
def page(window: MainWindow, qtbot: QtBot) -> Iterator[WantedPage]:
    window.workspace.choose_look("hall-welcome")
    step = page_of(window, "Arrange", ArrangeStep)
    qtbot.mouseClick(step.foot.wanted_button, LEFT)
    assert step.wanted is not None
    wait_until(lambda: step.wanted is not None and not step.wanted.is_busy)
    yield step.wanted
    step.wanted.job.close()


def test_wants_come_as_cards_and_are_written_on_the_list(window: MainWindow, page: WantedPage, qtbot: QtBot) -> None:
    assert page.wants
    assert len(page.cards) == len(page.wants)
    before = len(window.workspace.plan.stash)
    qtbot.mouseClick(page.cards[0].note_button, LEFT)
    item = window.workspace.plan.stash[-1]
    assert len(window.workspace.plan.stash) == before + 1
    assert item.status == "wanted"
    assert item.note == page.wants[0].sentence
    assert not page.cards[0].note_button.isEnabled()
    window.workspace.undo()
    assert len(window.workspace.plan.stash) == before


def test_a_found_thing_is_matched_and_tried_in_a_version(window: MainWindow, page: WantedPage, qtbot: QtBot) -> None:
    workspace = window.workspace
    before = workspace.plan
    qtbot.keyClicks(page.found_field, "woven basket 14 x 12 x 12")
    qtbot.keyClick(page.found_field, Qt.Key.Key_Return)
    assert "basket fits on" in page.found_said.text()
    qtbot.mouseClick(page.buy_button, LEFT)
    assert len(workspace.plan.looks) == len(before.looks) + 1
    assert workspace.plan.stash[-1].status == "to-buy"
    assert workspace.plan.stash[-1].id in {placement.item for placement in workspace.look.placements}
    workspace.undo()
    assert workspace.plan is before


def test_what_is_no_thing_is_said_beside_the_field(window: MainWindow, page: WantedPage, qtbot: QtBot) -> None:
    qtbot.keyClicks(page.found_field, "xyzzy")
    qtbot.keyClick(page.found_field, Qt.Key.Key_Return)
    assert page.found_said.text().startswith("Say first what it is")
    assert not page.buy_button.isEnabled()


def test_what_would_do_instead_is_told(window: MainWindow, page: WantedPage) -> None:
    index = page.dear_list.findData("dahlias")
    page.dear_list.setCurrentIndex(index)
    page.dear_list.activated.emit(index)
    assert "alike, saves" in page.dear_said.text()


def test_esc_leaves_and_h_comes_back(window: MainWindow, page: WantedPage, qtbot: QtBot) -> None:
    step = page_of(window, "Arrange", ArrangeStep)
    qtbot.keyClick(page, Qt.Key.Key_Escape)
    assert step.views.currentWidget() is step.view
    assert step.foot.isVisible()
    qtbot.keyClick(step.view, "h")
    assert step.views.currentWidget() is page
    wait_until(lambda: not page.is_busy)


def test_the_budget_is_told_and_refused(window: MainWindow, qtbot: QtBot) -> None:
    brief, workspace = page_of(window, "Brief", BriefStep), window.workspace
    brief.budget.clear()
    qtbot.keyClicks(brief.budget, "120,50")
    brief.budget.editingFinished.emit()
    assert workspace.plan.budget == 120.5
    brief.budget.setText("about 30")
    with qtbot.waitSignal(workspace.signals.refused, check_params_cb=lambda said: "is no budget" in said):
        brief.budget.editingFinished.emit()
    brief.budget.setText("-4")
    with qtbot.waitSignal(workspace.signals.refused, check_params_cb=lambda said: "is no budget" in said):
        brief.budget.editingFinished.emit()
    workspace.undo()
    assert workspace.plan.budget == 120


def test_changing_over_from_another_look_is_told_step_by_step(window: MainWindow) -> None:
    place, workspace = page_of(window, "Place", PlaceStep), window.workspace
    assert place.order.tables.currentWidget() is place.order.table
    index = place.order.before_list.findText("Before")
    place.order.before_list.setCurrentIndex(index)
    place.order.before_list.activated.emit(index)
    assert place.order.tables.currentWidget() is place.order.carries
    assert place.order.carries.rowCount() > 30
    assert " carries" in place.order.summary.text()
    cells = [place.order.carries.item(row, 1) for row in range(place.order.carries.rowCount())]
    rows = [cell.text() for cell in cells if cell is not None]
    assert rows[0].startswith("Take ")
    move = next(row for row, text in enumerate(rows) if text.startswith("Move the terracotta vase"))
    place.order.carries.selectRow(move)
    assert [placed.item.id for placed in workspace.chosen_placed] == ["terracotta-vase"]
    place.order.before_list.setCurrentIndex(0)
    place.order.before_list.activated.emit(0)
    assert place.order.tables.currentWidget() is place.order.table


def test_stems_are_told_for_the_vessel_in_hand(window: MainWindow) -> None:
    gather, workspace = page_of(window, "Gather", GatherStep), window.workspace
    form = gather.panel.further.stems_form
    workspace.choose_item("orrery")
    assert form.isHidden()
    workspace.choose_item("bud-bottle")
    assert not form.isHidden()
    assert form.bunch_list.currentText() == NO_BUNCH
    index = form.bunch_list.findData("twigs")
    form.bunch_list.setCurrentIndex(index)
    form.bunch_list.activated.emit(index)
    assert "crowd" in form.said.text()
    # The bunch that stands in it in the look in hand is there from the first.
    inside = next(p for p in workspace.look.placements if p.item in ("twigs", "seed-heads") and p.inside)
    host = next(p.item for p in workspace.look.placements if p.id == inside.inside)
    workspace.choose_item(host)
    assert form.bunch_list.currentData() == inside.item
    assert form.said.text().startswith("On ")
