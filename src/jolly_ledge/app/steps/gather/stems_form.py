"""Stems for the vessel in hand: which bunch, how many go in, how high they stand, where they are cut."""

from PySide6.QtWidgets import QComboBox, QVBoxLayout, QWidget

from jolly_ledge.app.widgets.texts import question, words
from jolly_ledge.model.item import Item
from jolly_ledge.planning.stems import plan_stems
from jolly_ledge.workspace.workspace import Workspace

NO_BUNCH = "no bunch yet"


class StemsForm(QWidget):
    """Shown for vessels only."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self._workspace = workspace
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(5)
        column.addWidget(question("Stems in it", 14))
        self.bunch_list = QComboBox()
        self.bunch_list.setAccessibleName("Which bunch")
        self.bunch_list.setMinimumHeight(28)
        self.bunch_list.activated.connect(lambda _: self._tell())
        self.said = words("")
        column.addWidget(self.bunch_list)
        column.addWidget(self.said)
        self._vessel: Item | None = None

    def show_item(self, item: Item) -> None:
        """Show what the vessel takes; anything else hides the form."""
        self.setVisible(item.category == "vessel")
        if item.category != "vessel":
            return
        chosen = self.bunch_list.currentData() if item == self._vessel else self._inside(item)
        self._vessel = item
        self.bunch_list.clear()
        self.bunch_list.addItem(NO_BUNCH, "")
        for bunch in self._workspace.plan.stash:
            if bunch.category == "stems":
                self.bunch_list.addItem(bunch.label, bunch.id)
        self.bunch_list.setCurrentIndex(max(self.bunch_list.findData(chosen or ""), 0))
        self._tell()

    def _inside(self, item: Item) -> str:
        """Return the bunch that stands in the vessel in the look in hand."""
        if not self._workspace.look_id:
            return ""
        placed_items = self._workspace.arrangement.placed_items
        host = next((placed.id for placed in placed_items if placed.item.id == item.id), None)
        inside = (s.item.id for s in placed_items if host and s.placement.inside == host and s.item.category == "stems")
        return next(inside, "")

    def _tell(self) -> None:
        vessel, workspace = self._vessel, self._workspace
        if vessel is None:
            return
        bunch = next((item for item in workspace.plan.stash if item.id == self.bunch_list.currentData()), None)
        placed_items = workspace.arrangement.placed_items if workspace.look_id else ()
        placed = next((placed for placed in placed_items if placed.item.id == vessel.id), None)
        clearance = placed.ledge.clearance if placed is not None else None
        lift = placed.bottom - placed.ledge.floor if placed is not None else 0.0
        told = plan_stems(vessel, bunch, clearance, lift=lift)
        where = f"On {placed.ledge.label}: " if placed is not None else ""
        self.said.setText(where + "\n".join(told.sentences))
