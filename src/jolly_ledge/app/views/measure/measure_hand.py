"""The hand on the piece that is measured: figures are typed, boards and fixtures dragged."""

from PySide6.QtCore import QPoint, QPointF, QRectF, Qt, Signal
from PySide6.QtGui import QKeyEvent, QMouseEvent, QResizeEvent, QTransform
from PySide6.QtWidgets import QApplication, QWidget

from jolly_ledge.app.views.measure.dimensions import Dimension, dimensions_of, edit_for, fixture_dimensions
from jolly_ledge.app.views.measure.figures import FigureField, label_area
from jolly_ledge.app.views.nearer import Nearer
from jolly_ledge.drawing.case import case_picture
from jolly_ledge.drawing.picture import Picture
from jolly_ledge.edits.fixtures import ChangeFixture, RemoveFixture
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.piece import Piece
from jolly_ledge.render.player import fitting
from jolly_ledge.workspace.measure_gestures import FixtureGesture, MeasureGesture, ShelfGesture
from jolly_ledge.workspace.workspace import Workspace

GAP_PX = 46.0
GRIP_PX = 9.0
EASY_PX = 14.0
ROOM_FOR_FIGURES_PX = 80.0
NUDGE_MM, FINE_NUDGE_MM = 10.0, 1.0


