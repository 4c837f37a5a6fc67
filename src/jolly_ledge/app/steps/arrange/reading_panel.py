"""The readings beside the drawing, what they found, and the cautions apart from them."""

from functools import partial

from PySide6.QtCore import QPoint, Qt, QTimer
from PySide6.QtGui import QShowEvent
from PySide6.QtWidgets import QHBoxLayout, QMenu, QVBoxLayout, QWidget

from jolly_ledge.app.modules_ahead import FOR_READINGS, when_read
from jolly_ledge.app.steps.arrange.meaning_watch import MeaningWatch
from jolly_ledge.app.steps.arrange.notes_area import NotesArea
from jolly_ledge.app.steps.arrange.question_row import QuestionRow
from jolly_ledge.app.steps.arrange.reading_help import ReadingHelp
from jolly_ledge.app.steps.arrange.reading_row import ReadingRow
from jolly_ledge.app.steps.arrange.stops_strip import StopsStrip
from jolly_ledge.app.tones import tones
from jolly_ledge.app.widgets.in_turns import in_turns
from jolly_ledge.app.widgets.own_menu import pop_up
from jolly_ledge.app.widgets.pace import Pace
from jolly_ledge.app.widgets.texts import BoardLine, heading, set_text, words
from jolly_ledge.edits.emphasis import EMPHASES, SetEmphasis
from jolly_ledge.model.mishaps import survives
from jolly_ledge.readings.register import QUESTIONS, REGISTER
from jolly_ledge.workspace.look_before import LookBefore
from jolly_ledge.workspace.workspace import Workspace

SENTENCE_HEIGHT = 40
NOTES_AFTER_MS = 60
"""Sentences change this long after the pointer rests; a changing text cannot be read anyway."""

SINCE_WIDTH = 200


