"""Plays a display list on a painter."""

import re
from collections.abc import Iterable
from functools import lru_cache

from PySide6.QtCore import QPointF, QRectF, QSize, Qt
from PySide6.QtGui import (
    QBrush,
    QColor,
    QFontMetricsF,
    QImage,
    QLinearGradient,
    QPainter,
    QPainterPath,
    QPen,
    QPixmap,
    QRadialGradient,
    QTransform,
)

from jolly_ledge.drawing.picture import Gradient, Label, Path, Photograph, Picture, Primitive, Shape
from jolly_ledge.render.fonts import font

_TEXT_UNIT = 100.0
"""Text is laid out at this size and scaled, so that it is the same at every zoom."""


def play(painter: QPainter, primitives: Iterable[Primitive], *, word_by_word: bool = False) -> None:
    """Paint primitives in the painter's own coordinates.

    ``word_by_word`` sets every word of a text by itself: Qt's PDF writer tells readers that a space
    is a tabulator, which spoils searching; words apart are read with plain spaces between.
    """
    for primitive in primitives:
        if isinstance(primitive, Label):
            _play_label(painter, primitive, word_by_word)
        elif isinstance(primitive, Photograph):
            area = QRectF(primitive.left, primitive.top, primitive.width, primitive.height)
            painter.drawImage(area, QImage.fromData(primitive.content))
        else:
            _play_shape(painter, primitive)


def play_fitted(painter: QPainter, picture: Picture, target: QRectF) -> None:
    """Paint a picture as large as it goes into a rectangle, in its middle."""
    painter.save()
    painter.setTransform(fitting(picture, target), True)
    play(painter, picture.primitives)
    painter.restore()


def fitted_pixmap(picture: Picture, size: QSize, ratio: float = 1.0) -> QPixmap:
    """Return a picture as large as it goes in pixels of a size, on nothing; ``ratio`` is that of the screen."""
    pixmap = QPixmap(size * ratio)
    pixmap.setDevicePixelRatio(ratio)
    pixmap.fill(Qt.GlobalColor.transparent)
    painter = QPainter(pixmap)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    play_fitted(painter, picture, QRectF(0, 0, size.width(), size.height()))
    painter.end()
    return pixmap


def fitting(picture: Picture, target: QRectF) -> QTransform:
    """Return how a picture is scaled and moved to fill a rectangle."""
    scale = min(target.width() / max(picture.width, 1e-6), target.height() / max(picture.height, 1e-6))
    x = target.center().x() - (picture.left + picture.right) / 2 * scale
    y = target.center().y() - (picture.top + picture.bottom) / 2 * scale
    return QTransform(scale, 0, 0, scale, x, y)


def _play_shape(painter: QPainter, shape: Shape) -> None:
    path, fill = painter_path(shape.path), shape.fill
    if shape.stroke is None:
        painter.setPen(Qt.PenStyle.NoPen)
    else:
        painter.setPen(_pen(shape.stroke, shape.stroke_width, shape.stroke_opacity, shape.dash))
    if fill is None:
        painter.setBrush(Qt.BrushStyle.NoBrush)
    elif isinstance(fill, str):
        # The opacity lies in the colour: setting it on the painter costs as much as painting.
        painter.setBrush(_solid(fill, shape.opacity))
    elif shape.opacity == 1.0:
        painter.setBrush(_shaded(fill))
    else:
        painter.setPen(Qt.PenStyle.NoPen)
        # Whoever dims a whole drawing has set an opacity already.
        around = painter.opacity()
        painter.setOpacity(around * shape.opacity)
        painter.setBrush(_shaded(fill))
        painter.drawPath(path)
        painter.setOpacity(around)
        if shape.stroke is None:
            return
        painter.setPen(_pen(shape.stroke, shape.stroke_width, shape.stroke_opacity, shape.dash))
        painter.setBrush(Qt.BrushStyle.NoBrush)
    painter.drawPath(path)


@lru_cache(maxsize=1024)
def _pen(colour: str, width: float, opacity: float, dash: tuple[float, ...]) -> QPen:
    pen = QPen(
        _colour(colour, opacity), width, Qt.PenStyle.SolidLine, Qt.PenCapStyle.RoundCap, Qt.PenJoinStyle.RoundJoin
    )
    if dash:
        pen.setDashPattern([length / max(width, 0.1) for length in dash])
    return pen


@lru_cache(maxsize=8192)
def painter_path(path: Path) -> QPainterPath:
    """Return the toolkit's form of a path, made once."""
    made = QPainterPath()
    for word, values in path:
        if word == "M":
            made.moveTo(*values)
        elif word == "L":
            made.lineTo(*values)
        elif word == "C":
            made.cubicTo(*values)
        else:
            made.closeSubpath()
    return made


@lru_cache(maxsize=4096)
def _colour(colour: str, opacity: float = 1.0) -> QColor:
    return QColor(int(colour[1:3], 16), int(colour[3:5], 16), int(colour[5:7], 16), round(opacity * 255))


@lru_cache(maxsize=4096)
def _solid(colour: str, opacity: float) -> QBrush:
    return QBrush(_colour(colour, opacity))


@lru_cache(maxsize=4096)
def _shaded(fill: Gradient) -> QBrush:
    start, end = QPointF(*fill.start), QPointF(*fill.end)
    gradient = QLinearGradient(start, end) if fill.radius is None else QRadialGradient(end, fill.radius, start)
    for at, colour in fill.stops:
        gradient.setColorAt(at, _colour(colour))
    return QBrush(gradient)


def _play_label(painter: QPainter, label: Label, word_by_word: bool) -> None:
    painter.save()
    face = font(_TEXT_UNIT, label.family, label.weight, italic=label.italic)
    scale = label.size / _TEXT_UNIT
    painter.translate(label.x, label.y)
    painter.scale(scale, scale)
    painter.setFont(face)
    painter.setPen(QColor(label.colour))
    metrics = QFontMetricsF(face)
    width = metrics.horizontalAdvance(label.text)
    x = {"left": 0.0, "middle": -width / 2, "right": -width}[label.anchor]
    if word_by_word:
        for word in re.finditer(r"\S+", label.text):
            before = metrics.horizontalAdvance(label.text[: word.start()])
            painter.drawText(QPointF(x + before, 0), word.group())
    else:
        painter.drawText(QPointF(x, 0), label.text)
    painter.restore()
