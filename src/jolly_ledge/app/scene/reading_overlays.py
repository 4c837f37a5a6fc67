"""More thin lines over the drawing: figure, rest, depth, ties, what the doors hide, what counts as one."""

from PySide6.QtCore import QPointF, QRectF, Qt
from PySide6.QtGui import QBrush, QColor, QPainter, QPainterPath

from jolly_ledge.app.scene.pens import line_pen, paint_line
from jolly_ledge.app.scene.stamps import end_dot, ratio_of, stamp, unit_diamond
from jolly_ledge.drawing.theme import INK, OCHRE, RUST, SHEET, TEAL
from jolly_ledge.model.arrangement import Arrangement
from jolly_ledge.model.colour import lighter
from jolly_ledge.model.phrases import percent
from jolly_ledge.readings.alike_apart import ties_of
from jolly_ledge.readings.even_rest import resting_places
from jolly_ledge.readings.figure import BAND as FIGURE_BAND
from jolly_ledge.readings.figure import figure_lines
from jolly_ledge.readings.layering import band_of
from jolly_ledge.readings.seen_shut import BAND as SHUT_BAND
from jolly_ledge.readings.seen_shut import read as read_shut
from jolly_ledge.render.fonts import font

MOST_TIES = 8
"""More ties at once are a web."""

DEPTH_COLOURS = ("#f6e3b4", "#d3a24b", "#7b4f1c")
PILL_PX = 5.0


def paint_figure(painter: QPainter, arrangement: Arrangement) -> None:
    """Paint the triangles, the weave or the pairs: solid where they fit, dashed ochre where they do not."""
    fitting, loose = QPainterPath(), QPainterPath()
    for line in figure_lines(arrangement):
        path = fitting if line.fit >= FIGURE_BAND[0] else loose
        path.moveTo(line.points[0][0], -line.points[0][1])
        for x, y in line.points[1:]:
            path.lineTo(x, -y)
    paint_line(painter, fitting, lighter(TEAL, 0.55), strands=1)
    paint_line(painter, loose, lighter(OCHRE, 0.25), Qt.PenStyle.DashLine, strands=1)
    if arrangement.manner.figure == "mirrored":
        middle = arrangement.piece.width / 2
        axis = QPainterPath(QPointF(middle, 0))
        axis.lineTo(middle, -arrangement.piece.height)
        paint_line(painter, axis, SHEET, Qt.PenStyle.DotLine, strands=1)


def paint_rest(painter: QPainter, arrangement: Arrangement) -> None:
    """Paint the empty places the eye rests on."""
    painter.setPen(Qt.PenStyle.NoPen)
    fill = QColor(lighter(TEAL, 0.5))
    fill.setAlpha(70)
    painter.setBrush(fill)
    for left, floor, width, height in resting_places(arrangement):
        painter.drawRoundedRect(QRectF(left + 4, -floor - height + 4, width - 8, height - 8), 10, 10)


def paint_depth(painter: QPainter, arrangement: Arrangement, scale: float) -> None:
    """Paint a bar at the foot of every column: low and pale in front, higher and dark at the back."""
    high = PILL_PX / scale
    bars = [QPainterPath() for _ in DEPTH_COLOURS]
    for columns in arrangement.columns.values():
        for column in columns:
            if not column.ledge.is_wall:
                band = band_of(column)
                rise = (band * 1.6 + 0.6) * high
                bars[band].addRect(QRectF(column.left, -column.ledge.floor - rise - high, column.width, high))
    painter.setPen(line_pen("#2a2119", 1.0))
    painter.setRenderHint(QPainter.RenderHint.Antialiasing, False)
    for path, colour in zip(bars, DEPTH_COLOURS, strict=True):
        painter.setBrush(QColor(colour))
        painter.drawPath(path)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing, True)


