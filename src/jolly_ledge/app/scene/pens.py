"""Pens for the thin lines over a drawing: as wide at every zoom."""

from PySide6.QtCore import Qt
from PySide6.QtGui import QColor, QPen


def line_pen(colour: str, width: float, style: Qt.PenStyle = Qt.PenStyle.SolidLine) -> QPen:
    """Return a pen of a width in pixels."""
    pen = QPen(QColor(colour), width, style, Qt.PenCapStyle.RoundCap, Qt.PenJoinStyle.RoundJoin)
    pen.setCosmetic(True)
    return pen
