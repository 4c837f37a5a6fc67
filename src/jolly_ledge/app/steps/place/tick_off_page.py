"""Ticking off in the room, in large type: the next thing, where it goes, and where it was found instead."""

from datetime import date

from PySide6.QtCore import QRectF, Qt
from PySide6.QtGui import QColor, QKeyEvent, QPainter, QPaintEvent, QPen
from PySide6.QtWidgets import QHBoxLayout, QLabel, QLineEdit, QPushButton, QSizePolicy, QVBoxLayout, QWidget

from jolly_ledge.app.tones import ground_painter
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import BoardLine, heading, words
from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.sheet import NO_FIGURE, figure_said, into_said
from jolly_ledge.drawing.theme import PLUM
from jolly_ledge.edits.log import AddLogEntry
from jolly_ledge.edits.placing import FindElsewhere, TickOff
from jolly_ledge.geometry.arrangement import PlacedItem, arrange
from jolly_ledge.model.deviation import parse_deviation
from jolly_ledge.model.errors import LengthError
from jolly_ledge.model.look import LogEntry
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.phrases import capital
from jolly_ledge.model.value import changed
from jolly_ledge.planning.working_order import PlacingStep, working_order
from jolly_ledge.render.fonts import font
from jolly_ledge.render.player import fitting, play
from jolly_ledge.workspace.workspace import Workspace

LARGE = 24


class PlacingView(QWidget):
    """Draws what stands already and the next thing, which has a plum outline."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self._shown: tuple[str, ...] = ()
        self._next = ""
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.setMinimumSize(240, 260)
        self.setAccessibleName("What stands already, and the next thing")

    def show_placed(self, placed: tuple[str, ...], following: str) -> None:
        """Draw these placements and the next one."""
        self._shown, self._next = placed, following
        self.update()

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the piece with what stands, and the outline of the next."""
        workspace = self._workspace
        if not workspace.look_id:
            return
        wanted = {*self._shown, self._next}
        look = workspace.look
        kept = tuple(p for p in look.placements if p.id in wanted and (p.host is None or p.host in wanted))
        arrangement = arrange(workspace.plan, changed(look, placements=kept, placed=()))
        picture = look_picture(arrangement)
        painter = ground_painter(self)
        to_view = fitting(picture, QRectF(self.rect()))
        painter.setTransform(to_view)
        play(painter, picture.primitives)
        placed_item = arrangement.by_id.get(self._next)
        if placed_item is not None:
            self._outline(painter, placed_item)

    def _outline(self, painter: QPainter, placed_item: PlacedItem) -> None:
        pen = QPen(QColor(PLUM), 3.0, Qt.PenStyle.DashLine)
        pen.setCosmetic(True)
        painter.setPen(pen)
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.drawRoundedRect(
            QRectF(placed_item.left - 12, -placed_item.top - 12, placed_item.width + 24, placed_item.height + 24),
            10,
            10,
        )


