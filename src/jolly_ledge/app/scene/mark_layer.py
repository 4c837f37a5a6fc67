"""The marks over a view while something is carried: what stays from step to step is painted once."""

from collections.abc import Iterable

from PySide6.QtCore import QRect, QSize, Qt
from PySide6.QtGui import QPainter, QPixmap, QTransform

from jolly_ledge.app.scene.mark_painter import paint_marks
from jolly_ledge.app.scene.marks import Mark, area_on_view

RESTLESS = 8
"""So many marks more than those that changed are painted singly before the still ones are gathered anew."""


class MarkLayer:
    """Holds the marks that are shown; those that outlast the steps of a gesture become one picture."""

    def __init__(self) -> None:
        self._shown: dict[Mark, None] | None = None
        self._still: set[Mark] = set()
        self._picture: QPixmap | None = None

    @property
    def shown(self) -> dict[Mark, None] | None:
        """What is shown, in the order of painting; None when that is not known yet."""
        return self._shown

    def forget(self) -> None:
        """Forget what is shown."""
        self._shown, self._still, self._picture = None, set(), None

    def show(self, marks: Iterable[Mark], to_view: QTransform) -> list[QRect]:
        """Show marks; return the pixels of the view that are to be painted anew."""
        before, now = self._shown or {}, dict.fromkeys(marks)
        self._shown = now
        changed = before.keys() ^ now.keys()
        if not now.keys() >= self._still or len(now) - len(self._still) > len(changed) + RESTLESS:
            self._still, self._picture = before.keys() & now.keys(), None
        return [area_on_view(mark, to_view) for mark in changed]

    def paint(self, painter: QPainter, size: QSize) -> None:
        """Paint what is shown in a view of a size in pixels."""
        if self._still:
            if self._picture is None:
                self._picture = self._painted(painter, size)
            painter.save()
            painter.resetTransform()
            painter.drawPixmap(0, 0, self._picture)
            painter.restore()
        paint_marks(painter, [mark for mark in self._shown or {} if mark not in self._still])

    def _painted(self, painter: QPainter, size: QSize) -> QPixmap:
        ratio = painter.device().devicePixelRatio()
        picture = QPixmap(size * ratio)
        picture.setDevicePixelRatio(ratio)
        picture.fill(Qt.GlobalColor.transparent)
        brush = QPainter(picture)
        brush.setRenderHint(QPainter.RenderHint.Antialiasing)
        brush.setTransform(painter.transform())
        paint_marks(brush, [mark for mark in self._shown or {} if mark in self._still])
        brush.end()
        return picture
