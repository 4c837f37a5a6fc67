"""Work that follows a hand without holding it up."""

import math
import time
from collections.abc import Callable

from PySide6.QtCore import QObject, QTimer

RESTS, LONGEST_REST_S = 3.0, 0.06
"""After each turn it rests for so many times as long as it took, a quarter of the time is its; never longer than that,
for what is done for the first time takes long and tells nothing of the next.
"""


class Pace(QObject):
    """Does one thing as often as it is asked for where that is quick, and less often, never too late, where it is slow.

    What is asked for while it rests is done once, when it has rested: the last state is always shown.
    """

    def __init__(self, action: Callable[[], object], parent: QObject) -> None:
        super().__init__(parent)
        self._action = action
        self._due = 0.0
        self._timer = QTimer(self)
        self._timer.setSingleShot(True)
        self._timer.timeout.connect(self._act)

    def ask(self) -> None:
        """Do it now, or when it has rested."""
        if self._timer.isActive():
            return
        wait = math.ceil(1000 * (self._due - time.perf_counter()))
        if wait <= 0:
            self._act()
        else:
            self._timer.start(wait)

    def forget(self) -> None:
        """Leave undone what waits: it was done otherwise."""
        self._timer.stop()

    def _act(self) -> None:
        begun = time.perf_counter()
        self._action()
        now = time.perf_counter()
        self._due = now + min(RESTS * (now - begun), LONGEST_REST_S)
