"""What a ledge is meant for, told in the real window by a chip, a key and the menu under the right button."""

import pytest
from PySide6.QtCore import QPointF, Qt
from PySide6.QtWidgets import QMenu
from pytestqt.qtbot import QtBot

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.views.look import overlays
from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.picture import Label
from jolly_ledge.edits.bays import CopyBay
from jolly_ledge.geometry.axes import Axis
from jolly_ledge.model.kept_place import KeptPlace
from jolly_ledge.model.meant import AS_THE_LOOK, Meant
from jolly_ledge.readings.register import assess
from pages import page_of


def arranging(window: MainWindow) -> ArrangeStep:
    page = page_of(window, "Arrange", ArrangeStep)
    window.workspace.choose_ledge("l4")
    window.workspace.choose()
    return page


def choose(menu: QMenu, *path: str) -> None:
    for name in path[:-1]:
        listed = next(made for made in menu.actions() if made.text() == name).menu()
        assert isinstance(listed, QMenu)
        menu = listed
    next(made for made in menu.actions() if made.text() == path[-1]).trigger()


def test_a_ledge_is_meant_by_its_chip_and_the_drawing_bears_a_tag(window: MainWindow) -> None:
    page, workspace = arranging(window), window.workspace
    meaning = page.chosen.meaning
    assert meaning.button.isVisible()
    assert meaning.button.text() == "Dressed, as the look ▾"
    meaning.fill()
    choose(meaning.menu, "One statement")
    meaning.fill()
    choose(meaning.menu, "As full as", "Airy")
    assert workspace.piece.ledge("l4").meant == Meant(purpose="statement", fullness="airy")
    assert meaning.button.text() == "One statement · airy ▾"
    (tag,) = overlays.meaning_marks(workspace.arrangement, 0.3)
    assert tag.text == "one statement · airy"
    assert workspace.history.undo_label == "Mean left bay, shelf 4 as one statement · airy"
    meaning.fill()
    marked = [made.text() for made in meaning.menu.actions() if made.isChecked()]
    assert marked == ["One statement"]
    choose(meaning.menu, "As the look has it")
    assert workspace.piece.ledge("l4").meant == AS_THE_LOOK
    assert not tuple(overlays.meaning_marks(workspace.arrangement, 0.3))


def test_the_key_opens_the_list_and_the_readings_follow(window: MainWindow, qtbot: QtBot) -> None:
    page, workspace = arranging(window), window.workspace
    things = {placed.id for placed in workspace.arrangement.by_ledge["l4"]}
    assert any(things & set(finding.placements) for finding in assess(workspace.arrangement).findings)
    qtbot.keyClick(page.view, Qt.Key.Key_M, Qt.KeyboardModifier.ShiftModifier)
    assert page.chosen.meaning.menu.isVisible()
    choose(page.chosen.meaning.menu, "Left as it is")
    page.chosen.meaning.menu.hide()
    allowed = {"side-balance", "weight-low", "focal-point", "must-haves"}
    named = [one for one in assess(workspace.arrangement).findings if things & set(one.placements)]
    assert {finding.reading for finding in named} <= allowed
    workspace.undo()
    assert workspace.piece.ledge("l4").meant == AS_THE_LOOK


def test_a_copied_bay_is_meant_the_same(window: MainWindow) -> None:
    page, workspace = arranging(window), window.workspace
    page.chosen.meaning.fill()
    choose(page.chosen.meaning.menu, "Storage")
    workspace.commit(CopyBay(piece=workspace.piece_id, ledge="l4"))
    told = [ledge.meant.purpose for ledge in workspace.piece.ledges]
    assert told.count("store") == 2


def test_a_place_is_kept_where_the_pointer_asked_for_it_and_given_back(window: MainWindow) -> None:
    page, workspace = arranging(window), window.workspace
    ledge = workspace.piece.ledge("l4")
    middle = page.view.mapFromScene(QPointF(ledge.left + ledge.width / 2, -ledge.floor - 60))
    page.kept_places.asked_at(page.view.mapToGlobal(middle))
    page.kept_places.fill()
    choose(page.kept_places, "Keep a place for a cup")
    (place,) = workspace.piece.ledge("l4").kept
    assert abs(place.left + place.width / 2 - ledge.width / 2) < 12
    assert workspace.history.undo_label == "Keep a place for a cup on left bay, shelf 4"
    stops = {caution.id for caution in workspace.cautions if caution.level == "stop"}
    assert "kept-place" in stops
    page.kept_places.fill()
    choose(page.kept_places, "Move the place for a cup")
    choose(page.kept_places, "Give back the place for a cup")
    assert workspace.piece.ledge("l4").kept == ()


