"""The elevation: the look in hand at true scale, to be picked, carried and read."""

from collections.abc import Iterable

from msgspec.structs import replace
from PySide6.QtCore import QPoint, QPointF, QRect, QRectF, Qt, Signal
from PySide6.QtGui import (
    QColor,
    QFontMetricsF,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QResizeEvent,
    QShowEvent,
    QWheelEvent,
)
from PySide6.QtWidgets import QApplication, QGraphicsScene, QGraphicsView

from jolly_ledge.app.views.look.drag_gesture import DragGesture
from jolly_ledge.app.views.look.look_marks import look_marks
from jolly_ledge.app.views.look.mark_layer import MarkLayer
from jolly_ledge.app.views.look.marks import Mark
from jolly_ledge.app.views.look.overlays import paint_beam
from jolly_ledge.app.views.look.picture_item import PictureItem, PlacementItem
from jolly_ledge.app.views.look.pointing import adds, ledge_under
from jolly_ledge.app.views.look.tried_move import paint_tried
from jolly_ledge.app.views.look.ways_of_looking import Ways, paint_as_seen
from jolly_ledge.app.views.look.zoom import WHEEL_NOTCH, Zoom
from jolly_ledge.app.views.stamps import PLATE_PX, plate_ground
from jolly_ledge.drawing.case import case_picture, front_shapes
from jolly_ledge.drawing.doors import shut_door_shapes
from jolly_ledge.drawing.items import item_shapes
from jolly_ledge.drawing.look import frame_of, painting_order
from jolly_ledge.drawing.sheet import numbered_spots
from jolly_ledge.drawing.theme import INK, PAPER, PLUM, SOFT_INK
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.model.item import Item
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.piece import Piece
from jolly_ledge.planning.working_order import working_order
from jolly_ledge.render.fonts import font
from jolly_ledge.render.player import play
from jolly_ledge.workspace.workspace import Workspace

DIMMED = 0.32
BEAM_HEIGHT = 40
BADGE_PX = 9.0
MARGIN = 4
OVERLAYS = (
    "balance", "groups", "cautions", "skyline", "figure", "colours", "rest", "depth", "ties", "doors", "advice",
)  # fmt: skip
"""What may lie over the drawing; the keys 1 to 9, 0 and A show them in this order."""


