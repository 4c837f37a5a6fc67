"""What a runner answers, heard in the window's own thread: nobody waits for it."""

from PySide6.QtCore import QObject, QTimer, Signal

from jolly_ledge.jobs.runner import Runner

ASKED_MS = 60
"""Whether there is an answer is asked so often."""


class Answers(QObject):
    """Asks a runner for its answers while it is at work."""

    came = Signal(object)
    """One answer, as :class:`~jolly_ledge.jobs.requests.Answer`."""

    ended = Signal()
    """The runner rests; all its answers were told."""

    def __init__(self, runner: Runner, parent: QObject) -> None:
        super().__init__(parent)
        self._runner = runner
        self._timer = QTimer(self)
        self._timer.setInterval(ASKED_MS)
        self._timer.timeout.connect(self.fetch)

    @property
    def is_awaited(self) -> bool:
        """Whether answers are still to come."""
        return self._timer.isActive()

    def wait(self) -> None:
        """Tell answers from now on, until the runner rests."""
        self._timer.start()

    def stop(self) -> None:
        """Tell no more answers: what comes is for somebody else, or for nobody."""
        self._timer.stop()

    def fetch(self) -> None:
        """Tell what came since the last time."""
        for answer in self._runner.poll():
            self.came.emit(answer)
        if self.is_awaited and not self._runner.is_running:
            self.stop()
            self.ended.emit()