class TickOffPage(QWidget):
    """One step at a time; Return says that the thing stands."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self._skipped: list[str] = []
        self._steps: tuple[PlacingStep, ...] = ()
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(20)
        self.view = PlacingView(workspace)
        row.addWidget(self.view, 5)
        row.addLayout(self._told(), 6)

    def _told(self) -> QVBoxLayout:
        column = QVBoxLayout()
        column.setSpacing(8)
        self.count = words("", "soft")
        self.name: QLabel = heading("", LARGE)
        self.name.setWordWrap(True)
        self.lines = [QLabel() for _ in range(5)]
        column.addWidget(self.count)
        column.addWidget(self.name)
        column.addWidget(BoardLine())
        for number, line in enumerate(self.lines):
            line.setWordWrap(True)
            line.setFont(font(21 if number < 4 else 16))
            column.addWidget(line)
        buttons = QHBoxLayout()
        self.done_button = QPushButton("It stands")
        self.done_button.setObjectName("primary")
        self.done_button.setToolTip("Return says the same")
        self.done_button.clicked.connect(self.tick)
        self.later_button = QPushButton("Later")
        self.later_button.setToolTip("Go on to the next thing and come back to this one at the end")
        self.later_button.clicked.connect(self.skip)
        self.back_button = QPushButton("Not yet after all")
        self.back_button.setToolTip("Take the last tick back")
        self.back_button.clicked.connect(self.take_back)
        for button in (self.done_button, self.later_button, self.back_button):
            button.setMinimumHeight(48)
            button.setStyleSheet("font-size: 16px; padding: 6px 22px;")
            buttons.addWidget(button)
        buttons.addStretch(1)
        column.addSpacing(6)
        column.addLayout(buttons)
        column.addSpacing(10)
        self.found_label = words("Does it stand elsewhere? Say it, and the readings follow.", "soft")
        self.found_field = QLineEdit()
        self.found_field.setStyleSheet("font-size: 16px;")
        self.found_field.setMinimumHeight(40)
        self.found_field.setPlaceholderText("4 cm left, or 2 cm back")
        self.found_field.setAccessibleName("Where it was found instead")
        self.found_field.returnPressed.connect(self.find_elsewhere)
        self.reads = words("", "good")
        column.addWidget(self.found_label)
        column.addWidget(self.found_field)
        column.addWidget(self.reads)
        column.addStretch(1)
        self.finish_button = chip("Write it in the log", "Say that the look is placed, with how long it took",
                                  checkable=False)  # fmt: skip
        self.hours_field = QLineEdit()
        self.hours_field.setPlaceholderText("hours it took, such as 2.5")
        self.hours_field.setAccessibleName("Hours it took")
        self.finish_button.clicked.connect(self.finish)
        last = QHBoxLayout()
        last.addWidget(self.hours_field, 1)
        last.addWidget(self.finish_button)
        column.addLayout(last)
        return column

    @property
    def placed(self) -> tuple[str, ...]:
        """What stands already, of what is in the look now."""
        known = {step.placement for step in self._steps}
        return tuple(one for one in self._workspace.look.placed if one in known)

    @property
    def following(self) -> PlacingStep | None:
        """The next thing to set down; what was put off comes last."""
        placed = set(self.placed)
        waiting = [step for step in self._steps if step.placement not in placed]
        first = [step for step in waiting if step.placement not in self._skipped]
        return next(iter(first or waiting), None)

    def refresh(self) -> None:
        """Show the next step of the look in hand."""
        workspace = self._workspace
        if not workspace.look_id:
            return
        self._steps = working_order(workspace.arrangement)
        done, step = len(self.placed), self.following
        self.count.setText(f"{done} of {len(self._steps)} stand" if self._steps else "Nothing to place yet.")
        self.view.show_placed(self.placed, step.placement if step else "")
        score = workspace.shown(workspace.assessment.score) if self._steps else 0
        self.reads.setText(f"As it stands the look reads {score}." if self._steps else "")
        self.done_button.setEnabled(step is not None)
        self.later_button.setEnabled(step is not None and done + 1 < len(self._steps))
        self.back_button.setEnabled(done > 0)
        self.found_field.setEnabled(bool(self._steps))
        told = self._lines(step) if step is not None else []
        if step is not None:
            self.name.setText(f"{step.number}. {capital(step.name)}")
        else:
            self.name.setText("All of it stands." if self._steps else "Arrange the look first.")
        for label, text in zip(self.lines, [*told, *[""] * 5], strict=False):
            label.setText(text)
            label.setVisible(bool(text))
        for widget in (self.finish_button, self.hours_field):
            widget.setVisible(bool(self._steps) and step is None)

    def _lines(self, step: PlacingStep) -> list[str]:
        unit = self._workspace.length_unit
        figures = (figure_said(step.along, unit, with_unit=True), into_said(step, unit, with_unit=True))
        own = [caution for caution in self._workspace.cautions if step.placement in caution.placements]
        return [
            f"from: {step.room or 'room not told'}",
            f"to: {step.ledge}, {step.support}",
            " · ".join(figure for figure in figures if figure != NO_FIGURE),
            " · ".join(word for word in (step.how, step.note) if word),
            "\n".join(self._workspace.told(caution.sentence) for caution in own[:2]),
        ]

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Return says that the next thing stands, unless something is being typed."""
        is_return = event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter)
        if is_return and not isinstance(self.focusWidget(), QLineEdit):
            self.tick()
        else:
            event.ignore()

    # What the buttons do

    def tick(self) -> None:
        """Say that the next thing stands."""
        step = self.following
        if step is not None:
            self._workspace.commit(TickOff(look=self._workspace.look_id, placements=(step.placement,), name=step.name))

    def skip(self) -> None:
        """Come back to the next thing later."""
        step = self.following
        if step is not None:
            self._skipped = [*(one for one in self._skipped if one != step.placement), step.placement]
            placed = set(self.placed)
            if all(one.placement in self._skipped for one in self._steps if one.placement not in placed):
                # All were put off: it goes round again, the one that was put off now at the end.
                self._skipped = [step.placement]
            self.refresh()

    def take_back(self) -> None:
        """Take the last tick back."""
        placed = set(self.placed)
        last = next((step for step in reversed(self._steps) if step.placement in placed), None)
        if last is not None:
            self._workspace.commit(
                TickOff(look=self._workspace.look_id, placements=(last.placement,), placed=False, name=last.name)
            )

    def find_elsewhere(self) -> None:
        """Keep where the thing was found: the next one, or the last that was ticked when all stand."""
        workspace, text = self._workspace, self.found_field.text().strip()
        placed = set(self.placed)
        step = self.following or next((one for one in reversed(self._steps) if one.placement in placed), None)
        if step is None or not text:
            return
        try:
            found = parse_deviation(text, workspace.length_unit)
        except LengthError as error:
            workspace.signals.refused.emit(str(error))
            return
        before = workspace.assessment.score
        moved = workspace.commit(FindElsewhere(
            look=workspace.look_id, placement=step.placement, found=found, said=text, name=step.name,
            date=date.today().isoformat(),
        ))  # fmt: skip
        if moved:
            self.found_field.clear()
            change = workspace.shown(workspace.assessment.score) - workspace.shown(before)
            sign = "+" if change > 0 else "−" if change < 0 else "±"
            workspace.signals.told.emit(
                f"The {step.name} stands where you found it; the look reads {sign}{abs(change)}."
            )

    def finish(self) -> None:
        """Write into the log that the look is placed."""
        workspace, text = self._workspace, self.hours_field.text().strip().replace(",", ".")
        try:
            hours = float(text) if text else None
        except ValueError:
            workspace.signals.refused.emit(f"“{text}” is no number of hours; type it like 2.5.")
            return
        entry = LogEntry(date=date.today().isoformat(), text="placed as on the sheet", status="placed", hours=hours)
        if workspace.commit(AddLogEntry(look=workspace.look_id, entry=entry, name=workspace.look.label)):
            self.hours_field.clear()
            workspace.signals.told.emit(f"{workspace.look.label} is placed; the log says so.")
