"""Waiting for what a window does beside itself, with the window alive."""

import time
from collections.abc import Callable

from PySide6.QtCore import QEventLoop, QTimer

PATIENCE_S, LOOKS_EVERY_MS = 60.0, 10


def wait_until(is_done: Callable[[], bool]) -> None:
    """Let the window work until something is done.

    The wait is an event loop of its own: the toolkit's wait for tests sleeps without letting other threads run, and
    what is waited for took three times as long. It is long, as a machine may have much else to do.

    Raises
    ------
    TimeoutError
        If it is not done when patience ends.
    """
    latest = time.monotonic() + PATIENCE_S
    while not is_done():
        if time.monotonic() >= latest:
            raise TimeoutError(f"waited {PATIENCE_S:g} seconds for what did not come")
        loop = QEventLoop()
        QTimer.singleShot(LOOKS_EVERY_MS, loop.quit)
        loop.exec()
