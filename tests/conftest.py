"""Fixtures that many tests share."""

import gc
import os
import threading
from collections.abc import Iterator
from pathlib import Path

from patience import wait_until

os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")

import pytest
from hypothesis import settings
from PySide6.QtCore import QEvent
from PySide6.QtGui import QPixmapCache
from PySide6.QtPrintSupport import QPrinter
from PySide6.QtWidgets import QApplication
from pytestqt.qtbot import QtBot

from jolly_ledge.app.application import make_window, ready_application
from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.steps.arrange.arrange_step import ArrangeStep
from jolly_ledge.demo import demo_bytes, demo_photos
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.files.recovery import RecoveryLog
from jolly_ledge.model.plan import Plan

# No test depends on how busy the machine is: what is fast is told by the benchmarks.
settings.register_profile("steady", deadline=None)
settings.load_profile("steady")


def pytest_collection_finish() -> None:
    """Let what is read once be left out of every search for what nobody holds: there is one after each window."""
    gc.collect()
    gc.freeze()


class AnsweringDialogs:
    """Answers with paths that a test laid ready."""

    def __init__(self) -> None:
        self.to_open: Path | None = None
        self.to_open_many: tuple[Path, ...] = ()
        self.to_save: Path | None = None
        self.printer: QPrinter | None = None
        self.asked: list[str] = []

    def ask_open(self, title: str, kinds: str) -> Path | None:
        self.asked.append(title)
        return self.to_open

    def ask_open_many(self, title: str, kinds: str) -> tuple[Path, ...]:
        self.asked.append(title)
        return self.to_open_many

    def ask_save(self, title: str, name: str) -> Path | None:
        self.asked.append(title)
        return self.to_save

    def ask_printer(self, title: str, paper: str) -> QPrinter | None:
        self.asked.append(title)
        return self.printer


ENDS_WITHIN_S = 10.0


@pytest.fixture(scope="session", autouse=True)
def qapp() -> QApplication:
    """Return the application; made before anything else, for a bare one that only renders cannot show windows later."""
    return ready_application(["tests"])


@pytest.fixture
def plan_path(tmp_path: Path) -> Path:
    """Return the demo as a file."""
    path = tmp_path / "vesper.json"
    path.write_bytes(demo_bytes())
    return path


@pytest.fixture(autouse=True)
def _no_threads_are_left() -> Iterator[None]:
    before = set(threading.enumerate())
    yield
    for thread in set(threading.enumerate()) - before:
        # What was let go may come to its end unheard.
        thread.join(ENDS_WITHIN_S)
    left = [thread for thread in threading.enumerate() if thread not in before and thread.is_alive()]
    assert not left, f"threads left running: {left}"


@pytest.fixture
def demo() -> Plan:
    return plan_from_json(demo_bytes())


@pytest.fixture
def log(tmp_path: Path) -> RecoveryLog:
    return RecoveryLog(tmp_path / "recovery")


@pytest.fixture
def dialogs() -> AnsweringDialogs:
    return AnsweringDialogs()


@pytest.fixture
def window(
    qapp: QApplication, qtbot: QtBot, demo: Plan, log: RecoveryLog, dialogs: AnsweringDialogs
) -> Iterator[MainWindow]:
    made = open_window(qtbot, demo, log, dialogs)
    yield made
    made.workspace.document.let_go()


@pytest.fixture(autouse=True)
def _windows_are_freed(request: pytest.FixtureRequest) -> Iterator[None]:
    """Let all that a window held go before the next test: hundreds of them would take gigabytes."""
    yield
    application = QApplication.instance()
    if isinstance(application, QApplication) and application.topLevelWidgets():
        for widget in application.topLevelWidgets():
            widget.close()
            widget.deleteLater()
        application.sendPostedEvents(None, QEvent.Type.DeferredDelete)
        application.processEvents()
        QPixmapCache.clear()
        gc.collect()


def open_window(qtbot: QtBot, plan: Plan, log: RecoveryLog, dialogs: AnsweringDialogs) -> MainWindow:
    """Open a real window on a plan and wait until it was read for the first time."""
    made = make_window(plan, dialogs, log, demo_photos())
    qtbot.addWidget(made, before_close_func=_let_go)
    made.show()
    qtbot.waitExposed(made)
    page = made.step("Arrange")
    assert isinstance(page, ArrangeStep)
    wait_until(lambda: page.readings.score.text() != "Reading")
    return made


def _let_go(window: object) -> None:
    assert isinstance(window, MainWindow)
    window.workspace.document.let_go()
