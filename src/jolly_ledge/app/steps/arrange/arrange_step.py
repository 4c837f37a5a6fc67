"""Arrange: the look drawn to scale, the stash on its board, the readings beside it."""

from functools import partial
from typing import TYPE_CHECKING

from PySide6.QtCore import QPoint, Qt
from PySide6.QtGui import QResizeEvent
from PySide6.QtWidgets import QHBoxLayout, QStackedWidget, QWidget

from jolly_ledge.app.steps.arrange.acts import acts_of
from jolly_ledge.app.steps.arrange.board_foot import BoardFoot
from jolly_ledge.app.steps.arrange.chosen_panel import ChosenPanel
from jolly_ledge.app.steps.arrange.exchange_bar import ExchangeBar
from jolly_ledge.app.steps.arrange.look_teller import LookTeller
from jolly_ledge.app.steps.arrange.reading_column import ReadingColumn
from jolly_ledge.app.steps.arrange.sights import Sights
from jolly_ledge.app.steps.arrange.view_strip import IN_THE_ROOM, KEYS, STRAIGHT_ON, ViewStrip
from jolly_ledge.app.steps.step import Step
from jolly_ledge.app.views.look.look_view import LookView
from jolly_ledge.app.widgets.act_menu import ActMenu
from jolly_ledge.app.widgets.axis_menu import AxisMenu
from jolly_ledge.app.widgets.kept_place_menu import KeptPlaceMenu
from jolly_ledge.app.widgets.task_menu import TaskMenu
from jolly_ledge.model.mishaps import survives
from jolly_ledge.model.phrases import capital
from jolly_ledge.workspace.look_actions import LookActions
from jolly_ledge.workspace.several import SeveralActions
from jolly_ledge.workspace.workspace import Workspace

if TYPE_CHECKING:
    from jolly_ledge.app.steps.arrange.proposals_page import ProposalsPage
    from jolly_ledge.app.steps.arrange.reading_panel import ReadingPanel
    from jolly_ledge.app.steps.arrange.wanted_page import WantedPage
    from jolly_ledge.jobs.runner import Runner

STEP_MM, FINE_MM = 10.0, 1.0


