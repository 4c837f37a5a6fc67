"""Looking at a look: what lies over the drawing, from where, with which eyes."""

import pytest
from msgspec.structs import replace
from PySide6.QtCore import QPoint, Qt
from PySide6.QtGui import QImage, QKeySequence
from PySide6.QtTest import QTest
from pytestqt.qtbot import QtBot

from builders import case_of, plan_of, put, thing
from conftest import AnsweringDialogs, open_window
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.steps.arrange.board_foot import KEYS_HINT
from jolly_ledge.app.steps.arrange.view_strip import FROM_ABOVE, IN_THE_ROOM, KEYS, STRAIGHT_ON
from jolly_ledge.app.views.look.tried_move import ghosts_and_news
from jolly_ledge.edits.tasks import TellTask
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.model.piece import Fixture
from jolly_ledge.model.plan import Plan
from jolly_ledge.model.stash_order import fits
from jolly_ledge.model.task import Task
from pages import page_of

LEFT = Qt.MouseButton.LeftButton


def arrange_step(window: MainWindow) -> ArrangeStep:
    return page_of(window, "Arrange", ArrangeStep)


def picture(page: ArrangeStep) -> QImage:
    shown = page.views.currentWidget()
    assert shown is not None
    return shown.grab().toImage()


def glazed(doors: str = "glazed") -> Plan:
    bar = Fixture(kind="bar", left=400.0, floor=100.0, width=60.0, height=840.0)
    piece = case_of(doors=doors, seen_shut=True, fixtures=(bar,))
    return plan_of((thing("urn", width=180.0), thing("jar")), (put("urn", x=380.0), put("jar", "a2", x=200.0)), piece)


def press(name: str, page: ArrangeStep) -> None:
    """Press the key that shows something."""
    QTest.keySequence(page.view, QKeySequence(KEYS[name]))


@pytest.mark.parametrize("name", [name for name in KEYS if name != "doors"])
def test_a_key_shows_what_lies_over_the_drawing_and_what_it_means(window: MainWindow, name: str) -> None:
    page, workspace = arrange_step(window), window.workspace
    things = tuple(placed.item.id for placed in workspace.arrangement.visible[:3])
    workspace.commit(TellTask(piece=workspace.piece_id, task=Task(name="show", items=things)))
    was_on = name in page.view.overlays
    before = picture(page)
    press(name, page)
    assert (name in page.view.overlays) is not was_on
    assert picture(page) != before
    if not was_on:
        assert page.foot.key_line.text().startswith(name.capitalize())
    press(name, page)
    assert picture(page) == before
    assert page.foot.key_line.text() == KEYS_HINT


