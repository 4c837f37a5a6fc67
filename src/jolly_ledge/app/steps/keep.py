"""Keep: the looks of the piece side by side, named, dated and noted."""

from PySide6.QtCore import Qt, QTimer
from PySide6.QtGui import QPaintEvent
from PySide6.QtWidgets import (
    QFrame,
    QGridLayout,
    QHBoxLayout,
    QLineEdit,
    QPlainTextEdit,
    QPushButton,
    QScrollArea,
    QStackedWidget,
    QVBoxLayout,
    QWidget,
)

from jolly_ledge.app.panels.side_by_side import FEWEST, SideBySide
from jolly_ledge.app.scene.thumbnail import Thumbnail
from jolly_ledge.app.session import Session
from jolly_ledge.app.steps.step import Step
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import Board, words
from jolly_ledge.model.arrangement import arrange
from jolly_ledge.model.edits.looks import AddLook, ChangeLook, DuplicateLook, RemoveLook
from jolly_ledge.model.item import Item
from jolly_ledge.model.look import Look
from jolly_ledge.model.piece import Piece
from jolly_ledge.readings.register import assess

COLUMNS = 3


class LookCard(QFrame):
    """One look: its drawing, name, date, note and how it reads."""

    def __init__(self, session: Session, look: Look) -> None:
        super().__init__()
        self._session = session
        self.look_id = look.id
        self._read: tuple[Look, Piece, tuple[Item, ...]] | None = None
        self._is_unread = False
        self.setObjectName("card")
        column = QVBoxLayout(self)
        column.setContentsMargins(12, 10, 12, 10)
        column.setSpacing(6)
        self.thumbnail = Thumbnail(session, look.id, lambda: session.choose_look(self.look_id))
        self.thumbnail.setMinimumHeight(250)
        column.addWidget(self.thumbnail, 1)
        column.addWidget(Board())
        self.name_field = QLineEdit()
        self.name_field.setAccessibleName("Name of the look")
        self.name_field.setStyleSheet("font-weight: 600;")
        self.name_field.editingFinished.connect(lambda: self._change("name", self.name_field.text().strip(), "Rename"))
        column.addWidget(self.name_field)
        line = QHBoxLayout()
        self.date_field = QLineEdit()
        self.date_field.setPlaceholderText("date, such as 2026-10-03")
        self.date_field.setAccessibleName("Date")
        self.date_field.editingFinished.connect(lambda: self._change("date", self.date_field.text().strip(), "Date"))
        self.reads = words("", "good", wrap=False)
        line.addWidget(self.date_field, 1)
        line.addWidget(self.reads)
        column.addLayout(line)
        self.note_field = QPlainTextEdit()
        self.note_field.setPlaceholderText("What people thought, what to change next time")
        self.note_field.setAccessibleName("Note")
        self.note_field.setTabChangesFocus(True)
        self.note_field.setFixedHeight(76)
        self.note_field.textChanged.connect(lambda: self._change("note", self.note_field.toPlainText(), "Note on"))
        column.addWidget(self.note_field)
        column.addLayout(self._buttons())
        self.show_look(look)

    def _buttons(self) -> QHBoxLayout:
        row = QHBoxLayout()
        row.setSpacing(5)
        session = self._session
        self.take_button = chip("Take in hand", "Work on this look", checkable=False)
        self.take_button.clicked.connect(lambda: session.choose_look(self.look_id))
        self.duplicate_button = chip("Duplicate", "Begin another version from it", checkable=False)
        self.duplicate_button.clicked.connect(self._duplicate)
        self.remove_button = chip("Remove", "Take it out of the plan; undo brings it back", checkable=False)
        self.remove_button.clicked.connect(self._remove)
        for button in (self.take_button, self.duplicate_button, self.remove_button):
            row.addWidget(button)
        row.addStretch(1)
        return row

    def _remove(self) -> None:
        plan = self._session.plan
        self._session.commit(RemoveLook(look=self.look_id, name=plan.look(self.look_id).label))

    def _duplicate(self) -> None:
        session = self._session
        before = {look.id for look in session.plan.looks}
        if session.commit(DuplicateLook(look=self.look_id, original=session.plan.look(self.look_id).label)):
            session.choose_look(next(look.id for look in session.plan.looks if look.id not in before))

    def _change(self, field: str, value: str, verb: str) -> None:
        look = next((look for look in self._session.plan.looks if look.id == self.look_id), None)
        if look is not None and getattr(look, field) != value:
            self._session.commit(ChangeLook(look=self.look_id, changes=((field, value),), label=f"{verb} {look.label}"))

    def show_look(self, look: Look) -> None:
        """Show the look as it now is."""
        for field, text in ((self.name_field, look.name), (self.date_field, look.date)):
            if not field.hasFocus() and field.text() != text:
                field.setText(text)
        if not self.note_field.hasFocus() and self.note_field.toPlainText() != look.note:
            self.note_field.blockSignals(True)
            self.note_field.setPlainText(look.note)
            self.note_field.blockSignals(False)
        read = (look, self._session.plan.piece(look.piece), self._session.plan.stash)
        if read != self._read:
            self._read = read
            self._is_unread = True
            self.update()
        in_hand = look.id == self._session.look_id
        self.take_button.setEnabled(not in_hand)
        self.take_button.setText("In hand" if in_hand else "Take in hand")
        if self.property("chosen") != in_hand:
            self.setProperty("chosen", in_hand)
            self.style().unpolish(self)
            self.style().polish(self)

    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the card; a card that comes in sight is read, for there may be a hundred."""
        super().paintEvent(event)
        if self._is_unread:
            self._is_unread = False
            QTimer.singleShot(0, self, self._read_look)

    def _read_look(self) -> None:
        look = next((look for look in self._session.plan.looks if look.id == self.look_id), None)
        if look is None or not look.placements:
            self.reads.setText("empty")
        else:
            self.reads.setText(f"reads {round(assess(arrange(self._session.plan, look)).score * 100)}")


class KeepStep(Step):
    """The page on which looks are kept and compared."""

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.cards: dict[str, LookCard] = {}
        self.begin_button = QPushButton("Begin an empty look")
        self.begin_button.setMinimumHeight(30)
        self.begin_button.setObjectName("primary")
        self.begin_button.clicked.connect(self.begin)
        self.compare_button = QPushButton("Side by side")
        self.compare_button.setMinimumHeight(30)
        self.compare_button.setToolTip("Lay two to five versions side by side (C in Arrange)")
        self.compare_button.clicked.connect(lambda: self.show_side_by_side())
        self.head.addWidget(self.compare_button)
        self.head.addWidget(self.begin_button)
        self.pages = QStackedWidget()
        self.column.addWidget(self.pages, 1)
        self.compared: SideBySide | None = None
        all_looks = QWidget()
        page = QVBoxLayout(all_looks)
        page.setContentsMargins(0, 0, 0, 0)
        self.note = words("", "soft")
        page.addWidget(self.note)
        self.pages.addWidget(all_looks)
        area = QScrollArea()
        area.setWidgetResizable(True)
        area.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        inside = QWidget()
        self.grid = QGridLayout(inside)
        self.grid.setContentsMargins(0, 4, 8, 4)
        self.grid.setSpacing(14)
        for column in range(COLUMNS):
            self.grid.setColumnStretch(column, 1)
        area.setWidget(inside)
        page.addWidget(area, 1)
        self.shortcut("Esc", self.show_all_looks)
        self.follow(self.refresh, session.changed)

    def show_side_by_side(self, looks: tuple[str, ...] = ()) -> None:
        """Lay versions of the piece in hand side by side: these, or those beside the look in hand."""
        session = self.session
        if len(session.plan.looks_of(session.piece_id)) < FEWEST:
            session.refused.emit("Side by side needs two looks of this piece; duplicate one first.")
            return
        if self.compared is None:
            self.compared = SideBySide(session, self.show_all_looks)
            self.pages.addWidget(self.compared)
        self.compared.begin(looks)
        self.pages.setCurrentWidget(self.compared)

    def show_all_looks(self) -> None:
        """Go back to the cards."""
        self.pages.setCurrentIndex(0)

    def refresh(self) -> None:
        """Show the looks of the piece in hand."""
        session = self.session
        if not session.piece_id:
            return
        looks = session.plan.looks_of(session.piece_id)
        if self.compared is not None and self.pages.currentWidget() is self.compared:
            if len(looks) < FEWEST:
                self.show_all_looks()
            else:
                self.compared.refresh()
        for identifier in [identifier for identifier in self.cards if identifier not in {look.id for look in looks}]:
            card = self.cards.pop(identifier)
            self.grid.removeWidget(card)
            card.deleteLater()
        for index, look in enumerate(looks):
            shown = self.cards.get(look.id)
            if shown is None:
                shown = LookCard(session, look)
                self.cards[look.id] = shown
            else:
                shown.show_look(look)
            self.grid.addWidget(shown, index // COLUMNS, index % COLUMNS)
        self.note.setText(
            f"{len(looks)} looks of {session.piece.label}, oldest first. The one in hand has a plum edge."
        )

    def begin(self) -> None:
        """Begin an empty look in the manner of the one in hand, and take it in hand."""
        session = self.session
        before = {look.id for look in session.plan.looks}
        number = len(session.plan.looks_of(session.piece_id)) + 1
        if session.commit(AddLook(piece=session.piece_id, name=f"Look {number}", manner=session.look.manner)):
            session.choose_look(next(look.id for look in session.plan.looks if look.id not in before))
