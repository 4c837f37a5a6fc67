"""Settings in the real window: the unit holds at once and at the next start, the size from the next start on."""

from pathlib import Path

import pytest
from PySide6.QtCore import QPoint, QRect, QSize, Qt
from PySide6.QtGui import QColor
from PySide6.QtWidgets import QWidget
from pytestqt.qtbot import QtBot

from conftest import AnsweringDialogs, open_window
from jolly_ledge.app.application import fills, fit_into
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.tones import DAY, EVENING, tones
from jolly_ledge.app.widgets.least_room import LeastRoom
from jolly_ledge.app.widgets.width_grip import WidthGrip
from jolly_ledge.edits.items import RemoveItems
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.files.settings import Settings, SettingsFile
from jolly_ledge.model.plan import Plan
from pages import LEFT, gather, measure, page_of, type_into
from patience import wait_until

CONTROL = Qt.KeyboardModifier.ControlModifier


def test_the_unit_holds_at_once_and_at_the_next_start(
    window: MainWindow, qtbot: QtBot, demo: Plan, log: RecoveryLog, dialogs: AnsweringDialogs
) -> None:
    qtbot.keyClick(window, Qt.Key.Key_Comma, CONTROL)
    sheet = window.settings_sheet
    assert sheet is not None
    assert sheet.isVisible()
    assert sheet.units.chips["cm"].isChecked()
    qtbot.mouseClick(sheet.units.chips["in"], LEFT)
    assert window.workspace.length(254) == "10 in"
    qtbot.keyClick(sheet, Qt.Key.Key_Escape)
    assert not sheet.isVisible()
    again = open_window(qtbot, demo, log, dialogs)
    assert again.workspace.length_unit == "in"
    checked = [made.text() for made in again.menu.lengths_menu.actions() if made.isChecked()]
    assert checked == ["inches"]
    again.workspace.document.let_go()


def test_the_unit_chosen_in_the_menu_is_kept_too(window: MainWindow, log: RecoveryLog) -> None:
    window.show_settings()
    next(made for made in window.menu.lengths_menu.actions() if made.text() == "millimetres").trigger()
    sheet = window.settings_sheet
    assert sheet is not None
    assert sheet.units.chips["mm"].isChecked()
    assert SettingsFile(log.folder / "settings.json").read().length_unit == "mm"


def test_the_size_is_kept_for_the_next_start(window: MainWindow, qtbot: QtBot, log: RecoveryLog) -> None:
    window.show_settings()
    sheet = window.settings_sheet
    assert sheet is not None
    qtbot.mouseClick(sheet.sizes.chips["150"], LEFT)
    assert "next start" in sheet.size_said.text()
    assert SettingsFile(log.folder / "settings.json").read() == Settings(size=150)
    qtbot.mouseClick(sheet.close_button, LEFT)
    assert not sheet.isVisible()


def test_the_currency_is_the_plans_and_can_be_undone(window: MainWindow, qtbot: QtBot) -> None:
    window.show_settings()
    sheet, before = window.settings_sheet, window.workspace.plan.currency
    assert sheet is not None
    assert sheet.currency.text() == before
    type_into(qtbot, sheet.currency, "CHF")
    assert window.workspace.plan.currency == "CHF"
    window.workspace.undo()
    assert window.workspace.plan.currency == before


@pytest.mark.parametrize("name", ["Brief", "Measure", "Gather", "Arrange", "Keep"])
def test_a_panel_is_drawn_wider_and_stays_so(
    window: MainWindow, qtbot: QtBot, demo: Plan, log: RecoveryLog, dialogs: AnsweringDialogs, name: str
) -> None:
    window.show_step(name)
    panel = window.step(name).beside
    assert panel is not None
    usual, (grip,) = panel.width(), panel.findChildren(WidthGrip)
    qtbot.mousePress(grip, LEFT, pos=QPoint(3, 200))
    qtbot.mouseMove(grip, QPoint(-77, 200))
    qtbot.mouseRelease(grip, LEFT, pos=QPoint(3, 200))
    assert panel.width() == usual + 80
    again = open_window(qtbot, demo, log, dialogs)
    again.show_step(name)
    other = again.step(name).beside
    assert other is not None
    assert other.width() == usual + 80
    # In the smallest window the page needs all there is.
    again.resize(again.minimumSize())
    assert other.width() == usual
    again.resize(1280, 800)
    assert other.width() == usual + 80
    (grip,) = other.findChildren(WidthGrip)
    qtbot.mouseDClick(grip, LEFT, pos=QPoint(3, 200))
    assert other.width() == usual
    assert SettingsFile(log.folder / "settings.json").read().widths == {name: usual}
    again.workspace.document.let_go()


