"""Keep in the window: the log, bringing a look back, the year, photographs beside the plan, where things are."""

import threading
from datetime import date
from pathlib import Path
from typing import Any

import pytest
from msgspec.structs import replace
from PySide6.QtCore import QPoint, Qt
from PySide6.QtWidgets import QLabel, QPushButton
from pytestqt.qtbot import QtBot

from conftest import AnsweringDialogs
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.keep.keep_step import KeepStep
from jolly_ledge.app.steps.keep.photo_check_page import PhotoCheckPage
from jolly_ledge.edits.items import ChangeItem
from jolly_ledge.edits.log import AddLookPhoto
from jolly_ledge.edits.looks import ChangeLook
from jolly_ledge.edits.placements import ReturnToStash
from jolly_ledge.edits.proposed import AddProposals
from jolly_ledge.files.plan_file import PlanFile, save_plan
from jolly_ledge.files.recent import RecentFiles
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.dates import next_begin
from jolly_ledge.model.look import Look, LookPhoto
from jolly_ledge.photos import check as check_module
from jolly_ledge.photos.check import check_photo
from jolly_ledge.photos.image import jpeg_bytes
from jolly_ledge.render.practice_photos import practice_photo
from pages import page_of, pick, type_into
from patience import wait_until

LEFT = Qt.MouseButton.LeftButton


@pytest.fixture
def page(window: MainWindow) -> KeepStep:
    return page_of(window, "Keep", KeepStep)


def press_look(page: KeepStep, look_id: str, qtbot: QtBot) -> None:
    """Click a look on the time line."""
    line = page.time_line
    index = line.looks.index(line.looks.row_of(look_id))
    line.scrollTo(index)
    qtbot.mouseClick(line.viewport(), LEFT, pos=line.visualRect(index).center())


def test_a_look_is_chosen_named_dated_and_noted(page: KeepStep, window: MainWindow, qtbot: QtBot) -> None:
    workspace, panel = window.workspace, page.panel
    press_look(page, "before", qtbot)
    assert panel.look_id == "before"
    assert panel.name_field.text() == "Before"
    type_into(qtbot, panel.name_field, "September")
    type_into(qtbot, panel.date_field, "2026-9-27")
    panel.note_field.setPlainText("Guests liked the globe.")
    look = workspace.plan.look("before")
    assert (look.name, look.date, look.note) == ("September", "2026-09-27", "Guests liked the globe.")
    assert workspace.look_id == "first-try"
    qtbot.mouseClick(panel.take_button, LEFT)
    assert workspace.look_id == "before"
    qtbot.mouseClick(panel.duplicate_button, LEFT)
    assert workspace.look.name == "September, again"
    assert panel.look_id == workspace.look_id
    qtbot.mouseClick(panel.remove_button, LEFT)
    assert {look.id for look in workspace.plan.looks_of("alcove")} == {"before", "first-try"}


@pytest.mark.parametrize("day", ["soon", "2026-13-01", "2026-02-30", "1066-10-14"])
def test_a_day_that_makes_no_sense_is_refused(page: KeepStep, window: MainWindow, qtbot: QtBot, day: str) -> None:
    before = window.workspace.plan
    with qtbot.waitSignal(window.workspace.signals.refused, check_params_cb=lambda said: day in said):
        type_into(qtbot, page.panel.down_field, day)
    assert window.workspace.plan == before


