"""What is told of a piece, a ledge, its board and a fixture beside the measured drawing."""

from collections.abc import Callable, Sequence

from msgspec.structs import replace
from PySide6.QtWidgets import QHBoxLayout

from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.colour_button import ColourButton
from jolly_ledge.app.widgets.form import Form, at_left, show_choice, show_count, show_text
from jolly_ledge.drawing.furniture.fixtures import COLOURS
from jolly_ledge.edits.fixtures import ChangeFixture, RemoveFixture
from jolly_ledge.edits.pieces import (
    ChangeLedge,
    ChangeLedges,
    ChangePiece,
    MoveShelf,
    RemoveLedge,
    SetBayCount,
    SetClearance,
    SetOuterSize,
    SetShelfCount,
)
from jolly_ledge.geometry.bays import bay_name, bay_of, bays_of
from jolly_ledge.model.kinds import KINDS, kind_of
from jolly_ledge.model.light import light_at
from jolly_ledge.model.phrases import with_article
from jolly_ledge.model.piece import Board, Ledge
from jolly_ledge.model.words import BOARD_MATERIALS, FIXINGS, FIXTURE_KINDS, LEDGE_SHAPES, plain
from jolly_ledge.workspace.workspace import Workspace

LIGHTS = (("", "not told"), ("bright", "bright"), ("medium", "medium"), ("low", "low"))
MOST_OUTLETS = 40
DOORS = (("none", "no doors"), ("glazed", "glazed"), ("solid", "solid"))
VIEWS = (("front", "from the front"), ("around", "from all round"))
FIXING_WORDS = {
    "unknown": "unknown",
    "in-case": "held by the case",
    "studs": "screwed into studs",
    "anchors": "wall anchors",
    "plaster-only": "plaster only",
}


