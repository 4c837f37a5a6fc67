"""The piece with its figures, edited on the drawing itself."""

from PySide6.QtCore import QPoint, QPointF, QRectF, Qt
from PySide6.QtGui import (
    QColor,
    QFontMetricsF,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QPen,
    QResizeEvent,
    QTransform,
)
from PySide6.QtWidgets import QApplication, QLineEdit, QWidget

from jolly_ledge.app.scene.dimensions import Dimension, dimensions_of, edit_for
from jolly_ledge.app.session import Session
from jolly_ledge.drawing.case import case_picture, front_shapes
from jolly_ledge.drawing.picture import Picture
from jolly_ledge.drawing.theme import INK, PLUM, PLUM_TINT, RULE, RUST, RUST_TINT, SHEET, SOFT_INK
from jolly_ledge.model.bays import tape_check
from jolly_ledge.model.edits.pieces import MoveShelf
from jolly_ledge.model.errors import LengthError
from jolly_ledge.model.piece import Piece
from jolly_ledge.model.units import parse_length
from jolly_ledge.render.fonts import font
from jolly_ledge.render.player import fitting, play

GAP_PX = 46.0
LABEL_HEIGHT = 28.0
GRIP_PX = 9.0
SHELF_STEP_MM = 5.0


class MeasureView(QWidget):
    """Shows the piece to scale with its dimensions; click a figure and type, drag a board."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._session = session
        self._hovered: str | None = None
        self._chosen = 0
        self._shelf: tuple[QPoint, str, float] | None = None
        self._edit: MoveShelf | None = None
        self._preview: Piece | None = None
        self._editing: Dimension | None = None
        self.field = QLineEdit(self)
        self.field.setAlignment(Qt.AlignmentFlag.AlignCenter)
        self.field.hide()
        self.field.returnPressed.connect(self._commit_field)
        self.field.editingFinished.connect(self._leave_field)
        self.setMouseTracking(True)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setMinimumSize(320, 320)
        self.setAccessibleName("The piece with its figures; Tab goes from figure to figure, Return types")
        session.changed.connect(self._after_change)
        session.chosen.connect(self.update)

    @property
    def piece(self) -> Piece:
        """The piece that is shown: what a drag would make of it, or the one in hand."""
        return self._preview if self._preview is not None else self._session.piece

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
        """Return the figures that are shown."""
        return dimensions_of(self.piece, GAP_PX / max(self.transform().m11(), 1e-6))

    def label_area(self, dimension: Dimension) -> QRectF:
        """Return where a figure stands, in pixels."""
        middle = self.transform().map(QPointF(*dimension.middle))
        width = QFontMetricsF(font(13, "sans", 600)).horizontalAdvance(self._session.length(dimension.length)) + 16
        return QRectF(middle.x() - width / 2, middle.y() - LABEL_HEIGHT / 2, width, LABEL_HEIGHT)

    # Painting

    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the piece and its figures."""
        if not self._session.piece_id:
            return
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        transform = self.transform()
        painter.save()
        painter.setTransform(transform)
        play(painter, case_picture(self.piece).primitives)
        play(painter, front_shapes(self.piece))
        painter.restore()
        doubtful = {ledge for fault in tape_check(self.piece) for ledge in fault.ledges}
        self._paint_ledge_in_hand(painter, transform)
        for index, dimension in enumerate(self.dimensions()):
            self._paint_dimension(painter, transform, dimension, doubtful, self.hasFocus() and index == self._chosen)

    def _paint_ledge_in_hand(self, painter: QPainter, transform: QTransform) -> None:
        ledge = next((ledge for ledge in self.piece.ledges if ledge.id == self._session.ledge_id), None)
        if ledge is not None:
            left, right = (
                transform.map(QPointF(ledge.left, -ledge.floor)),
                transform.map(QPointF(ledge.right, -ledge.floor)),
            )
            painter.setPen(QPen(QColor(PLUM), 3))
            painter.drawLine(left + QPointF(2, 5), right + QPointF(-2, 5))

    def _paint_dimension(
        self,
        painter: QPainter,
        transform: QTransform,
        dimension: Dimension,
        doubtful: set[str],
        focused: bool,
    ) -> None:
        start, end = transform.map(QPointF(*dimension.start)), transform.map(QPointF(*dimension.end))
        inside = dimension.id.startswith("clearance")
        doubt = dimension.id.partition(" ")[2] in doubtful
        line = "#cfd6da" if inside else SOFT_INK
        painter.setPen(QPen(QColor(RUST if doubt else line), 1.2))
        painter.drawLine(start, end)
        tick = QPointF(5, 0) if dimension.is_upright else QPointF(0, 5)
        for point in (start, end):
            painter.drawLine(point - tick, point + tick)
        area = self.label_area(dimension)
        hovered = dimension.id == self._hovered or focused
        painter.setPen(QPen(QColor(PLUM if hovered else RUST if doubt else RULE), 2 if focused else 1))
        painter.setBrush(QColor(PLUM_TINT if hovered else RUST_TINT if doubt else SHEET))
        painter.drawRoundedRect(area.adjusted(0, 2, 0, -2), 5, 5)
        painter.setFont(font(13, "sans", 600))
        painter.setPen(QColor(INK))
        painter.drawText(area, Qt.AlignmentFlag.AlignCenter, self._session.length(dimension.length))

    # Editing on the drawing

    def _dimension_at(self, position: QPoint) -> Dimension | None:
        return next((d for d in reversed(self.dimensions()) if self.label_area(d).contains(QPointF(position))), None)

    def _shelf_at(self, position: QPoint) -> str | None:
        transform = self.transform()
        for ledge in self.piece.ledges:
            left, right = (
                transform.map(QPointF(ledge.left, -ledge.floor)),
                transform.map(QPointF(ledge.right, -ledge.floor)),
            )
            if left.x() <= position.x() <= right.x() and -3 <= position.y() - left.y() <= GRIP_PX and not ledge.is_wall:
                return ledge.id
        return None

    def edit_dimension(self, dimension: Dimension) -> None:
        """Open the field over a figure."""
        self._editing = dimension
        area = self.label_area(dimension).toRect().adjusted(-14, -1, 14, 1)
        self.field.setGeometry(area)
        self.field.setAccessibleName(dimension.name)
        self.field.setText(self._session.length(dimension.length))
        self.field.setToolTip("")
        self.field.show()
        self.field.setFocus()
        self.field.selectAll()

    def _commit_field(self) -> None:
        dimension = self._editing
        if dimension is None:
            return
        try:
            length = parse_length(self.field.text(), self._session.unit)
        except LengthError as error:
            self._session.refused.emit(str(error))
            return
        self._close_field()
        if abs(length - dimension.length) > 0.01:
            self._session.commit(edit_for(self._session.piece, dimension, length))

    def _leave_field(self) -> None:
        if self._editing is not None and not self.field.hasFocus():
            self._close_field()

    def _close_field(self) -> None:
        self._editing = None
        self.field.hide()
        self.setFocus()

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Take a figure or a board in hand."""
        position = event.position().toPoint()
        self._close_field()
        dimension = self._dimension_at(position)
        if dimension is not None:
            self._chosen = [d.id for d in self.dimensions()].index(dimension.id)
            self.edit_dimension(dimension)
            if dimension.id.startswith("clearance"):
                self._session.choose_ledge(dimension.id.partition(" ")[2])
            return
        shelf = self._shelf_at(position)
        if shelf is not None:
            self._session.choose_ledge(shelf)
            self._shelf = (position, shelf, self._session.piece.ledge(shelf).floor)
            return
        self._choose_opening(position)

    def _choose_opening(self, position: QPoint) -> None:
        at = self.transform().inverted()[0].map(QPointF(position))
        for ledge in self.piece.ledges:
            top = ledge.floor + (ledge.clearance if ledge.clearance is not None else 300)
            if ledge.left <= at.x() <= ledge.right and ledge.floor <= -at.y() <= top:
                self._session.choose_ledge(ledge.id)
                return

    def mouseMoveEvent(self, event: QMouseEvent) -> None:
        """Drag a board, or show what can be pressed."""
        position = event.position().toPoint()
        if self._shelf is not None:
            start, ledge, floor = self._shelf
            if self._edit is None and abs(position.y() - start.y()) < QApplication.startDragDistance():
                return
            rise = (start.y() - position.y()) / max(self.transform().m11(), 1e-6)
            snapped = round((floor + rise) / SHELF_STEP_MM) * SHELF_STEP_MM
            label = self._session.piece.ledge(ledge).label
            self._edit = MoveShelf(piece=self._session.piece_id, ledge=ledge, floor=snapped, name=label)
            self._preview = self._edit.apply(self._session.plan).piece(self._session.piece_id)
            self.update()
            return
        hovered = self._dimension_at(position)
        name = hovered.id if hovered else None
        if name != self._hovered:
            self._hovered = name
            self.update()
        shape = (
            Qt.CursorShape.IBeamCursor
            if hovered
            else (Qt.CursorShape.SizeVerCursor if self._shelf_at(position) else Qt.CursorShape.ArrowCursor)
        )
        self.setCursor(shape)

    def mouseReleaseEvent(self, event: QMouseEvent) -> None:
        """Let a board go."""
        edit, self._edit, self._shelf = self._edit, None, None
        self._preview = None
        if edit is not None:
            self._session.commit(edit)

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Go from figure to figure with arrows, type with Return, put back with Esc."""
        key = event.key()
        if key == Qt.Key.Key_Escape:
            self._edit = self._shelf = self._preview = None
            self._close_field()
            self.update()
        elif key in (Qt.Key.Key_Right, Qt.Key.Key_Down, Qt.Key.Key_Left, Qt.Key.Key_Up):
            step = 1 if key in (Qt.Key.Key_Right, Qt.Key.Key_Down) else -1
            self._chosen = (self._chosen + step) % max(len(self.dimensions()), 1)
            self.update()
        elif key in (Qt.Key.Key_Return, Qt.Key.Key_Enter, Qt.Key.Key_F2) and self._editing is None:
            self.edit_dimension(self.dimensions()[self._chosen])
        else:
            event.ignore()

    def resizeEvent(self, event: QResizeEvent) -> None:
        """Close the field when the drawing changes its size."""
        if self._editing is not None:
            self._close_field()