def test_hours_costs_and_the_status_are_logged(page: KeepStep, window: MainWindow, qtbot: QtBot) -> None:
    workspace, panel = window.workspace, page.panel
    qtbot.keyClicks(panel.done_field, "carried all down")
    qtbot.keyClicks(panel.hours_field, "2,5")
    qtbot.keyClicks(panel.cost_field, "12.50")
    qtbot.mouseClick(panel.add_button, LEFT)
    pick(panel.status_list, "placed")
    look = workspace.plan.look("first-try")
    assert [(entry.text, entry.hours, str(entry.cost or "")) for entry in look.log] == [
        ("carried all down", 2.5, "12.50"), ("", None, ""),
    ]  # fmt: skip
    assert look.status == "placed"
    assert panel.sums.text().startswith("2.5 hours · 12.50 €")
    qtbot.keyClicks(panel.cost_field, "about 30")
    with qtbot.waitSignal(workspace.signals.refused, check_params_cb=lambda said: "no price" in said):
        qtbot.mouseClick(panel.add_button, LEFT)
    panel.cost_field.clear()
    qtbot.keyClicks(panel.hours_field, "long")
    with qtbot.waitSignal(workspace.signals.refused, check_params_cb=lambda said: "no number of hours" in said):
        qtbot.mouseClick(panel.add_button, LEFT)
    assert len(workspace.plan.look("first-try").log) == 2
    workspace.undo()
    assert workspace.plan.look("first-try").status == "idea"


def test_last_autumn_is_brought_back_in_one_step(window: MainWindow, page: KeepStep, qtbot: QtBot) -> None:
    workspace = window.workspace
    workspace.choose_look("mantel-talk")
    old = workspace.plan.look("mantel-last-autumn")
    broken = old.placements[0].item
    workspace.commit(ChangeItem(item=broken, changes=(("gone", True),)))
    before = len(workspace.plan.looks)
    press_look(page, "mantel-last-autumn", qtbot)
    qtbot.mouseClick(page.panel.back_button, LEFT)
    fresh = workspace.look
    assert len(workspace.plan.looks) == before + 1
    assert fresh.label == "Harvest moon, again"
    assert broken not in {placement.item for placement in fresh.placements}
    assert workspace.plan.item(broken).label in fresh.note
    assert (fresh.status, fresh.log, fresh.votes) == ("idea", (), ())
    workspace.undo()
    assert len(workspace.plan.looks) == before


def test_the_year_tells_what_changes_and_what_is_due(
    window: MainWindow, page: KeepStep, qtbot: QtBot, dialogs: AnsweringDialogs, tmp_path: Path
) -> None:
    workspace = window.workspace
    workspace.choose_look("mantel-talk")
    qtbot.mouseClick(page.modes.chips["year"], LEFT)
    assert page.year is not None
    assert page.pages.currentWidget() is page.year
    said = [label.text() for label in page.year.findChildren(QLabel)]
    assert any(text.startswith("Comes: ") for text in said)
    assert any(text.startswith("Goes: ") and "(sitting room)" in text for text in said)
    assert any(text.startswith("All year: ") for text in said)
    dialogs.to_save = tmp_path / "due.ics"
    qtbot.mouseClick(page.year.save_button, LEFT)
    assert b"BEGIN:VCALENDAR" in (tmp_path / "due.ics").read_bytes()
    dialogs.to_save = tmp_path / "nowhere" / "due.ics"
    with qtbot.waitSignal(workspace.signals.refused):
        qtbot.mouseClick(page.year.save_button, LEFT)
    workspace.commit(ChangeLook(look="mantel-talk", changes=(("takes_down", "some day"),), label="x"))
    shown = [label.text() for label in page.year.findChildren(type(page.note))]
    assert any("“some day”, is no day" in text for text in shown)


def test_the_season_is_changed_to_what_it_was_last_year(window: MainWindow, page: KeepStep, qtbot: QtBot) -> None:
    workspace = window.workspace
    workspace.choose_look("mantel-talk")
    qtbot.mouseClick(page.modes.chips["year"], LEFT)
    assert page.year is not None
    buttons = {button.text(): button for button in page.year.findChildren(QPushButton)}
    assert "As last winter" not in buttons
    before = workspace.plan
    qtbot.mouseClick(buttons["As last autumn"], LEFT)
    assert workspace.look.placements == before.look("mantel-last-autumn").placements
    assert workspace.look.season == "autumn"
    workspace.undo()
    assert workspace.plan == before
    for day, begins in ((date(2026, 11, 25), date(2027, 3, 1)), (date(2026, 2, 1), date(2026, 3, 1))):
        assert next_begin("spring", day) == begins


