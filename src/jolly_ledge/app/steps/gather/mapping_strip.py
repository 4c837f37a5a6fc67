"""Which column of a table means what: chosen column by column, with samples of what it holds."""

from collections.abc import Callable

from msgspec.structs import replace
from PySide6.QtCore import Qt
from PySide6.QtGui import QFontMetrics
from PySide6.QtWidgets import QComboBox, QHBoxLayout, QScrollArea, QVBoxLayout, QWidget

from jolly_ledge.app.widgets.texts import words
from jolly_ledge.files.mapping import FIELDS, LENGTHS, MappedColumn
from jolly_ledge.files.table import Table
from jolly_ledge.model.lengths import LENGTH_UNITS

FIELD_WORDS = {
    "": "passed over",
    "id": "its key",
    "category": "kind",
    "silhouette": "looks like",
    "width_mm": "width",
    "height_mm": "height",
    "depth_mm": "depth",
    "size": "all sizes in one",
    "mass_kg": "weight",
    "material": "made of",
    "traits": "to mind",
    "set": "set or pair",
    "room": "lives in",
    "status": "owned or not",
    "mouth_mm": "mouth",
    "for": "meant for",
    "guessed": "guessed sizes",
    "repaint": "painted trial",
}
COLUMN_WIDTH = 148
STRIP_HEIGHT = 132


class MappingStrip(QScrollArea):
    """One card for each column of the table."""

    def __init__(self, on_change: Callable[[], object]) -> None:
        super().__init__()
        self._on_change = on_change
        self.mapping: tuple[MappedColumn, ...] = ()
        self.field_boxes: list[QComboBox] = []
        self.unit_boxes: list[QComboBox] = []
        self.setWidgetResizable(True)
        self.setFixedHeight(STRIP_HEIGHT)
        self.setVerticalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)

    def show_table(self, table: Table, mapping: tuple[MappedColumn, ...]) -> None:
        """Show the columns of a table and what they are taken for."""
        self.mapping = mapping
        self.field_boxes, self.unit_boxes = [], []
        inside = QWidget()
        row = QHBoxLayout(inside)
        row.setContentsMargins(0, 0, 0, 4)
        row.setSpacing(8)
        for index, column in enumerate(mapping):
            row.addWidget(self._card(index, column, table.samples(index)))
        row.addStretch(1)
        self.setWidget(inside)

    def _card(self, index: int, column: MappedColumn, samples: tuple[str, ...]) -> QWidget:
        card = QWidget()
        card.setFixedWidth(COLUMN_WIDTH)
        lines = QVBoxLayout(card)
        lines.setContentsMargins(0, 0, 0, 0)
        lines.setSpacing(3)
        title = words("", "cardTitle", wrap=False)
        lines.addWidget(title)
        shown = ", ".join(samples) or "empty"
        held = words("", "small", wrap=False)
        for label, text in ((title, column.heading), (held, shown)):
            fitted = QFontMetrics(label.font()).elidedText(text, Qt.TextElideMode.ElideRight, COLUMN_WIDTH - 12)
            label.setText(fitted)
            label.setToolTip(text)
        field = QComboBox()
        field.setAccessibleName(f"What “{column.heading}” means")
        for known in FIELDS:
            field.addItem(FIELD_WORDS.get(known, known.replace("_", " ")), known)
        field.setCurrentIndex(max(field.findData(column.field), 0))
        field.activated.connect(lambda _: self._choose(index, field=field.currentData()))
        unit = QComboBox()
        unit.setAccessibleName(f"Unit of “{column.heading}”")
        for known_unit in LENGTH_UNITS:
            unit.addItem(f"in {known_unit}" if known_unit != "in" else "in inches", known_unit)
        unit.setCurrentIndex(unit.findData(column.unit))
        unit.activated.connect(lambda _: self._choose(index, unit=unit.currentData()))
        lines.addWidget(field)
        lines.addWidget(held)
        lines.addWidget(unit)
        lines.addStretch(1)
        self.field_boxes.append(field)
        self.unit_boxes.append(unit)
        unit.setVisible(column.field in LENGTHS or column.field == "size")
        return card

    def _choose(self, index: int, **meaning: str) -> None:
        """Take a column for something else; no two columns mean the same."""
        columns = list(self.mapping)
        columns[index] = replace(columns[index], **meaning)
        field = columns[index].field
        for other, column in enumerate(columns):
            if other != index and field and column.field == field:
                columns[other] = replace(column, field="")
                self.field_boxes[other].setCurrentIndex(0)
                self.unit_boxes[other].hide()
        self.mapping = tuple(columns)
        self.unit_boxes[index].setVisible(field in LENGTHS or field == "size")
        self._on_change()
