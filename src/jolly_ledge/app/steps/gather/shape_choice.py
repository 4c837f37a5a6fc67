"""What a thing looks like, chosen from drawings: its outline as photographed comes first where there is one."""

from msgspec.structs import replace

from jolly_ledge.app.widgets.picture_choice import ICON, PictureChoice
from jolly_ledge.app.widgets.things_on_board import thing_icon
from jolly_ledge.drawing.items import SILHOUETTES
from jolly_ledge.edits.items import ChangeItem
from jolly_ledge.geometry.silhouette import PROFILES
from jolly_ledge.model.entry.typical import shaped_as, typical_of
from jolly_ledge.model.item import Item
from jolly_ledge.workspace.workspace import Workspace

SHAPES = tuple(sorted({*SILHOUETTES, *PROFILES} - {"slab", "laid-stems"}))
AS_ITS_KIND, AS_PHOTOGRAPHED = "", "as-photographed"


class ShapeChoice(PictureChoice):
    """Shows and changes the form of the thing in hand.

    A form that is chosen takes the place of the photographed outline: what is drawn is always what was chosen last.
    """

    def __init__(self, workspace: Workspace) -> None:
        super().__init__("Looks like", (AS_ITS_KIND, *SHAPES), self._drawn_as, self._choose)
        self._workspace = workspace
        self.setItemText(0, "as its kind")

    def show_item(self, item: Item) -> None:
        """Show the form of a thing, and offer its own outline first where it was photographed."""
        is_offered = self.itemData(0) == AS_PHOTOGRAPHED
        if item.outline and not is_offered:
            self.insertItem(0, "as photographed", AS_PHOTOGRAPHED)
        elif is_offered and not item.outline:
            self.removeItem(0)
        self.setCurrentIndex(max(self.findData(AS_PHOTOGRAPHED if item.outline else item.silhouette), 0))

    def showPopup(self) -> None:
        """Open the sheet; what is drawn after the thing itself is drawn anew."""
        for value in (AS_PHOTOGRAPHED, AS_ITS_KIND):
            if (index := self.findData(value)) >= 0:
                self.setItemIcon(index, thing_icon(self._drawn_as(value), ICON))
        super().showPopup()

    def _drawn_as(self, value: str) -> Item:
        """Return the thing that stands for a form."""
        item = self._workspace.item
        if value == AS_PHOTOGRAPHED and item is not None:
            return item
        if value == AS_ITS_KIND:
            return typical_of("object") if item is None else replace(typical_of(item.category), colours=item.colours)
        return shaped_as(value)

    def _choose(self, value: str) -> None:
        item = self._workspace.item
        if item is None or value == AS_PHOTOGRAPHED or (value == item.silhouette and not item.outline):
            return
        changes: tuple[tuple[str, object], ...] = (("silhouette", value), *((("outline", ()),) if item.outline else ()))
        self._workspace.commit(ChangeItem(item=item.id, changes=changes, name=item.label))
