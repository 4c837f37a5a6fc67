"""The elevation: the look in hand at true scale, to be picked, carried and read."""

from collections.abc import Iterable

from PySide6.QtCore import QPointF, QRect, QRectF, Qt, QTimer, Signal
from PySide6.QtGui import QColor, QPainter, QPaintEvent, QResizeEvent, QShowEvent
from PySide6.QtWidgets import QGraphicsView

from jolly_ledge.app.views.look.look_hand import LookHand
from jolly_ledge.app.views.look.look_scene import LookScene
from jolly_ledge.app.views.look.mark_layer import MarkLayer
from jolly_ledge.app.views.look.marks import Mark
from jolly_ledge.app.views.look.over_the_look import (
    paint_ghost,
    paint_numbers,
    paint_plate,
    paint_scale_bar,
    plate_of,
)
from jolly_ledge.app.views.look.overview import paint_overview
from jolly_ledge.app.views.look.picture_item import PlacementItem
from jolly_ledge.app.views.look.tried_move import paint_tried
from jolly_ledge.app.views.look.ways_of_looking import Ways, paint_as_seen
from jolly_ledge.drawing.look import frame_of
from jolly_ledge.drawing.theme import PAPER
from jolly_ledge.geometry.arrangement import Arrangement
from jolly_ledge.model.mishaps import survives
from jolly_ledge.workspace.workspace import Workspace

BEAM_HEIGHT = 40
MARGIN = 4
OVERLAYS = (
    "balance", "groups", "cautions", "skyline", "figure", "colours", "rest", "depth", "ties", "doors", "advice",
    "cords", "tasks",
)  # fmt: skip
"""What may lie over the drawing; the keys 1 to 9, 0, A, Shift+C and Shift+T show them in this order."""


