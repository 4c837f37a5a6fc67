"""One proposal: its drawing, on which ledges are marked for a blend, how it reads, what differs, its story."""

from collections.abc import Callable

from PySide6.QtCore import QPointF, QRectF, Qt, Signal
from PySide6.QtGui import QColor, QKeyEvent, QMouseEvent, QPaintEvent, QPen
from PySide6.QtWidgets import QLabel, QPushButton, QSizePolicy, QVBoxLayout, QWidget

from jolly_ledge.app.tones import ground_painter
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import BoardLine, words
from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.picture import Picture
from jolly_ledge.drawing.theme import PLUM
from jolly_ledge.geometry.arrangement import Arrangement, arrange
from jolly_ledge.measures.frame import frame_height
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.piece import Ledge
from jolly_ledge.model.plan import Plan
from jolly_ledge.planning.differences import differences
from jolly_ledge.proposals.proposal import Proposal
from jolly_ledge.readings.register import NAMES, Assessment
from jolly_ledge.render.player import fitting, play_fitted
from jolly_ledge.workspace.workspace import Workspace

STORY_LINES, MOST_TOLD, DIFFERS_FROM = 3, 3, 0.03
"""Lines of the story that are shown, readings that are named, and what is not worth naming."""


DIFFERS_ROOM, STORY_ROOM = 2, 8
"""Lines of text that have room under every drawing."""


class ProposalDrawing(QWidget):
    """A proposal drawn as large as it goes; a click marks a ledge to be kept in a blend."""

    marked = Signal(str)

    def __init__(self) -> None:
        super().__init__()
        self._picture: Picture | None = None
        self._arrangement: Arrangement | None = None
        self.marks: set[str] = set()
        self.setMinimumHeight(150)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self.setToolTip("Click a ledge to keep it in a blend")

    def show_arrangement(self, arrangement: Arrangement | None) -> None:
        """Draw a look; None shows nothing."""
        self._arrangement = arrangement
        self._picture = None if arrangement is None else look_picture(arrangement, scale_bar=False)
        if arrangement is None:
            self.marks.clear()
        self.update()

    def area_of(self, ledge: Ledge) -> QRectF:
        """Return where the opening over a ledge is shown."""
        if self._picture is None:
            return QRectF()
        high = frame_height(ledge)
        shown = QRectF(ledge.left, -ledge.floor - high, ledge.width, high)
        return fitting(self._picture, QRectF(self.rect())).mapRect(shown)

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint it, with a plum frame about every marked ledge."""
        if self._picture is None or self._arrangement is None:
            return
        painter = ground_painter(self)
        play_fitted(painter, self._picture, QRectF(self.rect()))
        painter.setPen(QPen(QColor(PLUM), 2.0))
        tint = QColor(PLUM)
        tint.setAlpha(46)
        painter.setBrush(tint)
        for ledge in self._arrangement.standing_ledges:
            if ledge.id in self.marks:
                painter.drawRoundedRect(self.area_of(ledge), 3, 3)

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Mark the ledge that is pressed."""
        ledge = self._ledge_at(event.position())
        if ledge is not None:
            self.marked.emit(ledge.id)

    def _ledge_at(self, position: QPointF) -> Ledge | None:
        ledges = self._arrangement.standing_ledges if self._arrangement is not None else ()
        return next((ledge for ledge in ledges if self.area_of(ledge).contains(position)), None)


