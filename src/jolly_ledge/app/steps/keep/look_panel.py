"""One look of the log: its name, dates, season and status, what was done, and the photographs."""

from collections.abc import Callable
from datetime import date

from PySide6.QtCore import Qt
from PySide6.QtWidgets import (
    QComboBox,
    QFormLayout,
    QGridLayout,
    QHBoxLayout,
    QLineEdit,
    QPlainTextEdit,
    QPushButton,
    QVBoxLayout,
    QWidget,
)

from jolly_ledge.app.steps.keep.photo_strip import PhotoStrip
from jolly_ledge.app.views.thumbnail import Thumbnail
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import BoardLine, question, words
from jolly_ledge.edits.log import AddLogEntry, BringBack, RemoveLogEntry
from jolly_ledge.edits.looks import ChangeLook, DuplicateLook, RemoveLook
from jolly_ledge.model.dates import date_of
from jolly_ledge.model.errors import EditError, JollyLedgeError
from jolly_ledge.model.log import STATUS_WORDS, cost_of_work, hours_of
from jolly_ledge.model.look import LogEntry, Look
from jolly_ledge.model.money import money, price_of
from jolly_ledge.model.words import LOOK_STATUSES, SEASONS
from jolly_ledge.workspace.workspace import Workspace

NO_SEASON = "by its date"
LINES_SHOWN = 6


