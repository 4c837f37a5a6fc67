"""Measure: the piece drawn to scale, its figures edited where they stand, the tape check."""

from functools import cached_property, partial

from msgspec.structs import replace
from PySide6.QtCore import Qt
from PySide6.QtWidgets import (
    QComboBox,
    QHBoxLayout,
    QMenu,
    QPushButton,
    QSplitter,
    QStackedWidget,
    QVBoxLayout,
    QWidget,
)

from jolly_ledge.app.dialogs import Dialogs
from jolly_ledge.app.steps.measure.measure_forms import BoardForm, FixtureForm, LedgeForm, PieceForm
from jolly_ledge.app.steps.measure.start_gallery import StartGallery
from jolly_ledge.app.steps.step import Step
from jolly_ledge.app.views.measure.measure_view import MeasureView
from jolly_ledge.app.views.measure.top_view import TopView
from jolly_ledge.app.widgets.card import Card
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.side_panel import SidePanel
from jolly_ledge.app.widgets.texts import BoardLine, heading, question, words
from jolly_ledge.cautions.register import CLOSING
from jolly_ledge.edits.bays import CopyBay, JoinBays, SplitBay, can_join
from jolly_ledge.edits.fixtures import AddFixture
from jolly_ledge.edits.pieces import AddLedge, AddPiece, RemovePiece
from jolly_ledge.edits.together import Together
from jolly_ledge.geometry.bays import bays_of, tape_check
from jolly_ledge.model.fresh_ids import fresh_id
from jolly_ledge.model.history import Edit
from jolly_ledge.model.kinds import kind_of
from jolly_ledge.model.piece import Fixture
from jolly_ledge.model.starts.gallery import Start, begin
from jolly_ledge.model.starts.tops import wall_above
from jolly_ledge.model.words import FIXTURE_KINDS, FixtureKind, plain
from jolly_ledge.workspace.new_plan import is_untouched
from jolly_ledge.workspace.workspace import Workspace

SIDE_WIDTH = 320
MOST_FAULTS = 5
FIXTURE_SIZES: dict[FixtureKind, tuple[float, float]] = {
    "mirror": (600.0, 800.0),
    "art": (600.0, 450.0),
    "tv": (1100.0, 640.0),
    "bar": (18.0, 600.0),
    "brace": (600.0, 24.0),
    "light": (260.0, 220.0),
    "socket": (86.0, 86.0),
    "firebox": (800.0, 650.0),
    "cooktop": (580.0, 12.0),
    "headboard": (1600.0, 1150.0),
    "window": (900.0, 1200.0),
}
"""Usual sizes to begin with (mm)."""

ABOVE = frozenset({"mirror", "art", "tv", "light", "window"})


