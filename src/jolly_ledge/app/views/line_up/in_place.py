"""A name or the sizes of a thing, or the name of a group, corrected where they stand in the line-up."""

from collections.abc import Callable
from typing import Literal

from PySide6.QtCore import QRect, Qt
from PySide6.QtGui import QFocusEvent, QKeyEvent
from PySide6.QtWidgets import QLineEdit, QWidget

from jolly_ledge.edits.items import ChangeItem
from jolly_ledge.model.entry.sizes import read_sizes
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.item import Item
from jolly_ledge.workspace.workspace import Workspace

Part = Literal["name", "sizes"]
LEAST_PX = 150


class InPlace(QLineEdit):
    """A field over a label: Return takes what is typed, Esc leaves it as it was."""

    def __init__(self, workspace: Workspace, over: QWidget) -> None:
        super().__init__(over)
        self._workspace, self._over = workspace, over
        self._item: Item | None = None
        self._part: Part = "name"
        self._on_group: Callable[[str], object] | None = None
        self.hide()

    def open_on(self, item: Item, part: Part, area: QRect) -> None:
        """Open over the label of a thing."""
        self._item, self._part = item, part
        length = self._workspace.length
        sizes = " x ".join(length(side) for side in (item.width, item.height, item.depth))
        self.setText(item.name if part == "name" else sizes)
        self.setAccessibleName(f"{'Name' if part == 'name' else 'Width, height and depth'} of {item.label}")
        self._open(area)

    def open_on_group(self, title: str, area: QRect, on_name: Callable[[str], object]) -> None:
        """Open over the name of a group; what is typed goes to ``on_name``."""
        self._on_group = on_name
        self.setText(title)
        self.setAccessibleName(f"Name of {title}, for all things in it")
        self._open(area)

    def _open(self, area: QRect) -> None:
        wide = max(area.width(), LEAST_PX)
        left = min(max(area.center().x() - wide // 2, 0), max(self._over.width() - wide, 0))
        self.setGeometry(left, area.top(), wide, 28)
        self.show()
        self.selectAll()
        self.setFocus(Qt.FocusReason.OtherFocusReason)

    def take(self) -> None:
        """Take over what is typed; what cannot be read is told and stays to be corrected."""
        item, text = self._item, self.text().strip()
        if self._on_group is not None:
            on_group, self._on_group = self._on_group, None
            if text:
                on_group(text)
            self.leave()
            return
        if item is None:
            return
        try:
            changes: tuple[tuple[str, object], ...] = (("name", text),)
            if self._part == "sizes":
                changes = self._sizes(item, text)
        except JollyLedgeError as error:
            self._workspace.signals.refused.emit(str(error))
            return
        if not changes:
            self._workspace.signals.refused.emit(f"“{text}” tells no sizes; type them like 18 x 32, or 30 x 12 x 20.")
            return
        self._item = None
        if any(getattr(item, field) != value for field, value in changes):
            self._workspace.commit(ChangeItem(item=item.id, changes=changes, name=item.label))
        self.leave()

    def _sizes(self, item: Item, text: str) -> tuple[tuple[str, object], ...]:
        """Return the sides that are told, and which of them are guesses no more."""
        told = read_sizes(text, self._workspace.length_unit).sides
        changes: list[tuple[str, object]] = [(side, float(low)) for side, (low, _) in told.items()]
        if "width" in told and "depth" not in told and item.is_round:
            changes.append(("depth", float(told["width"][0])))
        if changes:
            measured = {side for side, _ in changes}
            changes.append(("guessed", tuple(side for side in item.guessed if side not in measured)))
        return tuple(changes)

    def leave(self) -> None:
        """Close it and give the focus back to the line-up."""
        self._item, self._on_group = None, None
        self.hide()
        self._over.setFocus(Qt.FocusReason.OtherFocusReason)

    def keyPressEvent(self, event: QKeyEvent) -> None:
        """Take it over with Return, leave with Esc; the line-up beneath hears neither."""
        if event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self.take()
        elif event.key() == Qt.Key.Key_Escape:
            self.leave()
        else:
            super().keyPressEvent(event)

    def focusOutEvent(self, event: QFocusEvent) -> None:
        """Leave when something else is taken in hand."""
        super().focusOutEvent(event)
        self._item, self._on_group = None, None
        self.hide()