class LookPanel(QWidget):
    """Shows the look that is chosen on the time line, and changes it."""

    def __init__(self, workspace: Workspace, strip: PhotoStrip) -> None:
        super().__init__()
        self._workspace = workspace
        self.look_id = ""
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 4, 0)
        column.setSpacing(7)
        self.thumbnail = Thumbnail(workspace, "")
        self.thumbnail.setMinimumHeight(210)
        column.addWidget(self.thumbnail, 1)
        column.addWidget(BoardLine())
        column.addLayout(self._form())
        column.addLayout(self._buttons())
        column.addWidget(question("What was done"))
        column.addLayout(self._log())
        column.addWidget(question("Photographs"))
        self.photos = strip
        column.addWidget(strip)

    def _form(self) -> QFormLayout:
        form = QFormLayout()
        form.setSpacing(5)
        form.setLabelAlignment(Qt.AlignmentFlag.AlignLeft)
        self.name_field = self._text("Name", lambda text: self._change("name", text.strip(), "Rename"))
        self.date_field = self._text("Stands from", lambda text: self._set_date("date", text, "Date"))
        self.down_field = self._text("Taken down", lambda text: self._set_date("takes_down", text, "Day of"))
        for field in (self.date_field, self.down_field):
            field.setPlaceholderText("2026-10-03")
        self.season_list, self.status_list = QComboBox(), QComboBox()
        self.season_list.addItem(NO_SEASON, None)
        for season in SEASONS:
            self.season_list.addItem(season, season)
        for status in LOOK_STATUSES:
            self.status_list.addItem(STATUS_WORDS[status], status)
        self.season_list.setAccessibleName("Season")
        self.status_list.setAccessibleName("How far it has come")
        self.season_list.activated.connect(lambda _: self._change("season", self.season_list.currentData(), "Season"))
        self.status_list.activated.connect(lambda _: self._set_status())
        for title, field in (("Name", self.name_field),):
            form.addRow(title, field)
        for title, first, second in (
            ("Stands from", self.date_field, self.down_field), ("Season", self.season_list, self.status_list),
        ):  # fmt: skip
            row = QHBoxLayout()
            row.setSpacing(6)
            row.addWidget(first, 1)
            row.addWidget(words("to" if second is self.down_field else "it is", "soft", wrap=False))
            row.addWidget(second, 1)
            form.addRow(title, row)
        self.note_field = QPlainTextEdit()
        self.note_field.setAccessibleName("Note about the look")
        self.note_field.setPlaceholderText("What people thought, what to change next time")
        self.note_field.setAccessibleName("Note")
        self.note_field.setTabChangesFocus(True)
        self.note_field.setFixedHeight(64)
        self.note_field.textChanged.connect(lambda: self._change("note", self.note_field.toPlainText(), "Note on"))
        form.addRow("Note", self.note_field)
        return form

    def _text(self, name: str, done: Callable[[str], object]) -> QLineEdit:
        field = QLineEdit()
        field.setAccessibleName(name)
        field.setMinimumHeight(28)
        field.editingFinished.connect(lambda: done(field.text()))
        return field

    def _buttons(self) -> QGridLayout:
        grid = QGridLayout()
        grid.setSpacing(6)
        self.take_button = chip("Take in hand", "Work on this look", checkable=False)
        self.take_button.clicked.connect(lambda: self._workspace.choose_look(self.look_id))
        self.back_button = chip("Bring it back", "A new look as this one was, with what is still owned",
                                checkable=False)  # fmt: skip
        self.back_button.clicked.connect(self._bring_back)
        self.duplicate_button = chip("Duplicate", "Begin another version from it", checkable=False)
        self.duplicate_button.clicked.connect(self._duplicate)
        self.remove_button = chip("Remove", "Take it out of the plan; undo brings it back", checkable=False)
        self.remove_button.clicked.connect(self._remove)
        for number, button in enumerate(
            (self.take_button, self.back_button, self.duplicate_button, self.remove_button)
        ):
            grid.addWidget(button, 0, number)
        return grid

    def _log(self) -> QVBoxLayout:
        column = QVBoxLayout()
        column.setSpacing(3)
        self.lines = QVBoxLayout()
        self.lines.setSpacing(2)
        column.addLayout(self.lines)
        self.sums = words("", "soft")
        column.addWidget(self.sums)
        row = QHBoxLayout()
        row.setSpacing(5)
        self.done_field = QLineEdit()
        self.done_field.setPlaceholderText("what was done")
        self.hours_field, self.cost_field = QLineEdit(), QLineEdit()
        self.hours_field.setPlaceholderText("hours")
        self.cost_field.setPlaceholderText("cost")
        for field, name, width in (
            (self.done_field, "What was done", 0), (self.hours_field, "Hours", 62), (self.cost_field, "Cost", 72),
        ):  # fmt: skip
            field.setAccessibleName(name)
            field.setMinimumHeight(28)
            field.returnPressed.connect(self.add_line)
            if width:
                field.setFixedWidth(width)
            row.addWidget(field, 0 if width else 1)
        self.add_button = chip("Note it", "Write it into the log with today's date", checkable=False)
        self.add_button.clicked.connect(self.add_line)
        row.addWidget(self.add_button)
        column.addLayout(row)
        return column

    @property
    def look(self) -> Look | None:
        """The look that is shown."""
        return next((look for look in self._workspace.plan.looks if look.id == self.look_id), None)

    def show_look(self, look_id: str) -> None:
        """Show a look as it now is."""
        if look_id != self.look_id:
            self.look_id = look_id
            self.thumbnail.show_look(look_id)
        look = self.look
        self.setEnabled(look is not None)
        if look is None:
            return
        for field, text in (
            (self.name_field, look.name), (self.date_field, look.date), (self.down_field, look.takes_down),
        ):  # fmt: skip
            if not field.hasFocus() and field.text() != text:
                field.setText(text)
        self.season_list.setCurrentIndex(max(self.season_list.findData(look.season), 0))
        self.status_list.setCurrentIndex(self.status_list.findData(look.status))
        if not self.note_field.hasFocus() and self.note_field.toPlainText() != look.note:
            self.note_field.blockSignals(True)
            self.note_field.setPlainText(look.note)
            self.note_field.blockSignals(False)
        in_hand = look.id == self._workspace.look_id
        self.take_button.setEnabled(not in_hand)
        self.take_button.setText("In hand" if in_hand else "Take in hand")
        self._show_lines(look)
        self.photos.show_look(look)

    def _show_lines(self, look: Look) -> None:
        while (old := self.lines.takeAt(0)) is not None:
            widget = old.widget()
            if widget is not None:
                widget.hide()
                widget.deleteLater()
        first = max(len(look.log) - LINES_SHOWN, 0)
        for index, entry in enumerate(look.log[first:], start=first):
            self.lines.addWidget(self._line(look, index, entry))
        for vote in look.votes:
            said = vote.remark or ("likes it" if vote.likes else "would change it")
            self.lines.addWidget(words(f"{vote.who}: {said}", "small"))
        currency, cost, hours = self._workspace.plan.currency, cost_of_work(look), hours_of(look)
        parts = [f"{hours:g} hours" if hours else "", money(cost, currency) if cost else ""]
        earlier = f"{first} earlier lines" if first else ""
        self.sums.setText(" · ".join(part for part in (*parts, earlier) if part))
        self.sums.setVisible(bool(self.sums.text()))

    def _line(self, look: Look, index: int, entry: LogEntry) -> QWidget:
        line = QWidget()
        row = QHBoxLayout(line)
        row.setContentsMargins(0, 0, 0, 0)
        facts = [entry.date, entry.text, STATUS_WORDS[entry.status] if entry.status else ""]
        facts += [f"{entry.hours:g} h" if entry.hours else "", money(entry.cost, self._workspace.plan.currency)]
        row.addWidget(words(" · ".join(fact for fact in facts if fact), "small"), 1)
        strike = QPushButton("Strike")
        strike.setObjectName("quiet")
        strike.setToolTip("Take this line out of the log")
        strike.clicked.connect(
            lambda: self._workspace.commit(RemoveLogEntry(look=look.id, index=index, name=look.label))
        )
        row.addWidget(strike)
        return line

    # What is changed

    def _change(self, field: str, value: object, verb: str) -> None:
        look = self.look
        if look is not None and getattr(look, field) != value:
            self._workspace.commit(ChangeLook(look=look.id, changes=((field, value),), label=f"{verb} {look.label}"))

    def _set_date(self, field: str, text: str, verb: str) -> None:
        try:
            day = date_of(text)
        except JollyLedgeError as error:
            self._workspace.signals.refused.emit(str(error))
            return
        self._change(field, day.isoformat() if day else "", verb)

    def _set_status(self) -> None:
        look, status = self.look, self.status_list.currentData()
        if look is None or look.status == status:
            return
        entry = LogEntry(date=date.today().isoformat(), status=status)
        self._workspace.commit(AddLogEntry(look=look.id, entry=entry, name=look.label))

    def add_line(self) -> None:
        """Write a line into the log."""
        look = self.look
        if look is None:
            return
        try:
            hours = _hours(self.hours_field.text())
            cost = price_of(self.cost_field.text())
        except JollyLedgeError as error:
            self._workspace.signals.refused.emit(str(error))
            return
        text = self.done_field.text().strip()
        if not text and hours is None and cost is None:
            return
        entry = LogEntry(date=date.today().isoformat(), text=text, hours=hours, cost=cost)
        if self._workspace.commit(AddLogEntry(look=look.id, entry=entry, name=look.label)):
            for field in (self.done_field, self.hours_field, self.cost_field):
                field.clear()

    def _bring_back(self) -> None:
        workspace, look = self._workspace, self.look
        if look is None:
            return
        if workspace.commit_look(BringBack(look=look.id, name=look.label, date=date.today().isoformat())):
            workspace.signals.told.emit(" ".join(workspace.look.note.split("\n")))

    def _duplicate(self) -> None:
        if self.look is not None:
            self._workspace.commit_look(DuplicateLook(look=self.look.id, original=self.look.label))

    def _remove(self) -> None:
        look = self.look
        if look is not None:
            self._workspace.commit(RemoveLook(look=look.id, name=look.label))


def _hours(text: str) -> float | None:
    figure = text.strip().removesuffix("h").strip().replace(",", ".")
    if not figure:
        return None
    try:
        hours = float(figure)
    except ValueError as error:
        raise EditError(f"“{text}” is no number of hours; type it like 2.5.") from error
    if not 0 <= hours <= 1000:
        raise EditError(f"“{text}” is no number of hours; a look takes from 0 to 1000.")
    return hours