class PieceForm(Form):
    """The whole piece: its name, depth, bays, pins, doors, back and how it is seen."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__(workspace)
        self.name_field = self.text("Name", self._rename)
        self.kind_field = self.choice("It is", [(kind, plain(kind)) for kind in KINDS], self._set_kind)
        self.depth_field = self.length("Depth", "outer depth", self._set_depth)
        self.bays_field = self.count("Bays", 12, self._set_bays)
        self.pins_field = self.length("Pins every", "pin spacing", self._set_pins)
        self.pins_field.setPlaceholderText("none")
        self.pins_field.may_be_empty = True
        self.doors_field = self.choice("Doors", DOORS, lambda doors: self._change("doors", doors))
        self.view_field = self.choice("Seen", VIEWS, lambda view: self._change("viewed_from", view))
        self.door_field = self.length("Door at", "where one comes in, from its left end", self._set_door)
        self.door_field.setPlaceholderText("not told")
        self.door_field.setToolTip("From the left end of the piece: what one sees first on coming in is on this line")
        self.door_field.may_be_empty = True
        self.back_button = ColourButton(self._set_backdrop, "Colour of the back")
        self.rows.addRow("Back", self.back_button)

    def refresh(self) -> None:
        """Show the piece in hand."""
        piece = self._workspace.piece
        show_text(self.name_field, piece.name)
        show_choice(self.kind_field, piece.kind)
        self.depth_field.show_length(piece.depth)
        bays = len(bays_of(piece))
        show_count(self.bays_field, bays)
        self.bays_field.setEnabled(bays > 0)
        for field in (self.bays_field, self.pins_field):
            self.rows.setRowVisible(field, kind_of(piece).has_bays)
        self.rows.setRowVisible(self.doors_field, kind_of(piece).has_bays or piece.build == "sideboard")
        self.pins_field.show_length(piece.pin_spacing)
        self.door_field.show_length(piece.door)
        show_choice(self.doors_field, piece.doors)
        show_choice(self.view_field, piece.viewed_from)
        self.back_button.show_colour(piece.backdrop)

    def _change(self, field: str, value: object, label: str = "") -> None:
        piece = self._workspace.piece
        if getattr(piece, field) != value:
            named = label or f"Change the {field.replace('_', ' ')} of {piece.label}"
            self._workspace.commit(ChangePiece(piece=piece.id, changes=((field, value),), label=named))

    def _rename(self, name: str) -> None:
        self._change("name", name, "Rename the piece")

    def _set_kind(self, kind: str) -> None:
        """Make it another kind: its ledges stay, how it was built goes with what it was."""
        piece = self._workspace.piece
        if piece.kind != kind:
            changes = (("kind", kind), ("build", ""))
            label = f"Make {piece.label} {with_article(plain(kind))}"
            self._workspace.commit(ChangePiece(piece=piece.id, changes=changes, label=label))

    def _set_depth(self, length: float) -> None:
        self._workspace.commit(SetOuterSize(piece=self._workspace.piece_id, side="depth", length=length))

    def _set_pins(self, length: float) -> None:
        self._change("pin_spacing", length or None, "Tell the spacing of the pins")

    def _set_door(self, length: float) -> None:
        self._change("door", length or None, "Tell where the door is")

    def _set_bays(self, count: int) -> None:
        if count != len(bays_of(self._workspace.piece)):
            self._workspace.commit(SetBayCount(piece=self._workspace.piece_id, count=count))

    def _set_backdrop(self, colour: str) -> None:
        workspace = self._workspace
        ledges = tuple(
            replace(ledge, backdrop=colour) if ledge.backdrop == workspace.piece.backdrop else ledge
            for ledge in workspace.piece.ledges
        )
        changes = (("backdrop", colour), ("ledges", ledges))
        workspace.commit(ChangePiece(piece=workspace.piece_id, changes=changes, label="Paint the back"))


class LedgeForm(Form):
    """The ledge in hand: place, size, shape, back and light."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__(workspace)
        self.name_field = self.text("Name", lambda name: self._change("name", name))
        self.shelves_field = self.count("Shelves in bay", 40, self._set_shelves)
        self.floor_field = self.length("Over the floor", "height over the floor", self._move_shelf)
        self.clearance_field = self.length("Clearance", "clearance", self._set_clearance)
        self.clearance_field.setPlaceholderText("open above")
        self.depth_field = self.length("Depth", "ledge depth", lambda length: self._change("depth", length))
        shapes = tuple((shape, plain(shape)) for shape in LEDGE_SHAPES)
        self.shape_field = self.choice("Shape", shapes, lambda shape: self._change("shape", shape))
        self.back_button = ColourButton(lambda colour: self._change("backdrop", colour), "Colour behind this ledge")
        self.rows.addRow("Back", self.back_button)
        self.light_field = self.choice("Light", LIGHTS, lambda light: self._change("light", light or None))
        self.window_field = self.length("From window", "distance to the window", self._set_window)
        self.window_field.setPlaceholderText("not told")
        self.window_field.may_be_empty = True
        self.remove_button = chip("Remove this ledge", checkable=False)
        self.remove_button.clicked.connect(self._remove)
        self.rows.addRow("", at_left(self.remove_button))

    def refresh(self) -> None:
        """Show the ledge in hand."""
        workspace, ledge = self._workspace, self._workspace.ledge
        self.setEnabled(ledge is not None)
        if ledge is None:
            return
        show_text(self.name_field, ledge.name)
        self.shelves_field.setEnabled(not ledge.is_wall)
        self.rows.setRowVisible(self.shelves_field, kind_of(workspace.piece).has_bays)
        if not ledge.is_wall:
            bay = bay_of(workspace.piece, ledge.id)
            show_count(self.shelves_field, len(bay.ledges))
            self.shelves_field.setToolTip(
                f"Divides the {bay_name(workspace.piece, bay).lower()} anew into equal shelves"
            )
        self.floor_field.show_length(ledge.floor)
        self.clearance_field.show_length(ledge.clearance)
        self.depth_field.show_length(ledge.depth)
        show_choice(self.shape_field, ledge.shape)
        self.back_button.show_colour(workspace.piece.backdrop_of(ledge))
        show_choice(self.light_field, ledge.light or "")
        self.window_field.show_length(ledge.window_distance)

    def _change(self, field: str, value: object) -> None:
        ledge = self._workspace.ledge
        if ledge is not None and getattr(ledge, field) != value:
            self._commit(ledge, ((field, value),), f"Change the {field.replace('_', ' ')} of {ledge.label}")

    def _commit(self, ledge: Ledge, changes: tuple[tuple[str, object], ...], label: str) -> None:
        self._workspace.commit(
            ChangeLedge(piece=self._workspace.piece_id, ledge=ledge.id, changes=changes, label=label)
        )

    def _set_shelves(self, count: int) -> None:
        ledge = self._workspace.ledge
        if ledge is not None and count != len(bay_of(self._workspace.piece, ledge.id).ledges):
            self._workspace.commit(SetShelfCount(piece=self._workspace.piece_id, ledge=ledge.id, count=count))

    def _move_shelf(self, length: float) -> None:
        workspace, ledge = self._workspace, self._workspace.ledge
        if ledge is not None and ledge.is_wall:
            self._change("floor", length)
        elif ledge is not None:
            workspace.commit(MoveShelf(piece=workspace.piece_id, ledge=ledge.id, floor=length, name=ledge.label))

    def _set_clearance(self, length: float) -> None:
        workspace, ledge = self._workspace, self._workspace.ledge
        if ledge is not None and ledge.is_wall:
            self._change("clearance", length)
        elif ledge is not None:
            workspace.commit(SetClearance(piece=workspace.piece_id, ledge=ledge.id, clearance=length, name=ledge.label))

    def _set_window(self, length: float) -> None:
        """Take the distance, and the class of light that goes with it."""
        ledge = self._workspace.ledge
        if ledge is not None and not length:
            self._change("window_distance", None)
        elif ledge is not None:
            changes = (("window_distance", length), ("light", light_at(length)))
            self._commit(ledge, changes, f"Tell how far {ledge.label} is from the window")

    def _remove(self) -> None:
        ledge = self._workspace.ledge
        if ledge is not None:
            self._workspace.commit(RemoveLedge(piece=self._workspace.piece_id, ledge=ledge.id, name=ledge.label))


