"""The look in hand as somebody sees it: standing, seated, from the door, from every seat, from above."""

from PySide6.QtCore import QRectF, Qt
from PySide6.QtGui import QColor, QMouseEvent, QPainter, QPaintEvent, QTransform
from PySide6.QtWidgets import QWidget

from jolly_ledge.app.tones import ground_painter
from jolly_ledge.app.views.look.cord_marks import cord_marks_from
from jolly_ledge.app.views.look.mark_painter import paint_marks
from jolly_ledge.app.views.look.ways_of_looking import Ways, paint_as_seen
from jolly_ledge.drawing.picture import Picture
from jolly_ledge.drawing.sight import Sight, sight_from_above, sight_of
from jolly_ledge.drawing.theme import SOFT_INK
from jolly_ledge.geometry.eyes import Eye
from jolly_ledge.model.mishaps import survives
from jolly_ledge.render.fonts import font
from jolly_ledge.render.player import fitting, play
from jolly_ledge.workspace.workspace import Workspace

FOOT_PX = 24.0


class SightView(QWidget):
    """Shows what an eye sees; it is looked at only, things are moved in the straight view."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        self.eye: Eye | None = None
        self.ways = Ways()
        self.is_shut = False
        self.shows_cords = False
        self._sight: Sight | None = None
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName("The look as it is seen from a place in the room")
        workspace.signals.changed.connect(self._forget)
        workspace.signals.previewed.connect(self._forget)

    def look_from(self, eye: Eye | None) -> None:
        """Look with an eye; None looks from straight above."""
        self.eye = eye
        self._forget()

    def look_through(self, ways: Ways, *, shut: bool) -> None:
        """Look in some ways, with the doors shut or open."""
        self.ways, self.is_shut = ways, shut
        self._forget()

    def show_cords(self, on: bool) -> None:
        """Lay the cords over what is seen, or take them away."""
        self.shows_cords = on
        self.update()

    def _forget(self) -> None:
        self._sight = None
        self.update()

    @property
    def sight(self) -> Sight:
        """What is seen."""
        if self._sight is None:
            look = self._workspace.arrangement
            self._sight = sight_from_above(look) if self.eye is None else sight_of(look, self.eye, shut=self.is_shut)
        return self._sight

    def transform(self) -> QTransform:
        """Return how mm become pixels."""
        sight = self.sight
        frame = Picture((), sight.left, sight.top, sight.right, sight.bottom)
        return fitting(frame, QRectF(self.rect()).adjusted(4, 4, -4, -FOOT_PX))

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint what is seen and say from where."""
        if not self._workspace.look_id:
            return
        painter = ground_painter(self)
        if self.ways.changes_the_picture:
            sight = self.sight
            frame = QRectF(sight.left, sight.top, sight.right - sight.left, sight.bottom - sight.top)
            area = self.transform().mapRect(frame)
            paint_as_seen(painter, self.size(), area, self.ways, self._paint, self.devicePixelRatioF())
        else:
            painter.save()
            self._paint(painter)
            painter.restore()
        painter.setFont(font(12))
        painter.setPen(QColor(SOFT_INK))
        painter.drawText(QRectF(8, self.height() - FOOT_PX, self.width() - 16, FOOT_PX), self.said())

    def _paint(self, painter: QPainter) -> None:
        transform, sight = self.transform(), self.sight
        frame = QRectF(sight.left, sight.top, sight.right - sight.left, sight.bottom - sight.top)
        painter.setClipRect(transform.mapRect(frame))
        for layer in self.sight.layers:
            painter.save()
            painter.setTransform(transform, True)
            if layer.opening is not None:
                painter.setClipRect(QRectF(*layer.opening), Qt.ClipOperation.IntersectClip)
            play(painter, layer.shapes)
            painter.restore()
        if self.shows_cords and self.eye is not None:
            painter.save()
            painter.setTransform(transform, True)
            paint_marks(painter, cord_marks_from(self._workspace.arrangement, self.eye))
            painter.restore()

    def said(self) -> str:
        """Return from where it is seen, in words."""
        if self.eye is None:
            return "From straight above; the front edge is below."
        workspace, eye = self._workspace, self.eye
        side = "" if eye.side == "front" else f" at the {eye.side}"
        return f"{eye.name}{side}: the eye {workspace.length(eye.height)} up, {workspace.length(eye.away)} away."

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Say where things are moved."""
        self._workspace.signals.refused.emit(
            "This is for looking; choose “Straight on” above the drawing to move things."
        )
