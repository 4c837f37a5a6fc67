"""Things side by side on a small board."""

from PySide6.QtCore import QRectF, QSize, Qt
from PySide6.QtGui import QIcon, QPainter, QPaintEvent, QPixmap
from PySide6.QtWidgets import QWidget

from jolly_ledge.app.tones import ground_painter
from jolly_ledge.app.widgets.texts import paint_board
from jolly_ledge.drawing.items import item_picture
from jolly_ledge.drawing.theme import BOARD
from jolly_ledge.model.item import Item
from jolly_ledge.model.mishaps import survives
from jolly_ledge.render.player import play


def thing_icon(item: Item, size: QSize) -> QIcon:
    """Return a small drawing of a thing by itself."""
    sharper = 2
    pixmap = QPixmap(size * sharper)
    pixmap.setDevicePixelRatio(sharper)
    pixmap.fill(Qt.GlobalColor.transparent)
    painter = QPainter(pixmap)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    scale = min((size.height() - 3) / item.height, (size.width() - 2) / item.width)
    painter.translate(size.width() / 2, (size.height() + item.height * scale) / 2)
    painter.scale(scale, scale)
    play(painter, item_picture(item).primitives)
    painter.end()
    return QIcon(pixmap)


class ThingsOnBoard(QWidget):
    """A few things, to one scale, as large as they go."""

    def __init__(self, size: QSize) -> None:
        super().__init__()
        self.items: tuple[Item, ...] = ()
        self.setFixedSize(size)

    def show_items(self, items: tuple[Item, ...]) -> None:
        """Show these things."""
        self.items = items
        self.update()

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the things as large as they go, to one scale."""
        if not self.items:
            return
        painter = ground_painter(self)
        floor, gap = self.height() - 5.0, 6.0
        wide = sum(item.width for item in self.items) or 1.0
        room = self.width() - gap * (len(self.items) + 1)
        scale = min((floor - 3) / max(item.height for item in self.items), max(room, 10.0) / wide)
        x = (self.width() - wide * scale - gap * (len(self.items) - 1)) / 2
        paint_board(painter, QRectF(4, floor, self.width() - 8, 4), BOARD)
        for item in self.items:
            painter.save()
            painter.translate(x + item.width * scale / 2, floor)
            painter.scale(scale, scale)
            play(painter, item_picture(item).primitives)
            painter.restore()
            x += item.width * scale + gap
