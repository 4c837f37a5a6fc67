"""A move that is tried: faint ghosts where things stood, a plum outline where they would stand."""

from PySide6.QtGui import QPainter

from jolly_ledge.app.scene.mark_painter import paint_marks
from jolly_ledge.app.scene.overlays import outline_marks
from jolly_ledge.drawing.items import standing_shapes
from jolly_ledge.drawing.theme import PLUM
from jolly_ledge.geometry.arrangement import Arrangement, Standing
from jolly_ledge.render.player import play

GHOST_OPACITY = 0.3


def ghosts_and_news(before: Arrangement, after: Arrangement) -> tuple[list[Standing], list[Standing]]:
    """Return what stood elsewhere or is gone, as it was, and what stands elsewhere or is new, as it would be."""
    kept = {standing.id for standing in after.visible if before.by_id.get(standing.id) == standing}
    ghosts = [standing for standing in before.visible if standing.id not in kept]
    news = [standing for standing in after.visible if standing.id not in kept]
    return ghosts, news


def paint_tried(painter: QPainter, before: Arrangement, after: Arrangement) -> None:
    """Paint what a move would take away, faintly, and frame what it would bring."""
    ghosts, news = ghosts_and_news(before, after)
    for standing in ghosts:
        painter.save()
        painter.translate(standing.x, -standing.bottom)
        painter.setOpacity(GHOST_OPACITY)
        play(painter, standing_shapes(standing))
        painter.restore()
    paint_marks(painter, [mark for standing in news for mark in outline_marks(standing, PLUM)])
