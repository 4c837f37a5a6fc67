"""What must be asked of the system: where a file is and where it goes."""

from pathlib import Path
from typing import TYPE_CHECKING, Protocol

from PySide6.QtGui import QPageSize
from PySide6.QtWidgets import QWidget

if TYPE_CHECKING:
    from PySide6.QtPrintSupport import QPrinter

PAPER_SIZES = {"A4": QPageSize.PageSizeId.A4, "Letter": QPageSize.PageSizeId.Letter}

PHOTO_KINDS = "Photographs (*.jpg *.jpeg *.png);;All files (*)"


class Dialogs(Protocol):
    """Asks for paths; tests bring their own answers."""

    def ask_open(self, title: str, kinds: str) -> Path | None:
        """Return the file to open, None when the person thinks better of it."""
        ...

    def ask_open_many(self, title: str, kinds: str) -> tuple[Path, ...]:
        """Return the files to open, none when the person thinks better of it."""
        ...

    def ask_save(self, title: str, name: str) -> Path | None:
        """Return where to save, None when the person thinks better of it."""
        ...

    def ask_printer(self, title: str, paper: str) -> "QPrinter | None":
        """Return a printer that is set to print on a paper, None when the person thinks better of it.

        Raises
        ------
        PrintError
            There is none.
        """
        ...


class FileDialogs:
    """Asks with the system's own file window."""

    def __init__(self) -> None:
        self.parent: QWidget | None = None

    def ask_open(self, title: str, kinds: str) -> Path | None:
        """Return the file to open."""
        from PySide6.QtWidgets import QFileDialog

        path, _ = QFileDialog.getOpenFileName(self.parent, title, "", kinds)
        return Path(path) if path else None

    def ask_open_many(self, title: str, kinds: str) -> tuple[Path, ...]:
        """Return the files to open."""
        from PySide6.QtWidgets import QFileDialog

        paths, _ = QFileDialog.getOpenFileNames(self.parent, title, "", kinds)
        return tuple(Path(path) for path in paths)

    def ask_save(self, title: str, name: str) -> Path | None:
        """Return where to save."""
        from PySide6.QtWidgets import QFileDialog

        path, _ = QFileDialog.getSaveFileName(self.parent, title, name)
        return Path(path) if path else None

    def ask_printer(self, title: str, paper: str) -> "QPrinter | None":
        """Return a printer that is set to print on a paper."""
        from PySide6.QtPrintSupport import QPrintDialog, QPrinter, QPrinterInfo

        from jolly_ledge.render.printing import PrintError

        if not QPrinterInfo.availablePrinterNames():
            raise PrintError("No printer is set up on this computer; save the sheet as PDF and print it elsewhere.")
        printer = QPrinter(QPrinter.PrinterMode.HighResolution)
        printer.setPageSize(QPageSize(PAPER_SIZES[paper]))
        dialog = QPrintDialog(printer, self.parent)
        dialog.setWindowTitle(title)
        return printer if dialog.exec() else None
