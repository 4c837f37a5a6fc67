"""Work in a thread beside a widget: what it answers comes as a signal, in the window's own thread."""

from PySide6.QtCore import QObject, Signal
from PySide6.QtWidgets import QApplication

from jolly_ledge.app.widgets.answers import Answers
from jolly_ledge.jobs.requests import Request
from jolly_ledge.jobs.thread_runner import ThreadRunner


class WorkBeside(QObject):
    """Runs one request at a time; ``answered`` tells each event of it, a new request lets the earlier one go."""

    answered = Signal(object)

    def __init__(self, parent: QObject) -> None:
        super().__init__(parent)
        self._runner = ThreadRunner()
        self._answers = Answers(self._runner, self)
        self._answers.came.connect(lambda answer: self.answered.emit(answer.event))
        QApplication.instance().aboutToQuit.connect(self.close)  # type: ignore[union-attr]

    @property
    def is_busy(self) -> bool:
        """Whether an answer is still to come."""
        return self._answers.is_awaited

    def start(self, request: Request, revision: int) -> None:
        """Begin with a request about the plan as it is at a revision."""
        self._runner.start(request, revision)
        self._answers.wait()

    def forget(self) -> None:
        """Let the request go: whoever leaves does not wait for it, and what comes of it is not told."""
        self._answers.stop()
        self._runner.forget()

    def close(self) -> None:
        """Wait until nothing is at work any more."""
        self._answers.stop()
        self._runner.close()
