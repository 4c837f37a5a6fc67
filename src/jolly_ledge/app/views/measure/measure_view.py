"""The piece with its figures, edited on the drawing itself."""

from PySide6.QtCore import QPoint, QPointF, QRectF, QSize, Qt, Signal
from PySide6.QtGui import QColor, QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen, QPixmap, QResizeEvent, QTransform
from PySide6.QtWidgets import QApplication, QWidget

from jolly_ledge.app.views.measure.dimensions import Dimension, dimensions_of, edit_for, fixture_dimensions
from jolly_ledge.app.views.measure.figures import FigureField, label_area, paint_figure
from jolly_ledge.app.views.measure.measure_gestures import FixtureGesture, MeasureGesture, ShelfGesture
from jolly_ledge.app.views.measure.piece_photo import StraightPhoto
from jolly_ledge.drawing.case import case_picture, front_shapes
from jolly_ledge.drawing.picture import Picture
from jolly_ledge.drawing.theme import PLUM, SOFT_INK
from jolly_ledge.edits.fixtures import ChangeFixture, RemoveFixture
from jolly_ledge.geometry.bays import tape_check
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.piece import Piece
from jolly_ledge.render.player import fitting, play
from jolly_ledge.workspace.workspace import Workspace

GAP_PX = 46.0
GRIP_PX = 9.0
EASY_PX = 14.0
ROOM_FOR_FIGURES_PX = 80.0
INSIDE = "#cfd6da"
PHOTO_SHOWS = 0.42
"""How much of the drawing stays when a photograph lies under it."""

NUDGE_MM, FINE_NUDGE_MM = 10.0, 1.0


class MeasureView(QWidget):
    """Shows the piece to scale with its dimensions; click a figure and type, drag a board or a fixture."""

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
        self._photo = StraightPhoto(workspace)
        self._drawn: tuple[tuple[Piece, QTransform, QSize, float], QPixmap] | None = None
        self.shows_photo = True
        self.field = FigureField(self, workspace, self._take_length)
        self.setMouseTracking(True)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setMinimumSize(320, 240)
        self.setAccessibleName("The piece with its figures; Tab goes from figure to figure, Return types")
        workspace.signals.changed.connect(self._after_change)
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

    def show_photo(self, on: bool) -> None:
        """Lay the photograph under the drawing, or take it away."""
        self.shows_photo = on
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
        return fitting(self._frame(), area)

    def dimensions(self) -> tuple[Dimension, ...]:
        """Return the figures that are shown: those of the fixture in hand last, so that they lie on top."""
        transform = self.transform()
        found = dimensions_of(self.piece, GAP_PX / max(transform.m11(), 1e-6))
        if self.fixture is None:
            return found
        # A figure as wide as what it measures would hide it; a small fixture's size is told beside the drawing.
        area = self._fixture_area(self.fixture, transform)
        roomy = min(area.width(), area.height()) >= ROOM_FOR_FIGURES_PX
        figures = fixture_dimensions(self.piece, self.fixture)
        return (*found, *(figures if roomy else figures[:2]))

    def label_area(self, dimension: Dimension) -> QRectF:
        """Return where a figure stands, in pixels."""
        return label_area(dimension, self.transform(), self._workspace.length(dimension.length))

    # Painting

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the piece and its figures."""
        if not self._workspace.piece_id:
            return
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        transform = self.transform()
        photo = self._photo.of(self.piece) if self.shows_photo else None
        if photo is not None:
            area = transform.mapRect(photo[1])
            painter.drawPixmap(area.topLeft(), self._photo.scaled(photo[0], area.size(), self.devicePixelRatioF()))
            painter.setOpacity(PHOTO_SHOWS)
        painter.drawPixmap(0, 0, self._drawn_piece(transform))
        painter.setOpacity(1.0)
        self._paint_walls(painter, transform)
        self._paint_ledge_in_hand(painter, transform)
        self._paint_fixture_in_hand(painter, transform)
        doubtful = {ledge for fault in tape_check(self.piece) for ledge in fault.ledges}
        for index, dimension in enumerate(self.dimensions()):
            kind, _, ledge = dimension.id.partition(" ")
            paint_figure(
                painter,
                dimension,
                transform,
                self._workspace.length(dimension.length),
                line=INSIDE if kind == "clearance" else PLUM if kind.startswith("fixture") else SOFT_INK,
                doubtful=ledge in doubtful,
                hovered=dimension.id == self._hovered,
                focused=self.hasFocus() and index == self._chosen,
            )

    def _drawn_piece(self, transform: QTransform) -> QPixmap:
        """Return the piece as pixels, drawn anew only when it or its scale changes."""
        ratio = self.devicePixelRatioF()
        key = (self.piece, transform, self.size(), ratio)
        if self._drawn is None or self._drawn[0] != key:
            pixmap = QPixmap(self.size() * ratio)
            pixmap.setDevicePixelRatio(ratio)
            pixmap.fill(Qt.GlobalColor.transparent)
            painter = QPainter(pixmap)
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            painter.setTransform(transform, True)
            play(painter, case_picture(self.piece).primitives)
            play(painter, front_shapes(self.piece))
            painter.end()
            self._drawn = (key, pixmap)
        return self._drawn[1]

    def forget_pixels(self) -> None:
        """Draw the piece anew at the next painting."""
        self._drawn = None

    def _paint_walls(self, painter: QPainter, transform: QTransform) -> None:
        """Outline the parts of the wall that take hung things."""
        painter.setPen(QPen(QColor(SOFT_INK), 1.2, Qt.PenStyle.DotLine))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        for ledge in self.piece.ledges:
            if ledge.is_wall:
                top = ledge.floor + (ledge.clearance or 0.0)
                painter.drawRect(transform.mapRect(QRectF(ledge.left, -top, ledge.width, top - ledge.floor)))

    def _paint_ledge_in_hand(self, painter: QPainter, transform: QTransform) -> None:
        ledge = next((ledge for ledge in self.piece.ledges if ledge.id == self._workspace.ledge_id), None)
        if ledge is not None:
            left = transform.map(QPointF(ledge.left, -ledge.floor))
            right = transform.map(QPointF(ledge.right, -ledge.floor))
            painter.setPen(QPen(QColor(PLUM), 3))
            painter.drawLine(left + QPointF(2, 5), right + QPointF(-2, 5))

    def _paint_fixture_in_hand(self, painter: QPainter, transform: QTransform) -> None:
        if self.fixture is not None:
            painter.setPen(QPen(QColor(PLUM), 2, Qt.PenStyle.DashLine))
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.drawRect(self._fixture_area(self.fixture, transform).adjusted(-3, -3, 3, 3))

    def _fixture_area(self, index: int, transform: QTransform) -> QRectF:
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
            area = self._fixture_area(index, transform)
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
