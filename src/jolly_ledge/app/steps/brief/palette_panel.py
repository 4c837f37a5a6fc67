"""The palette of the look in hand, chosen among the families that the stash shows most."""

from PySide6.QtWidgets import (
    QHBoxLayout,
    QPushButton,
    QVBoxLayout,
    QWidget,
)

from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.colour_button import swatch
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.edits.looks import ChangeLook
from jolly_ledge.model.families import name_of, stash_families
from jolly_ledge.model.hue_family import nearest_family
from jolly_ledge.model.look import Manner
from jolly_ledge.model.value import changed
from jolly_ledge.workspace.workspace import Workspace

MOST_FAMILIES = 4


OFFERED_FAMILIES, ROWS = 12, 3


class PalettePanel(QWidget):
    """A chip for every family that is offered, in rows, with a word on how many are chosen."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__()
        self.workspace = workspace
        page = QVBoxLayout(self)
        page.setContentsMargins(0, 0, 0, 0)
        page.setSpacing(6)
        self.palette_note = words("", "soft")
        page.addWidget(self.palette_note)
        self.palette_rows = [QHBoxLayout() for _ in range(ROWS)]
        for row_layout in self.palette_rows:
            row_layout.setSpacing(6)
            page.addLayout(row_layout)
        self.palette_chips: dict[str, QPushButton] = {}

    def show_manner(self, manner: Manner) -> None:
        """Show the palette of a manner."""
        leaders = [colour for colour, _ in stash_families(self.workspace.plan.stash, self.workspace.plan.families)][
            :OFFERED_FAMILIES
        ]
        offered = leaders + [colour for colour in manner.palette if self._nearest(colour, leaders) is None]
        if list(self.palette_chips) != offered:
            for old in self.palette_chips.values():
                old.deleteLater()
            self.palette_chips = {}
            for index, colour in enumerate(offered):
                button = chip(self._family(colour), f"{self._family(colour)} {colour}")
                button.setIcon(swatch(colour))
                button.clicked.connect(lambda on=False, colour=colour: self._toggle_family(colour, on))
                self.palette_chips[colour] = button
                self.palette_rows[index * ROWS // max(len(offered), 1)].addWidget(button)
        chosen = {self._nearest(colour, offered) for colour in manner.palette}
        for colour, button in self.palette_chips.items():
            button.setChecked(colour in chosen)
        count = len(manner.palette)
        self.palette_note.setText(
            f"{count} of {MOST_FAMILIES} families chosen from the stash; the green of plants is always welcome."
            if count
            else "Choose three to four families that the stash shows most; none yet, so the leading "
            "ones are taken for it."
        )

    def _family(self, colour: str) -> str:
        return name_of(colour, self.workspace.plan.families)

    def _nearest(self, colour: str, leaders: list[str]) -> str | None:
        return nearest_family(colour, tuple(leaders))

    def _toggle_family(self, colour: str, on: bool) -> None:
        workspace = self.workspace
        palette = [known for known in workspace.look.manner.palette if self._nearest(known, [colour]) is None]
        if on:
            if len(palette) >= MOST_FAMILIES:
                self.palette_chips[colour].setChecked(False)
                workspace.signals.refused.emit(f"A palette holds up to {MOST_FAMILIES} families; take one out first.")
                return
            palette.append(colour)
        manner = changed(workspace.look.manner, palette=tuple(palette))
        verb = "Add" if on else "Take out"
        workspace.commit(
            ChangeLook(look=workspace.look_id, changes=(("manner", manner),), label=f"{verb} {self._family(colour)}")
        )
