"""A move that is tried: faint ghosts where things stood, a plum outline where they would stand."""

from PySide6.QtGui import QPainter

from jolly_ledge.app.views.look.mark_painter import paint_marks
from jolly_ledge.app.views.look.overlays import outline_marks
from jolly_ledge.drawing.items import standing_shapes
from jolly_ledge.drawing.theme import PLUM
from jolly_ledge.geometry.arrangement import Arrangement, PlacedItem
from jolly_ledge.render.player import play

GHOST_OPACITY = 0.3


def ghosts_and_news(before: Arrangement, after: Arrangement) -> tuple[list[PlacedItem], list[PlacedItem]]:
    """Return what stood elsewhere or is gone, as it was, and what stands elsewhere or is new, as it would be."""
    kept = {placed.id for placed in after.visible if before.by_id.get(placed.id) == placed}
    ghosts = [placed for placed in before.visible if placed.id not in kept]
    news = [placed for placed in after.visible if placed.id not in kept]
    return ghosts, news


def paint_tried(painter: QPainter, before: Arrangement, after: Arrangement) -> None:
    """Paint what a move would take away, faintly, and frame what it would bring."""
    ghosts, news = ghosts_and_news(before, after)
    for placed in ghosts:
        painter.save()
        painter.translate(placed.x, -placed.bottom)
        painter.setOpacity(GHOST_OPACITY)
        play(painter, standing_shapes(placed))
        painter.restore()
    paint_marks(painter, [mark for placed in news for mark in outline_marks(placed, PLUM)])
