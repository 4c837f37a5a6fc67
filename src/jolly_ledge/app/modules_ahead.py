"""Modules read in a thread, before they are needed: the window stays fluid meanwhile."""

import sys
from collections.abc import Callable, Iterable
from importlib import import_module
from threading import Event, Thread

from PySide6.QtCore import QEvent, QObject, QTimer
from PySide6.QtGui import QWindow
from PySide6.QtWidgets import QApplication, QWidget

FOR_READINGS = (
    "numpy._core", "numpy.lib", "numpy", "shapely.lib", "shapely", "coloraide.spaces", "coloraide.gamut", "coloraide",
)  # fmt: skip
"""What readings compute with, in parts none of which takes long."""

TOUCHES = frozenset({
    QEvent.Type.KeyPress, QEvent.Type.MouseButtonPress, QEvent.Type.MouseButtonRelease, QEvent.Type.MouseMove,
    QEvent.Type.Wheel,
})  # fmt: skip
"""What is felt as a hand at work, where a window first hears it: its widgets hear a hundred times as much."""

RESTS_MS = 400
"""The hand rests so long before reading goes on: two threads share one interpreter, and the hand goes first."""

FIRST_MS = 60
"""A hand that moves already when reading is to begin is felt within so long: the first module is the longest."""

ASKED_MS = 20
"""Whether modules are there is asked so often."""


def heard_at(widget: QWidget) -> QWindow:
    """Return where all that is done in the window of a widget arrives first; the window must have been shown."""
    arrives_at = widget.window().windowHandle()
    assert arrives_at is not None
    return arrives_at


class ModulesAhead(QObject):
    """Reads modules beside the window, one after another, while nobody touches anything."""

    def __init__(self, names: Iterable[str], parent: QWidget) -> None:
        super().__init__(parent)
        self._widget = parent
        self._names = tuple(names)
        self._thread = Thread(target=self._read, name="reads modules", daemon=True)
        self._is_over, self._goes_on = Event(), Event()
        # A window that is gone tells nobody any more that the hand rests: what waits for it would wait for ever.
        for event in (self._is_over, self._goes_on):
            self.destroyed.connect(event.set)
        self._rest = QTimer(self)
        self._rest.setSingleShot(True)
        self._rest.timeout.connect(self._goes_on.set)

    def _read(self) -> None:
        for name in self._names:
            self._goes_on.wait()
            if self._is_over.is_set():
                return
            import_module(name)

    def start(self) -> None:
        """Begin to read."""
        application = QApplication.instance()
        assert application is not None
        application.aboutToQuit.connect(self._end)
        self._thread.start()
        heard_at(self._widget).installEventFilter(self)
        self._rest.start(FIRST_MS)

    def _end(self) -> None:
        """Let what is being read come to its end: a module cannot be read while everything is taken down."""
        self._is_over.set()
        self._goes_on.set()
        self._thread.join()

    def eventFilter(self, watched: QObject, event: QEvent) -> bool:
        """Rest while anything is touched."""
        if not self._thread.is_alive():
            watched.removeEventFilter(self)
        elif event.type() in TOUCHES:
            self._goes_on.clear()
            self._rest.start(RESTS_MS)
        return False

    @property
    def is_begun(self) -> bool:
        """Whether it was started."""
        return self._thread.ident is not None

    @property
    def is_done(self) -> bool:
        """Whether all are there."""
        if self.is_begun:
            return not self._thread.is_alive()
        return all(name in sys.modules for name in self._names)


def when_read(names: Iterable[str], widget: QWidget, then: Callable[[], object]) -> None:
    """Do something once modules are there: at once where they are, else after they were read beside the window."""
    ahead = ModulesAhead(names, widget)
    if ahead.is_done:
        then()
        return
    ahead.start()
    asks = QTimer(widget)
    asks.setInterval(ASKED_MS)

    def ask() -> None:
        if ahead.is_done:
            asks.stop()
            then()

    asks.timeout.connect(ask)
    asks.start()
