"""Pages on a printer of the system."""

from typing import TYPE_CHECKING

from PySide6.QtCore import QRectF
from PySide6.QtGui import QPainter

from jolly_ledge.drawing.picture import Picture
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.render.player import play_fitted

if TYPE_CHECKING:
    from PySide6.QtPrintSupport import QPrinter


class PrintError(JollyLedgeError):
    """The printer does not take the pages."""


def print_pages(pages: tuple[Picture, ...], printer: "QPrinter") -> None:
    """Print pages, each as large as the paper; raise PrintError where the printer refuses them."""
    painter = QPainter()
    printer.setFullPage(True)
    if not painter.begin(printer):
        raise PrintError("The printer does not answer; look whether it is on, or save the sheet as PDF.")
    try:
        for number, page in enumerate(pages):
            if number and not printer.newPage():
                raise PrintError(f"The printer stopped after page {number}; save the sheet as PDF instead.")
            play_fitted(painter, page, QRectF(printer.pageLayout().fullRectPixels(printer.resolution())))
    finally:
        painter.end()
