"""The hand on the elevation: what is pressed, carried, lassoed and let go, and how the drawing is moved about."""

from PySide6.QtCore import QPoint, QPointF, QRectF, Qt, Signal
from PySide6.QtGui import QContextMenuEvent, QKeyEvent, QMouseEvent, QWheelEvent
from PySide6.QtWidgets import QApplication, QGraphicsView

from jolly_ledge.app.views.look.kept_drag import KeptDrag, kept_place_under
from jolly_ledge.app.views.look.lasso import Lasso
from jolly_ledge.app.views.look.picture_item import PlacementItem
from jolly_ledge.app.views.look.pointing import OPEN_ABOVE_MM, adds, ledge_under
from jolly_ledge.app.views.look.stretched import Stretched
from jolly_ledge.app.views.look.zoom import WHEEL_NOTCH, Zoom
from jolly_ledge.model.item import Item
from jolly_ledge.model.piece import Ledge
from jolly_ledge.workspace.drag_gesture import DragGesture
from jolly_ledge.workspace.workspace import Workspace


class LookHand(QGraphicsView):
    """Takes mouse, wheel and keys, and carries things of the look in hand; who inherits paints."""

    menu_asked = Signal(QPoint)
    """The menu of what is chosen, or of the ledge in hand, is asked for at a point of the screen."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self._pressed: tuple[QPoint, PlacementItem] | None = None
        self._panned_from: QPoint | None = None
        self.gesture: DragGesture | None = None
        self.lasso: Lasso | None = None
        self.kept_drag: KeptDrag | None = None
        self.zoom = Zoom(self)
        self.stretched = Stretched(self)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setMouseTracking(True)

    # What who inherits does

    @property
    def takes_hold(self) -> bool:
        """Whether things can be taken in hand as they are looked at now."""
        return True

    def take(self, gesture: DragGesture | None) -> DragGesture | None:
        """Take something in the hand, or nothing; return what was in it."""
        before, self.gesture = self.gesture, gesture
        self.stretched.release()
        mode = QGraphicsView.ViewportUpdateMode
        self.setViewportUpdateMode(mode.FullViewportUpdate if gesture is None else mode.MinimalViewportUpdate)
        self.show_all_anew()
        return before

    def show_all_anew(self) -> None:
        """Paint everything anew."""
        self.viewport().update()

    def show_carried(self, *, was_over_nothing: bool) -> None:
        """Paint anew what a step of a gesture changed."""

    def ask_for_figures(self) -> None:
        """Ask for the figures of what is in hand."""

    # The mouse

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
        if not self.takes_hold:
            self._workspace.signals.refused.emit("In the mirror things are only looked at; leave it (M) to move them.")
            return
        item = self.placement_at(position)
        chosen = self._workspace.selection
        if item is None:
            self._press_nothing(position, chosen if adds(event) else ())
            return
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
            self.take(DragGesture(self._workspace, placed.item, placed.placement, grab))
        if self.gesture is not None:
            self.carry_to(position)
        if self.kept_drag is not None:
            self.kept_drag.carry_to(self.mapToScene(position))
            self.viewport().update()
        if self.lasso is not None:
            self.lasso.draw_to(position)
            self.viewport().update()

    def _press_nothing(self, position: QPoint, kept: tuple[str, ...]) -> None:
        """Take a kept place in the hand where one is pressed, else begin a lasso; the ledge there is in hand."""
        at = self.mapToScene(position)
        pressed = kept_place_under(self._workspace.piece, at)
        if pressed is not None and not kept:
            self.kept_drag = KeptDrag(self._workspace, *pressed, at)
        else:
            self.lasso = Lasso(position, kept)
        self._take_ledge_at(position)

    def _take_ledge_at(self, position: QPoint) -> None:
        """Take the ledge under a point of the view in hand, and nothing on it, but for what a lasso is to add to."""
        kept = self.lasso.kept if self.lasso is not None else ()
        self._workspace.choose(*kept)
        if (ledge := ledge_under(self._workspace.piece, self.mapToScene(position))) is not None:
            self._workspace.choose_ledge(ledge.id)

    def _draw_in(self, lasso: Lasso) -> None:
        """Choose what a lasso touches beside what was chosen before."""
        touched = [one.placement_id for one in self.items(lasso.area) if isinstance(one, PlacementItem)]
        if lasso.area.width() + lasso.area.height() >= QApplication.startDragDistance() and touched:
            fresh = [one for one in reversed(touched) if one not in lasso.kept]
            self._workspace.choose(*lasso.kept, *dict.fromkeys(fresh))
        self.viewport().update()

    def contextMenuEvent(self, event: QContextMenuEvent) -> None:
        """Ask for the menu of what is under the pointer; by its key, of what is in hand."""
        if event.reason() == QContextMenuEvent.Reason.Mouse and self.takes_hold:
            item = self.placement_at(event.pos())
            if item is None:
                self._take_ledge_at(event.pos())
            elif item.placement_id not in self._workspace.selection:
                self._workspace.choose(item.placement_id)
        self.menu_asked.emit(event.globalPos())
        event.accept()

    def mouseReleaseEvent(self, event: QMouseEvent) -> None:
        """Let go of what is carried; a click on one of several leaves it alone in hand."""
        pressed, self._pressed, self._panned_from = self._pressed, None, None
        lasso, self.lasso = self.lasso, None
        kept_drag, self.kept_drag = self.kept_drag, None
        if kept_drag is not None:
            kept_drag.finish()
            self.viewport().update()
        if lasso is not None:
            self._draw_in(lasso)
        if pressed is not None and self.gesture is None and not adds(event) and len(self._workspace.selection) > 1:
            self._workspace.choose(pressed[1].placement_id)
        self.let_go()

    def mouseDoubleClickEvent(self, event: QMouseEvent) -> None:
        """Edit the figures of what is double-clicked; fill the view with an empty place, or show the whole again."""
        position = event.position().toPoint()
        if self.placement_at(position) is not None:
            self._pressed = None
            self.ask_for_figures()
        elif event.button() == Qt.MouseButton.LeftButton:
            self.lasso = self.kept_drag = None
            ledge = ledge_under(self._workspace.piece, self.mapToScene(position))
            if ledge is None or self.zoom.factor > 1.0:
                self.zoom.fit()
            else:
                self.look_at_ledge(ledge)

    def look_at_ledge(self, ledge: Ledge) -> None:
        """Fill the view with a ledge and what stands on it."""
        high = ledge.clearance if ledge.clearance is not None else OPEN_ABOVE_MM
        self.zoom.to(QRectF(ledge.left, -ledge.floor - high, ledge.width, high))

    # Carrying

    def begin_from_stash(self, item: Item) -> None:
        """Begin to carry a thing from the stash; the strip forwards the pointer."""
        self.take(DragGesture(self._workspace, item))
        self._workspace.choose()

    def carry_to(self, position: QPoint) -> None:
        """Carry what is in the hand to a point of the viewport."""
        gesture = self.gesture
        if gesture is None:
            return
        at = self.mapToScene(position)
        was_over_nothing = gesture.landing is None
        # Alt pushes through what stands there; else what is dropped finds the free place beside it.
        pushes = bool(QApplication.keyboardModifiers() & Qt.KeyboardModifier.AltModifier)
        gesture.move(at.x(), -at.y(), pushes=pushes)
        self.show_carried(was_over_nothing=was_over_nothing or gesture.landing is None)

    def let_go(self) -> None:
        """Finish the gesture in hand."""
        gesture = self.take(None)
        if gesture is not None:
            gesture.finish()

    def put_back(self) -> None:
        """Cancel the gesture in hand."""
        gesture = self.take(None)
        self._pressed = self.kept_drag = None
        if gesture is not None:
            gesture.cancel()

    # Looking nearer

    def look_nearer(self, notches: float, about: QPointF) -> None:
        """Look nearer by notches of the wheel about a point; what is seen is stretched until the wheel rests."""
        if self.gesture is None:
            self.stretched.hold()
        self.zoom.wheel(notches, about)

    def wheelEvent(self, event: QWheelEvent) -> None:
        """Look nearer about the pointer, or move the drawing with two fingers."""
        fingers = event.pixelDelta()
        if event.phase() != Qt.ScrollPhase.NoScrollPhase and not fingers.isNull():
            self.zoom.pan(fingers.x(), fingers.y())
        else:
            self.look_nearer(event.angleDelta().y() / WHEEL_NOTCH, event.position())
        event.accept()

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Esc puts back what is carried, + and - look nearer and from farther; other keys belong to the step's acts."""
        if event.text() in ("+", "-"):
            self.look_nearer(1.0 if event.text() == "+" else -1.0, QPointF(self.viewport().rect().center()))
            return
        if event.key() == Qt.Key.Key_Escape:
            if self.gesture is not None or self.kept_drag is not None:
                self.put_back()
            else:
                self._workspace.choose()
            return
        event.ignore()
