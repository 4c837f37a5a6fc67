"""A picture to follow: chosen, marked by dragging, measured beside the window, taken over in one step."""

from pathlib import Path

import numpy as np
from PySide6.QtCore import QPoint, Qt
from pytestqt.qtbot import QtBot

from conftest import AnsweringDialogs
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.brief.brief_step import BriefStep
from jolly_ledge.app.steps.brief.follow_page import FollowPage
from jolly_ledge.model.hue_family import hue_family
from jolly_ledge.photos.image import png_bytes
from jolly_ledge.workspace.workspace import Workspace
from pages import page_of
from patience import wait_until

LEFT = Qt.MouseButton.LeftButton


def liked(folder: Path) -> Path:
    """Return a picture with blue at the left and rust at the right, on a pale wall."""
    image = np.full((400, 600, 3), (232, 228, 220), np.uint8)
    image[120:, 60:160] = (58, 96, 140)
    image[220:, 420:520] = (176, 84, 52)
    path = folder / "liked.png"
    path.write_bytes(png_bytes(image))
    return path


def opened(window: MainWindow, qtbot: QtBot) -> tuple[FollowPage, Workspace]:
    """Return the page as it is shown by its chip."""
    brief = page_of(window, "Brief", BriefStep)
    qtbot.mouseClick(brief.follow_button, LEFT)
    assert brief.pages.currentWidget() is brief.follow_page
    return brief.follow_page, window.workspace


def hues(page: FollowPage) -> set[str]:
    return {hue_family(colour) for one in page._found if one.field == "palette" for colour in one.value}  # type: ignore[attr-defined]


def test_what_is_measured_is_taken_over_as_one_step(
    window: MainWindow, qtbot: QtBot, dialogs: AnsweringDialogs, tmp_path: Path
) -> None:
    page, workspace = opened(window, qtbot)
    dialogs.to_open = liked(tmp_path)
    qtbot.mouseClick(page.choose_button, LEFT)
    wait_until(lambda: not page.work.is_busy and bool(page.ticks))
    assert hues(page) == {"blue", "rust"}
    assert not page.ticks["figure"].isChecked()
    assert {field: tick.isChecked() for field, tick in page.ticks.items()}["fullness"] is False
    page.ticks["ground"].setChecked(False)
    before = workspace.look.manner
    qtbot.mouseClick(page.take_button, LEFT)
    after = workspace.look.manner
    assert {hue_family(colour) for colour in after.palette} == {"blue", "rust"}
    assert (after.ground, after.fullness) == (before.ground, before.fullness)
    assert workspace.history.undo_label == "Follow a picture"
    workspace.undo()
    assert workspace.look.manner == before


def test_a_part_is_marked_by_dragging_and_a_click_marks_all(window: MainWindow, qtbot: QtBot, tmp_path: Path) -> None:
    page, _ = opened(window, qtbot)
    page.look_at(liked(tmp_path))
    wait_until(lambda: not page.work.is_busy and bool(page.ticks))
    frame = page.frame
    shown = frame._shown
    start, end = (
        QPoint(int(shown.left() + share * shown.width()), int(up * shown.height()))
        for share, up in ((0.5, 0.1), (0.95, 0.98))
    )
    qtbot.mousePress(frame, LEFT, pos=start)
    qtbot.mouseMove(frame, end)
    qtbot.mouseRelease(frame, LEFT, pos=end)
    wait_until(lambda: not page.work.is_busy and bool(page.ticks))
    assert hues(page) == {"rust"}
    assert frame.is_marked
    qtbot.mouseClick(frame, LEFT, pos=start)
    wait_until(lambda: not page.work.is_busy and bool(page.ticks))
    assert hues(page) == {"blue", "rust"}


def test_what_is_no_picture_is_refused_in_a_sentence(window: MainWindow, qtbot: QtBot, tmp_path: Path) -> None:
    page, workspace = opened(window, qtbot)
    broken = tmp_path / "broken.png"
    broken.write_bytes(b"no picture")
    with qtbot.waitSignal(workspace.signals.refused, check_params_cb=lambda said: "broken.png" in said):
        page.look_at(broken)
    assert not page.take_button.isEnabled()
    assert page.ticks == {}
