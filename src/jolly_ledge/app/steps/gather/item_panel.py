"""One thing of the stash: its drawing, its sizes and all that is known of it."""

from functools import partial
from typing import cast

from PySide6.QtCore import Qt
from PySide6.QtWidgets import (
    QComboBox,
    QFormLayout,
    QHBoxLayout,
    QLineEdit,
    QWidget,
)

from jolly_ledge.app.steps.gather.further_parts import FurtherParts
from jolly_ledge.app.steps.gather.item_colours import ItemColours
from jolly_ledge.app.steps.gather.item_drawing import ItemDrawing
from jolly_ledge.app.steps.gather.several_panel import PANEL_WIDTH
from jolly_ledge.app.steps.gather.shape_choice import ShapeChoice
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.length_field import LengthField
from jolly_ledge.app.widgets.picture_choice import PictureChoice
from jolly_ledge.app.widgets.side_panel import SidePanel
from jolly_ledge.app.widgets.texts import heading, words
from jolly_ledge.edits.items import ChangeItem, DuplicateItem, RemoveItems
from jolly_ledge.model.entry.typical import typical_of
from jolly_ledge.model.phrases import listed
from jolly_ledge.model.words import CATEGORIES, FINISHES, STATUSES, Category, plain
from jolly_ledge.workspace.workspace import Workspace