class BoardForm(Form):
    """What the ledge in hand is made of and held by, for its load; all of it may stay unknown."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__(workspace)
        materials = tuple((material, plain(material) or "unknown") for material in BOARD_MATERIALS)
        self.material_field = self.choice("Board", materials, lambda material: self._tell(material=material))
        self.thickness_field = self.length("Thick", "board thickness", lambda mm: self._tell(thickness=mm or None))
        self.span_field = self.length("Span", "free span", lambda mm: self._tell(span=mm or None))
        for field in (self.thickness_field, self.span_field):
            field.setPlaceholderText("unknown")
            field.may_be_empty = True
        fixings = tuple((fixing, FIXING_WORDS[fixing]) for fixing in FIXINGS)
        self.fixing_field = self.choice("Held by", fixings, lambda fixing: self._tell(fixing=fixing))
        self.load_field = self.text("Rated for, kg", self._set_load)
        self.load_field.setPlaceholderText("unknown")
        self.load_field.setFixedWidth(96)
        self.all_button = chip(
            "Same for all shelves", "Tell this board, fixing and rating of every shelf", checkable=False
        )
        self.all_button.clicked.connect(self._tell_all)
        row = QHBoxLayout()
        row.addWidget(self.all_button)
        row.addStretch(1)
        self.rows.addRow(row)

    def refresh(self) -> None:
        """Show the board of the ledge in hand."""
        ledge = self._workspace.ledge
        self.setEnabled(ledge is not None and not ledge.is_wall)
        if ledge is None:
            return
        board = ledge.board or Board()
        show_choice(self.material_field, board.material)
        self.thickness_field.show_length(board.thickness)
        self.span_field.show_length(board.span)
        show_choice(self.fixing_field, board.fixing)
        show_text(self.load_field, "" if ledge.load_limit is None else f"{ledge.load_limit:g}")

    def _tell(self, **known: object) -> None:
        ledge = self._workspace.ledge
        if ledge is None:
            return
        board = replace(ledge.board or Board(), **known)
        told = None if board == Board() else board
        if told != ledge.board:
            self._commit((ledge,), (("board", told),), f"Tell the board of {ledge.label}")

    def _tell_all(self) -> None:
        workspace, ledge = self._workspace, self._workspace.ledge
        if ledge is not None:
            shelves = tuple(other for other in workspace.piece.ledges if not other.is_wall)
            changes = (("board", ledge.board), ("load_limit", ledge.load_limit))
            self._commit(shelves, changes, "Tell the boards of all shelves")

    def _commit(self, ledges: Sequence[Ledge], changes: tuple[tuple[str, object], ...], label: str) -> None:
        self._workspace.commit(
            ChangeLedges(
                piece=self._workspace.piece_id, ledges=tuple(ledge.id for ledge in ledges), changes=changes, label=label
            )
        )

    def _set_load(self, told: str) -> None:
        ledge = self._workspace.ledge
        if ledge is None:
            return
        text = told.replace(",", ".").removesuffix("kg").strip()
        try:
            limit = float(text) if text else None
        except ValueError:
            self._workspace.signals.refused.emit(f"“{text}” is no mass in kg; type a number such as 15.")
            return
        if limit != ledge.load_limit:
            self._commit((ledge,), (("load_limit", limit),), f"Tell what {ledge.label} is rated for")


class FixtureForm(Form):
    """The fixture in hand: what it is, its place and size, its colour."""

    def __init__(self, workspace: Workspace, fixture_in_hand: Callable[[], int | None]) -> None:
        super().__init__(workspace)
        self._in_hand = fixture_in_hand
        kinds = tuple((kind, plain(kind)) for kind in FIXTURE_KINDS)
        self.kind_field = self.choice("It is a", kinds, lambda kind: self._change("kind", kind))
        self.size_fields = {
            side: self.length(label, side, lambda length, side=side: self._change(side, length))  # type: ignore[misc]
            for side, label in (
                ("left", "From left end"),
                ("floor", "Over the floor"),
                ("width", "Wide"),
                ("height", "High"),
            )
        }
        shapes = tuple((shape, plain(shape)) for shape in LEDGE_SHAPES)
        self.shape_field = self.choice("Shape", shapes, lambda shape: self._change("shape", shape))
        self.colour_button = ColourButton(lambda colour: self._change("colour", colour), "Colour of the fixture")
        self.rows.addRow("Colour", self.colour_button)
        self.watts_field = self.text("Rated for, watts", self._set_watts)
        self.watts_field.setPlaceholderText("unknown")
        self.outlets_field = self.text("Outlets", self._set_outlets)
        self.outlets_field.setPlaceholderText("unknown")
        self.circuit_field = self.text("On circuit", lambda name: self._change("circuit", name))
        self.circuit_field.setPlaceholderText("not told")
        self.remove_button = chip("Remove it", "Take the fixture out (Delete on the drawing)", checkable=False)
        self.remove_button.clicked.connect(self._remove)
        self.rows.addRow("", at_left(self.remove_button))

    def refresh(self) -> None:
        """Show the fixture in hand."""
        index = self._in_hand()
        if index is None:
            return
        fixture = self._workspace.piece.fixtures[index]
        show_choice(self.kind_field, fixture.kind)
        for side, field in self.size_fields.items():
            field.show_length(getattr(fixture, side))
        show_choice(self.shape_field, fixture.shape)
        self.colour_button.show_colour(fixture.colour or COLOURS[fixture.kind])
        for row in (self.watts_field, self.outlets_field, self.circuit_field):
            self.rows.setRowVisible(row, fixture.kind == "socket")
        show_text(self.outlets_field, str(fixture.outlets or ""))
        show_text(self.circuit_field, fixture.circuit)
        show_text(self.watts_field, "" if fixture.watts is None else f"{fixture.watts:g}")

    def _change(self, field: str, value: object) -> None:
        index = self._in_hand()
        if index is None:
            return
        fixture = self._workspace.piece.fixtures[index]
        if getattr(fixture, field) != value:
            self._workspace.commit(
                ChangeFixture(piece=self._workspace.piece_id, index=index, changes=((field, value),), kind=fixture.kind)
            )

    def _set_watts(self, told: str) -> None:
        text = told.lower().removesuffix("w").replace(",", ".").strip()
        try:
            self._change("watts", float(text) if text else None)
        except ValueError:
            self._workspace.signals.refused.emit(f"“{text}” is no power in watts; type a number such as 2300.")

    def _set_outlets(self, text: str) -> None:
        if text and not (text.isascii() and text.isdigit() and 1 <= int(text) <= MOST_OUTLETS):
            self._workspace.signals.refused.emit(
                f"“{text}” is no number of outlets; type how many plugs go into it, 1 to {MOST_OUTLETS}."
            )
            return
        self._change("outlets", int(text) if text else None)

    def _remove(self) -> None:
        index = self._in_hand()
        if index is not None:
            kind = self._workspace.piece.fixtures[index].kind
            self._workspace.commit(RemoveFixture(piece=self._workspace.piece_id, index=index, kind=kind))
