"""Where things are plugged in, in Place and over the drawing; outlets are told in Measure."""

from PySide6.QtCore import Qt
from pytestqt.qtbot import QtBot

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.steps.measure.measure_step import MeasureStep
from jolly_ledge.app.steps.place.place_step import PlaceStep
from jolly_ledge.app.steps.place.plugs_page import PlugsPage
from jolly_ledge.app.views.look.cord_marks import cord_marks
from jolly_ledge.app.views.look.marks import Line
from jolly_ledge.drawing.theme import RUST
from jolly_ledge.edits.items import ChangeItem
from jolly_ledge.geometry.plugs import plugs_of
from jolly_ledge.model.use import Cord
from pages import page_of, type_into


def on_the_counter(window: MainWindow) -> None:
    workspace = window.workspace
    workspace.choose_look(next(look.id for look in workspace.plan.looks if look.piece == "tea-counter"))


def test_the_table_tells_outlet_power_and_cord(window: MainWindow) -> None:
    on_the_counter(window)
    page = page_of(window, "Place", PlaceStep)
    page.show_mode("plugs")
    table = page.plugs.table
    rows = [[table.item(row, column).text() for column in range(5)] for row in range(table.rowCount())]  # type: ignore[union-attr]
    assert [row[0] for row in rows] == [plug.placed.item.label for plug in plugs_of(window.workspace.arrangement)]
    assert all("outlet 1 of 2" in row[1] and row[2] == "2000 W" and "runs" in row[3] for row in rows)
    assert "2000 W of 2300 W" in page.plugs.loads.text()
    window.workspace.choose_look("before")
    assert page.plugs.table.rowCount() == 1


def test_cords_are_laid_over_the_drawing_by_a_key(window: MainWindow, qtbot: QtBot) -> None:
    on_the_counter(window)
    page = page_of(window, "Arrange", ArrangeStep)
    page.view.setFocus()
    qtbot.keyClick(page.view, Qt.Key.Key_C, Qt.KeyboardModifier.ShiftModifier)
    assert "cords" in page.view_strip.shown
    workspace = window.workspace
    plug = plugs_of(workspace.arrangement)[0]
    cord = ChangeItem(item=plug.placed.item.id, changes=(("cord", Cord(length=50.0)),), name="it")
    assert RUST not in {mark.colour for mark in cord_marks(workspace.arrangement) if isinstance(mark, Line)}
    workspace.commit(cord)
    assert RUST in {mark.colour for mark in cord_marks(workspace.arrangement) if isinstance(mark, Line)}


def test_outlets_and_circuit_are_told_of_a_socket(window: MainWindow, qtbot: QtBot) -> None:
    on_the_counter(window)
    page = page_of(window, "Measure", MeasureStep)
    fixtures = window.workspace.piece.fixtures
    page.view.choose_fixture(next(n for n, fixture in enumerate(fixtures) if fixture.kind == "socket"))
    form = page.fixture_form
    type_into(qtbot, form.outlets_field, "3")
    type_into(qtbot, form.circuit_field, "cooker")
    told = next(fixture for fixture in window.workspace.piece.fixtures if fixture.kind == "socket")
    assert (told.outlets, told.circuit) == (3, "cooker")
    for text in ("none", "0", "400"):
        type_into(qtbot, form.outlets_field, text)
        assert "no number of outlets" in window.notice.sentence
    assert next(f for f in window.workspace.piece.fixtures if f.kind == "socket").outlets == 3


def test_a_tick_that_is_taken_away_lets_a_thing_rest(window: MainWindow) -> None:
    on_the_counter(window)
    page = page_of(window, "Place", PlaceStep)
    page.show_mode("plugs")
    first = page.plugs.table.item(0, 0)
    assert first is not None
    assert first.checkState() is Qt.CheckState.Checked
    before = page.plugs.loads.text()
    first.setCheckState(Qt.CheckState.Unchecked)
    assert first.text() not in page.plugs.loads.text()
    page.refresh()
    again = page.plugs.table.item(0, 0)
    assert again is not None
    assert again.checkState() is Qt.CheckState.Unchecked
    again.setCheckState(Qt.CheckState.Checked)
    assert page.plugs.loads.text() == before


def test_rows_are_as_high_as_what_they_say(window: MainWindow) -> None:
    window.workspace.choose_look("first-try")
    page = PlugsPage(window.workspace)
    page.resize(1100, 500)
    page.show()
    page.refresh()
    table = page.table
    narrow = [table.rowHeight(row) for row in range(table.rowCount())]
    assert min(narrow) > table.verticalHeader().minimumSectionSize()
    page.resize(2400, 500)
    assert [table.rowHeight(row) for row in range(table.rowCount())] < narrow
    page.close()
