"""What is set once for all plans, where things are kept, and what this program is: a sheet over the page."""

from pathlib import Path

from msgspec.structs import replace
from PySide6.QtCore import Qt, QUrl
from PySide6.QtGui import QDesktopServices, QKeyEvent
from PySide6.QtWidgets import QFrame, QHBoxLayout, QLineEdit, QPushButton, QVBoxLayout, QWidget

from jolly_ledge import __version__
from jolly_ledge.app.style import dress
from jolly_ledge.app.widgets.chip import ChipRow, chip
from jolly_ledge.app.widgets.texts import BoardLine, heading, question, words
from jolly_ledge.edits.looks import SetCurrency
from jolly_ledge.files.settings import HOURS, SIZES, Settings, SettingsFile
from jolly_ledge.model.lengths import LENGTH_UNITS, UNIT_NAMES, LengthUnit
from jolly_ledge.workspace.workspace import Workspace

WIDE, HIGH, MARGIN = 520, 640, 28
ABOUT = (
    "Plans the arrangement of shelves, mantels and tables before anything is carried. It measures, reasons, proposes "
    "and remembers; the last word is the stylist's. What is said of loads, heat, flame, plants and electricity is the "
    "usual caution: makers' ratings, local codes and licensed people come first."
)
LICENCES = "The program: MIT. Its fonts, Atkinson Hyperlegible Next and Vollkorn: SIL Open Font License 1.1."


class SettingsSheet(QFrame):
    """Lies over the page; what is changed holds at once, but for the size, which holds from the next start."""

    def __init__(self, over: QWidget, workspace: Workspace, file: SettingsFile, folder: Path) -> None:
        super().__init__(over)
        self._over, self._workspace, self._file, self._folder = over, workspace, file, folder
        self._held_before: QWidget | None = None
        self.setObjectName("keys-sheet")
        self.setAccessibleName("Settings")
        column = QVBoxLayout(self)
        column.setContentsMargins(20, 14, 20, 14)
        column.setSpacing(7)
        column.addWidget(heading("Settings", 20))
        column.addWidget(BoardLine())
        column.addWidget(question("Lengths are told in", 14))
        self.units = ChipRow([(unit, UNIT_NAMES[unit].capitalize(), "") for unit in LENGTH_UNITS], self._choose_unit)
        column.addWidget(self.units)
        column.addWidget(question("The prices of this plan are told in", 14))
        self.currency = QLineEdit()
        self.currency.setFixedWidth(96)
        self.currency.setMaxLength(12)
        self.currency.setPlaceholderText("no mark")
        self.currency.setAccessibleName("Currency of this plan")
        self.currency.editingFinished.connect(self._choose_currency)
        column.addWidget(self.currency)
        column.addWidget(question("Text and all else are shown at", 14))
        self.sizes = ChipRow([(str(size), f"{size} %", "") for size in SIZES], self._choose_size)
        column.addWidget(self.sizes)
        self.size_said = words("", "small")
        column.addWidget(self.size_said)
        column.addWidget(question("The window is", 14))
        self.hours = ChipRow(
            [
                ("day", "Bright, by day", "Light panels"),
                ("evening", "Dim, in the evening", "Dark panels; drawings stay lit"),
            ],
            self._choose_hour,
        )
        column.addWidget(self.hours)
        column.addWidget(question("Unsaved work, earlier versions and the list of plans are kept in", 14))
        row = QHBoxLayout()
        self.where = words(str(folder), "soft")
        row.addWidget(self.where, 1)
        self.folder_button = chip("Show the folder", "Open it in the files of the desktop", checkable=False)
        self.folder_button.clicked.connect(self._show_folder)
        row.addWidget(self.folder_button)
        column.addLayout(row)
        column.addSpacing(6)
        column.addWidget(heading(f"Jolly Ledge {__version__}", 16))
        column.addWidget(words(ABOUT, "soft"))
        column.addWidget(words(LICENCES, "small"))
        column.addStretch(1)
        self.close_button = QPushButton("Close")
        self.close_button.setMinimumHeight(28)
        self.close_button.clicked.connect(self.put_away)
        column.addWidget(self.close_button, 0, Qt.AlignmentFlag.AlignRight)
        workspace.signals.length_unit_changed.connect(self._keep_unit)
        self.hide()

    def toggle(self) -> None:
        """Show the sheet, or put it away."""
        if self.isVisible():
            self.put_away()
            return
        self._held_before = self._over.window().focusWidget()
        self.units.show_choice(self._workspace.length_unit)
        self.currency.setText(self._workspace.plan.currency)
        self.sizes.show_choice(str(self._file.read().size))
        self.hours.show_choice(self._file.read().hour)
        wide, high = min(WIDE, self._over.width() - 2 * MARGIN), min(HIGH, self._over.height() - 2 * MARGIN)
        self.setGeometry((self._over.width() - wide) // 2, (self._over.height() - high) // 2, wide, high)
        self.show()
        self.raise_()
        self.close_button.setFocus(Qt.FocusReason.OtherFocusReason)

    def put_away(self) -> None:
        """Put the sheet away and give the focus back."""
        self.hide()
        if self._held_before is not None:
            self._held_before.setFocus(Qt.FocusReason.OtherFocusReason)

    def _choose_unit(self, unit: str) -> None:
        self._workspace.set_length_unit(next(one for one in LENGTH_UNITS if one == unit))

    def _choose_currency(self) -> None:
        workspace, mark = self._workspace, self.currency.text().strip()
        if mark != workspace.plan.currency:
            workspace.commit(SetCurrency(currency=mark))

    def _keep_unit(self) -> None:
        """Keep the unit, wherever it was chosen."""
        unit: LengthUnit = self._workspace.length_unit
        self.units.show_choice(unit)
        self._keep(replace(self._file.read(), length_unit=unit))

    def _choose_size(self, size: str) -> None:
        self._keep(replace(self._file.read(), size=int(size)))
        self.size_said.setText("The new size holds from the next start on.")

    def _choose_hour(self, hour: str) -> None:
        chosen = next(one for one in HOURS if one == hour)
        self._keep(replace(self._file.read(), hour=chosen))
        dress(chosen)
        self._workspace.signals.changed.emit()

    def _keep(self, settings: Settings) -> None:
        if settings != self._file.read():
            self._file.write(settings)

    def _show_folder(self) -> None:
        self._folder.mkdir(parents=True, exist_ok=True)
        if not QDesktopServices.openUrl(QUrl.fromLocalFile(str(self._folder))):
            self._workspace.signals.refused.emit(f"The desktop cannot show folders here; it is {self._folder}.")

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Put it away with Esc."""
        if event.key() == Qt.Key.Key_Escape:
            self.put_away()
        else:
            event.ignore()
