"""The marks over a view while something is carried: what stays from step to step is painted once."""

from collections.abc import Iterable

from PySide6.QtCore import QPoint, QRect, QSize, Qt
from PySide6.QtGui import QPainter, QPixmap, QRegion, QTransform

from jolly_ledge.app.views.look.mark_painter import paint_marks
from jolly_ledge.app.views.look.marks import Mark, area_on_view
from jolly_ledge.render.canvas import clear_canvas

RESTLESS = 8
"""So many marks more than those that changed are painted singly before the still ones are gathered anew."""


class MarkLayer:
    """Holds the marks that are shown; those that outlast the steps of a gesture become one picture."""

    def __init__(self) -> None:
        self._shown: dict[Mark, None] | None = None
        self._still: set[Mark] = set()
        self._picture: QPixmap | None = None
        self._stale = QRegion()

    @property
    def shown(self) -> dict[Mark, None] | None:
        """What is shown, in the order of painting; None when that is not known yet."""
        return self._shown

    def forget(self) -> None:
        """Forget what is shown."""
        self._shown, self._still, self._picture, self._stale = None, set(), None, QRegion()

    def show(self, marks: Iterable[Mark], to_view: QTransform) -> list[QRect]:
        """Show marks; return the pixels of the view that are to be painted anew."""
        before, now = self._shown or {}, dict.fromkeys(marks)
        self._shown = now
        changed = before.keys() ^ now.keys()
        if not now.keys() >= self._still or len(now) - len(self._still) > len(changed) + RESTLESS:
            still = before.keys() & now.keys()
            for mark in still ^ self._still:
                self._stale += area_on_view(mark, to_view)
            self._still = still
        return [area_on_view(mark, to_view) for mark in changed]

    def paint(self, painter: QPainter, size: QSize) -> None:
        """Paint what is shown in a view of a size in pixels."""
        if self._still:
            picture = self._picture_of_still(painter, size)
            painter.save()
            painter.resetTransform()
            painter.drawPixmap(0, 0, picture)
            painter.restore()
        paint_marks(painter, [mark for mark in self._shown or {} if mark not in self._still])

    def _picture_of_still(self, painter: QPainter, size: QSize) -> QPixmap:
        """Return the picture of what stays, painted anew only where that differs from before."""
        if self._picture is None:
            self._picture = clear_canvas(size.width(), size.height(), painter.device().devicePixelRatio())
            self._stale = QRegion(QRect(QPoint(), size))
        if self._stale.isEmpty():
            return self._picture
        stale, to_view = self._stale.boundingRect(), painter.transform()
        brush = QPainter(self._picture)
        brush.setClipRegion(self._stale)
        brush.setCompositionMode(QPainter.CompositionMode.CompositionMode_Clear)
        brush.fillRect(stale, Qt.GlobalColor.transparent)
        brush.setCompositionMode(QPainter.CompositionMode.CompositionMode_SourceOver)
        brush.setRenderHint(QPainter.RenderHint.Antialiasing)
        brush.setTransform(to_view)
        still = (mark for mark in self._shown or {} if mark in self._still)
        paint_marks(brush, [mark for mark in still if self._stale.intersects(area_on_view(mark, to_view))])
        brush.end()
        self._stale = QRegion()
        return self._picture
