"""What is chosen on the drawing: its pose, its tape figures, its vignette."""

from PySide6.QtWidgets import QGridLayout, QLineEdit, QVBoxLayout, QWidget

from jolly_ledge.app.views.look.depth_view import DepthView
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.length_field import LengthField
from jolly_ledge.app.widgets.meaning_menu import MeaningChip
from jolly_ledge.app.widgets.texts import BoardLine, heading, words
from jolly_ledge.app.widgets.wish_menu import WishChip
from jolly_ledge.cautions.load import row_load_said
from jolly_ledge.geometry.rows import row_of
from jolly_ledge.model.phrases import percent
from jolly_ledge.model.words import Pose
from jolly_ledge.planning.sets_apart import rest_of_its_set
from jolly_ledge.planning.stems import plan_stems
from jolly_ledge.scene.marks import weights
from jolly_ledge.workspace.look_actions import LookActions
from jolly_ledge.workspace.workspace import Workspace

PANEL_WIDTH = 204
POSES: tuple[tuple[Pose, str, str], ...] = (
    ("upright", "Stand", "Stand it upright (U)"),
    ("flat", "Lay flat", "Lay it flat (F)"),
    ("leaning", "Lean", "Lean it against the back (L)"),
    ("spine-in", "Pages out", "Turn the pages of a book out (P)"),
)


COUNTS = {None: "Counts so", "own": "Counts itself", "together": "Counts with it"}


