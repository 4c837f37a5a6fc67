"""Ways of looking at a drawing with other eyes: half shut, without colour, in a mirror."""

from collections.abc import Callable

from msgspec import Struct
from PySide6.QtCore import QRectF, QSize, Qt
from PySide6.QtGui import QColor, QImage, QPainter

from jolly_ledge.drawing.theme import PAPER

SQUINT_SHARE = 1 / 10


class Ways(Struct, frozen=True):
    """Which eyes the drawing is seen with."""

    squint: bool = False
    grey: bool = False
    mirrored: bool = False

    @property
    def changes_the_picture(self) -> bool:
        """Whether the drawing is not simply seen as it is."""
        return self.squint or self.grey or self.mirrored


def paint_as_seen(
    painter: QPainter, size: QSize, area: QRectF, ways: Ways, paint: Callable[[QPainter], object], ratio: float = 1.0
) -> None:
    """Paint what ``paint`` paints (in pixels of a view of that size) as it is seen in some ways, within an area.

    Squinting is painting small and enlarging softly. ``ratio`` is how many device pixels make one of the view's.
    """
    share = SQUINT_SHARE if ways.squint else ratio
    image = QImage(
        max(round(size.width() * share), 1), max(round(size.height() * share), 1), QImage.Format.Format_RGB32
    )
    image.fill(QColor(PAPER))
    brush = QPainter(image)
    brush.setRenderHint(QPainter.RenderHint.Antialiasing)
    brush.scale(share, share)
    paint(brush)
    brush.end()
    if ways.squint or ways.grey:
        image = image.convertToFormat(QImage.Format.Format_Grayscale8)
    if ways.squint:
        image = image.scaled(size / 4, Qt.AspectRatioMode.IgnoreAspectRatio, Qt.TransformationMode.SmoothTransformation)
        share = image.width() / max(size.width(), 1)
    part = QRectF(area.x() * share, area.y() * share, area.width() * share, area.height() * share)
    painter.save()
    painter.resetTransform()
    if ways.mirrored:
        painter.translate(area.left() + area.right(), 0.0)
        painter.scale(-1.0, 1.0)
    painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
    painter.drawImage(area, image, part)
    painter.restore()
