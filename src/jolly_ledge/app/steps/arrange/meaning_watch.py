"""Asks beside the window what the score of the look in hand means, some time after its last change."""

from typing import TYPE_CHECKING

from PySide6.QtCore import QObject, QTimer, Signal
from PySide6.QtWidgets import QApplication

from jolly_ledge.model.look import Manner
from jolly_ledge.workspace.workspace import Workspace

if TYPE_CHECKING:
    # The first picture does not wait for what works beside the window.
    from jolly_ledge.app.widgets.answers import Answers
    from jolly_ledge.jobs.requests import Answer
    from jolly_ledge.jobs.runner import Runner
    from jolly_ledge.proposals.meaning import Meaning, Stands

AFTER_MS = 1_500
"""It is asked for when nothing has changed for so long; nothing waits for it."""

Known = tuple[str, Manner]


class MeaningWatch(QObject):
    """Finds what scores mean for the piece and manner in hand, and how its look stands; both anew after a change.

    Until then the number is told by the last meaning: it must not leap about while one works.
    """

    told = Signal()

    def __init__(self, workspace: Workspace, parent: QObject) -> None:
        super().__init__(parent)
        self._workspace = workspace
        self._job: Runner | None = None
        self._answers: Answers | None = None
        self._stands: Stands | None = None
        self._asked: Known | None = None
        self._later = QTimer(self)
        self._later.setSingleShot(True)
        self._later.setInterval(AFTER_MS)
        self._later.timeout.connect(self.ask)
        workspace.signals.plan_changed.connect(self._after_change)
        workspace.signals.in_hand_changed.connect(self._after_change)

    @property
    def _known(self) -> Known:
        return self._workspace.piece_id, self._workspace.look.manner

    @property
    def meaning(self) -> "Meaning | None":
        """What scores mean for the piece and the manner in hand, where that was found already."""
        return self._workspace.meanings.get(self._known) if self._workspace.look_id else None

    @property
    def stands(self) -> "Stands | None":
        """How the look in hand stands among chance ones; None after a change, until it is known anew."""
        return self._stands

    def begin(self) -> None:
        """Ask some time from now."""
        self._later.start()

    def _after_change(self) -> None:
        self._stands = self._asked = None
        if self._job is not None and self._job.is_running:
            self._job.cancel()
        self._later.start()

    def ask(self) -> None:
        """Ask how the look in hand stands."""
        from jolly_ledge.app.widgets.answers import Answers
        from jolly_ledge.jobs.process_runner import ProcessRunner
        from jolly_ledge.jobs.requests import MeaningRequest

        workspace = self._workspace
        if not workspace.look_id or not workspace.look.placements:
            return
        if self._job is None or self._answers is None:
            self._job = ProcessRunner()
            self._answers = Answers(self._job, self)
            self._answers.came.connect(self._hear)
            QApplication.instance().aboutToQuit.connect(self._job.close)  # type: ignore[union-attr]
        self._asked = self._known
        self._job.start(MeaningRequest(workspace.plan, workspace.look_id), workspace.revision)
        self._answers.wait()

    def _hear(self, answer: "Answer") -> None:
        """Take in what was found; what belongs to another look by now is kept for its piece only."""
        from jolly_ledge.jobs.requests import MeaningFound

        event = answer.event
        if isinstance(event, MeaningFound) and self._asked is not None and event.meaning is not None:
            self._workspace.meanings[self._asked] = event.meaning
            if event.look == self._workspace.look_id and answer.revision == self._workspace.revision:
                self._stands = event.stands
            self.told.emit()

    def close(self) -> None:
        """End the process beside the window."""
        self._later.stop()
        if self._answers is not None:
            self._answers.stop()
        if self._job is not None:
            self._job.close()
