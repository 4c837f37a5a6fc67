"""The photographs of a look, before and after, with a way to lay more beside it."""

from collections.abc import Callable
from datetime import date
from pathlib import Path

from PySide6.QtCore import QSize, Qt
from PySide6.QtGui import QIcon, QPixmap
from PySide6.QtWidgets import QHBoxLayout, QListWidget, QListWidgetItem, QVBoxLayout, QWidget

from jolly_ledge.app.dialogs import Dialogs
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.edits.log import AddLookPhoto, RemoveLookPhoto
from jolly_ledge.files.errors import reading_error
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.look import Look, LookPhoto
from jolly_ledge.model.words import Taken
from jolly_ledge.workspace.workspace import Workspace

ICON = QSize(96, 72)
KINDS = "Photographs (*.jpg *.jpeg *.png *.webp *.tif *.tiff)"


class PhotoStrip(QWidget):
    """Small pictures in a row; a double click checks one against the plan."""

    def __init__(self, workspace: Workspace, dialogs: Dialogs, on_check: Callable[[str, str], object]) -> None:
        super().__init__()
        self._workspace = workspace
        self._dialogs = dialogs
        self._on_check = on_check
        self._look: Look | None = None
        self._icons: dict[str, QIcon] = {}
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(4)
        self.list = QListWidget()
        self.list.setViewMode(QListWidget.ViewMode.IconMode)
        self.list.setFlow(QListWidget.Flow.LeftToRight)
        self.list.setWrapping(False)
        self.list.setIconSize(ICON)
        self.list.setMovement(QListWidget.Movement.Static)
        self.list.setFixedHeight(ICON.height() + 44)
        self.list.setAccessibleName("Photographs of this look")
        self.list.itemDoubleClicked.connect(lambda _: self.check())
        self.none = words("None yet.", "soft")
        column.addWidget(self.none)
        column.addWidget(self.list)
        row = QHBoxLayout()
        row.setSpacing(5)
        self.before_button = chip("Add one before", "How the piece looked before the work", checkable=False)
        self.after_button = chip("Add one after", "How it looks now", checkable=False)
        self.check_button = chip("Check it", "Lay the chosen photograph beside the plan", checkable=False)
        self.remove_button = chip("Take away", "Take the chosen photograph from this look", checkable=False)
        self.before_button.clicked.connect(lambda: self.ask("before"))
        self.after_button.clicked.connect(lambda: self.ask("after"))
        self.check_button.clicked.connect(self.check)
        self.remove_button.clicked.connect(self.remove)
        for button in (self.before_button, self.after_button, self.check_button, self.remove_button):
            row.addWidget(button)
        row.addStretch(1)
        column.addLayout(row)

    def show_look(self, look: Look) -> None:
        """Show the photographs of a look; one that cannot be read is named so."""
        if self._look is not None and look.id == self._look.id and look.photos == self._look.photos:
            self._look = look
            return
        self._look = look
        self.list.clear()
        for photo in look.photos:
            icon = self._icon(photo.name)
            text = f"{photo.taken} {photo.date}" if icon is not None else f"{photo.taken}: missing"
            entry = QListWidgetItem(icon or QIcon(), text)
            entry.setData(Qt.ItemDataRole.UserRole, photo.name)
            if icon is None:
                entry.setToolTip(f"“{photo.name}” is not in the file, or cannot be read; add the photograph again.")
            self.list.addItem(entry)
        has = bool(look.photos)
        self.list.setVisible(has)
        self.none.setVisible(not has)
        self.check_button.setEnabled(has)
        self.remove_button.setEnabled(has)
        if has:
            self.list.setCurrentRow(len(look.photos) - 1)

    def _icon(self, name: str) -> QIcon | None:
        if name not in self._icons:
            pixmap = QPixmap()
            if not pixmap.loadFromData(self._workspace.document.photos.get(name, b"")):
                return None
            small = pixmap.scaled(ICON, Qt.AspectRatioMode.KeepAspectRatio, Qt.TransformationMode.SmoothTransformation)
            self._icons[name] = QIcon(small)
        return self._icons[name]

    @property
    def chosen(self) -> str:
        """The name of the chosen photograph, empty where none is."""
        entry = self.list.currentItem()
        return str(entry.data(Qt.ItemDataRole.UserRole)) if entry is not None else ""

    def ask(self, taken: Taken) -> None:
        """Ask for a photograph and lay it beside the look."""
        path = self._dialogs.ask_open("Add a photograph", KINDS)
        if path is not None:
            self.add(path, taken)

    def add(self, path: Path, taken: Taken) -> None:
        """Lay a photograph beside the look; a file that is none is refused."""
        # The picture libraries are not needed until there is a photograph.
        from jolly_ledge.files.photo_file import photo_bytes
        from jolly_ledge.photos.image import kept_photo, read_photo

        look, workspace = self._look, self._workspace
        if look is None:
            return
        try:
            name, content = kept_photo(read_photo(photo_bytes(path), path.name))
        except OSError as error:
            workspace.signals.refused.emit(str(reading_error(path, error)))
            return
        except JollyLedgeError as error:
            workspace.signals.refused.emit(str(error))
            return
        workspace.document.add_photo(name, content)
        photo = LookPhoto(name=name, taken=taken, date=date.today().isoformat())
        workspace.commit(AddLookPhoto(look=look.id, photo=photo, name=look.label))

    def check(self) -> None:
        """Lay the chosen photograph beside the plan."""
        if self._look is not None and self.chosen:
            self._on_check(self._look.id, self.chosen)

    def remove(self) -> None:
        """Take the chosen photograph away."""
        if self._look is not None and self.chosen:
            self._workspace.commit(RemoveLookPhoto(look=self._look.id, photo=self.chosen, name=self._look.label))
