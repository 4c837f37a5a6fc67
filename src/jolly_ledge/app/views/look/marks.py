"""Marks that lie over a drawing, as values: what changed between two of them tells what to paint anew.

Lengths and places are in the drawing's own units (mm, y down); what ends in ``px`` stays the same at every zoom.
"""

from collections.abc import Sequence
from typing import Literal

from msgspec import Struct
from PySide6.QtCore import QRect, QRectF
from PySide6.QtGui import QTransform

Stroke = Literal["solid", "dash", "dot"]
Stamped = Literal["bow", "caution", "count", "diamond", "dot", "lock"]
STAMP_REACH_PX = 12
PLATE_HEIGHT_PX, LETTER_PX = 18.0, 7.6
SPARE_PX = 5


class Line(Struct, frozen=True, cache_hash=True):
    """A line seen on light and dark grounds.

    The path begins at its first point; every further entry is a point, or a bend: one or two control points and
    then the point, all in one tuple. A crisp line is not smoothed.
    """

    path: tuple[tuple[float, ...], ...]
    colour: str
    stroke: Stroke = "solid"
    strands: int = 2
    crisp: bool = False

    @property
    def extent(self) -> QRectF:
        """What it covers, control points included."""
        across = [value for step in self.path for value in step[::2]]
        down = [value for step in self.path for value in step[1::2]]
        left, top = min(across), min(down)
        return QRectF(left, top, max(across) - left, max(down) - top)


class Box(Struct, frozen=True, cache_hash=True):
    """A rectangle: filled, hatched, rimmed, or several of these."""

    left: float
    top: float
    width: float
    height: float
    radius: float = 0.0
    fill: str = ""
    hatched: bool = False
    rim: str = ""
    rim_px: float = 1.0
    stroke: Stroke = "solid"
    crisp: bool = False

    @property
    def extent(self) -> QRectF:
        """What it covers."""
        return QRectF(self.left, self.top, self.width, self.height)


class Stamp(Struct, frozen=True, cache_hash=True):
    """A small picture about a point."""

    kind: Stamped
    x: float
    y: float
    word: str = ""
    colour: str = ""
    down_px: float = 0.0

    @property
    def extent(self) -> QRectF:
        """Where it is."""
        return QRectF(self.x, self.y, 0.0, 0.0)


class Plate(Struct, frozen=True, cache_hash=True):
    """Words on a small plate over a point."""

    text: str
    x: float
    y: float
    rim: str

    @property
    def width_px(self) -> float:
        """How wide it is at most."""
        return LETTER_PX * len(self.text) + 14

    @property
    def extent(self) -> QRectF:
        """Where it is."""
        return QRectF(self.x, self.y, 0.0, 0.0)


Mark = Line | Box | Stamp | Plate

_REACH_PX: dict[type[Mark], tuple[int, int]] = {
    Line: (SPARE_PX, SPARE_PX),
    Box: (SPARE_PX, SPARE_PX),
    Stamp: (STAMP_REACH_PX, STAMP_REACH_PX + 8),
    Plate: (SPARE_PX, round(PLATE_HEIGHT_PX) + 6),
}


def area_on_view(mark: Mark, to_view: QTransform) -> QRect:
    """Return the pixels of a view that a mark may touch."""
    across, down = _REACH_PX[type(mark)]
    across += round(mark.width_px / 2) if isinstance(mark, Plate) else 0
    return to_view.mapRect(mark.extent).toAlignedRect().adjusted(-across, -down, across, down)


def poly_line(points: Sequence[tuple[float, float]], colour: str, stroke: Stroke = "solid") -> Line:
    """Return a thin line of one strand through points given with y up."""
    return Line(tuple((x, -y) for x, y in points), colour, stroke, strands=1)
