"""The ledge in hand seen from above: things are moved forward and back here."""

from PySide6.QtCore import QPoint, QPointF, QRectF, QSize, Qt
from PySide6.QtGui import QColor, QFontMetricsF, QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QTransform
from PySide6.QtWidgets import QApplication, QSizePolicy, QWidget

from jolly_ledge.app.session import Session
from jolly_ledge.drawing.plan_view import footprint_shapes, ledge_from_above, on_ledge
from jolly_ledge.drawing.theme import OCHRE, PAPER, SOFT_INK
from jolly_ledge.model.arrangement import Standing
from jolly_ledge.model.edits.placements import MovePlacement, Spot
from jolly_ledge.model.spots import SNAP_MM
from jolly_ledge.render.fonts import font
from jolly_ledge.render.player import fitting, play


class DepthView(QWidget):
    """Shows one ledge from above, the wall at the top; dragging moves along and across."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._session = session
        self._pressed: tuple[QPoint, Standing] | None = None
        self._edit: MovePlacement | None = None
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Preferred)
        self.setMinimumHeight(120)
        self.setFocusPolicy(Qt.FocusPolicy.ClickFocus)
        self.setAccessibleName("The ledge in hand from above")
        self.setAttribute(Qt.WidgetAttribute.WA_OpaquePaintEvent)
        for signal in (session.changed, session.previewed, session.chosen, session.pointed):
            signal.connect(self.update)

    def sizeHint(self) -> QSize:
        """Return the wished size."""
        return QSize(200, 150)

    def _transform(self) -> QTransform | None:
        ledge = self._session.ledge
        if ledge is None:
            return None
        return fitting(ledge_from_above(ledge), QRectF(2, 16, self.width() - 4, self.height() - 34))

    def position_of(self, standing: Standing) -> QPoint:
        """Return where a thing's middle is shown."""
        transform = self._transform()
        ledge = standing.ledge
        if transform is None:
            return QPoint()
        return transform.map(QPointF(standing.x - ledge.left, ledge.depth - standing.z)).toPoint()

    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the ledge and the footprints."""
        session, transform = self._session, self._transform()
        ledge = session.ledge
        if ledge is None or transform is None:
            QPainter(self).fillRect(self.rect(), QColor(PAPER))
            return
        painter = QPainter(self)
        painter.fillRect(self.rect(), QColor(PAPER))
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.setFont(font(12))
        painter.setPen(QColor(SOFT_INK))
        for text, y in (("wall", 12), ("front edge", self.height() - 4)):
            width = QFontMetricsF(painter.font()).horizontalAdvance(text)
            painter.drawText(QPointF((self.width() - width) / 2, y), text)
        painter.setTransform(transform)
        play(painter, ledge_from_above(ledge).primitives)
        pointed = set(session.pointed_at)
        for standing in on_ledge(session.arrangement, ledge.id):
            painter.save()
            painter.translate(standing.x - ledge.left, ledge.depth - standing.z)
            if pointed and standing.id not in pointed:
                painter.setOpacity(0.35)
            play(painter, footprint_shapes(standing))
            if standing.id in session.selection:
                pen = painter.pen()
                pen.setColor(QColor(OCHRE))
                pen.setWidthF(2.0)
                pen.setCosmetic(True)
                pen.setStyle(Qt.PenStyle.DashLine)
                painter.setPen(pen)
                painter.setBrush(Qt.BrushStyle.NoBrush)
                deep = standing.back - standing.front
                painter.drawRect(QRectF(-standing.width / 2 - 6, -deep / 2 - 6, standing.width + 12, deep + 12))
            painter.restore()

    def _standing_at(self, position: QPoint) -> Standing | None:
        transform, ledge = self._transform(), self._session.ledge
        if transform is None or ledge is None:
            return None
        at = transform.inverted()[0].map(QPointF(position))
        x, z = at.x() + ledge.left, ledge.depth - at.y()
        found = [
            s
            for s in on_ledge(self._session.arrangement, ledge.id)
            if s.left <= x <= s.right and s.front <= z <= s.back
        ]
        return found[-1] if found else None

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Choose what is pressed and be ready to move it."""
        position = event.position().toPoint()
        standing = self._standing_at(position)
        if standing is not None:
            self._session.choose(standing.id)
            self._pressed = (position, standing)

    def mouseMoveEvent(self, event: QMouseEvent) -> None:
        """Move what was pressed."""
        position, transform = event.position().toPoint(), self._transform()
        if self._pressed is None or transform is None:
            return
        start, standing = self._pressed
        if self._edit is None and (position - start).manhattanLength() < QApplication.startDragDistance():
            return
        if standing.placement.locked or standing.placement.inside:
            return
        inverse = transform.inverted()[0]
        away = inverse.map(QPointF(position)) - inverse.map(QPointF(start))
        ledge, placement = standing.ledge, standing.placement
        deep = standing.back - standing.front
        x = (placement.x or 0.0) + round(away.x() / SNAP_MM) * SNAP_MM
        z = (placement.z or 0.0) - round(away.y() / SNAP_MM) * SNAP_MM
        if placement.on is None:
            x = min(max(x, standing.width / 2), max(ledge.width - standing.width / 2, standing.width / 2))
            z = min(max(z, deep / 2), max(ledge.depth - deep / 2, deep / 2))
        spot = Spot(ledge=ledge.id, x=x, z=z, on=placement.on)
        self._edit = MovePlacement(
            look=self._session.look_id, placement=placement.id, spot=spot, name=standing.item.label
        )
        self._session.preview(self._edit.apply(self._session.plan).look(self._session.look_id))

    def mouseReleaseEvent(self, event: QMouseEvent) -> None:
        """Let go."""
        edit, self._edit, self._pressed = self._edit, None, None
        if edit is not None:
            self._session.commit(edit)

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Esc puts back what is moved."""
        if event.key() == Qt.Key.Key_Escape and self._edit is not None:
            self._edit = self._pressed = None
            self._session.preview(None)
        else:
            event.ignore()
