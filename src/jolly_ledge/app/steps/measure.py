"""Measure: the piece drawn to scale, its figures edited where they stand, the tape check."""

from msgspec.structs import replace
from PySide6.QtCore import Qt
from PySide6.QtWidgets import (
    QComboBox,
    QFormLayout,
    QFrame,
    QLineEdit,
    QScrollArea,
    QSpinBox,
    QVBoxLayout,
    QWidget,
)

from jolly_ledge.app.scene.measure_view import MeasureView
from jolly_ledge.app.session import Session
from jolly_ledge.app.steps.step import Step
from jolly_ledge.app.widgets.card import Card
from jolly_ledge.app.widgets.colour_button import ColourButton
from jolly_ledge.app.widgets.length_field import LengthField
from jolly_ledge.app.widgets.texts import Board, heading, question, words
from jolly_ledge.cautions.register import CLOSING
from jolly_ledge.model.bays import bay_name, bay_of, bays_of, tape_check
from jolly_ledge.model.edits.pieces import (
    ChangeLedge,
    ChangePiece,
    MoveShelf,
    SetBayCount,
    SetClearance,
    SetShelfCount,
)

SIDE_WIDTH = 320
LIGHTS = (("", "not told"), ("bright", "bright"), ("medium", "medium"), ("low", "low"))
MOST_FAULTS = 5


