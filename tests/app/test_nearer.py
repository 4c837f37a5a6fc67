"""Looking nearer where the wheel does so: the measured piece, photographs, the line-up, versions side by side."""

import pytest
from PySide6.QtCore import QPoint, QPointF, Qt
from PySide6.QtGui import QWheelEvent
from PySide6.QtWidgets import QApplication, QWidget
from pytestqt.qtbot import QtBot

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.keep.keep_step import KeepStep
from jolly_ledge.app.views.frames_view import FramesView
from jolly_ledge.app.views.line_up.boards import SCALE
from jolly_ledge.app.views.look.zoom import MOST
from jolly_ledge.app.views.measure.measure_view import MeasureView
from jolly_ledge.app.views.photo_view import PhotoView
from pages import LEFT, bench_of, gather, measure

MIDDLE = Qt.MouseButton.MiddleButton
NO_MODIFIER, CONTROL = Qt.KeyboardModifier.NoModifier, Qt.KeyboardModifier.ControlModifier


def turn_wheel(widget: QWidget, at: QPoint, notches: int, modifiers: Qt.KeyboardModifier = NO_MODIFIER) -> None:
    event = QWheelEvent(
        QPointF(at), QPointF(widget.mapToGlobal(at)), QPoint(), QPoint(0, 120 * notches), Qt.MouseButton.NoButton,
        modifiers, Qt.ScrollPhase.NoScrollPhase, False,
    )  # fmt: skip
    QApplication.sendEvent(widget, event)


@pytest.fixture
def measured(window: MainWindow) -> MeasureView:
    return measure(window).view


def mm_at(view: MeasureView | PhotoView | FramesView, at: QPoint) -> QPointF:
    return view.transform().inverted()[0].map(QPointF(at))


def test_the_wheel_looks_nearer_at_the_piece_about_the_pointer(measured: MeasureView, qtbot: QtBot) -> None:
    at, scale = QPoint(measured.width() // 2, measured.height() // 3), measured.transform().m11()
    held = mm_at(measured, at)
    turn_wheel(measured, at, 5)
    assert measured.transform().m11() > 2 * scale
    assert (mm_at(measured, at) - held).manhattanLength() < 0.01
    before = mm_at(measured, at)
    qtbot.mousePress(measured, MIDDLE, pos=at)
    qtbot.mouseMove(measured, at + QPoint(30, 20))
    qtbot.mouseRelease(measured, MIDDLE, pos=at + QPoint(30, 20))
    assert (mm_at(measured, at + QPoint(30, 20)) - before).manhattanLength() < 0.01
    turn_wheel(measured, at, 99)
    assert measured.nearer.factor == MOST
    qtbot.keyClick(measured, Qt.Key.Key_Home)
    assert measured.transform().m11() == scale
    qtbot.keyClick(measured, Qt.Key.Key_Plus)
    assert measured.transform().m11() > scale
    qtbot.keyClick(measured, Qt.Key.Key_Minus)
    qtbot.keyClick(measured, Qt.Key.Key_Minus)
    assert measured.transform().m11() == pytest.approx(scale)


def test_it_cannot_be_moved_out_of_sight(measured: MeasureView, qtbot: QtBot) -> None:
    at = QPoint(40, 40)
    turn_wheel(measured, at, 4)
    for far in (QPoint(3000, 3000), QPoint(-6000, -6000)):
        qtbot.mousePress(measured, MIDDLE, pos=at)
        qtbot.mouseMove(measured, at + far)
        qtbot.mouseRelease(measured, MIDDLE, pos=at + far)
        corner, most = measured.nearer.corner, 1 - 1 / measured.nearer.factor
        assert 0 <= corner.x() <= most
        assert 0 <= corner.y() <= most


def test_a_figure_is_typed_where_it_is_seen_near(measured: MeasureView, window: MainWindow, qtbot: QtBot) -> None:
    wanted = next(one for one in measured.dimensions() if one.id.startswith("clearance"))
    turn_wheel(measured, measured.label_area(wanted).center().toPoint(), 3)
    figure = next(one for one in measured.dimensions() if one.id == wanted.id)
    qtbot.mouseClick(measured, LEFT, pos=measured.label_area(figure).center().toPoint())
    assert measured.field.editing is not None
    assert measured.field.editing.id == wanted.id
    turn_wheel(measured, QPoint(50, 50), 1)
    assert measured.field.editing is None


def test_a_corner_is_marked_more_finely_when_seen_near(window: MainWindow, qtbot: QtBot) -> None:
    bench = bench_of(window, qtbot)
    qtbot.mouseClick(bench.practice_button, LEFT)
    view = bench.view
    shown = view.transform().map(QPointF(*view.corners[0])).toPoint()
    turn_wheel(view, shown, 6)
    held = view.transform().map(QPointF(*view.corners[0])).toPoint()
    was, near = view.corners[0], view.nearer.factor
    qtbot.mousePress(view, LEFT, pos=held)
    qtbot.mouseMove(view, held + QPoint(9, 0))
    qtbot.mouseRelease(view, LEFT, pos=held + QPoint(9, 0))
    moved = view.corners[0][0] - was[0]
    assert 0 < moved < 12 / view.transform().m11()
    assert view.nearer.factor == near > 2


def test_the_line_up_grows_with_ctrl_and_the_wheel_and_scrolls_without(window: MainWindow, qtbot: QtBot) -> None:
    page = gather(window)
    line_up = page.line_up
    line_up.setFocus()
    item = line_up.rows[0].cells[0].item.id
    at = line_up.cell_of(item).center().toPoint()
    high = line_up.boards.height
    turn_wheel(line_up, at, 3)
    assert line_up.boards.height == high
    turn_wheel(line_up, at, 3, CONTROL)
    assert line_up.scale == pytest.approx(SCALE * 1.2**3)
    assert line_up.boards.height > high
    assert line_up.item_at(*line_up.cell_of(item).center().toTuple()) is not None
    qtbot.keyClick(line_up, Qt.Key.Key_Minus)
    assert line_up.scale == pytest.approx(SCALE * 1.2**2)
    qtbot.keyClick(line_up, Qt.Key.Key_Home)
    assert line_up.boards.height == pytest.approx(high)


def test_versions_are_looked_at_equally_near(window: MainWindow) -> None:
    window.show_side_by_side()
    page = window.step("Keep")
    assert isinstance(page, KeepStep)
    compared = page.compared
    assert compared is not None
    drawings = [column.drawing for column in compared.columns]
    before = [drawing.grab().toImage() for drawing in drawings]
    turn_wheel(drawings[0], QPoint(30, 30), 4)
    assert compared.nearer.factor > 2
    assert all(drawing.grab().toImage() != image for drawing, image in zip(drawings, before, strict=True))
    turn_wheel(drawings[-1], QPoint(30, 30), -9)
    assert [drawing.grab().toImage() for drawing in drawings] == before
