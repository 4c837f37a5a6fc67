"""Arrange: the look drawn to scale, the stash on its board, the readings beside it."""

from functools import partial
from typing import TYPE_CHECKING

from PySide6.QtCore import QPoint, Qt
from PySide6.QtGui import QResizeEvent
from PySide6.QtWidgets import QHBoxLayout, QSizePolicy, QStackedWidget, QVBoxLayout, QWidget

from jolly_ledge.app.steps.arrange.arrange_keys import keys_on_the_drawing
from jolly_ledge.app.steps.arrange.chosen_panel import ChosenPanel
from jolly_ledge.app.steps.arrange.exchange_bar import ExchangeBar
from jolly_ledge.app.steps.arrange.look_actions import LookActions
from jolly_ledge.app.steps.arrange.reading_panel import ReadingPanel
from jolly_ledge.app.steps.arrange.view_strip import KEYS, STRAIGHT_ON, ViewStrip
from jolly_ledge.app.steps.step import Step
from jolly_ledge.app.views.line_up.stash_strip import StashStrip
from jolly_ledge.app.views.look.look_view import LookView
from jolly_ledge.app.widgets.chip import chip
from jolly_ledge.app.widgets.texts import words
from jolly_ledge.model.item import Item
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.phrases import counted
from jolly_ledge.model.stash_order import fits
from jolly_ledge.workspace.workspace import Workspace

if TYPE_CHECKING:
    from jolly_ledge.app.steps.arrange.proposals_page import ProposalsPage
    from jolly_ledge.app.steps.arrange.wanted_page import WantedPage
    from jolly_ledge.app.views.look.sight_view import SightView
    from jolly_ledge.jobs.runner import Runner

STEP_MM, FINE_MM = 10.0, 1.0
KEYS_HINT = "Keys 1 to 9, 0 and A show more on the drawing; V looks from elsewhere, Q squints."