class MeasureHand(QWidget):
    """Takes mouse and keys on a piece with its figures; who inherits paints."""

    fixture_chosen = Signal()

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self._hovered: str | None = None
        self._chosen = 0
        self._pressed = QPoint()
        self._gesture: MeasureGesture | None = None
        self._preview: Piece | None = None
        self._fixture: int | None = None
        self.field = FigureField(self, workspace, self._take_length)
        self.nearer = Nearer(self)
        self.nearer.changed.connect(self.field.close_again)
        self.setMouseTracking(True)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setMinimumSize(320, 240)
        signals = workspace.signals
        for signal in (signals.pieces_changed, signals.in_hand_changed, signals.length_unit_changed, signals.refused):
            signal.connect(lambda *_: self._after_change())
        workspace.signals.chosen.connect(self.update)

    @property
    def piece(self) -> Piece:
        """The piece that is shown: what a drag would make of it, or the one in hand."""
        return self._preview if self._preview is not None else self._workspace.piece

    @property
    def fixture(self) -> int | None:
        """The fixture in hand, by its place in the piece's fixtures."""
        fits = self._fixture is not None and self._fixture < len(self.piece.fixtures)
        return self._fixture if fits else None

    def choose_fixture(self, index: int | None) -> None:
        """Take a fixture in hand; None lets it be."""
        if index != self._fixture:
            self._fixture = index
            self.fixture_chosen.emit()
            self.update()

    def _after_change(self) -> None:
        self._preview = None
        self.update()

    def _frame(self) -> Picture:
        case = case_picture(self.piece)
        return Picture((), case.left, case.top, case.right, case.bottom)

    def transform(self) -> QTransform:
        """Return how mm become pixels."""
        area = QRectF(self.rect()).adjusted(GAP_PX * 2, GAP_PX, -GAP_PX, -GAP_PX * 1.2)
        return self.nearer.of(fitting(self._frame(), area), self)

    def dimensions(self) -> tuple[Dimension, ...]:
        """Return the figures that are shown: those of the fixture in hand last, so that they lie on top."""
        transform = self.transform()
        found = dimensions_of(self.piece, GAP_PX / max(transform.m11(), 1e-6))
        if self.fixture is None:
            return found
        # A figure as wide as what it measures would hide it; a small fixture's size is told beside the drawing.
        area = self.fixture_area(self.fixture, transform)
        roomy = min(area.width(), area.height()) >= ROOM_FOR_FIGURES_PX
        figures = fixture_dimensions(self.piece, self.fixture)
        return (*found, *(figures if roomy else figures[:2]))

    def label_area(self, dimension: Dimension) -> QRectF:
        """Return where a figure stands, in pixels."""
        return label_area(dimension, self.transform(), self._workspace.length(dimension.length))

    def fixture_area(self, index: int, transform: QTransform) -> QRectF:
        """Return where a fixture stands, in pixels."""
        fixture = self.piece.fixtures[index]
        return transform.mapRect(QRectF(fixture.left, -fixture.floor - fixture.height, fixture.width, fixture.height))

    # Finding what is pressed

    def _dimension_at(self, position: QPoint) -> Dimension | None:
        return next((d for d in reversed(self.dimensions()) if self.label_area(d).contains(QPointF(position))), None)

    def _shelf_at(self, position: QPoint) -> str | None:
        transform = self.transform()
        for ledge in self.piece.ledges:
            left = transform.map(QPointF(ledge.left, -ledge.floor))
            right = transform.map(QPointF(ledge.right, -ledge.floor))
            if left.x() <= position.x() <= right.x() and -3 <= position.y() - left.y() <= GRIP_PX and not ledge.is_wall:
                return ledge.id
        return None

    def _fixture_at(self, position: QPoint) -> int | None:
        transform = self.transform()
        for index in reversed(range(len(self.piece.fixtures))):
            area = self.fixture_area(index, transform)
            # A bar seen small is still as easy to hit as a fingertip.
            across, up = max(EASY_PX - area.width(), 0) / 2, max(EASY_PX - area.height(), 0) / 2
            grown = area.adjusted(-across, -up, across, up)
            if grown.contains(QPointF(position)):
                return index
        return None

    # Editing on the drawing

    def edit_dimension(self, dimension: Dimension) -> None:
        """Open the field over a figure."""
        self.field.open_over(dimension, self.label_area(dimension))

    def _take_length(self, dimension: Dimension, length: float) -> None:
        self._workspace.commit(edit_for(self._workspace.piece, dimension, length))

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Take a figure, a board or a fixture in hand."""
        position = self._pressed = event.position().toPoint()
        self.field.close_again()
        dimension = self._dimension_at(position)
        if dimension is not None:
            self._chosen = [d.id for d in self.dimensions()].index(dimension.id)
            self.edit_dimension(dimension)
            if dimension.id.startswith("clearance"):
                self._workspace.choose_ledge(dimension.id.partition(" ")[2])
            return
        shelf, fixture = self._shelf_at(position), self._fixture_at(position)
        if fixture is not None and (shelf is None or fixture == self.fixture):
            self.choose_fixture(fixture)
            self._gesture = FixtureGesture(self._workspace.piece, fixture)
            return
        self.choose_fixture(None)
        if shelf is not None:
            self._workspace.choose_ledge(shelf)
            self._gesture = ShelfGesture(self._workspace.piece, shelf)
            return
        self._choose_opening(position)

    def _choose_opening(self, position: QPoint) -> None:
        at = self.transform().inverted()[0].map(QPointF(position))
        for ledge in self.piece.ledges:
            top = ledge.floor + (ledge.clearance if ledge.clearance is not None else 300)
            if ledge.left <= at.x() <= ledge.right and ledge.floor <= -at.y() <= top:
                self._workspace.choose_ledge(ledge.id)
                return

    def mouseMoveEvent(self, event: QMouseEvent) -> None:
        """Drag what is in hand, or show what can be pressed."""
        position = event.position().toPoint()
        if self._gesture is not None:
            moved = position - self._pressed
            if self._gesture.edit is None and moved.manhattanLength() < QApplication.startDragDistance():
                return
            scale = max(self.transform().m11(), 1e-6)
            self._preview = self._gesture.move(self._workspace.plan, moved.x() / scale, -moved.y() / scale)
            self.update()
            return
        hovered = self._dimension_at(position)
        name = hovered.id if hovered else None
        if name != self._hovered:
            self._hovered = name
            self.update()
        if hovered:
            shape = Qt.CursorShape.IBeamCursor
        elif self._shelf_at(position):
            shape = Qt.CursorShape.SizeVerCursor
        elif self._fixture_at(position) is not None:
            shape = Qt.CursorShape.SizeAllCursor
        else:
            shape = Qt.CursorShape.ArrowCursor
        self.setCursor(shape)

    def mouseReleaseEvent(self, event: QMouseEvent) -> None:
        """Let go."""
        gesture, self._gesture = self._gesture, None
        self._preview = None
        if gesture is not None and gesture.edit is not None:
            self._workspace.commit(gesture.edit)
            self._workspace.history.settle()

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Go from figure to figure with arrows, type with Return, put back with Esc; arrows nudge a fixture."""
        key = event.key()
        if key == Qt.Key.Key_Escape:
            self._put_back()
        elif self.fixture is not None and self._fixture_key(event, self.fixture):
            return
        elif key in (Qt.Key.Key_Right, Qt.Key.Key_Down, Qt.Key.Key_Left, Qt.Key.Key_Up):
            step = 1 if key in (Qt.Key.Key_Right, Qt.Key.Key_Down) else -1
            self._chosen = (self._chosen + step) % max(len(self.dimensions()), 1)
            self.update()
        elif key in (Qt.Key.Key_Return, Qt.Key.Key_Enter, Qt.Key.Key_F2) and self.field.editing is None:
            self.edit_dimension(self.dimensions()[self._chosen % len(self.dimensions())])
        else:
            event.ignore()

    def _put_back(self) -> None:
        carried = self._gesture is not None or self.field.editing is not None
        self._gesture = self._preview = None
        self.field.close_again()
        if not carried:
            self.choose_fixture(None)
        self.update()

    def _fixture_key(self, event: QKeyEvent, index: int) -> bool:
        """Nudge or remove the fixture in hand; return whether the key was for it."""
        fixture = self._workspace.piece.fixtures[index]
        step = FINE_NUDGE_MM if event.modifiers() & Qt.KeyboardModifier.ShiftModifier else NUDGE_MM
        moves = {
            Qt.Key.Key_Left: ("left", fixture.left - step),
            Qt.Key.Key_Right: ("left", fixture.left + step),
            Qt.Key.Key_Up: ("floor", fixture.floor + step),
            Qt.Key.Key_Down: ("floor", max(fixture.floor - step, 0.0)),
        }
        piece = self._workspace.piece_id
        if event.key() in (Qt.Key.Key_Delete, Qt.Key.Key_Backspace):
            self.choose_fixture(None)
            self._workspace.commit(RemoveFixture(piece=piece, index=index, kind=fixture.kind))
            return True
        change = moves.get(Qt.Key(event.key()))
        if change is None:
            return False
        self._workspace.commit(ChangeFixture(piece=piece, index=index, changes=(change,), kind=fixture.kind))
        return True

    @survives
    def resizeEvent(self, event: QResizeEvent) -> None:
        """Close the field when the drawing changes its size."""
        self.field.close_again()
