"""Place in the window: fetching, ticking off, what was found elsewhere, buying, labels, and printing."""

from decimal import Decimal
from pathlib import Path

import pytest
from msgspec.structs import replace
from pypdf import PdfReader
from PySide6.QtCore import Qt
from PySide6.QtGui import QPageSize
from PySide6.QtPrintSupport import QPrinter, QPrinterInfo
from PySide6.QtWidgets import QApplication
from pytestqt.qtbot import QtBot

from conftest import AnsweringDialogs
from jolly_ledge.app.dialogs import FileDialogs
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.place.place_step import PlaceStep
from jolly_ledge.app.steps.place.shopping_page import DISCOUNT, EACH, HOW_MANY, ORIGINAL
from jolly_ledge.drawing.paper import LETTER
from jolly_ledge.edits.items import ChangeItem
from jolly_ledge.edits.placements import ReturnToStash
from jolly_ledge.model.money import Discount
from jolly_ledge.planning.working_order import working_order
from jolly_ledge.render.printing import PrintError
from pages import page_of, type_into
from patience import wait_until

LEFT = Qt.MouseButton.LeftButton


@pytest.fixture
def page(window: MainWindow) -> PlaceStep:
    return page_of(window, "Place", PlaceStep)


def show(page: PlaceStep, mode: str, qtbot: QtBot) -> None:
    qtbot.mouseClick(page.modes.chips[mode], LEFT)


def test_what_is_fetched_is_ticked_and_stays_ticked(page: PlaceStep, window: MainWindow, qtbot: QtBot) -> None:
    show(page, "fetch", qtbot)
    boxes = page.fetch.boxes
    assert len(boxes) == 36
    boxes["orrery"].click()
    assert "36 things from" in page.fetch.said
    show(page, "order", qtbot)
    show(page, "fetch", qtbot)
    assert page.fetch.boxes["orrery"].isChecked()
    assert not page.fetch.boxes["ivy"].isChecked()


def test_things_are_ticked_off_one_by_one_in_working_order(page: PlaceStep, window: MainWindow, qtbot: QtBot) -> None:
    workspace = window.workspace
    show(page, "tick-off", qtbot)
    order = [step.placement for step in working_order(workspace.arrangement)]
    tick = page.tick_off
    assert tick.count.text() == "0 of 36 stand"
    assert tick.name.text().startswith("1. ")
    qtbot.mouseClick(tick.done_button, LEFT)
    qtbot.keyClick(page.tick_off, Qt.Key.Key_Return)
    assert set(workspace.look.placed) == set(order[:2])
    first = tick.following
    assert first is not None
    assert first.placement == order[2]
    qtbot.mouseClick(tick.later_button, LEFT)
    assert tick.following is not None
    assert tick.following.placement == order[3]
    qtbot.mouseClick(tick.back_button, LEFT)
    assert set(workspace.look.placed) == set(order[:1])
    workspace.undo()
    assert set(workspace.look.placed) == set(order[:2])
    for _ in range(40):
        if tick.following is not None:
            tick.tick()
    assert tick.following is None
    assert tick.name.text() == "All of it stands."
    assert len(workspace.look.placed) == 36
    type_into(qtbot, tick.hours_field, "3.25")
    qtbot.mouseClick(tick.finish_button, LEFT)
    assert workspace.look.status == "placed"
    assert workspace.look.log[-1].hours == 3.25


def test_the_drawing_shows_only_what_stands_and_the_next(page: PlaceStep, window: MainWindow, qtbot: QtBot) -> None:
    show(page, "tick-off", qtbot)
    QApplication.processEvents()
    view = page.tick_off.view
    bare = view.grab().toImage()
    for _ in range(20):
        page.tick_off.tick()
    QApplication.processEvents()
    full = view.grab().toImage()
    assert view._next not in window.workspace.look.placed
    assert bare != full


