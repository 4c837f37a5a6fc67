"""Thin lines over the drawing that show what the readings see."""

import itertools

from PySide6.QtCore import QPointF, QRectF, Qt
from PySide6.QtGui import QColor, QFontMetricsF, QPainter, QPainterPath, QPen, QPolygonF

from jolly_ledge.app.scene.pens import line_pen, paint_line
from jolly_ledge.app.scene.stamps import caution_sign, count_disc, end_dot, ratio_of, stamp
from jolly_ledge.cautions.caution import Caution, Level
from jolly_ledge.drawing.theme import INK, OCHRE, PAPER, PLUM, SHEET, TEAL
from jolly_ledge.model.arrangement import Arrangement, Standing
from jolly_ledge.model.colour import lighter
from jolly_ledge.readings.colour_echo import spots_of
from jolly_ledge.readings.hues import accent_areas, accent_leaders, family_among
from jolly_ledge.readings.side_balance import BAND, FAIR, moment
from jolly_ledge.render.fonts import font

PATHS_SHOWN = 1
"""More paths than the strongest accent's cannot be followed by the eye."""

SIGN_LIFT_PX = 7.0


def area_of(standing: Standing) -> QRectF:
    """Return a thing's extent in scene coordinates."""
    return QRectF(standing.left, -standing.top, standing.width, standing.height)


def paint_outline(painter: QPainter, standing: Standing, colour: str = OCHRE) -> None:
    """Paint a dashed outline about a thing, seen on light and dark grounds."""
    area = area_of(standing).adjusted(-8, -8, 8, 8)
    painter.setBrush(Qt.BrushStyle.NoBrush)
    painter.setPen(line_pen("#1d1a17", 3.0))
    painter.setOpacity(0.45)
    painter.drawRoundedRect(area, 8, 8)
    painter.setOpacity(1.0)
    painter.setPen(line_pen(lighter(colour, 0.25), 1.8, Qt.PenStyle.DashLine))
    painter.drawRoundedRect(area, 8, 8)


def paint_lock(painter: QPainter, standing: Standing, scale: float) -> None:
    """Paint a small padlock at a locked thing."""
    size = 9 / scale
    x, y = standing.right - size, -standing.top + size * 0.4
    painter.setPen(line_pen(PAPER, 1.6))
    painter.setBrush(Qt.BrushStyle.NoBrush)
    painter.drawArc(QRectF(x - size * 0.3, y - size * 0.6, size * 0.6, size * 0.9), 0, 180 * 16)
    painter.setBrush(QColor(PLUM))
    painter.drawRect(QRectF(x - size * 0.5, y - size * 0.15, size, size * 0.75))


def paint_ledge(painter: QPainter, area: QRectF) -> None:
    """Paint where the ledge in hand is: a thin plum line along its board."""
    painter.setPen(line_pen(PLUM, 3.0))
    painter.drawLine(QPointF(area.left() + 2, area.bottom() + 11), QPointF(area.right() - 2, area.bottom() + 11))


def paint_groups(painter: QPainter, arrangement: Arrangement, scale: float) -> None:
    """Paint a bracket under every vignette with the count of its units; odd counts are teal."""
    height = 6 / scale
    brackets = {TEAL: QPainterPath(), OCHRE: QPainterPath()}
    spots: list[tuple[QPointF, int]] = []
    for vignette in arrangement.vignettes:
        left = min(column.left for column in vignette.columns) + 2 / scale
        right = max(column.right for column in vignette.columns) - 2 / scale
        y = -vignette.ledge.floor + 13 / scale
        count = len(vignette.units)
        bracket = brackets[TEAL if count % 2 else OCHRE]
        bracket.moveTo(left, y - height)
        for x, down in ((left, y), (right, y), (right, y - height)):
            bracket.lineTo(x, down)
        spots.append((QPointF((left + right) / 2, y), count))
    for colour, bracket in brackets.items():
        paint_line(painter, bracket, colour, crisp=True)
    ratio = ratio_of(painter)
    stamp(painter, ((count_disc(n, TEAL if n % 2 else OCHRE, ratio), spot.x(), spot.y()) for spot, n in spots))


