"""On which ledges of the piece in hand a thing stands upright, and how much stays free over it."""

from PySide6.QtWidgets import QVBoxLayout, QWidget

from jolly_ledge.app.tones import tones
from jolly_ledge.app.widgets.texts import heading, words
from jolly_ledge.model.item import Item
from jolly_ledge.model.stash_order import free_over
from jolly_ledge.workspace.workspace import Workspace


class FitsTable(QWidget):
    """A line for every ledge, under how many of them fit."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        self.heading = heading("", 14)
        self.lines = words("")
        column.addWidget(self.heading)
        column.addWidget(self.lines)

    def show_item(self, item: Item) -> None:
        """Show where a thing fits."""
        workspace = self._workspace
        if not workspace.piece_id:
            self.heading.setText("")
            self.lines.setText("")
            return
        ledges = [ledge for ledge in workspace.piece.ledges if not ledge.is_wall]
        lines, count = [], 0
        for ledge in ledges:
            free = free_over(item, ledge)
            wide = item.width <= ledge.width and item.depth <= ledge.depth
            fits = wide and (free is None or free >= 0)
            count += fits
            if not wide:
                said = "too wide or deep"
            elif free is None:
                said = "open above"
            else:
                said = f"{workspace.length(free)} free" if free >= 0 else f"{workspace.length(-free)} too tall"
            colour = tones().teal if fits else tones().rust_ink
            lines.append(
                f"<tr><td style='padding-right:14px'>{ledge.label}</td><td style='color:{colour}'>{said}</td></tr>"
            )
        self.heading.setText(f"Stands upright on {count} of {len(ledges)} ledges")
        self.lines.setText(f"<table>{''.join(lines)}</table>")