class ItemPanel(SidePanel):
    """Shows and changes the thing of the stash in hand."""

    def __init__(self, host: QWidget, workspace: Workspace) -> None:
        super().__init__(PANEL_WIDTH, host)
        self._workspace = workspace
        column = self.column
        self.title = heading("", 21)
        self.title.setWordWrap(True)
        self.drawing = ItemDrawing(workspace)
        column.addWidget(self.title)
        column.addWidget(self.drawing)
        self.guess_row = self._guess_row()
        column.addWidget(self.guess_row)
        column.addLayout(self._form())
        self.stands = words("", "soft")
        column.addWidget(self.stands)
        self.further = FurtherParts(self.inside, workspace)
        self.further.grew.connect(self.make_room)
        column.addWidget(self.further)
        column.addLayout(self._buttons())
        column.addStretch(1)
        for signal in (workspace.signals.changed, workspace.signals.chosen):
            signal.connect(self.refresh)
        self.refresh()
        self.further.make_in_turns()

    def _guess_row(self) -> QWidget:
        holder = QWidget()
        row = QHBoxLayout(holder)
        row.setContentsMargins(0, 0, 0, 0)
        self.guess_said = words("", "soft")
        self.measured_button = chip(
            "Measured so", "These sizes are right; they are no guesses any more", checkable=False
        )
        self.measured_button.clicked.connect(lambda: self._change("guessed", ()))
        row.addWidget(self.guess_said, 1)
        row.addWidget(self.measured_button)
        return holder

    def _form(self) -> QFormLayout:
        form = QFormLayout()
        form.setSpacing(5)
        form.setLabelAlignment(Qt.AlignmentFlag.AlignLeft)
        self.name_field = self._text("name", "Name")
        form.addRow("Name", self.name_field)
        self.category_field = PictureChoice(
            "Kind", CATEGORIES, lambda value: typical_of(cast("Category", value)), partial(self._change, "category")
        )
        form.addRow("Kind", self.category_field)
        self.shape_field = ShapeChoice(self._workspace)
        form.addRow("Looks like", self.shape_field)
        self.size_fields = {
            name: LengthField(self._workspace, partial(self._set_size, name), name)
            for name in ("width", "height", "depth")
        }
        sizes = QHBoxLayout()
        sizes.setSpacing(4)
        for name, field in self.size_fields.items():
            field.setFixedWidth(70)
            field.setToolTip(name)
            sizes.addWidget(field)
        sizes.addStretch(1)
        form.addRow("W, H, D", sizes)
        self.mass_field = QLineEdit()
        self.mass_field.setPlaceholderText("unknown")
        self.mass_field.setFixedWidth(96)
        self.mass_field.editingFinished.connect(self._set_mass)
        form.addRow("Weighs, kg", self.mass_field)
        self.finish_field = self._choice("finish", FINISHES)
        form.addRow("Finish", self.finish_field)
        self.material_field = self._text("material", "Made of")
        form.addRow("Made of", self.material_field)
        self.room_field = self._text("room", "Lives")
        form.addRow("Lives", self.room_field)
        self.status_field = self._choice("status", STATUSES)
        form.addRow("It is", self.status_field)
        self.colours = ItemColours(self._workspace, partial(self._change, "colours"))
        form.addRow("Colours", self.colours)
        return form

    def _text(self, field: str, name: str) -> QLineEdit:
        line = QLineEdit()
        line.setAccessibleName(name)
        line.editingFinished.connect(lambda: self._change(field, line.text().strip()))
        return line

    def _choice(self, field: str, choices: tuple[str, ...]) -> QComboBox:
        box = QComboBox()
        box.setAccessibleName(field)
        for value in choices:
            box.addItem(plain(value), value)
        box.activated.connect(lambda _: self._change(field, box.currentData()))
        return box

    def _buttons(self) -> QHBoxLayout:
        row = QHBoxLayout()
        self.duplicate_button = chip("Duplicate", "Add one more like it (Ctrl+D)", checkable=False)
        self.duplicate_button.clicked.connect(self.duplicate)
        self.remove_button = chip("Remove", "Take it out of the stash (Delete)", checkable=False)
        self.remove_button.clicked.connect(self.remove)
        row.addWidget(self.duplicate_button)
        row.addWidget(self.remove_button)
        row.addStretch(1)
        return row

    def refresh(self) -> None:
        """Show the thing in hand."""
        item = self._workspace.item
        self.inside.setEnabled(item is not None)
        if item is None:
            return
        self.title.setText(item.label)
        self.drawing.update()
        for field, text in (
            (self.name_field, item.name),
            (self.material_field, item.material),
            (self.room_field, item.room),
            (self.mass_field, "" if item.mass is None else f"{item.mass:g}"),
        ):
            if not field.hasFocus():
                field.setText(text)
        for name, size_field in self.size_fields.items():
            size_field.show_length(getattr(item, name))
        for box, value in (
            (self.category_field, item.category),
            (self.finish_field, item.finish),
            (self.status_field, item.status),
        ):
            box.setCurrentIndex(max(box.findData(value), 0))
        self.shape_field.show_item(item)
        self.colours.show_item(item)
        self.guess_row.setVisible(bool(item.guessed))
        self.guess_said.setText(f"Guessed: {', '.join(item.guessed)}.")
        looks = [look.label for look in self._workspace.plan.looks if any(p.item == item.id for p in look.placements)]
        self.stands.setText(f"Stands in {listed(looks)}." if looks else "Stands in no look.")
        self.further.refresh()

    # Changing

    def _change(self, field: str, value: object) -> None:
        item = self._workspace.item
        if item is not None and getattr(item, field) != value:
            self._workspace.commit(ChangeItem(item=item.id, changes=((field, value),), name=item.label))

    def _set_size(self, side: str, length: float) -> None:
        """Take a size over as measured: a guess of this side is a guess no more."""
        item = self._workspace.item
        if item is not None and getattr(item, side) != length:
            guessed = tuple(guess for guess in item.guessed if guess != side)
            changes = ((side, length), ("guessed", guessed)) if guessed != item.guessed else ((side, length),)
            self._workspace.commit(ChangeItem(item=item.id, changes=changes, name=item.label))

    def _set_mass(self) -> None:
        text = self.mass_field.text().strip().lower().replace(",", ".").removesuffix("kg").strip()
        try:
            self._change("mass", float(text) if text else None)
        except ValueError:
            self._workspace.signals.refused.emit(
                f"“{text}” is no mass in kg; type a number such as 2.1, or leave it empty for unknown."
            )
            self.mass_field.clearFocus()
            self.refresh()

    def duplicate(self) -> None:
        """Add one more thing like the one in hand, and take it in hand."""
        item = self._workspace.item
        if item is not None and self._workspace.commit(DuplicateItem(item=item.id, name=item.label)):
            stash = self._workspace.plan.stash
            index = next(i for i, known in enumerate(stash) if known.id == item.id)
            self._workspace.choose_item(stash[index + 1].id)

    def remove(self) -> None:
        """Take the thing in hand out of the stash."""
        item = self._workspace.item
        if item is not None:
            self._workspace.commit(RemoveItems(items=(item.id,), name=item.label))