def test_where_is_it_looks_through_the_plans_of_others(
    window: MainWindow, page: KeepStep, qtbot: QtBot, tmp_path: Path
) -> None:
    workspace = window.workspace
    other = replace(workspace.plan, name="The mill", stash=(replace(workspace.plan.stash[0], id="mill-urn", name="mill urn"),),
                    looks=(), pieces=())  # fmt: skip
    save_plan(other, PlanFile(tmp_path / "mill.ledge"))
    (tmp_path / "torn.ledge").write_bytes(b"PK\x03\x04 torn")
    workspace.document.recent = RecentFiles(tmp_path / "recent.json")
    workspace.document.recent.add(tmp_path / "mill.ledge")
    workspace.document.recent.add(tmp_path / "torn.ledge")
    qtbot.mouseClick(page.modes.chips["where"], LEFT)
    where = page.where
    assert where is not None
    type_into(qtbot, where.search_field, "mill urn")
    assert [(one.client, one.item.id) for one in where.found] == [("The mill", "mill-urn")]
    assert "One other plan cannot be read" in where.about.text()
    type_into(qtbot, where.search_field, "orrery")
    assert where.found[0].said.startswith("is kept in")
    workspace.commit(ChangeLook(look="first-try", changes=(("status", "placed"),), label="x"))
    wait_until(lambda: "stands on" in where.found[0].said or "stands" in where.found[0].said)
    where._show(0)
    assert window.pages.currentWidget() is window.step("Arrange")
    assert workspace.chosen_placed[0].item.id == "orrery"


# Photographs


@pytest.fixture
def taken(window: MainWindow, tmp_path: Path) -> tuple[Path, list[tuple[float, float]], int]:
    """Return a photograph in which the cream vase stands 40 mm further right, its corners, and its width."""
    workspace = window.workspace
    look = workspace.plan.look("first-try")
    moved = tuple(replace(p, x=(p.x or 0.0) + 40) if p.id == "cream-vase" else p for p in look.placements)
    pixels, corners = practice_photo(arrange(workspace.plan, replace(look, placements=moved)), 3, empty=False)
    path = tmp_path / "after.jpg"
    path.write_bytes(jpeg_bytes(pixels))
    return path, [(float(x), float(y)) for x, y in corners], pixels.shape[1]


def test_a_photograph_is_added_marked_and_checked(
    window: MainWindow, page: KeepStep, qtbot: QtBot, dialogs: AnsweringDialogs,
    taken: tuple[Path, list[tuple[float, float]], int],
) -> None:  # fmt: skip
    workspace, strip = window.workspace, page.panel.photos
    path, corners, width = taken
    dialogs.to_open = path
    qtbot.mouseClick(strip.after_button, LEFT)
    (photo,) = workspace.plan.look("first-try").photos
    assert photo.taken == "after"
    assert photo.name in workspace.document.photos
    qtbot.mouseClick(strip.check_button, LEFT)
    check = page.photo_check
    assert isinstance(check, PhotoCheckPage)
    assert page.pages.currentWidget() is check
    view = check.corners_view
    assert check._pixels is not None
    share = check._pixels.shape[1] / width
    for number, (x, y) in enumerate(corners):
        place = view.transform().map(QPoint(*(round(part) for part in view.corners[number])))
        to = view.transform().map(QPoint(round(x * share), round(y * share)))
        qtbot.mousePress(view, LEFT, pos=place)
        qtbot.mouseMove(view, pos=to)
        qtbot.mouseRelease(view, LEFT, pos=to)
    qtbot.mouseClick(check.straighten_button, LEFT)
    wait_until(lambda: check.check is not None)
    assert check.check is not None
    moved = {thing.placement: thing for thing in check.check.things if thing.state == "moved"}
    assert moved["cream-vase"].along == pytest.approx(40, abs=10)
    assert len(moved) == 1
    assert workspace.plan.look("first-try").photos[0].corners
    for way in ("grey", "squint", "weight", "as-it-is"):
        qtbot.mouseClick(check.ways.chips[way], LEFT)
    before = workspace.plan.look("first-try").placement("cream-vase").x or 0.0
    assert check.compared is not None
    check.keep_so(check.compared, moved["cream-vase"], "4 cm further right")
    assert workspace.plan.look("first-try").placement("cream-vase").x == pytest.approx(before + 40, abs=10)
    wait_until(lambda: not check.is_busy)
    assert not [thing for thing in check.check.things if thing.state == "moved"]