class LookView(QGraphicsView):
    """Shows the look in hand and carries its things."""

    first_painted = Signal()
    asked_for_figures = Signal()

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self._scene = QGraphicsScene(self)
        self._scene.setItemIndexMethod(QGraphicsScene.ItemIndexMethod.NoIndex)
        self.setScene(self._scene)
        self._piece: Piece | None = None
        self._case: PictureItem | None = None
        self._front: PictureItem | None = None
        self.items_by_id: dict[str, PlacementItem] = {}
        self._pressed: tuple[QPoint, PlacementItem] | None = None
        self._panned_from: QPoint | None = None
        self.gesture: DragGesture | None = None
        self.overlays: set[str] = {"balance", "cautions"}
        self.ways = Ways()
        self.is_shut = False
        self._has_painted = False
        self._is_behind = False
        self._layer = MarkLayer()
        self._frame = QRectF()
        self.zoom = Zoom(self)
        self._plate_before = QRectF()
        self.setRenderHint(QPainter.RenderHint.Antialiasing)
        self.setFrameShape(QGraphicsView.Shape.NoFrame)
        # It fills its ground itself: the window behind need not be painted anew with every step of a drag.
        self.setBackgroundBrush(QColor(PAPER))
        self.viewport().setAttribute(Qt.WidgetAttribute.WA_OpaquePaintEvent)
        self.setVerticalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.setViewportUpdateMode(QGraphicsView.ViewportUpdateMode.FullViewportUpdate)
        self.setOptimizationFlag(QGraphicsView.OptimizationFlag.DontAdjustForAntialiasing)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setMouseTracking(True)
        self.setAccessibleName("The look, drawn to scale")
        workspace.signals.changed.connect(self._refresh_or_wait)
        workspace.signals.previewed.connect(self._refresh_or_wait)
        workspace.signals.chosen.connect(self._update_all)
        workspace.signals.pointed.connect(self._show_pointed)
        self.refresh()

    # Showing

    def _refresh_or_wait(self) -> None:
        self._is_behind = not self.isVisible()
        if not self._is_behind:
            self.refresh()

    @survives
    def showEvent(self, event: QShowEvent) -> None:
        """Catch up with what happened while the view was hidden."""
        super().showEvent(event)
        if self._is_behind:
            self._is_behind = False
            self.refresh()

    def refresh(self) -> None:
        """Bring the scene in line with the workspace; what did not change stays."""
        workspace = self._workspace
        if not workspace.piece_id or not workspace.look_id:
            return
        if workspace.piece is not self._piece:
            self._show_piece(workspace.piece)
        # While a thing is carried the drawing stands still under it.
        if self.gesture is None and self._frame != _frame(workspace.arrangement):
            self._fit()
        order = painting_order(workspace.arrangement.placed_items)
        present = {placed.id for placed in order}
        for identifier in [identifier for identifier in self.items_by_id if identifier not in present]:
            self._scene.removeItem(self.items_by_id.pop(identifier))
        for rank, placed in enumerate(order):
            self._show_placed(placed, rank)
        self._dim()
        self._update_what_differs()

    def _show_piece(self, piece: Piece) -> None:
        for old in (self._case, self._front):
            if old is not None:
                self._scene.removeItem(old)
        picture = case_picture(piece)
        if self.is_shut:
            # Shut doors do not stand at the sides; the frame stays, so that nothing else moves.
            bare = case_picture(replace(piece, doors="none"))
            picture = replace(picture, primitives=bare.primitives)
        self._piece = piece
        self._case = PictureItem.of(picture)
        self._case.setZValue(-1)
        self._scene.addItem(self._case)
        self._show_front()

    def _show_front(self) -> None:
        """Show what stands before the things: bars, and the doors when they are shut."""
        if self._piece is None or self._case is None:
            return
        if self._front is not None and self._front.scene() is not None:
            self._scene.removeItem(self._front)
        shut = shut_door_shapes(self._piece) if self.is_shut else ()
        self._front = PictureItem(shut or front_shapes(self._piece), self._case.boundingRect())
        self._front.setZValue(100_000)
        self._scene.addItem(self._front)

    def _show_placed(self, placed: PlacedItem, rank: int) -> None:
        shown = self.items_by_id.get(placed.id)
        if shown is not None and shown.placed is not placed:
            if shown.can_show(placed):
                shown.move_to(placed)
            else:
                self._scene.removeItem(shown)
                shown = None
        if shown is None:
            shown = PlacementItem(placed)
            self.items_by_id[placed.id] = shown
            self._scene.addItem(shown)
        if shown.zValue() != rank:
            shown.setZValue(rank)

    def _show_pointed(self) -> None:
        self._dim()
        self._update_all()

    def _dim(self) -> None:
        pointed = set(self._workspace.pointed_at) & set(self.items_by_id)
        for identifier, item in self.items_by_id.items():
            opacity = DIMMED if pointed and identifier not in pointed else 1.0
            if item.opacity() != opacity:
                item.setOpacity(opacity)

    # Painting anew no more than differs: a drag step touches a small part of the drawing

    def _update_all(self) -> None:
        self._layer.forget()
        self.viewport().update()

    def _update_what_differs(self) -> None:
        if self.gesture is None or self._layer.shown is None or self.ways.changes_the_picture:
            self._update_all()
            return
        for area in self._layer.show(self._marks_now(), self.viewportTransform()):
            self.viewport().update(area)
        beam = self._beam_area().toAlignedRect()
        # What the balance is said to be may be written past the end of the beam.
        beam.setRight(self.viewport().width())
        self.viewport().update(beam)

    def _marks_now(self) -> Iterable[Mark]:
        return look_marks(self._workspace, self.overlays, self.scale_factor, carried=self.gesture is not None)

    def show_overlay(self, name: str, shown: bool) -> None:
        """Show or hide an overlay."""
        (self.overlays.add if shown else self.overlays.discard)(name)
        self._update_all()

    def look_through(self, ways: Ways, *, shut: bool) -> None:
        """Look in some ways, with the doors shut or open."""
        self.ways = ways
        if shut != self.is_shut:
            self.is_shut = shut
            if self._piece is not None:
                self._show_piece(self._piece)
                self._fit()
        self._update_all()

    def _fit(self) -> None:
        """Keep in sight the piece and all that reaches beyond it."""
        self._frame = _frame(self._workspace.arrangement) if self._workspace.look_id else QRectF()
        area = QRectF(self.viewport().rect()).adjusted(MARGIN, MARGIN, -MARGIN, -MARGIN - BEAM_HEIGHT)
        self.zoom.set_frame(self._frame, area, BEAM_HEIGHT)
        self._update_all()

    def wheelEvent(self, event: QWheelEvent) -> None:
        """Look nearer about the pointer, or move the drawing with two fingers."""
        fingers = event.pixelDelta()
        if event.phase() != Qt.ScrollPhase.NoScrollPhase and not fingers.isNull():
            self.zoom.pan(fingers.x(), fingers.y())
        else:
            self.zoom.wheel(event.angleDelta().y() / WHEEL_NOTCH, event.position())
        event.accept()

    @property
    def scale_factor(self) -> float:
        """Pixels for one mm."""
        return float(self.transform().m11())

    @survives
    def resizeEvent(self, event: QResizeEvent) -> None:
        """Keep the whole piece in sight."""
        super().resizeEvent(event)
        self._fit()

    def scrollContentsBy(self, dx: int, dy: int) -> None:
        """Move the drawing; what lies over it keeps to it."""
        super().scrollContentsBy(dx, dy)
        self._update_all()

    # Painting over the scene

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the scene; tell when that was done for the first time."""
        super().paintEvent(event)
        if not self._has_painted:
            self._has_painted = True
            self.first_painted.emit()

    @survives
    def drawForeground(self, painter: QPainter, rect: QRectF | QRect) -> None:
        """Paint the overlays that are on."""
        workspace = self._workspace
        if not workspace.look_id:
            return
        arrangement, scale = workspace.arrangement, self.scale_factor
        if self.ways.changes_the_picture:
            self._paint_as_seen(painter)
        if self.ways.mirrored:
            return
        if self._layer.shown is None:
            self._layer.show(self._marks_now(), self.viewportTransform())
        self._layer.paint(painter, self.viewport().size())
        kept = workspace.kept_arrangement if self.gesture is None else None
        if kept is not None:
            paint_tried(painter, kept, arrangement)
        if self.gesture is not None:
            self._paint_ghost(painter, self.gesture)
        painter.save()
        try:
            painter.resetTransform()
            if "balance" in self.overlays and workspace.is_assessed:
                paint_beam(painter, arrangement, self._beam_area())
            self._paint_scale_bar(painter, scale)
            if "numbers" in self.overlays:
                self._paint_numbers(painter)
            self._paint_plate(painter)
        finally:
            painter.restore()

    def _beam_area(self) -> QRectF:
        piece = self._workspace.piece
        foot, width = self.mapFromScene(QPointF(piece.width / 2, 30)), piece.width * self.scale_factor
        return QRectF(foot.x() - width / 2, foot.y() + 4, width, BEAM_HEIGHT)

    def _paint_scale_bar(self, painter: QPainter, scale: float) -> None:
        length, text = (500, "50 cm") if self._workspace.unit != "in" else (508, "20 in")
        if self._workspace.unit == "mm":
            text = "500 mm"
        y = self.viewport().height() - 10
        painter.setPen(QColor(SOFT_INK))
        painter.drawLine(12, y, round(12 + length * scale), y)
        for x in (12, round(12 + length * scale)):
            painter.drawLine(x, y - 4, x, y)
        painter.setFont(font(12))
        painter.drawText(QPointF(18 + length * scale, y + 3), text)

    def _paint_numbers(self, painter: QPainter) -> None:
        painter.setFont(font(12, "sans", 600))
        arrangement = self._workspace.arrangement
        steps = working_order(arrangement)
        for number, (x, y) in numbered_spots(arrangement, steps, self.scale_factor, BADGE_PX):
            at = self.mapFromScene(QPointF(x, -y))
            area = QRectF(at.x() - BADGE_PX, at.y() - BADGE_PX, 2 * BADGE_PX, 2 * BADGE_PX)
            painter.setPen(QColor(PLUM))
            painter.setBrush(QColor(255, 253, 248, 235))
            painter.drawEllipse(area)
            painter.setPen(QColor(INK))
            painter.drawText(area, Qt.AlignmentFlag.AlignCenter, str(number))

    def _paint_as_seen(self, painter: QPainter) -> None:
        piece = QRectF(self.mapFromScene(self._frame).boundingRect())
        painter.save()
        painter.resetTransform()
        painter.fillRect(piece, QColor(PAPER))
        painter.restore()
        ratio = self.devicePixelRatioF()
        paint_as_seen(painter, self.viewport().size(), piece, self.ways, self._paint_scene, ratio)

    def _paint_scene(self, painter: QPainter) -> None:
        painter.setTransform(self.viewportTransform(), True)
        for item in sorted(self._scene.items(), key=lambda item: item.zValue()):
            if isinstance(item, PictureItem):
                painter.save()
                painter.translate(item.pos())
                play(painter, item.primitives)
                painter.restore()

    def _paint_ghost(self, painter: QPainter, gesture: DragGesture) -> None:
        if gesture.landing is not None:
            return
        painter.save()
        painter.translate(gesture.at[0], -gesture.at[1])
        painter.setOpacity(0.6)
        play(painter, item_shapes(gesture.item, gesture.pose))
        painter.restore()

    def _plate(self) -> tuple[str, QRectF]:
        """Return the figures of what is carried, and where they are written."""
        gesture = self.gesture
        text = gesture.figures() if gesture is not None else ""
        if gesture is None or not text:
            return "", QRectF()
        at = self.mapFromScene(QPointF(gesture.at[0], -gesture.at[1]))
        width = QFontMetricsF(font(13, "sans", 600)).horizontalAdvance(text) + 18
        x = min(max(at.x() + 18.0, 6.0), self.viewport().width() - width - 6)
        y = min(max(at.y() + 16.0, 6.0), self.viewport().height() - 34.0)
        return text, QRectF(x, y, width, PLATE_PX)

    def _paint_plate(self, painter: QPainter) -> None:
        text, area = self._plate()
        if not text:
            return
        painter.setFont(font(13, "sans", 600))
        painter.drawPixmap(area.toRect().topLeft(), plate_ground(round(area.width()), self.devicePixelRatioF()))
        painter.setPen(QColor(INK))
        painter.drawText(area.bottomLeft() + QPointF(9, -8), text)

    # Carrying

    def placement_at(self, position: QPoint) -> PlacementItem | None:
        """Return the nearest-painted thing under a point of the viewport."""
        return next((item for item in self.items(position) if isinstance(item, PlacementItem)), None)

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Choose what is pressed and be ready to carry it."""
        position = event.position().toPoint()
        self.setFocus()
        if event.button() == Qt.MouseButton.MiddleButton:
            self._panned_from = position
        if event.button() != Qt.MouseButton.LeftButton:
            return
        if self.ways.mirrored:
            self._workspace.signals.refused.emit("In the mirror things are only looked at; leave it (M) to move them.")
            return
        item = self.placement_at(position)
        if item is None:
            self._workspace.choose()
            if (ledge := ledge_under(self._workspace.piece, self.mapToScene(position))) is not None:
                self._workspace.choose_ledge(ledge.id)
            return
        chosen = self._workspace.selection
        if adds(event):
            self._workspace.choose(*[i for i in chosen if i != item.placement_id], item.placement_id)
        elif item.placement_id not in chosen:
            self._workspace.choose(item.placement_id)
        self._pressed = (position, item)

    def mouseMoveEvent(self, event: QMouseEvent) -> None:
        """Carry what was pressed once the pointer has moved far enough."""
        position = event.position().toPoint()
        if self._panned_from is not None:
            moved, self._panned_from = position - self._panned_from, position
            self.zoom.pan(moved.x(), moved.y())
        if self.gesture is None and self._pressed is not None:
            start, item = self._pressed
            if (position - start).manhattanLength() < QApplication.startDragDistance():
                return
            placed = item.placed
            if placed.placement.locked:
                self._pressed = None
                self._workspace.signals.refused.emit(f"The {placed.item.label} is locked; unlock it to move it.")
                return
            at = self.mapToScene(start)
            grab = (placed.x - at.x(), placed.bottom + at.y())
            self._take(DragGesture(self._workspace, placed.item, placed.placement, grab))
        if self.gesture is not None:
            self.carry_to(position)

    def mouseReleaseEvent(self, event: QMouseEvent) -> None:
        """Let go of what is carried; a click on one of several leaves it alone in hand."""
        pressed, self._pressed, self._panned_from = self._pressed, None, None
        if pressed is not None and self.gesture is None and not adds(event) and len(self._workspace.selection) > 1:
            self._workspace.choose(pressed[1].placement_id)
        self.let_go()

    def mouseDoubleClickEvent(self, event: QMouseEvent) -> None:
        """Edit the figures of what is double-clicked."""
        if self.placement_at(event.position().toPoint()) is not None:
            self._pressed = None
            self.asked_for_figures.emit()

    def begin_from_stash(self, item: Item) -> None:
        """Begin to carry a thing from the stash; the strip forwards the pointer."""
        self._take(DragGesture(self._workspace, item))
        self._workspace.choose()

    def _take(self, gesture: DragGesture | None) -> DragGesture | None:
        """Take something in the hand, or nothing; return what was in it."""
        before, self.gesture = self.gesture, gesture
        mode = QGraphicsView.ViewportUpdateMode
        self.setViewportUpdateMode(mode.FullViewportUpdate if gesture is None else mode.MinimalViewportUpdate)
        self._update_all()
        return before

    def carry_to(self, position: QPoint) -> None:
        """Carry what is in the hand to a point of the viewport."""
        gesture = self.gesture
        if gesture is None:
            return
        at = self.mapToScene(position)
        was_over_nothing = gesture.landing is None
        gesture.move(at.x(), -at.y())
        if was_over_nothing or gesture.landing is None:
            self._update_all()
        _, plate = self._plate()
        for area in (self._plate_before, plate):
            self.viewport().update(area.toAlignedRect().adjusted(-2, -2, 2, 2))
        self._plate_before = plate

    def let_go(self) -> None:
        """Finish the gesture in hand."""
        gesture = self._take(None)
        if gesture is not None:
            gesture.finish()

    def put_back(self) -> None:
        """Cancel the gesture in hand."""
        gesture = self._take(None)
        self._pressed = None
        if gesture is not None:
            gesture.cancel()

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Esc puts back what is carried, Home shows the whole; other keys belong to the step's actions."""
        if event.key() == Qt.Key.Key_Home:
            self.zoom.fit()
            return
        if event.text() in ("+", "-"):
            self.zoom.wheel(1.0 if event.text() == "+" else -1.0, QPointF(self.viewport().rect().center()))
            return
        if event.key() == Qt.Key.Key_Escape:
            if self.gesture is not None:
                self.put_back()
            else:
                self._workspace.choose()
            return
        event.ignore()


def _frame(arrangement: Arrangement) -> QRectF:
    left, top, right, bottom = frame_of(arrangement)
    return QRectF(left, top, right - left, bottom - top)
