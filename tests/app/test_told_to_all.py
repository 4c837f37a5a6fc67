"""What is shown is told to who cannot see it: every control has a name, the look is told as text, keys alone suffice."""

from pathlib import Path

import pytest
from PySide6.QtCore import Qt
from PySide6.QtGui import QAccessible
from PySide6.QtWidgets import (
    QAbstractButton,
    QAbstractItemView,
    QAbstractSpinBox,
    QComboBox,
    QLineEdit,
    QPlainTextEdit,
    QSlider,
    QWidget,
)
from pytestqt.qtbot import QtBot

from app.test_arrange import arrange_step
from conftest import AnsweringDialogs
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.path_panel import STEPS
from jolly_ledge.app.steps.measure.measure_step import MeasureStep

ALT, CONTROL, SHIFT, NONE = (
    getattr(Qt.KeyboardModifier, name) for name in ("AltModifier", "ControlModifier", "ShiftModifier", "NoModifier")
)

CONTROLS = (QAbstractButton, QAbstractItemView, QAbstractSpinBox, QComboBox, QLineEdit, QPlainTextEdit, QSlider)


def told_name(widget: QWidget) -> str:
    """Return what a screen reader says of a widget."""
    interface = QAccessible.queryAccessibleInterface(widget)
    return interface.text(QAccessible.Text.Name).strip() if interface is not None else ""


def is_inner(widget: QWidget) -> bool:
    """Tell whether a widget is a part of another control, which speaks for it."""
    parent = widget.parentWidget()
    while parent is not None:
        if isinstance(parent, (QComboBox, QAbstractSpinBox)):
            return True
        parent = parent.parentWidget()
    return False


def nameless(window: MainWindow) -> list[str]:
    found = [
        widget for widget in window.findChildren(QWidget)
        if isinstance(widget, CONTROLS) and widget.isVisible() and not is_inner(widget)
        and not widget.objectName().startswith("qt_")
    ]  # fmt: skip
    assert len(found) > 10
    return [f"{type(one).__name__} in {type(one.parentWidget()).__name__}" for one in found if not told_name(one)]


@pytest.mark.parametrize("step", STEPS)
def test_every_control_has_a_name(window: MainWindow, step: str) -> None:
    window.workspace.choose("orrery")
    window.show_step(step)
    assert nameless(window) == []


def told(widget: QWidget, part: QAccessible.Text) -> str:
    interface = QAccessible.queryAccessibleInterface(widget)
    assert interface is not None
    return interface.text(part)


def test_the_look_is_told_as_text_and_follows(window: MainWindow, qtbot: QtBot) -> None:
    page = arrange_step(window)
    said = told(page.view, QAccessible.Text.Description)
    lines = said.splitlines()
    assert lines[0] == "Alcove bookcase, Open evening, first try."
    assert "Left bay, bottom, from the left: tall dark urn, " in said
    assert len(lines) == 1 + len(window.workspace.piece.ledges)
    assert "in it" in said
    window.workspace.choose("copper-bowl")
    name = told(page.view, QAccessible.Text.Name)
    assert "in hand: " in name
    assert "from the left" in name
    qtbot.keyClick(page.view, Qt.Key.Key_Right)
    assert told(page.view, QAccessible.Text.Name) != name
    page.actions_on_look.put_back()
    assert told(page.view, QAccessible.Text.Description) != said


def test_focus_is_seen_on_every_button(window: MainWindow) -> None:
    """A button in focus looks otherwise than one that is not."""
    page = arrange_step(window)
    button = page.foot.propose_button
    page.view.setFocus()
    before = button.grab().toImage()
    button.setFocus()
    assert button.grab().toImage() != before


def press(qtbot: QtBot, window: MainWindow, key: Qt.Key, keys: Qt.KeyboardModifier = NONE, times: int = 1) -> None:
    """Press a key where the focus is."""
    for _ in range(times):
        qtbot.keyClick(window.focusWidget() or window, key, keys)


def write(qtbot: QtBot, window: MainWindow, text: str) -> None:
    focused = window.focusWidget()
    assert focused is not None
    qtbot.keyClicks(focused, text)


def test_the_whole_job_by_keys_alone(
    window: MainWindow, qtbot: QtBot, dialogs: AnsweringDialogs, tmp_path: Path
) -> None:
    workspace = window.workspace
    press(qtbot, window, Qt.Key.Key_Home, ALT)
    assert window.pages.currentWidget() is window.opening
    press(qtbot, window, Qt.Key.Key_Space)
    gallery = window.pages.currentWidget()
    assert isinstance(gallery, MeasureStep)
    # The kinds are gone through by the tabulator until the console is in focus.
    for _ in range(60):
        focused = window.focusWidget()
        if focused is not None and focused.accessibleName().startswith("Console"):
            break
        focused = window.focusWidget() or window
        qtbot.keyClick(focused, Qt.Key.Key_Tab)
    press(qtbot, window, Qt.Key.Key_Space)
    assert workspace.piece.kind == "console"
    write(qtbot, window, "Hall console")
    press(qtbot, window, Qt.Key.Key_Return)
    assert workspace.piece.label == "Hall console"
    press(qtbot, window, Qt.Key.Key_3, CONTROL)
    press(qtbot, window, Qt.Key.Key_N, CONTROL)
    for line in (
        "table lamp 25 dia 48 high",
        "stoneware vase 18x32 sand",
        "oak tray 40x28",
        "brass bowl 16 round 7 high",
    ):
        write(qtbot, window, line)
        press(qtbot, window, Qt.Key.Key_Return)
    assert len(workspace.plan.stash) == 4
    press(qtbot, window, Qt.Key.Key_4, CONTROL)
    press(qtbot, window, Qt.Key.Key_S)
    for _ in range(3):
        press(qtbot, window, Qt.Key.Key_Right)
        press(qtbot, window, Qt.Key.Key_Return)
    assert len(workspace.look.placements) == 3
    page = arrange_step(window)
    press(qtbot, window, Qt.Key.Key_4, CONTROL)
    press(qtbot, window, Qt.Key.Key_N)
    (chosen,) = workspace.selection
    before = workspace.look.placement(chosen).x
    qtbot.keyClick(page.view, Qt.Key.Key_Left)
    qtbot.keyClick(page.view, Qt.Key.Key_Right, SHIFT)
    assert workspace.look.placement(chosen).x != before
    dialogs.to_save = tmp_path / "sheet.pdf"
    press(qtbot, window, Qt.Key.Key_5, CONTROL)
    press(qtbot, window, Qt.Key.Key_P, CONTROL | SHIFT)
    assert (tmp_path / "sheet.pdf").read_bytes().startswith(b"%PDF")
    dialogs.to_save = tmp_path / "console.ledge"
    press(qtbot, window, Qt.Key.Key_S, CONTROL)
    assert workspace.document.file is not None
    assert not workspace.document.is_dirty
