"""The ledge in hand seen from above: things are moved forward and back here."""

import math
from functools import lru_cache

from PySide6.QtCore import QPoint, QPointF, QRectF, QSize, Qt
from PySide6.QtGui import QColor, QFontMetricsF, QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPixmap, QTransform
from PySide6.QtWidgets import QApplication, QSizePolicy, QWidget

from jolly_ledge.app.views.look.mark_painter import paint_marks
from jolly_ledge.app.views.look.use_marks import use_marks_from_above
from jolly_ledge.app.views.pens import line_pen
from jolly_ledge.app.views.stamps import stamp
from jolly_ledge.drawing.plan_view import footprint_shapes, ledge_from_above, on_ledge
from jolly_ledge.drawing.theme import OCHRE, PAPER, SOFT_INK
from jolly_ledge.edits.placements import MovePlacement
from jolly_ledge.geometry.arrangement import PlacedItem
from jolly_ledge.geometry.landing import SNAP_MM, Spot
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.piece import Ledge
from jolly_ledge.render.canvas import clear_canvas
from jolly_ledge.render.fonts import font
from jolly_ledge.render.player import fitting, play
from jolly_ledge.workspace.workspace import Workspace

RIM_PX = 3


def _sides(placed: PlacedItem) -> tuple[float, float]:
    return placed.width, placed.back - placed.front


@lru_cache(maxsize=256)
def _footprint(placed: PlacedItem, scale: float, ratio: float) -> QPixmap:
    """Return the picture of a footprint; while one thing is moved the others keep theirs."""
    wide, deep = (math.ceil(side * scale) + 2 * RIM_PX for side in _sides(placed))
    picture = clear_canvas(wide, deep, ratio)
    painter = QPainter(picture)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    painter.translate(wide / 2, deep / 2)
    painter.scale(scale, scale)
    play(painter, footprint_shapes(placed))
    painter.end()
    return picture


@lru_cache(maxsize=4)
def _bare(ledge: Ledge, size: QSize, transform: QTransform, ratio: float) -> QPixmap:
    """Return the picture of an empty ledge with its words."""
    picture = clear_canvas(size.width(), size.height(), ratio)
    picture.fill(QColor(PAPER))
    painter = QPainter(picture)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    painter.setFont(font(12))
    painter.setPen(QColor(SOFT_INK))
    for text, y in (("wall", 12), ("front edge", size.height() - 4)):
        width = QFontMetricsF(painter.font()).horizontalAdvance(text)
        painter.drawText(QPointF((size.width() - width) / 2, y), text)
    painter.setTransform(transform, True)
    play(painter, ledge_from_above(ledge).primitives)
    painter.end()
    return picture