class ProposalCard(QWidget):
    """Shows one proposal and lets it be taken over."""

    def __init__(self, workspace: Workspace, on_take: Callable[[], object], on_mark: Callable[[str], object]) -> None:
        super().__init__()
        self._workspace = workspace
        self.proposal: Proposal | None = None
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(5)
        self.drawing = ProposalDrawing()
        self.drawing.marked.connect(on_mark)
        self.reads: QLabel = words("", "good", wrap=False)
        self.take_button: QPushButton = chip("Take it over", "Add it as a look, in one step", checkable=False)
        self.take_button.clicked.connect(lambda: on_take())
        self.differs: QLabel = words("", "soft")
        self.story: QLabel = words("", "small")
        for label in (self.differs, self.story):
            label.setAlignment(Qt.AlignmentFlag.AlignLeft | Qt.AlignmentFlag.AlignTop)
        column.addWidget(self.drawing, 1)
        column.addWidget(BoardLine())
        column.addWidget(self.reads)
        column.addWidget(self.take_button, 0, Qt.AlignmentFlag.AlignLeft)
        column.addWidget(self.differs)
        column.addWidget(self.story)
        self.show_proposal(None, None, None, None)

    def show_proposal(
        self, plan: Plan | None, proposal: Proposal | None, present: Arrangement | None, read: Assessment | None
    ) -> None:
        """Show a proposal beside the look in hand; None shows that there is none yet."""
        self.proposal = proposal
        self.take_button.setEnabled(proposal is not None)
        if proposal is None or plan is None:
            self.drawing.show_arrangement(None)
            self.reads.setText("…")
            self.differs.setText("")
            self.story.setText("")
            return
        arrangement = arrange(plan, proposal.look)
        self.drawing.show_arrangement(arrangement)
        self.tell_number(present, read)
        self.differs.setText(_named_differences(proposal.assessment, read) if present and present.placed_items else "")
        told = [step.sentence for step in proposal.story]
        changes = differences(present, arrangement) if present is not None and present.placed_items else ()
        manner = f"{proposal.look.manner.fullness}, {proposal.look.manner.figure}"
        self.story.setText("\n".join(told[:STORY_LINES]))
        told_at_length = "\n".join([f"In {manner}.", *told, "", *changes])
        for label in (self.story, self.differs, self.reads):
            label.setToolTip(told_at_length)

    def tell_number(self, present: Arrangement | None, read: Assessment | None) -> None:
        """Tell what the proposal reads beside the look in hand, on the scale of the panel."""
        if self.proposal is not None:
            self.reads.setText(self._reads(self.proposal, present, read))

    def _reads(self, proposal: Proposal, present: Arrangement | None, read: Assessment | None) -> str:
        shown = self._workspace.shown
        score = shown(proposal.assessment.score, proposal.look)
        lacks = "" if proposal.is_valid else ", not complete"
        if read is None or present is None or not present.placed_items:
            return f"reads {score}{lacks}"
        more = score - shown(read.score, present.look)
        return f"reads {score} ({'+' if more >= 0 else '−'}{abs(more)}){lacks}"

    def rooms(self) -> tuple[int, int]:
        """Return how much room its two texts need at its width, in pixels."""
        needed = []
        for label, lines in ((self.differs, DIFFERS_ROOM), (self.story, STORY_ROOM)):
            label.ensurePolished()
            needed.append(max(lines * label.fontMetrics().lineSpacing(), label.heightForWidth(self.width())))
        return needed[0], needed[1]

    def give_room(self, differs: int, story: int) -> None:
        """Give its two texts so much room."""
        self.differs.setFixedHeight(differs)
        self.story.setFixedHeight(story)

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Keys belong to the page."""
        event.ignore()


def _named_differences(found: Assessment, present: Assessment | None) -> str:
    """Return which readings are better and which are worse than in the look in hand."""
    if present is None:
        return ""
    changes = []
    for reading in found.readings:
        before = present.reading(reading.id)
        if before is not None and abs(reading.score - before.score) >= DIFFERS_FROM:
            changes.append((reading.score - before.score, NAMES[reading.id].lower()))
    better = [name for change, name in sorted(changes, reverse=True) if change > 0][:MOST_TOLD]
    worse = [name for change, name in sorted(changes) if change < 0][:MOST_TOLD]
    said = [f"better: {', '.join(better)}"] if better else []
    said += [f"worse: {', '.join(worse)}"] if worse else []
    return "; ".join(said)
