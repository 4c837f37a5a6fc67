"""The right button on findings, readings, things of the board and of the line-up, in the real window."""

from PySide6.QtCore import QPoint, Qt
from PySide6.QtGui import QContextMenuEvent, QGuiApplication
from PySide6.QtWidgets import QMenu, QWidget
from pytestqt.qtbot import QtBot

from app.test_arrange import arrange_step
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.widgets.own_menu import own_menu
from pages import LEFT, gather


def right_click(widget: QWidget, at: QPoint) -> None:
    """Press the right button at a point of a widget."""
    event = QContextMenuEvent(QContextMenuEvent.Reason.Mouse, at, widget.mapToGlobal(at))
    QGuiApplication.sendEvent(widget, event)


def opened_menu(widget: QWidget) -> dict[str, bool]:
    """Return what the menu that is open offers, with whether it applies; and close it."""
    menu = next(menu for menu in widget.findChildren(QMenu) if menu.isVisible())
    offered = {made.text(): made.isEnabled() for made in menu.actions() if made.text()}
    menu.hide()
    return offered


def test_a_finding_offers_what_its_buttons_do(window: MainWindow) -> None:
    page = arrange_step(window)
    card = page.readings.notes.finding_cards[0]
    right_click(card, QPoint(20, 10))
    offered = opened_menu(card)
    assert offered["How to mend it"]
    assert offered["Wave it off"]
    waved = next(made for made in own_menu(card, "x").actions() if made.text() == "Wave it off")
    waved.trigger()
    assert card.reason_field.isVisible()


def test_a_caution_offers_what_its_buttons_do(window: MainWindow) -> None:
    page = arrange_step(window)
    card = page.readings.notes.caution_cards[0]
    right_click(card, QPoint(20, 10))
    assert any(offered for offered in opened_menu(card).values())


def test_a_reading_is_let_count_more_from_its_row(window: MainWindow) -> None:
    page = arrange_step(window)
    panel = page.readings
    panel.open_question("Which colours?")
    row = next(row for row in panel.rows.values() if row.isVisible())
    before = window.workspace.assessment.score
    right_click(row, QPoint(20, 10))
    offered = opened_menu(panel)
    assert {"It does not count", "It counts as usual", "It counts more"} <= offered.keys()
    menu = panel.menu_of(row)
    assert [made.text() for made in menu.actions() if made.isChecked()] == ["It counts as usual"]
    next(made for made in menu.actions() if made.text() == "It does not count").trigger()
    assert window.workspace.look.manner.emphasis_on(row.entry.id) == 0.0
    assert window.workspace.assessment.score != before
    assert window.workspace.history.undo_label == f"Let {row.entry.name.lower()} count not"
    window.workspace.undo()
    assert window.workspace.look.manner.emphasis_on(row.entry.id) == 1.0


def test_a_thing_of_the_board_is_placed_by_its_menu(window: MainWindow) -> None:
    page = arrange_step(window)
    strip = page.strip
    item = strip.things[1]
    right_click(strip, strip.cell_of(item.id).center().toPoint())
    assert window.workspace.item_id == item.id
    assert page.foot.menu.isVisible()
    assert page.foot.menu.actions()[0].text() == item.label
    before = len(window.workspace.look.placements)
    next(made for made in page.foot.menu.actions() if made.text().startswith("Place it")).trigger()
    page.foot.menu.hide()
    assert len(window.workspace.look.placements) == before + 1


def test_a_thing_of_the_line_up_is_shown_where_it_stands(window: MainWindow) -> None:
    page = gather(window)
    free = next(cell.item for cell in page.line_up.boards.cells if cell.item.id == "dark-urn")
    right_click(page.line_up, page.line_up.cell_of(free.id).center().toPoint())
    offered = {made.text(): made for made in page.menu.actions()}
    assert offered["Name it"].isEnabled()
    assert not offered["Its sizes are measured, no guesses"].isEnabled()
    assert offered["Its sizes are measured, no guesses"].toolTip() == "Nothing of it is guessed."
    page.menu.hide()
    offered["Show where it stands"].trigger()
    assert window.pages.currentWidget() is window.step("Arrange")
    chosen = window.workspace.chosen_placed
    assert [one.item.id for one in chosen] == ["dark-urn"]


def test_several_things_of_the_line_up_are_measured_at_once(window: MainWindow) -> None:
    page = gather(window)
    guessed = tuple(item.id for item in window.workspace.plan.stash if item.guessed)
    assert len(guessed) >= 2
    window.workspace.choose_items(guessed)
    right_click(page.line_up, page.line_up.cell_of(guessed[0]).center().toPoint())
    offered = {made.text(): made for made in page.menu.actions()}
    page.menu.hide()
    assert not offered["Name it"].isEnabled()
    offered["Its sizes are measured, no guesses"].trigger()
    assert not any(item.guessed for item in window.workspace.plan.stash)
    window.workspace.undo()
    assert tuple(item.id for item in window.workspace.plan.stash if item.guessed) == guessed


def test_a_reading_is_explained_with_a_better_and_a_worse_drawing(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    readings = page.readings
    row = readings.rows["covered"]
    readings.open_question(row.entry.question)
    qtbot.mouseClick(row, LEFT, pos=QPoint(20, 8))
    shown = readings.help
    assert shown is not None
    assert shown.isVisible()
    assert shown.title.text() == "Covered"
    better, worse = (drawing.pixmap().toImage() for drawing in shown.drawings)
    assert better != worse
    qtbot.keyClick(shown, Qt.Key.Key_Escape)
    assert not shown.isVisible()
    qtbot.keyClick(row, Qt.Key.Key_Return)
    assert shown.isVisible()
    shown.hide()
    said = next(made for made in readings.menu_of(readings.rows["tie"]).actions() if "What it means" in made.text())
    said.trigger()
    assert shown.title.text() == "Tie"
    shown.hide()
