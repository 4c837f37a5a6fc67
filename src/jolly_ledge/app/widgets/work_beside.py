"""Work in a thread beside a widget: what it answers comes as a signal, in the window's own thread."""

from PySide6.QtCore import QObject, QTimer, Signal
from PySide6.QtWidgets import QApplication

from jolly_ledge.jobs.requests import Request
from jolly_ledge.jobs.thread_runner import ThreadRunner

POLL_MS = 40


class WorkBeside(QObject):
    """Runs one request at a time; ``answered`` tells each event of it, a new request lets the earlier one go."""

    answered = Signal(object)

    def __init__(self, parent: QObject) -> None:
        super().__init__(parent)
        self._runner = ThreadRunner()
        self._timer = QTimer(self)
        self._timer.setInterval(POLL_MS)
        self._timer.timeout.connect(self._fetch)
        QApplication.instance().aboutToQuit.connect(self.close)  # type: ignore[union-attr]

    @property
    def is_busy(self) -> bool:
        """Whether an answer is still to come."""
        return self._timer.isActive()

    def start(self, request: Request, revision: int) -> None:
        """Begin with a request about the plan as it is at a revision."""
        self._runner.start(request, revision)
        self._timer.start()

    def forget(self) -> None:
        """Let the request go: whoever leaves does not wait for it, and what comes of it is not told."""
        self._timer.stop()
        self._runner.forget()

    def close(self) -> None:
        """Wait until nothing is at work any more."""
        self._timer.stop()
        self._runner.close()

    def _fetch(self) -> None:
        for answer in self._runner.poll():
            self.answered.emit(answer.event)
        if not self._runner.is_running:
            self._timer.stop()
