"""A table from above: its size typed on the drawing, seats dragged round it."""

from PySide6.QtCore import QPointF, QRectF, Qt
from PySide6.QtGui import QColor, QKeyEvent, QMouseEvent, QPaintEvent, QPen, QTransform
from PySide6.QtWidgets import QApplication, QWidget

from jolly_ledge.app.tones import ground_painter
from jolly_ledge.app.views.measure.dimensions import Dimension
from jolly_ledge.app.views.measure.figures import FigureField, label_area, paint_figure
from jolly_ledge.drawing.picture import Picture
from jolly_ledge.drawing.table_top import SEAT_MM, main_top, table_from_above
from jolly_ledge.drawing.theme import PLUM, SOFT_INK
from jolly_ledge.edits.pieces import ChangePiece, SetOuterSize
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.piece import Piece, Seat
from jolly_ledge.model.value import changed
from jolly_ledge.render.player import fitting, play
from jolly_ledge.workspace.workspace import Workspace

MARGIN_PX = 40.0
SEAT_STEP_MM = 10.0


class TopView(QWidget):
    """Shows a piece from above; click a figure and type, drag a seat, double-click beside the table for one more."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self._seat: int | None = None
        self._pressed: QPointF | None = None
        self._preview: tuple[Seat, ...] | None = None
        self.field = FigureField(self, workspace, self._take_length)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setMinimumSize(280, 180)
        self.setAccessibleName("The table from above with its seats; Delete takes the chosen seat away")
        signals = workspace.signals
        for signal in (signals.pieces_changed, signals.in_hand_changed, signals.length_unit_changed, signals.refused):
            signal.connect(lambda *_: self._after_change())

    @property
    def piece(self) -> Piece:
        """The piece with its seats where a drag would put them."""
        piece = self._workspace.piece
        return piece if self._preview is None else changed(piece, seats=self._preview)

    @property
    def seat(self) -> int | None:
        """The seat in hand, by its place in the piece's seats."""
        return self._seat if self._seat is not None and self._seat < len(self.piece.seats) else None

    def _after_change(self) -> None:
        self._preview = None
        self.update()

    def transform(self) -> QTransform:
        """Return how mm become pixels; the frame stays while a seat is dragged."""
        picture = table_from_above(self._workspace.piece)
        frame = Picture((), picture.left, picture.top, picture.right, picture.bottom)
        return fitting(frame, QRectF(self.rect()).adjusted(MARGIN_PX, 6, -MARGIN_PX, -6))

    @property
    def top_depth(self) -> float:
        """The depth of the top, from which its front edge is told."""
        top = main_top(self._workspace.piece)
        return top.depth if top is not None else self._workspace.piece.depth

    def dimensions(self) -> tuple[Dimension, ...]:
        """Return width and depth of the top, and what a seat in hand measures."""
        piece, depth = self.piece, self.top_depth
        return (
            Dimension("width", "outer width", piece.width, (0, depth * 0.5), (piece.width, depth * 0.5)),
            Dimension("depth", "outer depth", piece.depth, (self._beside, 0), (self._beside, depth)),
        )

    @property
    def _beside(self) -> float:
        """Where the depth is told: to the left of the top and of who sits there."""
        return min([0.0, *(seat.x - SEAT_MM / 2 for seat in self._workspace.piece.seats)]) - 60.0

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the top, the seats and the figures."""
        if not self._workspace.piece_id:
            return
        painter = ground_painter(self)
        transform = self.transform()
        painter.save()
        painter.setTransform(transform)
        play(painter, table_from_above(self.piece).primitives)
        painter.restore()
        if self.seat is not None:
            seat = self.piece.seats[self.seat]
            half = SEAT_MM / 2 * 1.1
            area = QRectF(seat.x - half, self.top_depth - seat.z - half, 2 * half, 2 * half)
            painter.setPen(QPen(QColor(PLUM), 2, Qt.PenStyle.DashLine))
            painter.drawRect(transform.mapRect(area))
        for dimension in self.dimensions():
            paint_figure(painter, dimension, transform, self._workspace.length(dimension.length), line=SOFT_INK)

    def _mm(self, position: QPointF) -> QPointF:
        return self.transform().inverted()[0].map(position)

    def _seat_at(self, position: QPointF) -> int | None:
        at = self._mm(position)
        for index, seat in enumerate(self.piece.seats):
            if abs(at.x() - seat.x) <= SEAT_MM / 2 and abs(at.y() - (self.top_depth - seat.z)) <= SEAT_MM / 2:
                return index
        return None

    def label_area(self, dimension: Dimension) -> QRectF:
        """Return where a figure stands, in pixels."""
        return label_area(dimension, self.transform(), self._workspace.length(dimension.length))

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Take a figure or a seat in hand."""
        self.field.close_again()
        found = next((d for d in self.dimensions() if self.label_area(d).contains(event.position())), None)
        if found is not None:
            self.field.open_over(found, self.label_area(found))
            return
        self._seat = self._seat_at(event.position())
        self._pressed = event.position() if self._seat is not None else None
        self.update()

    def mouseMoveEvent(self, event: QMouseEvent) -> None:
        """Drag a seat."""
        if self._pressed is None or self._seat is None:
            return
        moved = event.position() - self._pressed
        if self._preview is None and moved.manhattanLength() < QApplication.startDragDistance():
            return
        scale = self.transform().m11()
        seats = list(self._workspace.piece.seats)
        seat = seats[self._seat]
        x = round((seat.x + moved.x() / scale) / SEAT_STEP_MM) * SEAT_STEP_MM
        z = round((seat.z - moved.y() / scale) / SEAT_STEP_MM) * SEAT_STEP_MM
        seats[self._seat] = Seat(x=x, z=z)
        self._preview = tuple(seats)
        self.update()

    def mouseReleaseEvent(self, event: QMouseEvent) -> None:
        """Let a seat go."""
        seats, self._preview, self._pressed = self._preview, None, None
        if seats is not None:
            self._set_seats(seats, "Move a seat")

    def mouseDoubleClickEvent(self, event: QMouseEvent) -> None:
        """Set one more seat where the floor is double-clicked."""
        at = self._mm(event.position())
        x, z = (round(value / SEAT_STEP_MM) * SEAT_STEP_MM for value in (at.x(), self.top_depth - at.y()))
        on_top = 0 <= x <= self._workspace.piece.width and 0 <= z <= self.top_depth
        if self._seat_at(event.position()) is None and not on_top:
            self._set_seats((*self._workspace.piece.seats, Seat(x=x, z=z)), "Add a seat")

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Take the chosen seat away with Delete, put a dragged one back with Esc."""
        if event.key() in (Qt.Key.Key_Delete, Qt.Key.Key_Backspace) and self.seat is not None:
            seats = list(self._workspace.piece.seats)
            del seats[self.seat]
            self._seat = None
            self._set_seats(tuple(seats), "Take a seat away")
        elif event.key() == Qt.Key.Key_Escape:
            self._seat = self._preview = self._pressed = None
            self.field.close_again()
            self.update()
        else:
            event.ignore()

    def _set_seats(self, seats: tuple[Seat, ...], label: str) -> None:
        self._workspace.commit(ChangePiece(piece=self._workspace.piece_id, changes=(("seats", seats),), label=label))
        self._workspace.history.settle()

    def _take_length(self, dimension: Dimension, length: float) -> None:
        side = "width" if dimension.id == "width" else "depth"
        self._workspace.commit(SetOuterSize(piece=self._workspace.piece_id, side=side, length=length))  # type: ignore[arg-type]
