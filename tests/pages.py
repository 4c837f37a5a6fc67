"""The pages of the window, as tests take them in hand."""

from typing import TypeVar

from PySide6.QtCore import Qt
from PySide6.QtWidgets import QComboBox, QLineEdit
from pytestqt.qtbot import QtBot

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.gather.gather_step import GatherStep
from jolly_ledge.app.steps.measure.measure_step import MeasureStep
from jolly_ledge.app.steps.measure.photo_bench import PhotoBench
from jolly_ledge.app.steps.step import Step

LEFT = Qt.MouseButton.LeftButton

Page = TypeVar("Page", bound=Step)


def page_of(window: MainWindow, name: str, kind: type[Page]) -> Page:
    """Show a step and return its page."""
    window.show_step(name)
    page = window.step(name)
    assert isinstance(page, kind)
    return page


def measure(window: MainWindow) -> MeasureStep:
    """Show Measure."""
    return page_of(window, "Measure", MeasureStep)


def gather(window: MainWindow) -> GatherStep:
    """Show Gather."""
    return page_of(window, "Gather", GatherStep)


def bench_of(window: MainWindow, qtbot: QtBot) -> PhotoBench:
    """Show the page on which a photograph of the piece is measured."""
    page = measure(window)
    qtbot.mouseClick(page.photo_button, LEFT)
    bench = page.pages.currentWidget()
    assert isinstance(bench, PhotoBench)
    return bench


def pick(box: QComboBox, value: str) -> None:
    """Choose a word as a person does."""
    box.setCurrentIndex(box.findData(value))
    box.activated.emit(box.currentIndex())


def type_into(qtbot: QtBot, field: QLineEdit, text: str) -> None:
    """Type a text over what a field holds and press Return."""
    field.setFocus()
    field.selectAll()
    if text.isascii():
        qtbot.keyClicks(field, text)
    else:
        # The test keyboard has no other keys; what is pasted comes this way, too.
        field.insert(text)
    qtbot.keyClick(field, Qt.Key.Key_Return)