class ReadingPanel(QWidget):
    """Shows the readings of the look in hand; they move while a thing is carried."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self._since: tuple[str, float] | None = None
        self._before = LookBefore(workspace)
        self._is_behind = False
        self.help: ReadingHelp | None = None
        self._pace = Pace(self._show_carried, self)
        self._later = QTimer(self)
        self._later.setSingleShot(True)
        self._later.setInterval(NOTES_AFTER_MS)
        self._later.timeout.connect(self.refresh)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(0)
        column.addLayout(self._head())
        self.rows: dict[str, ReadingRow] = {}
        self.questions: dict[str, QuestionRow] = {}
        self.opened = ""
        for asked in QUESTIONS:
            title = QuestionRow(asked)
            title.toggled.connect(self.open_question)
            self.questions[asked] = title
            column.addWidget(title)
            for entry in REGISTER:
                if entry.question == asked:
                    row = ReadingRow(entry, self._point_at_row)
                    row.menu_asked.connect(partial(self._show_menu, row))
                    row.explanation_asked.connect(partial(self.explain, row))
                    self.rows[entry.id] = row
                    column.addWidget(row)
        self.sentence = words("", "soft")
        self.sentence.setFixedHeight(SENTENCE_HEIGHT)
        self.sentence.setAlignment(Qt.AlignmentFlag.AlignTop)
        column.addWidget(self.sentence)
        column.addWidget(BoardLine())
        self.notes = NotesArea(workspace, self._point_at)
        column.addWidget(self.notes, 1)
        self.stops = StopsStrip(self.notes.show_card)
        column.addWidget(self.stops)
        self.watch = MeaningWatch(workspace, self)
        self.watch.told.connect(self.refresh)
        workspace.signals.changed.connect(self._after_change)
        workspace.signals.previewed.connect(self._follow)
        # The first picture does not wait for the first readings (see ``begin``): nothing is there to be told yet.
        set_text(self.score, "Reading")
        self._show_what_applies()

    def _head(self) -> QVBoxLayout:
        column = QVBoxLayout()
        column.setSpacing(1)
        row = QHBoxLayout()
        self.score = heading("", 21)
        self.since = words("", "good", wrap=False)
        row.addWidget(self.score)
        row.addSpacing(8)
        row.addWidget(self.since, 1, Qt.AlignmentFlag.AlignBottom)
        column.addLayout(row)
        self.scale = words("", "small", wrap=False)
        self.stands = words("", "small")
        column.addWidget(self.scale)
        column.addWidget(self.stands)
        return column

    def begin(self) -> None:
        """Read for the first time, once the look is seen and what readings compute with was loaded beside it."""
        when_read(FOR_READINGS, self, self._begin_now)

    def _begin_now(self) -> None:
        workspace = self._workspace
        in_turns(
            self,
            lambda: workspace.look_id and workspace.assessment,
            self._before.read,
            self._after_change,
            self.watch.begin,
            workspace.signals.pointed.emit,
        )

    @survives
    def showEvent(self, event: QShowEvent) -> None:
        """Catch up with what happened while the panel was hidden."""
        super().showEvent(event)
        if self._is_behind:
            self._after_change()

    def _after_change(self) -> None:
        self._pace.forget()
        self._is_behind = not self.isVisible()
        if self._is_behind:
            return
        self._since = self._before.read()
        self.refresh()

    def refresh(self) -> None:
        """Show the readings, findings and cautions of the look in hand."""
        workspace = self._workspace
        if not workspace.look_id:
            return
        if not workspace.look.placements:
            self._show_empty()
            return
        self._show_readings()
        if not self.notes.is_trying:
            self._show_notes()

    def _follow(self) -> None:
        """Follow a thing that is carried: the readings as fast as they can be read, the sentences a moment later."""
        self._pace.ask()
        self._later.start()

    def _show_carried(self) -> None:
        if self._workspace.look_id and self._workspace.look.placements:
            self._show_readings()

    def _show_readings(self) -> None:
        assessment = self._workspace.assessment
        set_text(self.score, f"Reads {self._workspace.shown(assessment.score)}")
        self._show_since(assessment.score)
        losses = assessment.by_question
        for asked, title in self.questions.items():
            title.show_loss(losses[asked], is_open=asked == self.opened)
        readings = {reading.id: reading for reading in assessment.readings}
        for identifier, row in self.rows.items():
            row.show_reading(readings.get(identifier))

    def open_question(self, asked: str) -> None:
        """Open a question, or fold it where it is open."""
        self.opened = "" if asked == self.opened else asked
        self._show_readings()
        self._show_what_applies()

    def _show_standing(self) -> None:
        """Say what the number means, and how the look stands among chance ones."""
        meaning, stands = self.watch.meaning, self.watch.stands
        set_text(self.scale, "chance reads 30, the best found 95" if meaning else "a raw score; chance is being tried")
        set_text(self.stands, "\n".join(stands.sentences) if stands is not None else "")
        self.stands.setVisible(stands is not None and bool(stands.sentences))

    def _show_notes(self) -> None:
        self._show_standing()
        for row in self.rows.values():
            row.describe(self._workspace.told)
        self._show_what_applies()
        self.stops.show_stops(self._workspace.cautions, self._workspace.arrangement)
        self.notes.show_cautions()
        self.notes.show_findings()
        pointed = next((row for row in self.rows.values() if row.underMouse() and row.reading), None)
        self._say_sentence(pointed)

    def _show_what_applies(self) -> None:
        """Hide the readings of folded questions and those that this look gives nothing to read."""
        for row in self.rows.values():
            row.setVisible(row.reading is not None and row.entry.question == self.opened)
        for asked, title in self.questions.items():
            title.setVisible(any(row.reading for row in self.rows.values() if row.entry.question == asked))

    def _show_since(self, score: float) -> None:
        if self._since is None:
            self.since.setText("")
            return
        name, earlier = self._since
        difference = self._workspace.shown(score) - self._workspace.shown(earlier)
        sign = "+" if difference > 0 else "−" if difference < 0 else "±"
        text = f"{sign}{abs(difference)} since {name}"
        if text != self.since.text():
            self.since.setText(self.since.fontMetrics().elidedText(text, Qt.TextElideMode.ElideRight, SINCE_WIDTH))
        said = f"color: {tones().teal if difference >= 0 else tones().ochre_ink}; font-size: 13px;"
        if said != self.since.styleSheet():
            self.since.setStyleSheet(said)

    def _show_empty(self) -> None:
        set_text(self.score, "Nothing to read")
        self.since.setText("")
        self.scale.setText("")
        self.stands.hide()
        self.stops.hide()
        for row in self.rows.values():
            row.show_reading(None)
            row.describe(self._workspace.told)
            row.hide()
        for title in self.questions.values():
            title.hide()
        self.notes.show_nothing()
        self.sentence.setText("This look is empty: carry a thing from the board below to a ledge.")

    def menu_of(self, row: ReadingRow) -> QMenu:
        """Return what can be done with a reading: how much it counts, and where that is told for all."""
        workspace, entry = self._workspace, row.entry
        menu = QMenu(self)
        menu.addAction(entry.name).setEnabled(False)
        menu.addSeparator()
        now = workspace.look.manner.emphasis_on(entry.id)
        for factor, said in EMPHASES.items():
            edit = SetEmphasis(look=workspace.look_id, reading=entry.id, factor=factor, name=entry.name)
            made = menu.addAction(
                f"It counts {said}" if factor else "It does not count", partial(workspace.commit, edit)
            )
            made.setCheckable(True)
            made.setChecked(factor == now)
        menu.addSeparator()
        menu.addAction("What it means, with a drawing of better and worse\tReturn", partial(self.explain, row))
        menu.addAction("What counts, for all", lambda: workspace.signals.step_asked.emit("Brief"))
        return menu

    def explain(self, row: ReadingRow) -> None:
        """Tell what a reading means and how it is computed, with a drawing of better and of worse."""
        if self.help is None:
            self.help = ReadingHelp(self)
        self.help.open_for(row.entry, row.mapToGlobal(QPoint(0, 0)))

    def _show_menu(self, row: ReadingRow, at: QPoint) -> None:
        pop_up(self.menu_of(row), at)

    def _point_at_row(self, row: ReadingRow | None) -> None:
        self._point_at(row.reading.placements if row and row.reading else ())
        self._say_sentence(row)

    def _say_sentence(self, row: ReadingRow | None) -> None:
        readings = self._workspace.assessment.readings
        reading = row.reading if row else min(readings, key=lambda reading: reading.score, default=None)
        self.sentence.setText(self._workspace.told(reading.sentence) if reading else "")

    def _point_at(self, placements: tuple[str, ...]) -> None:
        self._workspace.point_at(*placements)
