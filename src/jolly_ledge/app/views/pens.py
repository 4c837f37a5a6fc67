"""Pens for the thin lines over a drawing: as wide at every zoom.

A smooth pen of up to one pixel is painted some twenty times faster than a wider one, so wider lines are made of
thin ones side by side.
"""

from PySide6.QtCore import Qt
from PySide6.QtGui import QColor, QPainter, QPainterPath, QPen

SHADE = "#4a443c"
"""Solid: a smooth line that lets the ground through costs six times as much."""

APART_PX = 0.7


def line_pen(colour: str | QColor, width: float, style: Qt.PenStyle = Qt.PenStyle.SolidLine) -> QPen:
    """Return a pen of a width in pixels."""
    pen = QPen(QColor(colour), width, style, Qt.PenCapStyle.RoundCap, Qt.PenJoinStyle.RoundJoin)
    pen.setCosmetic(True)
    return pen


def paint_line(
    painter: QPainter,
    path: QPainterPath,
    colour: str,
    style: Qt.PenStyle = Qt.PenStyle.SolidLine,
    *,
    strands: int = 2,
    crisp: bool = False,
) -> None:
    """Paint a line that is seen on light and dark grounds: strands of its colour with a shade beside them.

    A crisp line is not smoothed: level and upright ones need it not, and are painted sooner.
    """
    painter.setRenderHint(QPainter.RenderHint.Antialiasing, not crisp)
    pixel = 1 / max(painter.worldTransform().m11(), 1e-6)
    painter.setBrush(Qt.BrushStyle.NoBrush)
    painter.setPen(line_pen(SHADE, 1.0))
    beyond = strands * APART_PX * pixel
    painter.drawPath(path.translated(beyond, beyond))
    painter.setPen(line_pen(colour, 1.0, style))
    for number in range(strands):
        step = number * APART_PX * pixel
        painter.drawPath(path.translated(step, step) if number else path)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing, True)