def test_what_was_found_elsewhere_moves_the_plan_and_the_readings(
    page: PlaceStep, window: MainWindow, qtbot: QtBot
) -> None:
    workspace = window.workspace
    show(page, "tick-off", qtbot)
    step = page.tick_off.following
    assert step is not None
    before = workspace.look.placement(step.placement)
    with qtbot.waitSignal(workspace.signals.told, check_params_cb=lambda said: "stands where you found it" in said):
        type_into(qtbot, page.tick_off.found_field, "40 mm further left, 2 cm back")
    now = workspace.look.placement(step.placement)
    assert (now.x, now.z) == ((before.x or 0) - 40, (before.z or 0) + 20)
    assert workspace.look.log[-1].text == f"{step.name} found 40 mm further left, 2 cm back"
    assert page.tick_off.reads.text() == f"As it stands the look reads {round(workspace.assessment.score * 100)}."
    for wrong in ("somewhere", "4 cm", "left", "4 cm up"):
        with qtbot.waitSignal(workspace.signals.refused):
            type_into(qtbot, page.tick_off.found_field, wrong)
    assert workspace.look.placement(step.placement) == now
    workspace.undo()
    assert workspace.look.placement(step.placement) == before


def test_a_thing_that_was_taken_out_is_not_counted(page: PlaceStep, window: MainWindow, qtbot: QtBot) -> None:
    workspace = window.workspace
    show(page, "tick-off", qtbot)
    page.tick_off.tick()
    workspace.commit(ReturnToStash(look=workspace.look_id, placements=workspace.look.placed))
    assert page.tick_off.count.text() == "0 of 35 stand"
    assert not page.tick_off.back_button.isEnabled()


def test_prices_are_typed_into_the_list_and_the_sums_follow(page: PlaceStep, window: MainWindow, qtbot: QtBot) -> None:
    workspace = window.workspace
    show(page, "buy", qtbot)
    buy = page.buy
    names = [line.item.id for line in buy.told.lines]
    row = names.index("dahlias")

    def typed(column: int, text: str) -> None:
        cell = buy.table.item(row, column)
        assert cell is not None
        cell.setText(text)

    typed(EACH, "19.99")
    typed(HOW_MANY, "3")
    typed(DISCOUNT, "2 for 1")
    typed(ORIGINAL, "45")
    item = workspace.plan.item("dahlias")
    assert (item.price, item.count, item.discount) == (Decimal("19.99"), 3, Discount(take=2, pay=1))
    assert item.original_price == 45
    assert "Together 51.98 €" in buy.sums.text()
    assert buy.left.text() == "68.02 € left of 120.00 €."
    for column, text, said in (
        (EACH, "about 30", "no price"), (HOW_MANY, "some", "no count"), (DISCOUNT, "cheap", "no discount"),
        (DISCOUNT, "150 %", "no discount"),
    ):  # fmt: skip
        with qtbot.waitSignal(workspace.signals.refused, check_params_cb=lambda told, said=said: said in told):
            typed(column, text)
    assert workspace.plan.item("dahlias") == item
    workspace.commit(ChangeItem(item="dahlias", changes=(("price", Decimal(500)),)))
    assert "over the budget" in buy.left.text()
    qtbot.mouseClick(buy.only_look, LEFT)
    assert buy.table.rowCount() == 0


def test_lists_labels_and_the_page_for_the_client_go_on_paper(
    page: PlaceStep, window: MainWindow, qtbot: QtBot, dialogs: AnsweringDialogs, tmp_path: Path
) -> None:
    workspace = window.workspace
    page.use_paper(LETTER)
    for name, action, words in (
        ("sheet.pdf", page.save_pdf, "brass orrery"), ("client.pdf", page.save_client_page, "Remarks"),
        ("buy.pdf", page.save_shopping, "autumn dahlias"),
    ):  # fmt: skip
        dialogs.to_save = tmp_path / name
        action()
        reader = PdfReader(tmp_path / name)
        assert words in " ".join(" ".join(one.extract_text() for one in reader.pages).split())
        assert sorted(round(float(side)) for side in reader.pages[0].mediabox[2:]) == [612, 792]
    dialogs.to_save = tmp_path / "buy.csv"
    page.save_shopping()
    assert "bunch of autumn dahlias" in (tmp_path / "buy.csv").read_text()
    dialogs.to_save = tmp_path / "look.dxf"
    page.save_drawing()
    assert (tmp_path / "look.dxf").read_text().startswith("  0")
    next(action for action in page._scales.actions() if action.text() == "1:20").trigger()
    dialogs.to_save = tmp_path / "look.svg"
    page.save_drawing()
    wide = float((tmp_path / "look.svg").read_text().split('width="')[1].split("mm")[0])
    assert wide == pytest.approx((workspace.piece.width + 55) / 20, abs=6)
    page.show_labels()
    form = page.labels
    assert form.counts.text() == "14 labels for cords, one label for boxes."
    dialogs.to_save = tmp_path / "cords.pdf"
    qtbot.mouseClick(form.cords_button, LEFT)
    assert "pewter hall lamp" in PdfReader(tmp_path / "cords.pdf").pages[0].extract_text().replace("\n", " ")
    form.rows_field.setValue(60)
    assert "too small to be read" in form.label_size.text()
    with qtbot.waitSignal(workspace.signals.refused, check_params_cb=lambda said: "too small" in said):
        qtbot.mouseClick(form.boxes_button, LEFT)


