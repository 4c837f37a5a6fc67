"""What the ledge in hand is meant for, chosen from a list: dressed, one statement, a collection, storage, rest."""

from functools import partial
from typing import Any

from msgspec.structs import replace
from PySide6.QtGui import QCursor
from PySide6.QtWidgets import QMenu, QPushButton

from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.edits.pieces import ChangeLedge
from jolly_ledge.model.meant import AS_THE_LOOK, PURPOSE_NAMES, PURPOSES, Meant, said
from jolly_ledge.model.phrases import capital
from jolly_ledge.model.words import FIGURES, FULLNESSES, ODD_RULES
from jolly_ledge.workspace.workspace import Workspace

TIPS = {
    "dress": "Everything is asked of it", "statement": "One thing or one small group holds it",
    "collection": "Likes of one height are meant; no proposal touches it",
    "store": "Boxes and baskets come; likeness, heights and groups are not asked",
    "rest": "It stays free; what stands there is named", "leave": "Nothing is found on it, no proposal touches it",
}  # fmt: skip
ODD_NAMES = {"strict": "strictly odd", "loose": "loosely odd", "off": "not counted"}
MOST_COUNTED = 9


class MeaningChip:
    """A chip that says what the ledge in hand is meant as, with the list of what it may be."""

    def __init__(self, workspace: Workspace) -> None:
        self._workspace = workspace
        tip = "What this ledge is meant for: readings ask it before they find anything (Shift+M)"
        self.button: QPushButton = chip("", tip, checkable=False)
        self.menu = QMenu(self.button)
        self.menu.setToolTipsVisible(True)
        self.menu.aboutToShow.connect(self.fill)
        self.button.setMenu(self.menu)

    def refresh(self) -> None:
        """Say what the ledge in hand is meant as."""
        ledge = self._workspace.ledge
        if ledge is not None:
            told = said(ledge.meant) or "dressed, as the look"
            self.button.setText(f"{capital(told)} ▾")
            self.button.setAccessibleName(f"{ledge.label} is meant as: {told}")

    def fill(self) -> None:
        """List what the ledge may be meant for, what it is meant as marked."""
        ledge, menu = self._workspace.ledge, self.menu
        menu.clear()
        if ledge is None:
            menu.addAction("Choose a ledge first").setEnabled(False)
            return
        for purpose in PURPOSES:
            made = menu.addAction(capital(PURPOSE_NAMES[purpose]), partial(self._mean, purpose=purpose))
            made.setCheckable(True)
            made.setChecked(ledge.meant.purpose == purpose)
            made.setToolTip(TIPS[purpose])
        menu.addSeparator()
        self._own("As full as", "fullness", [(one, one.capitalize()) for one in FULLNESSES])
        self._own("In the figure", "figure", [(one, one.capitalize()) for one in FIGURES])
        self._own("Odd groups", "odd", [(one, ODD_NAMES[one].capitalize()) for one in ODD_RULES])
        self._own("How many things", "count", [(count, str(count)) for count in range(1, MOST_COUNTED + 1)])
        if ledge.meant.is_told:
            menu.addSeparator()
            menu.addAction("As the look has it", partial(self._set, AS_THE_LOOK))

    def _own(self, title: str, field: str, choices: list[tuple[Any, str]]) -> None:
        ledge = self._workspace.ledge
        assert ledge is not None
        listed = self.menu.addMenu(title)
        for value, name in ((None, "As the look has it"), *choices):
            made = listed.addAction(name, partial(self._mean, **{field: value}))
            made.setCheckable(True)
            made.setChecked(getattr(ledge.meant, field) == value)

    def _mean(self, **changes: Any) -> None:
        ledge = self._workspace.ledge
        if ledge is not None:
            self._set(replace(ledge.meant, **changes))

    def _set(self, meant: Meant) -> None:
        workspace, ledge = self._workspace, self._workspace.ledge
        if ledge is not None and meant != ledge.meant:
            label = f"Mean {ledge.label} as {said(meant) or 'the look has it'}"
            changes = (("meant", meant),)
            workspace.commit(ChangeLedge(piece=workspace.piece_id, ledge=ledge.id, changes=changes, label=label))

    def pop_up(self) -> None:
        """Open the list under its chip, or at the pointer while a thing is in hand and the chip is not shown."""
        chip_foot = self.button.mapToGlobal(self.button.rect().bottomLeft())
        self.menu.popup(chip_foot if self.button.isVisible() else QCursor.pos())
