"""Others tried in the very spot of a thing or a group, on the drawing itself."""

from PySide6.QtCore import QPoint, Qt
from pytestqt.qtbot import QtBot

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.views.look.look_view import LookView
from jolly_ledge.model.look import Placement
from pages import page_of

LEFT = Qt.MouseButton.LeftButton


def point_of(view: LookView, placement: str) -> QPoint:
    return view.mapFromScene(view.items_by_id[placement].sceneBoundingRect().center())


def placed(window: MainWindow, identifier: str) -> Placement:
    return window.workspace.plan.look(window.workspace.look_id).placement(identifier)


def in_a_group(window: MainWindow) -> str:
    """Return the lead of a group of which nothing is locked."""
    groups = [one for one in window.workspace.arrangement.vignettes if len(one.ids) > 1]
    placed_items = window.workspace.arrangement.by_id
    free = next(one for one in groups if not any(placed_items[identifier].placement.locked for identifier in one.ids))
    return max(free.ids, key=lambda identifier: placed_items[identifier].height)


def test_others_are_tried_in_the_very_spot_and_taken_in_one_step(window: MainWindow, qtbot: QtBot) -> None:
    page = page_of(window, "Arrange", ArrangeStep)
    view, bar = page.view, page.exchange_bar
    qtbot.keyClick(view, Qt.Key.Key_E)
    assert not bar.is_trying
    qtbot.mouseClick(view.viewport(), LEFT, pos=point_of(view, "copper-bowl"))
    before = placed(window, "copper-bowl")
    qtbot.keyClick(view, Qt.Key.Key_E)
    assert bar.is_trying
    assert not bar.isHidden()
    first = window.workspace.look.placement("copper-bowl").item
    qtbot.keyClick(view, Qt.Key.Key_Right)
    second = window.workspace.look.placement("copper-bowl").item
    assert len({first, second, "copper-bowl"}) == 3
    assert placed(window, "copper-bowl") == before
    qtbot.keyClick(view, Qt.Key.Key_Left)
    assert window.workspace.look.placement("copper-bowl").item == first
    qtbot.keyClick(view, Qt.Key.Key_Return)
    after = placed(window, "copper-bowl")
    assert (after.item, after.ledge) == (first, before.ledge)
    assert not bar.is_trying
    assert (window.workspace.history.undo_label or "").startswith("Exchange footed copper bowl for")
    window.workspace.undo()
    assert placed(window, "copper-bowl") == before


def test_a_whole_group_is_taken_in_hand_and_others_are_tried_in_its_spot(window: MainWindow, qtbot: QtBot) -> None:
    page, workspace = page_of(window, "Arrange", ArrangeStep), window.workspace
    qtbot.mouseClick(page.view.viewport(), LEFT, pos=point_of(page.view, in_a_group(window)))
    qtbot.keyClick(page.view, Qt.Key.Key_R)
    group = set(workspace.selection)
    assert len(group) > 1
    before, was = workspace.look, workspace.assessment.score
    qtbot.keyClick(page.view, Qt.Key.Key_E)
    assert page.exchange_bar.is_trying
    change = workspace.shown(workspace.assessment.score) - workspace.shown(was)
    assert ("better" if change > 0 else "worse" if change else "the same") in page.exchange_bar.said.text()
    qtbot.keyClick(page.view, Qt.Key.Key_Return)
    assert {placement for placement in workspace.look.placements if placement.id in workspace.selection} == {
        placement for placement in workspace.look.placements if placement not in before.placements
    }
    assert (workspace.history.undo_label or "").startswith("Exchange ")
    gone = {placement.id for placement in before.placements if placement not in workspace.look.placements}
    assert gone
    assert gone <= group
    workspace.undo()
    assert workspace.look == before


def test_what_is_tried_is_left_by_escape_and_by_going_on(window: MainWindow, qtbot: QtBot) -> None:
    page = page_of(window, "Arrange", ArrangeStep)
    view, bar = page.view, page.exchange_bar
    qtbot.mouseClick(view.viewport(), LEFT, pos=point_of(view, "copper-bowl"))
    before = placed(window, "copper-bowl")
    page.chosen.exchange_chip.click()
    qtbot.mouseClick(bar.next_chip, LEFT)
    qtbot.keyClick(view, Qt.Key.Key_Escape)
    assert not bar.is_trying
    assert window.workspace.look.placement("copper-bowl") == before
    page.begin_exchange()
    qtbot.keyClick(view, Qt.Key.Key_N)
    assert not bar.is_trying
    assert window.workspace.look.placement("copper-bowl") == before
    qtbot.keyClick(view, Qt.Key.Key_Right)
    assert placed(window, "copper-bowl") == before