class DepthView(QWidget):
    """Shows one ledge from above, the wall at the top; dragging moves along and across."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self._pressed: tuple[QPoint, PlacedItem] | None = None
        self._edit: MovePlacement | None = None
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Preferred)
        self.setMinimumHeight(120)
        self.setFocusPolicy(Qt.FocusPolicy.ClickFocus)
        self.setAccessibleName("The ledge in hand from above")
        self.setAttribute(Qt.WidgetAttribute.WA_OpaquePaintEvent)
        for signal in (
            workspace.signals.changed,
            workspace.signals.previewed,
            workspace.signals.chosen,
            workspace.signals.pointed,
        ):
            signal.connect(self.update)

    def sizeHint(self) -> QSize:
        """Return the wished size."""
        return QSize(200, 150)

    def _transform(self) -> QTransform | None:
        ledge = self._workspace.ledge
        if ledge is None:
            return None
        return fitting(ledge_from_above(ledge), QRectF(2, 16, self.width() - 4, self.height() - 34))

    def position_of(self, placed: PlacedItem) -> QPoint:
        """Return where a thing's middle is shown."""
        transform = self._transform()
        ledge = placed.ledge
        if transform is None:
            return QPoint()
        return transform.map(QPointF(placed.x - ledge.left, ledge.depth - placed.z)).toPoint()

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the ledge and the footprints."""
        workspace, transform = self._workspace, self._transform()
        ledge = workspace.ledge
        if ledge is None or transform is None:
            QPainter(self).fillRect(self.rect(), QColor(PAPER))
            return
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        ratio, scale = self.devicePixelRatioF(), transform.m11()
        painter.drawPixmap(0, 0, _bare(ledge, self.size(), transform, ratio))
        pointed = set(workspace.pointed_at)
        for placed in on_ledge(workspace.arrangement, ledge.id):
            at = transform.map(QPointF(placed.x - ledge.left, ledge.depth - placed.z))
            painter.setOpacity(0.35 if pointed and placed.id not in pointed else 1.0)
            stamp(painter, [(_footprint(placed, scale, ratio), at.x(), at.y())])
            if placed.id in workspace.selection:
                painter.setPen(line_pen(OCHRE, 2.0, Qt.PenStyle.DashLine))
                painter.setBrush(Qt.BrushStyle.NoBrush)
                across, deep = (side * scale / 2 + 2 for side in _sides(placed))
                painter.drawRect(QRectF(at.x() - across, at.y() - deep, 2 * across, 2 * deep))
        painter.setOpacity(1.0)
        painter.setTransform(transform, True)
        for placed in workspace.chosen_placed:
            if placed.ledge.id == ledge.id:
                paint_marks(painter, use_marks_from_above(workspace.arrangement, placed))

    def _placed_at(self, position: QPoint) -> PlacedItem | None:
        transform, ledge = self._transform(), self._workspace.ledge
        if transform is None or ledge is None:
            return None
        at = transform.inverted()[0].map(QPointF(position))
        x, z = at.x() + ledge.left, ledge.depth - at.y()
        found = [
            s
            for s in on_ledge(self._workspace.arrangement, ledge.id)
            if s.left <= x <= s.right and s.front <= z <= s.back
        ]
        return found[-1] if found else None

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Choose what is pressed and be ready to move it."""
        position = event.position().toPoint()
        placed = self._placed_at(position)
        if placed is not None:
            self._workspace.choose(placed.id)
            self._pressed = (position, placed)

    def mouseMoveEvent(self, event: QMouseEvent) -> None:
        """Move what was pressed."""
        position, transform = event.position().toPoint(), self._transform()
        if self._pressed is None or transform is None:
            return
        start, placed = self._pressed
        if self._edit is None and (position - start).manhattanLength() < QApplication.startDragDistance():
            return
        if placed.placement.locked or placed.placement.inside:
            return
        inverse = transform.inverted()[0]
        away = inverse.map(QPointF(position)) - inverse.map(QPointF(start))
        ledge, placement = placed.ledge, placed.placement
        deep = placed.back - placed.front
        x = (placement.x or 0.0) + round(away.x() / SNAP_MM) * SNAP_MM
        z = (placement.z or 0.0) - round(away.y() / SNAP_MM) * SNAP_MM
        if placement.on is None:
            x = min(max(x, placed.width / 2), max(ledge.width - placed.width / 2, placed.width / 2))
            z = min(max(z, deep / 2), max(ledge.depth - deep / 2, deep / 2))
        spot = Spot(ledge=ledge.id, x=x, z=z, on=placement.on)
        self._edit = MovePlacement(
            look=self._workspace.look_id, placement=placement.id, spot=spot, name=placed.item.label
        )
        self._workspace.preview(self._edit.apply(self._workspace.plan).look(self._workspace.look_id))

    def mouseReleaseEvent(self, event: QMouseEvent) -> None:
        """Let go."""
        edit, self._edit, self._pressed = self._edit, None, None
        if edit is not None:
            self._workspace.commit(edit)

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Esc puts back what is moved."""
        if event.key() == Qt.Key.Key_Escape and self._edit is not None:
            self._edit = self._pressed = None
            self._workspace.preview(None)
        else:
            event.ignore()
