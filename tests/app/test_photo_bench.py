"""Measuring from a photograph in the real window."""

from pathlib import Path

import numpy as np
import pytest
from PIL import Image
from PySide6.QtCore import QPoint, QPointF, Qt
from pytestqt.qtbot import QtBot

from conftest import AnsweringDialogs
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.measure.photo_bench import PhotoBench
from jolly_ledge.app.views.photo_view import PhotoView
from jolly_ledge.files.plan_file import open_plan
from jolly_ledge.geometry.arrangement import arrange
from jolly_ledge.model.colour import difference
from jolly_ledge.photos.image import jpeg_bytes
from jolly_ledge.render.practice_photos import practice_camera, practice_photo
from pages import LEFT, bench_of, measure, type_into
from patience import wait_until


def click(qtbot: QtBot, view: PhotoView, x: float, y: float, *, shift: bool = False) -> None:
    """Click a point of the straight picture (mm of the front)."""
    modifier = Qt.KeyboardModifier.ShiftModifier if shift else Qt.KeyboardModifier.NoModifier
    qtbot.mouseClick(view, LEFT, modifier, view.transform().map(QPointF(x, -y)).toPoint())


def straight_bench(window: MainWindow, qtbot: QtBot) -> PhotoBench:
    """Photograph the alcove with the simulated camera and pull the picture straight."""
    bench = bench_of(window, qtbot)
    qtbot.mouseClick(bench.practice_button, LEFT)
    qtbot.mouseClick(bench.corner_strip.fit_button, LEFT)
    assert "All four sides were found" in bench.hint.text()
    qtbot.mouseClick(bench.corner_strip.straighten_button, LEFT)
    assert bench.view.is_straight
    return bench


def test_the_demo_brings_a_photograph_that_measures_right(window: MainWindow, qtbot: QtBot) -> None:
    bench = bench_of(window, qtbot)
    assert bench.view.is_straight
    click(qtbot, bench.view, 40, 1758)
    click(qtbot, bench.view, 690, 1758)
    assert bench.measured == pytest.approx(650, rel=0.01)


def test_a_length_is_measured_with_its_expected_error(window: MainWindow, qtbot: QtBot) -> None:
    bench = straight_bench(window, qtbot)
    click(qtbot, bench.view, 0, 1135)
    click(qtbot, bench.view, 1400, 1135)
    # One pixel of the screen is about 4 mm here.
    assert bench.measured == pytest.approx(1400, rel=0.01)
    ((_, _, said),) = bench.view.lines
    assert "±" in said
    qtbot.mouseClick(bench.straight_strip.width_button, LEFT)
    assert window.workspace.piece.width == round(bench.measured or 0)
    window.workspace.undo()
    assert window.workspace.piece.width == 1400


def test_shelf_edges_become_ledges(window: MainWindow, qtbot: QtBot) -> None:
    bench = straight_bench(window, qtbot)
    qtbot.mouseClick(bench.straight_strip.clear_button, LEFT)
    assert not window.workspace.piece.ledges
    qtbot.mouseClick(bench.straight_strip.tools.chips["shelf"], LEFT)
    for floor in (110, 552, 954):
        if floor == 110:
            click(qtbot, bench.view, 40, floor)
            click(qtbot, bench.view, 690, floor)
        else:
            click(qtbot, bench.view, 200, floor, shift=True)
    ledges = window.workspace.piece.ledges
    assert [ledge.floor for ledge in ledges] == pytest.approx([110, 552, 954], abs=6)
    assert [ledge.width for ledge in ledges] == pytest.approx([650] * 3, abs=10)
    assert ledges[0].clearance == pytest.approx(420, abs=12)
    click(qtbot, bench.view, 300, 1300)
    click(qtbot, bench.view, 310, 1300)
    assert "two ends of a shelf" in window.notice.sentence
    assert len(window.workspace.piece.ledges) == 3


def test_colour_and_light_are_taken_from_the_picture(window: MainWindow, qtbot: QtBot) -> None:
    bench = straight_bench(window, qtbot)
    qtbot.mouseClick(bench.straight_strip.tools.chips["colour"], LEFT)
    click(qtbot, bench.view, 365, 1500)
    taken = window.workspace.piece.ledge("l4").backdrop
    assert taken is not None
    assert taken != "#3f4f5a"
    assert difference(taken, "#3f4f5a") < 16
    qtbot.mouseClick(bench.straight_strip.light_button, LEFT)
    assert {ledge.light for ledge in window.workspace.piece.ledges} <= {"bright", "medium", "low"}
    assert "Another hour" in bench.hint.text()
    assert window.workspace.history.undo_label == "Read the light from the photograph"


