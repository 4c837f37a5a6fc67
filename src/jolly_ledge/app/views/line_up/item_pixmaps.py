"""Things as pixels at one scale, made once."""

from PySide6.QtCore import QPointF, Qt
from PySide6.QtGui import QPainter, QPixmap

from jolly_ledge.drawing.items import item_picture
from jolly_ledge.model.item import Item
from jolly_ledge.render.player import play

LARGEST_PX = 4_000.0
MOST_KEPT = 800
"""A large stash must not fill the memory with pixels of what is far out of sight."""


class ItemPixmaps:
    """Keeps the pixels of things for a view that shows them over and over.

    Parameters
    ----------
    scale : float
        Pixels for one mm.
    """

    def __init__(self, scale: float) -> None:
        self.scale = scale
        self._kept: dict[tuple[Item, float], tuple[QPixmap, float]] = {}

    def set_scale(self, scale: float) -> None:
        """Show things at another scale from now on."""
        if scale != self.scale:
            self.scale = scale
            self._kept.clear()

    def paint(self, painter: QPainter, item: Item, middle: float, floor: float, ratio: float) -> None:
        """Paint a thing with the middle of its foot at a point; ``ratio`` is the pixel ratio of the screen."""
        pixmap, bottom = self._pixmap(item, ratio)
        below = bottom * self.scale
        size = pixmap.deviceIndependentSize()
        painter.drawPixmap(QPointF(middle - size.width() / 2, floor + below - size.height()), pixmap)

    def _pixmap(self, item: Item, ratio: float) -> tuple[QPixmap, float]:
        """Return the pixels of a thing, and how far its picture reaches below its foot (mm)."""
        found = self._kept.get((item, ratio))
        if found is None:
            picture = item_picture(item)
            # What is larger than any screen is painted coarser and stretched.
            largest = max(picture.width, picture.height) * self.scale * ratio
            ratio_kept = ratio * min(1.0, LARGEST_PX / largest)
            scale = self.scale * ratio_kept
            pixmap = QPixmap(max(round(picture.width * scale), 1), max(round(picture.height * scale), 1))
            pixmap.fill(Qt.GlobalColor.transparent)
            painter = QPainter(pixmap)
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            painter.scale(scale, scale)
            painter.translate(-picture.left, -picture.top)
            play(painter, picture.primitives)
            painter.end()
            pixmap.setDevicePixelRatio(ratio_kept)
            if len(self._kept) >= MOST_KEPT:
                # The oldest goes; what is in sight is drawn again at once.
                del self._kept[next(iter(self._kept))]
            self._kept[item, ratio] = found = (pixmap, picture.bottom)
        return found
