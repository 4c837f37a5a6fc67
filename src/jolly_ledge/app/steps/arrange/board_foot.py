"""What lies below the drawing: what the keys do, and the stash on its board with what can be done from it."""

from collections.abc import Mapping

from PySide6.QtCore import QPoint, Qt, Signal
from PySide6.QtGui import QResizeEvent
from PySide6.QtWidgets import QHBoxLayout, QLineEdit, QSizePolicy, QVBoxLayout, QWidget

from jolly_ledge.app.steps.arrange.board_menu import BoardMenu
from jolly_ledge.app.views.line_up.stash_strip import StashStrip
from jolly_ledge.app.widgets.act_menu import Act, ActMenu
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.model.item import Item
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.phrases import capital, counted
from jolly_ledge.model.stash_order import fits
from jolly_ledge.model.words import plain
from jolly_ledge.planning.whereabouts import stands_elsewhere
from jolly_ledge.workspace.look_actions import LookActions
from jolly_ledge.workspace.workspace import Workspace

KEYS_HINT = "F1 tells all keys; 1 to 9 show more."
BESIDE_THE_SEARCH_PX = 16


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
        self.menu = ActMenu(self, self._acts())
        self.strip.menu_asked.connect(self._show_menu)
        self._said = KEYS_HINT
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
        over.addWidget(self.search)
        column.addLayout(over)
        column.addLayout(self._head())
        column.addWidget(self.strip)
        for signal in (workspace.signals.changed, workspace.signals.chosen):
            signal.connect(self.refresh)
        self.refresh()

    def _head(self) -> QHBoxLayout:
        row = QHBoxLayout()
        row.setSpacing(6)
        self.board_chip = chip("", "How the board is sorted, one kind only, more rows", checkable=False)
        self.board_menu = BoardMenu(self, self.refresh, self.strip)
        self.board_chip.setMenu(self.board_menu)
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
        row.addWidget(self.board_chip)
        row.addStretch(1)
        for button in (
            self.gather_button, self.fits_chip, self.place_button, self.propose_button, self.wanted_button
        ):  # fmt: skip
            row.addWidget(button)
        return row

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
        """Tell what is on the drawing, or what the keys do; what is too long for the line is told on a tip."""
        self._said = said or KEYS_HINT
        self.key_line.setToolTip(self._said)
        self._fit_key_line()

    def _fit_key_line(self) -> None:
        room = self.width() - self.search.width() - BESIDE_THE_SEARCH_PX
        self.key_line.setText(self.key_line.fontMetrics().elidedText(self._said, Qt.TextElideMode.ElideRight, room))

    @survives
    def resizeEvent(self, event: QResizeEvent) -> None:
        """Fit the line of words."""
        super().resizeEvent(event)
        self._fit_key_line()

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
        for button in (self.fits_chip, self.place_button, self.propose_button):
            button.setVisible(has_stash)
        things = self._shown(free)
        elsewhere = stands_elsewhere(workspace.plan, workspace.piece_id)
        self.board_menu.count(free)
        self.strip.show_shelves(self.board_menu.shelves(things, workspace.plan.families), elsewhere)
        self._tell_of_the_fresh(free, elsewhere)

    def _shown(self, free: tuple[Item, ...]) -> tuple[Item, ...]:
        """Return what of the free things is shown, and tell on the chip of the board what that is."""
        ledge, things = self._workspace.ledge, free
        said = f"From the stash · {counted(len(free), 'thing')}"
        if not self._workspace.plan.stash:
            said = "The stash is empty"
        elif ledge is not None and self.fits_chip.isChecked():
            things = tuple(item for item in free if fits(item, ledge))
            said = f"{capital(ledge.label)} · {len(things)} of {len(free)}"
        if kind := self.board_menu.kind:
            things = tuple(item for item in things if item.category == kind)
            said = f"{plain(kind).capitalize()} · {counted(len(things), 'thing')}"
        if searched := self.search.text().lower().split():
            things = tuple(item for item in things if all(word in _told(item) for word in searched))
            said = f"Found · {counted(len(things), 'thing')}"
        self.board_chip.setText(f"{said} ▾".replace("&", "&&"))
        return things

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
