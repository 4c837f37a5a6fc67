"""Proposals as small true drawings on one board, while they get better; one is taken over in one step."""

from collections.abc import Callable
from functools import partial

from msgspec.structs import replace
from PySide6.QtCore import QRectF, Qt, QTimer
from PySide6.QtGui import QHideEvent, QKeyEvent, QPainter, QPaintEvent
from PySide6.QtWidgets import QApplication, QGridLayout, QHBoxLayout, QVBoxLayout, QWidget

from jolly_ledge.app.session import Session
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import Board, words
from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.picture import Picture
from jolly_ledge.jobs.propose_job import Event, ProposeJob, ProposeRequest, Refused
from jolly_ledge.model.arrangement import arrange
from jolly_ledge.model.edits.proposed import AddProposals
from jolly_ledge.model.plan import Plan
from jolly_ledge.proposals.propose import Progress, Proposal
from jolly_ledge.render.player import play_fitted

COUNT, SECONDS = 3, 12.0
POLL_MS = 120
STORY_LINES = 3


class ProposalDrawing(QWidget):
    """One proposal, drawn as large as it goes."""

    def __init__(self) -> None:
        super().__init__()
        self._picture: Picture | None = None
        self.setMinimumHeight(160)

    def show_proposal(self, plan: Plan, proposal: Proposal | None) -> None:
        """Draw a proposal; None shows nothing."""
        self._picture = None if proposal is None else look_picture(arrange(plan, proposal.look), scale_bar=False)
        self.update()

    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint it."""
        if self._picture is not None:
            painter = QPainter(self)
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            play_fitted(painter, self._picture, QRectF(self.rect()))


class ProposalsPage(QWidget):
    """Asks for proposals and shows them."""

    def __init__(self, session: Session, on_back: Callable[[], object], job: ProposeJob | None = None) -> None:
        super().__init__()
        self._session = session
        self._on_back = on_back
        self.job = job or ProposeJob()
        self.found: list[Proposal | None] = [None] * COUNT
        self._asked_for: Plan | None = None
        self._seed = 0
        self._timer = QTimer(self)
        self._timer.setInterval(POLL_MS)
        self._timer.timeout.connect(self.fetch)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        top = QHBoxLayout()
        top.setSpacing(6)
        self.back_button = chip("Back to the look", "Leave the proposals (Esc)", checkable=False)
        self.back_button.clicked.connect(lambda: on_back())
        self.again_button = chip("Propose others", "Search again with another throw of the dice", checkable=False)
        self.again_button.clicked.connect(self.begin)
        self.stop_button = chip("That is enough", "End the search and keep what was found", checkable=False)
        self.stop_button.clicked.connect(self.job.cancel)
        for button in (self.back_button, self.again_button, self.stop_button):
            top.addWidget(button)
        top.addStretch(1)
        column.addLayout(top)
        self.note = words("", "soft")
        column.addWidget(self.note)
        grid = QGridLayout()
        grid.setHorizontalSpacing(10)
        grid.setVerticalSpacing(6)
        self.drawings = [ProposalDrawing() for _ in range(COUNT)]
        self.reads = [words("", "good", wrap=False) for _ in range(COUNT)]
        self.stories = [words("", "small") for _ in range(COUNT)]
        self.take_buttons = [
            chip("Take it over", "Add it as a look, in one step", checkable=False) for _ in range(COUNT)
        ]
        grid.addWidget(Board(), 1, 0, 1, COUNT)
        for index in range(COUNT):
            grid.setColumnStretch(index, 1)
            self.take_buttons[index].clicked.connect(partial(self._take, index))
            grid.addWidget(self.drawings[index], 0, index)
            grid.addWidget(self.reads[index], 2, index)
            grid.addWidget(self.take_buttons[index], 3, index, Qt.AlignmentFlag.AlignLeft)
            grid.addWidget(self.stories[index], 4, index, Qt.AlignmentFlag.AlignTop)
        grid.setRowStretch(0, 1)
        column.addLayout(grid, 1)
        QApplication.instance().aboutToQuit.connect(self.job.close)  # type: ignore[union-attr]

    def begin(self, _: bool = False, *, steps: int | None = None) -> None:
        """Search for looks of the piece in hand in the manner of the look in hand; what is locked in it stays."""
        session = self._session
        self._seed += 1
        self._asked_for = session.plan
        self.found = [None] * COUNT
        self._show()
        look = session.plan.look(session.look_id)
        self.job.start(
            ProposeRequest(
                session.plan, session.piece_id, look.manner, look, None, COUNT, self._seed,
                None if steps is not None else SECONDS, steps,
            )
        )  # fmt: skip
        self.note.setText("Composing in the manner of the look in hand; what is locked in it stays …")
        self._timer.start()

    def fetch(self) -> None:
        """Fetch what the search has found."""
        for event in self.job.poll():
            self._take_in(event)
        self.stop_button.setEnabled(self.job.is_running)
        if not self.job.is_running:
            self._timer.stop()

    def _take_in(self, event: Event) -> None:
        if isinstance(event, Refused):
            self.note.setText(event.sentence)
            self._session.refused.emit(event.sentence)
        elif isinstance(event, Progress):
            self.found[event.number] = event.best
            left = round(SECONDS * (1 - event.share))
            self.note.setText(f"Getting better; about {left} s left. {event.best.count_said}")
        else:
            self.found = [*event.found, *([None] * (COUNT - len(event.found)))]
            self.note.setText(self.found[0].count_said if self.found[0] is not None else "Nothing was found.")
        self._show()

    def _show(self) -> None:
        for index, proposal in enumerate(self.found):
            self.drawings[index].show_proposal(self._asked_for or self._session.plan, proposal)
            self.take_buttons[index].setEnabled(proposal is not None)
            if proposal is None:
                self.reads[index].setText("…")
                self.stories[index].setText("")
                continue
            lacks = "" if proposal.is_valid else ", not complete"
            self.reads[index].setText(f"reads {round(proposal.assessment.score * 100)}{lacks}")
            told = [step.sentence for step in proposal.story]
            self.stories[index].setText("\n".join(told[:STORY_LINES]))
            self.stories[index].setToolTip("\n".join(told))

    def _take(self, index: int) -> None:
        session, proposal = self._session, self.found[index]
        if proposal is None:
            return
        if self._asked_for is None or session.plan.stash != self._asked_for.stash:
            session.refused.emit("The stash has changed since; propose anew before taking one over.")
            return
        told = "\n".join([proposal.count_said, *(step.sentence for step in proposal.story)])
        before = {look.id for look in session.plan.looks}
        if session.commit(AddProposals(looks=(replace(proposal.look, note=told),))):
            session.choose_look(next(look.id for look in session.plan.looks if look.id not in before))
            self._on_back()

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