def test_chips_and_the_list_tell_what_is_shown(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    strip = page.view_strip
    qtbot.mouseClick(strip.overlay_chips["groups"], LEFT)
    assert "groups" in page.view.overlays
    strip.more_actions["figure"].trigger()
    assert strip.more_chip.text() == "Figure ▾"
    strip.more_actions["rest"].trigger()
    assert strip.more_chip.text() == "2 more ▾"
    assert {"figure", "rest"} <= page.view.overlays
    strip.more_actions["figure"].trigger()
    assert strip.more_chip.text() == "Rest ▾"


@pytest.mark.parametrize("key", ["Q", "Y", "M"])
def test_other_eyes_change_the_picture_and_come_back(window: MainWindow, qtbot: QtBot, key: str) -> None:
    page = arrange_step(window)
    before = picture(page)
    qtbot.keyClick(page.view, key)
    seen = picture(page)
    assert seen != before
    middle = seen.rect().center()
    if key in "QY":
        colours = [seen.pixelColor(middle + QPoint(dx, dy)) for dx in range(-60, 60, 7) for dy in range(-90, 90, 11)]
        assert all(max(c.red(), c.green(), c.blue()) - min(c.red(), c.green(), c.blue()) <= 2 for c in colours[:40])
    assert page.view_strip.place_chip.text() in ("Squint ▾", "Grey ▾", "Mirror ▾")
    qtbot.keyClick(page.view, key)
    assert picture(page) == before


def test_nothing_is_carried_in_the_mirror(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    qtbot.keyClick(page.view, "M")
    item = page.view.items_by_id["orrery"]
    at = page.view.mapFromScene(item.sceneBoundingRect().center())
    with qtbot.waitSignal(window.workspace.signals.refused):
        qtbot.mousePress(page.view.viewport(), LEFT, pos=at)
    assert page.view.gesture is None


def test_places_follow_the_piece(window: MainWindow, qtbot: QtBot) -> None:
    page, workspace = arrange_step(window), window.workspace
    strip = page.view_strip
    assert strip.places() == (STRAIGHT_ON, "Standing", "Seated", "From the door", IN_THE_ROOM)
    seen = [picture(page)]
    for _ in range(3):
        qtbot.keyClick(page.views.currentWidget(), "V")
        seen.append(picture(page))
        assert all(seen[-1] != earlier for earlier in seen[:-1])
    assert page.sights.sight is not None
    assert "away" in page.sights.sight.said()
    workspace.choose_look("low-tea")
    seats = len(workspace.piece.seats)
    assert strip.places() == (
        STRAIGHT_ON, "Standing", *(f"Seat {n + 1}" for n in range(seats)), "From the door", FROM_ABOVE,
    )  # fmt: skip
    strip.look_from("Seat 2")
    assert strip.eye is not None
    assert page.sights.sight.eye == strip.eye
    strip.look_from(FROM_ABOVE)
    assert page.sights.sight.eye is None
    assert "above" in page.sights.sight.said()
    workspace.choose_look("first-try")
    assert strip.place == STRAIGHT_ON
    assert page.views.currentWidget() is page.view


def test_what_is_seen_follows_a_change_and_is_only_looked_at(window: MainWindow, qtbot: QtBot) -> None:
    page, workspace = arrange_step(window), window.workspace
    page.view_strip.look_from("Standing")
    before = picture(page)
    workspace.choose("dark-urn")
    page.actions_on_look.put_back()
    assert picture(page) != before
    workspace.undo()
    assert picture(page) == before
    with qtbot.waitSignal(workspace.signals.refused, check_params_cb=lambda said: "Straight on" in said):
        qtbot.mouseClick(page.views.currentWidget(), LEFT)
    qtbot.keyClick(page.views.currentWidget(), "Y")
    assert picture(page) != before


def test_cords_are_drawn_from_every_place_and_what_hides_them_is_told(window: MainWindow) -> None:
    page, workspace = arrange_step(window), window.workspace
    workspace.choose_look("hall-welcome")
    page.view_strip.look_from("Seated")
    bare = picture(page)
    shown = page.views.currentWidget()
    assert shown is not None
    shown.setFocus()
    QTest.keySequence(shown, QKeySequence(KEYS["cords"]))
    assert picture(page) != bare
    said = page.foot.key_line.text()
    assert "of the cord of the pewter hall lamp seen" in said
    page.view_strip.look_from("From the door")
    assert page.foot.key_line.text() != said
    page.view_strip.look_from("Seated")
    lamp = next(placed for placed in workspace.arrangement.placed_items if placed.item.id == "hall-lamp")
    workspace.choose(lamp.id)
    page.actions_on_look.put_back()
    assert "pewter hall lamp" not in page.foot.key_line.text()
    workspace.undo()
    assert page.foot.key_line.text() == said
    page.view_strip.toggle_overlay("cords")
    page.view_strip.look_from("Seated")
    assert picture(page) == bare


def test_doors_shut_and_open(qtbot: QtBot, log: RecoveryLog, dialogs: AnsweringDialogs) -> None:
    window = open_window(qtbot, glazed(), log, dialogs)
    page = arrange_step(window)
    page.view_strip.show_overlay("cautions", False)
    opened = picture(page)
    qtbot.keyClick(page.view, "D")
    shut = picture(page)
    assert shut != opened
    qtbot.keyClick(page.view, KEYS["doors"])
    assert picture(page) != shut
    page.view_strip.look_from("Standing")
    placed = picture(page)
    qtbot.keyClick(page.views.currentWidget(), "D")
    assert picture(page) != placed
    page.view_strip.look_from(STRAIGHT_ON)
    qtbot.keyClick(page.view, KEYS["doors"])
    assert picture(page) == opened


def test_solid_doors_hide_everything(qtbot: QtBot, log: RecoveryLog, dialogs: AnsweringDialogs) -> None:
    full = glazed("solid")
    pictures = []
    for plan in (full, replace(full, looks=(replace(full.looks[0], placements=full.looks[0].placements[:1]),))):
        page = arrange_step(open_window(qtbot, plan, log, dialogs))
        for name in tuple(page.view.overlays):
            page.view_strip.show_overlay(name, False)
        qtbot.keyClick(page.view, "D")
        pictures.append(picture(page))
    assert pictures[0] == pictures[1]


def test_a_piece_without_doors_says_so(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    for key in ("D", KEYS["doors"]):
        with qtbot.waitSignal(window.workspace.signals.refused, check_params_cb=lambda said: "no doors" in said):
            qtbot.keyClick(page.view, key)
    assert not page.view_strip.is_shut
    assert "doors" not in page.view.overlays


def test_how_a_thing_counts_is_changed_by_hand(window: MainWindow, qtbot: QtBot) -> None:
    page, workspace = arrange_step(window), window.workspace
    stack = next(s for s in workspace.arrangement.placed_items if s.placement.on is not None)
    workspace.choose(stack.id)
    before = len(workspace.arrangement.units)
    assert page.chosen.count_chip.text() == "Counts so"
    qtbot.keyClick(page.view, "J")
    assert page.chosen.count_chip.text() == "Counts itself"
    qtbot.mouseClick(page.chosen.count_chip, LEFT)
    assert workspace.look.placement(stack.id).counts_as == "together"
    assert page.chosen.count_chip.text() == "Counts with it"
    assert len(workspace.arrangement.units) <= before
    workspace.undo()
    workspace.undo()
    assert workspace.look.placement(stack.id).counts_as is None
    assert len(workspace.arrangement.units) == before


def test_a_tried_move_leaves_a_ghost_and_an_outline(window: MainWindow) -> None:
    workspace = window.workspace
    page = arrange_step(window)
    before = workspace.arrangement
    moved = replace(workspace.look, placements=tuple(
        replace(p, x=(p.x or 0.0) - 200.0) if p.id == "orrery" else p for p in workspace.look.placements if p.id != "ivy"
    ))  # fmt: skip
    assert workspace.kept_arrangement is None
    workspace.preview(moved)
    kept = workspace.kept_arrangement
    assert kept is not None
    ghosts, news = ghosts_and_news(kept, workspace.arrangement)
    assert {placed.id for placed in ghosts} == {"orrery", "ivy"}
    assert [placed.id for placed in news] == ["orrery"]
    assert [placed.x for placed in ghosts] == [before.by_id[placed.id].x for placed in ghosts]
    tried = picture(page)
    workspace.preview(None)
    assert picture(page) != tried


def test_a_book_too_tall_to_stand_on_a_ledge_that_it_fits_is_laid(window: MainWindow) -> None:
    workspace = window.workspace
    page = window.step("Arrange")
    assert isinstance(page, ArrangeStep)
    ledge, book = next(
        (ledge, item)
        for ledge in workspace.piece.ledges
        for item in workspace.free_items()
        if item.category == "book" and ledge.clearance is not None and item.height > ledge.clearance
        if fits(item, ledge)
    )
    workspace.choose_ledge(ledge.id)
    page.actions_on_look.place(book)
    (chosen,) = workspace.chosen_placed
    assert (chosen.item.id, chosen.placement.pose) == (book.id, "flat")
    assert not any(caution.sentence.startswith(chosen.item.label.capitalize()) for caution in workspace.cautions)
