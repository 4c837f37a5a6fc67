"""Place: the working order, with rooms to fetch from and figures a tape can find."""

from collections.abc import Callable
from pathlib import Path

from PySide6.QtCore import Qt
from PySide6.QtWidgets import QHBoxLayout, QHeaderView, QPushButton, QTableWidget, QTableWidgetItem

from jolly_ledge.app.dialogs import Dialogs
from jolly_ledge.app.scene.look_view import LookView
from jolly_ledge.app.session import Session
from jolly_ledge.app.steps.step import Step
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.cautions.register import CLOSING
from jolly_ledge.drawing.look import look_picture
from jolly_ledge.drawing.sheet import sheet_pages
from jolly_ledge.files.atomic import write_atomically
from jolly_ledge.files.sheet_csv import sheet_to_csv
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.working_order import PlacingStep, working_order
from jolly_ledge.render.export import save_picture, save_sheet

COLUMNS = ("", "Thing", "Fetch from", "Ledge", "From left", "From front", "Stands on")
COLUMN_WIDTHS = (36, 160, 112, 126, 70, 76, 178)


class PlaceStep(Step):
    """The page a helper works from."""

    def __init__(self, session: Session, dialogs: Dialogs) -> None:
        super().__init__(session)
        self._dialogs = dialogs
        self._steps: tuple[PlacingStep, ...] = ()
        for text, name, action in (
            ("Save as PDF", "primary", self.save_pdf),
            ("Save as CSV", "", self.save_csv),
            ("Save the drawing", "", self.save_drawing),
        ):
            button = QPushButton(text)
            button.setMinimumHeight(30)
            button.setObjectName(name)
            button.clicked.connect(action)
            self.head.addWidget(button)
        self.summary = words("", "soft")
        self.arrange_button = chip("Arrange it", "Go to Arrange", checkable=False)
        self.arrange_button.clicked.connect(lambda: session.step_asked.emit("Arrange"))
        line = QHBoxLayout()
        line.addWidget(self.summary, 1)
        line.addWidget(self.arrange_button)
        self.column.addLayout(line)
        middle = QHBoxLayout()
        middle.setSpacing(12)
        self.view = LookView(session)
        self.view.overlays = {"numbers"}
        self.view.setMinimumWidth(260)
        middle.addWidget(self.view, 4)
        self.table = self._table()
        middle.addWidget(self.table, 11)
        self.column.addLayout(middle, 1)
        self.column.addWidget(words(f"Figures run to the thing's left edge and to its front. {CLOSING}", "small"))
        self.follow(self.refresh, session.changed, session.unit_changed)

    def _table(self) -> QTableWidget:
        table = QTableWidget(0, len(COLUMNS))
        table.setHorizontalHeaderLabels(COLUMNS)
        table.verticalHeader().hide()
        table.verticalHeader().setDefaultSectionSize(30)
        table.setShowGrid(False)
        table.setAlternatingRowColors(True)
        table.setEditTriggers(QTableWidget.EditTrigger.NoEditTriggers)
        table.setSelectionBehavior(QTableWidget.SelectionBehavior.SelectRows)
        table.setWordWrap(False)
        head = table.horizontalHeader()
        for column, width in enumerate(COLUMN_WIDTHS):
            head.resizeSection(column, width)
        head.setSectionResizeMode(1, QHeaderView.ResizeMode.Stretch)
        head.setDefaultAlignment(Qt.AlignmentFlag.AlignLeft)
        head.setMinimumSectionSize(30)
        table.itemSelectionChanged.connect(self._choose_row)
        return table

    def refresh(self) -> None:
        """Show the working order of the look in hand."""
        session = self.session
        self._steps = working_order(session.arrangement) if session.look_id else ()
        rooms = sorted({step.room for step in self._steps if step.room})
        self.table.blockSignals(True)
        self.table.setRowCount(len(self._steps))
        for row, step in enumerate(self._steps):
            for column, text in enumerate(self._cells(step)):
                cell = QTableWidgetItem(text)
                cell.setToolTip(" · ".join(word for word in (text, step.how, step.note) if word))
                self.table.setItem(row, column, cell)
        self.table.blockSignals(False)
        self.arrange_button.setVisible(not self._steps)
        if self._steps:
            self.summary.setText(
                f"{len(self._steps)} things from {len(rooms)} rooms, ledge by ledge from the top down; "
                "what carries comes before what it carries."
            )
        else:
            self.summary.setText("Nothing to place yet: arrange the look first.")

    def _cells(self, step: PlacingStep) -> tuple[str, ...]:
        length = self.session.length
        left = "–" if step.from_left is None else length(step.from_left)
        front = "–" if step.from_front is None else length(step.from_front)
        name = f"{step.name} ({step.how})" if step.how else step.name
        return (str(step.number), name, step.room or "room not told", step.ledge, left, front, step.support)

    def _choose_row(self) -> None:
        rows = {index.row() for index in self.table.selectedIndexes()}
        self.session.choose(*[self._steps[row].placement for row in sorted(rows)])

    # Saving

    def _stem(self) -> str:
        return f"{self.session.piece.label} - {self.session.look.label}".replace("/", "-")

    def save_pdf(self) -> None:
        """Save the sheet as PDF where a person says."""
        self._save("Save the sheet", ".pdf", self.write_pdf)

    def save_csv(self) -> None:
        """Save the working order as CSV where a person says."""
        self._save("Save the working order", ".csv", self.write_csv)

    def save_drawing(self) -> None:
        """Save the drawing as PNG or SVG where a person says."""
        self._save("Save the drawing", ".png", self.write_drawing)

    def _save(self, title: str, suffix: str, write: Callable[[Path], None]) -> None:
        if not self.session.look_id:
            self.session.refused.emit("There is no look to save; begin one first.")
            return
        path = self._dialogs.ask_save(title, f"{self._stem()}{suffix}")
        if path is None:
            return
        path = path if path.suffix else path.with_suffix(suffix)
        try:
            write(path)
        except JollyLedgeError as error:
            self.session.refused.emit(str(error))
            return
        self.session.told.emit(f"Saved “{path.name}”.")

    def write_pdf(self, path: Path) -> None:
        """Write the sheet as PDF."""
        session = self.session
        save_sheet(
            sheet_pages(session.arrangement, session.plan.name, session.unit),
            session.plan.name or "Placing sheet",
            path,
        )

    def write_csv(self, path: Path) -> None:
        """Write the working order as CSV."""
        write_atomically(path, sheet_to_csv(self._steps).encode())

    def write_drawing(self, path: Path) -> None:
        """Write the drawing as PNG or SVG."""
        save_picture(look_picture(self.session.arrangement), path)