class ArrangeStep(Step):
    """The page on which most of the work is done."""

    def __init__(self, host: QWidget, workspace: Workspace) -> None:
        super().__init__(host, workspace)
        self.actions_on_look = LookActions(workspace)
        self._is_alone = False
        self.several = SeveralActions(workspace, self.actions_on_look)
        self.view = LookView(workspace)
        self.chosen = ChosenPanel(workspace, self.actions_on_look)
        self._reading_column = ReadingColumn(workspace)
        self.foot = BoardFoot(workspace, self.actions_on_look, self.column.spacing())
        self.strip = self.foot.strip
        self.view_strip = ViewStrip(workspace, self.view.overlays)
        self.column.addWidget(self.view_strip)
        middle = QHBoxLayout()
        middle.setSpacing(6)
        self.views = QStackedWidget()
        self.views.addWidget(self.view)
        self.job: Runner | None = None
        self.proposals: ProposalsPage | None = None
        self.wanted: WantedPage | None = None
        self.sights = Sights(workspace, self.views, self.view_strip)
        middle.addWidget(self.views, 1)
        middle.addWidget(self.chosen)
        self.column.addLayout(middle, 1)
        self.exchange_bar = ExchangeBar(workspace)
        self.chosen.exchange_chip.clicked.connect(self.begin_exchange)
        self.column.addWidget(self.exchange_bar)
        self.column.addWidget(self.foot)
        self.row.addWidget(self._reading_column)
        self.beside = self._reading_column
        self.view.first_painted.connect(self._reading_column.begin, Qt.ConnectionType.QueuedConnection)
        self.view.asked_for_figures.connect(self.chosen.left_field.setFocus)
        self.view_strip.overlay_toggled.connect(self._show_overlay)
        workspace.signals.changed.connect(self._tell_anew)
        self.view_strip.ways_changed.connect(self._look_through)
        self.view_strip.place_changed.connect(self._look_from)
        self.foot.looks_asked.connect(self.show_proposals)
        self.foot.wanted_asked.connect(self.show_wanted)
        self._connect_strip()
        self._bind_keys()
        self.teller = LookTeller(workspace, self.view)
        workspace.signals.changed.connect(self._set_chips)

    @property
    def readings(self) -> "ReadingPanel":
        """The readings beside the drawing."""
        return self._reading_column.panel

    @survives
    def resizeEvent(self, event: QResizeEvent) -> None:
        """Set the chips beside the names where there is room, else under them."""
        super().resizeEvent(event)
        self._set_chips()

    def _set_chips(self) -> None:
        names = self.piece_name.sizeHint().width() + self.look_name.sizeHint().width() + 2 * self.head.spacing()
        room = self.width() - self._reading_column.width() - 40
        beside = names + self.view_strip.sizeHint().width() <= room
        if beside and self.head.indexOf(self.view_strip) < 0:
            self.column.removeWidget(self.view_strip)
            self.head.addWidget(self.view_strip)
        elif not beside and self.column.indexOf(self.view_strip) < 0:
            self.head.removeWidget(self.view_strip)
            self.column.insertWidget(1, self.view_strip)

    def _show_overlay(self, name: str, on: bool) -> None:
        self.view.show_overlay(name, on)
        self.sights.look_through()
        self.foot.say_keys(self.view_strip.said)

    def _tell_anew(self) -> None:
        """Tell what is seen from the place that is looked from, after a change of the look."""
        if self.view_strip.place != STRAIGHT_ON:
            self.foot.say_keys(self.view_strip.said)

    def _look_through(self) -> None:
        strip = self.view_strip
        self.view.look_through(strip.ways, shut=strip.is_shut)
        self.sights.look_through()

    @survives
    def hear_keys(self) -> None:
        """Let the drawing hear them."""
        self.view.setFocus(Qt.FocusReason.OtherFocusReason)

    def show_alone(self, alone: bool) -> None:
        """Show the drawing, or the proposals, alone in the window."""
        self._is_alone = alone
        self._show_beside(alone=alone or self.views.currentWidget() in (self.proposals, self.wanted))
        self._reading_column.setVisible(not alone)
        self.view_strip.setVisible(not alone)

    def _show_beside(self, *, alone: bool) -> None:
        self.chosen.setVisible(not alone)
        self.foot.setVisible(not alone)

    def _look_from(self) -> None:
        strip = self.view_strip
        self.foot.say_keys(strip.said)
        # Two photographs side by side want all the room there is.
        self._show_beside(alone=self._is_alone or strip.place == IN_THE_ROOM)
        if strip.place == STRAIGHT_ON:
            self.views.setCurrentWidget(self.view)
            return
        self.sights.show()

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
            self.readings.watch.told.connect(self.proposals.tell_numbers)
            self.views.addWidget(self.proposals)
        # The proposals take the room of what is in hand and of the stash: nothing is moved while they are looked at.
        self._show_beside(alone=True)
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
        self._show_beside(alone=True)
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
            self.actions_on_look.nudge(along * step, deep * step, stops=True)

    def show_menu(self, at: QPoint) -> None:
        """Show what can be done with what is chosen, or on the ledge in hand, at a point of the screen."""
        workspace = self.workspace
        chosen, ledge = workspace.chosen_placed, workspace.ledge
        if chosen:
            head = chosen[0].item.label if len(chosen) == 1 else f"{len(chosen)} things"
            self.menu.show_for("thing" if len(chosen) == 1 else "several", capital(head))
        elif ledge is not None:
            self.menu.show_for("ledge", capital(ledge.label))
        else:
            self.menu.show_for("look", "The look")
        self.menu.popup(at)

    def look_at_ledge(self) -> None:
        """Fill the view with the ledge in hand, or show the whole piece again."""
        ledge = self.workspace.ledge
        if ledge is None or self.view.zoom.factor > 1.0:
            self.view.zoom.fit()
        else:
            self.view.look_at_ledge(ledge)

    def go_to_the_board(self) -> None:
        """Take the board of the stash in hand, to choose from it by keys."""
        self.strip.setFocus(Qt.FocusReason.ShortcutFocusReason)

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
            self.shortcut(keys, partial(self._arrow, along, deep, STEP_MM), view, "Move it by 1 cm")
            self.shortcut(f"Shift+{keys}", partial(self._arrow, along, deep, FINE_MM), view, "Move it by 1 mm")
            pushed = partial(self.actions_on_look.nudge, along * STEP_MM, deep * STEP_MM)
            self.shortcut(f"Alt+{keys}", pushed, view, "Push it on, through what stands there")
        self.axes = AxisMenu(view, self.workspace, self.several.centre_on)
        self.kept_places = KeptPlaceMenu(view, self.workspace)
        self.tasks = TaskMenu(view, self.workspace)
        view.menu_asked.connect(self.kept_places.asked_at)
        self.acts = acts_of(self)
        self.menu = ActMenu(self, self.acts)
        view.menu_asked.connect(self.show_menu)
        for act in self.acts:
            if act.keys:
                self.shortcut(act.keys, act.run, view, act.label)
        # These mean something else on the drawing while nothing is tried.
        bar = self.exchange_bar
        for keys, action in (("Return", bar.take), ("Enter", bar.take), ("Esc", bar.leave)):
            bound = self.shortcut(keys, action, view)
            bound.setEnabled(False)
            bar.trying.connect(bound.setEnabled)
        for name, key in KEYS.items():
            # Cords are drawn from every place one looks from.
            owner = None if name == "cords" else view
            self.shortcut(key, partial(self.view_strip.toggle_overlay, name), owner, f"Show {name} on the drawing")
        # These also serve where the straight view is hidden.
        for keys, action, said in (
            ("V", self.view_strip.look_from_next, "Look from elsewhere"),
            ("D", self.view_strip.toggle_doors, "Shut or open the doors"),
            ("Q", partial(self.view_strip.toggle_way, "squint"), "Squint"),
            ("Shift+B", self.foot.board_menu.rows.toggle, "Draw the board up to more rows"),
            ("Y", partial(self.view_strip.toggle_way, "grey"), "Look without colours"),
            ("M", partial(self.view_strip.toggle_way, "mirrored"), "Look in the mirror"),
        ):
            self.shortcut(keys, action, said=said)