class ChosenPanel(QWidget):
    """Shows and changes the thing in hand, with its ledge from above."""

    def __init__(self, workspace: Workspace, actions: LookActions) -> None:
        super().__init__()
        self._workspace = workspace
        self._actions = actions
        self.setFixedWidth(PANEL_WIDTH)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 4, 0)
        column.setSpacing(5)
        self.title = heading("", 16)
        self.title.setWordWrap(True)
        self.where = words("", "small")
        column.addWidget(self.title)
        column.addWidget(BoardLine())
        column.addWidget(self.where)
        self.meaning = MeaningChip(workspace)
        column.addWidget(self.meaning.button)
        column.addWidget(self._tools())
        self.depth_view = DepthView(workspace)
        column.addWidget(self.depth_view)
        column.addStretch(1)
        for signal in (workspace.signals.changed, workspace.signals.chosen, workspace.signals.previewed):
            signal.connect(self.refresh)
        self.refresh()

    def _tools(self) -> QWidget:
        self.tools = QWidget()
        grid = QGridLayout(self.tools)
        grid.setContentsMargins(0, 0, 0, 0)
        grid.setSpacing(5)
        self.pose_chips = {}
        for index, (pose, text, tip) in enumerate(POSES):
            button = chip(text, tip)
            button.clicked.connect(lambda _=False, pose=pose: self._actions.pose(pose))
            self.pose_chips[pose] = button
            grid.addWidget(button, index // 2, index % 2)
        self.turn_chip = chip("Turn", "Turn it by a quarter (T)", checkable=False)
        self.turn_chip.clicked.connect(self._actions.turn)
        self.lock_chip = chip("Lock", "Lock it where it stands (K)")
        self.lock_chip.clicked.connect(self._actions.lock)
        self.inside_chip = chip("Put inside", "Put it inside the nearest container (I)", checkable=False)
        self.inside_chip.clicked.connect(self._actions.put_inside)
        self.back_chip = chip("Put back", "Take it back to the stash (Delete)", checkable=False)
        self.back_chip.clicked.connect(self._actions.put_back)
        for index, button in enumerate((self.turn_chip, self.lock_chip, self.inside_chip, self.back_chip)):
            grid.addWidget(button, 2 + index // 2, index % 2)
        self.exchange_chip = chip("Others here", "Try other things or groups in its very spot (E)", checkable=False)
        self.count_chip = chip("", "Change how it counts as a unit (J)", checkable=False)
        self.count_chip.clicked.connect(self._actions.count_apart)
        self.left_field = LengthField(self._workspace, self._actions.set_from_left, "From the left end")
        self.front_field = LengthField(self._workspace, self._actions.set_from_front, "From the front edge")
        self.group_field = QLineEdit()
        self.group_field.setAccessibleName("Vignette")
        self.group_field.setPlaceholderText("by nearness")
        self.group_field.setFixedWidth(96)
        self.group_field.editingFinished.connect(self._regroup)
        for row, (text, field) in enumerate(
            (
                ("From left", self.left_field),
                ("From front", self.front_field),
                ("Vignette", self.group_field),
            ),
            start=4,
        ):
            grid.addWidget(words(text, "soft", wrap=False), row, 0)
            grid.addWidget(field, row, 1)
        grid.addWidget(self.count_chip, 7, 0)
        self.wish_chip = WishChip(self._workspace, self._chosen_items)
        grid.addWidget(self.wish_chip.button, 7, 1)
        grid.addWidget(self.exchange_chip, 8, 0, 1, 2)
        self.row_chip = chip("Whole group", "Take the whole row or group in hand (R)", checkable=False)
        self.row_chip.clicked.connect(self._actions.take_row)
        self.sort_chip = chip("Sort row", "Sort it by height, then by hue, then by name (O)", checkable=False)
        self.sort_chip.clicked.connect(self._actions.sort_row)
        grid.addWidget(self.row_chip, 9, 0)
        grid.addWidget(self.sort_chip, 9, 1)
        return self.tools

    def _chosen_items(self) -> tuple[str, ...]:
        return tuple(placed.item.id for placed in self._workspace.chosen_placed)

    def _regroup(self) -> None:
        chosen = self._workspace.chosen_placed
        name = self.group_field.text().strip() or None
        if chosen and any((placed.placement.vignette or None) != name for placed in chosen):
            self._actions.group(name)

    def refresh(self) -> None:
        """Show what is chosen."""
        workspace = self._workspace
        chosen = workspace.chosen_placed
        self.tools.setVisible(bool(chosen))
        self.meaning.refresh()
        self.meaning.button.setVisible(not chosen and workspace.ledge is not None)
        ledge = workspace.ledge
        row = row_of(workspace.arrangement, chosen[0].id) if chosen else ()
        self.sort_chip.setVisible(bool(row))
        self.row_chip.setVisible(bool(chosen))
        self.row_chip.setText("Whole row" if row else "Whole group")
        if not chosen:
            self.title.setText(f"{ledge.label[:1].upper()}{ledge.label[1:]}" if ledge else "No ledge yet")
            if ledge is not None:
                free = "open above" if ledge.clearance is None else f"{workspace.length(ledge.clearance)} clear"
                self.where.setText(
                    f"{workspace.length(ledge.width)} wide, {workspace.length(ledge.depth)} deep, {free}. "
                    "Click a thing to take it in hand; drag one from the board below to set it here."
                )
            return
        first = chosen[0]
        self.title.setText(first.item.label if len(chosen) == 1 else f"{len(chosen)} things")
        self.where.setText(self._where())
        for pose, button in self.pose_chips.items():
            button.setChecked(all(placed.placement.pose == pose for placed in chosen))
        self.pose_chips["spine-in"].setEnabled(all(placed.item.is_book for placed in chosen))
        self.lock_chip.setChecked(all(placed.placement.locked for placed in chosen))
        self.count_chip.setText(COUNTS[first.placement.counts_as])
        self.lock_chip.setText("Locked" if self.lock_chip.isChecked() else "Lock")
        if not self.left_field.hasFocus():
            self.left_field.show_length(max(first.left - first.ledge.left, 0.0))
        if not self.front_field.hasFocus():
            self.front_field.show_length(None if first.placement.pose == "hung" else max(first.front, 0.0))
        if not self.group_field.hasFocus():
            self.group_field.setText(first.placement.vignette or "")

    def _where(self) -> str:
        chosen = self._workspace.chosen_placed
        first = chosen[0]
        row = row_of(self._workspace.arrangement, first.id)
        load = row_load_said(self._workspace.arrangement, row) if row else ""
        if len(chosen) > 1 and {placed.id for placed in chosen} == {one.id for one in row}:
            return f"A row of {len(row)} books, {self._workspace.length(row[-1].right - row[0].left)} long; {load}"
        if len(chosen) > 1:
            return "Shift-click adds and takes away."
        host = self._workspace.arrangement.by_id.get(first.placement.host or "")
        place = f"{'inside' if first.placement.inside else 'on'} the {host.item.label}, " if host else ""
        mass = "mass unknown" if first.item.mass is None else f"{first.item.mass:g} kg"
        takes = ""
        if first.item.category == "vessel":
            stems = plan_stems(first.item)
            takes = f", takes {stems.fewest} to {stems.most} stems"
        apart = rest_of_its_set(self._workspace.plan, self._workspace.look, first.item)
        return f"{place}{first.ledge.label}; {mass}{self._to_the_eye(first.id)}{takes}{f'. {apart}' if apart else ''}"

    def _to_the_eye(self, identifier: str) -> str:
        """Return what a thing weighs to the eye, once the look is read; its mass is another matter."""
        if not self._workspace.is_assessed:
            return ""
        by_id = weights(self._workspace.arrangement)
        whole = sum(by_id.values())
        return f", {percent(by_id[identifier] / whole)} to the eye" if whole and identifier in by_id else ""
