"""A line of the line-up is corrected where it stands, in the real window."""

import pytest
from PySide6.QtCore import QPoint, Qt
from pytestqt.qtbot import QtBot

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.gather.gather_step import GatherStep
from pages import LEFT, gather


@pytest.fixture
def page(window: MainWindow, qtbot: QtBot) -> GatherStep:
    shown = gather(window)
    for line in ("vase 18x32", "box 30x20x20"):
        qtbot.keyClicks(shown.entry.line, line)
        qtbot.keyClick(shown.entry.line, Qt.Key.Key_Return)
    return shown


def double_click(page: GatherStep, qtbot: QtBot, item: str, down: float) -> None:
    """Double-click so far below the board of a thing, in pixels."""
    cell = next(cell for cell in page.line_up.boards.cells if cell.item.id == item)
    qtbot.mouseDClick(page.line_up, LEFT, pos=QPoint(round(cell.left + cell.width / 2), round(cell.floor + down)))


def correct(page: GatherStep, qtbot: QtBot, text: str) -> None:
    field = page.line_up.in_place
    assert field.isVisible()
    field.selectAll()
    qtbot.keyClicks(field, text)
    qtbot.keyClick(field, Qt.Key.Key_Return)


def test_a_name_is_corrected(page: GatherStep, window: MainWindow, qtbot: QtBot) -> None:
    double_click(page, qtbot, "vase", 20)
    assert page.line_up.in_place.text() == "vase"
    correct(page, qtbot, "tall & pale vase")
    assert window.workspace.plan.item("vase").name == "tall & pale vase"
    assert not page.line_up.in_place.isVisible()
    assert page.line_up.hasFocus()
    window.workspace.undo()
    assert window.workspace.plan.item("vase").name == "vase"


def test_sizes_are_corrected_and_are_guesses_no_more(page: GatherStep, window: MainWindow, qtbot: QtBot) -> None:
    double_click(page, qtbot, "vase", 42)
    assert page.line_up.in_place.text() == "18 cm x 32 cm x 18 cm"
    correct(page, qtbot, "20 x 35")
    vase = window.workspace.plan.item("vase")
    assert (vase.width, vase.height, vase.depth, vase.guessed) == (200, 350, 200, ())
    double_click(page, qtbot, "box", 42)
    correct(page, qtbot, "12 deep")
    assert window.workspace.plan.item("box").depth == 120


def test_what_is_no_size_is_told_and_esc_leaves_it(page: GatherStep, window: MainWindow, qtbot: QtBot) -> None:
    double_click(page, qtbot, "vase", 42)
    correct(page, qtbot, "wide enough")
    assert "tells no sizes" in window.notice.sentence
    assert page.line_up.in_place.isVisible()
    correct(page, qtbot, "90 m x 3")
    assert "longer than 50 m" in window.notice.sentence
    qtbot.keyClick(page.line_up.in_place, Qt.Key.Key_Escape)
    assert not page.line_up.in_place.isVisible()
    assert window.workspace.plan.item("vase").width == 180


def test_a_double_click_on_the_thing_asks_for_its_form(page: GatherStep, window: MainWindow, qtbot: QtBot) -> None:
    double_click(page, qtbot, "vase", -20)
    assert not page.line_up.in_place.isVisible()
    assert page.panel.name_field.hasFocus()


def name_group(page: GatherStep, qtbot: QtBot, group: str, name: str) -> None:
    """Call a group of the line-up otherwise, by a double click on its name."""
    row = next(row for row in page.line_up.rows if row.group == group)
    qtbot.mouseDClick(page.line_up, LEFT, pos=QPoint(40, round(row.top) + 12))
    correct(page, qtbot, name)


def things_of(page: GatherStep, group: str) -> set[str]:
    return {cell.item.id for row in page.line_up.rows if row.group == group for cell in row.cells}


@pytest.mark.parametrize("sorting", ["room", "set", "family"])
def test_a_group_is_named_for_all_its_things_at_once(window: MainWindow, qtbot: QtBot, sorting: str) -> None:
    page = gather(window)
    qtbot.mouseClick(page.sorting.chips[sorting], LEFT)
    before, was = window.workspace.plan, page.line_up.rows[-1].group
    things = things_of(page, was)
    name_group(page, qtbot, was, "Aardvark corner")
    assert things_of(page, "Aardvark corner") == things
    assert not things_of(page, was)
    window.workspace.undo()
    assert window.workspace.plan == before


def test_a_kind_has_no_name_of_ones_own_and_a_height_none_at_all(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    before = window.workspace.plan
    qtbot.mouseClick(page.sorting.chips["kind"], LEFT)
    name_group(page, qtbot, page.line_up.rows[0].group, "Odds")
    assert "is no name of yours" in window.notice.sentence
    qtbot.mouseClick(page.sorting.chips["height"], LEFT)
    qtbot.mouseDClick(page.line_up, LEFT, pos=QPoint(40, round(page.line_up.rows[0].top) + 12))
    assert not page.line_up.in_place.isVisible()
    assert window.workspace.plan is before
