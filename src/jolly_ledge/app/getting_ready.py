"""Pages made ahead, one by one, while nobody touches anything: the first visit to a step then waits for nothing."""

import time

from PySide6.QtCore import QEvent, QObject, Qt, QTimer
from PySide6.QtWidgets import QApplication

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.app.modules_ahead import FOR_READINGS, TOUCHES, ModulesAhead, heard_at
from jolly_ledge.app.path_panel import STEPS

RESTS_S, FIRST_MS, ASKS_MS = 0.5, 400, 50
"""The hand rests so long before a page is made; it is asked first when the window is painted, then so often."""

STEP_MODULES = (f"jolly_ledge.app.steps.{name}.{name}_step" for name in ("gather", "measure", "brief", "place", "keep"))
MODULES = (
    *FOR_READINGS, *STEP_MODULES, "jolly_ledge.app.steps.gather.item_panel", "jolly_ledge.jobs.process_runner",
    "jolly_ledge.jobs.thread_runner", "multiprocessing.spawn",
)  # fmt: skip


class GettingReady(QObject):
    """Makes the steps of a window that nobody has opened yet; it ends when all are there."""

    def __init__(self, window: MainWindow) -> None:
        super().__init__(window)
        self._window = window
        self._touched = time.monotonic()
        self._made: set[str] = set()
        self._painted: set[str] = set()
        self._timer = QTimer(self)
        self._timer.setInterval(FIRST_MS)
        self._timer.timeout.connect(self._ask)
        self._heard_at = heard_at(window)
        self._heard_at.installEventFilter(self)
        # What the pages are made of is read beside the window, before they are made in it, and after it was painted.
        self._ahead = ModulesAhead(MODULES, window)
        self._timer.start()

    @property
    def is_done(self) -> bool:
        """Whether all steps are made."""
        return not self._timer.isActive()

    def eventFilter(self, watched: QObject, event: QEvent) -> bool:
        """Note when anything is touched."""
        if event.type() in TOUCHES:
            self._touched = time.monotonic()
        return False

    def _ask(self) -> None:
        self._timer.setInterval(ASKS_MS)
        if not self._window.isVisible():
            return
        if not self._ahead.is_begun:
            self._ahead.start()
        at_rest = time.monotonic() - self._touched >= RESTS_S
        if not at_rest or QApplication.mouseButtons() != Qt.MouseButton.NoButton or not self._ahead.is_done:
            return
        if not self.go_on():
            self._timer.stop()
            self._heard_at.removeEventFilter(self)

    def go_on(self) -> bool:
        """Go one step: make a page, or paint it unseen; return whether any was left."""
        window = self._window
        name = next((one for one in STEPS if one not in self._painted), None)
        if name is None:
            return False
        page = window.step(name)
        if name not in self._made:
            self._made.add(name)
            return True
        self._painted.add(name)
        if not page.isVisible():
            page.resize(window.pages.size())
            page.catch_up()
            page.grab()
        return True
