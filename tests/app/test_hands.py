"""Hands on the drawing: several things at once, the right button, looking near, the drawing alone, the keys."""

from itertools import groupby

import numpy as np
import pytest
from PySide6.QtCore import QPoint, QPointF, Qt
from PySide6.QtGui import QContextMenuEvent
from PySide6.QtWidgets import QApplication
from pytestqt.qtbot import QtBot

from app.test_arrange import arrange_step, drag, point_of, spot
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.steps.keep.side_by_side import SideBySide
from jolly_ledge.app.views.drawings_list import ICON
from jolly_ledge.app.views.thumbnail import Thumbnail
from jolly_ledge.drawing.case import case_picture
from jolly_ledge.drawing.picture import Shape
from jolly_ledge.edits.looks import RemoveLook
from jolly_ledge.geometry.bodies import in_one_place
from jolly_ledge.model.starts.gallery import STARTS
from jolly_ledge.model.stash_order import Shelf
from jolly_ledge.planning.whereabouts import stands_elsewhere
from jolly_ledge.render.scene import pixels_of
from patience import wait_until

LEFT, CONTROL = Qt.MouseButton.LeftButton, Qt.KeyboardModifier.ControlModifier


def click(qtbot: QtBot, page: ArrangeStep, *placements: str) -> None:
    """Choose placements: the first with a click, the others with shift."""
    for number, one in enumerate(placements):
        keys = Qt.KeyboardModifier.ShiftModifier if number else Qt.KeyboardModifier.NoModifier
        qtbot.mouseClick(page.view.viewport(), LEFT, keys, point_of(page.view, one))


def right_click(page: ArrangeStep, at: QPoint) -> dict[str, bool]:
    """Press the right button and return what the menu offers, with whether it applies."""
    viewport = page.view.viewport()
    event = QContextMenuEvent(QContextMenuEvent.Reason.Mouse, at, viewport.mapToGlobal(at))
    QApplication.sendEvent(viewport, event)
    return {made.text(): made.isEnabled() for made in page.menu.actions() if made.text()}


def standing_on(page: ArrangeStep, ledge: str) -> list[str]:
    things = page.workspace.arrangement.by_ledge[ledge]
    return [one.id for one in things if one.placement.host is None and one.placement.pose not in ("hung", "draped")]


def a_ledge_of(page: ArrangeStep, least: int) -> str:
    """Return a ledge on which at least so many things stand by themselves."""
    return next(one.id for one in page.workspace.piece.ledges if len(standing_on(page, one.id)) >= least)


