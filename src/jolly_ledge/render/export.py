"""Pictures and sheets as the bytes of PNG, SVG and PDF."""

import math
import os

from PySide6.QtCore import QBuffer, QByteArray, QIODevice, QMarginsF, QRectF, QSize, QSizeF
from PySide6.QtGui import QColor, QGuiApplication, QImage, QImageWriter, QPageSize, QPainter, QPdfWriter
from PySide6.QtSvg import QSvgGenerator

from jolly_ledge.drawing.picture import Picture
from jolly_ledge.drawing.theme import SHEET
from jolly_ledge.model.errors import ExportError
from jolly_ledge.model.lengths import MM_PER_INCH
from jolly_ledge.render.fonts import load_fonts
from jolly_ledge.render.player import play, play_fitted

LONGEST_SIDE = 2000
SMALLEST_SIDE, LARGEST_SIDE = 16, 20_000
PRINT_DOTS = 300
POINTS_PER_INCH = 72


def ready_to_render() -> QGuiApplication:
    """Return the running application, or begin one that needs no display."""
    running = QGuiApplication.instance()
    if isinstance(running, QGuiApplication):
        return running
    os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")
    application = QGuiApplication(["jolly-ledge"])
    load_fonts()
    return application


def pixels_at(picture: Picture, scale: float) -> int:
    """Return the longest side in pixels of a picture in mm that is drawn at 1:``scale`` on paper.

    Raises
    ------
    ExportError
        The scale is none, or gives a picture too small or too large to be of use.
    """
    if not math.isfinite(scale) or scale <= 0:
        raise ExportError("A scale is above nought; type a number such as 10 for 1:10.")
    pixels = max(picture.width, picture.height) / scale / MM_PER_INCH * PRINT_DOTS
    if not SMALLEST_SIDE <= pixels <= LARGEST_SIDE:
        raise ExportError(
            f"At 1:{scale:g} the drawing is {max(round(pixels), 0)} pixels long; from {SMALLEST_SIDE} to "
            f"{LARGEST_SIDE} can be drawn, so choose another scale."
        )
    return round(pixels)


def picture_bytes(picture: Picture, suffix: str, longest_side: int, scale: float | None = None) -> bytes:
    """Return a picture as PNG or SVG, by the ending.

    With a ``scale`` an SVG has its true size in mm at 1:``scale``, and a PNG tells it by its dots for each inch; the
    longest side follows from it.

    Raises
    ------
    ExportError
        The scale gives a picture too small or too large to be of use.
    """
    pixels = longest_side if scale is None else pixels_at(picture, scale)
    made = svg_bytes if suffix == ".svg" else png_bytes
    return made(picture, pixels, None if scale is None else PRINT_DOTS)


def image_of(picture: Picture, longest_side: int = LONGEST_SIDE, ground: str | None = SHEET) -> QImage:
    """Return a picture as pixels."""
    scale = longest_side / max(picture.width, picture.height, 1e-6)
    size = QSize(max(round(picture.width * scale), 1), max(round(picture.height * scale), 1))
    image = QImage(size, QImage.Format.Format_ARGB32_Premultiplied)
    image.fill(QColor(ground) if ground else QColor(0, 0, 0, 0))
    painter = QPainter(image)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    play_fitted(painter, picture, QRectF(0, 0, size.width(), size.height()))
    painter.end()
    return image


def png_bytes(picture: Picture, longest_side: int = LONGEST_SIDE, dots: int | None = None) -> bytes:
    """Return a picture as PNG, with its dots for each inch where it is to be printed at a size."""
    buffer = QBuffer()
    buffer.open(QIODevice.OpenModeFlag.WriteOnly)
    image = image_of(picture, longest_side)
    if dots is not None:
        for set_dots in (image.setDotsPerMeterX, image.setDotsPerMeterY):
            set_dots(round(dots / MM_PER_INCH * 1000))
    QImageWriter(buffer, QByteArray(b"png")).write(image)
    return bytes(buffer.data().data())


def svg_bytes(picture: Picture, longest_side: int = LONGEST_SIDE, dots: int | None = None) -> bytes:
    """Return a picture as SVG, of a size in mm where so many dots go into an inch."""
    scale = longest_side / max(picture.width, picture.height, 1e-6)
    content = QByteArray()
    buffer = QBuffer(content)
    buffer.open(QIODevice.OpenModeFlag.WriteOnly)
    generator = QSvgGenerator()
    generator.setOutputDevice(buffer)
    width, height = picture.width * scale, picture.height * scale
    generator.setSize(QSize(round(width), round(height)))
    generator.setViewBox(QRectF(0, 0, width, height))
    if dots is not None:
        generator.setResolution(dots)
    generator.setTitle("Jolly Ledge")
    painter = QPainter(generator)
    play_fitted(painter, picture, QRectF(0, 0, width, height))
    painter.end()
    buffer.close()
    return bytes(content.data())


def pdf_bytes(pages: tuple[Picture, ...], title: str) -> bytes:
    """Return pages (in points, all of one size) as PDF with text that can be searched."""
    content = QByteArray()
    buffer = QBuffer(content)
    buffer.open(QIODevice.OpenModeFlag.WriteOnly)
    writer = QPdfWriter(buffer)
    writer.setTitle(title)
    writer.setCreator("Jolly Ledge")
    writer.setPageSize(QPageSize(QSizeF(pages[0].width, pages[0].height), QPageSize.Unit.Point))
    writer.setPageMargins(QMarginsF(0, 0, 0, 0))
    writer.setResolution(POINTS_PER_INCH * 10)
    painter = QPainter(writer)
    painter.scale(10, 10)
    for number, page in enumerate(pages):
        if number:
            writer.newPage()
        play(painter, page.primitives, word_by_word=True)
    painter.end()
    buffer.close()
    return bytes(content.data())
