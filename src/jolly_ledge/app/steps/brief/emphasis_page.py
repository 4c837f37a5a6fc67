"""What counts: how much every reading weighs in the manner of the look in hand."""

from collections.abc import Callable
from functools import partial

from PySide6.QtGui import QShowEvent
from PySide6.QtWidgets import QGridLayout, QHBoxLayout, QLabel, QScrollArea, QSizePolicy, QVBoxLayout, QWidget

from jolly_ledge.app.widgets.chip import ChipRow, chip
from jolly_ledge.app.widgets.texts import question, words
from jolly_ledge.edits.emphasis import SetEmphasis
from jolly_ledge.edits.looks import ChangeLook
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.value import changed
from jolly_ledge.readings.absence import absence_said
from jolly_ledge.readings.register import NAMES, QUESTIONS, REGISTER
from jolly_ledge.workspace.workspace import Workspace

STEPS: tuple[tuple[str, str, str], ...] = (
    ("0.0", "Not", "It does not count"),
    ("0.5", "Less", "It counts half"),
    ("1.0", "Usual", "It counts as usual"),
    ("1.5", "More", "It counts half as much again"),
    ("2.0", "Most", "It counts twice"),
)
NOT_HERE = "does not apply here"


class EmphasisPage(QWidget):
    """All readings by the question they answer, each with five steps."""

    def __init__(self, workspace: Workspace, on_back: Callable[[], object]) -> None:
        super().__init__()
        self._workspace = workspace
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        top = QHBoxLayout()
        self.back_button = chip("Back to the brief", "Leave this page (Esc)", checkable=False)
        self.back_button.clicked.connect(lambda: on_back())
        self.usual_button = chip("All as usual", "Let every reading count as usual again", checkable=False)
        self.usual_button.clicked.connect(self._all_usual)
        top.addWidget(self.back_button)
        top.addWidget(self.usual_button)
        top.addStretch(1)
        column.addLayout(top)
        self.note = words("", "soft")
        column.addWidget(self.note)
        area = QScrollArea()
        area.setWidgetResizable(True)
        inside = QWidget()
        grid = QGridLayout(inside)
        grid.setContentsMargins(0, 0, 8, 0)
        grid.setHorizontalSpacing(10)
        grid.setVerticalSpacing(3)
        grid.setColumnStretch(2, 1)
        self.rows: dict[str, ChipRow] = {}
        self.reads: dict[str, QLabel] = {}
        line = 0
        for asked in QUESTIONS:
            grid.addWidget(question(asked, 14), line, 0, 1, 3)
            line += 1
            for entry in REGISTER:
                if entry.question == asked:
                    row = ChipRow(STEPS, partial(self._choose, entry.id))
                    self.rows[entry.id] = row
                    grid.addWidget(words(entry.name, "", wrap=False), line, 0)
                    grid.addWidget(row, line, 1)
                    reads = words("", "small", wrap=False)
                    reads.setSizePolicy(QSizePolicy.Policy.Ignored, QSizePolicy.Policy.Fixed)
                    self.reads[entry.id] = reads
                    grid.addWidget(reads, line, 2)
                    line += 1
        grid.setRowStretch(line, 1)
        area.setWidget(inside)
        column.addWidget(area, 1)

    def _choose(self, reading: str, value: str) -> None:
        workspace = self._workspace
        if float(value) != workspace.look.manner.emphasis_on(reading):
            workspace.commit(
                SetEmphasis(look=workspace.look_id, reading=reading, factor=float(value), name=NAMES[reading])
            )

    def _all_usual(self) -> None:
        workspace = self._workspace
        manner = changed(workspace.look.manner, weights=())
        if manner != workspace.look.manner:
            label = "Let all count as usual"
            workspace.commit(ChangeLook(look=workspace.look_id, changes=(("manner", manner),), label=label))

    def refresh(self) -> None:
        """Show how much each counts in the look in hand."""
        workspace = self._workspace
        if not workspace.look_id:
            return
        manner = workspace.look.manner
        for reading, row in self.rows.items():
            factor = manner.emphasis_on(reading)
            nearest = min(STEPS, key=lambda step: abs(float(step[0]) - factor))
            row.show_choice(nearest[0])
        self._show_reads()
        count = len(manner.weights)
        self.note.setText(
            f"What counts in “{workspace.look.label}”: {count} of {len(self.rows)} readings differ from the usual."
            if count
            else f"What counts in “{workspace.look.label}”: everything as usual in this manner."
        )

    def _show_reads(self) -> None:
        """Say beside each how it reads now; only while the page is seen, for it costs a reading."""
        if not self.isVisible():
            return
        found = {reading.id: reading for reading in self._workspace.assessment.readings}
        for identifier, label in self.reads.items():
            reading = found.get(identifier)
            label.setText(NOT_HERE if reading is None else f"reads {round(reading.score * 100)} · {reading.shown}")
            label.setToolTip(absence_said(identifier) if reading is None else self._workspace.told(reading.sentence))

    @survives
    def showEvent(self, event: QShowEvent) -> None:
        """Catch up with what was read while the page was hidden."""
        super().showEvent(event)
        self._show_reads()
