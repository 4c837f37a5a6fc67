"""What happens when the program itself makes a mistake: the work is kept, and a person is told once."""

import logging
import sys
import traceback
from types import TracebackType

from PySide6.QtCore import QObject, Qt, Signal

from jolly_ledge.app.main_window import MainWindow
from jolly_ledge.model.mishaps import LOG

SENTENCE = (
    "The program made a mistake and did not finish what you asked for. Your work is kept; save it under another name, "
    "and start the program again if something looks wrong."
)


class _Ear(QObject):
    """Brings a sentence from whatever thread it was noted in to the window's own, after the event in hand."""

    heard = Signal(str)


class MishapWatch(logging.Handler):
    """Writes every trace to stderr, keeps the work, and tells each sentence once."""

    def __init__(self, window: MainWindow) -> None:
        super().__init__(logging.ERROR)
        self._window = window
        self._told: set[str] = set()
        self._ear = _Ear(window)
        self._ear.heard.connect(self._tell, Qt.ConnectionType.QueuedConnection)

    def emit(self, record: logging.LogRecord) -> None:
        """Note a record of the log."""
        if record.exc_info and record.exc_info[1] is not None:
            traceback.print_exception(record.exc_info[1])
        self.tell_once(record.getMessage())

    def tell_once(self, sentence: str) -> None:
        """Tell a sentence, unless it was told before."""
        if sentence not in self._told:
            self._told.add(sentence)
            self._ear.heard.emit(sentence)

    def _tell(self, sentence: str) -> None:
        self._window.workspace.document.keep_now()
        self._window.notice.say(sentence, (("Save under another name", self._window.files.save_as),))


def watch_for_mishaps(window: MainWindow) -> MishapWatch:
    """Keep the work and tell in the window when an error was not expected; the trace goes to stderr."""
    watch = MishapWatch(window)
    for old in [handler for handler in LOG.handlers if isinstance(handler, MishapWatch)]:
        LOG.removeHandler(old)
    LOG.addHandler(watch)
    window.destroyed.connect(lambda: LOG.removeHandler(watch))

    def told(kind: type[BaseException], error: BaseException, trace: TracebackType | None) -> None:
        sys.__excepthook__(kind, error, trace)
        if issubclass(kind, Exception):
            window.workspace.document.keep_now()
            window.notice.say(SENTENCE, (("Save under another name", window.files.save_as),))

    sys.excepthook = told
    return watch
