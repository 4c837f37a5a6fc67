"""Marks painted over a drawing, only where something has to be painted anew."""

from collections.abc import Iterable
from itertools import groupby

from PySide6.QtCore import QPointF, QRectF, Qt
from PySide6.QtGui import QBrush, QColor, QFontMetricsF, QPainter, QPainterPath, QPixmap

from jolly_ledge.app.views.look.marks import PLATE_HEIGHT_PX, Box, Line, Mark, Plate, Stamp, Stroke
from jolly_ledge.app.views.pens import line_pen, paint_line
from jolly_ledge.app.views.stamps import bow, caution_sign, count_disc, end_dot, padlock, stamp, unit_diamond
from jolly_ledge.drawing.theme import INK, SHEET
from jolly_ledge.render.fonts import font

PEN_STYLES: dict[Stroke, Qt.PenStyle] = {
    "solid": Qt.PenStyle.SolidLine, "dash": Qt.PenStyle.DashLine, "dot": Qt.PenStyle.DotLine,
}  # fmt: skip


def paint_marks(painter: QPainter, marks: Iterable[Mark]) -> None:
    """Paint marks in their order; neighbours of one kind and style are painted together."""
    for kind, same in groupby(marks, key=_style_of):
        together = list(same)
        if kind[0] is Line:
            _paint_lines(painter, [mark for mark in together if isinstance(mark, Line)])
        elif kind[0] is Box:
            _paint_boxes(painter, [mark for mark in together if isinstance(mark, Box)])
        elif kind[0] is Stamp:
            _paint_stamps(painter, [mark for mark in together if isinstance(mark, Stamp)])
        else:
            _paint_plates(painter, [mark for mark in together if isinstance(mark, Plate)])


def _style_of(mark: Mark) -> tuple[object, ...]:
    if isinstance(mark, Line):
        return (Line, mark.colour, mark.stroke, mark.strands, mark.crisp)
    if isinstance(mark, Box):
        return (Box, mark.fill, mark.hatched, mark.rim, mark.rim_px, mark.stroke, mark.crisp)
    return (type(mark),)


def _paint_lines(painter: QPainter, lines: list[Line]) -> None:
    first = lines[0]
    # Dashes run on from line to line in one path, and would then depend on what else is painted.
    together = [lines] if first.stroke == "solid" else [[line] for line in lines]
    for some in together:
        path = QPainterPath()
        for line in some:
            _add_line(path, line)
        paint_line(painter, path, first.colour, PEN_STYLES[first.stroke], strands=first.strands, crisp=first.crisp)


def _add_line(path: QPainterPath, line: Line) -> None:
    path.moveTo(*line.path[0])
    for step in line.path[1:]:
        if len(step) == 2:
            path.lineTo(*step)
        elif len(step) == 4:
            path.quadTo(*step)
        else:
            path.cubicTo(*step)


def _paint_boxes(painter: QPainter, boxes: list[Box]) -> None:
    first = boxes[0]
    painter.setRenderHint(QPainter.RenderHint.Antialiasing, not first.crisp)
    painter.setPen(line_pen(first.rim, first.rim_px, PEN_STYLES[first.stroke]) if first.rim else Qt.PenStyle.NoPen)
    if first.hatched:
        hatch = QBrush(QColor(first.fill), Qt.BrushStyle.BDiagPattern)
        hatch.setTransform(painter.worldTransform().inverted()[0])
        painter.setBrush(hatch)
    elif first.fill:
        painter.setBrush(QColor(first.fill))
    else:
        painter.setBrush(Qt.BrushStyle.NoBrush)
    path = QPainterPath()
    for box in boxes:
        if box.radius:
            path.addRoundedRect(box.extent, box.radius, box.radius)
        else:
            path.addRect(box.extent)
    path.setFillRule(Qt.FillRule.WindingFill)
    painter.drawPath(path)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing, True)


def _paint_stamps(painter: QPainter, stamps: list[Stamp]) -> None:
    ratio = float(painter.device().devicePixelRatio())
    pixel = 1 / max(painter.worldTransform().m11(), 1e-6)
    stamp(painter, ((_picture(mark, ratio), mark.x, mark.y + mark.down_px * pixel) for mark in stamps))


def _picture(mark: Stamp, ratio: float) -> QPixmap:
    if mark.kind == "caution":
        return caution_sign(mark.word, mark.colour, ratio)
    if mark.kind == "count":
        return count_disc(mark.word, mark.colour, ratio)
    if mark.kind == "lock":
        return padlock(ratio)
    if mark.kind == "bow":
        return bow(mark.colour, ratio)
    return unit_diamond(ratio) if mark.kind == "diamond" else end_dot(mark.colour, ratio)


def _paint_plates(painter: QPainter, plates: list[Plate]) -> None:
    to_pixels = painter.worldTransform()
    painter.save()
    painter.resetTransform()
    painter.setFont(font(12, "sans", 700))
    metrics = QFontMetricsF(painter.font())
    for plate in plates:
        foot = to_pixels.map(QPointF(plate.x, plate.y))
        wide = metrics.horizontalAdvance(plate.text) + 14
        area = QRectF(foot.x() - wide / 2, foot.y() - 22, wide, PLATE_HEIGHT_PX)
        painter.setPen(line_pen(plate.rim, 1.0))
        painter.setBrush(QColor(SHEET))
        painter.drawRoundedRect(area, 7, 7)
        painter.setPen(QColor(INK))
        painter.drawText(area, Qt.AlignmentFlag.AlignCenter, plate.text)
    painter.restore()
