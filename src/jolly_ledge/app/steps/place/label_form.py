"""Which labels, on which sheet: rows, columns, margins and gaps of what is in the printer."""

from collections.abc import Callable

from PySide6.QtCore import QRectF
from PySide6.QtGui import QColor, QPaintEvent
from PySide6.QtWidgets import (
    QComboBox,
    QDoubleSpinBox,
    QFormLayout,
    QHBoxLayout,
    QSizePolicy,
    QSpinBox,
    QVBoxLayout,
    QWidget,
)

from jolly_ledge.app.tones import ground_painter
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.page_head import PageHead
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.drawing.labels import SHEETS, LabelSheet, StickOn, check_sheet, label_pages
from jolly_ledge.drawing.paper import A4, LETTER
from jolly_ledge.drawing.picture import Picture
from jolly_ledge.drawing.theme import RULE
from jolly_ledge.exports.export import LabelKind
from jolly_ledge.model.errors import EditError
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.phrases import capital, counted
from jolly_ledge.render.player import fitting, play_fitted

OWN = "Another sheet, as told below"


class SheetPreview(QWidget):
    """The first sheet as it will be printed."""

    def __init__(self) -> None:
        super().__init__()
        self._page: Picture | None = None
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.setMinimumSize(220, 260)
        self.setAccessibleName("The first sheet as it will be printed")

    def show_page(self, page: Picture | None) -> None:
        """Show a page; None shows nothing."""
        self._page = page
        self.update()

    @survives
    def paintEvent(self, event: QPaintEvent) -> None:
        """Paint the page on white paper."""
        if self._page is None:
            return
        painter = ground_painter(self)
        page, room = self._page, QRectF(self.rect()).adjusted(8, 4, -8, -8)
        paper = fitting(page, room).mapRect(QRectF(0, 0, page.width, page.height))
        painter.fillRect(paper, QColor("#ffffff"))
        play_fitted(painter, page, room)
        painter.setPen(QColor(RULE))
        painter.drawRect(paper)


class LabelForm(QWidget):
    """Asks for the sheet and makes labels for cords or boxes."""

    def __init__(self, on_make: Callable[[LabelKind, LabelSheet, int], object], on_back: Callable[[], object]) -> None:
        super().__init__()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(10)
        about = "Measure the sheet you have: the right and the lower margin are as the left and the upper one."
        column.addLayout(PageHead("Labels", about, "Back to the order", on_back))
        form = QFormLayout()
        form.setSpacing(8)
        self.sheet_list = QComboBox()
        self.sheet_list.addItems([*(sheet.name for sheet in SHEETS), OWN])
        self.sheet_list.activated.connect(self._show_sheet)
        form.addRow("Sheet", self.sheet_list)
        self.paper_list = QComboBox()
        self.paper_list.addItems([A4.name, LETTER.name])
        form.addRow("Paper", self.paper_list)
        self.columns_field, self.rows_field = _count(1), _count(1)
        self.skip_field = _count(0)
        self.left_field, self.top_field, self.across_field, self.down_field = (_mm() for _ in range(4))
        for name, field in (
            ("Labels across", self.columns_field), ("Labels down", self.rows_field), ("Left margin", self.left_field),
            ("Upper margin", self.top_field), ("Gap across", self.across_field), ("Gap down", self.down_field),
            ("Used up already", self.skip_field),
        ):  # fmt: skip
            field.setAccessibleName(name)
            field.setFixedWidth(110)
            field.valueChanged.connect(lambda _: self._show_size())
            form.addRow(name, field)
        self.paper_list.activated.connect(lambda _: self._show_size())
        side = QHBoxLayout()
        told = QVBoxLayout()
        told.addLayout(form)
        side.addLayout(told)
        self.preview = SheetPreview()
        side.addWidget(self.preview, 1)
        column.addLayout(side, 1)
        self.label_size = words("", "soft")
        told.addWidget(self.label_size)
        row = QHBoxLayout()
        self.cords_button = chip("Cord labels as PDF", "Two for every cord: at the plug and at the thing",
                                 checkable=False)  # fmt: skip
        self.boxes_button = chip("Box labels as PDF", "What is inside, for which season, packed in which year",
                                 checkable=False)  # fmt: skip
        for button, kind in ((self.cords_button, "cords"), (self.boxes_button, "boxes")):
            button.clicked.connect(lambda _=False, kind=kind: on_make(kind, self.sheet, self.skip_field.value()))
            row.addWidget(button)
        row.addStretch(1)
        told.addLayout(row)
        self.counts = words("", "soft")
        told.addWidget(self.counts)
        told.addStretch(1)
        self._labels: tuple[StickOn, ...] = ()
        self._show_sheet(0)

    @property
    def sheet(self) -> LabelSheet:
        """The sheet as it is told."""
        return LabelSheet(
            self.sheet_list.currentText(), (A4, LETTER)[self.paper_list.currentIndex()], self.columns_field.value(),
            self.rows_field.value(), self.left_field.value(), self.top_field.value(), self.across_field.value(),
            self.down_field.value(),
        )  # fmt: skip

    def show_labels(self, labels: tuple[StickOn, ...], cords: int, boxes: int) -> None:
        """Tell how many labels there are to be made, and show some."""
        self._labels = labels
        self._show_size()
        self.counts.setText(f"{capital(counted(cords, 'label'))} for cords, {counted(boxes, 'label')} for boxes.")

    def _show_sheet(self, index: int) -> None:
        if index < len(SHEETS):
            sheet = SHEETS[index]
            self.paper_list.setCurrentIndex(0 if sheet.paper is A4 else 1)
            for field, value in (
                (self.columns_field, sheet.columns), (self.rows_field, sheet.rows), (self.left_field, sheet.left),
                (self.top_field, sheet.top), (self.across_field, sheet.gap_across), (self.down_field, sheet.gap_down),
            ):  # fmt: skip
                field.setValue(value)  # type: ignore[arg-type]
        self._show_size()

    def _show_size(self) -> None:
        try:
            check_sheet(self.sheet)
        except EditError as error:
            self.label_size.setText(str(error))
            self.preview.show_page(None)
            return
        self.preview.show_page(label_pages(self._labels, self.sheet, self.skip_field.value())[0])
        width, height = self.sheet.size
        self.label_size.setText(f"Each label is {width:.1f} mm wide and {height:.1f} mm high.")


def _count(least: int) -> QSpinBox:
    field = QSpinBox()
    field.setRange(least, 60)
    field.setMinimumHeight(28)
    return field


def _mm() -> QDoubleSpinBox:
    field = QDoubleSpinBox()
    field.setRange(0.0, 200.0)
    field.setDecimals(1)
    field.setSuffix(" mm")
    field.setMinimumHeight(28)
    return field