class MeasureStep(Step):
    """The page on which the piece is measured."""

    def __init__(self, host: QWidget, workspace: Workspace, dialogs: Dialogs) -> None:
        super().__init__(host, workspace)
        self._dialogs = dialogs
        self.head.insertWidget(2, words("click a figure and type · drag what moves", "soft", wrap=False))
        self.view = MeasureView(workspace)
        self.view.fixture_chosen.connect(self.refresh)
        self.top_view = TopView(workspace)
        self.drawings = QSplitter(Qt.Orientation.Vertical)
        self.drawings.addWidget(self.view)
        self.drawings.addWidget(self.top_view)
        self.drawings.setChildrenCollapsible(False)
        self.drawings.setSizes([400, 400])
        self._stands_in = ""
        self.tools = QWidget()
        self.tools.setLayout(self._tools())
        page = QWidget()
        column = QVBoxLayout(page)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(4)
        column.addWidget(self.tools)
        column.addWidget(self.drawings, 1)
        self.pages = QStackedWidget()
        self.pages.addWidget(page)
        self._bench: QWidget | None = None
        self.column.addWidget(self.pages, 1)
        self.beside = self._side()
        self.row.addWidget(self.beside)
        self.follow(self.refresh, workspace.signals.changed, workspace.signals.chosen)

    @cached_property
    def gallery(self) -> StartGallery:
        """The kinds of furniture to begin with, made when first asked for."""
        gallery = StartGallery()
        gallery.picked.connect(self.add_piece)
        gallery.left.connect(self.show_drawing)
        self.pages.addWidget(gallery)
        return gallery

    def _tools(self) -> QHBoxLayout:
        row = QHBoxLayout()
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(6)
        self.split_button = chip("Split bay", "Put an upright into the middle of the bay in hand", checkable=False)
        self.split_button.clicked.connect(lambda: self._bay(SplitBay))
        self.join_button = chip("Join bays", "Take out the upright to the right of the bay in hand", checkable=False)
        self.join_button.clicked.connect(lambda: self._bay(JoinBays))
        self.copy_button = chip("Copy bay", "Add a bay like the one in hand at the right end", checkable=False)
        self.copy_button.clicked.connect(lambda: self._bay(CopyBay))
        self.fixture_button = QPushButton("Add a fixture ▾")
        self.fixture_button.setMinimumHeight(28)
        self.fixture_button.setToolTip("A mirror, a socket, a light: then drag it where the tape says")
        self.fixture_button.setStyleSheet("QPushButton::menu-indicator { width: 0; image: none; }")
        self.fixture_button.setMenu(_fixture_menu(self))
        self.photo_button = chip("From a photo", "Measure from a photograph of the piece", checkable=False)
        self.photo_button.clicked.connect(self.show_photo_bench)
        self.under_chip = chip("Photo under it", "Show the photograph under the drawing", checked=True)
        self.under_chip.toggled.connect(self.view.show_photo)
        for button in (self.split_button, self.join_button, self.copy_button, self.fixture_button, self.photo_button):
            row.addWidget(button)
        row.addWidget(self.under_chip)
        row.addStretch(1)
        return row

    def _side(self) -> SidePanel:
        workspace = self.workspace
        side = SidePanel(SIDE_WIDTH)
        column = side.column
        self.pieces_field = QComboBox()
        self.pieces_field.setAccessibleName("The piece in hand")
        self.pieces_field.activated.connect(self._choose_piece)
        column.addWidget(self.pieces_field)
        row = QHBoxLayout()
        self.another_button = chip("Another piece", "Add furniture of any kind to the plan", checkable=False)
        self.another_button.clicked.connect(self.show_gallery)
        self.remove_button = chip("Remove it", "Take this piece and its looks out of the plan", checkable=False)
        self.remove_button.clicked.connect(self._remove_piece)
        row.addWidget(self.another_button)
        row.addWidget(self.remove_button)
        row.addStretch(1)
        column.addLayout(row)
        column.addWidget(heading("Tape check", 16))
        column.addWidget(BoardLine())
        self.tape = words("", "good")
        column.addWidget(self.tape)
        self.fault_cards = [Card("finding", lambda _: None) for _ in range(MOST_FAULTS)]
        for card in self.fault_cards:
            column.addWidget(card)
        self.fixture_heading = heading("The fixture", 16)
        self.fixture_board = BoardLine()
        self.fixture_form = FixtureForm(workspace, lambda: self.view.fixture)
        for widget in (self.fixture_heading, self.fixture_board, self.fixture_form):
            column.addWidget(widget)
        column.addWidget(heading("The piece", 16))
        column.addWidget(BoardLine())
        self.piece_form = PieceForm(workspace)
        column.addWidget(self.piece_form)
        self.ledge_heading = heading("", 16)
        self.ledge_heading.setWordWrap(True)
        column.addWidget(self.ledge_heading)
        column.addWidget(BoardLine())
        self.ledge_form = LedgeForm(workspace)
        column.addWidget(self.ledge_form)
        column.addWidget(question("Board and fixing, for its load", 14))
        self.board_form = BoardForm(workspace)
        column.addWidget(self.board_form)
        column.addWidget(words(f"What is not told stays unknown. {CLOSING}", "small"))
        column.addStretch(1)
        self.side = side
        return side

    # What is shown

    def show_drawing(self) -> None:
        """Show the drawing with its figures."""
        self.pages.setCurrentIndex(0)
        self.view.setFocus()

    def ask_what_it_is(self) -> None:
        """Begin a plan: the kind that is picked takes the place of the plain piece the plan was given."""
        self._stands_in = self.workspace.piece_id
        self.show_gallery()

    def show_gallery(self) -> None:
        """Show the kinds of furniture to begin with."""
        self.pages.setCurrentWidget(self.gallery)

    def show_photo_bench(self) -> None:
        """Show the page on which a photograph is measured, made when first asked for."""
        from jolly_ledge.app.steps.measure.photo_bench import PhotoBench

        if self._bench is None:
            bench = PhotoBench(self.workspace, self._dialogs)
            bench.left.connect(self.show_drawing)
            self._bench = bench
            self.pages.addWidget(bench)
        assert isinstance(self._bench, PhotoBench)
        self._bench.begin()
        self.pages.setCurrentWidget(self._bench)

    def refresh(self) -> None:
        """Show the piece, the ledge and the fixture in hand."""
        workspace = self.workspace
        if not workspace.piece_id:
            return
        piece = workspace.piece
        self._show_pieces()
        faults = tape_check(piece)
        self.tape.setText("" if faults else "Everything adds up to within 3 mm.")
        self.tape.setVisible(not faults)
        for card, fault in zip(self.fault_cards, faults, strict=False):
            card.say("Does not add up", self.workspace.told(fault.sentence), ())
        for index, card in enumerate(self.fault_cards):
            card.setVisible(index < len(faults))
        self.top_view.setVisible(kind_of(piece).is_looked_down_on or piece.viewed_from == "around")
        in_bay = workspace.ledge is not None and not workspace.ledge.is_wall
        for button in (self.split_button, self.join_button, self.copy_button):
            button.setVisible(kind_of(piece).has_bays)
        self.split_button.setEnabled(in_bay)
        self.copy_button.setEnabled(in_bay and bool(bays_of(piece)))
        self.join_button.setEnabled(in_bay and can_join(piece, workspace.ledge_id))
        self.under_chip.setVisible(piece.photo is not None and piece.photo.name in workspace.document.photos)
        fixture = self.view.fixture
        for widget in (self.fixture_heading, self.fixture_board, self.fixture_form):
            widget.setVisible(fixture is not None)
        if fixture is not None:
            self.fixture_heading.setText(f"The {plain(piece.fixtures[fixture].kind)}")
        self.fixture_form.refresh()
        self.piece_form.refresh()
        ledge = workspace.ledge
        label = ledge.label if ledge is not None else "No ledge yet"
        self.ledge_heading.setText(f"{label[:1].upper()}{label[1:]}")
        self.ledge_form.refresh()
        self.board_form.refresh()

    def _show_pieces(self) -> None:
        pieces = self.workspace.plan.pieces
        self.pieces_field.clear()
        for piece in pieces:
            self.pieces_field.addItem(piece.label, piece.id)
        self.pieces_field.setCurrentIndex(max(self.pieces_field.findData(self.workspace.piece_id), 0))
        self.remove_button.setEnabled(len(pieces) > 1)

    # Changing

    def add_piece(self, start: Start) -> None:
        """Add a piece of a kind and take it in hand."""
        workspace = self.workspace
        piece = begin(start, {piece.id for piece in workspace.plan.pieces})
        # A second piece stands in the same rooms: it begins with the brief of the first.
        added: Edit = AddPiece(piece=piece, like=workspace.look_id)
        plain = next((one for one in workspace.plan.pieces if one.id == self._stands_in), None)
        self._stands_in = ""
        if plain is not None and is_untouched(workspace.plan, plain):
            gone = RemovePiece(piece=plain.id, name=plain.label)
            added = Together(edits=(added, gone), label=f"Begin with {piece.label}")
        if workspace.commit(added):
            workspace.choose_look(workspace.plan.looks_of(piece.id)[0].id)
            tops = [ledge for ledge in piece.ledges if not ledge.is_wall and ledge.clearance is None]
            if tops:
                workspace.choose_ledge(tops[-1].id)
            self.show_drawing()
            self.piece_form.name_field.setFocus()
            self.piece_form.name_field.selectAll()

    def _remove_piece(self) -> None:
        piece = self.workspace.piece
        self.workspace.commit(RemovePiece(piece=piece.id, name=piece.label))

    def _choose_piece(self, index: int) -> None:
        piece = self.pieces_field.itemData(index)
        looks = self.workspace.plan.looks_of(piece)
        if piece != self.workspace.piece_id and looks:
            self.view.choose_fixture(None)
            self.workspace.choose_look(looks[-1].id)

    def _bay(self, edit: type[SplitBay] | type[JoinBays] | type[CopyBay]) -> None:
        if self.workspace.ledge is not None:
            self.workspace.commit(edit(piece=self.workspace.piece_id, ledge=self.workspace.ledge_id))

    def add_fixture(self, kind: FixtureKind) -> None:
        """Add a fixture of a usual size in the middle of the piece, above it or in it, and take it in hand."""
        piece = self.workspace.piece
        width, height = FIXTURE_SIZES[kind]
        floor = piece.height + 250 if kind in ABOVE and piece.height < 1300 else max(piece.height / 2 - height / 2, 0.0)
        if kind in ("firebox", "headboard"):
            floor = 0.0
        if kind == "cooktop":
            floor = piece.height
        if kind == "socket":
            floor = 300.0
        fixture = Fixture(kind=kind, left=round((piece.width - width) / 2), floor=float(round(floor)), width=width,
                          height=height)  # fmt: skip
        if self.workspace.commit(AddFixture(piece=piece.id, fixture=fixture)):
            self.view.choose_fixture(len(self.workspace.piece.fixtures) - 1)
            self.view.setFocus()

    def add_wall(self) -> None:
        """Add the wall above the piece as a place to hang things."""
        piece = self.workspace.piece
        wall = wall_above(piece.width, piece.height + 80, 900.0)
        taken = {ledge.id for ledge in piece.ledges}
        wall = replace(wall, id=fresh_id("wall", taken))
        if self.workspace.commit(AddLedge(piece=piece.id, ledge=wall)):
            self.workspace.choose_ledge(wall.id)


def _fixture_menu(step: MeasureStep) -> QMenu:
    menu = QMenu(step)
    for kind in FIXTURE_KINDS:
        menu.addAction(plain(kind).capitalize() if kind != "tv" else "TV", partial(step.add_fixture, kind))
    menu.addSeparator()
    menu.addAction("Wall to hang things on", step.add_wall)
    return menu