class LookView(LookHand):
    """Shows the look in hand and carries its things."""

    first_painted = Signal()
    asked_for_figures = Signal()

    def __init__(self, workspace: Workspace) -> None:
        super().__init__(workspace)
        self._scene = LookScene(self)
        self.setScene(self._scene)
        self.overlays: set[str] = {"balance", "cautions"}
        self.ways = Ways()
        self._has_painted = False
        self._is_behind = False
        self._layer = MarkLayer()
        self._frame = QRectF()
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
        self.setAccessibleName("The look, drawn to scale")
        workspace.signals.changed.connect(self._refresh_or_wait)
        workspace.signals.previewed.connect(self._refresh_or_wait)
        workspace.signals.chosen.connect(self.show_all_anew)
        workspace.signals.pointed.connect(self._show_pointed)
        # What is stretched shows nothing new.
        signals = workspace.signals
        for signal in (signals.changed, signals.previewed, signals.chosen, signals.pointed):
            signal.connect(self.stretched.release)
        self.refresh()

    @property
    def items_by_id(self) -> dict[str, PlacementItem]:
        """What is shown of every placed thing, by the id of its placement."""
        return self._scene.items_by_id

    @property
    def is_shut(self) -> bool:
        """Whether the doors are shown shut."""
        return self._scene.is_shut

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
        if workspace.piece is not self._scene.piece:
            self._scene.show_piece(workspace.piece)
        # While a thing is carried the drawing stands still under it.
        if self.gesture is None and self._frame != _frame(workspace.arrangement):
            self._fit()
        self._scene.show_things(workspace.arrangement)
        self._scene.point_at(workspace.pointed_at)
        self._update_what_differs()

    def _show_pointed(self) -> None:
        self._scene.point_at(self._workspace.pointed_at)
        self.show_all_anew()

    # Painting anew no more than differs: a drag step touches a small part of the drawing

    def show_all_anew(self) -> None:
        """Paint everything anew, what lies over the drawing as well."""
        self._layer.forget()
        self.viewport().update()

    def _update_what_differs(self) -> None:
        if self.gesture is None or self._layer.shown is None or self.ways.changes_the_picture:
            self.show_all_anew()
            return
        for area in self._layer.show(self._marks_now(), self.viewportTransform()):
            self.viewport().update(area)
        beam = self._beam_area().toAlignedRect()
        # What the balance is said to be may be written past the end of the beam.
        beam.setRight(self.viewport().width())
        self.viewport().update(beam)

    def show_carried(self, *, was_over_nothing: bool) -> None:
        """Paint anew what a step of a gesture changed: everything where nothing was, or is, under the thing."""
        if was_over_nothing:
            self.show_all_anew()
        _, plate = self._plate()
        for area in (self._plate_before, plate):
            self.viewport().update(area.toAlignedRect().adjusted(-2, -2, 2, 2))
        self._plate_before = plate

    def ask_for_figures(self) -> None:
        """Ask for the figures of what is in hand."""
        self.asked_for_figures.emit()

    @property
    def takes_hold(self) -> bool:
        """Whether things can be taken in hand: not in the mirror."""
        return not self.ways.mirrored

    def _marks_now(self) -> Iterable[Mark]:
        if self.isVisible() and not self._has_painted:
            # What lies over the things comes once they are seen; it brings half of the readings with it.
            return ()
        from jolly_ledge.app.views.look.look_marks import look_marks

        return look_marks(self._workspace, self.overlays, self.scale_factor, carried=self.gesture is not None)

    def show_overlay(self, name: str, shown: bool) -> None:
        """Show or hide an overlay."""
        (self.overlays.add if shown else self.overlays.discard)(name)
        self.show_all_anew()

    def look_through(self, ways: Ways, *, shut: bool) -> None:
        """Look in some ways, with the doors shut or open."""
        self.ways = ways
        if shut != self.is_shut:
            self._scene.is_shut = shut
            if self._scene.piece is not None:
                self._scene.show_piece(self._scene.piece)
                self._fit()
        self.show_all_anew()

    def _fit(self) -> None:
        """Keep in sight the piece and all that reaches beyond it."""
        self._frame = _frame(self._workspace.arrangement) if self._workspace.look_id else QRectF()
        area = QRectF(self.viewport().rect()).adjusted(MARGIN, MARGIN, -MARGIN, -MARGIN - BEAM_HEIGHT)
        self.zoom.set_frame(self._frame, area, BEAM_HEIGHT)
        self.show_all_anew()

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
        self.show_all_anew()

    # Painting over the scene

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the scene; tell when that was done for the first time."""
        if self.stretched.paint():
            return
        super().paintEvent(event)
        if not self._has_painted:
            self._has_painted = True
            self.first_painted.emit()
            self._layer.forget()
            QTimer.singleShot(0, self, self.show_all_anew)

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
            paint_ghost(painter, self.gesture)
        painter.save()
        try:
            painter.resetTransform()
            if "balance" in self.overlays and workspace.is_assessed:
                from jolly_ledge.app.views.look.overlays import paint_beam

                paint_beam(painter, arrangement, self._beam_area(), self.viewport().width())
            paint_scale_bar(painter, scale, workspace.length_unit, self.viewport().height())
            if "numbers" in self.overlays:
                paint_numbers(painter, arrangement, scale, self.mapFromScene)
            paint_plate(painter, *self._plate(), self.devicePixelRatioF())
            if self.lasso is not None:
                self.lasso.paint(painter)
            if self.kept_drag is not None:
                self.kept_drag.paint(painter, self.viewportTransform())
            if self.zoom.factor > 1.0:
                paint_overview(painter, arrangement, self._frame, self._in_sight(), self.viewport().size())
        finally:
            painter.restore()

    def _plate(self) -> tuple[str, QRectF]:
        return plate_of(self.gesture, self.viewport().size(), self.mapFromScene)

    def _in_sight(self) -> QRectF:
        return QRectF(self.mapToScene(self.viewport().rect()).boundingRect())

    def _beam_area(self) -> QRectF:
        piece = self._workspace.piece
        foot, width = self.mapFromScene(QPointF(piece.width / 2, 30)), piece.width * self.scale_factor
        return QRectF(foot.x() - width / 2, foot.y() + 4, width, BEAM_HEIGHT)

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
        self._scene.paint(painter)


def _frame(arrangement: Arrangement) -> QRectF:
    left, top, right, bottom = frame_of(arrangement)
    return QRectF(left, top, right - left, bottom - top)