class ArrangeStep(Step):
    """The page on which most of the work is done."""

    def __init__(self, workspace: Workspace) -> None:
        super().__init__(workspace)
        self.actions_on_look = LookActions(workspace)
        self.view = LookView(workspace)
        self.chosen = ChosenPanel(workspace, self.actions_on_look)
        self.readings = ReadingPanel(workspace)
        self.strip = StashStrip(workspace, self.actions_on_look.place)
        self.view_strip = ViewStrip(workspace, self.view.overlays)
        self.column.addWidget(self.view_strip)
        middle = QHBoxLayout()
        middle.setSpacing(6)
        self.views = QStackedWidget()
        self.views.addWidget(self.view)
        self.job: Runner | None = None
        self.proposals: ProposalsPage | None = None
        self.wanted: WantedPage | None = None
        self.sight: SightView | None = None
        middle.addWidget(self.views, 1)
        middle.addWidget(self.chosen)
        self.column.addLayout(middle, 1)
        self.key_line = words(KEYS_HINT, "small", wrap=False)
        self.key_line.setSizePolicy(QSizePolicy.Policy.Ignored, QSizePolicy.Policy.Fixed)
        self.exchange_bar = ExchangeBar(workspace)
        self.chosen.exchange_chip.clicked.connect(self.begin_exchange)
        self.column.addWidget(self.exchange_bar)
        self.foot = self._foot()
        self.column.addWidget(self.foot)
        self.row.addWidget(self.readings)
        self.view.first_painted.connect(self.readings.begin, Qt.ConnectionType.QueuedConnection)
        self.view.asked_for_figures.connect(self.chosen.left_field.setFocus)
        self.view_strip.overlay_toggled.connect(self._show_overlay)
        self.view_strip.ways_changed.connect(self._look_through)
        self.view_strip.place_changed.connect(self._look_from)
        self._connect_strip()
        self._bind_keys()
        workspace.signals.changed.connect(self._set_chips)
        for signal in (workspace.signals.changed, workspace.signals.chosen):
            signal.connect(self._show_strip)
        self._show_strip()

    @survives
    def resizeEvent(self, event: QResizeEvent) -> None:
        """Set the chips beside the names where there is room, else under them."""
        super().resizeEvent(event)
        self._set_chips()

    def _set_chips(self) -> None:
        names = self.piece_name.sizeHint().width() + self.look_name.sizeHint().width() + 2 * self.head.spacing()
        room = self.width() - self.readings.width() - 40
        beside = names + self.view_strip.sizeHint().width() <= room
        if beside and self.head.indexOf(self.view_strip) < 0:
            self.column.removeWidget(self.view_strip)
            self.head.addWidget(self.view_strip)
        elif not beside and self.column.indexOf(self.view_strip) < 0:
            self.head.removeWidget(self.view_strip)
            self.column.insertWidget(1, self.view_strip)

    def _show_overlay(self, name: str, on: bool) -> None:
        self.view.show_overlay(name, on)
        said = self.view_strip.said or KEYS_HINT
        self.key_line.setText(said)
        self.key_line.setToolTip(said)

    def _look_through(self) -> None:
        strip = self.view_strip
        self.view.look_through(strip.ways, shut=strip.is_shut)
        if self.sight is not None:
            self.sight.look_through(strip.ways, shut=strip.is_shut)

    def _look_from(self) -> None:
        strip = self.view_strip
        self.chosen.show()
        self.foot.show()
        if strip.place == STRAIGHT_ON:
            self.views.setCurrentWidget(self.view)
            return
        if self.sight is None:
            from jolly_ledge.app.views.look.sight_view import SightView

            self.sight = SightView(self.workspace)
            self.views.addWidget(self.sight)
        self.sight.look_through(strip.ways, shut=strip.is_shut)
        self.sight.look_from(strip.eye)
        self.views.setCurrentWidget(self.sight)

    def _foot(self) -> QWidget:
        """Return what lies below the drawing: what the keys do, and the stash on its board."""
        foot = QWidget()
        column = QVBoxLayout(foot)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(self.column.spacing())
        column.addWidget(self.key_line)
        column.addLayout(self._strip_head())
        column.addWidget(self.strip)
        return foot

    def _strip_head(self) -> QHBoxLayout:
        row = QHBoxLayout()
        row.setSpacing(6)
        self.strip_label = words("", "soft", wrap=False)
        self.fits_chip = chip("Only what fits", "Show only what fits the ledge in hand", checked=True)
        self.fits_chip.toggled.connect(lambda _: self._show_strip())
        self.propose_button = chip("Propose looks", "Compose whole looks from the stash (W)", checkable=False)
        self.propose_button.clicked.connect(self.show_proposals)
        self.place_button = chip("Place here", "Place the chosen thing on the ledge in hand (Return)", checkable=False)
        self.place_button.clicked.connect(self._place_chosen)
        self.gather_button = chip("Gather things", "Go to the step where things come in", checkable=False)
        self.gather_button.clicked.connect(lambda: self.workspace.signals.step_asked.emit("Gather"))
        row.addWidget(self.strip_label, 1)
        row.addWidget(self.gather_button)
        row.addWidget(self.fits_chip)
        row.addWidget(self.place_button)
        row.addWidget(self.propose_button)
        self.wanted_button = chip("Wanted", "What is not owned and would help most (H)", checkable=False)
        self.wanted_button.clicked.connect(self.show_wanted)
        row.addWidget(self.wanted_button)
        return row

    def show_proposals(self) -> None:
        """Search for whole looks of the piece in hand."""
        if not self.workspace.look_id:
            self.workspace.signals.refused.emit(
                "Begin a look first; proposals take its manner and what is locked in it."
            )
            return
        if self.proposals is None:
            from jolly_ledge.app.steps.arrange.proposals_page import ProposalsPage

            self.proposals = ProposalsPage(self.workspace, self.show_look, self._job())
            self.views.addWidget(self.proposals)
        # The proposals take the room of what is in hand and of the stash: nothing is moved while they are looked at.
        self.chosen.hide()
        self.foot.hide()
        self.views.setCurrentWidget(self.proposals)
        self.proposals.setFocus()
        self.proposals.begin()

    def _job(self) -> "Runner":
        """Return the one process that all searches share, so that it stays warm."""
        if self.job is None:
            from jolly_ledge.jobs.process_runner import ProcessRunner

            self.job = ProcessRunner()
        return self.job

    def show_wanted(self) -> None:
        """Search for what is not owned and would help the look in hand most."""
        if not self.workspace.look_id:
            self.workspace.signals.refused.emit("Begin a look first; what is wanted depends on what is there.")
            return
        if self.wanted is None:
            from jolly_ledge.app.steps.arrange.wanted_page import WantedPage

            self.wanted = WantedPage(self.workspace, self.show_look, self._job())
            self.views.addWidget(self.wanted)
        self.chosen.hide()
        self.foot.hide()
        self.views.setCurrentWidget(self.wanted)
        self.wanted.setFocus()
        self.wanted.begin()

    def show_look(self) -> None:
        """Go back from the proposals to the look in hand."""
        self._look_from()
        self.view.setFocus()

    def begin_exchange(self) -> None:
        """Try other things in the spot of the chosen one; the arrow keys step through them."""
        self.exchange_bar.begin()
        self.view.setFocus()

    def _arrow(self, along: int, deep: int, step: float) -> None:
        """Move what is chosen, or step through what is tried in its place."""
        if self.exchange_bar.is_trying:
            self.exchange_bar.step(along - deep)
        else:
            self.actions_on_look.nudge(along * step, deep * step)

    def _place_chosen(self) -> None:
        item = self.workspace.item
        if item is not None and item in self.strip.things:
            self.actions_on_look.place(item)
        else:
            self.workspace.signals.refused.emit(
                "Choose a thing on the board below first; what stands in the look is not on it."
            )

    def _show_strip(self) -> None:
        workspace = self.workspace
        free = workspace.free_items() if workspace.look_id else ()
        has_stash = bool(workspace.plan.stash)
        self.gather_button.setVisible(not has_stash)
        for button in (self.fits_chip, self.place_button, self.propose_button):
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
        self.strip.show_items(tuple(sorted(things, key=lambda item: (-item.height, item.label))))

    def _connect_strip(self) -> None:
        self.strip.carry_began.connect(self.view.begin_from_stash)
        self.strip.carried.connect(self._carry)
        self.strip.let_go.connect(self.view.let_go)
        self.strip.put_back.connect(self.view.put_back)

    def _carry(self, position: QPoint) -> None:
        self.view.carry_to(self.view.viewport().mapFromGlobal(position))

    def _bind_keys(self) -> None:
        view = self.view
        for keys, along, deep in (("Left", -1, 0), ("Right", 1, 0), ("Up", 0, 1), ("Down", 0, -1)):
            self.shortcut(keys, partial(self._arrow, along, deep, STEP_MM), view)
            self.shortcut(f"Shift+{keys}", partial(self._arrow, along, deep, FINE_MM), view)
        for keys, action in keys_on_the_drawing(self):
            self.shortcut(keys, action, view)
        # These mean something else on the drawing while nothing is tried.
        bar = self.exchange_bar
        for keys, action in (("Return", bar.take), ("Enter", bar.take), ("Esc", bar.leave)):
            bound = self.shortcut(keys, action, view)
            bound.setEnabled(False)
            bar.trying.connect(bound.setEnabled)
        for name, key in KEYS.items():
            self.shortcut(key, partial(self.view_strip.toggle_overlay, name), view)
        # These also serve where the straight view is hidden.
        for keys, action in (
            ("V", self.view_strip.look_from_next),
            ("D", self.view_strip.toggle_doors),
            ("Q", partial(self.view_strip.toggle_way, "squint")),
            ("Y", partial(self.view_strip.toggle_way, "grey")),
            ("M", partial(self.view_strip.toggle_way, "mirrored")),
        ):
            self.shortcut(keys, action)
