"""Tasks told in the real window: on the drawing, in Brief; how they run is drawn, what stays out is listed."""

from PySide6.QtCore import Qt
from pytestqt.qtbot import QtBot

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.steps.brief.brief_step import BriefStep
from jolly_ledge.app.steps.measure.measure_step import MeasureStep
from jolly_ledge.app.steps.place.place_step import AWAY, PlaceStep
from jolly_ledge.app.views.look.marks import Plate
from jolly_ledge.app.views.look.task_marks import task_marks
from jolly_ledge.drawing.theme import PLUM, RUST
from jolly_ledge.edits.items import RemoveItems
from pages import page_of, pick, type_into

LEFT = Qt.MouseButton.LeftButton


def at_the_counter(window: MainWindow) -> None:
    look = next(look for look in window.workspace.plan.looks if look.piece == "tea-counter")
    window.workspace.choose_look(look.id)


def test_a_task_is_told_on_the_drawing_in_the_order_of_choosing(window: MainWindow, qtbot: QtBot) -> None:
    page = page_of(window, "Arrange", ArrangeStep)
    at_the_counter(window)
    workspace = window.workspace
    by_item = {placed.item.id: placed.id for placed in workspace.arrangement.placed_items}
    workspace.choose(by_item["bread-bin"], by_item["long-board"])
    qtbot.keyClick(page.view, Qt.Key.Key_D, Qt.KeyboardModifier.ShiftModifier)
    said = [made.text() for made in page.tasks.actions() if made.text()]
    assert said[0] == "enamel bread bin → long olive board"
    assert "Let go: tea" in said
    next(made for made in page.tasks.actions() if made.text() == "Used in this order, from the socket").trigger()
    page.tasks.hide()
    task = workspace.piece.tasks[-1]
    assert (task.name, task.items, task.near) == ("cooking", ("bread-bin", "long-board"), "socket")
    assert workspace.history.undo_label == "Tell the task cooking"
    page.tasks.fill()
    next(made for made in page.tasks.actions() if made.text() == "Let go: cooking").trigger()
    assert [task.name for task in workspace.piece.tasks] == ["tea"]
    workspace.choose()
    page.tasks.fill()
    assert not page.tasks.actions()[0].isEnabled()


def test_how_a_task_runs_is_drawn_and_what_is_too_far_stands_out(window: MainWindow, qtbot: QtBot) -> None:
    page = page_of(window, "Arrange", ArrangeStep)
    at_the_counter(window)
    workspace = window.workspace
    qtbot.keyClick(page.view, Qt.Key.Key_T, Qt.KeyboardModifier.ShiftModifier)
    assert "tasks" in page.view_strip.shown
    marks = list(task_marks(workspace.arrangement, workspace.length))
    plates = [mark for mark in marks if isinstance(mark, Plate)]
    assert [plate.text for plate in plates] == ["tea · 1", "2", "3", "4"]
    assert {plate.rim for plate in plates} == {PLUM}
    brief = page_of(window, "Brief", BriefStep)
    standing = sorted(workspace.arrangement.visible, key=lambda placed: placed.x)
    ends = (standing[0].item.label, standing[-1].item.label)
    type_into(qtbot, brief.tasks.rows[0].things, ", ".join(ends))
    far = [mark for mark in task_marks(workspace.arrangement, workspace.length) if isinstance(mark, Plate)]
    assert far[-1].rim == RUST
    assert far[-1].text.endswith(" cm")


