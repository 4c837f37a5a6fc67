"""What lies over the drawing while something is carried: painted sparingly, and yet the same."""

import pytest
from PySide6.QtCore import QPoint, QRect, QSize, Qt
from PySide6.QtGui import QColor, QImage, QPainter, QTransform
from PySide6.QtWidgets import QApplication
from pytestqt.qtbot import QtBot

from jolly_ledge.app.bridge import WindowSignals
from jolly_ledge.app.views.look.look_view import OVERLAYS, LookView
from jolly_ledge.app.views.look.mark_layer import MarkLayer
from jolly_ledge.app.views.look.marks import Box, Line, Mark, Plate, Stamp, area_on_view
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.model.plan import Plan
from jolly_ledge.workspace.workspace import Workspace

SIZE = QSize(200, 160)
MARKS: tuple[Mark, ...] = (
    Line(((10, 10), (60, 40), (90, 10, 120, 60)), "#ffffff", "dash"),
    Line(((10, 90), (30, 60, 90, 140, 120, 90)), "#ffcc00", strands=4),
    Line(((10, 120), (60, 120), (60, 140)), "#00ff00", crisp=True),
    Box(20, 20, 60, 40, 8, fill="#46112233"),
    Box(20, 70, 60, 40, rim="#ff0000", rim_px=3.0, stroke="dash"),
    Box(90, 70, 30, 30, fill="#ff0000", hatched=True),
    Stamp("caution", 100, 40, "!", "#b9812a", -7),
    Stamp("count", 60, 60, "3", "#1f6a6d"),
    Stamp("diamond", 40, 40),
    Stamp("dot", 150, 40, colour="#1f6a6d"),
    Stamp("lock", 150, 80),
    Stamp("bow", 150, 110, colour="#7b3b57"),
    Plate("60 % seen", 100, 120, "#1f6a6d"),
)


def painted(layer: MarkLayer, transform: QTransform) -> QImage:
    image = QImage(SIZE, QImage.Format.Format_RGB32)
    image.fill(QColor("#808080"))
    painter = QPainter(image)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    painter.setTransform(transform)
    layer.paint(painter, SIZE)
    painter.end()
    return image


def largest_difference(one: QImage, two: QImage) -> int:
    colours = ((one.pixelColor(x, y), two.pixelColor(x, y)) for x in range(one.width()) for y in range(one.height()))
    return max(max(abs(a.red() - b.red()), abs(a.green() - b.green()), abs(a.blue() - b.blue())) for a, b in colours)


@pytest.mark.parametrize("mark", MARKS, ids=lambda mark: type(mark).__name__)
@pytest.mark.parametrize("scale", [0.4, 1.3])
def test_a_mark_stays_within_the_pixels_it_tells(qapp: QApplication, mark: Mark, scale: float) -> None:
    transform = QTransform.fromScale(scale, scale)
    layer = MarkLayer()
    layer.show([mark], transform)
    picture, ground = painted(layer, transform), QColor("#808080")
    area = area_on_view(mark, transform)
    touched = [
        QPoint(x, y) for x in range(SIZE.width()) for y in range(SIZE.height()) if picture.pixelColor(x, y) != ground
    ]
    assert touched
    assert all(area.contains(point) for point in touched)


def test_what_stays_becomes_one_picture_and_looks_the_same(qapp: QApplication) -> None:
    layer, fresh, still = MarkLayer(), MarkLayer(), QTransform()
    for step in range(4):
        marks = [*MARKS, Stamp("dot", 20 + step, 150, colour="#ffffff")]
        areas = layer.show(marks, still)
        picture = painted(layer, still)
        if step:
            # One dot went and one came.
            assert len(areas) == 2
    fresh.show(marks, still)
    assert largest_difference(picture, painted(fresh, still)) <= 2


def test_a_mark_that_goes_is_not_left_in_the_picture(qapp: QApplication) -> None:
    layer, still = MarkLayer(), QTransform()
    for marks in (MARKS, MARKS, MARKS):
        layer.show(marks, still)
        painted(layer, still)
    areas = layer.show(MARKS[1:], still)
    assert areas == [area_on_view(MARKS[0], still)]
    fresh = MarkLayer()
    fresh.show(MARKS[1:], still)
    assert largest_difference(painted(layer, still), painted(fresh, still)) <= 2


def on_screen(view: LookView) -> QImage:
    """Return what the screen shows of a view, as it was painted bit by bit."""
    place = view.viewport().mapTo(view.window(), QPoint())
    shown = view.screen().grabWindow(view.window().winId()).toImage()
    return shown.copy(QRect(place, view.viewport().size()))


def softened(image: QImage) -> QImage:
    """Return a picture of a quarter of the size: slanting dashes begin elsewhere where a line is cut."""
    return image.scaled(
        image.size() / 4, Qt.AspectRatioMode.IgnoreAspectRatio, Qt.TransformationMode.SmoothTransformation
    )


@pytest.mark.parametrize(
    ("shown", "least"),
    [(("balance", "cautions"), 3), (("groups", "rest"), 3), (OVERLAYS[:-1], 80)],
    ids=["as usual", "level lines", "all"],
)
def test_a_drag_leaves_no_traces(
    qapp: QApplication, demo: Plan, log: RecoveryLog, qtbot: QtBot, shown: tuple[str, ...], least: int
) -> None:
    workspace = Workspace(demo, log, signals=WindowSignals())
    view = LookView(workspace)
    qtbot.addWidget(view)
    view.resize(560, 600)
    view.show()
    qtbot.waitExposed(view)
    assert workspace.assessment.readings
    for name in shown:
        view.show_overlay(name, True)
    placed = next(s for s in workspace.arrangement.visible if s.placement.host is None)
    start = view.mapFromScene(view.items_by_id[placed.id].pos())
    view.begin_from_stash(workspace.free_items()[0])
    away = workspace.piece.height * view.scale_factor
    # Along the ledge, up to others, out over nothing, and back.
    for across, up in (
        (0, 0),
        (7, 0),
        (15, 1),
        (23, 1),
        (23, away / 5),
        (30, away / 3),
        (-400, -300),
        (20, 2),
        (27, 2),
    ):
        view.carry_to(start + QPoint(across, -round(up)))
        assert workspace.assessment.readings
        qapp.processEvents()
    piecewise = on_screen(view)
    view._layer.forget()
    view.viewport().update()
    qapp.processEvents()
    assert largest_difference(softened(piecewise), softened(on_screen(view))) <= least
    view.put_back()
