"""From the sheet to the finished shelf, its photograph, the money, and the same look a year later."""

from pathlib import Path

import pytest
from msgspec.structs import replace
from pypdf import PdfReader
from PySide6.QtCore import Qt
from pytestqt.qtbot import QtBot

from conftest import AnsweringDialogs
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.brief.brief_step import BriefStep
from jolly_ledge.app.steps.keep.keep_step import KeepStep
from jolly_ledge.app.steps.keep.photo_check_page import PhotoCheckPage
from jolly_ledge.app.steps.place.place_step import PlaceStep
from jolly_ledge.app.steps.place.shopping_page import EACH
from jolly_ledge.files.backups import Backups
from jolly_ledge.files.plan_file import open_plan
from jolly_ledge.files.recent import RecentFiles
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.photos.image import jpeg_bytes
from jolly_ledge.render.practice_photos import practice_photo
from pages import page_of, pick, type_into
from patience import wait_until

LEFT = Qt.MouseButton.LeftButton


def test_an_afternoon_and_a_year(window: MainWindow, qtbot: QtBot, dialogs: AnsweringDialogs, tmp_path: Path) -> None:
    workspace = window.workspace
    workspace.document.backups, workspace.document.recent = (
        Backups(tmp_path / "versions"),
        RecentFiles(tmp_path / "recent.json"),
    )

    # The money: a budget, and a price as it was asked in the shop.
    brief = page_of(window, "Brief", BriefStep)
    type_into(qtbot, brief.budget, "40")
    place = page_of(window, "Place", PlaceStep)
    qtbot.mouseClick(place.modes.chips["buy"], LEFT)
    row = [line.item.id for line in place.buy.told.lines].index("rowan-branches")
    cell = place.buy.table.item(row, EACH)
    assert cell is not None
    cell.setText("9.99")
    assert place.buy.left.text() == "17.41 € left of 40.00 €."

    # The sheet goes to the helper; every thing is on it.
    dialogs.to_save = tmp_path / "sheet.pdf"
    place.save_pdf()
    text = " ".join(" ".join(page.extract_text() for page in PdfReader(tmp_path / "sheet.pdf").pages).split())
    assert all(placed_item.item.label in text for placed_item in workspace.arrangement.placed_items)

    # In the room: all is ticked off, and one thing was set elsewhere.
    qtbot.mouseClick(place.modes.chips["tick-off"], LEFT)
    tick = place.tick_off
    first = tick.following
    assert first is not None
    type_into(qtbot, tick.found_field, "3 cm right")
    for _ in range(len(workspace.look.placements)):
        qtbot.mouseClick(tick.done_button, LEFT)
    type_into(qtbot, tick.hours_field, "2.5")
    qtbot.mouseClick(tick.finish_button, LEFT)
    assert workspace.look.status == "placed"
    assert [entry.text for entry in workspace.look.log] == [f"{first.name} found 3 cm right", "placed as on the sheet"]

    # The photograph of the finished shelf is checked against the plan.
    placements = tuple(
        replace(p, x=(p.x or 0.0) - 50) if p.id == "cream-vase" else p for p in workspace.look.placements
    )
    pixels, corners = practice_photo(
        arrange(workspace.plan, replace(workspace.look, placements=placements)), 5, empty=False
    )
    (tmp_path / "after.jpg").write_bytes(jpeg_bytes(pixels))
    keep = page_of(window, "Keep", KeepStep)
    dialogs.to_open = tmp_path / "after.jpg"
    qtbot.mouseClick(keep.panel.photos.after_button, LEFT)
    qtbot.mouseClick(keep.panel.photos.check_button, LEFT)
    check = keep.photo_check
    assert isinstance(check, PhotoCheckPage)
    assert check._pixels is not None
    share = check._pixels.shape[1] / pixels.shape[1]
    check.corners_view.corners = [(float(x) * share, float(y) * share) for x, y in corners]
    qtbot.mouseClick(check.straighten_button, LEFT)
    wait_until(lambda: check.check is not None)
    assert check.check is not None
    moved = [thing for thing in check.check.things if thing.state == "moved"]
    assert [thing.placement for thing in moved] == ["cream-vase"]
    assert moved[0].along == pytest.approx(-50, abs=12)

    # It is saved with its photograph, and the version before it is kept.
    path = tmp_path / "vesper.ledge"
    assert workspace.save(path)
    saved, file = open_plan(path)
    assert saved == workspace.plan
    assert workspace.look.photos[0].name in file.photos
    qtbot.keyClick(window, Qt.Key.Key_Escape)
    keep.show_mode("log")
    pick(keep.panel.status_list, "taken-down")
    assert workspace.save()
    assert len(workspace.document.earlier_versions()) == 1
    assert "status" in " ".join(workspace.document.changes_since(workspace.document.earlier_versions()[0]))

    # A year later it comes back, and the year tells what the season asks for.
    qtbot.mouseClick(keep.panel.back_button, LEFT)
    assert workspace.look.label.endswith("again")
    assert workspace.look.placements == workspace.plan.look("first-try").placements
    assert workspace.look.placed == ()
    qtbot.mouseClick(keep.modes.chips["year"], LEFT)
    assert keep.year is not None
    dialogs.to_save = tmp_path / "due.ics"
    qtbot.mouseClick(keep.year.save_button, LEFT)
    assert b"SUMMARY" in (tmp_path / "due.ics").read_bytes()
