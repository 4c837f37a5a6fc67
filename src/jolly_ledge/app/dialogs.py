"""What must be asked of the system: where a file is and where it goes."""

from pathlib import Path
from typing import Protocol

from PySide6.QtWidgets import QWidget


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