def test_all_of_a_ledge_is_chosen_by_its_key(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    ledge = a_ledge_of(page, 3)
    window.workspace.choose_ledge(ledge)
    qtbot.keyClick(page.view, Qt.Key.Key_A, CONTROL)
    assert set(standing_on(page, ledge)) <= set(window.workspace.selection)
    assert {one.ledge.id for one in window.workspace.chosen_placed} == {ledge}


def test_a_lasso_on_empty_ground_chooses_what_it_touches(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    view, viewport = page.view, page.view.viewport()
    corner, other = QPoint(2, 2), QPoint(viewport.width() - 2, viewport.height() - 50)
    assert view.placement_at(corner) is None
    drag(qtbot, viewport, corner, other, drop=False)
    assert view.lasso is not None
    qtbot.mouseRelease(viewport, LEFT, pos=other)
    assert view.lasso is None
    assert set(window.workspace.selection) == set(view.items_by_id)
    before = window.workspace.history.undo_label
    qtbot.mouseClick(viewport, LEFT, pos=corner)
    assert window.workspace.selection == ()
    assert window.workspace.history.undo_label == before, "choosing is no step"


def test_a_lasso_with_shift_adds_to_what_is_chosen(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    viewport, shift = page.view.viewport(), Qt.KeyboardModifier.ShiftModifier
    click(qtbot, page, "copper-bowl")
    qtbot.mousePress(viewport, LEFT, shift, QPoint(2, 2))
    qtbot.mouseMove(viewport, QPoint(6, 3))
    qtbot.mouseRelease(viewport, LEFT, shift, QPoint(6, 3))
    assert window.workspace.selection == ("copper-bowl",), "it touched nothing and took nothing away"


def test_gaps_are_made_alike_in_one_step(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    ids = standing_on(page, a_ledge_of(page, 3))
    by_id = window.workspace.arrangement.by_id
    ids = sorted(ids, key=lambda one: by_id[one].left)[:3]
    window.workspace.choose(*ids)
    outer = by_id[ids[0]].left, by_id[ids[2]].left
    qtbot.keyClick(page.view, Qt.Key.Key_E, CONTROL)
    first, second, third = (window.workspace.arrangement.by_id[one] for one in ids)
    assert second.left - first.right == pytest.approx(third.left - second.right, abs=1.1)
    assert (first.left, third.left) == outer
    assert window.workspace.history.undo_label == "Make the gaps alike"


def test_fronts_are_set_in_line_with_the_foremost(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    by_id = window.workspace.arrangement.by_id
    ids = standing_on(page, a_ledge_of(page, 2))[:2]
    window.workspace.choose(*ids)
    foremost = min(by_id[one].front for one in ids)
    qtbot.keyClick(page.view, Qt.Key.Key_L, CONTROL)
    now = window.workspace.arrangement.by_id
    assert [now[one].front for one in ids] == pytest.approx([foremost, foremost], abs=0.6)


def test_backs_are_set_in_line_with_the_hindmost(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    by_id = window.workspace.arrangement.by_id
    ids = standing_on(page, a_ledge_of(page, 2))[:2]
    window.workspace.choose(*ids)
    hindmost = max(by_id[one].back for one in ids)
    qtbot.keyClick(page.view, Qt.Key.Key_L, CONTROL | Qt.KeyboardModifier.ShiftModifier)
    now = window.workspace.arrangement.by_id
    assert [now[one].back for one in ids] == pytest.approx([hindmost, hindmost], abs=0.6)
    assert window.workspace.history.undo_label == "Set the backs in line"


def test_a_group_is_made_at_once_and_named_after_its_anchor(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    by_id = window.workspace.arrangement.by_id
    ids = standing_on(page, a_ledge_of(page, 2))[:2]
    anchor = max((by_id[one] for one in ids), key=lambda one: one.width * one.height)
    window.workspace.choose(*ids)
    before = [by_id[one].placement.vignette for one in ids]
    for _ in range(2 if len(set(before)) == 1 and before[0] else 1):
        qtbot.keyClick(page.view, Qt.Key.Key_G)
    look = window.workspace.look
    assert {look.placement(one).vignette for one in ids} == {anchor.item.label}
    qtbot.keyClick(page.view, Qt.Key.Key_G)
    assert {window.workspace.look.placement(one).vignette for one in ids} == {None}


def test_page_up_carries_what_is_in_hand(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    click(qtbot, page, "copper-bowl")
    ordered = sorted(window.workspace.piece.ledges, key=lambda ledge: (-ledge.floor, ledge.left))
    ledges = [ledge.id for ledge in ordered if not ledge.is_wall]
    at = ledges.index(window.workspace.look.placement("copper-bowl").ledge)
    qtbot.keyClick(page.view, Qt.Key.Key_PageDown)
    assert window.workspace.look.placement("copper-bowl").ledge == ledges[at + 1]
    assert window.workspace.ledge_id == ledges[at + 1]
    qtbot.keyClick(page.view, Qt.Key.Key_PageUp)
    assert window.workspace.look.placement("copper-bowl").ledge == ledges[at]
    assert window.workspace.selection == ("copper-bowl",)


def test_the_right_button_offers_what_can_be_done_with_a_thing(window: MainWindow) -> None:
    page = arrange_step(window)
    offered = right_click(page, point_of(page.view, "copper-bowl"))
    assert window.workspace.selection == ("copper-bowl",)
    assert offered["Put back in the stash"]
    assert not offered["Turn the pages out"]
    tips = {made.text(): made.toolTip() for made in page.menu.actions()}
    assert tips["Turn the pages out"] == "Only a book shows its pages."
    assert page.menu.isVisible()
    next(made for made in page.menu.actions() if made.text() == "Put back in the stash").trigger()
    assert all(one.id != "copper-bowl" for one in window.workspace.look.placements)


def test_the_right_button_on_a_ledge_offers_what_goes_there(window: MainWindow) -> None:
    page = arrange_step(window)
    ledge = window.workspace.piece.ledges[-1]
    inside = spot(page.view, ledge.left + 6, ledge.floor + 300)
    assert page.view.placement_at(inside) is None
    offered = right_click(page, inside)
    assert "Choose all on it" in offered
    assert "Put back in the stash" not in offered
    page.menu.hide()
    assert window.workspace.ledge_id == ledge.id


def test_every_key_of_the_menu_is_heard_on_the_drawing_once(window: MainWindow) -> None:
    page = arrange_step(window)
    keys = [act.keys for act in page.acts if act.keys]
    assert len(keys) == len(set(keys))
    assert {act.label for act in page.acts if act.keys and act.label} <= {what for _, what in page.keys}


def test_a_double_click_on_an_empty_place_fills_the_view_and_comes_back(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    view = page.view
    ledge = window.workspace.piece.ledges[-1]
    at = spot(view, ledge.left + 6, ledge.floor + 300)
    qtbot.mouseDClick(view.viewport(), LEFT, pos=at)
    assert view.zoom.factor > 1.5
    seen = view.mapToScene(view.viewport().rect()).boundingRect()
    assert seen.left() <= ledge.left
    assert seen.right() >= ledge.right
    qtbot.keyClick(view, Qt.Key.Key_Z)
    assert view.zoom.factor == 1.0


def test_the_drawing_is_shown_alone_and_with_all_beside_it_again(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    narrow = page.view.width()
    qtbot.keyClick(window, Qt.Key.Key_F11)
    beside = (window.path, page.readings, page.foot, page.chosen)
    assert not any(one.isVisible() for one in beside)
    wait_until(lambda: page.view.width() > narrow + 300)
    qtbot.keyClick(window, Qt.Key.Key_F11)
    assert all(one.isVisible() for one in beside)


def test_the_keys_of_a_page_are_told_and_searched(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    qtbot.keyClick(window, Qt.Key.Key_F1)
    sheet = window.keys_sheet
    assert sheet is not None
    assert sheet.isVisible()
    everything = sheet.table.rowCount()
    qtbot.keyClicks(sheet.search, "gaps")
    assert sheet.table.rowCount() == 1 < everything
    qtbot.keyClick(sheet.search, Qt.Key.Key_Escape)
    assert not sheet.isVisible()
    assert page.view.hasFocus()


def test_another_look_is_found_by_typing_under_the_names(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    workspace = window.workspace
    before = workspace.look_id
    qtbot.mouseClick(page.piece_name, LEFT)
    switcher = page.switcher
    assert switcher is not None
    everything = switcher.looks.shown
    assert set(everything) == {look.id for look in workspace.plan.looks}
    other = next(piece for piece in workspace.plan.pieces if piece.id != workspace.piece_id)
    qtbot.keyClicks(switcher.search, other.label)
    assert set(switcher.looks.shown) == {look.id for look in workspace.plan.looks_of(other.id)}
    qtbot.keyClick(switcher.search, Qt.Key.Key_Return)
    assert workspace.piece_id == other.id
    assert not switcher.isVisible()
    qtbot.keyClick(window, Qt.Key.Key_Tab, CONTROL)
    assert workspace.look_id == before


def test_a_look_is_duplicated_renamed_and_begun_in_the_head(window: MainWindow) -> None:
    page = arrange_step(window)
    workspace = window.workspace
    things = len(workspace.look.placements)
    page.show_looks()
    switcher = page.switcher
    assert switcher is not None
    switcher.copy_button.click()
    assert len(workspace.look.placements) == things
    page.show_looks()
    switcher.name_field.setText("Late & bright")
    switcher.rename_button.click()
    assert workspace.look.label == "Late & bright"
    assert page.look_name.name == "Late & bright"
    assert "&&" in page.look_name.text(), "an ampersand is shown, not taken for a key"
    page.show_looks()
    switcher.empty_button.click()
    assert workspace.look.placements == ()


def test_every_look_is_drawn_in_the_list(window: MainWindow) -> None:
    page = arrange_step(window)
    page.show_looks()
    switcher = page.switcher
    assert switcher is not None

    def opaque(row: int) -> bool:
        image = switcher.looks.item(row).icon().pixmap(64, 64).toImage()
        return any(image.pixelColor(x, 32).alpha() for x in range(image.width()))

    wait_until(lambda: all(opaque(row) for row in range(switcher.looks.count())))
    switcher.hide()


def test_what_is_said_lies_over_the_page_and_leaves_when_the_plan_is_another(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    before = page.view.geometry()
    window.workspace.choose()
    qtbot.keyClick(page.view, Qt.Key.Key_T)
    assert "Nothing is chosen" in window.notice.sentence
    assert page.view.geometry() == before
    assert window.notice.geometry().top() > page.piece_name.geometry().bottom()
    assert page.view.hasFocus()
    click(qtbot, page, "copper-bowl")
    qtbot.keyClick(page.view, Qt.Key.Key_K)
    assert window.notice.sentence == ""


def test_arrows_stop_at_the_end_and_alt_pushes_on(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    click(qtbot, page, "copper-bowl")
    for _ in range(90):
        qtbot.keyClick(page.view, Qt.Key.Key_Right)
    (placed,) = window.workspace.chosen_placed
    assert placed.right <= placed.ledge.right + 0.5
    assert "It stands against" in window.notice.sentence
    before = placed.x
    qtbot.keyClick(page.view, Qt.Key.Key_Right, Qt.KeyboardModifier.AltModifier)
    (placed,) = window.workspace.chosen_placed
    assert placed.x == pytest.approx(before + 10.0)


def test_the_board_is_searched(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    everything = page.strip.things
    qtbot.keyClick(page.view, Qt.Key.Key_F, CONTROL)
    assert page.foot.search.hasFocus()
    qtbot.keyClicks(page.foot.search, "lamp")
    assert 0 < len(page.strip.things) < len(everything)
    assert all("lamp" in f"{item.label} {item.category}".lower() for item in page.strip.things)
    page.foot.search.clear()
    assert page.strip.things == everything


def test_the_board_is_sorted_counted_by_kind_and_drawn_up(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    foot = page.foot
    foot.fits_chip.setChecked(False)
    everything = page.strip.things
    menu = foot.board_menu.kinds
    menu.aboutToShow.emit()
    counts = {made.text().split(" · ")[0]: int(made.text().split(" · ")[1]) for made in menu.actions()}
    assert counts.pop("All kinds") == len(everything) == sum(counts.values())
    books = next(made for made in menu.actions() if made.text().startswith("Book ·"))
    books.trigger()
    assert {item.category for item in page.strip.things} == {"book"}
    assert len(page.strip.things) == counts["Book"]
    menu.actions()[0].trigger()
    foot.board_menu.sortings["kind"].trigger()
    kinds = [item.category for item in page.strip.things]
    assert [kind for kind, _ in groupby(kinds)] == sorted(set(kinds), key=kinds.index)
    assert set(page.strip.things) == set(everything)
    high = page.strip.height()
    qtbot.keyClick(page.view, Qt.Key.Key_B, Qt.KeyboardModifier.ShiftModifier)
    assert foot.board_menu.rows.isChecked()
    assert page.strip.height() == 2 * high


def test_one_goes_back_to_a_step_and_on_again_by_its_drawing(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    click(qtbot, page, "copper-bowl")
    before = window.workspace.plan
    qtbot.keyClick(page.view, Qt.Key.Key_K)
    qtbot.keyClick(page.view, Qt.Key.Key_T)
    qtbot.mouseClick(window.path.steps_button, LEFT)
    taken = window.steps_taken
    assert taken is not None
    steps = taken.steps

    def named() -> list[str]:
        return [steps.item(row).text() for row in range(steps.count())]

    assert named() == ["Turn footed copper bowl", "Lock footed copper bowl", "As it was opened"]
    assert steps.currentRow() == 0
    blank = steps.item(2).icon().pixmap(ICON).toImage()
    wait_until(lambda: steps.item(2).icon().pixmap(ICON).toImage() != blank)
    qtbot.mouseClick(steps.viewport(), LEFT, pos=steps.visualItemRect(steps.item(2)).center())
    assert not taken.isVisible()
    assert window.workspace.plan == before
    assert not window.workspace.document.is_dirty
    qtbot.keyClick(page.view, Qt.Key.Key_H, CONTROL)
    assert named()[0] == "Turn footed copper bowl (undone)"
    qtbot.keyClick(steps, Qt.Key.Key_Escape)
    assert not taken.isVisible()
    qtbot.keyClick(page.view, Qt.Key.Key_H, CONTROL)
    qtbot.keyClick(steps, Qt.Key.Key_Home)
    qtbot.keyClick(steps, Qt.Key.Key_Return)
    assert window.workspace.history.undo_label == "Turn footed copper bowl"


def test_what_is_dropped_on_a_neighbour_slides_beside_it_and_says_so(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    workspace = window.workspace
    first, second = "small-figure", "cream-vase"
    held, there = (workspace.arrangement.by_id[one] for one in (first, second))
    start, end = point_of(page.view, first), spot(page.view, there.x + 10, there.bottom + held.height / 2)
    viewport = page.view.viewport()
    qtbot.mousePress(viewport, LEFT, pos=start)
    qtbot.mouseMove(viewport, start + QPoint(6, 0))
    qtbot.mouseMove(viewport, end)
    assert page.view.gesture is not None
    said = page.view.gesture.figures()
    qtbot.mouseRelease(viewport, LEFT, pos=end)
    moved, other = (workspace.arrangement.by_id[one] for one in (first, second))
    assert "slid to where there is room" in said
    assert moved.ledge == other.ledge
    assert not in_one_place(moved, other)
    assert page.view.hasFocus()


def test_what_stands_on_another_piece_is_marked_on_the_board_and_told_when_taken(window: MainWindow) -> None:
    page = arrange_step(window)
    workspace = window.workspace
    page.foot.fits_chip.setChecked(False)
    elsewhere = stands_elsewhere(workspace.plan, workspace.piece_id)
    item = next(one for one in page.strip.things if one.id in elsewhere)
    free = next(one for one in page.strip.things if one.id not in elsewhere)
    page.strip.show_item(item.id)
    marked = page.strip.grab().toImage()
    page.strip.show_shelves((Shelf("", page.strip.things),), {})
    assert page.strip.grab().toImage() != marked
    told: list[str] = []
    workspace.signals.told.connect(told.append)
    page.actions_on_look.place(free)
    assert not any("there is one of it" in sentence for sentence in told)
    page.actions_on_look.place(item)
    piece, look = elsewhere[item.id]
    assert f"The {item.label} stands in {piece}, too ({look}); there is one of it." in told


def test_a_small_wall_piece_fills_the_view_and_the_floor_is_a_broken_line() -> None:
    shelves = next(start for start in STARTS if start.id == "wall-shelves").make()
    low = min(ledge.floor for ledge in shelves.ledges)
    picture = case_picture(shelves)
    assert picture.bottom == pytest.approx(-(low - 280), abs=1)
    assert any(isinstance(one, Shape) and one.dash for one in picture.primitives)
    standing = case_picture(next(start for start in STARTS if start.id == "bookcase").make())
    assert standing.bottom == 40
    assert not any(isinstance(one, Shape) and one.dash for one in standing.primitives)


def test_while_the_wheel_turns_what_was_painted_is_stretched_and_sharp_once_it_rests(window: MainWindow) -> None:
    page = arrange_step(window)
    view = page.view
    whole = view.grab().toImage()
    view.look_nearer(3.0, QPointF(200, 200))
    assert view.stretched.is_held
    blurred = view.grab().toImage()
    assert blurred != whole
    wait_until(lambda: not view.stretched.is_held)
    sharp = view.grab().toImage()
    assert sharp != blurred
    view.look_nearer(1.0, QPointF(200, 200))
    window.workspace.choose("copper-bowl")
    assert not view.stretched.is_held, "what is new is shown at once"


def scale_of(drawing: Thumbnail) -> float:
    """Return how many pixels a metre of the drawing takes: how wide what is drawn is on the picture."""
    picture = drawing.picture
    assert picture is not None
    shown = pixels_of(drawing.grab().toImage())
    ground = shown[2, 2]
    columns = np.flatnonzero((np.abs(shown.astype(int) - ground).sum(axis=2) > 60).any(axis=0))
    return float(np.ptp(columns)) / float(picture.width)


def test_a_look_is_carried_over_to_another_piece(window: MainWindow, qtbot: QtBot) -> None:
    workspace = window.workspace
    workspace.choose_look("mantel-talk")
    page = window.step("Arrange")
    page.show_looks()
    switcher = page.switcher
    assert switcher is not None
    qtbot.mouseClick(switcher.carry_button, LEFT)
    named = {action.text(): action for action in switcher.pieces_menu.actions() if action.isEnabled()}
    assert set(named) >= {"Hall console"}
    assert "Stone mantel" not in named
    before = len(workspace.plan.looks)
    named["Hall console"].trigger()
    switcher.pieces_menu.close()
    assert workspace.piece.label == "Hall console"
    assert workspace.look.label == "For the talk, carried over"
    assert workspace.look.placements
    assert "stay behind" in window.notice.sentence
    compared = window.step("Keep").findChild(SideBySide)
    assert isinstance(compared, SideBySide)
    assert compared.isVisible()
    assert [column.look_id for column in compared.columns] == ["mantel-talk", workspace.look_id]
    assert compared.look_chips["mantel-talk"].text() == "Stone mantel: For the talk"
    assert "Leaves out" in compared.columns[1].told.text()
    # What is said does not cover the drawings it speaks of.
    notice, drawing = window.notice, compared.columns[1].drawing
    assert notice.sentence
    assert notice.mapToGlobal(notice.rect().topLeft()).y() >= drawing.mapToGlobal(drawing.rect().bottomLeft()).y()
    assert compared.columns[0].name_label.text() == "Stone mantel: For the talk"
    first, second = (column.drawing for column in compared.columns)
    assert (first.picture, second.picture) != (None, None)
    assert scale_of(first) == pytest.approx(scale_of(second), rel=0.12)
    workspace.undo()
    assert len(workspace.plan.looks) == before


def test_a_look_carried_to_a_piece_without_any_is_shown_beside_the_first(window: MainWindow) -> None:
    workspace = window.workspace
    for look in workspace.plan.looks_of("hall-console"):
        workspace.commit(RemoveLook(look=look.id, name=look.label))
    workspace.choose_look("mantel-talk")
    page = window.step("Arrange")
    page.show_looks()
    assert page.switcher is not None
    page.switcher.carry_over("hall-console")
    compared = window.step("Keep").findChild(SideBySide)
    assert isinstance(compared, SideBySide)
    assert len(compared.columns) == 2
    assert workspace.piece_id == "hall-console"