@pytest.mark.parametrize("content", ["", "{", '{"size": 900}', '{"length_unit": "ell"}', "[1]", "\x00" * 50])
def test_a_damaged_file_is_begun_anew(tmp_path: Path, content: str) -> None:
    file = tmp_path / "settings.json"
    file.write_text(content)
    assert SettingsFile(file).read() == Settings()
    SettingsFile(file).write(Settings("mm", 125))
    assert SettingsFile(file).read() == Settings("mm", 125)


def test_where_nothing_can_be_written_nothing_breaks() -> None:
    SettingsFile(Path("/proc/nowhere/settings.json")).write(Settings("mm"))
    assert SettingsFile(Path("/proc/nowhere/settings.json")).read() == Settings()


def test_a_window_is_no_larger_than_the_screen(window: MainWindow) -> None:
    fit_into(window, QSize(960, 540))
    assert (window.width(), window.height()) == (960, 540)
    assert fills(window, QSize(960, 540))
    assert fills(window, QSize(1600, 540))
    fit_into(window, QSize(4000, 3000))
    assert (window.width(), window.height()) == (960, 540)
    assert not fills(window, QSize(4000, 3000))


def lightness(widget: QWidget, x: int, y: int) -> float:
    return QColor(widget.grab(QRect(x, y, 1, 1)).toImage().pixel(0, 0)).lightnessF()


def test_in_the_evening_the_window_is_dim_and_drawings_stay_lit(
    window: MainWindow, qtbot: QtBot, demo: Plan, log: RecoveryLog, dialogs: AnsweringDialogs
) -> None:
    arranging, page = page_of(window, "Arrange", ArrangeStep), gather(window)
    window.show_step("Arrange")
    by_day = arranging.view.grab().toImage()
    assert lightness(window.path, 4, 4) > 0.8
    window.show_settings()
    sheet = window.settings_sheet
    assert sheet is not None
    qtbot.mouseClick(sheet.hours.chips["evening"], LEFT)
    assert tones() is EVENING
    assert lightness(window.path, 4, 4) < 0.2
    assert arranging.view.grab().toImage() == by_day
    window.show_step("Gather")
    assert lightness(page.line_up, 3, 3) > 0.9
    assert lightness(measure(window).view, 3, 3) > 0.9
    qtbot.keyClick(sheet, Qt.Key.Key_Escape)
    again = open_window(qtbot, demo, log, dialogs)
    assert tones() is EVENING
    qtbot.keyClick(again, Qt.Key.Key_Comma, CONTROL)
    assert again.settings_sheet is not None
    qtbot.mouseClick(again.settings_sheet.hours.chips["day"], LEFT)
    assert tones() is DAY
    assert lightness(window.path, 4, 4) > 0.8
    again.workspace.document.let_go()


def test_on_a_small_screen_the_page_is_scrolled_and_nothing_is_squeezed(window: MainWindow) -> None:
    fit_into(window, QSize(960, 540))
    wait_until(lambda: window.height() == 540)
    area = window.findChild(LeastRoom)
    assert isinstance(area, LeastRoom)
    assert (window.pages.width(), window.pages.height()) == (952, 700)
    area.horizontalScrollBar().setValue(area.horizontalScrollBar().maximum())
    page = window.step("Arrange")
    assert page.beside is not None
    shown = page.beside.mapTo(area.viewport(), page.beside.rect().bottomRight())
    assert shown.x() < area.viewport().width()
    window.show_step("Gather")
    assert area.horizontalScrollBar().value() == 0
    first = window.workspace.plan.stash[0]
    assert window.workspace.commit(RemoveItems(items=(first.id,), name="the thing with the longest name of all"))
    assert window.path.undo_button.text().endswith("…")
    assert "\n" not in window.path.undo_button.text()
