"""Empty pictures to paint on, sharp on every screen."""

from PySide6.QtCore import Qt
from PySide6.QtGui import QPixmap


def clear_canvas(width: float, height: float, ratio: float) -> QPixmap:
    """Return a transparent picture of a size in a view's pixels, for a screen of so many dots for each of them."""
    canvas = QPixmap(max(round(width * ratio), 1), max(round(height * ratio), 1))
    canvas.setDevicePixelRatio(ratio)
    canvas.fill(Qt.GlobalColor.transparent)
    return canvas