def paint_ties(painter: QPainter, arrangement: Arrangement) -> None:
    """Paint what ties look-alikes together: thin teal far apart, thick ochre where they compete."""
    far, near = QPainterPath(), QPainterPath()
    ends: list[tuple[QPointF, str]] = []
    for tie in ties_of(arrangement)[:MOST_TIES]:
        one, two = tie.first, tie.second
        start = QPointF((one.left + one.right) / 2, -(one.bottom + one.top) / 2)
        end = QPointF((two.left + two.right) / 2, -(two.bottom + two.top) / 2)
        path = near if tie.competes else far
        path.moveTo(start)
        bend = QPointF((end.y() - start.y()) * 0.16, (start.x() - end.x()) * 0.16)
        path.quadTo((start + end) / 2 + bend, end)
        ends += [(point, OCHRE if tie.competes else TEAL) for point in (start, end)]
    paint_line(painter, far, lighter(TEAL, 0.55), strands=1)
    paint_line(painter, near, lighter(OCHRE, 0.3), strands=4)
    ratio = ratio_of(painter)
    stamp(painter, ((end_dot(colour, ratio), point.x(), point.y()) for point, colour in ends))


def paint_hidden_by_doors(painter: QPainter, arrangement: Arrangement) -> None:
    """Paint the bars of the doors as hatched strips, and at each anchor how much of it is left to see."""
    hatch = QBrush(QColor(RUST), Qt.BrushStyle.BDiagPattern)
    hatch.setTransform(painter.worldTransform().inverted()[0])
    for fixture in arrangement.piece.fixtures:
        if fixture.kind in ("bar", "brace"):
            area = QRectF(fixture.left, -fixture.floor - fixture.height, fixture.width, fixture.height)
            painter.setPen(line_pen(RUST, 1.4, Qt.PenStyle.DashLine))
            painter.setBrush(hatch)
            painter.drawRect(area)
    if arrangement.piece.doors == "solid":
        painter.setPen(line_pen(RUST, 1.4, Qt.PenStyle.DashLine))
        painter.setBrush(hatch)
        for ledge in arrangement.standing_ledges:
            if ledge.clearance is not None:
                painter.drawRect(QRectF(ledge.left, -ledge.floor - ledge.clearance, ledge.width, ledge.clearance))
    reading = read_shut(arrangement, arrangement.manner)
    to_pixels = painter.worldTransform()
    painter.save()
    painter.resetTransform()
    painter.setFont(font(12, "sans", 700))
    for identifier, seen in reading.contributions if reading is not None else ():
        standing = arrangement.by_id[identifier]
        foot = to_pixels.map(QPointF(standing.x, -standing.bottom))
        area = QRectF(foot.x() - 38, foot.y() - 22, 76, 18)
        painter.setPen(line_pen(TEAL if seen >= SHUT_BAND[0] else RUST, 1.0))
        painter.setBrush(QColor(SHEET))
        painter.drawRoundedRect(area, 7, 7)
        painter.setPen(QColor(INK))
        painter.drawText(area, Qt.AlignmentFlag.AlignCenter, f"{percent(seen)} seen")
    painter.restore()


def paint_units(painter: QPainter, arrangement: Arrangement, scale: float) -> None:
    """Paint what counts as one: a thin frame about every unit of several things, a small diamond on every other."""
    mark = unit_diamond(ratio_of(painter))
    single = (unit for unit in arrangement.units if len(unit.standings) == 1 and not unit.lead.ledge.is_wall)
    stamp(painter, ((mark, (unit.left + unit.right) / 2, -unit.bottom - 7 / scale) for unit in single))
    frames = QPainterPath()
    for unit in arrangement.units:
        if len(unit.standings) > 1 and not unit.lead.ledge.is_wall:
            frames.addRect(
                QRectF(unit.left, -unit.top, unit.right - unit.left, unit.top - unit.bottom).adjusted(-4, -4, 4, 4)
            )
    paint_line(painter, frames, SHEET, Qt.PenStyle.DotLine, strands=1, crisp=True)