def test_tasks_are_told_and_changed_in_brief(window: MainWindow, qtbot: QtBot) -> None:
    at_the_counter(window)
    page, workspace = page_of(window, "Brief", BriefStep), window.workspace
    panel = page.tasks
    row = panel.rows[0]
    assert row.name.text() == "tea"
    assert row.said.text().startswith("The hand goes ")
    type_into(qtbot, row.name, "tea for twenty")
    pick(row.point, "")
    assert (workspace.piece.tasks[0].name, workspace.piece.tasks[0].near) == ("tea for twenty", "")
    told: list[str] = []
    workspace.signals.refused.connect(told.append)
    type_into(qtbot, panel.new, "the moon")
    assert told == ["Nothing in the stash is called “the moon”; type names as they are told there."]
    panel.new.clear()
    type_into(qtbot, panel.new, "enamel bread bin, long olive board")
    assert workspace.piece.tasks[-1].items == ("bread-bin", "long-board")
    assert len(panel.rows) == 2
    type_into(qtbot, panel.rows[1].name, "tea for twenty")
    assert told[-1].startswith("Another task at ")
    assert panel.rows[1].name.text() == "task 1"
    qtbot.mouseClick(panel.rows[1].drop_button, LEFT)
    assert [task.name for task in workspace.piece.tasks] == ["tea for twenty"]


def test_limits_are_set_from_a_list(window: MainWindow) -> None:
    at_the_counter(window)
    page, workspace = page_of(window, "Brief", BriefStep), window.workspace
    page.tasks.fill_limits()
    menu = next(made.menu() for made in page.tasks.limits.actions() if made.text() == "Board")
    assert menu is not None
    next(made for made in menu.actions() if made.text() == "1").trigger()  # type: ignore[attr-defined]
    assert ("board", 1) in workspace.piece.limits
    assert page.tasks.note.text() == "At most two appliances and one board."


def test_another_use_is_kept_and_told_as_unknown(window: MainWindow, qtbot: QtBot) -> None:
    page, workspace = page_of(window, "Brief", BriefStep), window.workspace
    type_into(qtbot, page.uses.other, "  Star  Charts ")
    assert workspace.piece.use[-1] == "star charts"
    assert page.uses.chips["star charts"].isChecked()
    assert "“star charts”" in page.uses.note.text()
    assert page.uses.note.isVisible()
    qtbot.mouseClick(page.uses.chips["star charts"], LEFT)
    assert "star charts" not in workspace.piece.use
    assert "star charts" not in page.uses.chips
    assert not page.uses.note.isVisible()


def test_what_stays_out_is_listed_in_place(window: MainWindow) -> None:
    at_the_counter(window)
    page = page_of(window, "Place", PlaceStep)
    page.show_mode(AWAY)
    table = page.away.table
    rows = {
        tuple(cell.text() for column in range(3) if (cell := table.item(row, column)) is not None)
        for row in range(table.rowCount())
    }
    assert ("steel tea kettle for guests", "stays out", "It is used for tea") in rows
    assert any(row[1] == "stays until you say otherwise" for row in rows)


def test_the_door_is_told_in_measure_and_can_be_centred_on(window: MainWindow, qtbot: QtBot) -> None:
    page, workspace = page_of(window, "Measure", MeasureStep), window.workspace
    type_into(qtbot, page.piece_form.door_field, "30 cm")
    assert workspace.piece.door == 300.0
    arrange = page_of(window, "Arrange", ArrangeStep)
    placed = workspace.arrangement.placed_items[0]
    workspace.choose(placed.id)
    workspace.choose_ledge(placed.ledge.id)
    arrange.axes.fill()
    names = [made.text() for made in arrange.axes.actions()]
    assert ("Centre on the line from the door" in names) is (placed.ledge.left <= 300.0 <= placed.ledge.right)


def test_names_with_commas_and_things_that_are_gone_are_kept_apart(window: MainWindow, qtbot: QtBot) -> None:
    at_the_counter(window)
    page, workspace = page_of(window, "Brief", BriefStep), window.workspace
    type_into(qtbot, page.tasks.new, "brass taper holder, left, honey jar")
    task = workspace.piece.tasks[-1]
    labels = {item.id: item.label for item in workspace.plan.stash}
    assert [labels[item] for item in task.items] == ["brass taper holder, left", "honey jar"]
    row = page.tasks.rows[-1]
    assert row.things.text() == "brass taper holder, left, honey jar"
    workspace.commit(RemoveItems(items=("honey-jar",), name="honey jar"))
    assert "One thing of it is in the stash no more." in row.said.text()
    type_into(qtbot, row.name, "supper")
    assert workspace.piece.tasks[-1].name == "supper"
    assert workspace.piece.tasks[-1].items == task.items