def test_a_sheet_of_paper_gives_the_scale_of_the_whole(window: MainWindow, qtbot: QtBot, tmp_path: Path) -> None:
    workspace = window.workspace
    pixels, _ = practice_photo(arrange(workspace.plan, workspace.plan.look("before")), 5)
    (tmp_path / "case.jpg").write_bytes(jpeg_bytes(pixels, 92))
    camera = practice_camera(1400, 2270)
    bench = bench_of(window, qtbot)
    bench.load(tmp_path / "case.jpg")
    qtbot.mouseClick(bench.corner_strip.known_row.chips["a4"], LEFT)
    assert bench.corner_strip.known_width.length == 210
    rng = np.random.default_rng(3)
    bench.view.corners = [
        (x + dx, y + dy)
        for (x, y), (dx, dy) in zip(camera.corners(420, 1248.5, 210, 297), rng.normal(0, 1.5, (4, 2)), strict=True)
    ]
    qtbot.mouseClick(bench.corner_strip.fit_button, LEFT)
    qtbot.mouseClick(bench.corner_strip.straighten_button, LEFT)
    assert "lower left corner of the piece" in bench.hint.text()
    # The sheet is the origin until the outline is told.
    click(qtbot, bench.view, -420, -1248.5)
    click(qtbot, bench.view, 1400 - 420, 2270 - 1248.5)
    assert workspace.piece.width == pytest.approx(1400, rel=0.02)
    assert workspace.piece.height == pytest.approx(2270, rel=0.02)
    photo = workspace.piece.photo
    assert photo is not None
    assert (photo.width, photo.height) == (210, 297)


def test_corners_are_dragged_and_moved_by_keys(window: MainWindow, qtbot: QtBot) -> None:
    bench = bench_of(window, qtbot)
    qtbot.mouseClick(bench.practice_button, LEFT)
    view = bench.view
    before = view.corners[0]
    start = view.transform().map(QPointF(*before)).toPoint()
    qtbot.mousePress(view, LEFT, pos=start)
    qtbot.mouseMove(view, start + QPoint(12, 9))
    view.grab()
    qtbot.mouseRelease(view, LEFT, pos=start + QPoint(12, 9))
    assert view.corners[0][0] > before[0]
    view.setFocus()
    x, y = view.corners[0]
    qtbot.keyClick(view, Qt.Key.Key_Right)
    qtbot.keyClick(view, Qt.Key.Key_Up, Qt.KeyboardModifier.ShiftModifier)
    assert view.corners[0] == (x + 1, y - 10)
    qtbot.keyClick(view, Qt.Key.Key_Space)
    assert view.chosen == 1


def test_crossing_and_folded_marks_are_refused_in_one_sentence(window: MainWindow, qtbot: QtBot) -> None:
    bench = bench_of(window, qtbot)
    qtbot.mouseClick(bench.practice_button, LEFT)
    bench.view.corners = [(100.0, 100.0), (110.0, 100.0), (120.0, 100.0), (100.0, 400.0)]
    qtbot.mouseClick(bench.corner_strip.straighten_button, LEFT)
    assert window.notice.sentence.endswith(".")
    assert not bench.view.is_straight
    # Marks put in another order are sorted, not refused: the rectangle is the same.
    qtbot.mouseClick(bench.practice_button, LEFT)
    first, second, third, fourth = bench.view.corners
    bench.view.corners = [first, third, second, fourth]
    qtbot.mouseClick(bench.corner_strip.straighten_button, LEFT)
    assert bench.view.is_straight


def test_pictures_that_are_none_are_refused_and_nothing_is_lost(
    window: MainWindow, qtbot: QtBot, tmp_path: Path, dialogs: AnsweringDialogs
) -> None:
    bench = bench_of(window, qtbot)
    text, cut, bomb = tmp_path / "note.jpg", tmp_path / "cut.jpg", tmp_path / "bomb.png"
    text.write_text("no picture")
    whole = jpeg_bytes(np.full((300, 200, 3), 90, np.uint8))
    cut.write_bytes(whole[: len(whole) // 2])
    Image.new("1", (20_000, 20_000)).save(bomb)
    for path, said in (
        (text, "no JPEG or PNG"),
        (cut, "damaged or cut off"),
        (bomb, "more than 64 million pixels"),
        (tmp_path / "none.jpg", "no such file"),
    ):
        dialogs.to_open = path
        qtbot.mouseClick(bench.load_button, LEFT)
        assert said in window.notice.sentence
    assert bench.view.is_straight
    assert window.workspace.history.undo_label is None


def test_the_photograph_is_laid_under_the_drawing_saved_and_found_again(
    window: MainWindow, qtbot: QtBot, tmp_path: Path
) -> None:
    bench = straight_bench(window, qtbot)
    qtbot.mouseClick(bench.straight_strip.keep_button, LEFT)
    page = measure(window)
    assert page.pages.currentIndex() == 0
    photo = window.workspace.piece.photo
    assert photo is not None
    page.view.grab()
    wait_until(lambda: not page.view.photo.is_busy)
    with_photo = page.view.grab().toImage()
    qtbot.mouseClick(page.under_chip, LEFT)
    assert page.view.grab().toImage() != with_photo
    path = tmp_path / "vesper.ledge"
    assert window.workspace.save(path)
    plan, file = open_plan(path)
    assert plan.piece("alcove").photo == photo
    assert set(file.photos) == {photo.name}
    assert window.workspace.open(path)
    assert bench_of(window, qtbot).view.is_straight


def test_a_json_plan_tells_that_it_keeps_no_photographs(window: MainWindow, tmp_path: Path) -> None:
    assert window.workspace.save(tmp_path / "plan.json")
    assert "holds no photographs" in window.notice.sentence


def test_the_outer_size_may_be_told_beside_the_corners(window: MainWindow, qtbot: QtBot) -> None:
    bench = bench_of(window, qtbot)
    qtbot.mouseClick(bench.practice_button, LEFT)
    type_into(qtbot, bench.corner_strip.known_width, "141 cm")
    assert window.workspace.piece.width == 1410
    qtbot.mouseClick(bench.back, LEFT)
    assert measure(window).pages.currentIndex() == 0
