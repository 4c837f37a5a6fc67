"""A page that takes the place of the drawing while something is searched for in the process beside the window."""

from collections.abc import Callable

from PySide6.QtCore import Qt, Signal
from PySide6.QtGui import QHideEvent, QKeyEvent
from PySide6.QtWidgets import QApplication, QVBoxLayout, QWidget

from jolly_ledge.app.widgets.answers import Answers
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.jobs.requests import Answer, Refused, Request
from jolly_ledge.jobs.runner import Runner
from jolly_ledge.workspace.workspace import Workspace


class SearchPage(QWidget):
    """Starts searches, tells what they answer by ``answered`` (an event of a job), and is left with Esc."""

    answered = Signal(object)

    def __init__(self, workspace: Workspace, on_back: Callable[[], object], job: Runner) -> None:
        super().__init__()
        self._workspace = workspace
        self._on_back = on_back
        self.job = job
        self._answers = Answers(job, self)
        self._answers.came.connect(self._hear)
        self._answers.ended.connect(self.rest)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.column = QVBoxLayout(self)
        self.column.setContentsMargins(0, 0, 0, 0)
        self.column.setSpacing(6)
        self.back_button = chip("Back to the look", "Leave this page (Esc)", checkable=False)
        self.back_button.clicked.connect(lambda: on_back())
        self.note = words("", "soft")
        QApplication.instance().aboutToQuit.connect(job.close)  # type: ignore[union-attr]

    @property
    def is_busy(self) -> bool:
        """Whether a search is under way."""
        return self.job.is_running or self._answers.is_awaited

    def search(self, request: Request, said: str) -> None:
        """Begin a search and say what is going on."""
        self.job.start(request, self._workspace.revision)
        self.note.setText(said)
        self._answers.wait()

    def _hear(self, answer: Answer) -> None:
        event = answer.event
        if isinstance(event, Refused):
            self.note.setText(event.sentence)
            self._workspace.signals.refused.emit(event.sentence)
        else:
            self.answered.emit(event)

    def rest(self) -> None:
        """Show that nothing is searched for any more."""

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Leave with Esc."""
        if event.key() == Qt.Key.Key_Escape:
            self._on_back()
        else:
            event.ignore()

    def hideEvent(self, event: QHideEvent) -> None:
        """End a search that nobody looks at."""
        super().hideEvent(event)
        self.job.cancel()
        # Another page may search with the same process next; what it finds is not this one's.
        self._answers.stop()
        self.rest()