class MeasureStep(Step):
    """The page on which the piece is measured."""

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.head.insertWidget(2, words("click a figure and type · drag a board", "soft", wrap=False))
        self.view = MeasureView(session)
        self.column.addWidget(self.view, 1)
        self.row.addWidget(self._side())
        self.follow(self.refresh, session.changed, session.chosen)

    def _side(self) -> QScrollArea:
        side = QScrollArea()
        side.setObjectName("sidePanel")
        side.setFixedWidth(SIDE_WIDTH)
        side.setWidgetResizable(True)
        side.setFrameShape(QFrame.Shape.NoFrame)
        inside = QWidget()
        column = QVBoxLayout(inside)
        column.setContentsMargins(16, 14, 14, 12)
        column.setSpacing(8)
        column.addWidget(heading("Tape check", 16))
        column.addWidget(Board())
        self.tape = words("", "good")
        column.addWidget(self.tape)
        self.fault_cards = [Card("finding", lambda _: None) for _ in range(MOST_FAULTS)]
        for card in self.fault_cards:
            column.addWidget(card)
        column.addSpacing(6)
        column.addWidget(heading("The piece", 16))
        column.addWidget(Board())
        column.addLayout(self._piece_form())
        column.addSpacing(6)
        self.ledge_heading = heading("", 16)
        column.addWidget(self.ledge_heading)
        column.addWidget(Board())
        column.addLayout(self._ledge_form())
        column.addWidget(question("Loads and fixings", 14))
        column.addWidget(words(f"What a board bears is unknown until you enter its rating. {CLOSING}", "small"))
        column.addStretch(1)
        side.setWidget(inside)
        return side

    def _piece_form(self) -> QFormLayout:
        form = _form()
        self.name_field = QLineEdit()
        self.name_field.editingFinished.connect(self._rename)
        self.depth_field = LengthField(self.session, self._set_depth, "outer depth")
        self.bays_field = QSpinBox()
        self.bays_field.setRange(1, 12)
        self.bays_field.setKeyboardTracking(False)
        self.bays_field.valueChanged.connect(self._set_bays)
        self.back_button = ColourButton(self._set_backdrop, "Colour of the back")
        form.addRow("Name", self.name_field)
        form.addRow("Depth", self.depth_field)
        form.addRow("Bays", self.bays_field)
        form.addRow("Back", self.back_button)
        return form

    def _ledge_form(self) -> QFormLayout:
        form = _form()
        self.ledge_name = QLineEdit()
        self.ledge_name.editingFinished.connect(lambda: self._change_ledge("name", self.ledge_name.text().strip()))
        self.shelves_field = QSpinBox()
        self.shelves_field.setRange(1, 40)
        self.shelves_field.setKeyboardTracking(False)
        self.shelves_field.valueChanged.connect(self._set_shelves)
        self.floor_field = LengthField(self.session, self._move_shelf, "height over the floor")
        self.clearance_field = LengthField(self.session, self._set_clearance, "clearance")
        self.ledge_depth = LengthField(self.session, lambda length: self._change_ledge("depth", length), "ledge depth")
        self.light_field = QComboBox()
        for value, text in LIGHTS:
            self.light_field.addItem(text, value)
        self.light_field.activated.connect(
            lambda _: self._change_ledge("light", self.light_field.currentData() or None)
        )
        self.load_field = QLineEdit()
        self.load_field.setPlaceholderText("unknown")
        self.load_field.setFixedWidth(96)
        self.load_field.editingFinished.connect(self._set_load)
        form.addRow("Name", self.ledge_name)
        form.addRow("Shelves in bay", self.shelves_field)
        form.addRow("Over the floor", self.floor_field)
        form.addRow("Clearance", self.clearance_field)
        form.addRow("Depth", self.ledge_depth)
        form.addRow("Light", self.light_field)
        form.addRow("Rated for, kg", self.load_field)
        return form

    def refresh(self) -> None:
        """Show the piece and the ledge in hand."""
        session = self.session
        if not session.piece_id:
            return
        piece = session.piece
        faults = tape_check(piece)
        self.tape.setText("" if faults else "Everything adds up to within 3 mm.")
        self.tape.setVisible(not faults)
        for card, fault in zip(self.fault_cards, faults, strict=False):
            card.say("Does not add up", fault.sentence, ())
        for index, card in enumerate(self.fault_cards):
            card.setVisible(index < len(faults))
        _show(self.name_field, piece.name)
        self.depth_field.show_length(piece.depth)
        _show_number(self.bays_field, len(bays_of(piece)))
        self.back_button.show_colour(piece.backdrop)
        self._show_ledge()

    def _show_ledge(self) -> None:
        session, ledge = self.session, self.session.ledge
        if ledge is None:
            return
        in_bay = not ledge.is_wall
        self.ledge_heading.setText(f"{ledge.label[:1].upper()}{ledge.label[1:]}")
        _show(self.ledge_name, ledge.name)
        if in_bay:
            bay = bay_of(session.piece, ledge.id)
            _show_number(self.shelves_field, len(bay.ledges))
            self.shelves_field.setToolTip(f"Divides the {bay_name(session.piece, bay).lower()} anew into equal shelves")
        self.shelves_field.setEnabled(in_bay)
        self.floor_field.show_length(ledge.floor)
        self.clearance_field.show_length(ledge.clearance)
        self.ledge_depth.show_length(ledge.depth)
        self.light_field.setCurrentIndex(max(self.light_field.findData(ledge.light or ""), 0))
        _show(self.load_field, "" if ledge.load_limit is None else f"{ledge.load_limit:g}")

    # Changing

    def _rename(self) -> None:
        name = self.name_field.text().strip()
        if name != self.session.piece.name:
            self._change_piece("name", name, "Rename the piece")

    def _change_piece(self, field: str, value: object, label: str) -> None:
        self.session.commit(ChangePiece(piece=self.session.piece_id, changes=((field, value),), label=label))

    def _set_depth(self, length: float) -> None:
        self._change_piece("depth", length, "Set the outer depth")

    def _set_backdrop(self, colour: str) -> None:
        session = self.session
        ledges = tuple(
            replace(ledge, backdrop=colour) if ledge.backdrop == session.piece.backdrop else ledge
            for ledge in session.piece.ledges
        )
        session.commit(
            ChangePiece(
                piece=session.piece_id,
                changes=(("backdrop", colour), ("ledges", ledges)),
                label="Paint the back",
            )
        )

    def _set_bays(self, count: int) -> None:
        if count != len(bays_of(self.session.piece)):
            self.session.commit(SetBayCount(piece=self.session.piece_id, count=count))

    def _set_shelves(self, count: int) -> None:
        ledge = self.session.ledge
        if ledge is not None and count != len(bay_of(self.session.piece, ledge.id).ledges):
            self.session.commit(SetShelfCount(piece=self.session.piece_id, ledge=ledge.id, count=count))

    def _change_ledge(self, field: str, value: object) -> None:
        ledge = self.session.ledge
        if ledge is not None and getattr(ledge, field) != value:
            label = f"Change the {field.replace('_', ' ')} of {ledge.label}"
            self.session.commit(
                ChangeLedge(piece=self.session.piece_id, ledge=ledge.id, changes=((field, value),), label=label)
            )

    def _move_shelf(self, length: float) -> None:
        session, ledge = self.session, self.session.ledge
        if ledge is not None:
            session.commit(MoveShelf(piece=session.piece_id, ledge=ledge.id, floor=length, name=ledge.label))

    def _set_clearance(self, length: float) -> None:
        session, ledge = self.session, self.session.ledge
        if ledge is not None:
            session.commit(SetClearance(piece=session.piece_id, ledge=ledge.id, clearance=length, name=ledge.label))

    def _set_load(self) -> None:
        text = self.load_field.text().strip().replace(",", ".").removesuffix("kg").strip()
        if not text:
            self._change_ledge("load_limit", None)
            return
        try:
            self._change_ledge("load_limit", float(text))
        except ValueError:
            self.session.refused.emit(f"“{text}” is no mass in kg; type a number such as 15.")


def _form() -> QFormLayout:
    form = QFormLayout()
    form.setSpacing(6)
    form.setLabelAlignment(Qt.AlignmentFlag.AlignLeft)
    return form


def _show(field: QLineEdit, text: str) -> None:
    if not field.hasFocus() and field.text() != text:
        field.setText(text)


def _show_number(field: QSpinBox, value: int) -> None:
    field.blockSignals(True)
    field.setValue(value)
    field.blockSignals(False)
