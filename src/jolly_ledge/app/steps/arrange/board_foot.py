"""What lies below the drawing: what the keys do, and the stash on its board with what can be done from it."""

from collections.abc import Mapping
from functools import partial

from PySide6.QtCore import QPoint, Signal
from PySide6.QtWidgets import QHBoxLayout, QLineEdit, QMenu, QSizePolicy, QVBoxLayout, QWidget

from jolly_ledge.app.steps.arrange.look_actions import LookActions
from jolly_ledge.app.views.line_up.stash_strip import StashStrip
from jolly_ledge.app.widgets.act_menu import Act, ActMenu
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.model.item import Item
from jolly_ledge.model.phrases import counted
from jolly_ledge.model.stash_order import SORTINGS, Shelf, Sorting, fits, lines_of
from jolly_ledge.planning.whereabouts import stands_elsewhere
from jolly_ledge.workspace.workspace import Workspace

EVERY_KIND = "All kinds ▾"
KEYS_HINT = "F1 tells all keys; 1 to 9 show more."


class BoardFoot(QWidget):
    """The board of the stash under its line of chips."""

    looks_asked = Signal()
    wanted_asked = Signal()

    def __init__(self, workspace: Workspace, actions: LookActions, spacing: int) -> None:
        super().__init__()
        self._workspace = workspace
        self._actions = actions
        self.strip = StashStrip(workspace, actions.place)
        self._free: tuple[str, set[str]] = ("", set())
        self._sorting: Sorting = "height"
        self._kind = ""
        self.menu = ActMenu(self, self._acts())
        self.strip.menu_asked.connect(self._show_menu)
        self.key_line = words(KEYS_HINT, "small", wrap=False)
        self.key_line.setSizePolicy(QSizePolicy.Policy.Ignored, QSizePolicy.Policy.Fixed)
        self.search = QLineEdit()
        self.search.setPlaceholderText("Search the board")
        self.search.setAccessibleName("Search the board")
        self.search.setFixedWidth(170)
        self.search.setClearButtonEnabled(True)
        self.search.textChanged.connect(lambda _: self.refresh())
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(spacing)
        over = QHBoxLayout()
        over.addWidget(self.key_line, 1)
        self.kind_chip = chip(EVERY_KIND, "Show one kind of things only", checkable=False)
        self.kind_chip.setMenu(self._kinds_menu())
        self.sorting_chip = chip("By height ▾", "How the board is sorted, as in Gather", checkable=False)
        self.sorting_chip.setMenu(self._sorting_menu())
        self.rows_chip = chip("Draw up", "Show more rows of the board, or one again (Shift+B)")
        self.rows_chip.toggled.connect(self.strip.draw_up)
        for widget in (self.kind_chip, self.sorting_chip, self.rows_chip, self.search):
            over.addWidget(widget)
        column.addLayout(over)
        column.addLayout(self._head())
        column.addWidget(self.strip)
        for signal in (workspace.signals.changed, workspace.signals.chosen):
            signal.connect(self.refresh)
        self.refresh()

    def _head(self) -> QHBoxLayout:
        row = QHBoxLayout()
        row.setSpacing(6)
        self.strip_label = words("", "soft", wrap=False)
        self.fits_chip = chip("Only what fits", "Show only what fits the ledge in hand", checked=True)
        self.fits_chip.toggled.connect(lambda _: self.refresh())
        self.propose_button = chip("Propose looks", "Compose whole looks from the stash (W)", checkable=False)
        self.propose_button.clicked.connect(self.looks_asked)
        self.place_button = chip("Place here", "Place the chosen thing on the ledge in hand (Return)", checkable=False)
        self.place_button.clicked.connect(self.place_chosen)
        self.gather_button = chip("Gather things", "Go to the step where things come in", checkable=False)
        self.gather_button.clicked.connect(lambda: self._workspace.signals.step_asked.emit("Gather"))
        self.wanted_button = chip("Wanted", "What is not owned and would help most (H)", checkable=False)
        self.wanted_button.clicked.connect(self.wanted_asked)
        row.addWidget(self.strip_label, 1)
        for button in (
            self.gather_button, self.fits_chip, self.place_button, self.propose_button, self.wanted_button
        ):  # fmt: skip
            row.addWidget(button)
        return row

    def _sorting_menu(self) -> QMenu:
        menu = QMenu(self)
        for sorting, word, said in SORTINGS:
            menu.addAction(f"By {word.lower()}", partial(self._sort, sorting, word)).setToolTip(said)
        return menu

    def _sort(self, sorting: Sorting, word: str) -> None:
        self._sorting = sorting
        self.sorting_chip.setText(f"By {word.lower()} ▾")
        self.refresh()

    def _kinds_menu(self) -> QMenu:
        menu = QMenu(self)
        menu.aboutToShow.connect(self._list_kinds)
        return menu

    def _list_kinds(self) -> None:
        """List the kinds that are free, with how many there are of each."""
        menu = self.kind_chip.menu()
        menu.clear()
        menu.addAction(f"All kinds · {len(self._workspace.free_items())}", partial(self._show_kind, "", EVERY_KIND))
        for shelf in lines_of(self._workspace.free_items(), "kind"):
            text = f"{shelf.title} · {len(shelf.items)}"
            menu.addAction(text, partial(self._show_kind, shelf.items[0].category, f"{shelf.title} ▾"))

    def _show_kind(self, kind: str, text: str) -> None:
        self._kind = kind
        self.kind_chip.setText(text)
        self.refresh()

    def _acts(self) -> tuple[Act, ...]:
        """Return what can be done with a thing of the board."""
        workspace = self._workspace

        def step(name: str) -> None:
            workspace.signals.step_asked.emit(name)

        def why_not_here() -> str:
            item, ledge = workspace.item, workspace.ledge
            if ledge is None or item is None:
                return "Take a ledge in hand first."
            return "" if fits(item, ledge) else f"It does not fit {ledge.label}."

        return (
            Act("Place it on the ledge in hand", "Return", "thing", self.place_chosen, why_not_here),
            Act("Show it in Gather", "", "thing", lambda: step("Gather"), parts_from_above=True),
        )

    def _show_menu(self, at: QPoint) -> None:
        item = self._workspace.item
        if item is not None:
            self.menu.show_all(item.label)
            self.menu.popup(at)

    def say_keys(self, said: str) -> None:
        """Tell what is on the drawing, or what the keys do."""
        self.key_line.setText(said or KEYS_HINT)
        self.key_line.setToolTip(said or KEYS_HINT)

    def place_chosen(self) -> None:
        """Place the chosen thing of the board on the ledge in hand."""
        item = self._workspace.item
        if item is not None and item in self.strip.things:
            self._actions.place(item)
        else:
            self._workspace.signals.refused.emit(
                "Choose a thing on the board below first; what stands in the look is not on it."
            )

    def refresh(self) -> None:
        """Show what of the stash is free, or fits the ledge in hand."""
        workspace = self._workspace
        free = workspace.free_items() if workspace.look_id else ()
        has_stash = bool(workspace.plan.stash)
        self.gather_button.setVisible(not has_stash)
        for button in (
            self.fits_chip, self.place_button, self.propose_button, self.kind_chip, self.sorting_chip, self.rows_chip
        ):  # fmt: skip
            button.setVisible(has_stash)
        ledge = workspace.ledge
        things: tuple[Item, ...] = free
        if not has_stash:
            self.strip_label.setText("The stash is empty")
        elif ledge is not None and self.fits_chip.isChecked():
            things = tuple(item for item in free if fits(item, ledge))
            self.strip_label.setText(f"Fits <b>{ledge.label}</b> · {len(things)} of {len(free)}")
        else:
            self.strip_label.setText(f"From the stash · {counted(len(free), 'thing')}")
        if self._kind:
            things = tuple(item for item in things if item.category == self._kind)
            self.strip_label.setText(f"{self.kind_chip.text().removesuffix(' ▾')} · {counted(len(things), 'thing')}")
        words = self.search.text().lower().split()
        if words:
            things = tuple(item for item in things if all(word in _told(item) for word in words))
            self.strip_label.setText(f"Found: {counted(len(things), 'thing')}")
        elsewhere = stands_elsewhere(workspace.plan, workspace.piece_id)
        self.strip.show_shelves(self._shelves(things), elsewhere)
        self._tell_of_the_fresh(free, elsewhere)

    def _shelves(self, things: tuple[Item, ...]) -> tuple[Shelf, ...]:
        """Return the things in groups; by height they are one, tallest first."""
        if self._sorting != "height":
            return lines_of(things, self._sorting, self._workspace.plan.families)
        return (Shelf("", tuple(sorted(things, key=lambda item: (-item.height, item.label)))),) if things else ()

    def _tell_of_the_fresh(self, free: tuple[Item, ...], elsewhere: Mapping[str, tuple[str, str]]) -> None:
        """Tell when what was just taken from the board stands on another piece as well: there is one of it."""
        workspace = self._workspace
        before, self._free = self._free, (workspace.look_id, {item.id for item in free})
        taken = before[1] - self._free[1] if before[0] == workspace.look_id else set()
        for identifier in taken & elsewhere.keys():
            piece, look = elsewhere[identifier]
            label = workspace.plan.item(identifier).label
            workspace.signals.told.emit(f"The {label} stands in {piece}, too ({look}); there is one of it.")


def _told(item: Item) -> str:
    """Return what a thing is found by."""
    return f"{item.label} {item.category} {item.room} {item.material} {item.shape}".lower()