def paint_skyline(painter: QPainter, arrangement: Arrangement) -> None:
    """Paint the line of the tops on every ledge."""
    path = QPainterPath()
    for columns in arrangement.columns.values():
        if columns[0].ledge.is_wall:
            continue
        floor = -columns[0].ledge.floor
        path.moveTo(columns[0].ledge.left, floor)
        for column in columns:
            path.lineTo(column.left, floor)
            path.lineTo(column.left, -column.top)
            path.lineTo(column.right, -column.top)
            path.lineTo(column.right, floor)
        path.lineTo(columns[0].ledge.right, floor)
    paint_line(painter, path, "#f3d9a0", crisp=True)


def paint_colour_path(painter: QPainter, arrangement: Arrangement) -> None:
    """Paint how the strongest accent travels from place to place, top down."""
    leaders = accent_leaders(arrangement)
    for leader in leaders[:PATHS_SHOWN]:
        things = [
            standing
            for standing, colour, area in accent_areas(arrangement)
            if family_among(colour, leaders) == leader and area > 0.12 * standing.area
        ]
        spots = sorted(spots_of(things), key=lambda s: (-s.ledge.floor, s.x))
        points = [QPointF(s.x, -(s.bottom + s.top) / 2) for s in spots]
        if not points:
            continue
        path = QPainterPath(points[0])
        for before, after in itertools.pairwise(points):
            reach = (after.y() - before.y()) * 0.5
            path.cubicTo(QPointF(before.x(), before.y() + reach), QPointF(after.x(), after.y() - reach), after)
        paint_line(painter, path, lighter(leader, 0.3), Qt.PenStyle.DashLine)
        dot = end_dot(leader, ratio_of(painter))
        stamp(painter, ((dot, point.x(), point.y()) for point in points))


def paint_cautions(painter: QPainter, arrangement: Arrangement, cautions: tuple[Caution, ...]) -> None:
    """Paint a small marked triangle at every thing that wants care."""
    marked: dict[str, Level] = {}
    for caution in reversed(cautions):
        for identifier in caution.placements[:1]:
            marked[identifier] = caution.level
    pixel, ratio = 1 / max(painter.worldTransform().m11(), 1e-6), ratio_of(painter)
    places = ((level, arrangement.by_id[identifier]) for identifier, level in marked.items())
    stamp(painter, ((caution_sign(level, ratio), s.x, -s.top - SIGN_LIFT_PX * pixel) for level, s in places))


def paint_beam(painter: QPainter, arrangement: Arrangement, area: QRectF) -> None:
    """Paint the beam on its fulcrum under the piece; it tilts with the balance (widget pixels)."""
    value, _ = moment(arrangement)
    middle = QPointF(area.center().x(), area.top() + 14)
    half = min(area.width() / 2 - 20, 240)
    tilt = max(min(value, 0.5), -0.5) * 22
    painter.setPen(Qt.PenStyle.NoPen)
    painter.setBrush(QColor("#55524c"))
    painter.drawPolygon(QPolygonF([middle + QPointF(0, 2), middle + QPointF(-9, 16), middle + QPointF(9, 16)]))
    ends = (middle + QPointF(-half, -tilt), middle + QPointF(half, tilt))
    painter.setPen(QPen(QColor("#55524c"), 3.0, Qt.PenStyle.SolidLine, Qt.PenCapStyle.RoundCap))
    painter.drawLine(*ends)
    place = max(min(value, 1.0), -1.0)
    good = abs(value) <= BAND[1]
    painter.setPen(QPen(QColor(SHEET), 1.5))
    painter.setBrush(QColor(TEAL if good else PLUM))
    painter.drawEllipse(middle + QPointF(half * place, tilt * place), 6, 6)
    side = "left" if value < 0 else "right"
    text = "level" if good else f"{abs(round(value * 100))} % {side}"
    fair = "" if good else (" · fair" if abs(value) <= FAIR else " · more than fair")
    painter.setFont(font(12, "sans", 600))
    painter.setPen(QColor(INK))
    said = f"balance {text}{fair}"
    room = painter.viewport().width() - QFontMetricsF(painter.font()).horizontalAdvance(said) - 6
    painter.drawText(QPointF(min(middle.x() + 16, room), middle.y() + 20), said)
