"""Measuring from a photograph: corners of something known, the picture pulled straight, lengths and ledges in it."""

from jolly_ledge.app.dialogs import Dialogs
from jolly_ledge.app.steps.measure.marked_photo import MarkedPhoto
from jolly_ledge.app.steps.measure.photo_edits import (
    colour_edit,
    keep_edit,
    length_edit,
    length_said,
    light_edit,
    moved_view,
    outline_edit,
    outline_of,
    photo_of,
)
from jolly_ledge.edits.marked_ledges import ledge_at
from jolly_ledge.edits.pieces import AddLedge, ClearLedges
from jolly_ledge.model.errors import JollyLedgeError
from jolly_ledge.model.piece import Corner
from jolly_ledge.workspace.workspace import Workspace

HINTS = {
    "length": "Click the two ends of a length.",
    "shelf": "Click both ends of a shelf's top edge. With Shift one click makes one more as wide.",
    "outline": "Click the lower left corner of the piece, then its upper right corner.",
    "colour": "Click the back of an opening to take its colour over.",
}


class PhotoBench(MarkedPhoto):
    """The page on which a photograph is marked, pulled straight and measured in."""

    def __init__(self, workspace: Workspace, dialogs: Dialogs) -> None:
        self._tool = "length"
        self._last_ends: tuple[float, float] | None = None
        self.measured: float | None = None
        super().__init__(workspace, dialogs)
        self._connect_tools()
        self.view.clicked_at.connect(self._clicked)
        workspace.signals.pieces_changed.connect(self._after_change)
        workspace.signals.in_hand_changed.connect(self._after_change)

    def _connect_tools(self) -> None:
        straight = self.straight_strip
        straight.tools.chosen.connect(self._choose_tool)
        straight.again_button.clicked.connect(self._mark_again)
        straight.light_button.clicked.connect(self.read_light)
        straight.clear_button.clicked.connect(
            lambda: self._workspace.commit(ClearLedges(piece=self._workspace.piece_id))
        )
        straight.width_button.clicked.connect(lambda: self._use_length("width"))
        straight.height_button.clicked.connect(lambda: self._use_length("height"))
        straight.keep_button.clicked.connect(self.keep)

    def show_straight(self) -> None:
        """Show the picture pulled straight by the view in hand."""
        super().show_straight()
        self.measured = None
        self._choose_tool(self._tool if self._known == "piece" else "outline")
        self._show_use()

    def _choose_tool(self, tool: str) -> None:
        self._tool = tool
        self.straight_strip.tools.show_choice(tool)
        self.view.begun = None
        self.hint.setText(HINTS[tool])
        self.view.update()

    def _clicked(self, x: float, y: float, shift: bool) -> None:
        try:
            if self._tool == "colour":
                self._take_colour(x, y)
            elif self._tool == "shelf" and shift and self._last_ends is not None:
                self._add_ledge(self._last_ends[0], self._last_ends[1], y)
            elif self.view.begun is None:
                self.view.begun = (x, y)
                self.view.update()
            else:
                first, self.view.begun = self.view.begun, None
                self._finish(first, (x, y))
        except JollyLedgeError as error:
            self._workspace.signals.refused.emit(str(error))

    def _finish(self, first: Corner, second: Corner) -> None:
        if self._tool == "length":
            said, self.measured = self._said(first, second)
            self.view.lines.append((first, second, said))
            self.hint.setText(f"{said}. Nineteen in twenty lengths lie that near; measure with a tape what must fit.")
            self._show_use()
            self.view.update()
        elif self._tool == "shelf":
            self._add_ledge(first[0], second[0], (first[1] + second[1]) / 2)
        else:
            self._set_outline(first, second)

    def _said(self, first: Corner, second: Corner) -> tuple[str, float]:
        assert self._view is not None
        return length_said(self._view, first, second, self._workspace.length)

    def _show_use(self) -> None:
        for button in (self.straight_strip.width_button, self.straight_strip.height_button):
            button.setEnabled(self.measured is not None)

    def _use_length(self, side: str) -> None:
        if self.measured is not None:
            self._workspace.commit(length_edit(self._workspace.piece_id, side, self.measured))

    def _add_ledge(self, left: float, right: float, floor: float) -> None:
        workspace = self._workspace
        if abs(right - left) < 40:
            workspace.signals.refused.emit(
                "The two ends of a shelf's edge lie apart; click its left and its right end."
            )
            return
        self._last_ends = (left, right)
        ledge = ledge_at(workspace.piece, left, right, floor)
        if workspace.commit(AddLedge(piece=workspace.piece_id, ledge=ledge)):
            workspace.choose_ledge(ledge.id)
            wide, _ = self._said((left, floor), (right, floor))
            over, _ = self._said((left, 0.0), (left, floor))
            self.hint.setText(f"{ledge.label}: {wide} wide, {over} over the floor.")

    def _set_outline(self, first: Corner, second: Corner) -> None:
        """Take two corners of the piece for its lower left and upper right: its size, and where it begins."""
        assert self._view is not None
        (left, low), (right, high) = outline_of(first, second)
        wide, _ = self._said((left, low), (right, low))
        tall, _ = self._said((left, low), (left, high))
        self._view = moved_view(self._view, left, low)
        self._workspace.commit(
            outline_edit(self._workspace.piece_id, photo_of(self._name, self._view), right - left, high - low)
        )
        self._known = "piece"
        self.show_straight()
        self._choose_tool("shelf")
        self.hint.setText(f"The piece is {wide} wide and {tall} high. {HINTS['shelf']}")

    def _take_colour(self, x: float, y: float) -> None:
        assert self._straight is not None
        edit, said = colour_edit(self._workspace.piece, self._straight, x, y)
        self._workspace.commit(edit)
        self.hint.setText(said)

    def read_light(self) -> None:
        """Tell for every opening how much light it has, as one step."""
        if self._straight is None:
            return
        try:
            edit, said = light_edit(self._workspace.piece, self._straight)
        except JollyLedgeError as error:
            self._workspace.signals.refused.emit(str(error))
            return
        self._workspace.commit(edit)
        self.hint.setText(said)

    def keep(self) -> None:
        """Lay the photograph under the drawing, true to scale."""
        if self._view is not None:
            self._workspace.commit(keep_edit(self._workspace.piece_id, photo_of(self._name, self._view)))
            self.left.emit()

    def _after_change(self) -> None:
        if self._straight is not None and self._workspace.piece_id:
            self.view.piece = self._workspace.piece
            self.view.update()
