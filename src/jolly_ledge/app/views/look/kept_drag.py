"""A kept place carried along its ledge or to another: it is drawn where it would lie, and set down when let go."""

from msgspec.structs import replace
from PySide6.QtCore import QPointF, QRectF, Qt
from PySide6.QtGui import QColor, QPainter, QPen, QTransform

from jolly_ledge.app.views.look.pointing import ledge_under
from jolly_ledge.drawing.theme import PLUM
from jolly_ledge.edits.kept_places import GiveBackPlace, KeepPlace
from jolly_ledge.geometry.free_place import inside
from jolly_ledge.model.kept_place import KeptPlace
from jolly_ledge.model.piece import Ledge, Piece
from jolly_ledge.workspace.workspace import Workspace

STEP_MM = 5.0


def kept_place_under(piece: Piece, point: QPointF) -> tuple[Ledge, KeptPlace] | None:
    """Return the kept place at a point of the drawing (mm, y down), the foremost where two overlap."""
    ledge = ledge_under(piece, point)
    for place in sorted(ledge.kept, key=lambda one: one.front) if ledge is not None else ():
        if ledge is not None and _drawn(ledge, place).contains(point):
            return ledge, place
    return None


def _drawn(ledge: Ledge, place: KeptPlace) -> QRectF:
    return QRectF(ledge.left + place.left, -ledge.floor - place.height, place.width, place.height)


class KeptDrag:
    """Carries one kept place from where it was pressed."""

    def __init__(self, workspace: Workspace, ledge: Ledge, place: KeptPlace, at: QPointF) -> None:
        self._workspace, self._from = workspace, ledge
        self._was = place
        self._grab = at.x() - ledge.left - place.left
        self.ledge, self.place = ledge, place

    def carry_to(self, point: QPointF) -> None:
        """Carry it to a point of the drawing; it stays inside the ledge it is over."""
        ledge = ledge_under(self._workspace.piece, point)
        if ledge is not None and not ledge.is_wall:
            self.ledge = ledge
        was, wanted = self._was, point.x() - self.ledge.left - self._grab
        left, front = inside(self.ledge, round(wanted / STEP_MM) * STEP_MM, was.front, was.width, was.depth)
        self.place = replace(was, left=left, front=front)

    def finish(self) -> None:
        """Set it down as one step; where it has no room it stays where it was, and why is told."""
        if self.place == self._was and self.ledge.id == self._from.id:
            return
        piece = self._workspace.piece_id
        keep = KeepPlace(piece=piece, ledge=self.ledge.id, place=self.place, ledge_name=self.ledge.label)
        with self._workspace.transaction(f"Move the place for {self.place.name}") as edits:
            if self.ledge.id != self._from.id:
                edits.append(GiveBackPlace(piece=piece, ledge=self._from.id, name=self._was.name))
            edits.append(keep)

    def paint(self, painter: QPainter, to_view: QTransform) -> None:
        """Paint where it would lie, in pixels of the view."""
        painter.setPen(QPen(QColor(PLUM), 1.6, Qt.PenStyle.DashLine))
        fill = QColor(PLUM)
        fill.setAlpha(26)
        painter.setBrush(fill)
        painter.drawRect(to_view.mapRect(_drawn(self.ledge, self.place)))
