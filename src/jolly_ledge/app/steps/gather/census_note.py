"""Says how many things there are, and for which openings things of the right height are short."""

from PySide6.QtWidgets import QLabel

from jolly_ledge.app.tones import tones
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.model.census import CensusLine, census
from jolly_ledge.model.item import Item
from jolly_ledge.model.phrases import capital, counted
from jolly_ledge.model.piece import Piece
from jolly_ledge.workspace.workspace import Workspace

MOST_LINES = 3


class CensusNote:
    """The line under the line-up; openings are counted anew when the piece or the stash is another."""

    def __init__(self, workspace: Workspace) -> None:
        self._workspace = workspace
        self.label: QLabel = words("", "soft")
        self._counted: tuple[Piece, tuple[Item, ...]] | None = None
        self._lines: tuple[CensusLine, ...] = ()

    def show_count(self, shown: int) -> None:
        """Tell of the stash, of which so many things are shown."""
        workspace = self._workspace
        whole = len(workspace.plan.stash)
        if not whole:
            said = "Nothing is gathered yet: type a line above, such as “vase stoneware 18x32 sand hall”."
        elif not shown:
            said = "Nothing matches; clear the search or show what does not fit too."
        else:
            begun = f"{capital(counted(whole, 'thing'))}." if shown == whole else f"{shown} of {whole} things shown."
            said = " ".join((begun, *(self._line(line) for line in self._shortest())))
        self.label.setText(said)

    def _shortest(self) -> list[CensusLine]:
        """Return the openings for which most is short."""
        workspace = self._workspace
        if not workspace.piece_id:
            return []
        key = (workspace.piece, workspace.plan.stash)
        if self._counted is None or any(a is not b for a, b in zip(self._counted, key, strict=True)):
            self._counted, self._lines = key, census(*key)
        return sorted(self._lines, key=lambda line: (-line.lacking, -line.highest))[:MOST_LINES]

    def _line(self, line: CensusLine) -> str:
        length = self._workspace.length
        low, high = (length(round(wanted, -1)) for wanted in (line.wanted_from, line.wanted_to))
        said = (
            f"{capital(counted(line.openings, 'opening'))} of {length(line.highest)}, "
            f"{counted(line.things, 'thing')} of {low} to {high}."
        )
        return (
            f"<span style='color:{tones().rust_ink}'>{said} {capital(str(line.lacking))} short.</span>"
            if line.lacking
            else said
        )