def test_a_place_is_kept_on_the_tray_in_hand(window: MainWindow, qtbot: QtBot) -> None:
    page, workspace = arranging(window), window.workspace
    workspace.choose_look("low-tea")
    workspace.choose("low-fern")
    assert page.kept_places.why_no_tray()
    workspace.choose("low-tray")
    qtbot.keyClick(page.view, Qt.Key.Key_K, Qt.KeyboardModifier.ShiftModifier | Qt.KeyboardModifier.ControlModifier)
    assert page.kept_places.isVisible()
    choose(page.kept_places, "Keep a place for a phone on the round ash tray with a rim")
    page.kept_places.hide()
    (place,) = workspace.plan.item("low-tray").kept
    assert place.name == "a phone"
    assert workspace.history.undo_label == "Keep a place for a phone on the round ash tray with a rim"
    page.kept_places.fill(on_tray=True)
    choose(page.kept_places, "Give back the place for a phone")
    assert workspace.plan.item("low-tray").kept == ()


@pytest.mark.parametrize("on_tray", [False, True])
def test_a_place_is_named_by_hand_and_kept_until_a_day(window: MainWindow, qtbot: QtBot, on_tray: bool) -> None:
    page, workspace = arranging(window), window.workspace
    workspace.choose_look("low-tea")
    workspace.choose("low-tray")

    def kept() -> tuple[KeptPlace, ...]:
        return workspace.plan.item("low-tray").kept if on_tray else workspace.piece.ledge(workspace.ledge_id).kept

    menu = page.kept_places
    menu.fill(on_tray=on_tray)
    assert menu.other_line is not None
    menu.other_line.setText("the seed tin")
    qtbot.keyClick(menu.other_line, Qt.Key.Key_Return)
    assert [place.name for place in kept()] == ["the seed tin"]
    menu.fill(on_tray=on_tray)
    line = menu.until_lines["the seed tin"]
    line.setText("until 24 December")
    qtbot.keyClick(line, Qt.Key.Key_Return)
    assert [(place.name, place.date) for place in kept()] == [("the seed tin", "until 24 December")]
    assert str(workspace.history.undo_label).startswith("Date the place for the seed tin on ")
    drawn = [one.text for one in look_picture(workspace.arrangement).primitives if isinstance(one, Label)]
    assert "the seed tin, until 24 December" in drawn
    menu.fill(on_tray=on_tray)
    assert menu.other_line is not None
    menu.other_line.setText("the seed tin")
    qtbot.keyClick(menu.other_line, Qt.Key.Key_Return)
    assert [place.date for place in kept()] == ["until 24 December"]
    # On the tray it lies where it would be put down, and nothing is done.
    done = "Date" if on_tray else "Move"
    assert str(workspace.history.undo_label).startswith(f"{done} the place for the seed tin on ")


def test_the_key_lists_what_a_place_can_be_kept_for(window: MainWindow, qtbot: QtBot) -> None:
    page = arranging(window)
    qtbot.keyClick(page.view, Qt.Key.Key_K, Qt.KeyboardModifier.ShiftModifier)
    assert page.kept_places.isVisible()
    assert "Keep a place for keys" in [made.text() for made in page.kept_places.actions()]
    page.kept_places.hide()


def test_a_group_is_centred_on_an_axis_as_it_is(window: MainWindow) -> None:
    page, workspace = arranging(window), window.workspace
    look = next(look for look in workspace.plan.looks if look.piece == "hall-console")
    workspace.choose_look(look.id)
    top = workspace.piece.ledge("top")
    before = {one.item.label: one for one in workspace.arrangement.by_ledge["top"]}
    bowl, atlases = before["slate key bowl"], before["three star atlases"]
    workspace.choose(bowl.id, atlases.id)
    page.axes.fill()
    names = [made.text() for made in page.axes.actions()]
    assert names[0] == f"Centre on the middle of {top.label}"
    assert any("socket" in name for name in names)
    page.axes.actions()[0].trigger()
    after = {one.item.label: one for one in workspace.arrangement.by_ledge["top"]}
    moved, other = after["slate key bowl"], after["three star atlases"]
    middle = (min(moved.left, other.left) + max(moved.right, other.right)) / 2
    assert abs(middle - top.left - top.width / 2) < 0.5
    assert abs((moved.left - other.left) - (bowl.left - atlases.left)) < 0.5
    assert workspace.history.undo_label == names[0]
    told: list[str] = []
    workspace.signals.refused.connect(told.append)
    page.several.centre_on(Axis("end", "the far end", top.right - 20))
    assert len(told) == 1
    assert "over the end of" in told[0]