def test_a_comparison_that_comes_too_late_is_dropped(
    window: MainWindow, page: KeepStep, qtbot: QtBot, monkeypatch: pytest.MonkeyPatch,
    taken: tuple[Path, list[tuple[float, float]], int],
) -> None:  # fmt: skip
    workspace = window.workspace
    go_on = threading.Event()
    real = check_photo

    def slow(planned: Any, seen: Any, scale: float, things: Any) -> Any:
        if len(things) > 20:
            go_on.wait(30)
        return real(planned, seen, scale, things)

    monkeypatch.setattr(check_module, "check_photo", slow)
    page.panel.photos.add(taken[0], "after")
    page.panel.photos.check()
    check = page.photo_check
    assert isinstance(check, PhotoCheckPage)
    first = workspace.plan.look("first-try")
    qtbot.mouseClick(check.straighten_button, LEFT)
    assert check.is_busy
    # Another look's photograph is opened while the first is being compared.
    few = Look(id="few", piece="alcove", placements=first.placements[:2], photos=first.photos)
    workspace.commit(AddProposals(looks=(few,)))
    assert check.begin("few", first.photos[0].name)
    qtbot.mouseClick(check.straighten_button, LEFT)
    wait_until(lambda: check.check is not None)
    assert check.compared is not None
    assert check.compared.look_id == "few"
    shown = check.check
    assert shown is not None
    go_on.set()
    wait_until(lambda: not check.work.is_busy)
    assert check.check is shown
    assert len(shown.things) == 2
    # What was compared is not what stands there any more: nothing is moved, and it is said.
    compared, thing_found = check.compared, shown.things[0]
    workspace.commit(ReturnToStash(look="few", placements=(few.placements[0].id,)))
    with qtbot.waitSignal(workspace.signals.refused, check_params_cb=lambda said: "changed since" in said):
        check.keep_so(compared, thing_found, "4 cm further right")


def test_photographs_that_are_missing_or_corrupt_are_said(
    window: MainWindow, page: KeepStep, qtbot: QtBot, dialogs: AnsweringDialogs, tmp_path: Path
) -> None:
    workspace, strip = window.workspace, page.panel.photos
    (tmp_path / "torn.jpg").write_bytes(b"\xff\xd8\xff torn")
    for name in ("torn.jpg", "nowhere.jpg"):
        dialogs.to_open = tmp_path / name
        with qtbot.waitSignal(workspace.signals.refused, check_params_cb=lambda said, name=name: name in said):
            qtbot.mouseClick(strip.before_button, LEFT)
    assert workspace.plan.look("first-try").photos == ()
    workspace.commit(AddLookPhoto(look="first-try", photo=LookPhoto(name="photos/lost.jpg")))
    assert strip.list.item(0).text() == "after: missing"
    with qtbot.waitSignal(workspace.signals.refused, check_params_cb=lambda said: "add the photograph again" in said):
        qtbot.mouseClick(strip.check_button, LEFT)
    assert page.pages.currentIndex() == 0
    qtbot.mouseClick(strip.remove_button, LEFT)
    assert workspace.plan.look("first-try").photos == ()


def test_corners_that_make_no_rectangle_are_refused(
    window: MainWindow, page: KeepStep, qtbot: QtBot, taken: tuple[Path, list[tuple[float, float]], int]
) -> None:
    page.panel.photos.add(taken[0], "after")
    page.panel.photos.check()
    check = page.photo_check
    assert isinstance(check, PhotoCheckPage)
    check.corners_view.corners = [(10.0, 10.0), (10.0, 10.0), (10.0, 10.0), (300.0, 10.0)]
    with qtbot.waitSignal(window.workspace.signals.refused):
        qtbot.mouseClick(check.straighten_button, LEFT)
    assert not check.is_busy
