"""One thing that was found in a photograph: its picture, a line that says what it is, its size with the error."""

from msgspec.structs import replace
from PySide6.QtCore import QSize, Qt, Signal
from PySide6.QtGui import QFocusEvent, QMouseEvent, QPixmap
from PySide6.QtWidgets import QFrame, QHBoxLayout, QLabel, QLineEdit

from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.length_field import LengthField
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.app.widgets.things_on_board import ThingsOnBoard
from jolly_ledge.model.entry.parser import parse_entry
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.fresh_ids import FreshIds
from jolly_ledge.model.item import Item
from jolly_ledge.photos.laid_out import LaidOutThing
from jolly_ledge.photos.things import pictured
from jolly_ledge.render.scene import image_from
from jolly_ledge.workspace.workspace import Workspace

PICTURE, DRAWN = QSize(58, 46), QSize(58, 46)


class LaidOutRow(QFrame):
    """Says what one framed thing is."""

    changed = Signal()
    chosen = Signal()
    removed = Signal()

    def __init__(self, workspace: Workspace, thing: LaidOutThing) -> None:
        super().__init__()
        self._workspace = workspace
        self.thing = thing
        self.setObjectName("card")
        row = QHBoxLayout(self)
        row.setContentsMargins(8, 3, 8, 3)
        row.setSpacing(8)
        self.number = words("", "", wrap=False)
        self.number.setFixedWidth(22)
        picture = QLabel()
        shown = QPixmap.fromImage(image_from(thing.picture))
        picture.setPixmap(shown.scaled(PICTURE, Qt.AspectRatioMode.KeepAspectRatio,
                                       Qt.TransformationMode.SmoothTransformation))  # fmt: skip
        picture.setFixedSize(PICTURE)
        picture.setAlignment(Qt.AlignmentFlag.AlignCenter)
        self.drawing = ThingsOnBoard(DRAWN)
        self.line = QLineEdit()
        self.line.setPlaceholderText("What is it? vase stoneware hall")
        self.line.textEdited.connect(self._line_edited)
        self.sizes = words("", "small")
        self.sizes.setFixedWidth(264)
        self.depth_field = LengthField(workspace, self._tell_depth, "depth")
        self.depth_field.setFixedWidth(76)
        self.depth_field.setToolTip("Depth, as measured; guessed by its kind without")
        self._depth: float | None = None
        self.leave_button = chip("Leave out", checkable=False)
        self.leave_button.clicked.connect(self.removed)
        for widget in (self.number, picture, self.drawing):
            row.addWidget(widget)
        row.addWidget(self.line, 1)
        row.addWidget(self.sizes)
        row.addWidget(words("deep", "soft", wrap=False))
        row.addWidget(self.depth_field)
        row.addWidget(self.leave_button)
        self.refresh()

    @property
    def is_told(self) -> bool:
        """Whether it is said what it is."""
        return self.item() is not None

    def item(self, ids: FreshIds | None = None, photo: str = "") -> Item | None:
        """Return the thing as it would be added; None while nothing is said of it."""
        if not self.line.text().strip():
            return None
        workspace, thing = self._workspace, self.thing
        try:
            told = parse_entry(self.line.text(), workspace.length_unit, workspace.plan.stash, ids=ids).items[0]
        except JollyLedgeError:
            return None
        height, width = float(round(thing.height)), float(round(thing.width))
        item = pictured(told, thing.found, photo, height)
        depth = self._depth
        if depth is None:
            depth = width if told.is_round else max(float(round(told.depth * height / told.height)), 2.0)
        known = {"width", "height"} | ({"depth"} if self._depth is not None or told.is_round else set())
        return replace(item, width=width, depth=depth, guessed=tuple({"width", "height", "depth"} - known))

    def refresh(self) -> None:
        """Show its size and what it would be."""
        length, thing = self._workspace.length, self.thing
        self.sizes.setText(
            f"{length(round(thing.width))} ± {length(max(round(thing.width_error), 1))} wide, "
            f"{length(round(thing.height))} ± {length(max(round(thing.height_error), 1))} high"
        )
        item = self.item()
        self.drawing.show_items((item,) if item is not None else ())
        if not self.depth_field.hasFocus():
            self.depth_field.show_length(item.depth if item is not None else None)

    def show_number(self, number: int, *, is_chosen: bool) -> None:
        """Show which frame it is of, and whether that is in hand."""
        self.number.setText(str(number + 1))
        self.line.setAccessibleName(f"What thing {number + 1} is")
        self.setProperty("chosen", is_chosen)
        self.style().unpolish(self)
        self.style().polish(self)

    def tell(self, line: str) -> None:
        """Say what it is."""
        self.line.setText(line)
        self._line_edited()

    def _line_edited(self) -> None:
        self.refresh()
        self.changed.emit()

    def _tell_depth(self, depth: float) -> None:
        self._depth = depth
        self.refresh()

    def mousePressEvent(self, event: QMouseEvent) -> None:
        """Take it in hand."""
        self.chosen.emit()
        self.line.setFocus()

    def focusInEvent(self, event: QFocusEvent) -> None:
        """Take it in hand."""
        self.chosen.emit()
        super().focusInEvent(event)