def test_one_version_alone_makes_no_page_for_the_client(
    page: PlaceStep, window: MainWindow, qtbot: QtBot, dialogs: AnsweringDialogs, tmp_path: Path
) -> None:
    window.workspace.choose_look("hall-welcome")
    dialogs.to_save = tmp_path / "c.pdf"
    with qtbot.waitSignal(window.workspace.signals.refused, check_params_cb=lambda said: "2 to 5 versions" in said):
        page.save_client_page()
    assert not (tmp_path / "c.pdf").exists()


@pytest.mark.qt_log_ignore("QPainter::begin", extend=True)
def test_the_sheet_is_printed(
    page: PlaceStep, window: MainWindow, qtbot: QtBot, dialogs: AnsweringDialogs, tmp_path: Path
) -> None:
    printer = QPrinter()
    printer.setOutputFormat(QPrinter.OutputFormat.PdfFormat)
    printer.setOutputFileName(str(tmp_path / "printed.pdf"))
    printer.setPageSize(QPageSize(QPageSize.PageSizeId.A4))
    dialogs.printer = printer
    with qtbot.waitSignal(window.workspace.signals.told, check_params_cb=lambda said: "on its way" in said):
        page.print_sheet()
    reader = PdfReader(tmp_path / "printed.pdf")
    dialogs.to_save = tmp_path / "saved.pdf"
    page.save_pdf()
    assert len(reader.pages) == len(PdfReader(tmp_path / "saved.pdf").pages)
    printer.setOutputFileName(str(tmp_path / "nowhere" / "printed.pdf"))
    with qtbot.waitSignal(window.workspace.signals.refused, check_params_cb=lambda said: "does not answer" in said):
        page.print_sheet()


def test_a_printer_that_is_not_there_is_said(qapp: QApplication) -> None:
    if QPrinterInfo.availablePrinterNames():
        pytest.skip("this computer has a printer")
    with pytest.raises(PrintError, match="No printer is set up"):
        FileDialogs().ask_printer("Print", "A4")


def test_an_empty_look_has_nothing_to_fetch_or_tick(page: PlaceStep, window: MainWindow, qtbot: QtBot) -> None:
    workspace = window.workspace
    workspace.start(replace(workspace.plan, looks=(replace(workspace.plan.look("first-try"), placements=()),)), None)
    for mode in ("fetch", "tick-off", "buy", "order"):
        show(page, mode, qtbot)
    assert page.tick_off.name.text() == "Arrange the look first."
    assert not page.tick_off.done_button.isEnabled()
    assert page.fetch.boxes == {}


def test_figures_are_read_whole_where_there_is_room(page: PlaceStep, window: MainWindow, qtbot: QtBot) -> None:
    window.resize(1900, 900)
    show(page, "order", qtbot)
    table = page.order.table
    whole = [table.sizeHintForColumn(column) for column in range(2, table.columnCount())]
    wait_until(lambda: [table.columnWidth(column) for column in range(2, table.columnCount())] >= whole)
    assert sum(table.columnWidth(column) for column in range(table.columnCount())) <= table.viewport().width()
    window.resize(1100, 700)
    wait_until(lambda: table.columnWidth(6) < whole[-1])
    # What is too narrow scrolls: a figure is not cut short of its edge.
    assert min(table.columnWidth(column) for column in (4, 5)) >= table.fontMetrics().horizontalAdvance(
        "11.4 from left"
    )
