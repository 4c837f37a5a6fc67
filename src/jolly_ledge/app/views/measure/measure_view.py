"""The piece with its figures, edited on the drawing itself."""

from PySide6.QtCore import QPointF, QRectF, QSize, Qt
from PySide6.QtGui import QColor, QPainter, QPaintEvent, QPen, QPixmap, QTransform

from jolly_ledge.app.tones import ground_painter
from jolly_ledge.app.views.measure.figures import paint_figure
from jolly_ledge.app.views.measure.measure_hand import MeasureHand
from jolly_ledge.app.views.measure.piece_photo import StraightPhoto
from jolly_ledge.drawing.case import case_picture, front_shapes
from jolly_ledge.drawing.theme import PLUM, SOFT_INK
from jolly_ledge.geometry.bays import tape_check
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.piece import Piece
from jolly_ledge.render.player import play
from jolly_ledge.workspace.workspace import Workspace

INSIDE = "#cfd6da"
PHOTO_SHOWS = 0.42
"""How much of the drawing stays when a photograph lies under it."""


class MeasureView(MeasureHand):
    """Shows a piece to scale with all its figures, over its photograph where there is one."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__(workspace)
        self.photo = StraightPhoto(self, workspace)
        self.photo.ready.connect(self.update)
        self._drawn: tuple[tuple[Piece, QTransform, QSize, float], QPixmap] | None = None
        self.shows_photo = True
        self.setAccessibleName("The piece with its figures; Tab goes from figure to figure, Return types")

    def show_photo(self, on: bool) -> None:
        """Lay the photograph under the drawing, or take it away."""
        self.shows_photo = on
        self.update()

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the piece and its figures."""
        if not self._workspace.piece_id:
            return
        painter = ground_painter(self)
        transform = self.transform()
        photo = self.photo.of(self.piece) if self.shows_photo else None
        if photo is not None:
            area = transform.mapRect(photo[1])
            painter.drawPixmap(area.topLeft(), self.photo.scaled(photo[0], area.size(), self.devicePixelRatioF()))
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
            painter.drawRect(self.fixture_area(self.fixture, transform).adjusted(-3, -3, 3, 3))
