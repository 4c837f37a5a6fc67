"""From a measured bookcase and a pile of things to a sheet a helper can follow, in the real window."""

from pathlib import Path

import pytest
from pypdf import PdfReader
from PySide6.QtCore import QPoint, QPointF, Qt
from PySide6.QtWidgets import QWidget
from pytestqt.qtbot import QtBot

from conftest import AnsweringDialogs
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.app.steps.gather.gather_step import GatherStep
from jolly_ledge.app.steps.measure.measure_step import MeasureStep
from jolly_ledge.app.steps.place.place_step import PlaceStep
from jolly_ledge.files.plan_file import open_plan

LEFT = Qt.MouseButton.LeftButton


def drag(qtbot: QtBot, widget: QWidget, start: QPoint, end: QPoint) -> None:
    qtbot.mousePress(widget, LEFT, pos=start)
    for step in range(1, 9):
        qtbot.mouseMove(widget, start + (end - start) * step / 8)
    qtbot.mouseRelease(widget, LEFT, pos=end)


def test_the_whole_job(window: MainWindow, qtbot: QtBot, dialogs: AnsweringDialogs, tmp_path: Path) -> None:
    workspace = window.workspace

    # A shelf is changed on the drawing.
    window.show_step("Measure")
    measure = window.step("Measure")
    assert isinstance(measure, MeasureStep)
    dimension = next(d for d in measure.view.dimensions() if d.id == "clearance l5")
    qtbot.mouseClick(measure.view, LEFT, pos=measure.view.label_area(dimension).center().toPoint())
    measure.view.field.setText("450 mm")
    qtbot.keyClick(measure.view.field, Qt.Key.Key_Return)
    assert workspace.piece.ledge("l5").clearance == 450

    # A thing is added to the stash.
    window.show_step("Gather")
    gather = window.step("Gather")
    assert isinstance(gather, GatherStep)
    gather.add()
    gather.panel.name_field.setText("ebony sextant case")
    qtbot.keyClick(gather.panel.name_field, Qt.Key.Key_Return)
    gather.panel.category_field.setCurrentIndex(gather.panel.category_field.findData("box"))
    gather.panel.category_field.activated.emit(gather.panel.category_field.currentIndex())
    for name, length in (("width", "20 cm"), ("height", "28 cm"), ("depth", "16 cm")):
        gather.panel.size_fields[name].setText(length)
        qtbot.keyClick(gather.panel.size_fields[name], Qt.Key.Key_Return)
    gather.panel.colours.colour_buttons[0].code.setText("#101010")
    qtbot.keyClick(gather.panel.colours.colour_buttons[0].code, Qt.Key.Key_Return)
    assert workspace.item is not None
    added = workspace.item.id

    # It is carried to a ledge, and a reading moves meanwhile.
    window.show_step("Arrange")
    arrange = window.step("Arrange")
    assert isinstance(arrange, ArrangeStep)
    workspace.choose_ledge("r4")
    balance = arrange.readings.rows["side-balance"]
    before, vial = len(workspace.look.placements), balance.vial
    arrange.strip.show_item(added)
    start = arrange.strip.cell_of(added).center().toPoint()
    ledge = workspace.piece.ledge("r4")
    target = arrange.view.mapFromScene(QPointF(ledge.right - 110, -ledge.floor - 5))
    drag(qtbot, arrange.strip, start, arrange.strip.mapFromGlobal(arrange.view.viewport().mapToGlobal(target)))
    placed = workspace.look.placement(added)
    assert placed.ledge == "r4"
    assert placed.x == pytest.approx(540, abs=15)
    assert balance.vial != vial

    # Undone and done again.
    qtbot.keyClick(window, Qt.Key.Key_Z, Qt.KeyboardModifier.ControlModifier)
    assert len(workspace.look.placements) == before
    assert balance.vial == vial
    qtbot.keyClick(window, Qt.Key.Key_Z, Qt.KeyboardModifier.ControlModifier | Qt.KeyboardModifier.ShiftModifier)
    assert workspace.look.placement(added) == placed

    # A book is laid flat and the small bowl is set on it.
    workspace.choose("tides")
    arrange.actions_on_look.pose("flat")
    tides = workspace.arrangement.by_id["tides"]
    bowl = workspace.arrangement.by_id["cream-bowl"]
    grip = arrange.view.mapFromScene(QPointF(bowl.x, -bowl.bottom - 10))
    goal = arrange.view.mapFromScene(QPointF(tides.x, -tides.top - 20))
    drag(qtbot, arrange.view.viewport(), grip, goal)
    assert workspace.look.placement("cream-bowl").on == "tides"

    # The sheet is saved and says so.
    window.show_step("Place")
    place = window.step("Place")
    assert isinstance(place, PlaceStep)
    dialogs.to_save = tmp_path / "sheet.pdf"
    place.save_pdf()
    text = " ".join(" ".join(page.extract_text() for page in PdfReader(tmp_path / "sheet.pdf").pages).split())
    assert "ebony sextant case" in text
    assert "on book of tides" in text

    # The plan is saved and comes back as it was.
    dialogs.to_save = tmp_path / "evening.ledge"
    assert window.files.save()
    assert open_plan(tmp_path / "evening.ledge")[0] == workspace.plan

    # Ten steps back and forth again.
    plan = workspace.plan
    for _ in range(10):
        workspace.undo()
    assert workspace.plan != plan
    for _ in range(10):
        workspace.redo()
    assert workspace.plan == plan
