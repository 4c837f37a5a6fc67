"""The manner in the window: habits, what counts more, and tastes kept for clients."""

from typing import Any

import pytest
from PySide6.QtCore import Qt
from pytestqt.qtbot import QtBot

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.steps.brief.brief_step import BriefStep
from jolly_ledge.app.steps.brief.manner_panel import HABITS
from jolly_ledge.edits.placements import ReturnToStash
from jolly_ledge.model.look import Manner
from jolly_ledge.readings.register import REGISTER
from pages import page_of
from patience import wait_until

LEFT = Qt.MouseButton.LeftButton


def brief(window: MainWindow) -> BriefStep:
    return page_of(window, "Brief", BriefStep)


@pytest.mark.parametrize(
    ("field", "value", "kept"),
    [
        ("books", "flat", "flat"),
        ("faces", "pages", "pages"),
        ("greenery", "3", 3),
        ("ground", "blend", "blend"),
        ("gathered", "own", "own"),
        ("perched", "together", "together"),
    ],
)
def test_a_habit_is_chosen_in_one_step(window: MainWindow, qtbot: QtBot, field: str, value: str, kept: Any) -> None:
    page, workspace = brief(window), window.workspace
    row = page.habits.rows[field]
    qtbot.mouseClick(row.chips[value], LEFT)
    assert getattr(workspace.look.manner, field) == kept
    workspace.undo()
    assert getattr(workspace.look.manner, field) == getattr(Manner(), field)
    first = next(choices[0][0] for name, _, choices in HABITS if name == field)
    assert row.chips[first].isChecked()


def test_what_counts_more_moves_the_score(window: MainWindow, qtbot: QtBot) -> None:
    page, workspace = brief(window), window.workspace
    before = workspace.assessment.score
    qtbot.mouseClick(page.emphasis_button, LEFT)
    assert page.pages.currentWidget() is page.emphasis
    assert "does not apply" in page.emphasis.reads["sight-line"].text()
    assert set(page.emphasis.rows) == {entry.id for entry in REGISTER}
    poorest = min(workspace.assessment.readings, key=lambda reading: reading.score)
    qtbot.mouseClick(page.emphasis.rows[poorest.id].chips["2.0"], LEFT)
    assert workspace.look.manner.weights == ((poorest.id, 2.0),)
    assert workspace.assessment.score < before
    assert page.emphasis_button.text() == "What counts more (1)"
    qtbot.mouseClick(page.emphasis.rows[poorest.id].chips["0.0"], LEFT)
    assert workspace.assessment.score > before
    qtbot.mouseClick(page.emphasis.usual_button, LEFT)
    assert len(workspace.look.manner.weights) == 0
    assert workspace.assessment.score == before
    qtbot.keyClick(page, Qt.Key.Key_Escape)
    assert page.pages.currentIndex() == 0


def test_a_taste_is_kept_used_and_forgotten(window: MainWindow, qtbot: QtBot) -> None:
    page, workspace = brief(window), window.workspace
    qtbot.mouseClick(page.schools.rows["fullness"].chips["airy"], LEFT)
    qtbot.mouseClick(page.habits.rows["books"].chips["upright"], LEFT)
    qtbot.mouseClick(page.tastes.keep_button, LEFT)
    assert len(workspace.plan.tastes) == 0
    qtbot.keyClicks(page.tastes.name_field, "Tilda")
    qtbot.keyClick(page.tastes.name_field, Qt.Key.Key_Return)
    taste = next(iter(window.workspace.plan.tastes))
    assert (taste.name, taste.manner.fullness, taste.manner.books) == ("Tilda", "airy", "upright")
    assert page.tastes.use_buttons["Tilda"].isChecked()
    workspace.choose_look("hall-welcome")
    assert not page.tastes.use_buttons["Tilda"].isChecked()
    qtbot.mouseClick(page.tastes.use_buttons["Tilda"], LEFT)
    assert workspace.look.manner == taste.manner
    assert page.schools.rows["fullness"].chips["airy"].isChecked()
    qtbot.mouseClick(page.tastes.forget_buttons["Tilda"], LEFT)
    assert workspace.plan.tastes == ()
    assert workspace.look.manner == taste.manner
    workspace.undo()
    assert list(page.tastes.use_buttons) == ["Tilda"]


def test_odd_groups_are_left_out_where_nobody_counts(window: MainWindow, qtbot: QtBot) -> None:
    page = brief(window)
    qtbot.mouseClick(page.schools.rows["odd"].chips["off"], LEFT)
    arranging = page_of(window, "Arrange", ArrangeStep)
    wait_until(lambda: arranging.readings.rows["odd-groups"].isHidden())
    assert window.workspace.assessment.reading("odd-groups") is None


def test_the_kit_is_ticked_off_and_told_where_it_lacks(window: MainWindow, qtbot: QtBot) -> None:
    workspace = window.workspace
    workspace.choose_look("bedside-guest")
    page = brief(window)
    assert {"light", "glass"} <= set(page.kit.ticks)
    assert "has what its use asks for" in page.kit.note.text()
    lamps = [one.id for one in workspace.arrangement.visible if one.item.category == "lamp"]
    workspace.commit(ReturnToStash(look=workspace.look_id, placements=tuple(lamps)))
    assert "lacks: a light to read by" in page.kit.note.text()
    must = workspace.assessment.reading("must-haves")
    assert must is not None
    assert any("No light yet" in finding.sentence for finding in must.findings)
    qtbot.mouseClick(page.kit.ticks["light"], LEFT)
    assert workspace.piece.unneeded == ("light",)
    assert workspace.history.undo_label == "Do without a light to read by"
    assert "has what its use asks for" in page.kit.note.text()


def test_what_may_come_is_told_in_a_list(window: MainWindow) -> None:
    page, workspace = brief(window), window.workspace
    page.kit.fill_menu()
    lamps = next(action for action in page.kit.menu.actions() if action.text() == "Lamp")
    before = lamps.isChecked()
    lamps.trigger()
    assert workspace.piece.comes == (("lamp", not before),)
    assert "lamp" in page.kit.note.text()
