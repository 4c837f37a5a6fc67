"""What a quick line leaves open is asked, by pointing: kinds as drawings, words as they are typed, forms as a sheet."""

from msgspec.structs import replace
from PySide6.QtCore import Qt
from pytestqt.qtbot import QtBot

from conftest import AnsweringDialogs, open_window
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.edits.items import ChangeItem
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.geometry.pose import seen_shape
from jolly_ledge.model.plan import Plan
from pages import LEFT, gather, pick, type_into
from patience import wait_until


def test_what_is_not_known_is_asked_for_by_drawings(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    assert not page.entry.doubts.isVisible()
    qtbot.keyClicks(page.entry.line, "Grandpa's barometer brass 20 round")
    assert page.entry.doubts.isVisible()
    assert "<u>barometer</u>" in page.entry.said.text()
    assert "an object" in page.entry.said.text()
    qtbot.mouseClick(page.entry.doubts.kinds["bowl"], LEFT)
    assert [item.category for item in page.entry.preview.items] == ["bowl"]
    assert "an object" not in page.entry.said.text()
    qtbot.keyClick(page.entry.line, Qt.Key.Key_Return)
    made = window.workspace.item
    assert made is not None
    assert (made.name, made.category, made.width) == ("Grandpa's barometer brass", "bowl", 200)
    qtbot.keyClicks(page.entry.line, "whatnot")
    assert [item.category for item in page.entry.preview.items] == ["object"]


def test_a_misspelt_word_is_offered_back(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    qtbot.keyClicks(page.entry.line, "clok brass")
    assert [item.name for item in page.entry.preview.items] == ["brass clock"]
    (typed,) = page.entry.doubts.typed
    qtbot.mouseClick(typed, LEFT)
    assert [item.name for item in page.entry.preview.items] == ["clok brass"]
    assert page.entry.doubts.kinds["box"].isVisible()
    page.entry.line.clear()
    assert not page.entry.doubts.isVisible()


def test_things_parted_by_commas_come_at_once(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    before = len(window.workspace.plan.stash)
    qtbot.keyClicks(page.entry.line, "brass clock 20 high, two blue vases, wicker basket")
    assert "four things: brass clock, blue vase and wicker basket" in page.entry.said.text()
    qtbot.keyClick(page.entry.line, Qt.Key.Key_Return)
    assert len(window.workspace.plan.stash) == before + 4
    window.workspace.undo()
    assert len(window.workspace.plan.stash) == before


def test_forms_are_chosen_from_drawings(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    qtbot.keyClicks(page.entry.line, "clock 20x25")
    qtbot.keyClick(page.entry.line, Qt.Key.Key_Return)
    field = page.panel.shape_field
    assert field.currentText() == "clock"
    assert field.itemIcon(1).isNull()
    field.showPopup()
    assert all(not field.itemIcon(index).isNull() for index in range(field.count()))
    bird = field.findData("bird")
    left, right = (field.view().visualRect(field.model().index(row, 0)) for row in (bird, bird + 1))
    assert max(abs(right.left() - left.left()), abs(right.top() - left.top())) >= 60
    field.view().scrollTo(field.model().index(bird, 0))
    qtbot.mouseClick(field.view().viewport(), LEFT, pos=field.view().visualRect(field.model().index(bird, 0)).center())
    made = window.workspace.item
    assert made is not None
    assert made.silhouette == "bird"


def test_an_outline_from_a_photograph_goes_first_until_another_form_is_chosen(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    qtbot.keyClicks(page.entry.line, "clock 20x25")
    qtbot.keyClick(page.entry.line, Qt.Key.Key_Return)
    made = window.workspace.item
    assert made is not None
    corners = ((-0.5, 0.0), (0.5, 0.0), (0.2, 1.0), (-0.2, 1.0))
    window.workspace.commit(ChangeItem(item=made.id, changes=(("outline", corners),), name=made.label))
    field = page.panel.shape_field
    assert field.currentText() == field.itemText(0) == "as photographed"
    bird = field.findData("bird")
    field.showPopup()
    assert not field.itemIcon(0).isNull()
    sheet = field.view()
    sheet.scrollTo(field.model().index(bird, 0))
    qtbot.mouseClick(sheet.viewport(), LEFT, pos=sheet.visualRect(field.model().index(bird, 0)).center())
    now = window.workspace.item
    assert now is not None
    assert (now.silhouette, now.outline) == ("bird", ())
    assert seen_shape(now, "upright") == "bird"
    assert field.findData("as-photographed") == -1
    window.workspace.undo()
    assert field.currentText() == "as photographed"


def test_an_empty_stash_tells_the_ways_in_and_waits_for_the_first_line(
    qtbot: QtBot, demo: Plan, log: RecoveryLog, dialogs: AnsweringDialogs
) -> None:
    window = open_window(
        qtbot, replace(demo, stash=(), looks=tuple(replace(x, placements=()) for x in demo.looks)), log, dialogs
    )
    page = gather(window)
    assert page.side.currentWidget() is page.side.nothing_yet
    assert page.entry.line.hasFocus()
    type_into(qtbot, page.entry.line, "brass clock 12x20")
    wait_until(lambda: page.side.currentWidget() is page.panel)
    assert page.panel.title.text() == "brass clock"
    window.workspace.undo()
    assert page.side.currentWidget() is page.side.nothing_yet
    window.workspace.document.let_go()


def test_a_set_is_told_its_sense_beside_the_thing(window: MainWindow, qtbot: QtBot) -> None:
    page, workspace = gather(window), window.workspace
    type_into(qtbot, page.entry.line, "set of 3 blue cups")
    form = page.panel.further.provenance_form
    workspace.choose_items((workspace.plan.stash[-1].id,))
    name = workspace.plan.stash[-1].set
    assert name
    assert form.sense_field.isVisibleTo(form)
    pick(form.sense_field, "service")
    members = [item for item in workspace.plan.stash if item.set == name]
    assert [item.sense for item in members] == ["service"] * 3
    assert workspace.history.undo_label == f"Take {name} as a service"
    form.set_field.selectAll()
    qtbot.keyClick(form.set_field, Qt.Key.Key_Delete)
    qtbot.keyClick(form.set_field, Qt.Key.Key_Return)
    assert (workspace.item.set, workspace.item.sense) == ("", "")  # type: ignore[union-attr]
    assert not form.sense_field.isVisibleTo(form)
    type_into(qtbot, form.set_field, name)
    assert workspace.item.sense == "service"  # type: ignore[union-attr]
