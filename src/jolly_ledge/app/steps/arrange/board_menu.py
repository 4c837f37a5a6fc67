"""What is shown on the board below the drawing and how: sorted as in Gather, one kind only, in more rows."""

from collections.abc import Callable
from functools import partial

from PySide6.QtGui import QAction, QActionGroup
from PySide6.QtWidgets import QMenu, QWidget

from jolly_ledge.app.views.line_up.stash_strip import StashStrip
from jolly_ledge.model.families import Families
from jolly_ledge.model.item import Item
from jolly_ledge.model.stash_order import SORTINGS, Shelf, Sorting, lines_of


class BoardMenu(QMenu):
    """The menu of the board; ``kind`` is the one kind that is shown, empty for all."""

    def __init__(self, over: QWidget, on_change: Callable[[], object], strip: StashStrip) -> None:
        super().__init__(over)
        self._on_change = on_change
        self._free: tuple[Item, ...] = ()
        self._sorting: Sorting = "height"
        self.kind = ""
        group = QActionGroup(self)
        self.sortings: dict[Sorting, QAction] = {}
        for sorting, word, said in SORTINGS:
            made = self.addAction(f"By {word.lower()}", partial(self._sort, sorting))
            made.setCheckable(True)
            made.setToolTip(said)
            group.addAction(made)
            self.sortings[sorting] = made
        self.sortings["height"].setChecked(True)
        self.addSeparator()
        self.kinds = self.addMenu("One kind only")
        self.kinds.aboutToShow.connect(self._list_kinds)
        self.addSeparator()
        self.rows = self.addAction("More rows\tShift+B")
        self.rows.setCheckable(True)
        self.rows.toggled.connect(strip.draw_up)

    def count(self, free: tuple[Item, ...]) -> None:
        """Take the things of which the kinds are counted."""
        self._free = free

    def shelves(self, things: tuple[Item, ...], families: Families) -> tuple[Shelf, ...]:
        """Return things in groups; by height they are one, tallest first."""
        if self._sorting != "height":
            return lines_of(things, self._sorting, families)
        return (Shelf("", tuple(sorted(things, key=lambda item: (-item.height, item.label)))),) if things else ()

    def _sort(self, sorting: Sorting) -> None:
        self._sorting = sorting
        self._on_change()

    def _list_kinds(self) -> None:
        """List the kinds with how many are free of each."""
        self.kinds.clear()
        self.kinds.addAction(f"All kinds · {len(self._free)}", partial(self._show_kind, ""))
        for shelf in lines_of(self._free, "kind"):
            kind = shelf.items[0].category
            made = self.kinds.addAction(f"{shelf.title} · {len(shelf.items)}", partial(self._show_kind, kind))
            made.setCheckable(True)
            made.setChecked(kind == self.kind)

    def _show_kind(self, kind: str) -> None:
        self.kind = kind
        self._on_change()
